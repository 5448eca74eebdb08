package buckle.network;

import buckle.layout.Fence;
import buckle.layout.LineLayout;
import buckle.layout.Pull;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/**
 * Which hot wires hang together with the feed, by the joints as drawn and nothing else (J1): a wire that no joint reaches is dead,
 * however near a live one it runs.
 */
public final class LiveWires {
    private final Fence fence;
    private final WireNetwork wires;
    private final Set<Node> fed;

    LiveWires(Fence fence, WireNetwork wires, Set<String> leftOut) {
        this.fence = fence;
        this.wires = wires;
        DisjointSets<Node> together = new DisjointSets<>();
        for (Edge e : wires.edges()) {
            if (!(e.kind() == Edge.Kind.JUMPER && leftOut.contains(e.joint()))) {
                together.join(e.from(), e.to());
            }
        }
        this.fed = together.with(Node.HOT_TERMINAL);
    }

    /** A stretch where some hot wires are dead beside live ones. */
    public record Dead(String lineId, double fromM, double toM, List<Integer> wires) {
        public Dead {
            wires = List.copyOf(wires);
        }
    }

    /** Numbers of the hot wires at a station that the feed reaches, from the ground up. */
    public List<Integer> at(LineLayout line, double stationM) {
        return line.pulls().isEmpty() ? List.of() : of(line, WireNetwork.pullAt(line, stationM));
    }

    private List<Integer> of(LineLayout line, Pull pull) {
        return WireNetwork.hot(line).stream()
                .filter(w -> fed.contains(wires.begin(line, pull, w)))
                .toList();
    }

    /** Hot wires that no joint reaches, pull by pull. */
    public List<Dead> dead() {
        List<Dead> dead = new ArrayList<>();
        for (LineLayout line : fence.layouts()) {
            for (Pull pull : line.pulls()) {
                List<Integer> live = of(line, pull);
                List<Integer> without = WireNetwork.hot(line).stream()
                        .filter(w -> !live.contains(w))
                        .toList();
                if (!live.isEmpty() && !without.isEmpty()) {
                    dead.add(new Dead(line.lineId(), pull.fromM(), pull.toM(), without));
                }
            }
        }
        return dead;
    }

    /** Numbers of a line's hot wires, from the ground up. */
    public static List<Integer> hot(LineLayout line) {
        return WireNetwork.hot(line);
    }
}
