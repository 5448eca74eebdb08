package buckle.upkeep;

import buckle.upkeep.FaultNote.State;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;

/** The faults of a fence as they stand: of each the note that was written last. */
public final class FaultLog {
    private FaultLog() {}

    /**
     * A fault.
     *
     * @param stands its last note
     * @param since when its first note was written
     * @param mendedSince when the note was written since which it stands mended; what was noted of it later changes nothing of that
     * @param notes how many there are
     */
    public record LoggedFault(
            FaultNote stands, Instant since, Optional<Instant> mendedSince, int notes, FaultNote.Gains gains) {}

    /** Open ones first, then watched, then mended; of each the latest first. */
    public static List<LoggedFault> of(List<FaultNote> notes) {
        Map<UUID, List<FaultNote>> byFault = new LinkedHashMap<>();
        notes.stream()
                .sorted(Comparator.comparing(FaultNote::notedAt).thenComparing(FaultNote::id))
                .forEach(n -> byFault.computeIfAbsent(n.faultId(), id -> new ArrayList<>())
                        .add(n));
        return byFault.values().stream()
                .map(all -> new LoggedFault(
                        all.getLast(),
                        all.getFirst().notedAt(),
                        mendedSince(all),
                        all.size(),
                        all.getLast().gains()))
                .sorted(Comparator.<LoggedFault, State>comparing(f -> f.stands().state())
                        .thenComparing(f -> f.stands().notedAt(), Comparator.reverseOrder()))
                .toList();
    }

    private static Optional<Instant> mendedSince(List<FaultNote> inOrder) {
        Optional<Instant> since = Optional.empty();
        for (FaultNote n : inOrder) {
            since = n.state() == State.MENDED ? since.or(() -> Optional.of(n.notedAt())) : Optional.empty();
        }
        return since;
    }
}
