package buckle.layout;

import static buckle.Told.inFeet;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import buckle.Fences;
import buckle.Told;
import buckle.design.Design;
import buckle.design.SchoolEffect;
import buckle.land.Land;
import buckle.land.LandFeature;
import buckle.land.LandKind;
import buckle.land.Surroundings;
import buckle.land.Terrain;
import buckle.land.Traits;
import buckle.material.Conductor;
import buckle.material.PostStock;
import buckle.mechanics.Hold;
import buckle.message.JointKind;
import buckle.message.LayoutMessage;
import buckle.review.CutOutAdvisor;
import buckle.review.LayoutPlanner;
import buckle.rulebook.Rule;
import buckle.rulebook.Values;
import buckle.site.FenceLine;
import buckle.site.Gate;
import buckle.site.Gate.GateEnd;
import buckle.site.GateKind;
import buckle.site.GeoPoint;
import buckle.site.LineBook;
import buckle.site.LineBook.IssuedPost;
import buckle.site.LineBook.PostOverride;
import buckle.site.LineBook.Side;
import buckle.site.LineBook.StandingPost;
import buckle.site.LineBook.Use;
import buckle.site.Site;
import buckle.spec.Animal;
import buckle.spec.BraceKind;
import buckle.spec.Circumstances;
import buckle.spec.Decisions;
import buckle.spec.FenceSpec;
import buckle.spec.Plan;
import buckle.spec.Preset;
import buckle.spec.RailSchool;
import buckle.spec.School;
import buckle.spec.Spec;
import buckle.spec.Topic;
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
import java.util.function.Function;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** What the layout knows beyond places: material, loads, numbers that stay, choices that survive, schools. */
class DepthTest {
    private static final Spec SPEC = Spec.USUAL;

    private static FenceLine straight() {
        return Fences.line("l", false, 0, 0, 200, 0);
    }

    private static LineLayout lay(FenceLine line, Spec spec) {
        return LayoutPlanner.layOut(Fences.site(0, -4, line), spec).lines().getFirst();
    }

    private static Layout all(Spec spec, FenceLine... lines) {
        return LayoutPlanner.layOut(Fences.site(0, -4, lines), spec);
    }

    private static GeoPoint at(Post p) {
        return GeoPoint.of(p.lonDeg(), p.latDeg());
    }

    private static PostOverride override(double fromM, double toM, OptionalDouble spacing, Optional<PostStock> stock) {
        return new PostOverride(
                "o" + fromM,
                Fences.at(fromM, 0),
                Fences.at(toM, 0),
                spacing,
                stock,
                OptionalInt.empty(),
                Optional.empty(),
                "own choice");
    }

    @Test
    void choicesOnAStretchSurviveANewLayoutAndAreListedWhenTheirPlaceIsGone() {
        LineBook book = LineBook.EMPTY.withOverrides(List.of(
                override(60, 100, OptionalDouble.of(2), Optional.empty()),
                override(120, 150, OptionalDouble.empty(), Optional.of(PostStock.STEEL_TEE))));
        FenceLine line = straight().withBook(book);
        for (Spec spec : List.of(SPEC, SPEC.withFence(f -> f.withPosts(f.posts().withSpacingM(9))))) {
            LineLayout laid = lay(line, spec);
            List<Post> dense = laid.posts().stream()
                    .filter(p -> p.stationM() > 59.9 && p.stationM() < 100.1)
                    .toList();
            assertThat(dense).hasSize(21);
            assertThat(laid.posts())
                    .filteredOn(p -> p.kind() == PostKind.LINE && p.stationM() > 120 && p.stationM() < 150)
                    .isNotEmpty()
                    .allMatch(p -> p.stock() == PostStock.STEEL_TEE);
        }
        FenceLine moved = Fences.line("l", false, 0, 90, 200, 90).withBook(book);
        Layout layout = all(SPEC, moved);
        assertThat(layout.findings())
                .filteredOn(f -> f.rule() == Rule.P19)
                .singleElement()
                .satisfies(f -> {
                    assertThat(f.text(UnitSystem.METRIC)).contains("kept but not applied");
                    assertThat(f.places()).as("said once, with both places").hasSize(2);
                });
        LineBook twice = LineBook.EMPTY.withOverrides(List.of(
                override(60, 100, OptionalDouble.of(2), Optional.empty()),
                override(70, 90, OptionalDouble.of(3), Optional.empty())));
        assertThat(all(SPEC, straight().withBook(twice)).findings())
                .anyMatch(f -> f.text(UnitSystem.METRIC).contains("contradicts"));
    }

