package buckle.exchange.paper;

import buckle.land.Land;
import buckle.layout.Layout;
import buckle.message.Dialect;
import buckle.price.JobTerms;
import buckle.price.Quote;
import buckle.units.Lengths;
import buckle.units.UnitSystem;
import java.awt.Graphics2D;
import java.awt.geom.AffineTransform;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.text.DecimalFormat;
import java.text.DecimalFormatSymbols;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import javax.imageio.ImageIO;

/** A quote on paper: what is built and what it costs on one page, then the plan, then who sees to what. */
public final class QuotePdf {
    private static final double SIDES_MM = 36;
    private static final double PLAN_MM = 118;
    private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);

    private final Quote quote;

    private QuotePdf(Quote quote) {
        this.quote = quote;
    }

    /** An amount as a table has it. */
    public record Row(String text, String detail, String amount) {}

    /** A change to what was agreed before. */
    public record ChangeRow(String text, String before, String after, String by) {}

    /**
     * @param before the revision that this one changes, when it is a change order
     * @param mark a PNG or JPEG that stands at the head
     */
    public static byte[] write(
            Quote quote, Optional<Quote> before, Optional<byte[]> mark, Layout layout, Land land, Paper paper) {
        Optional<BufferedImage> picture = mark.flatMap(QuotePdf::picture);
        QuotePdf pdf = new QuotePdf(quote);
        double widthMm = paper.widthMm() - SIDES_MM;
        PlanDrawing plan = new PlanDrawing(layout, land, quote.units(), widthMm, PLAN_MM);
        Map<String, Object> values = Map.ofEntries(
                Map.entry("paper", paper),
                Map.entry("quote", quote),
                Map.entry("title", before.isPresent() ? "Change order" : "Quote"),
                Map.entry("number", pdf.number()),
                Map.entry(
                        "firm",
                        quote.sender().name().isBlank() ? "—" : quote.sender().name()),
                Map.entry("sent", pdf.date(quote.sent())),
                Map.entry("valid", pdf.date(quote.validUntil())),
                Map.entry("figures", quote.figures()),
                Map.entry("lines", pdf.lines()),
                Map.entry("taxes", pdf.taxes()),
                Map.entry("net", pdf.money(quote.net())),
                Map.entry("total", pdf.money(quote.total())),
                Map.entry("options", quote.options().stream().map(pdf::option).toList()),
                Map.entry("stages", pdf.stages()),
                Map.entry("things", before.map(pdf::things).orElse(List.of())),
                Map.entry("sums", before.map(pdf::sums).orElse(List.of())),
                Map.entry("mark", picture.isPresent()),
                Map.entry("planTitle", "Plan, " + plan.scaleText()),
                Map.entry("width", Template.mm(widthMm)),
                Map.entry("height", Template.mm(PLAN_MM)));
        Map<String, Pdf.Drawing> drawings = new HashMap<>(Map.of("plan", plan::draw));
        picture.ifPresent(p -> drawings.put("mark", (g, width, height) -> fitted(g, p, width, height)));
        return Pdf.render(Template.filled("quote.peb", values), drawings);
    }

    private static Optional<BufferedImage> picture(byte[] bytes) {
        try {
            return Optional.ofNullable(ImageIO.read(new ByteArrayInputStream(bytes)));
        } catch (IOException e) {
            return Optional.empty();
        }
    }

    /** As large as goes into the box, at its right. */
    private static void fitted(Graphics2D g, BufferedImage picture, double width, double height) {
        double scale = Math.min(width / picture.getWidth(), height / picture.getHeight());
        AffineTransform place = AffineTransform.getTranslateInstance(width - scale * picture.getWidth(), 0);
        place.scale(scale, scale);
        g.drawImage(picture, place, null);
    }

    private String number() {
        return quote.number() + (quote.revision() > 1 ? ", revision " + quote.revision() : "");
    }

    private String date(LocalDate day) {
        return day.format(DateTimeFormatter.ofPattern(
                quote.units() == UnitSystem.METRIC ? "d MMMM yyyy" : "MMMM d, yyyy", Locale.US));
    }

    /** With thousands apart and two decimals, as quotes are read aloud. */
    private static String amount(BigDecimal value) {
        DecimalFormat format = new DecimalFormat("#,##0.00", DecimalFormatSymbols.getInstance(Locale.US));
        format.setRoundingMode(RoundingMode.HALF_UP);
        return format.format(value).replace('-', '−');
    }

    private String money(BigDecimal value) {
        return quote.currency() + " " + amount(value);
    }

    private List<Row> lines() {
        return quote.lines().stream()
                .map(l -> new Row(Dialect.text(l.heading().text(), quote.units()), l.text(), amount(l.amount())))
                .toList();
    }

    private List<Row> taxes() {
        return quote.taxes().stream()
                .map(t -> new Row(
                        "Tax, " + t.taxClass() + ", "
                                + t.percent().stripTrailingZeros().toPlainString() + " % of " + amount(t.on()),
                        "",
                        amount(t.tax())))
                .toList();
    }

    private Row option(JobTerms.Option o) {
        return new Row(
                o.text(),
                o.oneOf().isBlank() ? "" : "one of “" + o.oneOf() + "”",
                (o.amount().signum() > 0 ? "+ " : "") + amount(o.amount()));
    }

    /** Of the total; what rounding leaves goes to the last. */
    private List<Row> stages() {
        List<Row> rows = new ArrayList<>();
        BigDecimal left = quote.total();
        for (int i = 0; i < quote.texts().stages().size(); i++) {
            var stage = quote.texts().stages().get(i);
            boolean last = i == quote.texts().stages().size() - 1;
            BigDecimal due =
                    last ? left : quote.total().multiply(stage.percent()).divide(HUNDRED, 2, RoundingMode.HALF_UP);
            left = left.subtract(due);
            rows.add(new Row(
                    stage.percent().stripTrailingZeros().toPlainString() + " % " + stage.when(), "", amount(due)));
        }
        return rows;
    }

    private List<ChangeRow> things(Quote before) {
        return quote.since(before).items().stream()
                .map(i -> new ChangeRow(
                        i.name(),
                        quantity(i.before(), i.byMetre()),
                        quantity(i.after(), i.byMetre()),
                        (i.after() > i.before() ? "+ " : "− ")
                                + quantity(Math.abs(i.after() - i.before()), i.byMetre())))
                .toList();
    }

    private List<ChangeRow> sums(Quote before) {
        Quote.QuoteDifference change = quote.since(before);
        List<ChangeRow> rows = new ArrayList<>();
        change.amounts()
                .forEach(a -> rows.add(sum(
                        Dialect.text(a.heading().text(), quote.units())
                                + (a.text().isEmpty() ? "" : ", " + a.text()),
                        a.before(),
                        a.after())));
        rows.add(sum("Before tax", before.net(), quote.net()));
        rows.add(sum("With tax", before.total(), quote.total()));
        return rows;
    }

    private static ChangeRow sum(String text, BigDecimal before, BigDecimal after) {
        BigDecimal by = after.subtract(before);
        return new ChangeRow(text, amount(before), amount(after), (by.signum() > 0 ? "+ " : "") + amount(by));
    }

    private String quantity(double n, boolean byMetre) {
        return byMetre ? Lengths.whole(n, quote.units()) : String.format(Locale.ROOT, "%,d", Math.round(n));
    }
}
