package buckle.circuit;

import buckle.message.CircuitMessage.Assumed;
import buckle.message.CircuitMessage.Setting;
import buckle.pulse.Supply;
import buckle.rulebook.Rule;
import java.util.List;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;

/**
 * Something that is assumed of a fence: where it likely lies, and where it may lie.
 *
 * @param source rule that gives the likely value and its range
 * @param lows settings below the likely one; {@code highs} those above; empty where no other fits
 */
record Assumption(
        Assumed id, Rule source, Setting likely, Setting low, Setting high, List<Move> lows, List<Move> highs) {
    Assumption {
        lows = List.copyOf(lows);
        highs = List.copyOf(highs);
    }

    /** Moved from low to high. */
    Stream<Move> moves() {
        return Stream.concat(lows.stream(), highs.stream());
    }

    /** One assumption moved alone. */
    sealed interface Move {
        /** What lies in the fence: it takes a solution of its own. */
        record InFence(UnaryOperator<Conditions> apply) implements Move {}

        /** What feeds the fence: all such moves share one solution. */
        record AtTerminals(UnaryOperator<Supply> apply) implements Move {}

        /** What every voltage follows. */
        record Scale(double factor) implements Move {}

        /** A drift along the fence: the logarithm of a factor a kilometre from the energizer. */
        record Along(double log) implements Move {}
    }

    static Move inFence(UnaryOperator<Conditions> apply) {
        return new Move.InFence(apply);
    }

    static Move atTerminals(UnaryOperator<Supply> apply) {
        return new Move.AtTerminals(apply);
    }
}
