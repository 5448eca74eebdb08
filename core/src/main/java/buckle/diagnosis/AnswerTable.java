package buckle.diagnosis;

import buckle.diagnosis.Candidates.Cell;
import buckle.diagnosis.FenceModel.Unknown;
import buckle.diagnosis.Intervals.Interval;
import buckle.pulse.Fault;
import buckle.pulse.Place;
import buckle.pulse.Run;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;

/**
 * What meters at some spots would show with each fault in turn, and how far that is uncertain: made once for a fence and its spots, so
 * that a reading at one of them costs no more than to be held against it.
 *
 * @param spots in the order of all that is told by spot
 * @param none without a fault
 * @param leaks by place, strength and spot; places in the order of the intervals
 * @param joints likewise, an open wire last
 */
record AnswerTable(
        List<Value> spots,
        List<Interval> intervals,
        double[] none,
        double[][][] leaks,
        double[][][] joints,
        List<Grown> growth,
        List<Scaled> earths,
        List<Scaled> supplies,
        Map<String, double[]> switches,
        Sensitivities spread,
        double[][] poorEarthSpread,
        double[][] weakSupplySpread) {
    static final double[] LEAK_OHM = spaced(70, 11_000, 11);
    static final double[] JOINT_OHM = spaced(300, 30_000, 8);
    private static final double[] GROWTH_OHM = spaced(150, 6000, 6);
    private static final double[] EARTH_FACTOR = spaced(2, 60, 14);
    private static final double[] SUPPLY_FACTOR = spaced(0.15, 0.9, 16);
    private static final int GROWTH_POINTS = 5;
    /** On less it is a leak. */
    private static final double LEAST_GROWN_M = 20;

    private static final double USUAL_POOR = 10;
    private static final double USUAL_WEAK = 0.5;

    /** Growth on a stretch. @param share of all growth, before anything is read */
    record Grown(Cell cell, double ohm, double share, double[] raw) {}

    /** A poor earth or a weak supply. @param value ohms, or the part of the voltage that is left */
    record Scaled(double value, double[] raw) {}

    /** Of all kinds of fault. */
    static AnswerTable of(KnownFence fence, List<Value> values) {
        return of(fence, values, true);
    }

    /** For a crew, to which growth on a stretch is a leak on it. */
    static AnswerTable withoutGrowth(KnownFence fence, List<Value> values) {
        return of(fence, values, false);
    }

    private static AnswerTable of(KnownFence fence, List<Value> values, boolean growing) {
        FenceModel model = fence.model();
        double[] theta = fence.theta();
        double[][] covariance = fence.covariance();
        List<Value> spots = distinct(values);
        List<Interval> intervals = Intervals.of(model.runs(), spots, List.of(), 1);
        List<Place> nodes = intervals.stream().flatMap(i -> i.nodes().stream()).toList();
        Candidates candidates = new Candidates(model, theta, List.of(), spots);
        double[] nothing = new double[spots.size()];
        return new AnswerTable(
                spots,
                intervals,
                model.read(theta, List.of(), spots),
                candidates.raw(nodes, Fault.Kind.SHUNT, LEAK_OHM),
                candidates.raw(nodes, Fault.Kind.BREAK, withOpen()),
                growing ? growth(model, theta, spots) : List.of(),
                scaled(model, theta, spots, Unknown.EARTH, EARTH_FACTOR),
                scaled(model, theta, spots, Unknown.VOLTS, SUPPLY_FACTOR),
                switches(model, theta, spots),
                new Sensitivities(model, theta, covariance, List.of(), spots),
                Gauss.spread(
                        model.linear(moved(theta, Unknown.EARTH, USUAL_POOR), List.of(), spots)
                                .by(),
                        covariance,
                        nothing),
                Gauss.spread(
                        model.linear(moved(theta, Unknown.VOLTS, USUAL_WEAK), List.of(), spots)
                                .by(),
                        covariance,
                        nothing));
    }

    /** Each spot once, with its direction. */
    private static List<Value> distinct(List<Value> values) {
        List<Value> all = new ArrayList<>();
        for (Value v : values) {
            if (all.stream().noneMatch(v::atSpotOf)) {
                all.add(v.asSpot());
            }
        }
        return all;
    }

    /** Where the spot of a value is told; -1 if it is not. */
    int column(Value value) {
        for (int i = 0; i < spots.size(); i++) {
            if (value.atSpotOf(spots.get(i))) {
                return i;
            }
        }
        return -1;
    }

    private static double[] withOpen() {
        double[] all = java.util.Arrays.copyOf(JOINT_OHM, JOINT_OHM.length + 1);
        all[JOINT_OHM.length] = Double.POSITIVE_INFINITY;
        return all;
    }

    /** On a third and on the whole of each run, as a few leaks side by side. */
    private static List<Grown> growth(FenceModel model, double[] theta, List<Value> spots) {
        double totalM = model.totalM();
        List<Grown> all = new ArrayList<>();
        for (Run run : model.runs()) {
            if (run.type().cable().isPresent() || run.lengthM() < LEAST_GROWN_M) {
                continue;
            }
            List<Cell> stretches = new ArrayList<>();
            for (int parts : new int[] {3, 1}) {
                double length = run.lengthM() / parts;
                for (int i = 0; i <= 2 * (parts - 1); i++) {
                    stretches.add(new Cell(run.id(), i * length / 2, i * length / 2 + length));
                }
            }
            double share = run.lengthM() / totalM / stretches.size() / GROWTH_OHM.length;
            for (Cell c : stretches) {
                for (double ohm : GROWTH_OHM) {
                    all.add(new Grown(c, ohm, share, new double[0]));
                }
            }
        }
        return IntStream.range(0, all.size())
                .parallel()
                .mapToObj(i -> {
                    Grown g = all.get(i);
                    List<Fault> leaks = g.cell().parts(GROWTH_POINTS).stream()
                            .map(p -> new Fault(Fault.Kind.SHUNT, p.middle(), g.ohm() * GROWTH_POINTS))
                            .toList();
                    return new Grown(g.cell(), g.ohm(), g.share(), model.read(theta, leaks, spots));
                })
                .toList();
    }

    private static List<Scaled> scaled(
            FenceModel model, double[] theta, List<Value> spots, Unknown what, double[] factors) {
        List<Scaled> all = new ArrayList<>();
        for (double factor : factors) {
            double[] there = moved(theta, what, factor);
            double value = what == Unknown.EARTH ? model.supply(there).earthOhm() : factor;
            all.add(new Scaled(value, model.read(there, List.of(), spots)));
        }
        return all;
    }

    private static double[] moved(double[] theta, Unknown what, double factor) {
        double[] next = theta.clone();
        next[what.ordinal()] += Math.log(factor);
        return next;
    }

    /** Runs without length, which nothing passes any more. */
    private static Map<String, double[]> switches(FenceModel model, double[] theta, List<Value> spots) {
        List<Run> all = model.runs().stream()
                .filter(r -> model.hunt().frail().contains(r.id()) && r.lengthM() == 0)
                .toList();
        List<double[]> raw = all.parallelStream()
                .map(run -> model.readOpen(theta, run.id(), spots))
                .toList();
        Map<String, double[]> byRun = new LinkedHashMap<>();
        for (int i = 0; i < all.size(); i++) {
            byRun.put(all.get(i).id(), raw.get(i));
        }
        return byRun;
    }

    /** Between two strengths that are computed too. */
    static double leakOhm(double strength) {
        return LEAK_OHM[0] * Math.pow(LEAK_OHM[1] / LEAK_OHM[0], strength);
    }

    static double[] spaced(double from, double to, int n) {
        double[] all = new double[n];
        for (int i = 0; i < n; i++) {
            all[i] = from * Math.pow(to / from, i / (double) (n - 1));
        }
        return all;
    }
}
