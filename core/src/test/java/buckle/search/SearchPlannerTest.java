package buckle.search;

import static org.assertj.core.api.Assertions.assertThat;

import buckle.search.SearchProblem.Cell;
import buckle.search.SearchProblem.Check;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** What the planner says next, held against the best of all policies on fences small enough to try every one. */
class SearchPlannerTest {
    private static final int CELLS = 6;
    private static final int CHECKS = 3;
    private static final int STRENGTHS = 2;

    /** A line of cells or a fork, two strengths in each, checks at some of their ends that show one of two outcomes. */
    private static SearchProblem drawn(Random random, boolean fork) {
        List<Cell> cells = new ArrayList<>();
        double[] minutes = new double[CELLS];
        for (int c = 0; c < CELLS; c++) {
            minutes[c] = 1 + 9 * random.nextDouble();
        }
        // Positions are the ends of cells: of cell c the nodes before[c] and c + 1.
        int[] before = new int[CELLS];
        for (int c = 0; c < CELLS; c++) {
            before[c] = fork && c == CELLS / 2 ? 1 : c;
            boolean goesOn = c + 1 < CELLS && !(fork && c + 1 == CELLS / 2);
            cells.add(new Cell(before[c], c + 1, minutes[c], goesOn ? c + 1 : -1));
        }
        int n = CELLS + 1;
        double[][] walk = new double[n][n];
        for (double[] row : walk) {
            java.util.Arrays.fill(row, 1e9);
        }
        for (int i = 0; i < n; i++) {
            walk[i][i] = 0;
        }
        for (int c = 0; c < CELLS; c++) {
            walk[before[c]][c + 1] = minutes[c] * 25 / 55;
            walk[c + 1][before[c]] = minutes[c] * 25 / 55;
        }
        for (int k = 0; k < n; k++) {
            for (int i = 0; i < n; i++) {
                for (int j = 0; j < n; j++) {
                    walk[i][j] = Math.min(walk[i][j], walk[i][k] + walk[k][j]);
                }
            }
        }
        double[] weight = new double[CELLS * STRENGTHS];
        int[] cellOf = new int[weight.length];
        double sum = 0;
        for (int h = 0; h < weight.length; h++) {
            cellOf[h] = h / STRENGTHS;
            weight[h] = minutes[cellOf[h]] * (0.2 + random.nextDouble());
            sum += weight[h];
        }
        for (int h = 0; h < weight.length; h++) {
            weight[h] /= sum;
        }
        List<Check> checks = new ArrayList<>();
        for (int i = 0; i < CHECKS; i++) {
            int at = 1 + random.nextInt(CELLS);
            double[][] chance = new double[2][weight.length];
            for (int h = 0; h < weight.length; h++) {
                boolean beyond = cellOf[h] >= at;
                // The stronger half shows itself nearly always, the weaker hardly.
                double sure = h % STRENGTHS == 0 ? 0.95 : 0.65;
                chance[0][h] = beyond ? sure : 1 - sure;
                chance[1][h] = 1 - chance[0][h];
            }
            checks.add(new Check(at, 1, chance));
        }
        return new SearchProblem(walk, cells, weight, cellOf, checks);
    }

    /** Where one stands, what each check showed (-1 not made), which cells were looked over. */
    private record State(int at, List<Integer> shown, int looked) {
        State shows(int check, int outcome, int at) {
            List<Integer> next = new ArrayList<>(shown);
            next.set(check, outcome);
            return new State(at, List.copyOf(next), looked);
        }
    }

    private static double[] weights(SearchProblem p, State s) {
        double[] w = p.weight().clone();
        for (int h = 0; h < w.length; h++) {
            for (int i = 0; i < s.shown().size(); i++) {
                w[h] *= s.shown().get(i) < 0
                        ? 1
                        : p.checks().get(i).chance()[s.shown().get(i)][h];
            }
            w[h] *= (s.looked() >> p.cellOf()[h] & 1) == 1 ? 0 : 1;
        }
        return w;
    }

    private static double sum(double[] of) {
        return java.util.Arrays.stream(of).sum();
    }

    private interface Policy {
        double minutes(State s);
    }

    private static double checked(SearchProblem p, State s, int check, Policy then) {
        Check c = p.checks().get(check);
        double all = sum(weights(p, s));
        double minutes = p.walkMinutes()[s.at()][c.at()] + c.minutes();
        for (int b = 0; b < c.chance().length; b++) {
            State next = s.shows(check, b, c.at());
            double q = sum(weights(p, next));
            minutes += q > 0 ? q / all * then.minutes(next) : 0;
        }
        return minutes;
    }

    private static double looked(SearchProblem p, State s, int cell, boolean back, Policy then) {
        Cell c = p.cells().get(cell);
        double[] w = weights(p, s);
        double all = sum(w);
        State next = new State(back ? c.from() : c.to(), s.shown(), s.looked() | 1 << cell);
        double rest = sum(weights(p, next));
        double minutes = p.walkMinutes()[s.at()][back ? c.to() : c.from()];
        return minutes
                + (all - rest) / all * c.minutes() / 2
                + (rest > 1e-15 ? rest / all * (c.minutes() + then.minutes(next)) : 0);
    }

    /** The least over every policy. */
    private static double best(SearchProblem p, State s, Map<State, Double> known) {
        Double before = known.get(s);
        if (before != null) {
            return before;
        }
        double least = Double.POSITIVE_INFINITY;
        for (int i = 0; i < CHECKS; i++) {
            if (s.shown().get(i) < 0) {
                least = Math.min(least, checked(p, s, i, n -> best(p, n, known)));
            }
        }
        for (int c = 0; c < CELLS; c++) {
            if ((s.looked() >> c & 1) == 0) {
                least = Math.min(least, looked(p, s, c, false, n -> best(p, n, known)));
                least = Math.min(least, looked(p, s, c, true, n -> best(p, n, known)));
            }
        }
        known.put(s, least);
        return least;
    }

