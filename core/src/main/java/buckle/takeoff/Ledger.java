package buckle.takeoff;

import buckle.layout.BraceLoad;
import buckle.layout.Layout;
import buckle.layout.LineLayout;
import buckle.layout.PostKind;
import buckle.layout.Severity;
import buckle.spec.Animal;
import buckle.spec.Spec;
import buckle.units.Forces;
import buckle.units.Lengths;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Collectors;

/** The consequences of the plan in a few figures, always beside it. */
final class Ledger {
    private Ledger() {}

    static List<LedgerFigure> of(Layout layout, Spec spec, List<TakeoffLine> takeoff) {
        List<LedgerFigure> figures = new ArrayList<>();
        if (layout.lines().isEmpty()) {
            return figures;
        }
        figures.add(fence(layout, spec));
        figures.add(strong(layout));
        figures.add(linePosts(layout, takeoff));
        figures.add(wire(spec, takeoff));
        figures.add(insulators(takeoff));
        uplift(layout, spec).ifPresent(figures::add);
        figures.add(sections(layout));
        figures.add(need(spec));
        figures.add(open(layout));
        return figures;
    }

    private static LedgerFigure fence(Layout layout, Spec spec) {
        double length = layout.lines().stream().mapToDouble(LineLayout::lengthM).sum();
        double slope =
                layout.lines().stream().mapToDouble(LineLayout::slopeLengthM).sum();
        long sides = layout.lines().stream()
                .mapToLong(l -> l.cornerStationsM().size() - (l.closed() ? 0 : 1))
                .sum();
        String along = Lengths.whole(slope, spec.units()) + " along the slope";
        return new LedgerFigure(
                "fence",
                "Fence",
                Lengths.whole(length, spec.units()),
                plural(layout.lines().size(), "line") + ", " + plural(sides, "side") + ", " + along,
                "Horizontal length of " + plural(sides, "side") + " summed on the plane; " + along
                        + " with the heights of the survey.",
                List.of("L1"));
    }

    private static LedgerFigure strong(Layout layout) {
        long end = layout.count(PostKind.END);
        long corner = layout.count(PostKind.CORNER);
        long gate = layout.count(PostKind.GATE);
        long brace = layout.count(PostKind.BRACE);
        long more = layout.count(PostKind.TEE) + layout.count(PostKind.INLINE);
        String parts = end + " end, " + corner + " corner, " + gate + " gate, " + brace + " brace"
                + (more > 0 ? ", " + more + " tee and in-line" : "");
        return new LedgerFigure(
                "strong",
                "Strong posts",
                String.valueOf(end + corner + gate + brace + more),
                parts,
                parts + " = " + (end + corner + gate + brace + more),
                List.of("B10", "B3", "J5"));
    }

    private static LedgerFigure linePosts(Layout layout, List<TakeoffLine> takeoff) {
        String derivation = find(takeoff, "post.line");
        return new LedgerFigure(
                "line-posts",
                "Line posts",
                String.valueOf(layout.count(PostKind.LINE) + layout.count(PostKind.TIE_DOWN)),
                layout.count(PostKind.LIGHT) > 0
                        ? "and " + layout.count(PostKind.LIGHT) + " light posts between them"
                        : "evened between strong posts",
                derivation,
                List.of("P1", "P15"));
    }

    private static LedgerFigure wire(Spec spec, List<TakeoffLine> takeoff) {
        List<TakeoffLine> wires =
                takeoff.stream().filter(t -> t.item().startsWith("wire.")).toList();
        double total = wires.stream().mapToDouble(TakeoffLine::quantity).sum();
        Map<String, Integer> coils = new LinkedHashMap<>();
        wires.forEach(w -> coils.merge(
                w.item().split("\\.")[1], w.pack().map(p -> p.count()).orElse(0), Integer::sum));
        String note = coils.entrySet().stream()
                .map(c -> plural(c.getValue(), "coil") + " " + c.getKey())
                .collect(Collectors.joining(", "));
        return new LedgerFigure(
                "wire",
                "Wire",
                Lengths.whole(total, spec.units()),
                note,
                wires.stream().map(w -> w.name() + ": " + w.derivation()).collect(Collectors.joining(". ")),
                List.of("L1", "S11"));
    }

    private static LedgerFigure insulators(List<TakeoffLine> takeoff) {
        long line = quantity(takeoff, t -> t.item().startsWith("insulator.line"));
        long strain = quantity(takeoff, t -> t.item().equals("insulator.strain"));
        return new LedgerFigure(
                "insulators",
                "Insulators",
                String.valueOf(line + strain),
                line + " line with spares, " + strain + " strain",
                "Line: " + find(takeoff, "insulator.line") + ". Strain: " + find(takeoff, "insulator.strain"),
                List.of("I1", "I2"));
    }

