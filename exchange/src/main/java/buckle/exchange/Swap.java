package buckle.exchange;

import buckle.site.GeoPoint;

/** A slip in coordinates that a file is read with on request. */
public enum Swap {
    NONE("as they stand"),
    LAT_LON("with latitude and longitude swapped"),
    EAST_WEST("with east and west swapped"),
    NORTH_SOUTH("with north and south swapped");

    private final String text;

    Swap(String text) {
        this.text = text;
    }

    public String text() {
        return text;
    }

    /** A place as the file means it, when it was written so. */
    public GeoPoint of(double lonDeg, double latDeg, java.util.OptionalDouble heightM) {
        return switch (this) {
            case NONE -> new GeoPoint(lonDeg, latDeg, heightM);
            case LAT_LON -> new GeoPoint(latDeg, lonDeg, heightM);
            case EAST_WEST -> new GeoPoint(-lonDeg, latDeg, heightM);
            case NORTH_SOUTH -> new GeoPoint(lonDeg, -latDeg, heightM);
        };
    }

    public GeoPoint of(GeoPoint p) {
        return of(p.lonDeg(), p.latDeg(), p.heightM());
    }
}
