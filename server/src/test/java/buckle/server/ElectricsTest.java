package buckle.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import buckle.server.Server.Answer;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** The pulse over HTTP: what is answered, printed and refused. */
class ElectricsTest {
    private final Server server = Server.get();

    private ObjectNode order(String jobId) {
        ObjectNode order = server.order(jobId);
        ObjectNode trial = order.putObject("trial");
        trial.putArray("open");
        trial.putArray("loads");
        return order.put("depth", "ALL");
    }

    private static ObjectNode power(ObjectNode order) {
        return (ObjectNode) order.path("plan").path("spec").path("power");
    }

    private JsonNode electrics(ObjectNode order) {
        Answer answer = server.post("/api/electrics", order);
        assertThat(answer.status()).isEqualTo(200);
        return answer.json().path("electrics");
    }

    @Test
    void theAlpacaPaddocksAreAnsweredAndASwitchAndFrostChangeTheAnswer() {
        ObjectNode order = order(server.openDemo("alpaca-paddocks.geojson"));
        JsonNode e = electrics(order);
        assertThat(e.path("says").asString()).isEmpty();
        assertThat(e.path("needV").asDouble()).isEqualTo(4500);
        assertThat(e.path("candidates").size()).isEqualTo(10);
        assertThat(e.path("recommended").asString()).startsWith("The generic");
        double rodsOhm = e.path("earth").path("rodsOhm").asDouble();

        ((tools.jackson.databind.node.ArrayNode) order.path("trial").path("open")).add("cut-2");
        JsonNode cut = electrics(order);
        assertThat(on(cut)).isEqualTo(on(e) - 1);

        power(order).put("ground", "FROZEN");
        JsonNode frozen = electrics(order);
        assertThat(frozen.path("earth").path("rodsOhm").asDouble()).isCloseTo(20 * rodsOhm, within(1e-6 * rodsOhm));
        assertThat(frozen.path("earth").path("good").asBoolean()).isFalse();
    }

    private static int on(JsonNode electrics) {
        int on = 0;
        for (JsonNode section : electrics.path("sections")) {
            on += section.path("on").asBoolean() ? 1 : 0;
        }
        return on;
    }

    /** A plate that cannot be is said and not reckoned with; one out of all bounds is refused with its sentence. */
    @Test
    void wrongPlatesAreToldOrRefused() {
        ObjectNode order = order(server.openDemo("orchard-ring.geojson"));
        ObjectNode plate = power(order).putObject("energizer");
        plate.put("name", "odd")
                .put("storedJ", 2)
                .put("out500J", 3)
                .put("openV", 8000)
                .put("v500", 5000);
        plate.putNull("v100").put("perMinute", 45);
        JsonNode told = electrics(order);
        assertThat(told.path("chosen").asBoolean()).isFalse();
        assertThat(told.path("findings").toString()).contains("no energizer does");
        plate.put("storedJ", 4).put("v500", 20);
        assertThat(electrics(order).path("findings").toString()).contains("no energizer has one");
        plate.put("openV", 1e9);
        Answer refused = server.post("/api/electrics", order);
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.json().path("detail").asString()).contains("Open voltage 1.0E9 V is not between");
        power(order).putNull("energizer");
        order.put("lineId", "line-1").put("stationM", 1e6).remove("depth");
        assertThat(server.post("/api/electrics/at", order).json().path("code").asString())
                .isEqualTo("electrics.place");
        assertThat(server.post("/api/electrics/at", order.put("stationM", 50))
                        .json()
                        .path("at")
                        .path("peakV")
                        .asDouble())
                .isBetween(2000.0, 20_000.0);
    }

    @Test
    void numbersAndReasonsLeaveAsFiles() {
        String id = server.openDemo("orchard-ring.geojson");
        Answer csv = server.get("/api/jobs/" + id + "/electrics.csv");
        String text = csv.text();
        assertThat(text).startsWith("table,name,line,station_m,quantity,value,unit\r\n");
        assertThat(text.lines().filter(l -> l.contains("likely peak"))).hasSizeGreaterThan(50);
        assertThat(text).contains("energizer,generic 2 J").contains("last rod in the earth test");
        Answer pdf = server.get("/api/jobs/" + id + "/energizer.pdf");
        assertThat(pdf.status()).isEqualTo(200);
        assertThat(new String(pdf.body(), 0, 5, StandardCharsets.US_ASCII)).isEqualTo("%PDF-");
        assertThat(server.get("/api/power-choices").json().path("energizers").size())
                .isEqualTo(10);
    }
}
