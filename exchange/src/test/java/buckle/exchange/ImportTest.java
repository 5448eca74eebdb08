package buckle.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import buckle.exchange.in.GridReader;
import buckle.exchange.in.Importer;
import buckle.exchange.in.Importer.Found;
import buckle.exchange.in.Importer.Options;
import buckle.exchange.in.KmlReader;
import buckle.exchange.in.PointTable;
import buckle.exchange.in.Tracks;
import buckle.exchange.out.GridWriter;
import buckle.site.BadInput;
import buckle.site.CleanLine;
import buckle.site.FenceLine;
import buckle.site.GeoPoint;
import buckle.site.LocalPlane;
import buckle.site.Mark;
import buckle.site.PlanePoint;
import buckle.site.Survey;
import buckle.site.Walk;
import buckle.site.WalkAverage;
import buckle.site.WalkOptions;
import buckle.tape.TapeAdjuster;
import buckle.units.UnitSystem;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a dropped file is taken for, and what comes of it. */
class ImportTest {
    private static final Path WALKS = Path.of("src", "test", "resources", "walks");
    private static final GeoPoint NEAR = GeoPoint.of(0.8841, 44.1372);

    private static byte[] bytes(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }

    private static Options near(Swap swap) {
        return new Options(WalkOptions.USUAL, swap, Optional.of(NEAR), Optional.empty(), 0.75, UnitSystem.METRIC);
    }

    @Test
    void kmlHoldsLinesOutlinesAndMarksAndLinksAreNeverFetched() {
        String kml = """
                <?xml version="1.0" encoding="UTF-8"?>
                <kml xmlns="http://www.opengis.net/kml/2.2"><Document>
                <NetworkLink><name>more</name><Link><href>http://127.0.0.1:9/secret.kml</href></Link></NetworkLink>
                <Folder><Placemark><name>Top</name><LineString><coordinates>
                  0.88,44.13,210 0.884,44.13,0
                  0.884,44.134</coordinates></LineString></Placemark>
                <Placemark><name>Yard</name><Polygon><outerBoundaryIs><LinearRing><coordinates>0.88,44.13 0.881,44.13 0.881,44.131 0.88,44.13</coordinates></LinearRing></outerBoundaryIs>
                <innerBoundaryIs><LinearRing><coordinates>0.8801,44.1301 0.8802,44.1301 0.8802,44.1302</coordinates></LinearRing></innerBoundaryIs></Polygon></Placemark>
                <Placemark><name>gate</name><Point><coordinates>0.882,44.13</coordinates></Point></Placemark>
                <Placemark><Point><coordinates>0.882,44.13</coordinates></Point></Placemark></Folder>
                <GroundOverlay><name>photo</name></GroundOverlay></Document></kml>""";
        Tracks tracks = KmlReader.read(bytes(kml), Swap.NONE);
        assertThat(tracks.walks()).extracting(Walk::name).containsExactly("Top", "Yard");
        assertThat(tracks.walks().getFirst().pointCount()).isEqualTo(3);
        assertThat(tracks.walks().getFirst().stretches().getFirst().get(1).at().heightM())
                .isEmpty();
        assertThat(tracks.walks().get(1).pointCount()).isEqualTo(4);
        assertThat(tracks.marks()).extracting(Mark::name).containsExactly("gate");
        assertThat(tracks.leftOut())
                .anyMatch(t -> t.contains("nothing is ever fetched"))
                .anyMatch(t -> t.contains("hole"))
                .anyMatch(t -> t.contains("picture"))
                .anyMatch(t -> t.contains("without a name"));
        Survey survey = Importer.read(bytes(kml), near(Swap.NONE)).survey().orElseThrow();
        assertThat(survey.site().lines().getFirst().gates()).hasSize(1);
        assertThat(survey.site().lines().get(1).closed()).isTrue();
    }

