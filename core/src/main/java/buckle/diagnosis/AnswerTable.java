package buckle.diagnosis;

import buckle.diagnosis.Candidates.Answers;
import buckle.diagnosis.Candidates.Cell;
import buckle.diagnosis.Candidates.LeaksAndJoints;
import buckle.diagnosis.FenceModel.Linear;
import buckle.diagnosis.FenceModel.Unknown;
import buckle.diagnosis.Intervals.Interval;
import buckle.diagnosis.Sensitivities.At;
import buckle.pulse.Fault;
import buckle.pulse.Place;
import buckle.pulse.Run;
import buckle.pulse.Supply;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.IntStream;

/**
 * What meters at some spots would show with each fault in turn, and how far that is uncertain: made once for a fence and its spots, so
 * that a reading at one of them costs no more than to be held against it. It grows by other spots.
 */
final class AnswerTable {
    static final double[] LEAK_OHM = spaced(70, 11_000, 11);
    static final double[] JOINT_OHM = spaced(300, 30_000, 8);
    private static final double[] GROWTH_OHM = spaced(150, 6000, 6);
    private static final double[] EARTH_FACTOR = spaced(2, 60, 14);
    private static final double[] SUPPLY_FACTOR = spaced(0.15, 0.9, 16);
    /** Leaks that stand for what is grown over: one for so much of the fence, since peaks hardly tell on less. */
    private static final double LEAK_SHARE = 0.06;

    private static final int MOST_LEAKS = 5;
    /** On less it is a leak. */
    private static final double LEAST_GROWN_M = 20;

    /** On a run that is a smaller part of the fence it matters little where growth stands: it is thought of in the middle. */
    private static final double SHORT_SHARE = 0.04;

    private static final double USUAL_POOR = 10;
    private static final double USUAL_WEAK = 0.5;

    private final KnownFence fence;
    private final List<Value> spots;
    private final List<Part> parts;
    private final Everywhere everywhere;
    private final Sensitivities spread;

    /**
     * A stretch between meters.
     *
     * @param leaks by place, strength and spot
     * @param joints likewise, an open wire last
     * @param sensitive the nodes at which spread is told, and the spread there
     */
    record Part(Interval interval, double[][][] leaks, double[][][] joints, List<Integer> sensitive, List<At> spread) {
        Part and(Part more) {
            return new Part(
                    interval,
                    Rows.widened(leaks, more.leaks),
                    Rows.widened(joints, more.joints),
                    sensitive,
                    IntStream.range(0, spread.size())
                            .mapToObj(i -> spread.get(i).and(more.spread.get(i)))
                            .toList());
        }
    }

    /** Growth on a stretch. @param share of all growth, before anything is read */
    record Grown(Cell cell, double ohm, double share, double[] raw) {}

    /** A poor earth or a weak supply. @param value ohms, or the part of the voltage that is left */
    record Scaled(double value, double[] raw) {}

    /** What lies at no one place. @param none without a fault @param switches runs without length that nothing passes any more */
    record Everywhere(
            double[] none,
            List<Grown> growth,
            List<Scaled> earths,
            List<Scaled> supplies,
            Map<String, double[]> switches,
            Spread noneSpread,
            Spread poorEarthSpread,
            Spread weakSupplySpread) {
        Everywhere and(Everywhere more) {
            Map<String, double[]> all = new LinkedHashMap<>();
            switches.forEach(
                    (run, raw) -> all.put(run, Rows.joined(raw, Objects.requireNonNull(more.switches.get(run)))));
            return new Everywhere(
                    Rows.joined(none, more.none),
                    IntStream.range(0, growth.size())
                            .mapToObj(i -> new Grown(
                                    growth.get(i).cell,
                                    growth.get(i).ohm,
                                    growth.get(i).share,
                                    Rows.joined(growth.get(i).raw, more.growth.get(i).raw)))
                            .toList(),
                    joined(earths, more.earths),
                    joined(supplies, more.supplies),
                    all,
                    noneSpread.and(more.noneSpread),
                    poorEarthSpread.and(more.poorEarthSpread),
                    weakSupplySpread.and(more.weakSupplySpread));
        }

        private static List<Scaled> joined(List<Scaled> one, List<Scaled> other) {
            return IntStream.range(0, one.size())
                    .mapToObj(i -> new Scaled(one.get(i).value, Rows.joined(one.get(i).raw, other.get(i).raw)))
                    .toList();
        }
    }

