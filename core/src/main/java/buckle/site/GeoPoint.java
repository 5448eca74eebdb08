package buckle.site;

import java.util.OptionalDouble;

/**
 * A place on the earth, WGS 84.
 *
 * @param lonDeg longitude east, −180 to 180 (360 is folded back)
 * @param latDeg latitude north, −90 to 90
 * @param heightM height of the ground, when somebody knows it
 */
public record GeoPoint(double lonDeg, double latDeg, OptionalDouble heightM) {
    public GeoPoint {
        if (!(lonDeg >= -360 && lonDeg <= 360)) {
            throw new IllegalArgumentException("longitude " + lonDeg + "° is not between −180° and 180°");
        }
        if (!(latDeg >= -90 && latDeg <= 90)) {
            throw new IllegalArgumentException("latitude " + latDeg + "° is not between −90° and 90°");
        }
        if (heightM.isPresent() && !Double.isFinite(heightM.getAsDouble())) {
            throw new IllegalArgumentException("height is not a finite number of metres");
        }
        lonDeg = lonDeg > 180 ? lonDeg - 360 : lonDeg < -180 ? lonDeg + 360 : lonDeg;
    }

    /** Without a height. */
    public static GeoPoint of(double lonDeg, double latDeg) {
        return new GeoPoint(lonDeg, latDeg, OptionalDouble.empty());
    }

    /** With a height. */
    public GeoPoint withHeight(double heightM) {
        return new GeoPoint(lonDeg, latDeg, OptionalDouble.of(heightM));
    }
}
