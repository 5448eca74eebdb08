package buckle.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import buckle.exchange.cli.Compute;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.io.Reader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

class ComputeTest {
    private static final String WALK = "src/test/resources/walks/orchard-ring-walk.gpx";

    @TempDir
    Path folder;

    private record Run(int exit, JsonNode out, String err) {}

    private static Run run(String... args) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ByteArrayOutputStream err = new ByteArrayOutputStream();
        int exit = Compute.run(
                args,
                new PrintStream(out, true, StandardCharsets.UTF_8),
                new PrintStream(err, true, StandardCharsets.UTF_8));
        return new Run(exit, Json.parse(out.toByteArray()), err.toString(StandardCharsets.UTF_8));
    }

    private static List<String> texts(JsonNode list) {
        List<String> texts = new ArrayList<>();
        list.forEach(n -> texts.add(n.asString()));
        return texts;
    }

    private static JsonNode item(JsonNode summary, String item) {
        for (JsonNode line : summary.path("takeoff")) {
            if (line.path("item").asString().equals(item)) {
                return line;
            }
        }
        throw new AssertionError("no " + item);
    }

    @Test
    void aTrackIsLaidOutByTheDefaultThatTheSummaryNames() throws IOException {
        Path out = folder.resolve("out");
        Run run = run(WALK, "--out", out.toString());
        assertThat(run.exit()).isZero();
        assertThat(run.err()).isEmpty();
        JsonNode s = run.out();
        assertThat(s.path("laidOutBy").asString()).isEqualTo("the default: beef cattle, wires W1, posts at 20 ft");
        assertThat(texts(s.path("spec").path("fence").path("animals"))).containsExactly("BEEF_CATTLE");
        JsonNode line = s.path("lines").get(0);
        assertThat(line.path("lengthM").asDouble()).isCloseTo(627.7, within(9.4));
        assertThat(line.path("slopeLengthM").asDouble())
                .isGreaterThan(line.path("lengthM").asDouble());
        assertThat(line.path("corners").size()).isEqualTo(6);
        assertThat(line.path("corners").get(0))
                .isNotEqualTo(line.path("corners").get(5));
        assertThat(s.path("posts").path("corner").asInt()).isEqualTo(6);
        assertThat(s.path("posts").path("end").asInt()).isZero();
        for (JsonNode t : s.path("takeoff")) {
            assertThat(t.path("derivation").asString()).isNotBlank();
            assertThat(t.path("rules").size()).isPositive();
        }
        for (JsonNode f : s.path("findings")) {
            assertThat(f.has("rule") && f.has("severity") && f.has("lineId") && f.has("stationM") && f.has("message"))
                    .isTrue();
        }
        JsonNode layout = Json.parse(Files.readAllBytes(out.resolve("layout.geojson")));
        assertThat(layout.path("features").size()).isGreaterThan(100);
        try (Reader reader = Files.newBufferedReader(out.resolve("takeoff.csv"))) {
            List<CSVRecord> rows = CSVFormat.RFC4180
                    .builder()
                    .setHeader()
                    .setSkipHeaderRecord(true)
                    .get()
                    .parse(reader)
                    .getRecords();
            assertThat(rows).hasSize(s.path("takeoff").size());
            CSVRecord strainers = rows.stream()
                    .filter(r -> r.get("item").equals("strainer"))
                    .findFirst()
                    .orElseThrow();
            assertThat(strainers.get("quantity"))
                    .isEqualTo(
                            String.valueOf(item(s, "strainer").path("quantity").asInt()));
            assertThat(strainers.get("derivation")).contains("2 wires × 7 pulls = 14");
        }
    }

    @Test
    void aSpecIsFollowedAndAJobFileBringsItsOwn() throws IOException {
        Path spec = folder.resolve("spec.json");
        Files.writeString(spec, "{\"animals\":[\"WILD_BOAR\"],\"schedule\":{\"preset\":\"W15\"},\"units\":\"METRIC\"}");
        JsonNode boar = run(WALK, "--spec", spec.toString()).out();
        assertThat(boar.path("spec")
                        .path("fence")
                        .path("schedule")
                        .path("wires")
                        .size())
                .isEqualTo(3);
        assertThat(item(boar, "strainer").path("quantity").asInt()).isEqualTo(21);
        JsonNode donkeys = run("../demo/donkey-winter-track.geojson").out();
        assertThat(donkeys.path("laidOutBy").asString()).startsWith("the given spec: donkeys and ponies, wires W17");
        assertThat(donkeys.path("lines").get(0).has("accuracy")).isFalse();
    }

    @Test
    void badInputIsExitTwoWithProblems() throws IOException {
        Path bad = folder.resolve("bad.gpx");
        Files.writeString(bad, "<gpx><trk><trkseg><trkpt lat=\"x\" lon=\"1\"/></trkseg></trk></gpx>");
        Run run = run(bad.toString());
        assertThat(run.exit()).isEqualTo(2);
        assertThat(run.out().path("problems").get(0).path("code").asString()).isEqualTo("gpx.lat");
        assertThat(run.err()).startsWith("line 1: The point's lat is no number");
        assertThat(run("no-such-file.gpx").exit()).isEqualTo(2);
        assertThat(run().exit()).isEqualTo(2);
        assertThat(run(WALK, "--wat").exit()).isEqualTo(2);
        assertThat(run(folder.toString())
                        .out()
                        .path("problems")
                        .get(0)
                        .path("code")
                        .asString())
                .isEqualTo("file.directory");
        Files.writeString(bad, "{\"posts\":{\"spacingM\":-1}}");
        Run spec = run(WALK, "--spec", bad.toString());
        assertThat(spec.exit()).isEqualTo(2);
        assertThat(spec.out().path("problems").get(0).path("path").asString()).isEqualTo("spec.fence.posts");
    }
}
