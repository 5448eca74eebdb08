package buckle.upkeep;

import buckle.upkeep.FaultNote.State;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;

/** The faults of a fence as they stand: of each the note that was written last. */
public final class FaultLog {
    private FaultLog() {}

    /**
     * A fault.
     *
     * @param stands its last note
     * @param since when its first note was written
     * @param notes how many there are
     */
    public record LoggedFault(FaultNote stands, Instant since, int notes, FaultNote.Gains gains) {}

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
                        all.size(),
                        all.getLast().gains()))
                .sorted(Comparator.<LoggedFault, State>comparing(f -> f.stands().state())
                        .thenComparing(f -> f.stands().notedAt(), Comparator.reverseOrder()))
                .toList();
    }
}
