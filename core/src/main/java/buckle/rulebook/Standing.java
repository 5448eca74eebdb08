package buckle.rulebook;

import java.util.OptionalDouble;

/** How a reading, a test point, a section or a predicted pulse stands against what the animal needs (V10). */
public enum Standing {
    /** Holds what the animal needs. */
    MET,
    /** Between 85 % of the need and the need. */
    WARN,
    /** Below 85 % of the need. */
    BROKEN,
    /** Cannot be told: not read, the meter cannot tell, or no need is known. */
    OPEN;

    /** How a voltage stands against a need. */
    public static Standing of(double volts, double needV) {
        if (volts >= needV) {
            return MET;
        }
        return volts >= Values.V10_WARN_SHARE * needV ? WARN : BROKEN;
    }

    /** How a voltage stands against a need that may not be known. */
    public static Standing of(double volts, OptionalDouble needV) {
        return needV.isEmpty() ? OPEN : of(volts, needV.getAsDouble());
    }
}
