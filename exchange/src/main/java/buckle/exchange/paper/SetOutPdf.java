package buckle.exchange.paper;

import buckle.exchange.out.GpxWriter;
import buckle.land.Land;
import buckle.layout.Layout;
import buckle.setout.SetOut;
import buckle.setout.SetOut.Diagonal;
import buckle.setout.SetOut.Mark;
import buckle.setout.SetOut.SetOutLine;
import buckle.setout.SetOut.Tie;
import buckle.units.Lengths;
import buckle.units.UnitSystem;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;

/** The set-out sheet on paper: a table for each line, and a plan to scale; to be read off a clipboard. */
public final class SetOutPdf {
    private final SetOut sheet;
    private final UnitSystem units;
    private final StringBuilder html = new StringBuilder();

    private SetOutPdf(SetOut sheet, UnitSystem units) {
        this.sheet = sheet;
        this.units = units;
    }

    /** What stands at the head of each page. */
    public record Heading(String job, String client, String property, int revision, String date) {}

    public static byte[] write(Heading heading, SetOut sheet, Layout layout, Land land, UnitSystem units, Paper paper) {
        SetOutPdf pdf = new SetOutPdf(sheet, units);
        double widthMm = paper.widthMm() - 24;
        double heightMm = paper.heightMm() - 62;
        PlanDrawing plan = new PlanDrawing(layout, land, units, widthMm, heightMm);
        pdf.page(heading, paper, plan, widthMm, heightMm);
        return Pdf.render(pdf.html.toString(), Map.of("plan", plan::draw));
    }

    private void page(Heading h, Paper paper, PlanDrawing plan, double widthMm, double heightMm) {
        html.append("<html><head><style>")
                .append("@page { size: ")
                .append(paper.css())
                .append(" portrait; margin: 24mm 12mm 14mm 12mm;")
                .append(" @top-left { content: element(head); } ")
                .append(" @bottom-left { content: '")
                .append(css(h.job() + " · revision " + h.revision() + " · " + h.date()))
                .append("'; font: 8pt sheet; }")
                .append(" @bottom-right { content: 'page ' counter(page) ' of ' counter(pages); font: 8pt sheet; } }")
                .append(
                        "body { margin: 0; font: 10pt sheet; color: #111; } h1 { font-size: 17pt; margin: 0; } h2 { font-size: 13pt; margin: 14pt 0 4pt; }")
                .append(
                        "table { width: 100%; table-layout: fixed; border-collapse: collapse; -fs-table-paginate: paginate; } th { font-weight: 400; text-align: left; font-size: 8pt; border-bottom: 1pt solid #111; padding: 2pt 4pt; vertical-align: bottom; }")
                .append(
                        "td { border-bottom: 0.5pt solid #999; padding: 4.5pt 4pt; vertical-align: top; } tr { page-break-inside: avoid; }")
                .append(
                        ".r { text-align: right; white-space: nowrap; } .n { white-space: nowrap; } .m { word-wrap: break-word; } .s { font-size: 8.5pt; color: #333; }")
                .append("#head { position: running(head); border-bottom: 1.2pt solid #111; width: ")
                .append(mm(widthMm))
                .append("; }")
                .append(
                        ".box { border: 1pt solid #111; padding: 5pt 8pt; margin: 8pt 0; } .tick { width: 9pt; height: 9pt; border: 0.8pt solid #111; display: inline-block; }")
                .append("</style></head><body>")
                .append("<div id='head'><h1>Set-out sheet</h1><div>")
                .append(text(h.job()))
                .append(" · ")
                .append(text(h.client()))
                .append(" · ")
                .append(text(h.property()))
                .append("</div></div>");
        html.append("<div class='box'>");
        sheet.calls().forEach(c -> html.append("<div>• ").append(text(c)).append("</div>"));
        html.append("</div><div class='s'>")
                .append(text(sheet.offsetNote()))
                .append(" ")
                .append(text(declination()))
                .append(" Distances are level; the tape laid along a slope reads the figure in brackets.</div>");
        sheet.lines().forEach(this::line);
        html.append("<div style='page-break-before: always'><h2>")
                .append(text("Plan, " + plan.scaleText()))
                .append("</h2>")
                .append(Pdf.object("plan", widthMm, heightMm))
                .append("</div>");
        html.append("</body></html>");
    }

