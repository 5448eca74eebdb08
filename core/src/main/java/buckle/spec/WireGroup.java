package buckle.spec;

import buckle.material.Conductor;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Wires of a role that are alike in what they are made of and how they are pulled.
 *
 * @param stands whether they hang there already
 * @param wires their numbers, the lowest wire of the schedule being 1
 */
public record WireGroup(WireRole role, Conductor conductor, boolean byHand, boolean stands, List<Integer> wires) {
    public WireGroup {
        wires = List.copyOf(wires);
    }

    private record Alike(WireRole role, Conductor conductor, boolean byHand, boolean stands) {}

    /** Of a fence: hot first, then earth and plain, each from the lowest up. */
    static List<WireGroup> of(FenceSpec fence) {
        boolean hand = fence.stringing().tightener() == Stringing.Tightener.NONE;
        List<Wire> wires = fence.schedule().wires();
        Map<Alike, List<Integer>> groups = new LinkedHashMap<>();
        for (WireRole role : WireRole.values()) {
            for (int i = 0; i < wires.size(); i++) {
                Wire w = wires.get(i);
                if (w.role() == role) {
                    Alike alike =
                            new Alike(role, w.madeOf(fence.wires()), w.byHand().orElse(hand), w.stands());
                    groups.computeIfAbsent(alike, a -> new ArrayList<>()).add(i + 1);
                }
            }
        }
        List<WireGroup> all = new ArrayList<>();
        groups.forEach((a, n) -> all.add(new WireGroup(a.role(), a.conductor(), a.byHand(), a.stands(), n)));
        return List.copyOf(all);
    }

    /** How many they are. */
    public int count() {
        return wires.size();
    }
}
