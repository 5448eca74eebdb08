package buckle.exchange.paper;

import buckle.circuit.Electrics;
import buckle.circuit.Electrics.Candidate;
import buckle.layout.Finding;
import buckle.layout.Layout;
import buckle.layout.LineLayout;
import buckle.message.English;
import buckle.message.Message;
import buckle.pulse.Plate;
import buckle.units.Lengths;
import buckle.units.UnitSystem;
import java.text.DecimalFormat;
import java.text.DecimalFormatSymbols;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** “Why this energizer” on paper, for the client: what was compared, the weakest point, the earth, the supply. */
public final class EnergizerPdf {
    private final StringBuilder html = new StringBuilder();

    private final UnitSystem units;
    private final List<LineLayout> lines;

    private EnergizerPdf(UnitSystem units, List<LineLayout> lines) {
        this.units = units;
        this.lines = lines;
    }

    public static byte[] write(String job, UnitSystem units, Layout layout, Electrics e, Paper paper) {
        EnergizerPdf pdf = new EnergizerPdf(units, layout.lines());
        pdf.page(job, e, paper);
        return Pdf.render(pdf.html.toString(), Map.of());
    }

    private void page(String job, Electrics e, Paper paper) {
        html.append("<html><head><style>@page { size: ")
                .append(paper.css())
                .append(
                        " portrait; margin: 16mm; } body { font: 10pt sheet; color: #111; } h1 { font-size: 17pt; margin: 0; }")
                .append(
                        " h2 { font-size: 12pt; margin: 12pt 0 3pt; } table { width: 100%; border-collapse: collapse; } th { text-align: left; font-weight: 400; font-size: 8pt; border-bottom: 1pt solid #111; padding: 2pt 4pt; }")
                .append(
                        " td { border-bottom: 0.5pt solid #999; padding: 3pt 4pt; } .pick td { border-bottom: 1.2pt solid #111; border-top: 1.2pt solid #111; } .s { font-size: 8.5pt; color: #333; }</style></head><body>");
        html.append("<h1>Why this energizer</h1><p>").append(Pdf.text(job)).append("</p>");
        Electrics.Energizers compared = e.energizers().orElseThrow();
        Optional<Candidate> chosen = compared.candidates().stream()
                .filter(c -> e.chosen() && c.plate().equals(e.energizer()))
                .findFirst();
        chosen.ifPresent(c -> paragraph("Chosen for this job: " + c.plate().name() + ", " + kv(c.cleanV())
                + " clean and " + kv(c.heavyV()) + " in heavy growth at the weakest point."));
        if (chosen.filter(Candidate::recommended).isEmpty()) {
            paragraph((e.chosen() ? "Recommended otherwise. " : "") + text(compared.why()));
        }
        e.weakest()
                .ifPresent(w -> paragraph(String.format(
                        Locale.ROOT,
                        "Weakest point: %s along %s, likely %.1f kV, between %.1f and %.1f kV%s. %s",
                        Lengths.text(w.stationM(), units),
                        lineName(w.lineId()),
                        w.likelyV() / 1000,
                        w.lowV() / 1000,
                        w.highV() / 1000,
                        e.needV().isPresent()
                                ? String.format(
                                        Locale.ROOT,
                                        "; the animals need %.1f kV",
                                        e.needV().getAsDouble() / 1000)
                                : "",
                        e.reserve().map(r -> text(r.says())).orElse(""))));
        html.append(
                "<h2>Compared on this fence</h2><table><tr><th>Energizer</th><th>Into 500 Ω, J</th><th>Clean, kV</th><th>As planned, kV</th><th>Heavy growth, kV</th><th>Draws, W</th><th>Price</th><th>Rods for G9</th></tr>");
        compared.candidates()
                .forEach(c -> candidate(c, e.chosen() ? c.plate().equals(e.energizer()) : c.recommended()));
        html.append(
                "</table><p class='s'>Peaks at the weakest point. Energizers of no maker, invented to plan with, their prices too; the supplier's plate and price decide.</p>");
        html.append("<h2>Earth</h2>");
        Electrics.EarthAnswer earth = e.earth().orElseThrow();
        paragraph(String.format(
                Locale.ROOT,
                "In %s ground of %.0f Ω·m the rods come to %.0f Ω and the last rod to about %.0f V in the earth test. %s %s (G14, W18)",
                earth.ground().text(),
                earth.soilOhmM(),
                earth.rodsOhm(),
                earth.testV(),
                text(earth.moist()),
                text(earth.wires())));
        html.append("<h2>Power</h2>");
        paragraph(text(e.supply().orElseThrow().says()));
        html.append(
                "<h2>What is assumed</h2><table><tr><th>Assumption</th><th>Likely</th><th>From</th><th>To</th><th>Weakest point, kV</th></tr>");
        for (Electrics.Assumed a : e.assumed()) {
            html.append(String.format(
                    Locale.ROOT,
                    "<tr><td>%s</td><td>%s</td><td>%s</td><td>%s</td><td>%.1f to %.1f</td></tr>",
                    Pdf.text(text(a.name())),
                    Pdf.text(text(a.likely())),
                    Pdf.text(text(a.low())),
                    Pdf.text(text(a.high())),
                    a.lowestV() / 1000,
                    a.highestV() / 1000));
        }
        html.append("</table><h2>To mind</h2>");
        for (Finding f : e.allFindings()) {
            paragraph(f.text(units) + " (" + f.rule() + ")");
        }
        paragraph(
                "Feed the fence from a certified energizer only (C1). Local code and licensed people have the last word; children, wearers of pacemakers and pets are to be kept in mind (C12).");
        html.append("</body></html>");
    }

    private String lineName(String id) {
        return lines.stream()
                .filter(l -> l.lineId().equals(id))
                .map(LineLayout::name)
                .findFirst()
                .orElse(id);
    }

    private String text(Message message) {
        return English.text(message, units);
    }

    private static String kv(double volts) {
        return String.format(Locale.ROOT, "%.1f kV", volts / 1000);
    }

    private void candidate(Candidate c, boolean picked) {
        html.append(String.format(
                Locale.ROOT,
                "<tr%s><td>%s%s</td><td>%s%s</td><td>%.1f</td><td>%.1f</td><td>%.1f</td><td>%.1f</td><td>%s</td><td>%s</td></tr>",
                picked ? " class='pick'" : "",
                Pdf.text(c.plate().name()),
                c.recommended() ? ", recommended" : "",
                new DecimalFormat("0.##", DecimalFormatSymbols.getInstance(Locale.ROOT)).format(c.outJ()),
                c.over5J() ? " (over 5 J)" : "",
                c.cleanV() / 1000,
                c.likelyV() / 1000,
                c.heavyV() / 1000,
                c.drawW(),
                price(c.plate()),
                earth(c.earth())));
    }

    private String earth(Electrics.EarthNeed need) {
        return need.rods().isPresent()
                ? need.rods().getAsInt() + " × " + Lengths.text(need.rodM(), units)
                : String.format(Locale.ROOT, "under %.0f Ω", need.mostOhm());
    }

    private static String price(Plate plate) {
        return plate.price().isPresent()
                ? String.format(Locale.ROOT, "%.0f", plate.price().getAsDouble())
                : "–";
    }

    private void paragraph(String text) {
        html.append("<p>").append(Pdf.text(text)).append("</p>");
    }
}
