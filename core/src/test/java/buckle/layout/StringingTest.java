package buckle.layout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import buckle.Fences;
import buckle.design.Design;
import buckle.material.Conductor;
import buckle.material.PostStock;
import buckle.message.English;
import buckle.message.JointKind;
import buckle.message.LayoutMessage;
import buckle.message.PostMessage;
import buckle.network.LiveWires;
import buckle.rulebook.Values;
import buckle.site.FenceLine;
import buckle.site.Gate;
import buckle.site.GateKind;
import buckle.site.LineBook;
import buckle.spec.BraceKind;
import buckle.spec.LineSpec;
import buckle.spec.Preset;
import buckle.spec.Spec;
import buckle.spec.Stringing;
import buckle.spec.Stringing.Tightener;
import buckle.spec.Stringing.Way;
import buckle.spec.Stringing.WireEnd;
import buckle.spec.Wire;
import buckle.spec.WireRole;
import buckle.spec.WireSchedule;
import buckle.takeoff.TakeoffLine;
import buckle.units.Forces;
import buckle.units.Lengths;
import buckle.units.UnitSystem;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

/** Ways of running wire, counted by hand from small fences as people build them (common practice). */
class StringingTest {
    private static Spec spec(Way way, Tightener tightener) {
        return Spec.USUAL.withFence(
                f -> f.withStringing(Stringing.USUAL.withWay(way).withTightener(tightener))
                        .withBraces(f.braces().withKind(BraceKind.NONE)));
    }

    private static Spec hot(Spec spec, double... heightsM) {
        List<Wire> wires = new ArrayList<>();
        for (double h : heightsM) {
            wires.add(new Wire(h, WireRole.HOT));
        }
        return spec.withFence(f -> f.withSchedule(new WireSchedule("own", wires)));
    }

    private static Spec of(Spec spec, Conductor conductor) {
        return spec.withFence(f ->
                f.withWires(f.wires().withHot(conductor).withEarth(conductor).withPlain(conductor)));
    }

    private static Design lay(Spec spec, FenceLine... lines) {
        return Design.of(Fences.site(-4, 0, lines), spec);
    }

    private static Map<String, TakeoffLine> takeoff(Design design) {
        return design.takeoff().stream().collect(Collectors.toMap(TakeoffLine::item, Function.identity()));
    }

    private static double quantity(Design design, String item) {
        TakeoffLine line = takeoff(design).get(item);
        return line == null ? 0 : line.quantity();
    }

    private static LineLayout only(Design design) {
        return design.layout().lines().getFirst();
    }

    /** Wire as it hangs, before slack and tails. */
    private static double hungM(Design design) {
        return design.layout().lines().stream()
                .mapToDouble(
                        l -> l.pulls().stream().mapToDouble(Pull::slopeLengthM).sum()
                                * l.schedule().count(WireRole.HOT))
                .sum();
    }

    private static long joints(Design design, JointKind kind) {
        return design.layout().joints().stream().filter(j -> j.kind() == kind).count();
    }

    private static List<String> dead(Design design) {
        LiveWires live = design.laid().network().orElseThrow().live(Set.of());
        return live.dead().stream().map(d -> d.lineId() + " " + d.wires()).toList();
    }

    private static FenceLine circle(String id, double radiusM, int corners) {
        double[] at = new double[2 * corners];
        for (int i = 0; i < corners; i++) {
            at[2 * i] = radiusM * Math.sin(2 * Math.PI * i / corners);
            at[2 * i + 1] = radiusM * Math.cos(2 * Math.PI * i / corners);
        }
        return Fences.line(id, true, at);
    }

