package buckle.price;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.OptionalDouble;

/**
 * What is sold, by whom, in which packs and for how much, before tax.
 *
 * @param currency of the quotes, {@code USD}
 */
public record PriceBook(String currency, List<Supplier> suppliers, List<Item> items) {
    /** Nothing is known yet. */
    public static final PriceBook EMPTY = new PriceBook("USD", List.of(), List.of());

    public PriceBook {
        suppliers = List.copyOf(suppliers);
        items = List.copyOf(items);
    }

    /**
     * Where things are bought.
     *
     * @param freight what one delivery costs, whatever is on it
     */
    public record Supplier(String name, BigDecimal freight) {}

    /** What a quantity is counted in. */
    public enum Unit {
        PCS,
        M,
        FT
    }

    /**
     * An item with a code of the house's own.
     *
     * @param product stable id of what the layout counts and this item serves as; blank when it serves as nothing
     * @param substituteFor ids of products it may stand in for where nothing better is priced
     * @param unitKg mass of a piece, a metre or a foot
     * @param lifeYears until it is replaced
     */
    public record Item(
            String code,
            String description,
            Unit unit,
            String product,
            List<String> substituteFor,
            OptionalDouble unitKg,
            OptionalDouble lifeYears,
            List<Offer> offers) {
        public Item {
            substituteFor = List.copyOf(substituteFor);
            offers = List.copyOf(offers);
        }

        /** With a currency for the prices that name none. */
        public Item in(String currency) {
            return new Item(
                    code,
                    description,
                    unit,
                    product,
                    substituteFor,
                    unitKg,
                    lifeYears,
                    offers.stream().map(o -> o.in(currency)).toList());
        }
    }

    /**
     * A price of one pack at a supplier.
     *
     * @param pack name of a pack, {@code coil}
     * @param packSize in the unit of the item
     * @param price of one pack
     * @param currency that of the book where it is empty
     * @param fromPacks the price holds for so many packs or more
     * @param taxClass the tax on it when it is sold on
     */
    public record Offer(
            String supplier,
            String pack,
            BigDecimal packSize,
            BigDecimal price,
            String currency,
            int fromPacks,
            LocalDate date,
            String taxClass) {
        public Offer {
            packSize = plain(packSize);
            price = plain(price);
        }

        Offer in(String other) {
            return currency.isBlank()
                    ? new Offer(supplier, pack, packSize, price, other, fromPacks, date, taxClass)
                    : this;
        }

        /** The same number is the same price, however many zeros it was written with. */
        private static BigDecimal plain(BigDecimal value) {
            BigDecimal bare = value.stripTrailingZeros();
            return bare.scale() < 0 ? bare.setScale(0) : bare;
        }
    }
}
