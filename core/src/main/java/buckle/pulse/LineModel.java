package buckle.pulse;

/** How a run is computed. */
public enum LineModel {
    /** Direct-current resistance, images over perfect ground. */
    CONSTANT(2e6),
    /** Skin effect in the wires and the pulse's way back through the ground: both grow with frequency. */
    FREQUENCY_DEPENDENT(0.5e6);

    private final double highestHz;

    LineModel(double highestHz) {
        this.highestHz = highestHz;
    }

    /** Frequencies above add less than half a per cent to a peak (measured against ngspice: docs/electrics.md). */
    double highestHz() {
        return highestHz;
    }
}
