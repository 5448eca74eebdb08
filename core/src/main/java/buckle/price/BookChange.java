package buckle.price;

import buckle.price.PriceBook.Item;
import buckle.price.PriceBook.Offer;
import buckle.price.PriceBook.Unit;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * What becomes of one item of a price book.
 *
 * @param before empty where it is new, {@code after} empty where it goes
 */
public record BookChange(String code, Optional<Item> before, Optional<Item> after, List<Field> fields) {
    public BookChange {
        fields = List.copyOf(fields);
    }

    /** A field that is not the same afterwards, in plain text. */
    public record Field(String name, String before, String after) {}

    /** What a list of prices does to the book. */
    public enum Mode {
        /** Items of the list are added or brought up to date; all others stay. */
        MERGE,
        /** The list is the book: what it does not name goes. */
        REPLACE
    }

    /**
     * An item as a list tells it; what the list has no column for is empty and stays as it was.
     *
     * @param offers they take the place of those of the same suppliers
     */
    public record Incoming(
            String code,
            Optional<String> description,
            Optional<Unit> unit,
            Optional<String> product,
            Optional<List<String>> substituteFor,
            OptionalDouble unitKg,
            OptionalDouble lifeYears,
            List<Offer> offers) {
        public Incoming {
            offers = List.copyOf(offers);
        }

        Item onto(Optional<Item> old) {
            Set<String> priced = new LinkedHashSet<>();
            offers.forEach(o -> priced.add(o.supplier()));
            List<Offer> all = new ArrayList<>(old.map(Item::offers).orElse(List.of()).stream()
                    .filter(o -> !priced.contains(o.supplier()))
                    .toList());
            all.addAll(offers);
            return new Item(
                    code,
                    description.or(() -> old.map(Item::description)).orElse(code),
                    unit.or(() -> old.map(Item::unit)).orElse(Unit.PCS),
                    product.or(() -> old.map(Item::product)).orElse(""),
                    substituteFor.or(() -> old.map(Item::substituteFor)).orElse(List.of()),
                    or(unitKg, old.map(Item::unitKg)),
                    or(lifeYears, old.map(Item::lifeYears)),
                    all);
        }

        private static OptionalDouble or(OptionalDouble own, Optional<OptionalDouble> old) {
            return own.isPresent() ? own : old.orElse(OptionalDouble.empty());
        }
    }

    /** What a list does to a book, items that stay the same left out: the new and changed ones as the list has them, then those that go. */
    public static List<BookChange> of(Map<String, Item> book, List<Incoming> list, Mode mode) {
        List<BookChange> changes = new ArrayList<>();
        Set<String> named = new LinkedHashSet<>();
        for (Incoming in : list) {
            named.add(in.code());
            Optional<Item> old = Optional.ofNullable(book.get(in.code()));
            Item next = in.onto(mode == Mode.REPLACE ? Optional.empty() : old);
            List<Field> fields = fields(old, next);
            if (old.isEmpty() || !fields.isEmpty()) {
                changes.add(new BookChange(in.code(), old, Optional.of(next), fields));
            }
        }
        if (mode == Mode.REPLACE) {
            book.values().stream()
                    .filter(i -> !named.contains(i.code()))
                    .forEach(i -> changes.add(new BookChange(i.code(), Optional.of(i), Optional.empty(), List.of())));
        }
        return changes;
    }

    /** The book with changes made to it. */
    public static Map<String, Item> made(Map<String, Item> book, List<BookChange> changes) {
        Map<String, Item> next = new LinkedHashMap<>(book);
        changes.forEach(c -> c.after().ifPresentOrElse(i -> next.put(c.code(), i), () -> next.remove(c.code())));
        return next;
    }

    private static List<Field> fields(Optional<Item> old, Item next) {
        List<Field> fields = new ArrayList<>();
        if (old.isEmpty()) {
            return fields;
        }
        Item was = old.get();
        field(fields, "description", was.description(), next.description());
        field(fields, "unit", was.unit().name(), next.unit().name());
        field(fields, "product", was.product(), next.product());
        field(fields, "substitute for", String.join(" ", was.substituteFor()), String.join(" ", next.substituteFor()));
        field(fields, "mass in kg", number(was.unitKg()), number(next.unitKg()));
        field(fields, "service life in years", number(was.lifeYears()), number(next.lifeYears()));
        Map<String, Offer> before = byPack(was.offers());
        Map<String, Offer> after = byPack(next.offers());
        before.forEach((pack, offer) -> field(fields, pack, told(offer), told(after.get(pack))));
        after.forEach((pack, offer) -> {
            if (!before.containsKey(pack)) {
                field(fields, pack, "", told(offer));
            }
        });
        return fields;
    }

    private static Map<String, Offer> byPack(List<Offer> offers) {
        Map<String, Offer> packs = new LinkedHashMap<>();
        offers.forEach(o -> packs.put(
                o.supplier() + ", " + o.pack() + " of " + plain(o.packSize())
                        + (o.fromPacks() > 1 ? ", from " + o.fromPacks() : ""),
                o));
        return packs;
    }

    private static String told(@Nullable Offer o) {
        return o == null
                ? ""
                : String.join(" ", plain(o.price()), o.currency(), o.date().toString(), o.taxClass())
                        .replaceAll(" +", " ")
                        .strip();
    }

    private static String plain(BigDecimal value) {
        return value.stripTrailingZeros().toPlainString();
    }

    private static String number(OptionalDouble value) {
        return value.isPresent() ? String.valueOf(value.getAsDouble()) : "";
    }

    private static void field(List<Field> fields, String name, String before, String after) {
        if (!Objects.equals(before, after)) {
            fields.add(new Field(name, before, after));
        }
    }
}
