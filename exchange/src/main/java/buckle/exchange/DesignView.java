package buckle.exchange;

import buckle.design.Comparison;
import buckle.design.Design;
import buckle.design.SpecChange;
import buckle.layout.Layout;
import buckle.message.English;
import buckle.message.Message;
import buckle.rulebook.Rule;
import buckle.takeoff.LedgerFigure;
import buckle.takeoff.TakeoffLine;
import buckle.takeoff.Tools;
import buckle.units.UnitSystem;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * A design as it is told outside: takeoff and ledger in words and in the units of the job.
 *
 * @param tools what the crew has to carry
 */
public record DesignView(Layout layout, List<TakeoffItem> takeoff, List<String> tools, List<LedgerEntry> ledger) {
    /**
     * A line of the takeoff.
     *
     * @param group heading it stands under
     * @param quantity to load, {@code spare} how much of it rules add to the count
     * @param massKg of what is needed, where it follows from what it is made of
     * @param item stable key of use and kind, {@code strainer}
     * @param use stable id of what it is for, {@code product} of what is bought
     */
    public record TakeoffItem(
            String group,
            String item,
            String use,
            String product,
            String name,
            double quantity,
            double spare,
            String unit,
            Optional<TakeoffLine.Pack> pack,
            OptionalDouble massKg,
            String derivation,
            List<Rule> rules) {
        /** A line in words. */
        public static TakeoffItem of(TakeoffLine line, UnitSystem units) {
            return new TakeoffItem(
                    line.use().group().text(),
                    line.item(),
                    line.use().id(),
                    line.product().id(),
                    English.text(line.name(), units),
                    line.quantity(),
                    line.spare(),
                    line.unit(),
                    line.pack(),
                    line.massKg(),
                    English.text(line.derivation(), units),
                    line.rules());
        }
    }

    /** A figure of the ledger. */
    public record LedgerEntry(
            String key, String label, String value, String note, String derivation, List<Rule> rules) {
        static LedgerEntry of(LedgerFigure figure, UnitSystem units) {
            English.FigureText text = English.figure(figure.figure(), units);
            return new LedgerEntry(
                    figure.key(), text.label(), text.value(), text.note(), text.derivation(), figure.rules());
        }
    }

    /** One figure in two designs, in {@code unit}. */
    public record Row(String key, String name, double before, double after, String unit) {
        /** What is loaded. */
        public static Row of(Comparison.ItemRow row, UnitSystem units) {
            return new Row(
                    row.key(),
                    English.text(row.name(), units),
                    row.before(),
                    row.after(),
                    row.use().byMetre() ? "m" : "pcs");
        }
    }

    /** Two designs side by side. */
    public record Difference(
            List<Row> lines, List<Row> items, List<String> gone, List<String> come, List<SpecChange> fields) {
        /** In words. */
        public static Difference of(Comparison c, UnitSystem units) {
            return new Difference(
                    c.lines().stream()
                            .map(l -> new Row(l.key(), l.name(), l.before(), l.after(), "m"))
                            .toList(),
                    c.items().stream().map(i -> Row.of(i, units)).toList(),
                    texts(c.gone(), units),
                    texts(c.come(), units),
                    c.fields());
        }

        private static List<String> texts(List<Message> messages, UnitSystem units) {
            return messages.stream().distinct().map(m -> English.text(m, units)).toList();
        }
    }

    /** In words; the layout's own messages are told when it is written. */
    public static DesignView of(Design design, UnitSystem units) {
        return of(design.layout(), design, units);
    }

    /** With another layout than the design's own. */
    public static DesignView of(Layout layout, Design design, UnitSystem units) {
        return new DesignView(
                layout,
                design.takeoff().stream().map(l -> TakeoffItem.of(l, units)).toList(),
                Tools.of(design.layout(), design.takeoff()).stream()
                        .map(t -> English.text(t, units))
                        .toList(),
                design.ledger().stream().map(f -> LedgerEntry.of(f, units)).toList());
    }
}