    /** The same line written wrongly in three ways: each time the swap that mends it is offered, and mends it. */
    @ParameterizedTest
    @CsvSource({
        "LAT_LON, 44.1372, 0.8841, 44.139, 0.8841",
        "EAST_WEST, -0.8841, 44.1372, -0.8841, 44.139",
        "NORTH_SOUTH, 0.8841, -44.1372, 0.8841, -44.139"
    })
    void aSwapThatWouldBringItHomeIsOffered(Swap swap, double x1, double y1, double x2, double y2) {
        byte[] file =
                bytes("{\"type\":\"LineString\",\"coordinates\":[[" + x1 + "," + y1 + "],[" + x2 + "," + y2 + "]]}");
        Found found = Importer.read(file, near(Swap.NONE));
        assertThat(found.suggestion()).contains(swap);
        Found mended = Importer.read(file, near(swap));
        assertThat(mended.suggestion()).isEmpty();
        GeoPoint first = mended.survey()
                .orElseThrow()
                .site()
                .lines()
                .getFirst()
                .corners()
                .getFirst()
                .at();
        assertThat(first.lonDeg()).isCloseTo(0.8841, within(1e-9));
        assertThat(first.latDeg()).isCloseTo(44.1372, within(1e-9));
    }

    @Test
    void pointsInColumnsAreReadAsSomebodySaysTheyAre() {
        byte[] table = bytes("\uFEFFname;y;x;height\nA;0;0;210,5\nB;0;40;211\nC;30;40;\n;;;\n");
        PointTable look = Importer.read(table, Options.USUAL).table().orElseThrow();
        assertThat(look.columns()).containsExactly("name", "y", "x", "height");
        assertThat(look.guess().east()).isEqualTo(2);
        assertThat(look.guess().north()).isEqualTo(1);
        assertThat(look.guess().name()).isZero();
        PointTable.Mapping metres = new PointTable.Mapping(-1, -1, 2, 1, 3, 0, -1, true, Optional.of(NEAR));
        Tracks tracks = PointTable.read(table, metres);
        LocalPlane plane = new LocalPlane(NEAR);
        PlanePoint c = plane.toPlane(
                tracks.walks().getFirst().stretches().getFirst().get(2).at());
        assertThat(c.eastM()).isCloseTo(40, within(1e-6));
        assertThat(c.northM()).isCloseTo(30, within(1e-6));
        assertThat(tracks.leftOut()).containsExactly("1 row without a place.");
        assertThatThrownBy(() ->
                        PointTable.read(table, new PointTable.Mapping(-1, -1, 2, 1, 3, 0, -1, true, Optional.empty())))
                .isInstanceOf(BadInput.class)
                .hasMessageContaining("counted from");
        assertThatThrownBy(() -> PointTable.read(
                        table, new PointTable.Mapping(0, 1, -1, -1, -1, -1, -1, true, Optional.empty())))
                .isInstanceOfSatisfying(
                        BadInput.class,
                        e -> assertThat(e.problems().getFirst().path()).isEqualTo("row 2"));

        byte[] degrees = bytes("nr;b;l\n1;44,1372;0,8841\n2;44,1380;0,8841\n");
        Tracks placed =
                PointTable.read(degrees, new PointTable.Mapping(1, 2, -1, -1, -1, -1, -1, true, Optional.of(NEAR)));
        assertThat(placed.walks().getFirst().stretches().getFirst().get(1).at().latDeg())
                .as("degrees are degrees, also where an origin is known")
                .isEqualTo(44.138);

        Options marks = new Options(
                WalkOptions.USUAL,
                Swap.NONE,
                Optional.of(NEAR),
                Optional.of(new PointTable.Mapping(-1, -1, 2, 1, 3, 0, -1, false, Optional.of(NEAR))),
                0.75,
                UnitSystem.METRIC);
        Survey heights = Importer.read(table, marks).survey().orElseThrow();
        assertThat(heights.site().lines()).isEmpty();
        assertThat(heights.spotHeights()).hasSize(2);
    }