    private AnswerTable(KnownFence fence, List<Value> spots, List<Part> parts, Everywhere everywhere) {
        this.fence = fence;
        this.spots = spots;
        this.parts = parts;
        this.everywhere = everywhere;
        this.spread = new Sensitivities(
                fence.model(),
                everywhere.noneSpread(),
                parts.stream().flatMap(p -> p.spread().stream()).toList());
    }

    static AnswerTable of(KnownFence fence, List<Value> values) {
        List<Value> spots = distinct(List.of(), values);
        Base base = new Base(fence, spots);
        List<Interval> intervals = Intervals.of(fence.model().runs(), spots, List.of(), 1);
        return new AnswerTable(
                fence, spots, base.parts(intervals, Sensitivities.nodes(fence.model(), intervals)), base.everywhere());
    }

    /** With the spots of more values: what is known stays, but for the stretches that they part. */
    AnswerTable with(List<Value> values) {
        List<Value> fresh = distinct(spots, values);
        if (fresh.isEmpty()) {
            return this;
        }
        List<Value> all = new ArrayList<>(spots);
        all.addAll(fresh);
        List<Interval> intervals = Intervals.of(fence.model().runs(), all, List.of(), 1);
        List<List<Integer>> nodes = Sensitivities.nodes(fence.model(), intervals);
        record Key(String run, double fromM, double toM, List<Integer> nodes) {}
        Map<Key, Part> known = new HashMap<>();
        parts.forEach(p -> known.put(
                new Key(p.interval().run(), p.interval().fromM(), p.interval().toM(), p.sensitive()), p));
        List<Integer> kept = new ArrayList<>();
        List<Integer> parted = new ArrayList<>();
        Part[] next = new Part[intervals.size()];
        for (int i = 0; i < next.length; i++) {
            Interval interval = intervals.get(i);
            Part part = known.get(new Key(interval.run(), interval.fromM(), interval.toM(), nodes.get(i)));
            (part == null ? parted : kept).add(i);
            if (part != null) {
                next[i] = part;
            }
        }
        Base more = new Base(fence, fresh);
        List<Part> columns = more.parts(pick(intervals, kept), pick(nodes, kept));
        for (int i = 0; i < columns.size(); i++) {
            next[kept.get(i)] = next[kept.get(i)].and(columns.get(i));
        }
        List<Part> rows =
                parted.isEmpty() ? List.of() : new Base(fence, all).parts(pick(intervals, parted), pick(nodes, parted));
        for (int i = 0; i < rows.size(); i++) {
            next[parted.get(i)] = rows.get(i);
        }
        return new AnswerTable(fence, List.copyOf(all), List.of(next), everywhere.and(more.everywhere()));
    }

    private static <T> List<T> pick(List<T> of, List<Integer> those) {
        return those.stream().map(of::get).toList();
    }

    /** What is worked out of a fence for some spots. */
    private static final class Base {
        private final KnownFence fence;
        private final FenceModel model;
        private final double[] theta;
        private final List<Value> spots;
        private final double[][] root;
        private final Candidates candidates;

        Base(KnownFence fence, List<Value> spots) {
            this.fence = fence;
            this.model = fence.model();
            this.theta = fence.theta();
            this.spots = spots;
            this.root = Gauss.root(fence.covariance());
            this.candidates = new Candidates(model, theta, List.of(), spots);
        }

        /** Of values read with a switch open, which may cut a fault off: how they go with the unknowns without one. */
        private double[][] without() {
            List<Integer> switched = IntStream.range(0, spots.size())
                    .filter(i -> !spots.get(i).open().isEmpty())
                    .boxed()
                    .toList();
            double[][] by = model.linear(theta, pick(spots, switched)).by();
            double[][] all = new double[spots.size()][];
            Arrays.fill(all, new double[0]);
            for (int i = 0; i < by.length; i++) {
                all[switched.get(i)] = by[i];
            }
            return all;
        }

        List<Part> parts(List<Interval> intervals, List<List<Integer>> sensitive) {
            if (intervals.isEmpty()) {
                return List.of();
            }
            List<Place> places =
                    intervals.stream().flatMap(i -> i.nodes().stream()).toList();
            LeaksAndJoints both = candidates.at(places, LEAK_OHM, withOpen());
            Answers leaks = both.leaks();
            Answers joints = both.joints();
            List<Integer> nodes = new ArrayList<>();
            int first = 0;
            for (int i = 0; i < intervals.size(); i++) {
                for (int node : sensitive.get(i)) {
                    nodes.add(first + node);
                }
                first += intervals.get(i).nodes().size();
            }
            List<At> spread = Sensitivities.at(fence, spots, nodes, leaks, joints, without(), root);
            List<Part> all = new ArrayList<>();
            int node = 0;
            int at = 0;
            for (int i = 0; i < intervals.size(); i++) {
                int to = node + intervals.get(i).nodes().size();
                int last = at + sensitive.get(i).size();
                all.add(new Part(
                        intervals.get(i),
                        Arrays.copyOfRange(leaks.raw(), node, to),
                        Arrays.copyOfRange(joints.raw(), node, to),
                        sensitive.get(i),
                        List.copyOf(spread.subList(at, last))));
                node = to;
                at = last;
            }
            return all;
        }

