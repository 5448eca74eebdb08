package buckle.land;

import static buckle.Told.inMetres;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import buckle.Fences;
import buckle.land.LandKind.Shape;
import buckle.layout.Finding;
import buckle.layout.Layout;
import buckle.layout.Severity;
import buckle.review.CutOutAdvisor;
import buckle.review.LayoutPlanner;
import buckle.rulebook.Rule;
import buckle.site.FenceLine;
import buckle.site.GateKind;
import buckle.site.GeoPoint;
import buckle.site.LocalPlane;
import buckle.site.PlanePoint;
import buckle.site.Site;
import buckle.site.Stationing;
import buckle.spec.Circumstances;
import buckle.spec.Decisions;
import buckle.spec.Plan;
import buckle.spec.Spec;
import buckle.units.UnitSystem;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.LineString;

class LandTest {
    private static final Spec METRIC = Spec.USUAL.withUnits(UnitSystem.METRIC);

    private static LandFeature feature(String id, LandKind kind, Shape shape, Traits traits, double... eastNorth) {
        List<GeoPoint> points = new ArrayList<>();
        for (int i = 0; i + 1 < eastNorth.length; i += 2) {
            points.add(Fences.at(eastNorth[i], eastNorth[i + 1]));
        }
        return new LandFeature(id, kind, id, shape, points, traits, "");
    }

    private static Land land(LandFeature... features) {
        return new Land(List.of(features), List.of(), Optional.empty(), OptionalDouble.empty(), List.of(), List.of());
    }

    private static Traits kv(double kv) {
        return new Traits(
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                OptionalDouble.of(kv),
                OptionalDouble.empty(),
                Optional.empty(),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                Optional.empty(),
                OptionalDouble.empty());
    }

    private static Traits depth(double depthM) {
        return new Traits(
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                Optional.of(Traits.Service.WATER),
                OptionalDouble.of(depthM),
                OptionalDouble.empty(),
                Optional.empty(),
                OptionalDouble.empty());
    }

    private static Traits electrified() {
        return new Traits(
                Optional.of(Traits.FenceMake.WOVEN),
                Optional.of(true),
                Optional.of(true),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                Optional.empty(),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                Optional.empty(),
                OptionalDouble.empty());
    }

    private static Traits flood(double riseM) {
        return new Traits(
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                Optional.empty(),
                OptionalDouble.empty(),
                OptionalDouble.of(riseM),
                Optional.empty(),
                OptionalDouble.empty());
    }

    private static Layout layOut(Site site, Land land, Terrain terrain) {
        return LayoutPlanner.layOut(site, new Surroundings(land, terrain), METRIC);
    }

    private static Finding only(Layout layout, Rule rule, String text) {
        return layout.findings().stream()
                .filter(f -> f.rule().equals(rule) && f.text(UnitSystem.METRIC).contains(text))
                .findFirst()
                .orElseThrow(() -> new AssertionError(rule + " “" + text + "” is not among " + layout.findings()));
    }

    private static final FenceLine EAST = Fences.line("l", false, 0, 0, 200, 0);

    /** An overhead line crossing at 45° from station 100, one along the fence 3 m off, and the same two far away. */
    @Test
    void overheadLinesAreMetWithStationAngleAndClearance() {
        Layout layout = layOut(
                Fences.site(0, -30, EAST),
                land(
                        feature("slanting", LandKind.OVERHEAD_LINE, Shape.LINE, kv(11), 60, -40, 140, 40),
                        feature("along", LandKind.OVERHEAD_LINE, Shape.LINE, kv(0.4), 20, 2.5, 50, 2.5),
                        feature("off", LandKind.OVERHEAD_LINE, Shape.LINE, kv(11), 0, 4.2, 200, 4.2)),
                Terrain.NONE);
        Finding crossing = only(layout, Rule.C5, "“slanting” crosses under 45°");
        assertThat(crossing.severity()).isEqualTo(Severity.WARN);
        assertThat(crossing.stationM().orElseThrow()).isCloseTo(100, within(1e-6));
        assertThat(inMetres(crossing.message())).contains("at least 4.0 m", "11 kV", "nearer to a right angle");
        Finding along = only(layout, Rule.C5, "“along” runs 2.5 m beside");
        double half = Math.sqrt(9 - 2.5 * 2.5);
        assertThat(along.stationM().orElseThrow()).isCloseTo(20 - half, within(1e-6));
        assertThat(layout.findings()).noneMatch(f -> f.text(UnitSystem.METRIC).contains("“off”"));
        var span = layout.lines().getFirst().land().stream()
                .filter(s -> s.featureId().equals("along"))
                .findFirst()
                .orElseThrow();
        assertThat(span.toM()).isCloseTo(50 + half, within(1e-6));
    }

