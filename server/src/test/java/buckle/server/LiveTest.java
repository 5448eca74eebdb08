package buckle.server;

import static buckle.server.ReadingsTest.list;
import static buckle.server.ReadingsTest.reading;
import static buckle.server.ReadingsTest.withPeakV;
import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.node.ObjectNode;

/** Two crews on one fence: what one types the other's page is told. */
class LiveTest {
    private final Server server = Server.get();
    private final String job = server.openDemo("orchard-ring.geojson");
    private final String path = "/api/jobs/" + job;

    @Test
    void whatOneCrewTypesTheOtherIsTold() throws IOException, InterruptedException {
        String elsewhere = server.openDemo("orchard-ring.geojson");
        try (LivePage other = new LivePage(server, job);
                LivePage ofAnotherJob = new LivePage(server, elsewhere)) {
            ObjectNode good = reading(UUID.randomUUID()).put("takenAt", "2026-05-06T07:08:09.123456789Z");
            ObjectNode bad = withPeakV(reading(UUID.randomUUID()), -1);
            assertThat(server.post(path + "/readings", list(good, bad)).status())
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
            UUID id = UUID.randomUUID();
            ObjectNode note = UpkeepTest.note(id, id);
            assertThat(server.post(path + "/log", note).status()).isEqualTo(200);
            assertThat(server.post(path + "/log", note).status()).isEqualTo(200);
            assertThat(server.post(path + "/log", note.deepCopy().put("notedBy", ""))
                            .status())
                    .isEqualTo(422);
            server.post(path + "/readings", list(reading(UUID.randomUUID())));
            other.until(p -> p.readings().size() > 1);
            assertThat(other.told()).extracting(LivePage.Told::what).containsExactly("readings", "log", "readings");
            assertThat(other.told().get(1).data()).isEqualTo(id.toString());
            assertThat(ofAnotherJob.told()).isEmpty();
        }
    }
}
