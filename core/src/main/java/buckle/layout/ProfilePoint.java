package buckle.layout;

/** Height of the ground at a station. */
public record ProfilePoint(double stationM, double heightM) {}
