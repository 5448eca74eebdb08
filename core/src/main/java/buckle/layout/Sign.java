package buckle.layout;

/** A place for a warning sign, and why there. */
public record Sign(String lineId, double stationM, String why) {}