    @Test
    void givenNumbersStayWithTheirPosts() {
        List<Post> first = lay(straight(), SPEC).posts();
        List<IssuedPost> issued =
                first.stream().map(p -> new IssuedPost(p.number(), at(p))).toList();
        FenceLine longer = Fences.line("l", false, 0, 0, 200, 0, 200, 80).withBook(LineBook.EMPTY.withIssued(issued));
        List<Post> second = lay(longer, SPEC).posts();
        Map<Integer, Post> byNumber = second.stream().collect(Collectors.toMap(Post::number, Function.identity()));
        assertThat(byNumber).hasSize(second.size());
        for (Post p : first) {
            assertThat(byNumber.get(p.number()).stationM())
                    .as("post %d", p.number())
                    .isCloseTo(p.stationM(), within(Values.P19_SAME_POST_M));
        }
        assertThat(second.stream().filter(p -> p.stationM() > 200.6)).allMatch(p -> p.number() > first.size());
        List<Post> gated = lay(
                        straight()
                                .withGates(List.of(Fences.gate("g", GateKind.SWING, 100, 0, 5)))
                                .withBook(LineBook.EMPTY.withIssued(issued)),
                        SPEC)
                .posts();
        assertThat(gated.stream().map(Post::number)).doesNotHaveDuplicates();
        assertThat(gated.getFirst().number()).isEqualTo(1);
        assertThat(gated.getLast().number()).isEqualTo(first.size());
    }

    @Test
    void aLineCountedFromItsOtherEndMovesNoReadingAndNoChoice() {
        FenceLine line = straight()
                .withGates(List.of(Fences.gate("g", GateKind.HANDLE, 50, 0, 4)))
                .withCutOuts(List.of(Fences.cutOut("x", 120, 0)))
                .withBook(LineBook.EMPTY.withOverrides(
                        List.of(override(140, 180, OptionalDouble.of(2), Optional.empty()))));
        Map<String, TestPoint> before = points(all(SPEC, line));
        Map<String, TestPoint> after = points(all(SPEC, line.reversed()));
        assertThat(after.keySet()).isEqualTo(before.keySet());
        before.forEach((id, p) -> {
            assertThat(after.get(id).lonDeg()).as(id).isCloseTo(p.lonDeg(), within(1e-9));
            assertThat(after.get(id).latDeg()).as(id).isCloseTo(p.latDeg(), within(1e-9));
        });
        assertThat(after.get("gate:g:a").stationM()).isCloseTo(200 - 48, within(0.01));
        assertThat(lay(line.reversed(), SPEC).posts().stream().filter(p -> p.stationM() > 19.9 && p.stationM() < 60.1))
                .hasSize(21);
        assertThat(line.reversed().reversed()).isEqualTo(line);
    }

    @Test
    void aRingCountedFromAnotherCornerStaysOpenWhereItWas() {
        FenceLine ring = Fences.line("l", true, 0, 0, 100, 0, 100, 60, 0, 60)
                .withCutOuts(List.of(Fences.cutOut("x", 100, 30), Fences.cutOut("y", 0, 30)));
        FenceLine turned = ring.zeroAt("c3");
        Layout before = all(SPEC, ring);
        Layout after = all(SPEC, turned);
        assertThat(after.lines().getFirst().posts().getFirst().label()).isEqualTo("A");
        assertThat(after.lines().getFirst().closingM()).isCloseTo(160, within(0.01));
        assertThat(after.sections().stream().map(s -> Math.round(s.lengthM())).sorted())
                .isEqualTo(before.sections().stream()
                        .map(s -> Math.round(s.lengthM()))
                        .sorted()
                        .toList());
        Map<String, TestPoint> was = points(before);
        points(after)
                .forEach((id, p) ->
                        assertThat(p.lonDeg()).as(id).isCloseTo(was.get(id).lonDeg(), within(1e-9)));
        assertThat(points(after).keySet()).isEqualTo(was.keySet());
        assertThatThrownBy(() -> straight().zeroAt("c1")).hasMessageContaining("closed line");
    }

    private static Map<String, TestPoint> points(Layout layout) {
        return layout.testPoints().stream().collect(Collectors.toMap(TestPoint::id, Function.identity()));
    }

    /** A quarter circle in nine corners of 10° is one bend: no brace, and each post takes 2 T sin(φ/2) (B9). */
    @Test
    void aRoundedOutlineSharesItsLoad() {
        double[] places = new double[2 * 12];
        double heading = 0;
        for (int i = 1; i < 12; i++) {
            places[2 * i] = places[2 * i - 2] + (i == 1 || i == 11 ? 50 : 6) * Math.cos(heading);
            places[2 * i + 1] = places[2 * i - 1] + (i == 1 || i == 11 ? 50 : 6) * Math.sin(heading);
            heading += i < 10 ? Math.toRadians(9) : Math.toRadians(9);
        }
        LineLayout laid = lay(Fences.line("l", false, places), SPEC);
        assertThat(laid.bends()).hasSize(1);
        Bend bend = laid.bends().getFirst();
        assertThat(Math.abs(bend.turnDeg())).isCloseTo(90, within(0.1));
        double pull = 2 * Forces.lbf(250);
        assertThat(bend.sideN()).isCloseTo(2 * pull * Math.sin(Math.toRadians(9) / 2), within(0.5));
        assertThat(laid.braces()).hasSize(2);
        assertThat(laid.posts())
                .filteredOn(p -> !p.ends() && p.load().sideN() > 0)
                .hasSize(10)
                .allMatch(p -> Math.abs(p.load().sideN() - bend.sideN()) < 0.5);
    }

