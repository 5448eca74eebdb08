package buckle.layout;

import buckle.land.Contacts;
import buckle.land.Land;
import buckle.land.LandKind;
import buckle.land.Traits.Soil;
import buckle.material.EarthKind;
import buckle.site.GeoPoint;
import buckle.site.LocalPlane;
import buckle.site.PlanePoint;
import buckle.spec.EarthRod;
import buckle.spec.Supply;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Where ground rods stand: in a row beside the energizer, or as they were found. */
final class EarthPlanner {
    private final Land land;
    private final LocalPlane plane;
    private final PlanePoint energizer;
    private final Optional<Soil> there;
    private final double firstM;
    private final List<EarthPlace> all = new ArrayList<>();

    /**
     * @param firstM way to the first rod, clear of a building's earth
     * @param there soil where the energizer's lead-out meets the fence, which is taken to lie at rods without a place
     */
    EarthPlanner(Land land, LocalPlane plane, PlanePoint energizer, Optional<Soil> there, double firstM) {
        this.land = land;
        this.plane = plane;
        this.energizer = energizer;
        this.there = there;
        this.firstM = firstM;
    }

    List<EarthPlace> bySchool(FeedPlace.RodCount school, Supply.Earth earth) {
        for (int i = 0; i < school.rods(); i++) {
            double lead = i == 0 ? firstM : earth.rodApartM();
            all.add(new EarthPlace(
                    EarthKind.ROD,
                    school.rodM(),
                    earth.rodDiameterM(),
                    firstM + i * earth.rodApartM(),
                    0,
                    false,
                    lead,
                    there,
                    false,
                    false));
        }
        return all;
    }

    List<EarthPlace> found(List<EarthRod> rods) {
        for (EarthRod rod : rods) {
            Optional<PlanePoint> said = rod.at().map(plane::toPlane);
            double east = said.map(p -> p.eastM() - energizer.eastM()).orElseGet(() -> nextM(rod));
            double north = said.map(p -> p.northM() - energizer.northM()).orElse(all.isEmpty() ? 0 : last().northM());
            for (int i = 0; i < rod.count(); i++) {
                double at = east + i * rod.apartM();
                boolean joined = i > 0 && rod.kind() == EarthKind.OLD_FENCE;
                all.add(new EarthPlace(
                        rod.kind(),
                        rod.lengthM(),
                        rod.acrossM(),
                        at,
                        north,
                        said.isPresent(),
                        joined ? 0 : leadM(at, north),
                        said.isPresent() ? soilAt(rod.at().orElseThrow()) : there,
                        rod.watered(),
                        rod.stands()));
            }
        }
        return all;
    }

    private EarthPlace last() {
        return all.getLast();
    }

    private double nextM(EarthRod rod) {
        return all.isEmpty() ? firstM : last().eastM() + rod.apartM();
    }

    /** The first that stands in the row takes its way clear of a building's earth; a place is reached straight. */
    private double leadM(double eastM, double northM) {
        if (all.isEmpty()) {
            double straight = Math.hypot(eastM, northM);
            return straight > 0 ? straight : firstM;
        }
        return Math.hypot(eastM - last().eastM(), northM - last().northM());
    }

    private Optional<Soil> soilAt(GeoPoint at) {
        return land.features().stream()
                .filter(f -> f.kind() == LandKind.SOIL && Contacts.distanceM(f, at, plane) == 0)
                .findFirst()
                .flatMap(f -> f.traits().soil());
    }
}