    @Test
    void aTapeSheetIsKnownByItsHead() throws IOException {
        Found found = Importer.read(Files.readAllBytes(WALKS.resolve("poultry-yard-tape.csv")), Options.USUAL);
        var book = found.tape().orElseThrow();
        assertThat(book.units()).isEqualTo(UnitSystem.METRIC);
        assertThat(book.rows()).hasSize(7);
        assertThat(TapeAdjuster.adjust(book).points()).hasSize(5);
    }

    @Test
    void aWrittenGridIsReadBackToTheCentimetre() throws IOException {
        var grid = Importer.read(Files.readAllBytes(WALKS.resolve("kestrel-hollow.asc")), Options.USUAL)
                .grid()
                .orElseThrow();
        assertThat(GridReader.read(GridWriter.write(grid))).isEqualTo(grid);
        byte[] centre = bytes(
                "NCOLS 2\r\nNROWS 2\r\nXLLCENTER 0.5\r\nYLLCENTER 44.5\r\nCELLSIZE 1\r\n1e1 -9999\r\n+3.25 nan\r\n");
        var small = GridReader.read(centre);
        assertThat(small.westDeg()).isZero();
        assertThat(small.heightsM()).containsExactly(10f, Float.NaN, 3.25f, Float.NaN);
    }

    /** Two walks of one line: the better one weighs more, and the expected error of a corner falls as it should. */
    @Test
    void twoWalksAreAveragedByTheirWeight() {
        FenceLine good = walked(0.5, 0, 0, 100, 0, 100, 80, 0, 80);
        FenceLine poor = walked(1.0, 2, 0, 102, 0, 102, 80, 2, 80);
        WalkAverage.Averaged both = WalkAverage.of(good, poor);
        LocalPlane plane = new LocalPlane(NEAR);
        PlanePoint first = plane.toPlane(both.line().corners().getFirst().at());
        assertThat(first.eastM()).as("weights 4 to 1").isCloseTo(0.4, within(1e-6));
        assertThat(both.matched()).isEqualTo(4);
        assertThat(both.apartM()).isCloseTo(2, within(1e-5));
        assertThat(both.line().survey().orElseThrow().cornerM()).isCloseTo(Math.sqrt(1 / (1 / 0.25 + 1)), within(1e-9));
        FenceLine elsewhere = walked(1.0, 300, 0, 400, 0, 400, 80, 300, 80);
        assertThatThrownBy(() -> WalkAverage.of(good, elsewhere)).hasMessageContaining("not another walk");
    }

    private static FenceLine walked(double cornerM, double... eastNorth) {
        LocalPlane plane = new LocalPlane(NEAR);
        var corners = new java.util.ArrayList<buckle.site.Corner>();
        for (int i = 0; i < eastNorth.length; i += 2) {
            corners.add(new buckle.site.Corner("c" + i, plane.toGeo(new PlanePoint(eastNorth[i], eastNorth[i + 1]))));
        }
        return FenceLine.free("l", "Line", true, corners)
                .withSurvey(Optional.of(new CleanLine.Accuracy(1, cornerM, cornerM, 2)));
    }

    private static byte[] tracksFromOnePlace(int count) {
        StringBuilder gpx = new StringBuilder("<gpx>");
        for (int i = 0; i < count; i++) {
            double angle = 2 * Math.PI * i / count;
            gpx.append("<trk><name>T")
                    .append(i)
                    .append("</name><trkseg><trkpt lat=\"44.13\" lon=\"0.88\"/><trkpt lat=\"")
                    .append(44.13 + 0.004 * Math.sin(angle))
                    .append("\" lon=\"")
                    .append(0.88 + 0.004 * Math.cos(angle))
                    .append("\"/></trkseg></trk>");
        }
        return bytes(gpx.append("</gpx>").toString());
    }

