package buckle.site;

/** A switch in the fence that separates what lies beyond it. */
public record CutOut(String id, String name, GeoPoint at) {}
