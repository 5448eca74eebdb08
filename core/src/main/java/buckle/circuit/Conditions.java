package buckle.circuit;

import buckle.pulse.Damping;
import buckle.pulse.EnergizerRating;
import buckle.pulse.Source;
import buckle.spec.Circumstances;
import buckle.spec.GroundState;
import buckle.spec.Growth;
import buckle.spec.Insulators;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Optional;

/**
 * What is assumed about a fence, each with its likely value; the range of an answer comes from moving one at a time.
 *
 * @param leakFactor on the assumed leakage
 * @param soilFactor on the resistivity of the ground, besides its season
 * @param steelMuR permeability of steel wire
 * @param damping across the energizer's terminals; empty where the plate decides
 * @param wire where in their tolerance the wires' resistances lie: −1 as low as they may, 0 as they should, 1 as high
 */
@RecordBuilder
public record Conditions(
        EnergizerRating plate,
        Growth growth,
        Insulators insulators,
        GroundState ground,
        double leakFactor,
        double soilFactor,
        double steelMuR,
        int wire,
        Optional<Damping> damping)
        implements ConditionsBuilder.With {
    /** As the job says they are, nothing varied. */
    public static Conditions likely(EnergizerRating plate, Circumstances circumstances) {
        return new Conditions(
                plate,
                circumstances.growth(),
                circumstances.insulators(),
                circumstances.ground(),
                1,
                1,
                circumstances.model().steelMuR().likely(),
                0,
                circumstances.model().likelyDamping());
    }

    /** Whether the plate leaves room for the damping somebody said. */
    boolean dampingFits() {
        return damping.isEmpty() || plate.source(damping.get()).isPresent();
    }

    /** What drives the fence: with the damping somebody said where the plate leaves room for it. */
    Source source() {
        return damping.flatMap(plate::source).orElseGet(plate::source);
    }
}