    /** The strong post that is lifted most, with the other school's figure and the worst load beside it. */
    private static Optional<LedgerFigure> uplift(Layout layout, Spec spec) {
        return layout.lines().stream()
                .flatMap(l -> l.braces().stream())
                .filter(b -> b.load().day().upliftN() > 0)
                .max(Comparator.comparingDouble(b -> b.load().day().upliftN()))
                .map(b -> {
                    BraceLoad load = b.load();
                    String both = b.schools().stream()
                            .map(s -> Lengths.text(s.railM(), spec.units()) + " rail "
                                    + Forces.text(s.day().upliftN(), spec.units()))
                            .collect(Collectors.joining(" · "));
                    boolean more = load.worst().upliftN() > load.day().upliftN() * 1.005;
                    double one = load.day().momentNm()
                            / load.railM()
                            / Math.max(1, b.kind().rails());
                    double others = load.day().upliftN() - one;
                    return new LedgerFigure(
                            "uplift",
                            "Uplift at worst strong post",
                            Forces.text(load.day().upliftN(), spec.units()),
                            (more
                                            ? "up to "
                                                    + Forces.text(load.worst().upliftN(), spec.units())
                                                    + " at the worst; "
                                            : "")
                                    + (both.isEmpty() ? b.kind().text() : both),
                            "Pulls times their heights about the ground, "
                                    + Forces.moment(load.day().momentNm(), spec.units())
                                    + (b.kind().rails() == 2 ? ", shared by two frames" : "")
                                    + ", ÷ rail "
                                    + Lengths.text(load.railM(), spec.units())
                                    + (others > 0.005 * one
                                            ? " = " + Forces.text(one, spec.units()) + "; with "
                                                    + Forces.text(others, spec.units())
                                                    + " of the brace the other way, which lifts the same post,"
                                            : "")
                                    + " = " + Forces.text(load.day().upliftN(), spec.units())
                                    + " on the day of building. The ground and its weight hold about "
                                    + Forces.text(load.holdN(), spec.units()) + "; " + reserve("", load.day())
                                    + (more ? reserve(", at the worst load ", load.worst()) : "") + ".",
                            List.of("B8", load.rule(), "P18", "H1"));
                });
    }

    private static String reserve(String when, BraceLoad.State state) {
        return when + state.hold().text() + " with "
                + String.format(Locale.ROOT, "%.1f", state.safety()) + " times what is asked (" + state.weakest()
                + " first)";
    }

    private static LedgerFigure sections(Layout layout) {
        long cutOuts =
                layout.lines().stream().mapToLong(l -> l.cutOuts().size()).sum();
        return new LedgerFigure(
                "sections",
                "Sections",
                String.valueOf(layout.sections().size()),
                plural(cutOuts, "cut-out") + ", " + plural(layout.testPoints().size(), "test point"),
                plural(cutOuts, "cut-out") + " part the fence into "
                        + plural(layout.sections().size(), "section") + ", a tree from the energizer.",
                List.of("J4", "J7"));
    }

    private static LedgerFigure need(Spec spec) {
        String text = spec.needV().isPresent()
                ? String.format(Locale.ROOT, "%.1f kV", spec.needV().getAsDouble() / 1000)
                : "not known";
        String why = spec.animals().stream()
                .map(a -> a.text() + " "
                        + (a.needV().isPresent()
                                ? String.format(
                                        Locale.ROOT, "%.1f kV", a.needV().getAsDouble() / 1000)
                                : "no voltage known"))
                .collect(Collectors.joining(", "));
        return new LedgerFigure(
                "need",
                "Must hold",
                text,
                "peak on the wire, " + spec.animals().stream().map(Animal::text).collect(Collectors.joining(", ")),
                "The hardest animal decides: " + why + ".",
                spec.animals().stream().map(Animal::rule).distinct().toList());
    }

    private static LedgerFigure open(Layout layout) {
        long warn = layout.findings().stream()
                .filter(f -> f.severity() == Severity.WARN && f.accepted().isEmpty())
                .count();
        long caution = layout.findings().stream()
                .filter(f -> f.severity() == Severity.CAUTION)
                .count();
        return new LedgerFigure(
                "findings",
                "To mend",
                String.valueOf(warn),
                plural(caution, "caution") + " below, and one card of what is so on every job",
                "Findings of this layout that ask for a change of the plan.",
                List.of());
    }

    private static long quantity(List<TakeoffLine> takeoff, Predicate<TakeoffLine> which) {
        return Math.round(takeoff.stream()
                .filter(which)
                .mapToDouble(TakeoffLine::quantity)
                .sum());
    }

    private static String find(List<TakeoffLine> takeoff, String item) {
        return takeoff.stream()
                .filter(t -> t.item().equals(item))
                .findFirst()
                .map(TakeoffLine::derivation)
                .orElse("none");
    }

    private static String plural(long count, String noun) {
        return count + " " + noun + (count == 1 ? "" : "s");
    }
}
