package buckle.spec;

import buckle.pulse.EnergizerRating;
import java.time.Instant;
import java.util.List;
import java.util.UUID;

/**
 * What readings of a fence in order made of what a plan cannot know. Predictions, reserve and advice start from it, and a later fault is
 * looked for against its readings.
 *
 * @param readAt when the last of its readings was taken
 * @param growth {@code insulators} and {@code ground}: what the factors are factors on
 * @param plate of the energizer it was read with; another one is reckoned by its own plate
 * @param readings it was made of
 * @param found most probable
 * @param spread what the readings left open, a season's change included: independent moves of one standard deviation each, those that
 *     move the voltage most
 */
public record Yardstick(
        Instant readAt,
        Growth growth,
        Insulators insulators,
        GroundState ground,
        EnergizerRating plate,
        List<UUID> readings,
        Deviation found,
        List<Deviation> spread) {
    private static final int MOST_MOVES = 40;
    private static final int MOST_READINGS = 1000;

    public Yardstick {
        readings = List.copyOf(readings);
        spread = List.copyOf(spread);
        if (readings.isEmpty() || readings.size() > MOST_READINGS) {
            throw new IllegalArgumentException("a yardstick is made of 1 to " + MOST_READINGS + " readings");
        }
        if (spread.size() > MOST_MOVES) {
            throw new IllegalArgumentException("a yardstick has at most " + MOST_MOVES + " moves");
        }
    }
}
