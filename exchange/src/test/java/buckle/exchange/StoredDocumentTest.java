package buckle.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import buckle.design.Design;
import buckle.exchange.document.StoredDocument;
import buckle.land.Land;
import buckle.land.Surroundings;
import buckle.layout.LineLayout;
import buckle.spec.Plan;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;

/**
 * Documents as earlier versions wrote them: plan-f00402d is from 0.1.0, plan-191d2e4 from 0.2.0. What they were laid out to was
 * written down by the program before documents had a schema (layouts.json).
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
        assertThat(design.layout().joints()).hasSize(then.path("joints").asInt());
        assertThat(design.takeoff()).hasSize(then.path("takeoff").size());
        design.takeoff().forEach(t -> same(t.quantity(), then.path("takeoff"), t.item()));
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
        assertThat(plan.spec().build().posts().strongDepthM()).isEqualTo(0.9144000000000001);
        assertThat(plan.spec().power().energizer()).isEmpty();
        assertThat(plan.decisions().accepted()).isEmpty();
        assertThat(plan.site().lines().getFirst().book().overrides()).isEmpty();
    }
}
