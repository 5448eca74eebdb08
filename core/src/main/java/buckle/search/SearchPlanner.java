package buckle.search;

import buckle.search.SearchProblem.Cell;
import buckle.search.SearchProblem.Check;
import buckle.task.Cancellation;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * What to do next so that the least time is expected: every check and every stretch worth it is thought through with all its outcomes,
 * the best of them two checks deep, and what is left after that is judged by how far and how wide the rest lies apart.
 */
public final class SearchPlanner {
    /** Cells that are at least so much as probable, for their minutes, as the most probable one are looked over at first. */
    private static final double[] DENSE = {0.4, 0.1, 0.02};

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
        for (int i = 0; i < problem.checks().size(); i++) {
            Cancellation.check();
            tests.add(new Step.Test(i, tested(problem.checks().get(i), weight, here, -1)));
        }
        tests.sort(Comparator.comparingDouble(Step::expectedMinutes));
        List<Integer> promising =
                tests.stream().limit(BROADER).map(Step.Test::check).toList();
        for (int i = 0; i < tests.size(); i++) {
            Step.Test t = tests.get(i);
            steps.add(i < DEEPER ? new Step.Test(t.check(), deeper(t.check(), promising, weight, here)) : t);
        }
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
     * Minutes from a position until it is found, as they are judged without thinking further: the way to where it probably is, and looking
     * over half of how wide it may be, by the entropy.
     *
     * @param q weight by cell, out of {@code all}
     */
    private double left(double[] q, double all, int here) {
        double[] from = walk[here];
        double far = 0;
        double entropy = 0;
        double placed = 0;
        for (int c = 0; c < q.length; c++) {
            if (q[c] > 0) {
                Cell cell = cells.get(c);
                placed += q[c];
                far += q[c] * Math.min(from[cell.from()], from[cell.to()]);
                entropy -= q[c] * Math.log(q[c] / cell.minutes());
            }
        }
        return placed <= 0 ? 0 : (far + placed * placed * Math.exp(entropy / placed) / 2) / all;
    }

    /**
     * The first stretches of several tours, each with the minutes of doing no more than looking over: judged as what is left after a check
     * is, so that both can be compared, and the shortest tour first.
     */
    private List<Step> lookedOver(double[] q, int here) {
        double judged = left(q, 1, here);
        List<Tour> tours = new ArrayList<>();
        for (double dense : DENSE) {
            tours.add(new Tour(q, dense, here, false));
            tours.add(new Tour(q, dense, here, true));
        }
        tours.removeIf(t -> t.first.isEmpty());
        tours.sort(Comparator.comparingDouble(t -> t.minutes));
        List<Step> all = new ArrayList<>();
        for (Tour tour : tours) {
            double chance = tour.first.stream().mapToDouble(c -> q[c]).sum();
            double longer = tour.minutes / tours.getFirst().minutes;
            if (all.stream().noneMatch(s -> ((Step.LookOver) s).cells().equals(tour.first))) {
                all.add(new Step.LookOver(tour.first, chance, judged * longer));
            }
        }
        return all;
    }

    /** Stretches of dense cells, each time the one that holds most for the minutes it takes, or the nearest; then all the rest. */
    private final class Tour {
        /** Each weighed with its chance. */
        double minutes;

        List<Integer> first = List.of();

        Tour(double[] q, double dense, int here, boolean nearest) {
            double most = 0;
            for (int c = 0; c < q.length; c++) {
                most = Math.max(most, q[c] / cells.get(c).minutes());
            }
            int[] begin = new int[q.length];
            int[] end = new int[q.length];
            double[] held = new double[q.length];
            double[] half = new double[q.length];
            double[] looking = new double[q.length];
            int n = 0;
            double rest = 0;
            double entropy = 0;
            double far = 0;
            boolean open = false;
            for (int c = 0; c < q.length; c++) {
                Cell cell = cells.get(c);
                boolean in = most > 0 && q[c] >= dense * most * cell.minutes();
                if (in) {
                    if (!open) {
                        begin[n] = c;
                        held[n] = 0;
                        half[n] = 0;
                        looking[n] = 0;
                        n++;
                    }
                    half[n - 1] += q[c] * (looking[n - 1] + cell.minutes() / 2);
                    looking[n - 1] += cell.minutes();
                    held[n - 1] += q[c];
                    end[n - 1] = c;
                    open = cell.next() == c + 1;
                } else {
                    open = false;
                    if (q[c] > 0) {
                        rest += q[c];
                        entropy -= q[c] * Math.log(q[c] / cell.minutes());
                    }
                }
            }
            double total = rest;
            for (int i = 0; i < n; i++) {
                total += held[i];
            }
            boolean[] done = new boolean[n];
            int at = here;
            double before = 0;
            for (int i = 0; i < n; i++) {
                int best = -1;
                double worth = -1;
                boolean back = false;
                for (int j = 0; j < n; j++) {
                    if (done[j]) {
                        continue;
                    }
                    double one = walk[at][cells.get(begin[j]).from()];
                    double other = walk[at][cells.get(end[j]).to()];
                    double way = Math.min(one, other);
                    double w = nearest ? 1 / (1e-3 + way) : held[j] / (way + looking[j]);
                    if (w > worth) {
                        worth = w;
                        best = j;
                        // Of equal ways the one on which it is met sooner.
                        double fromOne = held[j] * one + half[j];
                        double fromOther = held[j] * (other + looking[j]) - half[j];
                        back = fromOther < fromOne;
                    }
                }
                done[best] = true;
                int from = back
                        ? cells.get(end[best]).to()
                        : cells.get(begin[best]).from();
                double way = walk[at][from];
                minutes += held[best] * (before + way) + (back ? held[best] * looking[best] - half[best] : half[best]);
                before += way + looking[best];
                at = back ? cells.get(begin[best]).from() : cells.get(end[best]).to();
                if (i == 0) {
                    first = chain(begin[best], end[best], back);
                }
            }
            if (rest > LEAST_CHANCE * total) {
                for (int c = 0; c < q.length; c++) {
                    Cell cell = cells.get(c);
                    if (q[c] > 0 && q[c] < dense * most * cell.minutes()) {
                        far += q[c] * Math.min(walk[at][cell.from()], walk[at][cell.to()]);
                    }
                }
                minutes += rest * before + far + rest * rest * Math.exp(entropy / rest) / 2;
            }
        }

        private List<Integer> chain(int begin, int end, boolean back) {
            List<Integer> all = new ArrayList<>();
            for (int c = begin; c <= end; c++) {
                all.add(c);
            }
            return back ? all.reversed() : all;
        }
    }
}
