package buckle.site;

import java.util.OptionalDouble;

/**
 * How a walk is cleaned.
 *
 * @param toleranceM how far a walked point may stand off a straight side before it counts as a real bend; when open,
 *     taken from the jitter of this walk
 * @param closeWithinM ends nearer than this are joined to a closed line
 */
public record WalkOptions(OptionalDouble toleranceM, double closeWithinM) {
    public static final WalkOptions USUAL = new WalkOptions(OptionalDouble.empty(), 12);

    public WalkOptions {
        if (toleranceM.isPresent() && !(toleranceM.getAsDouble() >= 0.05 && toleranceM.getAsDouble() <= 100)) {
            throw new IllegalArgumentException("toleranceM must lie between 0.05 m and 100 m");
        }
        if (!(closeWithinM >= 0 && closeWithinM <= 200)) {
            throw new IllegalArgumentException("closeWithinM must lie between 0 m and 200 m");
        }
    }
}
