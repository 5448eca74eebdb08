package buckle.mechanics;

import org.hipparchus.analysis.UnivariateFunction;
import org.hipparchus.analysis.solvers.BrentSolver;

/**
 * What the ground holds of a post. Sideways: short free-headed pile after Broms 1964 (Journal of the Soil Mechanics and
 * Foundations Division, cohesive and cohesionless soils), written from memory. Upwards: skin friction on the side of the
 * post and its weight left out. Strengths of soils vary widely, so these are typical low values; a pull test tells.
 *
 * @param cohesionPa undrained shear strength; 0 for ground that holds by friction
 * @param frictionDeg angle of friction; 0 for ground that holds by cohesion
 * @param unitWeightNPerM3 weight of the ground
 */
public record Ground(double cohesionPa, double frictionDeg, double unitWeightNPerM3) {
    public static final Ground CLAY = new Ground(40e3, 0, 18e3);
    public static final Ground WET = new Ground(15e3, 0, 17e3);
    public static final Ground LOAM = new Ground(0, 30, 17e3);
    public static final Ground SAND = new Ground(0, 32, 16e3);
    public static final Ground STONE = new Ground(0, 40, 20e3);

    /** Share of the cohesion that sticks to a post's side. */
    private static final double ADHESION = 0.5;

    /** Ratio of sideways to downward stress in the ground, and friction of wood or steel against it, as share of tan φ. */
    private static final double SIDE_STRESS = 0.7;

    private static final double SKIN_SHARE = 0.75;

    /** Broms leaves out the top 1.5 widths of cohesive ground. */
    private static final double DEAD_WIDTHS = 1.5;

    /** The sideways pull at a height above ground that overturns a post. */
    public double overturningN(double widthM, double depthM, double heightM) {
        if (depthM <= 0) {
            return 0;
        }
        return cohesionPa > 0 ? cohesive(widthM, depthM, heightM) : frictional(widthM, depthM, heightM);
    }

    /** H = γ b L³ Kp / (2 (e + L)). */
    private double frictional(double widthM, double depthM, double heightM) {
        double phi = Math.toRadians(frictionDeg);
        double passive = (1 + Math.sin(phi)) / (1 - Math.sin(phi));
        return 0.5 * unitWeightNPerM3 * widthM * Math.pow(depthM, 3) * passive / (heightM + depthM);
    }

    /** H (e + 1.5 b + f/2) = 2.25 b g² c with f = H / (9 c b) and g = L − 1.5 b − f. */
    private double cohesive(double widthM, double depthM, double heightM) {
        double dead = DEAD_WIDTHS * widthM;
        double reach = depthM - dead;
        if (reach <= 0) {
            return 0;
        }
        double perMetre = 9 * cohesionPa * widthM;
        UnivariateFunction balance = h -> {
            double f = h / perMetre;
            double g = reach - f;
            return h * (heightM + dead + f / 2) - 2.25 * widthM * g * g * cohesionPa;
        };
        return new BrentSolver(1e-9, 1e-3).solve(200, balance, 0, perMetre * reach);
    }

    /** The upward pull that draws a post out. */
    public double upliftN(double widthM, double depthM) {
        if (depthM <= 0) {
            return 0;
        }
        double side = Math.PI * widthM * depthM;
        if (cohesionPa > 0) {
            return ADHESION * cohesionPa * side;
        }
        double middle = unitWeightNPerM3 * depthM / 2;
        return SIDE_STRESS * middle * SKIN_SHARE * Math.tan(Math.toRadians(frictionDeg)) * side;
    }
}
