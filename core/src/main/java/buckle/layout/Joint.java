package buckle.layout;

import buckle.message.JointKind;
import buckle.message.JointMessage;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;

/**
 * A place where wires are joined, for the crew to follow. Wires are numbered from the ground up, from 1.
 *
 * @param id the same while other things move
 * @param hot numbers of the hot wires joined here
 * @param earth numbers of the earth wires joined here
 * @param parts what it takes
 * @param says how
 */
@RecordBuilder
public record Joint(
        String id,
        String lineId,
        double stationM,
        JointKind kind,
        String name,
        List<Integer> hot,
        List<Integer> earth,
        Parts parts,
        JointMessage says)
        implements JointBuilder.With {
    public Joint {
        hot = List.copyOf(hot);
        earth = List.copyOf(earth);
    }

    /**
     * What the joint takes, as it is drawn.
     *
     * @param pieces of jumper wire
     * @param clamps on wires and cables
     * @param cables that cross an opening here
     */
    public record Parts(int pieces, int clamps, int cables) {
        static final Parts NONE = new Parts(0, 0, 0);

        /** From wire to wire: separate pieces with a clamp at both ends, or one for each role with a clamp on each wire. */
        static Parts jumper(int hot, int earth, boolean separate) {
            int pieces =
                    separate ? Math.max(0, hot - 1) + Math.max(0, earth - 1) : (hot > 1 ? 1 : 0) + (earth > 1 ? 1 : 0);
            int clamps = separate ? 2 * pieces : (hot > 1 ? hot : 0) + (earth > 1 ? earth : 0);
            return new Parts(pieces, clamps, 0);
        }

        /** On from wire to wire, one piece each. */
        static Parts links(int wires) {
            return new Parts(wires, 2 * wires, 0);
        }

        /** A clamp at both ends of each cable. */
        static Parts cables(int cables) {
            return new Parts(0, 2 * cables, cables);
        }

        /** The hot wires of either side are joined and led to the switch, which has terminals of its own. */
        static Parts cutOut(int hot, boolean separate) {
            return separate ? new Parts(2 * hot, 4 * (hot - 1) + 2, 0) : new Parts(2, 2 * hot, 0);
        }
    }
}
