package buckle.takeoff;

import static buckle.Told.inFeet;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import buckle.Fences;
import buckle.design.Design;
import buckle.land.Land;
import buckle.land.LandFeature;
import buckle.land.LandKind;
import buckle.land.Surroundings;
import buckle.land.Terrain;
import buckle.land.Traits;
import buckle.layout.Joint;
import buckle.layout.LineLayout;
import buckle.layout.Post;
import buckle.layout.PostKind;
import buckle.material.Conductor;
import buckle.material.PostStock;
import buckle.rulebook.Values;
import buckle.site.FenceLine;
import buckle.site.GateKind;
import buckle.site.LineBook;
import buckle.site.LineBook.PostOverride;
import buckle.spec.BraceKind;
import buckle.spec.FenceSpec;
import buckle.spec.LineSpec;
import buckle.spec.Preset;
import buckle.spec.Spec;
import buckle.spec.WireRole;
import buckle.units.Lengths;
import buckle.units.UnitSystem;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.function.Function;
import java.util.stream.Collectors;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** What is loaded for each choice of material, worked by hand from the layout. */
class MaterialTakeoffTest {
    private static Map<String, TakeoffLine> takeoff(Design design) {
        return design.takeoff().stream().collect(Collectors.toMap(TakeoffLine::item, Function.identity()));
    }

    private static Design design(Spec spec, FenceLine... lines) {
        return Design.of(Fences.site(-4, 0, lines), spec);
    }

    private static double quantity(Map<String, TakeoffLine> t, String item) {
        return t.containsKey(item) ? t.get(item).quantity() : 0;
    }

    private static FenceLine straight() {
        return Fences.line("l", false, 0, 0, 100, 0);
    }

    private static Spec braced(BraceKind kind) {
        return Spec.USUAL.withFence(f -> f.withBraces(f.braces().withKind(kind)));
    }

    /** Two ends of a pull: rails, pins, loops, brace posts and the rest by kind. */
    @ParameterizedTest
    @EnumSource(BraceKind.class)
    void eachKindOfBraceBringsItsOwn(BraceKind kind) {
        Map<String, TakeoffLine> t = takeoff(design(braced(kind), straight()));
        int frames = kind.framed() ? kind.rails() : 0;
        assertThat(quantity(t, "brace.rail")).isEqualTo(2 * frames);
        assertThat(quantity(t, "brace.pin")).isEqualTo(2 * 2 * frames);
        assertThat(quantity(t, "brace.loop")).isEqualTo(2 * frames);
        assertThat(quantity(t, "post.brace")).isEqualTo(2 * kind.posts());
        assertThat(quantity(t, "brace.diagonal")).isEqualTo(kind == BraceKind.DIAGONAL ? 2 : 0);
        assertThat(quantity(t, "brace.back-stake")).isEqualTo(kind == BraceKind.BACK_STAKE ? 2 : 0);
        assertThat(quantity(t, "brace.concrete")).isEqualTo(kind == BraceKind.PIPE_CONCRETE ? 2 : 0);
        assertThat(quantity(t, "post.end")).isEqualTo(2);
    }

    /** Every kind of gate: what crosses it is bought, what does not is not. */
    @ParameterizedTest
    @EnumSource(GateKind.class)
    void eachKindOfGateBringsItsOwn(GateKind kind) {
        FenceLine line = straight().withGates(List.of(Fences.gate("g", kind, 50, 0, 4)));
        Design design = design(Spec.USUAL, line);
        Map<String, TakeoffLine> t = takeoff(design);
        int hot = 2;
        assertThat(quantity(t, "gate.swing")).isEqualTo(kind == GateKind.SWING ? 1 : 0);
        assertThat(quantity(t, "gate.handle")).isEqualTo(kind == GateKind.HANDLE ? hot : 0);
        assertThat(quantity(t, "gate.spring")).isEqualTo(kind == GateKind.SPRING_SET ? hot : 0);
        assertThat(quantity(t, "gate.rigid")).isEqualTo(kind == GateKind.RIGID ? 1 : 0);
        assertThat(quantity(t, "gate.strand")).isEqualTo(kind == GateKind.STRAND ? 1 : 0);
        assertThat(quantity(t, "gate.creek")).isEqualTo(kind == GateKind.CREEK ? 1 : 0);
        assertThat(quantity(t, "cut-out")).isEqualTo(kind == GateKind.CREEK ? 1 : 0);
        // J6 by hand: opening 4 + 2 × 0.45 deep + 2 risers to the lowest wire at 20 in + 2 × 0.5 spare; all hot, so one
        // cable.
        double cable = (4 + 2 * 0.45 + 2 * Lengths.in(20) + 2 * 0.5);
        assertThat(quantity(t, "cable.gate")).isCloseTo(kind.cabled() ? cable : 0, within(0.11));
        boolean buried = kind.cabled() && kind != GateKind.CREEK;
        assertThat(quantity(t, "conduit")).isCloseTo(buried ? 4.9 : 0, within(0.11));
        assertThat(quantity(t, "post.gate")).isEqualTo(2);
    }

