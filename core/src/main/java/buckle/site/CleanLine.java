package buckle.site;

import java.util.List;

/**
 * What a walk became.
 *
 * @param corners in walking order, the first not repeated on a closed line
 * @param lengthM horizontal length, the closing side included
 * @param rawLengthM what summing the raw points would have given
 * @param ground places along the line with smoothed heights; empty when the walk had none
 * @param walked false when the line was drawn and its points were taken as they stand
 */
public record CleanLine(
        String name,
        List<GeoPoint> corners,
        boolean closed,
        double lengthM,
        double rawLengthM,
        List<GeoPoint> ground,
        boolean walked,
        Accuracy accuracy,
        List<WalkNote> notes) {
    public CleanLine {
        corners = List.copyOf(corners);
        ground = List.copyOf(ground);
        notes = List.copyOf(notes);
    }

    /**
     * What to expect of the line, one standard deviation.
     *
     * @param jitterM root mean square of the walked points off their sides
     * @param cornerM of a corner's place, as the sides and the pause there fix it
     * @param lengthM of the whole length
     * @param toleranceM the tolerance that was used
     */
    public record Accuracy(double jitterM, double cornerM, double lengthM, double toleranceM) {}
}
