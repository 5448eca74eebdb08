package buckle.pulse;

/**
 * One wire of a run.
 *
 * @param ohmPerM for direct current
 * @param muR permeability relative to air; about 100 for steel, 1 for other metals
 * @param hot joined to the other hot ones; otherwise held at earth
 */
public record LineWire(double heightM, double diameterM, double ohmPerM, double muR, boolean hot) {
    public LineWire {
        require(heightM > 0 && heightM < 100, "height " + heightM + " m of a wire is not between 0 and 100 m");
        require(
                diameterM > 0 && diameterM < 2 * heightM,
                "diameter " + diameterM + " m of a wire is not above 0 and under twice its height");
        require(
                ohmPerM > 0 && ohmPerM < 1e4,
                "resistance " + ohmPerM + " Ω/m of a wire is not above 0 and under 10,000 Ω/m");
        require(muR >= 1 && muR <= 10_000, "permeability " + muR + " of a wire is not between 1 and 10,000");
    }

    static void require(boolean holds, String otherwise) {
        if (!holds) {
            throw new IllegalArgumentException(otherwise);
        }
    }
}
