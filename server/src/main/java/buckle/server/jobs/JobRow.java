package buckle.server.jobs;

import java.time.Instant;
import java.util.UUID;

/** A job as stored. */
record JobRow(
        UUID id,
        String name,
        String client,
        String property,
        JobState state,
        JobState stateBefore,
        int headRevision,
        long saveNo,
        Instant createdAt,
        Instant changedAt) {}
