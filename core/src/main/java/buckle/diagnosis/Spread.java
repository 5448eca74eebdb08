package buckle.diagnosis;

/**
 * How far what meters show may be off because the fence itself is not known well.
 *
 * @param by of each value, how it goes with each of as many independent unknowns of one standard deviation
 */
record Spread(double[][] by) {
    /**
     * @param sensitivities of each value to each unknown
     * @param root of the unknowns' covariance
     */
    static Spread of(double[][] sensitivities, double[][] root) {
        int p = root.length;
        double[][] by = new double[sensitivities.length][p];
        for (int i = 0; i < by.length; i++) {
            for (int k = 0; k < p; k++) {
                double s = 0;
                for (int a = k; a < p; a++) {
                    s += sensitivities[i][a] * root[a][k];
                }
                by[i][k] = s;
            }
        }
        return new Spread(by);
    }

    /** Of more values. */
    Spread and(Spread more) {
        return new Spread(Rows.joined(by, more.by));
    }

    /** Covariance of two values. */
    double between(int one, int other) {
        double s = 0;
        for (int k = 0; k < by[one].length; k++) {
            s += by[one][k] * by[other][k];
        }
        return s;
    }

    /** Covariance among some values. @param sign -1 for one that goes the other way round */
    double[][] among(int[] values, double[] sign) {
        double[][] all = new double[values.length][values.length];
        for (int i = 0; i < all.length; i++) {
            for (int j = 0; j <= i; j++) {
                all[i][j] = sign[i] * sign[j] * between(values[i], values[j]);
                all[j][i] = all[i][j];
            }
        }
        return all;
    }
}
