package buckle.practice;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Each drill is answered again by other means, over two hundred seeds. */
class DrillTest {
    @ParameterizedTest
    @EnumSource(Drill.Kind.class)
    void theRightChoiceIsRight(Drill.Kind kind) {
        var positions = new HashSet<Integer>();
        for (long seed = 0; seed < 200; seed++) {
            Drill d = Drill.of(kind, seed);
            int width = kind == Drill.Kind.LIVE ? 2 : 1;
            assertThat(d.right()).isBetween(0, d.choices().size() / width - 1);
            positions.add(d.right());
            double right = d.choices().get(d.right() * width);
            List<Double> g = d.given();
            switch (kind) {
                case SQUARE ->
                    assertThat(right * right).isCloseTo(g.get(0) * g.get(0) + g.get(1) * g.get(1), within(1e-9));
                // 3 ft of rod for each joule, in rods of 6 ft.
                case RODS -> assertThat(right * 6).isBetween(3 * g.getFirst(), 3 * g.getFirst() + 5.999);
                case NEXT_CUT_OUT -> assertThat(longest(g, right)).isEqualTo(shortestPossible(g));
                case LIVE ->
                    assertThat(List.of(right, d.choices().get(d.right() * 2 + 1)))
                            .isEqualTo(flooded(g));
                case STRAIN_INSULATOR -> assertThat(right).isEqualTo(g.getFirst());
            }
        }
        assertThat(positions)
                .as("the right one does not always stand at the same place")
                .hasSizeGreaterThan(2);
    }

    private static double longest(List<Double> given, double more) {
        List<Double> at = new ArrayList<>(given.subList(1, given.size()));
        at.add(more);
        at.add(0.0);
        at.add(given.getFirst());
        at.sort(Double::compare);
        double most = 0;
        for (int i = 1; i < at.size(); i++) {
            most = Math.max(most, at.get(i) - at.get(i - 1));
        }
        return most;
    }

    private static double shortestPossible(List<Double> given) {
        double least = Double.MAX_VALUE;
        for (double at = 0; at <= given.getFirst(); at += 12.5) {
            least = Math.min(least, longest(given, at));
        }
        return least;
    }

    /** From the fed section on, step by step, until a switch is open. */
    private static List<Double> flooded(List<Double> given) {
        List<Double> open = given.subList(2, given.size());
        double first = given.get(1);
        double last = given.get(1);
        while (first > 0 && !open.contains(first - 1)) {
            first--;
        }
        while (last < given.getFirst() - 1 && !open.contains(last)) {
            last++;
        }
        return List.of(first, last);
    }
}
