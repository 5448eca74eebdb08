package buckle.server.revisions;

import java.time.Instant;
import java.util.UUID;

/**
 * A revision of a document as stored.
 *
 * @param stretch one sitting; its saves share a revision
 * @param aside whether it came too late and is kept beside the line of revisions
 * @param doc the document as JSON text, with its schema
 * @param rulebookRevision 0 where it was not noted
 * @param savedBy who saved it, as typed; empty where nobody said
 */
public record Revision(
        String kind,
        UUID owner,
        int revision,
        UUID stretch,
        boolean aside,
        String label,
        String doc,
        int rulebookRevision,
        String programVersion,
        String savedBy,
        Instant savedAt) {}
