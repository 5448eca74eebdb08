package buckle.readings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import buckle.Fences;
import buckle.circuit.Electrics;
import buckle.circuit.ElectricsPlanner;
import buckle.circuit.FenceCircuit;
import buckle.circuit.Trial;
import buckle.commissioning.YardstickFit;
import buckle.design.Design;
import buckle.diagnosis.FaultKind;
import buckle.diagnosis.Hunt;
import buckle.diagnosis.TablesAtHand;
import buckle.land.Surroundings;
import buckle.power.Energizers;
import buckle.pulse.Circuit;
import buckle.pulse.Fault;
import buckle.pulse.Meter;
import buckle.pulse.Place;
import buckle.pulse.Run;
import buckle.readings.FaultSearch.NextStep;
import buckle.simulation.DrawnHunt;
import buckle.site.FenceLine;
import buckle.site.GateKind;
import buckle.site.GeoPoint;
import buckle.spec.Deviation;
import buckle.spec.Plan;
import buckle.spec.Spec;
import buckle.spec.WireRole;
import buckle.spec.Yardstick;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.UUID;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** A fault on a laid-out fence, found by stations from readings that its own circuit gives. */
class FenceDiagnosisTest {
    private static final Instant DAY = Instant.parse("2026-05-02T08:00:00Z");
    private static final Instant LATER = Instant.parse("2026-11-20T08:00:00Z");

    private final Plan plan = Plan.EMPTY.withSite(Fences.site(
            -4,
            0,
            Fences.line("a", false, 0, 0, 900, 0).withCutOuts(List.of(Fences.cutOut("c", 420, 0))),
            Fences.line("b", false, 300, 0, 300, 400).withStartsOn(Optional.of("a"))));
    private final Design design = Design.of(plan, Surroundings.NONE);
    private final FenceCircuit fence =
            ElectricsPlanner.circuit(plan, design.laid(), Surroundings.NONE).orElseThrow();

    private record At(String line, double stationM) {}

    private static final List<At> AT = List.of(
            new At("a", 5), new At("a", 400), new At("a", 650), new At("a", 895), new At("b", 200), new At("b", 395));

    private Place place(At at) {
        return fence.place(at.line(), at.stationM()).orElseThrow();
    }

    private static GeoPoint where(At at) {
        return at.line().equals("a") ? Fences.at(at.stationM(), 0) : Fences.at(300, at.stationM());
    }

    private Observation observed(At at, Observed what, Instant when) {
        return observed(plan, at, where(at), what, when);
    }

    private static Observation observed(Plan plan, At at, GeoPoint where, Observed what, Instant when) {
        return new Observation(
                UUID.randomUUID(),
                new Observation.Spot(Optional.empty(), at.line(), at.stationM(), where),
                what,
                Optional.empty(),
                Weather.DRY,
                plan.circumstances().growth(),
                Optional.empty(),
                when,
                "crew",
                "",
                Optional.empty());
    }

    private List<Observation> read(Circuit circuit, Instant when) {
        double[] volts = DrawnHunt.solved(
                circuit, AT.stream().<Meter>map(a -> new Meter.Volts(place(a))).toList());
        List<Observation> all = new ArrayList<>();
        for (int i = 0; i < volts.length; i++) {
            double shown = Math.rint(volts[i] / 100) * 100;
            all.add(observed(AT.get(i), new Observed.Peak(0, shown, false, OptionalDouble.empty()), when));
        }
        return all;
    }

    private FenceDiagnosis diagnosed(Fault... faults) {
        List<Observation> all = new ArrayList<>(read(fence.circuit(), DAY));
        all.addAll(read(fence.circuit().withFaults(List.of(faults)), LATER));
        return FenceDiagnosis.of(plan, design.laid(), Surroundings.NONE, all, LATER);
    }

    /** A broken wire on the branch: stations count from the branch's own beginning. */
    @Test
    void anOpenWireOnTheBranch() {
        FenceDiagnosis d = diagnosed(new Fault(Fault.Kind.BREAK, place(new At("b", 300)), Double.POSITIVE_INFINITY));
        assertThat(d.enough()).isTrue();
        assertThat(d.used()).isEqualTo(2 * AT.size());
        assertThat(d.healthy()).isEqualTo(AT.size());
        FenceDiagnosis.Suspected best = d.suspects().getFirst();
        assertThat(best.kind()).isEqualTo(FaultKind.BREAK);
        assertThat(best.lineId()).hasValue("b");
        assertThat(d.region90()).anySatisfy(r -> {
            assertThat(r.lineId()).isEqualTo("b");
            assertThat(r.fromM()).isLessThanOrEqualTo(300);
            assertThat(r.toM()).isGreaterThanOrEqualTo(300);
        });
        double all = d.density().stream()
                .mapToDouble(FenceDiagnosis.LinePart::probability)
                .sum();
        assertThat(all + d.offLine()).isCloseTo(1, within(1e-6));
    }

