package buckle.server;

import static org.assertj.core.api.Assertions.assertThat;

import buckle.exchange.Json;
import buckle.server.Server.Answer;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.UUID;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The log of faults, over HTTP and through a job file. */
class UpkeepTest {
    private final Server server = Server.get();
    private final String job = server.openDemo("orchard-ring.geojson");
    private final String path = "/api/jobs/" + job + "/log";

    /** A different value in each field. */
    static ObjectNode note(UUID id, UUID fault) {
        ObjectNode n = Server.object()
                .put("id", id.toString())
                .put("faultId", fault.toString())
                .put("state", "MENDED");
        n.putObject("at")
                .putNull("testPointId")
                .put("lineId", "line-1")
                .put("stationM", 61.5)
                .putArray("place")
                .add(0.8861)
                .add(44.1371);
        n.put("lengthM", 12.5)
                .put("part", "VEGETATION")
                .put("product", "")
                .put("cause", "GROWTH")
                .put("searchMinutes", 40)
                .put("workMinutes", 25);
        n.set("before", level(3200));
        ArrayNode works = n.putArray("works");
        works.addObject()
                .put("part", "INSULATOR")
                .put("product", "Screw-in ring")
                .put("count", 4)
                .put("harmless", true)
                .putNull("after");
        works.addObject()
                .put("part", "VEGETATION")
                .put("product", "")
                .put("count", 1)
                .put("harmless", false)
                .putNull("after");
        n.set("after", level(5800));
        n.put("lookAgainOn", "2026-06-01");
        n.putArray("photos");
        return n.put("notedAt", "2026-05-06T07:08:09.123456Z")
                .put("notedBy", "Mara")
                .put("note", "by the “old” oak");
    }

    private static ObjectNode level(int peakV) {
        return Server.object()
                .put("peakV", (double) peakV)
                .put("weather", "DRY")
                .putNull("readingId");
    }

    private JsonNode log() {
        return server.get(path).json();
    }

    @Test
    void aNoteComesBackFieldByFieldAndIsStoredOnce() {
        UUID id = UUID.randomUUID();
        ObjectNode note = note(id, id);
        assertThat(server.post(path, note).status()).isEqualTo(200);
        Answer again = server.post(path, note);
        assertThat(again.status()).isEqualTo(200);
        assertThat(log()).hasSize(1);
        assertThat(log().get(0))
                .isEqualTo(Json.parse(note.toString().getBytes(java.nio.charset.StandardCharsets.UTF_8)));
        JsonNode gains = again.json().path("faults").get(0).path("gains");
        assertThat(gains.path("gains").get(0).path("gainV").asDouble()).isEqualTo(2600);
        assertThat(gains.path("gains").get(0).path("works")).hasSize(1);

        Answer differs = server.post(path, note.deepCopy().put("note", "another"));
        assertThat(differs.status()).isEqualTo(409);
        assertThat(differs.text()).contains("kept as it was");
        assertThat(log().get(0).path("note").asString()).isEqualTo("by the “old” oak");
    }

    /** A later note changes how the fault stands, and the first stays. */
    @Test
    void aFaultHasAHistoryAndTeachesAllJobs() {
        UUID fault = UUID.randomUUID();
        int before = count("ROD");
        server.post(path, note(fault, fault).put("state", "OPEN").put("part", "ROD"));
        JsonNode open = server.get("/api/upkeep").json().path("faults");
        assertThat(open)
                .anyMatch(f ->
                        f.path("fault").path("stands").path("id").asString().equals(fault.toString()));
        server.post(path, note(UUID.randomUUID(), fault).put("part", "ROD").put("notedAt", "2026-05-07T07:00:00Z"));
        assertThat(log()).hasSize(2);
        assertThat(server.get("/api/upkeep").json().path("faults"))
                .noneMatch(f -> f.path("fault")
                        .path("stands")
                        .path("faultId")
                        .asString()
                        .equals(fault.toString()));
        assertThat(count("ROD")).isEqualTo(before + 1);
    }

    private int count(String part) {
        for (JsonNode row : server.get("/api/failures").json().path("byPart")) {
            if (row.path("part").asString().equals(part)) {
                return row.path("faults").asInt();
            }
        }
        return 0;
    }