    /** Every end that lies on another line names it, and no line branches from itself by way of others. */
    @Test
    void manyTracksFromOnePlaceAreBranchesWithoutACircle() {
        List<FenceLine> lines = Importer.read(tracksFromOnePlace(200), Options.USUAL)
                .survey()
                .orElseThrow()
                .site()
                .lines();
        assertThat(lines).hasSize(200);
        assertThat(lines.stream().filter(l -> l.startsOn().isPresent())).hasSize(199);
        for (FenceLine line : lines) {
            Optional<String> on = line.startsOn();
            for (int steps = 0; on.isPresent(); steps++) {
                assertThat(steps).isLessThan(200);
                String id = on.get();
                on = lines.stream()
                        .filter(l -> l.id().equals(id))
                        .findFirst()
                        .orElseThrow()
                        .startsOn();
            }
        }
    }

    /** Limits are looked at before anything is worked out. */
    @Test
    void moreLinesThanAJobHoldsAreRefusedAtOnce() {
        assertThatThrownBy(() -> Importer.read(tracksFromOnePlace(3000), Options.USUAL))
                .isInstanceOfSatisfying(BadInput.class, e -> {
                    assertThat(e.problems().getFirst().code()).isEqualTo("site.too-many-lines");
                    assertThat(e.getMessage()).contains("3000", "200", "Nothing was stored");
                });
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {"comma; ,; csv.too-wide", "semicolon; ','; csv.too-wide"},
            quoteCharacter = '~')
    void aTableOfOneEndlessLineIsRefused(String name, String separator, String code) {
        byte[] file = bytes("lat" + separator.replace("'", "").repeat(2_000_000));
        assertThatThrownBy(() -> Importer.read(file, Options.USUAL))
                .isInstanceOfSatisfying(
                        BadInput.class,
                        e -> assertThat(e.problems().getFirst().code()).isEqualTo(code));
    }

    @Test
    void aHeaderInOneQuotedCellIsSaid() {
        assertThatThrownBy(() -> Importer.read(bytes("\"from,to,distance\"\n\"A,B,12\"\n"), Options.USUAL))
                .isInstanceOfSatisfying(
                        BadInput.class,
                        e -> assertThat(e.problems().getFirst().code()).isEqualTo("tape.header"));
    }

    /** Names out of files are cut to what a name may be; what is JSON is refused with its path. */
    @Test
    void textsOfFilesHaveLimits() {
        String gpx = "<gpx><trk><name>" + "n".repeat(5_000) + "</name><trkseg><trkpt lat=\"44\" lon=\"1\"/>"
                + "<trkpt lat=\"44.001\" lon=\"1\"/></trkseg></trk></gpx>";
        assertThat(Importer.read(bytes(gpx), Options.USUAL)
                        .survey()
                        .orElseThrow()
                        .site()
                        .lines()
                        .getFirst()
                        .name())
                .hasSize(200);
        for (String name : new String[] {"a\\u0007b", "half \\ud800", "x".repeat(2001)}) {
            String json =
                    "{\"type\":\"Feature\",\"geometry\":{\"type\":\"LineString\",\"coordinates\":[[1,44],[1,44.001]]},"
                            + "\"properties\":{\"name\":\"" + name + "\"}}";
            assertThatThrownBy(() -> Importer.read(bytes(json), Options.USUAL))
                    .isInstanceOfSatisfying(BadInput.class, e -> {
                        assertThat(e.problems().getFirst().code()).isEqualTo("text.plain");
                        assertThat(e.problems().getFirst().path()).isEqualTo("properties.name");
                    });
        }
        assertThatThrownBy(() -> Importer.read(bytes("{\"a\":1,\"a\":2}"), Options.USUAL))
                .isInstanceOf(BadInput.class)
                .hasMessageContaining("uplicate");
        assertThatThrownBy(() -> Importer.read(bytes("{\"a\":" + "9".repeat(900) + "}"), Options.USUAL))
                .isInstanceOf(BadInput.class);
    }
}
