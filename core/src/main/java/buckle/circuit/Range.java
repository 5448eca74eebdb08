package buckle.circuit;

import buckle.circuit.Electrics.Assumed;
import buckle.circuit.Solver.Solved;
import buckle.circuit.Solver.Spot;
import buckle.pulse.Damping;
import buckle.pulse.Supply;
import buckle.rulebook.Values;
import buckle.spec.PulseModel;
import java.text.DecimalFormat;
import java.text.DecimalFormatSymbols;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;

/**
 * V13: each assumption moved down and up alone; what that does is added by squares. What lies in the fence takes a solution of
 * its own for each move; what lies in energizer and rods shares one; the plate's voltages only scale.
 */
final class Range {
    private static final double AS_NONE_OHM = 1e6;

    private final double[] middle;
    private final List<Moved> moved = new ArrayList<>();

    /** Volts at the spots under two moves of one assumption; their order does not matter. */
    private record Moved(String name, String likely, String low, String high, double[] one, double[] other) {}

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
        List<double[]> v = Stream.of(
                        new Fed(likely.withLeak(1 / leak), alone),
                        new Fed(likely.withLeak(leak), alone),
                        new Fed(likely.withSoil(1 / soil), alone),
                        new Fed(likely.withSoil(soil), alone),
                        new Fed(likely.withSteel(model.steelMuR().low()), alone),
                        new Fed(likely.withSteel(model.steelMuR().high()), alone),
                        new Fed(likely.withWire(-1), alone),
                        new Fed(likely.withWire(1), alone),
                        new Fed(
                                likely,
                                List.of(
                                        new Supply(own.source(), own.earthOhm() / earth),
                                        new Supply(own.source(), own.earthOhm() * earth),
                                        new Supply(likely.plate().source(model.leastDamping()), own.earthOhm()),
                                        new Supply(likely.plate().source(model.mostDamping()), own.earthOhm()))))
                .parallel()
                .flatMap(f -> Arrays.stream(Solver.peaks(solver.fence(f.fence(), trial), spots, f.by())))
                .toList();
        add("Leakage of growth and insulators", likely.growth().text(), "a third", "three times", v.get(0), v.get(1));
        add(
                "Resistivity of the ground under the fence",
                likely.ground().text(),
                "a third",
                "three times",
                v.get(2),
                v.get(3));
        add(
                "Permeability of steel wire",
                number(likely.steelMuR()),
                number(model.steelMuR().low()),
                number(model.steelMuR().high()),
                v.get(4),
                v.get(5));
        add(
                "Resistance of the conductors and their joints",
                "as made",
                "a tenth less; woven half",
                "a tenth more; woven double",
                v.get(6),
                v.get(7));
        add("Voltages of the plate", "as it says", "5 % less", "5 % more", scaled(1 - plate), scaled(1 + plate));
        add("Resistance of the ground rods", "as computed", "half", "double", v.get(8), v.get(9));
        add(
                "Damping across the energizer's terminals",
                damping(likely.damping()),
                damping(model.leastDamping()),
                damping(model.mostDamping()),
                v.get(10),
                v.get(11));
    }

    private static String number(double value) {
        return new DecimalFormat("0.###", DecimalFormatSymbols.getInstance(Locale.ROOT)).format(value);
    }

    private static String damping(Damping d) {
        return d.bleedOhm() >= AS_NONE_OHM && d.terminalF() == 0
                ? "none"
                : number(d.bleedOhm() / 1000) + " kΩ with " + number(d.terminalF() * 1e9) + " nF";
    }

    private double[] scaled(double factor) {
        return Arrays.stream(middle).map(v -> v * factor).toArray();
    }

    private void add(String name, String likely, String low, String high, double[] one, double[] other) {
        moved.add(new Moved(name, likely, low, high, one, other));
    }

    double lowV(int i) {
        double sum = 0;
        for (Moved m : moved) {
            double down = Math.min(0, Math.min(m.one()[i], m.other()[i]) - middle[i]);
            sum += down * down;
        }
        return Math.max(0, middle[i] - Math.sqrt(sum));
    }

    double highV(int i) {
        double sum = 0;
        for (Moved m : moved) {
            double up = Math.max(0, Math.max(m.one()[i], m.other()[i]) - middle[i]);
            sum += up * up;
        }
        return middle[i] + Math.sqrt(sum);
    }

    List<Assumed> assumed(int i) {
        return moved.stream()
                .map(m -> new Assumed(
                        m.name(),
                        m.likely(),
                        m.low(),
                        m.high(),
                        Math.min(m.one()[i], m.other()[i]),
                        Math.max(m.one()[i], m.other()[i])))
                .toList();
    }
}
