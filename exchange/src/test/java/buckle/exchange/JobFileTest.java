package buckle.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import buckle.design.Design;
import buckle.exchange.job.JobFile;
import buckle.exchange.job.JobFileReader;
import buckle.exchange.job.JobFileWriter;
import buckle.exchange.job.SpecReader;
import buckle.layout.PostKind;
import buckle.message.JointKind;
import buckle.power.Energizers;
import buckle.pulse.Drift;
import buckle.site.BadInput;
import buckle.site.GateKind;
import buckle.site.LineBook;
import buckle.spec.BraceKind;
import buckle.spec.Decisions;
import buckle.spec.Deviation;
import buckle.spec.GroundState;
import buckle.spec.Growth;
import buckle.spec.Insulators;
import buckle.spec.Spec;
import buckle.spec.Yardstick;
import buckle.upkeep.FaultLog;
import buckle.upkeep.FaultNote;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.EnumSet;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

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
        sameDesign(
                Design.of(again.site(), again.around(), again.spec()), Design.of(job.site(), job.around(), job.spec()));
    }

    private static void sameDesign(Design one, Design other) {
        assertThat(one.layout()).isEqualTo(other.layout());
        assertThat(one.takeoff()).isEqualTo(other.takeoff());
        assertThat(one.ledger()).isEqualTo(other.ledger());
    }

    /** Voltages that drift from what is computed are in the file; a yardstick of before there were any is read as one without. */
    @Test
    void aYardstickKeepsItsDrift() throws IOException {
        JsonNode root = demo("donkey-winter-track.geojson");
        Deviation found = Deviation.NONE.withLeakage(0.2).withDrift(new Drift(-0.12));
        Yardstick yardstick = new Yardstick(
                Instant.parse("2026-05-02T08:00:00Z"),
                Growth.LIGHT,
                Insulators.SOUND,
                GroundState.MOIST,
                Energizers.GENERIC.get(3),
                List.of(UUID.randomUUID()),
                found,
                List.of(found));
        ObjectNode circumstances = (ObjectNode) root.path("buckle").path("circumstances");
        circumstances.set("yardstick", Json.MAPPER.valueToTree(yardstick));
        JobFile job = JobFileReader.read(root);
        assertThat(job.plan().circumstances().yardstick()).hasValue(yardstick);
        assertThat(schema().validate(Json.parse(JobFileWriter.write(job)))).isEmpty();
        ObjectNode told = (ObjectNode) circumstances.path("yardstick").path("found");
        // As it was told for a day, by stretches.
        told.putObject("drift")
                .putArray("stretches")
                .addObject()
                .put("lineId", "line-1")
                .put("atTo", -0.12);
        assertThat(JobFileReader.read(root)
                        .plan()
                        .circumstances()
                        .yardstick()
                        .orElseThrow()
                        .found())
                .isEqualTo(found.withDrift(Drift.NONE));
        told.remove("drift");
        Yardstick before =
                JobFileReader.read(root).plan().circumstances().yardstick().orElseThrow();
        assertThat(before.found()).isEqualTo(found.withDrift(Drift.NONE));
        assertThat(schema().validate(root)).isEmpty();
    }

    /** What an older file of schema 4 does not have yet is read as it was calculated with then. */
    @Test
    void whatCameLaterIsReadAsItWas() throws IOException {
        JsonNode root = Json.parse(Files.readAllBytes(
                Path.of("src", "test", "resources", "documents", "job-8b8f3ee-alpaca-paddocks.geojson")));
        JobFile whole = JobFileReader.read(root);
        ObjectNode power = (ObjectNode) root.path("buckle").path("spec").path("power");
        power.remove("fitting");
        power.remove("model");
        if (power.path("energizer") instanceof ObjectNode plate) {
            plate.remove("draw");
        }
        assertThat(schema().validate(root)).isEmpty();
        assertThat(JobFileReader.read(root)).isEqualTo(whole);
    }

    @Test
    void theSchemaRefusesWhatTheReaderRefuses() throws IOException {
        assertThat(schema().validate(
                                Json.parse("{\"type\":\"FeatureCollection\",\"buckle\":{\"schema\":7},\"features\":[]}"
                                        .getBytes(StandardCharsets.UTF_8))))
                .isNotEmpty();
    }

    /** Each change of a good file is a problem at its own place. */
    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            quoteCharacter = '~',
            value = {
                "\"schema\" : 6; \"schema\" : 7; buckle.schema; job.schema-newer",
                "\"schema\" : 6; \"schema\" : \"one\"; buckle.schema; job.schema",
                "\"units\" : \"METRIC\"; \"units\" : \"FURLONGS\"; buckle.spec.preferences.units; json.value",
                "\"spacingM\" : 5.0; \"spacingM\" : 0; buckle.spec.fence.posts; json.value",
                "\"spacingM\" : 5.0; \"spacingM\" : \"5\"; buckle.spec.fence.posts.spacingM; json.value",
                "\"spacingM\" : 5.0; \"spacingFt\" : 5.0; buckle.spec.fence.posts.spacingFt; json.value",
                "\"heightM\" : 0.508; \"heightM\" : -0.508; buckle.spec.fence.schedule.wires[0]; json.value",
                "\"heightM\" : 0.508; \"heightM\" : 4.0; buckle.spec.fence.schedule; json.value",
                "\"DONKEYS_PONIES\"; \"DRAGONS\"; buckle.spec.fence.animals[0]; json.value",
                "\"DONKEYS_PONIES\"; 0; buckle.spec.fence.animals[0]; json.value",
                "\"openingM\" : 3.6576; \"openingM\" : 366; features[1].properties.openingM; gate.opening",
                "\"kind\" : \"energizer\"; \"kind\" : \"cut-out\"; features[6].properties.lineId; line.unknown",
                "\"kind\" : \"gate\"; \"kind\" : \"moat\"; features[1].properties.kind; feature.kind",
                "\"id\" : \"cut-2\"; \"id\" : \"cut-1\"; lines[0].cutOuts; id.twice",
                "\"peakV\" : 5600.0; \"peakV\" : 56000.0; buckle.readings[0].what; json.value",
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
        var spec = SpecReader.file(boar).spec();
        assertThat(spec.fence().schedule().wires()).hasSize(3);
        assertThat(spec.fence().posts().spacingM()).isEqualTo(4);
        assertThat(spec.supply()).isEqualTo(Spec.USUAL.supply());
        JsonNode own = Json.parse(
                "{\"schedule\":{\"wires\":[{\"heightM\":0.4,\"role\":\"EARTH\"}]}}".getBytes(StandardCharsets.UTF_8));
        assertThat(SpecReader.file(own).spec().fence().schedule().preset()).isEqualTo("own");
    }

    /** What schema 3 brought: an unknown conductor, a choice without bounds, an acceptance without reason, each at its place. */
    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            quoteCharacter = '~',
            value = {
                "\"hot\" : \"HT_12_5\"; \"hot\" : \"GOLD\"; buckle.spec.fence.wires.hot; json.value",
                "\"spacingM\" : 4.5; \"spacingM\" : 450; features[0].properties.book.overrides[0]; json.value",
                "\"depthM\" : 0.41; \"depthM\" : -1; features[0].properties.book.standing[0]; json.value",
                "\"reason\" : \"the side; \"because\" : \"the side; buckle.decisions.accepted[0].reason; json.value",
                "\"iceM\" : 0.01; \"iceM\" : 3; buckle.spec.fence.climate; json.value",
                "\"number\" : 1,; \"number\" : 0,; features[0].properties.book.issued[0]; json.value",
                "\"strong\" : \"TIMBER_140\"; \"strong\" : \"TIMBER_139\"; buckle.spec.fence.posts.strong; json.value"
            })
    void aSpoiledBookIsRefusedWithItsPlace(String from, String to, String path, String code) throws IOException {
        String text = new String(
                JobFileWriter.write(JobFileReader.read(demo("orchard-ring.geojson"))), StandardCharsets.UTF_8);
        assertThat(text).contains(from);
        String spoiled =
                text.replaceFirst(java.util.regex.Pattern.quote(from), java.util.regex.Matcher.quoteReplacement(to));
        assertThatThrownBy(() -> JobFileReader.read(Json.parse(spoiled.getBytes(StandardCharsets.UTF_8))))
                .isInstanceOfSatisfying(BadInput.class, e -> {
                    assertThat(e.problems().getFirst().path()).isEqualTo(path);
                    assertThat(e.problems().getFirst().code()).isEqualTo(code);
                });
    }

    /** A file of schema 2 has no build, book, hangs and decisions: it is read, and laid out the usual way. */
    @Test
    void anOlderFileIsRead() throws IOException {
        ObjectNode root = (ObjectNode) demo("orchard-ring.geojson").deepCopy();
        ObjectNode head = (ObjectNode) root.path("buckle");
        head.put("schema", 2);
        head.remove("decisions");
        head.remove("spec");
        root.path("features").forEach(f -> {
            var properties = (ObjectNode) f.path("properties");
            properties.remove("book");
            properties.remove("hangs");
        });
        JobFile old = JobFileReader.read(root);
        assertThat(old.spec()).isEqualTo(Spec.USUAL);
        assertThat(old.plan().decisions()).isEqualTo(Decisions.NONE);
        assertThat(old.site().lines()).allMatch(l -> l.book().equals(LineBook.EMPTY));
        assertThat(Design.of(old.plan(), old.around()).layout().sections()).hasSize(4);
    }

    /** The three demo jobs together use every kind of post, brace, gate and joint, a bend, and an accepted finding. */
    @Test
    void theDemoUsesEveryElement() throws IOException {
        var posts = EnumSet.noneOf(PostKind.class);
        var braces = EnumSet.noneOf(BraceKind.class);
        var gates = EnumSet.noneOf(GateKind.class);
        var joints = EnumSet.noneOf(JointKind.class);
        int bends = 0;
        long accepted = 0;
        for (String name : List.of("orchard-ring", "alpaca-paddocks", "donkey-winter-track", "kitchen-garden")) {
            JobFile job = JobFileReader.read(demo(name + ".geojson"));
            var layout = Design.of(job.plan(), job.around()).layout();
            for (var line : layout.lines()) {
                line.posts().forEach(p -> posts.add(p.kind()));
                line.braces().forEach(b -> braces.add(b.kind()));
                line.gates().forEach(g -> gates.add(g.kind()));
                bends += line.bends().size();
            }
            layout.joints().forEach(j -> joints.add(j.kind()));
            accepted += layout.findings().stream()
                    .filter(f -> f.accepted().isPresent())
                    .count();
        }
        assertThat(posts).containsExactlyInAnyOrder(PostKind.values());
        assertThat(gates).containsExactlyInAnyOrder(GateKind.values());
        assertThat(joints).containsExactlyInAnyOrder(JointKind.values());
        assertThat(braces)
                .contains(
                        BraceKind.SINGLE_H,
                        BraceKind.DOUBLE_H,
                        BraceKind.DIAGONAL,
                        BraceKind.PIPE_CONCRETE,
                        BraceKind.BACK_STAKE);
        assertThat(bends).isPositive();
        assertThat(accepted).isEqualTo(2);
    }

    @Test
    void demoJobsShowWhatTheyPromise() throws IOException {
        JobFile ring = JobFileReader.read(demo("orchard-ring.geojson"));
        assertThat(Design.of(ring.site(), ring.spec()).layout().sections()).hasSize(4);
        JobFile donkeys = JobFileReader.read(demo("donkey-winter-track.geojson"));
        assertThat(donkeys.readings()).hasSize(96);
        assertThat(FaultLog.of(donkeys.log())).hasSize(6).satisfies(faults -> {
            assertThat(faults.getFirst().stands().state()).isEqualTo(FaultNote.State.OPEN);
            assertThat(faults.getLast().since()).isBefore(Instant.parse("2025-12-31T00:00:00Z"));
        });
        JobFile alpacas = JobFileReader.read(demo("alpaca-paddocks.geojson"));
        assertThat(Design.of(alpacas.site(), alpacas.spec()).layout().sections())
                .filteredOn(s -> !s.live())
                .as("beyond the rigid gate no power passes")
                .hasSize(1);
    }
}
