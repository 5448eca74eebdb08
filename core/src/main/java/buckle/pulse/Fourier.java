package buckle.pulse;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/**
 * Fast Fourier transform of a power of two: {@code x_n = Σ X_k e^(+2πjkn/N)}, nothing divided, of a spectrum whose two middle
 * quarters are zero. By quarters, each round from one pair of arrays into the other, so that the order comes out right without
 * sorting (Stockham's arrangement; from memory, held against the plain sum in the tests).
 */
final class Fourier {
    /** There are but a few sizes. */
    private static final Map<Integer, Circle> CIRCLES = new ConcurrentHashMap<>();

    private final int size;
    private final double[] cos;
    private final double[] sin;
    private double[] re;
    private double[] im;
    private double[] otherRe;
    private double[] otherIm;

    private record Circle(double[] cos, double[] sin) {
        static Circle of(int size) {
            Circle all = new Circle(new double[size], new double[size]);
            for (int i = 0; i < size; i++) {
                all.cos[i] = Math.cos(2 * Math.PI * i / size);
                all.sin[i] = Math.sin(2 * Math.PI * i / size);
            }
            return all;
        }
    }

    Fourier(int size) {
        if (Integer.bitCount(size) != 1 || size < 8) {
            throw new IllegalArgumentException(size + " is no power of two from 8");
        }
        this.size = size;
        Circle circle = CIRCLES.computeIfAbsent(size, Circle::of);
        cos = circle.cos;
        sin = circle.sin;
        re = new double[size];
        im = new double[size];
        otherRe = new double[size];
        otherIm = new double[size];
    }

    /** To be filled before {@link #toTime} and read after it; which arrays they are changes. */
    double[] re() {
        return re;
    }

    double[] im() {
        return im;
    }

    void toTime() {
        first(re, im, otherRe, otherIm);
        swap();
        int stride = 4;
        int n = size / 4;
        for (; n > 2; n /= 4) {
            for (int p = 0; p < n / 4; p++) {
                quarters(re, im, otherRe, otherIm, p, n / 4, stride);
            }
            swap();
            stride *= 4;
        }
        if (n == 2) {
            halves(re, im, otherRe, otherIm, stride);
            swap();
        }
    }

    private void swap() {
        double[] keep = re;
        re = otherRe;
        otherRe = keep;
        keep = im;
        im = otherIm;
        otherIm = keep;
    }

    /** The first round knows that the two middle quarters are zero. */
    private void first(double[] xRe, double[] xIm, double[] yRe, double[] yIm) {
        int last = 3 * size / 4;
        for (int p = 0; p < size / 4; p++) {
            double aRe = xRe[p];
            double aIm = xIm[p];
            double dRe = xRe[p + last];
            double dIm = xIm[p + last];
            int y = 4 * p;
            yRe[y] = aRe + dRe;
            yIm[y] = aIm + dIm;
            double c = cos[p];
            double s = sin[p];
            double oneRe = aRe + dIm;
            double oneIm = aIm - dRe;
            yRe[y + 1] = oneRe * c - oneIm * s;
            yIm[y + 1] = oneRe * s + oneIm * c;
            double twoRe = aRe - dRe;
            double twoIm = aIm - dIm;
            c = cos[2 * p];
            s = sin[2 * p];
            yRe[y + 2] = twoRe * c - twoIm * s;
            yIm[y + 2] = twoRe * s + twoIm * c;
            double threeRe = aRe - dIm;
            double threeIm = aIm + dRe;
            c = cos[3 * p];
            s = sin[3 * p];
            yRe[y + 3] = threeRe * c - threeIm * s;
            yIm[y + 3] = threeRe * s + threeIm * c;
        }
    }

    private void quarters(double[] xRe, double[] xIm, double[] yRe, double[] yIm, int p, int quarter, int stride) {
        double c1 = cos[p * stride];
        double s1 = sin[p * stride];
        double c2 = cos[2 * p * stride];
        double s2 = sin[2 * p * stride];
        double c3 = cos[3 * p * stride];
        double s3 = sin[3 * p * stride];
        int in = stride * p;
        int step = stride * quarter;
        int out = 4 * in;
        for (int q = 0; q < stride; q++) {
            int a = in + q;
            double aRe = xRe[a];
            double aIm = xIm[a];
            double bRe = xRe[a + step];
            double bIm = xIm[a + step];
            double cRe = xRe[a + 2 * step];
            double cIm = xIm[a + 2 * step];
            double dRe = xRe[a + 3 * step];
            double dIm = xIm[a + 3 * step];
            double plusRe = aRe + cRe;
            double plusIm = aIm + cIm;
            double lessRe = aRe - cRe;
            double lessIm = aIm - cIm;
            double sumRe = bRe + dRe;
            double sumIm = bIm + dIm;
            // j (b − d)
            double turnRe = dIm - bIm;
            double turnIm = bRe - dRe;
            int y = out + q;
            yRe[y] = plusRe + sumRe;
            yIm[y] = plusIm + sumIm;
            double oneRe = lessRe + turnRe;
            double oneIm = lessIm + turnIm;
            yRe[y + stride] = oneRe * c1 - oneIm * s1;
            yIm[y + stride] = oneRe * s1 + oneIm * c1;
            double twoRe = plusRe - sumRe;
            double twoIm = plusIm - sumIm;
            yRe[y + 2 * stride] = twoRe * c2 - twoIm * s2;
            yIm[y + 2 * stride] = twoRe * s2 + twoIm * c2;
            double threeRe = lessRe - turnRe;
            double threeIm = lessIm - turnIm;
            yRe[y + 3 * stride] = threeRe * c3 - threeIm * s3;
            yIm[y + 3 * stride] = threeRe * s3 + threeIm * c3;
        }
    }

    private static void halves(double[] xRe, double[] xIm, double[] yRe, double[] yIm, int stride) {
        for (int q = 0; q < stride; q++) {
            yRe[q] = xRe[q] + xRe[q + stride];
            yIm[q] = xIm[q] + xIm[q + stride];
            yRe[q + stride] = xRe[q] - xRe[q + stride];
            yIm[q + stride] = xIm[q] - xIm[q + stride];
        }
    }
}
