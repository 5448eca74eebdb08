package buckle.spec;

import static buckle.spec.Ranges.between;

import buckle.pulse.Damping;
import buckle.rulebook.Values;

/**
 * What the pulse depends on and no plate and no map tells (V13): to be assumed with its range until readings of the healthy fence
 * narrow it.
 *
 * @param steelMuR relative permeability of steel wire
 * @param bleedOhm resistance across the energizer's terminals; 10 MΩ is as good as none
 * @param terminalNf capacitance across the energizer's terminals, in nanofarad
 */
public record PulseModel(Spread steelMuR, Spread bleedOhm, Spread terminalNf) {
    public static final PulseModel USUAL = new PulseModel(
            new Spread(Values.V13_STEEL_LOW, Values.V13_STEEL, Values.V13_STEEL_HIGH),
            new Spread(Values.V13_BLEED_LOW_OHM, Values.V13_BLEED_OHM, Values.V13_BLEED_HIGH_OHM),
            new Spread(0, Values.V13_TERMINAL_NF, Values.V13_TERMINAL_HIGH_NF));

    /** From low over likely to high. */
    public record Spread(double low, double likely, double high) {
        public Spread {
            if (!(low <= likely && likely <= high)) {
                throw new IllegalArgumentException(
                        "a spread goes from low over likely to high, not " + low + ", " + likely + ", " + high);
            }
        }
    }

    public PulseModel {
        within("power.model.steelMuR", steelMuR, 1, 5000);
        within("power.model.bleedOhm", bleedOhm, 100, 1e9);
        within("power.model.terminalNf", terminalNf, 0, 50);
    }

    private static void within(String name, Spread spread, double least, double most) {
        between(name + ".low", spread.low(), least, most);
        between(name + ".likely", spread.likely(), least, most);
        between(name + ".high", spread.high(), least, most);
    }

    public Damping likelyDamping() {
        return new Damping(bleedOhm.likely(), farad(terminalNf.likely()));
    }

    /** Least damping: the highest resistance, the smallest capacitance. */
    public Damping leastDamping() {
        return new Damping(bleedOhm.high(), farad(terminalNf.low()));
    }

    public Damping mostDamping() {
        return new Damping(bleedOhm.low(), farad(terminalNf.high()));
    }

    private static double farad(double nanofarad) {
        return nanofarad * 1e-9;
    }
}