    /**
     * Source: common practice: kilovolts mostly fall from the energizer on, where a line that is open at its end is reckoned to rise. A
     * fence of which all readings fall is in order, later too, and a leak on it is found as on any other.
     */
    @Test
    void aFenceWhoseReadingsFallIsInOrder() {
        for (double lengthM : List.of(400.0, 1200.0, 2500.0, 4500.0)) {
            for (double drop : lengthM < 1000 ? List.of(0.04) : List.of(0.04, 0.12)) {
                Falling f = new Falling(lengthM, drop);
                List<Observation> healthy = f.read(List.of(), DAY);
                YardstickFit fit = YardstickFit.of(f.plan, f.design.laid(), Surroundings.NONE, healthy);
                assertThat(fit.misfits()).as("%s m, %s", lengthM, drop).isEmpty();
                Plan known = f.plan.withCircumstances(f.plan.circumstances().withYardstick(fit.yardstick()));
                Electrics predicted = ElectricsPlanner.of(
                                known, f.design.laid(), Surroundings.NONE, Trial.NONE, Set.of(Electrics.Part.RANGE))
                        .orElseThrow();
                for (Observation o : healthy) {
                    double read = ((Observed.Peak) o.what()).peakV();
                    Electrics.PulsePoint near = predicted.points().stream()
                            .min(Comparator.comparingDouble(p -> Math.abs(p.stationM() - o.at().stationM())))
                            .orElseThrow();
                    assertThat(near.likelyV())
                            .as("%s m, %s at %s", lengthM, drop, o.at())
                            .isCloseTo(read, within(0.05 * read));
                    // The band is of the fence; the meter errs by 3 %.
                    assertThat(read).isBetween(0.94 * near.lowV(), 1.06 * near.highV());
                }
                FenceDiagnosis inOrder = f.diagnosed(known, healthy, List.of());
                assertThat(inOrder.kinds().get(FaultKind.NONE))
                        .as("%s m, %s", lengthM, drop)
                        .isGreaterThan(0.5);
                FenceDiagnosis leaking =
                        f.diagnosed(known, healthy, List.of(new Fault(Fault.Kind.SHUNT, f.place(0.7 * lengthM), 200)));
                assertThat(leaking.kinds().get(FaultKind.LEAK) + leaking.kinds().get(FaultKind.GROWTH))
                        .as("%s m, %s", lengthM, drop)
                        .isGreaterThan(0.6);
                assertThat(leaking.region90()).as("%s m, %s", lengthM, drop).anySatisfy(r -> {
                    assertThat(r.fromM()).isLessThanOrEqualTo(0.7 * lengthM);
                    assertThat(r.toM()).isGreaterThanOrEqualTo(0.7 * lengthM);
                });
            }
        }
    }

    /** One line fed at its beginning, on which what is read falls by a share of it to the far end whatever the circuit says. */
    private static final class Falling {
        final Plan plan;
        final Design design;
        private final FenceCircuit fence;
        private final double lengthM;
        private final double drop;
        private final double[] sound;

        Falling(double lengthM, double drop) {
            this.lengthM = lengthM;
            this.drop = drop;
            plan = Plan.EMPTY
                    .withSite(Fences.site(-4, 0, Fences.line("a", false, 0, 0, lengthM, 0)))
                    .withSpec(Spec.USUAL.withSupply(s -> s.withEnergizer(Optional.of(Energizers.GENERIC.get(6)))));
            design = Design.of(plan, Surroundings.NONE);
            fence = ElectricsPlanner.circuit(plan, design.laid(), Surroundings.NONE)
                    .orElseThrow();
            sound = volts(List.of());
        }

        Place place(double stationM) {
            return fence.place("a", stationM).orElseThrow();
        }

        private double station(int i) {
            return Math.rint(lengthM * i / 5);
        }

        private double[] volts(List<Fault> faults) {
            return DrawnHunt.solved(
                    fence.circuit().withFaults(faults),
                    IntStream.rangeClosed(0, 5)
                            .<Meter>mapToObj(i -> new Meter.Volts(place(station(i))))
                            .toList());
        }

