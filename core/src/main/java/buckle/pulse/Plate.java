package buckle.pulse;

import buckle.rulebook.Values;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.DoubleFunction;
import org.hipparchus.analysis.solvers.BracketingNthOrderBrentSolver;

/**
 * What the data plate of an energizer says. "Miles" are not on it: they say nothing. One of the two energies is enough.
 *
 * @param storedJ energy in the capacitor
 * @param out500J energy a pulse leaves in 500 ohm
 * @param openV peak without load
 * @param v500 peak at 500 ohm
 * @param v100 peak at 100 ohm: a check when both energies are given, else it tells the other one
 * @param price as asked, in whatever money the job is reckoned in
 */
public record Plate(
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
    private static final double AGREES = 0.15;

    private static final double LEAST_LOST = 0.02;

    /** Mean watts a plate says it takes in full and in slow mode; what it does not say is reckoned (E1). */
    public record Draw(OptionalDouble fullW, OptionalDouble slowW) {
        public static final Draw NOT_SAID = new Draw(OptionalDouble.empty(), OptionalDouble.empty());

        public Draw {
            Strand.require(within(fullW) && within(slowW), "a draw is above 0 and up to 500 W");
            Strand.require(
                    fullW.isEmpty() || slowW.orElse(0) <= fullW.getAsDouble(),
                    "the slow mode draws no more than the full one");
        }

        private static boolean within(OptionalDouble watts) {
            return watts.isEmpty() || watts.getAsDouble() > 0 && watts.getAsDouble() <= 500;
        }
    }

    /**
     * Both energies.
     *
     * @param how the one that the plate does not give was found; empty when it gives both
     */
    public record Energy(double storedJ, double outJ, String how) {}

    public Plate {
        Strand.require(
                storedJ.isPresent() || out500J.isPresent(), "a plate gives the energy stored or the one into 500 Ω");
        Strand.require(joules(storedJ), "stored energy of " + text(storedJ) + " J is not between 0 and 200 J");
        Strand.require(joules(out500J), "output of " + text(out500J) + " J is not between 0 and 200 J");
        Strand.require(openV >= 500 && openV <= 30_000, "open voltage " + openV + " V is not between 0.5 and 30 kV");
        Strand.require(v500 > 0 && v500 <= 30_000, "voltage at 500 Ω of " + v500 + " V is not between 0 and 30 kV");
        Strand.require(
                v100.orElse(1) > 0 && v100.orElse(1) <= 30_000,
                "voltage at 100 Ω of " + text(v100) + " V is not between 0 and 30 kV");
        Strand.require(perMinute > 0 && perMinute <= 120, perMinute + " pulses a minute are not between 0 and 120");
        Strand.require(
                price.orElse(0) >= 0 && price.orElse(0) <= 1e6,
                "a price of " + text(price) + " is not from 0 to 1,000,000");
    }

    /** With both energies and nothing else that is not needed. */
    public static Plate of(String name, double storedJ, double out500J, double openV, double v500, double perMinute) {
        return new Plate(
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
            return new Energy(storedJ.getAsDouble(), out500J.getAsDouble(), "");
        }
        OptionalDouble by100 = shareBy100();
        double least = leastShare();
        double usual = Values.E8_OUT_SHARE > least ? Values.E8_OUT_SHARE : (1 + Math.min(1, least)) / 2;
        Energy found = shared(by100.orElse(usual));
        String what = storedJ.isPresent()
                ? String.format(Locale.ROOT, "%.3g J into 500 Ω", found.outJ())
                : String.format(Locale.ROOT, "%.3g J stored", found.storedJ());
        return new Energy(
                found.storedJ(),
                found.outJ(),
                "The plate gives one energy; " + what + " are reckoned "
                        + (by100.isPresent()
                                ? "from its voltage at 100 Ω."
                                : "as usual, " + Math.round(100 * usual) + " % of what is stored come out."));
    }

    private Energy shared(double share) {
        return storedJ.isPresent()
                ? new Energy(storedJ.getAsDouble(), share * storedJ.getAsDouble(), "")
                : new Energy(out500J.getAsDouble() / share, out500J.getAsDouble(), "");
    }

    /** Less than this share would leave too little voltage at 500 ohm. */
    private double leastShare() {
        return v500 / (SourceFit.REACHED * openV);
    }

    /** Share of the stored energy that comes out, by which the plate's voltage at 100 ohm comes about; empty if none does. */
    private OptionalDouble shareBy100() {
        double low = leastShare() + LEAST_LOST / 2;
        double high = 1 - LEAST_LOST;
        if (v100.isEmpty() || low >= high) {
            return OptionalDouble.empty();
        }
        DoubleFunction<SourceFit> at = share -> fit(shared(share));
        boolean possible = at.apply(low).contradiction().isEmpty()
                && at.apply(high).contradiction().isEmpty();
        if (!possible) {
            return OptionalDouble.empty();
        }
        double atLow = at.apply(low).peakAt100V() - v100.getAsDouble();
        double atHigh = at.apply(high).peakAt100V() - v100.getAsDouble();
        if (atLow * atHigh > 0) {
            return OptionalDouble.empty();
        }
        return OptionalDouble.of(new BracketingNthOrderBrentSolver(1e-7, 5)
                .solve(200, share -> at.apply(share).peakAt100V() - v100.getAsDouble(), low, high));
    }

    private SourceFit fit(Energy energy) {
        return new SourceFit(energy.storedJ(), energy.outJ(), openV, v500);
    }

    /** Why no energizer can be like this; empty when one can. */
    public Optional<String> contradiction() {
        if (v500 >= openV) {
            return Optional.of("The plate gives more voltage under load (" + Math.round(v500) + " V) than open ("
                    + Math.round(openV) + " V).");
        }
        return fit(energy()).contradiction();
    }

    /** Where a given voltage at 100 ohm and the rest of the plate part by more than they should; one of them is off. */
    public Optional<String> doubt() {
        if (v100.isEmpty() || contradiction().isPresent()) {
            return Optional.empty();
        }
        double fitted = peakAt100V();
        return Math.abs(v100.getAsDouble() / fitted - 1) <= AGREES
                ? Optional.empty()
                : Optional.of("The plate says " + Math.round(v100.getAsDouble())
                        + " V at 100 Ω; from its other numbers " + Math.round(fitted)
                        + " V would stand there. Short or overgrown fences are reckoned by those.");
    }

    /** What gives this plate, seen from its terminals. */
    public Source source(Damping damping) {
        contradiction().ifPresent(why -> {
            throw new IllegalArgumentException(why);
        });
        return fit(energy()).source(damping);
    }

    /** Peak at 100 ohm as the fitted source would give it. */
    public double peakAt100V() {
        return fit(energy()).peakAt100V();
    }
}
