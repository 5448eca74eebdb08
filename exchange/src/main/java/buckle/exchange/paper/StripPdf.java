package buckle.exchange.paper;

import buckle.layout.Brace;
import buckle.layout.CutOutPlace;
import buckle.layout.GatePlace;
import buckle.layout.Joint;
import buckle.layout.Layout;
import buckle.layout.LineLayout;
import buckle.layout.Post;
import buckle.layout.PostKind;
import buckle.layout.ProfilePoint;
import buckle.message.JointKind;
import buckle.spec.Wire;
import buckle.spec.WireRole;
import buckle.units.Lengths;
import buckle.units.UnitSystem;
import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Line2D;
import java.awt.geom.Path2D;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** A fence line pulled straight over as many strips as it takes: ground, posts with their numbers, wires, gates, jumpers. */
public final class StripPdf {
    private static final double METRES_A_STRIP = 60;
    private static final double STRIP_MM = 56;
    private static final double MARGIN_MM = 12;
    private static final Color QUIET = new Color(0x66, 0x66, 0x66);
    private static final Color GROUND = new Color(0xea, 0xe6, 0xd8);

    private final LineLayout line;
    private final List<Joint> joints;
    private final UnitSystem units;
    private final double topM;

    private StripPdf(LineLayout line, List<Joint> joints, UnitSystem units) {
        this.line = line;
        this.joints = joints;
        this.units = units;
        this.topM = line.schedule().topM();
    }

    /** A line and its strips. */
    public record LinePage(String title, List<String> strips) {}

    public static byte[] write(String job, Layout layout, UnitSystem units, Paper paper) {
        Map<String, Pdf.Drawing> drawings = new LinkedHashMap<>();
        List<LinePage> lines = new ArrayList<>();
        for (LineLayout line : layout.lines()) {
            List<Joint> joints = layout.joints().stream()
                    .filter(j -> j.lineId().equals(line.lineId()))
                    .toList();
            StripPdf strip = new StripPdf(line, joints, units);
            List<String> ids = new ArrayList<>();
            for (double from = 0; from < line.lengthM(); from += METRES_A_STRIP) {
                double start = from;
                String id = "strip" + drawings.size();
                ids.add(id);
                drawings.put(id, (g, w, h) -> strip.draw(g, start, w, h));
            }
            lines.add(new LinePage(job + " · " + line.name(), ids));
        }
        String page = Template.filled(
                "strip.peb",
                Map.of(
                        "paper",
                        paper,
                        "lines",
                        lines,
                        "width",
                        Template.mm(paper.heightMm() - 2 * MARGIN_MM),
                        "height",
                        Template.mm(STRIP_MM)));
        return Pdf.render(page, drawings);
    }

    private void draw(Graphics2D g, double fromM, double width, double height) {
        double toM = Math.min(line.lengthM(), fromM + METRES_A_STRIP);
        double pxPerM = width / METRES_A_STRIP;
        double low = Double.POSITIVE_INFINITY;
        double high = Double.NEGATIVE_INFINITY;
        for (double s = fromM; s <= toM; s += 1) {
            low = Math.min(low, ground(s));
            high = Math.max(high, ground(s));
        }
        double tall = height - 44;
        double pxUp = Math.min(tall * 0.62 / (topM + 0.6), 70);
        double groundPx = Math.min(tall * 0.34 / Math.max(0.01, high - low), pxUp);
        double zero = height - 26 + low * groundPx - 0.4 * pxUp;
        Frame f = new Frame(g, fromM, toM, pxPerM, pxUp, groundPx, zero);
        g.setFont(Pdf.awtFont(9));
        groundLine(f, height);
        wires(f);
        for (Brace b : line.braces()) {
            brace(f, b);
        }
        for (Post p : line.posts()) {
            if (f.shows(p.stationM())) {
                post(f, p, height);
            }
        }
        for (GatePlace gate : line.gates()) {
            if (f.shows(gate.fromM())) {
                f.text(gate.name() + ", " + gate.kind().text(), gate.fromM(), 10);
            }
        }
        for (CutOutPlace c : line.cutOuts()) {
            if (f.shows(c.stationM())) {
                double x = f.x(c.stationM());
                g.draw(new Ellipse2D.Double(x - 4, f.y(c.stationM(), topM) - 14, 8, 8));
                f.text(c.name(), c.stationM(), 20);
            }
        }
        for (Joint j : joints) {
            if (f.shows(j.stationM()) && j.kind() == JointKind.JUMPER) {
                double x = f.x(j.stationM()) + 1.5;
                g.setStroke(new BasicStroke(1.6f));
                g.draw(new Line2D.Double(
                        x,
                        f.y(j.stationM(), line.schedule().wires().getFirst().heightM()),
                        x,
                        f.y(j.stationM(), topM)));
            }
        }
        g.setColor(QUIET);
        for (double s = Math.ceil(fromM / 10) * 10; s <= toM; s += 10) {
            f.text(Lengths.whole(s, units), s, height - 3);
        }
    }

