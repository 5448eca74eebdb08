package buckle.server.upkeep;

import java.util.UUID;

/** A note of a fault that was not known before is about to be stored. */
public record NoteStored(UUID jobId, UUID noteId) {}
