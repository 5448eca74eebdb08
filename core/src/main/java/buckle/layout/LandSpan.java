package buckle.layout;

import buckle.land.LandKind;

/** A feature of the property met along a line; a point feature or a plain crossing has not a length. */
public record LandSpan(String featureId, LandKind kind, String title, double fromM, double toM) {}
