package buckle.layout;

import buckle.land.Contact;
import buckle.land.Traits.Soil;
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

    static void of(List<LineLayer> layers, List<LineLayout> lines, Spec spec, List<Finding> findings) {
        for (int i = 0; i < lines.size(); i++) {
            returns(layers.get(i), lines.get(i), spec, findings);
            beside(i, layers, lines, findings);
        }
        spec.build().lines().stream()
                .filter(s -> lines.stream().noneMatch(l -> l.lineId().equals(s.lineId())))
                .forEach(
                        s -> findings.add(Finding.ofJob(Rule.W18, Severity.NOTE, new LayoutMessage.WiresOfLostLine())));
    }

    /** W18: dry, stony and frozen ground carries no return. */
    private static void returns(LineLayer layer, LineLayout line, Spec spec, List<Finding> findings) {
        WireSchedule schedule = line.schedule();
        boolean allHot = schedule.count(WireRole.EARTH) == 0;
        for (Contact zone : layer.soil().zones()) {
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
        boolean loose = !allHot && !spec.build().wires().earthTied();
        if (loose) {
            findings.add(Finding.at(Rule.W18, Severity.NOTE, line.lineId(), 0, new LayoutMessage.EarthGroundedAlong()));
        }
    }

    /** W9 and P7: the outer row 30 in out, its posts opposite the inner ones. */
    private static void beside(int i, List<LineLayer> layers, List<LineLayout> lines, List<Finding> findings) {
        FenceLine outer = layers.get(i).line();
        Optional<String> partner = outer.book().beside();
        if (partner.isEmpty()) {
            return;
        }
        for (int k = 0; k < lines.size(); k++) {
            if (lines.get(k).lineId().equals(partner.get())) {
                Stationing inner = layers.get(k).stationing();
                double worst = 0;
                double at = 0;
                Stationing row = layers.get(i).stationing();
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
                                lines.get(k).name(),
                                Values.W9_APART_M,
                                far ? OptionalDouble.of(worst) : OptionalDouble.empty())));
                return;
            }
        }
        findings.add(Finding.at(Rule.W9, Severity.WARN, outer.id(), 0, new LayoutMessage.OuterRowAlone(outer.name())));
    }
}
