package buckle.site;

import buckle.site.CleanLine.Accuracy;
import buckle.site.WalkNote.Kind;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;

/**
 * A noisy walk becomes a line of straight sides: pauses collapsed, sides fitted, corners set where sides meet, ends
 * joined when they are near, lost signal bridged and said.
 *
 * <p>Expected on walks at one fix a second with 1 to 1.5 m of jitter: length within 1 %, corners within about 2 m where
 * sides are longer than 40 m and turn by more than 20°. Checked on simulated walks in the tests.
 */
public final class WalkCleaner {
    /** Median step over which a line counts as drawn, not walked. */
    private static final double DRAWN_STEP_M = 9;

    private static final int LEAST_WALKED_POINTS = 30;
    private static final double FIRST_GUESS_JITTER_M = 1.2;
    private static final double LEAST_JITTER_M = 0.25;
    private static final double MOST_JITTER_M = 5;
    private static final double LEAST_TURN_BACK_M = 10;
    private static final double LEAST_TURN_RAD = Math.toRadians(4);

    private final WalkOptions options;
    private final LocalPlane plane;
    private final List<WalkNote> notes = new ArrayList<>();

    private WalkCleaner(WalkOptions options, LocalPlane plane) {
        this.options = options;
        this.plane = plane;
    }

    /**
     * The clean line of a walk of at least two distinct points.
     *
     * @throws IllegalArgumentException when all points are one place
     */
    public static CleanLine clean(Walk walk, WalkOptions options) {
        List<GeoPoint> all = walk.stretches().stream()
                .flatMap(List::stream)
                .map(WalkPoint::at)
                .toList();
        LocalPlane plane = LocalPlane.around(all);
        List<PlanePoint> points = all.stream().map(plane::toPlane).toList();
        WalkCleaner cleaner = new WalkCleaner(options, plane);
        return isWalked(points) ? cleaner.walked(walk, points) : cleaner.drawn(walk, points);
    }

    /** Walked when it has many points close together; otherwise drawn, and every point is meant. */
    static boolean isWalked(List<PlanePoint> points) {
        return points.size() >= LEAST_WALKED_POINTS && WalkNodes.medianStepM(points) < DRAWN_STEP_M;
    }

    private CleanLine drawn(Walk walk, List<PlanePoint> points) {
        List<PlanePoint> corners = new ArrayList<>();
        for (PlanePoint p : points) {
            if (corners.isEmpty() || corners.getLast().distanceM(p) > 0.01) {
                corners.add(p);
            }
        }
        boolean closed = corners.size() > 3 && corners.getFirst().distanceM(corners.getLast()) <= 0.5;
        if (closed) {
            corners.removeLast();
        }
        requireTwo(corners);
        notes.add(new WalkNote(Kind.DRAWN, 0, 0, "Taken as drawn: every point is a corner."));
        List<GeoPoint> ground = walk.stretches().stream()
                .flatMap(List::stream)
                .map(WalkPoint::at)
                .filter(p -> p.heightM().isPresent())
                .toList();
        double lengthM = Polylines.lengthM(corners, closed);
        return new CleanLine(
                walk.name(), toGeo(corners), closed, lengthM, lengthM, ground, false, new Accuracy(0, 0, 0, 0), notes);
    }

    private CleanLine walked(Walk walk, List<PlanePoint> raw) {
        WalkNodes read = WalkNodes.of(walk, plane);
        List<WalkNode> nodes = new ArrayList<>(read.nodes());
        boolean closed = joinEnds(nodes);
        if (closed) {
            nodes = new ArrayList<>(startAtCorner(nodes));
        }
        double jitterM = FIRST_GUESS_JITTER_M;
        SidedWalk sides = SidedWalk.of(nodes, closed, jitterM);
        for (int round = 0; round < 2; round++) {
            jitterM = Math.clamp(sides.jitterM(), LEAST_JITTER_M, MOST_JITTER_M);
            sides = SidedWalk.of(nodes, closed, limitM(jitterM));
        }
        sides = sides.withoutFaintCorners(LEAST_TURN_RAD, jitterM, options.toleranceM())
                .cutWhereItTurnsBack(Math.max(LEAST_TURN_BACK_M, 4 * jitterM));
        List<PlanePoint> corners = sides.corners(jitterM);
        requireTwo(corners);
        say(read, sides, corners, closed);
        double lengthM = Polylines.lengthM(corners, closed);
        Accuracy accuracy = accuracy(jitterM, corners.size(), lengthM);
        return new CleanLine(
                walk.name(),
                toGeo(corners),
                closed,
                lengthM,
                Polylines.lengthM(raw, false),
                ground(nodes, closed),
                true,
                accuracy,
                notes);
    }

    /** A tolerance given by hand stands for three times the jitter. */
    private double limitM(double jitterM) {
        return options.toleranceM().isPresent() ? options.toleranceM().getAsDouble() / 3 : jitterM;
    }

    private double toleranceM(double jitterM) {
        return options.toleranceM().orElse(3 * jitterM);
    }