        /** In order about seven per cent over the middle of what is reckoned at the energizer and at the far end, falling evenly. */
        List<Observation> read(List<Fault> faults, Instant when) {
            double[] volts = volts(faults);
            List<Observation> all = new ArrayList<>();
            for (int i = 0; i < volts.length; i++) {
                double inOrder = 1.07 * (sound[0] + sound[5]) / 2 * (1 + drop / 2 - drop * i / 5);
                double shown = Math.rint(volts[i] / sound[i] * inOrder / 100) * 100;
                all.add(observed(
                        plan,
                        new At("a", station(i)),
                        Fences.at(station(i), 0),
                        new Observed.Peak(0, shown, false, OptionalDouble.empty()),
                        when));
            }
            return all;
        }

        FenceDiagnosis diagnosed(Plan known, List<Observation> healthy, List<Fault> faults) {
            List<Observation> all = new ArrayList<>(healthy);
            all.addAll(read(faults, LATER));
            return FenceDiagnosis.of(known, design.laid(), Surroundings.NONE, all, LATER);
        }
    }

    /** A low leak beyond the cut-out is looked for beyond it. */
    @Test
    void aLeakBeyondTheCutOut() {
        FenceDiagnosis d = diagnosed(new Fault(Fault.Kind.SHUNT, place(new At("a", 780)), 150));
        double beyond = d.density().stream()
                .filter(p -> p.lineId().equals("a") && p.fromM() >= 420)
                .mapToDouble(FenceDiagnosis.LinePart::probability)
                .sum();
        assertThat(beyond).isGreaterThan(0.6);
        assertThat(d.kinds().get(FaultKind.LEAK) + d.kinds().get(FaultKind.GROWTH))
                .isGreaterThan(0.8);
    }

    /** A meter hung up at one place, which sends every quarter of an hour, drowns nothing that a crew reads elsewhere. */
    @Test
    void aMeterThatSendsDayAndNight() {
        Circuit leaking =
                fence.circuit().withFaults(List.of(new Fault(Fault.Kind.SHUNT, place(new At("a", 780)), 150)));
        List<Observation> readings = new ArrayList<>(read(fence.circuit(), DAY));
        readings.addAll(read(leaking, LATER));
        FenceDiagnosis few = FenceDiagnosis.of(plan, design.laid(), Surroundings.NONE, readings, LATER);
        Observation hung = readings.get(AT.size());
        for (int i = 1; i <= 500; i++) {
            readings.add(hung.withId(UUID.randomUUID()).withTakenAt(LATER.plusSeconds(900L * i)));
        }
        FenceDiagnosis many = FenceDiagnosis.of(plan, design.laid(), Surroundings.NONE, readings, LATER);
        assertThat(many.used()).as("the last three of it").isEqualTo(few.used() + 2);
        assertThat(many.kinds().get(FaultKind.LEAK)).isCloseTo(few.kinds().get(FaultKind.LEAK), within(0.1));
        assertThat(many.regionM()).isBetween(0.7 * few.regionM(), 1.3 * few.regionM());
        FaultSearch.OnFoot crew = new FaultSearch.OnFoot(55, false, false);
        FaultSearch search = FaultSearch.of(plan, design.laid(), Surroundings.NONE, readings, LATER, false)
                .orElseThrow();
        FaultSearch.NextStep next = search.next(plan, readings, LATER, Optional.empty(), crew)
                .steps()
                .getFirst();
        assertThat(next.lineId()).hasValue("a");
        assertThat(next.toM()).isGreaterThan(420);
    }

    /** It read well at the far end the day before, and does no more: the day before says nothing of the fault. */
    @Test
    void readAgainOnAnotherDay() {
        Circuit leaking =
                fence.circuit().withFaults(List.of(new Fault(Fault.Kind.SHUNT, place(new At("a", 780)), 150)));
        List<Observation> readings = new ArrayList<>(read(fence.circuit(), DAY));
        Instant dayBefore = LATER.minusSeconds(24 * 3600);
        List<Observation> overtaken = read(fence.circuit(), dayBefore);
        readings.addAll(overtaken);
        readings.addAll(read(leaking, LATER));
        FenceDiagnosis both = FenceDiagnosis.of(plan, design.laid(), Surroundings.NONE, readings, dayBefore);
        readings.removeAll(overtaken);
        assertThat(both).isEqualTo(FenceDiagnosis.of(plan, design.laid(), Surroundings.NONE, readings, dayBefore));
    }

