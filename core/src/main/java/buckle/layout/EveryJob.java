package buckle.layout;

import buckle.spec.Spec;
import buckle.spec.WireRole;
import java.util.ArrayList;
import java.util.List;

/** The cautions and ways that belong to every job like this one: one card, not a finding each. */
final class EveryJob {
    private EveryJob() {}

    static List<Standing> of(List<LineLayout> lines, Spec spec) {
        List<Standing> all = new ArrayList<>();
        all.add(new Standing("C1", "Feed the fence from a certified energizer only, never from the mains."));
        all.add(new Standing(
                "C4", "Warning signs at gates, at public access and along the line, as the local code says."));
        all.add(new Standing(
                "C6", "Have buried water, power, gas and telephone lines located before anything is driven."));
        all.add(
                new Standing(
                        "C7",
                        "Energizer off and isolated before hands go on the wire; a reel hooked to a live wire is live as a whole."));
        all.add(
                new Standing(
                        "C8",
                        "Eye and hand protection when cutting or straining; no ratchet handle that can spin back on a tensioner under load."));
        boolean cable = lines.stream()
                .flatMap(l -> l.gates().stream())
                .anyMatch(g -> g.kind().cabled());
        if (cable) {
            all.add(new Standing("C9", "Cable under gates is rated for the fence voltage; mains cable is not."));
        }
        boolean framed = lines.stream()
                .flatMap(l -> l.braces().stream())
                .anyMatch(b -> b.kind().framed());
        if (framed) {
            all.add(new Standing(
                    "B7", "Do not over-tighten the diagonals before the wires pull; stand clear of wire under load."));
        }
        if (framed && lines.stream().anyMatch(l -> l.schedule().count(WireRole.HOT) > 0)) {
            all.add(
                    new Standing(
                            "I8",
                            "Hot wires pass the diagonal of each brace and can arc to it: tie them off or put the spare insulators there."));
        }
        if (lines.stream().anyMatch(LineLayout::closed)) {
            all.add(
                    new Standing(
                            "J7",
                            spec.ringClosed()
                                    ? "The ring is closed at its closing post: to isolate a section, two cut-outs must be opened."
                                    : "Closed line: the hot wires stay open at the closing post, so one cut-out isolates all beyond it."));
        }
        return all;
    }
}
