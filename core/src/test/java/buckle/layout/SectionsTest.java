package buckle.layout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import buckle.Fences;
import buckle.message.LayoutMessage;
import buckle.review.LayoutPlanner;
import buckle.rulebook.Rule;
import buckle.site.FenceLine;
import buckle.site.GateKind;
import buckle.site.Site;
import buckle.site.Tees;
import buckle.spec.Spec;
import buckle.units.UnitSystem;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class SectionsTest {
    private static final FenceLine RING = Fences.line("ring", true, 0, 0, 0, 100, 100, 100, 100, 0)
            .withCutOuts(List.of(Fences.cutOut("x1", 0, 80), Fences.cutOut("x2", 100, 50)));

    private static Layout layOut(Site site) {
        return LayoutPlanner.layOut(Tees.fromCoincidence(site), Spec.USUAL);
    }

    private static Section section(Layout layout, String id) {
        return layout.sections().stream()
                .filter(s -> s.id().equals(id))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void anOpenRingIsAChainFromTheEnergizer() {
        Layout layout = layOut(Fences.site(-2, -2, RING));
        assertThat(layout.sections()).extracting(Section::id).containsExactly("feed", "x1", "x2");
        assertThat(section(layout, "x1").parentId()).contains("feed");
        assertThat(section(layout, "x2").parentId()).contains("x1");
        assertThat(section(layout, "feed").lengthM()).isCloseTo(80, within(0.01));
        assertThat(section(layout, "x2").lengthM()).isCloseTo(150, within(0.01));
        assertThat(layout.testPoints())
                .extracting(TestPoint::id)
                .containsExactly("energizer", "before:x1", "before:x2", "end:ring:finish");
    }

    @Test
    void aRingFedInTheMiddleHasTwoArmsAndTwoEnds() {
        Layout layout = layOut(Fences.site(52, 103, RING));
        assertThat(section(layout, "feed").stretches()).hasSize(1);
        assertThat(section(layout, "x1").parentId()).contains("feed");
        assertThat(section(layout, "x2").parentId()).contains("feed");
        assertThat(layout.testPoints())
                .extracting(TestPoint::id, TestPoint::sectionId)
                .contains(
                        org.assertj.core.groups.Tuple.tuple("before:x1", "feed"),
                        org.assertj.core.groups.Tuple.tuple("before:x2", "feed"),
                        org.assertj.core.groups.Tuple.tuple("end:ring:start", "x1"),
                        org.assertj.core.groups.Tuple.tuple("end:ring:finish", "x2"));
    }

    @Test
    void aClosedRingSaysThatIsolatingTakesTwoSwitches() {
        Layout layout = LayoutPlanner.layOut(
                Fences.site(-2, -2, RING),
                Spec.USUAL.withFence(f -> f.withWires(f.wires().withRingClosed(true))));
        assertThat(layout.sections()).hasSize(2);
        assertThat(layout.everyJob()).extracting(Standing::says).anyMatch(m -> m == LayoutMessage.EveryJob.RING_CLOSED);
        assertThat(layout.findings())
                .anyMatch(f -> f.rule() == Rule.J7
                        && f.text(UnitSystem.METRIC).contains("open the cut-outs at both of its ends"));
        FenceLine one = RING.withCutOuts(List.of(Fences.cutOut("x1", 0, 80)));
        Layout single = LayoutPlanner.layOut(
                Fences.site(-2, -2, one),
                Spec.USUAL.withFence(f -> f.withWires(f.wires().withRingClosed(true))));
        assertThat(single.findings())
                .anyMatch(f -> f.severity() == Severity.WARN
                        && f.text(UnitSystem.METRIC).contains("separates nothing"));
    }

    @Test
    void aBranchHangsOnTheLineItEndsOn() {
        FenceLine main = Fences.line("main", false, 0, 0, 200, 0).withCutOuts(List.of(Fences.cutOut("m", 150, 0)));
        FenceLine spur = Fences.line("spur", false, 100, 0.3, 100, 90).withCutOuts(List.of(Fences.cutOut("s", 100, 3)));
        Layout layout = layOut(Fences.site(-5, 0, main, spur));
        assertThat(section(layout, "feed").lengthM()).isCloseTo(150 + 3, within(0.05));
        assertThat(section(layout, "s").parentId()).contains("feed");
        assertThat(layout.testPoints())
                .extracting(TestPoint::id)
                .containsExactly("energizer", "before:m", "end:main:finish", "before:s", "end:spur:finish");
    }

    @Test
    void whatNothingJoinsIsSaidToBeDead() {
        FenceLine main = Fences.line("main", false, 0, 0, 200, 0);
        FenceLine apart = Fences.line("apart", false, 0, 40, 100, 40);
        Layout layout = layOut(Fences.site(-5, 0, main, apart));
        assertThat(layout.sections()).extracting(Section::live).containsExactly(true, false);
        assertThat(layout.findings())
                .anyMatch(f -> f.lineId().equals(Optional.of("apart"))
                        && f.text(UnitSystem.METRIC).contains("stays dead"));
        assertThat(layout.testPoints()).noneMatch(p -> p.lineId().equals("apart"));
    }

    @Test
    void gatesAreReadOnBothSidesAndCutOutsMoveOutOfOpenings() {
        FenceLine line = Fences.line("l", false, 0, 0, 200, 0)
                .withGates(List.of(Fences.gate("g", GateKind.HANDLE, 100, 0, 4)))
                .withCutOuts(List.of(Fences.cutOut("x", 99, 0)));
        Layout layout = layOut(Fences.site(-5, 0, line));
        assertThat(layout.lines().getFirst().cutOuts().getFirst().stationM()).isCloseTo(98, within(1e-6));
        assertThat(layout.testPoints())
                .extracting(TestPoint::id)
                .containsExactlyInAnyOrder("energizer", "before:x", "gate:g:a", "gate:g:b", "end:l:finish");
        assertThat(layout.findings()).extracting(Finding::rule).contains(Rule.J2, Rule.J4);
    }

    @Test
    void withoutAnEnergizerTheStartIsTakenAndSaid() {
        Layout layout = layOut(new Site(List.of(RING), Optional.empty()));
        assertThat(layout.feed().orElseThrow().assumed()).isTrue();
        assertThat(layout.findings())
                .anyMatch(f -> f.severity() == Severity.WARN
                        && f.text(UnitSystem.METRIC).contains("No energizer is placed"));
    }
}
