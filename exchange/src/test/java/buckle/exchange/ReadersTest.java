package buckle.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import buckle.exchange.in.GpxReader;
import buckle.exchange.in.Importer;
import buckle.exchange.in.Tracks;
import buckle.site.BadInput;
import buckle.site.Mark;
import buckle.site.Problem;
import buckle.site.Survey;
import buckle.site.Walk;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

class ReadersTest {
    private static byte[] bytes(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }

    private static String gpx(String inside) {
        return "<?xml version=\"1.0\"?>\n<gpx version=\"1.1\" xmlns=\"http://www.topografix.com/GPX/1/1\" xmlns:q=\"urn:q\">\n"
                + inside + "\n</gpx>";
    }

    private static List<Problem> problems(String text) {
        try {
            Importer.read(bytes(text), Importer.Options.USUAL);
        } catch (BadInput e) {
            return e.problems();
        }
        return List.of();
    }

    @Test
    void gpxHoldsTracksRoutesMarksAndUnknownThings() {
        Tracks tracks = GpxReader.read(bytes(gpx("""
                <metadata><name>not a line</name><extensions><q:deep><trkpt/></q:deep></extensions></metadata>
                <wpt lat="44.1" lon="0.9"><ele>12.5</ele><name>Top gate</name><sym>flag</sym></wpt>
                <wpt lat="44.1" lon="0.9"/>
                <trk><name>A <![CDATA[&]]> B</name>
                  <trkseg><trkpt lat="44.1" lon="0.9"><ele>1</ele><time>2026-01-01T10:00:00Z</time></trkpt>
                          <trkpt lat="44.2" lon="0.9"><extensions><q:x><name>inner</name></q:x></extensions></trkpt></trkseg>
                  <trkseg/><trkseg><trkpt lat="44.3" lon="0.9"><time>nonsense</time><ele>NaN</ele></trkpt></trkseg></trk>
                <rte><rtept lat="44.1" lon="0.9"/><rtept lat="44.1" lon="0.91"><name>turn</name></rtept></rte>
                <trk><name>empty</name></trk>""")));
        assertThat(tracks.walks()).extracting(Walk::name).containsExactly("A & B", "Route 2");
        Walk track = tracks.walks().getFirst();
        assertThat(track.stretches()).extracting(List::size).containsExactly(2, 1);
        assertThat(track.stretches().getFirst().getFirst().timeS()).hasValue(1767261600);
        assertThat(track.stretches().getLast().getFirst().at().heightM()).isEmpty();
        assertThat(tracks.walks().getLast().pointCount()).isEqualTo(2);
        assertThat(tracks.marks()).extracting(Mark::name).containsExactly("Top gate");
        assertThat(tracks.leftOut()).hasSize(2);
    }

