package buckle.spec;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Optional;

/**
 * What the fence is looked at in: none of it is built, ordered or paid for.
 *
 * @param growth what is in the wires
 * @param insulators what state they are in
 * @param ground how wet the ground is
 * @param model what no plate and no map tells of the pulse
 * @param yardstick what readings in order made of it; empty until somebody took them for that
 */
@RecordBuilder
public record Circumstances(
        Growth growth, Insulators insulators, GroundState ground, PulseModel model, Optional<Yardstick> yardstick)
        implements CircumstancesBuilder.With {
    public static final Circumstances USUAL =
            new Circumstances(Growth.LIGHT, Insulators.SOUND, GroundState.MOIST, PulseModel.USUAL, Optional.empty());
}
