package buckle.diagnosis;

import buckle.pulse.Fault;
import buckle.pulse.Place;
import buckle.pulse.Run;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.IntStream;

/**
 * How far readings may lie from what a fault makes of them because the fence itself is not known well: at a few faults on each run, and
 * the nearest of these for every other. The same unknowns move readings otherwise when something is wrong.
 */
final class Sensitivities {
    private static final double[] OHM = {130, 1400};
    private static final double[] JOINT_OHM = {1500, 8000};
    private static final double SO_GOOD_AS_NONE_OHM = 450;
    private static final double SO_GOOD_AS_OPEN_OHM = 24_000;
    private static final double BETWEEN_JOINTS_OHM = 3500;
    private static final double LONG_SHARE = 0.12;
    /** On a shorter run it matters little to a pulse where on it the fault lies. */
    private static final double LONG_M = 250;

    private final Map<String, List<At>> byRun = new LinkedHashMap<>();
    private final double[][] none;
    private final FenceModel model;

    /** Spread with a fault at a place: leaks by strength, a poor joint, an open wire. */
    private record At(double distanceM, List<double[][]> leaks, List<double[][]> joints, double[][] open) {}

    private record Asked(String run, double distanceM, Fault fault) {}

    Sensitivities(FenceModel model, double[] theta, double[][] covariance, List<Fault> besides, List<Value> values) {
        this.model = model;
        double[] nothing = new double[values.size()];
        double[][] known = model.linear(theta, besides, values).by();
        none = Gauss.spread(known, covariance, nothing);
        // With a switch open: a fault it cuts off is none, beside another the switch changes what it changes without a
        // fault.
        List<Value> closed = values.stream().map(Value::withoutSwitches).toList();
        double[][] knownClosed = model.linear(theta, besides, closed).by();
        double total = model.runs().stream().mapToDouble(Run::lengthM).sum();
        List<Asked> asked = new ArrayList<>();
        for (Map.Entry<String, Run> e : model.longest().entrySet()) {
            Run run = e.getValue();
            double share = run.lengthM() / total;
            double[] at =
                    share > LONG_SHARE && run.lengthM() > LONG_M ? new double[] {0.15, 0.5, 0.85} : new double[] {0.5};
            for (double a : at) {
                Place place = new Place(run.id(), run.lengthM() * a + 0.37);
                if (place.distanceM() >= run.lengthM()) {
                    place = new Place(run.id(), run.lengthM() / 2);
                }
                for (double ohm : OHM) {
                    asked.add(new Asked(run.id(), place.distanceM(), new Fault(Fault.Kind.SHUNT, place, ohm)));
                }
                for (double ohm : new double[] {JOINT_OHM[0], JOINT_OHM[1], Double.POSITIVE_INFINITY}) {
                    asked.add(new Asked(run.id(), place.distanceM(), new Fault(Fault.Kind.BREAK, place, ohm)));
                }
            }
        }
        List<double[][]> spreads = IntStream.range(0, asked.size())
                .parallel()
                .mapToObj(i -> {
                    List<Fault> faults = new ArrayList<>(besides);
                    Fault fault = asked.get(i).fault();
                    faults.add(fault);
                    double[][] by = model.linear(theta, faults, closed).by();
                    for (int v = 0; v < by.length; v++) {
                        if (model.cutsOff(values.get(v).open(), fault.at())) {
                            by[v] = known[v];
                        } else if (!values.get(v).open().isEmpty()) {
                            for (int p = 0; p < by[v].length; p++) {
                                by[v][p] += known[v][p] - knownClosed[v][p];
                            }
                        }
                    }
                    return Gauss.spread(by, covariance, nothing);
                })
                .toList();
        int each = OHM.length + 3;
        for (int i = 0; i < asked.size(); i += each) {
            byRun.computeIfAbsent(model.groupOf(asked.get(i).run()), r -> new ArrayList<>())
                    .add(new At(
                            asked.get(i).distanceM(),
                            spreads.subList(i, i + OHM.length),
                            spreads.subList(i + OHM.length, i + OHM.length + 2),
                            spreads.get(i + OHM.length + 2)));
        }
    }

    double[][] none() {
        return none;
    }

    double[][] leak(Place place, double ohm) {
        int nearest = 0;
        for (int i = 1; i < OHM.length; i++) {
            if (Math.abs(Math.log(ohm / OHM[i])) < Math.abs(Math.log(ohm / OHM[nearest]))) {
                nearest = i;
            }
        }
        return at(place).leaks().get(nearest);
    }

    /** The nearest of none, a poor joint and an open wire. */
    double[][] broken(Place place, double ohm) {
        At at = at(place);
        if (ohm > SO_GOOD_AS_OPEN_OHM) {
            return at.open();
        }
        return ohm < SO_GOOD_AS_NONE_OHM ? none : at.joints().get(ohm < BETWEEN_JOINTS_OHM ? 0 : 1);
    }

    private At at(Place place) {
        List<At> all = Objects.requireNonNull(byRun.get(model.groupOf(place.runId())));
        At best = all.getFirst();
        for (At a : all) {
            double d = place.distanceM();
            if (Math.abs(a.distanceM() - d) < Math.abs(best.distanceM() - d)) {
                best = a;
            }
        }
        return best;
    }
}
