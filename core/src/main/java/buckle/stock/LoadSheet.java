package buckle.stock;

import buckle.price.Price.Delivery;
import buckle.units.UnitSystem;
import java.math.BigDecimal;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * What goes on the truck for a job, as it was made out.
 *
 * @param planned what the fence takes, by product, for what was used to be held against it
 * @param lines in the order of their use
 * @param deliveries freight of suppliers from whom something is bought
 */
public record LoadSheet(
        String job,
        String client,
        String property,
        int planRevision,
        UnitSystem units,
        String currency,
        List<Planned> planned,
        List<Line> lines,
        List<Delivery> deliveries) {
    public LoadSheet {
        deliveries = List.copyOf(deliveries);
        planned = List.copyOf(planned);
        lines = List.copyOf(lines);
    }

    /** Counted by the takeoff; spare and allowance are loaded beside it. */
    public record Planned(
            String product, String name, boolean byMetre, double counted, double spare, double allowance) {
        /** To be on the truck. */
        public double needed() {
            return counted + spare + allowance;
        }
    }

    /**
     * Where a line comes from: a place in the yard, or packs of a supplier; neither where nobody prices it.
     *
     * @param place in the yard; empty of what has to be bought
     */
    public record Source(String place, Optional<Order> order) {
        /** Whether it is there already. */
        public boolean inYard() {
            return !place.isEmpty();
        }
    }

    /** Packs to be bought. */
    public record Order(String supplier, String code, String pack, int count, BigDecimal price, BigDecimal cost) {}

    /**
     * One thing to load.
     *
     * @param number on the sheet, from 1
     * @param use order in which it is used: 1 first
     * @param lengthM of each coil or roll; 0 of what is counted
     * @param pieces coils, rolls or single things
     * @param amount in metres or pieces
     */
    public record Line(
            int number,
            int use,
            Bay bay,
            String product,
            String name,
            String group,
            boolean byMetre,
            double lengthM,
            long pieces,
            double amount,
            OptionalDouble massKg,
            Source source) {
        StockBooking.Ware ware() {
            return new StockBooking.Ware(product, lengthM);
        }
    }

    /** How far a line is. */
    public enum State {
        OPEN,
        PICKED,
        LOADED
    }

    /** Where it rides. Common practice: heavy and long goods low and forward, what is used first at the tail. */
    public enum Bay {
        BED("Bed"),
        HEADBOARD("Headboard"),
        TAIL("Tail"),
        BOXES("Boxes"),
        CAB("Cab");

        private final String text;

        Bay(String text) {
            this.text = text;
        }

        /** As it is written on the sheet. */
        public String text() {
            return text;
        }
    }

    /** What has to be bought, supplier by supplier. */
    public List<Line> bySupplier() {
        return lines.stream()
                .filter(l -> l.source().order().isPresent())
                .sorted(Comparator.comparing(
                        (Line l) -> l.source().order().orElseThrow().supplier()))
                .toList();
    }

    /** What is picked in the yard, place by place. */
    public List<Line> byPlace() {
        return lines.stream()
                .filter(l -> l.source().inYard())
                .sorted(Comparator.comparing((Line l) -> l.source().place()))
                .toList();
    }

    /** Whole mass of what has one. */
    public double massKg() {
        return lines.stream().mapToDouble(l -> l.massKg().orElse(0)).sum();
    }

    /** Lines whose mass nobody knows. */
    public long withoutMass() {
        return lines.stream().filter(l -> l.massKg().isEmpty()).count();
    }
}
