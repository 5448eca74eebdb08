package buckle.upkeep;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import buckle.readings.Observation;
import buckle.readings.Observed;
import buckle.readings.Weather;
import buckle.site.Corner;
import buckle.site.CutOut;
import buckle.site.FenceLine;
import buckle.site.Gate;
import buckle.site.GateKind;
import buckle.site.GeoPoint;
import buckle.site.LocalPlane;
import buckle.site.PlanePoint;
import buckle.site.Problem;
import buckle.site.Site;
import buckle.spec.Growth;
import buckle.upkeep.FaultNote.MeterShown;
import buckle.upkeep.FaultNote.Remedy;
import buckle.upkeep.FaultNote.State;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Random;
import java.util.UUID;
import org.junit.jupiter.api.Test;

class UpkeepTest {
    private static final Instant DAY_0 = Instant.parse("2026-04-01T09:00:00Z");
    private static final UUID JOB = UUID.randomUUID();

    private static Instant day(double days) {
        return DAY_0.plusSeconds(Math.round(days * 86_400));
    }

    private static Observation reading(String point, double days, double kv, Weather weather) {
        return new Observation(
                UUID.randomUUID(),
                new Observation.Spot(Optional.of(point), "line-1", 100, GeoPoint.of(1, 44)),
                new Observed.Peak(0, kv * 1000, false, OptionalDouble.empty()),
                Optional.empty(),
                weather,
                Growth.CLEAN,
                Optional.empty(),
                day(days),
                "Mara",
                "",
                Optional.empty());
    }

    private static Observation dry(String point, double days, double kv) {
        return reading(point, days, kv, Weather.DRY);
    }

    private static MeterShown level(double kv) {
        return new MeterShown(kv * 1000, Weather.DRY, Optional.empty());
    }

    private static Remedy work(FencePart part, int count, boolean harmless) {
        return new Remedy(part, "", count, harmless, Optional.empty());
    }

    private static FaultNote note(State state, FencePart part, Instant at) {
        UUID id = UUID.randomUUID();
        return new FaultNote(
                id,
                id,
                state,
                Optional.empty(),
                0,
                Optional.ofNullable(part),
                "",
                Optional.empty(),
                OptionalInt.empty(),
                OptionalInt.empty(),
                Optional.empty(),
                List.of(),
                Optional.empty(),
                Optional.empty(),
                List.of(),
                at,
                "Mara",
                part == null ? "gone by itself" : "");
    }

    /** F2, common practice: four insulators replaced of which none touched, a foot of growth cleared, 3.2 to 5.8 kV. */
    @Test
    void whatCameBackIsPutDownToWhatLetItOff() {
        FaultNote cleared = note(State.MENDED, FencePart.VEGETATION, DAY_0)
                .withBefore(Optional.of(level(3.2)))
                .withWorks(List.of(work(FencePart.INSULATOR, 4, true), work(FencePart.VEGETATION, 1, false)))
                .withAfter(Optional.of(level(5.8)));
        FaultNote.Gains gains = cleared.gains();
        assertThat(gains.gains()).hasSize(1);
        assertThat(gains.gains().getFirst().gainV()).isCloseTo(2600, within(1e-6));
        assertThat(gains.gains().getFirst().works()).extracting(Remedy::part).containsExactly(FencePart.VEGETATION);
        assertThat(gains.unexplainedV()).isZero();
        assertThat(gains.weatherDiffers()).isFalse();
    }

