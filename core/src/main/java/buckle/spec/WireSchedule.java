package buckle.spec;

import java.util.ArrayList;
import java.util.List;

/**
 * The wires of the fence from the ground up.
 *
 * @param preset rule the schedule started from, {@code W1} to {@code W17}, or {@code own}
 */
public record WireSchedule(String preset, List<Wire> wires) {
    public static final int MOST_WIRES = 16;

    public WireSchedule {
        if (wires.isEmpty() || wires.size() > MOST_WIRES) {
            throw new IllegalArgumentException("a schedule has 1 to " + MOST_WIRES + " wires, not " + wires.size());
        }
        for (int i = 1; i < wires.size(); i++) {
            if (wires.get(i).heightM() <= wires.get(i - 1).heightM()) {
                throw new IllegalArgumentException("wire " + (i + 1) + " is not above wire " + i);
            }
        }
        wires = List.copyOf(wires);
    }

    /** Wires of a role. */
    public int count(WireRole role) {
        return (int) wires.stream().filter(w -> w.role() == role).count();
    }

    /** Height of the top wire. */
    public double topM() {
        return wires.getLast().heightM();
    }

    /** Hot and earth in turn, the lowest as said; plain wires stay plain. */
    public WireSchedule alternating(WireRole lowest) {
        WireRole other = lowest == WireRole.HOT ? WireRole.EARTH : WireRole.HOT;
        List<Wire> changed = new ArrayList<>();
        int turn = 0;
        for (Wire w : wires) {
            changed.add(w.role() == WireRole.PLAIN ? w : w.as(turn++ % 2 == 0 ? lowest : other));
        }
        return new WireSchedule(preset, changed);
    }

    /** Every wire hot but the plain ones. */
    public WireSchedule allHot() {
        return new WireSchedule(
                preset,
                wires.stream()
                        .map(w -> w.role() == WireRole.PLAIN ? w : w.as(WireRole.HOT))
                        .toList());
    }
}
