package buckle.layout;

import buckle.land.Land;
import buckle.land.LandFeature;
import buckle.land.LandKind;
import buckle.site.LocalPlane;
import buckle.site.PlanePoint;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.prep.PreparedGeometry;
import org.locationtech.jts.geom.prep.PreparedGeometryFactory;

/**
 * The shortest way for the lead-out that crosses no building, standing water or no-go area: straight from corner to corner
 * of what is in the way (visibility graph, Dijkstra).
 */
final class LeadOut {
    private static final double CLEAR_M = 0.5;
    private static final int MOST_CORNERS = 400;

    private final GeometryFactory factory = new GeometryFactory();
    private final List<PreparedGeometry> blocks = new ArrayList<>();
    private final List<Coordinate> corners = new ArrayList<>();

    LeadOut(Land land, LocalPlane plane) {
        for (LandFeature f : land.features()) {
            boolean blocks =
                    f.kind() == LandKind.BUILDING || f.kind() == LandKind.STANDING_WATER || f.kind() == LandKind.NO_GO;
            if (blocks && f.points().size() >= 3) {
                block(f, plane);
            }
        }
    }

    private void block(LandFeature f, LocalPlane plane) {
        List<Coordinate> ring = new ArrayList<>(
                f.points().stream().map(plane::toPlane).map(LeadOut::coordinate).toList());
        ring.add(ring.getFirst().copy());
        Geometry area = factory.createPolygon(ring.toArray(Coordinate[]::new)).convexHull();
        blocks.add(PreparedGeometryFactory.prepare(area.buffer(CLEAR_M * 0.9, 2)));
        corners.addAll(Arrays.asList(area.buffer(CLEAR_M, 2).getCoordinates()));
    }

    private static Coordinate coordinate(PlanePoint p) {
        return new Coordinate(p.eastM(), p.northM());
    }

    /** A way and its length; straight when nothing is in it or no way round was found. */
    record Way(List<PlanePoint> points, double lengthM) {}

    Way way(PlanePoint from, PlanePoint to) {
        Coordinate a = coordinate(from);
        Coordinate b = coordinate(to);
        if (blocks.isEmpty() || corners.size() > MOST_CORNERS || free(a, b)) {
            return new Way(List.of(from, to), from.distanceM(to));
        }
        List<Coordinate> nodes = new ArrayList<>();
        nodes.add(a);
        nodes.add(b);
        nodes.addAll(corners);
        double[] best = new double[nodes.size()];
        int[] before = new int[nodes.size()];
        boolean[] done = new boolean[nodes.size()];
        Arrays.fill(best, Double.POSITIVE_INFINITY);
        best[0] = 0;
        for (int round = 0; round < nodes.size(); round++) {
            int at = nearest(best, done);
            if (at < 0 || at == 1) {
                break;
            }
            done[at] = true;
            for (int i = 1; i < nodes.size(); i++) {
                double length = best[at] + nodes.get(at).distance(nodes.get(i));
                if (!done[i] && length < best[i] && free(nodes.get(at), nodes.get(i))) {
                    best[i] = length;
                    before[i] = at;
                }
            }
        }
        if (Double.isInfinite(best[1])) {
            return new Way(List.of(from, to), from.distanceM(to));
        }
        List<PlanePoint> points = new ArrayList<>();
        for (int at = 1; at != 0; at = before[at]) {
            points.addFirst(new PlanePoint(nodes.get(at).x, nodes.get(at).y));
        }
        points.addFirst(from);
        return new Way(points, best[1]);
    }

    private static int nearest(double[] best, boolean[] done) {
        int at = -1;
        for (int i = 0; i < best.length; i++) {
            if (!done[i] && Double.isFinite(best[i]) && (at < 0 || best[i] < best[at])) {
                at = i;
            }
        }
        return at;
    }

    /** An energizer in a building leads out of it, so a way that starts inside an area may leave it. */
    private boolean free(Coordinate a, Coordinate b) {
        Geometry leg = factory.createLineString(new Coordinate[] {a, b});
        Geometry start = factory.createPoint(a);
        Geometry end = factory.createPoint(b);
        return blocks.stream().noneMatch(x -> x.intersects(leg) && !x.intersects(start) && !x.intersects(end));
    }
}