    /** 21 × 15 m, seven aluminium wires pulled by hand, a gate on the corner post. */
    @Test
    void poultryYardWhoseWiresRunOn() {
        Spec spec = of(spec(Way.RUNS_ON, Tightener.NONE), Conductor.ALU_14)
                .withFence(f -> f.withSchedule(Preset.of("W11").schedule())
                        .withPosts(
                                f.posts().withSpacingM(10.5).withLightPerGap(2).withCloseUp(false)));
        FenceLine line = Fences.line("yard", true, 0, 0, 21, 0, 21, 15, 0, 15)
                .withGates(List.of(Fences.gate("g", GateKind.HANDLE, 0.75, 0, 1.5)));
        LineBook.PostOverride oneEast = short1("e", 21, 0, 21, 15);
        LineBook.PostOverride oneWest = short1("w", 0, 15, 0, 0);
        line = line.withBook(line.book().withOverrides(List.of(oneEast, oneWest)));
        Design design = lay(spec, line);
        LineLayout laid = only(design);

        assertThat(laid.runs()).hasSize(1);
        assertThat(laid.runs().getFirst().slopeLengthM()).isCloseTo(70.5, within(0.01));
        assertThat(hungM(design)).isCloseTo(493.5, within(0.1));
        assertThat(quantity(design, "insulator.strain")).isEqualTo(14);
        assertThat(quantity(design, "insulator.corner")).isEqualTo(21);
        assertThat(quantity(design, "strainer")).isZero();
        assertThat(quantity(design, "jumper")).isEqualTo(1);
        assertThat(joints(design, JointKind.LINK)).isZero();
        long timber = laid.posts().stream()
                .filter(p -> p.stock().family() == PostStock.Family.TIMBER)
                .count();
        assertThat(timber).isEqualTo(9);
        assertThat(quantity(design, "post.gate")).isEqualTo(1);
        assertThat(quantity(design, "post.light"))
                .as("two a gap on long sides, one on short")
                .isEqualTo(4 * 2 + 4);
        assertThat(quantity(design, "wire.hot"))
                .as("slack and a tail of 2 ft 6 in at each of 14 ends")
                .isCloseTo(493.5 * 1.03 + 14 * Lengths.ft(2.5), within(0.2));
        assertThat(dead(design)).isEmpty();
    }

    private static LineBook.PostOverride short1(String id, double e1, double n1, double e2, double n2) {
        return new LineBook.PostOverride(
                id,
                Fences.at(e1, n1),
                Fences.at(e2, n2),
                OptionalDouble.empty(),
                Optional.empty(),
                OptionalInt.of(1),
                Optional.empty(),
                "short side");
    }

    /** Half an acre, drawn as a circle of 36 corners, and of 60: posts every 30 ft, whatever drew it. */
    @Test
    void doubleDeerRowRoundACircle() {
        double radius = Math.sqrt(0.5 * 4046.86 / Math.PI);
        for (int corners : new int[] {36, 60}) {
            FenceLine inner = circle("inner", radius, corners);
            FenceLine outer = circle("outer", radius + Lengths.in(30), corners);
            outer = outer.withBook(outer.book().withBeside(Optional.of("inner")));
            Spec spec = of(spec(Way.RUNS_ON, Tightener.MIDWAY), Conductor.POLYWIRE)
                    .withFence(f -> f.withSchedule(Preset.of("W9").schedule())
                            .withPosts(f.posts()
                                    .withLine(PostStock.STEP_IN)
                                    .withSpacingM(Lengths.ft(30))
                                    .withCloseUp(false)))
                    .withLines(List.of(new LineSpec(
                            "outer",
                            Optional.of(Preset.of("W9-outer").schedule()),
                            Optional.empty(),
                            Optional.of(Conductor.POLYTAPE),
                            Optional.empty())));
            Design design = lay(spec, inner, outer);
            assertThat(design.layout().lines()).allSatisfy(l -> {
                assertThat(l.posts()).as(corners + " corners, " + l.name()).hasSize(18);
                assertThat(l.posts()).noneMatch(p -> p.kind().strong());
                assertThat(l.runs()).hasSize(1).allMatch(WireRun::ring);
            });
            assertThat(quantity(design, "strainer")).isEqualTo(3);
            assertThat(quantity(design, "tie")).as("4 ends of wire, 2 of tape").isEqualTo(6);
            assertThat(takeoff(design).keySet()).noneMatch(k -> k.startsWith("insulator"));
            assertThat(joints(design, JointKind.JUMPER)).as("of the two wires").isEqualTo(1);
            assertThat(joints(design, JointKind.LEAD)).as("the bridge").isEqualTo(1);
            assertThat(quantity(design, "lead")).isCloseTo(Lengths.in(30), within(0.11));
            assertThat(design.layout().sections()).hasSize(1).allMatch(Section::live);
            assertThat(dead(design)).isEmpty();
        }
    }

