package buckle.network;

import java.util.Optional;

/**
 * What leads from one node to another.
 *
 * @param id the same while other things move
 * @param joint id of the joint, switch or gate it belongs to; its own id for a wire
 * @param lengthM along the line; 0 at a joint
 * @param opens whether it can be opened by hand: a switch, or the contact of a gate
 */
public record Edge(String id, Kind kind, Node from, Node to, String joint, double lengthM, boolean opens) {
    /** What it is made of. */
    public enum Kind {
        /** Wire of a pull, from stop to stop. */
        WIRE,
        /** The same wire, on round a post or back on another height. */
        RUNS_ON,
        /** Lead-out from the energizer. */
        LEAD,
        /** Jumper set: from wire to wire in one pull. */
        JUMPER,
        /** From wire to wire where they go on as one: at a switch, a cable or a branch. */
        BOND,
        /** On round a post to the next pull. */
        LINK,
        /** Cable under or over an opening. */
        CABLE,
        /** Handle or strand across an opening. */
        CONTACT,
        /** Cut-out switch. */
        SWITCH,
        /** From a branch to the line it stands on. */
        BRANCH
    }

    /** Names it by the nodes it joins, in the order it was made. */
    static Edge of(Kind kind, Node from, Node to, String joint, double lengthM, boolean opens) {
        String id = joint + "/" + from.wire() + (to.wire() == from.wire() ? "" : "-" + to.wire());
        return new Edge(id, kind, from, to, joint, lengthM, opens);
    }

    /** Of a joint that has several edges between the same wires. */
    Edge named(Optional<String> side) {
        return side.map(s -> new Edge(id + s, kind, from, to, joint, lengthM, opens))
                .orElse(this);
    }
}
