package buckle.site;

import buckle.task.Cancellation;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;

/** A walk cut into straight sides, with the line fitted to each and the corners where they meet. */
final class SidedWalk {
    /** A pause or a turn tells where a corner is to about this much. */
    private static final double BREAK_SIGMA_M = 2.5;

    private static final double NEAR_BREAK_M = 7;

    /** So many nodes beside a corner may have been given to the wrong side. */
    private static final int ROUND_CORNER = 3;

    /** So many jitters over the length of a side, its direction may be off. */
    private static final double DOUBTFUL = 8;

    private final List<WalkNode> nodes;
    private final List<PlanePoint> points;
    private final boolean closed;
    private final Moments moments;
    private final List<Integer> starts;

    private SidedWalk(
            List<WalkNode> nodes, List<PlanePoint> points, boolean closed, Moments moments, List<Integer> starts) {
        this.nodes = nodes;
        this.points = points;
        this.closed = closed;
        this.moments = moments;
        this.starts = starts;
    }

    static SidedWalk of(List<WalkNode> nodes, boolean closed, double jitterM) {
        List<PlanePoint> points = nodes.stream().map(WalkNode::at).toList();
        Moments moments = new Moments(points);
        return new SidedWalk(nodes, points, closed, moments, SideFinder.starts(moments, points.size(), jitterM));
    }

    List<WalkNode> nodes() {
        return nodes;
    }

    List<Integer> starts() {
        return starts;
    }

    private int end(int side) {
        return side + 1 < starts.size() ? starts.get(side + 1) : points.size();
    }

    private SideFit fit(int side) {
        return moments.fit(starts.get(side), end(side));
    }

    /** Root mean square of the nodes off their sides. */
    double jitterM() {
        double sum = 0;
        int free = 0;
        for (int side = 0; side < starts.size(); side++) {
            int count = end(side) - starts.get(side);
            if (count > 4) {
                sum += moments.residualM2(starts.get(side), end(side));
                free += count - 2;
            }
        }
        return free == 0 ? 0 : Math.sqrt(sum / free);
    }

    /**
     * Joins neighbours that hardly turn, as long as every node stays within reach of the joined side: the tolerance given by hand, or
     * what the jitter reaches at most in so many nodes. A short side's direction
     * is known badly: a drift of the receiver beside a corner makes one that turns by a few degrees and moves the corner.
     */
    SidedWalk withoutFaintCorners(double leastTurnRad, double jitterM, OptionalDouble byHandM) {
        List<Integer> kept = new ArrayList<>(starts);
        for (int side = 1; side < kept.size(); ) {
            Cancellation.check();
            int from = kept.get(side - 1);
            int middle = kept.get(side);
            int to = side + 1 < kept.size() ? kept.get(side + 1) : points.size();
            SideFit before = moments.fit(from, middle);
            SideFit after = moments.fit(middle, to);
            double doubtfulRad = DOUBTFUL * jitterM / Math.max(1, Math.min(before.spanM(), after.spanM()));
            boolean faint = before.turnRad(after) < Math.max(leastTurnRad, doubtfulRad);
            SideFit joined = moments.fit(from, to);
            if (faint && farthestM(joined, from, to, kept) <= byHandM.orElse(reachM(to - from, jitterM))) {
                kept.remove(side);
            } else {
                side++;
            }
        }
        return new SidedWalk(nodes, points, closed, moments, List.copyOf(kept));
    }

    /** Cuts sides that were walked out and back: on one straight line, but turning round. */
    SidedWalk cutWhereItTurnsBack(double leastM) {
        List<Integer> cut = new ArrayList<>();
        for (int side = 0; side < starts.size(); side++) {
            int from = starts.get(side);
            cut.add(from);
            SideFit fit = fit(side);
            int far = from;
            int near = from;
            for (int i = from; i < end(side); i++) {
                far = fit.alongM(points.get(i)) > fit.alongM(points.get(far)) ? i : far;
                near = fit.alongM(points.get(i)) < fit.alongM(points.get(near)) ? i : near;
            }
            double beyondM = fit.alongM(points.get(far)) - fit.alongM(points.get(end(side) - 1));
            double beforeM = fit.alongM(points.get(from)) - fit.alongM(points.get(near));
            if (beforeM > leastM && near > from && near < end(side) - 1) {
                cut.add(near);
            }
            if (beyondM > leastM && far > from && far < end(side) - 1 && far > cut.getLast()) {
                cut.add(far);
            }
        }
        return new SidedWalk(nodes, points, closed, moments, List.copyOf(cut));
    }

    private double farthestM(SideFit fit, int from, int to) {
        double most = 0;
        for (int i = from; i < to; i++) {
            most = Math.max(most, Math.abs(fit.offM(points.get(i))));
        }
        return most;
    }