    /** A dip of 1 in 4 on both sides: T × change of slope lifts the post in it. */
    @Test
    void aHollowLiftsItsPostAndIsTiedDown() {
        Terrain valley = new Terrain() {
            @Override
            public OptionalDouble heightM(GeoPoint at) {
                double east = (at.lonDeg() - Fences.at(0, 0).lonDeg())
                        / (Fences.at(1, 0).lonDeg() - Fences.at(0, 0).lonDeg());
                return OptionalDouble.of(100 + 0.25 * Math.abs(east - 103));
            }

            @Override
            public double stepM() {
                return 1;
            }
        };
        Spec five = SPEC.withFence(f -> f.withSchedule(Preset.of("W5").schedule()));
        Design design = Design.of(Fences.site(0, -4, straight()), new Surroundings(Land.NONE, valley), five);
        LineLayout laid = design.layout().lines().getFirst();
        Post low = laid.posts().stream()
                .filter(p -> p.kind() == PostKind.TIE_DOWN)
                .findFirst()
                .orElseThrow();
        assertThat(low.stationM()).as("a post stands in the hollow").isCloseTo(103, within(1.6));
        assertThat(low.load().upliftN()).isBetween(0.5 * 5 * Forces.lbf(250) * 0.25, 5 * Forces.lbf(250) * 0.5);
        assertThat(design.takeoff()).anyMatch(t -> t.item().equals("tie-down") && t.quantity() == 1);
        assertThat(laid.slopeLengthM()).isCloseTo(200 * Math.hypot(1, 0.25), within(0.5));
    }

    @Test
    void aPostThatStoppedOnAStoneIsJudgedByItsRealDepth() {
        FenceLine corner = Fences.line("l", false, 0, 0, 100, 0, 190, 20);
        Post planned = lay(corner, SPEC).posts().stream()
                .filter(p -> p.kind() == PostKind.CORNER)
                .findFirst()
                .orElseThrow();
        FenceLine refused =
                corner.withBook(LineBook.EMPTY.withStanding(List.of(new StandingPost(at(planned), 0.35, "stone"))));
        Layout layout = all(SPEC, refused);
        Post stands = layout.lines().getFirst().posts().get(planned.number() - 1);
        assertThat(stands.depthM()).isEqualTo(0.35);
        assertThat(planned.load().hold()).isEqualTo(Hold.USUAL);
        assertThat(stands.load().hold()).isEqualTo(Hold.MOVES);
        assertThat(layout.findings()).anyMatch(f -> f.rule() == Rule.B9 && f.severity() == Severity.WARN);
    }

    /** Source: rules B1, B2, B8: a 30 in fence gets a 6 ft 3 in rail by height, shorter than 8 ft, with more uplift. */
    @Test
    void onALowFenceTheRailByHeightLiftsMore() {
        for (double[] fence : new double[][] {{20, 30}, {20, 48}}) {
            WireSchedule own = new WireSchedule(
                    "own",
                    List.of(
                            new buckle.spec.Wire(Lengths.in(fence[0]), WireRole.HOT),
                            new buckle.spec.Wire(Lengths.in(fence[1]), WireRole.HOT)));
            Spec spec = SPEC.withFence(f -> f.withSchedule(own));
            BraceLoad eight =
                    lay(straight(), spec).braces().getFirst().schools().get(RailSchool.EIGHT_FOOT.ordinal());
            BraceLoad high = lay(straight(), spec).braces().getFirst().schools().get(RailSchool.BY_HEIGHT.ordinal());
            double moment = Forces.lbf(250) * Lengths.in(fence[0] + fence[1]);
            assertThat(eight.day().upliftN()).isCloseTo(moment / Lengths.ft(8), within(0.01));
            assertThat(high.day().upliftN()).isCloseTo(moment / (2.5 * Lengths.in(fence[1])), within(0.01));
            assertThat(high.day().upliftN() > eight.day().upliftN())
                    .as("%s in", fence[1])
                    .isEqualTo(fence[1] == 30);
        }
    }

    private static boolean strainedAmid(WireRun run) {
        double quarterM = run.slopeLengthM() / 4;
        double at = run.tightenersM().getFirst();
        return at > run.fromM() + quarterM && at < run.toM() - quarterM;
    }

