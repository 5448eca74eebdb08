package buckle.pulse;

import org.hipparchus.complex.Complex;

/**
 * Impedance inside a round wire, per metre: current crowds to its surface. {@code Z = R (x/2) I₀(x)/I₁(x)} with {@code x² = s
 * μ₀ μ_r / (π R)}. Source: Ramo, Whinnery and Van Duzer, Fields and Waves in Communication Electronics, from memory. Limit:
 * uniform permeability; that of steel falls at strong fields.
 */
final class InternalImpedance {
    /** Above this |x²| the asymptotic series serves (difference at the seam under 1e-6). */
    private static final double FAR = 900;

    private static final int TERMS = 40;

    private InternalImpedance() {}

    static Complex perM(double ohmPerM, double muR, Complex s) {
        return ratio(s.multiply(Constants.MU_0 * muR / (Math.PI * ohmPerM))).multiply(ohmPerM);
    }

    /** {@code (x/2) I₀(x)/I₁(x)} of x². */
    static Complex ratio(Complex x2) {
        return x2.norm() > FAR ? far(x2.sqrt()) : near(x2);
    }

    /** Continued fraction of I₀/I₁. Source: Abramowitz and Stegun 9.1.73 turned to I, from memory. */
    static Complex near(Complex x2) {
        Complex tail = new Complex(2 * TERMS);
        for (int n = TERMS - 1; n >= 2; n--) {
            tail = x2.divide(tail).add(2 * n);
        }
        return x2.divide(tail).divide(2).add(1);
    }

    /** Source: Abramowitz and Stegun 9.7.1, quotient taken by hand. */
    static Complex far(Complex x) {
        Complex y = x.reciprocal();
        return x.divide(2)
                .add(0.25)
                .add(y.multiply(3.0 / 16))
                .add(y.multiply(y).multiply(3.0 / 16))
                .add(y.multiply(y).multiply(y).multiply(63.0 / 256));
    }
}
