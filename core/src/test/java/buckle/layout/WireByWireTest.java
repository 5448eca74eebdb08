package buckle.layout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import buckle.Fences;
import buckle.design.Design;
import buckle.material.Conductor;
import buckle.material.PostStock;
import buckle.message.English;
import buckle.message.TakeoffMessage;
import buckle.rulebook.Rule;
import buckle.rulebook.Values;
import buckle.site.FenceLine;
import buckle.spec.BraceKind;
import buckle.spec.FenceSpec;
import buckle.spec.School;
import buckle.spec.Spec;
import buckle.spec.Stringing;
import buckle.spec.Stringing.Tightener;
import buckle.spec.Stringing.Way;
import buckle.spec.Wire;
import buckle.spec.WireRole;
import buckle.spec.WireSchedule;
import buckle.takeoff.LedgerFigure;
import buckle.takeoff.TakeoffLine;
import buckle.units.Lengths;
import buckle.units.UnitSystem;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

/** Each wire its own: conductor, fastening, hand or strainer, standing already; and posts that hold wires where they can. */
class WireByWireTest {
    private static final Wire BOTTOM = new Wire(Lengths.in(6), WireRole.HOT);
    private static final Wire MIDDLE = new Wire(Lengths.in(12), WireRole.HOT);
    private static final Wire TOP = new Wire(Lengths.in(48), WireRole.HOT);

    private static Spec with(Wire... wires) {
        return Spec.USUAL.withFence(f -> f.withSchedule(new WireSchedule("own", List.of(wires))));
    }

    private static Design lay(Spec spec, FenceLine... lines) {
        return Design.of(Fences.site(-4, 0, lines), spec);
    }

    private static double quantity(Design design, String item) {
        return design.takeoff().stream()
                .filter(t -> t.item().equals(item))
                .mapToDouble(TakeoffLine::quantity)
                .sum();
    }

    private static FenceLine garden() {
        return Fences.line("garden", true, 0, 0, 12, 0, 12, 9, 0, 9);
    }

    private static FenceLine row() {
        return Fences.line("row", false, 0, 0, 100, 0);
    }

    private static List<String> says(Design design, Rule rule) {
        return design.layout().findings().stream()
                .filter(f -> f.rule() == rule)
                .map(f -> English.text(f.message(), UnitSystem.FT_IN))
                .toList();
    }

    /** Top and bottom woven, the middle one aluminium; corner rods with one back-stake each; no gate. */
    @Test
    void gardenOfTwoConductors() {
        Spec spec = with(BOTTOM, MIDDLE.withConductor(Optional.of(Conductor.ALU_14)), TOP)
                .withFence(f -> f.withStringing(
                                Stringing.USUAL.withWay(Way.RUNS_ON).withTightener(Tightener.NONE))
                        .withWires(f.wires().withHot(Conductor.POLYWIRE))
                        .withBraces(f.braces().withKind(BraceKind.BACK_STAKE))
                        .withPosts(f.posts().withStrong(PostStock.FIBREGLASS_22).withLine(PostStock.FIBREGLASS_10)));
        Design design = lay(spec, garden());
        double slack = 1 + spec.purchasing().wireSlackPercent() / 100;

        assertThat(quantity(design, "brace.back-stake")).isEqualTo(4);
        assertThat(quantity(design, "jumper")).isEqualTo(1);
        assertThat(quantity(design, "wire.hot"))
                .as("2 × 42 m and 6 ft at each of 4 ends")
                .isCloseTo(2 * 42 * slack + 4 * Values.S5_WOVEN_TAIL_M, within(0.11));
        assertThat(quantity(design, "wire.hot.alu_14"))
                .as("1 × 42 m and a tail at each of 2 ends")
                .isCloseTo(42 * slack + 2 * Values.S5_TAIL_M, within(0.11));

        Pull pull = design.layout().lines().getFirst().pulls().getFirst();
        assertThat(pull.wires()).hasSize(2);
        assertThat(pull.wires().get(0).wires()).containsExactly(1, 3);
        assertThat(pull.wires().get(1).wires()).containsExactly(2);
        double sum = 2 * pull.wires().get(0).tensionN() + pull.wires().get(1).tensionN();
        assertThat(pull.totalN()).isCloseTo(sum, within(1e-9));
        double lever = pull.wires().get(0).tensionN() * (BOTTOM.heightM() + TOP.heightM())
                + pull.wires().get(1).tensionN() * MIDDLE.heightM();
        assertThat(pull.momentNm()).isCloseTo(lever, within(1e-9));
    }

