package buckle.land;

import buckle.land.Contact.Crossing;
import buckle.rulebook.Values;
import buckle.site.GeoPoint;
import buckle.site.LocalPlane;
import buckle.site.PlanePoint;
import buckle.site.Polylines;
import buckle.site.Stationing;
import buckle.task.Cancellation;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.index.strtree.STRtree;

/**
 * Where fence lines meet the features of a property or run near them. How near counts is each kind's reach; features lie
 * in a tree of boxes, so that only those around a side are looked at.
 */
public final class Contacts {
    private static final double SAME_STRETCH_M = 0.5;

    private final STRtree tree = new STRtree();

    /** A feature on the plane; told apart by identity, because comparing features point by point takes longer than meeting them. */
    private static final class Part {
        private final LandFeature feature;
        private final PlanePoint[] points;
        private final boolean closed;
        private final double reachM;

        Part(LandFeature feature, PlanePoint[] points, boolean closed, double reachM) {
            this.feature = feature;
            this.points = points;
            this.closed = closed;
            this.reachM = reachM;
        }

        LandFeature feature() {
            return feature;
        }

        PlanePoint[] points() {
            return points;
        }

        boolean closed() {
            return closed;
        }

        double reachM() {
            return reachM;
        }

        int sides() {
            return closed ? points.length : Math.max(1, points.length - 1);
        }

        PlanePoint to(int side) {
            return points[(side + 1) % points.length];
        }
    }

    private record Span(double fromM, double toM) {}

    public Contacts(Land land, LocalPlane plane) {
        for (LandFeature f : land.features()) {
            PlanePoint[] points = f.points().stream().map(plane::toPlane).toArray(PlanePoint[]::new);
            Part part = new Part(f, points, f.shape() == LandKind.Shape.AREA, reachM(f));
            Envelope box = new Envelope();
            for (PlanePoint p : points) {
                box.expandToInclude(p.eastM(), p.northM());
            }
            box.expandBy(part.reachM());
            tree.insert(box, part);
        }
    }

    /** How near a line must come to a feature for it to matter. */
    static double reachM(LandFeature f) {
        double half = f.traits().widthM().orElse(0) / 2;
        return half
                + switch (f.kind()) {
                    case EXISTING_FENCE -> Values.C3_APART_M;
                    case OVERHEAD_LINE -> Values.c5ClearanceM(f.traits().voltageKv());
                    case BURIED_SERVICE -> Values.L2_NEAR_SERVICE_M;
                    case PUBLIC_WAY -> Values.L2_NEAR_WAY_M;
                    case OPENING -> Values.L2_NEAR_OPENING_M;
                    case TREES -> Values.L2_NEAR_TREES_M;
                    case BUILDING -> Values.L2_NEAR_BUILDING_M;
                    case CREEK, TRACK, BOUNDARY, SOIL, STANDING_WATER, NO_GO, POWER_OUTLET -> 0;
                };
    }

    /** All contacts of a line, in order of station. */
    public List<Contact> of(Stationing line) {
        Map<Part, List<Hit>> hits = new LinkedHashMap<>();
        for (int side = 0; side < line.sideCount(); side++) {
            Cancellation.check();
            PlanePoint a = line.sideStart(side);
            PlanePoint b = line.sideEnd(side);
            Envelope box = new Envelope(a.eastM(), b.eastM(), a.northM(), b.northM());
            for (Object found : tree.query(box)) {
                meet(line, side, (Part) found, hits);
            }
        }
        return joined(hits);
    }

    private record Hit(Span span, double nearestM, List<Crossing> crossings) {}

    private static void meet(Stationing line, int side, Part part, Map<Part, List<Hit>> hits) {
        PlanePoint a = line.sideStart(side);
        PlanePoint b = line.sideEnd(side);
        double length = line.sideLengthM(side);
        double start = line.cornerStationM(side);
        List<Crossing> crossings = new ArrayList<>();
        for (int k = 0; k < part.sides(); k++) {
            PlanePoint c = part.points()[k];
            PlanePoint d = part.to(k);
            if (apart(a, b, c, d, part.reachM())) {
                continue;
            }
            double t = crossing(a, b, c, d);
            if (t >= 0) {
                crossings.add(new Crossing(start + t * length, angleDeg(a, b, c, d)));
            }
            double near = distanceM(a, b, c, d, t);
            if (near <= part.reachM() && part.reachM() > 0) {
                Span span = within(a, b, length, c, d, part.reachM());
                add(hits, part, new Hit(shift(span, start), near, List.of()));
            }
        }
        crossings.sort(Comparator.comparingDouble(Crossing::stationM));
        if (part.closed() && part.feature().kind() != LandKind.BOUNDARY) {
            inside(part, a, b, length, start, crossings).forEach(s -> add(hits, part, new Hit(s, 0, List.of())));
        }
        crossings.forEach(x -> add(hits, part, new Hit(new Span(x.stationM(), x.stationM()), 0, List.of(x))));
    }

