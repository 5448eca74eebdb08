package buckle.pulse;

import java.util.Optional;
import java.util.OptionalDouble;
import org.hipparchus.analysis.solvers.BracketingNthOrderBrentSolver;

/**
 * What the data plate of an energizer says. "Miles" are not on it: they say nothing.
 *
 * @param storedJ energy in the capacitor
 * @param out500J energy a pulse leaves in 500 ohm
 * @param openV peak without load
 * @param v500 peak at 500 ohm
 * @param v100 peak at 100 ohm, a check when given
 * @param price as asked, in whatever money the job is reckoned in
 */
public record Plate(
        String name,
        double storedJ,
        double out500J,
        double openV,
        double v500,
        OptionalDouble v100,
        double perMinute,
        OptionalDouble price) {
    /** The load that plates speak of. Source: IEC 60335-2-76, from memory. */
    public static final double REFERENCE_OHM = 500;

    private static final double LEAST_HENRY = 1e-9;
    private static final double MOST_HENRY = 5;
    /** Share of what could stand at 500 ohm without a coil that a plate may say. */
    private static final double REACHED = 0.995;
    /** How far a voltage at 100 ohm may lie from what the rest of the plate gives; ours. */
    private static final double AGREES = 0.15;

    public Plate {
        Strand.require(storedJ > 0 && storedJ <= 200, "stored energy of " + storedJ + " J is not between 0 and 200 J");
        Strand.require(out500J > 0 && out500J <= 200, "output of " + out500J + " J is not between 0 and 200 J");
        Strand.require(openV >= 500 && openV <= 30_000, "open voltage " + openV + " V is not between 0.5 and 30 kV");
        Strand.require(v500 > 0 && v500 <= 30_000, "voltage at 500 Ω of " + v500 + " V is not between 0 and 30 kV");
        Strand.require(perMinute > 0 && perMinute <= 120, perMinute + " pulses a minute are not between 0 and 120");
        Strand.require(
                price.orElse(0) >= 0 && price.orElse(0) <= 1e6, "a price of " + price + " is not from 0 to 1,000,000");
    }

    /**
     * What sits across the terminals and damps; an assumption until readings tell.
     *
     * @param bleedOhm infinite for none
     */
    public record Damping(double bleedOhm, double terminalF) {
        public static final Damping NONE = new Damping(Double.POSITIVE_INFINITY, 0);
        /** Between nothing and the 2 kΩ with 2 nF that cut a short light fence's ringing by a quarter in trials of the model. */
        public static final Damping LIKELY = new Damping(6000, 0.5e-9);

        public static final Damping STRONG = new Damping(2000, 2e-9);
    }

    /** Why no energizer can be like this; empty when one can. */
    public Optional<String> contradiction() {
        if (out500J >= storedJ) {
            return Optional.of("The plate gives " + out500J + " J out of " + storedJ + " J stored: no energizer does.");
        }
        if (v500 >= openV) {
            return Optional.of("The plate gives more voltage under load (" + Math.round(v500) + " V) than open ("
                    + Math.round(openV) + " V).");
        }
        double most = openV * REFERENCE_OHM / (innerOhm(Damping.NONE) + REFERENCE_OHM);
        if (v500 >= REACHED * most) {
            return Optional.of("With " + storedJ + " J stored and " + out500J + " J into 500 Ω, at most "
                    + Math.round(most) + " V can stand at 500 Ω, not " + Math.round(v500) + " V.");
        }
        double least = peakV(2 * storedJ / (openV * openV), MOST_HENRY, innerOhm(Damping.NONE), REFERENCE_OHM);
        if (v500 <= least) {
            return Optional.of("So little at 500 Ω, " + Math.round(v500) + " V, would take a coil of over "
                    + Math.round(MOST_HENRY) + " H: no energizer has one.");
        }
        return Optional.empty();
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

    private static double beside(double ohm, Damping damping) {
        return Double.isInfinite(damping.bleedOhm()) ? ohm : ohm * damping.bleedOhm() / (ohm + damping.bleedOhm());
    }

    private double innerOhm(Damping damping) {
        double load = beside(REFERENCE_OHM, damping);
        return load * (storedJ / out500J * load / REFERENCE_OHM - 1);
    }

    /**
     * The capacitor, coil and resistance that give this plate: {@code C = 2E/V²}, {@code R} from the energy that reaches 500
     * ohm, {@code L} so that the peak there is the plate's.
     */
    public Source source(Damping damping) {
        contradiction().ifPresent(why -> {
            throw new IllegalArgumentException(why);
        });
        Damping fits = innerOhm(damping) > 1 && reachable(damping) ? damping : Damping.NONE;
        double farad = 2 * storedJ / (openV * openV);
        double inner = innerOhm(fits);
        double load = beside(REFERENCE_OHM, fits);
        double logL = new BracketingNthOrderBrentSolver(1e-9, 5)
                .solve(
                        200,
                        l -> peakV(farad, Math.exp(l), inner, load) - v500,
                        Math.log(LEAST_HENRY),
                        Math.log(MOST_HENRY));
        return new Source(
                openV,
                farad,
                Math.exp(logL),
                inner,
                Double.isInfinite(fits.bleedOhm()) ? OptionalDouble.empty() : OptionalDouble.of(fits.bleedOhm()),
                fits.terminalF() == 0 ? OptionalDouble.empty() : OptionalDouble.of(fits.terminalF()));
    }

    private boolean reachable(Damping damping) {
        double load = beside(REFERENCE_OHM, damping);
        return v500 < REACHED * openV * load / (innerOhm(damping) + load);
    }

    /** Peak at 100 ohm as the fitted source would give it. */
    public double peakAt100V() {
        Source s = source(Damping.NONE);
        return peakV(s.faradF(), s.henryH(), s.ohm(), 100);
    }

    /** Peak across a load of a charged capacitor behind coil and resistance: the damped swing in closed form. */
    double peakV(double farad, double henry, double innerOhm, double loadOhm) {
        double total = innerOhm + loadOhm;
        double alpha = total / (2 * henry);
        double square = alpha * alpha - 1 / (henry * farad);
        double current;
        if (square > alpha * alpha * 1e-12) {
            double beta = Math.sqrt(square);
            double slow = 1 / (henry * farad) / (alpha + beta);
            double at = Math.log((alpha + beta) / slow) / (2 * beta);
            current = openV / (2 * beta * henry) * (Math.exp(-slow * at) - Math.exp(-(alpha + beta) * at));
        } else if (square < -alpha * alpha * 1e-12) {
            double omega = Math.sqrt(-square);
            double at = Math.atan2(omega, alpha) / omega;
            current = openV / (omega * henry) * Math.exp(-alpha * at) * Math.sin(omega * at);
        } else {
            current = openV / henry / alpha / Math.E;
        }
        return current * loadOhm;
    }
}
