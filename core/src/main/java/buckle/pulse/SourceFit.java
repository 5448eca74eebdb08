package buckle.pulse;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.ToDoubleFunction;
import org.hipparchus.exception.MathRuntimeException;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.linear.RealVector;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LeastSquaresBuilder;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LeastSquaresOptimizer;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LevenbergMarquardtOptimizer;
import org.hipparchus.optim.nonlinear.vector.leastsquares.MultivariateJacobianFunction;
import org.hipparchus.util.Pair;

/**
 * The energizer behind a plate: charge, capacitor, coil and resistance so that, with what damps it across its terminals, the peaks
 * with nothing connected, at 500 ohm and at 100 ohm if the plate gives that, and the energies are the plate's. The voltage with
 * nothing connected is what stands at the terminals, ringing included; the capacitor is charged to less. As many numbers of the plate
 * as unknowns, found by the method of Levenberg and Marquardt in logarithms from several starts.
 */
final class SourceFit {
    private static final double EXACT = 1e-7;
    private static final double[] CHARGED = {0.7, 0.95, 0.6};
    private static final double[] HENRY = {1e-3, 4e-3, 2e-4, 1.5e-2};
    private static final double STEP = 1e-6;
    /** What an energizer can be built of; generous. */
    private static final double MOST_HENRY = 0.5;

    private static final double LEAST_HENRY = 2e-5;
    private static final double LEAST_OHM = 1;
    private static final double MOST_CHARGED = 2;
    private static final int MOST_STEPS = 60;

    private final double openV;
    private final Damping damping;
    private final boolean bleedFree;
    private final List<ToDoubleFunction<Source>> off = new ArrayList<>();
    private final double storedJ;
    private final double outJ;

    private SourceFit(EnergizerRating plate, double usualShare, Damping damping, boolean with100) {
        this.openV = plate.openV();
        this.damping = damping;
        this.storedJ = plate.storedJ().orElseGet(() -> plate.out500J().orElseThrow() / usualShare);
        this.outJ = plate.out500J().orElseGet(() -> storedJ * usualShare);
        off.add(s -> new RlcDischarge(s, Double.POSITIVE_INFINITY).peakV() / openV);
        off.add(s -> new RlcDischarge(s, EnergizerRating.REFERENCE_OHM).peakV() / plate.v500());
        boolean both = plate.storedJ().isPresent() && plate.out500J().isPresent();
        boolean by100 = with100 && plate.v100().isPresent();
        if (plate.storedJ().isPresent() || !by100) {
            off.add(s -> s.storedJ() / storedJ);
        }
        if (plate.out500J().isPresent() || !by100) {
            off.add(s ->
                    new RlcDischarge(s, EnergizerRating.REFERENCE_OHM).energyJ(EnergizerRating.REFERENCE_OHM) / outJ);
        }
        if (by100) {
            off.add(s -> new RlcDischarge(s, 100).peakV() / plate.v100().getAsDouble());
        }
        this.bleedFree = both && by100;
    }

    /**
     * @param usualShare of the stored energy that comes out, where a plate gives one energy and no voltage at 100 ohm
     * @param with100 whether the voltage at 100 ohm has to come out too
     */
    static Optional<Source> of(EnergizerRating plate, double usualShare, Damping damping, boolean with100) {
        return new SourceFit(plate, usualShare, damping, with100).solve();
    }

    private Optional<Source> solve() {
        for (double henry : HENRY) {
            for (double charged : CHARGED) {
                Optional<Source> found = from(charged, henry);
                if (found.isPresent()) {
                    return found;
                }
            }
        }
        return Optional.empty();
    }

    private Optional<Source> from(double charged, double henry) {
        double v0 = charged * openV;
        double ohm = Math.max(5, 500 * (storedJ / outJ - 1) - 250_000 / damping.bleedOhm());
        double[] start = {Math.log(v0), Math.log(2 * storedJ / (v0 * v0)), Math.log(henry), Math.log(ohm), 0};
        RealVector at = new ArrayRealVector(start, 0, bleedFree ? 5 : 4);
        RealVector ones = new ArrayRealVector(off.size(), 1);
        try {
            LeastSquaresOptimizer.Optimum best = new LevenbergMarquardtOptimizer()
                    .optimize(new LeastSquaresBuilder()
                            .start(at)
                            .target(ones)
                            .model(model())
                            .maxEvaluations(MOST_STEPS)
                            .maxIterations(MOST_STEPS)
                            .build());
            Source found = source(best.getPoint());
            double worst = off.stream()
                    .mapToDouble(o -> Math.abs(o.applyAsDouble(found) - 1))
                    .max()
                    .orElse(1);
            boolean sane = found.henryH() >= LEAST_HENRY
                    && found.henryH() <= MOST_HENRY
                    && found.ohm() >= LEAST_OHM
                    && found.chargedV() <= MOST_CHARGED * openV;
            return worst < EXACT && sane ? Optional.of(found) : Optional.empty();
        } catch (MathRuntimeException | IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    private MultivariateJacobianFunction model() {
        return point -> {
            double[] here = values(point);
            RealMatrix slopes = new Array2DRowRealMatrix(here.length, point.getDimension());
            for (int k = 0; k < point.getDimension(); k++) {
                RealVector moved = point.copy();
                moved.addToEntry(k, STEP);
                double[] there = values(moved);
                for (int i = 0; i < here.length; i++) {
                    slopes.setEntry(i, k, (there[i] - here[i]) / STEP);
                }
            }
            return new Pair<>(new ArrayRealVector(here, false), slopes);
        };
    }

    private double[] values(RealVector point) {
        Source source = source(point);
        return off.stream().mapToDouble(o -> o.applyAsDouble(source)).toArray();
    }

    private Source source(RealVector logs) {
        double farad = Math.exp(logs.getEntry(1));
        OptionalDouble bleed = damping.bleed();
        if (bleedFree && bleed.isPresent()) {
            bleed = OptionalDouble.of(bleed.getAsDouble() * Math.exp(logs.getEntry(4)));
        }
        double terminal = damping.faradF(farad);
        return new Source(
                Math.exp(logs.getEntry(0)),
                farad,
                Math.exp(logs.getEntry(2)),
                Math.exp(logs.getEntry(3)),
                bleed,
                terminal > 0 ? OptionalDouble.of(terminal) : OptionalDouble.empty());
    }
}
