package buckle.server.jobs;

import java.util.Optional;
import java.util.UUID;

/**
 * A job to open.
 *
 * @param id made by whoever asks, so that sending it twice opens one job; left out, one is made here
 */
public record JobNew(String name, String client, String property, Optional<UUID> id) {}
