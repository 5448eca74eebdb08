package buckle.pulse;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Optional;

/**
 * What a run is made of, the same all along.
 *
 * @param strands wires over ground; empty for a cable
 * @param leakSPerM conductance from the joined hot wires to earth, in siemens per metre
 * @param soilOhmM resistivity of the ground under it
 */
@RecordBuilder
public record LineType(List<LineWire> strands, double leakSPerM, double soilOhmM, Optional<Cable> cable)
        implements LineTypeBuilder.With {
    public LineType {
        strands = List.copyOf(strands);
        LineWire.require(
                leakSPerM >= 0 && leakSPerM <= 10, "leakage " + leakSPerM + " S/m is not between 0 and 10 S/m");
        LineWire.require(
                soilOhmM >= 0.1 && soilOhmM <= 1e6,
                "soil resistivity " + soilOhmM + " Ω·m is not between 0.1 and 1,000,000 Ω·m");
        LineWire.require(
                cable.isPresent() || strands.stream().anyMatch(LineWire::hot), "a run needs at least one hot wire");
    }

    /** Of wires over ground. */
    public static LineType overGround(List<LineWire> strands, double leakSPerM, double soilOhmM) {
        return new LineType(strands, leakSPerM, soilOhmM, Optional.empty());
    }

    /** Of a cable. */
    public static LineType of(Cable cable) {
        return new LineType(List.of(), 0, 100, Optional.of(cable));
    }

    /** A cable in the ground, under a gate or to the fence: its large capacitance is its own. */
    public record Cable(double ohmPerM, double henryPerM, double faradPerM) {
        public Cable {
            LineWire.require(ohmPerM > 0 && henryPerM > 0 && faradPerM > 0, "a cable has R, L and C above 0");
        }
    }
}
