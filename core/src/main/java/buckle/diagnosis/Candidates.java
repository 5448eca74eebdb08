package buckle.diagnosis;

import buckle.pulse.Fault;
import buckle.pulse.Meter;
import buckle.pulse.Place;
import buckle.pulse.PulseSolver;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
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

    /** What each value would be, by place and then by strength. */
    double[][][] raw(List<Cell> cells, Fault.Kind kind, double[] ohm) {
        List<Fault> faults = new ArrayList<>();
        for (Cell c : cells) {
            Place at = clear(c.middle());
            for (double r : ohm) {
                faults.add(new Fault(kind, at, r));
            }
        }
        double[][][] raw = new double[cells.size()][ohm.length][values.size()];
        Map<Set<String>, List<Integer>> bySwitches = FenceModel.bySwitches(values);
        bySwitches.forEach((open, those) -> {
            List<Value> own = FenceModel.pick(values, those);
            Set<Place> places = new LinkedHashSet<>(model.places(own, besides));
            faults.forEach(f -> places.add(f.at()));
            PulseSolver solver = model.solver(theta, besides, open, places);
            List<Meter> meters = own.stream().map(Value::meter).toList();
            double[][] shown = solver.withEach(faults, meters);
            for (int f = 0; f < shown.length; f++) {
                for (int i = 0; i < meters.size(); i++) {
                    raw[f / ohm.length][f % ohm.length][those.get(i)] = shown[f][i];
                }
            }
        });
        return raw;
    }

    /** Not where a meter is, nor where another fault is: a break there would be on either side of it. */
    private Place clear(Place at) {
        double d = at.distanceM();
        for (Value v : values) {
            Place meter = switch (v.meter()) {
                case Meter.Volts m -> m.at();
                case Meter.Amperes m -> m.at();
                case Meter.EarthVolts m -> null;
            };
            if (meter != null && meter.runId().equals(at.runId()) && Math.abs(meter.distanceM() - d) < CLEAR_M) {
                return new Place(at.runId(), Math.max(0, d > CLEAR_M ? meter.distanceM() - CLEAR_M : d + CLEAR_M));
            }
        }
        for (Fault f : besides) {
            if (f.at().runId().equals(at.runId()) && Math.abs(f.at().distanceM() - d) < CLEAR_M) {
                return new Place(at.runId(), d > CLEAR_M ? f.at().distanceM() - CLEAR_M : d + 2 * CLEAR_M);
            }
        }
        return at;
    }

    private static final double CLEAR_M = 0.6;
}
