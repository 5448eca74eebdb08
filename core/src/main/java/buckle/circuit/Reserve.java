package buckle.circuit;

import buckle.circuit.Solver.Spot;
import buckle.message.CircuitMessage;
import buckle.message.CircuitMessage.NoReserve;
import buckle.message.Message;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** How much more may grow before the weakest point fails. */
record Reserve(OptionalDouble factor, Message says) {
    /** While only the curve is worked out. */
    static final Reserve NOT_ASKED = none(NoReserve.NOT_ASKED);

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
            return none(NoReserve.NO_NEED);
        }
        double need = needV.getAsDouble();
        if (weakestV.get() < need) {
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
        return new Reserve(OptionalDouble.of(factor), new CircuitMessage.ReserveFactor(factor, likely.growth()));
    }

    private static Reserve none(NoReserve why) {
        return new Reserve(OptionalDouble.empty(), new CircuitMessage.ReserveNone(why));
    }

    private static boolean holds(
            Solver solver, Conditions likely, Trial trial, List<Spot> spots, double need, double factor) {
        return solver.volts(likely.withLeakFactor(factor), trial, spots).weakestV() >= need;
    }
}