        Everywhere everywhere() {
            List<Linear> fedBy = model.linear(
                    List.of(theta, moved(Unknown.EARTH, USUAL_POOR), moved(Unknown.VOLTS, USUAL_WEAK)), spots);
            Linear usual = fedBy.get(0);
            Linear poorEarth = fedBy.get(1);
            Linear weakSupply = fedBy.get(2);
            return new Everywhere(
                    usual.raw(),
                    growth(),
                    scaled(Unknown.EARTH, EARTH_FACTOR),
                    scaled(Unknown.VOLTS, SUPPLY_FACTOR),
                    switches(),
                    Spread.of(usual.by(), root),
                    Spread.of(poorEarth.by(), root),
                    Spread.of(weakSupply.by(), root));
        }

        /** On a third and on the whole of each run, as a few leaks side by side. */
        private List<Grown> growth() {
            double totalM = model.totalM();
            List<Grown> all = new ArrayList<>();
            for (Run run : model.runs()) {
                if (run.type().cable().isPresent() || run.lengthM() < LEAST_GROWN_M) {
                    continue;
                }
                List<Cell> stretches = new ArrayList<>();
                for (int parts : small(run.id()) ? new int[] {1} : new int[] {3, 1}) {
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
            List<List<Fault>> leaks = all.stream().map(this::leaks).toList();
            double[][] raw = candidates.together(leaks);
            return IntStream.range(0, raw.length)
                    .mapToObj(i -> new Grown(all.get(i).cell, all.get(i).ohm, all.get(i).share, raw[i]))
                    .toList();
        }

        private boolean small(String run) {
            return model.lengthM(run) < SHORT_SHARE * model.totalM();
        }

        private List<Fault> leaks(Grown grown) {
            double share = grown.cell().lengthM() / model.totalM();
            int points = Math.clamp((int) Math.ceil(share / LEAK_SHARE), 1, MOST_LEAKS);
            return grown.cell().parts(points).stream()
                    .map(p -> new Fault(Fault.Kind.SHUNT, p.middle(), grown.ohm() * points))
                    .toList();
        }

        private List<Scaled> scaled(Unknown what, double[] factors) {
            List<Supply> fedBy = Arrays.stream(factors)
                    .mapToObj(f -> model.supply(moved(what, f)))
                    .toList();
            double[][] raw = model.readFedBy(theta, spots, fedBy);
            return IntStream.range(0, factors.length)
                    .mapToObj(
                            i -> new Scaled(what == Unknown.EARTH ? fedBy.get(i).earthOhm() : factors[i], raw[i]))
                    .toList();
        }

        private double[] moved(Unknown what, double factor) {
            double[] next = theta.clone();
            next[what.ordinal()] += Math.log(factor);
            return next;
        }

        private Map<String, double[]> switches() {
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
    }

    /** Each spot once that is not among those known, with its direction. */
    private static List<Value> distinct(List<Value> known, List<Value> values) {
        List<Value> all = new ArrayList<>();
        for (Value v : values) {
            if (known.stream().noneMatch(v::atSpotOf) && all.stream().noneMatch(v::atSpotOf)) {
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

    KnownFence fence() {
        return fence;
    }

    /** About how many numbers it holds. */
    long size() {
        long rows = everywhere.growth().size();
        for (Part p : parts) {
            rows += (long) p.leaks().length * (LEAK_OHM.length + JOINT_OHM.length + 1);
            rows += (long) p.spread().size()
                    * Sensitivities.EACH
                    * fence.model().count();
        }
        return rows * spots.size();
    }

    /** Whether each of its spots is that of some value. */
    boolean within(List<Value> values) {
        return spots.stream().allMatch(s -> values.stream().anyMatch(s::atSpotOf));
    }

    /** In the order of all that is told by spot. */
    List<Value> spots() {
        return spots;
    }

    List<Part> parts() {
        return parts;
    }

    Everywhere everywhere() {
        return everywhere;
    }

    Sensitivities spread() {
        return spread;
    }

    private static double[] withOpen() {
        return Rows.joined(JOINT_OHM, new double[] {Double.POSITIVE_INFINITY});
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