    @Test
    void aPostOverABuriedServiceIsNamed() {
        FenceLine line = Fences.line("l", false, 0, 0, 60, 0);
        Layout shallow = layOut(
                Fences.site(0, -30, line),
                land(feature("pipe", LandKind.BURIED_SERVICE, Shape.LINE, depth(0.8), 60.4, -20, 60.4, 20)),
                Terrain.NONE);
        int last = shallow.lines().getFirst().posts().getLast().number();
        assertThat(inMetres(only(shallow, Rule.C6, "“pipe”").message()))
                .contains("post " + last + " at 60.0 m", "dig by hand");
        Layout deep = layOut(
                Fences.site(0, -30, line),
                land(feature("pipe", LandKind.BURIED_SERVICE, Shape.LINE, depth(1.6), 60.4, -20, 60.4, 20)),
                Terrain.NONE);
        assertThat(only(deep, Rule.C6, "“pipe”").severity()).isEqualTo(Severity.CAUTION);
    }

    @Test
    void everyKindHasItsConsequence() {
        FenceLine ring = Fences.line("l", true, 0, 0, 100, 0, 100, 100, 0, 100)
                .withGates(List.of(Fences.gate("g", GateKind.SWING, 50, 0, 4)));
        Layout layout = layOut(
                Fences.site(-5, -5, ring),
                land(
                        feature("neighbour", LandKind.EXISTING_FENCE, Shape.LINE, electrified(), 102, 20, 102, 60),
                        feature("path", LandKind.PUBLIC_WAY, Shape.LINE, Traits.NONE, -8, -50, -8, 150),
                        feature("brook", LandKind.CREEK, Shape.LINE, Traits.NONE, 70, 50, 70, 150),
                        feature("gated", LandKind.TRACK, Shape.LINE, Traits.NONE, 50, -20, 50, 20),
                        feature("blocked", LandKind.TRACK, Shape.LINE, Traits.NONE, 50, 80, 50, 120),
                        feature("gap", LandKind.OPENING, Shape.POINT, Traits.NONE, 30, 101),
                        feature(
                                "pond",
                                LandKind.STANDING_WATER,
                                Shape.AREA,
                                Traits.NONE,
                                80,
                                -10,
                                95,
                                -10,
                                95,
                                10,
                                80,
                                10),
                        feature("barn", LandKind.BUILDING, Shape.AREA, Traits.NONE, -8, -12, -3, -12, -3, -7, -8, -7)),
                Terrain.NONE);
        assertThat(inMetres(only(layout, Rule.C3, "“neighbour”").message()))
                .contains("within 2.0 m", "at least 2.5 m apart");
        assertThat(inMetres(only(layout, Rule.C4, "“path”").message())).contains("within 8.0 m", "signs");
        assertThat(only(layout, Rule.J4, "“brook” is crossed").stationM().orElseThrow())
                .isCloseTo(230, within(1e-6));
        assertThat(only(layout, Rule.J5, "“blocked” is crossed").stationM().orElseThrow())
                .isCloseTo(250, within(1e-6));
        assertThat(layout.findings()).noneMatch(f -> f.text(UnitSystem.METRIC).contains("“gated” is crossed"));
        only(layout, Rule.J5, "“gap”");
        assertThat(inMetres(only(layout, Rule.L2, "“pond”").message())).contains("from 80.0 m to 95.0 m");
        assertThat(inMetres(only(layout, Rule.C10, "“barn”").message())).contains("10.0 m away");
    }

