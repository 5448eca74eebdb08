package buckle.layout;

import buckle.site.GeoPoint;
import buckle.spec.GroundSchool;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;

/**
 * The energizer, its way to the fence, and its ground.
 *
 * @param assumed true when no energizer stands on the plan and the start of the first line was taken
 * @param leadOutM allowed way from energizer to fence, without spare
 * @param path that way, round what is in it
 * @param firstRodM lead from the energizer to the first rod
 * @param rodApartM between rods
 * @param stubs whether stone stops the rods of the school, so that short stubs were taken instead (G7)
 * @param earth the rods one by one
 * @param schools rods by every school
 */
@RecordBuilder
public record FeedPlace(
        boolean assumed,
        String name,
        double lonDeg,
        double latDeg,
        String lineId,
        double stationM,
        double leadOutM,
        List<GeoPoint> path,
        GroundSchool school,
        double firstRodM,
        double rodApartM,
        boolean stubs,
        List<EarthPlace> earth,
        List<RodCount> schools)
        implements FeedPlaceBuilder.With {
    public FeedPlace {
        earth = List.copyOf(earth);
        path = List.copyOf(path);
        schools = List.copyOf(schools);
    }

    /** Where the energizer is, or is taken to be. */
    public GeoPoint at() {
        return GeoPoint.of(lonDeg, latDeg);
    }

    /** How many ground rods there are. */
    public int rods() {
        return earth.size();
    }

    /** Length of the longest in the ground. */
    public double rodM() {
        return earth.stream().mapToDouble(EarthPlace::lengthM).max().orElse(0);
    }

    /** Lead from the energizer to its last rod. */
    public double groundLeadM() {
        return earth.stream().mapToDouble(EarthPlace::leadM).sum();
    }

    /** Ground rods by one school. */
    public record RodCount(GroundSchool school, int rods, double rodM) {}
}
