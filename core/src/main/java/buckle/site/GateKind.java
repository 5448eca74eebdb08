package buckle.site;

/** How an opening in the fence is closed, and what that does to the pulse. */
public enum GateKind {
    /** A leaf on hinges, without power; hot and earth cable pass under it. */
    SWING("swing gate, cable under it", true, true),
    /** A leaf that slides along the fence, without power; hot and earth cable pass under it. */
    SLIDING("sliding gate, cable under it", true, true),
    /** Spring handles across the opening, one for each hot wire; dead in the hand when open, and so is what lies beyond. */
    HANDLE("spring handles across", false, true),
    /** A set of springs that close the opening, fed from its hinge side; cable passes under it, so the fence beyond stays live. */
    SPRING_SET("spring gate set, cable under it", true, true),
    /** A rigid leaf without power and without cable: the wires end at both posts. */
    RIGID("rigid gate, no power passes", false, false),
    /** A gap closed by a single hot strand on one handle, taken down to drive through (X16). */
    STRAND("one strand with a handle, for wide gaps or a trained herd", false, true),
    /** A creek crossed by a hanging part with its own switch; cable over it keeps the fence beyond live. */
    CREEK("creek crossing, hanging part with its own switch", true, true);

    private final String text;
    private final boolean cabled;
    private final boolean conducts;

    GateKind(String text, boolean cabled, boolean conducts) {
        this.text = text;
        this.cabled = cabled;
        this.conducts = conducts;
    }

    /** As it is called on screen. */
    public String text() {
        return text;
    }

    /** Hot and earth cable carry the pulse past it, open or closed. */
    public boolean cabled() {
        return cabled;
    }

    /** The pulse passes while it is closed. */
    public boolean conducts() {
        return conducts;
    }

    /** Cable lies in the ground under it: hot and earth cable, or earth cable alone under spring handles. */
    public boolean buried(boolean earthWires) {
        return this == SWING || this == SLIDING || this == SPRING_SET || this == HANDLE && earthWires;
    }

    /** Opening it kills what lies beyond. */
    public boolean opensCircuit() {
        return conducts && !cabled;
    }
}
