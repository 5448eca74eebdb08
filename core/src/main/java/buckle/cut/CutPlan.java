package buckle.cut;

import java.util.List;

/**
 * How pieces are cut.
 *
 * @param bars each with its cuts, alike ones together
 * @param cost of all bars, in whatever the order says it in
 * @param bound no plan costs less than this
 * @param optimal whether it is known that none is better
 */
public record CutPlan(List<Bar> bars, long cost, double bound, boolean optimal) {
    public CutPlan {
        bars = List.copyOf(bars);
    }

    /**
     * A length and what is cut from it.
     *
     * @param cuts in the order of the order's pieces
     * @param leftMm left over, the saw's width taken off
     * @param times so many alike
     */
    public record Bar(String stock, int lengthMm, List<Cut> cuts, int leftMm, int times) {
        public Bar {
            cuts = List.copyOf(cuts);
        }
    }

    /** So many pieces of one kind from one bar. */
    public record Cut(String label, int lengthMm, int count) {}

    /** How far the cost lies above what no plan can go under; 0 where that costs nothing. */
    public double gap() {
        return bound <= 0 ? 0 : (cost - bound) / bound;
    }

    /** Left over in all bars. */
    public long leftMm() {
        return bars.stream().mapToLong(b -> (long) b.leftMm() * b.times()).sum();
    }
}
