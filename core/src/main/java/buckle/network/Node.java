package buckle.network;

/**
 * A wire at a place: at a post where it ends or is joined, or at a terminal of the energizer.
 *
 * @param id the same while other things move: {@code line-1/corner:c3+/2} is wire 2 after corner c3
 * @param place key of the stop on its line, with {@code -} before and {@code +} after it where they are two
 * @param wire from the ground up, from 1; 0 at a terminal
 */
public record Node(String id, String lineId, String place, int wire, double stationM) {
    /** The hot terminal, where the lead-out begins. */
    public static final Node HOT_TERMINAL = new Node("energizer/hot", "", "energizer", 0, 0);

    /** The earth terminal, to which rods and tied earth wires lead. */
    public static final Node EARTH_TERMINAL = new Node("energizer/earth", "", "energizer", 0, 0);

    static Node of(String lineId, String place, int wire, double stationM) {
        return new Node(lineId + "/" + place + "/" + wire, lineId, place, wire, stationM);
    }
}
