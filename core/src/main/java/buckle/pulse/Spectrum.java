package buckle.pulse;

import org.hipparchus.complex.Complex;

/**
 * The frequencies a pulse is taken apart into, {@code s = σ + j k Δω}: damped, so that what comes after the window does not come
 * round to its start by more than e⁻⁹.
 */
record Spectrum(int count, double windowS) {
    private static final double DAMPING = 9;
    private static final int LEAST = 128;
    static final int MOST = 1 << 15;

    static Spectrum of(double windowS, double highestHz) {
        return new Spectrum((int) Math.clamp(Math.ceil(highestHz * windowS), LEAST, MOST), windowS);
    }

    double sigma() {
        return DAMPING / windowS;
    }

    double stepRadPerS() {
        return 2 * Math.PI / windowS;
    }

    Complex at(int k) {
        return new Complex(sigma(), k * stepRadPerS());
    }
}
