package buckle.mechanics;

import java.util.List;

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
    private static final int HALVINGS = 40;

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
    public record Reserve(double safety, String weakest) {}

    /** What all frames together lift it by. */
    public double upliftN() {
        return ends.stream()
                .filter(e -> e.overM() > 0)
                .mapToDouble(e -> e.momentNm() / e.overM())
                .sum();
    }

    /** All pulls together, sideways. */
    public double resultantN() {
        return length(End::pullN, true);
    }

    /** The height at which the resultant would act. */
    public double leverM() {
        double pull = ends.stream().mapToDouble(End::pullN).sum();
        return pull == 0 ? 0 : ends.stream().mapToDouble(End::momentNm).sum() / pull;
    }

    private boolean framed() {
        return ends.stream().anyMatch(e -> e.overM() > 0);
    }

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

    public Reserve reserve() {
        double asked = resultantN();
        if (!framed()) {
            return new Reserve(asked <= 0 ? MOST : Math.min(MOST, holdSideN() / asked), "the post tips");
        }
        double low = 0;
        double high = MOST;
        for (int i = 0; i < HALVINGS; i++) {
            double middle = (low + high) / 2;
            if (holds(middle)) {
                low = middle;
            } else {
                high = middle;
            }
        }
        boolean slides = asked * high >= ground.slidesN(widthM, depthM);
        return new Reserve(low, slides ? "the foot slides" : "the post lifts");
    }

    /** Whether it stands when all pulls are so many times as strong. */
    private boolean holds(double times) {
        double shear = times * resultantN();
        double foot = ground.footNm(widthM, depthM, shear);
        double alone = times * length(End::momentNm, false);
        double lift = times * upliftN();
        if (alone > 0) {
            return foot >= alone && lift <= holdUpN();
        }
        double perShear = shear <= 0
                ? 0
                : times * ends.stream().mapToDouble(e -> e.pullN() / e.overM()).sum() / shear;
        return lift - foot * perShear <= holdUpN();
    }

    private interface Size {
        double of(End end);
    }

    /** Length of the sum of vectors, of all ends or of those without a frame. */
    private double length(Size size, boolean all) {
        double east = 0;
        double north = 0;
        for (End e : ends) {
            if (all || e.overM() <= 0) {
                east += size.of(e) * Math.sin(e.towardsRad());
                north += size.of(e) * Math.cos(e.towardsRad());
            }
        }
        double sum = ends.stream().mapToDouble(size::of).map(Math::abs).sum();
        double length = Math.hypot(east, north);
        return length < 1e-9 * sum ? 0 : length;
    }
}