    /**
     * What is counted is what is drawn, over fences of every kind of gate, wire schedule, jumper school and switch: the pieces and
     * clamps of each joint follow from the wires it names, and the takeoff is their sum. Recounted here from the drawing alone.
     */
    @Property(tries = 80)
    void jointsAreCountedAsTheyAreDrawn(
            @ForAll GateKind kind,
            @ForAll @IntRange(max = 19) int preset,
            @ForAll boolean closed,
            @ForAll boolean ring,
            @ForAll boolean separate,
            @ForAll boolean tied,
            @ForAll @IntRange(min = 20, max = 180) int at) {
        FenceLine line = Fences.line("l", closed, 0, 0, 200, 0, 200, 150, 40, 180)
                .withGates(List.of(Fences.gate("g", kind, at, 0, 4)))
                .withCutOuts(List.of(Fences.cutOut("c", 200, 70)));
        FenceLine branch = Fences.line("b", false, 200, 100, 260, 110, 300, 60).withStartsOn(Optional.of("l"));
        Spec spec = Spec.USUAL
                .withFence(f -> f.withSchedule(Preset.all().get(preset).schedule()))
                .withFence(f -> f.withWires(f.wires().withRingClosed(ring)))
                .withFence(f -> f.withWires(f.wires().withEarthTied(tied).withJumperPieces(separate)));
        Design design = Design.of(Fences.site(198, 160, line, branch), spec);
        long pieces = 0;
        long clamps = 0;
        long sets = 0;
        int cables = 0;
        double risersM = 0;
        for (Joint j : design.layout().joints()) {
            int hot = j.hot().size();
            int earth = j.earth().size();
            switch (j.kind()) {
                case JUMPER -> {
                    assertThat(hot > 1 || earth > 1).as("no set on one wire").isTrue();
                    sets++;
                    pieces += separate
                            ? Math.max(0, hot - 1) + Math.max(0, earth - 1)
                            : (hot > 1 ? 1 : 0) + (earth > 1 ? 1 : 0);
                    clamps += separate
                            ? 2 * (Math.max(0, hot - 1) + Math.max(0, earth - 1))
                            : (hot > 1 ? hot : 0) + (earth > 1 ? earth : 0);
                }
                case LINK, TEE -> {
                    pieces += hot + earth;
                    clamps += 2 * (hot + earth);
                }
                case OPEN -> {
                    pieces += earth;
                    clamps += 2L * earth;
                }
                case FEED -> clamps += hot + (tied ? earth : 0);
                case CUT_OUT -> {
                    pieces += separate ? 2 * hot : 2;
                    clamps += separate ? 4 * hot - 2 : 2 * hot;
                }
                case CABLE -> {
                    cables += (hot > 0 ? 1 : 0) + (earth > 0 ? 1 : 0);
                    risersM += lowestM(spec, j.hot()) + lowestM(spec, j.earth());
                }
                case HANDLE -> {
                    cables += earth > 0 ? 1 : 0;
                    risersM += lowestM(spec, j.earth());
                    clamps += kind == GateKind.STRAND ? 2 : 0;
                }
            }
        }
        clamps += 2L * cables;
        Map<String, TakeoffLine> t = takeoff(design);
        assertThat(quantity(t, "jumper")).isEqualTo(sets);
        assertThat(quantity(t, "jumper.piece")).isEqualTo(pieces);
        assertThat(quantity(t, "clamp")).isEqualTo(clamps);
        double each = 4 + 2 * 0.45 + 2 * 0.5;
        assertThat(quantity(t, "cable.gate"))
                .as("each up to the lowest wire it serves")
                .isCloseTo(cables * each + 2 * risersM, within(0.11));
    }

    private static double lowestM(Spec spec, List<Integer> wires) {
        return wires.isEmpty()
                ? 0
                : spec.fence().schedule().wires().get(wires.getFirst() - 1).heightM();
    }

