package buckle.readings;

import buckle.circuit.FenceCircuit;
import buckle.diagnosis.Walk;
import buckle.diagnosis.Walkways;
import buckle.land.Land;
import buckle.land.LandFeature;
import buckle.land.LandKind;
import buckle.layout.GatePlace;
import buckle.layout.Layout;
import buckle.layout.LineLayout;
import buckle.pulse.Place;
import buckle.site.LocalPlane;
import buckle.site.PlanePoint;
import buckle.site.Stationing;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.prep.PreparedGeometry;
import org.locationtech.jts.geom.prep.PreparedGeometryFactory;

/**
 * Ways of a crew on foot from one place of a fence to another that are shorter than along it: straight from place to place over open
 * ground, through no fence but its gates, round its free ends. Both sides of each place are points of a visibility graph.
 */
final class PaddockWays {
    private static final double OFF_M = 0.7;
    private static final double MOST_APART_M = 40;
    /** Every second, third … of more: a line as it was walked has a corner every few metres. */
    private static final int MOST_PLACES = 100;
    /** What is hardly shorter is no way of its own. */
    private static final double WORTH = 0.9;

    private static final Set<LandKind> IN_THE_WAY = EnumSet.of(
            LandKind.EXISTING_FENCE,
            LandKind.BUILDING,
            LandKind.BOUNDARY,
            LandKind.CREEK,
            LandKind.STANDING_WATER,
            LandKind.NO_GO);

    private final GeometryFactory factory = new GeometryFactory();
    private final FenceCircuit fence;
    private final LocalPlane plane;
    private final List<Geometry> obstacles = new ArrayList<>();
    private final List<Place> places = new ArrayList<>();
    /** Two of each place, its left and its right; then one in each gate. */
    private final List<Coordinate> points = new ArrayList<>();

    private PaddockWays(FenceCircuit fence, Layout layout) {
        this.fence = fence;
        this.plane = new LocalPlane(layout.origin());
    }

    static List<Walk.Link> of(FenceCircuit fence, Layout layout, Land land) {
        PaddockWays ways = new PaddockWays(fence, layout);
        double total = layout.lines().stream().mapToDouble(LineLayout::lengthM).sum();
        layout.lines().forEach(ways::fenced);
        land.features().forEach(ways::inTheWay);
        double apart = Math.max(MOST_APART_M, 2 * total / MOST_PLACES);
        List<Stop> stops = new ArrayList<>();
        layout.lines().forEach(l -> ways.stops(l, apart, stops));
        int kept = Math.min(stops.size(), MOST_PLACES);
        for (int i = 0; i < kept; i++) {
            ways.place(stops.get((int) ((long) i * stops.size() / kept)));
        }
        layout.lines().forEach(ways::gatesOf);
        return ways.links();
    }

    private Stationing stationing(LineLayout line) {
        return new Stationing(line.corners().stream().map(plane::toPlane).toList(), line.closed());
    }

    private static Coordinate coordinate(PlanePoint p) {
        return new Coordinate(p.eastM(), p.northM());
    }

    /** The line but for its gates. */
    private void fenced(LineLayout line) {
        Stationing along = stationing(line);
        double from = 0;
        List<GatePlace> gates = line.gates().stream()
                .sorted(Comparator.comparingDouble(GatePlace::fromM))
                .toList();
        for (GatePlace gate : gates) {
            piece(along, from, gate.fromM());
            from = gate.toM();
        }
        piece(along, from, along.lengthM());
    }

    private void piece(Stationing along, double from, double to) {
        if (to <= from) {
            return;
        }
        List<Coordinate> path = new ArrayList<>();
        path.add(coordinate(along.at(from)));
        for (int c = 0; c <= along.sideCount(); c++) {
            if (along.cornerStationM(c) > from && along.cornerStationM(c) < to) {
                path.add(coordinate(along.at(along.cornerStationM(c))));
            }
        }
        path.add(coordinate(along.at(to)));
        obstacles.add(factory.createLineString(path.toArray(Coordinate[]::new)));
    }

    private void inTheWay(LandFeature f) {
        if (!IN_THE_WAY.contains(f.kind()) || f.points().size() < 2) {
            return;
        }
        List<Coordinate> path = new ArrayList<>(f.points().stream()
                .map(plane::toPlane)
                .map(PaddockWays::coordinate)
                .toList());
        if (f.shape() == LandKind.Shape.AREA) {
            path.add(path.getFirst().copy());
        }
        obstacles.add(factory.createLineString(path.toArray(Coordinate[]::new)));
    }

    private record Stop(LineLayout line, Stationing along, double stationM) {}

