package buckle.server.jobs;

import java.time.Instant;
import java.util.UUID;

/**
 * A job in the yard and where it stands.
 *
 * @param summary as it was last worked out
 * @param upToDate false while a newer summary is being worked out
 */
public record JobView(
        UUID id,
        String name,
        UUID propertyId,
        String client,
        String property,
        JobState state,
        Instant changedAt,
        JobSummary summary,
        boolean upToDate) {}
