package buckle.site;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Optional;

/**
 * A gate in a fence line.
 *
 * @param at the middle of the opening on the ground; the layout takes the nearest place of the line
 * @param openingM clear width between the gate posts
 * @param hangs the end that leaf or strands stay fixed to when the gate is open; not said when empty
 * @param fit what it has otherwise than most gates
 */
@RecordBuilder
public record Gate(
        String id, String name, GateKind kind, GeoPoint at, double openingM, Optional<GateEnd> hangs, GateFit fit)
        implements GateBuilder.With {
    public Gate {
        if (!(openingM >= 0.3 && openingM <= 100)) {
            throw new IllegalArgumentException("gate opening " + openingM + " m is not between 0.3 m and 100 m");
        }
    }

    /** As most gates are: in the straight, with cable for all that passes. */
    public Gate(String id, String name, GateKind kind, GeoPoint at, double openingM, Optional<GateEnd> hangs) {
        this(id, name, kind, at, openingM, hangs, GateFit.USUAL);
    }

    /** Nothing said about the end it hangs from. */
    public static Gate of(String id, String name, GateKind kind, GeoPoint at, double openingM) {
        return new Gate(id, name, kind, at, openingM, Optional.empty());
    }

    /**
     * What a gate has otherwise than most.
     *
     * @param acrossCorner whether it cuts off the nearest corner, its posts standing on both sides
     * @param hotOnly whether only the hot wires are led across where cable does it, and earth wires end at both posts
     * @param netting whether a rigid leaf is covered with netting down to the ground
     */
    @RecordBuilder
    public record GateFit(boolean acrossCorner, boolean hotOnly, boolean netting) implements GateGateFitBuilder.With {
        public static final GateFit USUAL = new GateFit(false, false, false);
    }

    /** One of the two posts of a gate, in order of station. */
    public enum GateEnd {
        FIRST,
        LAST
    }
}
