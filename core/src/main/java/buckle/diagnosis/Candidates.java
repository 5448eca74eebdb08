package buckle.diagnosis;

import buckle.pulse.Fault;
import buckle.pulse.Meter;
import buckle.pulse.Place;
import buckle.pulse.PulseSolver;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/** What meters would show with a fault at each of many places and of many strengths: by one change to the answer without it. */
final class Candidates {
    private final FenceModel model;
    private final double[] theta;
    private final List<Fault> besides;
    private final List<Value> values;

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
    record Answers(List<Place> places, Fault.Kind kind, double[] ohm, double[][][] raw, double[][][] atS) {}

    /** By place and then by strength. */
    Answers at(List<Place> places, Fault.Kind kind, double[] ohm) {
        List<Fault> faults = new ArrayList<>();
        for (Place at : places) {
            for (double r : ohm) {
                faults.add(new Fault(kind, at, r));
            }
        }
        double[] none = model.read(theta, besides, values);
        double[][][] raw = new double[places.size()][ohm.length][values.size()];
        double[][][] atS = new double[places.size()][ohm.length][values.size()];
        for (double[][] place : raw) {
            for (double[] strength : place) {
                System.arraycopy(none, 0, strength, 0, none.length);
            }
        }
        bySwitches(faults, (solver, meters, own, live) -> {
            PulseSolver.Shown shown =
                    solver.withEach(live.stream().map(faults::get).toList(), meters);
            for (int f = 0; f < live.size(); f++) {
                for (int i = 0; i < own.size(); i++) {
                    raw[live.get(f) / ohm.length][live.get(f) % ohm.length][own.get(i)] = shown.values()[f][i];
                    atS[live.get(f) / ohm.length][live.get(f) % ohm.length][own.get(i)] = shown.atS()[f][i];
                }
            }
        });
        return new Answers(places, kind, ohm, raw, atS);
    }

    /**
     * What each value is at its moment, by fault and value; of a fault that an open switch cuts off, not a number.
     *
     * @param atS by fault and value
     */
    double[][] at(List<Fault> faults, double[][] atS) {
        double[][] raw = new double[faults.size()][values.size()];
        for (double[] fault : raw) {
            java.util.Arrays.fill(fault, Double.NaN);
        }
        bySwitches(faults, (solver, meters, own, live) -> {
            double[][] moments = new double[live.size()][own.size()];
            for (int f = 0; f < live.size(); f++) {
                for (int i = 0; i < own.size(); i++) {
                    moments[f][i] = atS[live.get(f)][own.get(i)];
                }
            }
            double[][] shown = solver.withEachAt(live.stream().map(faults::get).toList(), meters, moments);
            for (int f = 0; f < live.size(); f++) {
                for (int i = 0; i < own.size(); i++) {
                    raw[live.get(f)][own.get(i)] = shown[f][i];
                }
            }
        });
        return raw;
    }

    /** What each value would be with several leaks at once, by set of them. */
    double[][] together(List<List<Fault>> sets) {
        double[][] raw = new double[sets.size()][];
        double[] none = model.read(theta, besides, values);
        java.util.Arrays.setAll(raw, s -> none.clone());
        FenceModel.bySwitches(values).forEach((open, those) -> {
            List<Value> own = FenceModel.pick(values, those);
            Set<Place> cuts = new LinkedHashSet<>(model.places(own, besides));
            List<Integer> live = new ArrayList<>();
            List<List<Fault>> leaks = new ArrayList<>();
            for (int s = 0; s < sets.size(); s++) {
                List<Fault> some = sets.get(s).stream()
                        .filter(f -> !model.cutsOff(open, f.at()))
                        .toList();
                if (!some.isEmpty()) {
                    live.add(s);
                    leaks.add(some);
                    some.forEach(f -> cuts.add(f.at()));
                }
            }
            if (leaks.isEmpty()) {
                return;
            }
            double[][] shown = model.solver(theta, besides, open, cuts)
                    .withLeaks(leaks, own.stream().map(Value::meter).toList())
                    .values();
            for (int s = 0; s < shown.length; s++) {
                for (int i = 0; i < those.size(); i++) {
                    raw[live.get(s)][those.get(i)] = shown[s][i];
                }
            }
        });
        return raw;
    }

    private interface Asked {
        /**
         * @param meters of {@code own} values
         * @param live faults that are not cut off
         */
        void of(PulseSolver solver, List<Meter> meters, List<Integer> own, List<Integer> live);
    }

    private void bySwitches(List<Fault> faults, Asked asked) {
        FenceModel.bySwitches(values).forEach((open, those) -> {
            List<Value> own = FenceModel.pick(values, those);
            Set<Place> cuts = new LinkedHashSet<>(model.places(own, besides));
            List<Integer> live = new ArrayList<>();
            for (int f = 0; f < faults.size(); f++) {
                if (!model.cutsOff(open, faults.get(f).at())) {
                    live.add(f);
                    cuts.add(faults.get(f).at());
                }
            }
            asked.of(
                    model.solver(theta, besides, open, cuts),
                    own.stream().map(Value::meter).toList(),
                    those,
                    live);
        });
    }
}
