package buckle.exchange.paper;

import buckle.land.Land;
import buckle.land.LandFeature;
import buckle.land.LandKind;
import buckle.layout.FeedPlace;
import buckle.layout.GatePlace;
import buckle.layout.Layout;
import buckle.layout.LineLayout;
import buckle.layout.Post;
import buckle.layout.PostKind;
import buckle.site.GeoPoint;
import buckle.site.LocalPlane;
import buckle.site.PlanePoint;
import buckle.units.Lengths;
import buckle.units.UnitSystem;
import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Font;
import java.awt.Graphics2D;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Line2D;
import java.awt.geom.Path2D;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;

/** The plan on paper, to a round scale, black on white: lines, posts, gates, what is there, north and a scale bar. */
public final class PlanDrawing {
    private static final double MM_PER_PX = Pdf.MM_PER_PX;
    private static final int[] METRIC = {
        50, 100, 200, 250, 500, 750, 1000, 1250, 1500, 2000, 2500, 4000, 5000, 7500, 10000, 20000, 50000, 100000
    };
    /** Inches on paper to feet on the ground. */
    private static final int[] FEET_PER_IN = {
        5, 10, 20, 30, 40, 50, 60, 80, 100, 150, 200, 300, 400, 500, 1000, 2000, 5000, 10000
    };

    private static final Color INK = Color.BLACK;
    private static final Color QUIET = new Color(0x66, 0x66, 0x66);

    private final Layout layout;
    private final Land land;
    private final UnitSystem units;
    private final LocalPlane plane;
    private final double middleE;
    private final double middleN;
    private final double scale;
    private final String scaleText;

    PlanDrawing(Layout layout, Land land, UnitSystem units, double widthMm, double heightMm) {
        this.layout = layout;
        this.land = land;
        this.units = units;
        this.plane = new LocalPlane(layout.origin());
        Rectangle2D box = null;
        for (LineLayout line : layout.lines()) {
            for (GeoPoint corner : line.corners()) {
                PlanePoint p = plane.toPlane(corner);
                Rectangle2D one = new Rectangle2D.Double(p.eastM(), p.northM(), 0.01, 0.01);
                box = box == null ? one : box.createUnion(one);
            }
        }
        Rectangle2D all = box == null ? new Rectangle2D.Double(0, 0, 10, 10) : box;
        this.middleE = all.getCenterX();
        this.middleN = all.getCenterY();
        double least = Math.max(all.getWidth() / ((widthMm - 16) / 1000), all.getHeight() / ((heightMm - 26) / 1000));
        if (units == UnitSystem.METRIC) {
            this.scale = round(METRIC, least, 1);
            this.scaleText = String.format(Locale.ROOT, "1 : %,d", (int) scale);
        } else {
            this.scale = round(FEET_PER_IN, least, 12);
            this.scaleText = String.format(Locale.ROOT, "1 in = %,d ft", (int) Math.round(scale / 12));
        }
    }

    private static double round(int[] steps, double least, double each) {
        for (int step : steps) {
            if (step * each >= least) {
                return step * each;
            }
        }
        return Math.ceil(least / each) * each;
    }

    String scaleText() {
        return scaleText;
    }

    /** Draws into a box of the given size in CSS pixels. */
    void draw(Graphics2D g, double width, double height) {
        g.setFont(font(8.5f));
        double pxPerM = 1000 / scale / MM_PER_PX;
        Canvas c = new Canvas(g, width / 2, height / 2, pxPerM);
        g.setClip(new Rectangle2D.Double(0, 0, width, height));
        land.features().forEach(f -> feature(c, f));
        layout.lines().forEach(l -> line(c, l));
        layout.feed().filter(f -> !f.assumed()).ifPresent(f -> energizer(c, f));
        north(g, width);
        bar(g, height, pxPerM);
        g.setColor(INK);
        g.setStroke(new BasicStroke(0.8f));
        g.draw(new Rectangle2D.Double(0.5, 0.5, width - 1, height - 1));
    }

    private final class Canvas {
        final Graphics2D g;
        private final double x0;
        private final double y0;
        private final double pxPerM;

        Canvas(Graphics2D g, double x0, double y0, double pxPerM) {
            this.g = g;
            this.x0 = x0;
            this.y0 = y0;
            this.pxPerM = pxPerM;
        }

        double[] at(GeoPoint p) {
            PlanePoint q = plane.toPlane(p);
            return new double[] {x0 + (q.eastM() - middleE) * pxPerM, y0 - (q.northM() - middleN) * pxPerM};
        }

        Path2D path(List<GeoPoint> points, boolean closed) {
            Path2D path = new Path2D.Double();
            for (int i = 0; i < points.size(); i++) {
                double[] p = at(points.get(i));
                if (i == 0) {
                    path.moveTo(p[0], p[1]);
                } else {
                    path.lineTo(p[0], p[1]);
                }
            }
            if (closed) {
                path.closePath();
            }
            return path;
        }

        void square(double[] p, double half) {
            g.fill(new Rectangle2D.Double(p[0] - half, p[1] - half, 2 * half, 2 * half));
        }

        void dot(double[] p, double radius) {
            g.fill(new Ellipse2D.Double(p[0] - radius, p[1] - radius, 2 * radius, 2 * radius));
        }

        void text(double[] p, double dx, double dy, String text) {
            g.drawString(text, (float) (p[0] + dx), (float) (p[1] + dy));
        }
    }