    /** Whether the boxes around two segments lie further apart than matters; cheap, and true for most. */
    private static boolean apart(PlanePoint a, PlanePoint b, PlanePoint c, PlanePoint d, double reach) {
        return Math.max(c.eastM(), d.eastM()) + reach < Math.min(a.eastM(), b.eastM())
                || Math.min(c.eastM(), d.eastM()) - reach > Math.max(a.eastM(), b.eastM())
                || Math.max(c.northM(), d.northM()) + reach < Math.min(a.northM(), b.northM())
                || Math.min(c.northM(), d.northM()) - reach > Math.max(a.northM(), b.northM());
    }

    private static void add(Map<Part, List<Hit>> hits, Part part, Hit hit) {
        hits.computeIfAbsent(part, p -> new ArrayList<>()).add(hit);
    }

    private static Span shift(Span s, double by) {
        return new Span(s.fromM() + by, s.toM() + by);
    }

    private static List<Span> inside(
            Part part, PlanePoint a, PlanePoint b, double length, double start, List<Crossing> crossings) {
        List<Double> cuts = new ArrayList<>();
        cuts.add(0.0);
        crossings.forEach(x -> cuts.add(x.stationM() - start));
        cuts.add(length);
        List<Span> spans = new ArrayList<>();
        for (int i = 1; i < cuts.size(); i++) {
            double from = cuts.get(i - 1);
            double to = cuts.get(i);
            if (to > from && Polylines.holds(Arrays.asList(part.points()), a.towards(b, (from + to) / 2 / length))) {
                spans.add(new Span(start + from, start + to));
            }
        }
        return spans;
    }
    /** Share of the way from a to b where it crosses c–d; −1 when it does not. */
    private static double crossing(PlanePoint a, PlanePoint b, PlanePoint c, PlanePoint d) {
        double ux = b.eastM() - a.eastM();
        double uy = b.northM() - a.northM();
        double vx = d.eastM() - c.eastM();
        double vy = d.northM() - c.northM();
        double det = ux * vy - uy * vx;
        if (det == 0) {
            return -1;
        }
        double wx = c.eastM() - a.eastM();
        double wy = c.northM() - a.northM();
        double t = (wx * vy - wy * vx) / det;
        double s = (wx * uy - wy * ux) / det;
        return t >= 0 && t <= 1 && s >= 0 && s <= 1 ? t : -1;
    }

    private static double angleDeg(PlanePoint a, PlanePoint b, PlanePoint c, PlanePoint d) {
        double one = Math.atan2(b.northM() - a.northM(), b.eastM() - a.eastM());
        double two = Math.atan2(d.northM() - c.northM(), d.eastM() - c.eastM());
        double turn = Math.abs(Math.toDegrees(Math.IEEEremainder(one - two, Math.PI)));
        return Math.min(turn, 180 - turn);
    }

    private static double distanceM(PlanePoint a, PlanePoint b, PlanePoint c, PlanePoint d, double crossing) {
        if (crossing >= 0) {
            return 0;
        }
        return Math.min(
                Math.min(toSegmentM(a, c, d), toSegmentM(b, c, d)), Math.min(toSegmentM(c, a, b), toSegmentM(d, a, b)));
    }

    static double toSegmentM(PlanePoint p, PlanePoint a, PlanePoint b) {
        return p.distanceM(a.towards(b, share(p, a, b)));
    }

    private static double share(PlanePoint p, PlanePoint a, PlanePoint b) {
        double ux = b.eastM() - a.eastM();
        double uy = b.northM() - a.northM();
        double square = ux * ux + uy * uy;
        return square == 0
                ? 0
                : Math.clamp(((p.eastM() - a.eastM()) * ux + (p.northM() - a.northM()) * uy) / square, 0, 1);
    }