    /** A valley: 10 m deep at the creek, slopes of 1 in 10; a rise of 1.5 m floods 15 m on each side. */
    @Test
    void theFloodOfACreekReachesAsFarAsTheGroundSays() {
        Terrain valley = new Terrain() {
            private final LocalPlane plane = new LocalPlane(Fences.at(0, 0));

            @Override
            public OptionalDouble heightM(GeoPoint at) {
                return OptionalDouble.of(100 + Math.abs(plane.toPlane(at).eastM() - 100) / 10);
            }

            @Override
            public double stepM() {
                return 1;
            }
        };
        Layout layout = layOut(
                Fences.site(0, -30, EAST),
                land(feature("brook", LandKind.CREEK, Shape.LINE, flood(1.5), 100, -80, 100, 80)),
                valley);
        Finding flood = only(layout, Rule.J4, "floods the fence");
        assertThat(flood.stationM().orElseThrow()).isCloseTo(85, within(1.1));
        assertThat(flood.places())
                .singleElement()
                .satisfies(p -> assertThat(inMetres(p.what())).contains("up to 1500 mm deep"));
        Surroundings around = new Surroundings(
                land(feature("brook", LandKind.CREEK, Shape.LINE, flood(1.5), 100, -80, 100, 80)), valley);
        double dry = CutOutAdvisor.next(Fences.site(0, -30, EAST), around, Spec.USUAL)
                .orElseThrow()
                .stationM();
        assertThat(Math.abs(dry - 100))
                .as("a cut-out halves the fence, yet above the water")
                .isBetween(15.0, 22.0);
        assertThat(layout.lines().getFirst().slopeLengthM()).isCloseTo(200 * Math.hypot(1, 0.1), within(0.01));
    }

    /** Source: JTS distance between geometries, sampled along the fence, for 400 random features. */
    @Test
    void stretchesAreWhereJtsSaysTheDistanceIsWithinReach() {
        Random random = new Random(5);
        List<LandFeature> features = new ArrayList<>();
        for (int i = 0; i < 400; i++) {
            double e = 900 * random.nextDouble();
            double n = 60 * random.nextDouble() - 30;
            features.add(feature(
                    "f" + i,
                    LandKind.PUBLIC_WAY,
                    Shape.LINE,
                    Traits.NONE,
                    e,
                    n,
                    e + 20 * random.nextGaussian(),
                    n + 20 * random.nextGaussian(),
                    e + 20 * random.nextGaussian(),
                    n + 20 * random.nextGaussian()));
        }
        FenceLine bent = Fences.line("l", false, 0, 0, 300, 10, 500, -10, 900, 5);
        LocalPlane plane = new Site(List.of(bent), Optional.empty()).plane();
        Stationing line = new Stationing(
                bent.corners().stream().map(c -> plane.toPlane(c.at())).toList(), false);
        Land land = land(features.toArray(LandFeature[]::new));
        Contacts contacts = new Contacts(land, plane);
        List<Contact> found = contacts.of(line);
        List<Contact> oneByOne = features.stream()
                .flatMap(f -> new Contacts(land(f), plane).of(line).stream())
                .toList();
        assertThat(found).containsExactlyInAnyOrderElementsOf(oneByOne).hasSizeGreaterThan(50);
        assertThat(found).isSortedAccordingTo(Comparator.comparingDouble(Contact::fromM));
        GeometryFactory factory = new GeometryFactory();
        for (LandFeature f : features) {
            LineString other = factory.createLineString(f.points().stream()
                    .map(plane::toPlane)
                    .map(p -> new Coordinate(p.eastM(), p.northM()))
                    .toArray(Coordinate[]::new));
            for (double s = 0; s < line.lengthM(); s += 3.7) {
                PlanePoint p = line.at(s);
                double distance = factory.createPoint(new Coordinate(p.eastM(), p.northM()))
                        .distance(other);
                double station = s;
                boolean inside =
                        found.stream().anyMatch(c -> c.feature() == f && station >= c.fromM() && station <= c.toM());
                if (Math.abs(distance - 10) > 0.6) {
                    assertThat(inside)
                            .as("%s at %.1f, %.2f m off", f.id(), s, distance)
                            .isEqualTo(distance < 10);
                }
            }
        }
    }

