package buckle.server.jobs;

import buckle.units.UnitSystem;
import java.time.Instant;
import java.util.List;
import java.util.UUID;

/**
 * A job in the yard and where it stands.
 *
 * @param standing one sentence on how far it is
 * @param sections how many sections stand how
 */
public record JobView(
        UUID id,
        String name,
        UUID propertyId,
        String client,
        String property,
        JobState state,
        Instant changedAt,
        String animals,
        double lengthM,
        UnitSystem units,
        Stage stage,
        String standing,
        SectionCounts sections,
        List<List<Double>> outline) {

    /** How far a job has come. */
    public enum Stage {
        NEW,
        LAID_OUT,
        TESTED,
        /** Its plan cannot be read; it is kept as it is. */
        UNREADABLE
    }

    /** Sections of a job by standing. */
    public record SectionCounts(int met, int warn, int broken, int open) {}
}