    @Test
    void longPullsArePartedAndLightFencesAreStaked() {
        LineLayout laid = lay(Fences.line("l", false, 0, 0, 1000, 0), SPEC);
        assertThat(laid.posts().stream().filter(p -> p.kind() == PostKind.INLINE))
                .hasSize(2);
        assertThat(laid.pulls()).hasSize(3);
        assertThat(laid.runs()).hasSize(3).allMatch(DepthTest::strainedAmid);
        assertThat(laid.braces()).hasSize(6);
        assertThat(lay(straight(), SPEC).runs()).noneMatch(DepthTest::strainedAmid);
        Spec tape = SPEC.withFence(f -> f.withWires(f.wires()
                .withHot(Conductor.POLYTAPE)
                .withEarth(Conductor.POLYTAPE)
                .withPlain(Conductor.POLYTAPE)
                .withMidRunFromM(200)));
        assertThat(lay(straight(), tape).braces()).allMatch(b -> b.kind() == BraceKind.BACK_STAKE);
        Map<String, TakeoffLine> t = Design.of(Fences.site(0, -4, straight()), tape).takeoff().stream()
                .collect(Collectors.toMap(TakeoffLine::item, Function.identity()));
        assertThat(t)
                .doesNotContainKeys("strainer", "crimp", "spring", "brace.rail")
                .containsKey("tie");
    }

    /** S14: 5 wires of 900 m from coils of 500 m, the rest of each used on: no joint within a brace. */
    @Test
    void coilsAreUsedUpAndJoinedClearOfBraces() {
        Spec spec = SPEC.withFence(f ->
                f.withSchedule(Preset.of("W5").schedule()).withBraces(f.braces().withInlineFromM(5000)));
        Spec coils =
                spec.withPurchasing(spec.purchasing().withWireSlackPercent(0).withCoilM(500));
        LineLayout laid = lay(Fences.line("l", false, 0, 0, 900, 0), coils);
        List<Double> joints = laid.pulls().getFirst().wires().getFirst().joinersM();
        assertThat(joints)
                .as("4500 m from 9 coils: 8 joints less those at wire ends")
                .hasSizeBetween(5, 8);
        for (double j : joints) {
            assertThat(laid.braces())
                    .noneMatch(b -> j > Math.min(b.strongStationM(), b.braceStationM()) - 0.01
                            && j < Math.max(b.strongStationM(), b.braceStationM()) + 0.01);
        }
    }

    @Test
    void gatesKnowWhichSideIsFed() {
        FenceLine line = straight()
                .withGates(List.of(
                        new Gate("h", "handles", GateKind.HANDLE, Fences.at(40, 0), 4, Optional.of(GateEnd.FIRST)),
                        new Gate("s", "springs", GateKind.SPRING_SET, Fences.at(80, 0), 4, Optional.of(GateEnd.FIRST)),
                        new Gate("r", "rigid", GateKind.RIGID, Fences.at(150, 0), 4, Optional.empty())));
        Layout layout = all(SPEC, line);
        assertThat(layout.findings())
                .anyMatch(f -> f.severity() == Severity.WARN
                        && f.text(UnitSystem.METRIC).startsWith("Drawn the wrong way round")
                        && inFeet(f.places().getFirst().what()).startsWith("handles at the post"))
                .noneMatch(f -> f.severity() == Severity.WARN
                        && f.text(UnitSystem.METRIC).contains("hinge side"));
        assertThat(layout.sections()).filteredOn(s -> !s.live()).hasSize(1);
        Layout turned = LayoutPlanner.layOut(Fences.site(200, -4, line), SPEC);
        assertThat(turned.findings())
                .as("fed from the other end, the springs are drawn the wrong way round")
                .anyMatch(f -> f.severity() == Severity.WARN
                        && f.text(UnitSystem.METRIC).contains("hinge side")
                        && inFeet(f.places().getFirst().what()).startsWith("springs at the post"));
        Map<JointKind, Long> kinds =
                layout.joints().stream().collect(Collectors.groupingBy(Joint::kind, Collectors.counting()));
        assertThat(kinds)
                .containsEntry(JointKind.JUMPER, 4L)
                .containsEntry(JointKind.HANDLE, 1L)
                .containsEntry(JointKind.CABLE, 1L)
                .containsEntry(JointKind.OPEN, 1L)
                .containsEntry(JointKind.FEED, 1L);
    }

    /** A wall across the straight way: over its nearer end, as worked with Pythagoras. */
    @Test
    void theLeadOutGoesRoundWhatIsInTheWay() {
        LandFeature barn = new LandFeature(
                "b",
                LandKind.BUILDING,
                "barn",
                LandKind.Shape.AREA,
                List.of(Fences.at(-10, 20), Fences.at(90, 20), Fences.at(90, 24), Fences.at(-10, 24)),
                Traits.NONE,
                "");
        Land land = new Land(List.of(barn), List.of(), Optional.empty(), OptionalDouble.empty(), List.of(), List.of());
        FenceLine line = straight();
        FeedPlace feed = LayoutPlanner.layOut(Fences.site(0, 44, line), new Surroundings(land, Terrain.NONE), SPEC)
                .feed()
                .orElseThrow();
        double shortest = 2 * Math.hypot(10.5, 20) + 4;
        assertThat(feed.leadOutM()).isCloseTo(shortest, within(0.2));
        assertThat(feed.path()).hasSizeGreaterThan(2);
        assertThat(feed.schools())
                .extracting(s -> s.school().rule())
                .containsExactly(Rule.G1, Rule.G2, Rule.G3, Rule.G4);
    }

