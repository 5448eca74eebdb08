package buckle.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import buckle.site.BadInput;
import buckle.takeoff.Design;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;

class JobFileTest {
    private static final Path DEMO = Path.of("..", "demo");

    static List<Path> demos() throws IOException {
        try (var files = Files.list(DEMO)) {
            return files.filter(f -> f.toString().endsWith(".geojson")).sorted().toList();
        }
    }

    private static Schema schema() throws IOException {
        return SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                .getSchema(Files.readString(Path.of("..", "docs", "job-file.schema.json")));
    }

    private static JsonNode demo(String name) throws IOException {
        return Json.parse(Files.readAllBytes(DEMO.resolve(name)));
    }

    @ParameterizedTest
    @MethodSource("demos")
    void demoJobsFollowTheSchemaAndComeBackWithoutLoss(Path file) throws IOException {
        byte[] bytes = Files.readAllBytes(file);
        assertThat(schema().validate(Json.parse(bytes))).isEmpty();
        JobFile job = JobFileReader.read(Json.parse(bytes));
        byte[] written = JobFileWriter.write(job);
        assertThat(schema().validate(Json.parse(written))).isEmpty();
        JobFile again = JobFileReader.read(Json.parse(written));
        assertThat(again).isEqualTo(job);
        assertThat(Json.parse(written)).isEqualTo(Json.parse(bytes));
        assertThat(Design.of(again.site(), again.around(), again.spec()))
                .isEqualTo(Design.of(job.site(), job.around(), job.spec()));
    }

    @Test
    void theSchemaRefusesWhatTheReaderRefuses() throws IOException {
        assertThat(schema().validate(
                                Json.parse("{\"type\":\"FeatureCollection\",\"buckle\":{\"schema\":4},\"features\":[]}"
                                        .getBytes(StandardCharsets.UTF_8))))
                .isNotEmpty();
    }

    /** Each change of a good file is a problem at its own place. */
    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            quoteCharacter = '~',
            value = {
                "\"schema\" : 3; \"schema\" : 4; buckle.schema; job.schema-newer",
                "\"schema\" : 3; \"schema\" : \"one\"; buckle.schema; job.schema",
                "\"units\" : \"METRIC\"; \"units\" : \"FURLONGS\"; buckle.spec.units; json.value",
                "\"spacingM\" : 5.0; \"spacingM\" : 0; buckle.spec.posts; json.value",
                "\"spacingM\" : 5.0; \"spacingM\" : \"5\"; buckle.spec.posts.spacingM; json.value",
                "\"spacingM\" : 5.0; \"spacingFt\" : 5.0; buckle.spec.posts.spacingFt; json.value",
                "\"heightM\" : 0.508; \"heightM\" : -0.508; buckle.spec.schedule.wires[0]; json.value",
                "\"heightM\" : 0.508; \"heightM\" : 4.0; buckle.spec.schedule; json.value",
                "\"DONKEYS_PONIES\"; \"DRAGONS\"; buckle.spec.animals[0]; json.value",
                "\"openingM\" : 3.6576; \"openingM\" : 366; features[1].properties.openingM; gate.opening",
                "\"kind\" : \"energizer\"; \"kind\" : \"cut-out\"; features[6].properties.lineId; line.unknown",
                "\"kind\" : \"gate\"; \"kind\" : \"moat\"; features[1].properties.kind; feature.kind",
                "\"id\" : \"cut-2\"; \"id\" : \"cut-1\"; lines[0].cutOuts; id.twice",
                "\"peakV\" : 6400.0; \"peakV\" : 64000.0; buckle.readings[0]; json.value",
                "\"weather\" : \"DRY\"; \"weather\" : \"NICE\"; buckle.readings[0].weather; json.value",
            })
    void aSpoiledFileIsRefusedWithItsPlace(String from, String to, String path, String code) throws IOException {
        String text = Files.readString(DEMO.resolve("donkey-winter-track.geojson"));
        String pretty = new String(
                JobFileWriter.write(JobFileReader.read(Json.parse(text.getBytes(StandardCharsets.UTF_8)))),
                StandardCharsets.UTF_8);
        assertThat(pretty).contains(from);
        String spoiled =
                pretty.replaceFirst(java.util.regex.Pattern.quote(from), java.util.regex.Matcher.quoteReplacement(to));
        assertThatThrownBy(() -> JobFileReader.read(Json.parse(spoiled.getBytes(StandardCharsets.UTF_8))))
                .isInstanceOfSatisfying(
                        BadInput.class,
                        e -> assertThat(e.problems().getFirst()).satisfies(p -> {
                            assertThat(p.path()).isEqualTo(path);
                            assertThat(p.code()).isEqualTo(code);
                            assertThat(p.message()).doesNotContain("Exception", "buckle.spec.", "tools.jackson");
                        }));
    }

    @Test
    void aSpecMayBePartial() {
        JsonNode boar =
                Json.parse("{\"animals\":[\"WILD_BOAR\"],\"schedule\":{\"preset\":\"W15\"},\"posts\":{\"spacingM\":4}}"
                        .getBytes(StandardCharsets.UTF_8));
        var spec = SpecReader.read(boar, "spec");
        assertThat(spec.schedule().wires()).hasSize(3);
        assertThat(spec.posts().spacingM()).isEqualTo(4);
        assertThat(spec.feed()).isEqualTo(buckle.spec.Spec.usual().feed());
        JsonNode own = Json.parse(
                "{\"schedule\":{\"wires\":[{\"heightM\":0.4,\"role\":\"EARTH\"}]}}".getBytes(StandardCharsets.UTF_8));
        assertThat(SpecReader.read(own, "spec").schedule().preset()).isEqualTo("own");
    }

    @Test
    void demoJobsShowWhatTheyPromise() throws IOException {
        JobFile ring = JobFileReader.read(demo("orchard-ring.geojson"));
        assertThat(Design.of(ring.site(), ring.spec()).layout().sections()).hasSize(4);
        JobFile donkeys = JobFileReader.read(demo("donkey-winter-track.geojson"));
        assertThat(donkeys.readings()).hasSize(18);
        JobFile alpacas = JobFileReader.read(demo("alpaca-paddocks.geojson"));
        assertThat(Design.of(alpacas.site(), alpacas.spec()).layout().sections())
                .filteredOn(s -> !s.live())
                .as("beyond the rigid gate no power passes")
                .hasSize(1);
    }
}
