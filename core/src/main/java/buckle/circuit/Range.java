package buckle.circuit;

import buckle.circuit.Electrics.Assumed;
import buckle.circuit.Solver.Solved;
import buckle.circuit.Solver.Spot;
import buckle.pulse.Source;
import buckle.pulse.Supply;
import buckle.rulebook.Values;
import buckle.spec.PulseModel;
import java.text.DecimalFormat;
import java.text.DecimalFormatSymbols;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * V13: each assumption moved down and up alone; what that does is added by squares. What lies in the fence takes a solution of
 * its own for each move; what lies in energizer and rods shares one; the plate's voltages only scale.
 */
final class Range {
    private static final double AS_NONE_OHM = 1e6;

    private final double[] middle;
    private final List<Moved> moved = new ArrayList<>();

    /** Volts at the spots as one assumption is moved. */
    private record Moved(String name, String likely, String low, String high, List<double[]> tried) {
        double least(int i, double otherwise) {
            return tried.stream().mapToDouble(v -> v[i]).min().orElse(otherwise);
        }

        double most(int i, double otherwise) {
            return tried.stream().mapToDouble(v -> v[i]).max().orElse(otherwise);
        }
    }

    private record Fed(Conditions fence, List<Supply> by) {}

    private Range(Solved solved) {
        middle = new double[solved.at().size()];
        for (int i = 0; i < middle.length; i++) {
            middle[i] = solved.volts(i);
        }
    }

    /** Nothing moved: low and high are the middle. */
    static Range none(Solved solved) {
        return new Range(solved);
    }

    Range(Solver solver, Conditions likely, Trial trial, List<Spot> spots, Solved solved) {
        this(solved);
        double leak = Values.V13_LEAK_FACTOR;
        double soil = Values.V13_SOIL_FACTOR;
        double earth = Values.V13_EARTH_FACTOR;
        double plate = Values.V13_PLATE_SHARE;
        PulseModel model = solver.spec.power().model();
        Supply own = new Supply(
                solved.fence().circuit().source(), solved.fence().circuit().earthOhm());
        List<Supply> alone = List.of(own);
        List<Source> damped = damped(likely, model);
        List<Supply> supplies = new ArrayList<>(List.of(
                new Supply(own.source(), own.earthOhm() / earth), new Supply(own.source(), own.earthOhm() * earth)));
        damped.forEach(s -> supplies.add(new Supply(s, own.earthOhm())));
        List<double[]> v = Stream.of(
                        new Fed(likely.withLeak(1 / leak), alone),
                        new Fed(likely.withLeak(leak), alone),
                        new Fed(likely.withSoil(1 / soil), alone),
                        new Fed(likely.withSoil(soil), alone),
                        new Fed(likely.withSteel(model.steelMuR().low()), alone),
                        new Fed(likely.withSteel(model.steelMuR().high()), alone),
                        new Fed(likely.withWire(-1), alone),
                        new Fed(likely.withWire(1), alone),
                        new Fed(likely, supplies))
                .parallel()
                .flatMap(f -> Arrays.stream(Solver.peaks(solver.fence(f.fence(), trial), spots, f.by())))
                .toList();
        add("Leakage of growth and insulators", likely.growth().text(), "a third", "three times", v.subList(0, 2));
        add(
                "Resistivity of the ground under the fence",
                likely.ground().text(),
                "a third",
                "three times",
                v.subList(2, 4));
        add(
                "Permeability of steel wire",
                number(likely.steelMuR()),
                number(model.steelMuR().low()),
                number(model.steelMuR().high()),
                v.subList(4, 6));
        add(
                "Resistance of the conductors and their joints",
                "as made",
                "a tenth less; woven half",
                "a tenth more; woven double",
                v.subList(6, 8));
        add(
                "Voltages of the plate",
                "as it says",
                "5 % less",
                "5 % more",
                List.of(scaled(1 - plate), scaled(1 + plate)));
        add("Resistance of the ground rods", "as computed", "half", "double", v.subList(8, 10));
        List<String> pairs = damped.stream().map(Range::damping).toList();
        add(
                "Damping across the energizer's terminals",
                damping(own.source()),
                pairs.isEmpty() ? "no other fits" : String.join(", ", pairs.subList(0, (pairs.size() + 1) / 2)),
                pairs.isEmpty()
                        ? "no other fits"
                        : String.join(", ", pairs.subList((pairs.size() + 1) / 2, pairs.size())),
                v.subList(10, v.size()));
    }

    /** Other pairs across the terminals that give the same plate: those somebody said, else those around the likely one (E9). */
    private static List<Source> damped(Conditions likely, PulseModel model) {
        return model.likelyDamping().isEmpty()
                ? likely.plate().others()
                : Stream.of(model.leastDamping(), model.mostDamping())
                        .flatMap(Optional::stream)
                        .map(likely.plate()::source)
                        .flatMap(Optional::stream)
                        .toList();
    }

    private static String number(double value) {
        return new DecimalFormat("0.##", DecimalFormatSymbols.getInstance(Locale.ROOT)).format(value);
    }

    private static String damping(Source s) {
        return s.bleedOhm().orElse(AS_NONE_OHM) >= AS_NONE_OHM && s.terminalF().isEmpty()
                ? "none"
                : number(s.bleedOhm().orElse(AS_NONE_OHM) / 1000) + " kΩ with "
                        + number(s.terminalF().orElse(0) * 1e9) + " nF";
    }

    private double[] scaled(double factor) {
        return Arrays.stream(middle).map(v -> v * factor).toArray();
    }

    private void add(String name, String likely, String low, String high, List<double[]> tried) {
        moved.add(new Moved(name, likely, low, high, List.copyOf(tried)));
    }

    double lowV(int i) {
        double sum = 0;
        for (Moved m : moved) {
            double down = Math.min(0, m.least(i, middle[i]) - middle[i]);
            sum += down * down;
        }
        return Math.max(0, middle[i] - Math.sqrt(sum));
    }

    double highV(int i) {
        double sum = 0;
        for (Moved m : moved) {
            double up = Math.max(0, m.most(i, middle[i]) - middle[i]);
            sum += up * up;
        }
        return middle[i] + Math.sqrt(sum);
    }

    List<Assumed> assumed(int i) {
        return moved.stream()
                .map(m -> new Assumed(
                        m.name(), m.likely(), m.low(), m.high(), m.least(i, middle[i]), m.most(i, middle[i])))
                .toList();
    }
}
