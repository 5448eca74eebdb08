package buckle.exchange.prices;

import buckle.message.Dialect;
import buckle.message.English;
import buckle.price.Price;
import buckle.units.UnitSystem;
import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * A price as it is told outside: in words, and in the units of the job.
 *
 * @param says what is to be looked at before anybody signs
 */
public record PriceView(
        String currency,
        List<MaterialRow> material,
        List<LabourRow> labour,
        List<Price.Delivery> deliveries,
        Price.Sums sums,
        List<LineRow> lines,
        BigDecimal net,
        List<Price.TaxLine> taxes,
        BigDecimal total,
        Optional<BigDecimal> perMetre,
        List<String> says) {
    /**
     * A product with what is bought of it.
     *
     * @param group heading in the takeoff
     * @param unit m or pcs
     * @param massKg of what is loaded: whole packs
     */
    public record MaterialRow(
            String product,
            String item,
            String group,
            String name,
            String unit,
            double counted,
            double spare,
            double allowance,
            boolean priced,
            boolean made,
            boolean substitute,
            List<Price.Bought> bought,
            BigDecimal cost,
            double left,
            OptionalDouble massKg) {}

    /** Hours of a task. */
    public record LabourRow(
            String task,
            boolean byMetre,
            double units,
            double norm,
            double soilFactor,
            double hours,
            double machineHours) {}

    /** An amount that is asked. */
    public record LineRow(String heading, String text, String taxClass, BigDecimal cost, BigDecimal amount) {}

    /** The two figures that stand in the ledger while one draws. */
    public record Estimate(String currency, BigDecimal net, Optional<BigDecimal> perMetre, long unpriced) {
        /** Of a price. */
        public static Estimate of(Price price) {
            return new Estimate(
                    price.currency(),
                    price.net(),
                    price.perMetre(),
                    price.material().stream().filter(m -> !m.priced()).count());
        }
    }

    /** In words. */
    public static PriceView of(Price price, UnitSystem units) {
        return new PriceView(
                price.currency(),
                price.material().stream().map(m -> row(m, units)).toList(),
                price.labour().stream()
                        .map(l -> new LabourRow(
                                Dialect.text(l.task().text(), units),
                                l.task().byMetre(),
                                l.units(),
                                l.norm(),
                                l.soilFactor(),
                                l.hours(),
                                l.machineHours()))
                        .toList(),
                price.deliveries(),
                price.sums(),
                price.lines().stream()
                        .map(l -> new LineRow(
                                Dialect.text(l.heading().text(), units), l.text(), l.taxClass(), l.cost(), l.amount()))
                        .toList(),
                price.net(),
                price.taxes(),
                price.total(),
                price.perMetre(),
                price.says().stream().map(m -> English.text(m, units)).toList());
    }

    private static MaterialRow row(Price.Material m, UnitSystem units) {
        return new MaterialRow(
                m.product(),
                m.item(),
                Dialect.text(m.uses().getFirst().group().text(), units),
                English.text(m.name(), units),
                m.byMetre() ? "m" : "pcs",
                m.counted(),
                m.spare(),
                m.allowance(),
                m.priced(),
                m.made(),
                m.substitute(),
                m.bought(),
                m.cost(),
                m.left(),
                m.massKg());
    }
}