    /** Done as told, step by step by stations, from one reading at the beginning to standing before the wire that came apart. */
    @Test
    void toldFromStepToStep() {
        At at = new At("b", 320);
        Circuit broken =
                fence.circuit().withFaults(List.of(new Fault(Fault.Kind.BREAK, place(at), Double.POSITIVE_INFINITY)));
        List<Observation> all = new ArrayList<>(read(fence.circuit(), DAY));
        all.add(read(broken, LATER).getFirst());
        FaultSearch.OnFoot crew = new FaultSearch.OnFoot(55, false, false);
        FaultSearch search = FaultSearch.of(plan, design.laid(), Surroundings.NONE, all, LATER, false)
                .orElseThrow();
        all.add(observed(new At("a", 0), new Observed.SupplyChecked(), LATER));
        Optional<FaultSearch.StandsAt> here = Optional.empty();
        boolean found = false;
        double metres = 0;
        for (int i = 0; i < 20 && !found; i++) {
            assertThat(search.knows(plan, all, LATER)).isTrue();
            FaultSearch.NextStep next =
                    search.next(plan, all, LATER, here, crew).steps().getFirst();
            assertThat(next.minutes()).isPositive().isLessThan(120);
            String line = next.lineId().orElseThrow();
            if (next.action() == FaultSearch.Action.LOOK_OVER) {
                all.add(observed(
                        new At(line, next.fromM()),
                        new Observed.LookedOver(next.toM(), where(new At(line, next.toM()))),
                        LATER));
                metres += Math.abs(next.toM() - next.fromM());
                found = line.equals(at.line())
                        && Math.min(next.fromM(), next.toM()) <= at.stationM()
                        && Math.max(next.fromM(), next.toM()) >= at.stationM();
            } else {
                assertThat(next.outcomes().stream()
                                .mapToDouble(FaultSearch.Meaning::chance)
                                .sum())
                        .isCloseTo(1, within(0.02));
                boolean open = next.action() == FaultSearch.Action.OPEN;
                assertThat(next.cutOut().isPresent()).isEqualTo(open);
                // The cut-out lies beyond the branch: with it open the branch is fed as before.
                Circuit live = broken.withRuns(broken.runs().stream()
                        .map(r -> open && r.id().startsWith("switch:")
                                ? new Run(r.id(), r.parent(), r.lengthM(), r.type(), true, r.joins())
                                : r)
                        .toList());
                At spot = new At(line, next.fromM());
                double volts = DrawnHunt.solved(live, List.of(new Meter.Volts(place(spot))))[0];
                Observed shown = new Observed.Peak(0, Math.rint(volts / 100) * 100, false, OptionalDouble.empty());
                all.add(observed(spot, shown, LATER)
                        .withOpenSwitches(next.cutOut().map(List::of)));
            }
            here = Optional.of(new FaultSearch.StandsAt(line, next.toM()));
        }
        assertThat(found).isTrue();
        assertThat(metres).isLessThan(600);
    }

    /**
     * Behind a gate whose cable is longer than its opening, and at an open cut-out with the longer part behind it, a place is the same one
     * when it comes back as a station: a reading there is on the live side, and the search goes on without being made anew.
     */
    @Test
    void aPlaceToldIsThePlaceRead() {
        Plan gated = Plan.EMPTY.withSite(Fences.site(
                -4,
                0,
                Fences.line("a", false, 0, 0, 900, 0)
                        .withGates(List.of(Fences.gate("g", GateKind.SWING, 150, 0, 4)))
                        .withCutOuts(List.of(Fences.cutOut("c", 300, 0)))));
        Design laid = Design.of(gated, Surroundings.NONE);
        FenceCircuit circuit =
                ElectricsPlanner.circuit(gated, laid.laid(), Surroundings.NONE).orElseThrow();
        OnFence on = new OnFence(circuit, laid.layout());
        for (Run run : circuit.circuit().runs()) {
            for (double at : new double[] {run.lengthM() / 3, run.lengthM()}) {
                on.part(run.id(), at, at, 0).ifPresent(p -> {
                    Place back =
                            on.liveSide(circuit.place(p.lineId(), p.fromM()).orElseThrow());
                    assertThat(back.runId()).isEqualTo(run.id());
                    assertThat(back.distanceM()).isCloseTo(at, within(1e-6));
                });
            }
        }
        List<Observation> all = new ArrayList<>();
        for (double station : new double[] {5, 295, 895}) {
            all.add(observed(new At("a", station), new Observed.Peak(0, 7000, false, OptionalDouble.empty()), DAY));
        }
        Observation atTheCutOut = observed(
                        new At("a", 300), new Observed.Peak(0, 7000, false, OptionalDouble.empty()), LATER)
                .withOpenSwitches(Optional.of(List.of("c")));
        Place read = on.reading(atTheCutOut).orElseThrow().at().orElseThrow();
        Place feed = circuit.place("a", 299.9).orElseThrow();
        assertThat(read.runId()).as("live side").isEqualTo(feed.runId());
        FaultSearch search = FaultSearch.of(gated, laid.laid(), Surroundings.NONE, all, LATER, false)
                .orElseThrow();
        assertThat(search.next(gated, all, LATER, Optional.empty(), new FaultSearch.OnFoot(55, false, false))
                        .steps())
                .filteredOn(s -> s.action() == FaultSearch.Action.READ || s.action() == FaultSearch.Action.OPEN)
                .isNotEmpty()
                .allSatisfy(s -> {
                    List<Observation> then = new ArrayList<>(all);
                    then.add(observed(
                                    new At(s.lineId().orElseThrow(), s.fromM()),
                                    new Observed.Peak(0, 5000, false, OptionalDouble.empty()),
                                    LATER)
                            .withOpenSwitches(s.cutOut().map(List::of)));
                    assertThat(search.knows(gated, then, LATER)).isTrue();
                });
    }

