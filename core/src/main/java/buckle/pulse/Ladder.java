package buckle.pulse;

import java.util.Arrays;
import org.hipparchus.complex.Complex;

/**
 * The series impedance of a metre of run as a chain of parts any circuit simulator knows: a resistance, an inductance and
 * inductances each with a resistance across, {@code Z ≈ R + sL + Σ s R_i L_i / (R_i + s L_i)}, all positive. Fitted at sixty
 * frequencies by least squares of the relative error.
 *
 * @param worst largest relative error at the frequencies fitted
 */
public record Ladder(double ohmPerM, double henryPerM, double[] stepOhmPerM, double[] stepHenryPerM, double worst) {
    private static final int STEPS = 14;
    private static final int FREQUENCIES = 60;
    private static final double LOWEST_HZ = 200;
    private static final double HIGHEST_HZ = 5e6;
    private static final int ROUNDS = 4000;
    /** Steps of less than this share of all resistance are left out: simulators stumble over them. */
    private static final double NOT_FELT = 1e-7;

    /** Of a kind of line. */
    public static Ladder of(LineType type, LineModel model) {
        LineConstants.Perfect perfect = LineConstants.Perfect.of(type);
        double[][] basis = new double[2 + STEPS][2 * FREQUENCIES];
        double[] wanted = new double[2 * FREQUENCIES];
        double[] corner = new double[STEPS];
        for (int i = 0; i < STEPS; i++) {
            corner[i] = 2 * Math.PI * LOWEST_HZ * Math.pow(HIGHEST_HZ / LOWEST_HZ, (i + 0.5) / STEPS);
        }
        for (int f = 0; f < FREQUENCIES; f++) {
            double w = 2 * Math.PI * LOWEST_HZ * Math.pow(HIGHEST_HZ / LOWEST_HZ, f / (FREQUENCIES - 1.0));
            Complex z =
                    LineConstants.at(new Complex(0, w), type, perfect, model).seriesOhmPerM();
            double weight = 1 / z.norm();
            wanted[2 * f] = z.getReal() * weight;
            wanted[2 * f + 1] = z.getImaginary() * weight;
            basis[0][2 * f] = weight;
            basis[1][2 * f + 1] = w * weight;
            for (int i = 0; i < STEPS; i++) {
                Complex part = new Complex(0, w / corner[i]);
                part = part.divide(part.add(1)).multiply(weight);
                basis[2 + i][2 * f] = part.getReal();
                basis[2 + i][2 * f + 1] = part.getImaginary();
            }
        }
        double[] x = nonNegative(basis, wanted);
        double[] ohm = new double[STEPS];
        double[] henry = new double[STEPS];
        double felt = NOT_FELT * Arrays.stream(x, 2, x.length).sum() + NOT_FELT * x[0];
        for (int i = 0; i < STEPS; i++) {
            x[2 + i] = x[2 + i] < felt ? 0 : x[2 + i];
            ohm[i] = x[2 + i];
            henry[i] = x[2 + i] / corner[i];
        }
        return new Ladder(x[0], x[1], ohm, henry, worst(basis, wanted, x));
    }

    private static double worst(double[][] basis, double[] wanted, double[] x) {
        double worst = 0;
        for (int f = 0; f < wanted.length; f += 2) {
            double re = -wanted[f];
            double im = -wanted[f + 1];
            for (int i = 0; i < x.length; i++) {
                re += x[i] * basis[i][f];
                im += x[i] * basis[i][f + 1];
            }
            worst = Math.max(worst, Math.hypot(re, im));
        }
        return worst;
    }

    /** Least squares with no negative part, one unknown after the other. */
    private static double[] nonNegative(double[][] basis, double[] wanted) {
        int n = basis.length;
        double[] size = new double[n];
        for (int i = 0; i < n; i++) {
            for (double b : basis[i]) {
                size[i] += b * b;
            }
        }
        double[] x = new double[n];
        double[] left = wanted.clone();
        for (int round = 0; round < ROUNDS; round++) {
            for (int i = 0; i < n; i++) {
                double pull = 0;
                for (int f = 0; f < left.length; f++) {
                    pull += basis[i][f] * left[f];
                }
                double next = Math.max(0, x[i] + pull / size[i]);
                double change = next - x[i];
                if (change != 0) {
                    for (int f = 0; f < left.length; f++) {
                        left[f] -= change * basis[i][f];
                    }
                    x[i] = next;
                }
            }
        }
        return x;
    }

    /** Capacitance of a metre to earth. */
    public static double faradPerM(LineType type) {
        return LineConstants.Perfect.of(type).faradPerM();
    }
}