    @Test
    void aGridIsReadBetweenItsMiddlesAndGapsAreSaid() {
        float[] heights = new float[20 * 5];
        for (int r = 0; r < 5; r++) {
            for (int c = 0; c < 20; c++) {
                heights[r * 20 + c] = c >= 8 && c <= 10 ? Float.NaN : 100 + 2 * c + r;
            }
        }
        GridTerrain grid = new GridTerrain(20, 5, 0.88, 44.13, 0.0001, heights);
        assertThat(grid.heightM(GeoPoint.of(0.88 + 2.5e-4, 44.13 + 2.5e-4)).orElseThrow())
                .isCloseTo(106, within(1e-3));
        assertThat(grid.heightM(GeoPoint.of(0.88 + 3.0e-4, 44.13 + 2.0e-4)).orElseThrow())
                .isCloseTo(107.5, within(1e-3));
        assertThat(grid.heightM(GeoPoint.of(0.88 + 8.2e-4, 44.13 + 2.5e-4))).isEmpty();
        assertThat(grid.heightM(GeoPoint.of(0.87, 44.13))).isEmpty();
        assertThat(grid.ref("h", "g").gaps()).isEqualTo(15);
        assertThat(grid.ref("h", "g").highestM()).isEqualTo(142);

        GeoPoint from = GeoPoint.of(0.88 + 1e-4, 44.13 + 2.5e-4);
        GeoPoint to = GeoPoint.of(0.88 + 19e-4, 44.13 + 2.5e-4);
        FenceLine line = FenceLine.free(
                "l", "l", false, List.of(new buckle.site.Corner("a", from), new buckle.site.Corner("b", to)));
        Layout layout = layOut(new Site(List.of(line), Optional.empty()), Land.NONE, grid);
        var laid = layout.lines().getFirst();
        assertThat(laid.profileGaps()).hasSize(1);
        assertThat(laid.profileGaps().getFirst().toM()
                        - laid.profileGaps().getFirst().fromM())
                .isBetween(24.0, 40.0);
        assertThat(laid.profile()).allSatisfy(p -> assertThat(p.heightM()).isBetween(101.0, 141.0));
        only(layout, Rule.L3, "No height is known");
        double rise =
                laid.profile().getLast().heightM() - laid.profile().getFirst().heightM();
        assertThat(laid.slopeLengthM()).isCloseTo(Math.hypot(laid.lengthM(), rise), within(0.3));

        GridTerrain part = grid.cut(0.8802, 44.1301, 0.8804, 44.1303).orElseThrow();
        GeoPoint inside = GeoPoint.of(0.88031, 44.13022);
        assertThat(part.heightM(inside).orElseThrow())
                .isCloseTo(grid.heightM(inside).orElseThrow(), within(1e-3));
        assertThat(part.columns()).isLessThan(8);
    }

    /** A tilted plane over scattered heights is met exactly inside their hull, and nothing is said outside. */
    @Test
    void spotHeightsMakeASurface() {
        Random random = new Random(3);
        List<GeoPoint> spots = new ArrayList<>();
        for (double[] c : new double[][] {{-5, -5}, {105, -5}, {105, 105}, {-5, 105}}) {
            spots.add(Fences.at(c[0], c[1]).withHeight(50 + 0.1 * c[0] - 0.05 * c[1]));
        }
        for (int i = 0; i < 60; i++) {
            double e = 100 * random.nextDouble();
            double n = 100 * random.nextDouble();
            spots.add(Fences.at(e, n).withHeight(50 + 0.1 * e - 0.05 * n));
        }
        spots.add(spots.getFirst());
        Terrain surface = ScatterTerrain.over(spots);
        for (int i = 0; i < 50; i++) {
            double e = 100 * random.nextDouble();
            double n = 100 * random.nextDouble();
            assertThat(surface.heightM(Fences.at(e, n)).orElseThrow()).isCloseTo(50 + 0.1 * e - 0.05 * n, within(1e-4));
        }
        assertThat(surface.heightM(Fences.at(130, 50))).isEmpty();
        assertThat(ScatterTerrain.over(spots.subList(0, 2))).isSameAs(Terrain.NONE);
        List<GeoPoint> row = List.of(
                Fences.at(0, 0).withHeight(1),
                Fences.at(10, 0).withHeight(2),
                Fences.at(20, 0).withHeight(3));
        assertThat(ScatterTerrain.over(row).heightM(Fences.at(5, 40))).isEmpty();
    }

