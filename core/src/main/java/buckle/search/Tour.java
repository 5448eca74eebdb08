package buckle.search;

import buckle.search.SearchProblem.Cell;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;

/**
 * Looking over all there is, in an order in which it is met early: stretches of about the same density, each walked to and looked over
 * once. Its minutes are those of a crew that checks nothing more, a bound on what the best crew needs.
 */
final class Tour {
    /** A cell belongs to the stretch before it while it is no more than so many times as probable for its minutes, or as improbable. */
    private static final double ALIKE = 2.5;

    /** What holds less than this of all is left to the end. */
    private static final double LITTLE = 1e-3;

    private static final double MOST = 0.9;
    private static final double LEAST_MINUTES = 1e-3;
    /** Orders tried from each beginning, that a step does not take long where stretches are many. */
    private static final int MOST_TRIED = 60_000;

    private static final int LONGEST_BLOCK = 4;

    private final double[][] walk;
    private final List<Cell> cells;
    private final int here;
    private final double[] q;
    private final double[] density;
    private final int[] begin;
    private final int[] end;
    private final double[] held;
    /** The minutes from its beginning until it is found, each weighed with its chance. */
    private final double[] half;

    private final double[] looking;
    private int n;
    private double rest;

    /** @param q weight by cell; they may add up to less than 1 when it may be in none */
    Tour(SearchProblem problem, double[] q, int here) {
        this.walk = problem.walkMinutes();
        this.cells = problem.cells();
        this.here = here;
        this.q = q;
        int most = cells.size();
        density = new double[most];
        Arrays.setAll(density, c -> q[c] / Math.max(LEAST_MINUTES, cells.get(c).minutes()));
        begin = new int[most];
        end = new int[most];
        held = new double[most];
        half = new double[most];
        looking = new double[most];
        stretches();
    }

    /** Stretches in the order they are looked over, each one from its end if {@code back}. */
    private record Order(int[] of, boolean[] back) {}

    /** The first stretch, cells in the order in which they are met. @param back each from its end {@code to} */
    record Plan(List<Integer> first, boolean back, double minutes) {}

    /** The best that two orders come to when their parts are moved about; the shorter first. */
    List<Plan> plans() {
        if (n == 0) {
            return List.of();
        }
        List<Plan> found = new ArrayList<>();
        for (boolean nearest : new boolean[] {false, true}) {
            Plan plan = plan(improved(greedy(nearest)));
            if (found.stream().noneMatch(p -> p.first().equals(plan.first()))) {
                found.add(plan);
            }
        }
        found.sort(Comparator.comparingDouble(Plan::minutes));
        return found;
    }

    private void stretches() {
        double all = Arrays.stream(q).sum();
        boolean open = false;
        for (int c = 0; c < q.length; c++) {
            if (q[c] <= 0) {
                open = false;
                continue;
            }
            if (!open || !alike(density[c], held[n - 1] / Math.max(LEAST_MINUTES, looking[n - 1]))) {
                begin[n] = c;
                n++;
            }
            double minutes = cells.get(c).minutes();
            half[n - 1] += q[c] * (looking[n - 1] + minutes / 2);
            looking[n - 1] += minutes;
            held[n - 1] += q[c];
            end[n - 1] = c;
            open = cells.get(c).next() == c + 1;
        }
        int kept = 0;
        for (int i = 0; i < n; i++) {
            if (held[i] < LITTLE * all) {
                rest += held[i];
                continue;
            }
            begin[kept] = begin[i];
            end[kept] = end[i];
            held[kept] = held[i];
            half[kept] = half[i];
            looking[kept] = looking[i];
            kept++;
        }
        n = kept;
    }

    private static boolean alike(double one, double other) {
        return one < ALIKE * other && other < ALIKE * one;
    }

    private int from(int stretch, boolean back) {
        return back ? cells.get(end[stretch]).to() : cells.get(begin[stretch]).from();
    }

