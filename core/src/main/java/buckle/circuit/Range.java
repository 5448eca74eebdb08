package buckle.circuit;

import buckle.circuit.Electrics.Assumed;
import buckle.circuit.Solver.Solved;
import buckle.circuit.Solver.Spot;
import buckle.pulse.Plate;
import buckle.rulebook.Values;
import java.util.ArrayList;
import java.util.List;

/** V13: each assumption moved down and up alone; what that does is added by squares. */
final class Range {
    private final List<Moved> moved = new ArrayList<>();
    private final Solved middle;

    /** Two answers of one assumption; their order does not matter. */
    private record Moved(String name, String likely, String low, String high, Solved one, Solved other) {}

    Range(Solver solver, Conditions likely, Trial trial, List<Spot> spots, Solved middle) {
        this.middle = middle;
        double leak = Values.V13_LEAK_FACTOR;
        double soil = Values.V13_SOIL_FACTOR;
        double plate = Values.V13_PLATE_SHARE;
        double earth = Values.V13_EARTH_FACTOR;
        add(
                "Leakage of growth and insulators",
                likely.growth().text(),
                "a third",
                "three times",
                solver.solve(likely.withLeak(1 / leak), trial, spots),
                solver.solve(likely.withLeak(leak), trial, spots));
        add(
                "Resistivity of the ground under the fence",
                likely.ground().text(),
                "a third",
                "three times",
                solver.solve(likely.withSoil(1 / soil), trial, spots),
                solver.solve(likely.withSoil(soil), trial, spots));
        add(
                "Permeability of steel wire",
                "100",
                "50",
                "200",
                solver.solve(likely.withSteel(Values.V13_STEEL_LOW), trial, spots),
                solver.solve(likely.withSteel(Values.V13_STEEL_HIGH), trial, spots));
        add(
                "Voltages of the plate",
                "as it says",
                "5 % less",
                "5 % more",
                solver.solve(likely.withVolts(1 - plate), trial, spots),
                solver.solve(likely.withVolts(1 + plate), trial, spots));
        add(
                "Resistance of the ground rods",
                "as computed",
                "half",
                "double",
                solver.solve(likely.withEarth(1 / earth), trial, spots),
                solver.solve(likely.withEarth(earth), trial, spots));
        add(
                "Damping across the energizer's terminals",
                "6 kΩ with 0.5 nF",
                "none",
                "2 kΩ with 2 nF",
                solver.solve(likely.with(Plate.Damping.NONE), trial, spots),
                solver.solve(likely.with(Plate.Damping.STRONG), trial, spots));
    }

    private void add(String name, String likely, String low, String high, Solved one, Solved other) {
        moved.add(new Moved(name, likely, low, high, one, other));
    }

    double lowV(int i) {
        double sum = 0;
        for (Moved m : moved) {
            double down = Math.min(0, Math.min(m.one().volts(i), m.other().volts(i)) - middle.volts(i));
            sum += down * down;
        }
        return Math.max(0, middle.volts(i) - Math.sqrt(sum));
    }

    double highV(int i) {
        double sum = 0;
        for (Moved m : moved) {
            double up = Math.max(0, Math.max(m.one().volts(i), m.other().volts(i)) - middle.volts(i));
            sum += up * up;
        }
        return middle.volts(i) + Math.sqrt(sum);
    }

    List<Assumed> assumed(int i) {
        return moved.stream()
                .map(m -> new Assumed(
                        m.name(),
                        m.likely(),
                        m.low(),
                        m.high(),
                        Math.min(m.one().volts(i), m.other().volts(i)),
                        Math.max(m.one().volts(i), m.other().volts(i))))
                .toList();
    }
}
