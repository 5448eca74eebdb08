package buckle.tape;

import buckle.task.Cancellation;
import java.util.List;
import org.hipparchus.exception.MathRuntimeException;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.CholeskyDecomposition;
import org.hipparchus.linear.DecompositionSolver;
import org.jspecify.annotations.Nullable;

/**
 * Least squares over the coordinates of points: Gauss-Newton with a damping that grows when a step makes it worse
 * (Levenberg); equations that still serve are kept for the next step. Hold fast enough coordinates that the rest cannot slide or turn.
 *
 * <p>Source: the normal equations of any adjustment textbook; redundancy of a measure and its test by its own deviation
 * after W. Baarda, A testing procedure for use in geodetic networks, 1968 (from memory).
 */
final class Network2d {
    private static final int MOST_STEPS = 100;
    private static final double STILL_M = 1e-7;
    /** The equations are solved anew when a step with those from before is not this much shorter than the last. */
    private static final double SHRINKS = 0.5;

    private final List<Observation> observations;
    private final int[] column;
    private final int columns;
    private double[] xy;
    private double[][] inverse = new double[0][0];

    /** @param free whether a coordinate may move */
    Network2d(List<Observation> observations, double[] start, boolean[] free) {
        this.observations = observations;
        this.xy = start;
        this.column = new int[free.length];
        int n = 0;
        for (int i = 0; i < free.length; i++) {
            column[i] = free[i] ? n++ : -1;
        }
        this.columns = n;
    }

    Network2d solve() {
        if (columns == 0) {
            return this;
        }
        double damping = 1e-9;
        double cost = cost(xy);
        double movedBefore = Double.POSITIVE_INFINITY;
        DecompositionSolver factor = null;
        for (int step = 0; step < MOST_STEPS; step++) {
            Cancellation.check();
            double[] right = new double[columns];
            double[][] normal = normal(xy, right);
            boolean fresh = factor == null;
            factor = fresh ? factor(normal, damping) : factor;
            double[] next = step(factor, right);
            double nextCost = cost(next);
            if (!(nextCost <= cost * (1 + 1e-12))) {
                damping = fresh ? Math.max(1e-6, damping * 10) : damping;
                factor = null;
                continue;
            }
            double moved = 0;
            for (int i = 0; i < xy.length; i++) {
                moved = Math.max(moved, Math.abs(next[i] - xy[i]));
            }
            xy = next;
            cost = nextCost;
            damping = fresh ? damping / 10 : damping;
            if (moved < STILL_M) {
                break;
            }
            factor = moved > SHRINKS * movedBefore ? null : factor;
            movedBefore = moved;
        }
        inverse = invert(normal(xy, new double[columns]));
        return this;
    }

    /** Null where the normal equations have none. */
    private @Nullable DecompositionSolver factor(double[][] normal, double damping) {
        for (int i = 0; i < columns; i++) {
            normal[i][i] += damping * (normal[i][i] + 1e-12);
        }
        try {
            return new CholeskyDecomposition(new Array2DRowRealMatrix(normal, false), 1e-9, 0).getSolver();
        } catch (MathRuntimeException e) {
            return null;
        }
    }

    private double[] step(@Nullable DecompositionSolver factor, double[] right) {
        double[] next = xy.clone();
        if (factor == null) {
            next[0] = Double.NaN;
            return next;
        }
        double[] d = factor.solve(new ArrayRealVector(right, false)).toArray();
        for (int i = 0; i < xy.length; i++) {
            next[i] += column[i] < 0 ? 0 : d[column[i]];
        }
        return next;
    }

    private double[][] invert(double[][] normal) {
        for (double ridge = 1e-13; ridge < 1; ridge *= 100) {
            try {
                double[][] copy = new double[columns][];
                for (int i = 0; i < columns; i++) {
                    copy[i] = normal[i].clone();
                    copy[i][i] *= 1 + ridge;
                }
                return inverseOf(new CholeskyDecomposition(new Array2DRowRealMatrix(copy, false), 1e-9, 0)
                        .getL()
                        .getData());
            } catch (MathRuntimeException e) {
                // Nearly singular: the points are held by hardly anything. A larger ridge says so with large sigmas.
            }
        }
        throw new IllegalStateException("the network is not determined");
    }

    /** The inverse of L Lᵀ from its triangle: first that of L, then its square; half the work of solving column by column. */
    private static double[][] inverseOf(double[][] l) {
        int n = l.length;
        double[][] m = new double[n][n];
        for (int j = 0; j < n; j++) {
            Cancellation.check();
            m[j][j] = 1 / l[j][j];
            for (int i = j + 1; i < n; i++) {
                double sum = 0;
                for (int k = j; k < i; k++) {
                    sum -= l[i][k] * m[k][j];
                }
                m[i][j] = sum / l[i][i];
            }
        }
        double[][] inverse = new double[n][n];
        for (int k = 0; k < n; k++) {
            for (int i = 0; i <= k; i++) {
                double v = m[k][i];
                for (int j = 0; j <= i; j++) {
                    inverse[i][j] += v * m[k][j];
                }
            }
        }
        for (int i = 0; i < n; i++) {
            for (int j = 0; j < i; j++) {
                inverse[j][i] = inverse[i][j];
            }
        }
        return inverse;
    }

    private double[][] normal(double[] at, double[] right) {
        double[][] normal = new double[columns][columns];
        for (Observation o : observations) {
            Row row = row(o, at);
            double w = 1 / (o.sigmaM() * o.sigmaM());
            double misfit = o.valueM() - o.of(at);
            for (int a = 0; a < row.count; a++) {
                right[row.index[a]] += w * row.value[a] * misfit;
                for (int b = 0; b < row.count; b++) {
                    normal[row.index[a]][row.index[b]] += w * row.value[a] * row.value[b];
                }
            }
        }
        return normal;
    }

    /** Derivatives of an observation to the free coordinates; few of them. */
    private static final class Row {
        final int[] index = new int[6];
        final double[] value = new double[6];
        int count;
    }

    private Row row(Observation o, double[] at) {
        Row row = new Row();
        o.derive(at, (i, v) -> {
            if (column[i] >= 0) {
                row.index[row.count] = column[i];
                row.value[row.count++] = v;
            }
        });
        return row;
    }

    private double cost(double[] at) {
        double sum = 0;
        for (Observation o : observations) {
            double v = (o.valueM() - o.of(at)) / o.sigmaM();
            sum += v * v;
        }
        return Double.isNaN(sum) ? Double.POSITIVE_INFINITY : sum;
    }

    /** Sum of squared residuals, each by its sigma. */
    double cost() {
        return cost(xy);
    }

    double[] xy() {
        return xy;
    }

    /** Variance of a coordinate before scaling; 0 for one that is held. */
    double variance(int coordinate) {
        int c = column[coordinate];
        return c < 0 ? 0 : inverse[c][c];
    }

    /** What of two observations' residuals is shared (cofactor of the residuals). */
    double residualCofactor(Observation one, Observation two) {
        Row a = row(one, xy);
        Row b = row(two, xy);
        double sum = 0;
        for (int i = 0; i < a.count; i++) {
            for (int j = 0; j < b.count; j++) {
                sum += a.value[i] * inverse[a.index[i]][b.index[j]] * b.value[j];
            }
        }
        return (one == two ? one.sigmaM() * one.sigmaM() : 0) - sum;
    }

    /** Share of an observation that the others check: 0 nothing, 1 all of it. */
    double redundancy(Observation o) {
        return residualCofactor(o, o) / (o.sigmaM() * o.sigmaM());
    }
}