    @Test
    void whatCannotBeIsToldAndNotStored() {
        UUID id = UUID.randomUUID();
        ObjectNode bad = note(id, id);
        bad.set("before", level(6));
        assertThat(server.post(path, bad).status()).isEqualTo(422);
        assertThat(server.post(path, bad).text()).contains("kilovolts");
        assertThat(server.post(path, note(id, id).put("state", "LOST")).status())
                .isEqualTo(422);
        assertThat(server.post(path, Server.object()).status()).isEqualTo(422);
        assertThat(server.post("/api/jobs/" + UUID.randomUUID() + "/log", note(id, id))
                        .status())
                .isEqualTo(404);
        assertThat(log()).isEmpty();

        String other = server.openDemo("kitchen-garden.geojson");
        server.post(path, note(id, id));
        Answer elsewhere = server.post("/api/jobs/" + other + "/log", note(UUID.randomUUID(), id));
        assertThat(elsewhere.status()).isEqualTo(409);
        assertThat(elsewhere.text()).contains("another job");
    }

    /** The job file takes the log along; opened where it is known already, it gets names of its own. */
    @Test
    void theLogTravelsInTheJobFile() {
        UUID fault = UUID.randomUUID();
        server.post(path, note(fault, fault).put("state", "OPEN"));
        server.post(path, note(UUID.randomUUID(), fault).put("notedAt", "2026-05-07T07:00:00Z"));
        assertThat(server.put("/api/jobs/" + job + "/rounds", Server.object().put("days", 45))
                        .status())
                .isEqualTo(200);
        byte[] file = server.get("/api/jobs/" + job + "/job.geojson").body();
        String copy = server.upload("/api/imports", file).json().path("jobId").asString();
        JsonNode upkeep = server.get("/api/jobs/" + copy + "/upkeep").json();
        assertThat(upkeep.path("roundDays").asInt()).isEqualTo(45);
        assertThat(upkeep.path("faults")).hasSize(1);
        assertThat(upkeep.path("faults").get(0).path("notes").asInt()).isEqualTo(2);
        assertThat(upkeep.path("faults").get(0).path("stands").path("state").asString())
                .isEqualTo("MENDED");
        assertThat(log()).as("the first job keeps its own").hasSize(2);
        assertThat(server.put("/api/jobs/" + job + "/rounds", Server.object().put("days", 0))
                        .status())
                .isEqualTo(422);
    }

    /** A reading found wrong is voided with its reason, and stays. */
    @Test
    void aReadingIsVoidedNotDeleted() {
        String track = server.openDemo("donkey-winter-track.geojson");
        String readings = "/api/jobs/" + track + "/readings";
        JsonNode wrong = null;
        for (JsonNode r : server.get(readings).json()) {
            wrong = r.path("what").path("kind").asString().equals("PEAK") ? r : wrong;
        }
        assertThat(wrong).isNotNull();
        ObjectNode voided =
                ((ObjectNode) wrong).deepCopy().put("id", UUID.randomUUID().toString());
        voided.putObject("what").put("kind", "VOIDED");
        voided.put("corrects", wrong.path("id").asString()).put("note", "");
        ArrayNode sent = Json.MAPPER.createArrayNode().add(voided);
        assertThat(server.post(readings, sent).status()).isEqualTo(422);
        assertThat(server.post(readings, sent).text()).contains("why");
        int before = server.get(readings).json().size();
        voided.put("note", "probe was not in the ground");
        assertThat(server.post(readings, sent).status()).isEqualTo(200);
        assertThat(server.get(readings).json()).hasSize(before + 1);
        String csv = server.get("/api/jobs/" + track + "/readings.csv").text();
        assertThat(csv).contains("voided", "probe was not in the ground");
    }

    /** A photo of 40 MB is refused by its size with a sentence; one of a phone is kept and comes back. */
    @Test
    void aPhotoTooLargeIsRefusedWithASentence() throws IOException {
        Answer large = server.upload("/api/pictures?name=huge.jpg", new byte[40 * 1024 * 1024]);
        assertThat(large.status()).isEqualTo(413);
        assertThat(large.text()).contains("40 MB were sent", "20 MB");
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(640, 480, BufferedImage.TYPE_INT_RGB), "png", png);
        String hash = server.upload("/api/pictures?name=joint.png", png.toByteArray())
                .json()
                .path("hash")
                .asString();
        UUID id = UUID.randomUUID();
        ObjectNode note = note(id, id);
        note.putArray("photos").add(hash);
        assertThat(server.post(path, note).status()).isEqualTo(200);
        assertThat(server.get("/api/attachments/"
                                + log().get(0).path("photos").get(0).asString())
                        .body())
                .isEqualTo(png.toByteArray());
    }
}
