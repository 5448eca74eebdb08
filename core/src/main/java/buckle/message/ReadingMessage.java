package buckle.message;

import buckle.rulebook.Rule;
import buckle.spec.Animal;
import java.util.List;
import java.util.OptionalDouble;
import java.util.OptionalInt;

/** How readings stand against what the animals need. */
public sealed interface ReadingMessage extends Message {
    /** What the animals need, and the rules that say so; empty when no voltage is known. */
    record Need(List<Animal> animals, OptionalDouble needV, List<Rule> rules, OptionalDouble warnV)
            implements ReadingMessage {}

    /** Nobody read there. */
    record NotRead() implements ReadingMessage {}

    /** Read where the test point no longer is. */
    record ReadElsewhere(double awayM) implements ReadingMessage {}

    /** No need to hold it against. */
    record NoNeed(List<Animal> animals) implements ReadingMessage {}

    /** On a feeder, which needs nothing. */
    record Feeds(double peakV) implements ReadingMessage {}

    /** The meter could show no more, and that is under the need. */
    record OverRange(double peakV, double needV) implements ReadingMessage {}

    /** Each hot wire must hold by itself. */
    record WiresNotRead(List<Integer> wires) implements ReadingMessage {}

    /** Met, under the need, or far under it. */
    enum Against {
        MET,
        WARN,
        BROKEN
    }

    /** A voltage against the need. */
    record Held(boolean atLeast, double peakV, Against how, double needV, double warnV) implements ReadingMessage {}

    /** @param wire its number; empty for all together */
    record Unpowered(OptionalInt wire, double peakV, boolean leaks, boolean hotNotRead) implements ReadingMessage {}

    /** What the hot wires hold, and that an unpowered one has a part of it. */
    record WithLeak(Message held, Unpowered leak) implements ReadingMessage {}

    /** A section without a test point. */
    record NoTestPoint() implements ReadingMessage {}

    /** Test points that do not tell. */
    record PointsDoNotTell(long open, long all) implements ReadingMessage {}
}
