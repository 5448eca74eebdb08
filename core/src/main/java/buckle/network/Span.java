package buckle.network;

import buckle.layout.GatePlace;
import java.util.Optional;

/**
 * All wires of a line between two places that matter to the pulse: ends, branches, switches, gates, the feed.
 *
 * @param from number of the place before, {@code to} of the place after; places joined for good have one number
 * @param gate the opening it crosses, when it does
 */
public record Span(String lineId, double fromM, double toM, int from, int to, Optional<GatePlace> gate) {
    /** Whether power passes. */
    public boolean conducts() {
        return gate.map(g -> g.kind().conducts()).orElse(true);
    }
}
