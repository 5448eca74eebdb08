package buckle.land;

import java.util.List;

/**
 * A stretch of a fence line that meets a feature or comes near it.
 *
 * @param nearestM least distance within the stretch; 0 where they cross or the line runs inside
 * @param crossings where they cross
 */
public record Contact(LandFeature feature, double fromM, double toM, double nearestM, List<Crossing> crossings) {
    public Contact {
        crossings = List.copyOf(crossings);
    }

    /** A crossing and the angle under which it happens, 90° at right angles. */
    public record Crossing(double stationM, double angleDeg) {}
}
