package buckle.site;

/** A place on the local plane, metres east and north of the plane's origin. */
public record PlanePoint(double eastM, double northM) {
    /** Straight to another point. */
    public double distanceM(PlanePoint other) {
        return lengthM(other.eastM - eastM, other.northM - northM);
    }

    /** So far to the east and to the north of here. */
    public PlanePoint plus(double east, double north) {
        return new PlanePoint(eastM + east, northM + north);
    }

    /** The point at the given share of the way to another one (0 here, 1 there). */
    public PlanePoint towards(PlanePoint other, double share) {
        return new PlanePoint(eastM + (other.eastM - eastM) * share, northM + (other.northM - northM) * share);
    }

    /** Of two lengths at a right angle. {@link Math#hypot} guards against sizes that no property has, and takes several times as long. */
    public static double lengthM(double oneM, double otherM) {
        return Math.sqrt(oneM * oneM + otherM * otherM);
    }
}
