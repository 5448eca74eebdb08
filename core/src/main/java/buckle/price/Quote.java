package buckle.price;

import buckle.price.Price.Heading;
import buckle.units.UnitSystem;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * A quote as it was sent: everything that stands on it, so that no later change of plan, prices or words alters it.
 *
 * @param revision from 1; a later one takes the place of those before
 * @param planRevision the plan it was made from, {@code bookRevision} the price book
 * @param figures of the fence in words
 * @param items what is built in, for the difference to another revision
 * @param lines what is asked, by heading
 * @param net their sum before tax, {@code total} with tax, without options
 */
public record Quote(
        int number,
        int revision,
        String job,
        String client,
        String property,
        int planRevision,
        int bookRevision,
        LocalDate sent,
        LocalDate validUntil,
        UnitSystem units,
        String currency,
        Sender sender,
        String scope,
        List<Figure> figures,
        List<Built> items,
        List<Asked> lines,
        BigDecimal net,
        List<Price.TaxLine> taxes,
        BigDecimal total,
        List<JobTerms.Option> options,
        Rates.Tax tax,
        Firm.QuoteTexts texts) {
    public Quote {
        figures = List.copyOf(figures);
        items = List.copyOf(items);
        lines = List.copyOf(lines);
        taxes = List.copyOf(taxes);
        options = List.copyOf(options);
    }

    /** The firm as it stands at the head. */
    public record Sender(String name, List<String> address, String contact) {
        public Sender {
            address = List.copyOf(address);
        }
    }

    /** A figure of the fence, told. */
    public record Figure(String label, String value) {}

    /** What is built in. */
    public record Built(String product, String name, double quantity, boolean byMetre) {}

    /** An amount that is asked. */
    public record Asked(Heading heading, String text, String taxClass, BigDecimal amount) {}

    /** What the client pays with options ticked. */
    public record Sum(BigDecimal net, List<Price.TaxLine> taxes, BigDecimal total) {
        public Sum {
            taxes = List.copyOf(taxes);
        }
    }

    /** Options that are ticked although they exclude each other, by name; empty when all go together. */
    public Set<String> clashes(Set<String> ticked) {
        Set<String> seen = new HashSet<>();
        Set<String> clashes = new LinkedHashSet<>();
        for (JobTerms.Option o : options) {
            if (ticked.contains(o.id()) && !o.oneOf().isBlank() && !seen.add(o.oneOf())) {
                clashes.add(o.oneOf());
            }
        }
        return clashes;
    }

    /** With options ticked: their amounts are taxed with the others. */
    public Sum with(Set<String> ticked) {
        List<Price.Line> all = new ArrayList<>();
        lines.forEach(l -> all.add(new Price.Line(l.heading(), l.text(), l.taxClass(), l.amount(), l.amount())));
        for (JobTerms.Option o : options) {
            if (ticked.contains(o.id())) {
                String taxClass = o.taxClass().isBlank() ? tax.goodsClass() : o.taxClass();
                all.add(new Price.Line(Heading.EXTRA, o.text(), taxClass, o.amount(), Pricing.cents(o.amount())));
            }
        }
        List<Price.TaxLine> due = Pricing.taxes(all, tax, new ArrayList<>());
        BigDecimal before = all.stream().map(Price.Line::amount).reduce(BigDecimal.ZERO.setScale(2), BigDecimal::add);
        return new Sum(before, due, due.stream().map(Price.TaxLine::tax).reduce(before, BigDecimal::add));
    }

    /**
     * What one revision has more or less than another.
     *
     * @param net by how much the sum before tax changes, {@code total} with tax
     */
    public record QuoteDifference(
            List<ItemChange> items, List<AmountChange> amounts, BigDecimal net, BigDecimal total) {
        public QuoteDifference {
            items = List.copyOf(items);
            amounts = List.copyOf(amounts);
        }
    }

    /** So much more or less of a product is built in. */
    public record ItemChange(String product, String name, double before, double after, boolean byMetre) {}

    /** So much more or less is asked under a heading. */
    public record AmountChange(Heading heading, String text, BigDecimal before, BigDecimal after) {
        /** After, less before. */
        public BigDecimal by() {
            return after.subtract(before);
        }
    }

    /** From an earlier revision to this one, what is the same left out. */
    public QuoteDifference since(Quote before) {
        Map<String, ItemChange> things = new LinkedHashMap<>();
        before.items.forEach(
                i -> things.put(i.product(), new ItemChange(i.product(), i.name(), i.quantity(), 0, i.byMetre())));
        items.forEach(i -> things.merge(
                i.product(),
                new ItemChange(i.product(), i.name(), 0, i.quantity(), i.byMetre()),
                (a, b) -> new ItemChange(b.product(), b.name(), a.before(), b.after(), b.byMetre())));
        Map<List<Object>, AmountChange> sums = new LinkedHashMap<>();
        before.lines.forEach(l -> merge(sums, l, l.amount(), BigDecimal.ZERO));
        lines.forEach(l -> merge(sums, l, BigDecimal.ZERO, l.amount()));
        return new QuoteDifference(
                things.values().stream()
                        .filter(i -> Math.abs(i.after() - i.before()) > 0.05)
                        .toList(),
                sums.values().stream()
                        .filter(a -> a.by().signum() != 0)
                        .sorted(Comparator.comparing(AmountChange::heading))
                        .toList(),
                net.subtract(before.net),
                total.subtract(before.total));
    }

    private static void merge(Map<List<Object>, AmountChange> sums, Asked line, BigDecimal before, BigDecimal after) {
        sums.merge(
                List.of(line.heading(), line.text()),
                new AmountChange(line.heading(), line.text(), before, after),
                (a, b) -> new AmountChange(
                        a.heading(),
                        a.text(),
                        a.before().add(b.before()),
                        a.after().add(b.after())));
    }
}
