package buckle.tape;

import buckle.site.GeoPoint;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * A tape book adjusted.
 *
 * @param points in order of their first mention; those that cannot be placed are in {@code verdicts}
 * @param spare measures more than the points need
 * @param typicalErrorM what one measure seems to be off by (root of the squared residuals by spare measures); empty
 *     without a spare measure
 * @param verdicts what it means, most important first
 */
public record TapeResult(
        List<TapePoint> points, List<RowResult> rows, int spare, OptionalDouble typicalErrorM, List<Verdict> verdicts) {
    public TapeResult {
        points = List.copyOf(points);
        rows = List.copyOf(rows);
        verdicts = List.copyOf(verdicts);
    }

    /**
     * A point of the book.
     *
     * @param eastM with the first point at 0, 0 and the second due east of it, until the book is placed
     * @param sigmaM standard deviation of its place against the first point and the direction to the second
     */
    public record TapePoint(String name, double eastM, double northM, double sigmaM, Optional<GeoPoint> at) {}

    /**
     * A line of the book against what came out.
     *
     * @param adjustedM what the points say; empty when one of them could not be placed
     * @param restSaysM what all other measures say without this one; empty when nothing else reaches it
     * @param doubt how far out of line it is in standard deviations of that; 3 and more is suspicious
     */
    public record RowResult(
            int row, double measuredM, OptionalDouble adjustedM, OptionalDouble restSaysM, OptionalDouble doubt) {}

    /** One sentence on the book. */
    public record Verdict(Kind kind, String text) {
        /** What a verdict is about. */
        public enum Kind {
            /** Something contradicts itself or cannot be placed. */
            WRONG,
            /** A measure that does not fit the others. */
            SUSPECT,
            /** What to tape next. */
            NEXT,
            /** Worth knowing. */
            NOTE,
            /** All agrees. */
            GOOD
        }
    }
}
