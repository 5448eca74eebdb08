package buckle.message;

import buckle.site.GateKind;
import buckle.spec.Growth;
import java.util.OptionalDouble;

/** What is said on the way from a built fence to one that is handed over. */
public sealed interface CommissionMessage extends Message {
    // ---------------------------------------------------------------- the list before power

    /** A point to look at. */
    sealed interface ToCheck extends CommissionMessage {}

    /** Nobody, and no animal, is at the fence. */
    record NobodyNear() implements ToCheck {}

    /** Nothing lies on the wires of a line. */
    record WiresClear(String line, double lengthM) implements ToCheck {}

    /** No hot wire near barbed wire or a diagonal. */
    record HotWiresApart(String line, int braces) implements ToCheck {}

    /** Joints, clamps and jumpers. */
    record JointsTight(String line, int joints) implements ToCheck {}

    /** A gate. */
    record GateRight(String name, GateKind kind) implements ToCheck {}

    /** Cable under a gate; both ends are told apart by continuity. */
    record CableWhole(String name, boolean leadOut) implements ToCheck {}

    /** A cut-out. */
    record SwitchClosed(String name) implements ToCheck {}

    /** Ground rods. */
    record RodsClamped(int rods) implements ToCheck {}

    /** Warning signs. */
    record SignsUp(int signs) implements ToCheck {}

    /** The order of connecting. */
    record ConnectedInOrder(boolean mains) implements ToCheck {}

    // ---------------------------------------------------------------- the round

    /** What stands against a prediction. */
    enum Agrees {
        AS_PREDICTED,
        LOWER,
        MUCH_LOWER,
        HIGHER,
        MUCH_HIGHER
    }

    /** A reading beside its prediction; of an open range the reading is at least so much. */
    record Predicted(double read, double likely, double low, double high, Agrees how, boolean current)
            implements CommissionMessage {}

    /** An unpowered wire by itself. */
    record UnpoweredIs(int wire, double peakV, double leakV, OptionalDouble hotV) implements CommissionMessage {}

    /** The earth test. */
    record EarthTested(double peakV, double goodV, double mostV, OptionalDouble fenceV, double shortV)
            implements CommissionMessage {}

    /** A battery at rest. */
    record BatteryIs(double batteryV, double fullV, double halfV) implements CommissionMessage {}

    /** Why there is no prediction. */
    enum NotPredicted implements CommissionMessage {
        NOT_FED,
        OVER_RANGE
    }

    // ---------------------------------------------------------------- the yardstick

    /** What a plan cannot know. */
    enum Found implements CommissionMessage {
        LEAKAGE,
        EARTH,
        SUPPLY,
        SOIL,
        STEEL,
        FAR_END
    }

    /** As planned. */
    record Before(Found what, String as) implements CommissionMessage {}

    /** As found, with one standard deviation either way. */
    record After(Found what, double factor, double low, double high) implements CommissionMessage {}

    /** The earth rods together; one number when all three are the same. */
    record Ohms(double ohm, double lowOhm, double highOhm) implements CommissionMessage {}

    /** All in a sentence. */
    record LeaksLike(Growth growth, double factor, double low, double high) implements CommissionMessage {}

    /** No reading could be used. */
    record NothingToFit() implements CommissionMessage {}

    /** A reading that fits nothing physical; {@code aboveFeed}: it is higher than what feeds it. */
    record FitsNothing(double read, double likely, boolean volts, boolean aboveFeed) implements CommissionMessage {}

    // ---------------------------------------------------------------- the certificate

    /** What the owner does. */
    enum OwnerDoes implements CommissionMessage {
        METER,
        SWITCHES,
        GROWTH,
        AFTER_STORM,
        EARTH,
        BATTERY,
        OFF_BEFORE_WORK
    }
}
