package buckle.pulse;

import java.util.OptionalDouble;

/**
 * An energizer seen from its terminals: a capacitor, charged, behind a coil and a resistance.
 *
 * @param bleedOhm resistance across the terminals that damps
 * @param terminalF capacitance across the terminals
 */
public record Source(
        double chargedV, double faradF, double henryH, double ohm, OptionalDouble bleedOhm, OptionalDouble terminalF) {
    public Source {
        LineWire.require(
                chargedV > 0 && chargedV <= 100_000, "charge of " + chargedV + " V is not between 0 and 100,000 V");
        LineWire.require(faradF > 0 && faradF < 1, "capacitance " + faradF + " F is not above 0 and under 1 F");
        LineWire.require(henryH >= 0 && henryH < 10, "inductance " + henryH + " H is not between 0 and 10 H");
        LineWire.require(ohm > 0 && ohm < 1e6, "inner resistance " + ohm + " Ω is not above 0 and under 1 MΩ");
        LineWire.require(bleedOhm.orElse(1) > 0, "a resistance across the terminals is above 0 Ω");
        LineWire.require(terminalF.orElse(1) > 0, "a capacitance across the terminals is above 0 F");
    }

    /** With what is in it so many times as large; what is not across its terminals stays away. */
    public Source times(double volts, double farad, double henry, double inner, double bleed, double terminal) {
        return new Source(
                chargedV * volts,
                faradF * farad,
                henryH * henry,
                ohm * inner,
                times(bleedOhm, bleed),
                times(terminalF, terminal));
    }

    private static OptionalDouble times(OptionalDouble value, double factor) {
        return value.isPresent() ? OptionalDouble.of(value.getAsDouble() * factor) : value;
    }

    /** ½ C V². */
    public double storedJ() {
        return faradF * chargedV * chargedV / 2;
    }
}
