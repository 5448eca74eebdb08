package buckle.reach;

import static buckle.Fences.line;
import static buckle.Fences.site;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import buckle.design.Design;
import buckle.land.Surroundings;
import buckle.material.Conductor;
import buckle.material.PostStock;
import buckle.reach.Reach.HeapItem;
import buckle.reach.Wish.Shape;
import buckle.site.BadInput;
import buckle.spec.BraceKind;
import buckle.spec.Circumstances;
import buckle.spec.Decisions;
import buckle.spec.Plan;
import buckle.spec.Preset;
import buckle.spec.Spec;
import buckle.spec.Stringing;
import buckle.takeoff.TakeoffLine;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Heaps against fences: common practice, and the largest fence laid out again a step larger. */
class ReachTest {
    /** Half an acre as a square. */
    private static final double HALF_ACRE_SIDE_M = Math.sqrt(0.5 * 4046.8564224);

    /** Woven wire on step-ins that runs on: nothing but wire and posts, all of it in proportion to the length. */
    private static final Spec LIGHT =
            Spec.USUAL.withFence(f -> f.withSchedule(Preset.of("W2").schedule())
                    .withPosts(f.posts()
                            .withStrong(PostStock.STEP_IN)
                            .withLine(PostStock.STEP_IN)
                            .withLightPerGap(0))
                    .withBraces(f.braces().withKind(BraceKind.NONE))
                    .withStringing(f.stringing().withWay(Stringing.Way.RUNS_ON).withTightener(Stringing.Tightener.NONE))
                    .withWires(f.wires().withHot(Conductor.POLYWIRE)));

    private static List<TakeoffLine> square(double sideM) {
        return Design.of(site(0, 0, line("a", true, 0, 0, sideM, 0, sideM, sideM, 0, sideM)), LIGHT)
                .takeoff();
    }

    private static List<HeapItem> heap(List<TakeoffLine> takeoff, String... kinds) {
        return takeoff.stream()
                .filter(t ->
                        List.of(kinds).stream().anyMatch(k -> t.product().id().startsWith(k)))
                .map(t -> new HeapItem(t.product().id(), t.quantity()))
                .toList();
    }

    /** A kit for half an acre round three quarters: √1.5 times as much, so 22 % more, and 18 % of it is missing. */
    @Test
    void aKitForHalfAnAcreRoundThreeQuarters() {
        List<HeapItem> kit = heap(square(HALF_ACRE_SIDE_M), "wire.", "post.");
        Reach reach = Reach.of(kit, square(HALF_ACRE_SIDE_M * Math.sqrt(1.5)));
        assertThat(reach.reaches()).isFalse();
        Reach.Line wire =
                reach.lines().stream().filter(Reach.Line::byMetre).findFirst().orElseThrow();
        assertThat(wire.need() / wire.have()).isCloseTo(1.22, within(0.005));
        assertThat(wire.shortBy() / wire.need()).isCloseTo(0.18, within(0.005));
        double have = posts(reach).mapToDouble(Reach.Line::have).sum();
        double need = posts(reach).mapToDouble(Reach.Line::need).sum();
        assertThat(need / have).as("rounded up on each of four sides").isBetween(1.22 - 4 / have, 1.22 + 4 / have);
        assertThat(Reach.of(kit, square(HALF_ACRE_SIDE_M)).reaches()).isTrue();
        assertThat(reach.besides())
                .extracting(Reach.Line::product)
                .doesNotContainAnyElementsOf(kit.stream().map(HeapItem::product).toList());
    }

    private static Stream<Reach.Line> posts(Reach reach) {
        return reach.lines().stream().filter(l -> l.product().startsWith("post."));
    }

    @Test
    void whatBindsIsToldFirstAndWhatIsNotTakenIsNamed() {
        List<TakeoffLine> takeoff = square(40);
        String wire = takeoff.stream()
                .filter(t -> t.use().isWire())
                .findFirst()
                .orElseThrow()
                .product()
                .id();
        String post = takeoff.stream()
                .map(t -> t.product().id())
                .filter(id -> id.startsWith("post."))
                .findFirst()
                .orElseThrow();
        Reach reach = Reach.of(
                List.of(
                        new HeapItem(post, 1000),
                        new HeapItem(wire, 20),
                        new HeapItem(wire, 10),
                        new HeapItem("wire.barbed", 400)),
                takeoff);
        assertThat(reach.binds()).get().satisfies(b -> {
            assertThat(b.product()).isEqualTo(wire);
            assertThat(b.have()).as("two heaps of it together").isEqualTo(30);
        });
        assertThat(reach.unused()).containsExactly("wire.barbed");
    }

    /** 140 posts on half a mile: 18.9 ft all round, 19.0 ft along. Common practice. */
    @Test
    void postsOnALine() {
        double ft = 0.3048;
        assertThat(feet(Reach.spacingM(2640 * ft, 140, true))).isEqualTo("18.9");
        assertThat(feet(Reach.spacingM(2640 * ft, 140, false))).isEqualTo("19.0");
    }

