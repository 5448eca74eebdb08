package buckle.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import buckle.server.Server.Answer;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.stream.IntStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
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
        order.putNull("held");
        parts(order, "RANGE", "CURRENTS", "RESERVE", "ENERGIZERS", "EARTH", "SUPPLY", "WHAT_IFS");
        return order;
    }

    private static void parts(ObjectNode order, String... parts) {
        var asked = order.putArray("parts");
        for (String part : parts) {
            asked.add(part);
        }
    }

    private static ObjectNode supply(ObjectNode order) {
        return (ObjectNode) order.path("plan").path("spec").path("supply");
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
        assertThat(e.path("energizers").path("candidates").size()).isEqualTo(10);
        assertThat(e.path("energizers").path("why").asString()).startsWith("The generic");
        double rodsOhm = e.path("earth").path("rodsOhm").asDouble();

        ((tools.jackson.databind.node.ArrayNode) order.path("trial").path("open")).add("cut-2");
        JsonNode cut = electrics(order);
        assertThat(on(cut)).isEqualTo(on(e) - 1);

        ((ObjectNode) order.path("plan").path("circumstances")).put("ground", "FROZEN");
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
        ObjectNode plate = supply(order).putObject("energizer");
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
        assertThat(electrics(order).path("findings").toString()).contains("No capacitor, coil and resistance give");
        plate.put("openV", 1e9);
        Answer refused = server.post("/api/electrics", order);
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.json().path("detail").asString()).contains("Open voltage 1.0E9 V is not between");
        supply(order).putNull("energizer");
        order.put("lineId", "line-1").put("stationM", 1e6).remove("parts");
        assertThat(server.post("/api/electrics/at", order).json().path("code").asString())
                .isEqualTo("electrics.place");
        assertThat(server.post("/api/electrics/at", order.put("stationM", 50))
                        .json()
                        .path("at")
                        .path("peakV")
                        .asDouble())
                .isBetween(2000.0, 20_000.0);
    }

    /** What is out of its range is refused whole, with its place and its unit; nothing ends in an error of ours. */
    @ParameterizedTest
    @CsvSource(
            delimiterString = "; ",
            value = {
                "plan.spec.supply.battery.batteryAh; 0; plan.spec.supply.battery; must lie between 1.0 and 2000.0",
                "plan.spec.supply.battery.tiltDeg; 91; plan.spec.supply.battery; between 0.0 and 90.0",
                "plan.spec.supply.battery.sunshineShare; 1.2; plan.spec.supply.battery; between 0.0 and 1.0",
                "plan.spec.supply.earth.rodDiameterM; 2; plan.spec.supply.earth; between 0.005 and 0.1",
                "plan.spec.supply.battery.cableMm2; 0; plan.spec.supply.battery; between 0.2 and 100.0",
                "plan.spec.supply.battery.dirtShare; 1; plan.spec.supply.battery; between 0.0 and 0.95",
                "plan.circumstances.model.steelMuR.low; 0; plan.circumstances.model; between 1.0 and 5000.0",
                "plan.circumstances.model.bleedOhm; {\"low\":1000,\"likely\":1e12,\"high\":100000}; plan.circumstances.model.bleedOhm; from low over likely to high",
                "plan.circumstances.growth; \"JUNGLE\"; plan.circumstances.growth; Not one of the known words",
                "plan.spec.supply.energizer; {\"name\":\"x\",\"openV\":8000,\"v500\":5000,\"perMinute\":45}; plan.spec.supply.energizer; energy stored or the one into",
                "plan.spec.supply.energizer; {\"name\":\"x\",\"storedJ\":3,\"openV\":8000,\"v500\":5000,\"perMinute\":0}; plan.spec.supply.energizer; pulses a minute",
                "trial.loads; [{\"lineId\":\"line-1\",\"stationM\":5,\"ohm\":0}]; trial.loads[0]; between 1 Ω and 10 MΩ",
                "parts; [\"SOME\"]; parts[0]; Not one of the known words"
            })
    void whatIsOutOfRangeIsRefusedWithItsPlace(String path, String value, String place, String says) {
        ObjectNode order = order(server.openDemo("orchard-ring.geojson"));
        String[] names = path.split("\\.");
        ObjectNode at = order;
        for (int i = 0; i < names.length - 1; i++) {
            at = (ObjectNode) at.path(names[i]);
        }
        at.set(names[names.length - 1], buckle.exchange.Json.parse(value.getBytes(StandardCharsets.UTF_8)));
        Answer answer = server.post("/api/electrics", order);
        assertThat(answer.status()).as(answer.text()).isEqualTo(422);
        JsonNode error = answer.json().path("errors").get(0);
        assertThat(error.path("path").asString()).isEqualTo(place);
        assertThat(error.path("message").asString()).contains(says);
        assertThat(answer.json().path("detail").asString()).endsWith("Nothing was stored.");
    }

    /** An energizer that is held to is reckoned with as if the plan had chosen it, over the layout of the plan itself. */
    @Test
    void anEnergizerCanBeHeldTo() {
        ObjectNode order = order(server.openDemo("donkey-winter-track.geojson"));
        supply(order).putNull("energizer");
        parts(order);
        JsonNode free = electrics(order);
        JsonNode strong =
                server.get("/api/power-choices").json().path("energizers").get(7);
        order.set("held", strong);
        JsonNode held = electrics(order);
        assertThat(held.path("energizer")).isEqualTo(strong);
        order.putNull("held");
        supply(order).set("energizer", strong);
        JsonNode chosen = electrics(order);
        assertThat(held.path("points")).isEqualTo(chosen.path("points"));
        assertThat(held.path("points")).isNotEqualTo(free.path("points"));

        supply(order).putNull("energizer");
        ObjectNode pulse = Server.object();
        pulse.set("trial", order.path("trial"));
        pulse.set("held", strong);
        order.remove(List.of("trial", "held", "parts"));
        order.putArray("readings");
        order.set("pulse", pulse);
        JsonNode moving = server.post("/api/design/moving", order).json();
        assertThat(moving.path("electrics").path("points")).isEqualTo(held.path("points"));
        pulse.putNull("trial");
        Answer refused = server.post("/api/design/moving", order);
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.json().path("errors").get(0).path("path").asString()).isEqualTo("pulse.trial");
        order.putNull("pulse");
        JsonNode alone = server.post("/api/design/moving", order).json();
        assertThat(alone.path("electrics").isNull()).isTrue();
        assertThat(alone.path("design")).isEqualTo(moving.path("design"));
    }

    /** Loads and switches that are nowhere on the fence change nothing; a place on a dead stretch has no pulse. */
    @Test
    void whatIsNotThereChangesNothing() {
        ObjectNode order = order(server.openDemo("alpaca-paddocks.geojson"));
        parts(order);
        JsonNode plain = electrics(order);
        ObjectNode trial = (ObjectNode) order.path("trial");
        trial.putArray("open").add("no such switch").add("jumper:line-1:999");
        trial.putArray("loads")
                .addObject()
                .put("lineId", "nowhere")
                .put("stationM", 5)
                .put("ohm", 10);
        JsonNode tried = electrics(order);
        assertThat(tried.path("weakest")).isEqualTo(plain.path("weakest"));
        assertThat(plain.path("dead").size()).isPositive();
        JsonNode dead = plain.path("dead").get(0);
        order.remove("parts");
        order.put("lineId", dead.path("lineId").asString())
                .put(
                        "stationM",
                        (dead.path("fromM").asDouble() + dead.path("toM").asDouble()) / 2);
        Answer at = server.post("/api/electrics/at", order);
        assertThat(at.status()).isEqualTo(200);
        assertThat(at.json().path("at").isNull()).isTrue();
    }

    /** Two views of one plan at once get the same answer, and a plan that cannot be laid out is refused each time anew. */
    @Test
    void viewsOfOnePlanAgree() {
        ObjectNode order = order(server.openDemo("donkey-winter-track.geojson"));
        parts(order);
        List<JsonNode> answers = IntStream.range(0, 6)
                .parallel()
                .mapToObj(i -> server.post("/api/electrics", order)
                        .json()
                        .path("electrics")
                        .path("points"))
                .toList();
        assertThat(answers).allMatch(p -> p.equals(answers.getFirst()) && p.size() > 20);
        ObjectNode corner = (ObjectNode) order.path("plan")
                .path("site")
                .path("lines")
                .get(0)
                .path("corners")
                .get(1);
        corner.set(
                "at",
                order.path("plan")
                        .path("site")
                        .path("lines")
                        .get(0)
                        .path("corners")
                        .get(0)
                        .path("at"));
        for (int i = 0; i < 2; i++) {
            assertThat(server.post("/api/electrics", order).status()).isEqualTo(422);
        }
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

    /** The steps on paper are those of the screen; each of four columns is filled. */
    @Test
    void theFirstStepsComeOnPaper() throws java.io.IOException {
        String id = server.openDemo("orchard-ring.geojson");
        Answer pdf = server.get("/api/jobs/" + id + "/decision-tree.pdf?since=2026-11-14T00:00:00Z");
        assertThat(pdf.status()).isEqualTo(200);
        try (PDDocument document = Loader.loadPDF(pdf.body())) {
            String text = new PDFTextStripper().getText(document).replaceAll("\\s+", " ");
            assertThat(text)
                    .contains("Orchard ring: what next", "Begin at the energizer", "energizer off")
                    .containsPattern("(Read|Open|Look over|Go over) .*min in the mean")
                    .containsPattern("(kV|nothing found) \\([0-9]+ %\\)");
        }
        assertThat(server.get("/api/jobs/" + id + "/decision-tree.pdf?since=2026-11-14T00:00:00Z&metresPerMinute=1")
                        .status())
                .isEqualTo(422);
    }
}
