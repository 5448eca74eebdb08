package buckle.layout;

import static buckle.Told.inFeet;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import buckle.Fences;
import buckle.design.Design;
import buckle.message.JointKind;
import buckle.review.LayoutPlanner;
import buckle.site.FenceLine;
import buckle.site.GateKind;
import buckle.site.Site;
import buckle.site.SiteCheck;
import buckle.spec.Animal;
import buckle.spec.BraceKind;
import buckle.spec.FenceSpec;
import buckle.spec.GroundSchool;
import buckle.spec.Preset;
import buckle.spec.RailSchool;
import buckle.spec.Spec;
import buckle.spec.TensionSchool;
import buckle.spec.Wire;
import buckle.spec.WireRole;
import buckle.spec.WireSchedule;
import buckle.takeoff.TakeoffLine;
import buckle.units.Lengths;
import buckle.units.UnitSystem;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class LayoutPlannerTest {
    private static final FenceLine SQUARE = Fences.line("l", true, 0, 0, 0, 60, 60, 60, 60, 0);

    private static Spec wires(int count, double topInches) {
        List<Wire> wires = new ArrayList<>();
        for (int i = 1; i <= count; i++) {
            wires.add(new Wire(Lengths.in(topInches * i / count), WireRole.HOT));
        }
        return Spec.USUAL.withFence(
                f -> f.withAnimals(List.of(Animal.BEEF_CATTLE)).withSchedule(new WireSchedule("own", wires)));
    }

    private static double quantity(Design design, String item) {
        return design.takeoff().stream()
                .filter(t -> t.item().equals(item))
                .mapToDouble(TakeoffLine::quantity)
                .sum();
    }

    /** Source: common practice, S2: "one per wire and pull; 4 wires on 4 sides: 16", and I2 two strain ends each. */
    @Test
    void fourWiresOnFourSidesTakeSixteenStrainers() {
        Design design = Design.of(Fences.site(5, 5, SQUARE), wires(4, 40));
        assertThat(quantity(design, "strainer")).isEqualTo(16);
        assertThat(quantity(design, "insulator.strain")).isEqualTo(32);
        assertThat(quantity(design, "brace.rail")).isEqualTo(8);
        assertThat(quantity(design, "jumper")).isEqualTo(4);
    }

    /** Source: common practice, B2: a 48 in fence gets a 10 ft rail, 30 in gets 6 ft 3 in; B1: 8 ft always. */
    @ParameterizedTest
    @CsvSource({"48, BY_HEIGHT, 10", "30, BY_HEIGHT, 6.25", "48, EIGHT_FOOT, 8", "30, EIGHT_FOOT, 8"})
    void railFollowsItsSchool(double topInches, RailSchool school, double railFt) {
        Spec spec = wires(3, topInches).withFence(f -> f.withBraces(f.braces().withRailSchool(school)));
        LineLayout line =
                LayoutPlanner.layOut(Fences.site(5, 5, SQUARE), spec).lines().getFirst();
        assertThat(line.braces()).hasSize(8).allSatisfy(b -> {
            assertThat(b.railM()).isCloseTo(Lengths.ft(railFt), within(1e-9));
            assertThat(Math.abs(b.braceStationM() - b.strongStationM())).isCloseTo(b.railM(), within(1e-9));
        });
    }

    @Test
    void gateEndsAPullAndGetsCableUnderIt() {
        FenceLine line =
                Fences.line("l", false, 0, 0, 120, 0).withGates(List.of(Fences.gate("g", GateKind.SWING, 60, 0.4, 5)));
        Design design = Design.of(Fences.site(-3, 0, line), wires(2, 34));
        LineLayout laid = design.layout().lines().getFirst();
        assertThat(laid.pulls()).hasSize(2);
        assertThat(design.layout().counts().get(PostKind.GATE)).isEqualTo(2);
        assertThat(laid.braces()).hasSize(4);
        assertThat(laid.gates().getFirst().fromM()).isCloseTo(57.5, within(1e-6));
        assertThat(laid.posts()).noneMatch(p -> p.stationM() > 57.5001 && p.stationM() < 62.4999);
        FenceSpec.UnderGate under = Spec.USUAL.fence().underGate();
        double each = 5 + 2 * under.burialM() + 2 * Lengths.in(17) + 2 * under.spareLoopM();
        assertThat(quantity(design, "cable.gate")).as("all hot: one cable").isCloseTo(each, within(0.11));
        assertThat(quantity(design, "strainer")).isEqualTo(4);
    }

    @Test
    void deflectionDecidesBetweenBendStrongerPostAndBrace() {
        double step = 60;
        double ten = Math.toRadians(7);
        double twenty = Math.toRadians(7 + 15);
        FenceLine line = Fences.line(
                "l",
                false,
                0,
                0,
                step,
                0,
                step + step * Math.cos(ten),
                step * Math.sin(ten),
                step + step * Math.cos(ten) + step * Math.cos(twenty),
                step * Math.sin(ten) + step * Math.sin(twenty));
        LineLayout laid = LayoutPlanner.layOut(Fences.site(0, -4, line), wires(2, 34))
                .lines()
                .getFirst();
        List<Post> corners =
                laid.posts().stream().filter(p -> !p.label().isEmpty()).toList();
        assertThat(corners).extracting(Post::label).containsExactly("A", "B", "C", "D");
        assertThat(corners)
                .extracting(Post::kind)
                .containsExactly(PostKind.END, PostKind.LINE, PostKind.CORNER, PostKind.END);
        assertThat(corners).extracting(Post::ends).containsExactly(true, false, false, true);
        assertThat(corners.get(2).deflectionDeg()).isCloseTo(-15, within(0.01));
        assertThat(laid.pulls()).hasSize(1);
    }

    @Test
    void shortSidesKeepTheLayoutAndSayWhatDoesNotFit() {
        FenceLine line = Fences.line("l", false, 0, 0, 40, 0, 40, 3.5, 80, 3.5, 80, 2);
        Layout layout = LayoutPlanner.layOut(Fences.site(0, -4, line), wires(2, 34));
        assertThat(layout.findings())
                .filteredOn(f -> f.severity() == Severity.WARN)
                .extracting(Finding::message)
                .anyMatch(m -> inFeet(m).startsWith("Only one"))
                .anyMatch(m -> inFeet(m).startsWith("No 8 ft brace fits"));
        assertThat(layout.lines().getFirst().braces())
                .filteredOn(b -> b.kind() != BraceKind.NONE)
                .hasSize(5);
    }

    /** A long gate under two short ones: both that overlap it are left out, also when they do not overlap each other. */
    @Test
    void gatesThatOverlapAreLeftOutAndNamed() {
        FenceLine line = Fences.line("l", false, 0, 0, 100, 0)
                .withGates(List.of(
                        Fences.gate("long", GateKind.SWING, 50, 0, 12),
                        Fences.gate("a", GateKind.SWING, 47, 0, 2),
                        Fences.gate("b", GateKind.HANDLE, 53, 0, 2)));
        Layout layout = LayoutPlanner.layOut(Fences.site(0, -4, line), wires(2, 34));
        assertThat(layout.lines().getFirst().gates()).extracting(GatePlace::id).containsExactly("long");
        assertThat(layout.findings())
                .filteredOn(f -> f.text(UnitSystem.METRIC).contains("overlaps gate long"))
                .hasSize(2);
    }

    @Test
    void slopeLengthensTheWireButNotTheStations() {
        FenceLine flat = Fences.line("l", false, 0, 0, 300, 0);
        FenceLine hill = flat.withGround(List.of(
                Fences.at(0, 0).withHeight(10),
                Fences.at(150, 0).withHeight(85),
                Fences.at(300, 0).withHeight(10)));
        LineLayout laid = LayoutPlanner.layOut(Fences.site(0, -3, hill), wires(2, 34))
                .lines()
                .getFirst();
        assertThat(laid.lengthM()).isCloseTo(300, within(1e-4));
        assertThat(laid.slopeLengthM()).isCloseTo(2 * Math.hypot(150, 75), within(0.05));
    }

    /** Source: common practice, G1 to G4; the acre is 4046.856 m². */
    @ParameterizedTest
    @CsvSource({
        "THREE_RODS, 3, 60, 3",
        "ONE_LONG_ROD, 3, 60, 1",
        "BY_JOULES, 3, 60, 2",
        "BY_JOULES, 12, 60, 6",
        "BY_AREA, 3, 60, 1",
        "BY_AREA, 3, 110, 2",
        "BY_AREA, 3, 500, 3"
    })
    void rodsFollowTheirSchool(GroundSchool school, double outputJ, double sideM, int rods) {
        FenceLine square = Fences.line("l", true, 0, 0, 0, sideM, sideM, sideM, sideM, 0);
        Spec spec = wires(2, 34)
                .withSupply(s -> s.withCountedJ(outputJ).withEarth(s.earth().withSchool(school)));
        assertThat(LayoutPlanner.layOut(Fences.site(5, 5, square), spec)
                        .feed()
                        .orElseThrow()
                        .rods())
                .isEqualTo(rods);
    }

    /** A random fence: a star-shaped ring or a random open line, with gates and cut-outs thrown at it. */
    @Provide
    Arbitrary<Site> sites() {
        return Arbitraries.randomValue(LayoutPlannerTest::randomSite)
                .filter(s -> SiteCheck.problems(s).isEmpty());
    }

    private static Site randomSite(Random random) {
        boolean closed = random.nextBoolean();
        int corners = 3 + random.nextInt(9);
        double[] places = new double[2 * corners];
        for (int i = 0; i < corners; i++) {
            double angle = (closed ? 2 : 1.3) * Math.PI * (i + 0.6 * random.nextDouble()) / corners;
            double r = 30 + 200 * random.nextDouble();
            places[2 * i] = r * Math.cos(angle);
            places[2 * i + 1] = r * Math.sin(angle);
        }
        FenceLine line = Fences.line("l", closed, places);
        var gates = new ArrayList<buckle.site.Gate>();
        var cutOuts = new ArrayList<buckle.site.CutOut>();
        for (int i = 0; i < random.nextInt(4); i++) {
            int k = random.nextInt(corners - 1);
            double share = random.nextDouble();
            double e = places[2 * k] + share * (places[2 * k + 2] - places[2 * k]);
            double n = places[2 * k + 1] + share * (places[2 * k + 3] - places[2 * k + 1]);
            if (random.nextBoolean()) {
                gates.add(Fences.gate(
                        "g" + i,
                        random.nextBoolean() ? GateKind.SWING : GateKind.HANDLE,
                        e,
                        n,
                        1 + 5 * random.nextDouble()));
            } else {
                cutOuts.add(Fences.cutOut("x" + i, e, n));
            }
        }
        return Fences.site(
                random.nextInt(200) - 100,
                random.nextInt(200) - 100,
                line.withGates(gates).withCutOuts(cutOuts));
    }

    /**
     * The wires as the crew joins them: every hot wire hangs together with the feed while switches and handles are closed, and
     * nothing hot touches earth.
     */
    @Property(tries = 250)
    void whateverTheWiresAreJoinedRight(
            @ForAll("sites") Site site,
            @ForAll BraceKind kind,
            @ForAll TensionSchool tension,
            @ForAll @IntRange(max = 3) int light,
            @ForAll @IntRange(max = 18) int preset) {
        Spec usual = Spec.USUAL;
        Spec spec = usual.withFence(f -> f.withSchedule(Preset.all().get(preset).schedule()))
                .withFence(f -> f.withPosts(f.posts().withLightPerGap(light).withCloseUp(true))
                        .withBraces(f.braces().withKind(kind).withInlineFromM(60))
                        .withWires(f.wires()
                                .withTension(tension)
                                .withMidRunFromM(50)
                                .withJumperPieces(false)));
        Design design = Design.of(site, spec);
        LineLayout line = design.layout().lines().getFirst();
        Wires net = new Wires(line);
        design.layout().joints().forEach(net::join);
        int feed = net.feed(design.layout());
        List<Wire> wires = line.schedule().wires();
        for (int pull = 0; pull < line.pulls().size(); pull++) {
            for (int i = 0; i < wires.size(); i++) {
                boolean hot = wires.get(i).role() == WireRole.HOT;
                assertThat(net.joined(feed, net.node(pull, i)))
                        .as("wire %d of pull %d", i + 1, pull)
                        .isEqualTo(hot);
            }
        }
        for (Post post : line.posts()) {
            assertThat(post.stockM()).isGreaterThan(0);
            assertThat(post.lengthM()).isGreaterThan(post.depthM());
            assertThat(Double.isFinite(post.load().upliftN())
                            && Double.isFinite(post.load().sideN()))
                    .isTrue();
        }
        line.braces().forEach(b -> assertThat(b.load().worst().safety()).isPositive());
        long light2 =
                line.posts().stream().filter(x -> x.kind() == PostKind.LIGHT).count();
        assertThat(quantity(design, "post.light")).isEqualTo(light2);
        long cut = line.cutOuts().stream()
                .filter(c -> line.pulls().stream()
                        .anyMatch(pull -> c.stationM() > pull.fromM() + 1 && c.stationM() < pull.toM() - 1))
                .count();
        assertThat(quantity(design, "insulator.strain"))
                .as("two ends of each pull, and one at each cut-out within one")
                .isEqualTo(
                        line.schedule().count(WireRole.HOT) * (2L * line.pulls().size() + cut));
    }

    /** Union of what the joints say, wire by wire. */
    private static final class Wires {
        private final LineLayout line;
        private final int[] parent;

        Wires(LineLayout line) {
            this.line = line;
            this.parent = new int[line.pulls().size() * line.schedule().wires().size()];
            java.util.Arrays.setAll(parent, i -> i);
        }

        int node(int pull, int wire) {
            return pull * line.schedule().wires().size() + wire;
        }

        int root(int a) {
            return parent[a] == a ? a : root(parent[a]);
        }

        boolean joined(int a, int b) {
            return root(a) == root(b);
        }

        private int pullAt(double stationM, boolean ending) {
            for (int i = 0; i < line.pulls().size(); i++) {
                Pull p = line.pulls().get(i);
                if (Math.abs((ending ? p.toM() : p.fromM()) - stationM) < 0.06) {
                    return i;
                }
            }
            return -1;
        }

        private int within(double stationM) {
            for (int i = 0; i < line.pulls().size(); i++) {
                Pull p = line.pulls().get(i);
                if (p.fromM() - 0.06 <= stationM && stationM < p.toM() - 0.06) {
                    return i;
                }
            }
            return line.pulls().size() - 1;
        }

        int feed(Layout layout) {
            Joint feed = layout.joints().stream()
                    .filter(j -> j.kind() == JointKind.FEED)
                    .findFirst()
                    .orElseThrow();
            return node(within(feed.stationM()), feed.hot().getFirst() - 1);
        }

        void join(Joint j) {
            switch (j.kind()) {
                case JUMPER -> {
                    int pull = within(j.stationM());
                    chain(pull, pull, j.hot(), true);
                    chain(pull, pull, j.earth(), true);
                }
                case LINK, CABLE, HANDLE -> {
                    int before = pullAt(j.stationM(), true);
                    int after = j.kind() == JointKind.LINK
                            ? pullAt(j.stationM() > line.lengthM() - 0.06 ? 0 : j.stationM(), false)
                            : (before + 1) % line.pulls().size();
                    boolean wraps = after == 0 && !line.closed();
                    if (before >= 0 && after >= 0 && !wraps) {
                        chain(before, after, j.hot(), false);
                        chain(before, after, j.earth(), false);
                    }
                }
                case FEED, TEE, CUT_OUT, OPEN -> {}
            }
        }

        private void chain(int one, int other, List<Integer> wires, boolean along) {
            for (int k = along ? 1 : 0; k < wires.size(); k++) {
                int a = node(one, wires.get(along ? k - 1 : k) - 1);
                parent[root(a)] = root(node(other, wires.get(k) - 1));
            }
        }
    }

    @Property(tries = 400)
    void whateverTheFence(
            @ForAll("sites") Site site,
            @ForAll @DoubleRange(min = 1.5, max = 15) double spacingM,
            @ForAll RailSchool school,
            @ForAll boolean ring) {
        Spec spec = Spec.USUAL
                .withFence(f -> f.withAnimals(List.of(Animal.ALPACAS))
                        .withSchedule(Preset.of("W16").schedule()))
                .withFence(f -> f.withPosts(f.posts().withSpacingM(spacingM)))
                .withFence(f -> f.withBraces(f.braces().withRailSchool(school)))
                .withFence(f -> f.withWires(f.wires().withRingClosed(ring)));
        Design design = Design.of(site, spec);
        LineLayout line = design.layout().lines().getFirst();
        double gaps = line.gates().stream().mapToDouble(GatePlace::openingM).sum();
        assertThat(line.pulls().stream().mapToDouble(p -> p.toM() - p.fromM()).sum())
                .as("pulls and gates make up the line")
                .isCloseTo(line.lengthM() - gaps, within(0.2));
        for (int i = 1; i < line.posts().size(); i++) {
            Post a = line.posts().get(i - 1);
            Post b = line.posts().get(i);
            assertThat(b.number()).isEqualTo(a.number() + 1);
            assertThat(b.stationM()).isGreaterThan(a.stationM());
            boolean opening = line.gates().stream()
                    .anyMatch(g -> g.fromM() <= a.stationM() + 0.06 && b.stationM() <= g.toM() + 0.06);
            if (!opening) {
                assertThat(b.stationM() - a.stationM())
                        .as("spacing at %.1f", a.stationM())
                        .isLessThanOrEqualTo(spacingM + 0.001);
            }
        }
        assertThat(design.layout().sections().stream()
                        .mapToDouble(Section::lengthM)
                        .sum())
                .as("sections make up the fence")
                .isCloseTo(line.lengthM(), within(1e-6));
        assertThat(design.layout().sections()).allMatch(Section::live);
        int wires = spec.fence().schedule().wires().size();
        assertThat(quantity(design, "strainer")).isEqualTo(wires * line.pulls().size());
        long posts = line.posts().size();
        assertThat(design.takeoff().stream()
                        .filter(t -> t.item().startsWith("post.") && !t.item().equals("post.cap"))
                        .mapToLong(t -> (long) t.quantity())
                        .sum())
                .isEqualTo(posts);
        assertThat(quantity(design, "brace.rail"))
                .isEqualTo(line.braces().stream()
                        .filter(b -> b.kind() == BraceKind.SINGLE_H)
                        .count());
        design.takeoff().forEach(t -> assertThat(t.rules()).isNotEmpty());
    }
}
