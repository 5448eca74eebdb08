package buckle.spec;

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

    public int count(WireRole role) {
        return (int) wires.stream().filter(w -> w.role() == role).count();
    }

    public double topM() {
        return wires.getLast().heightM();
    }
}