    /** Read in between, each step has its own; what came while only harmless things were done is nobody's. */
    @Test
    void readInBetweenEachStepHasItsOwn() {
        FaultNote note = note(State.MENDED, FencePart.JOINT, DAY_0)
                .withBefore(Optional.of(level(2.0)))
                .withWorks(List.of(
                        new Remedy(FencePart.INSULATOR, "", 2, true, Optional.of(level(2.4))),
                        work(FencePart.JOINT, 1, false),
                        new Remedy(FencePart.GATE_CABLE, "", 1, false, Optional.of(level(5.0))),
                        work(FencePart.ROD, 1, false)))
                .withAfter(Optional.of(new MeterShown(5500, Weather.RAIN, Optional.empty())));
        FaultNote.Gains gains = note.gains();
        assertThat(gains.unexplainedV()).isCloseTo(400, within(1e-6));
        assertThat(gains.gains()).extracting(g -> Math.round(g.gainV())).containsExactly(2600L, 500L);
        assertThat(gains.gains().getFirst().works()).hasSize(2);
        assertThat(gains.weatherDiffers()).isTrue();
        double all = gains.unexplainedV()
                + gains.gains().stream().mapToDouble(FaultNote.Gain::gainV).sum();
        assertThat(all).as("nothing gets lost: after less before").isCloseTo(3500, within(1e-6));
    }

    @Test
    void theLastNoteSaysHowAFaultStands() {
        FaultNote found = note(State.OPEN, null, day(0));
        FaultNote watched = note(State.WATCHED, FencePart.JOINT, day(1)).withFaultId(found.id());
        FaultNote mended = note(State.MENDED, FencePart.JOINT, day(2)).withFaultId(found.id());
        FaultNote other = note(State.OPEN, FencePart.ROD, day(0.5));
        List<FaultLog.LoggedFault> faults = FaultLog.of(List.of(mended, other, watched, found));
        assertThat(faults).extracting(f -> f.stands().id()).containsExactly(other.id(), mended.id());
        assertThat(faults.get(1).since()).isEqualTo(day(0));
        assertThat(faults.get(1).notes()).isEqualTo(3);
        assertThat(faults.getFirst().mendedSince()).isEmpty();
        assertThat(faults.get(1).mendedSince()).hasValue(mended.notedAt());
        // Something added in the evening changes nothing of when it was mended; opened again it is not.
        FaultNote evening =
                mended.withId(UUID.randomUUID()).withNotedAt(mended.notedAt().plusSeconds(3600));
        FaultNote again = other.withFaultId(mended.faultId())
                .withNotedAt(evening.notedAt().plusSeconds(3600));
        assertThat(FaultLog.of(List.of(found, evening, mended)).getFirst().mendedSince())
                .hasValue(mended.notedAt());
        assertThat(FaultLog.of(List.of(mended, again, evening)).getFirst().mendedSince())
                .isEmpty();
    }

    private static Failures.Of of(FaultNote note) {
        return new Failures.Of(
                JOB,
                "A job",
                Optional.of(day(-365.25 * 2)),
                PlaceKind.ALONG,
                FaultLog.of(List.of(note)).getFirst());
    }

