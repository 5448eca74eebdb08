package buckle.diagnosis;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import buckle.pulse.LineType;
import buckle.pulse.LineWire;
import buckle.pulse.Place;
import buckle.pulse.Run;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Ways past every stop, held against every order of them. */
class RouteTest {
    private static final LineType TYPE =
            LineType.overGround(List.of(new LineWire(0.9, 0.0025, 0.03, 1, true)), 1e-7, 100);

    private static double best(double[][] far, int at, boolean[] met, double sofar, double least) {
        double found = least;
        boolean all = true;
        for (int i = 0; i < met.length; i++) {
            if (!met[i]) {
                all = false;
                if (sofar + far[at][i] < found) {
                    met[i] = true;
                    found = best(far, i, met, sofar + far[at][i], found);
                    met[i] = false;
                }
            }
        }
        return all ? Math.min(found, sofar) : found;
    }

    /** On sixty random branched fences, half of them with a loop, with seven stops. */
    @Test
    void isAsShortAsTheBestOrder() {
        Random random = new Random(31);
        for (int f = 0; f < 60; f++) {
            List<Run> runs = new ArrayList<>();
            for (int i = 0; i < 9; i++) {
                Optional<String> parent = i == 0 ? Optional.empty() : Optional.of("r" + random.nextInt(i));
                Optional<String> joins = f % 2 == 0 && i == 8 ? Optional.of("r" + random.nextInt(8)) : Optional.empty();
                runs.add(new Run("r" + i, parent, 20 + 300 * random.nextDouble(), TYPE, false, joins));
            }
            List<Place> stops = new ArrayList<>();
            for (int i = 0; i < 7; i++) {
                Run r = runs.get(random.nextInt(runs.size()));
                stops.add(new Place(r.id(), r.lengthM() * random.nextDouble()));
            }
            Place start = new Place("r0", 0);
            Route route = Route.along(runs, start, stops);
            assertThat(route.order()).containsExactlyInAnyOrder(0, 1, 2, 3, 4, 5, 6);
            List<Place> all = new ArrayList<>(stops);
            all.add(start);
            Walkways ways = new Walkways(runs, List.of(), all);
            double[][] far = new double[8][8];
            for (int i = 0; i < 8; i++) {
                for (int j = 0; j < 8; j++) {
                    far[i][j] = ways.from(all.get(i)).get(all.get(j));
                }
            }
            double least = best(far, 7, new boolean[7], 0, Double.MAX_VALUE);
            assertThat(route.lengthM()).isCloseTo(least, within(1e-6));
        }
    }

    /** Beyond what is tried in every order, on random branched fences: no turn of a part makes it shorter, and it is at most twice the fence. */
    @Test
    void manyStopsAreNoLongWay() {
        Random random = new Random(5);
        List<Run> runs = new ArrayList<>();
        double length = 0;
        for (int i = 0; i < 20; i++) {
            Optional<String> parent = i == 0 ? Optional.empty() : Optional.of("r" + random.nextInt(i));
            runs.add(Run.of("r" + i, parent, 20 + 300 * random.nextDouble(), TYPE));
            length += runs.getLast().lengthM();
        }
        List<Place> stops = new ArrayList<>();
        for (int i = 0; i < 120; i++) {
            Run r = runs.get(random.nextInt(runs.size()));
            stops.add(new Place(r.id(), r.lengthM() * random.nextDouble()));
        }
        Route route = Route.along(runs, new Place("r0", 0), stops);
        assertThat(route.order()).hasSize(120).doesNotHaveDuplicates();
        assertThat(route.lengthM()).isLessThan(2 * length);
    }

    /** Once round a loop is shorter than there and back. */
    @Test
    void goesOnRoundALoop() {
        List<Run> runs = List.of(
                Run.of("out", Optional.empty(), 10, TYPE),
                Run.of("right", Optional.of("out"), 200, TYPE),
                new Run("left", Optional.of("out"), 200, TYPE, false, Optional.of("right")));
        Route route = Route.along(runs, new Place("out", 0), List.of(new Place("right", 190), new Place("left", 190)));
        assertThat(route.lengthM()).isEqualTo(10 + 190 + 20);
    }

    /** Beyond what is tried in every order: a line is walked from one end to the other, whatever the order of its stops. */
    @Test
    void walksALineOnce() {
        List<Run> runs = List.of(Run.of("line", Optional.empty(), 1000, TYPE));
        List<Place> stops = new ArrayList<>();
        for (int i = 1; i <= 40; i++) {
            stops.add(new Place("line", 25.0 * (i * 7 % 41)));
        }
        assertThat(Route.along(runs, new Place("line", 0), stops).lengthM()).isCloseTo(1000, within(1e-6));
    }
}
