package buckle.readings;

import static buckle.Told.inFeet;
import static buckle.Told.inMetres;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import buckle.Fences;
import buckle.layout.Layout;
import buckle.readings.Assessment.PointStanding;
import buckle.readings.Assessment.SectionStanding;
import buckle.review.LayoutPlanner;
import buckle.rulebook.Standing;
import buckle.site.GeoPoint;
import buckle.site.Site;
import buckle.spec.Animal;
import buckle.spec.Growth;
import buckle.spec.LineSpec;
import buckle.spec.Preset;
import buckle.spec.Spec;
import buckle.spec.Wire;
import buckle.spec.WireRole;
import buckle.spec.WireSchedule;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class AssessorTest {
    private static final Layout LAYOUT = LayoutPlanner.layOut(site(200), Spec.USUAL);
    private static final Spec BOAR = Spec.USUAL.withFence(f -> f.withAnimals(List.of(Animal.WILD_BOAR))
            .withSchedule(Preset.of("W15").schedule()));

    private static Site site(double toM) {
        return Fences.site(
                -3, 0, Fences.line("l", false, 0, 0, toM, 0).withCutOuts(List.of(Fences.cutOut("x", 100, 0))));
    }

    private final List<Observation> readings = new ArrayList<>();
    private int minute;

    private Observation read(String point, int wire, double peakV, boolean over, Optional<UUID> corrects) {
        return observe(point, new Observed.Peak(wire, peakV, over, OptionalDouble.of(10_000)), corrects);
    }

    private Observation observe(String point, Observed what, Optional<UUID> corrects) {
        GeoPoint at = LAYOUT.testPoints().stream()
                .filter(p -> p.id().equals(point))
                .findFirst()
                .map(p -> GeoPoint.of(p.lonDeg(), p.latDeg()))
                .orElse(Fences.at(200, 0));
        Observation o = new Observation(
                UUID.randomUUID(),
                new Observation.Spot(Optional.of(point), "l", 0, at),
                what,
                Optional.of("peak meter"),
                Weather.DRY,
                Growth.CLEAN,
                Optional.empty(),
                Instant.parse("2026-03-01T08:00:00Z").plusSeconds(60L * minute++),
                "tester",
                "",
                corrects);
        readings.add(o);
        return o;
    }

    private void readAll(double energizerV, double beforeV, double endV) {
        read("energizer", 0, energizerV, false, Optional.empty());
        read("before:x", 0, beforeV, false, Optional.empty());
        read("end:l:finish", 0, endV, false, Optional.empty());
    }

    private static SectionStanding section(Assessment a, String id) {
        return a.sections().stream()
                .filter(s -> s.sectionId().equals(id))
                .findFirst()
                .orElseThrow();
    }

    private static PointStanding point(Assessment a, String id) {
        return a.points().stream()
                .filter(p -> p.testPointId().equals(id))
                .findFirst()
                .orElseThrow();
    }

    /** Source: common practice V1, V2, V9 (from memory) and our convention V10: warn from 85 % of the need. */
    @ParameterizedTest
    @CsvSource({
        "WILD_BOAR, 4500, MET",
        "WILD_BOAR, 4499, WARN",
        "WILD_BOAR, 3825, WARN",
        "WILD_BOAR, 3824, BROKEN",
        "BEEF_CATTLE, 3000, MET",
        "BEEF_CATTLE, 2550, WARN",
        "BEEF_CATTLE, 2549, BROKEN",
        "SHEEP_GOATS, 4500, MET",
        "BEAR, 5999, WARN",
        "DONKEYS_PONIES, 3000, MET"
    })
    void theNeedDecides(Animal animal, double peakV, Standing standing) {
        assertThat(Standing.of(peakV, animal.needV().orElseThrow())).isEqualTo(standing);
    }

    @Test
    void aSectionIsAsGoodAsItsWeakestPointAndOpenUntilAllAreRead() {
        read("energizer", 0, 6000, false, Optional.empty());
        assertThat(section(Assessor.assess(LAYOUT, BOAR, readings), "feed").standing())
                .isEqualTo(Standing.OPEN);
        read("before:x", 0, 5000, false, Optional.empty());
        read("end:l:finish", 0, 3000, false, Optional.empty());
        Assessment a = Assessor.assess(LAYOUT, BOAR, readings);
        assertThat(section(a, "feed").standing()).isEqualTo(Standing.MET);
        assertThat(section(a, "feed").peakV()).hasValue(5000);
        assertThat(section(a, "x").standing()).isEqualTo(Standing.BROKEN);
        assertThat(inFeet(section(a, "x").why())).isEqualTo("3.0 kV is under 85 % of 4.5 kV (3.83 kV)");
    }

    /** X11: nearly nothing on an unpowered wire is good and never decides; 0.2 kV and more is a leak, told beside what the hot wires hold. */
    @Test
    void aLowReadingOnAnUnpoweredWireIsGoodNews() {
        Spec bear = Spec.USUAL.withFence(f ->
                f.withAnimals(List.of(Animal.BEAR)).withSchedule(Preset.of("W8").schedule()));
        Layout layout = LayoutPlanner.layOut(Fences.site(-3, 0, Fences.line("l", false, 0, 0, 200, 0)), bear);
        read("end:l:finish", 1, 6500, false, Optional.empty());
        read("end:l:finish", 2, 100, false, Optional.empty());
        assertThat(point(Assessor.assess(layout, bear, readings), "end:l:finish")
                        .standing())
                .isEqualTo(Standing.MET);
        read("end:l:finish", 2, 600, false, Optional.empty());
        PointStanding leak = point(Assessor.assess(layout, bear, readings), "end:l:finish");
        // Common practice: 0.3 kV on an unpowered wire with 5.4 kV on the hot ones is met, and a leak worth a look.
        assertThat(leak.standing()).isEqualTo(Standing.MET);
        assertThat(leak.peakV()).hasValue(6500);
        assertThat(inFeet(leak.why()))
                .contains("6.5 kV against 6.0 kV: met; unpowered wire 2 reads 0.6 kV", "leaks", "worth a look (X11)");
        read("energizer", 4, 50, false, Optional.empty());
        PointStanding alone = point(Assessor.assess(layout, bear, readings), "energizer");
        assertThat(alone.standing()).isEqualTo(Standing.OPEN);
        assertThat(inFeet(alone.why())).contains("nearly nothing, as it should", "hot wires are not read yet");
        // A line without a hot wire: nearly nothing is all that is asked of it.
        Spec bare = Spec.USUAL.withFence(f -> f.withSchedule(
                new WireSchedule("own", List.of(new Wire(0.5, WireRole.PLAIN), new Wire(1, WireRole.PLAIN)))));
        Layout old = LayoutPlanner.layOut(Fences.site(-3, 0, Fences.line("l", false, 0, 0, 200, 0)), bare);
        readings.clear();
        read("end:l:finish", 0, 90, false, Optional.empty());
        assertThat(point(Assessor.assess(old, bare, readings), "end:l:finish").standing())
                .isEqualTo(Standing.MET);
    }

    /** V3: each row of a double fence is asked for its own wires only. */
    @Test
    void theOuterRowIsAskedForItsOwnWires() {
        LineSpec outer = new LineSpec(
                "o",
                Optional.of(Preset.of("W9-outer").schedule()),
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
        Spec plot = Spec.USUAL.withFence(f -> f.withAnimals(List.of(Animal.DEER_PLOT))
                .withSchedule(Preset.of("W9").schedule()));
        Spec spec = plot.withLines(List.of(outer));
        Layout layout = LayoutPlanner.layOut(Fences.site(-3, 0, Fences.line("o", false, 0, 0, 200, 0)), spec);
        read("end:o:finish", 1, 3500, false, Optional.empty());
        assertThat(point(Assessor.assess(layout, spec, readings), "end:o:finish")
                        .standing())
                .isEqualTo(Standing.MET);
        Layout inner = LayoutPlanner.layOut(Fences.site(-3, 0, Fences.line("l", false, 0, 0, 200, 0)), spec);
        readings.clear();
        read("end:l:finish", 1, 3500, false, Optional.empty());
        assertThat(inFeet(point(Assessor.assess(inner, spec, readings), "end:l:finish")
                        .why()))
                .contains("not read yet: wire 2");
    }

    @Test
    void theHardestAnimalDecides() {
        readAll(5000, 5000, 5000);
        Spec mixed = BOAR.withFence(f -> f.withAnimals(List.of(Animal.BEEF_CATTLE, Animal.BEAR))
                .withSchedule(BOAR.fence().schedule()));
        Assessment a = Assessor.assess(LAYOUT, mixed, readings);
        assertThat(a.needV()).hasValue(6000);
        assertThat(a.sections()).extracting(SectionStanding::standing).containsOnly(Standing.BROKEN);
    }

    @Test
    void aCorrectionTakesThePlaceOfItsReadingAndTheNewestCounts() {
        readAll(6000, 6000, 600);
        Observation slip = readings.getLast();
        assertThat(point(Assessor.assess(LAYOUT, BOAR, readings), "end:l:finish")
                        .standing())
                .isEqualTo(Standing.BROKEN);
        read("end:l:finish", 0, 6000, false, Optional.of(slip.id()));
        assertThat(section(Assessor.assess(LAYOUT, BOAR, readings), "x").standing())
                .isEqualTo(Standing.MET);
        read("end:l:finish", 0, 4000, false, Optional.empty());
        assertThat(section(Assessor.assess(LAYOUT, BOAR, readings), "x").standing())
                .isEqualTo(Standing.WARN);
        assertThat(readings).hasSize(5);
    }

    @Test
    void overRangeTellsOnlyWhenTheRangeReachesTheNeed() {
        read("energizer", 0, 10_000, true, Optional.empty());
        assertThat(point(Assessor.assess(LAYOUT, BOAR, readings), "energizer").standing())
                .isEqualTo(Standing.MET);
        read("before:x", 0, 4000, true, Optional.empty());
        PointStanding cannot = point(Assessor.assess(LAYOUT, BOAR, readings), "before:x");
        assertThat(cannot.standing()).isEqualTo(Standing.OPEN);
        assertThat(inFeet(cannot.why())).contains("the meter cannot tell");
    }

    @Test
    void aDeerPlotIsReadWireByWire() {
        Spec deer = Spec.USUAL.withFence(f -> f.withAnimals(List.of(Animal.DEER_PLOT))
                .withSchedule(Preset.of("W9").schedule()));
        read("energizer", 1, 4000, false, Optional.empty());
        PointStanding half = point(Assessor.assess(LAYOUT, deer, readings), "energizer");
        assertThat(half.standing()).isEqualTo(Standing.OPEN);
        assertThat(inFeet(half.why())).contains("not read yet: wire 2");
        read("energizer", 2, 2900, false, Optional.empty());
        assertThat(point(Assessor.assess(LAYOUT, deer, readings), "energizer").standing())
                .isEqualTo(Standing.WARN);
    }

    @Test
    void withoutAKnownNeedNothingIsClaimed() {
        readAll(6000, 6000, 6000);
        Spec people = Spec.USUAL.withFence(f -> f.withAnimals(List.of(Animal.PEOPLE))
                .withSchedule(Preset.of("W13").schedule()));
        assertThat(Assessor.assess(LAYOUT, people, readings).sections())
                .extracting(SectionStanding::standing)
                .containsOnly(Standing.OPEN);
    }

    @Test
    void impossibleReadingsAreRefused() {
        assertThatThrownBy(() -> read("energizer", 0, 61_000, false, Optional.empty()))
                .hasMessageContaining("20 kV");
        assertThatThrownBy(() -> read("energizer", 0, -1, false, Optional.empty()))
                .hasMessageContaining("between 0");
        assertThatThrownBy(() -> read("energizer", 0, 12_000, false, Optional.empty()))
                .hasMessageContaining("over range");
        assertThatThrownBy(() -> read("energizer", 0, Double.NaN, false, Optional.empty()))
                .isInstanceOf(IllegalArgumentException.class);
    }

    /** What is no voltage on a wire says nothing of the need; a wire read as unpowered is none that is fed. */
    @Test
    void otherObservationsLeaveTheStandingAlone() {
        readAll(6000, 6000, 6000);
        Assessment before = Assessor.assess(LAYOUT, BOAR, readings);
        for (Observed what : List.of(
                new Observed.EarthTerminal(300, false, OptionalDouble.empty()),
                new Observed.Current(12, Observed.Direction.TOWARDS_FINISH),
                new Observed.BatteryVoltage(12.4),
                new Observed.Resistance(18),
                new Observed.Seen(Observed.Thing.INSULATOR_CRACKED))) {
            observe("end:l:finish", what, Optional.empty());
        }
        assertThat(Assessor.assess(LAYOUT, BOAR, readings)).isEqualTo(before);
        observe("end:l:finish", new Observed.Unpowered(1, 2500, false, OptionalDouble.empty()), Optional.empty());
        assertThat(point(Assessor.assess(LAYOUT, BOAR, readings), "end:l:finish"))
                .satisfies(p -> {
                    assertThat(p.standing()).isEqualTo(Standing.WARN);
                    assertThat(inFeet(p.why())).contains("unpowered wire 1 reads 2.5 kV", "leaks");
                });
        assertThatThrownBy(() -> new Observed.Current(501, Observed.Direction.UNKNOWN))
                .hasMessageContaining("between 0 and 500 A");
        assertThatThrownBy(() -> new Observed.Unpowered(0, 1, false, OptionalDouble.empty()))
                .hasMessageContaining("between 1 and 16");
    }

    /** The far end was moved on by 80 m: what was read at the old one is not what stands at the new. */
    @Test
    void aReadingDoesNotFollowItsTestPointToAnotherPlace() {
        readAll(6000, 6000, 6000);
        Layout longer = LayoutPlanner.layOut(site(280), BOAR);
        PointStanding end = point(Assessor.assess(longer, BOAR, readings), "end:l:finish");
        assertThat(end.standing()).isEqualTo(Standing.OPEN);
        assertThat(end.peakV()).isEmpty();
        assertThat(inMetres(end.why())).contains("read 80", "read it again");
        assertThat(point(Assessor.assess(longer, BOAR, readings), "energizer").standing())
                .isEqualTo(Standing.MET);
        Layout walkedAgain = LayoutPlanner.layOut(site(209), BOAR);
        assertThat(point(Assessor.assess(walkedAgain, BOAR, readings), "end:l:finish")
                        .standing())
                .isEqualTo(Standing.MET);
    }
}