    @Test
    void cutOutsAreAdvisedWhereTheyHalve() {
        FenceLine line = straight();
        Optional<CutOutAdvisor.Advice> one = CutOutAdvisor.next(Fences.site(0, -4, line), Surroundings.NONE, SPEC);
        assertThat(one.orElseThrow().stationM()).isCloseTo(100, within(7.0));
        Site site = one.get().site();
        for (int i = 0; i < 2; i++) {
            site = CutOutAdvisor.next(site, Surroundings.NONE, SPEC)
                    .orElseThrow()
                    .site();
        }
        assertThat(LayoutPlanner.layOut(site, SPEC).sections()).hasSize(4).allMatch(s -> s.lengthM() < 65);
    }

    /** P7: a post of the outer row stands opposite each inner one, whichever row is drawn first. */
    @Test
    void theOuterRowStandsOppositeTheInnerOne() {
        FenceLine inner = Fences.line("inner", false, 0, 0, 97, 0);
        FenceLine outer = Fences.line("outer", false, -10, 0.762, 110, 0.762)
                .withBook(LineBook.EMPTY.withBeside(Optional.of("inner")));
        List<LineLayout> rows = all(SPEC, outer, inner).lines();
        assertThat(rows).extracting(LineLayout::lineId).containsExactly("outer", "inner");
        List<Double> out =
                rows.getFirst().posts().stream().map(p -> p.stationM() - 10).toList();
        List<Post> spaced = rows.get(1).posts().stream()
                .filter(p -> p.kind() == PostKind.LINE)
                .toList();
        assertThat(spaced)
                .hasSizeGreaterThan(8)
                .allSatisfy(p -> assertThat(out).anySatisfy(s -> assertThat(s).isCloseTo(p.stationM(), within(0.01))));
    }

    @Test
    void aSinglePostDoesWhatSomebodyWantsOfIt() {
        double at = lay(straight(), SPEC).posts().stream()
                .filter(p -> p.kind() == PostKind.LINE)
                .toList()
                .get(5)
                .stationM();
        LineBook book = LineBook.EMPTY.withOverrides(List.of(
                use("down", at + 0.2, at + 0.2, Use.TIE_DOWN),
                use("light", 120, 140, Use.LIGHT),
                use("new", 61.5, 61.5, Use.LINE),
                use("end", 0, 0, Use.LIGHT)));
        Layout layout = all(SPEC, straight().withBook(book));
        List<Post> posts = layout.lines().getFirst().posts();
        assertThat(posts)
                .anySatisfy(p -> {
                    assertThat(p.kind()).isEqualTo(PostKind.TIE_DOWN);
                    assertThat(p.stationM()).isCloseTo(at, within(0.5));
                })
                .anySatisfy(p -> assertThat(p.stationM()).isCloseTo(61.5, within(0.01)));
        assertThat(posts.stream().filter(p -> p.stationM() >= 120 && p.stationM() <= 140))
                .hasSizeGreaterThan(2)
                .allMatch(p -> p.kind() == PostKind.LIGHT);
        assertThat(layout.findings())
                .filteredOn(f -> f.rule() == Rule.P19)
                .singleElement()
                .satisfies(f -> assertThat(f.text(UnitSystem.METRIC)).contains("“end”", "no post stands there"));
        // The ground is even: nothing lifts the post that somebody tied down.
        assertThat(layout.findings()).noneMatch(f -> f.rule() == Rule.P18);
    }

    private static PostOverride use(String id, double fromM, double toM, Use use) {
        return new PostOverride(
                id,
                Fences.at(fromM, 0),
                Fences.at(toM, 0),
                OptionalDouble.empty(),
                Optional.empty(),
                OptionalInt.empty(),
                Optional.of(use),
                id);
    }

    /** A wire on the right passes the inside of a right turn; counted from the other end it is the left side, and nothing moves. */
    @Test
    void wiresOnOneSidePullOffThePostsInsideOfATurn() {
        FenceLine bent = Fences.line("l", false, 0, 0, 60, 0, 115, -11.7, 170, -11.7);
        FenceLine right = bent.withBook(LineBook.EMPTY.withWiresOn(Optional.of(Side.RIGHT)));
        for (FenceLine line : List.of(right, right.reversed())) {
            List<TakeoffLine> takeoff = Design.of(
                            Plan.EMPTY.withSite(Fences.site(0, -4, line)).withSpec(SPEC), Surroundings.NONE)
                    .takeoff();
            assertThat(quantity(takeoff, "insulator.corner.inside")).isEqualTo(quantity(takeoff, "insulator.corner"));
            assertThat(lay(line, SPEC).posts())
                    .filteredOn(Post::wiresInside)
                    .singleElement()
                    .satisfies(p -> assertThat(at(p).lonDeg())
                            .isCloseTo(Fences.at(60, 0).lonDeg(), within(1e-6)));
        }
        List<TakeoffLine> usual = Design.of(
                        Plan.EMPTY.withSite(Fences.site(0, -4, bent)).withSpec(SPEC), Surroundings.NONE)
                .takeoff();
        assertThat(usual).noneMatch(t -> t.item().equals("insulator.corner.inside"));
    }

