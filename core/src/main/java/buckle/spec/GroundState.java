package buckle.spec;

import buckle.rulebook.Values;

/** State of the ground in a season; the factor on its resistivity is assumed. */
public enum GroundState {
    MOIST("moist", 1),
    DRY("dry", Values.G12_DRY_FACTOR),
    FROZEN("frozen", Values.G12_FROZEN_FACTOR);

    private final String text;
    private final double factor;

    GroundState(String text, double factor) {
        this.text = text;
        this.factor = factor;
    }

    /** As it is said on screen. */
    public String text() {
        return text;
    }

    /** Times the soil's usual resistivity. */
    public double factor() {
        return factor;
    }
}
