package buckle.circuit;

import buckle.land.LandFeature;
import buckle.land.Surroundings;
import buckle.land.Traits.Soil;
import buckle.layout.LandSpan;
import buckle.layout.LineLayout;
import buckle.rulebook.Values;
import buckle.spec.GroundState;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
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
            case WET -> Values.G12_WET_OHM_M;
            case CLAY -> Values.G12_CLAY_OHM_M;
            case LOAM -> Values.G12_LOAM_OHM_M;
            case SAND -> Values.G12_SAND_OHM_M;
            case STONE -> Values.G12_STONE_OHM_M;
            case FROZEN_IN_SEASON -> Values.G12_FREEZING_OHM_M;
        };
    }

    /** Wet ground stays wet and seldom freezes; the rest follows the season. */
    static double ohmM(Soil soil, GroundState state) {
        return moistOhmM(soil) * (soil == Soil.WET && state != GroundState.FROZEN ? 1 : state.factor());
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
                return Objects.requireNonNull(zones.get(span.featureId()));
            }
        }
        return Soil.LOAM;
    }
}
