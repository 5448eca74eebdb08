package buckle.exchange.paper;

import buckle.layout.Layout;
import buckle.layout.LineLayout;
import buckle.layout.PostMarks;
import buckle.message.Dialect;
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
import java.util.stream.Collectors;

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

    /** The heights of one schedule, and the sheets its strips are on. */
    public record Pole(String title, List<Row> wires, List<Card> cards, List<String> sheets) {}

    /** Posts that are marked alike, from the foot up. */
    public record Card(String posts, String ground, String marks) {}

    /** A wire as the table has it. */
    public record Row(int number, String role, String feet, long mm) {}

    public static byte[] write(String job, Layout layout, UnitSystem units, Paper paper) {
        Map<WireSchedule, List<LineLayout>> schedules = new LinkedHashMap<>();
        for (LineLayout line : layout.lines()) {
            schedules.computeIfAbsent(line.schedule(), s -> new ArrayList<>()).add(line);
        }
        Map<String, Pdf.Drawing> drawings = new LinkedHashMap<>();
        List<Pole> poles = new ArrayList<>();
        schedules.forEach((schedule, lines) -> poles.add(new Pole(
                job + " · " + lines.stream().map(LineLayout::name).collect(Collectors.joining(", ")),
                rows(schedule),
                lines.stream()
                        .flatMap(l -> l.marks().stream())
                        .map(m -> card(m, units))
                        .distinct()
                        .toList(),
                sheets(drawings, schedule, units, paper))));
        String page = Template.filled(
                "story-pole.peb",
                Map.of(
                        "paper", paper,
                        "poles", poles,
                        "stripLength", Lengths.taped(STRIP_MM / 1000, units),
                        "width", Template.mm(paper.widthMm() - 24),
                        "height", Template.mm(STRIP_MM + 2 * TOP_MM)));
        return Pdf.render(page, drawings);
    }

    private static Card card(PostMarks marks, UnitSystem units) {
        String sort = switch (marks.sort()) {
            case STRONG -> "Strong posts, ";
            case BRACE -> "Brace posts, ";
            case LINE -> "Line posts, ";
            case LIGHT -> "Light posts, ";
        };
        return new Card(
                sort + Dialect.text(marks.stock().text(), units),
                Lengths.taped(marks.depthM(), units),
                marks.wiresM().stream().map(m -> Lengths.taped(m, units)).collect(Collectors.joining(" · ")));
    }

    /** From the top down, as they hang. */
    private static List<Row> rows(WireSchedule schedule) {
        List<Row> rows = new ArrayList<>();
        for (int i = schedule.wires().size(); i-- > 0; ) {
            Wire w = schedule.wires().get(i);
            rows.add(new Row(
                    i + 1,
                    word(w.role()),
                    Lengths.taped(w.heightM(), UnitSystem.FT_IN),
                    Math.round(w.heightM() * 1000)));
        }
        return rows;
    }

    private static List<String> sheets(
            Map<String, Pdf.Drawing> drawings, WireSchedule schedule, UnitSystem units, Paper paper) {
        List<String> sheets = new ArrayList<>();
        int strips = (int) Math.ceil((schedule.topM() * 1000 + 10) / STRIP_MM);
        int across = (int) Math.floor((paper.widthMm() - 24) / STRIP_WIDE_MM);
        for (int from = 0; from < strips; from += across) {
            int first = from;
            int count = Math.min(across, strips - from);
            String id = "strip" + drawings.size();
            sheets.add(id);
            drawings.put(id, (g, width, height) -> draw(g, schedule, units, first, count));
        }
        return sheets;
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
