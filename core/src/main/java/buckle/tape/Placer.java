package buckle.tape;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** First places for the points, one after the other by crossing two arcs; good enough to start the adjustment from. */
final class Placer {
    private static final double ON_AXIS_M = 0.1;

    private final List<Observation> observations;
    /** The distances that reach each point. */
    private final List<List<Arc>> reached = new ArrayList<>();

    private final double[] xy;
    private final boolean[] placed;
    private final List<Integer> order = new ArrayList<>();
    private final Set<Integer> eitherSide = new HashSet<>();
    /** The other crossing of the arcs that placed a point. */
    private final Map<Integer, double[]> mirrored = new LinkedHashMap<>();

    private record Arc(int centre, double radiusM) {}

    Placer(int points, List<Observation> observations) {
        this.observations = observations;
        this.xy = new double[2 * points];
        this.placed = new boolean[points];
        for (int i = 0; i < points; i++) {
            reached.add(new ArrayList<>());
        }
        for (Observation o : observations) {
            if (o.kind() == Observation.Kind.DISTANCE) {
                reached.get(o.from()).add(new Arc(o.to(), o.valueM()));
                reached.get(o.to()).add(new Arc(o.from(), o.valueM()));
            }
        }
    }

    /** Places what two measures reach; the first measured pair lies on the x axis. */
    Placer place() {
        Observation first = observations.stream()
                .filter(o -> o.kind() == Observation.Kind.DISTANCE)
                .findFirst()
                .orElse(null);
        if (first == null) {
            return this;
        }
        set(first.from(), 0, 0);
        set(first.to(), first.valueM(), 0);
        boolean progress = true;
        while (progress) {
            progress = alongLines();
            int best = progress ? -1 : next();
            if (best >= 0) {
                cross(best, arcs(best));
                progress = true;
            }
        }
        return this;
    }

    /** The point most arcs reach, from different centres. */
    private int next() {
        int best = -1;
        int most = 1;
        for (int i = 0; i < placed.length; i++) {
            if (placed[i] || reached.get(i).size() <= most) {
                continue;
            }
            int arcs = (int) arcs(i).stream().mapToInt(Arc::centre).distinct().count();
            if (arcs > most) {
                best = i;
                most = arcs;
            }
        }
        return best;
    }

    private boolean alongLines() {
        for (Observation o : observations) {
            if (o.kind() == Observation.Kind.ALONG && !placed[o.to()] && placed[o.from()] && placed[o.third()]) {
                double off = observations.stream()
                        .filter(x -> x.row() == o.row() && x.kind() == Observation.Kind.OFF)
                        .mapToDouble(Observation::valueM)
                        .findFirst()
                        .orElse(0);
                double ux = x(o.third()) - x(o.from());
                double uy = y(o.third()) - y(o.from());
                double u = Math.max(1e-9, Math.hypot(ux, uy));
                set(
                        o.to(),
                        x(o.from()) + (o.valueM() * ux + off * uy) / u,
                        y(o.from()) + (o.valueM() * uy - off * ux) / u);
                return true;
            }
        }
        return false;
    }

    private List<Arc> arcs(int point) {
        return reached.get(point).stream().filter(a -> placed[a.centre()]).toList();
    }

    private void cross(int point, List<Arc> arcs) {
        double[] best = null;
        double least = Double.POSITIVE_INFINITY;
        boolean tied = true;
        for (int i = 0; i < arcs.size(); i++) {
            for (int j = i + 1; j < arcs.size(); j++) {
                if (arcs.get(i).centre() == arcs.get(j).centre()) {
                    continue;
                }
                double[] two = crossings(arcs.get(i), arcs.get(j));
                double upper = misfit(two[0], two[1], arcs);
                double lower = misfit(two[2], two[3], arcs);
                boolean unclear = Math.abs(upper - lower) < 1e-9 || arcs.size() == 2;
                boolean takeUpper = unclear ? roomier(two) : upper < lower;
                double misfit = takeUpper ? upper : lower;
                if (misfit < least) {
                    least = misfit;
                    best = takeUpper ? two : new double[] {two[2], two[3], two[0], two[1]};
                    tied = unclear;
                }
            }
        }
        if (best != null) {
            boolean first = order.stream().allMatch(i -> Math.abs(y(i)) < ON_AXIS_M);
            if (tied && !first) {
                eitherSide.add(point);
            }
            if (!first) {
                mirrored.put(point, new double[] {best[2], best[3]});
            }
            set(point, best[0], best[1]);
        }
    }

    /** Where two arcs cross, left and right of the way from one centre to the other; where they miss, the middle. */
    private double[] crossings(Arc a, Arc b) {
        double dx = x(b.centre()) - x(a.centre());
        double dy = y(b.centre()) - y(a.centre());
        double d = Math.max(1e-9, Math.hypot(dx, dy));
        double along = (a.radiusM() * a.radiusM() - b.radiusM() * b.radiusM() + d * d) / (2 * d);
        double off = Math.sqrt(Math.max(1e-6 * d * d, a.radiusM() * a.radiusM() - along * along));
        double mx = x(a.centre()) + along * dx / d;
        double my = y(a.centre()) + along * dy / d;
        return new double[] {mx - off * dy / d, my + off * dx / d, mx + off * dy / d, my - off * dx / d};
    }

    /** Of two mirrored places the one further from all other points; at the very start the left one. */
    private boolean roomier(double[] two) {
        if (order.stream().allMatch(i -> Math.abs(y(i)) < ON_AXIS_M)) {
            return two[1] >= two[3];
        }
        return nearest(two[0], two[1]) >= nearest(two[2], two[3]);
    }

    private double nearest(double px, double py) {
        return order.stream()
                .mapToDouble(i -> Math.hypot(x(i) - px, y(i) - py))
                .min()
                .orElse(0);
    }

    private double misfit(double px, double py, List<Arc> arcs) {
        return arcs.stream()
                .mapToDouble(a -> Math.hypot(x(a.centre()) - px, y(a.centre()) - py) - a.radiusM())
                .map(v -> v * v)
                .sum();
    }

    private void set(int point, double px, double py) {
        xy[2 * point] = px;
        xy[2 * point + 1] = py;
        placed[point] = true;
        order.add(point);
    }

    private double x(int i) {
        return xy[2 * i];
    }

    private double y(int i) {
        return xy[2 * i + 1];
    }

    double[] xy() {
        return Arrays.copyOf(xy, xy.length);
    }

    boolean placed(int i) {
        return placed[i];
    }

    /** Other first places to try when the adjustment from these ones does not fit: one point on the other side. */
    List<double[]> otherStarts() {
        List<double[]> starts = new ArrayList<>();
        mirrored.forEach((point, at) -> {
            double[] start = xy();
            start[2 * point] = at[0];
            start[2 * point + 1] = at[1];
            starts.add(start);
        });
        return starts;
    }

    /** Points that two distances alone leave on either side of their line. */
    Set<Integer> eitherSide() {
        return eitherSide;
    }

    /** The point at the origin and the one on the x axis. */
    int first() {
        return order.isEmpty() ? -1 : order.get(0);
    }

    int second() {
        return order.size() < 2 ? -1 : order.get(1);
    }
}
