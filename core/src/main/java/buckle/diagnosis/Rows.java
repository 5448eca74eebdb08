package buckle.diagnosis;

import java.util.Arrays;

/** Arrays put together, so that what is known of some values grows by that of others. */
final class Rows {
    private Rows() {}

    static double[] joined(double[] one, double[] other) {
        double[] all = Arrays.copyOf(one, one.length + other.length);
        System.arraycopy(other, 0, all, one.length, other.length);
        return all;
    }

    static double[][] joined(double[][] one, double[][] other) {
        double[][] all = Arrays.copyOf(one, one.length + other.length);
        System.arraycopy(other, 0, all, one.length, other.length);
        return all;
    }

    /** By place and strength, each with more values. */
    static double[][][] widened(double[][][] one, double[][][] other) {
        double[][][] all = new double[one.length][][];
        for (int i = 0; i < all.length; i++) {
            all[i] = new double[one[i].length][];
            for (int j = 0; j < all[i].length; j++) {
                all[i][j] = joined(one[i][j], other[i][j]);
            }
        }
        return all;
    }
}
