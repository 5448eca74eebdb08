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

    /**
     * A rod among others of other lengths and in other ground.
     *
     * @param wettedOhmM of the ground close to it where that is kept wet; otherwise that of the ground
     */
    public record Buried(
            double eastM, double northM, double lengthM, double radiusM, double soilOhmM, double wettedOhmM) {
        /** Its own resistance: within the wetted ground along its radius, beyond it as of a rod that thick (Fagan and Lee 1970). */
        double ownOhm() {
            if (!wetted()) {
                return mutualOhm(soilOhmM, lengthM, radiusM);
            }
            double near = wettedOhmM / (2 * Math.PI * lengthM) * Math.log(reachM() / radiusM);
            return near + mutualOhm(soilOhmM, lengthM, reachM());
        }

        private boolean wetted() {
            return wettedOhmM < soilOhmM && radiusM < Math.min(WETTED_M, lengthM);
        }

        /** Radius of what lies in its ground like one rod. */
        private double reachM() {
            return wetted() ? Math.min(WETTED_M, lengthM) : radiusM;
        }
    }

    /** Ground about a rod that a bucket now and then keeps wet; ours. */
    private static final double WETTED_M = 0.3;

    /** Mutual resistance of two upright rods whose tops are at the surface, in ground of one resistivity. */
    static double mutualOhm(double soilOhmM, double oneM, double otherM, double apartM) {
        return soilOhmM
                / (4 * Math.PI * oneM * otherM)
                * (potential(oneM + otherM, apartM) - potential(oneM - otherM, apartM));
    }

    /** Second integral of 1/√(u² + d²). */
    private static double potential(double u, double apartM) {
        double root = Math.hypot(u, apartM);
        return Math.abs(u) * Math.log((Math.abs(u) + root) / apartM) - root;
    }

    /**
     * Rods of any length anywhere, joined. Where two stand in different ground the mutual resistance takes the geometric mean of
     * both: a coarse figure that keeps the currents right in sign.
     */
    public static double togetherOhm(List<Buried> rods) {
        int n = rods.size();
        RealMatrix mutual = MatrixUtils.createRealMatrix(n, n);
        for (int i = 0; i < n; i++) {
            Buried one = rods.get(i);
            mutual.setEntry(i, i, one.ownOhm());
            for (int k = 0; k < i; k++) {
                Buried other = rods.get(k);
                double apart = Math.max(
                        Math.hypot(one.eastM() - other.eastM(), one.northM() - other.northM()),
                        one.reachM() + other.reachM());
                double soil = Math.sqrt(one.soilOhmM() * other.soilOhmM());
                double ohm = mutualOhm(soil, one.lengthM(), other.lengthM(), apart);
                mutual.setEntry(i, k, ohm);
                mutual.setEntry(k, i, ohm);
            }
        }
        return oneVoltOhm(mutual);
    }

    private static double oneVoltOhm(RealMatrix mutual) {
        RealVector oneVolt = new ArrayRealVector(mutual.getRowDimension(), 1);
        RealVector currents = new LUDecomposition(mutual).getSolver().solve(oneVolt);
        return 1 / currents.dotProduct(oneVolt);
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
        return oneVoltOhm(mutual);
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
