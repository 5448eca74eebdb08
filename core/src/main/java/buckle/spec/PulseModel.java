package buckle.spec;

import static buckle.spec.Ranges.between;

import buckle.pulse.Damping;
import buckle.rulebook.Values;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.ToDoubleFunction;

/**
 * What the pulse depends on and no plate and no map tells (V13): to be assumed with its range until readings of the healthy fence
 * narrow it. What lies across the energizer's terminals is found from its plate (E9), unless somebody says it here.
 *
 * @param steelMuR relative permeability of steel wire
 * @param bleedOhm resistance across the energizer's terminals; 10 MΩ is as good as none
 * @param terminalNf capacitance across the energizer's terminals, in nanofarad
 */
public record PulseModel(Spread steelMuR, Optional<Spread> bleedOhm, Optional<Spread> terminalNf) {
    public static final PulseModel USUAL = new PulseModel(
            new Spread(Values.V13_STEEL_LOW, Values.V13_STEEL, Values.V13_STEEL_HIGH),
            Optional.empty(),
            Optional.empty());

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
        within("circumstances.model.steelMuR", steelMuR, 1, 5000);
        bleedOhm.ifPresent(spread -> within("circumstances.model.bleedOhm", spread, 100, 1e9));
        terminalNf.ifPresent(spread -> within("circumstances.model.terminalNf", spread, 0, 500));
    }

    private static void within(String name, Spread spread, double least, double most) {
        between(name + ".low", spread.low(), least, most);
        between(name + ".likely", spread.likely(), least, most);
        between(name + ".high", spread.high(), least, most);
    }

    /** Empty when the plate decides. */
    public Optional<Damping> likelyDamping() {
        return damping(Spread::likely, Spread::likely);
    }

    /** Least damping: the highest resistance, the smallest capacitance. */
    public Optional<Damping> leastDamping() {
        return damping(Spread::high, Spread::low);
    }

    /** The strongest damping of its range, when it is said. */
    public Optional<Damping> mostDamping() {
        return damping(Spread::low, Spread::high);
    }

    /** Of the two, what is not said is as usual. */
    private Optional<Damping> damping(ToDoubleFunction<Spread> bleed, ToDoubleFunction<Spread> terminal) {
        if (bleedOhm.isEmpty() && terminalNf.isEmpty()) {
            return Optional.empty();
        }
        double ohm = bleedOhm.map(bleed::applyAsDouble).orElse(Damping.USUAL.bleedOhm());
        return Optional.of(terminalNf
                .map(t -> new Damping(ohm, terminal.applyAsDouble(t) * 1e-9))
                .orElse(new Damping(ohm, OptionalDouble.empty(), Damping.USUAL.terminalShare())));
    }
}
