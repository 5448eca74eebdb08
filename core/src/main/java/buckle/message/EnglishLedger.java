package buckle.message;

import static buckle.message.English.kv;
import static buckle.message.English.number;
import static buckle.message.English.oneDecimal;
import static buckle.message.English.plural;

import buckle.material.Use;
import buckle.message.English.FigureText;
import buckle.message.TakeoffMessage.*;
import buckle.spec.Animal;
import java.util.Locale;
import java.util.stream.Collectors;

/** Figures of the ledger, in words. */
final class EnglishLedger {
    private final English en;

    EnglishLedger(English en) {
        this.en = en;
    }

    FigureText text(Figure figure) {
        return switch (figure) {
            case FenceFigure m -> {
                String along = en.whole(m.slopeM()) + " along the slope";
                yield new FigureText(
                        "Fence",
                        en.whole(m.lengthM()),
                        plural(m.lines(), "line") + ", " + plural(m.sides(), "side") + ", " + along,
                        "Horizontal length of " + plural(m.sides(), "side") + " summed on the plane; " + along
                                + " with the heights of the survey.");
            }
            case StrongPosts m -> {
                long all = m.end() + m.corner() + m.gate() + m.brace() + m.more();
                String parts = m.end() + " end, " + m.corner() + " corner, " + m.gate() + " gate, " + m.brace()
                        + " brace" + (m.more() > 0 ? ", " + m.more() + " tee and in-line" : "");
                yield new FigureText("Strong posts", number(all), parts, parts + " = " + number(all));
            }
            case LinePosts m ->
                new FigureText(
                        "Line posts",
                        number(m.line()),
                        m.light() > 0
                                ? "and " + plural(m.light(), "light post") + " between them"
                                : "spaced evenly between strong posts",
                        orNone(m.derivation()));
            case WireFigure m ->
                new FigureText(
                        "Wire",
                        en.whole(m.totalM()),
                        m.coils().stream()
                                .map(c -> plural(c.coils(), "coil") + " " + role(c.use()))
                                .collect(Collectors.joining(", ")),
                        m.items().stream()
                                .map(i -> en.text(i.name()) + ": " + en.text(i.derivation()))
                                .collect(Collectors.joining(". ")));
            case InsulatorFigure m ->
                new FigureText(
                        "Insulators",
                        number(m.line() + m.strain()),
                        number(m.line()) + " line with spares, " + number(m.strain()) + " strain"
                                + (m.byPosts() > 0
                                        ? ", and " + number(m.byPosts())
                                                + " fastenings by the posts' own clips or holes"
                                        : ""),
                        "Line: " + orNone(m.lineDerivation()) + ". Strain: " + orNone(m.strainDerivation()));
            case UpliftFigure m -> uplift(m);
            case SectionFigure m ->
                new FigureText(
                        "Sections",
                        number(m.sections()),
                        plural(m.cutOuts(), "cut-out") + ", " + plural(m.testPoints(), "test point"),
                        plural(m.cutOuts(), "cut-out") + " part the fence into " + plural(m.sections(), "section")
                                + ", branching out from the energizer.");
            case NeedFigure m ->
                new FigureText(
                        "Must hold",
                        m.needV().isPresent() ? kv(m.needV().getAsDouble()) : "not known",
                        "peak on the wire, " + English.animals(m.animals()),
                        "The hardest animal decides: "
                                + m.animals().stream().map(EnglishLedger::need).collect(Collectors.joining(", "))
                                + ".");
            case FindingFigure m ->
                new FigureText(
                        "To fix",
                        number(m.warnings()),
                        plural(m.cautions(), "caution") + " below, and one card of what is so on every job",
                        "Findings of this layout that ask for a change of the plan.");
        };
    }

    private static String role(Use use) {
        return use == Use.HOT_WIRE ? "hot" : use == Use.EARTH_WIRE ? "earth" : "plain";
    }

    private String orNone(Message derivation) {
        String text = en.text(derivation);
        return text.isEmpty() ? "none" : text;
    }

    private static String need(Animal animal) {
        return animal.text() + " "
                + (animal.needV().isPresent() ? kv(animal.needV().getAsDouble()) : "no voltage known");
    }

    private FigureText uplift(UpliftFigure m) {
        String schools = m.schools().stream()
                .map(s -> en.length(s.railM()) + " rail " + en.force(s.upliftN()))
                .collect(Collectors.joining(" · "));
        String worst = m.worstUpliftN()
                .map(w -> "up to " + en.force(w) + " at the worst; ")
                .orElse("");
        String others = m.othersN() > 0.005 * m.oneN()
                ? " = " + en.force(m.oneN()) + "; with " + en.force(m.othersN())
                        + " of the brace the other way, which lifts the same post,"
                : "";
        return new FigureText(
                "Uplift at worst strong post",
                en.force(m.upliftN()),
                worst + (schools.isEmpty() ? m.brace().text() : schools),
                "Each wire's pull times its height above ground, summed, " + en.moment(m.momentNm())
                        + (m.brace().rails() == 2 ? ", shared by two frames" : "") + ", ÷ rail " + en.length(m.railM())
                        + others + " = " + en.force(m.upliftN())
                        + " on the day of building. The ground and its weight hold about " + en.force(m.holdN()) + "; "
                        + reserve(m.day())
                        + m.worst()
                                .map(w -> ", at the worst load " + reserve(w))
                                .orElse("") + ".");
    }

    private static String reserve(Reserve r) {
        return String.format(
                Locale.ROOT,
                "%s with %s times what is asked (%s first)",
                r.hold().text(),
                oneDecimal(r.safety()),
                r.weakest().text());
    }
}
