package buckle.price;

import buckle.layout.LaidLine;
import buckle.message.Message;
import buckle.message.PriceMessage;
import buckle.price.Price.Bought;
import buckle.price.Price.Delivery;
import buckle.price.Price.Heading;
import buckle.price.Price.Line;
import buckle.price.Price.Material;
import buckle.price.Price.Sums;
import buckle.price.Price.TaxLine;
import buckle.takeoff.TakeoffLine;
import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The price of a fence: material in packs, hours, machine, travel, what is laid on top, tax. Exact decimals; cents half up. */
public final class Pricing {
    private static final MathContext EXACT = MathContext.DECIMAL128;
    private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);
    private static final int MOST_NAMES = 3;
    /** A supplier's price is asked for again after half a year. Common practice. */
    private static final long OLD_DAYS = 183;

    private final Rates rates;
    private final JobTerms job;
    private final LocalDate today;
    private final List<Message> says = new ArrayList<>();

    private Pricing(Rates rates, JobTerms job, LocalDate today) {
        this.rates = rates;
        this.job = job;
        this.today = today;
    }

    /** Of a fence laid out and counted. */
    public static Price of(
            List<LaidLine> fence,
            List<TakeoffLine> takeoff,
            PriceBook book,
            Rates rates,
            JobTerms job,
            LocalDate today) {
        return of(fence, takeoff, takeoff, book, rates, job, today);
    }

    /** @param bought the takeoff as it is bought: whole lengths from which something of it is cut */
    public static Price of(
            List<LaidLine> fence,
            List<TakeoffLine> takeoff,
            List<TakeoffLine> bought,
            PriceBook book,
            Rates rates,
            JobTerms job,
            LocalDate today) {
        return new Pricing(rates, job, today).price(fence, takeoff, bought, book);
    }

    private Price price(List<LaidLine> fence, List<TakeoffLine> takeoff, List<TakeoffLine> wanted, PriceBook book) {
        Buying.Bill bill = Buying.of(wanted, book, rates, Map.of());
        told(bill, book);
        List<Labour.Line> labour = Labour.of(fence, takeoff, rates.crew().pace().doubleValue());
        double hours = labour.stream().mapToDouble(Labour.Line::hours).sum();
        double machineHours =
                labour.stream().mapToDouble(Labour.Line::machineHours).sum();
        double days = hours / (rates.crew().people() * rates.crew().hoursADay().doubleValue());
        double km = 2 * job.km().orElse(rates.travel().km()).doubleValue() * Math.ceil(days - 1e-9);
        double travelHours =
                rates.crew().people() * km / rates.travel().kmPerHour().doubleValue();

        Map<Key, BigDecimal> costs = new LinkedHashMap<>();
        for (Material m : bill.material()) {
            Heading heading = Heading.of(m.uses().getFirst().group());
            for (Bought b : m.bought()) {
                String tax = b.taxClass().isBlank() ? rates.tax().goodsClass() : b.taxClass();
                costs.merge(new Key(heading, "", tax), b.cost(), BigDecimal::add);
            }
        }
        BigDecimal material = sum(costs.values());
        BigDecimal freight = sum(bill.deliveries().stream().map(Delivery::cost).toList());
        String work = rates.tax().workClass();
        BigDecimal labourCost = cents(decimal(hours).multiply(rates.crew().hourCost()));
        BigDecimal machineCost = cents(decimal(machineHours).multiply(rates.machineHour()));
        BigDecimal travel = cents(decimal(km)
                .multiply(rates.travel().perKm())
                .add(decimal(travelHours).multiply(rates.crew().hourCost())));
        put(costs, new Key(Heading.WORK, "", work), labourCost);
        put(costs, new Key(Heading.MACHINE, "", work), machineCost);
        put(costs, new Key(Heading.TRAVEL, "", work), travel.add(freight));
        for (JobTerms.Extra e : job.extras()) {
            String tax = e.taxClass().isBlank() ? rates.tax().goodsClass() : e.taxClass();
            put(costs, new Key(Heading.EXTRA, e.text(), tax), e.all());
        }

        BigDecimal direct = sum(costs.values());
        BigDecimal overhead = cents(share(direct, rates.overheadPercent()));
        BigDecimal contingency = cents(share(direct, rates.contingencyPercent()));
        BigDecimal cost = direct.add(overhead).add(contingency);
        BigDecimal asked = job.agreed().orElseGet(() -> {
            BigDecimal kept = BigDecimal.ONE.subtract(
                    job.marginPercent().orElse(rates.marginPercent()).divide(HUNDRED, EXACT));
            return cost.divide(kept, EXACT);
        });
        List<Line> lines = lines(costs, direct, asked);
        BigDecimal net = sum(lines.stream().map(Line::amount).toList());
        BigDecimal margin = net.subtract(cost);
        BigDecimal percent =
                net.signum() == 0 ? BigDecimal.ZERO : margin.multiply(HUNDRED).divide(net, 1, RoundingMode.HALF_UP);
        if (net.signum() > 0 && percent.compareTo(rates.floorPercent()) < 0) {
            says.add(new PriceMessage.MarginUnderFloor(percent, rates.floorPercent()));
        }
        List<TaxLine> taxes = taxes(lines);
        double length =
                fence.stream().mapToDouble(l -> l.layout().slopeLengthM()).sum();
        return new Price(
                book.currency(),
                bill.material(),
                labour,
                bill.deliveries(),
                new Sums(
                        cents(material),
                        cents(freight),
                        hours,
                        days,
                        labourCost,
                        machineHours,
                        machineCost,
                        km,
                        travelHours,
                        travel,
                        cents(direct),
                        overhead,
                        contingency,
                        cents(cost),
                        cents(margin),
                        percent),
                lines,
                net,
                taxes,
                net.add(sum(taxes.stream().map(TaxLine::tax).toList())),
                length > 0 ? Optional.of(cents(net.divide(decimal(length), EXACT))) : Optional.empty(),
                says);
    }

    private record Key(Heading heading, String text, String taxClass) {}

    private static void put(Map<Key, BigDecimal> costs, Key key, BigDecimal cost) {
        if (cost.signum() != 0) {
            costs.merge(key, cost, BigDecimal::add);
        }
    }

    /** What was found odd while buying. */
    private void told(Buying.Bill bill, PriceBook book) {
        List<Material> without =
                bill.material().stream().filter(m -> !m.priced()).toList();
        if (!without.isEmpty()) {
            says.add(new PriceMessage.Unpriced(
                    without.size(),
                    without.stream().limit(MOST_NAMES).map(Material::name).toList()));
        }
        for (Material m : bill.material()) {
            if (m.substitute()) {
                says.add(new PriceMessage.Substituted(
                        m.name(), m.bought().getFirst().code()));
            }
        }
        bill.otherCurrencies()
                .forEach((currency, offers) -> says.add(new PriceMessage.OtherCurrency(offers, currency)));
        bill.oldest()
                .filter(o -> ChronoUnit.DAYS.between(o.date(), today) > OLD_DAYS)
                .ifPresent(o -> says.add(new PriceMessage.OldPrice(
                        o.code(), o.supplier(), o.date().toString(), ChronoUnit.DAYS.between(o.date(), today))));
    }

    /** Every cost becomes an amount by the same factor; what rounding leaves of an agreed price goes to the largest. */
    private List<Line> lines(Map<Key, BigDecimal> costs, BigDecimal direct, BigDecimal asked) {
        List<Line> lines = new ArrayList<>();
        BigDecimal factor = direct.signum() == 0 ? BigDecimal.ONE : asked.divide(direct, EXACT);
        costs.forEach((key, cost) -> lines.add(
                new Line(key.heading(), key.text(), key.taxClass(), cents(cost), cents(cost.multiply(factor)))));
        if (job.agreed().isPresent() && !lines.isEmpty()) {
            BigDecimal off =
                    cents(asked).subtract(sum(lines.stream().map(Line::amount).toList()));
            Line largest =
                    lines.stream().max(Comparator.comparing(Line::amount)).orElseThrow();
            lines.set(
                    lines.indexOf(largest),
                    new Line(
                            largest.heading(),
                            largest.text(),
                            largest.taxClass(),
                            largest.cost(),
                            largest.amount().add(off)));
        }
        lines.sort(Comparator.comparing(Line::heading));
        return lines;
    }

    private List<TaxLine> taxes(List<Line> lines) {
        return taxes(lines, rates.tax(), says);
    }

    /** Tax of each class that the lines have, rounded where the house rounds. */
    static List<TaxLine> taxes(List<Line> lines, Rates.Tax tax, List<Message> says) {
        Map<String, List<BigDecimal>> amounts = new LinkedHashMap<>();
        for (Line line : lines) {
            amounts.computeIfAbsent(line.taxClass(), c -> new ArrayList<>()).add(line.amount());
        }
        List<TaxLine> taxes = new ArrayList<>();
        amounts.forEach((taxClass, all) -> {
            if (!tax.knows(taxClass)) {
                says.add(new PriceMessage.TaxUnknown(taxClass));
            }
            BigDecimal percent = tax.percent(taxClass);
            BigDecimal on = sum(all);
            BigDecimal due = tax.rounding() == Rates.Rounding.PER_RATE
                    ? cents(share(on, percent))
                    : sum(all.stream().map(a -> cents(share(a, percent))).toList());
            taxes.add(new TaxLine(taxClass, percent, on, due));
        });
        return taxes;
    }

    private static BigDecimal share(BigDecimal of, BigDecimal percent) {
        return of.multiply(percent).divide(HUNDRED, EXACT);
    }

    private static BigDecimal decimal(double value) {
        return BigDecimal.valueOf(value);
    }

    /** Rounded once, half up. */
    static BigDecimal cents(BigDecimal value) {
        return value.setScale(2, RoundingMode.HALF_UP);
    }

    private static BigDecimal sum(Iterable<BigDecimal> values) {
        BigDecimal sum = BigDecimal.ZERO.setScale(2);
        for (BigDecimal v : values) {
            sum = sum.add(v);
        }
        return sum;
    }
}
