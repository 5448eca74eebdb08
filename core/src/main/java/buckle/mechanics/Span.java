package buckle.mechanics;

import org.hipparchus.analysis.UnivariateFunction;
import org.hipparchus.analysis.solvers.BracketingNthOrderBrentSolver;

/**
 * A wire between two supports at one height.
 *
 * <p>Source: statics of the hanging cable, any textbook of mechanics: the catenary y = (H/w) cosh(w x/H) and, for small sag,
 * the parabola s = w L² / (8 H). Elastic and thermal change by the usual state equation of a span,
 * (T − T₀)/(E A) + α (t − t₀) = (w² L²/24) (1/T² − w₀²/(w² T₀²)), good while the sag stays under a tenth of the span.
 *
 * @param lengthM distance between supports
 * @param weightNPerM weight of the wire, with ice when it carries some
 * @param tensionN horizontal pull
 */
public record Span(double lengthM, double weightNPerM, double tensionN) {
    /** Standard gravity, exact by definition. */
    public static final double GRAVITY = 9.80665;

    /** Density of clear ice, general knowledge. */
    private static final double ICE_KG_PER_M3 = 917;

    public Span {
        if (!(lengthM > 0 && weightNPerM >= 0 && tensionN > 0)) {
            throw new IllegalArgumentException("a span needs a length, a weight and a pull");
        }
    }

    /** Sag in the middle by the parabola. */
    public double sagM() {
        return weightNPerM * lengthM * lengthM / (8 * tensionN);
    }

    /** Length of the wire by the catenary. */
    public double wireM() {
        if (weightNPerM == 0) {
            return lengthM;
        }
        double a = tensionN / weightNPerM;
        return 2 * a * Math.sinh(lengthM / (2 * a));
    }

    /**
     * The same wire after a change of temperature and load between fixed supports.
     *
     * @param stiffnessN E A of the wire
     */
    public Span after(double warmerK, double newWeightNPerM, double stiffnessN, double expansionPerK) {
        double before = weightNPerM * weightNPerM * lengthM * lengthM / (24 * tensionN * tensionN);
        double load = newWeightNPerM * newWeightNPerM * lengthM * lengthM / 24;
        UnivariateFunction state = t -> (t - tensionN) / stiffnessN + expansionPerK * warmerK - load / (t * t) + before;
        double most = tensionN + stiffnessN * (Math.abs(expansionPerK * warmerK) + before + 0.05);
        double least = 1e-6;
        if (state.value(least) >= 0) {
            return new Span(lengthM, newWeightNPerM, least);
        }
        while (state.value(most) < 0) {
            most *= 2;
        }
        double t = new BracketingNthOrderBrentSolver(1e-9, 1e-6, 5).solve(200, state, least, most);
        return new Span(lengthM, newWeightNPerM, Math.max(t, least));
    }

    /** Weight of a wire with a coat of clear ice around it. */
    public static double icedNPerM(double kgPerM, double diameterM, double iceM) {
        double ice = ICE_KG_PER_M3 * Math.PI * iceM * (diameterM + iceM);
        return (kgPerM + ice) * GRAVITY;
    }
}
