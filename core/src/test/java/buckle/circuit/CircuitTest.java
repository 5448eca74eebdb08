package buckle.circuit;

import static buckle.Told.inFeet;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import buckle.Fences;
import buckle.circuit.Electrics.Part;
import buckle.circuit.Electrics.PulsePoint;
import buckle.circuit.Electrics.Shock;
import buckle.land.Land;
import buckle.land.LandFeature;
import buckle.land.LandKind;
import buckle.land.Surroundings;
import buckle.land.Terrain;
import buckle.land.Traits;
import buckle.layout.Finding;
import buckle.message.CircuitMessage;
import buckle.message.English;
import buckle.message.Message;
import buckle.power.Energizers;
import buckle.pulse.EnergizerRating;
import buckle.pulse.Run;
import buckle.review.Laid;
import buckle.review.LayoutPlanner;
import buckle.rulebook.Rule;
import buckle.rulebook.Standing;
import buckle.rulebook.Values;
import buckle.site.FenceLine;
import buckle.site.GateKind;
import buckle.spec.Animal;
import buckle.spec.Circumstances;
import buckle.spec.Decisions;
import buckle.spec.GroundState;
import buckle.spec.Growth;
import buckle.spec.Insulators;
import buckle.spec.LineSpec;
import buckle.spec.Plan;
import buckle.spec.Preset;
import buckle.spec.PulseModel;
import buckle.spec.Spec;
import buckle.spec.Supply;
import buckle.spec.Wire;
import buckle.spec.WireRole;
import buckle.spec.WireSchedule;
import buckle.units.UnitSystem;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** The circuit of a laid-out fence, and what is read off it. */
class CircuitTest {
    private static final EnergizerRating THREE_J = Energizers.GENERIC.get(5);

    private static Spec spec() {
        return fedBy(Spec.USUAL, THREE_J);
    }

    private static Spec fedBy(Spec spec, EnergizerRating plate) {
        return spec.withSupply(s -> s.withEnergizer(Optional.of(plate)));
    }

    private static Circumstances in(GroundState ground) {
        return Circumstances.USUAL.withGround(ground);
    }

    private static FenceLine straight() {
        return Fences.line("l", false, 0, 0, 600, 0)
                .withCutOuts(List.of(Fences.cutOut("c", 300, 0)))
                .withGates(List.of(
                        Fences.gate("swing", GateKind.SWING, 100, 0, 4),
                        Fences.gate("handle", GateKind.HANDLE, 200, 0, 4)));
    }

    private static Electrics electrics(Spec spec, Trial trial, Set<Part> parts, FenceLine... lines) {
        return electrics(spec, Circumstances.USUAL, trial, parts, lines);
    }

    private static Electrics electrics(
            Spec spec, Circumstances circumstances, Trial trial, Set<Part> parts, FenceLine... lines) {
        Plan plan = new Plan(Fences.site(0, -4, lines), spec, circumstances, Decisions.NONE);
        Laid layout = LayoutPlanner.laid(plan, Surroundings.NONE);
        return ElectricsPlanner.of(plan, layout, Surroundings.NONE, trial, parts)
                .orElseThrow();
    }

    private static FenceCircuit circuit(Spec spec, Trial trial, FenceLine... lines) {
        Plan plan = Plan.EMPTY.withSite(Fences.site(0, -4, lines)).withSpec(spec);
        Laid layout = LayoutPlanner.laid(plan, Surroundings.NONE);
        return new Solver(plan, layout, Surroundings.NONE)
                .fence(Conditions.likely(THREE_J, plan.circumstances()), trial);
    }

    private static double at(Electrics e, double stationM) {
        return e.points().stream()
                .filter(p -> Math.abs(p.stationM() - stationM) < 0.6)
                .mapToDouble(PulsePoint::likelyV)
                .findFirst()
                .orElseThrow();
    }

