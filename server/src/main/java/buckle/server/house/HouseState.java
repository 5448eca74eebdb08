package buckle.server.house;

import buckle.spec.School.House;
import java.time.Instant;
import java.util.List;
import java.util.Optional;

/**
 * The house's way as the server holds it.
 *
 * @param revision 0 while nothing was decided
 * @param earlier older revisions, newest first
 */
public record HouseState(int revision, House house, int rulebook, Optional<Instant> savedAt, List<Earlier> earlier) {
    public HouseState {
        earlier = List.copyOf(earlier);
    }

    /** An older revision. */
    public record Earlier(int revision, House house, int rulebook, String savedBy, Instant savedAt) {}
}