    /** The largest of so many errors, about, and half as much again as one for drift. */
    private static double reachM(int nodes, double jitterM) {
        return jitterM * (1.5 + Math.sqrt(2 * Math.log(2.0 * nodes)));
    }

    /** As below; nodes at the ends may lie on the sides beyond them instead. */
    private double farthestM(SideFit joined, int from, int to, List<Integer> starts) {
        int at = starts.indexOf(from);
        SideFit before = at > 0 ? moments.fit(starts.get(at - 1), from) : joined;
        int beyond = starts.stream().filter(s -> s > to).findFirst().orElse(points.size());
        SideFit after = to < points.size() ? moments.fit(to, beyond) : joined;
        double most = farthestM(joined, Math.min(to, from + ROUND_CORNER), Math.max(from, to - ROUND_CORNER));
        for (int i = from; i < to; i++) {
            double off = Math.abs(joined.offM(points.get(i)));
            if (i < from + ROUND_CORNER) {
                most = Math.max(most, Math.min(off, Math.abs(before.offM(points.get(i)))));
            } else if (i >= to - ROUND_CORNER) {
                most = Math.max(most, Math.min(off, Math.abs(after.offM(points.get(i)))));
            }
        }
        return most;
    }

    List<PlanePoint> corners(double jitterM) {
        List<PlanePoint> corners = new ArrayList<>();
        int sides = starts.size();
        corners.add(closed && sides > 2 ? between(sides - 1, 0, jitterM) : end(0, true, jitterM));
        for (int side = 1; side < sides; side++) {
            corners.add(between(side - 1, side, jitterM));
        }
        if (!closed || sides <= 2) {
            corners.add(end(sides - 1, false, jitterM));
        }
        return corners;
    }

    /** Where two sides meet: the point that fits both sides and the place of the turn best, each by its own trust. */
    private PlanePoint between(int before, int after, double jitterM) {
        Estimate estimate = new Estimate();
        estimate.side(fit(before), endSigmaM(before, jitterM));
        estimate.side(fit(after), endSigmaM(after, jitterM));
        addTurn(estimate, before, after, jitterM);
        return estimate.solve();
    }

    private void addTurn(Estimate estimate, int before, int after, double jitterM) {
        int last = end(before) - 1;
        int first = starts.get(after);
        double gapM = nodes.get(first).gapBeforeM();
        PlanePoint turn = points.get(last).towards(points.get(first), 0.5);
        PlanePoint pause = gapM > 0 ? null : pauseNear(last, first, turn);
        if (pause != null) {
            estimate.place(pause, Math.max(0.5, 1.2 * jitterM));
        } else {
            estimate.place(turn, Math.max(BREAK_SIGMA_M, gapM / 2) + jitterM);
        }
    }

    private @Nullable PlanePoint pauseNear(int last, int first, PlanePoint turn) {
        PlanePoint best = null;
        for (int k = -3; k <= 3; k++) {
            int i = Math.floorMod((k < 0 ? last + k + 1 : first + k), points.size());
            boolean nearer = best == null || points.get(i).distanceM(turn) < best.distanceM(turn);
            if (nodes.get(i).pause() && points.get(i).distanceM(turn) < NEAR_BREAK_M && nearer) {
                best = points.get(i);
            }
        }
        return best;
    }

    /** An open end: on its side, where the walk began or ended. */
    private PlanePoint end(int side, boolean atStart, double jitterM) {
        Estimate estimate = new Estimate();
        estimate.side(fit(side), endSigmaM(side, jitterM));
        int i = atStart ? 0 : points.size() - 1;
        estimate.place(points.get(i), Math.max(0.5, jitterM));
        return estimate.solve();
    }

    /** Standard deviation of a fitted side at its end: twice the deviation of its mean, errors shared over 36 m. */
    private double endSigmaM(int side, double jitterM) {
        double independent = Math.max(1, fit(side).spanM() / 36);
        return Math.max(0.15, Math.min(1.4, 2 / Math.sqrt(independent)) * jitterM);
    }

    /** Weighted least squares for one point. */
    private static final class Estimate {
        private double aee;
        private double aen;
        private double ann;
        private double be;
        private double bn;

        void side(SideFit fit, double sigmaM) {
            double w = 1 / (sigmaM * sigmaM);
            double ne = -fit.dirNorth();
            double nn = fit.dirEast();
            double c = ne * fit.mean().eastM() + nn * fit.mean().northM();
            aee += w * ne * ne;
            aen += w * ne * nn;
            ann += w * nn * nn;
            be += w * ne * c;
            bn += w * nn * c;
        }

        void place(PlanePoint p, double sigmaM) {
            double w = 1 / (sigmaM * sigmaM);
            aee += w;
            ann += w;
            be += w * p.eastM();
            bn += w * p.northM();
        }

        PlanePoint solve() {
            double det = aee * ann - aen * aen;
            return new PlanePoint((be * ann - bn * aen) / det, (bn * aee - be * aen) / det);
        }
    }
}
