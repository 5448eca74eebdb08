package buckle.circuit;

import buckle.circuit.Electrics.Reserve;
import buckle.circuit.Solver.Spot;
import buckle.message.CircuitMessage;
import buckle.message.CircuitMessage.NoReserve;
import java.util.List;
import java.util.OptionalDouble;

/** Finds how much more may grow before the weakest point fails. */
final class ReserveSearch {
    private ReserveSearch() {}

    private static final double MOST = 1000;
    private static final int HALVINGS = 9;

    static Reserve of(
            Solver solver,
            Conditions likely,
            Trial trial,
            List<Spot> spots,
            OptionalDouble needV,
            OptionalDouble weakestV) {
        if (needV.isEmpty() || weakestV.isEmpty()) {
            return none(NoReserve.NO_NEED);
        }
        double need = needV.getAsDouble();
        if (weakestV.getAsDouble() < need) {
            return none(NoReserve.UNDER_NEED);
        }
        double low = 0;
        double high = Math.log(MOST);
        if (holds(solver, likely, trial, spots, need, MOST)) {
            return none(NoReserve.ENDLESS);
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
                new CircuitMessage.ReserveFactor(
                        factor,
                        likely.growth(),
                        solver.circumstances.yardstick().isPresent()));
    }

    private static Reserve none(NoReserve why) {
        return new Reserve(OptionalDouble.empty(), new CircuitMessage.ReserveNone(why));
    }

    private static boolean holds(
            Solver solver, Conditions likely, Trial trial, List<Spot> spots, double need, double factor) {
        return solver.volts(likely.withLeakFactor(factor), trial, spots).weakestV() >= need;
    }
}
