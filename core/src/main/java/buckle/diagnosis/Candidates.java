package buckle.diagnosis;

import buckle.pulse.Fault;
import buckle.pulse.Meter;
import buckle.pulse.Place;
import buckle.pulse.PulseSolver;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;

/** What meters would show with a fault at each of many places and of many strengths: by one change to the answer without it. */
final class Candidates {
    private final FenceModel model;
    private final double[] theta;
    private final List<Fault> besides;
    private final List<Value> values;
    private double[] none = {};

    /** @param besides faults that are there anyway */
    Candidates(FenceModel model, double[] theta, List<Fault> besides, List<Value> values) {
        this.model = model;
        this.theta = theta;
        this.besides = besides;
        this.values = values;
    }

    /** A part of a run; a fault on it is taken to lie in its middle. */
    record Cell(String run, double fromM, double toM) {
        double lengthM() {
            return toM - fromM;
        }

        Place middle() {
            return new Place(run, (fromM + toM) / 2);
        }

        List<Cell> parts(int n) {
            List<Cell> all = new ArrayList<>();
            for (int i = 0; i < n; i++) {
                all.add(new Cell(run, fromM + lengthM() * i / n, fromM + lengthM() * (i + 1) / n));
            }
            return all;
        }
    }

    /**
     * What each value would be.
     *
     * @param raw by place, strength and value
     * @param atS when it is reached
     */
    record Answers(List<Place> places, Fault.Kind kind, double[] ohm, double[][][] raw, double[][][] atS) {
        Answers(List<Place> places, Fault.Kind kind, double[] ohm, double[] none) {
            this(
                    places,
                    kind,
                    ohm,
                    new double[places.size()][ohm.length][],
                    new double[places.size()][ohm.length][none.length]);
            for (double[][] place : raw) {
                Arrays.setAll(place, j -> none.clone());
            }
        }
    }

    record LeaksAndJoints(Answers leaks, Answers joints) {}

    /** Without any. */
    double[] none() {
        if (none.length == 0) {
            none = model.read(theta, besides, values);
        }
        return none;
    }

    /** By place and then by strength. */
    LeaksAndJoints at(List<Place> places, double[] leakOhm, double[] jointOhm) {
        List<Fault> faults = new ArrayList<>();
        for (Place at : places) {
            for (double ohm : leakOhm) {
                faults.add(new Fault(Fault.Kind.SHUNT, at, ohm));
            }
            for (double ohm : jointOhm) {
                faults.add(new Fault(Fault.Kind.BREAK, at, ohm));
            }
        }
        int each = leakOhm.length + jointOhm.length;
        Answers leaks = new Answers(places, Fault.Kind.SHUNT, leakOhm, none());
        Answers joints = new Answers(places, Fault.Kind.BREAK, jointOhm, none());
        bySwitches(alone(faults), (solver, meters, own, live) -> {
            PulseSolver.Shown shown = solver.withEach(first(live.values()), meters);
            int f = 0;
            for (int fault : live.keySet()) {
                int place = fault / each;
                int strength = fault % each;
                boolean leak = strength < leakOhm.length;
                Answers of = leak ? leaks : joints;
                int s = leak ? strength : strength - leakOhm.length;
                own.into(of.raw()[place][s], shown.values()[f]);
                own.at(of.atS()[place][s], shown.atS()[f]);
                f++;
            }
        });
        return new LeaksAndJoints(leaks, joints);
    }

    /**
     * What each value is at its moment, by fault and value; of a fault that an open switch cuts off, not a number.
     *
     * @param atS by fault and value
     */
    double[][] at(List<Fault> faults, double[][] atS) {
        double[][] raw = new double[faults.size()][values.size()];
        for (double[] fault : raw) {
            Arrays.fill(fault, Double.NaN);
        }
        bySwitches(alone(faults), (solver, meters, own, live) -> {
            double[][] moments = live.keySet().stream()
                    .map(fault -> own.numbers().stream()
                            .mapToDouble(i -> atS[fault][i])
                            .toArray())
                    .toArray(double[][]::new);
            double[][] shown = solver.withEachAt(first(live.values()), meters, moments);
            int f = 0;
            for (int fault : live.keySet()) {
                own.into(raw[fault], shown[f++]);
            }
        });
        return raw;
    }

    /** What each value would be with several leaks at once, by set of them. */
    double[][] together(List<List<Fault>> sets) {
        double[][] raw = new double[sets.size()][];
        Arrays.setAll(raw, s -> none().clone());
        bySwitches(sets, (solver, meters, own, live) -> {
            double[][] shown =
                    solver.withLeaks(List.copyOf(live.values()), meters).values();
            int s = 0;
            for (int set : live.keySet()) {
                own.into(raw[set], shown[s++]);
            }
        });
        return raw;
    }

    private static List<List<Fault>> alone(List<Fault> faults) {
        return faults.stream().map(List::of).toList();
    }

    private static List<Fault> first(Collection<List<Fault>> sets) {
        return sets.stream().map(List::getFirst).toList();
    }

    private interface Asked {
        /**
         * @param own numbers of the values that are asked for
         * @param live by the number of its set what of it is not cut off
         */
        void of(PulseSolver solver, List<Meter> meters, Own own, SortedMap<Integer, List<Fault>> live);
    }

    /**
     * Some of the values.
     *
     * @param drifts factors on what is reckoned of them
     */
    private record Own(List<Integer> numbers, double[] drifts) {
        void into(double[] all, double[] shown) {
            for (int i = 0; i < shown.length; i++) {
                all[numbers.get(i)] = shown[i] * drifts[i];
            }
        }

        void at(double[] all, double[] seconds) {
            for (int i = 0; i < seconds.length; i++) {
                all[numbers.get(i)] = seconds[i];
            }
        }
    }

    private void bySwitches(List<List<Fault>> sets, Asked asked) {
        FenceModel.bySwitches(values).forEach((open, those) -> {
            List<Value> own = FenceModel.pick(values, those);
            Set<Place> cuts = new LinkedHashSet<>(model.places(own, besides));
            SortedMap<Integer, List<Fault>> live = new TreeMap<>();
            for (int s = 0; s < sets.size(); s++) {
                List<Fault> some = sets.get(s).stream()
                        .filter(f -> !model.cutsOff(open, f.at()))
                        .toList();
                if (!some.isEmpty()) {
                    live.put(s, some);
                    some.forEach(f -> cuts.add(f.at()));
                }
            }
            asked.of(
                    model.solver(theta, besides, open, cuts),
                    own.stream().map(Value::meter).toList(),
                    new Own(those, model.drifts(theta, own)),
                    live);
        });
    }
}
