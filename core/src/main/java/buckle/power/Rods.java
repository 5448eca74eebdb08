package buckle.power;

import java.util.ArrayList;
import java.util.List;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.LUDecomposition;
import org.hipparchus.linear.MatrixUtils;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.linear.RealVector;

/**
 * Resistance of ground rods. One rod: Dwight 1936, {@code R = ρ/(2πL) (ln(4L/a) − 1)}. Several: by the table of IEEE Std 142 for
 * rods about one length apart, or for any arrangement by the mutual resistances of rods with even current, the same integral
 * Dwight takes for one. Sources from memory. Limit: even ground; layers and seasons change it several times.
 */
public final class Rods {
    private Rods() {}

    /** Where a rod stands. */
    public record Rod(double eastM, double northM) {}

    /** Resistance of one rod to far ground (Dwight). */
    public static double singleOhm(double soilOhmM, double lengthM, double radiusM) {
        return soilOhmM / (2 * Math.PI * lengthM) * (Math.log(4 * lengthM / radiusM) - 1);
    }

    /** Share of one rod's resistance that n rods keep, by the table: 1.16, 1.29, 1.36, 1.68 over n for 2, 3, 4, 8. */
    static double tableFactor(int rods) {
        double[] known = {1, 1, 1.16, 1.29, 1.36};
        if (rods <= 4) {
            return known[rods] / Math.max(1, rods);
        }
        double factor = 1.36 + (1.68 - 1.36) * (rods - 4) / 4;
        return factor / rods;
    }

    /** Mutual resistance of two upright rods of one length whose tops are at the surface. */
    static double mutualOhm(double soilOhmM, double lengthM, double apartM) {
        double two = 2 * lengthM;
        double root = Math.hypot(two, apartM);
        return soilOhmM / (4 * Math.PI * lengthM * lengthM) * (two * Math.log((two + root) / apartM) - root + apartM);
    }

    /** All rods joined: the currents share so that each stands at the same voltage. */
    public static double togetherOhm(double soilOhmM, double lengthM, double radiusM, List<Rod> rods) {
        int n = rods.size();
        RealMatrix mutual = MatrixUtils.createRealMatrix(n, n);
        for (int i = 0; i < n; i++) {
            for (int k = 0; k < n; k++) {
                double apart = Math.hypot(
                        rods.get(i).eastM() - rods.get(k).eastM(),
                        rods.get(i).northM() - rods.get(k).northM());
                mutual.setEntry(i, k, mutualOhm(soilOhmM, lengthM, i == k ? radiusM : Math.max(apart, radiusM * 2)));
            }
        }
        RealVector oneVolt = new ArrayRealVector(n, 1);
        RealVector currents = new LUDecomposition(mutual).getSolver().solve(oneVolt);
        return 1 / currents.dotProduct(oneVolt);
    }

    /** The same by the table alone, for rods about one length apart. */
    public static double tableOhm(double soilOhmM, double lengthM, double radiusM, int rods) {
        return singleOhm(soilOhmM, lengthM, radiusM) * tableFactor(rods);
    }

    /** Resistance of rods in a row, each in the others' field. */
    public static double inLineOhm(double soilOhmM, double lengthM, double radiusM, int rods, double apartM) {
        List<Rod> all = new ArrayList<>();
        for (int i = 0; i < rods; i++) {
            all.add(new Rod(i * apartM, 0));
        }
        return togetherOhm(soilOhmM, lengthM, radiusM, all);
    }

    /** Hooves or feet on the ground, each a disc: {@code R = ρ/(4r)}, side by side. Source: Maxwell's disc, from memory. */
    public static double feetOhm(double soilOhmM, double radiusM, int feet) {
        return soilOhmM / (4 * radiusM) / feet;
    }
}
