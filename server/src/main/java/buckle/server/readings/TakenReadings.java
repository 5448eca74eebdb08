package buckle.server.readings;

import buckle.readings.Observation;
import buckle.site.Problem;
import java.util.List;

/**
 * What became of readings that were sent: the good ones are stored, whatever the others are.
 *
 * @param readings those that are stored now, those that were before too
 * @param refused those that were not stored
 * @param doubts those that were, and that somebody should look at again
 */
public record TakenReadings(List<Observation> readings, List<Refused> refused, List<Doubt> doubts) {
    /** A reading that was stored, and what is odd about it. */
    public record Doubt(int index, String id, String message) {}

    /**
     * A reading that was not stored.
     *
     * @param index which of those that were sent, from 0
     * @param id as it was sent; empty when it has none
     */
    public record Refused(int index, String id, String code, String message, List<Problem> errors) {}
}