    /** A barbed strand that stands there: not bought, but pulled, and too near the wire above it. */
    @Test
    void standingWireIsNotBoughtAndKeptAwayFrom() {
        Wire barbed =
                new Wire(Lengths.in(20), WireRole.PLAIN).withStands(true).withConductor(Optional.of(Conductor.BARBED));
        Wire near = new Wire(Lengths.in(24), WireRole.HOT);
        Wire far = new Wire(Lengths.in(34), WireRole.HOT);
        Design with = lay(with(barbed, near, far), row());
        Design without = lay(with(near, far), row());

        assertThat(quantity(with, "wire.plain")).isZero();
        for (TakeoffLine line : without.takeoff()) {
            if (!line.use().name().endsWith("_POST")) {
                assertThat(quantity(with, line.item())).as(line.item()).isEqualTo(line.quantity());
            }
        }
        Pull pull = with.layout().lines().getFirst().pulls().getFirst();
        assertThat(pull.totalN())
                .isGreaterThan(
                        without.layout().lines().getFirst().pulls().getFirst().totalN());
        assertThat(says(with, Rule.X9)).singleElement().asString().contains("barbed", "wire 2", "4 in");
        assertThat(says(lay(with(barbed.withHeightM(Lengths.in(18)), near, far), row()), Rule.X9))
                .isEmpty();
        assertThatThrownBy(() -> barbed.withRole(WireRole.HOT)).hasMessageContaining("never electrified");
        assertThatThrownBy(() -> Spec.USUAL.withFence(f -> f.withWires(f.wires().withHot(Conductor.BARBED))))
                .hasMessageContaining("never electrified");
    }

    /** Schools that turn wires hot do not stumble over barbed ones: these are made as the hot wires are. */
    @Test
    void barbedWireThatBecomesHotIsMadeAsHotWires() {
        Wire barbed = new Wire(Lengths.in(20), WireRole.EARTH).withConductor(Optional.of(Conductor.BARBED));
        WireSchedule schedule = new WireSchedule("own", List.of(BOTTOM, barbed, TOP));
        assertThat(schedule.allHot().wires()).allMatch(w -> w.conductor().isEmpty());
        assertThat(schedule.alternating(WireRole.EARTH).wires().get(1).role()).isEqualTo(WireRole.HOT);
        for (School school : School.values()) {
            assertThat(school.applied(with(BOTTOM, barbed, TOP)))
                    .as(school.name())
                    .isNotNull();
        }
    }

    /** A hot wire that stands already is wired up and read, though nothing of it is bought. */
    @Test
    void standingHotWireIsJoined() {
        Design bought = lay(with(BOTTOM, MIDDLE), garden());
        Design stands = lay(with(BOTTOM.withStands(true), MIDDLE), garden());
        assertThat(quantity(stands, "wire.hot")).isCloseTo(quantity(bought, "wire.hot") / 2, within(0.1));
        assertThat(quantity(stands, "insulator.strain")).isEqualTo(quantity(bought, "insulator.strain") / 2);
        assertThat(stands.layout().joints()).isEqualTo(bought.layout().joints());
    }

