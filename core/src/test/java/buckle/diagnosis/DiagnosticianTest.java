package buckle.diagnosis;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import buckle.diagnosis.Diagnosis.Stretch;
import buckle.diagnosis.Hunt.MeterNoise;
import buckle.diagnosis.Hunt.Reading;
import buckle.pulse.Circuit;
import buckle.pulse.Fault;
import buckle.pulse.LineModel;
import buckle.pulse.LineType;
import buckle.pulse.LineWire;
import buckle.pulse.Meter;
import buckle.pulse.Place;
import buckle.pulse.Run;
import buckle.pulse.Source;
import buckle.simulation.DrawnHunt;
import buckle.simulation.KnownHunt;
import buckle.simulation.Truth;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.Set;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.LUDecomposition;
import org.hipparchus.linear.MatrixUtils;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.linear.RealVector;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Single faults whose readings are worked out, without error, on a plan that is true. */
class DiagnosticianTest {
    private static final LineType PAIR = LineType.overGround(
            List.of(
                    new LineWire(0.5, 0.0025, 0.035, 100, true),
                    new LineWire(0.9, 0.0025, 0.035, 100, true),
                    new LineWire(0.7, 0.0025, 0.035, 100, false)),
            5e-7,
            100);
    static final LineType TWO_HOT = LineType.overGround(
            List.of(new LineWire(0.5, 0.0025, 0.035, 100, true), new LineWire(0.9, 0.0025, 0.035, 100, true)),
            4e-7,
            100);
    static final Circuit PLAN = new Circuit(
            "plan",
            LineModel.FREQUENCY_DEPENDENT,
            new Source(8000, 93.75e-9, 2.307e-3, 181.8, OptionalDouble.of(6000), OptionalDouble.of(0.5e-9)),
            10,
            false,
            List.of(
                    Run.of("A", Optional.empty(), 600, PAIR),
                    Run.of("B", Optional.of("A"), 500, PAIR),
                    Run.of("C", Optional.of("A"), 700, PAIR)),
            List.of());
    private static final List<Meter> VOLTS = List.of(
            new Meter.Volts(new Place("A", 0)),
            new Meter.Volts(new Place("A", 600)),
            new Meter.Volts(new Place("B", 500)),
            new Meter.Volts(new Place("C", 350)),
            new Meter.Volts(new Place("C", 700)));

    private static Reading reading(Meter meter, double value, Set<String> open) {
        Optional<Place> at = switch (meter) {
            case Meter.Volts v -> Optional.of(v.at());
            case Meter.Amperes a -> Optional.of(a.at());
            case Meter.EarthVolts e -> Optional.empty();
        };
        boolean amperes = meter instanceof Meter.Amperes;
        return new Reading(
                at,
                amperes ? OptionalDouble.empty() : OptionalDouble.of(Math.rint(value / 10) * 10),
                amperes ? OptionalDouble.of(value) : OptionalDouble.empty(),
                amperes,
                open,
                false);
    }

    private static List<Reading> readings(Circuit circuit, List<Meter> meters) {
        double[] shown = DrawnHunt.solved(circuit, meters);
        List<Reading> all = new ArrayList<>();
        for (int i = 0; i < shown.length; i++) {
            all.add(reading(meters.get(i), shown[i], Set.of()));
        }
        return all;
    }

    private static Circuit with(Fault... faults) {
        return PLAN.withFaults(List.of(faults));
    }

    private static Hunt hunt(List<Reading> healthy, List<Reading> now) {
        return new Hunt(PLAN, new MeterNoise(10, 0.03, 0.1, 0.05), healthy, now, List.of());
    }

    private static Diagnosis diagnose(List<Meter> meters, Fault... faults) {
        return Diagnostician.of(hunt(readings(PLAN, meters), readings(with(faults), meters)));
    }

    private static List<Meter> withCurrents() {
        List<Meter> all = new ArrayList<>(VOLTS);
        PLAN.runs().forEach(r -> all.add(new Meter.Amperes(new Place(r.id(), 0))));
        return all;
    }

    private static boolean held(Diagnosis d, String run, double at) {
        return d.region90().stream().anyMatch(s -> s.run().equals(run) && s.fromM() <= at && s.toM() >= at);
    }

