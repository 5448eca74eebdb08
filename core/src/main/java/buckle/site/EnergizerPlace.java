package buckle.site;

/** Where the energizer stands; the lead-out goes to the nearest place of the nearest line. */
public record EnergizerPlace(String name, GeoPoint at) {}
