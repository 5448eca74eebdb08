package buckle.practice;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import buckle.circuit.FenceCircuit.LiveStretch;
import buckle.diagnosis.FaultKind;
import buckle.land.Surroundings;
import buckle.practice.PracticeHunt.Act;
import buckle.practice.PracticeHunt.ActKind;
import buckle.practice.PracticeHunt.Grade;
import buckle.practice.PracticeHunt.Outcome;
import buckle.practice.PracticeHunt.Played;
import buckle.practice.SimulatedFence.Shown;
import buckle.practice.SimulatedFence.State;
import buckle.readings.Weather;
import buckle.site.BadInput;
import buckle.spec.Growth;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class PracticeHuntTest {
    private static Act lookOver(String line, double from, double to) {
        return new Act(ActKind.LOOK_OVER, Optional.of(line), from, to, Optional.empty(), false);
    }

    private static Act turn(String cutOut, boolean open) {
        return new Act(ActKind.SWITCH, Optional.empty(), 0, 0, Optional.of(cutOut), open);
    }

    private static Act at(ActKind kind) {
        return new Act(kind, Optional.empty(), 0, 0, Optional.empty(), false);
    }

    /** Every case can be won, by going along it; the way Buckle would go is found as well; what it was is told. */
    @ParameterizedTest
    @EnumSource(PracticeCase.class)
    void everyCaseCanBeWon(PracticeCase of) {
        PracticeHunt hunt = PracticeHunt.of(of, 11);
        List<Act> acts = new ArrayList<>();
        acts.add(at(ActKind.WAIT_FOR_RAIN));
        acts.add(at(ActKind.ENERGIZER));
        boolean found = hunt.play(acts).found();
        for (var line : hunt.layout().lines()) {
            // What is mended on a line hides what lies behind: it is looked over again.
            for (int again = 0; again < 2 && !found; again++) {
                acts.add(lookOver(line.lineId(), 0, line.lengthM()));
                found = hunt.play(acts).found();
            }
        }
        assertThat(found).isTrue();
        Outcome outcome = hunt.outcome(acts);
        assertThat(outcome.truth()).isNotEmpty();
        assertThat(outcome.best()).isNotEmpty();
        assertThat(outcome.bestMinutes()).isPositive().isLessThan(4 * outcome.inOrderMinutes() + 30);
    }

    /** Where runs meet, at gates, switches and branches, a meter can be held right beside: it shows what it shows there. */
    @ParameterizedTest
    @EnumSource(PracticeFence.class)
    void aMeterReadsRightBesideWhereRunsMeet(PracticeFence of) {
        SimulatedFence fence = SimulatedFence.of(of.plan(), of.design().laid(), Surroundings.NONE, 5, Growth.CLEAN)
                .orElseThrow();
        State state = new State(true, Weather.DRY, Set.of(), List.of());
        for (LiveStretch s : fence.fence().stretches()) {
            double shortOf = Math.min(0.6, (s.toM() - s.fromM()) / 3);
            for (double besideM : new double[] {0, 1e-7, shortOf / 8, shortOf / 2, shortOf}) {
                Shown first =
                        fence.read(state, s.lineId(), s.fromM() + besideM, 1).orElseThrow();
                Shown last = fence.read(state, s.lineId(), s.toM() - besideM, 1).orElseThrow();
                Shown middle = fence.read(state, s.lineId(), (s.fromM() + s.toM()) / 2, 1)
                        .orElseThrow();
                // The meter errs alike; along a stretch of a sound fence nothing changes much.
                assertThat(first.peakV()).as("%s %s", s, besideM).isCloseTo(middle.peakV(), within(500.0));
                assertThat(last.peakV()).as("%s %s", s, besideM).isCloseTo(middle.peakV(), within(500.0));
            }
        }
    }

    /** By hand: 100 m of walking are 1.8 min, a reading is one, 50 m looked over are 2 min, a switch is one. */
    @Test
    void theClockGoesAsACrewDoes() {
        PracticeHunt hunt = PracticeHunt.of(PracticeCase.FLAT_BATTERY, 3);
        double lead = 0.3;
        Played read = hunt.play(List.of(Act.read("fence", 100)));
        assertThat(read.minutes()).isCloseTo(100 / 55.0 + 1, within(lead));
        Played looked = hunt.play(List.of(Act.read("fence", 100), lookOver("fence", 100, 150)));
        assertThat(looked.minutes() - read.minutes()).isCloseTo(2, within(1e-6));
        Played turned = hunt.play(List.of(Act.read("fence", 100), turn("cut-a", true)));
        double cutOut = 170 + 40;
        assertThat(turned.minutes() - read.minutes()).isCloseTo((cutOut - 100) / 55 + 1, within(0.05));
    }

    /** Behind an open switch nothing is live, before it the leak behind is gone. */
    @Test
    void anOpenSwitchPartsTheFence() {
        PracticeHunt hunt = PracticeHunt.of(PracticeCase.BROKEN_WIRE, 5);
        Played played = hunt.play(List.of(turn("cut-a", true), Act.read("lane", 600), Act.read("lane", 100)));
        assertThat(played.came().get(1).peakV().orElseThrow()).isZero();
        assertThat(played.came().get(2).peakV().orElseThrow()).isGreaterThan(1000);
    }

    /** Only in the wet: dry it reads as in order and is not seen; wet it reads low, and is. */
    @Test
    void whatComesWithTheRainIsSeenInTheRain() {
        PracticeHunt hunt = PracticeHunt.of(PracticeCase.ONLY_WHEN_WET, 4);
        HiddenFault fault = hunt.outcome(List.of(at(ActKind.SAY))).truth().getFirst();
        String line = fault.lineId().orElseThrow();
        Act read = Act.read(line, fault.fromM());
        Act look = lookOver(line, Math.max(0, fault.fromM() - 5), fault.fromM() + 1);
        Played dry = hunt.play(List.of(read, look));
        Played wet = hunt.play(List.of(at(ActKind.WAIT_FOR_RAIN), read, look));
        assertThat(dry.found()).isFalse();
        assertThat(wet.found()).isTrue();
        assertThat(wet.came().get(1).peakV().orElseThrow())
                .isLessThan(0.7 * dry.came().getFirst().peakV().orElseThrow());
    }

    /** What is said is right within 10 m or 2 % of the fence; a wrong word ends the case, and nothing more is done in it. */
    @Test
    void whatIsSaidCounts() {
        PracticeHunt hunt = PracticeHunt.of(PracticeCase.CRACKED_INSULATOR, 8);
        HiddenFault fault = hunt.outcome(List.of(at(ActKind.SAY))).truth().getFirst();
        assertThat(fault.kind()).isEqualTo(FaultKind.LEAK);
        double m = fault.fromM();
        assertThat(hunt.play(List.of(Act.say("fence", Math.max(0, m - 9)))).found())
                .isTrue();
        double far = m > 200 ? m - 60 : m + 60;
        Played wrong = hunt.play(List.of(Act.say("fence", far)));
        assertThat(wrong.found()).isFalse();
        assertThat(wrong.over()).isTrue();
        assertThatThrownBy(() -> hunt.play(List.of(Act.say("fence", far), Act.read("fence", 10))))
                .isInstanceOf(BadInput.class)
                .hasMessageContaining("over");
        assertThatThrownBy(() -> hunt.play(List.of(Act.read("nowhere", 10)))).isInstanceOf(BadInput.class);
        assertThatThrownBy(() -> hunt.play(List.of(turn("nothing", true)))).isInstanceOf(BadInput.class);
    }

    /** The fence is off its plan: two seeds read otherwise, one seed the same twice. */
    @Test
    void aSeedMakesTheFence() {
        PracticeHunt one = PracticeHunt.of(PracticeCase.WEAK_LEAK, 1);
        assertThat(one.known())
                .isEqualTo(PracticeHunt.of(PracticeCase.WEAK_LEAK, 1).known());
        assertThat(one.known())
                .isNotEqualTo(PracticeHunt.of(PracticeCase.WEAK_LEAK, 2).known());
        assertThat(one.known()).allSatisfy(k -> assertThat(k.newV()).isBetween(2000.0, 11_000.0));
    }

    /** Each reading told leaves less of the fence, or at least not much more; it is of the act that read. */
    @Test
    void whatEachReadingToldIsSaid() {
        PracticeHunt hunt = PracticeHunt.of(PracticeCase.LEAK_ON_A_BRANCH, 6);
        List<Act> acts =
                List.of(Act.read("along", 5), Act.read("north", 255), Act.read("south", 235), Act.read("along", 435));
        Outcome outcome = hunt.outcome(acts);
        assertThat(outcome.told())
                .extracting(PracticeHunt.Told::act)
                .as("one reading alone tells nothing")
                .containsExactly(1, 2, 3);
        assertThat(outcome.told().getLast().regionM()).isLessThan(outcome.linesM() / 2);
    }

    @Test
    void isGradedByHowMuchLongerItTook() {
        assertThat(Grade.of(false, 5, 20)).isEqualTo(Grade.NOT_FOUND);
        assertThat(Grade.of(true, 25, 20)).isEqualTo(Grade.AS_BUCKLE);
        assertThat(Grade.of(true, 26, 20)).isEqualTo(Grade.GOOD);
        assertThat(Grade.of(true, 41, 20)).isEqualTo(Grade.FOUND);
    }
}
