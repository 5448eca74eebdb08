package buckle.search;

import buckle.search.SearchProblem.Cell;
import buckle.search.SearchProblem.Check;
import buckle.task.Cancellation;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;

/**
 * What to do next so that the least time is expected: every check and every stretch worth it is thought through with all its outcomes,
 * the best of them two checks deep, and what is left after that is judged by how long looking over it would take.
 */
public final class SearchPlanner {
    /** So many of the best checks are thought on, each with so many of the best after it. */
    private static final int DEEPER = 6;

    private static final int BROADER = 12;
    private static final double LEAST_CHANCE = 1e-4;

    private final SearchProblem problem;
    private final double[][] walk;
    private final List<Cell> cells;

    private SearchPlanner(SearchProblem problem) {
        this.problem = problem;
        this.walk = problem.walkMinutes();
        this.cells = problem.cells();
    }

    /** All that is worth it, the best first. @param here a position */
    public static List<Step> ranked(SearchProblem problem, int here) {
        return new SearchPlanner(problem).ranked(here);
    }

    private List<Step> ranked(int here) {
        double[] weight = problem.weight();
        List<Step> steps = new ArrayList<>();
        steps.addAll(lookedOver(held(weight), here));
        List<Step.Test> tests = new ArrayList<>();
        Cancellation.check();
        tests.addAll(IntStream.range(0, problem.checks().size())
                .parallel()
                .mapToObj(i -> new Step.Test(i, tested(problem.checks().get(i), weight, here, -1)))
                .toList());
        tests.sort(Comparator.comparingDouble(Step::expectedMinutes));
        List<Integer> promising =
                tests.stream().limit(BROADER).map(Step.Test::check).toList();
        Cancellation.check();
        steps.addAll(IntStream.range(0, tests.size())
                .parallel()
                .mapToObj(i -> {
                    Step.Test t = tests.get(i);
                    return i < DEEPER ? new Step.Test(t.check(), deeper(t.check(), promising, weight, here)) : t;
                })
                .toList());
        steps.sort(Comparator.comparingDouble(Step::expectedMinutes));
        return steps;
    }

    /** A check, and the best of all that can be done after each of its outcomes, one more check among it. */
    private double deeper(int first, List<Integer> others, double[] weight, int here) {
        Check check = problem.checks().get(first);
        double sum = walk[here][check.at()] + check.minutes();
        for (double[] chance : check.chance()) {
            double[] then = times(weight, chance);
            double p = sum(then);
            if (p < LEAST_CHANCE) {
                continue;
            }
            double best = left(held(then), p, check.at());
            for (int i : others) {
                if (i != first) {
                    best = Math.min(best, tested(problem.checks().get(i), then, check.at(), best));
                }
            }
            sum += p * best;
        }
        return sum;
    }

    /**
     * A check, and what is left after each of its outcomes.
     *
     * @param weight need not add up to 1
     * @param enough when it is plain that it takes longer than this, it is given up; under 0 never
     */
    private double tested(Check check, double[] weight, int here, double enough) {
        double all = sum(weight);
        double minutes = walk[here][check.at()] + check.minutes();
        if (enough >= 0 && minutes > enough) {
            return minutes;
        }
        for (double[] chance : check.chance()) {
            double[] q = new double[cells.size()];
            double p = 0;
            for (int h = 0; h < weight.length; h++) {
                double w = weight[h] * chance[h];
                p += w;
                if (problem.cellOf()[h] >= 0) {
                    q[problem.cellOf()[h]] += w;
                }
            }
            if (p > LEAST_CHANCE * all) {
                minutes += p / all * left(q, p, check.at());
            }
        }
        return minutes;
    }

    private static double[] times(double[] weight, double[] chance) {
        double[] all = new double[weight.length];
        for (int h = 0; h < all.length; h++) {
            all[h] = weight[h] * chance[h];
        }
        return all;
    }

    private static double sum(double[] of) {
        double s = 0;
        for (double x : of) {
            s += x;
        }
        return s;
    }

    private double[] held(double[] weight) {
        double[] q = new double[cells.size()];
        for (int h = 0; h < weight.length; h++) {
            if (problem.cellOf()[h] >= 0) {
                q[problem.cellOf()[h]] += weight[h];
            }
        }
        return q;
    }

    /**
     * Minutes from a position until it is found, as they are judged without thinking further: the way to where it probably is, and
     * looking over all that may hold it, the densest first. That is within a quarter of what a tour takes: the ways between stretches are
     * not in it, and the way to them is in it although looking over leads there. Judged by the entropy alone, whatever no check
     * can tell from nothing seemed half as far as it is.
     *
     * @param q weight by cell, out of {@code all}
     */
    private double left(double[] q, double all, int here) {
        double[] from = walk[here];
        double far = 0;
        long[] byDensity = new long[q.length];
        int n = 0;
        for (int c = 0; c < q.length; c++) {
            if (q[c] > 0) {
                Cell cell = cells.get(c);
                far += q[c] * Math.min(from[cell.from()], from[cell.to()]);
                // Floats above zero are in the order of their bits.
                byDensity[n] = (long) Float.floatToIntBits((float) (q[c] / cell.minutes())) << Integer.SIZE | c;
                n++;
            }
        }
        Arrays.sort(byDensity, 0, n);
        double looked = 0;
        double before = 0;
        for (int i = n - 1; i >= 0; i--) {
            int c = (int) byDensity[i];
            double minutes = cells.get(c).minutes();
            looked += q[c] * (before + minutes / 2);
            before += minutes;
        }
        return (far + looked) / all;
    }

    /** The first stretches of tours, each with what its tour takes; never more than what is left is judged to take without one. */
    private List<Step> lookedOver(double[] q, int here) {
        double judged = left(q, 1, here);
        List<Step> all = new ArrayList<>();
        List<Tour.Plan> plans = new Tour(problem, q, here).plans();
        for (Tour.Plan plan : plans) {
            double chance = plan.first().stream().mapToDouble(c -> q[c]).sum();
            double longer = plan.minutes() / plans.getFirst().minutes();
            double minutes = Math.min(plan.minutes(), judged * longer);
            all.add(new Step.LookOver(plan.first(), plan.back(), chance, minutes));
        }
        return all;
    }
}
