package buckle.layout;

/** A cut-out in its line. */
public record CutOutPlace(String id, String name, double stationM) {}
