package buckle.takeoff;

import buckle.layout.GatePlace;
import buckle.layout.Layout;
import buckle.layout.LineLayout;
import buckle.layout.Post;
import buckle.layout.PostKind;
import buckle.layout.Pull;
import buckle.site.GateKind;
import buckle.spec.Spec;
import buckle.spec.WireRole;
import java.util.List;

/** The numbers the takeoff multiplies, each counted once from the layout. */
record Counts(
        long passPosts,
        int pulls,
        int braces,
        double slopeM,
        double widestM,
        double leastM,
        int hot,
        int earth,
        int plain,
        List<GatePlace> swing,
        List<GatePlace> handle,
        int cutOuts) {

    static Counts of(Layout layout, Spec spec) {
        long pass = 0;
        int braces = 0;
        int cutOuts = 0;
        double slope = 0;
        double widest = 0;
        double least = Double.POSITIVE_INFINITY;
        for (LineLayout line : layout.lines()) {
            pass += line.posts().stream().filter(p -> !p.ends()).count();
            braces += line.braces().size();
            cutOuts += line.cutOuts().size();
            slope += line.pulls().stream().mapToDouble(Pull::slopeLengthM).sum();
            for (int i = 1; i < line.posts().size(); i++) {
                Post a = line.posts().get(i - 1);
                Post b = line.posts().get(i);
                double gap = b.stationM() - a.stationM();
                if (a.kind() == PostKind.LINE || b.kind() == PostKind.LINE) {
                    widest = Math.max(widest, gap);
                    least = Math.min(least, gap);
                }
            }
        }
        return new Counts(
                pass,
                layout.pulls(),
                braces,
                slope,
                widest,
                widest == 0 ? 0 : least,
                spec.schedule().count(WireRole.HOT),
                spec.schedule().count(WireRole.EARTH),
                spec.schedule().count(WireRole.PLAIN),
                gates(layout, GateKind.SWING),
                gates(layout, GateKind.HANDLE),
                cutOuts);
    }

    private static List<GatePlace> gates(Layout layout, GateKind kind) {
        return layout.gates().stream().filter(g -> g.kind() == kind).toList();
    }

    int wires() {
        return hot + earth + plain;
    }
}