    static Stream<Arguments> hostile() {
        String point = "<trkpt lat=\"44\" lon=\"1\"/>";
        return Stream.of(
                Arguments.of(
                        "xml.doctype",
                        "<?xml version=\"1.0\"?><!DOCTYPE gpx [<!ENTITY a SYSTEM \"file:///etc/passwd\">]><gpx><trk>&a;</trk></gpx>"),
                Arguments.of(
                        "xml.doctype",
                        "<!DOCTYPE z [<!ENTITY a \"aaaaaaaaaa\"><!ENTITY b \"&a;&a;&a;&a;&a;&a;&a;&a;\"><!ENTITY c \"&b;&b;&b;&b;&b;&b;&b;&b;\">]><gpx>&c;</gpx>"),
                Arguments.of("xml.broken", gpx("<trk><trkseg>" + point)),
                Arguments.of("xml.broken", gpx("<trk><name>&undeclared;</name></trk>")),
                Arguments.of("gpx.root", "<svg/>"),
                Arguments.of(
                        "line.none",
                        "<kml><Document><NetworkLink><Link><href>http://127.0.0.1:9/a.kml</href></Link></NetworkLink></Document></kml>"),
                Arguments.of("xml.doctype", "<!DOCTYPE kml [<!ENTITY a \"b\">]><kml>&a;</kml>"),
                Arguments.of(
                        "kml.coordinates",
                        "<kml><Placemark><LineString><coordinates>1,44 north,1</coordinates></LineString></Placemark></kml>"),
                Arguments.of("gpx.lat", gpx("<trk><trkseg><trkpt lat=\"NaN\" lon=\"1\"/></trkseg></trk>")),
                Arguments.of("gpx.lon", gpx("<trk><trkseg><trkpt lat=\"44\"/></trkseg></trk>")),
                Arguments.of("gpx.lat", gpx("<wpt lat=\"44,1\" lon=\"1\"/>")),
                Arguments.of("position.range", gpx("<trk><trkseg><trkpt lat=\"144\" lon=\"1\"/></trkseg></trk>")),
                Arguments.of(
                        "position.swapped", "{\"type\": \"LineString\", \"coordinates\": [[44, 144], [44.1, 144]]}"),
                Arguments.of("line.too-few-points", gpx("<trk><trkseg>" + point + "</trkseg></trk>")),
                Arguments.of("line.no-line", gpx("<trk><trkseg>" + point + point + point + "</trkseg></trk>")),
                Arguments.of("line.none", gpx("<wpt lat=\"44\" lon=\"1\"><name>gate</name></wpt>")),
                Arguments.of(
                        "site.too-wide", gpx("<rte><rtept lat=\"44\" lon=\"1\"/><rtept lat=\"50\" lon=\"9\"/></rte>")),
                Arguments.of(
                        "line.crosses-itself",
                        gpx(
                                "<rte><rtept lat=\"44\" lon=\"1\"/><rtept lat=\"44.001\" lon=\"1.001\"/><rtept lat=\"44.001\" lon=\"1\"/><rtept lat=\"44\" lon=\"1.001\"/></rte>")),
                Arguments.of("file.empty", ""),
                Arguments.of("file.format", "just some words\nof text\n"),
                Arguments.of("csv.broken", "name,lat,lon\n\"never closed,44,1\n"),
                Arguments.of("tape.empty", "from,to,distance_m\n"),
                Arguments.of("grid.header", "ncols 3\nnrows 2\nxllcorner 0\nyllcorner 44\n1 2 3\n4 5 6\n"),
                Arguments.of(
                        "grid.header-lies",
                        "ncols 3\nnrows 2\nxllcorner 0\nyllcorner 44\ncellsize 0.001\n1 2 3\n4 5\n"),
                Arguments.of(
                        "grid.header-lies",
                        "ncols 2\nnrows 2\nxllcorner 0\nyllcorner 44\ncellsize 0.001\n1 2 3\n4 5\n"),
                Arguments.of(
                        "grid.header-lies",
                        "ncols 2000\nnrows 2000\nxllcorner 0\nyllcorner 44\ncellsize 0.001\n1 2 3\n"),
                Arguments.of(
                        "grid.too-large",
                        "ncols 900000000\nnrows 900000000\nxllcorner 0\nyllcorner 44\ncellsize 0.001\n1\n"),
                Arguments.of(
                        "grid.not-degrees",
                        "ncols 2\nnrows 2\nxllcorner 350000\nyllcorner 4890000\ncellsize 10\n1 2\n3 4\n"),
                Arguments.of(
                        "grid.number", "ncols 2\nnrows 2\nxllcorner 0\nyllcorner 44\ncellsize 0.001\n1 2\n3 four\n"),
                Arguments.of(
                        "grid.height", "ncols 2\nnrows 2\nxllcorner 0\nyllcorner 44\ncellsize 0.001\n1 2\n3 99999\n"),
                Arguments.of(
                        "grid.empty",
                        "ncols 2\nnrows 2\nxllcorner 0\nyllcorner 44\ncellsize 0.001\n-9999 -9999\n-9999 -9999\n"),
                Arguments.of("json.broken", "{\"type\": \"FeatureCollection\", \"features\": ["),
                Arguments.of("json.broken", "{\"a\":".repeat(3000)),
                Arguments.of("geojson.type", "{\"type\": \"Topology\"}"),
                Arguments.of("geojson.features", "{\"type\": \"FeatureCollection\"}"),
                Arguments.of("json.broken", "{\"type\": \"LineString\", \"coordinates\": [[NaN, 44], [1, 44]]}"),
                Arguments.of("position", "{\"type\": \"LineString\", \"coordinates\": [[\"1\", 44], [1, 44]]}"),
                Arguments.of("position.range", "{\"type\": \"LineString\", \"coordinates\": [[1, 44], [1, 444]]}"),
                Arguments.of("position.range", "{\"type\": \"LineString\", \"coordinates\": [[1e999, 44], [1, 44]]}"),
                Arguments.of("line.too-few-points", "{\"type\": \"LineString\", \"coordinates\": []}"));
    }

