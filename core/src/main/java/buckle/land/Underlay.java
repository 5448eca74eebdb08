package buckle.land;

import buckle.site.GeoPoint;

/**
 * A photo or scan under the plan, placed by two points on it and their true distance.
 *
 * @param hash content hash of the picture, which lies beside the document
 * @param x1 first point in pixels from the picture's upper left corner
 * @param distanceM true distance between the two points
 * @param at where the first point lies
 * @param bearingDeg from the first point to the second, from north clockwise
 * @param opacity 0 unseen to 1 full
 */
public record Underlay(
        String id,
        String name,
        String hash,
        int widthPx,
        int heightPx,
        double x1,
        double y1,
        double x2,
        double y2,
        double distanceM,
        GeoPoint at,
        double bearingDeg,
        double opacity) {
    private static final double LEAST_PX = 10;

    public Underlay {
        if (!(distanceM >= 0.5 && distanceM <= 20_000)) {
            throw new IllegalArgumentException("the distance between the two points must lie between 0.5 m and 20 km");
        }
        if (!(Math.hypot(x2 - x1, y2 - y1) >= LEAST_PX)) {
            throw new IllegalArgumentException("the two points lie too close together on the picture");
        }
        if (!(opacity >= 0 && opacity <= 1)) {
            throw new IllegalArgumentException("opacity lies between 0 and 1");
        }
        if (!Double.isFinite(bearingDeg)) {
            throw new IllegalArgumentException("the bearing is not a number of degrees");
        }
    }
}
