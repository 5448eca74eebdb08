package buckle.layout;

import buckle.site.FenceLine;
import buckle.site.Stationing;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;

/** Rounded outlines: runs of corners on short sides that all turn one way, each by little. */
final class Curves {
    private static final int LEAST_CORNERS = 3;
    private static final double LEAST_TURN_DEG = 1;

    private final FenceLine line;
    private final Stationing stationing;
    private final double shortM;
    private final double mostDeg;
    private final boolean round;

    private Curves(FenceLine line, Stationing stationing, double shortM, double mostDeg, boolean round) {
        this.line = line;
        this.stationing = stationing;
        this.shortM = shortM;
        this.mostDeg = mostDeg;
        this.round = round;
    }

    /**
     * A rounded outline.
     *
     * @param corners numbers of its corners in order; of a closed line they may run over its start
     * @param turnDeg of all of them, positive to the right
     */
    record Curve(List<Integer> corners, double turnDeg) {
        Curve {
            corners = List.copyOf(corners);
        }
    }

    /**
     * @param shortM longest side within a curve
     * @param mostDeg a corner that turns as much or more is none of it
     * @param round whether a curve of a closed line may run over its start and its closing corner
     */
    static List<Curve> of(FenceLine line, Stationing stationing, double shortM, double mostDeg, boolean round) {
        return new Curves(line, stationing, shortM, mostDeg, round && line.closed()).all();
    }

    private double turn(int corner) {
        return Math.toDegrees(stationing.deflectionRad(corner));
    }

    private boolean gentle(int corner) {
        double turn = Math.abs(turn(corner));
        boolean end = line.closed()
                ? !round && corner == line.closingCornerIndex()
                : corner == 0 || corner == line.corners().size() - 1;
        return !end && turn >= LEAST_TURN_DEG && turn < mostDeg;
    }

    /** Whether a corner goes on with the turn of the one before. */
    private boolean goesOn(int corner) {
        int count = line.corners().size();
        int before = (corner + count - 1) % count;
        return gentle(before)
                && gentle(corner)
                && turn(before) * turn(corner) > 0
                && stationing.sideLengthM(before) <= shortM;
    }

    private List<Curve> all() {
        int count = line.corners().size();
        int from = 0;
        if (round) {
            from = IntStream.range(0, count).filter(i -> !goesOn(i)).findFirst().orElse(0);
        }
        List<Curve> curves = new ArrayList<>();
        List<Integer> run = new ArrayList<>();
        for (int k = 0; k < count; k++) {
            int i = (from + k) % count;
            if (k > 0 && !goesOn(i)) {
                add(curves, run);
                run = new ArrayList<>();
            }
            if (gentle(i)) {
                run.add(i);
            }
        }
        add(curves, run);
        return curves;
    }

    private void add(List<Curve> curves, List<Integer> run) {
        if (run.size() >= LEAST_CORNERS) {
            curves.add(new Curve(run, run.stream().mapToDouble(this::turn).sum()));
        }
    }
}
