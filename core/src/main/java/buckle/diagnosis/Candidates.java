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

    /** What each value would be, by place and then by strength. */
    double[][][] raw(List<Place> places, Fault.Kind kind, double[] ohm) {
        List<Fault> faults = new ArrayList<>();
        for (Place at : places) {
            for (double r : ohm) {
                faults.add(new Fault(kind, at, r));
            }
        }
        double[][][] raw = new double[places.size()][ohm.length][values.size()];
        double[] none = model.read(theta, besides, values);
        FenceModel.bySwitches(values).forEach((open, those) -> {
            List<Value> own = FenceModel.pick(values, those);
            Set<Place> cuts = new LinkedHashSet<>(model.places(own, besides));
            List<Fault> live = new ArrayList<>();
            for (Fault f : faults) {
                if (!model.cutsOff(open, f.at())) {
                    live.add(f);
                    cuts.add(f.at());
                }
            }
            PulseSolver solver = model.solver(theta, besides, open, cuts);
            List<Meter> meters = own.stream().map(Value::meter).toList();
            double[][] shown = solver.withEach(live, meters);
            int next = 0;
            for (int f = 0; f < faults.size(); f++) {
                boolean cutOff = model.cutsOff(open, faults.get(f).at());
                for (int i = 0; i < meters.size(); i++) {
                    raw[f / ohm.length][f % ohm.length][those.get(i)] = cutOff ? none[those.get(i)] : shown[next][i];
                }
                next += cutOff ? 0 : 1;
            }
        });
        return raw;
    }
}
