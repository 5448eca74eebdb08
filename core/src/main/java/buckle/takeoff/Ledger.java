package buckle.takeoff;

import buckle.layout.Brace;
import buckle.layout.BraceLoad;
import buckle.layout.Layout;
import buckle.layout.LineLayout;
import buckle.layout.PostKind;
import buckle.layout.Severity;
import buckle.material.Use;
import buckle.message.Message;
import buckle.message.TakeoffMessage;
import buckle.message.TakeoffMessage.CoilsOf;
import buckle.message.TakeoffMessage.RailLift;
import buckle.message.TakeoffMessage.Reserve;
import buckle.message.TakeoffMessage.WireItem;
import buckle.rulebook.Rule;
import buckle.spec.Animal;
import buckle.spec.FenceSpec;
import buckle.spec.Spec;
import buckle.spec.Wire;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;

/** The consequences of the plan in a few figures, always beside it. */
public final class Ledger {
    /** An uplift hardly over that of the day of building is the same. */
    private static final double SAME = 1.005;

    private Ledger() {}

    /** The figures that stand beside the plan. */
    public static List<LedgerFigure> of(Layout layout, Spec spec, List<TakeoffLine> takeoff) {
        List<LedgerFigure> figures = new ArrayList<>();
        if (layout.lines().isEmpty()) {
            return figures;
        }
        figures.add(fence(layout));
        Map<PostKind, Long> posts = layout.counts();
        figures.add(strong(posts));
        figures.add(linePosts(posts, takeoff));
        figures.add(wire(takeoff));
        figures.add(insulators(layout, spec, takeoff));
        uplift(layout).ifPresent(figures::add);
        figures.add(sections(layout));
        figures.add(need(spec));
        figures.add(open(layout));
        return figures;
    }

    private static LedgerFigure fence(Layout layout) {
        double length = layout.lines().stream().mapToDouble(LineLayout::lengthM).sum();
        double slope =
                layout.lines().stream().mapToDouble(LineLayout::slopeLengthM).sum();
        long sides = layout.lines().stream()
                .mapToLong(l -> l.cornerStationsM().size() - (l.closed() ? 0 : 1))
                .sum();
        return new LedgerFigure(
                "fence", new TakeoffMessage.FenceFigure(layout.lines().size(), sides, length, slope), List.of(Rule.L1));
    }

    private static LedgerFigure strong(Map<PostKind, Long> posts) {
        return new LedgerFigure(
                "strong",
                new TakeoffMessage.StrongPosts(
                        count(posts, PostKind.END),
                        count(posts, PostKind.CORNER),
                        count(posts, PostKind.GATE),
                        count(posts, PostKind.BRACE),
                        count(posts, PostKind.TEE, PostKind.INLINE)),
                List.of(Rule.B10, Rule.B3, Rule.J5));
    }

    private static LedgerFigure linePosts(Map<PostKind, Long> posts, List<TakeoffLine> takeoff) {
        return new LedgerFigure(
                "line-posts",
                new TakeoffMessage.LinePosts(
                        count(posts, PostKind.LINE, PostKind.TIE_DOWN),
                        count(posts, PostKind.LIGHT),
                        derivation(takeoff, Use.LINE_POST)),
                List.of(Rule.P1, Rule.P15));
    }

    private static long count(Map<PostKind, Long> posts, PostKind... kinds) {
        return Arrays.stream(kinds).mapToLong(k -> posts.getOrDefault(k, 0L)).sum();
    }

    private static LedgerFigure wire(List<TakeoffLine> takeoff) {
        List<TakeoffLine> wires = takeoff.stream().filter(t -> t.use().isWire()).toList();
        Map<Use, Long> coils = new EnumMap<>(Use.class);
        wires.forEach(w ->
                coils.merge(w.use(), w.pack().map(p -> (long) p.count()).orElse(0L), Long::sum));
        return new LedgerFigure(
                "wire",
                new TakeoffMessage.WireFigure(
                        wires.stream().mapToDouble(TakeoffLine::quantity).sum(),
                        coils.entrySet().stream()
                                .map(c -> new CoilsOf(c.getKey(), c.getValue()))
                                .toList(),
                        wires.stream()
                                .map(w -> new WireItem(w.name(), w.derivation()))
                                .toList()),
                List.of(Rule.L1, Rule.S11));
    }

