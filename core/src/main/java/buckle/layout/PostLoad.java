package buckle.layout;

import buckle.mechanics.Hold;

/**
 * What a post carries and what its ground holds.
 *
 * @param upliftN what wires and braces lift it by on the day of building; negative where they press it down
 * @param sideN what the wires push it by sideways on that day
 * @param upliftWorstN the same on the coldest night or under ice
 * @param holdUpN upward pull that draws it out
 * @param holdSideN sideways pull that turns it over: at the ground where frames keep it upright, else where the wires act
 * @param hold how it stands on the day of building
 * @param holdWorst how it stands at the worst load
 */
public record PostLoad(
        double upliftN,
        double sideN,
        double upliftWorstN,
        double sideWorstN,
        double holdUpN,
        double holdSideN,
        Hold hold,
        Hold holdWorst) {
    static PostLoad of(double upliftN, double sideN, double worst, double holdUpN, double holdSideN) {
        return new PostLoad(
                upliftN,
                sideN,
                upliftN * worst,
                sideN * worst,
                holdUpN,
                holdSideN,
                Hold.of(holdUpN, upliftN).worse(Hold.of(holdSideN, sideN)),
                Hold.of(holdUpN, upliftN * worst).worse(Hold.of(holdSideN, sideN * worst)));
    }

    /** Held down by an anchor. */
    PostLoad tiedDown() {
        return new PostLoad(
                upliftN,
                sideN,
                upliftWorstN,
                sideWorstN,
                holdUpN,
                holdSideN,
                Hold.of(holdSideN, sideN),
                Hold.of(holdSideN, sideWorstN));
    }
}
