package buckle.spec;

import buckle.rulebook.Values;

/** State of a fence's insulators, and what a kilometre leaks through them with nothing in the wires (V12). */
public enum Insulators {
    SOUND("sound", Values.V12_CLEAN_S_PER_KM),
    AGED("aged or dirty", Values.V12_AGED_S_PER_KM),
    POOR("cracked or makeshift", Values.V12_POOR_S_PER_KM);

    private final String text;
    private final double siemensPerKm;

    Insulators(String text, double siemensPerKm) {
        this.text = text;
        this.siemensPerKm = siemensPerKm;
    }

    /** As it is said on screen. */
    public String text() {
        return text;
    }

    /** Leakage of a kilometre of wire. */
    public double siemensPerKm() {
        return siemensPerKm;
    }
}
