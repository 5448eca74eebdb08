package buckle.reach;

import buckle.design.Design;
import buckle.land.Surroundings;
import buckle.reach.Reach.HeapItem;
import buckle.spec.Plan;
import buckle.task.Cancellation;
import java.util.List;
import java.util.OptionalDouble;

/** How far apart the posts of a fence stand so that a heap is just enough for it. */
public final class Spacing {
    private static final double LEAST_SHARE = 0.4;
    private static final double MOST_SHARE = 3;
    private static final double FINE_M = 0.05;

    private Spacing() {}

    /**
     * The closest spacing for which the heap reaches: wider than planned where posts are short (open it up), closer where some are left
     * over (close it up). Laid out again and again.
     *
     * @return empty when no spacing between 0.4 and 3 times the planned one helps, or when even the closest of them reaches, so that posts
     *     are not what decides
     */
    public static OptionalDouble closest(List<HeapItem> heap, Plan plan, Surroundings around) {
        double planned = plan.spec().fence().posts().spacingM();
        double close = planned * LEAST_SHARE;
        double wide = planned * MOST_SHARE;
        if (!reaches(heap, plan, around, wide) || reaches(heap, plan, around, close)) {
            return OptionalDouble.empty();
        }
        while (wide - close > FINE_M) {
            Cancellation.check();
            double middle = (close + wide) / 2;
            if (reaches(heap, plan, around, middle)) {
                wide = middle;
            } else {
                close = middle;
            }
        }
        return OptionalDouble.of(wide);
    }

    private static boolean reaches(List<HeapItem> heap, Plan plan, Surroundings around, double spacingM) {
        Plan spaced =
                plan.withSpec(plan.spec().withFence(f -> f.withPosts(f.posts().withSpacingM(spacingM))));
        Reach reach = Reach.of(heap, Design.of(spaced, around).takeoff());
        return !reach.lines().isEmpty() && reach.reaches();
    }
}
