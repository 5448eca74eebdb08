package buckle.circuit;

import static buckle.Told.inFeet;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import buckle.Fences;
import buckle.Records;
import buckle.circuit.Electrics.Part;
import buckle.circuit.Electrics.PulsePoint;
import buckle.land.Surroundings;
import buckle.layout.Finding;
import buckle.message.CircuitMessage;
import buckle.message.Message;
import buckle.power.Energizers;
import buckle.pulse.EnergizerRating;
import buckle.review.Laid;
import buckle.review.LayoutPlanner;
import buckle.rulebook.Rule;
import buckle.rulebook.Standing;
import buckle.site.Corner;
import buckle.site.EnergizerPlace;
import buckle.site.FenceLine;
import buckle.site.GeoPoint;
import buckle.site.Site;
import buckle.spec.Animal;
import buckle.spec.Circumstances;
import buckle.spec.Decisions;
import buckle.spec.GroundState;
import buckle.spec.Growth;
import buckle.spec.Plan;
import buckle.spec.Preset;
import buckle.spec.PulseModel;
import buckle.spec.PulseModel.Spread;
import buckle.spec.Spec;
import buckle.spec.Supply;
import buckle.units.UnitSystem;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What nobody should plan and somebody will: an answer with findings, or a sentence; never no number, nothing hangs. */
class HardInputTest {
    private static Electrics of(Site site, Spec spec) {
        return of(site, spec, Circumstances.USUAL);
    }

    private static Electrics of(Site site, Spec spec, Circumstances in) {
        Plan plan = new Plan(site, spec, in, Decisions.NONE);
        Laid layout = LayoutPlanner.laid(plan, Surroundings.NONE);
        return ElectricsPlanner.of(plan, layout, Surroundings.NONE, Trial.NONE, Part.ALL)
                .orElseThrow();
    }

    private static Spec fedBy(EnergizerRating plate) {
        return Spec.USUAL.withSupply(s -> s.withEnergizer(Optional.of(plate)));
    }

    private static void finite(Electrics e) {
        assertThat(e.says()).isEqualTo(Message.NONE);
        assertThat(e.points()).isNotEmpty().allSatisfy(p -> {
            assertThat(p.likelyV()).isFinite().isNotNegative();
            assertThat(p.lowV()).isFinite().isLessThanOrEqualTo(p.likelyV() + 1e-9);
            assertThat(p.highV()).isFinite().isGreaterThanOrEqualTo(p.likelyV() - 1e-9);
            assertThat(p.currentA().getAsDouble()).isFinite();
            p.atS().ifPresent(at -> assertThat(at).isFinite());
        });
        assertThat(e.earth().orElseThrow().testV()).isFinite();
        assertThat(e.energizers().orElseThrow().candidates())
                .allSatisfy(c -> assertThat(c.heavyV()).isFinite());
        assertThat(e.earth().orElseThrow().shocks())
                .allSatisfy(s -> assertThat(s.bodyJ()).isFinite());
    }

    /** A hundred kilometres of fence: answered, weak, and said to be. */
    @Test
    void aHundredKilometresAreAnswered() {
        double[] corners = new double[2 * 51];
        for (int i = 0; i <= 50; i++) {
            corners[2 * i] = 1990 * (i / 2 + i % 2);
            corners[2 * i + 1] = 400 * (i % 2) + 30 * i;
        }
        FenceLine line = Fences.line("l", false, corners);
        Electrics e = of(Fences.site(0, -4, line), Spec.USUAL);
        finite(e);
        assertThat(e.weakest().orElseThrow().likelyV()).isLessThan(3000);
        assertThat(e.allFindings()).extracting(Finding::rule).contains(Rule.V10);
        assertThat(inFeet(e.energizers().orElseThrow().why()))
                .contains("none does better; the fence itself needs to change");
    }

    /** Near the pole the sun does not rise for months: said, and no panel is promised. */
    @ParameterizedTest
    @ValueSource(doubles = {89, -89})
    void nearThePolesNoPanelHelps(double latitude) {
        GeoPoint a = GeoPoint.of(10, latitude);
        GeoPoint b = GeoPoint.of(10.02, latitude);
        FenceLine line = FenceLine.free("l", "Line", false, List.of(new Corner("a", a), new Corner("b", b)));
        Spec solar = Spec.USUAL.withSupply(s -> s.withSource(Supply.Source.SOLAR));
        Electrics e = of(new Site(List.of(line), Optional.of(new EnergizerPlace("e", a))), solar);
        finite(e);
        assertThat(e.supply().orElseThrow().battery().orElseThrow().leastPanelW())
                .isEmpty();
        assertThat(e.allFindings())
                .filteredOn(f -> f.rule() == Rule.E5)
                .anySatisfy(f -> assertThat(f.text(UnitSystem.METRIC)).contains("no sun rises here"));
        assertThat(e.supply().orElseThrow().battery().orElseThrow().year())
                .hasSize(12)
                .allSatisfy(m -> assertThat(m.lowestShare()).isBetween(0.0, 1.0));
    }

    /** A line of a few posts, and one whose every kind of wire leads badly. */
    @Test
    void theShortestAndTheWorstWireAreAnswered() {
        finite(of(Fences.site(0, 0, Fences.line("l", false, 0, 0, 3, 0)), Spec.USUAL));
        for (Preset preset : Preset.all()) {
            Spec spec = Spec.USUAL.withFence(
                    f -> f.withAnimals(List.of(Animal.SMALL_GARDEN)).withSchedule(preset.schedule()));
            finite(of(
                    Fences.site(0, -4, Fences.line("l", true, 0, 0, 90, 0, 90, 60, 0, 60)),
                    spec,
                    Circumstances.USUAL.withGrowth(Growth.RAIN)));
        }
    }