    /** Fence wire in the circuit is as long as the line without its openings; a cable goes down, under and up again. */
    @Test
    void runsAreAsLongAsTheFence() {
        Spec spec = spec();
        FenceCircuit fence = circuit(spec, Trial.NONE, straight());
        double wire = 0;
        double cable = 0;
        for (Run run : fence.circuit().runs()) {
            if (run.type().cable().isPresent()) {
                cable += run.lengthM();
            } else {
                wire += run.lengthM();
            }
        }
        double low = spec.fence().schedule().wires().getFirst().heightM();
        assertThat(wire).isCloseTo(600 - 4, within(0.05));
        assertThat(cable)
                .isCloseTo(
                        4
                                + 5
                                + 4
                                + 2
                                        * (spec.fence().underGate().burialM()
                                                + low
                                                + spec.fence().underGate().spareLoopM()),
                        within(0.1));
        assertThat(fence.dead()).isEmpty();
        assertThat(fence.farthest().orElseThrow().runId()).startsWith("l:300");
    }

    @Test
    void anOpenedSwitchOrHandleTurnsOffWhatLiesBeyondAndNothingElse() {
        Electrics cut = electrics(spec(), new Trial(Set.of("c"), List.of()), Part.CURVE, straight());
        assertThat(at(cut, 150)).isGreaterThan(3000);
        assertThat(at(cut, 600)).isLessThan(1);
        assertThat(cut.sections()).extracting(Electrics.SectionPulse::on).containsExactly(true, false);
        Electrics handle = electrics(spec(), new Trial(Set.of("handle"), List.of()), Part.CURVE, straight());
        assertThat(at(handle, 150)).isGreaterThan(3000);
        assertThat(handle.points().stream().filter(p -> p.stationM() > 203)).allMatch(p -> p.likelyV() < 1);
        Electrics swing = electrics(spec(), new Trial(Set.of("swing"), List.of()), Part.CURVE, straight());
        assertThat(at(swing, 600)).as("cable under a swing gate").isGreaterThan(3000);
    }

    /**
     * A ring with two switches opened is the open line that is left, to 0.1 %, whatever else hangs in the part between them: a third
     * switch, closed or open too.
     */
    @Test
    void aRingWithOpenedSwitchesIsTheOpenLineThatIsLeft() {
        Spec closed = spec().withFence(f -> f.withWires(f.wires().withRingClosed(true)));
        FenceLine ring = Fences.line("l", true, 0, 0, 0, 100, 100, 100, 100, 0)
                .withCutOuts(List.of(
                        Fences.cutOut("x1", 50, 100), Fences.cutOut("x2", 60, 0), Fences.cutOut("x3", 100, 40)));
        FenceLine left = Fences.line("l", false, 60, 0, 0, 0, 0, 100, 50, 100);
        Electrics open = electrics(spec(), Trial.NONE, Part.CURVE, left);
        for (Set<String> off : List.of(Set.of("x1", "x2"), Set.of("x1", "x2", "x3"))) {
            Electrics e = electrics(closed, new Trial(off, List.of()), Part.CURVE, ring);
            assertThat(e.says()).isEqualTo(Message.NONE);
            // (0, 50) and (0, 0); the ends stand at the switches, on the energizer's side.
            assertThat(near(e, 50)).isCloseTo(near(open, 110), within(0.001 * near(open, 110)));
            assertThat(near(e, 1)).isCloseTo(near(open, 61), within(0.001 * near(open, 61)));
            assertThat(near(e, 200)).as("between the switches").isLessThan(1);
            assertThat(e.sections()).filteredOn(Electrics.SectionPulse::on).hasSize(1);
        }
        Electrics one = electrics(closed, new Trial(Set.of("x1"), List.of()), Part.CURVE, ring);
        assertThat(near(one, 200)).as("one opened switch turns nothing off").isGreaterThan(3000);
    }

    /** Linear between the two places of the curve around a station. */
    private static double near(Electrics e, double stationM) {
        List<PulsePoint> points = e.points();
        for (int i = 1; i < points.size(); i++) {
            PulsePoint a = points.get(i - 1);
            PulsePoint b = points.get(i);
            if (a.stationM() <= stationM && stationM <= b.stationM()) {
                double share = (stationM - a.stationM()) / (b.stationM() - a.stationM());
                return a.likelyV() + share * (b.likelyV() - a.likelyV());
            }
        }
        throw new AssertionError("no place around " + stationM);
    }

