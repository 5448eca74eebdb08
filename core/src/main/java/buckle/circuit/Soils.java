package buckle.circuit;

import buckle.land.LandFeature;
import buckle.land.Surroundings;
import buckle.land.Traits.Soil;
import buckle.layout.LandSpan;
import buckle.layout.LineLayout;
import buckle.spec.Power;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Resistivity of the ground: G12's wide ranges, one typical value each, from memory; loam where no zone is drawn. */
final class Soils {
    private final Map<String, Soil> zones = new HashMap<>();

    Soils(Surroundings around) {
        for (LandFeature f : around.land().features()) {
            f.traits().soil().ifPresent(s -> zones.put(f.id(), s));
        }
    }

    static double moistOhmM(Soil soil) {
        return switch (soil) {
            case WET -> 20;
            case CLAY -> 50;
            case LOAM -> 100;
            case SAND -> 800;
            case STONE -> 2000;
            case FROZEN_IN_SEASON -> 150;
        };
    }

    /** Wet ground stays wet and seldom freezes; the rest follows the season. */
    static double ohmM(Soil soil, Power.GroundState state) {
        return moistOhmM(soil) * (soil == Soil.WET && state != Power.GroundState.FROZEN ? 1 : state.factor());
    }

    Optional<Soil> zone(String featureId) {
        return Optional.ofNullable(zones.get(featureId));
    }

    List<LandSpan> spans(LineLayout line) {
        return line.land().stream()
                .filter(s -> zones.containsKey(s.featureId()))
                .toList();
    }

    Soil at(LineLayout line, double stationM) {
        for (LandSpan span : spans(line)) {
            if (span.fromM() <= stationM && stationM <= span.toM()) {
                return zones.get(span.featureId());
            }
        }
        return Soil.LOAM;
    }
}
