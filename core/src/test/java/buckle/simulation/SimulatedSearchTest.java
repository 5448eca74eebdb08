package buckle.simulation;

import static org.assertj.core.api.Assertions.assertThat;

import buckle.diagnosis.Walk;
import buckle.power.Energizers;
import buckle.pulse.Circuit;
import buckle.pulse.Fault;
import buckle.pulse.LineModel;
import buckle.pulse.LineType;
import buckle.pulse.LineWire;
import buckle.pulse.Place;
import buckle.pulse.Run;
import buckle.simulation.SimulatedSearch.Result;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Crews that do as they are told, on fences that are off their plans. */
class SimulatedSearchTest {
    private static final LineType TYPE = LineType.overGround(
            List.of(new LineWire(0.5, 0.0025, 0.034, 100, true), new LineWire(0.9, 0.0025, 0.034, 100, true)),
            5e-7,
            100);

    private static final List<Run> FORK = List.of(
            Run.of("trunk", Optional.empty(), 300, TYPE),
            Run.of("left", Optional.of("trunk"), 900, TYPE),
            Run.of("right", Optional.of("trunk"), 900, TYPE));

    private static Circuit plan(List<Run> runs) {
        return new Circuit(
                "plan", LineModel.FREQUENCY_DEPENDENT, Energizers.GENERIC.get(6).source(), 10, false, runs, List.of());
    }

    private static SimulatedSearch search(List<Run> runs, boolean currents, long seed, Fault fault) {
        Circuit plan = plan(runs);
        return new SimulatedSearch(
                plan, SimulatedSearch.atEveryTakeOff(plan), Walk.USUAL, currents, seed, List.of(fault));
    }

    /** A leak of 200 Ω in one of eight sections with a switch before each: three openings part eight (F6). */
    @Test
    void eightSectionsNeedThreeOpenings() {
        List<Run> runs = new ArrayList<>();
        for (int i = 0; i < 8; i++) {
            runs.add(Run.of("r" + i, i == 0 ? Optional.empty() : Optional.of("r" + (i - 1)), 250, TYPE));
        }
        for (int i = 0; i < 8; i += 2) {
            Fault leak = new Fault(Fault.Kind.SHUNT, new Place("r" + i, 140), 200);
            SimulatedSearch search = search(runs, false, 40 + i, leak);
            Result done = search.told();
            assertThat(done.openings()).as("section %d", i).isLessThanOrEqualTo(3);
            assertThat(search.halving().openings()).isLessThanOrEqualTo(3);
            assertThat(search.halvingByMeter().minutes())
                    .as("so low a leak misleads no meter")
                    .isEqualTo(search.halving().minutes());
            assertThat(done.minutes()).isBetween(search.straightMinutes(), 2 * search.straightMinutes() + 30);
        }
    }

    /** On a fork, with a meter that shows currents: the branch without the leak is not walked. */
    @Test
    void currentsTellTheBranch() {
        double told = 0;
        double order = 0;
        for (int i = 0; i < 4; i++) {
            Fault leak = new Fault(Fault.Kind.SHUNT, new Place("right", 150 + 200 * i), 300);
            SimulatedSearch search = search(FORK, true, 70 + i, leak);
            told += search.told().minutes();
            order += search.inOrder().minutes();
        }
        assertThat(told / order).isLessThan(0.6);
    }

    /** Two leaks are taken for one; one of them is found about as soon as if it were alone. */
    @Test
    void oneOfTwoIsFoundAsSoon() {
        double both = 0;
        double alone = 0;
        for (int i = 0; i < 3; i++) {
            Fault one = new Fault(Fault.Kind.SHUNT, new Place("left", 250 + 200 * i), 300);
            Fault other = new Fault(Fault.Kind.SHUNT, new Place("right", 800 - 200 * i), 500);
            Circuit plan = plan(FORK);
            SimulatedSearch search = new SimulatedSearch(
                    plan, SimulatedSearch.atEveryTakeOff(plan), Walk.USUAL, true, 90 + i, List.of(one, other));
            both += search.told().minutes();
            assertThat(search.halving().minutes()).isPositive();
            assertThat(search.inOrder().minutes())
                    .isLessThanOrEqualTo(
                            search(FORK, true, 90 + i, one).inOrder().minutes());
            alone += (search(FORK, true, 90 + i, one).told().minutes()
                            + search(FORK, true, 90 + i, other).told().minutes())
                    / 2;
        }
        assertThat(both).isLessThan(1.2 * alone);
    }
}
