package buckle.site;

import java.util.Optional;

/**
 * A gate in a fence line.
 *
 * @param at the middle of the opening on the ground; the layout takes the nearest place of the line
 * @param openingM clear width between the gate posts
 * @param hangs the end that leaf or strands stay fixed to when the gate is open; not said when empty
 */
public record Gate(String id, String name, GateKind kind, GeoPoint at, double openingM, Optional<GateEnd> hangs) {
    public Gate {
        if (!(openingM >= 0.3 && openingM <= 100)) {
            throw new IllegalArgumentException("gate opening " + openingM + " m is not between 0.3 m and 100 m");
        }
    }

    /** Nothing said about the end it hangs from. */
    public static Gate of(String id, String name, GateKind kind, GeoPoint at, double openingM) {
        return new Gate(id, name, kind, at, openingM, Optional.empty());
    }

    /** One of the two posts of a gate, in order of station. */
    public enum GateEnd {
        FIRST,
        LAST
    }
}
