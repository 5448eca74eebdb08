package buckle.circuit;

import buckle.circuit.Solver.Spot;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;

/** How much more may grow before the weakest point fails. */
record Reserve(OptionalDouble factor, String says) {
    private static final double MOST = 1000;
    private static final int HALVINGS = 9;

    static Reserve of(
            Solver solver,
            Conditions likely,
            Trial trial,
            List<Spot> spots,
            OptionalDouble needV,
            Optional<Double> weakestV) {
        if (needV.isEmpty() || weakestV.isEmpty()) {
            return new Reserve(OptionalDouble.empty(), "No need is known for these animals.");
        }
        double need = needV.getAsDouble();
        if (weakestV.get() < need) {
            return new Reserve(OptionalDouble.empty(), "None: the weakest point is under the need already.");
        }
        double low = 0;
        double high = Math.log(MOST);
        if (holds(solver, likely, trial, spots, need, MOST)) {
            return new Reserve(OptionalDouble.empty(), "Leakage may grow a thousand times and the need is still met.");
        }
        for (int i = 0; i < HALVINGS; i++) {
            double middle = (low + high) / 2;
            if (holds(solver, likely, trial, spots, need, Math.exp(middle))) {
                low = middle;
            } else {
                high = middle;
            }
        }
        double factor = Math.exp(low);
        return new Reserve(
                OptionalDouble.of(factor),
                String.format(
                        Locale.ROOT,
                        "Leakage may grow to %.3g times that of %s before the weakest point falls under the need.",
                        factor,
                        likely.growth().text()));
    }

    private static boolean holds(
            Solver solver, Conditions likely, Trial trial, List<Spot> spots, double need, double factor) {
        return solver.volts(likely.withLeak(factor), trial, spots).weakestV() >= need;
    }
}
