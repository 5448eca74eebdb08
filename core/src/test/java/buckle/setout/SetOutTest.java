package buckle.setout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import buckle.Fences;
import buckle.design.Design;
import buckle.land.Land;
import buckle.layout.Layout;
import buckle.layout.Post;
import buckle.layout.PostKind;
import buckle.review.LayoutPlanner;
import buckle.setout.SetOut.Mark;
import buckle.site.BadInput;
import buckle.site.FenceLine;
import buckle.site.GateKind;
import buckle.site.PlanePoint;
import buckle.site.Site;
import buckle.site.SiteCheck;
import buckle.site.Tees;
import buckle.spec.Spec;
import buckle.units.UnitSystem;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;

class SetOutTest {
    private static final Spec METRIC = Spec.USUAL.withUnits(UnitSystem.METRIC);
    private static final FenceLine RING = Fences.line("r", true, 0, 0, 0, 80, 120, 80, 120, 0)
            .withGates(List.of(Fences.gate("g", GateKind.SWING, 60, 80, 5)));

    /** Who follows the sheet, from the first two marks and ties alone, ends where the plan says. */
    @Test
    void theSheetLeadsBackToThePlan() {
        Land land = new Land(List.of(), List.of(), Optional.empty(), OptionalDouble.of(2.5), List.of(), List.of());
        Layout layout = LayoutPlanner.layOut(Fences.site(-3, -3, RING), METRIC);
        SetOut sheet = SetOutPlanner.plan(layout, land, METRIC);
        List<Mark> marks = sheet.lines().getFirst().marks();
        assertThat(marks)
                .extracting(Mark::kind)
                .containsExactly("corner", "corner", "gate", "gate", "corner", "corner");
        assertThat(marks.get(1).fromLastM()).isCloseTo(80, within(1e-6));
        assertThat(marks.get(1).turnDeg()).isCloseTo(90, within(1e-6));
        assertThat(marks.get(0).bearingDeg().orElseThrow()).isCloseTo(0, within(1e-3));
        assertThat(marks.get(0).compassDeg().orElseThrow()).isCloseTo(357.5, within(1e-3));
        assertThat(marks.get(1).bearingDeg().orElseThrow()).isCloseTo(90, within(1e-3));
        assertThat(marks.get(2).then()).isEqualTo("gate opening");
        assertThat(marks.get(0).then()).startsWith("brace post at 2.440 m, ").contains("line posts every");

        Map<String, PlanePoint> standing = new HashMap<>();
        PlanePoint last = new PlanePoint(0, 0);
        double heading = 0;
        for (Mark m : marks) {
            last = new PlanePoint(
                    last.eastM() + m.fromLastM() * Math.sin(heading),
                    last.northM() + m.fromLastM() * Math.cos(heading));
            for (SetOut.Tie tie : m.ties()) {
                PlanePoint other = standing.get(tie.to());
                assertThat(other).as(tie.to()).isNotNull();
                assertThat(other.distanceM(last)).isCloseTo(tie.distanceM(), within(1e-5));
            }
            standing.put(m.name(), last);
            heading += Math.toRadians(m.turnDeg()) + (m == marks.getFirst() ? -Math.toRadians(m.turnDeg()) : 0);
        }
        assertThat(last.eastM()).isCloseTo(120, within(1e-5));
        assertThat(last.northM()).isCloseTo(0, within(1e-5));
        assertThat(marks.getLast().ties()).hasSize(2);
        SetOut.Diagonal square = sheet.lines().getFirst().diagonals().getFirst();
        assertThat(square.firstM()).isCloseTo(Math.hypot(80, 120), within(1e-5));
        assertThat(square.secondM()).isCloseTo(square.firstM(), within(1e-5));
        assertThat(sheet.offsetNote()).contains("51 mm", "P9");
    }

