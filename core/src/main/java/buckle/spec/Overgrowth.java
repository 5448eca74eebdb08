package buckle.spec;

/** What grows into the wires, and how much of the pulse it lets off: assumed conductances, the first thing readings correct. */
public enum Overgrowth {
    CLEAN("clean", 5e-5),
    LIGHT("light growth", 5e-4),
    HEAVY("heavy growth", 3e-3),
    /** Heavy growth, wet. */
    RAIN("heavy growth after rain", 8e-3);

    private final String text;
    private final double siemensPerKm;

    Overgrowth(String text, double siemensPerKm) {
        this.text = text;
        this.siemensPerKm = siemensPerKm;
    }

    public String text() {
        return text;
    }

    /** Of a fence whose lowest hot wire is near the ground. */
    public double siemensPerKm() {
        return siemensPerKm;
    }
}
