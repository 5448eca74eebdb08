package buckle.layout;

import java.util.List;
import java.util.Optional;

/**
 * A connected piece of fence between switches.
 *
 * @param id {@code feed} for the piece at the energizer, otherwise the cut-out that feeds it
 * @param parentId section on the energizer's side; empty at the energizer
 * @param live false when nothing connects it to the energizer
 */
public record Section(
        String id, String name, Optional<String> parentId, boolean live, double lengthM, List<Stretch> stretches) {
    public Section {
        stretches = List.copyOf(stretches);
    }

    /** A part of a line. */
    public record Stretch(String lineId, double fromM, double toM) {}

    boolean holds(String lineId, double stationM) {
        return stretches.stream()
                .anyMatch(s -> s.lineId().equals(lineId) && s.fromM() <= stationM && stationM <= s.toM());
    }
}
