package buckle.exchange;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import buckle.circuit.Electrics;
import buckle.circuit.ElectricsPlanner;
import buckle.circuit.Trial;
import buckle.design.Design;
import buckle.exchange.document.PlanUpgrades;
import buckle.exchange.document.StoredDocument;
import buckle.exchange.job.JobFile;
import buckle.exchange.job.JobFileReader;
import buckle.exchange.job.JobFileWriter;
import buckle.exchange.job.SpecReader;
import buckle.land.Land;
import buckle.land.Surroundings;
import buckle.layout.LineLayout;
import buckle.material.Product;
import buckle.material.Use;
import buckle.message.JointKind;
import buckle.spec.Circumstances;
import buckle.spec.Growth;
import buckle.spec.Plan;
import buckle.spec.Spec;
import buckle.spec.Supply;
import buckle.spec.WireRole;
import buckle.takeoff.TakeoffLine;
import buckle.units.UnitSystem;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Documents as earlier versions wrote them: plan-f00402d is from 0.1.0, plan-191d2e4 from 0.2.0, plan-8b8f3ee and job-8b8f3ee are
 * the last before the spec was sorted by owner, plan-55bc4ea the last before stringing was said. What they were laid out to was written down by the programs of then (layouts.json).
 */
class StoredDocumentTest {
    private static final Path FOLDER = Path.of("src", "test", "resources", "documents");

    static List<Path> plans() throws IOException {
        try (var files = Files.list(FOLDER)) {
            return files.filter(f -> f.getFileName().toString().startsWith("plan-"))
                    .sorted()
                    .toList();
        }
    }

    /** Bridges of double fences, what runs the energizer, anchors and strands of gates, and small parts: forgotten then. */
    private static final Set<Use> COUNTED_SINCE = EnumSet.of(
            Use.LOOSE_SLEEVE,
            Use.TIE_WIRE,
            Use.LEAD,
            Use.BATTERY,
            Use.PANEL,
            Use.CHARGE_CONTROLLER,
            Use.BATTERY_BOX,
            Use.SUPPLY_CABLE,
            Use.GATE_ANCHOR,
            Use.GATE_WIRE,
            Use.INSULATOR_NAIL,
            Use.BRACE_WIRE,
            Use.BRACE_STAPLE,
            Use.TWITCH,
            Use.JOINT_SLEEVE,
            Use.CONCRETE,
            Use.CABLE_MARK,
            Use.ELBOW,
            Use.RISER,
            Use.JUMPER_WIRE);

    /** Number for number, but that earth cable under gates rises to the lowest earth wire rather than to the lowest wire. */
    @ParameterizedTest
    @MethodSource("plans")
    void aPlanOfEveryReleaseOpensAndIsLaidOutAsBefore(Path file) throws IOException {
        Plan plan = StoredDocument.PLAN.read(Files.readString(file));
        JsonNode then = Json.parse(Files.readAllBytes(FOLDER.resolve("layouts.json")))
                .path(file.getFileName().toString());
        Design design = Design.of(plan, Surroundings.NONE);
        assertThat(design.layout().lines()).hasSize(then.path("lines").size()).isNotEmpty();
        for (int i = 0; i < design.layout().lines().size(); i++) {
            LineLayout line = design.layout().lines().get(i);
            JsonNode was = then.path("lines").get(i);
            assertThat(line.lineId()).isEqualTo(was.path("id").asString());
            assertThat(line.posts()).hasSize(was.path("posts").asInt());
            same(line.lengthM(), was, "lengthM");
            same(line.slopeLengthM(), was, "slopeLengthM");
            same(line.posts().stream().mapToDouble(p -> p.stationM()).sum(), was, "stationsM");
            same(line.posts().stream().mapToDouble(p -> p.depthM()).sum(), was, "depthsM");
            same(
                    line.braces().stream()
                            .mapToDouble(b -> b.load().worst().upliftN())
                            .sum(),
                    was,
                    "upliftN");
            same(line.pulls().stream().mapToDouble(p -> p.worstN()).sum(), was, "pullN");
        }
        assertThat(design.layout().sections()).hasSize(then.path("sections").asInt());
        assertThat(design.layout().testPoints()).hasSize(then.path("testPoints").asInt());
        // The outer row of a double fence was dead then; it has its bridge now, and nothing else.
        assertThat(design.layout().joints().stream().filter(j -> j.kind() != JointKind.LEAD))
                .hasSize(then.path("joints").asInt());
        // Leaves were one line whatever their width.
        Map<String, Double> takeoff = design.takeoff().stream()
                .filter(t -> !COUNTED_SINCE.contains(t.use()))
                .collect(Collectors.toMap(
                        t -> t.product() instanceof Product.Leaf ? t.use().id() : t.item(),
                        TakeoffLine::quantity,
                        Double::sum));
        assertThat(takeoff).hasSize(then.path("takeoff").size());
        Double cable = takeoff.remove(Use.GATE_CABLE.id());
        if (cable != null) {
            double was = then.path("takeoff").path(Use.GATE_CABLE.id()).asDouble();
            boolean earth =
                    design.layout().lines().stream().anyMatch(l -> l.schedule().count(WireRole.EARTH) > 0);
            assertThat(cable)
                    .as("more only by earth cables that rise higher")
                    .isBetween(was - 1e-9, earth ? 1.15 * was : was + 1e-9);
        }
        takeoff.forEach((item, quantity) -> same(quantity, then.path("takeoff"), item));
        if (then.has("pulse")) {
            Electrics pulse = ElectricsPlanner.of(
                            plan, design.laid(), Surroundings.NONE, Trial.NONE, Set.of(Electrics.Part.SUPPLY))
                    .orElseThrow();
            double weakestV = pulse.weakest().orElseThrow().likelyV();
            if (design.layout().leads().isEmpty()) {
                same(weakestV, then.path("pulse"), "weakestV");
            } else {
                double was = then.path("pulse").path("weakestV").asDouble();
                assertThat(weakestV)
                        .as("a little less where one more row hangs on")
                        .isBetween(0.95 * was, was);
            }
            same(pulse.rodsOhm(), then.path("pulse"), "rodsOhm");
            same(pulse.supply().orElseThrow().drawW(), then.path("pulse"), "drawW");
        }
    }

