package buckle.spec;

import buckle.site.GeoPoint;
import java.util.List;
import java.util.Optional;

/**
 * What people decided about a job with a reason, kept in its record.
 *
 * @param accepted findings somebody took upon himself
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
     * @param message what it said then
     */
    public record Accepted(String rule, Optional<String> lineId, Optional<GeoPoint> at, String message, String reason) {
        public Accepted {
            if (reason.isBlank()) {
                throw new IllegalArgumentException("a finding is accepted with a reason");
            }
        }
    }

    /** Why this job leaves the house's way in a topic. */
    public record Departure(Topic topic, String reason) {}
}
