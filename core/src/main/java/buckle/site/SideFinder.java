package buckle.site;

import buckle.task.Cancellation;
import java.util.ArrayList;
import java.util.List;

/**
 * Cuts a row of nodes into straight sides: the division with the least (squared distance ÷ jitter²) plus a price for
 * each corner, over all divisions.
 *
 * <p>Source: segmented least squares (Bellman 1961, "On the approximation of curves by line segments using dynamic
 * programming"), with the exact pruning of Killick, Fearnhead and Eckley 2012. The price and the correlation length are
 * ours, tuned on simulated walks with jitter of 0.5 to 2 m that lasts 5 to 25 s.
 */
final class SideFinder {
    /** Nodes that share one error of the receiver: jitter drifts over about 36 m of walking. */
    private static final double NODES_PER_INDEPENDENT_ERROR = 36 / WalkNodes.NODE_SPACING_M;

    private static final double CORNER_PRICE = 11;

    /** Longer straights come out in two sides, which the cleaner joins again. */
    private static final int LONGEST_SIDE_NODES = 1500;

    private SideFinder() {}

    /** First node of each side, in order; 0 is always the first. */
    static List<Integer> starts(Moments moments, int nodeCount, double jitterM) {
        double scale = 1 / (jitterM * jitterM * NODES_PER_INDEPENDENT_ERROR);
        double[] best = new double[nodeCount + 1];
        int[] from = new int[nodeCount + 1];
        int[] candidates = new int[nodeCount + 1];
        int count = 0;
        for (int end = 1; end <= nodeCount; end++) {
            Cancellation.check();
            candidates[count++] = end - 1;
            best[end] = Double.POSITIVE_INFINITY;
            for (int k = 0; k < count; k++) {
                int start = candidates[k];
                double cost = best[start] + moments.residualM2(start, end) * scale + CORNER_PRICE;
                if (cost < best[end]) {
                    best[end] = cost;
                    from[end] = start;
                }
            }
            count = prune(candidates, count, best, end, moments, scale);
        }
        List<Integer> starts = new ArrayList<>();
        for (int at = nodeCount; at > 0; at = from[at]) {
            starts.addFirst(from[at]);
        }
        return starts;
    }

    /** Drops starts that can never again be the best one. */
    private static int prune(int[] candidates, int count, double[] best, int end, Moments moments, double scale) {
        int kept = 0;
        for (int k = 0; k < count; k++) {
            int start = candidates[k];
            boolean hopeful = best[start] + moments.residualM2(start, end) * scale <= best[end];
            if (hopeful && end - start < LONGEST_SIDE_NODES) {
                candidates[kept++] = start;
            }
        }
        return kept;
    }
}