    /** F1, common practice, where the log is empty; then what this house finds. */
    @Test
    void theOrderIsLearntFromTheLog() {
        List<FencePart> order = Failures.of(List.of()).order();
        assertThat(order).containsExactly(FencePart.values());
        assertThat(order.indexOf(FencePart.INSULATOR))
                .isLessThan(order.indexOf(FencePart.ROD))
                .isZero();
        assertThat(order.indexOf(FencePart.UNPOWERED_WIRE)).isLessThan(order.indexOf(FencePart.VEGETATION));

        List<Failures.Of> joints = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            joints.add(of(note(State.MENDED, FencePart.JOINT, day(i)).withSearchMinutes(OptionalInt.of(10 * (i + 1)))));
        }
        // Six assumed faults, half of them insulators: three of joints tie but for the joints' own small share.
        assertThat(Failures.of(joints).order().subList(0, 2)).containsExactly(FencePart.JOINT, FencePart.INSULATOR);
        assertThat(Failures.of(joints.subList(0, 2)).order().getFirst()).isEqualTo(FencePart.INSULATOR);
        Failures.FailureRow row = Failures.of(joints).byPart().getFirst();
        assertThat(row.faults()).isEqualTo(3);
        assertThat(row.medianSearchMinutes()).hasValue(20);
        assertThat(row.medianAgeYears().orElseThrow()).isCloseTo(2, within(0.01));
    }

    private static GeoPoint at(double eastM, double northM) {
        return new LocalPlane(GeoPoint.of(4, 52)).toGeo(new PlanePoint(eastM, northM));
    }

    private static FaultNote foundAt(double eastM, double northM, FencePart part) {
        return note(State.MENDED, part, DAY_0)
                .withAt(Optional.of(new Observation.Spot(Optional.empty(), "main", 0, at(eastM, northM))));
    }

    /** By hand: a line of 100 m east and 50 m north with a gate of 4 m at 30 m, a switch at 60 m, and a branch from 80 m. */
    @Test
    void whatStandsThereIsToldByThePlace() {
        FenceLine main = FenceLine.free(
                        "main",
                        "Main",
                        false,
                        List.of(
                                new Corner("a", at(0, 0)),
                                new Corner("b", at(80, 0)),
                                new Corner("c", at(100, 0)),
                                new Corner("d", at(100, 50))))
                .withGates(List.of(Gate.of("g", "Gate", GateKind.HANDLE, at(30, 0), 4)))
                .withCutOuts(List.of(new CutOut("s", "Switch", at(60, 0))));
        FenceLine branch = FenceLine.free(
                        "branch", "Branch", false, List.of(new Corner("e", at(80, 0)), new Corner("f", at(80, -40))))
                .withStartsOn(Optional.of("main"));
        Site site = new Site(List.of(main, branch), Optional.empty());
        Map<PlaceKind, FaultNote> found = Map.of(
                PlaceKind.GATE, foundAt(34.5, 0, FencePart.GATE_CABLE),
                PlaceKind.CUT_OUT, foundAt(58, 1, FencePart.CUT_OUT),
                PlaceKind.BRANCH, foundAt(80, -2, FencePart.JOINT),
                PlaceKind.END, foundAt(100, 49, FencePart.INSULATOR),
                PlaceKind.CORNER, foundAt(99, 0, FencePart.INSULATOR),
                PlaceKind.ALONG, foundAt(100, 20, FencePart.INSULATOR),
                PlaceKind.ELSEWHERE, foundAt(60, 40, FencePart.ROD));
        found.forEach((kind, note) -> assertThat(PlaceKind.of(site, note)).isEqualTo(kind));
        assertThat(PlaceKind.of(site, note(State.OPEN, null, DAY_0))).isEqualTo(PlaceKind.ELSEWHERE);
        assertThat(PlaceKind.of(Site.EMPTY, found.get(PlaceKind.END))).isEqualTo(PlaceKind.ELSEWHERE);

        List<Failures.Of> all = new ArrayList<>();
        for (int i = 0; i < 2; i++) {
            FaultNote note = foundAt(30, 0, FencePart.GATE_CABLE).withSearchMinutes(OptionalInt.of(10 + 20 * i));
            all.add(new Failures.Of(
                    JOB,
                    "A job",
                    Optional.empty(),
                    PlaceKind.of(site, note),
                    FaultLog.of(List.of(note)).getFirst()));
        }
        all.add(of(note(State.OPEN, null, DAY_0)));
        List<Failures.PlaceFailures> rows = Failures.of(all).byPlace();
        assertThat(rows).extracting(Failures.PlaceFailures::place).containsExactly(PlaceKind.GATE, PlaceKind.ALONG);
        assertThat(rows.getFirst().medianSearchMinutes()).hasValue(20);
        assertThat(rows.getFirst().parts()).isEqualTo(Map.of(FencePart.GATE_CABLE, 2));
        assertThat(rows.get(1).parts()).isEmpty();
        assertThat(rows.stream().mapToInt(Failures.PlaceFailures::faults).sum()).isEqualTo(all.size());
    }

    /** What was replaced though it let nothing off is counted, and is no failure. */
    @Test
    void harmlessPiecesAreNoFailures() {
        FaultNote note = note(State.MENDED, FencePart.VEGETATION, DAY_0)
                .withWorks(List.of(
                        new Remedy(FencePart.INSULATOR, "Screw-in ring", 4, true, Optional.empty()),
                        work(FencePart.VEGETATION, 1, false)));
        Failures failures = Failures.of(List.of(of(note)));
        assertThat(failures.faults()).isEqualTo(1);
        assertThat(failures.byProduct()).anySatisfy(r -> {
            assertThat(r.part()).isEqualTo(FencePart.INSULATOR);
            assertThat(r.product()).isEqualTo("Screw-in ring");
            assertThat(r.harmless()).isEqualTo(4);
            assertThat(r.faults()).isZero();
        });
        assertThat(failures.order().getFirst()).isEqualTo(FencePart.INSULATOR);
    }

    /** By hand: 6.0, 5.8, 5.6, 5.4, 5.2 kV a week apart fall 0.2 kV a week, below 5 kV a week after the last. */
    @Test
    void aFallIsWarnedOfWeeksAhead() {
        List<Observation> falling = new ArrayList<>();
        for (int week = 0; week < 5; week++) {
            falling.add(dry("end", 7 * week, 6.0 - 0.2 * week));
        }
        // Rain and an open cut-out say nothing of the season.
        falling.add(reading("end", 24, 3.0, Weather.RAIN));
        falling.add(dry("end", 25, 1.0).withOpenSwitches(Optional.of(List.of("cut-1"))));
        Trend trend = Trend.of(falling, OptionalDouble.of(5000), List.of()).getFirst();
        assertThat(trend.readings()).isEqualTo(5);
        assertThat(trend.aWeekV()).isCloseTo(-200, within(1e-6));
        assertThat(trend.levelV()).isCloseTo(5200, within(1e-6));
        assertThat(trend.belowOn()).contains(LocalDate.parse("2026-05-06"));
        assertThat(trend.soon()).isTrue();
        assertThat(Trend.of(falling, OptionalDouble.of(5000), List.of(day(10))).stream()
                        .toList())
                .as("what was mended begins it anew, and three readings tell nothing")
                .isEmpty();
    }

    /** By hand as above, 0.2 kV a week; three readings of each day, half a kilovolt up and down. */
    @Test
    void aDayIsOneHoweverOftenItIsRead() {
        List<Observation> often = new ArrayList<>();
        for (int week = 0; week < 5; week++) {
            for (double off : new double[] {-0.5, 0, 0.5}) {
                often.add(dry("end", 7 * week, 6.0 - 0.2 * week + off));
            }
        }
        Trend trend = Trend.of(often, OptionalDouble.of(5000), List.of()).getFirst();
        assertThat(trend.readings()).isEqualTo(15);
        assertThat(trend.aWeekV()).isCloseTo(-200, within(1e-6));
        assertThat(trend.highAWeekV()).as("as sure as five days make it").isNegative();
        // Six readings of two days tell no trend.
        assertThat(Trend.of(often.subList(0, 6), OptionalDouble.of(5000), List.of()))
                .isEmpty();
        // Every quarter of an hour for a season: as many slopes as days make, not as readings do.
        List<Observation> sent = new ArrayList<>();
        for (int i = 0; i < 100 * 96; i++) {
            sent.add(dry("end", i / 96, 6.0 - 0.002 * (i / 96) + (i % 5 - 2) * 0.05));
        }
        assertThat(Trend.of(sent, OptionalDouble.of(5000), List.of()).getFirst().aWeekV())
                .isCloseTo(-14, within(1e-6));
    }

    /** One reading that is quite wrong does not turn the slope, as it would a least-squares line. */
    @Test
    void oneWrongReadingTurnsNothing() {
        List<Observation> readings = new ArrayList<>();
        for (int week = 0; week < 9; week++) {
            readings.add(dry("end", 7 * week, week == 8 ? 1.0 : 6.0));
        }
        Trend trend = Trend.of(readings, OptionalDouble.of(5000), List.of()).getFirst();
        assertThat(trend.aWeekV()).isZero();
        assertThat(trend.soon()).isFalse();
    }

    /** Readings of 3 % about a steady voltage: the 90 % range leaves zero out on one side in one of ten, seldom more. */
    @Test
    void aSteadyFenceIsSeldomCalledFalling() {
        Random random = new Random(7);
        int sure = 0;
        int fences = 400;
        for (int i = 0; i < fences; i++) {
            List<Observation> readings = new ArrayList<>();
            for (int week = 0; week < 12; week++) {
                readings.add(dry("end", 7 * week, 6.0 * (1 + 0.03 * random.nextGaussian())));
            }
            Trend t = Trend.of(readings, OptionalDouble.of(5000), List.of()).getFirst();
            sure += t.highAWeekV() < 0 ? 1 : 0;
        }
        assertThat(sure / (double) fences).isBetween(0.02, 0.08);
    }

    @Test
    void theYearBeforeStandsBeside() {
        List<Observation> readings = new ArrayList<>();
        for (int week = 0; week < 5; week++) {
            readings.add(dry("end", -365 + 7 * week, 7.0));
            readings.add(dry("end", 7 * week, 6.0));
        }
        assertThat(Trend.of(readings, OptionalDouble.empty(), List.of())
                        .getFirst()
                        .yearBeforeV())
                .hasValue(7000);
    }

    /** A day on which one of ten points was read is no round. */
    @Test
    void aRoundIsDueAMonthAfterTheLast() {
        List<Observation> readings = new ArrayList<>();
        for (int i = 0; i < 10; i++) {
            readings.add(dry("p" + i, 0, 6));
        }
        readings.add(dry("p3", 20, 5.5));
        DueRound due = DueRound.of(readings, OptionalInt.empty(), day(40)).orElseThrow();
        assertThat(due.last()).isEqualTo(LocalDate.parse("2026-04-01"));
        assertThat(due.on()).isEqualTo(LocalDate.parse("2026-05-01"));
        assertThat(due.daysLate()).isEqualTo(10);
        assertThat(DueRound.of(readings, OptionalInt.of(90), day(40))
                        .orElseThrow()
                        .daysLate())
                .isEqualTo(-50);
        List<Observation> growing =
                readings.stream().map(o -> o.withGrowth(Growth.LIGHT)).toList();
        assertThat(DueRound.of(growing, OptionalInt.empty(), day(40))
                        .orElseThrow()
                        .everyDays())
                .isEqualTo(14);
        assertThat(DueRound.of(List.of(), OptionalInt.empty(), day(40))).isEmpty();
    }

    /** A void reading counts nowhere, and stays. */
    @Test
    void aVoidReadingIsNotInTheTrend() {
        List<Observation> readings = new ArrayList<>();
        for (int week = 0; week < 5; week++) {
            readings.add(dry("end", 7 * week, 6.0));
        }
        Observation wrong = readings.get(2);
        readings.add(dry("end", 50, 0)
                .withWhat(new Observed.Voided())
                .withCorrects(Optional.of(wrong.id()))
                .withNote("probe was not in the ground"));
        assertThat(Trend.of(readings, OptionalDouble.empty(), List.of())
                        .getFirst()
                        .readings())
                .isEqualTo(4);
    }

    @Test
    void aNoteIsHeldAgainstWhatCanBe() {
        FaultNote good = note(State.OPEN, FencePart.JOINT, DAY_0);
        Instant now = DAY_0.plus(Duration.ofDays(1));
        assertThat(FaultNoteCheck.problems(good, now, "")).isEmpty();
        FaultNote bad = good.withNotedAt(DAY_0.plus(Duration.ofDays(365)))
                .withNotedBy(" ")
                .withLengthM(Double.NaN)
                .withSearchMinutes(OptionalInt.of(-1))
                .withBefore(Optional.of(new MeterShown(6.2, Weather.DRY, Optional.empty())))
                .withAfter(Optional.of(new MeterShown(99_900, Weather.DRY, Optional.empty())))
                .withWorks(List.of(work(FencePart.INSULATOR, 0, false)))
                .withPhotos(List.of("../etc"));
        assertThat(FaultNoteCheck.problems(bad, now, ""))
                .extracting(Problem::code)
                .containsExactlyInAnyOrder(
                        "log.time",
                        "log.by",
                        "log.length",
                        "log.minutes",
                        "log.kilovolts",
                        "log.voltage",
                        "log.count",
                        "log.photos");
        assertThat(FaultNoteCheck.problems(note(State.MENDED, null, DAY_0).withNote(""), now, ""))
                .extracting(Problem::path)
                .containsExactly("part");
    }
}
