package buckle.spec;

import buckle.units.Lengths;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * Wires for several kinds of animals together (W19): every height one of them needs; heights within 2 in are one wire, at the
 * lower; a wire is hot when one of them needs it hot.
 *
 * @param merged what became one, in words
 */
public record Mixed(WireSchedule schedule, List<String> merged) {
    private static final double SAME_M = Lengths.in(2);

    public Mixed {
        merged = List.copyOf(merged);
    }

    private record Wanted(Wire wire, Preset by) {}

    /** Of presets hung on one line of posts. */
    public static Mixed of(List<Preset> presets) {
        List<Wanted> all = new ArrayList<>();
        presets.forEach(p -> p.wires().forEach(w -> all.add(new Wanted(w, p))));
        all.sort(Comparator.comparingDouble(w -> w.wire().heightM()));
        List<Wire> wires = new ArrayList<>();
        List<String> merged = new ArrayList<>();
        Wanted low = null;
        for (Wanted w : all) {
            if (low == null || w.wire().heightM() - low.wire().heightM() > SAME_M + 1e-9) {
                low = w;
                wires.add(w.wire());
            } else {
                Wire kept = wires.getLast();
                boolean hot = kept.role() == WireRole.HOT || w.wire().role() == WireRole.HOT;
                boolean earth = kept.role() == WireRole.EARTH || w.wire().role() == WireRole.EARTH;
                WireRole role = hot ? WireRole.HOT : earth ? WireRole.EARTH : WireRole.PLAIN;
                wires.set(wires.size() - 1, new Wire(kept.heightM(), role));
                merged.add(w.by().rule() + " at " + inches(w.wire()) + " is served by "
                        + low.by().rule() + " at " + inches(kept) + (hot && earth ? ", hot" : ""));
            }
        }
        while (wires.size() > WireSchedule.MOST_WIRES) {
            merged.add("the wire at " + inches(wires.getLast()) + " is left out: a schedule has at most "
                    + WireSchedule.MOST_WIRES + " wires");
            wires.removeLast();
        }
        return new Mixed(new WireSchedule("own", wires), merged);
    }

    private static String inches(Wire w) {
        double in = w.heightM() / Lengths.M_PER_IN;
        return (in == Math.rint(in) ? String.valueOf(Math.round(in)) : String.valueOf(Math.round(in * 10) / 10.0))
                + " in";
    }
}
