package buckle.spec;

import buckle.rulebook.Values;

/** What grows into the wires, and how much of the pulse it lets off: assumed conductances, the first thing readings correct. */
public enum Growth {
    CLEAN("clean", Values.V12_CLEAN_S_PER_KM),
    LIGHT("light growth", Values.V12_LIGHT_S_PER_KM),
    HEAVY("heavy growth", Values.V12_HEAVY_S_PER_KM),
    /** Heavy growth, wet. */
    RAIN("heavy growth after rain", Values.V12_RAIN_S_PER_KM);

    private final String text;
    private final double siemensPerKm;

    Growth(String text, double siemensPerKm) {
        this.text = text;
        this.siemensPerKm = siemensPerKm;
    }

    /** As it is said on screen. */
    public String text() {
        return text;
    }

    /** Of a fence whose lowest hot wire is near the ground. */
    public double siemensPerKm() {
        return siemensPerKm;
    }
}