    @ParameterizedTest
    @MethodSource("hostile")
    @Timeout(20)
    void badFilesAreAProblemWithItsPlace(String code, String text) {
        assertThat(problems(text)).as(text).isNotEmpty().first().satisfies(p -> {
            assertThat(p.code()).isEqualTo(code);
            assertThat(p.path()).isNotBlank();
            assertThat(p.message()).isNotBlank().doesNotContain("Exception", "java.", "tools.");
        });
    }

    @Test
    void limitsAreKept() {
        String point = "<trkpt lat=\"44.1\" lon=\"0.9\"/>";
        assertThat(problems(gpx("<trk><trkseg>" + point.repeat(Limits.MOST_POINTS + 1) + "</trkseg></trk>")))
                .extracting(Problem::code)
                .containsExactly("file.too-many-points");
        assertThatThrownBy(() -> Importer.read(new byte[(int) Limits.MOST_BYTES + 1], Importer.Options.USUAL))
                .isInstanceOf(BadInput.class)
                .hasMessageContaining("at most 20 MB");
    }

    @Test
    void geoJsonOutlinesAndPointsBecomeALineAGateAndAnEnergizer() {
        String text = """
                {"type": "FeatureCollection", "features": [
                  {"type": "Feature", "properties": {"name": "Yard"}, "geometry": {"type": "Polygon", "coordinates": [
                    [[0.9, 44.1], [0.901, 44.1], [0.901, 44.1007], [0.9, 44.1007], [0.9, 44.1]], [[0.9002, 44.1002], [0.9003, 44.1002], [0.9003, 44.1003], [0.9002, 44.1002]]]}},
                  {"type": "Feature", "properties": {"name": "Yard gate"}, "geometry": {"type": "Point", "coordinates": [0.9005, 44.10002]}},
                  {"type": "Feature", "properties": {"name": "Fence charger"}, "geometry": {"type": "Point", "coordinates": [0.9001, 44.1003]}},
                  {"type": "Feature", "properties": null, "geometry": null}]}""";
        Survey survey = Importer.read(bytes("\uFEFF" + text), Importer.Options.USUAL)
                .survey()
                .orElseThrow();
        var line = survey.site().lines().getFirst();
        assertThat(line.closed()).isTrue();
        assertThat(line.corners()).hasSize(4);
        assertThat(line.gates()).hasSize(1);
        assertThat(survey.site().energizer()).isPresent();
        assertThat(survey.leftOut()).hasSize(2);
        assertThat(survey.lines().getFirst().walked()).isFalse();
    }

    @Test
    void readingLargeFilesStaysQuick() {
        StringBuilder track = new StringBuilder();
        for (int i = 0; i < 100_000; i++) {
            double angle = i * 2e-5;
            track.append("<trkpt lat=\"")
                    .append(44 + 0.2 * Math.sin(angle))
                    .append("\" lon=\"")
                    .append(1 + 0.2 * angle)
                    .append("\"/>");
        }
        long start = System.nanoTime();
        Survey survey = Importer.read(bytes(gpx("<trk><trkseg>" + track + "</trkseg></trk>")), Importer.Options.USUAL)
                .survey()
                .orElseThrow();
        assertThat(survey.lines().getFirst().corners()).hasSizeLessThan(5000);
        assertThat(Duration.ofNanos(System.nanoTime() - start))
                .as("a hang, not a benchmark")
                .isLessThan(Duration.ofMinutes(1));
    }
}