    /** A round that was read while something leaked, mended since, says nothing of the fence in order. */
    @Test
    void onlyTheLastRoundBeforeIsInOrder() {
        Instant earlier = Instant.parse("2025-09-02T08:00:00Z");
        Circuit leaking = fence.circuit().withFaults(List.of(new Fault(Fault.Kind.SHUNT, place(new At("b", 90)), 420)));
        List<Observation> all = new ArrayList<>(read(leaking, earlier));
        all.addAll(read(fence.circuit(), DAY));
        all.addAll(read(fence.circuit(), LATER));
        FenceDiagnosis told = FenceDiagnosis.of(plan, design.laid(), Surroundings.NONE, all, LATER);
        assertThat(told.healthy()).isEqualTo(read(fence.circuit(), DAY).size());
        assertThat(told.kinds().get(FaultKind.NONE)).isGreaterThan(0.4);
    }

    /** “It reads 3 now”, somebody says a month before a crew comes: that is not what the fence reads in order. */
    @Test
    void whatWasReadInPassingIsNotInOrder() {
        Circuit leaking = fence.circuit().withFaults(List.of(new Fault(Fault.Kind.SHUNT, place(new At("b", 90)), 420)));
        Observation low = read(leaking, Instant.parse("2026-10-20T08:00:00Z")).getFirst();
        List<Observation> all = new ArrayList<>(read(fence.circuit(), DAY));
        all.addAll(read(leaking, LATER));
        FenceDiagnosis without = FenceDiagnosis.of(plan, design.laid(), Surroundings.NONE, all, LATER);
        all.add(low);
        FenceDiagnosis told = FenceDiagnosis.of(plan, design.laid(), Surroundings.NONE, all, LATER);
        assertThat(told.healthy()).isEqualTo(AT.size());
        assertThat(told.kinds()).isEqualTo(without.kinds());
        assertThat(told.kinds().get(FaultKind.LEAK)).isGreaterThan(0.5);
    }

    @Test
    void inOrder() {
        assertThat(diagnosed().kinds().get(FaultKind.NONE)).isGreaterThan(0.4);
    }

    /** Where the line no longer runs, on an earth wire and beyond the range nothing is taken for a reading of the hot wires. */
    @Test
    void whatIsNotOfThisFence() {
        List<Observation> all = new ArrayList<>(read(fence.circuit(), DAY));
        all.addAll(read(fence.circuit(), LATER));
        FenceDiagnosis before = FenceDiagnosis.of(plan, design.laid(), Surroundings.NONE, all, LATER);
        int earth = 1
                + plan.spec().fence().schedule().wires().stream()
                        .map(w -> w.role())
                        .toList()
                        .indexOf(WireRole.EARTH);
        Observed low = new Observed.Peak(0, 100, false, OptionalDouble.empty());
        Observation moved = observed(AT.get(2), low, LATER);
        all.add(moved.withAt(new Observation.Spot(Optional.empty(), "a", 650, Fences.at(650, 60))));
        all.add(observed(AT.get(2), new Observed.Peak(0, 9900, true, OptionalDouble.of(9900)), LATER));
        if (earth > 0) {
            all.add(observed(AT.get(2), new Observed.Peak(earth, 100, false, OptionalDouble.empty()), LATER));
        }
        FenceDiagnosis after = FenceDiagnosis.of(plan, design.laid(), Surroundings.NONE, all, LATER);
        assertThat(after.leftOut()).isEqualTo(earth > 0 ? 3 : 2);
        assertThat(after.kinds()).isEqualTo(before.kinds());
    }