    private void groundLine(Frame f, double height) {
        Path2D path = new Path2D.Double();
        path.moveTo(f.x(f.fromM), f.y(f.fromM, 0));
        for (double s = f.fromM; s < f.toM; s += 1) {
            path.lineTo(f.x(s), f.y(s, 0));
        }
        path.lineTo(f.x(f.toM), f.y(f.toM, 0));
        Path2D fill = new Path2D.Double(path);
        fill.lineTo(f.x(f.toM), height - 24);
        fill.lineTo(f.x(f.fromM), height - 24);
        fill.closePath();
        f.g.setColor(GROUND);
        f.g.fill(fill);
        f.g.setColor(Color.BLACK);
        f.g.setStroke(new BasicStroke(0.8f));
        f.g.draw(path);
    }

    private void wires(Frame f) {
        for (Wire w : line.schedule().wires()) {
            f.g.setColor(Color.BLACK);
            f.g.setStroke(stroke(w.role()));
            Post last = null;
            for (Post p : line.posts()) {
                if (last != null && p.stationM() >= f.fromM && last.stationM() <= f.toM && !opening(last, p)) {
                    double a = Math.max(last.stationM(), f.fromM);
                    double b = Math.min(p.stationM(), f.toM);
                    f.g.draw(new Line2D.Double(f.x(a), f.y(a, w.heightM()), f.x(b), f.y(b, w.heightM())));
                }
                last = p;
            }
        }
    }

    private static BasicStroke stroke(WireRole role) {
        return switch (role) {
            case HOT -> new BasicStroke(0.9f);
            case EARTH -> new BasicStroke(0.9f, BasicStroke.CAP_BUTT, BasicStroke.JOIN_MITER, 1, new float[] {5, 3}, 0);
            case PLAIN -> new BasicStroke(0.4f);
        };
    }

    private boolean opening(Post a, Post b) {
        return line.gates().stream().anyMatch(g -> g.fromM() <= a.stationM() + 0.06 && b.stationM() <= g.toM() + 0.06);
    }

    private void brace(Frame f, Brace b) {
        boolean seen = f.shows(b.strongStationM()) || f.shows(b.braceStationM());
        if (seen && b.railM() > 0) {
            f.g.setColor(Color.BLACK);
            f.g.setStroke(new BasicStroke(1.4f));
            double rail = topM - 0.1;
            f.g.draw(new Line2D.Double(
                    f.x(b.strongStationM()),
                    f.y(b.strongStationM(), rail),
                    f.x(b.braceStationM()),
                    f.y(b.braceStationM(), rail)));
            f.g.setStroke(new BasicStroke(0.6f));
            f.g.draw(new Line2D.Double(
                    f.x(b.strongStationM()),
                    f.y(b.strongStationM(), 0),
                    f.x(b.braceStationM()),
                    f.y(b.braceStationM(), rail)));
        }
    }

    private void post(Frame f, Post p, double height) {
        double x = f.x(p.stationM());
        boolean strong = p.kind().strong() || p.kind() == PostKind.BRACE;
        double half = strong ? 1.8 : p.kind() == PostKind.LIGHT ? 0.4 : 0.8;
        double top = f.y(p.stationM(), topM + 0.08);
        double foot = f.y(p.stationM(), -Math.min(p.depthM(), 0.5));
        f.g.setColor(Color.BLACK);
        f.g.fill(new Rectangle2D.Double(x - half, top, 2 * half, foot - top));
        if (p.kind() == PostKind.TIE_DOWN) {
            f.g.setStroke(new BasicStroke(0.8f));
            f.g.draw(new Line2D.Double(x - 4, foot, x + 4, foot));
        }
        if (p.kind() != PostKind.LIGHT) {
            f.g.setColor(QUIET);
            f.text(
                    p.label().isEmpty() ? String.valueOf(p.number()) : p.number() + " " + p.label(),
                    p.stationM(),
                    height - 13);
        }
    }

    private double ground(double stationM) {
        List<ProfilePoint> points = line.profile();
        if (points.isEmpty()) {
            return 0;
        }
        int low = 0;
        int high = points.size() - 1;
        while (high - low > 1) {
            int mid = (low + high) >>> 1;
            if (points.get(mid).stationM() <= stationM) {
                low = mid;
            } else {
                high = mid;
            }
        }
        ProfilePoint a = points.get(low);
        ProfilePoint b = points.get(high);
        double way = b.stationM() - a.stationM();
        double share = way > 0 ? Math.clamp((stationM - a.stationM()) / way, 0, 1) : 0;
        return a.heightM() + share * (b.heightM() - a.heightM());
    }

    private final class Frame {
        private final Graphics2D g;
        private final double fromM;
        private final double toM;
        private final double pxPerM;
        private final double pxUp;
        private final double groundPx;
        private final double zero;

        Frame(Graphics2D g, double fromM, double toM, double pxPerM, double pxUp, double groundPx, double zero) {
            this.g = g;
            this.fromM = fromM;
            this.toM = toM;
            this.pxPerM = pxPerM;
            this.pxUp = pxUp;
            this.groundPx = groundPx;
            this.zero = zero;
        }

        boolean shows(double stationM) {
            return stationM >= fromM - 1e-6 && stationM <= toM + 1e-6;
        }

        double x(double stationM) {
            return (stationM - fromM) * pxPerM;
        }

        double y(double stationM, double aboveM) {
            return zero - ground(stationM) * groundPx - aboveM * pxUp;
        }

        void text(String text, double stationM, double y) {
            double wide = g.getFontMetrics().stringWidth(text);
            double x = Math.clamp(x(stationM) - wide / 2, 0, Math.max(0, METRES_A_STRIP * pxPerM - wide));
            g.drawString(text, (float) x, (float) y);
        }
    }
}
