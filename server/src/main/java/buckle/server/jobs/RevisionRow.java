package buckle.server.jobs;

import java.time.Instant;
import java.util.UUID;

/** A revision of a plan as stored; the document as JSON text. */
record RevisionRow(
        UUID jobId,
        int revision,
        UUID stretch,
        boolean aside,
        String label,
        String doc,
        int rulebookRevision,
        String programVersion,
        Instant savedAt) {}
