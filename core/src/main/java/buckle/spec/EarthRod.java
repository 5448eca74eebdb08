package buckle.spec;

import static buckle.spec.Ranges.between;

import buckle.material.EarthKind;
import buckle.site.GeoPoint;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Optional;

/**
 * Earth as it is found or wanted: one piece, or several alike in a row (X4).
 *
 * @param count how many in the row
 * @param lengthM in the ground
 * @param acrossM diameter, or width across
 * @param apartM from one to the next in the row
 * @param at where the first one goes; empty beside what comes before it
 * @param watered whether the ground at it is kept wet
 * @param stands whether it is in the ground already
 */
@RecordBuilder
public record EarthRod(
        String id,
        EarthKind kind,
        int count,
        double lengthM,
        double acrossM,
        double apartM,
        Optional<GeoPoint> at,
        boolean watered,
        boolean stands)
        implements EarthRodBuilder.With {
    public EarthRod {
        between("supply.earth.found.count", count, 1, 20);
        between("supply.earth.found.lengthM", lengthM, 0.05, 6);
        between("supply.earth.found.acrossM", acrossM, 0.004, 0.3);
        between("supply.earth.found.apartM", apartM, 0.2, 50);
    }
}
