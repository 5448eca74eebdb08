package buckle.exchange.paper;

import buckle.exchange.handover.Certificate.CurvePoint;
import buckle.exchange.handover.Certificate.ReadMark;
import buckle.exchange.handover.Certificate.VoltageCurve;
import buckle.units.Lengths;
import buckle.units.UnitSystem;
import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Font;
import java.awt.Graphics2D;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Line2D;
import java.awt.geom.Path2D;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;

/** Voltage along a line on paper: the predicted band, what is needed, and what was read. */
final class CurveDrawing {
    private static final Color BAND = new Color(0xdd, 0xdd, 0xdd);
    private static final Color QUIET = new Color(0x66, 0x66, 0x66);
    private static final double LEFT = 26;
    private static final double BELOW = 14;
    private static final double ABOVE = 4;

    private final VoltageCurve curve;
    private final OptionalDouble needV;
    private final UnitSystem units;
    private final double mostV;

    CurveDrawing(VoltageCurve curve, OptionalDouble needV, UnitSystem units) {
        this.curve = curve;
        this.needV = needV;
        this.units = units;
        double most = needV.orElse(0);
        for (CurvePoint p : curve.points()) {
            most = Math.max(most, p.highV());
        }
        for (ReadMark m : curve.marks()) {
            most = Math.max(most, m.peakV());
        }
        this.mostV = 2000 * Math.ceil(Math.max(most, 1) / 2000 + 0.05);
    }

    void draw(Graphics2D g, double width, double height) {
        double right = width - 4;
        double bottom = height - BELOW;
        g.setFont(g.getFont().deriveFont(Font.PLAIN, 8f));
        for (double v = 0; v <= mostV + 1; v += 2000) {
            double y = y(v, bottom);
            g.setColor(BAND);
            g.setStroke(new BasicStroke(0.4f));
            g.draw(new Line2D.Double(LEFT, y, right, y));
            g.setColor(QUIET);
            g.drawString(String.format(Locale.ROOT, "%.0f kV", v / 1000), 0, (float) (y + 3));
        }
        List<CurvePoint> points = curve.points();
        if (!points.isEmpty()) {
            Path2D band = new Path2D.Double();
            Path2D likely = new Path2D.Double();
            for (int i = 0; i < points.size(); i++) {
                CurvePoint p = points.get(i);
                double x = x(p.stationM(), right);
                if (i == 0) {
                    band.moveTo(x, y(p.highV(), bottom));
                    likely.moveTo(x, y(p.likelyV(), bottom));
                } else {
                    band.lineTo(x, y(p.highV(), bottom));
                    likely.lineTo(x, y(p.likelyV(), bottom));
                }
            }
            for (int i = points.size() - 1; i >= 0; i--) {
                band.lineTo(x(points.get(i).stationM(), right), y(points.get(i).lowV(), bottom));
            }
            band.closePath();
            g.setColor(BAND);
            g.fill(band);
            g.setColor(Color.BLACK);
            g.setStroke(new BasicStroke(1f));
            g.draw(likely);
        }
        if (needV.isPresent()) {
            g.setColor(Color.BLACK);
            g.setStroke(new BasicStroke(0.7f, BasicStroke.CAP_BUTT, BasicStroke.JOIN_MITER, 10, new float[] {4, 3}, 0));
            double y = y(needV.getAsDouble(), bottom);
            g.draw(new Line2D.Double(LEFT, y, right, y));
        }
        g.setColor(Color.BLACK);
        for (ReadMark m : curve.marks()) {
            g.fill(new Ellipse2D.Double(x(m.stationM(), right) - 2.5, y(m.peakV(), bottom) - 2.5, 5, 5));
        }
        g.setColor(QUIET);
        g.drawString("0", (float) LEFT, (float) height - 3);
        String end = Lengths.text(curve.lengthM(), units);
        g.drawString(end, (float) (right - g.getFontMetrics().stringWidth(end)), (float) height - 3);
    }

    private double x(double stationM, double right) {
        return LEFT + (right - LEFT) * (curve.lengthM() <= 0 ? 0 : stationM / curve.lengthM());
    }

    private double y(double volts, double bottom) {
        return bottom - (bottom - ABOVE) * volts / mostV;
    }
}