    @Test
    void oneWireOutAndBack() {
        Spec spec = hot(of(spec(Way.OUT_AND_BACK, Tightener.NONE), Conductor.POLYWIRE), 0.3, 0.6)
                .withFence(f -> f.withStringing(f.stringing().withEnd(Optional.of(WireEnd.KNOT))));
        Design design = lay(spec, Fences.line("l", false, 0, 0, 80, 0));
        assertThat(hungM(design)).isCloseTo(160, within(0.01));
        assertThat(quantity(design, "tie")).isEqualTo(2);
        assertThat(quantity(design, "jumper")).isZero();
        assertThat(quantity(design, "clamp")).isZero();
        assertThat(quantity(design, "insulator.strain"))
                .as("both ends at the start")
                .isEqualTo(2);
        assertThat(dead(design)).isEmpty();
    }

    /** A square of 130 ft round, one wire four times. */
    @Test
    void oneWireRoundAndRound() {
        double side = Lengths.ft(130) / 4;
        Spec spec = hot(spec(Way.ROUND_AND_ROUND, Tightener.MIDWAY), 0.2, 0.8);
        Design design = lay(spec, Fences.line("l", true, 0, 0, side, 0, side, side, 0, side));
        assertThat(hungM(design)).isCloseTo(Lengths.ft(520), within(0.02));
        assertThat(only(design).schedule().wires())
                .extracting(w -> Math.round(100 * w.heightM()))
                .containsExactly(20L, 40L, 60L, 80L);
        assertThat(quantity(design, "strainer")).isEqualTo(1);
        assertThat(quantity(design, "jumper")).isZero();
        assertThat(dead(design)).isEmpty();
    }

    @Test
    void aTightenerOnEachSide() {
        Spec spec = hot(spec(Way.RUNS_ON, Tightener.EACH_SIDE), 0.3, 0.6, 0.9, 1.2);
        Design design = lay(spec, Fences.line("l", true, 0, 0, 50, 0, 50, 40, 0, 40));
        assertThat(quantity(design, "strainer")).isEqualTo(16);
        assertThat(only(design).runs().getFirst().leftLow()).isEqualTo(1);
    }

    /** Garden 12 × 9 m: corner rods with one back-stake each, the middle wire aluminium. */
    @Test
    void gardenOfCornerRods() {
        Spec spec = of(spec(Way.RUNS_ON, Tightener.NONE), Conductor.POLYWIRE)
                .withFence(f -> f.withSchedule(Preset.of("W14").schedule())
                        .withBraces(f.braces().withKind(BraceKind.BACK_STAKE))
                        .withPosts(f.posts()
                                .withStrong(PostStock.FIBREGLASS_22)
                                .withLine(PostStock.STEP_IN)
                                .withStrongDepthM(Lengths.ft(1))));
        Design design = lay(spec, Fences.line("l", true, 0, 0, 12, 0, 12, 9, 0, 9));
        assertThat(quantity(design, "brace.back-stake")).isEqualTo(4);
        assertThat(quantity(design, "jumper")).isEqualTo(1);
        assertThat(hungM(design)).isCloseTo(3 * 42, within(0.01));
        assertThat(quantity(design, "insulator.strain")).as("rods insulate").isZero();
        assertThat(only(design).posts().getFirst().load().sideN())
                .as("B9 by hand: three wires of 18 lbf round 90°")
                .isCloseTo(3 * Forces.lbf(18) * Math.sqrt(2), within(1.0));
    }