    /** A job file of schema 4 is the plan that was stored then, and comes back as what is written today. */
    @Test
    void aJobFileOfTheSchemaBeforeIsTheSamePlan() throws IOException {
        JobFile job = JobFileReader.read(
                Json.parse(Files.readAllBytes(FOLDER.resolve("job-8b8f3ee-alpaca-paddocks.geojson"))));
        assertThat(job.plan())
                .isEqualTo(StoredDocument.PLAN.read(
                        Files.readString(FOLDER.resolve("plan-8b8f3ee-alpaca-paddocks.json"))));
        assertThat(JobFileReader.read(Json.parse(JobFileWriter.write(job)))).isEqualTo(job);
    }

    /** Every field of the shape before lands at its owner, one by one; what is not known is left to be told. */
    @Test
    void eachFieldOfTheShapeBeforeGoesToItsOwner() throws IOException {
        ObjectNode plan = (ObjectNode) Json.parse(Files.readAllBytes(FOLDER.resolve("plan-8b8f3ee-orchard-ring.json")));
        ObjectNode spec = (ObjectNode) plan.path("spec");
        List<String> before = new ArrayList<>();
        leaves(spec, before);
        ObjectNode sorted = plan.deepCopy();
        ((ObjectNode) sorted.path("spec").path("build")).put("unheardOf", 1);
        PlanUpgrades.sortByOwner(sorted);
        List<String> after = new ArrayList<>();
        leaves(sorted.path("spec"), after);
        leaves(sorted.path("circumstances"), after);
        assertThat(after).hasSize(before.size() + 1).contains("unheardOf=1");
        assertThat(sorted.path("spec").path("build").path("unheardOf").asInt()).isEqualTo(1);
        assertThat(sorted.path("spec").path("power").isMissingNode()).isTrue();
        ObjectNode again = sorted.deepCopy();
        PlanUpgrades.sortByOwner(again);
        assertThat(again).isEqualTo(sorted);
        assertThat(SpecReader.file(Json.parse(
                        "{\"power\":{\"growth\":\"RAIN\",\"supply\":\"SOLAR\"},\"units\":\"METRIC\"}".getBytes(UTF_8))))
                .satisfies(read -> {
                    assertThat(read.circumstances()).isEqualTo(Circumstances.USUAL.withGrowth(Growth.RAIN));
                    assertThat(read.spec())
                            .isEqualTo(Spec.USUAL
                                    .withUnits(UnitSystem.METRIC)
                                    .withSupply(s -> s.withSource(Supply.Source.SOLAR)));
                });
    }

    /** Values without the paths to them, as {@code name=value}. */
    private static void leaves(JsonNode node, List<String> into) {
        node.properties().forEach(f -> {
            if (f.getValue().isObject()) {
                leaves(f.getValue(), into);
            } else {
                into.add(f.getKey() + "=" + f.getValue());
            }
        });
    }

    private static void same(double now, JsonNode then, String what) {
        assertThat(then.has(what)).as(what).isTrue();
        assertThat(now).as(what).isCloseTo(then.path(what).asDouble(), within(1e-9 * Math.max(1, Math.abs(now))));
    }

    @ParameterizedTest
    @MethodSource("plans")
    void whatIsWrittenAnewSaysItsSchemaAndComesBack(Path file) throws IOException {
        Plan plan = StoredDocument.PLAN.read(Files.readString(file));
        String written = StoredDocument.PLAN.write(plan);
        assertThat(Json.MAPPER.readTree(written).path("schema").asInt()).isEqualTo(StoredDocument.PLAN.schema());
        assertThat(StoredDocument.PLAN.read(written)).isEqualTo(plan);
    }

    @Test
    void oneOfANewerProgramIsRefusedWithWords() {
        String newer = StoredDocument.LAND.write(Land.NONE).replace("\"schema\":1", "\"schema\":99");
        assertThatThrownBy(() -> StoredDocument.LAND.read(newer))
                .isInstanceOf(IllegalStateException.class)
                .hasMessageContaining("schema 99")
                .hasMessageContaining("newer");
    }

    /** A step once released fills in what was so then, whatever is usual today. */
    @Test
    void whatAnOldPlanDidNotSayIsFrozen() throws IOException {
        Plan plan = StoredDocument.PLAN.read(Files.readString(FOLDER.resolve("plan-f00402d-orchard-ring.json")));
        assertThat(plan.spec().fence().posts().strongDepthM()).isEqualTo(0.9144000000000001);
        assertThat(plan.spec().supply().energizer()).isEmpty();
        assertThat(plan.decisions().accepted()).isEmpty();
        assertThat(plan.site().lines().getFirst().book().overrides()).isEmpty();
    }
}
