package buckle.land;

import buckle.site.GeoPoint;
import buckle.site.LocalPlane;
import buckle.site.PlanePoint;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.Triangle;
import org.locationtech.jts.index.strtree.STRtree;
import org.locationtech.jts.triangulate.DelaunayTriangulationBuilder;

/**
 * A surface of plane triangles over measured heights (Delaunay triangulation of JTS); nothing outside their hull. Heights
 * at one place are averaged.
 */
public final class ScatterTerrain implements Terrain {
    private static final double STEP_M = 5;
    private static final double INSIDE = -1e-9;

    private final LocalPlane plane;
    private final STRtree triangles = new STRtree();

    private ScatterTerrain(LocalPlane plane) {
        this.plane = plane;
    }

    /** The surface over places with heights; fewer than three, or all on one line, make none. */
    public static Terrain over(List<GeoPoint> heights) {
        if (heights.size() < 3) {
            return Terrain.NONE;
        }
        ScatterTerrain terrain = new ScatterTerrain(LocalPlane.around(heights));
        java.util.Map<Coordinate, double[]> sums = new java.util.LinkedHashMap<>();
        for (GeoPoint h : heights) {
            PlanePoint p = terrain.plane.toPlane(h);
            double[] sum = sums.computeIfAbsent(new Coordinate(p.eastM(), p.northM()), c -> new double[2]);
            sum[0] += h.heightM().orElseThrow();
            sum[1]++;
        }
        List<Coordinate> sites = new ArrayList<>();
        sums.forEach((c, sum) -> sites.add(new Coordinate(c.x, c.y, sum[0] / sum[1])));
        if (sites.size() < 3) {
            return Terrain.NONE;
        }
        DelaunayTriangulationBuilder builder = new DelaunayTriangulationBuilder();
        builder.setSites(sites);
        Geometry all = builder.getTriangles(new GeometryFactory());
        for (int i = 0; i < all.getNumGeometries(); i++) {
            Coordinate[] c = all.getGeometryN(i).getCoordinates();
            terrain.triangles.insert(
                    new Envelope(all.getGeometryN(i).getEnvelopeInternal()), new Triangle(c[0], c[1], c[2]));
        }
        terrain.triangles.build();
        return all.getNumGeometries() == 0 ? Terrain.NONE : terrain;
    }

    @Override
    public OptionalDouble heightM(GeoPoint at) {
        PlanePoint p = plane.toPlane(at);
        Coordinate c = new Coordinate(p.eastM(), p.northM());
        for (Object found : triangles.query(new Envelope(c))) {
            Triangle t = (Triangle) found;
            if (holds(t, c)) {
                return OptionalDouble.of(Triangle.interpolateZ(c, t.p0, t.p1, t.p2));
            }
        }
        return OptionalDouble.empty();
    }

    private static boolean holds(Triangle t, Coordinate c) {
        double a = cross(t.p0, t.p1, c);
        double b = cross(t.p1, t.p2, c);
        double d = cross(t.p2, t.p0, c);
        return a >= INSIDE && b >= INSIDE && d >= INSIDE || a <= -INSIDE && b <= -INSIDE && d <= -INSIDE;
    }

    private static double cross(Coordinate a, Coordinate b, Coordinate c) {
        return (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x);
    }

    @Override
    public double stepM() {
        return STEP_M;
    }
}
