package buckle.pulse;

import buckle.task.Cancellation;

/**
 * An energizer alone, swinging into a resistance across its terminals, in closed form: a charged capacitor behind a coil and a
 * resistance, with what else lies across the terminals. Source: Laplace transform of the network, any textbook of circuits;
 * {@code v(s) = V₀ C / (L C C_t s³ + (R C C_t + L C g) s² + (C_t + R C g + C) s + g)} with {@code g} the conductance across the
 * terminals, split into three exponentials. The voltage starts from zero and its first peak is the highest.
 */
final class RlcDischarge {
    private static final double STEP = 0.2;
    private static final double GROWS = 1.15;
    private static final double LONG_S = 1;
    private static final int HALVINGS = 60;

    private final double[] poleRe = new double[3];
    private final double[] poleIm = new double[3];
    private final double[] partRe = new double[3];
    private final double[] partIm = new double[3];
    private final int poles;
    private final double constantV;

    /** @param ohm infinite for nothing connected */
    RlcDischarge(Source source, double ohm) {
        double bleedS = source.bleedOhm().isPresent() ? 1 / source.bleedOhm().getAsDouble() : 0;
        double g = bleedS + (Double.isInfinite(ohm) ? 0 : 1 / ohm);
        double c = source.faradF();
        double l = Math.max(source.henryH(), 1e-12);
        double ct = source.terminalF().orElse(0);
        if (g == 0 && ct == 0) {
            poles = 0;
            constantV = source.chargedV();
            return;
        }
        constantV = 0;
        double first = ct == 0 ? l * c * g : l * c * ct;
        double[] low = {g, ct + source.ohm() * c * g + c, source.ohm() * c * ct + l * c * g};
        poles = ct == 0 ? 2 : 3;
        if (ct == 0) {
            quadratic(low[1] / first, low[0] / first, 0);
        } else {
            cubic(low[2] / first, low[1] / first, low[0] / first);
        }
        parts(source.chargedV() * c / first);
    }

    /** The roots of x² + bx + c from number {@code from} on. */
    private void quadratic(double b, double c, int from) {
        double inside = b * b / 4 - c;
        if (inside >= 0) {
            poleRe[from] = -b / 2 - Math.sqrt(inside);
            poleRe[from + 1] = c / poleRe[from];
            if (poleRe[from] == poleRe[from + 1]) {
                poleRe[from] *= 1 + 1e-7;
            }
        } else {
            poleRe[from] = poleRe[from + 1] = -b / 2;
            poleIm[from] = Math.sqrt(-inside);
            poleIm[from + 1] = -poleIm[from];
        }
    }

    /** The roots of x³ + bx² + cx + d, all coefficients above zero: one real root by halving, the others from what is left. */
    private void cubic(double b, double c, double d) {
        double scale = Math.max(b, Math.max(Math.sqrt(c), Math.cbrt(d)));
        double b1 = b / scale;
        double c1 = c / (scale * scale);
        double d1 = d / (scale * scale * scale);
        double low = -2;
        double high = 0;
        while (high - low > 1e-16 * Math.abs(low)) {
            double middle = (low + high) / 2;
            if (middle == low || middle == high) {
                break;
            }
            if (((middle + b1) * middle + c1) * middle + d1 > 0) {
                high = middle;
            } else {
                low = middle;
            }
        }
        double root = (low + high) / 2;
        poleRe[0] = root * scale;
        quadratic((b1 + root) * scale, -d1 / root * scale * scale, 1);
    }

    private void parts(double top) {
        for (int i = 0; i < poles; i++) {
            Cancellation.check();
            double re = 1;
            double im = 0;
            for (int k = 0; k < poles; k++) {
                if (k != i) {
                    double dRe = poleRe[i] - poleRe[k];
                    double dIm = poleIm[i] - poleIm[k];
                    double keep = re;
                    re = re * dRe - im * dIm;
                    im = keep * dIm + im * dRe;
                }
            }
            double size = re * re + im * im;
            partRe[i] = top * re / size;
            partIm[i] = -top * im / size;
        }
    }

    double voltsV(double seconds) {
        double v = constantV;
        for (int i = 0; i < poles; i++) {
            v += term(partRe[i], partIm[i], i, seconds);
        }
        return v;
    }

    private double slope(double seconds) {
        double v = 0;
        for (int i = 0; i < poles; i++) {
            v += term(
                    partRe[i] * poleRe[i] - partIm[i] * poleIm[i],
                    partRe[i] * poleIm[i] + partIm[i] * poleRe[i],
                    i,
                    seconds);
        }
        return v;
    }

    private double term(double re, double im, int i, double seconds) {
        double angle = poleIm[i] * seconds;
        return Math.exp(poleRe[i] * seconds) * (re * Math.cos(angle) - im * Math.sin(angle));
    }

    /** Highest volts. */
    double peakV() {
        if (poles == 0) {
            return constantV;
        }
        double fastest = 0;
        double turns = 0;
        for (int i = 0; i < poles; i++) {
            fastest = Math.max(fastest, Math.hypot(poleRe[i], poleIm[i]));
            turns = Math.max(turns, Math.abs(poleIm[i]));
        }
        double step = STEP / fastest;
        double from = 0;
        double to = step;
        while (slope(to) > 0 && to < LONG_S) {
            step = turns > 0 ? Math.min(step * GROWS, STEP / turns) : step * GROWS;
            from = to;
            to += step;
        }
        for (int i = 0; i < HALVINGS; i++) {
            double middle = (from + to) / 2;
            if (slope(middle) > 0) {
                from = middle;
            } else {
                to = middle;
            }
        }
        return voltsV(from);
    }

    /** Heat in a resistance that has these volts across it. */
    double energyJ(double ohm) {
        double sum = 0;
        for (int i = 0; i < poles; i++) {
            for (int k = 0; k < poles; k++) {
                double re = partRe[i] * partRe[k] - partIm[i] * partIm[k];
                double im = partRe[i] * partIm[k] + partIm[i] * partRe[k];
                double dRe = -(poleRe[i] + poleRe[k]);
                double dIm = -(poleIm[i] + poleIm[k]);
                sum += (re * dRe + im * dIm) / (dRe * dRe + dIm * dIm);
            }
        }
        return sum / ohm;
    }
}