    /** A leak on C is looked for on C, where it is; its strength is told within a fifth. */
    @Test
    void aLeak() {
        Diagnosis d = diagnose(withCurrents(), new Fault(Fault.Kind.SHUNT, new Place("C", 520), 200));
        Diagnosis.Suspect best = d.suspects().getFirst();
        assertThat(best.kind()).isEqualTo(FaultKind.LEAK);
        assertThat(best.run()).hasValue("C");
        assertThat(best.fromM()).isCloseTo(520, within(60.0));
        assertThat(best.ohm().orElseThrow()).isCloseTo(200, within(40.0));
        assertThat(held(d, "C", 520)).isTrue();
        assertThat(d.region90()).extracting(Stretch::run).containsOnly("C");
    }

    /** Beyond an open wire nothing is read, and before it more than ever: a rise is a fault too. */
    @Test
    void aBrokenWire() {
        Diagnosis d = diagnose(VOLTS, new Fault(Fault.Kind.BREAK, new Place("B", 250), Double.POSITIVE_INFINITY));
        assertThat(d.suspects().getFirst().kind()).isEqualTo(FaultKind.BREAK);
        assertThat(d.suspects().getFirst().run()).hasValue("B");
        assertThat(d.suspects().getFirst().ohm()).isEmpty();
        assertThat(held(d, "B", 250)).isTrue();
    }

    /** In order it is said to be in order; the fit is the plan, with a range round it. */
    @Test
    void nothing() {
        Diagnosis d = diagnose(withCurrents());
        assertThat(d.kinds().get(FaultKind.NONE)).isGreaterThan(0.4);
        assertThat(d.fit().done()).isTrue();
        assertThat(d.fit().earthOhm()).isCloseTo(10, within(1.0));
        d.fit().runs().forEach(r -> {
            assertThat(r.leakSPerM()).isCloseTo(5e-7, within(1e-7));
            assertThat(r.lowSPerM()).isLessThan(r.leakSPerM());
            assertThat(r.highSPerM()).isGreaterThan(r.leakSPerM());
        });
        assertThat(d.fit().suspect()).isEmpty();
    }

    /** With the earth terminal read, a poor earth is told from a weak supply. */
    @Test
    void earthOrSupply() {
        List<Meter> meters = new ArrayList<>(VOLTS);
        meters.add(new Meter.EarthVolts());
        List<Reading> healthy = readings(PLAN, meters);
        Diagnosis earth = Diagnostician.of(hunt(healthy, readings(PLAN.withEarthOhm(150), meters)));
        assertThat(earth.kinds().get(FaultKind.EARTH)).isGreaterThan(0.9);
        assertThat(earth.suspects().getFirst().ohm().orElseThrow()).isCloseTo(150, within(40.0));
        Source s = PLAN.source();
        Source weak = new Source(s.chargedV() * 0.6, s.faradF(), s.henryH(), s.ohm(), s.bleedOhm(), s.terminalF());
        Diagnosis supply = Diagnostician.of(hunt(healthy, readings(PLAN.withSource(weak), meters)));
        assertThat(supply.kinds().get(FaultKind.SUPPLY))
                .isGreaterThan(supply.kinds().get(FaultKind.EARTH));
        assertThat(supply.kinds().get(FaultKind.NONE)).isLessThan(0.01);
    }

    /** One reading that is higher than its feed in order fits nothing physical: it is named. */
    @Test
    void aWrongReadingInOrderIsNamed() {
        List<Reading> healthy = new ArrayList<>(readings(PLAN, VOLTS));
        healthy.set(3, reading(VOLTS.get(3), 9900, Set.of()));
        Diagnosis d = Diagnostician.of(hunt(healthy, readings(PLAN, VOLTS)));
        assertThat(d.fit().suspect()).containsExactly(3);
        assertThat(d.suspects().stream().filter(s -> s.kind() == FaultKind.METER))
                .anySatisfy(s -> {
                    assertThat(s.ofHealthy()).isTrue();
                    assertThat(s.reading()).hasValue(3);
                });
    }