    private Accuracy accuracy(double jitterM, int corners, double lengthM) {
        double cornerM = jitterM * 1.1;
        return new Accuracy(jitterM, cornerM, cornerM * Math.sqrt(corners), toleranceM(jitterM));
    }

    /** Joins the ends when they meet, and trims a walk that ran on past its start. */
    private boolean joinEnds(List<WalkNode> nodes) {
        double nearM = options.closeWithinM();
        double lengthM = Polylines.lengthM(nodes.stream().map(WalkNode::at).toList(), false);
        PlanePoint first = nodes.getFirst().at();
        int nearest = nodes.size() - 1;
        for (int i = nodes.size() - 1; i > nodes.size() * 3 / 4 && i > nodes.size() - 12; i--) {
            if (nodes.get(i).at().distanceM(first) < nodes.get(nearest).at().distanceM(first)) {
                nearest = i;
            }
        }
        double apartM = nodes.get(nearest).at().distanceM(first);
        if (nodes.size() < 12 || apartM > nearM || lengthM < 4 * nearM) {
            if (nodes.size() >= 12 && apartM < 3 * nearM && apartM * 6 < lengthM) {
                notes.add(new WalkNote(
                        Kind.LEFT_OPEN,
                        0,
                        apartM,
                        "The ends lie " + metres(apartM) + " apart: left open. Ends within " + metres(nearM)
                                + " would be joined."));
            }
            return false;
        }
        nodes.subList(nearest + 1, nodes.size()).clear();
        notes.add(new WalkNote(
                Kind.CLOSED, 0, apartM, "The ends met within " + metres(apartM) + ": joined to a closed line."));
        return true;
    }

    /** A closed walk has no natural start: turn it so that it starts where two sides meet, nearest to the first fix. */
    private static List<WalkNode> startAtCorner(List<WalkNode> nodes) {
        int n = nodes.size();
        List<WalkNode> turned = new ArrayList<>(nodes);
        Collections.rotate(turned, n / 2);
        List<Integer> starts = SidedWalk.of(turned, false, FIRST_GUESS_JITTER_M).starts();
        int best = -1;
        for (int start : starts) {
            int original = Math.floorMod(start - n / 2, n);
            int fromStart = Math.min(original, n - original);
            if (start > 0 && (best < 0 || fromStart < Math.min(best, n - best))) {
                best = original;
            }
        }
        List<WalkNode> result = new ArrayList<>(nodes);
        Collections.rotate(result, best < 0 ? 0 : -best);
        return result;
    }

    private void say(WalkNodes read, SidedWalk sides, List<PlanePoint> corners, boolean closed) {
        if (read.spikes() > 0) {
            notes.add(new WalkNote(Kind.SPIKES, 0, 0, read.spikes() + " fixes far off the track were left out."));
        }
        if (read.pauses() > 0) {
            notes.add(
                    new WalkNote(Kind.PAUSES, 0, 0, read.pauses() + " standing pauses were taken as one point each."));
        }
        Stationing stationing = new Stationing(corners, closed);
        for (int i = 0; i < sides.nodes().size(); i++) {
            WalkNode node = sides.nodes().get(i);
            if (node.gapBeforeM() > 0) {
                double to = stationing.nearest(node.at()).stationM();
                int before = Math.floorMod(i - 1, sides.nodes().size());
                double from = stationing.nearest(sides.nodes().get(before).at()).stationM();
                notes.add(new WalkNote(
                        Kind.GAP_BRIDGED,
                        from,
                        node.gapBeforeM(),
                        "No signal for " + metres(node.gapBeforeM()) + " between stations " + metres(from) + " and "
                                + metres(to) + ": bridged straight. Walk it again if it bends there."));
            }
        }
    }

    /** Heights along the walk, each the mean of its neighbours: one receiver height jitters by metres. */
    private List<GeoPoint> ground(List<WalkNode> nodes, boolean closed) {
        int n = nodes.size();
        List<GeoPoint> ground = new ArrayList<>();
        int reach = 4;
        for (int i = 0; i < n; i += 3) {
            double sum = 0;
            int count = 0;
            int within = closed ? reach : Math.min(reach, Math.min(i, n - 1 - i));
            for (int k = i - within; k <= i + within; k++) {
                int at = closed ? Math.floorMod(k, n) : k;
                if (at >= 0 && at < n && nodes.get(at).hasHeight()) {
                    sum += nodes.get(at).heightM();
                    count++;
                }
            }
            if (count > 0) {
                double rounded = Math.round(sum / count * 100) / 100.0;
                ground.add(plane.toGeo(nodes.get(i).at()).withHeight(rounded));
            }
        }
        return ground;
    }

    private static void requireTwo(List<PlanePoint> corners) {
        if (corners.size() < 2) {
            throw new IllegalArgumentException("all points are one place");
        }
    }

    private List<GeoPoint> toGeo(List<PlanePoint> points) {
        return points.stream().map(plane::toGeo).toList();
    }

    private static String metres(double lengthM) {
        return String.format(Locale.ROOT, "%.1f m", lengthM);
    }
}