    private static double quantity(List<TakeoffLine> takeoff, String item) {
        return takeoff.stream()
                .filter(t -> t.item().equals(item))
                .findFirst()
                .orElseThrow()
                .quantity();
    }

    /** A saw is set to 10 mm or an inch, and never cuts short. */
    @Test
    void lengthsAreCutToWhatASawCanDo() {
        assertThat(Lengths.sawnM(2.3101, UnitSystem.METRIC)).isCloseTo(2.32, within(1e-9));
        assertThat(Lengths.sawnM(2.32, UnitSystem.METRIC)).isCloseTo(2.32, within(1e-9));
        assertThat(Lengths.sawnM(Lengths.in(90.1), UnitSystem.FT_IN)).isCloseTo(Lengths.in(91), within(1e-9));
        assertThat(lay(straight(), SPEC).posts())
                .allSatisfy(p -> assertThat(p.lengthM() / Lengths.M_PER_IN)
                        .isCloseTo(Math.rint(p.lengthM() / Lengths.M_PER_IN), within(1e-6)));
    }

    /** Where a branch ends on a braced corner its brace lifts that corner as well; mid-run the post carries the branch alone. */
    @Test
    void aBranchOnABracedCornerAddsToItsLift() {
        Spec heavy = SPEC.withFence(f -> f.withSchedule(Preset.of("W16").schedule()));
        FenceLine main = Fences.line("l", false, 0, 0, 200, 0, 200, 200);
        FenceLine corner = Fences.line("c", false, 200, 0, 350, -150).withStartsOn(Optional.of("l"));
        FenceLine mid = Fences.line("m", false, 100, 0, 100, -150).withStartsOn(Optional.of("l"));
        assertThat(all(heavy, main, corner).findings())
                .anyMatch(f -> f.rule() == Rule.B8
                        && f.severity() == Severity.WARN
                        && f.text(UnitSystem.METRIC).contains("A branch ends on a post"));
        assertThat(all(heavy, main, mid).findings())
                .noneMatch(f -> f.text(UnitSystem.METRIC).contains("A branch ends on a post"));
    }

    @Test
    void signsStandAtGatesAndNeverFurtherApartThanAsked() {
        FenceLine line =
                Fences.line("l", false, 0, 0, 400, 0).withGates(List.of(Fences.gate("g", GateKind.SWING, 130, 0, 5)));
        List<Sign> signs = all(SPEC, line).signs();
        assertThat(signs).anyMatch(s -> s.why().equals("gate g"));
        for (int i = 1; i < signs.size(); i++) {
            assertThat(signs.get(i).stationM() - signs.get(i - 1).stationM()).isLessThanOrEqualTo(75);
        }
    }

    @Test
    void anAcceptedFindingIsKnownAgainAtItsPlaceAndNotElsewhere() {
        FenceLine low = straight()
                .withBook(LineBook.EMPTY.withStanding(List.of(
                        new StandingPost(at(lay(straight(), SPEC).posts().get(10)), 0.2, "rock"))));
        Site site = Fences.site(0, -4, low);
        Finding open = LayoutPlanner.layOut(site, SPEC).findings().stream()
                .filter(f -> f.rule() == Rule.P14)
                .findFirst()
                .orElseThrow();
        GeoPoint place = Fences.at(open.stationM().orElseThrow(), 0);
        Decisions taken = new Decisions(
                List.of(new Decisions.Accepted(
                        "P14",
                        open.lineId(),
                        Optional.of(place),
                        Optional.of(open.message().key()),
                        Optional.of(open.message().facts()),
                        "",
                        "braced by the old oak")),
                List.of());
        Plan plan = new Plan(site, SPEC, Circumstances.USUAL, taken);
        assertThat(LayoutPlanner.layOut(plan, Surroundings.NONE).findings())
                .filteredOn(f -> f.accepted().isPresent())
                .singleElement()
                .satisfies(f -> assertThat(f.accepted()).contains("braced by the old oak"));
        Decisions elsewhere = new Decisions(
                List.of(new Decisions.Accepted(
                        "P14",
                        open.lineId(),
                        Optional.of(Fences.at(150, 0)),
                        Optional.empty(),
                        Optional.empty(),
                        "",
                        "another post")),
                List.of());
        assertThat(LayoutPlanner.layOut(new Plan(site, SPEC, Circumstances.USUAL, elsewhere), Surroundings.NONE)
                        .findings())
                .noneMatch(f -> f.accepted().isPresent());
        assertThatThrownBy(() -> new Decisions.Accepted(
                        "P14", Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(), "", " "))
                .hasMessageContaining("reason");
    }

