package buckle.spec;

import buckle.site.GeoPoint;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What people decided about a job with a reason, kept in its record.
 *
 * @param accepted findings somebody accepted as they are
 * @param departures topics in which this job leaves the house's way
 */
public record Decisions(List<Accepted> accepted, List<Departure> departures) {
    public static final Decisions NONE = new Decisions(List.of(), List.of());

    public Decisions {
        accepted = List.copyOf(accepted);
        departures = List.copyOf(departures);
    }

    /**
     * A finding accepted as it is.
     *
     * @param at its place, when it has one; it is known again there while the line stays
     * @param key what kind of message it is; empty in what was accepted before there were keys
     * @param values of the message then; empty as the key
     * @param message what it said then, to be read by people
     */
    public record Accepted(
            String rule,
            Optional<String> lineId,
            Optional<GeoPoint> at,
            Optional<String> key,
            Optional<Map<String, Object>> values,
            String message,
            String reason) {
        public Accepted {
            if (reason.isBlank()) {
                throw new IllegalArgumentException("a finding is accepted with a reason");
            }
        }
    }

    /** Why this job leaves the house's way in a topic. */
    public record Departure(Topic topic, String reason) {}
}
