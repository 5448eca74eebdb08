package buckle.spec;

import buckle.material.Conductor;
import buckle.units.UnitSystem;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.function.UnaryOperator;

/**
 * Fence on the site, by who decides it.
 *
 * @param fence what is built along every line
 * @param lines what single lines have otherwise
 * @param supply what drives it
 * @param purchasing how material is bought
 * @param preferences how the job is told
 */
@RecordBuilder
public record Spec(FenceSpec fence, List<LineSpec> lines, Supply supply, Purchasing purchasing, Preferences preferences)
        implements SpecBuilder.With {
    /** What a track is laid out by when nobody said otherwise: cattle, W1, posts at 20 ft. */
    public static final Spec USUAL =
            new Spec(FenceSpec.USUAL, List.of(), Supply.USUAL, Purchasing.USUAL, Preferences.USUAL);

    public Spec {
        lines = List.copyOf(lines);
    }

    /** What is built along a line: the job's fence with what that line has otherwise. */
    public FenceSpec fence(String lineId) {
        return lines.stream()
                .filter(own -> own.lineId().equals(lineId))
                .findFirst()
                .map(own -> own.of(fence))
                .orElse(fence);
    }

    /** The job as one line has it. */
    public Spec forLine(String lineId) {
        return withFence(fence(lineId));
    }

    /** With the fence built otherwise. */
    public Spec withFence(UnaryOperator<FenceSpec> change) {
        return withFence(change.apply(fence));
    }

    /** Driven otherwise. */
    public Spec withSupply(UnaryOperator<Supply> change) {
        return withSupply(change.apply(supply));
    }

    /** Told in other units. */
    public Spec withUnits(UnitSystem units) {
        return withPreferences(new Preferences(units));
    }

    /** Units the job is told in. */
    public UnitSystem units() {
        return preferences.units();
    }

    /** Length of the coils a conductor comes in: as bought, but no longer than it is sold. */
    public double coilM(Conductor conductor) {
        return Math.min(purchasing.coilM(), conductor.coilsM().getLast());
    }
}
