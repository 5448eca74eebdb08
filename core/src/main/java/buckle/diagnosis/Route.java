package buckle.diagnosis;

import buckle.pulse.Place;
import buckle.pulse.Run;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * A way along a fence past every stop, from the nearest to the next and then with crossings taken out.
 *
 * @param order numbers of the stops, in the order they are met
 * @param legsM how far it is to each, in that order; the first from the start
 */
public record Route(List<Integer> order, List<Double> legsM) {
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
        List<Integer> order = nearest(far, begin);
        while (uncrossed(far, begin, order)) {
            // Until nothing turned round or moved makes it shorter.
        }
        List<Double> legs = new ArrayList<>();
        int at = begin;
        for (int next : order) {
            legs.add(far[at][next]);
            at = next;
        }
        return new Route(order, legs);
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

    private static double length(double[][] far, int begin, List<Integer> order) {
        double sum = 0;
        int at = begin;
        for (int next : order) {
            sum += far[at][next];
            at = next;
        }
        return sum;
    }

    /** Turns one part round, or moves one stop, when that is shorter. */
    private static boolean uncrossed(double[][] far, int begin, List<Integer> order) {
        double now = length(far, begin, order);
        int n = order.size();
        for (int i = 0; i < n; i++) {
            for (int j = 0; j < n; j++) {
                for (boolean turned : new boolean[] {true, false}) {
                    List<Integer> tried = new ArrayList<>(order);
                    if (turned && i < j) {
                        List<Integer> part = new ArrayList<>(order.subList(i, j + 1));
                        for (int k = i; k <= j; k++) {
                            tried.set(k, part.get(j - k));
                        }
                    } else if (!turned) {
                        tried.add(j, tried.remove(i));
                    }
                    if (length(far, begin, tried) < now - 1e-6) {
                        order.clear();
                        order.addAll(tried);
                        return true;
                    }
                }
            }
        }
        return false;
    }
}
