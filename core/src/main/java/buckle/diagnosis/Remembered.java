package buckle.diagnosis;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** The last few tables of answers: a reading more asks for a column more, not for a table. */
final class Remembered {
    private static final int KEPT = 8;
    /** Numbers in all tables together. */
    private static final long MOST_HELD = 1 << 23;

    /** The one asked for last comes first. */
    private static final List<Entry> KNOWN = new ArrayList<>();

    /** @param fence with its readings in order, whatever was read since */
    private record Entry(Hunt fence, AnswerTable table) {}

    private Remembered() {}

    /** Has the spot of every value and no other, as if it were made for them. */
    static AnswerTable of(Hunt hunt, List<Value> values) {
        Hunt fence = hunt.withNow(List.of());
        AnswerTable table = known(fence, values)
                .map(t -> t.with(values))
                .orElseGet(() -> AnswerTable.of(KnownFence.of(hunt), values));
        synchronized (KNOWN) {
            KNOWN.removeIf(e -> e.table() == table);
            KNOWN.addFirst(new Entry(fence, table));
            while (KNOWN.size() > KEPT
                    || KNOWN.stream().mapToLong(e -> e.table().size()).sum() > MOST_HELD) {
                KNOWN.removeLast();
            }
        }
        return table;
    }

    /** The widest of the fence that has no spot but those of the values. */
    static Optional<AnswerTable> known(Hunt fence, List<Value> values) {
        synchronized (KNOWN) {
            return KNOWN.stream()
                    .filter(e -> e.table().within(values) && e.fence().equals(fence))
                    .map(Entry::table)
                    .reduce((a, b) -> b.spots().size() > a.spots().size() ? b : a);
        }
    }
}
