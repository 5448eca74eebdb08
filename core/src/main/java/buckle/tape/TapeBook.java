package buckle.tape;

import buckle.site.GeoPoint;
import buckle.units.UnitSystem;
import java.util.List;
import java.util.Optional;

/**
 * A tape book.
 *
 * @param units how a bare number is read
 * @param stepM the walker's own step
 * @param place where the points lie on the ground, once somebody said so
 */
public record TapeBook(
        String id,
        String name,
        List<TapeRow> rows,
        UnitSystem units,
        double stepM,
        boolean mirrored,
        Optional<Placement> place) {
    public TapeBook {
        rows = List.copyOf(rows);
        if (!(stepM >= 0.3 && stepM <= 1.5)) {
            throw new IllegalArgumentException("a step is between 0.3 m and 1.5 m long, not " + stepM + " m");
        }
    }

    /** The first point lies here, and the second in this direction from it, from true north clockwise. */
    public record Placement(GeoPoint at, double bearingDeg) {
        public Placement {
            if (!Double.isFinite(bearingDeg)) {
                throw new IllegalArgumentException("the bearing is not a number of degrees");
            }
        }
    }
}
