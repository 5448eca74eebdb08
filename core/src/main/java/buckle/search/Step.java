package buckle.search;

import java.util.List;

/** Something to do next. */
public sealed interface Step {
    /** From now until the fault is before one's eyes, in the mean. */
    double expectedMinutes();

    /** Make a check. */
    record Test(int check, double expectedMinutes) implements Step {}

    /**
     * Walk to the first of some cells and look them over in this order.
     *
     * @param back each from its end {@code to}
     * @param chance that the fault is in one of them
     */
    record LookOver(List<Integer> cells, boolean back, double chance, double expectedMinutes) implements Step {
        public LookOver {
            cells = List.copyOf(cells);
        }
    }
}
