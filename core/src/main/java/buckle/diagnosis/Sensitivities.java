package buckle.diagnosis;

import buckle.diagnosis.Candidates.Answers;
import buckle.diagnosis.FenceModel.Unknown;
import buckle.diagnosis.Intervals.Interval;
import buckle.pulse.Fault;
import buckle.pulse.Place;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.IntStream;

/**
 * How far readings may lie from what a fault makes of them because the fence itself is not known well: at a few faults on each stretch
 * between meters, and the nearest of these for every other. The same unknowns move readings otherwise when something is wrong.
 */
final class Sensitivities {
    /** Of the strengths that are computed. */
    private static final int[] LEAKS = {1, 4, 7, 9};

    private static final int[] JOINTS = {1, 3, 5};

    /** Strengths at each place, an open wire last. */
    static final int EACH = LEAKS.length + JOINTS.length + 1;

    /** Along so much of the fence it matters little where a fault lies. */
    private static final double ALIKE_SHARE = 0.04;

    /** Numbers that are held at once. */
    private static final int MOST_HELD = 1 << 22;

    /** A shorter stretch goes with a longer one of its run or of the one it hangs on. */
    private static final double OWN_SHARE = 0.01;

    private final FenceModel model;
    private final Spread none;
    private final Map<String, List<At>> byGroup = new HashMap<>();
    /** Of a switch with which nothing goes: as where the fence begins. */
    private final List<At> first;

    /** Spread with a fault at a place, by strength. */
    record At(Place place, List<Spread> leaks, List<Spread> joints) {
        At {
            leaks = List.copyOf(leaks);
            joints = List.copyOf(joints);
        }

        At and(At more) {
            return new At(place, joined(leaks, more.leaks), joined(joints, more.joints));
        }

        private static List<Spread> joined(List<Spread> one, List<Spread> other) {
            return IntStream.range(0, one.size())
                    .mapToObj(i -> one.get(i).and(other.get(i)))
                    .toList();
        }
    }

    Sensitivities(FenceModel model, Spread none, List<At> all) {
        this.model = model;
        this.none = none;
        this.first = all.subList(0, 1);
        all.forEach(a -> byGroup.computeIfAbsent(model.groupOf(a.place().runId()), g -> new ArrayList<>())
                .add(a));
    }

    /** Of each stretch the nodes at which it is computed: evenly along all that are not short; of what goes together at least one. */
    static List<List<Integer>> nodes(FenceModel model, List<Interval> intervals) {
        double total = model.totalM();
        Map<String, Double> longest = new HashMap<>();
        intervals.forEach(i -> longest.merge(model.groupOf(i.run()), i.lengthM(), Math::max));
        List<List<Integer>> all = new ArrayList<>();
        for (Interval i : intervals) {
            int n = i.nodes().size();
            boolean own = i.lengthM() >= OWN_SHARE * total
                    || i.lengthM() >= Objects.requireNonNull(longest.get(model.groupOf(i.run())));
            int some = own ? Math.min(n, (int) Math.ceil(i.lengthM() / (ALIKE_SHARE * total))) : 0;
            all.add(IntStream.range(0, some)
                    .mapToObj(k -> (int) ((k + 0.5) * n / some))
                    .toList());
        }
        return all;
    }

    /** A fault of the table of answers. */
    private record Asked(int node, int strength, boolean leak) {}

    /**
     * At some nodes.
     *
     * @param nodes of the places that the answers are told for
     * @param without of values read with a switch open, how they go with the unknowns without a fault: where the switch cuts it off
     */
    static List<At> at(
            KnownFence fence,
            List<Value> values,
            List<Integer> nodes,
            Answers leaks,
            Answers joints,
            double[][] without,
            double[][] root) {
        int atOnce = Math.clamp(MOST_HELD / ((long) EACH * values.size() * root.length), 1, Math.max(1, nodes.size()));
        List<At> all = new ArrayList<>();
        for (int from = 0; from < nodes.size(); from += atOnce) {
            List<Integer> some = nodes.subList(from, Math.min(nodes.size(), from + atOnce));
            all.addAll(someAt(fence, values, some, leaks, joints, without, root));
        }
        return all;
    }

