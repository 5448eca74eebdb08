package buckle.site;

/** A place on the local plane, metres east and north of the plane's origin. */
public record PlanePoint(double eastM, double northM) {
    /** Straight to another point. */
    public double distanceM(PlanePoint other) {
        return Math.hypot(other.eastM - eastM, other.northM - northM);
    }

    /** The point at the given share of the way to another one (0 here, 1 there). */
    public PlanePoint towards(PlanePoint other, double share) {
        return new PlanePoint(eastM + (other.eastM - eastM) * share, northM + (other.northM - northM) * share);
    }
}