    /** One reading now is too few; what a later reading corrects is not used. */
    @Test
    void tooFew() {
        List<Observation> all = new ArrayList<>(read(fence.circuit(), DAY));
        Observation wrong = observed(AT.getFirst(), new Observed.Peak(0, 100, false, OptionalDouble.empty()), LATER);
        all.add(wrong);
        all.add(observed(AT.getFirst(), new Observed.Peak(0, 5000, false, OptionalDouble.empty()), LATER)
                .withCorrects(Optional.of(wrong.id())));
        assertThat(FenceDiagnosis.of(plan, design.laid(), Surroundings.NONE, all, LATER)
                        .enough())
                .isFalse();
    }

    /** Nothing passes the switch: it is named before any metre of wire. */
    @Test
    void aFailedSwitchIsNamed() {
        String run = fence.circuit().runs().stream()
                .map(r -> r.id())
                .filter(id -> id.startsWith("switch:c"))
                .findFirst()
                .orElseThrow();
        Circuit failed = fence.circuit()
                .withRuns(fence.circuit().runs().stream()
                        .map(r -> r.id().equals(run)
                                ? new Run(r.id(), r.parent(), r.lengthM(), r.type(), true, r.joins())
                                : r)
                        .toList());
        List<Observation> all = new ArrayList<>(read(fence.circuit(), DAY));
        all.addAll(read(failed, LATER));
        FenceDiagnosis d = FenceDiagnosis.of(plan, design.laid(), Surroundings.NONE, all, LATER);
        assertThat(d.kinds().get(FaultKind.BREAK)).isGreaterThan(0.8);
        assertThat(d.elements()).first().satisfies(e -> {
            assertThat(e.kind()).isEqualTo(FenceDiagnosis.ElementKind.SWITCH);
            assertThat(e.id()).hasValue("c");
            assertThat(e.probability()).isGreaterThan(0.1);
        });
    }

    /** In order when dry, a leak when wet: said as that, and looked for by the wet readings alone. */
    @Test
    void aFaultThatComesWithRain() {
        List<Observation> all = new ArrayList<>(read(fence.circuit(), DAY));
        all.addAll(read(fence.circuit(), LATER));
        Fault leak = new Fault(Fault.Kind.SHUNT, place(new At("a", 780)), 200);
        read(fence.circuit().withFaults(List.of(leak)), LATER.plusSeconds(40_000))
                .forEach(o -> all.add(o.withWeather(Weather.RAIN)));
        FenceDiagnosis d = FenceDiagnosis.of(plan, design.laid(), Surroundings.NONE, all, LATER);
        assertThat(d.whenWet()).isTrue();
        assertThat(d.kinds().get(FaultKind.NONE)).isLessThan(0.2);
        assertThat(d.suspects().getFirst().kind()).isIn(FaultKind.LEAK, FaultKind.GROWTH);
        assertThat(diagnosed(leak).whenWet()).isFalse();
    }

    /** While a crew walks to where it reads next, all is worked out that does not depend on what it will read; the answer is the same. */
    @Test
    void whereACrewReadsNextIsMadeReady() {
        List<Observation> all = new ArrayList<>(read(fence.circuit(), DAY));
        Fault leak = new Fault(Fault.Kind.SHUNT, place(new At("a", 780)), 200);
        all.addAll(read(fence.circuit().withFaults(List.of(leak)), LATER).subList(0, 3));
        NextStep next = new NextStep(
                FaultSearch.Action.OPEN, Optional.of("b"), 123.4, 123.4, Optional.of("c"), 9, 0, List.of());
        ExpectedReading expected = ExpectedReading.of(next, false).orElseThrow();
        Observation there = observed(
                        new At("b", 123.4),
                        new Observed.Peak(0, 3100, false, OptionalDouble.empty()),
                        LATER.plusSeconds(900))
                .withOpenSwitches(Optional.of(List.of("c")));
        OnFence on = new OnFence(fence, design.layout());
        List<Observation> now = new ArrayList<>(all.subList(AT.size(), all.size()));
        now.add(there);
        Hunt hunt = on.hunt(on.readings(all.subList(0, AT.size())), on.readings(now), OnFence.meter(now));
        assertThat(TablesAtHand.forReadings(hunt)).isFalse();
        FenceDiagnosis.makeReady(plan, design.laid(), Surroundings.NONE, all, LATER, expected);
        assertThat(TablesAtHand.forReadings(hunt)).isTrue();
        all.add(there);
        FenceDiagnosis walkedTo = FenceDiagnosis.of(plan, design.laid(), Surroundings.NONE, all, LATER);
        assertThat(walkedTo.used()).isEqualTo(AT.size() + 4);
        assertThat(walkedTo.kinds().get(FaultKind.NONE)).isLessThan(0.2);
    }

