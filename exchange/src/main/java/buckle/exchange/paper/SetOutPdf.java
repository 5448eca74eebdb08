package buckle.exchange.paper;

import buckle.land.Land;
import buckle.layout.Layout;
import buckle.setout.SetOut;
import buckle.setout.SetOut.Diagonal;
import buckle.setout.SetOut.Mark;
import buckle.setout.SetOut.SetOutLine;
import buckle.setout.SetOut.Tie;
import buckle.units.Lengths;
import buckle.units.UnitSystem;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;

/** The set-out sheet on paper: a table for each line, and a plan to scale; to be read off a clipboard. */
public final class SetOutPdf {
    private static final double SIDES_MM = 24;
    private static final double HEAD_AND_FOOT_MM = 62;

    private final SetOut sheet;
    private final UnitSystem units;

    private SetOutPdf(SetOut sheet, UnitSystem units) {
        this.sheet = sheet;
        this.units = units;
    }

    /** What stands at the head of each page. */
    public record Heading(String job, String client, String property, int revision, String date) {}

    /** A line as the sheet has it. */
    public record LinePage(String title, List<Row> marks, String diagonals) {}

    /**
     * A mark as the table has it.
     *
     * @param along the slope, where that is more; otherwise empty
     * @param untied what serves where nothing near stands; otherwise empty
     */
    public record Row(
            String name,
            String kind,
            String from,
            String along,
            String station,
            String turn,
            String bearing,
            String compass,
            List<TieText> ties,
            String untied,
            String then) {}

    /** A distance to something that stands. */
    public record TieText(String distance, String to) {}

    public static byte[] write(Heading heading, SetOut sheet, Layout layout, Land land, UnitSystem units, Paper paper) {
        SetOutPdf pdf = new SetOutPdf(sheet, units);
        double widthMm = paper.widthMm() - SIDES_MM;
        double heightMm = paper.heightMm() - HEAD_AND_FOOT_MM;
        PlanDrawing plan = new PlanDrawing(layout, land, units, widthMm, heightMm);
        String page = Template.filled(
                "set-out.peb",
                Map.of(
                        "paper", paper,
                        "heading", heading,
                        "calls", sheet.calls(),
                        "offsetNote", sheet.offsetNote(),
                        "declination", pdf.declination(),
                        "lines", sheet.lines().stream().map(pdf::line).toList(),
                        "planTitle", "Plan, " + plan.scaleText(),
                        "width", Template.mm(widthMm),
                        "height", Template.mm(heightMm)));
        return Pdf.render(page, Map.of("plan", plan::draw));
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

    private LinePage line(SetOutLine line) {
        return new LinePage(
                line.name() + ", " + tape(line.lengthM()) + (line.closed() ? ", closed" : ", open"),
                line.marks().stream().map(this::row).toList(),
                line.diagonals().stream().map(this::diagonal).collect(Collectors.joining("; ")));
    }

    private Row row(Mark m) {
        boolean start = m.fromLastM() == 0;
        boolean level = Math.abs(m.slopeFromLastM() - m.fromLastM()) < 0.02;
        return new Row(
                m.name(),
                m.standing() ? "stands already" : m.kind(),
                start ? "start" : tape(m.fromLastM()),
                start || level ? "" : tape(m.slopeFromLastM()),
                tape(m.stationM()),
                turn(m),
                m.bearingDeg().isPresent() ? degrees(m.bearingDeg().getAsDouble()) : "end",
                m.bearingDeg().isPresent() && m.compassDeg().isPresent()
                        ? degrees(m.compassDeg().getAsDouble())
                        : "",
                m.ties().stream().map(this::tie).toList(),
                m.ties().isEmpty()
                        ? String.format(Locale.ROOT, "none near: handheld %.6f, %.6f", m.latDeg(), m.lonDeg())
                        : "",
                m.then());
    }

    private static String turn(Mark m) {
        return Math.abs(m.turnDeg()) < 0.05
                ? "straight"
                : degrees(Math.abs(m.turnDeg())) + (m.turnDeg() > 0 ? " right" : " left");
    }

    private TieText tie(Tie t) {
        return new TieText(tape(t.distanceM()), t.to());
    }

    private String diagonal(Diagonal d) {
        return d.first() + " " + tape(d.firstM()) + ", " + d.second() + " " + tape(d.secondM());
    }

    private String tape(double lengthM) {
        return Lengths.taped(lengthM, units);
    }

    private static String degrees(double angleDeg) {
        return String.format(Locale.ROOT, "%.1f°", angleDeg);
    }
}
