package buckle.pulse;

import java.util.Optional;
import org.hipparchus.analysis.solvers.BracketingNthOrderBrentSolver;

/**
 * The capacitor, coil and resistance behind a plate: {@code C = 2E/V²}, {@code R = 500 (E/E₅₀₀ − 1)} from the energy that reaches
 * 500 ohm, {@code L} so that the peak there is the plate's. Limit: {@code L} is ill-conditioned, 2 % of the peak move it by a
 * quarter.
 */
record SourceFit(double storedJ, double outJ, double openV, double v500) {
    private static final double LEAST_HENRY = 1e-9;
    private static final double MOST_HENRY = 5;
    private static final double EXACT_V = 1e-5;
    /** Share of what could stand at 500 ohm without a coil that a plate may say. */
    static final double REACHED = 0.995;

    double faradF() {
        return 2 * storedJ / (openV * openV);
    }

    double innerOhm(Damping damping) {
        double load = damping.beside(Plate.REFERENCE_OHM);
        return load * (storedJ / outJ * load / Plate.REFERENCE_OHM - 1);
    }

    private double mostV(Damping damping) {
        double load = damping.beside(Plate.REFERENCE_OHM);
        return openV * load / (innerOhm(damping) + load);
    }

    /** Why no energizer can be like this; empty when one can. */
    Optional<String> contradiction() {
        if (outJ >= storedJ) {
            return Optional.of("The plate gives " + outJ + " J out of " + storedJ + " J stored: no energizer does.");
        }
        double most = mostV(Damping.NONE);
        if (v500 >= REACHED * most) {
            return Optional.of("With " + storedJ + " J stored and " + outJ + " J into 500 Ω, at most "
                    + Math.round(most) + " V can stand at 500 Ω, not " + Math.round(v500) + " V.");
        }
        if (v500 <= swing(MOST_HENRY, Damping.NONE).peakV(Plate.REFERENCE_OHM)) {
            return Optional.of("So little at 500 Ω, " + Math.round(v500) + " V, would take a coil of over "
                    + Math.round(MOST_HENRY) + " H: no energizer has one.");
        }
        return Optional.empty();
    }

    private Swing swing(double henry, Damping damping) {
        return new Swing(openV, faradF(), henry, innerOhm(damping));
    }

    private double henryH(Damping damping) {
        double load = damping.beside(Plate.REFERENCE_OHM);
        return Math.exp(new BracketingNthOrderBrentSolver(1e-9, 5)
                .solve(
                        200,
                        l -> swing(Math.exp(l), damping).peakV(load) - v500,
                        Math.log(LEAST_HENRY),
                        Math.log(MOST_HENRY)));
    }

    /** Damping that the plate leaves no room for is left out. */
    Source source(Damping wanted) {
        Damping damping = innerOhm(wanted) > 1 && v500 < REACHED * mostV(wanted) - EXACT_V ? wanted : Damping.NONE;
        return new Source(openV, faradF(), henryH(damping), innerOhm(damping), damping.bleed(), damping.terminal());
    }

    /** Peak at 100 ohm that belongs to the rest. */
    double peakAt100V() {
        return swing(henryH(Damping.NONE), Damping.NONE).peakV(100);
    }
}
