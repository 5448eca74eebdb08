package buckle.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.UUID;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The trainer over HTTP: no job, nothing kept but what came of a case. */
class PracticeTest {
    private final Server server = Server.get();

    private static ObjectNode order(String of, long seed) {
        ObjectNode order = Server.object().put("practiceCase", of).put("seed", seed);
        order.putArray("acts");
        return order;
    }

    private static void act(ObjectNode order, String kind, String line, double from, double to) {
        ObjectNode act = ((ArrayNode) order.path("acts")).addObject().put("kind", kind);
        if (line.isEmpty()) {
            act.putNull("lineId");
        } else {
            act.put("lineId", line);
        }
        act.put("fromM", from).put("toM", to).putNull("cutOut").put("open", false);
    }

    @Test
    void aCaseIsPlayedAndItsResultKeptUnderAName() {
        JsonNode ground =
                server.get("/api/practice/cases/CRACKED_INSULATOR?seed=9").json();
        assertThat(ground.path("lines").get(0).path("cutOuts")).hasSize(2);
        assertThat(ground.path("known")).isNotEmpty();
        ObjectNode order = order("CRACKED_INSULATOR", 9);
        act(order, "READ", "fence", 100, 100);
        JsonNode played = server.post("/api/practice/play", order).json();
        assertThat(played.path("came").get(0).path("peakV").asDouble()).isPositive();
        assertThat(played.path("over").asBoolean()).isFalse();
        assertThat(played.toString()).as("where it lies is not told before").doesNotContain("truth", "LEAK");
        act(
                order,
                "LOOK_OVER",
                "fence",
                0,
                ground.path("lines").get(0).path("lengthM").asDouble());
        assertThat(server.post("/api/practice/play", order).json().path("found").asBoolean())
                .isTrue();

        String person = "Ada " + UUID.randomUUID();
        order.put("id", UUID.randomUUID().toString()).put("person", person);
        JsonNode outcome = server.post("/api/practice/results", order).json();
        assertThat(outcome.path("truth").get(0).path("kind").asString()).isEqualTo("LEAK");
        assertThat(outcome.path("best")).isNotEmpty();
        server.post("/api/practice/results", order);
        JsonNode kept = server.get("/api/practice/results?person=" + person.replace(" ", "%20"))
                .json();
        assertThat(kept).as("sent twice it is one").hasSize(1);
        assertThat(kept.get(0).path("minutes").asDouble())
                .isEqualTo(outcome.path("minutes").asDouble());
    }

    @Test
    void whatCannotBeIsTold() {
        assertThat(server.get("/api/practice/cases/NONE?seed=1").status()).isIn(400, 404, 422);
        assertThat(server.get("/api/practice/cases/WEAK_LEAK?seed=-1").status()).isEqualTo(422);
        ObjectNode order = order("WEAK_LEAK", 1);
        act(order, "READ", "lane", 9000, 9000);
        assertThat(server.post("/api/practice/play", order).status()).isEqualTo(422);
        ObjectNode nobody =
                order("WEAK_LEAK", 1).put("id", UUID.randomUUID().toString()).put("person", " ");
        assertThat(server.post("/api/practice/results", nobody).status()).isEqualTo(422);
        assertThat(server.get("/api/practice/drills/SQUARE?seed=4").json().path("choices"))
                .hasSize(4);
    }
}
