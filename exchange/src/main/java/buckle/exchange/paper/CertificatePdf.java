package buckle.exchange.paper;

import buckle.exchange.handover.Certificate;
import buckle.land.Land;
import buckle.layout.Layout;
import buckle.message.Dialect;
import buckle.rulebook.Standing;
import buckle.units.UnitSystem;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;

/** The certificate of a fence that is handed over, and the card its owner keeps. */
public final class CertificatePdf {
    private static final double SIDES_MM = 36;
    private static final double PLAN_MM = 92;
    private static final double CURVE_MM = 34;

    private CertificatePdf() {}

    /** A section as the table has it. */
    public record SectionLine(String name, String length, String peak, String standing, boolean good, String why) {}

    /** A curve's place on the page. */
    public record CurveBox(String id, String name) {}

    /** A reading as the table has it; the point is named in its first row only. */
    public record ReadingLine(
            String point,
            String what,
            String read,
            String expected,
            String need,
            String agrees,
            boolean bad,
            String when) {}

    /** The certificate. */
    public static byte[] write(Certificate c, Layout layout, Land land, Paper paper) {
        double widthMm = paper.widthMm() - SIDES_MM;
        PlanDrawing plan = new PlanDrawing(layout, land, c.units(), widthMm, PLAN_MM);
        Map<String, Pdf.Drawing> drawings = new HashMap<>(Map.of("plan", plan::draw));
        List<CurveBox> boxes = new ArrayList<>();
        for (int i = 0; i < c.curves().size(); i++) {
            Certificate.VoltageCurve curve = c.curves().get(i);
            boxes.add(new CurveBox("curve" + i, curve.name()));
            drawings.put("curve" + i, new CurveDrawing(curve, c.needV(), c.units())::draw);
        }
        Map<String, Object> values = Map.ofEntries(
                Map.entry("paper", paper),
                Map.entry("c", c),
                Map.entry("signed", date(c.signedOn(), c.units())),
                Map.entry(
                        "sections",
                        c.sections().stream().map(CertificatePdf::section).toList()),
                Map.entry("readings", readings(c)),
                Map.entry(
                        "done",
                        c.checks().stream()
                                .filter(Certificate.CheckRow::inOrder)
                                .toList()),
                Map.entry("gaps", c.checks().stream().filter(x -> !x.inOrder()).toList()),
                Map.entry("leaks", Dialect.text(c.leaks(), c.units())),
                Map.entry("earthHeading", Dialect.text("Earth", c.units())),
                Map.entry("curves", boxes),
                Map.entry("planTitle", "Plan, " + plan.scaleText()),
                Map.entry("width", Template.mm(widthMm)),
                Map.entry("height", Template.mm(PLAN_MM)),
                Map.entry("curveHeight", Template.mm(CURVE_MM)));
        return Pdf.render(Template.filled("certificate.peb", values), drawings);
    }

    /** A card to be cut out and kept beside the energizer. */
    public static byte[] card(Certificate c, Paper paper) {
        Certificate.OwnerCard card = c.card();
        return Pdf.render(
                Template.filled(
                        "owner-card.peb",
                        Map.ofEntries(
                                Map.entry("paper", paper),
                                Map.entry("c", c),
                                Map.entry("signed", date(c.signedOn(), c.units())),
                                Map.entry("number", kv(card.numberV())),
                                Map.entry("at", card.at()),
                                Map.entry("lowest", card.lowest()),
                                Map.entry("lowestKv", kv(card.lowestV())),
                                Map.entry("need", kv(card.needV())),
                                Map.entry("ask", kv(card.askV())),
                                Map.entry("switches", card.switches()),
                                Map.entry("call", card.call()))),
                Map.of());
    }

    private static String date(LocalDate day, UnitSystem units) {
        return day.format(
                DateTimeFormatter.ofPattern(units == UnitSystem.METRIC ? "d MMMM yyyy" : "MMMM d, yyyy", Locale.US));
    }

    private static String kv(OptionalDouble volts) {
        return volts.isPresent() ? String.format(Locale.ROOT, "%.1f kV", volts.getAsDouble() / 1000) : "–";
    }

    private static SectionLine section(Certificate.SectionRow s) {
        return new SectionLine(
                s.name(),
                s.length(),
                kv(s.peakV()),
                word(s.standing(), "met", "not told"),
                s.standing() == Standing.MET,
                s.why());
    }

    private static String word(Standing standing, String met, String open) {
        return switch (standing) {
            case MET -> met;
            case WARN -> "weak";
            case BROKEN -> "broken";
            case OPEN -> open;
        };
    }

    private static List<ReadingLine> readings(Certificate c) {
        List<ReadingLine> all = new ArrayList<>();
        String last = "";
        for (Certificate.ReadingRow r : c.readings()) {
            all.add(new ReadingLine(
                    r.point().equals(last) ? "" : r.point(),
                    Dialect.text(r.what(), c.units()),
                    r.read(),
                    r.expected(),
                    word(r.need(), "met", ""),
                    r.off(),
                    r.need() == Standing.BROKEN || r.agrees() == Standing.BROKEN,
                    r.when()));
            last = r.point();
        }
        return all;
    }
}
