package buckle.pulse;

import buckle.rulebook.Values;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * What the data plate of an energizer says. "Miles" are not on it: they say nothing. One of the two energies is enough.
 *
 * @param storedJ energy in the capacitor
 * @param out500J energy a pulse leaves in 500 ohm
 * @param openV peak at the terminals with nothing connected, ringing included
 * @param v500 peak at 500 ohm
 * @param v100 peak at 100 ohm: a check when both energies are given, else it tells the other one
 * @param price as asked, in whatever money the job is reckoned in
 */
public record EnergizerRating(
        String name,
        OptionalDouble storedJ,
        OptionalDouble out500J,
        double openV,
        double v500,
        OptionalDouble v100,
        double perMinute,
        Draw draw,
        OptionalDouble price) {
    /** The load that plates speak of. Source: IEC 60335-2-76, from memory. */
    public static final double REFERENCE_OHM = 500;

    /** How far a voltage at 100 ohm may lie from what the rest of the plate gives; ours. */
    private static final double AGREES = 0.05;

    /** Mean watts a plate says it takes in full and in slow mode; what it does not say is reckoned (E1). */
    public record Draw(OptionalDouble fullW, OptionalDouble slowW) {
        public static final Draw NOT_SAID = new Draw(OptionalDouble.empty(), OptionalDouble.empty());

        public Draw {
            LineWire.require(within(fullW) && within(slowW), "a draw is above 0 and up to 500 W");
            LineWire.require(
                    fullW.isEmpty() || slowW.orElse(0) <= fullW.getAsDouble(),
                    "the slow mode draws no more than the full one");
        }

        private static boolean within(OptionalDouble watts) {
            return watts.isEmpty() || watts.getAsDouble() > 0 && watts.getAsDouble() <= 500;
        }
    }

    /** How an energy that the plate does not give was found. */
    public enum Found {
        /** It gives both. */
        GIVEN,
        /** From the voltage at 100 ohm. */
        FROM_100,
        /** By the share that usually comes out. */
        USUAL_SHARE
    }

    /** Both energies, and how the one that the plate does not give was found. */
    public record Energy(double storedJ, double outJ, Found found) {}

    public EnergizerRating {
        LineWire.require(
                storedJ.isPresent() || out500J.isPresent(), "a plate gives the energy stored or the one into 500 Ω");
        LineWire.require(joules(storedJ), "stored energy of " + text(storedJ) + " J is not between 0 and 200 J");
        LineWire.require(joules(out500J), "output of " + text(out500J) + " J is not between 0 and 200 J");
        LineWire.require(openV >= 500 && openV <= 30_000, "open voltage " + openV + " V is not between 0.5 and 30 kV");
        LineWire.require(v500 > 0 && v500 <= 30_000, "voltage at 500 Ω of " + v500 + " V is not between 0 and 30 kV");
        LineWire.require(
                v100.orElse(1) > 0 && v100.orElse(1) <= 30_000,
                "voltage at 100 Ω of " + text(v100) + " V is not between 0 and 30 kV");
        LineWire.require(perMinute > 0 && perMinute <= 120, perMinute + " pulses a minute are not between 0 and 120");
        LineWire.require(
                price.orElse(0) >= 0 && price.orElse(0) <= 1e6,
                "a price of " + text(price) + " is not from 0 to 1,000,000");
    }

    /** With both energies and nothing else that is not needed. */
    public static EnergizerRating of(
            String name, double storedJ, double out500J, double openV, double v500, double perMinute) {
        return new EnergizerRating(
                name,
                OptionalDouble.of(storedJ),
                OptionalDouble.of(out500J),
                openV,
                v500,
                OptionalDouble.empty(),
                perMinute,
                Draw.NOT_SAID,
                OptionalDouble.empty());
    }

    private static boolean joules(OptionalDouble value) {
        return value.isEmpty() || value.getAsDouble() > 0 && value.getAsDouble() <= 200;
    }

    private static String text(OptionalDouble value) {
        return value.isPresent() ? Double.toString(value.getAsDouble()) : "nothing";
    }

    /** E8: both energies; the one that is missing from the voltage at 100 ohm, or by the usual share. */
    public Energy energy() {
        if (storedJ.isPresent() && out500J.isPresent()) {
            return new Energy(storedJ.getAsDouble(), out500J.getAsDouble(), Found.GIVEN);
        }
        RatingFit fit = RatingFit.of(this);
        boolean by100 = v100.isPresent() && fit.likely().isPresent() && fit.with100();
        return by100
                ? new Energy(
                        storedJ.orElseGet(() -> fit.likely().orElseThrow().storedJ()),
                        out500J.orElseGet(() ->
                                new RlcDischarge(fit.likely().orElseThrow(), REFERENCE_OHM).energyJ(REFERENCE_OHM)),
                        Found.FROM_100)
                : shared(Values.E8_OUT_SHARE);
    }

    private Energy shared(double share) {
        return storedJ.isPresent()
                ? new Energy(storedJ.getAsDouble(), share * storedJ.getAsDouble(), Found.USUAL_SHARE)
                : new Energy(out500J.getAsDouble() / share, out500J.getAsDouble(), Found.USUAL_SHARE);
    }

    /** Why no energizer can be like this; empty when one can. */
    public Optional<RatingDoubt> contradiction() {
        if (v500 >= openV) {
            return Optional.of(new RatingDoubt.MoreUnderLoad(v500, openV));
        }
        boolean both = storedJ.isPresent() && out500J.isPresent();
        if (both && out500J.getAsDouble() >= storedJ.getAsDouble()) {
            return Optional.of(new RatingDoubt.MoreOutThanStored(out500J.getAsDouble(), storedJ.getAsDouble()));
        }
        return RatingFit.of(this).likely().isPresent()
                ? Optional.empty()
                : Optional.of(new RatingDoubt.NothingGivesIt(
                        both ? storedJ : OptionalDouble.empty(), both ? out500J : OptionalDouble.empty(), openV, v500));
    }

    /** Where a given voltage at 100 ohm and the rest of the plate part by more than they should; one of them is off. */
    public Optional<RatingDoubt> doubt() {
        if (v100.isEmpty() || contradiction().isPresent() || RatingFit.of(this).with100()) {
            return Optional.empty();
        }
        double fitted = peakAt100V();
        return Math.abs(v100.getAsDouble() / fitted - 1) <= AGREES
                ? Optional.empty()
                : Optional.of(new RatingDoubt.OffAt100(v100.getAsDouble(), fitted));
    }

    /** What gives this plate, seen from its terminals: the likely one of all that do (E9). */
    public Source source() {
        return RatingFit.of(this)
                .likely()
                .orElseThrow(() -> new IllegalArgumentException("the plate fits nothing: " + contradiction()));
    }

    /** The same with a damping that somebody says; empty when the plate leaves no room for it. */
    public Optional<Source> source(Damping damping) {
        return RatingFit.with(this, damping);
    }

    /** Others that give this plate as well, with more and less across the terminals. */
    public List<Source> others() {
        return RatingFit.of(this).around();
    }

    /** Peak at 100 ohm as the likely source would give it. */
    public double peakAt100V() {
        return new RlcDischarge(source(), 100).peakV();
    }
}