    @Test
    void fasteningsOfEachWire() {
        Wire staples = BOTTOM.withFastening(Optional.of(Wire.Fastening.STAPLE));
        Wire earth = new Wire(Lengths.in(20), WireRole.EARTH).withFastening(Optional.of(Wire.Fastening.INSULATOR));
        Design design = lay(with(staples, MIDDLE, earth), row());
        LineLayout line = design.layout().lines().getFirst();
        long passed = line.posts().stream().filter(p -> !p.ends()).count();
        long spares = 2L * 2;
        assertThat(quantity(design, "insulator.line")).isEqualTo(2 * passed + spares);
        assertThat(quantity(design, "fastener")).isEqualTo(passed);
        assertThat(says(design, Rule.I1)).singleElement().asString().contains("Hot wire 1", "leaks at every post");

        Spec steel = with(staples, MIDDLE).withFence(f -> f.withPosts(f.posts().withLine(PostStock.STEEL_TEE)));
        Design short1 = lay(steel, row());
        assertThat(says(short1, Rule.I1)).singleElement().asString().contains("dead short");
        assertThat(quantity(short1, "fastener.clip"))
                .as("a staple does not go into steel")
                .isEqualTo(short1.layout().lines().getFirst().posts().stream()
                        .filter(p -> p.stock() == PostStock.STEEL_TEE)
                        .count());
    }

    /** One of three pulled with a strainer, the others by hand; and the other way round. */
    @Test
    void pulledByHandOrStrained() {
        Wire strained = TOP.withByHand(Optional.of(false));
        Spec byHand = with(BOTTOM, MIDDLE, strained)
                .withFence(f -> f.withStringing(Stringing.USUAL.withTightener(Tightener.NONE)));
        Design one = lay(byHand, row());
        assertThat(quantity(one, "strainer")).isEqualTo(1);
        Pull pull = one.layout().lines().getFirst().pulls().getFirst();
        assertThat(pull.wires().get(0).tensionN()).isEqualTo(Values.H3_BY_HAND_N);
        assertThat(pull.wires().get(1).tensionN()).isGreaterThan(500);
        assertThat(pull.wires().get(1).sprung()).isTrue();

        Design two = lay(with(BOTTOM.withByHand(Optional.of(true)), MIDDLE, TOP), row());
        assertThat(quantity(two, "strainer")).isEqualTo(2);
        assertThat(quantity(two, "spring")).isEqualTo(2);
    }

    /** All heights of one wire are of one make: as the lowest. */
    @Test
    void oneWireOutAndBackHasOneConductor() {
        Spec spec = with(BOTTOM.withConductor(Optional.of(Conductor.ALU_14)), MIDDLE)
                .withFence(f -> f.withStringing(Stringing.USUAL.withWay(Way.OUT_AND_BACK)));
        Design design = lay(spec, row());
        assertThat(design.takeoff().stream().map(TakeoffLine::item))
                .contains("wire.hot.alu_14")
                .doesNotContain("wire.hot");
    }

    private static FenceSpec stepIns(double[] heightsIn, double... holdsIn) {
        List<Wire> wires = Arrays.stream(heightsIn)
                .mapToObj(h -> new Wire(Lengths.in(h), WireRole.HOT))
                .toList();
        return Spec.USUAL
                .withFence(f -> f.withSchedule(new WireSchedule("own", wires))
                        .withPosts(f.posts()
                                .withLine(PostStock.STEP_IN)
                                .withHoldsAtM(Arrays.stream(holdsIn)
                                        .mapToObj(Lengths::in)
                                        .toList())))
                .fence();
    }

    @Test
    void wiresGoToTheClipsOfThePosts() {
        Spec spec = Spec.USUAL.withFence(f -> stepIns(new double[] {9, 20, 34}, 4, 8, 14, 20, 26, 32, 38));
        Design design = lay(spec, row());
        LineLayout line = design.layout().lines().getFirst();
        assertThat(line.schedule().wires().stream().map(w -> w.heightM() / Lengths.in(1)))
                .usingComparatorForType((a, b) -> Math.abs(a - b) < 1e-9 ? 0 : 1, Double.class)
                .containsExactly(8.0, 20.0, 32.0);
        assertThat(says(design, Rule.I1))
                .singleElement()
                .isEqualTo("The posts' own clips or holes bring wire 1 to 8 in (1 in lower than asked)"
                        + " and wire 3 to 32 in (2 in lower than asked).");
        assertThat(line.posts().stream().filter(p -> !p.ends()).count()).isGreaterThan(10);
        assertThat(design.takeoff().stream()
                        .filter(t -> t.item().startsWith("insulator.line"))
                        .mapToDouble(TakeoffLine::quantity)
                        .sum())
                .as("at the brace posts, and spares")
                .isEqualTo(3 * 2 + 3 * 2);
        Spec rods = spec.withFence(f -> f.withPosts(f.posts().withLine(PostStock.FIBREGLASS_10)));
        assertThat(fastenings(lay(rods, row())))
                .as("bored rods hold wires as step-ins do, in the ledger too")
                .isEqualTo(fastenings(design))
                .isPositive();
        assertThat(says(lay(Spec.USUAL.withFence(f -> stepIns(new double[] {9, 20, 35}, 8, 20)), row()), Rule.I1))
                .singleElement()
                .asString()
                .contains("2 clips or holes for 3 wires");
    }

