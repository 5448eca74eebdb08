package buckle.circuit;

import static buckle.Told.inFeet;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import buckle.Fences;
import buckle.Records;
import buckle.circuit.Electrics.Assumed;
import buckle.circuit.Electrics.EarthCase;
import buckle.circuit.Electrics.Part;
import buckle.circuit.Electrics.Shock;
import buckle.circuit.Electrics.WhatIf;
import buckle.land.Land;
import buckle.land.LandFeature;
import buckle.land.LandKind;
import buckle.land.Surroundings;
import buckle.land.Terrain;
import buckle.land.Traits;
import buckle.land.Traits.Soil;
import buckle.material.Conductor;
import buckle.message.CircuitMessage;
import buckle.message.Message;
import buckle.power.Energizers;
import buckle.power.Rods;
import buckle.review.Laid;
import buckle.review.LayoutPlanner;
import buckle.rulebook.Values;
import buckle.site.FenceLine;
import buckle.site.Site;
import buckle.spec.Animal;
import buckle.spec.Circumstances;
import buckle.spec.Decisions;
import buckle.spec.GroundState;
import buckle.spec.Growth;
import buckle.spec.Plan;
import buckle.spec.Preset;
import buckle.spec.Spec;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What is advised beside the voltage: other ways to build, the ground under the rods, who feels what. */
class AdviceTest {
    /** Seven kilometres that come back to within 60 m of where they begin. */
    private static final FenceLine LONG = Fences.line("l", false, 0, 0, 1800, 0, 1800, 1700, -20, 1700, -20, 60);

    private static Electrics of(Spec spec, Surroundings around, FenceLine... lines) {
        return of(spec, Circumstances.USUAL, around, lines);
    }

    private static Electrics of(Spec spec, Circumstances in, Surroundings around, FenceLine... lines) {
        Plan plan = new Plan(Fences.site(0, -4, lines), spec, in, Decisions.NONE);
        Laid layout = LayoutPlanner.laid(plan, around);
        return ElectricsPlanner.of(plan, layout, around, Trial.NONE, Part.ALL).orElseThrow();
    }

    private static Spec powered(int energizer) {
        return Spec.USUAL.withSupply(s -> s.withEnergizer(Optional.of(Energizers.GENERIC.get(energizer))));
    }

    private static LandFeature soil(String name, Soil soil, double west, double south, double east, double north) {
        return new LandFeature(
                name,
                LandKind.SOIL,
                name,
                LandKind.Shape.AREA,
                List.of(Fences.at(west, south), Fences.at(east, south), Fences.at(east, north), Fences.at(west, north)),
                Records.with(Traits.NONE, "soil", Optional.of(soil)),
                "");
    }

    private static Surroundings land(LandFeature... features) {
        return new Surroundings(
                new Land(List.of(features), List.of(), Optional.empty(), OptionalDouble.empty(), List.of(), List.of()),
                Terrain.NONE);
    }

    private static WhatIf named(Electrics e, String begins) {
        return e.whatIfs().orElseThrow().stream()
                .filter(w -> inFeet(w.name()).startsWith(begins))
                .findFirst()
                .orElseThrow(() -> new AssertionError(
                        begins + " is not among " + e.whatIfs().orElseThrow()));
    }

    /** Its far end is weak and near: a second way in and better wire help, a cut-out changes the search and not the pulse. */
    @Test
    void whatHelpsALongFence() {
        Electrics e = of(powered(5), Surroundings.NONE, LONG);
        WhatIf planned = named(e, "as planned");
        assertThat(planned.weakestV())
                .isCloseTo(e.weakest().orElseThrow().likelyV(), within(0.02 * planned.weakestV()));
        assertThat(planned.heavyV()).isLessThan(planned.weakestV());
        assertThat(named(e, "aluminum instead of").heavyV()).isGreaterThan(planned.heavyV());
        assertThat(named(e, "a second lead-out").heavyV()).isGreaterThan(planned.heavyV());
        assertThat(inFeet(named(e, "a second lead-out").says())).contains("ft", "of cable", "never a second energizer");
        // A buried cable of kilometres takes more of the pulse than it brings: reckoned, not promised.
        Electrics far = of(powered(5), Surroundings.NONE, Fences.line("l", false, 0, 0, 4000, 0, 4000, 3000));
        assertThat(named(far, "a second lead-out").heavyV())
                .isLessThan(named(far, "as planned").heavyV());
        WhatIf cut = named(e, "one more cut-out");
        assertThat(cut.weakestV()).isEqualTo(planned.weakestV());
        assertThat(inFeet(cut.says())).contains("falls from", " ft ");
        Electrics yard = of(powered(5), Surroundings.NONE, Fences.line("l", false, 0, 0, 12, 0));
        assertThat(inFeet(named(yard, "a second lead-out").says())).contains("a second way in cannot help it");
    }

