package buckle.mechanics;

import java.util.List;
import org.hipparchus.analysis.solvers.BracketingNthOrderBrentSolver;

/**
 * A strong post with the pulls that end on it and the frames that hold them. Its diagonals all lift it, so their uplifts add; its foot
 * holds the resultant of the pulls sideways, and what moment it takes besides relieves the frames. Free body: each frame carries
 * {@code M − M_foot P / R} and lifts by that over its rail's length; a pull without frame turns the post over by itself.
 *
 * @param weightN of the post and what stands on it
 * @param stake a stake behind it, if there is one
 */
public record StrongPost(List<End> ends, Ground ground, double widthM, double depthM, double weightN, Stake stake) {
    private static final double MOST = 1e3;
    private static final double JUST_UNDER = 1 - 1e-9;
    private static final double EXACT = 1e-9;
    private static final int MOST_STEPS = 200;

    public StrongPost {
        ends = List.copyOf(ends);
    }

    /**
     * The end of a pull.
     *
     * @param towardsRad direction the wires go, any zero
     * @param overM way along the ground over which a frame takes the moment, the rail's length; 0 without a frame
     */
    public record End(double pullN, double momentNm, double towardsRad, double overM) {}

    /** What a stake behind the post holds at the height it is tied to; a hold of 0 without one. */
    public record Stake(double holdN, double tiedAtM) {
        public static final Stake NONE = new Stake(0, 0);
    }

    /**
     * @param safety how many times the pulls may grow until the post moves
     * @param weakest what it does then
     */
    public record Reserve(double safety, Weakness weakest) {}

    /** What all frames together lift it by. */
    public double upliftN() {
        double sum = 0;
        for (End e : ends) {
            sum += e.overM() > 0 ? e.momentNm() / e.overM() : 0;
        }
        return sum;
    }

    /** All pulls together, sideways. */
    public double resultantN() {
        return length(End::pullN, true);
    }

    /** The height at which the resultant would act. */
    public double leverM() {
        double pull = 0;
        double moment = 0;
        for (End e : ends) {
            pull += e.pullN();
            moment += e.momentNm();
        }
        return pull == 0 ? 0 : moment / pull;
    }

    private boolean framed() {
        for (End e : ends) {
            if (e.overM() > 0) {
                return true;
            }
        }
        return false;
    }

    /** Pull straight up that the ground holds. */
    public double holdUpN() {
        return ground.upliftN(widthM, depthM) + weightN;
    }

    /** Sideways: at the ground where frames keep it upright, otherwise where the wires pull. */
    public double holdSideN() {
        double lever = leverM();
        return framed() || lever <= 0
                ? ground.overturningN(widthM, depthM, 0)
                : ground.overturningN(widthM, depthM, lever) + stake.holdN() * stake.tiedAtM() / lever;
    }

    /** How much more it would hold before something gives, and what that is. */
    public Reserve reserve() {
        double asked = resultantN();
        if (!framed()) {
            return new Reserve(asked <= 0 ? MOST : Math.min(MOST, holdSideN() / asked), Weakness.POST_TIPS);
        }
        Asked once = new Asked(asked, length(End::momentNm, false), upliftN(), perShear(asked), holdUpN());
        double slides = asked <= 0 ? Double.POSITIVE_INFINITY : ground.slidesN(widthM, depthM) / asked;
        double most = Math.min(MOST, slides) * JUST_UNDER;
        if (most <= 0 || margin(once, most) >= 0) {
            return new Reserve(most, slides < MOST ? Weakness.FOOT_SLIDES : Weakness.POST_LIFTS);
        }
        double least = margin(once, 0);
        double lifts = least <= 0
                ? 0
                : new BracketingNthOrderBrentSolver(EXACT, 5).solve(MOST_STEPS, t -> margin(once, t), 0, most);
        return new Reserve(lifts, Weakness.POST_LIFTS);
    }

    /**
     * What the pulls ask of the post as they are.
     *
     * @param aloneNm of the pulls without a frame
     * @param perShear uplift that each newton metre of the foot takes off
     */
    private record Asked(double sideN, double aloneNm, double upliftN, double perShear, double holdUpN) {}

    private double perShear(double resultantN) {
        double sum = 0;
        for (End e : ends) {
            sum += e.overM() > 0 ? e.pullN() / e.overM() : 0;
        }
        return resultantN <= 0 ? 0 : sum / resultantN;
    }

    /** What is left when all pulls are so many times as strong; below zero it moves. */
    private double margin(Asked once, double times) {
        double foot = ground.footNm(widthM, depthM, times * once.sideN());
        double up = once.holdUpN() - times * once.upliftN();
        return once.aloneNm() > 0 ? Math.min(foot - times * once.aloneNm(), up) : up + foot * once.perShear();
    }

    private interface Size {
        double of(End end);
    }

    /** Length of the sum of vectors, of all ends or of those without a frame. */
    private double length(Size size, boolean all) {
        double east = 0;
        double north = 0;
        double sum = 0;
        for (End e : ends) {
            sum += Math.abs(size.of(e));
            if (all || e.overM() <= 0) {
                east += size.of(e) * Math.sin(e.towardsRad());
                north += size.of(e) * Math.cos(e.towardsRad());
            }
        }
        double length = Math.hypot(east, north);
        return length < 1e-9 * sum ? 0 : length;
    }
}
