package buckle.site;

/** A point where a fence line turns, starts or ends. */
public record Corner(String id, GeoPoint at) {}
