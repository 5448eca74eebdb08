package buckle.design;

import buckle.land.Surroundings;
import buckle.layout.Finding;
import buckle.layout.LineLayout;
import buckle.material.Product;
import buckle.material.Use;
import buckle.message.Message;
import buckle.spec.Plan;
import buckle.takeoff.TakeoffLine;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Two designs side by side.
 *
 * @param lines lengths of the lines of either
 * @param items what differs of what is loaded, product by product
 * @param fields of the spec that differ, each with what it does alone; empty where only designs are compared
 * @param gone findings of the first that the second has no more; {@code come} those that are new
 */
public record Comparison(
        List<LineRow> lines, List<ItemRow> items, List<Message> gone, List<Message> come, List<SpecChange> fields) {
    private static final double SAME = 1e-6;

    public Comparison {
        lines = List.copyOf(lines);
        items = List.copyOf(items);
        gone = List.copyOf(gone);
        come = List.copyOf(come);
        fields = List.copyOf(fields);
    }

    /** Length of a line in both. */
    public record LineRow(String key, String name, double before, double after) {}

    /**
     * Quantity of a product for a use in both.
     *
     * @param key of use and product, the same for good
     */
    public record ItemRow(String key, Use use, Product product, Message name, double before, double after) {}

    private record Item(Use use, Product product) {}

    /** What differs between two plans on one land, field by field of the spec too. */
    public static Comparison of(Plan before, Plan after, Surroundings around) {
        Design one = Design.of(before, around);
        Comparison c = of(one, Design.of(after, around));
        return new Comparison(c.lines, c.items, c.gone, c.come, SpecChanges.of(before, after, around, one));
    }

    /** What differs between two designs. */
    public static Comparison of(Design before, Design after) {
        Map<String, LineRow> lines = new LinkedHashMap<>();
        for (LineLayout l : before.layout().lines()) {
            lines.put(l.lineId(), new LineRow(l.lineId(), l.name(), l.lengthM(), 0));
        }
        for (LineLayout l : after.layout().lines()) {
            LineRow old = lines.get(l.lineId());
            lines.put(l.lineId(), new LineRow(l.lineId(), l.name(), old == null ? 0 : old.before(), l.lengthM()));
        }
        Map<Item, ItemRow> items = new LinkedHashMap<>();
        before.takeoff().forEach(t -> items.put(new Item(t.use(), t.product()), row(t, t.quantity(), 0)));
        after.takeoff().forEach(t -> {
            ItemRow old = items.get(new Item(t.use(), t.product()));
            items.put(new Item(t.use(), t.product()), row(t, old == null ? 0 : old.before(), t.quantity()));
        });
        return new Comparison(
                List.copyOf(lines.values()),
                items.values().stream()
                        .filter(r -> Math.abs(r.before() - r.after()) > SAME)
                        .toList(),
                only(before, after),
                only(after, before),
                List.of());
    }

    private static ItemRow row(TakeoffLine line, double before, double after) {
        return new ItemRow(
                line.use().id() + "/" + line.product().id(), line.use(), line.product(), line.name(), before, after);
    }

    private static List<Message> only(Design one, Design other) {
        List<Message> messages = new ArrayList<>(one.layout().findings().stream()
                .map(Finding::message)
                .distinct()
                .toList());
        other.layout().findings().forEach(f -> messages.remove(f.message()));
        return messages;
    }
}
