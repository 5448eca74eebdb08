package buckle.site;

/**
 * The straight line nearest to a row of points, by least squares of the perpendicular distance.
 *
 * <p>Source: total least squares line (Pearson 1901): through the mean, along the larger principal axis.
 */
record SideFit(PlanePoint mean, double dirEast, double dirNorth, double sumSquaresM2, int count, double spanM) {

    /** Signed distance of a point off the line, positive to the left. */
    double offM(PlanePoint p) {
        return -dirNorth * (p.eastM() - mean.eastM()) + dirEast * (p.northM() - mean.northM());
    }

    /** How far along the line from its mean a point lies. */
    double alongM(PlanePoint p) {
        return dirEast * (p.eastM() - mean.eastM()) + dirNorth * (p.northM() - mean.northM());
    }

    PlanePoint foot(PlanePoint p) {
        double t = alongM(p);
        return new PlanePoint(mean.eastM() + t * dirEast, mean.northM() + t * dirNorth);
    }

    /** Angle between two sides, 0 straight on, in radians. */
    double turnRad(SideFit next) {
        double cross = dirEast * next.dirNorth - dirNorth * next.dirEast;
        double dot = dirEast * next.dirEast + dirNorth * next.dirNorth;
        return Math.abs(Math.atan2(cross, dot));
    }
}
