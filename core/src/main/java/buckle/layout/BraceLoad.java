package buckle.layout;

/**
 * Statics of the end of a pull.
 *
 * @param rule rule of the rail, or of the kind of brace
 * @param bucklingN load at which the rail buckles; 0 without rail
 * @param strandBreakingN what both strands of the diagonal hold; 0 without
 * @param holdN uplift the strong post's ground holds, or the pull at which a post without frame tips
 * @param safety least of what holds over what is asked
 * @param weakest what gives first, in words
 */
public record BraceLoad(
        String rule,
        double railM,
        double pullN,
        double momentNm,
        double compressionN,
        double bucklingN,
        double diagonalN,
        double strandBreakingN,
        double upliftN,
        double holdN,
        double safety,
        String weakest) {}