    @Test
    void whatAPropertyCannotHoldIsNamed() {
        LandFeature point = feature("a", LandKind.CREEK, Shape.POINT, Traits.NONE, 0, 0);
        LandFeature thin = feature("a", LandKind.NO_GO, Shape.AREA, Traits.NONE, 0, 0, 1, 1);
        assertThat(LandCheck.problems(land(point, thin)))
                .extracting(p -> p.code())
                .containsExactlyInAnyOrder("feature.shape", "id.twice", "feature.points");
    }

    /** Each ground has its own sentence; where nothing is to be said nothing is. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            nullValues = "-",
            value = {
                "STONE | P11 | WARN | pilot auger",
                "WET | P10 | NOTE | hold less",
                "SAND | P10 | NOTE | carries the pulse back badly",
                "FROZEN_IN_SEASON | P10 | NOTE | before the frost",
                "CLAY | - | - | -",
                "LOAM | - | - | -",
            })
    void groundsSayWhatTheyMeanForPosts(Traits.Soil soil, Rule rule, String severity, String words) {
        Layout layout = layOut(
                Fences.site(0, -30, EAST),
                land(feature("zone", LandKind.SOIL, Shape.AREA, soil(soil), 40, -20, 90, -20, 90, 20, 40, 20)),
                Terrain.NONE);
        assertThat(layout.lines().getFirst().land()).singleElement().satisfies(s -> {
            assertThat(s.fromM()).isCloseTo(40, within(1e-6));
            assertThat(s.toM()).isCloseTo(90, within(1e-6));
        });
        if (rule == null) {
            assertThat(layout.findings())
                    .noneMatch(f ->
                            f.places().stream().anyMatch(p -> inMetres(p.what()).contains("40.0 m")));
        } else {
            Finding finding = only(layout, rule, words);
            assertThat(finding.severity()).hasToString(severity);
            assertThat(finding.places())
                    .singleElement()
                    .satisfies(p -> assertThat(inMetres(p.what())).isEqualTo("40.0 m to 90.0 m"));
        }
    }

    /** One thing of two lines is one finding; accepted for one of them it stays open, for both it is accepted. */
    @Test
    void aFindingOfSeveralPlacesIsAcceptedPlaceByPlace() {
        Site site =
                Fences.site(0, -30, Fences.line("a", false, 0, 0, 100, 0), Fences.line("b", false, 20, 50, 120, 50));
        Surroundings around = new Surroundings(
                land(feature(
                        "zone", LandKind.SOIL, Shape.AREA, soil(Traits.Soil.STONE), 40, -20, 90, -20, 90, 70, 40, 70)),
                Terrain.NONE);
        List<Decisions.Accepted> accepted = new ArrayList<>();
        for (String line : List.of("", "a", "b")) {
            if (!line.isEmpty()) {
                accepted.add(new Decisions.Accepted(
                        "P11",
                        Optional.of(line),
                        Optional.of(Fences.at(40, line.equals("a") ? 0 : 50)),
                        Optional.of("stony-ground"),
                        Optional.empty(),
                        "",
                        "tried with the bar"));
            }
            Layout layout = LayoutPlanner.layOut(
                    new Plan(site, METRIC, Circumstances.USUAL, new Decisions(accepted, List.of())), around);
            Finding stone = only(layout, Rule.P11, "Stone");
            assertThat(stone.places()).extracting(Finding.At::lineId).containsExactly("a", "b");
            assertThat(stone.accepted().isPresent()).as(line).isEqualTo(line.equals("b"));
        }
    }

    /** The lead-out runs north from 60 m off the fence: what it crosses is told, what it only passes is not. */
    @Test
    void whatTheLeadOutCrossesIsToldLikeAFenceLine() {
        Layout layout = layOut(
                Fences.site(100, -60, EAST),
                land(
                        feature("water main", LandKind.BURIED_SERVICE, Shape.LINE, Traits.NONE, -100, -55, 300, -55),
                        feature("brook", LandKind.CREEK, Shape.LINE, Traits.NONE, -100, -30, 300, -30),
                        feature("lane", LandKind.PUBLIC_WAY, Shape.LINE, Traits.NONE, -100, -20, 300, -20),
                        feature("wires", LandKind.OVERHEAD_LINE, Shape.LINE, Traits.NONE, -100, -40, 300, -40),
                        feature("ditch", LandKind.CREEK, Shape.LINE, Traits.NONE, 102, -45, 102, -42)),
                Terrain.NONE);
        assertThat(layout.feed().orElseThrow().leadOutM()).isGreaterThan(55);
        assertThat(only(layout, Rule.C6, "“water main” (depth not known) is crossed or neared by the lead-out")
                        .severity())
                .isEqualTo(Severity.WARN);
        assertThat(inMetres(only(layout, Rule.C6, "earth rods go").message())).contains("5.0 m from the energizer");
        only(layout, Rule.C9, "“brook” is crossed by the lead-out");
        only(layout, Rule.C9, "“lane” is crossed by the lead-out");
        only(layout, Rule.C5, "“wires” is crossed by the lead-out");
        assertThat(layout.findings()).noneMatch(f -> f.text(UnitSystem.METRIC).contains("“ditch” is crossed"));
    }

