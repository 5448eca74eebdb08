package buckle.network;

import buckle.layout.CutOutPlace;

/** A cut-out with the places before and after it. */
public record Switch(CutOutPlace cutOut, String lineId, int before, int after) {}