    /** Nine steps of 3 ft on 737 ft: 28 posts, and 8 ft to the end. Common practice. */
    @Test
    void nineSteps() {
        double ft = 0.3048;
        Reach.Paced row = Reach.paced(737 * ft, 27 * ft);
        assertThat(row.posts()).isEqualTo(28);
        assertThat(row.leftM() / ft).isCloseTo(8, within(1e-6));
        assertThat(Reach.paced(27 * 27 * ft, 27 * ft)).satisfies(r -> {
            assertThat(r.posts()).isEqualTo(28);
            assertThat(r.leftM()).isCloseTo(0, within(1e-6));
        });
    }

    /** Names differ in more than case; nothing less than nothing lies in a heap. */
    @Test
    void kits() {
        var wire = List.of(new HeapItem("wire.ht-12-5", 400));
        new Kits(List.of(new Kits.Kit("Half an acre", wire), new Kits.Kit("Barn", List.of()))).check();
        assertThatThrownBy(() -> new Kits(List.of(new Kits.Kit("Barn", wire), new Kits.Kit("barn ", wire))).check())
                .isInstanceOf(BadInput.class)
                .hasMessageContaining("barn");
        for (double no : new double[] {-1, Double.NaN, 1e12}) {
            Kits kits = new Kits(List.of(new Kits.Kit("Barn", List.of(new HeapItem("wire.ht-12-5", no)))));
            assertThatThrownBy(kits::check).isInstanceOf(BadInput.class);
        }
    }

    /** 500 ft round 130 ft: three rounds and 110 ft left. Common practice. */
    @Test
    void roundAndRound() {
        double ft = 0.3048;
        Reach.Rounds rounds = Reach.rounds(500 * ft, 130 * ft);
        assertThat(rounds.rounds()).isEqualTo(3);
        assertThat(rounds.leftM()).isCloseTo(110 * ft, within(1e-9));
        assertThat(Reach.rounds(390 * ft, 130 * ft)).isEqualTo(new Reach.Rounds(3, 0));
        assertThat(Reach.rounds(0, 10).rounds()).isZero();
    }

    /** Too few posts: opened up until they reach, and not a hand further. As many as planned: what is told is the planned spacing or a little closer. */
    @Test
    void spacingForThePostsThereAre() {
        double side = 60;
        Plan plan = new Plan(
                site(0, 0, line("a", true, 0, 0, side, 0, side, side, 0, side)),
                LIGHT,
                Circumstances.USUAL,
                Decisions.NONE);
        List<HeapItem> all = heap(square(side), "post.");
        double planned = LIGHT.fence().posts().spacingM();
        double same = Spacing.closest(all, plan, Surroundings.NONE).orElseThrow();
        assertThat(same).isLessThanOrEqualTo(planned + 0.05);
        List<HeapItem> fewer = all.stream()
                .map(i -> new HeapItem(i.product(), i.quantity() > 10 ? Math.ceil(i.quantity() * 0.8) : i.quantity()))
                .toList();
        double opened = Spacing.closest(fewer, plan, Surroundings.NONE).orElseThrow();
        assertThat(opened).isGreaterThan(planned);
        for (double spacing : new double[] {opened, opened - 0.06}) {
            Spec spec = LIGHT.withFence(f -> f.withPosts(f.posts().withSpacingM(spacing)));
            boolean enough =
                    Reach.of(fewer, Design.of(plan.site(), spec).takeoff()).reaches();
            assertThat(enough).as("at " + spacing).isEqualTo(spacing == opened);
        }
        List<HeapItem> two = all.stream().map(i -> new HeapItem(i.product(), 1)).toList();
        assertThat(Spacing.closest(two, plan, Surroundings.NONE))
                .as("one of each is never enough")
                .isEmpty();
    }

    private static String feet(double m) {
        return String.format(Locale.ROOT, "%.1f", m / 0.3048);
    }

    /** The largest fence takes no more than there is; one of a yard more takes more. */
    @ParameterizedTest
    @EnumSource(Shape.class)
    void theLargestFenceIsTheLargest(Shape shape) {
        List<HeapItem> kit = heap(square(60), "wire.", "post.");
        Wish found = Wish.largest(kit, LIGHT, shape, 2).orElseThrow();
        assertThat(found.reach().reaches()).isTrue();
        double wire = found.reach().lines().stream()
                .filter(l -> l.product().startsWith("wire."))
                .mapToDouble(Reach.Line::have)
                .sum();
        assertThat(found.lengthM()).as("one wire of it, with slack").isLessThanOrEqualTo(wire);
        assertThat(found.reach().binds().orElseThrow().share()).isBetween(1.0, 1.1);
        double area = switch (shape) {
            case LINE -> 0;
            case SQUARE -> Math.pow(found.lengthM() / 4, 2);
            case RECTANGLE -> 2 * Math.pow(found.lengthM() / 6, 2);
            // Of a polygon of 36 sides, a quarter of a percent less than the circle.
            case CIRCLE -> 0.9975 * Math.pow(found.lengthM(), 2) / (4 * Math.PI);
        };
        assertThat(found.areaM2()).isCloseTo(area, within(0.001 * area + 1e-9));
        assertThat(Wish.largest(List.of(new HeapItem("post.timber-140.2438", 3)), LIGHT, shape, 2))
                .as("nothing of it is used")
                .isEmpty();
    }
}
