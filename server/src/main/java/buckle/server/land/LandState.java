package buckle.server.land;

import buckle.land.Land;
import java.time.Instant;
import java.util.UUID;

/**
 * A property's land as the server holds it.
 *
 * @param saveNo number of the last save; the next save names it as its base
 * @param jobs how many jobs share it
 */
public record LandState(
        UUID propertyId, String client, String name, int revision, long saveNo, Land land, Instant savedAt, int jobs) {}