    private void feature(Canvas c, LandFeature f) {
        c.g.setColor(QUIET);
        float[] dash = switch (f.kind()) {
            case OVERHEAD_LINE -> new float[] {9, 2, 1, 2};
            case BURIED_SERVICE -> new float[] {3, 3};
            case PUBLIC_WAY, TRACK -> new float[] {7, 3};
            case BOUNDARY -> new float[] {10, 3, 2, 3, 2, 3};
            default -> null;
        };
        c.g.setStroke(new BasicStroke(
                f.kind() == LandKind.BUILDING ? 1.2f : 0.7f,
                BasicStroke.CAP_BUTT,
                BasicStroke.JOIN_MITER,
                10,
                dash,
                0));
        if (f.shape() == LandKind.Shape.POINT) {
            double[] p = c.at(f.points().getFirst());
            c.g.draw(new Ellipse2D.Double(p[0] - 3, p[1] - 3, 6, 6));
        } else {
            c.g.draw(c.path(f.points(), f.shape() == LandKind.Shape.AREA));
        }
        c.text(c.at(f.points().get(f.points().size() / 2)), 5, -3, f.title());
    }

    private void line(Canvas c, LineLayout line) {
        c.g.setColor(INK);
        c.g.setStroke(new BasicStroke(1.2f));
        c.g.draw(c.path(line.corners(), line.closed()));
        for (GatePlace gate : line.gates()) {
            List<double[]> ends = new ArrayList<>();
            for (Post p : line.posts()) {
                if (Math.abs(p.stationM() - gate.fromM()) < 0.1 || Math.abs(p.stationM() - gate.toM()) < 0.1) {
                    ends.add(c.at(GeoPoint.of(p.lonDeg(), p.latDeg())));
                }
            }
            if (ends.size() == 2) {
                c.g.setColor(Color.WHITE);
                c.g.setStroke(new BasicStroke(3f));
                c.g.draw(new Line2D.Double(ends.get(0)[0], ends.get(0)[1], ends.get(1)[0], ends.get(1)[1]));
                c.g.setColor(INK);
                c.text(ends.get(0), 6, 14, gate.name());
            }
        }
        c.g.setColor(INK);
        for (Post p : line.posts()) {
            double[] at = c.at(GeoPoint.of(p.lonDeg(), p.latDeg()));
            if (p.kind().strong()) {
                c.square(at, 3);
                if (!p.label().isEmpty() && p.kind() != PostKind.GATE) {
                    c.text(at, 5, -5, p.label());
                }
            } else {
                c.dot(at, p.kind() == PostKind.BRACE ? 1.6 : 0.9);
            }
        }
    }

    private static void energizer(Canvas c, FeedPlace feed) {
        double[] at = c.at(GeoPoint.of(feed.lonDeg(), feed.latDeg()));
        c.g.setStroke(new BasicStroke(1.2f));
        c.g.draw(new Ellipse2D.Double(at[0] - 5, at[1] - 5, 10, 10));
        c.dot(at, 1.5);
        c.text(at, 8, 4, feed.name());
    }

    /** True north up; the compass needle beside it when the declination is known. */
    private void north(Graphics2D g, double width) {
        double x = width - 34;
        double y = 44;
        g.setColor(INK);
        g.setStroke(new BasicStroke(1.2f));
        g.draw(new Line2D.Double(x, y + 22, x, y - 22));
        Path2D head = new Path2D.Double();
        head.moveTo(x, y - 26);
        head.lineTo(x - 5, y - 14);
        head.lineTo(x + 5, y - 14);
        head.closePath();
        g.fill(head);
        g.drawString("N", (float) x - 3, (float) y - 29);
        OptionalDouble declination = land.declinationDeg();
        if (declination.isPresent()) {
            double angle = Math.toRadians(declination.getAsDouble());
            g.setStroke(new BasicStroke(0.8f, BasicStroke.CAP_BUTT, BasicStroke.JOIN_MITER, 10, new float[] {3, 2}, 0));
            g.draw(new Line2D.Double(x, y + 22, x + 42 * Math.sin(angle), y + 22 - 42 * Math.cos(angle)));
            g.drawString(
                    String.format(
                            Locale.ROOT,
                            "compass %.1f° %s",
                            Math.abs(declination.getAsDouble()),
                            declination.getAsDouble() < 0 ? "W" : "E"),
                    (float) x - 50,
                    (float) y + 36);
        }
    }

    private void bar(Graphics2D g, double height, double pxPerM) {
        double unit = units == UnitSystem.METRIC ? 1 : Lengths.M_PER_FT;
        double least = 90 / pxPerM / unit;
        double power = Math.pow(10, Math.floor(Math.log10(least)));
        double step = power * (least <= power ? 1 : least <= 2 * power ? 2 : least <= 5 * power ? 5 : 10);
        double px = step * unit * pxPerM;
        double y = height - 16;
        g.setColor(INK);
        g.setStroke(new BasicStroke(1.2f));
        for (int i = 0; i < 4; i++) {
            Rectangle2D part = new Rectangle2D.Double(14 + px * i / 4, y, px / 4, 4);
            if (i % 2 == 0) {
                g.fill(part);
            }
            g.draw(part);
        }
        g.drawString("0", 13, (float) y - 4);
        g.drawString(
                String.format(Locale.ROOT, "%,.0f %s", step, units == UnitSystem.METRIC ? "m" : "ft"),
                (float) (14 + px - 8),
                (float) y - 4);
        g.drawString(scaleText, (float) (14 + px + 40), (float) y + 4);
    }

    private static Font font(float size) {
        return Pdf.awtFont(size * 96 / 72);
    }
}
