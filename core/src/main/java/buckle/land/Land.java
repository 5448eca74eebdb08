package buckle.land;

import buckle.site.GeoPoint;
import buckle.tape.TapeBook;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * A property as it lies; shared by all its jobs.
 *
 * @param spotHeights places whose height somebody measured
 * @param declinationDeg what the compass shows east of true north here, when the user said it
 */
@RecordBuilder
public record Land(
        List<LandFeature> features,
        List<GeoPoint> spotHeights,
        Optional<GridRef> grid,
        OptionalDouble declinationDeg,
        List<Underlay> underlays,
        List<TapeBook> tapes)
        implements LandBuilder.With {
    public static final Land NONE =
            new Land(List.of(), List.of(), Optional.empty(), OptionalDouble.empty(), List.of(), List.of());

    public Land {
        features = List.copyOf(features);
        spotHeights = List.copyOf(spotHeights);
        underlays = List.copyOf(underlays);
        tapes = List.copyOf(tapes);
        if (declinationDeg.isPresent()
                && !(declinationDeg.getAsDouble() >= -180 && declinationDeg.getAsDouble() <= 180)) {
            throw new IllegalArgumentException("the compass declination lies between −180° and 180°");
        }
    }

    /** Whether nothing at all is known of the property. */
    public boolean saysNothing() {
        return equals(NONE);
    }
}
