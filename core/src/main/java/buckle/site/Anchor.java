package buckle.site;

import java.util.OptionalDouble;

/**
 * A place that was kept on the ground. It is a station of a line while the line passes near it, and lost when it no longer does.
 *
 * @param withinM how far off the line may have moved
 */
public record Anchor(GeoPoint at, double withinM) {
    /** Station of the place on a line; empty when it is lost. */
    public OptionalDouble on(Stationing line, LocalPlane plane) {
        Stationing.Place place = line.nearest(plane.toPlane(at));
        return place.offsetM() <= withinM ? OptionalDouble.of(place.stationM()) : OptionalDouble.empty();
    }

    /** Whether it is this place, or as near to it as the line may have moved. */
    public boolean is(GeoPoint place, LocalPlane plane) {
        return plane.toPlane(at).distanceM(plane.toPlane(place)) <= withinM;
    }

    /** Whether it is this station of a line, or as near to it as the line may have moved. */
    public boolean is(double stationM, Stationing line, LocalPlane plane) {
        OptionalDouble here = on(line, plane);
        return here.isPresent() && Math.abs(here.getAsDouble() - stationM) <= withinM;
    }
}
