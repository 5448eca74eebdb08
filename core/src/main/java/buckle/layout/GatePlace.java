package buckle.layout;

import buckle.site.GateKind;

/** A gate in its line: the opening from post to post. */
public record GatePlace(String id, String name, GateKind kind, double fromM, double toM) {
    /** From post to post. */
    public double openingM() {
        return toM - fromM;
    }
}
