package buckle.setout;

import buckle.rulebook.Values;
import buckle.site.BadInput;
import buckle.site.Corner;
import buckle.site.CutOut;
import buckle.site.FenceLine;
import buckle.site.GeoPoint;
import buckle.site.LocalPlane;
import buckle.site.PlanePoint;
import buckle.site.Problem;
import buckle.site.Site;
import buckle.site.Stationing;
import buckle.site.Tees;
import java.util.ArrayList;
import java.util.List;

/**
 * The first day on the ground: what the crew taped between corners against what the plan says. Corners are moved as
 * little as the measures allow: each measure is a rod of its length, pulled straight again and again with the corners
 * giving way by halves (relaxation), so that taped lengths hold and everything else stays near the plan.
 */
public final class Remeasure {
    private static final int MOST_ROUNDS = 20_000;
    private static final double STILL_M = 1e-6;

    private Remeasure() {}

    /** A distance taped between two corners of a line, by their index. */
    public record Taped(int from, int to, double distanceM) {}

    /** A measure beside what the plan said, and what the moved corners make of it. */
    public record Compared(int from, int to, double plannedM, double tapedM, double nowM) {}

    /**
     * A line moved to fit.
     *
     * @param fits whether every measure is met within 20 mm; otherwise they contradict each other
     */
    public record Fitted(FenceLine line, List<Compared> measures, double furthestM, boolean fits) {
        public Fitted {
            measures = List.copyOf(measures);
        }
    }

    /**
     * Fits a line to what was taped.
     *
     * @throws BadInput when a measure names no corner or is no length
     */
    public static Fitted fit(Site site, String lineId, List<Taped> measures) {
        Site settled = Tees.snapBranches(site);
        LocalPlane plane = settled.plane();
        FenceLine line = settled.lines().stream()
                .filter(l -> l.id().equals(lineId))
                .findFirst()
                .orElseThrow(() -> new BadInput("line.unknown", "lineId", "This line is not on the plan."));
        check(line, measures);
        double[][] at = new double[line.corners().size()][];
        double[][] plan = new double[at.length][];
        for (int i = 0; i < at.length; i++) {
            PlanePoint p = plane.toPlane(line.corners().get(i).at());
            plan[i] = new double[] {p.eastM(), p.northM()};
            at[i] = plan[i].clone();
        }
        relax(at, measures);
        centre(at, plan);
        return answer(line, plane, plan, at, measures);
    }

    private static void check(FenceLine line, List<Taped> measures) {
        List<Problem> problems = new ArrayList<>();
        if (measures.isEmpty()) {
            problems.add(new Problem("taped.none", "measures", "Nothing was taped yet."));
        }
        for (int i = 0; i < measures.size(); i++) {
            Taped t = measures.get(i);
            int n = line.corners().size();
            if (t.from() < 0 || t.to() < 0 || t.from() >= n || t.to() >= n || t.from() == t.to()) {
                problems.add(new Problem(
                        "taped.corner", "measures[" + i + "]", "A measure goes between two corners of the line."));
            } else if (!(t.distanceM() > 0.3 && t.distanceM() < 20_000)) {
                problems.add(new Problem(
                        "taped.length",
                        "measures[" + i + "].distanceM",
                        "A taped length lies between 0.3 m and 20 km."));
            }
        }
        if (!problems.isEmpty()) {
            throw new BadInput(problems);
        }
    }

    private static void relax(double[][] at, List<Taped> measures) {
        for (int round = 0; round < MOST_ROUNDS; round++) {
            double most = 0;
            for (Taped t : measures) {
                double[] a = at[t.from()];
                double[] b = at[t.to()];
                double dx = b[0] - a[0];
                double dy = b[1] - a[1];
                double d = Math.max(1e-9, Math.hypot(dx, dy));
                double give = (d - t.distanceM()) / d / 2;
                a[0] += dx * give;
                a[1] += dy * give;
                b[0] -= dx * give;
                b[1] -= dy * give;
                most = Math.max(most, Math.abs(d - t.distanceM()));
            }
            if (most < STILL_M) {
                return;
            }
        }
    }

    /** Lays the moved corners over the planned ones: same middle, turned to fit best. */
    private static void centre(double[][] at, double[][] plan) {
        double[] from = middle(at);
        double[] to = middle(plan);
        double cos = 0;
        double sin = 0;
        for (int i = 0; i < at.length; i++) {
            double ax = at[i][0] - from[0];
            double ay = at[i][1] - from[1];
            double bx = plan[i][0] - to[0];
            double by = plan[i][1] - to[1];
            cos += ax * bx + ay * by;
            sin += ax * by - ay * bx;
        }
        double r = Math.max(1e-12, Math.hypot(cos, sin));
        for (double[] p : at) {
            double x = p[0] - from[0];
            double y = p[1] - from[1];
            p[0] = to[0] + (x * cos - y * sin) / r;
            p[1] = to[1] + (x * sin + y * cos) / r;
        }
    }

    private static double[] middle(double[][] points) {
        double x = 0;
        double y = 0;
        for (double[] p : points) {
            x += p[0] / points.length;
            y += p[1] / points.length;
        }
        return new double[] {x, y};
    }

    private static Fitted answer(
            FenceLine line, LocalPlane plane, double[][] plan, double[][] at, List<Taped> measures) {
        List<Corner> corners = new ArrayList<>();
        double furthest = 0;
        for (int i = 0; i < at.length; i++) {
            corners.add(new Corner(line.corners().get(i).id(), plane.toGeo(new PlanePoint(at[i][0], at[i][1]))));
            furthest = Math.max(furthest, Math.hypot(at[i][0] - plan[i][0], at[i][1] - plan[i][1]));
        }
        boolean fits = true;
        List<Compared> compared = new ArrayList<>();
        for (Taped t : measures) {
            double now = distance(at, t);
            fits &= Math.abs(now - t.distanceM()) <= Values.Q4_CONTRADICTS_M;
            compared.add(new Compared(t.from(), t.to(), distance(plan, t), t.distanceM(), now));
        }
        FenceLine moved = carried(line, line.withCorners(corners), plane);
        return new Fitted(moved, compared, furthest, fits);
    }

    private static double distance(double[][] points, Taped t) {
        double[] a = points[t.from()];
        double[] b = points[t.to()];
        return Math.hypot(b[0] - a[0], b[1] - a[1]);
    }

    /** Gates and cut-outs keep their share of the side they stand on. */
    private static FenceLine carried(FenceLine before, FenceLine after, LocalPlane plane) {
        Stationing old = stationing(before, plane);
        Stationing now = stationing(after, plane);
        return after.withGates(before.gates().stream()
                        .map(g -> g.withAt(carried(g.at(), old, now, plane)))
                        .toList())
                .withCutOuts(before.cutOuts().stream()
                        .map(c -> new CutOut(c.id(), c.name(), carried(c.at(), old, now, plane)))
                        .toList());
    }

    private static GeoPoint carried(GeoPoint at, Stationing old, Stationing now, LocalPlane plane) {
        Stationing.Place place = old.nearest(plane.toPlane(at));
        double share = (place.stationM() - old.cornerStationM(place.side())) / old.sideLengthM(place.side());
        PlanePoint p = now.sideStart(place.side()).towards(now.sideEnd(place.side()), share);
        return plane.toGeo(p);
    }

    private static Stationing stationing(FenceLine line, LocalPlane plane) {
        return new Stationing(
                line.corners().stream().map(c -> plane.toPlane(c.at())).toList(), line.closed());
    }
}
