package buckle.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Two crews on one fence: what one types the other's page is told. */
class LiveTest {
    private final Server server = Server.get();
    private final String job = server.openDemo("orchard-ring.geojson");
    private final String path = "/api/jobs/" + job;

    private static ObjectNode reading(double peakV) {
        ObjectNode reading = Server.object().put("id", UUID.randomUUID().toString());
        reading.putObject("at")
                .putNull("testPointId")
                .put("lineId", "line-1")
                .put("stationM", 61.5)
                .putArray("place")
                .add(0.8861)
                .add(44.1371);
        reading.putObject("what")
                .put("kind", "PEAK")
                .put("wire", 0)
                .put("peakV", peakV)
                .put("overRange", false)
                .putNull("rangeV");
        reading.putNull("meter").put("weather", "DRY").put("growth", "CLEAN").putNull("openSwitches");
        return reading.put("takenAt", "2026-05-06T07:08:09.123456789Z")
                .put("takenBy", "Mara")
                .put("note", "")
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
    void whatOneCrewTypesTheOtherIsTold() throws IOException, InterruptedException {
        String elsewhere = server.openDemo("orchard-ring.geojson");
        try (LivePage other = new LivePage(server, job);
                LivePage ofAnotherJob = new LivePage(server, elsewhere)) {
            ObjectNode good = reading(6100);
            assertThat(server.post(path + "/readings", list(good, reading(-1))).status())
                    .isEqualTo(200);
            other.until(p -> !p.readings().isEmpty());
            // What was refused is not told; what is told is as it is stored.
            assertThat(other.readings())
                    .containsExactlyElementsOf(server.get(path + "/readings")
                            .json()
                            .valueStream()
                            .filter(r -> r.path("id").equals(good.path("id")))
                            .toList())
                    .hasSize(1);
            // Sent twice it is stored once, and told once.
            server.post(path + "/readings", list(good));
            ObjectNode note = Server.object()
                    .put("id", UUID.randomUUID().toString())
                    .put("state", "OPEN")
                    .putNull("at")
                    .put("lengthM", 0)
                    .putNull("part")
                    .put("product", "")
                    .putNull("cause")
                    .putNull("searchMinutes")
                    .putNull("workMinutes")
                    .putNull("before");
            note.set("faultId", note.path("id"));
            note.putArray("works");
            note.putNull("after").putNull("lookAgainOn").putArray("photos");
            note.put("notedAt", "2026-05-06T07:08:09Z").put("notedBy", "Mara").put("note", "it reads 3 now");
            assertThat(server.post(path + "/log", note).status()).isEqualTo(200);
            assertThat(server.post(path + "/log", note).status()).isEqualTo(200);
            assertThat(server.post(path + "/log", note.deepCopy().put("notedBy", ""))
                            .status())
                    .isEqualTo(422);
            ObjectNode last = reading(5900);
            server.post(path + "/readings", list(last));
            other.until(p -> p.readings().size() > 1);
            assertThat(other.told()).extracting(LivePage.Told::what).containsExactly("readings", "log", "readings");
            assertThat(other.told().get(1).data()).isEqualTo(note.path("id").asString());
            assertThat(ofAnotherJob.told()).isEmpty();
        }
    }
}
