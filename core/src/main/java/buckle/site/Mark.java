package buckle.site;

/** A named place somebody marked on the walk. */
public record Mark(String name, GeoPoint at) {}
