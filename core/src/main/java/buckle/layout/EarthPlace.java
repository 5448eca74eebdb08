package buckle.layout;

import buckle.land.Traits.Soil;
import buckle.material.EarthKind;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Optional;

/**
 * One ground rod, or what serves as one.
 *
 * @param lengthM in the ground
 * @param acrossM diameter, or width across
 * @param eastM from the energizer, as {@code northM}
 * @param placed whether somebody said where; otherwise it is taken to stand in a row
 * @param leadM from the energizer or from the rod before it; none where the wire of an old fence joins it
 * @param soil that was said to lie there
 * @param watered whether the ground at it is kept wet
 * @param stands whether it is in the ground already
 */
@RecordBuilder
public record EarthPlace(
        EarthKind kind,
        double lengthM,
        double acrossM,
        double eastM,
        double northM,
        boolean placed,
        double leadM,
        Optional<Soil> soil,
        boolean watered,
        boolean stands)
        implements EarthPlaceBuilder.With {}
