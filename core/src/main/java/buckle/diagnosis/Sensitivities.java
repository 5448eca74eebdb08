package buckle.diagnosis;

import buckle.diagnosis.Candidates.Cell;
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
    private static final double[] OHM = {90, 600, 4000};
    private static final double LONG_SHARE = 0.12;

    private final Map<String, List<At>> byRun = new LinkedHashMap<>();
    private final double[][] none;

    /** Spread with a fault at a place: leaks by strength, then open. */
    private record At(double distanceM, List<double[][]> leaks, double[][] open) {}

    private record Asked(String run, double distanceM, Fault fault) {}

    Sensitivities(FenceModel model, double[] theta, double[][] covariance, List<Fault> besides, List<Value> values) {
        double[] nothing = new double[values.size()];
        none = Gauss.spread(model.linear(theta, besides, values).by(), covariance, nothing);
        double total = model.runs().stream().mapToDouble(Run::lengthM).sum();
        List<Asked> asked = new ArrayList<>();
        for (Run run : model.runs()) {
            double share = run.lengthM() / total;
            double[] at = share > LONG_SHARE ? new double[] {0.15, 0.5, 0.85} : new double[] {0.5};
            for (double a : at) {
                Place place = new Place(run.id(), run.lengthM() * a + 0.37);
                if (place.distanceM() >= run.lengthM()) {
                    place = new Place(run.id(), run.lengthM() / 2);
                }
                for (double ohm : OHM) {
                    asked.add(new Asked(run.id(), place.distanceM(), new Fault(Fault.Kind.SHUNT, place, ohm)));
                }
                asked.add(new Asked(
                        run.id(), place.distanceM(), new Fault(Fault.Kind.BREAK, place, Double.POSITIVE_INFINITY)));
            }
        }
        List<double[][]> spreads = IntStream.range(0, asked.size())
                .parallel()
                .mapToObj(i -> {
                    List<Fault> faults = new ArrayList<>(besides);
                    faults.add(asked.get(i).fault());
                    return Gauss.spread(model.linear(theta, faults, values).by(), covariance, nothing);
                })
                .toList();
        int each = OHM.length + 1;
        for (int i = 0; i < asked.size(); i += each) {
            byRun.computeIfAbsent(asked.get(i).run(), r -> new ArrayList<>())
                    .add(new At(
                            asked.get(i).distanceM(), spreads.subList(i, i + OHM.length), spreads.get(i + OHM.length)));
        }
    }

    double[][] none() {
        return none;
    }

    double[][] leak(Cell cell, double ohm) {
        int nearest = 0;
        for (int i = 1; i < OHM.length; i++) {
            if (Math.abs(Math.log(ohm / OHM[i])) < Math.abs(Math.log(ohm / OHM[nearest]))) {
                nearest = i;
            }
        }
        return at(cell).leaks().get(nearest);
    }

    /** A poor joint of many ohms is nearer to none than to a broken wire; so far it is taken as broken. */
    double[][] open(Cell cell) {
        return at(cell).open();
    }

    private At at(Cell cell) {
        List<At> all = Objects.requireNonNull(byRun.get(cell.run()));
        At best = all.getFirst();
        for (At a : all) {
            double d = cell.middle().distanceM();
            if (Math.abs(a.distanceM() - d) < Math.abs(best.distanceM() - d)) {
                best = a;
            }
        }
        return best;
    }
}
