package buckle.layout;

import buckle.material.Conductor;
import buckle.message.PostMessage.When;
import buckle.spec.WireRole;
import java.util.List;

/**
 * The wires between two posts that end them, or hold them where they turn.
 *
 * @param totalN pull of all wires together
 * @param momentNm of that pull about the ground
 * @param worstN pull of all wires on the coldest night or under ice, whichever is more
 * @param worstNm the same about the ground
 * @param worstWhen when that is
 * @param widestSpanM longest way between two supports
 */
public record Pull(
        double fromM,
        double toM,
        double slopeLengthM,
        double totalN,
        double momentNm,
        double worstN,
        double worstNm,
        When worstWhen,
        double widestSpanM,
        List<PullWire> wires) {
    public Pull {
        wires = List.copyOf(wires);
    }

    /**
     * The wires of one role in a pull that are made and pulled alike.
     *
     * @param wires their numbers, from the lowest wire of the schedule up
     * @param tensionN of each, as strained
     * @param sagM in the widest span
     * @param coldN on the coldest day
     * @param icedN with the coat of ice it must stand; the tension itself without ice
     * @param icedSagM sag then
     * @param sprung whether a spring in each takes its share of what frost and ice add (H4)
     * @param coils opened for the wires that begin in this pull, of all wires of this role
     * @param joinersM stations of joints where coils end, of all wires of this role
     */
    public record PullWire(
            WireRole role,
            Conductor conductor,
            int count,
            List<Integer> wires,
            double tensionN,
            double sagM,
            double coldN,
            double icedN,
            double icedSagM,
            boolean sprung,
            int coils,
            List<Double> joinersM) {
        public PullWire {
            wires = List.copyOf(wires);
            joinersM = List.copyOf(joinersM);
        }

        /** The most it pulls. */
        public double worstN() {
            return Math.max(tensionN, Math.max(coldN, icedN));
        }
    }
}