    /** 50 m of net stands on its own posts: one net, nothing else but what feeds it. */
    @Test
    void aNetNeedsNothing() {
        Spec spec = hot(of(spec(Way.RUNS_ON, Tightener.NONE), Conductor.NET), Lengths.in(20));
        Design design = lay(spec, Fences.line("l", false, 0, 0, 50, 0));
        assertThat(takeoff(design).keySet())
                .containsExactlyInAnyOrder(
                        "wire.hot",
                        "clamp",
                        "energizer",
                        "cable.lead-out",
                        "ground.rod",
                        "ground.clamp",
                        "ground.lead",
                        "sign");
        assertThat(English.text(takeoff(design).get("wire.hot").derivation(), UnitSystem.METRIC))
                .startsWith("1 wire × 50 m along the slope in 1 pull = 50 m");
        assertThat(takeoff(design).get("wire.hot").pack().orElseThrow().count()).isEqualTo(1);
        assertThat(design.layout().findings()).noneMatch(f -> f.message() instanceof PostMessage);
    }

    /** X5: 18 in deep with wires at 10 and 24 in: 18, 28 and 42 from the foot. */
    @Test
    void postsAreMarkedFromTheFoot() {
        Spec spec = hot(spec(Way.PULL_BY_PULL, Tightener.BY_LENGTH), Lengths.in(10), Lengths.in(24))
                .withFence(f -> f.withPosts(f.posts().withLineDepthM(Lengths.in(18))));
        PostMarks line = only(lay(spec, Fences.line("l", false, 0, 0, 60, 0))).marks().stream()
                .filter(m -> m.sort() == PostMarks.Sort.LINE)
                .findFirst()
                .orElseThrow();
        assertThat(Math.round(line.depthM() / Lengths.in(1))).isEqualTo(18);
        assertThat(line.wiresM()).extracting(m -> Math.round(m / Lengths.in(1))).containsExactly(28L, 42L);
        assertThat(line.posts()).isEqualTo(9);
    }

    /** Capstan: four right angles from one end leave e^(−μ 3π/2) after three of them. */
    @Test
    void frictionRoundCornersIsTold() {
        FenceLine line = Fences.line("l", false, 0, 0, 60, 0, 60, 60, 0, 60, 0, 10);
        Design end = lay(hot(spec(Way.RUNS_ON, Tightener.AT_END), 0.5, 0.9), line);
        WireRun run = only(end).runs().getFirst();
        assertThat(run.turnDeg()).isCloseTo(270, within(0.01));
        assertThat(run.leftLow()).isCloseTo(Math.exp(-0.3 * 1.5 * Math.PI), within(1e-6));
        assertThat(run.leftHigh()).isCloseTo(Math.exp(-0.15 * 1.5 * Math.PI), within(1e-6));
        LayoutMessage.PullLost lost = end.layout().findings().stream()
                .map(Finding::message)
                .filter(LayoutMessage.PullLost.class::isInstance)
                .map(LayoutMessage.PullLost.class::cast)
                .findFirst()
                .orElseThrow();
        assertThat(lost.partM()).as("the second corner").isCloseTo(120, within(0.01));

        FenceLine parted = line.withBook(line.book().withWireEnds(List.of("c3")));
        Design two = lay(hot(spec(Way.RUNS_ON, Tightener.AT_END), 0.5, 0.9), parted);
        assertThat(only(two).runs()).hasSize(2);
        assertThat(two.layout().findings())
                .extracting(Finding::message)
                .noneMatch(LayoutMessage.PullLost.class::isInstance);
        assertThat(quantity(two, "insulator.strain")).isEqualTo(2 * 2 * 2);
    }