    /** Wires held by the clips, slots or holes of the posts themselves. */
    private static long fastenings(Layout layout, Spec spec) {
        long all = 0;
        for (LineLayout line : layout.lines()) {
            FenceSpec fence = spec.fence(line.lineId());
            long posts = line.posts().stream()
                    .filter(p -> !p.shared() && fence.holdsWires(p.stock().family()))
                    .count();
            long wires = line.schedule().wires().stream()
                    .filter(w -> !w.stands() && w.fastening().orElse(Wire.Fastening.OWN) == Wire.Fastening.OWN)
                    .count();
            all += posts * wires;
        }
        return all;
    }

    private static LedgerFigure insulators(Layout layout, Spec spec, List<TakeoffLine> takeoff) {
        return new LedgerFigure(
                "insulators",
                new TakeoffMessage.InsulatorFigure(
                        quantity(takeoff, Use.LINE_INSULATOR::equals),
                        quantity(takeoff, Use.STRAIN_INSULATOR::equals),
                        fastenings(layout, spec),
                        derivation(takeoff, Use.LINE_INSULATOR),
                        derivation(takeoff, Use.STRAIN_INSULATOR)),
                List.of(Rule.I1, Rule.I2));
    }

    /** The strong post that is lifted most, with the other school's figure and the worst load beside it. */
    private static Optional<LedgerFigure> uplift(Layout layout) {
        return layout.lines().stream()
                .flatMap(l -> l.braces().stream())
                .filter(b -> b.load().day().upliftN() > 0)
                .max(Comparator.comparingDouble(b -> b.load().day().upliftN()))
                .map(Ledger::uplift);
    }

    private static LedgerFigure uplift(Brace b) {
        BraceLoad load = b.load();
        boolean more = load.worst().upliftN() > load.day().upliftN() * SAME;
        double one = load.day().momentNm() / load.railM() / Math.max(1, b.kind().rails());
        return new LedgerFigure(
                "uplift",
                new TakeoffMessage.UpliftFigure(
                        load.day().upliftN(),
                        more ? Optional.of(load.worst().upliftN()) : Optional.empty(),
                        b.schools().stream()
                                .map(s -> new RailLift(s.railM(), s.day().upliftN()))
                                .toList(),
                        b.kind(),
                        load.day().momentNm(),
                        load.railM(),
                        one,
                        load.day().upliftN() - one,
                        load.holdN(),
                        reserve(load.day()),
                        more ? Optional.of(reserve(load.worst())) : Optional.empty()),
                List.of(Rule.B8, load.rule(), Rule.P18, Rule.H1));
    }

    private static Reserve reserve(BraceLoad.State state) {
        return new Reserve(state.hold(), state.safety(), state.weakest());
    }

    private static LedgerFigure sections(Layout layout) {
        return new LedgerFigure(
                "sections",
                new TakeoffMessage.SectionFigure(
                        layout.sections().size(),
                        layout.lines().stream()
                                .mapToLong(l -> l.cutOuts().size())
                                .sum(),
                        layout.testPoints().size()),
                List.of(Rule.J4, Rule.J7));
    }

    private static LedgerFigure need(Spec spec) {
        return new LedgerFigure(
                "need",
                new TakeoffMessage.NeedFigure(spec.fence().needV(), spec.fence().animals()),
                spec.fence().animals().stream().map(Animal::rule).distinct().toList());
    }

    private static LedgerFigure open(Layout layout) {
        long warn = layout.findings().stream()
                .filter(f -> f.severity() == Severity.WARN && f.accepted().isEmpty())
                .count();
        long caution = layout.findings().stream()
                .filter(f -> f.severity() == Severity.CAUTION)
                .count();
        return new LedgerFigure("findings", new TakeoffMessage.FindingFigure(warn, caution), List.of());
    }

    private static long quantity(List<TakeoffLine> takeoff, Predicate<Use> which) {
        return Math.round(takeoff.stream()
                .filter(t -> which.test(t.use()))
                .mapToDouble(TakeoffLine::quantity)
                .sum());
    }

    /** Of the first line of a use. */
    private static Message derivation(List<TakeoffLine> takeoff, Use use) {
        return takeoff.stream()
                .filter(t -> t.use() == use)
                .findFirst()
                .map(TakeoffLine::derivation)
                .orElse(Message.NONE);
    }
}
