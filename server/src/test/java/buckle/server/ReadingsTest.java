package buckle.server;

import static org.assertj.core.api.Assertions.assertThat;

import buckle.exchange.Json;
import buckle.server.Server.Answer;
import java.nio.charset.StandardCharsets;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

class ReadingsTest {
    private final Server server = Server.get();
    private final String id = server.openDemo("orchard-ring.geojson");
    private final String path = "/api/jobs/" + id + "/readings";

    /** A different value in each field, so that swapped columns show. */
    private static ObjectNode reading(UUID uuid) {
        return Server.object()
                .put("id", uuid.toString())
                .put("testPointId", "before:cut-1")
                .put("lineId", "line-1")
                .put("stationM", 161.25)
                .put("lonDeg", 0.8861)
                .put("latDeg", 44.1371)
                .put("wire", 3)
                .put("peakV", 6100.0)
                .put("overRange", false)
                .put("rangeV", 9900.0)
                .put("takenAt", "2026-05-06T07:08:09.123456Z")
                .put("takenBy", "Mara")
                .put("weather", "FROST")
                .put("growth", "HEAVY")
                .put("note", "by the “old” oak")
                .putNull("corrects");
    }

    private static ArrayNode list(JsonNode... readings) {
        ArrayNode list = buckle.exchange.Json.MAPPER.createArrayNode();
        for (JsonNode r : readings) {
            list.add(r);
        }
        return list;
    }

    @Test
    void aReadingComesBackFieldByField() {
        ObjectNode r = reading(UUID.randomUUID());
        assertThat(server.post(path, list(r)).status()).isEqualTo(200);
        assertThat(server.get(path).json().get(0))
                .isEqualTo(buckle.exchange.Json.parse(r.toString().getBytes(java.nio.charset.StandardCharsets.UTF_8)));
    }

    @Test
    void sentTwiceItIsStoredOnceAndNeverChanged() {
        ObjectNode r = reading(UUID.randomUUID());
        server.post(path, list(r));
        assertThat(server.post(path, list(r)).status()).isEqualTo(200);
        Answer other = server.post(path, list(r.deepCopy().put("peakV", 100)));
        assertThat(other.status()).isEqualTo(409);
        assertThat(other.json().path("code").asString()).isEqualTo("reading.differs");
        assertThat(server.get(path).json().size()).isEqualTo(1);
        assertThat(server.get(path).json().get(0).path("peakV").asDouble()).isEqualTo(6100);
    }

    @Test
    void aCorrectionIsANewRowAndABatchIsWholeOrNotAtAll() {
        UUID old = UUID.randomUUID();
        server.post(path, list(reading(old)));
        ObjectNode fix = reading(UUID.randomUUID()).put("peakV", 610.0).put("corrects", old.toString());
        server.post(path, list(fix));
        assertThat(server.get(path).json().size()).isEqualTo(2);
        ObjectNode good = reading(UUID.randomUUID());
        ObjectNode bad =
                reading(UUID.randomUUID()).put("corrects", UUID.randomUUID().toString());
        Answer refused = server.post(path, list(good, bad));
        assertThat(refused.status()).isEqualTo(422);
        assertThat(server.get(path).json().size()).isEqualTo(2);
    }

    @Test
    void theDesignHoldsReadingsAgainstTheNeed() {
        server.post(path, list(reading(UUID.randomUUID())));
        ObjectNode order = Server.object();
        order.set("plan", server.get("/api/jobs/" + id + "/plan").json().path("plan"));
        order.set("readings", server.get(path).json());
        order.set(
                "land",
                Json.parse(
                        "{\"features\":[],\"spotHeights\":[],\"grid\":null,\"declinationDeg\":null,\"underlays\":[],\"tapes\":[]}"
                                .getBytes(StandardCharsets.UTF_8)));
        JsonNode points =
                server.post("/api/design", order).json().path("assessment").path("points");
        boolean met = false;
        for (JsonNode p : points) {
            met |= p.path("testPointId").asString().equals("before:cut-1")
                    && p.path("standing").asString().equals("MET");
        }
        assertThat(met).isTrue();
    }
}