    /** Source: common practice, X11: 0.3 kV on an unpowered wire with 5.4 kV on the hot ones is a leak worth a look; 0.1 is none. */
    @Test
    void aLeakIntoAnUnpoweredWire() {
        Observed hot = new Observed.Peak(0, 5400, false, OptionalDouble.empty());
        List<Observation> all = new ArrayList<>();
        all.add(observed(AT.get(2), hot, LATER));
        all.add(observed(AT.get(2), new Observed.Unpowered(2, 300, false, OptionalDouble.empty()), LATER));
        all.add(observed(AT.get(3), new Observed.Unpowered(2, 100, false, OptionalDouble.empty()), LATER));
        all.add(observed(AT.get(1), new Observed.Unpowered(2, 400, false, OptionalDouble.empty()), DAY));
        FenceDiagnosis d = FenceDiagnosis.of(plan, design.laid(), Surroundings.NONE, all, LATER);
        assertThat(d.unpowered()).singleElement().satisfies(u -> {
            assertThat(u.peakV()).isEqualTo(300);
            assertThat(u.hotV()).hasValue(5400);
            assertThat(u.lineId()).isEqualTo("a");
            assertThat(u.fromM()).isZero();
            assertThat(u.toM()).isCloseTo(900, within(0.01));
        });
        // Read again without one, it is mended.
        all.add(observed(
                AT.get(2), new Observed.Unpowered(2, 0, false, OptionalDouble.empty()), LATER.plusSeconds(600)));
        assertThat(FenceDiagnosis.of(plan, design.laid(), Surroundings.NONE, all, LATER)
                        .unpowered())
                .isEmpty();
    }

    /** With a yardstick its readings are those in order, whatever else was read before. */
    @Test
    void theYardstickIsWhatInOrderMeans() {
        List<Observation> healthy = read(fence.circuit(), DAY);
        var yardstick = new Yardstick(
                DAY,
                plan.circumstances().growth(),
                plan.circumstances().insulators(),
                plan.circumstances().ground(),
                Energizers.GENERIC.getFirst(),
                healthy.stream().map(Observation::id).toList(),
                Deviation.NONE,
                List.of());
        Fault leak = new Fault(Fault.Kind.SHUNT, place(new At("a", 780)), 200);
        List<Observation> all = new ArrayList<>(healthy);
        all.addAll(read(fence.circuit().withFaults(List.of(leak)), LATER.minusSeconds(86_400)));
        all.addAll(read(fence.circuit().withFaults(List.of(leak)), LATER));
        Plan with = plan.withCircumstances(plan.circumstances().withYardstick(Optional.of(yardstick)));
        FenceDiagnosis d = FenceDiagnosis.of(with, design.laid(), Surroundings.NONE, all, LATER);
        assertThat(d.yardstick()).isTrue();
        assertThat(d.healthy()).isEqualTo(AT.size());
        assertThat(d.used()).isEqualTo(2 * AT.size());
        assertThat(d.kinds().get(FaultKind.NONE)).isLessThan(0.2);
        // Handed over and broken on one day: the yardstick's readings stay those in order.
        FenceDiagnosis oneDay = FenceDiagnosis.of(with, design.laid(), Surroundings.NONE, all, DAY);
        assertThat(oneDay.healthy()).isEqualTo(AT.size());
        assertThat(oneDay.used()).as("with the last at each place").isEqualTo(2 * AT.size());
        assertThat(oneDay.kinds().get(FaultKind.NONE)).isLessThan(0.2);
    }