    private static long fastenings(Design design) {
        return design.ledger().stream()
                .map(LedgerFigure::figure)
                .filter(TakeoffMessage.InsulatorFigure.class::isInstance)
                .map(TakeoffMessage.InsulatorFigure.class::cast)
                .mapToLong(TakeoffMessage.InsulatorFigure::byPosts)
                .sum();
    }

    /** Against every choice of clips there is. */
    @Property(tries = 200)
    void clipsMoveTheWiresLeast(
            @ForAll @IntRange(min = 1, max = 5) int wires, @ForAll @IntRange(min = 0, max = 1_000_000) int seed) {
        Random random = new Random(seed);
        double[] asked =
                random.doubles(40, 3, 60).distinct().limit(wires).sorted().toArray();
        double[] holds = random.doubles(40, 2, 62)
                .distinct()
                .limit(wires + random.nextInt(4))
                .sorted()
                .toArray();
        FenceSpec fence = stepIns(asked, holds);
        Holds.Fit fit = Holds.fit(fence.schedule(), fence);
        double moved = 0;
        for (int i = 0; i < wires; i++) {
            double at = fit.schedule().wires().get(i).heightM();
            assertThat(fence.posts().holdsAtM()).anyMatch(h -> Math.abs(h - at) < 6e-4);
            moved += Math.abs(at - Lengths.in(asked[i]));
        }
        assertThat(moved).isCloseTo(Lengths.in(1) * least(asked, holds, 0, 0), within(6e-4 * wires));
    }

    private static double least(double[] asked, double[] holds, int wire, int from) {
        if (wire == asked.length) {
            return 0;
        }
        double best = Double.POSITIVE_INFINITY;
        for (int k = from; k <= holds.length - (asked.length - wire); k++) {
            best = Math.min(best, Math.abs(asked[wire] - holds[k]) + least(asked, holds, wire + 1, k + 1));
        }
        return best;
    }

    /** Any mix of conductors: the wires bought are those drawn. */
    @Property(tries = 60)
    void boughtIsWhatIsDrawn(@ForAll @IntRange(min = 0, max = 4 * 4 * 4 * 4 - 1) int code) {
        Conductor[] of = {Conductor.HT_12_5, Conductor.ALU_14, Conductor.POLYWIRE, Conductor.POLYTAPE};
        List<Wire> wires = new ArrayList<>();
        double stands = 0;
        for (int i = 0; i < 4; i++) {
            boolean there = code % 7 == i;
            stands += there ? 1 : 0;
            wires.add(new Wire(0.3 + 0.25 * i, i == 2 ? WireRole.EARTH : WireRole.HOT)
                    .withConductor(Optional.of(of[code / (int) Math.pow(4, i) % 4]))
                    .withStands(there));
        }
        Design design = lay(with(wires.toArray(Wire[]::new)), garden());
        double bought = design.takeoff().stream()
                .filter(t -> t.use().isWire())
                .mapToDouble(TakeoffLine::quantity)
                .sum();
        assertThat(bought).isCloseTo((4 - stands) * 42 * 1.03, within(0.5));
        Pull pull = design.layout().lines().getFirst().pulls().getFirst();
        assertThat(pull.wires().stream().mapToInt(Pull.PullWire::count).sum()).isEqualTo(4);
    }
}