    private void stops(LineLayout line, double apart, List<Stop> into) {
        Stationing along = stationing(line);
        double length = along.lengthM();
        TreeSet<Double> stops = new TreeSet<>(List.of(0.0, length));
        for (int c = 0; c <= along.sideCount(); c++) {
            stops.add(along.cornerStationM(c));
        }
        line.cutOuts().forEach(c -> stops.add(c.stationM()));
        for (double from : List.copyOf(stops)) {
            Double to = stops.higher(from);
            int parts = to == null ? 0 : (int) Math.ceil((to - from) / apart);
            for (int i = 1; i < parts; i++) {
                stops.add(from + (to - from) * i / parts);
            }
        }
        stops.forEach(at -> into.add(new Stop(line, along, at)));
    }

    private void place(Stop stop) {
        fence.place(stop.line().lineId(), stop.stationM()).ifPresent(p -> {
            places.add(p);
            beside(stop.along(), stop.line().closed(), stop.stationM());
        });
    }

    /** A step to the left and to the right; beyond a free end, before one that meets another line. */
    private void beside(Stationing along, boolean closed, double at) {
        double length = along.lengthM();
        double reach = Math.min(1, length / 4);
        boolean end = !closed && (at < 1e-6 || at > length - 1e-6);
        PlanePoint here = along.at(at);
        PlanePoint before = along.at(closed ? (at - reach + length) % length : Math.max(0, at - reach));
        PlanePoint after = along.at(closed ? (at + reach) % length : Math.min(length, at + reach));
        double east = after.eastM() - before.eastM();
        double north = after.northM() - before.northM();
        double size = Math.max(1e-9, Math.hypot(east, north));
        east *= OFF_M / size;
        north *= OFF_M / size;
        double shift = 0;
        if (end) {
            boolean atStart = at < length / 2;
            Geometry point = factory.createPoint(coordinate(here));
            long meeting = obstacles.stream()
                    .filter(o -> o.isWithinDistance(point, OFF_M))
                    .count();
            shift = (meeting > 1 ? 1 : -1) * (atStart ? 1 : -1);
        }
        double x = here.eastM() + shift * east;
        double y = here.northM() + shift * north;
        points.add(new Coordinate(x - north, y + east));
        points.add(new Coordinate(x + north, y - east));
    }

    private void gatesOf(LineLayout line) {
        Stationing along = stationing(line);
        for (GatePlace g : line.gates()) {
            PlanePoint one = along.at(g.fromM());
            PlanePoint other = along.at(g.toM());
            points.add(new Coordinate((one.eastM() + other.eastM()) / 2, (one.northM() + other.northM()) / 2));
        }
    }

    private List<Walk.Link> links() {
        PreparedGeometry blocks = PreparedGeometryFactory.prepare(factory.buildGeometry(obstacles));
        int n = points.size();
        double[][] straight = new double[n][n];
        for (int i = 0; i < n; i++) {
            for (int j = i + 1; j < n; j++) {
                boolean free =
                        !blocks.intersects(factory.createLineString(new Coordinate[] {points.get(i), points.get(j)}));
                straight[i][j] = free ? points.get(i).distance(points.get(j)) : Double.POSITIVE_INFINITY;
                straight[j][i] = straight[i][j];
            }
        }
        Walkways along = new Walkways(fence.circuit().runs(), List.of(), places);
        List<Walk.Link> links = new ArrayList<>();
        for (int p = 0; p < places.size(); p++) {
            double[] far = from(p, straight);
            Map<Place, Double> alongM = along.from(places.get(p));
            for (int q = p + 1; q < places.size(); q++) {
                double across = Math.min(far[2 * q], far[2 * q + 1]);
                if (across < WORTH * Objects.requireNonNull(alongM.get(places.get(q)))) {
                    links.add(new Walk.Link(places.get(p), places.get(q), across));
                }
            }
        }
        return links;
    }

    /** Metres from either side of a place to all points. */
    private static double[] from(int place, double[][] straight) {
        int n = straight.length;
        double[] far = new double[n];
        boolean[] done = new boolean[n];
        Arrays.fill(far, Double.POSITIVE_INFINITY);
        far[2 * place] = 0;
        far[2 * place + 1] = 0;
        for (int round = 0; round < n; round++) {
            int at = -1;
            for (int i = 0; i < n; i++) {
                if (!done[i] && Double.isFinite(far[i]) && (at < 0 || far[i] < far[at])) {
                    at = i;
                }
            }
            if (at < 0) {
                break;
            }
            done[at] = true;
            for (int i = 0; i < n; i++) {
                far[i] = Math.min(far[i], far[at] + straight[at][i]);
            }
        }
        return far;
    }
}
