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
    static ObjectNode reading(UUID uuid) {
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

    static ObjectNode withPeakV(ObjectNode reading, double peakV) {
        ((ObjectNode) reading.path("what")).put("peakV", peakV);
        return reading;
    }

    static ArrayNode list(JsonNode... readings) {
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
                "{\"kind\":\"PEAK\",\"wire\":3,\"peakV\":6100.0,\"overRange\":false,\"rangeV\":9900.0,\"resolutionV\":100.0}",
                "{\"kind\":\"EARTH_TERMINAL\",\"peakV\":250.0,\"overRange\":false,\"rangeV\":null,\"resolutionV\":null}",
                "{\"kind\":\"UNPOWERED\",\"wire\":2,\"peakV\":1500.0,\"overRange\":true,\"rangeV\":1500.0,\"resolutionV\":null}",
                "{\"kind\":\"CURRENT\",\"peakA\":12.5,\"direction\":\"TOWARDS_START\",\"resolutionA\":0.1}",
                "{\"kind\":\"EARTH_TEST\",\"peakV\":250.0,\"fenceV\":1500.0}",
                "{\"kind\":\"INDICATOR\",\"light\":\"WEAK\"}",
                "{\"kind\":\"CHECKED\",\"check\":\"GATE_RIGHT\",\"of\":\"gate-1\",\"inOrder\":true}",
                "{\"kind\":\"CHECKED\",\"check\":\"SIGNS_UP\",\"of\":null,\"inOrder\":false}",
                "{\"kind\":\"BATTERY_VOLTAGE\",\"batteryV\":12.4}",
                "{\"kind\":\"RESISTANCE\",\"ohm\":18.0}",
                "{\"kind\":\"SEEN\",\"thing\":\"LIMB_ON_WIRE\",\"touches\":true}"
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
        ((ObjectNode) now.path("what")).putNull("resolutionV");
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
    void aCorrectionIsANewRowAndOfABatchTheGoodOnesAreStored() {
        UUID old = UUID.randomUUID();
        server.post(path, list(reading(old)));
        ObjectNode fix = withPeakV(reading(UUID.randomUUID()), 610).put("corrects", old.toString());
        server.post(path, list(fix));
        assertThat(server.get(path).json().size()).isEqualTo(2);
        ObjectNode good = reading(UUID.randomUUID());
        ObjectNode bad =
                reading(UUID.randomUUID()).put("corrects", UUID.randomUUID().toString());
        Answer some = server.post(path, list(good, bad));
        assertThat(some.status()).isEqualTo(200);
        assertThat(some.json().path("readings").valueStream().map(r -> r.path("id")))
                .containsExactly(good.path("id"));
        JsonNode refused = some.json().path("refused");
        assertThat(refused.size()).isEqualTo(1);
        assertThat(refused.get(0).path("index").asInt()).isEqualTo(1);
        assertThat(refused.get(0).path("id")).isEqualTo(bad.path("id"));
        assertThat(refused.get(0).path("code").asString()).isEqualTo("reading.corrects");
        assertThat(server.post(path, list(bad)).status()).isEqualTo(422);
        assertThat(server.get(path).json().size()).isEqualTo(3);
    }

    /** What cannot have been read at this fence is refused with its place. */
    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            quoteCharacter = '~',
            value = {
                "stationM; 1e400; [0].at.stationM",
                "stationM; 1e300; [0].at.stationM",
                "stationM; ~\"NaN\"~; [0].at",
                "place; [10.0,44.1]; [0].at.place",
                "place; [-179.1,-44.1]; [0].at.place",
                "place; [null,44.1]; [0].at",
                "wire; 1.5; [0].what",
                "wire; 1.0; [0].what",
                "wire; 900000000000000000000; [0]",
                "takenAt; ~\"1989-12-31T23:59:59Z\"~; [0].takenAt",
                "takenAt; ~\"2999-01-01T00:00:00Z\"~; [0].takenAt",
                "takenBy; ~\"A\\u0007B\"~; [0].takenBy",
                "note; ~\"\\ud800 half\"~; [0].note",
                "openSwitches; [\"a\",null]; [0]"
            })
    void whatCannotBeTrueIsRefusedWithItsPlace(String field, String value, String place) {
        String body = list(reading(UUID.randomUUID()))
                .toString()
                .replaceFirst(
                        "\"" + field + "\":(\\[[^]]*]|\"[^\"]*\"|[^,}]+)",
                        java.util.regex.Matcher.quoteReplacement("\"" + field + "\":" + value));
        Answer answer = server.post(path, body);
        assertThat(answer.status()).as(answer.text()).isEqualTo(422);
        assertThat(answer.json().path("errors").get(0).path("path").asString()).startsWith(place);
        assertThat(server.get(path).json().size()).isZero();
    }

    /** An older Buckle took what is refused now; it is shown, and keeps neither the list nor the job file from being made. */
    @Test
    void whatAnOlderBuckleTookSpoilsNothing() throws Exception {
        ObjectNode odd = reading(UUID.randomUUID());
        ObjectNode good = reading(UUID.randomUUID());
        server.post(path, list(odd, good));
        TestDatabase database = TestDatabase.get();
        try (var c = java.sql.DriverManager.getConnection(database.url, "buckle", database.password);
                var s = c.createStatement()) {
            s.execute(
                    "update reading set station_m = 'NaN', taken_at = '0044-03-15', open_switches = '[\"cut-2\", null]'"
                            + " where id = '" + odd.path("id").asString() + "'");
        }
        assertThat(server.get(path).json().size()).isEqualTo(2);
        byte[] file = server.get("/api/jobs/" + id + "/job.geojson").body();
        JsonNode again = server.upload("/api/imports", file).json();
        assertThat(again.path("leftOut").size()).isEqualTo(1);
        assertThat(again.path("leftOut").get(0).asString()).contains("1990 and tomorrow", "Reading 1");
        assertThat(server.get("/api/jobs/" + again.path("jobId").asString() + "/readings")
                        .json()
                        .size())
                .isEqualTo(1);
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
