package buckle.server.jobs;

import java.time.Instant;
import java.util.UUID;

/**
 * A job as stored.
 *
 * @param client name of the property's client, joined in; {@code property} its name
 */
public record JobRow(
        UUID id,
        String name,
        UUID propertyId,
        String client,
        String property,
        JobState state,
        JobState stateBefore,
        int headRevision,
        long saveNo,
        Instant createdAt,
        Instant changedAt) {

    JobRow touched(Instant now) {
        return moved(state, stateBefore, now);
    }

    JobRow renamed(String newName, UUID newPropertyId, Instant now) {
        return new JobRow(
                id, newName, newPropertyId, client, property, state, stateBefore, headRevision, saveNo, createdAt, now);
    }

    JobRow moved(JobState newState, JobState before, Instant now) {
        return new JobRow(
                id, name, propertyId, client, property, newState, before, headRevision, saveNo, createdAt, now);
    }
}
