package buckle.diagnosis;

/** Normal distributions of a few dimensions, by Cholesky's factor. */
final class Gauss {
    private static final double LOG_2_PI = Math.log(2 * Math.PI);

    private final double[][] lower;
    /** Of what stands on the factor's diagonal. */
    private final double[] inverse;

    private final double logDet;

    /** @param covariance positive definite */
    Gauss(double[][] covariance) {
        int n = covariance.length;
        lower = new double[n][n];
        inverse = new double[n];
        double sum = 0;
        for (int i = 0; i < n; i++) {
            for (int j = 0; j <= i; j++) {
                double s = covariance[i][j];
                for (int k = 0; k < j; k++) {
                    s -= lower[i][k] * lower[j][k];
                }
                if (i == j) {
                    if (!(s > 0)) {
                        throw new IllegalArgumentException("a covariance is not positive definite");
                    }
                    lower[i][i] = Math.sqrt(s);
                    inverse[i] = 1 / lower[i][i];
                    sum += Math.log(lower[i][i]);
                } else {
                    lower[i][j] = s / lower[j][j];
                }
            }
        }
        logDet = 2 * sum;
    }

    /** Logarithm of the density at so far from the middle. */
    double logDensity(double[] off) {
        return logDensity(off.clone(), Double.NEGATIVE_INFINITY);
    }

    /**
     * The same, negative infinity where it is less than what matters: most of what is tried lies so far off that a few values tell.
     *
     * @param off overwritten
     */
    double logDensity(double[] off, double least) {
        double most = -logDet - off.length * LOG_2_PI - 2 * least;
        double square = 0;
        for (int i = 0; i < off.length; i++) {
            double s = off[i];
            double[] row = lower[i];
            for (int k = 0; k < i; k++) {
                s -= row[k] * off[k];
            }
            s *= inverse[i];
            off[i] = s;
            square += s * s;
            if (square > most) {
                return Double.NEGATIVE_INFINITY;
            }
        }
        return -(square + logDet + off.length * LOG_2_PI) / 2;
    }

    /** {@code S⁻¹ b}. */
    double[] solve(double[] b) {
        int n = b.length;
        double[] x = b.clone();
        for (int i = 0; i < n; i++) {
            for (int k = 0; k < i; k++) {
                x[i] -= lower[i][k] * x[k];
            }
            x[i] /= lower[i][i];
        }
        for (int i = n - 1; i >= 0; i--) {
            for (int k = i + 1; k < n; k++) {
                x[i] -= lower[k][i] * x[k];
            }
            x[i] /= lower[i][i];
        }
        return x;
    }

    static double[][] sum(double[][] a, double[][] b) {
        double[][] all = new double[a.length][a.length];
        for (int i = 0; i < a.length; i++) {
            for (int j = 0; j < a.length; j++) {
                all[i][j] = a[i][j] + b[i][j];
            }
        }
        return all;
    }

    /** {@code R} with {@code R Rᵀ = C}, of a covariance in which some things may be known exactly. */
    static double[][] root(double[][] covariance) {
        int n = covariance.length;
        double[][] root = new double[n][n];
        for (int i = 0; i < n; i++) {
            for (int j = 0; j <= i; j++) {
                double s = covariance[i][j];
                for (int k = 0; k < j; k++) {
                    s -= root[i][k] * root[j][k];
                }
                if (i == j) {
                    root[i][i] = Math.sqrt(Math.max(0, s));
                } else {
                    root[i][j] = root[j][j] > 1e-12 ? s / root[j][j] : 0;
                }
            }
        }
        return root;
    }

    /** {@code J C Jᵀ} with more on its diagonal. */
    static double[][] spread(double[][] by, double[][] covariance, double[] more) {
        int n = by.length;
        int p = covariance.length;
        double[][] half = new double[n][p];
        for (int i = 0; i < n; i++) {
            for (int a = 0; a < p; a++) {
                double s = 0;
                for (int b = 0; b < p; b++) {
                    s += by[i][b] * covariance[b][a];
                }
                half[i][a] = s;
            }
        }
        double[][] all = new double[n][n];
        for (int i = 0; i < n; i++) {
            for (int j = 0; j <= i; j++) {
                double s = i == j ? more[i] : 0;
                for (int a = 0; a < p; a++) {
                    s += half[i][a] * by[j][a];
                }
                all[i][j] = s;
                all[j][i] = s;
            }
        }
        return all;
    }
}
