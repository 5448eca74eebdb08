package buckle.layout;

import buckle.mechanics.Hold;
import buckle.mechanics.Weakness;
import buckle.rulebook.Rule;

/**
 * Statics of the end of a pull.
 *
 * @param rule rule of the rail, or of the kind of brace
 * @param bucklingN load at which the rail buckles; 0 without rail
 * @param strandBreakingN what both strands of the diagonal hold; 0 without
 * @param holdN uplift the strong post's ground holds, or the pull at which a post without frame tips
 * @param day on the day of building
 * @param worst on the coldest night or under ice
 */
public record BraceLoad(
        Rule rule, double railM, double bucklingN, double strandBreakingN, double holdN, State day, State worst) {
    /**
     * @param pullN of the pull's wires; of a post without frame the resultant of all pulls that end on it
     * @param momentNm of that about the ground
     * @param compressionN in the rail; 0 without
     * @param diagonalN in both strands of the diagonal; 0 without
     * @param upliftN what all frames of the strong post together lift it by
     * @param safety least of what holds over what is asked
     * @param weakest what gives first
     */
    public record State(
            double pullN,
            double momentNm,
            double compressionN,
            double diagonalN,
            double upliftN,
            double safety,
            Weakness weakest,
            Hold hold) {}
}