    /** Each time the stretch that holds most for the minutes it takes, or the nearest. */
    private Order greedy(boolean nearest) {
        int[] of = new int[n];
        boolean[] back = new boolean[n];
        boolean[] done = new boolean[n];
        int at = here;
        for (int i = 0; i < n; i++) {
            int best = -1;
            double worth = -1;
            for (int j = 0; j < n; j++) {
                if (done[j]) {
                    continue;
                }
                double way = Math.min(walk[at][from(j, false)], walk[at][from(j, true)]);
                double w = nearest ? 1 / (LEAST_MINUTES + way) : held[j] / (LEAST_MINUTES + way + looking[j]);
                if (w > worth) {
                    worth = w;
                    best = j;
                }
            }
            double one = held[best] * walk[at][from(best, false)] + half[best];
            double other = held[best] * (walk[at][from(best, true)] + looking[best]) - half[best];
            done[best] = true;
            of[i] = best;
            back[i] = other < one;
            at = from(best, !back[i]);
        }
        return new Order(of, back);
    }

    private double minutes(Order order) {
        double minutes = 0;
        double before = 0;
        int at = here;
        for (int i = 0; i < n; i++) {
            int s = order.of()[i];
            boolean back = order.back()[i];
            before += walk[at][from(s, back)];
            minutes += held[s] * before + (back ? held[s] * looking[s] - half[s] : half[s]);
            before += looking[s];
            at = from(s, !back);
        }
        return minutes + rest * before;
    }

    /** Blocks of stretches moved elsewhere or turned about as long as that gains something. */
    private Order improved(Order first) {
        Order best = first;
        double least = minutes(best);
        int tried = 0;
        boolean gained = true;
        while (gained) {
            gained = false;
            for (int length = 1; length <= LONGEST_BLOCK; length++) {
                for (int from = 0; from + length <= n; from++) {
                    for (int to = 0; to + length <= n; to++) {
                        for (boolean turned : new boolean[] {false, true}) {
                            if (tried++ > MOST_TRIED) {
                                return best;
                            }
                            Order moved = moved(best, from, length, to, turned);
                            double minutes = minutes(moved);
                            if (minutes < least - 1e-9) {
                                least = minutes;
                                best = moved;
                                gained = true;
                            }
                        }
                    }
                }
            }
        }
        return best;
    }

    private Order moved(Order order, int from, int length, int to, boolean turned) {
        Order next = new Order(new int[n], new boolean[n]);
        int k = 0;
        for (int i = 0; i < n; i++) {
            if (i >= to && i < to + length) {
                int j = turned ? from + length - 1 - (i - to) : from + i - to;
                next.of()[i] = order.of()[j];
                next.back()[i] = order.back()[j] ^ turned;
                continue;
            }
            while (k >= from && k < from + length) {
                k++;
            }
            next.of()[i] = order.of()[k];
            next.back()[i] = order.back()[k];
            k++;
        }
        return next;
    }

    /** With the stretches that go on from the first one, until most of all that is somewhere was passed. */
    private Plan plan(Order order) {
        List<Integer> first = new ArrayList<>();
        boolean back = order.back()[0];
        double all = Arrays.stream(q).sum();
        double passed = 0;
        for (int i = 0; i < n && order.back()[i] == back && passed < MOST * all; i++) {
            int s = order.of()[i];
            passed += held[s];
            if (i > 0) {
                int before = order.of()[i - 1];
                boolean goesOn = back
                        ? end[s] + 1 == begin[before] && cells.get(end[s]).next() == begin[before]
                        : end[before] + 1 == begin[s] && cells.get(end[before]).next() == begin[s];
                if (!goesOn) {
                    break;
                }
            }
            for (int c = begin[s]; c <= end[s]; c++) {
                first.add(back ? end[s] - (c - begin[s]) : c);
            }
        }
        return new Plan(first, back, minutes(order));
    }
}
