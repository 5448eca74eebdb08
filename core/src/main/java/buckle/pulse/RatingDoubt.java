package buckle.pulse;

import java.util.OptionalDouble;

/** What is wrong with a plate. */
public sealed interface RatingDoubt {
    /** More voltage under load than open. */
    record MoreUnderLoad(double v500, double openV) implements RatingDoubt {}

    /** More comes out than is stored. */
    record MoreOutThanStored(double outJ, double storedJ) implements RatingDoubt {}

    /** No capacitor, coil and resistance give these numbers; the energies only where the plate has both. */
    record NothingGivesIt(OptionalDouble storedJ, OptionalDouble outJ, double openV, double v500)
            implements RatingDoubt {}

    /** The voltage at 100 ohm lies off what the rest of the plate gives. */
    record OffAt100(double v100, double fittedV) implements RatingDoubt {}
}
