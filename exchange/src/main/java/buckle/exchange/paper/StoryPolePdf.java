package buckle.exchange.paper;

import buckle.exchange.out.GpxWriter;
import buckle.layout.Layout;
import buckle.layout.LineLayout;
import buckle.spec.Wire;
import buckle.spec.WireRole;
import buckle.spec.WireSchedule;
import buckle.units.Lengths;
import buckle.units.UnitSystem;
import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.geom.Line2D;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * The story pole: the heights of the wires as a list, and at full size in strips to be cut out, glued end to end on a stick
 * and carried from post to post. A bar of 100 mm on each page tells whether the printer kept the size.
 */
public final class StoryPolePdf {
    private static final double STRIP_MM = 220;
    private static final double STRIP_WIDE_MM = 34;
    private static final double TOP_MM = 12;
    private static final Color QUIET = new Color(0x55, 0x55, 0x55);

    private StoryPolePdf() {}

    public static byte[] write(String job, Layout layout, UnitSystem units, Paper paper) {
        Map<WireSchedule, List<String>> schedules = new LinkedHashMap<>();
        for (LineLayout line : layout.lines()) {
            schedules.computeIfAbsent(line.schedule(), s -> new ArrayList<>()).add(line.name());
        }
        StringBuilder html = new StringBuilder(
                "<html><head><style>@page { size: " + paper.css()
                        + " portrait; margin: 12mm; @bottom-right { content: 'print at 100 %, no fitting to the page · page ' counter(page) ' of ' counter(pages); font: 8pt sheet; } }"
                        + " body { margin: 0; font: 10pt sheet; } h1 { font-size: 16pt; margin: 0 0 4pt; } table { border-collapse: collapse; }"
                        + " th, td { text-align: left; padding: 2pt 14pt 2pt 0; border-bottom: 0.5pt solid #999; } th { font-weight: 400; font-size: 8pt; }</style></head><body>");
        Map<String, Pdf.Drawing> drawings = new LinkedHashMap<>();
        boolean first = true;
        for (var entry : schedules.entrySet()) {
            list(html, job, entry.getKey(), entry.getValue(), units, first);
            first = false;
            strips(html, drawings, entry.getKey(), units, paper);
        }
        html.append("</body></html>");
        return Pdf.render(html.toString(), drawings);
    }

    private static void list(
            StringBuilder html,
            String job,
            WireSchedule schedule,
            List<String> lines,
            UnitSystem units,
            boolean first) {
        html.append(first ? "<div>" : "<div style='page-break-before: always'>")
                .append("<h1>Story pole</h1><p>")
                .append(Pdf.text(GpxWriter.printable(job + " · " + String.join(", ", lines))))
                .append(
                        "</p><table><thead><tr><th>wire</th><th>does</th><th>ft and in</th><th>mm</th></tr></thead><tbody>");
        for (int i = schedule.wires().size(); i-- > 0; ) {
            Wire w = schedule.wires().get(i);
            html.append("<tr><td>")
                    .append(i + 1)
                    .append("</td><td>")
                    .append(word(w.role()))
                    .append("</td><td>")
                    .append(Lengths.taped(w.heightM(), UnitSystem.FT_IN))
                    .append("</td><td>")
                    .append(Math.round(w.heightM() * 1000))
                    .append("</td></tr>");
        }
        html.append("</tbody></table><p>Heights above ground. Strips at full size follow, from the ground up, each ")
                .append(Lengths.taped(STRIP_MM / 1000, units))
                .append(" long; cut at the outer lines and join end to end.</p></div>");
    }

    private static void strips(
            StringBuilder html,
            Map<String, Pdf.Drawing> drawings,
            WireSchedule schedule,
            UnitSystem units,
            Paper paper) {
        int strips = (int) Math.ceil((schedule.topM() * 1000 + 10) / STRIP_MM);
        int across = (int) Math.floor((paper.widthMm() - 24) / STRIP_WIDE_MM);
        for (int from = 0; from < strips; from += across) {
            int first = from;
            int count = Math.min(across, strips - from);
            String id = "strip" + drawings.size();
            html.append("<div style='page-break-before: always'>")
                    .append(Pdf.object(id, paper.widthMm() - 24, STRIP_MM + 2 * TOP_MM))
                    .append("</div>");
            drawings.put(id, (g, width, height) -> draw(g, schedule, units, first, count));
        }
    }

    private static void draw(Graphics2D g, WireSchedule schedule, UnitSystem units, int first, int count) {
        g.scale(1 / Pdf.MM_PER_PX, 1 / Pdf.MM_PER_PX);
        g.setFont(Pdf.awtFont(3.2f));
        for (int k = 0; k < count; k++) {
            double left = k * STRIP_WIDE_MM + 1;
            double bottomMm = (first + k) * STRIP_MM;
            g.setColor(Color.BLACK);
            g.setStroke(new BasicStroke(0.3f));
            g.draw(new Rectangle2D.Double(left, TOP_MM, STRIP_WIDE_MM - 4, STRIP_MM));
            String name = "" + (first + k + 1) + (bottomMm == 0 ? ", from the ground" : ", on top of " + (first + k));
            g.setColor(QUIET);
            g.drawString(name, (float) left, (float) (TOP_MM + STRIP_MM + 4));
            for (int mm = 0; mm <= STRIP_MM; mm += 10) {
                double tick = (bottomMm + mm) % 100 == 0 ? 5 : 2;
                double y = TOP_MM + STRIP_MM - mm;
                g.draw(new Line2D.Double(left, y, left + tick, y));
            }
            for (int i = 0; i < schedule.wires().size(); i++) {
                mark(g, schedule.wires().get(i), i + 1, units, left, bottomMm);
            }
        }
        g.setColor(Color.BLACK);
        g.setStroke(new BasicStroke(0.5f));
        g.draw(new Line2D.Double(1, 4, 101, 4));
        g.draw(new Line2D.Double(1, 2, 1, 6));
        g.draw(new Line2D.Double(101, 2, 101, 6));
        g.drawString("this bar is 100 mm long", 103, 5);
    }

    private static void mark(Graphics2D g, Wire w, int number, UnitSystem units, double left, double bottomMm) {
        double at = w.heightM() * 1000 - bottomMm;
        if (at < 0 || at > STRIP_MM) {
            return;
        }
        double y = TOP_MM + STRIP_MM - at;
        boolean hot = w.role() == WireRole.HOT;
        g.setColor(Color.BLACK);
        g.setStroke(
                hot
                        ? new BasicStroke(0.7f)
                        : new BasicStroke(
                                0.7f, BasicStroke.CAP_BUTT, BasicStroke.JOIN_MITER, 1, new float[] {2, 1.4f}, 0));
        g.draw(new Line2D.Double(left, y, left + STRIP_WIDE_MM - 4, y));
        String text =
                String.format(Locale.ROOT, "%d %s  %s", number, word(w.role()), Lengths.taped(w.heightM(), units));
        g.drawString(text, (float) left + 6, (float) (y < TOP_MM + 5 ? y + 4 : y - 1));
    }

    private static String word(WireRole role) {
        return role.name().toLowerCase(Locale.ROOT);
    }
}
