package buckle.diagnosis;

import buckle.pulse.Place;
import buckle.pulse.Run;
import buckle.task.Cancellation;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Map;

/**
 * A way along a fence past every stop: the shortest of all up to thirteen, beyond that from the nearest to the next with crossings taken
 * out.
 *
 * @param order numbers of the stops, in the order they are met
 * @param legsM how far it is to each, in that order; the first from the start
 */
public record Route(List<Integer> order, List<Double> legsM) {
    /** So many stops are tried in every order. */
    private static final int MOST_EXACT = 13;

    private static final int MOST_MOVES = 100;
    private static final double LEAST_M = 1e-6;

    public Route {
        order = List.copyOf(order);
        legsM = List.copyOf(legsM);
    }

    /** Metres from the start to the last stop. */
    public double lengthM() {
        return legsM.stream().mapToDouble(Double::doubleValue).sum();
    }

    /** Along the fence from a place, without a way back. */
    public static Route along(List<Run> runs, Place start, List<Place> stops) {
        List<Place> all = new ArrayList<>(stops);
        all.add(start);
        Walkways ways = new Walkways(runs, List.of(), all);
        double[][] far = new double[all.size()][all.size()];
        for (int i = 0; i < all.size(); i++) {
            Map<Place, Double> from = ways.from(all.get(i));
            for (int j = 0; j < all.size(); j++) {
                far[i][j] = from.getOrDefault(all.get(j), 1e9);
            }
        }
        int begin = stops.size();
        List<Integer> order = begin <= MOST_EXACT ? exact(far, begin) : improved(far, begin);
        List<Double> legs = new ArrayList<>();
        int at = begin;
        for (int next : order) {
            legs.add(far[at][next]);
            at = next;
        }
        return new Route(order, legs);
    }

    /** Of all orders the shortest, by what is met so far and where it ends (Held and Karp 1962). */
    private static List<Integer> exact(double[][] far, int n) {
        if (n == 0) {
            return List.of();
        }
        double[][] least = new double[1 << n][n];
        int[][] before = new int[1 << n][n];
        for (double[] row : least) {
            Arrays.fill(row, Double.MAX_VALUE);
        }
        for (int i = 0; i < n; i++) {
            least[1 << i][i] = far[n][i];
            before[1 << i][i] = -1;
        }
        for (int met = 1; met < 1 << n; met++) {
            for (int at = 0; at < n; at++) {
                if (least[met][at] == Double.MAX_VALUE) {
                    continue;
                }
                for (int next = 0; next < n; next++) {
                    int then = met | 1 << next;
                    double length = least[met][at] + far[at][next];
                    if (then != met && length < least[then][next]) {
                        least[then][next] = length;
                        before[then][next] = at;
                    }
                }
            }
        }
        int met = (1 << n) - 1;
        int at = 0;
        for (int i = 1; i < n; i++) {
            at = least[met][i] < least[met][at] ? i : at;
        }
        List<Integer> order = new ArrayList<>();
        while (at >= 0) {
            order.addFirst(at);
            int last = before[met][at];
            met ^= 1 << at;
            at = last;
        }
        return order;
    }

    /** From the nearest to the next, then turned round and moved until nothing gets shorter. */
    private static List<Integer> improved(double[][] far, int begin) {
        List<Integer> order = nearest(far, begin);
        for (int i = 0; i < MOST_MOVES && uncrossed(far, begin, order); i++) {
            Cancellation.check();
        }
        return order;
    }

    private static List<Integer> nearest(double[][] far, int begin) {
        List<Integer> order = new ArrayList<>();
        boolean[] met = new boolean[far.length];
        int at = begin;
        for (int n = 0; n < begin; n++) {
            int best = -1;
            for (int j = 0; j < begin; j++) {
                if (!met[j] && (best < 0 || far[at][j] < far[at][best])) {
                    best = j;
                }
            }
            met[best] = true;
            order.add(best);
            at = best;
        }
        return order;
    }

    /** Turns one part round, or moves one stop, when that is shorter; by what changes alone. */
    private static boolean uncrossed(double[][] far, int begin, List<Integer> order) {
        int n = order.size();
        boolean shorter = false;
        for (int i = 0; i < n; i++) {
            int before = i == 0 ? begin : order.get(i - 1);
            for (int j = i + 1; j < n; j++) {
                double by = far[before][order.get(j)] - far[before][order.get(i)];
                if (j < n - 1) {
                    int after = order.get(j + 1);
                    by += far[order.get(i)][after] - far[order.get(j)][after];
                }
                if (by < -LEAST_M) {
                    Collections.reverse(order.subList(i, j + 1));
                    shorter = true;
                }
            }
        }
        for (int i = 0; i < n; i++) {
            int stop = order.get(i);
            List<Integer> others = new ArrayList<>(order);
            others.remove(i);
            double without = between(far, begin, others, i, stop);
            int best = i;
            double least = without - LEAST_M;
            for (int j = 0; j < n; j++) {
                double with = between(far, begin, others, j, stop);
                if (with < least) {
                    least = with;
                    best = j;
                }
            }
            if (best != i) {
                order.remove(i);
                order.add(best, stop);
                shorter = true;
            }
        }
        return shorter;
    }

    /** How much longer the way gets by a stop at a place in it. */
    private static double between(double[][] far, int begin, List<Integer> others, int at, int stop) {
        int before = at == 0 ? begin : others.get(at - 1);
        double by = far[before][stop];
        if (at < others.size()) {
            by += far[stop][others.get(at)] - far[before][others.get(at)];
        }
        return by;
    }
}
