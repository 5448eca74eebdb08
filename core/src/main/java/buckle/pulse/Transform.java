package buckle.pulse;

import java.util.Arrays;

/**
 * From damped frequencies back to time: {@code v(t) = e^(σt) (Δω/π) Re[V₀/2 + Σ V_k e^(jω_k t)]}, two signals at once. The end of
 * the window is amplified most, so only its first part is looked at. Holds its own room: one for each thread.
 */
final class Transform {
    static final double LOOKED_AT = 0.6;
    private static final int SAMPLES_PER_FREQUENCY = 4;

    private final int size;
    private final int shown;
    private final double stepS;
    private final double[] gain;
    private final Fourier fourier;

    Transform(Spectrum spectrum) {
        size = samples(spectrum);
        shown = (int) (LOOKED_AT * size);
        stepS = spectrum.windowS() / size;
        gain = new double[shown];
        for (int i = 0; i < shown; i++) {
            gain[i] = Math.exp(spectrum.sigma() * i * stepS) * spectrum.stepRadPerS() / Math.PI;
        }
        fourier = new Fourier(size);
    }

    /** A power of two, at least four for each frequency. */
    static int samples(Spectrum spectrum) {
        return 2 * Integer.highestOneBit(SAMPLES_PER_FREQUENCY * spectrum.count() - 1);
    }

    double stepS() {
        return stepS;
    }

    /** Two signals of time from two spectra; {@link #one} and {@link #other} give them until the next. */
    void toTime(double[] aRe, double[] aIm, double[] bRe, double[] bIm) {
        double[] re = fourier.re();
        double[] im = fourier.im();
        int n = aRe.length;
        re[0] = aRe[0] / 2;
        im[0] = bRe[0] / 2;
        for (int k = 1; k < n; k++) {
            re[k] = (aRe[k] - bIm[k]) / 2;
            im[k] = (aIm[k] + bRe[k]) / 2;
            re[size - k] = (aRe[k] + bIm[k]) / 2;
            im[size - k] = (bRe[k] - aIm[k]) / 2;
        }
        Arrays.fill(re, n, size - n + 1, 0);
        Arrays.fill(im, n, size - n + 1, 0);
        fourier.toTime();
    }

    double[] one() {
        return shown(fourier.re());
    }

    double[] other() {
        return shown(fourier.im());
    }

    private double[] shown(double[] from) {
        double[] to = new double[shown];
        for (int i = 0; i < shown; i++) {
            to[i] = from[i] * gain[i];
        }
        return to;
    }

    /** The highest value of the first signal and its time. */
    Peak peak() {
        return peak(fourier.re());
    }

    /** The same of the second one. */
    Peak otherPeak() {
        return peak(fourier.im());
    }

    /** Value of the largest size, with its sign, and its time. */
    Peak largest(boolean other) {
        double[] x = other ? fourier.im() : fourier.re();
        double most = 0;
        int best = 0;
        for (int i = 0; i < shown; i++) {
            double v = x[i] * gain[i];
            if (Math.abs(v) > Math.abs(most) || v != v) {
                most = v;
                best = i;
            }
        }
        return new Peak(most, best * stepS);
    }

    /** Largest size of the second signal, whatever its sign. */
    double otherLargest() {
        double most = 0;
        double[] x = fourier.im();
        for (int i = 0; i < shown; i++) {
            most = Math.max(most, Math.abs(x[i] * gain[i]));
        }
        return most;
    }

    /** Between samples by a parabola. */
    private Peak peak(double[] x) {
        int best = 0;
        double most = x[0] * gain[0];
        for (int i = 1; i < shown; i++) {
            double v = x[i] * gain[i];
            if (v > most || v != v) {
                most = v;
                best = i;
            }
        }
        if (best == 0 || best == shown - 1) {
            return new Peak(most, best * stepS);
        }
        double left = x[best - 1] * gain[best - 1];
        double right = x[best + 1] * gain[best + 1];
        double bend = left - 2 * most + right;
        double shift = bend < 0 ? (left - right) / (2 * bend) : 0;
        return new Peak(most - (left - right) * shift / 4, (best + shift) * stepS);
    }
}