    private static Traits soil(Traits.Soil soil) {
        return new Traits(
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                Optional.empty(),
                OptionalDouble.of(0.3),
                OptionalDouble.empty(),
                Optional.of(soil),
                OptionalDouble.empty());
    }

    /** Source: C5 as the rulebook has it: 3 m up to 1 kV, 4 m to 33 kV, 8 m above and where nobody knows. */
    @ParameterizedTest
    @CsvSource({
        "0.4, 2.9, true",
        "0.4, 3.1, false",
        "11, 3.9, true",
        "11, 4.1, false",
        "110, 7.9, true",
        "110, 8.1, false"
    })
    void clearanceGrowsWithTheVoltage(double kv, double offM, boolean met) {
        Layout layout = layOut(
                Fences.site(0, -30, EAST),
                land(feature("wires", LandKind.OVERHEAD_LINE, Shape.LINE, kv(kv), 20, offM, 180, offM)),
                Terrain.NONE);
        assertThat(layout.findings().stream().anyMatch(f -> f.rule() == Rule.C5))
                .isEqualTo(met);
    }

    /** A high fence under a low conductor: both the height of the fence and what is left between them are said. */
    @Test
    void aHighFenceUnderALowConductorIsSaid() {
        Traits low = new Traits(
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                OptionalDouble.of(11),
                OptionalDouble.of(5),
                Optional.empty(),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                Optional.empty(),
                OptionalDouble.empty());
        Spec high = METRIC.withFence(f -> f.withSchedule(new buckle.spec.WireSchedule(
                "own",
                List.of(
                        new buckle.spec.Wire(0.5, buckle.spec.WireRole.HOT),
                        new buckle.spec.Wire(3.2, buckle.spec.WireRole.HOT)))));
        Layout layout = LayoutPlanner.layOut(
                Fences.site(0, -30, EAST),
                new Surroundings(
                        land(feature("wires", LandKind.OVERHEAD_LINE, Shape.LINE, low, 100, -40, 100, 40)),
                        Terrain.NONE),
                high);
        only(layout, Rule.C5, "stays under 3.0 m");
        assertThat(inMetres(only(layout, Rule.C5, "Between the top wire").message()))
                .contains("1800 mm", "4.0 m are needed");
        assertThat(only(layout, Rule.C5, "crosses under 90°").severity()).isEqualTo(Severity.CAUTION);
    }

    /** Barbed wire is never electrified; a fence of another energizer stays away; a plain one is only named. */
    @Test
    void existingFencesAreToldApart() {
        Traits barbed = new Traits(
                Optional.of(Traits.FenceMake.BARBED),
                Optional.of(false),
                Optional.empty(),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                Optional.empty(),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                Optional.empty(),
                OptionalDouble.empty());
        Layout layout = layOut(
                Fences.site(0, -30, EAST),
                land(
                        feature("old", LandKind.EXISTING_FENCE, Shape.LINE, barbed, 10, 2, 60, 2),
                        feature("timber", LandKind.EXISTING_FENCE, Shape.LINE, Traits.NONE, 100, 1, 150, 1),
                        feature("far", LandKind.EXISTING_FENCE, Shape.LINE, electrified(), 0, 2.6, 200, 2.6)),
                Terrain.NONE);
        assertThat(inMetres(only(layout, Rule.C2, "“old” is barbed").message())).contains("never electrified");
        assertThat(only(layout, Rule.L2, "“timber” stands").severity()).isEqualTo(Severity.NOTE);
        assertThat(layout.findings()).noneMatch(f -> f.rule() == Rule.C3);
    }
}