    /** People are kept out by an alarm: no voltage is needed, and everything else is said all the same. */
    @Test
    void withoutANeedNothingIsMetOrBroken() {
        Spec people = Spec.USUAL.withFence(f -> f.withAnimals(List.of(Animal.PEOPLE))
                .withSchedule(Preset.of("W13").schedule()));
        Electrics e = of(Fences.site(0, -4, Fences.line("l", false, 0, 0, 200, 0)), people);
        finite(e);
        assertThat(e.needV()).isEmpty();
        assertThat(e.bands()).isEmpty();
        assertThat(e.points()).extracting(PulsePoint::met).containsOnly(Standing.OPEN);
        assertThat(e.reserve().orElseThrow().says())
                .isEqualTo(new CircuitMessage.ReserveNone(CircuitMessage.NoReserve.NO_NEED));
        assertThat(inFeet(e.energizers().orElseThrow().why())).startsWith("The generic 5 J");
    }

    /** No energizer on the plan: the start of the first line is taken and somebody has to say where it stands. */
    @Test
    void withoutAnEnergizerTheFirstPostIsFed() {
        Site site = new Site(List.of(Fences.line("l", false, 0, 0, 200, 0)), Optional.empty());
        Electrics e = of(site, Spec.USUAL);
        finite(e);
        assertThat(e.chosen()).isFalse();
        assertThat(ElectricsPlanner.of(
                        Plan.EMPTY,
                        LayoutPlanner.laid(Plan.EMPTY, Surroundings.NONE),
                        Surroundings.NONE,
                        Trial.NONE,
                        Part.ALL))
                .isEmpty();
    }

    /** Every opposite of every assumption still gives numbers in order. */
    @ParameterizedTest
    @EnumSource(GroundState.class)
    void theEndsOfTheModelGiveNumbers(GroundState ground) {
        PulseModel ends = new PulseModel(
                new Spread(1, 1, 5000), Optional.of(new Spread(100, 100, 1e9)), Optional.of(new Spread(0, 50, 50)));
        Circumstances in = Circumstances.USUAL.withModel(ends).withGround(ground);
        Electrics e = of(Fences.site(0, -4, Fences.line("l", false, 0, 0, 400, 0)), Spec.USUAL, in);
        finite(e);
        assertThat(e.assumed())
                .filteredOn(a -> a.name() == CircuitMessage.Assumed.STEEL_PERMEABILITY)
                .singleElement()
                .satisfies(a -> {
                    assertThat(a.likely()).isEqualTo(new CircuitMessage.NumberIs(1));
                    assertThat(a.high()).isEqualTo(new CircuitMessage.NumberIs(5000));
                    assertThat(a.lowestV()).isLessThan(a.highestV());
                });
        assertThatThrownBy(() -> new Spread(2, 1, 3)).hasMessageContaining("from low over likely to high");
        assertThatThrownBy(() -> new PulseModel(new Spread(0, 1, 2), ends.bleedOhm(), ends.terminalNf()))
                .hasMessageContaining("circumstances.model.steelMuR.low");
    }

    /** A plate with one energy is reckoned with and said so; one out of its bounds is told with its unit. */
    @Test
    void halfAPlateIsSaid() {
        EnergizerRating half = Records.with(Energizers.GENERIC.get(4), "storedJ", OptionalDouble.empty());
        Electrics e = of(Fences.site(0, -4, Fences.line("l", false, 0, 0, 400, 0)), fedBy(half));
        finite(e);
        assertThat(e.chosen()).isTrue();
        assertThat(e.allFindings())
                .filteredOn(f -> f.rule() == Rule.E8)
                .singleElement()
                .satisfies(f ->
                        assertThat(f.text(UnitSystem.METRIC)).contains("2.70 J stored are computed as usual, 74 %"));
        assertThatThrownBy(() -> new Trial.TestLoad("l", 0, 0)).hasMessageContaining("between 1 Ω and 10 MΩ");
        assertThatThrownBy(() -> new Trial(
                        Set.of(), new ArrayList<>(java.util.Collections.nCopies(51, new Trial.TestLoad("l", 0, 10)))))
                .hasMessageContaining("at most 50 loads");
    }

    /** G9 turned round: as many rods as are asked for bring the last one under its limit, one fewer does not. */
    @Test
    void theRodsAnEnergizerNeedsPassTheTest() {
        Spec spec = fedBy(Energizers.GENERIC.get(5));
        Site site = Fences.site(0, -4, Fences.line("l", false, 0, 0, 900, 0));
        Plan plan = Plan.EMPTY.withSite(site).withSpec(spec);
        Laid layout = LayoutPlanner.laid(plan, Surroundings.NONE);
        Solver solver = new Solver(plan, layout, Surroundings.NONE);
        Conditions likely = Conditions.likely(Energizers.GENERIC.get(5), plan.circumstances());
        Electrics.EarthNeed need = new EarthJudge(plan, Surroundings.NONE, solver, likely, Optional.empty()).need();
        int rods = need.rods().orElseThrow();
        assertThat(rods).isBetween(2, 12);
        FenceCircuit fence = solver.fence(likely, Trial.NONE);
        var far = fence.farthest().orElseThrow();
        assertThat(Solver.earthTestV(fence, need.mostOhm(), far, 1500)).isCloseTo(300, within(3.0));
        double with = solver.rodsOhm(rods, need.rodM(), 100);
        double without = solver.rodsOhm(rods - 1, need.rodM(), 100);
        assertThat(need.mostOhm()).isBetween(with, without);
    }
}
