package buckle.exchange.prices;

import buckle.design.Design;
import buckle.layout.Layout;
import buckle.layout.LineLayout;
import buckle.layout.PostKind;
import buckle.message.English;
import buckle.price.Firm;
import buckle.price.JobTerms;
import buckle.price.Price;
import buckle.price.Quote;
import buckle.price.Quote.Figure;
import buckle.site.BadInput;
import buckle.takeoff.TakeoffLine;
import buckle.units.Lengths;
import buckle.units.UnitSystem;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Stream;

/** Puts down a quote from a design and its price, with every word that stands on it. */
public final class QuoteMaker {
    private QuoteMaker() {}

    /** What a quote is about. */
    public record Heading(
            int number, int revision, String job, String client, String property, int planRevision, int bookRevision) {}

    /**
     * As it is sent on a day.
     *
     * @throws BadInput when there is no fence or nothing is asked for it
     */
    public static Quote of(
            Heading heading, Design design, Price price, Firm firm, JobTerms terms, UnitSystem units, LocalDate sent) {
        if (design.layout().lines().isEmpty()) {
            throw new BadInput("quote.empty", "plan", "There is no fence to quote yet: lay out a line first.");
        }
        if (price.net().signum() <= 0) {
            throw new BadInput("quote.unpriced", "price", "Nothing has a price yet: fill the price book first.");
        }
        return new Quote(
                heading.number(),
                heading.revision(),
                heading.job(),
                heading.client(),
                heading.property(),
                heading.planRevision(),
                heading.bookRevision(),
                sent,
                sent.plusDays(firm.texts().validDays()),
                units,
                price.currency(),
                new Quote.Sender(firm.name(), firm.address(), firm.contact()),
                terms.scope(),
                figures(design, units),
                price.material().stream()
                        .map(m -> new Quote.Built(m.product(), English.text(m.name(), units), m.counted(), m.byMetre()))
                        .toList(),
                price.lines().stream()
                        .map(l -> new Quote.Asked(l.heading(), l.text(), l.taxClass(), l.amount()))
                        .toList(),
                price.net(),
                price.taxes(),
                price.total(),
                terms.options(),
                firm.rates().tax(),
                firm.texts());
    }

    /** What the fence is, in the figures a client can check on the ground. */
    private static List<Figure> figures(Design design, UnitSystem units) {
        Layout layout = design.layout();
        List<Figure> figures = new ArrayList<>();
        double length =
                layout.lines().stream().mapToDouble(LineLayout::slopeLengthM).sum();
        figures.add(new Figure("Fence", Lengths.whole(length, units)));
        for (LineLayout line : layout.lines()) {
            figures.add(new Figure(
                    line.name(),
                    Lengths.whole(line.slopeLengthM(), units) + ", "
                            + counted(line.schedule().wires().size(), "wire") + ", "
                            + counted(line.gates().size(), "gate")));
        }
        Map<PostKind, Long> posts = layout.counts();
        long all = posts.values().stream().mapToLong(Long::longValue).sum();
        long between = Stream.of(PostKind.LINE, PostKind.TIE_DOWN, PostKind.LIGHT)
                .mapToLong(k -> posts.getOrDefault(k, 0L))
                .sum();
        figures.add(new Figure(
                "Posts", counted(all, "post") + ", of which " + (all - between) + " strong posts and brace posts"));
        double wire = design.takeoff().stream()
                .filter(l -> l.use().isWire())
                .mapToDouble(TakeoffLine::counted)
                .sum();
        figures.add(new Figure("Wire", Lengths.whole(wire, units)));
        return figures;
    }

    private static String counted(long n, String thing) {
        return String.format(Locale.ROOT, "%,d %s%s", n, thing, n == 1 ? "" : "s");
    }
}
