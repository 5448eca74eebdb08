package buckle.exchange.paper;

import buckle.stock.LoadSheet;
import buckle.stock.LoadSheet.Line;
import buckle.stock.LoadSheet.Order;
import buckle.units.Lengths;
import buckle.units.UnitSystem;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** Sheets to buy, to pick and to load by: boxes to tick with a pencil. */
public final class LoadSheetPdf {
    private static final double LB_PER_KG = 1 / 0.45359237;

    private final LoadSheet sheet;

    private LoadSheetPdf(LoadSheet sheet) {
        this.sheet = sheet;
    }

    /** A line of a list. */
    public record Row(String number, String name, String amount, String where, String mass, String detail) {}

    /** Lines under a heading, with what stands under them. */
    public record Block(String title, List<Row> rows, String sum) {}

    public static byte[] write(LoadSheet sheet, Paper paper) {
        LoadSheetPdf pdf = new LoadSheetPdf(sheet);
        Map<String, Object> values = Map.of(
                "paper",
                paper,
                "sheet",
                sheet,
                "buy",
                pdf.blocks(
                        sheet.bySupplier(),
                        l -> l.source().order().orElseThrow().supplier(),
                        true),
                "pick",
                pdf.blocks(sheet.byPlace(), l -> l.source().place(), false),
                "load",
                pdf.blocks(sheet.lines(), Line::group, false),
                "mass",
                pdf.mass(sheet.massKg()),
                "unknown",
                sheet.withoutMass());
        return Pdf.render(Template.filled("load-sheet.peb", values), Map.of());
    }

    private interface Heading {
        String of(Line line);
    }

    private List<Block> blocks(List<Line> lines, Heading heading, boolean money) {
        Map<String, List<Line>> byHeading = new LinkedHashMap<>();
        lines.forEach(l ->
                byHeading.computeIfAbsent(heading.of(l), h -> new ArrayList<>()).add(l));
        List<Block> blocks = new ArrayList<>();
        byHeading.forEach((title, some) -> {
            double kg = some.stream().mapToDouble(l -> l.massKg().orElse(0)).sum();
            BigDecimal cost = some.stream()
                    .flatMap(l -> l.source().order().stream())
                    .map(Order::cost)
                    .reduce(BigDecimal.ZERO, BigDecimal::add);
            String freight = sheet.deliveries().stream()
                    .filter(d -> money && d.supplier().equals(title))
                    .map(d -> ", freight " + money(d.cost()))
                    .findFirst()
                    .orElse("");
            blocks.add(new Block(
                    title + freight,
                    some.stream().map(l -> row(l, money)).toList(),
                    money ? sheet.currency() + " " + money(cost) : mass(kg)));
        });
        return blocks;
    }

    private Row row(Line l, boolean money) {
        String detail = l.source()
                .order()
                .map(o -> money
                        ? o.code() + ", " + o.count() + " × " + o.pack() + " at " + money(o.price())
                        : o.supplier())
                .orElse(l.source().place());
        String mass = money
                ? l.source().order().map(o -> money(o.cost())).orElse("")
                : l.massKg().isPresent() ? mass(l.massKg().getAsDouble()) : "";
        return new Row(String.valueOf(l.number()), l.name(), amount(l), l.bay().text(), mass, detail);
    }

    private String amount(Line l) {
        return l.lengthM() > 0
                ? l.pieces() + " × " + Lengths.whole(l.lengthM(), sheet.units())
                : String.format(Locale.ROOT, "%,d", l.pieces());
    }

    private static String money(BigDecimal value) {
        return String.format(Locale.ROOT, "%,.2f", value.setScale(2, RoundingMode.HALF_UP));
    }

    private String mass(double kg) {
        return sheet.units() == UnitSystem.METRIC
                ? String.format(Locale.ROOT, "%,.0f kg", kg)
                : String.format(Locale.ROOT, "%,.0f lb", kg * LB_PER_KG);
    }
}
