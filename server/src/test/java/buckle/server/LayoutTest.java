package buckle.server;

import static org.assertj.core.api.Assertions.assertThat;

import buckle.server.Server.Answer;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** What can be asked of a layout over HTTP, and the house's way. */
class LayoutTest {
    private final Server server = Server.get();

    private ObjectNode order(String demo) {
        return server.order(server.openDemo(demo));
    }

    private static ObjectNode house(int base, String... schools) {
        ObjectNode save = Server.object().put("baseRevision", base);
        var choices = save.putObject("house").putArray("choices");
        for (String s : schools) {
            choices.add(s);
        }
        return save;
    }

    @Test
    void theHouseIsKeptByRevisionAndNewJobsStartWithIt() {
        int base = server.get("/api/house").json().path("revision").asInt();
        JsonNode first = server.put("/api/house", house(base, "BRACE_DOUBLE", "TENSION_LIGHT"))
                .json();
        assertThat(first.path("revision").asInt()).isEqualTo(base + 1);
        Answer stale = server.put("/api/house", house(base, "BRACE_PIPE"));
        assertThat(stale.status()).isEqualTo(409);
        assertThat(stale.json().path("code").asString()).isEqualTo("house.stale");
        Answer twice = server.put("/api/house", house(base + 1, "BRACE_PIPE", "BRACE_DOUBLE"));
        assertThat(twice.status()).isEqualTo(422);
        assertThat(twice.json().path("detail").asString()).contains("two ways");
        Answer unknown = server.put("/api/house", house(base + 1, "RAIL_OF_GOLD"));
        assertThat(unknown.status()).isEqualTo(422);

        String id = server.post(
                        "/api/jobs",
                        Server.object()
                                .put("name", "By the house")
                                .put("client", "")
                                .put("property", ""))
                .json()
                .path("id")
                .asString();
        JsonNode plan = server.get("/api/jobs/" + id + "/plan").json();
        assertThat(plan.path("rulebook").asInt()).isEqualTo(buckle.rulebook.Rule.REVISION);
        JsonNode fence = plan.path("plan").path("spec").path("fence");
        assertThat(fence.path("braces").path("kind").asString()).isEqualTo("DOUBLE_H");
        assertThat(fence.path("wires").path("tension").asString()).isEqualTo("LIGHT");

        JsonNode open = server.put("/api/house", house(base + 1)).json();
        assertThat(open.path("house").path("choices").size()).isZero();
        assertThat(open.path("earlier")
                        .get(0)
                        .path("house")
                        .path("choices")
                        .get(0)
                        .asString())
                .isEqualTo("BRACE_DOUBLE");
    }

    @Test
    void everySchoolIsToldForTheJobAndFollowedWhenAsked() {
        ObjectNode order = order("alpaca-paddocks.geojson");
        JsonNode effects = server.post("/api/schools", order).json();
        assertThat(effects.size()).isEqualTo(buckle.spec.School.values().length);
        JsonNode chosen = null;
        JsonNode heavy = null;
        for (JsonNode e : effects) {
            chosen = e.path("school").asString().equals("TENSION_MEDIUM") ? e : chosen;
            heavy = e.path("school").asString().equals("TENSION_HEAVY") ? e : heavy;
        }
        assertThat(chosen.path("chosen").asBoolean()).isTrue();
        assertThat(heavy.path("upliftN").asDouble())
                .isGreaterThan(chosen.path("upliftN").asDouble());
        ObjectNode follow = Server.object().put("school", "TENSION_HEAVY");
        follow.set("spec", order.path("plan").path("spec"));
        JsonNode spec = server.post("/api/school", follow).json();
        assertThat(spec.path("fence").path("wires").path("tension").asString()).isEqualTo("HEAVY");
        assertThat(((ObjectNode) spec.path("fence").path("wires")).without("tension"))
                .isEqualTo(((ObjectNode) order.path("plan")
                                .path("spec")
                                .path("fence")
                                .path("wires")
                                .deepCopy())
                        .without("tension"));
    }

    @Test
    void oneMoreCutOutIsAdvisedAndMixedWiresAreMade() {
        ObjectNode order = order("donkey-winter-track.geojson");
        JsonNode advice = server.post("/api/cut-out", order).json().path("advice");
        assertThat(advice.path("longestAfterM").asDouble())
                .isLessThan(advice.path("longestBeforeM").asDouble() * 0.75);
        JsonNode mixed = server.get("/api/mixed-wires?presets=W1&presets=W5").json();
        assertThat(mixed.path("schedule").path("wires").size()).isEqualTo(6);
        assertThat(server.get("/api/mixed-wires?presets=W99").status()).isEqualTo(422);
        JsonNode materials = server.get("/api/materials").json();
        List<String> topics = new ArrayList<>();
        materials.path("topics").forEach(t -> topics.add(t.path("id").asString()));
        materials
                .path("schools")
                .forEach(s -> assertThat(topics).contains(s.path("topic").asString()));
    }

    @Test
    void aLineIsTurnedByTheCoreAndARefusalSaysWhy() {
        JsonNode ring = order("orchard-ring.geojson")
                .path("plan")
                .path("site")
                .path("lines")
                .get(0);
        ObjectNode turn = Server.object();
        turn.set("line", ring);
        turn.putNull("zeroCornerId");
        JsonNode back = server.post("/api/turned", turn).json();
        assertThat(back.path("book").path("turned").asBoolean()).isTrue();
        assertThat(back.path("corners").get(1))
                .isEqualTo(ring.path("corners").get(ring.path("corners").size() - 1));
        turn.put("zeroCornerId", "nowhere");
        Answer refused = server.post("/api/turned", turn);
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.json().path("code").asString()).isEqualTo("line.zero");
    }

    @Test
    void paperIsPrintedOnlyWhenSomethingIsLaidOut() {
        String id = server.openDemo("donkey-winter-track.geojson");
        for (String sheet : List.of("story-pole.pdf", "strip.pdf?paper=LETTER", "set-out.pdf")) {
            Answer pdf = server.get("/api/jobs/" + id + "/" + sheet);
            assertThat(pdf.status()).as(sheet).isEqualTo(200);
            assertThat(new String(pdf.body(), 0, 5, java.nio.charset.StandardCharsets.US_ASCII))
                    .isEqualTo("%PDF-");
        }
        String empty = server.post(
                        "/api/jobs",
                        Server.object()
                                .put("name", "Nothing yet")
                                .put("client", "")
                                .put("property", ""))
                .json()
                .path("id")
                .asString();
        assertThat(server.get("/api/jobs/" + empty + "/strip.pdf").status()).isEqualTo(422);
    }

    /** A plan sent without circumstances, books and decisions is taken as usual, and loses nothing. */
    @Test
    void whatIsLeftOutOfAPlanIsAsUsual() {
        ObjectNode order = order("orchard-ring.geojson");
        ObjectNode plan = (ObjectNode) order.path("plan").deepCopy();
        plan.remove("circumstances");
        plan.remove("decisions");
        plan.path("site").path("lines").forEach(l -> {
            ((ObjectNode) l).remove("book");
            l.path("gates").forEach(g -> ((ObjectNode) g).remove("hangs"));
        });
        ObjectNode old = Server.object();
        old.set("plan", plan);
        old.set("land", order.path("land"));
        old.putArray("readings");
        Answer answer = server.post("/api/design", old);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        assertThat(answer.json().path("design").path("layout").path("sections").size())
                .isEqualTo(4);
    }
}