    /** What cannot be built is told, and something that can comes out. */
    @Test
    void whatCannotBeRunIsTold() {
        FenceLine gated = Fences.line("l", true, 0, 0, 30, 0, 30, 20, 0, 20)
                .withGates(List.of(Fences.gate("g", GateKind.SWING, 15, 0, 3)));
        Design round = lay(spec(Way.ROUND_AND_ROUND, Tightener.NONE), gated);
        assertThat(round.layout().findings())
                .extracting(Finding::message)
                .contains(new LayoutMessage.RoundNeedsRing("Line l", "gate g"));
        assertThat(only(round).stringing().way()).isEqualTo(Way.RUNS_ON);

        Design open = lay(spec(Way.ROUND_AND_ROUND, Tightener.NONE), Fences.line("l", false, 0, 0, 30, 0));
        assertThat(open.layout().findings())
                .extracting(Finding::message)
                .contains(new LayoutMessage.RoundNeedsRing("Line l", ""));

        Spec few = hot(spec(Way.ROUND_AND_ROUND, Tightener.NONE), 0.2, 0.4, 0.6)
                .withFence(f -> f.withStringing(f.stringing().withRounds(2)));
        Design two = lay(few, Fences.line("l", true, 0, 0, 30, 0, 30, 20, 0, 20));
        assertThat(two.layout().findings()).extracting(Finding::message).contains(new LayoutMessage.FewRounds(2, 3));
        assertThat(only(two).schedule().wires()).hasSize(2);

        Gate gate = Fences.gate("g", GateKind.SWING, 40, 0, 4);
        Design back = lay(
                spec(Way.OUT_AND_BACK, Tightener.NONE),
                Fences.line("l", false, 0, 0, 80, 0).withGates(List.of(gate)));
        assertThat(back.layout().findings())
                .extracting(Finding::message)
                .contains(new LayoutMessage.NoWayBack("gate g"));
        assertThat(only(back).runs()).hasSize(2);
        assertThat(dead(back)).isEmpty();
    }

    /** Whatever the way: every hot wire is reached, no less is bought than hangs, and each run has two ends for each wire in one piece. */
    @Property(tries = 150)
    void everyWayHangsTogether(
            @ForAll Way way,
            @ForAll Tightener tightener,
            @ForAll boolean closed,
            @ForAll @IntRange(min = 3, max = 12) int corners,
            @ForAll @IntRange(min = 1, max = 5) int wires,
            @ForAll @IntRange(min = 0, max = 2) int gates,
            @ForAll @IntRange(min = 0, max = 11) int ending,
            @ForAll @DoubleRange(min = 20, max = 60) double radiusM) {
        double[] at = new double[2 * corners];
        for (int i = 0; i < corners; i++) {
            double r = radiusM * (1 + 0.3 * Math.sin(5.0 * i * i));
            at[2 * i] = r * Math.sin(2 * Math.PI * i / corners);
            at[2 * i + 1] = r * Math.cos(2 * Math.PI * i / corners);
        }
        FenceLine line = Fences.line("l", closed, at);
        List<Gate> opened = new ArrayList<>();
        for (int g = 0; g < gates; g++) {
            opened.add(Fences.gate(
                    "g" + g, GateKind.SWING, (at[2 * g] + at[2 * g + 2]) / 2, (at[2 * g + 1] + at[2 * g + 3]) / 2, 3));
        }
        line = line.withGates(opened);
        if (ending < corners) {
            line = line.withBook(line.book().withWireEnds(List.of("c" + (ending + 1))));
        }
        double[] heights = new double[wires];
        for (int w = 0; w < wires; w++) {
            heights[w] = 0.2 + 0.2 * w;
        }
        Design design = lay(hot(spec(way, tightener), heights), line);
        LineLayout laid = only(design);

        assertThat(dead(design)).isEmpty();
        assertThat(quantity(design, "wire.hot")).isGreaterThanOrEqualTo(hungM(design) - 0.1);
        assertThat(laid.runs().stream().flatMap(r -> r.pulls().stream()))
                .as("each pull in one run")
                .containsExactlyInAnyOrderElementsOf(
                        java.util.stream.IntStream.range(0, laid.pulls().size())
                                .boxed()
                                .toList());
        long pieces = laid.runs().stream()
                .mapToLong(r -> r.oneWire() ? 1 : laid.schedule().count(WireRole.HOT))
                .sum();
        assertThat(quantity(design, "crimp")).isEqualTo(2.0 * pieces * Values.S5_CRIMPS_PER_END);
        assertThat(quantity(design, "insulator.strain")).isEqualTo(2.0 * pieces);
    }
}
