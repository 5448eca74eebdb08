package buckle.exchange.paper;

import buckle.exchange.stock.CutSheets.CutAnswer;
import buckle.exchange.stock.CutSheets.CutBar;
import buckle.exchange.stock.CutSheets.CutPiece;
import buckle.exchange.stock.CutSheets.CutSheet;
import buckle.stock.CutList.Aim;
import buckle.units.Lengths;
import buckle.units.UnitSystem;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;

/** A cut list for whoever stands at the saw or holds the coil: each bar drawn to scale within its material, with a box to tick. */
public final class CutListPdf {
    private static final double DRAWN_MM = 105;
    /** Pieces drawn narrower are left without their length. */
    private static final double NARROW_MM = 11;

    private static final double FINE_M = 0.001;

    private final UnitSystem units;

    private CutListPdf(UnitSystem units) {
        this.units = units;
    }

    /** Whose it is, and what it keeps small. */
    public record Heading(String job, String client, String property, Aim aim) {}

    /** A piece as it is drawn. */
    public record Drawn(String left, String width, String text) {}

    /** Alike bars. */
    public record Row(String times, String whole, String from, String width, List<Drawn> pieces, String detail) {}

    /** A material. */
    public record Block(String title, String sum, List<Row> rows) {}

    public static byte[] write(Heading heading, CutAnswer answer, UnitSystem units, Paper paper) {
        CutListPdf pdf = new CutListPdf(units);
        String aim = switch (heading.aim()) {
            case LEAST_COST -> "for the least money";
            case LEAST_LENGTH -> "so that little is left over";
            case FEWEST_JOINTS -> "with the fewest joints";
        };
        return Pdf.render(
                Template.filled(
                        "cut-list.peb",
                        Map.of(
                                "paper",
                                paper,
                                "heading",
                                heading,
                                "aim",
                                aim,
                                "missing",
                                answer.missing(),
                                "blocks",
                                answer.sheets().stream()
                                        .map(s -> pdf.block(s, answer.currency()))
                                        .toList())),
                Map.of());
    }

    private Block block(CutSheet sheet, String currency) {
        double longest =
                sheet.bars().stream().mapToDouble(CutBar::lengthM).max().orElse(1);
        List<String> sum = new ArrayList<>();
        sum.add(currency + " " + money(sheet.cost()) + " to buy");
        sheet.joints().ifPresent(n -> sum.add(n == 1 ? "1 joint" : n + " joints"));
        sum.add(Lengths.text(sheet.leftM(), units) + " left over");
        return new Block(
                sheet.name().substring(0, 1).toUpperCase(Locale.ROOT)
                        + sheet.name().substring(1),
                String.join(", ", sum),
                sheet.bars().stream().map(b -> row(b, longest)).toList());
    }

    private Row row(CutBar bar, double longestM) {
        double perM = DRAWN_MM / longestM;
        List<Drawn> drawn = new ArrayList<>();
        double at = 0;
        for (CutPiece p : bar.pieces()) {
            for (int i = 0; i < p.count(); i++) {
                double width = p.lengthM() * perM;
                drawn.add(new Drawn(
                        Template.mm(at * perM),
                        Template.mm(width),
                        width < NARROW_MM ? "" : Lengths.text(p.lengthM(), units)));
                at += p.lengthM();
            }
        }
        String detail = bar.pieces().stream()
                .map(p -> p.count() + " × " + Lengths.text(p.lengthM(), units) + " " + p.label())
                .collect(Collectors.joining("; "));
        String left = bar.leftM() > FINE_M ? "; " + Lengths.text(bar.leftM(), units) + " left" : "";
        return new Row(
                bar.times() + " ×",
                Lengths.text(bar.lengthM(), units),
                bar.inYard() ? bar.from() : "to buy, " + bar.from(),
                Template.mm(bar.lengthM() * perM),
                drawn,
                detail + left);
    }

    private static String money(BigDecimal value) {
        return String.format(Locale.ROOT, "%,.2f", value);
    }
}
