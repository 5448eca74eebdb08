package buckle.price;

import buckle.material.Use;
import buckle.message.Message;
import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * What a fence costs the house and what the client is asked, with every step between.
 *
 * @param lines what is sold, rounded to cents; their sum is {@code net}
 * @param perMetre {@code net} over the length of the fence; empty without a fence
 * @param says what is to be looked at before anybody signs
 */
public record Price(
        String currency,
        List<Material> material,
        List<Labour.Line> labour,
        List<Delivery> deliveries,
        Sums sums,
        List<Line> lines,
        BigDecimal net,
        List<TaxLine> taxes,
        BigDecimal total,
        Optional<BigDecimal> perMetre,
        List<Message> says) {
    public Price {
        material = List.copyOf(material);
        labour = List.copyOf(labour);
        deliveries = List.copyOf(deliveries);
        lines = List.copyOf(lines);
        taxes = List.copyOf(taxes);
        says = List.copyOf(says);
    }

    /**
     * A product with all it is used for.
     *
     * @param item key of the takeoff's first line of it
     * @param counted what the fence takes
     * @param spare what rules add to that, {@code allowance} what the house adds
     * @param substitute whether what is bought stands in for it
     * @param bought cheapest packs that cover all three; empty where nothing is priced, and of what is made on the spot
     * @param left over when the fence stands and no spare was needed
     * @param unitKg mass of a piece or metre: by the price book, else by what the product is made of
     */
    public record Material(
            String product,
            Message name,
            String item,
            List<Use> uses,
            boolean byMetre,
            double counted,
            double spare,
            double allowance,
            boolean substitute,
            List<Bought> bought,
            BigDecimal cost,
            double left,
            OptionalDouble unitKg) {
        public Material {
            uses = List.copyOf(uses);
            bought = List.copyOf(bought);
        }

        /** Whether anybody's price is known. */
        public boolean priced() {
            return !bought.isEmpty() || made() || counted + spare + allowance <= 0;
        }

        /** Mass of what is loaded: whole packs, or what is needed where nobody prices it. */
        public OptionalDouble massKg() {
            double packs =
                    bought.stream().mapToDouble(b -> b.packSize() * b.count()).sum();
            double loaded = bought.isEmpty() ? counted + spare + allowance : packs;
            return unitKg.isEmpty() || made()
                    ? OptionalDouble.empty()
                    : OptionalDouble.of(unitKg.getAsDouble() * loaded);
        }

        /** Made on the spot from other things that are bought. */
        public boolean made() {
            return uses.stream().allMatch(Use::made);
        }
    }

    /**
     * Packs of an item at a supplier.
     *
     * @param packSize in metres or pieces
     */
    public record Bought(
            String code,
            String supplier,
            String pack,
            double packSize,
            int count,
            BigDecimal price,
            BigDecimal cost,
            String taxClass) {}

    /** Freight of a supplier from whom something is bought. */
    public record Delivery(String supplier, BigDecimal cost) {}

    /**
     * What the house pays, lays on top and keeps.
     *
     * @param days of the whole crew
     * @param marginPercent what is kept, in percent of the price before tax
     */
    public record Sums(
            BigDecimal material,
            BigDecimal freight,
            double hours,
            double days,
            BigDecimal labour,
            double machineHours,
            BigDecimal machine,
            double travelKm,
            double travelHours,
            BigDecimal travel,
            BigDecimal direct,
            BigDecimal overhead,
            BigDecimal contingency,
            BigDecimal cost,
            BigDecimal margin,
            BigDecimal marginPercent) {}

    /** Headings of what is sold. */
    public enum Heading {
        POSTS("Posts and braces"),
        WIRE("Wire and fittings"),
        GATES("Gates"),
        FEED("Energizer and ground"),
        SIGNS("Signs"),
        WORK("Building and testing"),
        MACHINE("Machines"),
        TRAVEL("Travel and freight"),
        EXTRA("Extras");

        private final String text;

        Heading(String text) {
            this.text = text;
        }

        /** As it is written on a quote. */
        public String text() {
            return text;
        }

        static Heading of(Use.Group group) {
            return switch (group) {
                case POSTS -> POSTS;
                case WIRE -> WIRE;
                case GATES -> GATES;
                case FEED -> FEED;
                case SIGNS -> SIGNS;
            };
        }
    }

    /**
     * An amount that is asked.
     *
     * @param text of an extra; empty where the heading says it
     * @param cost what it costs the house, before what is laid on top
     */
    public record Line(Heading heading, String text, String taxClass, BigDecimal cost, BigDecimal amount) {}

    /** Tax of one rate. */
    public record TaxLine(String taxClass, BigDecimal percent, BigDecimal on, BigDecimal tax) {}
}
