package buckle.mechanics;

/**
 * Statics of an H brace (B8): end post, level rail at height h, brace post at distance L, and a diagonal from the foot of
 * the end post to the top of the brace post. Free body of the end post hinged at the ground: M = Σ Tᵢ hᵢ, rail compression
 * C = M / h; of the brace post: diagonal tension D = C / cos θ with tan θ = h / L; the diagonal lifts the end post by
 * U = C tan θ = M / L. The diagonal is a loop of two strands that share D.
 *
 * @param pullN sum of the wires' pulls
 * @param momentNm about the ground line
 */
public record HBrace(double pullN, double momentNm, double railM, double railHeightM) {
    public HBrace {
        if (!(railM > 0 && railHeightM > 0)) {
            throw new IllegalArgumentException("an H brace needs a rail and a height");
        }
    }

    /** Push in the rail. */
    public double compressionN() {
        return momentNm / railHeightM;
    }

    /** Pull in the diagonal. */
    public double diagonalN() {
        return compressionN() * Math.hypot(railM, railHeightM) / railM;
    }

    /** Of one strand of the loop. */
    public double strandN() {
        return diagonalN() / 2;
    }

    /** What the diagonal lifts the end post by. */
    public double upliftN() {
        return momentNm / railM;
    }

    /** What is left to the ground to hold sideways at the feet of both posts together. */
    public double footShearN() {
        return pullN;
    }

    /**
     * Load at which a round rail pinned at both ends buckles: π² E I / L² with I = π d⁴/64 (Euler).
     *
     * @param elasticPa along the grain, for timber
     */
    public static double bucklingN(double diameterM, double lengthM, double elasticPa) {
        double inertia = Math.PI * Math.pow(diameterM, 4) / 64;
        return Math.PI * Math.PI * elasticPa * inertia / (lengthM * lengthM);
    }
}
