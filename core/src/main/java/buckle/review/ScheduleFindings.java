package buckle.review;

import buckle.land.Contact;
import buckle.land.Traits.Soil;
import buckle.layout.Fence;
import buckle.layout.Finding;
import buckle.layout.LaidLine;
import buckle.layout.LineLayout;
import buckle.layout.Post;
import buckle.layout.PostKind;
import buckle.layout.Severity;
import buckle.material.Conductor;
import buckle.material.PostStock;
import buckle.message.LayoutMessage;
import buckle.message.Span;
import buckle.rulebook.Rule;
import buckle.rulebook.Values;
import buckle.site.FenceLine;
import buckle.site.Stationing;
import buckle.spec.Animal;
import buckle.spec.FenceSpec;
import buckle.spec.Spec;
import buckle.spec.Wire;
import buckle.spec.WireRole;
import buckle.spec.WireSchedule;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Collectors;

/** Whether the wires suit the ground, and whether the two rows of a double fence stand right. */
final class ScheduleFindings {
    private ScheduleFindings() {}

    static void of(Fence fence, List<Finding> findings) {
        List<LaidLine> lines = fence.lines();
        Spec spec = fence.spec();
        Set<LayoutMessage> said = new HashSet<>();
        for (LaidLine laid : lines) {
            wireByWire(laid, spec.fence(laid.id()).wires(), message -> {
                if (said.add(message)) {
                    Rule rule = message instanceof LayoutMessage.HotNearStanding ? Rule.X9 : Rule.I1;
                    findings.add(Finding.at(rule, Severity.WARN, laid.id(), 0, message));
                }
            });
            monitored(laid, spec.fence(laid.id()), findings);
            returns(laid, spec, findings);
            seasonal(laid, findings);
            beside(laid, lines, findings);
        }
        spec.lines().stream()
                .filter(s -> lines.stream().noneMatch(l -> l.id().equals(s.lineId())))
                .forEach(
                        s -> findings.add(Finding.ofJob(Rule.W18, Severity.NOTE, new LayoutMessage.WiresOfLostLine())));
    }

    /** Wires one by one: what they are held by, and what hangs beside them already. What is so on every line is said once. */
    private static void wireByWire(LaidLine laid, FenceSpec.Wires usual, Consumer<LayoutMessage> say) {
        List<Wire> wires = laid.layout().schedule().wires();
        List<Integer> bare = new ArrayList<>();
        for (int i = 0; i < wires.size(); i++) {
            Wire hot = wires.get(i);
            if (hot.role() != WireRole.HOT) {
                continue;
            }
            boolean held = hot.fastening()
                    .filter(f -> f == Wire.Fastening.STAPLE || f == Wire.Fastening.CLIP)
                    .isEmpty();
            if (!held) {
                bare.add(i + 1);
            }
            for (int k = 0; k < wires.size(); k++) {
                Wire other = wires.get(k);
                double apart = Math.abs(other.heightM() - hot.heightM());
                boolean barbed = other.madeOf(usual) == Conductor.BARBED;
                if (other.role() != WireRole.HOT && (other.stands() || barbed) && apart < Values.X9_NEAR_M) {
                    say.accept(new LayoutMessage.HotNearStanding(i + 1, k + 1, barbed, apart, Values.X9_NEAR_M));
                }
            }
        }
        if (bare.isEmpty()) {
            return;
        }
        Set<PostStock.Family> families = laid.layout().posts().stream()
                .filter(p -> !p.ends())
                .map(p -> p.stock().family())
                .collect(Collectors.toSet());
        boolean metal = families.stream().anyMatch(PostStock.Family::conducts);
        if (metal || families.contains(PostStock.Family.TIMBER)) {
            say.accept(new LayoutMessage.HotUninsulated(bare, metal));
        }
    }

    /** M5: what has the wires of a monitored fence, or keeps people out by heights of its own: its live wires are one path. */
    private static void monitored(LaidLine laid, FenceSpec spec, List<Finding> findings) {
        WireSchedule schedule = laid.layout().schedule();
        List<Wire> live =
                schedule.wires().stream().filter(w -> w.role() == WireRole.HOT).toList();
        boolean monitored = schedule.preset().equals(Rule.W21.name());
        boolean may =
                spec.animals().contains(Animal.PEOPLE) && !schedule.preset().equals(Rule.W13.name());
        if (live.size() < 2 || !monitored && !may) {
            return;
        }
        double lengthM = laid.layout().slopeLengthM();
        double ohm = live.stream()
                .mapToDouble(w -> lengthM * w.madeOf(spec.wires()).ohmPerM())
                .sum();
        findings.add(Finding.at(
                Rule.M5,
                monitored ? Severity.WARN : Severity.NOTE,
                laid.id(),
                0,
                new LayoutMessage.MonitoredPath(live.size(), live.size() * lengthM, ohm)));
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

    /** X13: what goes up and down each year has to come out of the ground. */
    private static void seasonal(LaidLine laid, List<Finding> findings) {
        if (laid.line().book().season().isEmpty()) {
            return;
        }
        laid.layout().posts().stream()
                .filter(p -> p.kind() == PostKind.LINE && !p.shared())
                .map(Post::stock)
                .filter(s -> s.family() == PostStock.Family.TIMBER || s.family() == PostStock.Family.PIPE)
                .collect(Collectors.groupingBy(s -> s, Collectors.counting()))
                .forEach((stock, count) -> findings.add(Finding.at(
                        Rule.X13, Severity.NOTE, laid.id(), 0, new LayoutMessage.StaysInGround(count, stock))));
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