    /** A switch within a pull cuts the hot wires: one insulator in each, its two ends made off; on a strong post they end anyway. */
    @Test
    void aCutOutWithinAPullCutsTheWires() {
        for (double at : new double[] {50, 0.5}) {
            FenceLine line = straight().withCutOuts(List.of(Fences.cutOut("c", at, 0)));
            Map<String, TakeoffLine> t = takeoff(design(Spec.USUAL, line));
            boolean within = at > 1;
            assertThat(quantity(t, "insulator.strain")).isEqualTo(2 * 2 + (within ? 2 : 0));
            assertThat(quantity(t, "crimp")).isEqualTo((2 + (within ? 2 : 0)) * 2 * 2);
            assertThat(inFeet(t.get("insulator.strain").derivation()))
                    .startsWith(
                            within
                                    ? "2 hot wires × 1 pull × 2 ends + 2 hot wires × 1 cut-out = 6"
                                    : "2 hot wires × 1 pull × 2 ends = 4");
        }
    }

    /** P13: a low fence's gate posts are longer than it asks for, and the takeoff says so; a tall one's are not. */
    @Test
    void gatePostsSayWhetherTheyAreLongerThanAsked() {
        FenceLine line = straight().withGates(List.of(Fences.gate("g", GateKind.SWING, 50, 0, 4)));
        for (String preset : List.of("W2", "W10")) {
            Spec spec =
                    Spec.USUAL.withFence(f -> f.withSchedule(Preset.of(preset).schedule()));
            TakeoffLine posts = takeoff(design(spec, line)).get("post.gate");
            assertThat(inFeet(posts.derivation()).contains("as gate posts usually are"))
                    .as(inFeet(posts.derivation()))
                    .isEqualTo(preset.equals("W2"));
        }
    }

    @Test
    void linesWithWiresOfTheirOwnAreCountedByThemselves() {
        FenceLine inner = Fences.line("inner", false, 50, 0, 50, 60).withStartsOn(Optional.of("l"));
        Spec spec = Spec.USUAL.withLines(List.of(new LineSpec(
                "inner",
                Optional.of(Preset.of("W2").schedule()),
                Optional.empty(),
                Optional.of(Conductor.POLYTAPE),
                Optional.empty())));
        Design design = design(spec, straight(), inner);
        Map<String, TakeoffLine> t = takeoff(design);
        assertThat(quantity(t, "wire.hot")).isCloseTo(2 * 100 * 1.03, within(0.2));
        assertThat(quantity(t, "wire.hot.polytape")).isCloseTo(60 * 1.03, within(0.2));
        assertThat(inFeet(t.get("wire.hot.polytape").name())).contains("tape, 1.5 in");
        assertThat(quantity(t, "strainer")).as("two steel wires, one pull").isEqualTo(2);
        assertThat(quantity(t, "tie")).as("one tape, two ends").isEqualTo(2);
        assertThat(quantity(t, "brace.back-stake")).isEqualTo(2);
        assertThat(quantity(t, "brace.rail")).isEqualTo(2);
        assertThat(inFeet(t.get("insulator.strain").derivation()))
                .isEqualTo("(1 hot wire × 1 pull + 2 hot wires × 1 pull) × 2 ends = 6");
        LineLayout own = design.layout().lines().get(1);
        assertThat(own.schedule().wires()).hasSize(1);
        assertThat(design.layout().lines().getFirst().schedule().wires()).hasSize(2);
    }

    @Test
    void postsAreHeapedByWhatTheyAreCutFrom() {
        PostOverride steel = new PostOverride(
                "o",
                Fences.at(30, 0),
                Fences.at(60, 0),
                OptionalDouble.of(3),
                Optional.of(PostStock.STEEL_TEE),
                OptionalInt.of(1),
                Optional.empty(),
                "stone");
        FenceLine line = straight().withBook(LineBook.EMPTY.withOverrides(List.of(steel)));
        Design design = design(Spec.USUAL, line);
        Map<String, TakeoffLine> t = takeoff(design);
        List<Post> posts = design.layout().lines().getFirst().posts();
        long tees = posts.stream()
                .filter(p -> p.kind() == PostKind.LINE && p.stock() == PostStock.STEEL_TEE)
                .count();
        long timber = posts.stream()
                .filter(p -> p.kind() == PostKind.LINE && p.stock() == PostStock.TIMBER_90)
                .count();
        assertThat(tees).as("30 m at 3 m, both ends").isEqualTo(11);
        List<TakeoffLine> heaps = design.takeoff().stream()
                .filter(x -> x.item().startsWith("post.line"))
                .toList();
        assertThat(heaps).hasSize(2);
        assertThat(heaps.stream().mapToDouble(TakeoffLine::quantity).sum()).isEqualTo(tees + timber);
        assertThat(heaps.stream().map(TakeoffLine::name))
                .anyMatch(n -> inFeet(n).contains("steel tee post, 1.75 in"));
        assertThat(quantity(t, "post.light")).as("one in each of the ten gaps").isEqualTo(10);
        for (TakeoffLine x : design.takeoff()) {
            assertThat(inFeet(x.derivation())).as(x.item()).isNotBlank();
            assertThat(x.rules()).isNotEmpty();
        }
    }