    private static List<At> someAt(
            KnownFence fence,
            List<Value> values,
            List<Integer> nodes,
            Answers leaks,
            Answers joints,
            double[][] without,
            double[][] root) {
        int open = joints.ohm().length - 1;
        List<Asked> asked = new ArrayList<>();
        for (int node : nodes) {
            for (int l : LEAKS) {
                asked.add(new Asked(node, l, true));
            }
            for (int j : JOINTS) {
                asked.add(new Asked(node, j, false));
            }
            asked.add(new Asked(node, open, false));
        }
        List<Fault> faults = new ArrayList<>();
        double[][] atS = new double[asked.size()][];
        for (int i = 0; i < atS.length; i++) {
            Asked a = asked.get(i);
            Answers of = a.leak() ? leaks : joints;
            faults.add(new Fault(of.kind(), of.places().get(a.node()), of.ohm()[a.strength()]));
            atS[i] = of.atS()[a.node()][a.strength()];
        }
        FenceModel model = fence.model();
        double[][] raw = shown(model, fence.theta(), values, faults, atS);
        double[][] usual = features(values, raw);
        List<double[][]> moved = IntStream.range(0, root.length)
                .parallel()
                .mapToObj(p -> {
                    if (fence.covariance()[p][p] == 0) {
                        return usual;
                    }
                    double[][] there = p == Unknown.DRIFT.ordinal()
                            ? Arrays.stream(raw)
                                    .map(fault -> model.drifted(fault, values))
                                    .toArray(double[][]::new)
                            : shown(model, FenceModel.step(fence.theta(), p), values, faults, atS);
                    return features(values, there);
                })
                .toList();
        List<At> all = new ArrayList<>();
        for (int n = 0; n < nodes.size(); n++) {
            List<Spread> spreads = new ArrayList<>();
            for (int s = 0; s < EACH; s++) {
                int f = n * EACH + s;
                double[][] by = new double[values.size()][];
                for (int v = 0; v < by.length; v++) {
                    by[v] = Double.isNaN(usual[f][v]) ? without[v] : slope(usual[f][v], moved, f, v);
                }
                spreads.add(Spread.of(by, root));
            }
            all.add(new At(
                    leaks.places().get(nodes.get(n)),
                    spreads.subList(0, LEAKS.length),
                    spreads.subList(LEAKS.length, EACH)));
        }
        return all;
    }

    private static double[] slope(double usual, List<double[][]> moved, int fault, int value) {
        double[] by = new double[moved.size()];
        for (int p = 0; p < by.length; p++) {
            by[p] = (moved.get(p)[fault][value] - usual) / FenceModel.STEP;
        }
        return by;
    }

    private static double[][] shown(
            FenceModel model, double[] theta, List<Value> values, List<Fault> faults, double[][] atS) {
        return new Candidates(model, theta, List.of(), values).at(faults, atS);
    }

    private static double[][] features(List<Value> values, double[][] shown) {
        double[][] all = new double[shown.length][values.size()];
        for (int f = 0; f < all.length; f++) {
            double[] fault = shown[f];
            Arrays.setAll(all[f], v -> values.get(v).expected(fault[v]));
        }
        return all;
    }

    Spread none() {
        return none;
    }

    Spread leak(Place place, double ohm) {
        return at(place).leaks().get(nearest(AnswerTable.LEAK_OHM, LEAKS, ohm));
    }

    /** The nearest of poor joints and an open wire. */
    Spread broken(Place place, double ohm) {
        List<Spread> all = at(place).joints();
        return Double.isInfinite(ohm) ? all.getLast() : all.get(nearest(AnswerTable.JOINT_OHM, JOINTS, ohm));
    }

    private static int nearest(double[] of, int[] those, double ohm) {
        int nearest = 0;
        for (int i = 1; i < those.length; i++) {
            if (Math.abs(Math.log(ohm / of[those[i]])) < Math.abs(Math.log(ohm / of[those[nearest]]))) {
                nearest = i;
            }
        }
        return nearest;
    }

    /** On the same run if there is one, then the nearest. */
    private At at(Place place) {
        List<At> all = byGroup.getOrDefault(model.groupOf(place.runId()), first);
        At best = all.getFirst();
        for (At a : all) {
            boolean own = a.place().runId().equals(place.runId());
            boolean bestOwn = best.place().runId().equals(place.runId());
            double d = place.distanceM();
            if (own && !bestOwn
                    || own == bestOwn
                            && Math.abs(a.place().distanceM() - d)
                                    < Math.abs(best.place().distanceM() - d)) {
                best = a;
            }
        }
        return best;
    }
}
