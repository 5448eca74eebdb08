package buckle.takeoff;

import buckle.layout.Finding;
import buckle.layout.LineLayout;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Two designs side by side.
 *
 * @param lines lengths of the lines of either
 * @param items takeoff lines that differ
 * @param gone findings of the first that the second has no more; {@code come} those that are new
 */
public record Comparison(List<Row> lines, List<Row> items, List<String> gone, List<String> come) {
    public Comparison {
        lines = List.copyOf(lines);
        items = List.copyOf(items);
        gone = List.copyOf(gone);
        come = List.copyOf(come);
    }

    /** One figure in both designs, in {@code unit}. */
    public record Row(String key, String name, double before, double after, String unit) {}

    public static Comparison of(Design before, Design after) {
        Map<String, Row> lines = new LinkedHashMap<>();
        for (LineLayout l : before.layout().lines()) {
            lines.put(l.lineId(), new Row(l.lineId(), l.name(), l.lengthM(), 0, "m"));
        }
        for (LineLayout l : after.layout().lines()) {
            Row old = lines.get(l.lineId());
            lines.put(l.lineId(), new Row(l.lineId(), l.name(), old == null ? 0 : old.before(), l.lengthM(), "m"));
        }
        Map<String, Row> items = new LinkedHashMap<>();
        before.takeoff().forEach(t -> items.put(t.item(), new Row(t.item(), t.name(), t.quantity(), 0, t.unit())));
        after.takeoff().forEach(t -> {
            Row old = items.get(t.item());
            items.put(t.item(), new Row(t.item(), t.name(), old == null ? 0 : old.before(), t.quantity(), t.unit()));
        });
        return new Comparison(
                List.copyOf(lines.values()),
                items.values().stream()
                        .filter(r -> Math.abs(r.before() - r.after()) > 1e-6)
                        .toList(),
                only(before, after),
                only(after, before));
    }

    private static List<String> only(Design one, Design other) {
        List<String> messages = new ArrayList<>(one.layout().findings().stream()
                .map(Finding::message)
                .distinct()
                .toList());
        other.layout().findings().forEach(f -> messages.remove(f.message()));
        return messages;
    }
}