    /** Doing what the planner says, thought over after each cell. */
    private static double planned(SearchProblem p, State s, Map<State, Double> known) {
        Double before = known.get(s);
        if (before != null) {
            return before;
        }
        double[] w = weights(p, s);
        double all = sum(w);
        for (int h = 0; h < w.length; h++) {
            w[h] /= all;
        }
        List<Integer> left = new ArrayList<>();
        List<Check> checks = new ArrayList<>();
        for (int i = 0; i < CHECKS; i++) {
            if (s.shown().get(i) < 0) {
                left.add(i);
                checks.add(p.checks().get(i));
            }
        }
        SearchProblem now = new SearchProblem(p.walkMinutes(), p.cells(), w, p.cellOf(), checks);
        double minutes = switch (SearchPlanner.ranked(now, s.at()).getFirst()) {
            case Step.Test t -> checked(p, s, Objects.requireNonNull(left.get(t.check())), n -> planned(p, n, known));
            case Step.LookOver l -> {
                int first = l.cells().getFirst();
                yield looked(p, s, first, l.back(), n -> planned(p, n, known));
            }
        };
        known.put(s, minutes);
        return minutes;
    }

    @Test
    void isNearTheBestOfAllPolicies() {
        Random random = new Random(21);
        double best = 0;
        double planned = 0;
        double worst = 0;
        for (int i = 0; i < 40; i++) {
            SearchProblem p = drawn(random, i % 2 == 0);
            State begin = new State(0, List.of(-1, -1, -1), 0);
            double one = best(p, begin, new HashMap<>());
            double other = planned(p, begin, new HashMap<>());
            assertThat(other).isGreaterThanOrEqualTo(one - 1e-9);
            best += one;
            planned += other;
            worst = Math.max(worst, other / one);
        }
        System.out.printf("Planned: %.3f of the best, %.3f at worst%n", planned / best, worst);
        assertThat(planned / best).isLessThan(1.05);
        assertThat(worst).isLessThan(1.32);
    }

    /** Nobody makes a check that tells nothing, and one at hand that tells for sure is made first. */
    @Test
    void checksWhatTells() {
        double[][] walk = {{0, 10, 20}, {10, 0, 10}, {20, 10, 0}};
        List<Cell> cells = List.of(new Cell(0, 1, 22, 1), new Cell(1, 2, 22, -1));
        double[] weight = {0.5, 0.5};
        int[] cellOf = {0, 1};
        Check blind = new Check(0, 1, new double[][] {{0.5, 0.5}, {0.5, 0.5}});
        Check sure = new Check(0, 1, new double[][] {{1, 0}, {0, 1}});
        List<Step> steps =
                SearchPlanner.ranked(new SearchProblem(walk, cells, weight, cellOf, List.of(blind, sure)), 0);
        assertThat(steps.getFirst())
                .isInstanceOfSatisfying(
                        Step.Test.class, t -> assertThat(t.check()).isEqualTo(1));
        List<Step> blinded = SearchPlanner.ranked(new SearchProblem(walk, cells, weight, cellOf, List.of(blind)), 0);
        assertThat(blinded.getFirst())
                .isInstanceOfSatisfying(
                        Step.LookOver.class, l -> assertThat(l.cells()).containsExactly(0, 1));
    }

    /** Minutes of looking over cells one by one in this order and these directions. */
    private static double inOrder(SearchProblem p, double[] q, List<Integer> order, int backs) {
        int at = 0;
        double before = 0;
        double minutes = 0;
        for (int c : order) {
            Cell cell = p.cells().get(c);
            boolean back = (backs >> c & 1) == 1;
            before += p.walkMinutes()[at][back ? cell.to() : cell.from()];
            minutes += q[c] * (before + cell.minutes() / 2);
            before += cell.minutes();
            at = back ? cell.from() : cell.to();
        }
        return minutes;
    }

    private static void orders(List<Integer> begun, List<List<Integer>> all) {
        if (begun.size() == CELLS) {
            all.add(List.copyOf(begun));
            return;
        }
        for (int c = 0; c < CELLS; c++) {
            if (!begun.contains(c)) {
                begun.add(c);
                orders(begun, all);
                begun.removeLast();
            }
        }
    }

    /** Against every order and direction of six cells, and against walking in order. */
    @Test
    void looksOverInNearlyTheBestOrder() {
        List<List<Integer>> orders = new ArrayList<>();
        orders(new ArrayList<>(), orders);
        Random random = new Random(22);
        double best = 0;
        double toured = 0;
        for (int i = 0; i < 20; i++) {
            SearchProblem p = drawn(random, i % 2 == 0);
            double[] q = new double[CELLS];
            double all = 0;
            for (int c = 0; c < CELLS; c++) {
                q[c] = Math.exp(3 * random.nextDouble());
                all += q[c];
            }
            for (int c = 0; c < CELLS; c++) {
                q[c] /= all;
            }
            double least = Double.POSITIVE_INFINITY;
            for (List<Integer> order : orders) {
                for (int backs = 0; backs < 1 << CELLS; backs++) {
                    least = Math.min(least, inOrder(p, q, order, backs));
                }
            }
            Tour.Plan plan = new Tour(p, q, 0).plans().getFirst();
            assertThat(plan.minutes()).isGreaterThanOrEqualTo(least - 1e-9);
            assertThat(plan.minutes()).isLessThanOrEqualTo(inOrder(p, q, List.of(0, 1, 2, 3, 4, 5), 0) + 1e-9);
            best += least;
            toured += plan.minutes();
        }
        assertThat(toured / best).isLessThan(1.03);
    }
}
