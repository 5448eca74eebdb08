package buckle.review;

import buckle.land.Contact;
import buckle.land.Traits.Soil;
import buckle.layout.Fence;
import buckle.layout.Finding;
import buckle.layout.LaidLine;
import buckle.layout.LineLayout;
import buckle.layout.Severity;
import buckle.message.LayoutMessage;
import buckle.message.Span;
import buckle.rulebook.Rule;
import buckle.rulebook.Values;
import buckle.site.FenceLine;
import buckle.site.Stationing;
import buckle.spec.Spec;
import buckle.spec.WireRole;
import buckle.spec.WireSchedule;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** Whether the wires suit the ground, and whether the two rows of a double fence stand right. */
final class ScheduleFindings {
    private ScheduleFindings() {}

    static void of(Fence fence, List<Finding> findings) {
        List<LaidLine> lines = fence.lines();
        Spec spec = fence.spec();
        for (LaidLine laid : lines) {
            returns(laid, spec, findings);
            beside(laid, lines, findings);
        }
        spec.lines().stream()
                .filter(s -> lines.stream().noneMatch(l -> l.id().equals(s.lineId())))
                .forEach(
                        s -> findings.add(Finding.ofJob(Rule.W18, Severity.NOTE, new LayoutMessage.WiresOfLostLine())));
    }

    /** W18: dry, stony and frozen ground carries no return. */
    private static void returns(LaidLine laid, Spec spec, List<Finding> findings) {
        LineLayout line = laid.layout();
        WireSchedule schedule = line.schedule();
        boolean allHot = schedule.count(WireRole.EARTH) == 0;
        for (Contact zone : laid.soil().zones()) {
            Soil soil = zone.feature().traits().soil().orElse(Soil.LOAM);
            boolean poor = soil == Soil.SAND || soil == Soil.STONE || soil == Soil.FROZEN_IN_SEASON;
            if (poor && allHot && schedule.wires().size() > 1) {
                findings.add(Finding.at(
                        Rule.W18,
                        Severity.WARN,
                        line.lineId(),
                        zone.fromM(),
                        new LayoutMessage.PoorReturn(
                                new Span(zone.fromM(), zone.toM()),
                                zone.feature().title())));
                return;
            }
        }
        boolean loose = !allHot && !spec.fence().wires().earthTied();
        if (loose) {
            findings.add(Finding.at(Rule.W18, Severity.NOTE, line.lineId(), 0, new LayoutMessage.EarthGroundedAlong()));
        }
    }

    /** W9 and P7: the outer row 30 in out, its posts opposite the inner ones. */
    private static void beside(LaidLine laid, List<LaidLine> lines, List<Finding> findings) {
        FenceLine outer = laid.line();
        Optional<String> partner = outer.book().beside();
        if (partner.isEmpty()) {
            return;
        }
        for (LaidLine other : lines) {
            if (other.id().equals(partner.get())) {
                Stationing inner = other.stationing();
                double worst = 0;
                double at = 0;
                Stationing row = laid.stationing();
                for (int side = 0; side < row.sideCount(); side++) {
                    double middle = (row.cornerStationM(side) + row.cornerStationM(side + 1)) / 2;
                    double off = Math.abs(inner.nearest(row.at(middle, side)).offsetM() - Values.W9_APART_M);
                    if (off > worst) {
                        worst = off;
                        at = middle;
                    }
                }
                boolean far = worst > 0.5 * Values.W9_APART_M;
                findings.add(Finding.at(
                        Rule.W9,
                        far ? Severity.WARN : Severity.NOTE,
                        outer.id(),
                        at,
                        new LayoutMessage.OuterRow(
                                outer.name(),
                                other.line().name(),
                                Values.W9_APART_M,
                                far ? OptionalDouble.of(worst) : OptionalDouble.empty())));
                return;
            }
        }
        findings.add(Finding.at(Rule.W9, Severity.WARN, outer.id(), 0, new LayoutMessage.OuterRowAlone(outer.name())));
    }
}
