package buckle.diagnosis;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import buckle.diagnosis.Diagnosis.Stretch;
import buckle.diagnosis.Hunt.MeterNoise;
import buckle.diagnosis.Tracer.Next;
import buckle.diagnosis.Tracer.Part;
import buckle.power.Energizers;
import buckle.pulse.Circuit;
import buckle.pulse.LineModel;
import buckle.pulse.LineType;
import buckle.pulse.LineWire;
import buckle.pulse.Place;
import buckle.pulse.Run;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** What a crew is told while it looks stretch after stretch over. */
class TracerTest {
    private static final LineType TYPE = LineType.overGround(
            List.of(new LineWire(0.5, 0.0025, 0.034, 100, true), new LineWire(0.9, 0.0025, 0.034, 100, true)),
            5e-7,
            100);
    private static final List<Run> FORK = List.of(
            Run.of("trunk", Optional.empty(), 400, TYPE),
            Run.of("left", Optional.of("trunk"), 700, TYPE),
            Run.of("right", Optional.of("trunk"), 500, TYPE));
    private static final Stretch ENERGIZER = new Stretch("", 0, 0);

    private static Tracer tracer() {
        Circuit plan = new Circuit(
                "fork", LineModel.FREQUENCY_DEPENDENT, Energizers.GENERIC.get(6).source(), 10, false, FORK, List.of());
        return Tracer.of(
                new Hunt(plan, MeterNoise.USUAL, List.of(), List.of(), List.of()), false, List.of(), place -> true);
    }

    private static Next look(List<Next> all) {
        return all.stream().filter(n -> n.stretch().isPresent()).findFirst().orElseThrow();
    }

    /** Broken off in the middle of nowhere: one goes on from where one stands, and not from the end of some cell. */
    @Test
    void lookingOverGoesOnWhereItWasBrokenOff() {
        Tracer tracer = tracer();
        List<Stretch> over = List.of(ENERGIZER, new Stretch("trunk", 0, 400), new Stretch("left", 0, 237.4));
        Next next = look(tracer.next(List.of(), over, new Place("left", 237.4), Walk.USUAL));
        Part first = next.stretch().orElseThrow().parts().getFirst();
        assertThat(first.run()).isEqualTo("left");
        assertThat(first.fromM()).isEqualTo(237.4);
        assertThat(first.toM()).isEqualTo(700);
        Next other = look(tracer.next(List.of(), over, new Place("right", 100), Walk.USUAL));
        assertThat(other.stretch().orElseThrow().parts().getFirst().run()).isEqualTo("right");
    }

    /** However much was looked over, all that is left is thought of: recounted by Bayes, one overlooks one in 200. */
    @Test
    void whatIsLeftHoldsWhatItShould() {
        Tracer tracer = tracer();
        for (double from : new double[] {0, 200, 440}) {
            List<Stretch> over = List.of(
                    ENERGIZER,
                    new Stretch("trunk", 0, 400),
                    new Stretch("left", 0, 700),
                    new Stretch("right", 0, from),
                    new Stretch("right", from + 60, 500));
            Next next = look(tracer.next(List.of(), over, new Place("right", from), Walk.USUAL));
            Part part = next.stretch().orElseThrow().parts().getFirst();
            assertThat(part.run()).isEqualTo("right");
            assertThat(part.fromM()).isCloseTo(from, within(20.0));
            // On the line lie leaks worth seeking, 0.35, and breaks, 0.12, at the energizer 0.13; growth, 0.1, would
            // have
            // been
            // seen. 60 m of 1,600 m were not looked over: 0.47 · 0.0375 : (0.47 · 0.0375 + 0.005 · (0.47 · 0.9625 +
            // 0.13)) = 0.86.
            assertThat(next.chance()).isCloseTo(0.86, within(0.03));
        }
    }
}
