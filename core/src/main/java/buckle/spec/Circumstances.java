package buckle.spec;

import io.soabase.recordbuilder.core.RecordBuilder;

/**
 * What the fence is looked at in: none of it is built, ordered or paid for.
 *
 * @param growth what is in the wires
 * @param insulators what state they are in
 * @param ground how wet the ground is
 * @param model what no plate and no map tells of the pulse
 */
@RecordBuilder
public record Circumstances(Growth growth, Insulators insulators, GroundState ground, PulseModel model)
        implements CircumstancesBuilder.With {
    public static final Circumstances USUAL =
            new Circumstances(Growth.LIGHT, Insulators.SOUND, GroundState.MOIST, PulseModel.USUAL);
}