    /** On frozen ground the wire that leads back matters: tied it helps, merely grounded it does not (G14). */
    @Test
    void earthWiresAreTheAnswerOnFrozenGround() {
        Spec five = powered(5)
                .withFence(f -> f.withAnimals(List.of(Animal.BEEF_CATTLE))
                        .withSchedule(Preset.of("W16").schedule()));
        Circumstances frozen = Circumstances.USUAL.withGround(GroundState.FROZEN);
        Electrics e = of(five, frozen, Surroundings.NONE, Fences.line("l", false, 0, 0, 900, 0));
        assertThat(named(e, "every second wire ground").weakestV())
                .isGreaterThan(named(e, "as planned").weakestV());
        assertThat(inFeet(e.earth().orElseThrow().wires())).contains("ground wires tied to the energizer would");
    }

    /** Ground of the feed decides the rods: on stone an iron and a stub are shown for what they are, and the clay nearby. */
    @Test
    void stoneUnderTheRodsIsSaid() {
        Surroundings stony =
                land(soil("ledge", Soil.STONE, -50, -50, 60, 50), soil("hollow", Soil.CLAY, 150, -50, 260, 50));
        Electrics e = of(powered(4), stony, Fences.line("l", false, 0, 0, 300, 0));
        assertThat(e.earth().orElseThrow().soilOhmM()).isEqualTo(Values.G12_STONE_OHM_M);
        assertThat(e.earth().orElseThrow().good()).isFalse();
        assertThat(inFeet(e.earth().orElseThrow().moist())).contains("“hollow”", "from the energizer");
        List<EarthCase> more = e.earth().orElseThrow().improvements();
        assertThat(more).extracting(EarthCase::name).anyMatch(n -> inFeet(n).startsWith("one angle iron"));
        EarthCase stub = more.stream()
                .filter(c -> inFeet(c.name()).startsWith("one stub"))
                .findFirst()
                .orElseThrow();
        assertThat(inFeet(stub.says())).contains("G7");
        assertThat(stub.ohm()).isCloseTo(Rods.singleOhm(2000, 0.3048, 0.008), within(1e-9));
        EarthCase there = more.stream()
                .filter(c -> inFeet(c.name()).contains("hollow"))
                .findFirst()
                .orElseThrow();
        assertThat(there.ohm() / e.earth().orElseThrow().rodsOhm()).isCloseTo(50.0 / 2000, within(1e-9));
        assertThat(there.testV()).isLessThan(0.5 * e.earth().orElseThrow().testV());
        // No energizer's earth is a dozen rods away there: how few ohms it would have to be is said instead.
        assertThat(e.energizers().orElseThrow().candidates()).allSatisfy(c -> {
            assertThat(c.earth().rods()).isEmpty();
            assertThat(c.earth().mostOhm()).isBetween(1.0, 400.0);
        });
        Electrics loam = of(powered(4), Surroundings.NONE, Fences.line("l", false, 0, 0, 300, 0));
        assertThat(loam.earth().orElseThrow().improvements())
                .extracting(EarthCase::name)
                .noneMatch(n -> inFeet(n).contains("stub"));
        assertThat(loam.earth().orElseThrow().schools())
                .allSatisfy(c -> assertThat(c.tableOhm() / c.ohm()).isBetween(0.95, 1.25));
    }

