package buckle.layout;

import buckle.land.Contact;
import buckle.land.LandKind;
import buckle.land.Traits.Soil;
import buckle.mechanics.Ground;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** The ground along a line: the soil zones it passes, loam where none is drawn. */
public final class SoilAlong {
    private final List<Contact> zones;

    public SoilAlong(List<Contact> contacts) {
        zones = contacts.stream()
                .filter(c -> c.feature().kind() == LandKind.SOIL && c.nearestM() == 0)
                .toList();
    }

    /** What soil was said to lie at a station. */
    public Optional<Soil> at(double stationM) {
        for (Contact zone : zones) {
            if (zone.fromM() <= stationM && stationM <= zone.toM()) {
                return zone.feature().traits().soil();
            }
        }
        return Optional.empty();
    }

    Ground groundAt(double stationM) {
        return switch (at(stationM).orElse(Soil.LOAM)) {
            case CLAY -> Ground.CLAY;
            case WET -> Ground.WET;
            case LOAM, FROZEN_IN_SEASON -> Ground.LOAM;
            case SAND -> Ground.SAND;
            case STONE -> Ground.STONE;
        };
    }

    /** Stone nearer to the surface than a post is deep. */
    public boolean stony(double stationM, double depthM) {
        for (Contact zone : zones) {
            boolean stone =
                    zone.feature().traits().soil().filter(Soil.STONE::equals).isPresent();
            OptionalDouble top = zone.feature().traits().depthM();
            if (stone && zone.fromM() <= stationM && stationM <= zone.toM() && top.orElse(0) < depthM) {
                return true;
            }
        }
        return false;
    }

    /** Soil zones that the line passes. */
    public List<Contact> zones() {
        return zones;
    }
}