    /** 6 A before a place and 1 A behind it: the fault lies between. Common practice. */
    @Test
    void currentBeforeAndBehind() {
        List<Meter> meters = List.of(
                new Meter.Volts(new Place("A", 0)),
                new Meter.Amperes(new Place("C", 100)),
                new Meter.Amperes(new Place("C", 400)));
        Fault leak = new Fault(Fault.Kind.SHUNT, new Place("C", 250), 700);
        List<Reading> now = readings(with(leak), meters);
        assertThat(now.get(1).currentA().orElseThrow() / now.get(2).currentA().orElseThrow())
                .isGreaterThan(3);
        Diagnosis d = Diagnostician.of(hunt(readings(PLAN, meters), now));
        assertThat(d.region90()).allSatisfy(s -> {
            assertThat(s.run()).isEqualTo("C");
            assertThat(s.fromM()).isGreaterThan(60);
            assertThat(s.toM()).isLessThan(440);
        });
        assertThat(held(d, "C", 250)).isTrue();
    }

    /** A reading with a switch open is held against the fence with that switch open: what comes back then lies behind it. */
    @Test
    void aSwitchHalves() {
        Hunt.Switch s = new Hunt.Switch("s1", new Place("C", 0));
        Fault leak = new Fault(Fault.Kind.SHUNT, new Place("C", 300), 250);
        List<Reading> now = new ArrayList<>(readings(with(leak), VOLTS.subList(0, 1)));
        List<Run> open = PLAN.runs().stream()
                .map(r -> r.id().equals("C") ? new Run(r.id(), r.parent(), r.lengthM(), r.type(), true, r.joins()) : r)
                .toList();
        double cutOff = DrawnHunt.solved(PLAN.withRuns(open).withFaults(List.of(leak)), VOLTS.subList(0, 1))[0];
        now.add(reading(VOLTS.getFirst(), cutOff, Set.of("s1")));
        Diagnosis d = Diagnostician.of(
                new Hunt(PLAN, new MeterNoise(10, 0.03, 0.1, 0.05), readings(PLAN, VOLTS), now, List.of(s)));
        double onC = d.density().stream()
                .filter(x -> x.run().equals("C"))
                .mapToDouble(Diagnosis.Density::probability)
                .sum();
        assertThat(onC).isGreaterThan(0.9);
    }

    /** One reading after another, the answer is what it is when all are given at once: a reading more is a column more. */
    @Test
    void readingByReadingOrAllAtOnce() {
        Hunt.Switch s = new Hunt.Switch("s1", new Place("C", 0));
        List<Meter> meters = new ArrayList<>(withCurrents());
        meters.add(new Meter.Volts(new Place("B", 190)));
        meters.add(new Meter.EarthVolts());
        List<Reading> now =
                new ArrayList<>(readings(with(new Fault(Fault.Kind.SHUNT, new Place("C", 520), 900)), meters));
        now.add(reading(VOLTS.getFirst(), 6100, Set.of("s1")));
        Hunt hunt = new Hunt(PLAN, new MeterNoise(10, 0.03, 0.1, 0.05), readings(PLAN, VOLTS), now, List.of(s));
        KnownFence fence = KnownFence.of(hunt);
        List<Value> values = Value.of(now, hunt.meter());
        AnswerTable table = AnswerTable.of(fence, values.subList(0, 2));
        for (int n = 3; n <= values.size(); n++) {
            table = table.with(values.subList(0, n));
        }
        Diagnosis grown = Diagnostician.of(values, table);
        Diagnosis atOnce = Diagnostician.of(values, AnswerTable.of(fence, values));
        assertThat(grown.region90()).isEqualTo(atOnce.region90());
        for (FaultKind kind : FaultKind.values()) {
            assertThat(grown.kinds().get(kind)).isCloseTo(atOnce.kinds().get(kind), within(1e-9));
        }
        assertThat(Diagnostician.of(hunt).kinds().get(FaultKind.LEAK))
                .isCloseTo(atOnce.kinds().get(FaultKind.LEAK), within(1e-9));
    }