    private String declination() {
        if (sheet.declinationDeg().isEmpty()) {
            return "No compass declination was given: bearings are from true north only.";
        }
        double d = sheet.declinationDeg().getAsDouble();
        return String.format(
                Locale.ROOT,
                "Compass bearings allow for a declination of %.1f° %s, as given.",
                Math.abs(d),
                d < 0 ? "west" : "east");
    }

    private void line(SetOutLine line) {
        html.append("<h2>")
                .append(text(line.name() + ", " + tape(line.lengthM()) + (line.closed() ? ", closed" : ", open")))
                .append(
                        "</h2><table><thead><tr><th style='width: 6mm'></th><th style='width: 27mm'>mark</th><th class='r' style='width: 27mm'>from last</th><th class='r' style='width: 29mm'>station</th>")
                .append(
                        "<th class='r' style='width: 19mm'>turn</th><th class='r' style='width: 18mm'>bearing on</th><th>ties to what stands</th><th style='width: 30mm'>up to the next</th></tr></thead><tbody>");
        for (Mark m : line.marks()) {
            html.append("<tr><td><span class='tick'></span></td><td class='n'>")
                    .append(text(m.name()))
                    .append("<div class='s'>")
                    .append(m.standing() ? "stands already" : text(m.kind()))
                    .append("</div></td>")
                    .append("<td class='r'>")
                    .append(from(m))
                    .append("</td>")
                    .append("<td class='r'>")
                    .append(tape(m.stationM()))
                    .append("</td>")
                    .append("<td class='r'>")
                    .append(turn(m))
                    .append("</td>")
                    .append("<td class='r'>")
                    .append(bearing(m))
                    .append("</td>")
                    .append("<td>")
                    .append(ties(m))
                    .append("</td>")
                    .append("<td class='s'>")
                    .append(text(m.then()))
                    .append("</td></tr>");
        }
        html.append("</tbody></table>");
        if (!line.diagonals().isEmpty()) {
            html.append("<p>Check diagonals: ")
                    .append(line.diagonals().stream().map(this::diagonal).collect(Collectors.joining("; ")))
                    .append(".</p>");
        }
    }

    private String from(Mark m) {
        if (m.fromLastM() == 0) {
            return "start";
        }
        String level = tape(m.fromLastM());
        return Math.abs(m.slopeFromLastM() - m.fromLastM()) < 0.02
                ? level
                : level + "<div class='s'>(" + tape(m.slopeFromLastM()) + ")</div>";
    }

    private static String turn(Mark m) {
        return Math.abs(m.turnDeg()) < 0.05
                ? "straight"
                : String.format(Locale.ROOT, "%.1f° %s", Math.abs(m.turnDeg()), m.turnDeg() > 0 ? "right" : "left");
    }

    private static String bearing(Mark m) {
        if (m.bearingDeg().isEmpty()) {
            return "end";
        }
        String truth = String.format(Locale.ROOT, "%.1f°", m.bearingDeg().getAsDouble());
        return m.compassDeg().isPresent()
                ? truth
                        + String.format(
                                Locale.ROOT,
                                "<div class='s'>compass %.1f°</div>",
                                m.compassDeg().getAsDouble())
                : truth;
    }

    private String ties(Mark m) {
        return m.ties().isEmpty()
                ? String.format(Locale.ROOT, "none near: handheld %.6f, %.6f", m.latDeg(), m.lonDeg())
                : m.ties().stream().map(this::tie).collect(Collectors.joining("<br/>"));
    }

    private String tie(Tie t) {
        return "<span class='n'>" + tape(t.distanceM()) + "</span> to " + text(t.to());
    }

    private String diagonal(Diagonal d) {
        return text(d.first()) + " " + tape(d.firstM()) + ", " + text(d.second()) + " " + tape(d.secondM());
    }

    private String tape(double lengthM) {
        return Lengths.taped(lengthM, units);
    }

    private static String mm(double value) {
        return String.format(Locale.ROOT, "%.1fmm", value);
    }

    private static String text(String text) {
        return Pdf.text(GpxWriter.printable(text));
    }

    private static String css(String text) {
        return text(text.replace("\\", " ").replace("'", "’").replace("\n", " "));
    }
}
