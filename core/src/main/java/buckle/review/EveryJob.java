package buckle.review;

import buckle.layout.LineLayout;
import buckle.layout.Standing;
import buckle.message.LayoutMessage;
import buckle.rulebook.Rule;
import buckle.spec.Spec;
import buckle.spec.WireRole;
import java.util.ArrayList;
import java.util.List;

/** The cautions and ways that belong to every job like this one: one card, not a finding each. */
final class EveryJob {
    private EveryJob() {}

    static List<Standing> of(List<LineLayout> lines, Spec spec) {
        List<Standing> all = new ArrayList<>();
        all.add(new Standing(Rule.C1, LayoutMessage.EveryJob.CERTIFIED_ENERGIZER));
        all.add(new Standing(Rule.C4, LayoutMessage.EveryJob.WARNING_SIGNS));
        all.add(new Standing(Rule.C6, LayoutMessage.EveryJob.LOCATE_SERVICES));
        all.add(new Standing(Rule.C7, LayoutMessage.EveryJob.ISOLATE_FIRST));
        all.add(new Standing(Rule.C8, LayoutMessage.EveryJob.PROTECT_EYES_AND_HANDS));
        boolean cable = lines.stream()
                .flatMap(l -> l.gates().stream())
                .anyMatch(g -> g.kind().cabled());
        if (cable) {
            all.add(new Standing(Rule.C9, LayoutMessage.EveryJob.CABLE_RATED));
        }
        boolean framed = lines.stream()
                .flatMap(l -> l.braces().stream())
                .anyMatch(b -> b.kind().framed());
        if (framed) {
            all.add(new Standing(Rule.B7, LayoutMessage.EveryJob.DIAGONALS_LOOSE));
        }
        if (framed && lines.stream().anyMatch(l -> l.schedule().count(WireRole.HOT) > 0)) {
            all.add(new Standing(Rule.I8, LayoutMessage.EveryJob.DIAGONALS_ARC));
        }
        if (lines.stream().anyMatch(LineLayout::closed)) {
            all.add(new Standing(
                    Rule.J7,
                    lines.stream().filter(LineLayout::closed).allMatch(LineLayout::ringJoined)
                            ? LayoutMessage.EveryJob.RING_CLOSED
                            : LayoutMessage.EveryJob.RING_OPEN));
        }
        return all;
    }
}