    /** A switch in the lead-out is where the fence begins: it can let nothing pass, and what lies behind it is told all the same. */
    @Test
    void aSwitchWhereTheFenceBegins() {
        List<Run> runs = List.of(
                Run.of("switch", Optional.empty(), 0, PAIR),
                Run.of("A", Optional.of("switch"), 600, PAIR),
                Run.of("B", Optional.of("A"), 500, PAIR));
        Circuit plan = PLAN.withRuns(runs);
        List<Meter> meters = List.of(
                new Meter.Volts(new Place("A", 10)),
                new Meter.Volts(new Place("A", 600)),
                new Meter.Volts(new Place("B", 500)));
        MeterNoise noise = new MeterNoise(10, 0.03, 0.1, 0.05);
        List<Reading> healthy = readings(plan, meters);
        List<Reading> leaking =
                readings(plan.withFaults(List.of(new Fault(Fault.Kind.SHUNT, new Place("B", 300), 300))), meters);
        Diagnosis leak = Diagnostician.of(new Hunt(plan, noise, healthy, leaking, List.of(), Set.of("switch"), false));
        assertThat(leak.kinds().get(FaultKind.LEAK) + leak.kinds().get(FaultKind.GROWTH))
                .isGreaterThan(0.9);
        List<Reading> dead = meters.stream().map(m -> reading(m, 0, Set.of())).toList();
        Diagnosis failed = Diagnostician.of(new Hunt(plan, noise, healthy, dead, List.of(), Set.of("switch"), false));
        assertThat(failed.switches().get("switch")).isGreaterThan(0.1);
    }

    /** Growth is thought of on a fence of many short runs as well. */
    @Test
    void growthOnShortRuns() {
        List<Run> runs = new ArrayList<>();
        for (int i = 0; i < 60; i++) {
            runs.add(Run.of("r" + i, i == 0 ? Optional.empty() : Optional.of("r" + (i - 1) / 2), 40, PAIR));
        }
        Circuit plan = PLAN.withRuns(runs);
        List<Meter> meters = List.of(
                new Meter.Volts(new Place("r0", 0)),
                new Meter.Volts(new Place("r30", 40)),
                new Meter.Volts(new Place("r59", 40)));
        Diagnosis d = Diagnostician.of(new Hunt(
                plan,
                new MeterNoise(10, 0.03, 0.1, 0.05),
                readings(plan, meters),
                readings(plan.withFaults(List.of(new Fault(Fault.Kind.SHUNT, new Place("r59", 20), 500))), meters),
                List.of()));
        assertThat(d.kinds().get(FaultKind.GROWTH)).isBetween(0.05, 0.4);
    }

    /** The wire in the pipe under a gate has parted: all beyond is dead. A second open wire at the very place changes nothing. */
    @Test
    void theCableUnderAGate() {
        LineType cable = LineType.of(new LineType.Cable(0.035, 0.25e-6, 120e-12));
        Circuit plan = PLAN.withRuns(List.of(
                Run.of("yard", Optional.empty(), 150, TWO_HOT),
                Run.of("gate", Optional.of("yard"), 5, cable),
                Run.of("field", Optional.of("gate"), 200, TWO_HOT)));
        List<Meter> meters = List.of(
                new Meter.Volts(new Place("yard", 0)),
                new Meter.Volts(new Place("yard", 150)),
                new Meter.Volts(new Place("gate", 5)),
                new Meter.Volts(new Place("field", 200)));
        for (double at : new double[] {0.5, 2.5, 4.5}) {
            Fault parted = new Fault(Fault.Kind.BREAK, new Place("gate", at), Double.POSITIVE_INFINITY);
            Hunt hunt = new Hunt(
                    plan,
                    MeterNoise.USUAL,
                    readings(plan, meters),
                    readings(plan.withFaults(List.of(parted)), meters),
                    List.of());
            Diagnosis d = Diagnostician.of(hunt);
            assertThat(d.kinds().get(FaultKind.BREAK)).isGreaterThan(0.8);
            assertThat(held(d, "gate", at)).isTrue();
        }
    }

