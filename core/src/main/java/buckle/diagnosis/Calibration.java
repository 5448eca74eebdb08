package buckle.diagnosis;

import buckle.diagnosis.FenceModel.Linear;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * The plan drawn toward readings of the fence in order: a few steps of Gauss and Newton from the priors, readings far off weighted down.
 * What is left of the spread is carried on; fitted values are never taken as true.
 *
 * @param theta most probable unknowns
 * @param covariance what is left of their spread
 * @param residuals of each reading, in standard deviations of the meter; empty without readings
 * @param suspect numbers of readings that fit nothing
 * @param logEvidence how probable the readings are under the plan
 */
record Calibration(
        double[] theta, double[][] covariance, List<Residual> residuals, List<Integer> suspect, double logEvidence) {
    private static final int STEPS = 5;
    /** From so many standard deviations on a reading counts less. */
    private static final double HUBER = 2.0;

    private static final double SUSPECT = 3.5;

    /** How far one value lies from the fit. */
    record Residual(int reading, double deviations) {}

    static Calibration of(FenceModel model, List<Value> values) {
        int p = model.count();
        double[][] prior = Prior.fence(model);
        double[] theta = new double[p];
        if (values.isEmpty()) {
            return new Calibration(theta, prior, List.of(), List.of(), 0);
        }
        int n = values.size();
        double[] weight = new double[n];
        Arrays.fill(weight, 1);
        double evidence = 0;
        double[][] left = prior;
        double[] off = new double[n];
        double[] variance = new double[n];
        for (int step = 0; step < STEPS; step++) {
            Linear at = model.linear(theta, values);
            for (int i = 0; i < n; i++) {
                variance[i] = values.get(i).scale().variance(at.raw()[i]);
                off[i] = values.get(i).off(at.features()[i]);
            }
            if (step == 0) {
                evidence = new Gauss(Gauss.spread(at.by(), prior, variance)).logDensity(off);
            } else {
                for (int i = 0; i < n; i++) {
                    double deviations = Math.abs(off[i]) / Math.sqrt(variance[i]);
                    double far = deviations / HUBER;
                    weight[i] = far <= 1 ? 1 : 1 / (far * far);
                }
            }
            double[] noise = new double[n];
            double[] target = new double[n];
            for (int i = 0; i < n; i++) {
                noise[i] = variance[i] / weight[i];
                double s = off[i];
                for (int a = 0; a < p; a++) {
                    s += at.by()[i][a] * theta[a];
                }
                target[i] = s;
            }
            Gauss spread = new Gauss(Gauss.spread(at.by(), prior, noise));
            double[] solved = spread.solve(target);
            double[] next = new double[p];
            for (int a = 0; a < p; a++) {
                double s = 0;
                for (int i = 0; i < n; i++) {
                    s += at.by()[i][a] * solved[i];
                }
                next[a] = prior[a][a] * s;
            }
            left = remaining(prior, at.by(), spread);
            theta = damped(theta, next);
        }
        double[] raw = model.read(theta, List.of(), values);
        List<Residual> residuals = new ArrayList<>();
        List<Integer> suspect = new ArrayList<>();
        for (int i = 0; i < n; i++) {
            Value v = values.get(i);
            double d = v.off(v.expected(raw[i])) / Math.sqrt(v.scale().variance(raw[i]));
            residuals.add(new Residual(v.reading(), d));
            if (Math.abs(d) > SUSPECT && !suspect.contains(v.reading())) {
                suspect.add(v.reading());
            }
        }
        return new Calibration(theta, left, residuals, suspect, evidence);
    }

    /** No further than a factor of e at once. */
    private static double[] damped(double[] from, double[] to) {
        double[] next = to.clone();
        for (int a = 0; a < next.length; a++) {
            next[a] = from[a] + Math.clamp(to[a] - from[a], -1, 1);
        }
        return next;
    }

    /** {@code P − P Jᵀ S⁻¹ J P}. */
    private static double[][] remaining(double[][] prior, double[][] by, Gauss spread) {
        int p = prior.length;
        int n = by.length;
        double[][] left = new double[p][p];
        double[][] gain = new double[p][];
        for (int a = 0; a < p; a++) {
            double[] column = new double[n];
            for (int i = 0; i < n; i++) {
                column[i] = by[i][a] * prior[a][a];
            }
            gain[a] = spread.solve(column);
        }
        for (int a = 0; a < p; a++) {
            for (int b = 0; b < p; b++) {
                double s = a == b ? prior[a][a] : 0;
                for (int i = 0; i < n; i++) {
                    s -= by[i][b] * prior[b][b] * gain[a][i];
                }
                left[a][b] = s;
            }
        }
        for (int a = 0; a < p; a++) {
            for (int b = 0; b < a; b++) {
                double mean = (left[a][b] + left[b][a]) / 2;
                left[a][b] = mean;
                left[b][a] = mean;
            }
        }
        return left;
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Calibration c && Arrays.equals(c.theta, theta);
    }

    @Override
    public int hashCode() {
        return Arrays.hashCode(theta);
    }

    @Override
    public String toString() {
        return "Calibration " + Arrays.toString(theta);
    }
}
