package buckle.diagnosis;

import buckle.diagnosis.Candidates.Cell;
import buckle.pulse.Meter;
import buckle.pulse.Place;
import buckle.pulse.Run;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;

/**
 * The line parted where meters are: between two of them all that a fault does goes smoothly with its place, so it is computed at a few
 * places and a cubic tells the rest.
 */
final class Intervals {
    private static final int LEAST_NODES = 4;
    /** Along less of the fence all that a fault does goes straight. */
    private static final double SHORT_SHARE = 0.01;

    private static final double NODES = 60;
    private static final double CELLS = 1200;
    private static final int LEAST_CELLS = 8;
    private static final double LEAST_CELL_M = 1;
    /** A fault never lies where a meter is. */
    private static final double CLEAR_M = 0.6;

    private Intervals() {}

    /**
     * A part of a run between meters.
     *
     * @param nodes evenly spaced, where all is computed
     * @param cells that share the probability
     */
    record Interval(String run, double fromM, double toM, List<Place> nodes, List<Cell> cells) {
        double lengthM() {
            return toM - fromM;
        }

        /** Where a cell's middle lies between the nodes, counted in nodes. */
        double at(Cell cell) {
            if (nodes.size() == 1) {
                return 0;
            }
            double first = nodes.getFirst().distanceM();
            double step = (nodes.getLast().distanceM() - first) / (nodes.size() - 1);
            return Math.clamp((cell.middle().distanceM() - first) / step, 0, nodes.size() - 1);
        }
    }

    /** @param fineness 1 for all that is looked for, less for a rough look */
    static List<Interval> of(List<Run> runs, List<Value> values, List<Place> besides, double fineness) {
        double total = runs.stream().mapToDouble(Run::lengthM).sum();
        List<Interval> all = new ArrayList<>();
        for (Run run : runs) {
            if (run.lengthM() <= 0) {
                continue;
            }
            TreeSet<Double> stops = new TreeSet<>(List.of(0.0, run.lengthM()));
            for (Value v : values) {
                switch (v.meter()) {
                    case Meter.Volts m -> stop(stops, m.at(), run);
                    case Meter.Amperes m -> stop(stops, m.at(), run);
                    case Meter.EarthVolts m -> {}
                }
            }
            besides.forEach(p -> stop(stops, p, run));
            double from = 0;
            for (double to : stops) {
                if (to > from) {
                    all.add(interval(run.id(), from, to, total, fineness));
                    from = to;
                }
            }
        }
        return all;
    }

    private static void stop(TreeSet<Double> stops, Place at, Run run) {
        double d = at.distanceM();
        Double below = stops.floor(d);
        Double above = stops.ceiling(d);
        boolean near = below != null && d - below < 3 * CLEAR_M || above != null && above - d < 3 * CLEAR_M;
        if (at.runId().equals(run.id()) && !near) {
            stops.add(d);
        }
    }

    private static Interval interval(String run, double from, double to, double total, double fineness) {
        double length = to - from;
        double clear = Math.min(CLEAR_M, length / 10);
        boolean shortOne = length < SHORT_SHARE * total;
        int leastNodes = shortOne ? fineness < 1 ? 1 : 2 : LEAST_NODES;
        int n = Math.max(leastNodes, (int) Math.ceil(fineness * NODES * length / total) + (shortOne ? 0 : 1));
        List<Place> nodes = new ArrayList<>();
        for (int i = 0; i < n; i++) {
            nodes.add(new Place(run, from + clear + (length - 2 * clear) * (n == 1 ? 0.5 : i / (n - 1.0))));
        }
        double cell = Math.max(LEAST_CELL_M, total / (fineness * CELLS));
        int least = (int) Math.ceil(fineness * (shortOne ? LEAST_CELLS / 2 : LEAST_CELLS));
        int cells = Math.max(Math.min(least, (int) Math.ceil(length)), (int) Math.ceil(length / cell));
        return new Interval(run, from, to, nodes, new Cell(run, from, to).parts(cells));
    }
}