    /** Common practice: a clamp is put on the wrong way round now and then; the fault is where the other readings say. */
    @Test
    void aCurrentToldTheWrongWayRound() {
        List<Meter> meters = withCurrents();
        Fault leak = new Fault(Fault.Kind.SHUNT, new Place("C", 520), 200);
        List<Reading> healthy = readings(PLAN, meters);
        List<Reading> now = readings(with(leak), meters);
        for (List<Reading> some : List.of(healthy, now)) {
            Reading last = some.removeLast();
            some.add(new Reading(
                    last.at(), last.peakV(), OptionalDouble.of(-last.currentA().orElseThrow()), true, Set.of(), false));
        }
        Diagnosis d = Diagnostician.of(hunt(healthy, now));
        assertThat(d.fit().suspect()).isEmpty();
        assertThat(d.kinds().get(FaultKind.TWO)).isLessThan(0.1);
        assertThat(d.suspects().getFirst().kind()).isEqualTo(FaultKind.LEAK);
        assertThat(held(d, "C", 520)).isTrue();
    }

    /** On short branches a pulse swings back as far as it went: which way the greatest current goes depends on what no plan knows. */
    @ParameterizedTest
    @ValueSource(longs = {9047, 9104})
    void manyShortBranchesWithCurrents(long seed) {
        List<Run> runs = new ArrayList<>();
        Random random = new Random(3);
        for (int i = 0; i < 24; i++) {
            double lengthM = Math.rint(100 + 100 * random.nextDouble());
            runs.add(Run.of(
                    "r" + i, i == 0 ? Optional.empty() : Optional.of("r" + random.nextInt(i)), lengthM, TWO_HOT));
        }
        KnownHunt drawn = DrawnHunt.of("branches", PLAN.withRuns(runs), seed, DrawnHunt::solved);
        Truth truth = drawn.truth().getFirst();
        assertThat(truth.kind()).isEqualTo(FaultKind.LEAK);
        Diagnosis d = Diagnostician.of(drawn.hunt());
        assertThat(d.kinds().get(FaultKind.TWO)).isLessThan(0.1);
        assertThat(held(d, truth.run(), truth.fromM())).isTrue();
    }

    /** Where a current turns it is as large one way as the other: between a place before and one behind it is no smaller. */
    @Test
    void aCurrentThatTurnsPassesNotThroughNothing() {
        double[][] turning = {{-4.6, 4.6}, {-4.8, 4.8}, {4.9, 4.9}, {4.8, 4.8}};
        double[] before = new double[2];
        double[] behind = new double[2];
        Cubic.at(4, 1.4).of(turning, before);
        Cubic.at(4, 1.6).of(turning, behind);
        assertThat(before[1]).isBetween(4.8, 4.95);
        assertThat(before[0]).isEqualTo(-before[1]);
        assertThat(behind[0]).isEqualTo(behind[1]);
    }

    /** By Hipparchus' elimination; where a density is less than what matters it may be left out, never elsewhere. */
    @Test
    void densitiesAreTheLibrarysDownToWhatMatters() {
        Random random = new Random(11);
        int left = 0;
        for (int n = 1; n <= 8; n++) {
            RealMatrix by = new Array2DRowRealMatrix(n, 12);
            for (int i = 0; i < n; i++) {
                by.setRow(i, random.doubles(12).map(x -> x - 0.3).toArray());
            }
            RealMatrix covariance = by.multiplyTransposed(by)
                    .scalarMultiply(1 / 12.0)
                    .add(MatrixUtils.createRealIdentityMatrix(n).scalarMultiply(0.02));
            Gauss gauss = new Gauss(covariance.getData());
            LUDecomposition library = new LUDecomposition(covariance);
            double logDet = Math.log(2 * Math.PI) * n + Math.log(library.getDeterminant());
            for (int trial = 0; trial < 200; trial++) {
                RealVector off = new ArrayRealVector(
                        random.doubles(n).map(x -> 8 * (x - 0.5)).toArray());
                double exact = -(off.dotProduct(library.getSolver().solve(off)) + logDet) / 2;
                assertThat(gauss.logDensity(off.toArray())).isCloseTo(exact, within(1e-9 * (1 + Math.abs(exact))));
                double least = -60 * random.nextDouble();
                double told = gauss.logDensity(off.toArray(), least);
                if (told == Double.NEGATIVE_INFINITY) {
                    left++;
                    assertThat(exact).isLessThan(least + 1e-6);
                } else {
                    assertThat(told).isEqualTo(gauss.logDensity(off.toArray()));
                }
            }
        }
        assertThat(left).isBetween(200, 1400);
    }
}
