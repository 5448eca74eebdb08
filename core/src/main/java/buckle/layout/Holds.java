package buckle.layout;

import buckle.spec.FenceSpec;
import buckle.spec.Wire;
import buckle.spec.WireSchedule;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** Wires go where the posts have their clips, slots or holes: each to one of its own, so that all together move least. */
final class Holds {
    private static final double HAIR_M = 5e-4;

    private Holds() {}

    /** A wire that hangs otherwise than asked. */
    record Moved(int wire, double askedM, double atM) {}

    /**
     * Wires as they can hang.
     *
     * @param tooFew whether the posts have fewer places than there are wires, so that the wires were left as asked
     */
    record Fit(WireSchedule schedule, List<Moved> moved, boolean tooFew) {}

    static Fit fit(WireSchedule asked, FenceSpec fence) {
        List<Double> holds = fence.posts().holdsAtM();
        if (holds.isEmpty() || fence.standsByItself() || !between(fence)) {
            return new Fit(asked, List.of(), false);
        }
        List<Wire> wires = asked.wires();
        if (holds.size() < wires.size()) {
            return new Fit(asked, List.of(), true);
        }
        int[] at = nearest(wires, holds);
        List<Wire> hung = new ArrayList<>();
        List<Moved> moved = new ArrayList<>();
        for (int i = 0; i < at.length; i++) {
            double hold = holds.get(at[i]);
            if (Math.abs(hold - wires.get(i).heightM()) > HAIR_M) {
                moved.add(new Moved(i + 1, wires.get(i).heightM(), hold));
            }
            hung.add(wires.get(i).withHeightM(hold));
        }
        return new Fit(moved.isEmpty() ? asked : new WireSchedule(asked.preset(), hung), moved, false);
    }

    /** Whether such posts stand between the strong ones. */
    private static boolean between(FenceSpec fence) {
        FenceSpec.Posts posts = fence.posts();
        return fence.holdsWires(posts.line().family())
                || posts.lightPerGap() > 0 && fence.holdsWires(posts.light().family());
    }

    /** The place of each wire, rising: least sum of the ways they move, the lower place of two as near. */
    private static int[] nearest(List<Wire> wires, List<Double> holds) {
        int n = wires.size();
        int m = holds.size();
        double[][] least = new double[n + 1][m + 1];
        boolean[][] taken = new boolean[n + 1][m + 1];
        for (int i = 1; i <= n; i++) {
            Arrays.fill(least[i], Double.POSITIVE_INFINITY);
            for (int k = i; k <= m; k++) {
                double here = least[i - 1][k - 1] + Math.abs(wires.get(i - 1).heightM() - holds.get(k - 1));
                taken[i][k] = here < least[i][k - 1];
                least[i][k] = Math.min(here, least[i][k - 1]);
            }
        }
        int[] at = new int[n];
        int k = m;
        for (int i = n; i > 0; i--) {
            while (!taken[i][k]) {
                k--;
            }
            at[i - 1] = --k;
        }
        return at;
    }
}