    /** A branch follows its line wherever that goes; the post at the tee is set and counted once. */
    @Test
    void aTeeIsANode() {
        FenceLine main = Fences.line("m", false, 0, 0, 200, 0);
        FenceLine spur = Fences.line("s", false, 90, 4, 90, 60).withStartsOn(Optional.of("m"));
        Layout layout = LayoutPlanner.layOut(Fences.site(0, -3, main, spur), METRIC);
        assertThat(layout.lines().get(1).lengthM()).isCloseTo(60, within(1e-6));
        Post tee = layout.lines().getFirst().posts().stream()
                .filter(p -> p.kind() == PostKind.TEE)
                .findFirst()
                .orElseThrow();
        assertThat(tee.stationM()).isCloseTo(90, within(1e-6));
        assertThat(layout.lines().get(1).posts().getFirst().shared()).isTrue();
        assertThat(layout.counts().get(PostKind.TEE)).isEqualTo(1);
        assertThat(layout.counts().get(PostKind.END)).isEqualTo(3);
        assertThat(layout.sections())
                .singleElement()
                .satisfies(s -> assertThat(s.lengthM()).isCloseTo(260, within(1e-6)));

        FenceLine moved = Fences.line("m", false, 0, -30, 200, -30);
        Layout after = LayoutPlanner.layOut(Fences.site(0, -33, moved, spur), METRIC);
        assertThat(after.lines().get(1).lengthM()).isCloseTo(90, within(1e-6));

        FenceLine loose = spur.withStartsOn(Optional.empty()).withEndsOn(Optional.empty());
        FenceLine close = Fences.line("s", false, 90, 0.5, 90, 60);
        Layout apart = LayoutPlanner.layOut(Fences.site(0, -3, main, close), METRIC);
        assertThat(apart.findings())
                .anyMatch(f -> f.text(UnitSystem.METRIC).contains("stops at Line m without being joined"));
        assertThat(apart.sections()).anyMatch(s -> !s.live());
        assertThat(Tees.fromCoincidence(Fences.site(0, 0, main, close))
                        .lines()
                        .get(1)
                        .startsOn())
                .contains("m");
        assertThat(Tees.fromCoincidence(Fences.site(0, 0, main, loose))
                        .lines()
                        .get(1)
                        .startsOn())
                .isEmpty();

        FenceLine circle = main.withStartsOn(Optional.of("s"));
        assertThat(SiteCheck.problems(Fences.site(0, 0, circle, spur)))
                .extracting(p -> p.code())
                .contains("tee.circle");
        FenceLine lost = spur.withStartsOn(Optional.of("nobody"));
        assertThat(SiteCheck.problems(Fences.site(0, 0, main, lost)))
                .extracting(p -> p.code())
                .contains("tee.unknown");
    }

    /** Two cut-outs at one place, or one at a line's end, separate nothing, and that is said. */
    @Test
    void anIdleCutOutIsSaid() {
        FenceLine line = Fences.line("l", false, 0, 0, 100, 0)
                .withCutOuts(List.of(Fences.cutOut("a", 50, 0), Fences.cutOut("b", 50, 0), Fences.cutOut("c", 100, 0)));
        Layout layout = LayoutPlanner.layOut(Fences.site(0, -3, line), METRIC);
        assertThat(layout.findings())
                .anyMatch(f -> f.text(UnitSystem.METRIC).startsWith("cut-out a stands at the place of cut-out b"))
                .anyMatch(f -> f.text(UnitSystem.METRIC).startsWith("cut-out c stands at the very end"));
        assertThat(layout.sections()).hasSize(2);
    }

    /** The front came out 0.4 m longer and a diagonal was taped: both hold afterwards, and the rest hardly moves. */
    @Test
    void whatWasTapedHoldsAndTheRestGivesWayLeast() {
        Site site = Fences.site(-3, -3, RING);
        Remeasure.Fitted fitted = Remeasure.fit(
                site,
                "r",
                List.of(
                        new Remeasure.Taped(1, 2, 120.4),
                        new Remeasure.Taped(0, 1, 80.0),
                        new Remeasure.Taped(2, 3, 79.9),
                        new Remeasure.Taped(0, 2, 144.5)));
        assertThat(fitted.fits()).isTrue();
        assertThat(fitted.measures().getFirst().plannedM()).isCloseTo(120, within(1e-5));
        Layout after = LayoutPlanner.layOut(new Site(List.of(fitted.line()), site.energizer()), METRIC);
        List<Double> stations = after.lines().getFirst().cornerStationsM();
        assertThat(stations.get(1)).isCloseTo(80, within(1e-3));
        assertThat(stations.get(2) - stations.get(1)).isCloseTo(120.4, within(1e-3));
        assertThat(stations.get(3) - stations.get(2)).isCloseTo(79.9, within(1e-3));
        assertThat(fitted.furthestM()).isBetween(0.1, 0.5);
        var gate = after.gates().getFirst();
        assertThat((gate.fromM() + gate.toM()) / 2 - stations.get(1)).isCloseTo(60.2, within(0.01));
        assertThat(Design.of(new Site(List.of(fitted.line()), site.energizer()), METRIC)
                        .layout()
                        .lines()
                        .getFirst()
                        .lengthM())
                .isGreaterThan(400);
    }

    @Test
    void measuresThatContradictAreNotForced() {
        Site site = Fences.site(-3, -3, RING);
        Remeasure.Fitted fitted = Remeasure.fit(
                site,
                "r",
                List.of(new Remeasure.Taped(0, 1, 80), new Remeasure.Taped(1, 2, 120), new Remeasure.Taped(0, 2, 250)));
        assertThat(fitted.fits()).isFalse();
        assertThatThrownBy(() ->
                        Remeasure.fit(site, "r", List.of(new Remeasure.Taped(0, 9, 5), new Remeasure.Taped(0, 1, -4))))
                .isInstanceOfSatisfying(
                        BadInput.class,
                        e -> assertThat(e.problems())
                                .extracting(p -> p.code())
                                .containsExactly("taped.corner", "taped.length"));
    }
}