    /** What was accepted or found at a place is not carried along when the line leaves it. */
    @Test
    void whatWasFoundAtAPlaceIsLostWhenTheLineLeavesIt() {
        GeoPoint tenth = at(lay(straight(), SPEC).posts().get(10));
        LineBook book = LineBook.EMPTY.withStanding(List.of(new StandingPost(tenth, 0.2, "rock")));
        Decisions taken = new Decisions(
                List.of(new Decisions.Accepted(
                        "J5",
                        Optional.of("l"),
                        Optional.of(Fences.at(150, 0)),
                        Optional.empty(),
                        Optional.empty(),
                        "",
                        "one of them is drawn for later")),
                List.of());
        List<Finding> here = twoGates(0, book, taken);
        assertThat(here)
                .filteredOn(f -> f.accepted().isPresent())
                .extracting(Finding::rule)
                .containsExactly(Rule.J5);
        assertThat(here).noneMatch(f -> f.message() instanceof LayoutMessage.StandingPostLost);
        List<Finding> there = twoGates(30, book, taken);
        assertThat(there).filteredOn(f -> f.rule() == Rule.J5).isNotEmpty();
        assertThat(there).noneMatch(f -> f.accepted().isPresent());
        assertThat(there)
                .filteredOn(f -> f.message() instanceof LayoutMessage.StandingPostLost)
                .singleElement()
                .satisfies(f ->
                        assertThat(Told.inFeet(f.message())).contains("rock", "kept but left out of the calculation"));
    }

    private static List<Finding> twoGates(double northM, LineBook book, Decisions decisions) {
        FenceLine line = Fences.line("l", false, 0, northM, 200, northM)
                .withBook(book)
                .withGates(List.of(
                        Fences.gate("g", GateKind.HANDLE, 150, northM, 4),
                        Fences.gate("h", GateKind.HANDLE, 151, northM, 4)));
        return LayoutPlanner.layOut(
                        new Plan(Fences.site(0, -4, line), SPEC, Circumstances.USUAL, decisions), Surroundings.NONE)
                .findings();
    }

    @Test
    void everySchoolChangesTheJobTheWayItSays() {
        Plan plan = Plan.EMPTY.withSite(Fences.site(0, -4, straight())).withSpec(SPEC);
        List<SchoolEffect> effects = SchoolEffect.of(plan, Surroundings.NONE);
        assertThat(effects).hasSize(School.values().length);
        Map<School, SchoolEffect> by =
                effects.stream().collect(Collectors.toMap(SchoolEffect::school, Function.identity()));
        for (Topic topic : Topic.values()) {
            assertThat(School.of(topic)).as(topic.text()).hasSizeGreaterThan(1);
            assertThat(School.of(topic).stream().filter(s -> by.get(s).chosen()))
                    .as(topic.text())
                    .hasSize(1);
            assertThat(School.chosen(topic, SPEC)).isPresent();
        }
        for (School s : School.values()) {
            assertThat(s.chosenIn(s.applied(SPEC))).as(s.name()).isTrue();
        }
        assertThat(by.get(School.TENSION_HEAVY).upliftN())
                .isCloseTo(2 * by.get(School.TENSION_MEDIUM).upliftN(), within(0.1));
        assertThat(by.get(School.BRACE_DOUBLE).strongPosts())
                .isEqualTo(by.get(School.BRACE_SINGLE).strongPosts() + 2);
        assertThat(by.get(School.SUPPORTS_30).linePosts())
                .isLessThan(by.get(School.SUPPORTS_20).linePosts());
        assertThat(by.get(School.RODS_ONE_LONG).rods()).isEqualTo(1);
        assertThat(by.get(School.RAIL_EIGHT_FOOT).items()).isEmpty();
        assertThat(by.get(School.BRACE_DOUBLE).items()).isNotEmpty();
        assertThatThrownBy(() -> new School.House(List.of(School.RAIL_BY_HEIGHT, School.RAIL_EIGHT_FOOT)))
                .hasMessageContaining("two ways");
    }

    /** W19 by hand: cattle 20 and 34, pigs 6, 12, 18, 30, 42: 20 falls to 18, the rest stay. */
    @Test
    void mixedSpeciesGetTheUnionOfTheirWires() {
        buckle.spec.Mixed mixed = buckle.spec.Mixed.of(List.of(Preset.of("W1"), Preset.of("W5")));
        assertThat(mixed.schedule().wires().stream().map(w -> Math.round(w.heightM() / Lengths.M_PER_IN)))
                .containsExactly(6L, 12L, 18L, 30L, 34L, 42L);
        assertThat(mixed.merged())
                .singleElement()
                .asString()
                .contains("W1 at 20 in")
                .contains("W5 at 18 in");
    }