    /**
     * The stretch of a–b within a distance of c–d: where it runs through the discs around c and d or through the band
     * between them. The three together are convex, so the stretch is one piece.
     */
    private static Span within(PlanePoint a, PlanePoint b, double length, PlanePoint c, PlanePoint d, double reach) {
        double ux = (b.eastM() - a.eastM()) / length;
        double uy = (b.northM() - a.northM()) / length;
        double[] span = {Double.POSITIVE_INFINITY, Double.NEGATIVE_INFINITY};
        disc(span, a, ux, uy, c, reach);
        disc(span, a, ux, uy, d, reach);
        band(span, a, ux, uy, c, d, reach);
        return new Span(Math.clamp(span[0], 0, length), Math.clamp(span[1], 0, length));
    }

    private static void disc(double[] span, PlanePoint a, double ux, double uy, PlanePoint c, double reach) {
        double dx = c.eastM() - a.eastM();
        double dy = c.northM() - a.northM();
        double off = dx * uy - dy * ux;
        double half = reach * reach - off * off;
        if (half >= 0) {
            double along = dx * ux + dy * uy;
            widen(span, along - Math.sqrt(half), along + Math.sqrt(half));
        }
    }

    private static void band(
            double[] span, PlanePoint a, double ux, double uy, PlanePoint c, PlanePoint d, double reach) {
        double between = c.distanceM(d);
        if (between == 0) {
            return;
        }
        double vx = (d.eastM() - c.eastM()) / between;
        double vy = (d.northM() - c.northM()) / between;
        double dx = a.eastM() - c.eastM();
        double dy = a.northM() - c.northM();
        double[] inside = {Double.NEGATIVE_INFINITY, Double.POSITIVE_INFINITY};
        clip(inside, dx * vx + dy * vy, ux * vx + uy * vy, 0, between);
        clip(inside, dx * vy - dy * vx, ux * vy - uy * vx, -reach, reach);
        if (inside[0] <= inside[1]) {
            widen(span, inside[0], inside[1]);
        }
    }

    /** Keeps of the stretch where start + t × slope lies between two values. */
    private static void clip(double[] inside, double start, double slope, double least, double most) {
        if (Math.abs(slope) < 1e-12) {
            if (start < least || start > most) {
                inside[1] = Double.NEGATIVE_INFINITY;
            }
            return;
        }
        double one = (least - start) / slope;
        double two = (most - start) / slope;
        inside[0] = Math.max(inside[0], Math.min(one, two));
        inside[1] = Math.min(inside[1], Math.max(one, two));
    }

    private static void widen(double[] span, double from, double to) {
        span[0] = Math.min(span[0], from);
        span[1] = Math.max(span[1], to);
    }

    private static List<Contact> joined(Map<Part, List<Hit>> hits) {
        List<Contact> contacts = new ArrayList<>();
        hits.forEach((part, all) -> {
            all.sort(Comparator.comparingDouble(h -> h.span().fromM()));
            Contact open = null;
            for (Hit h : all) {
                if (open != null && h.span().fromM() - open.toM() <= SAME_STRETCH_M) {
                    List<Crossing> crossings = new ArrayList<>(open.crossings());
                    h.crossings().stream()
                            .filter(x -> crossings.stream()
                                    .noneMatch(y -> Math.abs(x.stationM() - y.stationM()) < SAME_STRETCH_M))
                            .forEach(crossings::add);
                    open = new Contact(
                            part.feature(),
                            open.fromM(),
                            Math.max(open.toM(), h.span().toM()),
                            Math.min(open.nearestM(), h.nearestM()),
                            crossings);
                } else {
                    if (open != null) {
                        contacts.add(open);
                    }
                    open = new Contact(
                            part.feature(), h.span().fromM(), h.span().toM(), h.nearestM(), h.crossings());
                }
            }
            if (open != null) {
                contacts.add(open);
            }
        });
        contacts.sort(Comparator.comparingDouble(Contact::fromM)
                .thenComparing(c -> c.feature().id()));
        return contacts;
    }

    /** Least distance from a place to a feature; 0 inside an outline. */
    public static double distanceM(LandFeature feature, GeoPoint place, LocalPlane plane) {
        PlanePoint p = plane.toPlane(place);
        PlanePoint[] points = feature.points().stream().map(plane::toPlane).toArray(PlanePoint[]::new);
        boolean area = feature.shape() == LandKind.Shape.AREA;
        if (area && Polylines.holds(Arrays.asList(points), p)) {
            return 0;
        }
        double least = p.distanceM(points[0]);
        for (int i = 1; i < points.length; i++) {
            least = Math.min(least, toSegmentM(p, points[i - 1], points[i]));
        }
        return area ? Math.min(least, toSegmentM(p, points[points.length - 1], points[0])) : least;
    }
}