    /**
     * What was looked over goes with the ground: with the line begun a hundred metres farther back its stations are others, and where the
     * line was moved away nothing was looked over.
     */
    @Test
    void whatWasLookedOverGoesWithTheGround() {
        Observation over = observed(new At("a", 500), new Observed.LookedOver(420, where(new At("a", 420))), LATER);
        Observation supply = observed(new At("a", 0), new Observed.SupplyChecked(), LATER);
        assertThat(metresLookedOver(plan, over)).isCloseTo(80, within(0.5));
        Plan longer = with(Fences.line("a", false, -100, 0, 900, 0));
        assertThat(metresLookedOver(longer, over)).isCloseTo(80, within(0.5));
        Plan moved = with(Fences.line("a", false, 0, 0, 450, 0, 450, 200, 900, 200));
        assertThat(metresLookedOver(moved, over)).isZero();
        Design design = Design.of(moved, Surroundings.NONE);
        OnFence on = new OnFence(
                ElectricsPlanner.circuit(moved, design.laid(), Surroundings.NONE)
                        .orElseThrow(),
                design.layout());
        assertThat(on.lookedOver(supply))
                .singleElement()
                .satisfies(s -> assertThat(s.run()).isEmpty());
    }

    /** Of a fault that comes with rain the dry readings say that all is well; the search goes by the wet ones. */
    @Test
    void theSearchGoesByTheWetReadings() {
        Circuit leaking =
                fence.circuit().withFaults(List.of(new Fault(Fault.Kind.SHUNT, place(new At("b", 320)), 150)));
        List<Observation> wet = new ArrayList<>(read(fence.circuit(), DAY));
        read(leaking, LATER).stream().limit(3).forEach(o -> wet.add(o.withWeather(Weather.RAIN)));
        List<Observation> both = new ArrayList<>(wet);
        both.addAll(3, read(fence.circuit(), LATER.minusSeconds(60)).subList(0, 3));
        FaultSearch search = FaultSearch.of(
                        plan, design.laid(), Surroundings.NONE, both, LATER.minusSeconds(3600), false)
                .orElseThrow();
        FaultSearch.OnFoot crew = new FaultSearch.OnFoot(55, false, false);
        Instant since = LATER.minusSeconds(3600);
        assertThat(search.next(plan, both, since, Optional.empty(), crew))
                .isEqualTo(search.next(plan, wet, since, Optional.empty(), crew));
    }

    /**
     * By hand: a ring of 100 by 100 m. Its two ends stand at one place, and are the first and the last of its wires: what was read or
     * looked over up to the end is not what lies at the beginning.
     */
    @Test
    void theEndOfARingIsNotItsBeginning() {
        Plan ring = Plan.EMPTY.withSite(Fences.site(-4, 0, Fences.line("a", true, 0, 0, 100, 0, 100, 100, 0, 100)));
        Design laid = Design.of(ring, Surroundings.NONE);
        OnFence on = new OnFence(
                ElectricsPlanner.circuit(ring, laid.laid(), Surroundings.NONE).orElseThrow(), laid.layout());
        for (double end : new double[] {400, 399.95}) {
            Observation.Spot spot = new Observation.Spot(Optional.empty(), "a", end, Fences.at(0, 400 - end));
            assertThat(on.place(spot))
                    .isEqualTo(on.fence().place("a", end))
                    .isNotEqualTo(on.fence().place("a", 0));
            Observation over = observed(new At("a", 0), new Observed.LookedOver(end, Fences.at(0, 400 - end)), LATER)
                    .withAt(new Observation.Spot(Optional.empty(), "a", 320, Fences.at(0, 80)));
            assertThat(metresLookedOver(ring, over)).isCloseTo(80, within(0.5));
        }
        // Thirty metres shorter since: still the end.
        Plan shorter = ring.withSite(Fences.site(-4, 0, Fences.line("a", true, 0, 0, 85, 0, 85, 100, 0, 100)));
        Observation over = observed(new At("a", 0), new Observed.LookedOver(400, Fences.at(0, 0)), LATER)
                .withAt(new Observation.Spot(Optional.empty(), "a", 320, Fences.at(0, 80)));
        assertThat(metresLookedOver(shorter, over)).isCloseTo(80, within(0.5));
    }

    private static Plan with(FenceLine a) {
        return Plan.EMPTY.withSite(
                Fences.site(-4, 0, a, Fences.line("b", false, 300, 0, 300, 400).withStartsOn(Optional.of("a"))));
    }

    private static double metresLookedOver(Plan plan, Observation over) {
        Design design = Design.of(plan, Surroundings.NONE);
        OnFence on = new OnFence(
                ElectricsPlanner.circuit(plan, design.laid(), Surroundings.NONE).orElseThrow(), design.layout());
        return on.lookedOver(over).stream()
                .mapToDouble(s -> s.toM() - s.fromM())
                .sum();
    }
}