    /** The opening of a rigid gate is no fence, nor is a line of unpowered wires: neither makes a section broken. */
    @Test
    void whatIsNoHotFenceIsNotJudged() {
        FenceLine ring = Fences.line("l", true, 0, 0, 0, 100, 100, 100, 100, 0)
                .withGates(List.of(Fences.gate("r", GateKind.RIGID, 50, 100, 12)));
        FenceLine plain = Fences.line("p", false, 300, 0, 300, 100);
        LineSpec bare = new LineSpec(
                "p",
                Optional.of(
                        new WireSchedule("own", List.of(new Wire(0.5, WireRole.PLAIN), new Wire(1, WireRole.EARTH)))),
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
        Spec spec = spec().withFence(f -> f.withWires(f.wires().withRingClosed(true)));
        Electrics e = electrics(spec.withLines(List.of(bare)), Trial.NONE, Part.CURVE, ring, plain);
        assertThat(e.points()).noneMatch(p -> p.stationM() > 144.1 && p.stationM() < 155.9);
        assertThat(e.points()).allMatch(p -> p.lineId().equals("l") && p.likelyV() > 3000);
        assertThat(e.sections()).filteredOn(s -> s.met() == Standing.BROKEN).isEmpty();
        assertThat(e.dead()).isEmpty();
        assertThat(e.allFindings()).extracting(Finding::rule).doesNotContain(Rule.J1, Rule.V10);
    }

    /** V14 and V5: on stone a small unit reaches too little of the animal; pigs get a strong one. */
    @Test
    void whatReachesTheAnimalDecidesToo() {
        Land rock = new Land(
                List.of(new LandFeature(
                        "s",
                        LandKind.SOIL,
                        "",
                        LandKind.Shape.AREA,
                        List.of(Fences.at(-50, -50), Fences.at(500, -50), Fences.at(500, 50), Fences.at(-50, 50)),
                        new Traits(
                                Optional.empty(),
                                Optional.empty(),
                                Optional.empty(),
                                OptionalDouble.empty(),
                                OptionalDouble.empty(),
                                Optional.empty(),
                                OptionalDouble.empty(),
                                OptionalDouble.empty(),
                                Optional.of(Traits.Soil.STONE),
                                OptionalDouble.empty()),
                        "")),
                List.of(),
                Optional.empty(),
                OptionalDouble.empty(),
                List.of(),
                List.of());
        FenceLine line = Fences.line("l", false, 0, 0, 350, 0);
        double loam = recommended(Spec.USUAL, Surroundings.NONE, line).outJ();
        Electrics.Candidate stone = recommended(Spec.USUAL, new Surroundings(rock, Terrain.NONE), line);
        assertThat(loam).isLessThanOrEqualTo(1);
        assertThat(stone.outJ()).as("0.1 J for cattle on stone is wrong").isGreaterThan(2 * loam);
        assertThat(stone.bodyJ().orElseThrow()).isGreaterThanOrEqualTo(0.25);
        Spec pigs = Spec.USUAL.withFence(f ->
                f.withAnimals(List.of(Animal.PIGS)).withSchedule(Preset.of("W5").schedule()));
        assertThat(recommended(pigs, Surroundings.NONE, line).outJ()).isGreaterThanOrEqualTo(5);
    }

    private static Electrics.Candidate recommended(Spec spec, Surroundings around, FenceLine line) {
        Plan plan = Plan.EMPTY.withSite(Fences.site(0, -4, line)).withSpec(spec);
        Laid layout = LayoutPlanner.laid(plan, around);
        return ElectricsPlanner.of(plan, layout, around, Trial.NONE, Set.of(Part.ENERGIZERS))
                .orElseThrow()
                .energizers()
                .orElseThrow()
                .candidates()
                .stream()
                .filter(Electrics.Candidate::recommended)
                .findFirst()
                .orElseThrow();
    }

    /** A damping that somebody says and the plate leaves no room for is told, and the fence is answered all the same. */
    @Test
    void aDampingWithoutRoomIsSaid() {
        PulseModel model = new PulseModel(
                PulseModel.USUAL.steelMuR(),
                Optional.of(new PulseModel.Spread(500, 600, 700)),
                Optional.of(new PulseModel.Spread(300, 400, 500)));
        Electrics e =
                electrics(spec(), Circumstances.USUAL.withModel(model), Trial.NONE, Set.of(Part.RANGE), straight());
        assertThat(e.allFindings()).extracting(Finding::rule).contains(Rule.E9);
        assertThat(e.weakest().orElseThrow().likelyV()).isGreaterThan(3000);
    }

    /** A rigid gate passes nothing: what lies beyond is known to be dead and is said. */
    @Test
    void whatNothingFeedsIsSaid() {
        FenceLine line =
                Fences.line("l", false, 0, 0, 300, 0).withGates(List.of(Fences.gate("g", GateKind.RIGID, 200, 0, 4)));
        Electrics e = electrics(spec(), Trial.NONE, Part.CURVE, line);
        assertThat(e.dead())
                .singleElement()
                .satisfies(d -> assertThat(d.fromM()).isCloseTo(202, within(0.01)));
        assertThat(e.allFindings()).extracting(Finding::rule).contains(Rule.J1);
        assertThat(e.weakest().orElseThrow().stationM()).isLessThan(203);
    }

    /** A closed line left open at its post is a line; with its wires closed it is a ring, and both are answered. */
    @Test
    void aRingIsSolvedOpenAndClosed() {
        FenceLine ring = Fences.line("r", true, 0, 0, 200, 0, 200, 150, 0, 150);
        FenceCircuit open = circuit(spec(), Trial.NONE, ring);
        FenceCircuit closed =
                circuit(spec().withFence(f -> f.withWires(f.wires().withRingClosed(true))), Trial.NONE, ring);
        assertThat(open.circuit().runs()).noneMatch(r -> r.joins().isPresent());
        assertThat(closed.circuit().runs())
                .filteredOn(r -> r.joins().isPresent())
                .hasSize(1);
        Electrics a = electrics(spec(), Trial.NONE, Part.CURVE, ring);
        Electrics b = electrics(
                spec().withFence(f -> f.withWires(f.wires().withRingClosed(true))), Trial.NONE, Part.CURVE, ring);
        assertThat(b.weakest().orElseThrow().likelyV()
                        / a.weakest().orElseThrow().likelyV())
                .isBetween(0.9, 1.1);
    }

    @Test
    void aLoadLowersTheFenceMostWhereItStandsAndMoreGrowthLowersIt() {
        Electrics clean = electrics(spec(), Trial.NONE, Part.CURVE, straight());
        Trial grass = new Trial(Set.of(), List.of(new Trial.TestLoad("l", 450, 500)));
        Electrics loaded = electrics(spec(), grass, Part.CURVE, straight());
        assertThat(at(loaded, 600)).isLessThan(0.9 * at(clean, 600));
        double last = Double.POSITIVE_INFINITY;
        for (Growth growth : Growth.values()) {
            Spec spec = spec();
            double v = electrics(spec, Circumstances.USUAL.withGrowth(growth), Trial.NONE, Part.CURVE, straight())
                    .weakest()
                    .orElseThrow()
                    .likelyV();
            assertThat(v).as(growth.text()).isLessThan(last);
            last = v;
        }
    }

    /** The range is the root of the squares of what each assumption does (V13). */
    @Test
    void theRangeIsMadeOfItsAssumptions() {
        Electrics e = electrics(spec(), Trial.NONE, Part.ALL, straight());
        PulsePoint quick =
                electrics(spec(), Trial.NONE, Part.CURVE, straight()).weakest().orElseThrow();
        assertThat(quick.lowV()).isEqualTo(quick.likelyV()).isEqualTo(quick.highV());
        PulsePoint w = e.weakest().orElseThrow();
        PulsePoint ranged = electrics(spec(), Trial.NONE, Set.of(Part.RANGE), straight())
                .weakest()
                .orElseThrow();
        assertThat(new double[] {ranged.lowV(), ranged.highV()})
                .containsExactly(new double[] {w.lowV(), w.highV()}, within(1e-6));
        assertThat(w.likelyV()).isCloseTo(quick.likelyV(), within(1e-6));
        double down = 0;
        double up = 0;
        for (Electrics.Assumed a : e.assumed()) {
            down += Math.pow(Math.min(0, a.lowestV() - w.likelyV()), 2);
            up += Math.pow(Math.max(0, a.highestV() - w.likelyV()), 2);
        }
        assertThat(e.assumed()).hasSize(8);
        assertThat(w.lowV())
                .isCloseTo(w.likelyV() - Math.sqrt(down), within(0.5))
                .isLessThan(w.likelyV());
        assertThat(w.highV())
                .isCloseTo(w.likelyV() + Math.sqrt(up), within(0.5))
                .isGreaterThan(w.likelyV());
    }

    /** V10: met from the need up, warn from 85 % of it, broken below. */
    @Test
    void aVoltageIsMetWarnedOrBroken() {
        OptionalDouble need = OptionalDouble.of(4500);
        assertThat(Standing.of(4500, need)).isEqualTo(Standing.MET);
        assertThat(Standing.of(4499, need)).isEqualTo(Standing.WARN);
        assertThat(Standing.of(0.85 * 4500 - 1, need)).isEqualTo(Standing.BROKEN);
        assertThat(Standing.of(9000, OptionalDouble.empty())).isEqualTo(Standing.OPEN);
    }

    /** E7: of what holds 1.2 times the need in heavy growth, the smallest; and what was chosen is reckoned with. */
    @Test
    void theRecommendedEnergizerIsTheSmallestThatHolds() {
        Electrics e = electrics(Spec.USUAL, Trial.NONE, Part.ALL, straight());
        Electrics.Candidate best = e.energizers().orElseThrow().candidates().stream()
                .filter(Electrics.Candidate::recommended)
                .findFirst()
                .orElseThrow();
        assertThat(e.chosen()).isFalse();
        assertThat(e.energizer()).isEqualTo(best.plate());
        double need = e.needV().orElseThrow();
        assertThat(best.heavyV()).isGreaterThanOrEqualTo(Values.E7_SPARE * need);
        assertThat(e.energizers().orElseThrow().candidates())
                .filteredOn(c -> c.outJ() < best.outJ())
                .allMatch(c -> c.heavyV() < Values.E7_SPARE * need
                        || c.bodyJ().orElseThrow() < c.needJ().orElseThrow());
        assertThat(best.bodyJ().orElseThrow()).as("V14: 0.25 J in cattle").isGreaterThanOrEqualTo(0.25);
        assertThat(English.text(e.energizers().orElseThrow().why(), UnitSystem.METRIC))
                .contains(best.plate().name());
        assertThat(e.energizers().orElseThrow().candidates())
                .filteredOn(Electrics.Candidate::over5J)
                .hasSize(3);
        assertThat(e.reserve().orElseThrow().factor().orElseThrow()).isGreaterThan(1);
        assertThat(e.whatIfs().orElseThrow())
                .extracting(w -> English.text(w.name(), UnitSystem.METRIC))
                .contains("as planned", "one more cut-out");
        EnergizerRating wrong = EnergizerRating.of("wrong", 2, 3, 8000, 5000, 45);
        Spec spec = Spec.USUAL;
        Electrics other = electrics(fedBy(spec, wrong), Trial.NONE, Part.CURVE, straight());
        assertThat(other.chosen()).isFalse();
        assertThat(other.allFindings())
                .filteredOn(f -> f.rule() == Rule.E7)
                .singleElement()
                .satisfies(f -> assertThat(f.text(UnitSystem.METRIC)).contains("no energizer does"));
    }

    /** What is not asked is not answered, and what is asked alone is what is answered among all. */
    @Test
    void eachPartIsAskedForByItself() {
        Spec solar = spec().withSupply(s -> s.withSource(Supply.Source.SOLAR));
        Electrics all = electrics(solar, Trial.NONE, Part.ALL, straight());
        for (Part part : Part.values()) {
            Electrics one = electrics(solar, Trial.NONE, Set.of(part), straight());
            assertThat(one.reserve()).isEqualTo(part == Part.RESERVE ? all.reserve() : Optional.empty());
            assertThat(one.energizers()).isEqualTo(part == Part.ENERGIZERS ? all.energizers() : Optional.empty());
            assertThat(one.earth()).isEqualTo(part == Part.EARTH ? all.earth() : Optional.empty());
            assertThat(one.supply()).isEqualTo(part == Part.SUPPLY ? all.supply() : Optional.empty());
            assertThat(one.whatIfs()).isEqualTo(part == Part.WHAT_IFS ? all.whatIfs() : Optional.empty());
            assertThat(one.assumed())
                    .extracting(Electrics.Assumed::name)
                    .isEqualTo(part == Part.RANGE ? names(all) : List.of());
            assertThat(one.points()).allSatisfy(p -> {
                assertThat(p.currentA().isPresent()).isEqualTo(part == Part.CURRENTS);
                assertThat(p.lowV() < p.likelyV()).isEqualTo(part == Part.RANGE);
            });
        }
        assertThat(all.supply().orElseThrow().battery()).isPresent();
        assertThat(electrics(spec(), Trial.NONE, Part.ALL, straight())
                        .supply()
                        .orElseThrow()
                        .battery())
                .isEmpty();
    }

    private static List<Message> names(Electrics e) {
        return e.assumed().stream().map(Electrics.Assumed::name).toList();
    }

    /** Frozen ground: the rods' resistance follows Dwight and rises twentyfold, the test fails, a shock shrinks, advice changes. */
    @Test
    void frozenGroundChangesTheAdvice() {
        Spec spec = spec();
        Electrics moist = electrics(spec, Trial.NONE, Part.ALL, straight());
        Electrics frozen = electrics(spec, in(GroundState.FROZEN), Trial.NONE, Part.ALL, straight());
        assertThat(frozen.earth().orElseThrow().rodsOhm()
                        / moist.earth().orElseThrow().rodsOhm())
                .isCloseTo(20, within(1e-6));
        assertThat(frozen.earth().orElseThrow().good()).isFalse();
        assertThat(frozen.earth().orElseThrow().testV()).isGreaterThan(Values.G9_ROD_V);
        assertThat(frozen.allFindings()).extracting(Finding::rule).contains(Rule.G9);
        assertThat(frozen.earth().orElseThrow().wires()).isEqualTo(CircuitMessage.EarthWires.WOULD_CARRY);
        assertThat(moist.earth().orElseThrow().schools())
                .extracting(Electrics.EarthCase::name)
                .containsExactly(
                        new Message.Name("G1"), new Message.Name("G2"), new Message.Name("G3"), new Message.Name("G4"));
        assertThat(moist.earth().orElseThrow().improvements())
                .allMatch(c -> c.ohm() < moist.earth().orElseThrow().rodsOhm());
        List<Shock> shocks = moist.earth().orElseThrow().shocks();
        assertThat(Shocks.usual(shocks, GroundState.FROZEN).bodyJ())
                .isLessThan(Shocks.usual(shocks, GroundState.MOIST).bodyJ());
    }

    /** G14: the same earth wires pass less through the rods when they are tied to the terminal. */
    @Test
    void tiedEarthWiresPassTheRods() {
        Spec spec = spec().withFence(f -> f.withSchedule(Preset.of("W7").schedule()));
        Spec tied = spec.withFence(f -> f.withWires(spec.fence().wires().withEarthTied(true)));
        Spec grounded = spec.withFence(f -> f.withWires(spec.fence().wires().withEarthTied(false)));
        assertThat(circuit(tied, Trial.NONE, straight()).circuit().earthTied()).isTrue();
        double a = electrics(tied, in(GroundState.FROZEN), Trial.NONE, Part.CURVE, straight())
                .weakest()
                .orElseThrow()
                .likelyV();
        double b = electrics(grounded, in(GroundState.FROZEN), Trial.NONE, Part.CURVE, straight())
                .weakest()
                .orElseThrow()
                .likelyV();
        assertThat(a).isGreaterThan(b);
    }

    /** E1 and E4: a 7 Ah battery is told to be too small, with the size that lasts. */
    @Test
    void aSmallBatteryIsToldWhatItLasts() {
        Spec spec = spec();
        Spec small = spec().withSupply(s -> s.withSource(Supply.Source.SOLAR)
                .withBattery(s.battery().withBatteryAh(7).withPanelW(5)));
        Electrics e = electrics(small, Trial.NONE, Set.of(Part.SUPPLY), straight());
        assertThat(e.allFindings()).extracting(Finding::rule).contains(Rule.E4, Rule.E5);
        assertThat(e.supply().orElseThrow().battery().orElseThrow().year()).hasSize(12);
        assertThat(e.supply().orElseThrow().battery().orElseThrow().daysToHalf())
                .isLessThan(2);
        assertThat(e.supply().orElseThrow().battery().orElseThrow().leastAh()).isGreaterThan(70);
        Spec thin =
                small.withSupply(s -> s.withBattery(s.battery().withCableM(200).withCableMm2(0.2)));
        assertThat(electrics(thin, Trial.NONE, Set.of(Part.SUPPLY), straight()).allFindings())
                .extracting(Finding::message)
                .anyMatch(m -> inFeet(m).contains("make it shorter or thicker"));
    }

    /** Source: common practice, V5, V6, V7 and V8: what was seen lies between our clean and overgrown fences of that kind. */
    @Test
    void whatPracticeSawLiesBetweenCleanAndOvergrown() {
        Spec usual = Spec.USUAL;
        FenceLine field = Fences.line("l", false, 0, 0, 600, 0);
        FenceLine yard = Fences.line("l", false, 0, 0, 80, 0);
        // V5: 7 kV on an energizer that stores 6.7 J.
        EnergizerRating strong = Energizers.GENERIC.get(6);
        assertThat(strong.energy().storedJ()).isCloseTo(6.7, within(0.2));
        Spec pigs = usual.withFence(f ->
                f.withAnimals(List.of(Animal.PIGS)).withSchedule(Preset.of("W5").schedule()));
        assertThat(7000.0)
                .isBetween(
                        weakest(pigs, strong, Growth.RAIN, Trial.NONE, field),
                        weakest(pigs, strong, Growth.CLEAN, Trial.NONE, field));
        // V8: 4 kV on a home poultry fence; ours with a small energizer stands there overgrown and with damaged
        // insulators.
        Spec poultry = usual.withFence(f -> f.withAnimals(List.of(Animal.FOX_POULTRY))
                .withSchedule(Preset.of("W11").schedule()));
        EnergizerRating small = Energizers.GENERIC.getFirst();
        assertThat(4000.0)
                .isBetween(
                        weakest(
                                poultry,
                                small,
                                Circumstances.USUAL
                                        .withInsulators(Insulators.POOR)
                                        .withGrowth(Growth.RAIN),
                                Trial.NONE,
                                yard),
                        weakest(poultry, small, Growth.CLEAN, Trial.NONE, yard));
        // V7: no growth brings a sound fence to 2 kV, a fault of some 100 Ω does.
        EnergizerRating one = Energizers.GENERIC.get(3);
        Trial fault = new Trial(Set.of(), List.of(new Trial.TestLoad("l", 300, 120)));
        assertThat(weakest(usual, one, Growth.RAIN, Trial.NONE, field)).isGreaterThan(2000);
        assertThat(weakest(usual, one, Growth.LIGHT, fault, field)).isBetween(1500.0, 2000.0);
    }

    /** V12: worse insulators leak more, and are one of the conditions. */
    @Test
    void worseInsulatorsLeaveLess() {
        double last = Double.POSITIVE_INFINITY;
        for (Insulators state : Insulators.values()) {
            Spec spec = spec();
            double v = electrics(spec, Circumstances.USUAL.withInsulators(state), Trial.NONE, Part.CURVE, straight())
                    .weakest()
                    .orElseThrow()
                    .likelyV();
            assertThat(v).as(state.text()).isLessThan(last);
            last = v;
        }
    }

    private static double weakest(Spec spec, EnergizerRating plate, Growth growth, Trial trial, FenceLine line) {
        return weakest(spec, plate, Circumstances.USUAL.withGrowth(growth), trial, line);
    }

    private static double weakest(Spec spec, EnergizerRating plate, Circumstances in, Trial trial, FenceLine line) {
        return electrics(fedBy(spec, plate), in, trial, Part.CURVE, line)
                .weakest()
                .orElseThrow()
                .likelyV();
    }

    @Test
    void onePlaceIsShownInTime() {
        Plan plan = Plan.EMPTY.withSite(Fences.site(0, -4, straight())).withSpec(spec());
        Laid layout = LayoutPlanner.laid(plan, Surroundings.NONE);
        AtPoint at = AtPoint.of(plan, layout, Surroundings.NONE, Trial.NONE, "l", 600)
                .orElseThrow();
        Electrics e = ElectricsPlanner.of(plan, layout, Surroundings.NONE, Trial.NONE, Part.CURVE)
                .orElseThrow();
        assertThat(at.peakV()).isCloseTo(at(e, 600), within(0.01 * at.peakV()));
        assertThat(at.volts()).allMatch(v -> v <= at.peakV() + 1);
        assertThat(at.usual().contact()).isEqualTo(new CircuitMessage.OnGround(GroundState.MOIST));
        assertThat(AtPoint.of(plan, layout, Surroundings.NONE, Trial.NONE, "none", 0))
                .isEmpty();
    }
}