    /** Each kind of body once: fleece takes more of the path, so less is left in it than in cattle at the same touch. */
    @ParameterizedTest
    @CsvSource({"ALPACAS, BEEF_CATTLE", "WILD_BOAR, PIGS", "SHEEP_GOATS, WILD_BOAR"})
    void everyKindOfAnimalHasItsShock(Animal hard, Animal soft) {
        Spec spec = powered(4)
                .withFence(f -> f.withAnimals(List.of(soft, hard))
                        .withSchedule(Preset.of("W16").schedule()));
        Electrics e = of(spec, Surroundings.NONE, Fences.line("l", false, 0, 0, 400, 0));
        List<Shock> snow = e.earth().orElseThrow().shocks().stream()
                .filter(s -> s.contact().equals(new CircuitMessage.OnSnow()))
                .toList();
        assertThat(snow)
                .extracting(Shock::who)
                .containsExactly(new CircuitMessage.Bodies(List.of(hard)), new CircuitMessage.Bodies(List.of(soft)));
        assertThat(snow).allSatisfy(s -> assertThat(s.bodyJ()).isLessThan(0.01));
        for (Shock s : e.earth().orElseThrow().shocks()) {
            assertThat(s.bodyJ()).isPositive().isLessThan(e.energizer().energy().storedJ());
            assertThat(s.volts()).isLessThan(e.energizer().openV() * 1.5);
        }
        List<Shock> moist = e.earth().orElseThrow().shocks().stream()
                .filter(s -> s.contact().equals(new CircuitMessage.OnGround(GroundState.MOIST)))
                .toList();
        assertThat(moist.getFirst().pathOhm()).isGreaterThan(moist.getLast().pathOhm());
        assertThat(Shocks.usual(e.earth().orElseThrow().shocks(), GroundState.MOIST))
                .isEqualTo(moist.getFirst());
        Spec same = powered(4)
                .withFence(f -> f.withAnimals(List.of(Animal.WILD_BOAR, Animal.BADGER))
                        .withSchedule(Preset.of("W15").schedule()));
        assertThat(of(same, Surroundings.NONE, Fences.line("l", false, 0, 0, 400, 0))
                        .earth()
                        .orElseThrow()
                        .shocks())
                .extracting(Shock::who)
                .containsOnly(Message.NONE, new CircuitMessage.Bodies(List.of(Animal.WILD_BOAR, Animal.BADGER)));
    }

    /** Woven goods vary more than wire: what their resistance does to the far end shows it (V13). */
    @Test
    void wovenGoodsMoveTheRangeMoreThanWire() {
        Spec wire = powered(4);
        Spec woven = wire.withFence(f -> f.withWires(wire.fence().wires().withHot(Conductor.POLYWIRE)));
        double byWire = spread(of(wire, Surroundings.NONE, Fences.line("l", false, 0, 0, 900, 0)));
        double byWoven = spread(of(woven, Surroundings.NONE, Fences.line("l", false, 0, 0, 900, 0)));
        assertThat(byWoven).isGreaterThan(5 * byWire);
        assertThat(Conductor.POLYWIRE.tolerance()).isEqualTo(2);
        assertThat(Conductor.HT_12_5.tolerance()).isEqualTo(1.1);
    }

    private static double spread(Electrics e) {
        Assumed a = e.assumed().stream()
                .filter(x -> x.name() == CircuitMessage.Assumed.CONDUCTORS)
                .findFirst()
                .orElseThrow();
        return (a.highestV() - a.lowestV()) / e.weakest().orElseThrow().likelyV();
    }

    /** The reserve is where the weakest point meets the need: with that much more leakage it just does. */
    @Test
    void theReserveEndsAtTheNeed() {
        Spec spec = powered(3);
        Site site = Fences.site(0, -4, Fences.line("l", false, 0, 0, 1500, 0));
        Plan plan = Plan.EMPTY.withSite(site).withSpec(spec);
        Laid layout = LayoutPlanner.laid(plan, Surroundings.NONE);
        Electrics e = ElectricsPlanner.of(plan, layout, Surroundings.NONE, Trial.NONE, Part.ALL)
                .orElseThrow();
        double factor = e.reserve().orElseThrow().factor().orElseThrow();
        Solver solver = new Solver(plan, layout, Surroundings.NONE);
        Conditions likely = Conditions.likely(e.energizer(), plan.circumstances());
        double then = solver.volts(likely.withLeakFactor(factor), Trial.NONE, Spots.along(layout.layout()))
                .weakestV();
        assertThat(then).isCloseTo(e.needV().orElseThrow(), within(30.0));
        assertThat(inFeet(e.reserve().orElseThrow().says())).contains("times that of " + Growth.LIGHT.text());
    }
}
