package buckle.pulse;

import java.util.OptionalDouble;

/**
 * What sits across an energizer's terminals and damps the ringing of light fences; no plate says it.
 *
 * @param bleedOhm infinite for none
 */
public record Damping(double bleedOhm, double terminalF) {
    public static final Damping NONE = new Damping(Double.POSITIVE_INFINITY, 0);

    public Damping {
        Strand.require(bleedOhm > 0, "a resistance across the terminals is above 0 Ω");
        Strand.require(terminalF >= 0, "a capacitance across the terminals is not under 0 F");
    }

    /** The resistance together with a load beside it. */
    double beside(double ohm) {
        return Double.isInfinite(bleedOhm) ? ohm : ohm * bleedOhm / (ohm + bleedOhm);
    }

    OptionalDouble bleed() {
        return Double.isInfinite(bleedOhm) ? OptionalDouble.empty() : OptionalDouble.of(bleedOhm);
    }

    OptionalDouble terminal() {
        return terminalF == 0 ? OptionalDouble.empty() : OptionalDouble.of(terminalF);
    }
}