    /** P10, P11, P20 by hand: 34 in top wire + 50 mm + depth + 50 mm for the driver. */
    @Test
    void lengthsFollowDepthFrostAndStone() {
        LandFeature stone = new LandFeature(
                "s",
                LandKind.SOIL,
                "ledge",
                LandKind.Shape.AREA,
                List.of(Fences.at(40, -10), Fences.at(60, -10), Fences.at(60, 10), Fences.at(40, 10)),
                new Traits(
                        Optional.empty(),
                        Optional.empty(),
                        Optional.empty(),
                        OptionalDouble.empty(),
                        OptionalDouble.empty(),
                        Optional.empty(),
                        OptionalDouble.of(0.3),
                        OptionalDouble.empty(),
                        Optional.of(Traits.Soil.STONE),
                        OptionalDouble.empty()),
                "");
        Land land = new Land(List.of(stone), List.of(), Optional.empty(), OptionalDouble.empty(), List.of(), List.of());
        Spec spec = Spec.USUAL.withFence(f -> f.withClimate(new FenceSpec.Climate(1.2, 0, -15, 35, 15)));
        List<Post> posts = Design.of(Fences.site(-4, 0, straight()), new Surroundings(land, Terrain.NONE), spec)
                .layout()
                .lines()
                .getFirst()
                .posts();
        double above = Lengths.in(34) + Values.P11_ABOVE_TOP_WIRE_M;
        for (Post p : posts) {
            boolean onStone = p.stationM() >= 40 && p.stationM() <= 60;
            double depth =
                    p.kind() == PostKind.LINE ? onStone ? Values.P11_STONY_DEPTH_M : Values.P11_LINE_DEPTH_M : 1.2;
            assertThat(p.depthM()).as("post %d", p.number()).isCloseTo(depth, within(1e-9));
            double cut = Math.ceil((above + depth + 0.05) / Lengths.M_PER_IN - 1e-6) * Lengths.M_PER_IN;
            assertThat(p.lengthM()).isCloseTo(cut, within(1e-9));
            assertThat(p.stockM()).isGreaterThanOrEqualTo(p.lengthM());
            assertThat(p.stock().lengthsM(UnitSystem.FT_IN)).contains(p.stockM());
        }
        assertThat(posts.stream().filter(p -> p.depthM() == Values.P11_STONY_DEPTH_M))
                .isNotEmpty();
    }

    /** The pull of each conductor: steel by school, the rest by hand, never over half of what breaks it. */
    @ParameterizedTest
    @EnumSource(value = Conductor.class, mode = EnumSource.Mode.EXCLUDE, names = "BARBED")
    void noWireIsPulledOverHalfOfWhatBreaksIt(Conductor conductor) {
        Spec spec = Spec.USUAL.withFence(
                f -> f.withWires(f.wires().withHot(conductor).withTension(buckle.spec.TensionSchool.HEAVY)));
        LineLayout laid = design(spec, straight()).layout().lines().getFirst();
        var wire = laid.pulls().getFirst().wires().getFirst();
        assertThat(wire.role()).isEqualTo(WireRole.HOT);
        assertThat(wire.tensionN()).isPositive().isLessThanOrEqualTo(0.5 * conductor.breakingN() + 1e-9);
        assertThat(wire.coldN())
                .as("on the coldest night too")
                .isLessThanOrEqualTo(Math.max(0.5 * conductor.breakingN(), 1.5 * wire.tensionN()) + 1e-9);
        assertThat(wire.sagM()).isPositive().isLessThan(2);
        assertThat(laid.pulls().getFirst().totalN()).isCloseTo(2 * wire.tensionN(), within(1e-6));
    }
}
