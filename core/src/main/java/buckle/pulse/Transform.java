package buckle.pulse;

import org.hipparchus.transform.DftNormalization;
import org.hipparchus.transform.FastFourierTransformer;
import org.hipparchus.transform.TransformType;

/**
 * From damped frequencies back to time: {@code v(t) = e^(σt) (Δω/π) Re[V₀/2 + Σ V_k e^(jω_k t)]}, by fast Fourier transform, two
 * signals at once. The end of the window is amplified most, so only its first part is looked at.
 */
final class Transform {
    private static final double LOOKED_AT = 0.6;
    private static final int SAMPLES_PER_FREQUENCY = 4;

    private final int size;
    private final int shown;
    private final double stepS;
    private final double[] gain;
    private final double[][] work;

    Transform(Spectrum spectrum) {
        size = SAMPLES_PER_FREQUENCY * spectrum.count();
        shown = (int) (LOOKED_AT * size);
        stepS = spectrum.windowS() / size;
        gain = new double[shown];
        for (int i = 0; i < shown; i++) {
            gain[i] = size * Math.exp(spectrum.sigma() * i * stepS) * spectrum.stepRadPerS() / Math.PI;
        }
        work = new double[2][size];
    }

    int shown() {
        return shown;
    }

    double stepS() {
        return stepS;
    }

    /** Two signals of time from two spectra. */
    void toTime(double[] aRe, double[] aIm, double[] bRe, double[] bIm, double[] a, double[] b) {
        double[] re = work[0];
        double[] im = work[1];
        java.util.Arrays.fill(re, 0);
        java.util.Arrays.fill(im, 0);
        re[0] = aRe[0] / 2;
        im[0] = bRe[0] / 2;
        for (int k = 1; k < aRe.length; k++) {
            re[k] = (aRe[k] - bIm[k]) / 2;
            im[k] = (aIm[k] + bRe[k]) / 2;
            re[size - k] = (aRe[k] + bIm[k]) / 2;
            im[size - k] = (bRe[k] - aIm[k]) / 2;
        }
        FastFourierTransformer.transformInPlace(work, DftNormalization.STANDARD, TransformType.INVERSE);
        for (int i = 0; i < shown; i++) {
            a[i] = re[i] * gain[i];
            b[i] = im[i] * gain[i];
        }
    }

    /** The highest value and its time, between samples by a parabola. */
    Peak peak(double[] v) {
        int best = 0;
        for (int i = 1; i < shown; i++) {
            if (v[i] > v[best]) {
                best = i;
            }
        }
        if (best == 0 || best == shown - 1) {
            return new Peak(v[best], best * stepS);
        }
        double left = v[best - 1];
        double right = v[best + 1];
        double bend = left - 2 * v[best] + right;
        double shift = bend < 0 ? (left - right) / (2 * bend) : 0;
        return new Peak(v[best] - (left - right) * shift / 4, (best + shift) * stepS);
    }
}
