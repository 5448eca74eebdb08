package buckle.price;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.math.BigDecimal;
import java.util.List;

/**
 * What the house works for: its crew, machine and way, what it lays on top, and how much more than the count it loads.
 *
 * @param overheadPercent of material, labour, machine and travel together
 * @param contingencyPercent of the same
 * @param marginPercent of the price before tax
 * @param floorPercent a lower margin is told
 */
@RecordBuilder
public record Rates(
        Crew crew,
        BigDecimal machineHour,
        Travel travel,
        BigDecimal overheadPercent,
        BigDecimal contingencyPercent,
        BigDecimal marginPercent,
        BigDecimal floorPercent,
        Tax tax,
        Allowances allowances)
        implements RatesBuilder.With {
    /** Invented; a house puts its own in their place. */
    public static final Rates USUAL = new Rates(
            new Crew(4, new BigDecimal("32"), new BigDecimal("8"), new BigDecimal("1")),
            new BigDecimal("45"),
            new Travel(new BigDecimal("20"), new BigDecimal("0.7"), new BigDecimal("50")),
            new BigDecimal("12"),
            new BigDecimal("5"),
            new BigDecimal("20"),
            new BigDecimal("15"),
            new Tax(
                    List.of(new TaxRate("goods", new BigDecimal("6.25")), new TaxRate("work", BigDecimal.ZERO)),
                    "goods",
                    "work",
                    Rounding.PER_RATE),
            Allowances.of(AllowanceSchool.SOME));

    /**
     * Who builds.
     *
     * @param hourCost what an hour of one of them costs the house
     * @param pace 1 as the norms, 2 twice as slow
     */
    public record Crew(int people, BigDecimal hourCost, BigDecimal hoursADay, BigDecimal pace) {}

    /**
     * The way there, once out and back for each day begun.
     *
     * @param km one way
     */
    public record Travel(BigDecimal km, BigDecimal perKm, BigDecimal kmPerHour) {}

    /** Where cents are rounded: half up, always. */
    public enum Rounding {
        /** Tax on the sum of all amounts of a rate. */
        PER_RATE,
        /** Tax on each amount. */
        PER_LINE
    }

    /** A rate by the name of its class. */
    public record TaxRate(String taxClass, BigDecimal percent) {}

    /**
     * Taxes on what is sold.
     *
     * @param goodsClass of material whose offer names none
     * @param workClass of labour, machine and travel
     */
    public record Tax(List<TaxRate> rates, String goodsClass, String workClass, Rounding rounding) {
        public Tax {
            rates = List.copyOf(rates);
        }

        /** Zero where the class has none. */
        BigDecimal percent(String taxClass) {
            return rates.stream()
                    .filter(r -> r.taxClass().equals(taxClass))
                    .map(TaxRate::percent)
                    .findFirst()
                    .orElse(BigDecimal.ZERO);
        }

        /** Whether the class has a rate. */
        boolean knows(String taxClass) {
            return rates.stream().anyMatch(r -> r.taxClass().equals(taxClass));
        }
    }

    /** Schools of how much more than the count is loaded. */
    public enum AllowanceSchool {
        /** What is counted and the spares of the rules; whoever runs short drives back. */
        COUNT,
        /** A few more of what drops in the grass. */
        SOME,
        /** Nobody drives back; money lies in the barn afterwards. */
        PLENTY
    }

    /** A percentage of its own for a product. */
    public record ProductAllowance(String product, BigDecimal percent) {}

    /**
     * What is loaded beyond the count, in percent of it.
     *
     * @param own of single products, before those of their kind
     */
    public record Allowances(
            BigDecimal postsPercent,
            BigDecimal wirePercent,
            BigDecimal smallPartsPercent,
            BigDecimal cablePercent,
            List<ProductAllowance> own) {
        public Allowances {
            own = List.copyOf(own);
        }

        /** The way of a school. */
        public static Allowances of(AllowanceSchool school) {
            return switch (school) {
                case COUNT -> of("0", "0", "0", "0");
                case SOME -> of("2", "0", "5", "5");
                case PLENTY -> of("5", "3", "10", "10");
            };
        }

        private static Allowances of(String posts, String wire, String small, String cable) {
            return new Allowances(
                    new BigDecimal(posts),
                    new BigDecimal(wire),
                    new BigDecimal(small),
                    new BigDecimal(cable),
                    List.of());
        }
    }
}
