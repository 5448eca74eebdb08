package buckle.diagnosis;

/** Between evenly spaced rows by a cubic through four (Catmull and Rom); at the ends by what is there. */
final class Cubic {
    private Cubic() {}

    static double[] between(double[][] rows, double at) {
        double[] out = new double[rows[0].length];
        for (int i = 0; i < out.length; i++) {
            out[i] = between(rows, i, at);
        }
        return out;
    }

    /** Of one column of rows. */
    static double[] between(double[][][] rows, int column, double at) {
        double[][] own = new double[rows.length][];
        for (int i = 0; i < own.length; i++) {
            own[i] = rows[i][column];
        }
        return between(own, at);
    }

    /** Of a single value of each row. */
    static double between(double[][] rows, int column, double at) {
        int j = Math.clamp((int) Math.floor(at), 0, Math.max(0, rows.length - 2));
        double t = at - j;
        if (t == 0 || rows.length == 1) {
            return rows[j][column];
        }
        return between(
                rows[Math.max(0, j - 1)][column],
                rows[j][column],
                rows[j + 1][column],
                rows[Math.min(rows.length - 1, j + 2)][column],
                j > 0,
                j + 2 < rows.length,
                t);
    }

    private static double between(
            double before, double a, double b, double after, boolean hasBefore, boolean hasAfter, double t) {
        double t2 = t * t;
        double t3 = t2 * t;
        double left = hasBefore ? (b - before) / 2 : b - a;
        double right = hasAfter ? (after - a) / 2 : b - a;
        return (2 * t3 - 3 * t2 + 1) * a + (t3 - 2 * t2 + t) * left + (3 * t2 - 2 * t3) * b + (t3 - t2) * right;
    }
}
