package buckle.mechanics;

import org.hipparchus.analysis.UnivariateFunction;
import org.hipparchus.analysis.solvers.BracketingNthOrderBrentSolver;

/**
 * What the ground holds of a post.
 *
 * <p>Sideways: a rigid pile turning about a point in the ground (Brinch Hansen 1961), pushed against by at most {@code 3 Kp γ z} where
 * the ground holds by friction (Broms 1964) and {@code c (3 + z / 2b)}, at most {@code 9 c}, where it holds by cohesion (Matlock 1970
 * without the weight of the ground). Upwards: adhesion of half the cohesion, and {@code K γ z tan ¾φ} with the sideways stress that
 * driving leaves (NAVFAC DM-7.2, 1982, chapter 5: K of 0.6 to 1.0 in tension for driven piles, ¾φ on timber). All from memory.
 *
 * <p>The strengths are typical ones of moist ground, set so that the order of grounds and the braces that practice knows to hold come
 * out (H1 to H3). Range: posts of 0.2 to 3 m depth. They vary widely; a pull test tells more.
 *
 * @param cohesionPa what holds without weight on it; of loam and stony ground apparent, lost under water
 * @param frictionDeg angle of friction
 * @param unitWeightNPerM3 weight of the ground, under water less its buoyancy
 * @param sideStress sideways stress beside a driven post as share of the downward one
 */
public record Ground(double cohesionPa, double frictionDeg, double unitWeightNPerM3, double sideStress) {
    public static final Ground STONE = new Ground(60e3, 40, 20e3, 1);
    public static final Ground CLAY = new Ground(60e3, 0, 18e3, 1);
    public static final Ground LOAM = new Ground(20e3, 28, 17e3, 1);
    public static final Ground SAND = new Ground(1e3, 32, 16e3, 1);
    public static final Ground WET = new Ground(1e3, 26, 8e3, 0.6);

    /** Share of the cohesion that sticks to a post's side; clay shrinks off the top of it. */
    private static final double ADHESION = 0.5;

    /** Friction of timber and steel against the ground, as share of φ. */
    private static final double SKIN_SHARE = 0.75;

    private static final double COHESION_AT_TOP = 3;
    private static final double COHESION_PER_WIDTH = 0.5;
    private static final double COHESION_MOST = 9;

    /** What pushes back on a post from the surface to a depth. */
    private double pushN(double widthM, double depthM) {
        double full = (COHESION_MOST - COHESION_AT_TOP) / COHESION_PER_WIDTH * widthM;
        double top = Math.min(depthM, full);
        double cohesive = COHESION_AT_TOP * top
                + COHESION_PER_WIDTH * top * top / (2 * widthM)
                + COHESION_MOST * Math.max(0, depthM - full);
        return widthM * (cohesionPa * cohesive + 1.5 * passive() * unitWeightNPerM3 * depthM * depthM);
    }

    /** The moment of that about the surface. */
    private double pushNm(double widthM, double depthM) {
        double full = (COHESION_MOST - COHESION_AT_TOP) / COHESION_PER_WIDTH * widthM;
        double top = Math.min(depthM, full);
        double below = Math.max(0, depthM * depthM - full * full);
        double cohesive = COHESION_AT_TOP * top * top / 2
                + COHESION_PER_WIDTH * top * top * top / (3 * widthM)
                + COHESION_MOST * below / 2;
        return widthM * (cohesionPa * cohesive + passive() * unitWeightNPerM3 * depthM * depthM * depthM);
    }

    private double passive() {
        double sine = Math.sin(Math.toRadians(frictionDeg));
        return (1 + sine) / (1 - sine);
    }

    /** The push at the surface that shoves a post along without turning it. */
    public double slidesN(double widthM, double depthM) {
        return depthM <= 0 ? 0 : pushN(widthM, depthM);
    }

    /**
     * The moment about the surface that the ground still takes from a post that is pushed there; below zero, it is turned back by so
     * much. Minus infinity when the post slides.
     */
    public double footNm(double widthM, double depthM, double shearN) {
        double whole = slidesN(widthM, depthM);
        if (shearN >= whole) {
            return Double.NEGATIVE_INFINITY;
        }
        double turnsAtM = pushedToM(widthM, (shearN + whole) / 2);
        return pushNm(widthM, depthM) - 2 * pushNm(widthM, turnsAtM);
    }

    /** The depth down to which the ground pushes back with so much: a quadratic equation above and below where cohesion is full. */
    private double pushedToM(double widthM, double forceN) {
        double full = (COHESION_MOST - COHESION_AT_TOP) / COHESION_PER_WIDTH * widthM;
        double friction = 1.5 * passive() * unitWeightNPerM3;
        double each = forceN / widthM;
        double above = positiveRoot(
                friction + cohesionPa * COHESION_PER_WIDTH / (2 * widthM), cohesionPa * COHESION_AT_TOP, -each);
        double short9 = (COHESION_MOST - COHESION_AT_TOP) * full / 2;
        return above <= full ? above : positiveRoot(friction, cohesionPa * COHESION_MOST, -each - cohesionPa * short9);
    }

    private static double positiveRoot(double a, double b, double c) {
        double root = Math.sqrt(b * b - 4 * a * c);
        return b + root == 0 ? 0 : -2 * c / (b + root);
    }

    /** The sideways pull at a height above ground that turns a post over. */
    public double overturningN(double widthM, double depthM, double heightM) {
        if (depthM <= 0) {
            return 0;
        }
        UnivariateFunction balance = x -> pushNm(widthM, depthM)
                - 2 * pushNm(widthM, x)
                - heightM * (2 * pushN(widthM, x) - pushN(widthM, depthM));
        double turnsAtM = new BracketingNthOrderBrentSolver(1e-10, 5).solve(200, balance, 0, depthM);
        return 2 * pushN(widthM, turnsAtM) - pushN(widthM, depthM);
    }

    /** The upward pull that draws a post out, its weight left out. */
    public double upliftN(double widthM, double depthM) {
        if (depthM <= 0) {
            return 0;
        }
        double stress = sideStress * unitWeightNPerM3 * depthM / 2;
        double skin = ADHESION * cohesionPa + stress * Math.tan(Math.toRadians(SKIN_SHARE * frictionDeg));
        return skin * Math.PI * widthM * depthM;
    }
}
