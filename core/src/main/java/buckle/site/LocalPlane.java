package buckle.site;

import java.util.Collection;

/**
 * The plane that touches the ellipsoid at the site: metres east and north as a tape on level ground finds them.
 *
 * <p>A point is dropped onto the plane along the site's vertical. A line of d metres from the origin outwards comes
 * out short by d³/(6R²): 4 µm at 1 km, 4 mm at 10 km, half a metre at 50 km. Heights are left out, so
 * lengths are those at sea level (1 part in 25,000 less at 250 m).
 *
 * <p>Source: WGS 84 defining constants (NIMA TR8350.2); geocentric to east-north-up rotation, any geodesy textbook.
 */
public final class LocalPlane {
    private static final double A_M = 6378137.0;
    private static final double F = 1 / 298.257223563;
    private static final double E2 = F * (2 - F);

    private final GeoPoint origin;
    private final double[] centreM;
    private final double sinLon;
    private final double cosLon;
    private final double sinLat;
    private final double cosLat;

    public LocalPlane(GeoPoint origin) {
        this.origin = origin;
        this.centreM = geocentricM(origin.lonDeg(), origin.latDeg());
        this.sinLon = Math.sin(Math.toRadians(origin.lonDeg()));
        this.cosLon = Math.cos(Math.toRadians(origin.lonDeg()));
        this.sinLat = Math.sin(Math.toRadians(origin.latDeg()));
        this.cosLat = Math.cos(Math.toRadians(origin.latDeg()));
    }

    /** The plane at the middle of the given places, wherever the date line runs. */
    public static LocalPlane around(Collection<GeoPoint> places) {
        if (places.isEmpty()) {
            return new LocalPlane(GeoPoint.of(0, 0));
        }
        double x = 0;
        double y = 0;
        double z = 0;
        for (GeoPoint p : places) {
            double[] c = geocentricM(p.lonDeg(), p.latDeg());
            x += c[0];
            y += c[1];
            z += c[2];
        }
        double lon = Math.toDegrees(Math.atan2(y, x));
        double lat = Math.toDegrees(Math.atan2(z, (1 - E2) * Math.hypot(x, y)));
        return new LocalPlane(GeoPoint.of(lon, lat));
    }

    /** Where it touches the ellipsoid. */
    public GeoPoint origin() {
        return origin;
    }

    /** Onto the plane. */
    public PlanePoint toPlane(GeoPoint p) {
        double[] c = geocentricM(p.lonDeg(), p.latDeg());
        double dx = c[0] - centreM[0];
        double dy = c[1] - centreM[1];
        double dz = c[2] - centreM[2];
        double east = -sinLon * dx + cosLon * dy;
        double north = -sinLat * cosLon * dx - sinLat * sinLon * dy + cosLat * dz;
        return new PlanePoint(east, north);
    }

    /** The place on the ellipsoid under a point of the plane (height left open); exact, no iteration. */
    public GeoPoint toGeo(PlanePoint p) {
        double x = centreM[0] - sinLon * p.eastM() - sinLat * cosLon * p.northM();
        double y = centreM[1] + cosLon * p.eastM() - sinLat * sinLon * p.northM();
        double z = centreM[2] + cosLat * p.northM();
        double upX = cosLat * cosLon;
        double upY = cosLat * sinLon;
        double b2 = A_M * A_M * (1 - E2);
        double a2 = A_M * A_M;
        double qa = (upX * upX + upY * upY) / a2 + sinLat * sinLat / b2;
        double qb = (x * upX + y * upY) / a2 + z * sinLat / b2;
        double qc = (x * x + y * y) / a2 + z * z / b2 - 1;
        double down = -qc / (qb + Math.sqrt(Math.max(0, qb * qb - qa * qc)));
        double gx = x + down * upX;
        double gy = y + down * upY;
        double gz = z + down * sinLat;
        double lat = Math.toDegrees(Math.atan2(gz, (1 - E2) * PlanePoint.lengthM(gx, gy)));
        return GeoPoint.of(Math.toDegrees(Math.atan2(gy, gx)), lat);
    }

    private static double[] geocentricM(double lonDeg, double latDeg) {
        double lon = Math.toRadians(lonDeg);
        double lat = Math.toRadians(latDeg);
        double normal = A_M / Math.sqrt(1 - E2 * Math.sin(lat) * Math.sin(lat));
        double flat = normal * Math.cos(lat);
        return new double[] {flat * Math.cos(lon), flat * Math.sin(lon), normal * (1 - E2) * Math.sin(lat)};
    }
}