    @Test
    void theOuterRowAndTheOldFenceAreKnown() {
        FenceLine outer =
                Fences.line("o", false, 0, 0.762, 200, 0.762).withBook(LineBook.EMPTY.withBeside(Optional.of("l")));
        FenceLine far = Fences.line("f", false, 0, 2, 200, 2).withBook(LineBook.EMPTY.withBeside(Optional.of("l")));
        assertThat(all(SPEC, straight(), outer).findings())
                .anyMatch(f -> f.rule() == Rule.W9 && f.severity() == Severity.NOTE)
                .noneMatch(f -> f.rule() == Rule.J1 && f.severity() == Severity.WARN);
        assertThat(all(SPEC, straight(), far).findings())
                .anyMatch(f -> f.rule() == Rule.W9 && f.severity() == Severity.WARN);
        FenceLine old = straight().withBook(LineBook.EMPTY.withOnExisting(true));
        Map<String, TakeoffLine> t = Design.of(Fences.site(0, -4, old), SPEC).takeoff().stream()
                .collect(Collectors.toMap(TakeoffLine::item, Function.identity()));
        assertThat(t).containsKey("insulator.offset").doesNotContainKey("post.line");
    }

    /** By hand: six live wires of 200 m of 2.5 mm steel (0.17 Ω mm² a metre and 4.95 mm²), one after the other; M2, M3, M5. */
    @Test
    void liveWiresOfAMonitoredFenceAreOnePath() {
        Spec people = SPEC.withFence(f -> f.withAnimals(List.of(Animal.PEOPLE)));
        Layout monitored =
                all(people.withFence(f -> f.withSchedule(Preset.of("W21").schedule())), straight());
        assertThat(monitored.findings())
                .filteredOn(f -> f.rule() == Rule.M5)
                .singleElement()
                .satisfies(f -> assertThat(f.severity()).isEqualTo(Severity.WARN))
                .extracting(f -> (LayoutMessage.MonitoredPath) f.message())
                .satisfies(m -> {
                    assertThat(m.live()).isEqualTo(6);
                    assertThat(m.wireM()).isCloseTo(1200, within(0.5));
                    assertThat(m.ohm()).isCloseTo(1200 * 0.17 / 4.95, within(1.5));
                });
        // Heights of one's own are still those of a fence that may be monitored; an odd number of live wires needs a
        // way back.
        WireSchedule own = new WireSchedule("own", Preset.of("W21").wires().subList(0, 10));
        assertThat(all(people.withFence(f -> f.withSchedule(own)), straight()).findings())
                .anyMatch(f -> f.rule() == Rule.M5
                        && f.severity() == Severity.NOTE
                        && f.text(UnitSystem.METRIC).contains("needs a way back"));
        assertThat(all(people.withFence(f -> f.withSchedule(Preset.of("W13").schedule())), straight())
                        .findings())
                .noneMatch(f -> f.rule() == Rule.M5);
        assertThat(all(SPEC, straight()).findings()).noneMatch(f -> f.rule() == Rule.M5);
        // Whatever animals are named, these are the wires of a monitored fence.
        assertThat(all(SPEC.withFence(f -> f.withSchedule(Preset.of("W21").schedule())), straight())
                        .findings())
                .anyMatch(f -> f.rule() == Rule.M5 && f.severity() == Severity.WARN);
    }

    @Test
    void winterIsJudged() {
        FenceSpec.Climate hard = new FenceSpec.Climate(0.6, 0.03, -30, 35, 15);
        Spec spec = SPEC.withFence(f -> f.withPosts(f.posts().withSpacingM(30))).withFence(f -> f.withClimate(hard));
        Layout layout = all(spec, straight());
        Pull pull = layout.lines().getFirst().pulls().getFirst();
        Pull.PullWire wire = pull.wires().getFirst();
        assertThat(wire.coldN()).isGreaterThan(wire.tensionN());
        assertThat(wire.icedSagM()).isGreaterThan(wire.sagM());
        assertThat(layout.findings()).anyMatch(f -> f.rule() == Rule.S6);
        assertThat(layout.lines().getFirst().posts().stream()
                        .filter(p -> p.kind().strong()))
                .allMatch(p -> p.depthM() >= Values.P10_STRONG_DEPTH_M);
        List<String> problems = new ArrayList<>();
        for (double[] bad : new double[][] {{9, 0, -15, 35, 15}, {0, 1, -15, 35, 15}, {0, 0, 20, 35, 15}}) {
            try {
                new FenceSpec.Climate(bad[0], bad[1], bad[2], bad[3], bad[4]);
            } catch (IllegalArgumentException e) {
                problems.add(String.valueOf(e.getMessage()));
            }
        }
        assertThat(problems).hasSize(3).allMatch(p -> p.startsWith("fence.climate."));
    }

    private static FenceLine straight2() {
        return Fences.line("m", false, 300, 0, 400, 60);
    }
}
