package buckle.server;

import static org.assertj.core.api.Assertions.assertThat;

import buckle.exchange.Json;
import buckle.server.Server.Answer;
import java.nio.charset.StandardCharsets;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

class ReadingsTest {
    private final Server server = Server.get();
    private final String id = server.openDemo("orchard-ring.geojson");
    private final String path = "/api/jobs/" + id + "/readings";

    /** A different value in each field, so that swapped columns show. */
    private static ObjectNode reading(UUID uuid) {
        ObjectNode reading = Server.object().put("id", uuid.toString());
        reading.putObject("at")
                .put("testPointId", "before:cut-1")
                .put("lineId", "line-1")
                .put("stationM", 161.25)
                .putArray("place")
                .add(0.8861)
                .add(44.1371);
        what(reading, "PEAK")
                .put("wire", 3)
                .put("peakV", 6100.0)
                .put("overRange", false)
                .put("rangeV", 9900.0);
        reading.put("meter", "the yellow one").put("weather", "FROST").put("growth", "HEAVY");
        reading.putArray("openSwitches").add("cut-2").add("cut-3");
        return reading.put("takenAt", "2026-05-06T07:08:09.123456Z")
                .put("takenBy", "Mara")
                .put("note", "by the “old” oak")
                .putNull("corrects");
    }

    private static ObjectNode what(ObjectNode reading, String kind) {
        return reading.putObject("what").put("kind", kind);
    }

    private static ObjectNode withPeakV(ObjectNode reading, double peakV) {
        ((ObjectNode) reading.path("what")).put("peakV", peakV);
        return reading;
    }

    private static ArrayNode list(JsonNode... readings) {
        ArrayNode list = buckle.exchange.Json.MAPPER.createArrayNode();
        for (JsonNode r : readings) {
            list.add(r);
        }
        return list;
    }

    /** Each kind of observation comes back field by field, with and without what may be left out. */
    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            quoteCharacter = '~',
            value = {
                "{\"kind\":\"PEAK\",\"wire\":3,\"peakV\":6100.0,\"overRange\":false,\"rangeV\":9900.0}",
                "{\"kind\":\"EARTH_TERMINAL\",\"peakV\":250.0,\"overRange\":false,\"rangeV\":null}",
                "{\"kind\":\"UNPOWERED\",\"wire\":2,\"peakV\":1500.0,\"overRange\":true,\"rangeV\":1500.0}",
                "{\"kind\":\"CURRENT\",\"peakA\":12.5,\"direction\":\"TOWARDS_START\"}",
                "{\"kind\":\"BATTERY_VOLTAGE\",\"batteryV\":12.4}",
                "{\"kind\":\"RESISTANCE\",\"ohm\":18.0}",
                "{\"kind\":\"SEEN\",\"thing\":\"INSULATOR_CRACKED\"}"
            })
    void anObservationComesBackFieldByField(String what) {
        ObjectNode full = reading(UUID.randomUUID());
        full.set("what", parsed(what));
        ObjectNode bare = full.deepCopy()
                .put("id", UUID.randomUUID().toString())
                .put("takenAt", "2026-05-06T08:08:09Z")
                .putNull("meter")
                .putNull("openSwitches");
        ((ObjectNode) bare.path("at")).putNull("testPointId");
        assertThat(server.post(path, list(full, bare)).status()).isEqualTo(200);
        JsonNode back = server.get(path).json();
        assertThat(back.get(0)).isEqualTo(parsed(full.toString()));
        assertThat(back.get(1)).isEqualTo(parsed(bare.toString()));
    }

    private static JsonNode parsed(String json) {
        return Json.parse(json.getBytes(StandardCharsets.UTF_8));
    }

    /** A reading that waited on a device since before there were other observations. */
    @Test
    void aFlatReadingIsTakenAsAPeak() {
        UUID uuid = UUID.randomUUID();
        ObjectNode flat = Server.object()
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
        assertThat(server.post(path, list(flat)).status()).isEqualTo(200);
        ObjectNode now = reading(uuid).putNull("meter").putNull("openSwitches");
        assertThat(server.get(path).json().get(0)).isEqualTo(parsed(now.toString()));
        Answer refused = server.post(
                path, list(flat.put("id", UUID.randomUUID().toString()).put("peakV", 61_000)));
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.json().path("errors").get(0).path("path").asString()).isEqualTo("[0].what");
    }

    @Test
    void sentTwiceItIsStoredOnceAndNeverChanged() {
        ObjectNode r = reading(UUID.randomUUID());
        server.post(path, list(r));
        assertThat(server.post(path, list(r)).status()).isEqualTo(200);
        Answer other = server.post(path, list(withPeakV(r.deepCopy(), 100)));
        assertThat(other.status()).isEqualTo(409);
        assertThat(other.json().path("code").asString()).isEqualTo("reading.differs");
        assertThat(server.get(path).json().size()).isEqualTo(1);
        assertThat(server.get(path).json().get(0).path("what").path("peakV").asDouble())
                .isEqualTo(6100);
    }

    @Test
    void aCorrectionIsANewRowAndABatchIsWholeOrNotAtAll() {
        UUID old = UUID.randomUUID();
        server.post(path, list(reading(old)));
        ObjectNode fix = withPeakV(reading(UUID.randomUUID()), 610).put("corrects", old.toString());
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
        ObjectNode order = Server.object();
        order.set("plan", server.get("/api/jobs/" + id + "/plan").json().path("plan"));
        order.putArray("readings");
        order.set(
                "land",
                Json.parse(
                        "{\"features\":[],\"spotHeights\":[],\"grid\":null,\"declinationDeg\":null,\"underlays\":[],\"tapes\":[]}"
                                .getBytes(StandardCharsets.UTF_8)));
        ObjectNode reading = reading(UUID.randomUUID());
        for (JsonNode p : server.post("/api/design", order)
                .json()
                .path("design")
                .path("layout")
                .path("testPoints")) {
            if (p.path("id").asString().equals("before:cut-1")) {
                ((ObjectNode) reading.path("at"))
                        .putArray("place")
                        .add(p.path("lonDeg"))
                        .add(p.path("latDeg"));
            }
        }
        server.post(path, list(reading));
        order.set("readings", server.get(path).json());
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
