package buckle.server;

import static org.assertj.core.api.Assertions.assertThat;

import buckle.exchange.Json;
import buckle.server.Server.Answer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.Executors;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** From the list before power to a certificate that stays as it was signed. */
class CommissioningTest {
    private final Server server = Server.get();
    private final String job = server.openDemo("orchard-ring.geojson");
    private static final String SINCE = "2026-05-02T00:00:00Z";
    private static final String AT = "2026-05-02T09:30:00Z";

    private JsonNode commissioning() {
        return commissioning(server.get("/api/jobs/" + job + "/readings").json());
    }

    private JsonNode commissioning(JsonNode readings) {
        ObjectNode order = server.order(job);
        order.set("readings", readings);
        order.putArray("open");
        Answer answer =
                server.post("/api/electrics/round", order.put("since", SINCE).putNull("until"));
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.json();
    }

    private static ObjectNode observed(JsonNode at, ObjectNode what, String note) {
        ObjectNode o = Server.object().put("id", UUID.randomUUID().toString());
        o.set("at", at);
        o.set("what", what);
        o.putNull("meter").put("weather", "DRY").put("growth", "LIGHT").putNull("openSwitches");
        return o.put("takenAt", AT).put("takenBy", "A. Crew").put("note", note).putNull("corrects");
    }

    private static ObjectNode spot(JsonNode of, String testPointId) {
        ObjectNode at = Server.object();
        if (testPointId.isEmpty()) {
            at.putNull("testPointId");
        } else {
            at.put("testPointId", testPointId);
        }
        at.put("lineId", of.path("lineId").asString())
                .put("stationM", of.path("stationM").asDouble());
        at.set("place", of.path("at"));
        return at;
    }

    private static ObjectNode tick(JsonNode item, boolean inOrder, String note) {
        ObjectNode what = Server.object()
                .put("kind", "CHECKED")
                .put("check", item.path("check").asString());
        what.set("of", item.path("of"));
        return observed(spot(item, ""), what.put("inOrder", inOrder), note);
    }

    private static ObjectNode reading(JsonNode stop, JsonNode ask) {
        ObjectNode what = switch (ask.path("kind").asString()) {
            case "EARTH_TEST" ->
                Server.object().put("kind", "EARTH_TEST").put("peakV", 180).put("fenceV", 1500);
            case "BATTERY" -> Server.object().put("kind", "BATTERY_VOLTAGE").put("batteryV", 12.7);
            case "UNPOWERED" -> voltage("UNPOWERED", ask.path("wire").asInt(), 50);
            default ->
                voltage(
                        "PEAK",
                        ask.path("wire").asInt(),
                        100 * Math.rint(ask.path("likely").asDouble() / 100));
        };
        return observed(spot(stop, stop.path("testPointId").asString()), what, "");
    }

    private static ObjectNode voltage(String kind, int wire, double peakV) {
        return Server.object()
                .put("kind", kind)
                .put("wire", wire)
                .put("peakV", peakV)
                .put("overRange", false)
                .putNull("rangeV")
                .putNull("resolutionV");
    }

    private void send(List<ObjectNode> readings) {
        ArrayNode list = Json.MAPPER.createArrayNode();
        readings.forEach(list::add);
        Answer answer = server.post("/api/jobs/" + job + "/readings", list);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
    }

    private ObjectNode signing(String by) {
        return Server.object()
                .put("id", UUID.randomUUID().toString())
                .put("signedBy", by)
                .put("signedOn", "2026-05-02")
                .put("since", SINCE)
                .putNull("until")
                .put("call", "the firm, 555 0100")
                .put("zone", "Europe/Dublin");
    }

    private String text(String path) throws Exception {
        try (PDDocument pdf = Loader.loadPDF(server.get(path).body())) {
            return new PDFTextStripper().getText(pdf).replaceAll("\\s+", " ");
        }
    }

    @Test
    void fromTheListToACertificateThatStays() throws Exception {
        Answer early = server.post("/api/jobs/" + job + "/certificates", signing("A. Crew"));
        assertThat(early.status()).isEqualTo(422);
        assertThat(early.text()).contains("certificate.nothing-read");
        JsonNode before = commissioning();
        List<ObjectNode> all = new ArrayList<>();
        before.path("list").path("items").forEach(i -> all.add(tick(i, true, "")));
        assertThat(all).hasSizeGreaterThan(8);
        ObjectNode gap = tick(before.path("list").path("items").get(0), false, " ");
        ArrayNode one = Json.MAPPER.createArrayNode().add(gap);
        assertThat(server.post("/api/jobs/" + job + "/readings", one).text()).contains("reading.reason");
        send(all);
        send(List.of(tick(before.path("list").path("items").get(0), false, "limb comes off tomorrow")
                .put("takenAt", "2026-05-02T09:40:00Z")));
        JsonNode ticked = commissioning();
        assertThat(ticked.path("complete").asBoolean()).isTrue();

        List<ObjectNode> read = new ArrayList<>();
        before.path("round")
                .path("stops")
                .forEach(s -> s.path("asks").forEach(a -> {
                    if (a.path("needed").asBoolean()) {
                        read.add(reading(s, a));
                    }
                }));
        send(read);
        JsonNode round = commissioning();
        assertThat(round.path("open").asLong()).isZero();
        round.path("round")
                .path("stops")
                .forEach(s -> s.path("asks").forEach(a -> {
                    if (a.path("kind").asString().equals("PEAK")) {
                        assertThat(a.path("agrees").asString()).isEqualTo("MET");
                    }
                }));

        ObjectNode order = server.order(job);
        order.set("readings", server.get("/api/jobs/" + job + "/readings").json());
        JsonNode fit = server.post("/api/electrics/yardstick", order).json();
        assertThat(fit.path("yardstick").path("readings").size()).isEqualTo((int) read.stream()
                .filter(r -> r.path("what").path("kind").asString().equals("PEAK"))
                .count());
        assertThat(fit.path("says").asString()).startsWith("This fence leaks like light growth");

        ObjectNode signing = signing("A. Crew");
        Answer signed = server.post("/api/jobs/" + job + "/certificates", signing);
        assertThat(signed.status()).as(signed.text()).isEqualTo(200);
        int number = signed.json().path("number").asInt();
        assertThat(server.post("/api/jobs/" + server.openDemo("kitchen-garden.geojson") + "/certificates", signing)
                        .json()
                        .path("code")
                        .asString())
                .isEqualTo("certificate.id");
        assertThat(signed.json().path("inOrder").asBoolean()).isFalse();
        assertThat(signed.json().path("verdict").asString()).contains("1 point left open with a reason");
        assertThat(server.post("/api/jobs/" + job + "/certificates", signing).json())
                .isEqualTo(signed.json());
        assertThat(server.get("/api/jobs/" + job + "/certificates").json().size())
                .isEqualTo(1);
        String path = "/api/certificates/" + number;
        byte[] pdf = server.get(path + "/certificate.pdf").body();
        String printed = text(path + "/certificate.pdf");
        assertThat(printed)
                .contains("limb comes off tomorrow")
                .contains("A. Crew")
                .contains("10:30");
        signed.json()
                .path("sections")
                .forEach(s -> assertThat(printed).contains(s.path("name").asString()));
        String number1 = String.format(
                Locale.ROOT,
                "%.1f kV",
                signed.json().path("card").path("numberV").asDouble() / 1000);
        assertThat(text(path + "/owner-card.pdf?paper=LETTER"))
                .contains(number1)
                .contains("the firm, 555 0100");

        // What is read and planned later changes nothing of it.
        send(List.of(observed(spot(before.path("round").path("stops").get(0), "energizer"), voltage("PEAK", 0, 900), "")
                .put("takenAt", "2026-05-02T09:50:00Z")));
        assertThat(server.get(path).json()).isEqualTo(signed.json());
        assertThat(server.get(path + "/certificate.pdf").body()).isEqualTo(pdf);
        Answer later = server.post("/api/jobs/" + job + "/certificates", signing("B. Crew"));
        assertThat(later.json().path("number").asInt()).isGreaterThan(number);
        assertThat(later.json().path("verdict").asString()).contains("not shown to hold");
        // Of another round, a year on: signed for the first it is not in it.
        ObjectNode much =
                observed(spot(before.path("round").path("stops").get(0), "energizer"), voltage("PEAK", 0, 100), "");
        send(List.of(much.put("takenAt", "2026-11-20T09:00:00Z")));
        Answer first = server.post(
                "/api/jobs/" + job + "/certificates", signing("C. Crew").put("until", "2026-05-03T00:00:00Z"));
        assertThat(first.json().path("card").path("numberV").asDouble()).isEqualTo(900);
    }

    /** All read and looked at and every section met: in order, unless the earth test or the battery is not. */
    @Test
    void inOrderIsSaidOnlyWhenAllOfItIs() {
        JsonNode before = commissioning();
        List<ObjectNode> all = new ArrayList<>();
        before.path("list").path("items").forEach(i -> all.add(tick(i, true, "")));
        before.path("round")
                .path("stops")
                .forEach(s -> s.path("asks").forEach(a -> {
                    if (a.path("needed").asBoolean()) {
                        all.add(reading(s, a));
                    }
                }));
        send(all);
        JsonNode good = server.post("/api/jobs/" + job + "/certificates", signing("A. Crew"))
                .json();
        assertThat(good.path("inOrder").asBoolean())
                .as(good.path("verdict").asString())
                .isTrue();
        JsonNode card = good.path("card");
        assertThat(card.path("askV").asDouble())
                .isGreaterThanOrEqualTo(card.path("needV").asDouble());
        ObjectNode earth =
                Server.object().put("kind", "EARTH_TEST").put("peakV", 450).put("fenceV", 1500);
        JsonNode feed = before.path("round").path("stops").get(0);
        send(List.of(observed(spot(feed, "energizer"), earth, "").put("takenAt", "2026-05-02T09:50:00Z")));
        JsonNode poor = server.post("/api/jobs/" + job + "/certificates", signing("A. Crew"))
                .json();
        assertThat(poor.path("inOrder").asBoolean()).isFalse();
        assertThat(poor.path("verdict").asString()).contains("last rod, fence shorted", "0.5 kV");
    }

    /** Two sign at once, one of them twice: numbers without a gap, none doubled. */
    @Test
    void signedAtOnce() throws Exception {
        JsonNode stop = commissioning().path("round").path("stops").get(0);
        send(List.of(observed(spot(stop, "energizer"), voltage("PEAK", 0, 6100), "")));
        ObjectNode same = signing("A. Crew");
        List<Callable<Answer>> all = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            ObjectNode order = i < 2 ? same : signing("B. Crew");
            all.add(() -> server.post("/api/jobs/" + job + "/certificates", order));
        }
        try (var threads = Executors.newFixedThreadPool(4)) {
            for (var done : threads.invokeAll(all)) {
                assertThat(done.get().status()).as(done.get().text()).isEqualTo(200);
            }
        }
        List<Integer> numbers = new ArrayList<>();
        server.get("/api/jobs/" + job + "/certificates")
                .json()
                .forEach(c -> numbers.add(c.path("number").asInt()));
        assertThat(numbers).hasSize(3).doesNotHaveDuplicates();
        assertThat(numbers.getFirst() - numbers.getLast()).isEqualTo(2);
    }

    @Test
    void whatCannotBeSignedIsSaid() {
        String path = "/api/jobs/" + job + "/certificates";
        assertThat(server.post(path, signing(" ")).text()).contains("certificate.name");
        assertThat(server.post(path, signing("A").put("signedOn", "1926-05-02")).text())
                .contains("certificate.date");
        assertThat(server.post(path, signing("A").put("zone", "Mars/Olympus")).text())
                .contains("certificate.zone");
        JsonNode item = commissioning().path("list").path("items").get(0);
        ObjectNode odd = tick(item, true, "");
        ((ObjectNode) odd.path("what")).put("of", "a\u0000b");
        Answer refused = server.post(
                "/api/jobs/" + job + "/readings", Json.MAPPER.createArrayNode().add(odd));
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.text()).contains("what.of");
        assertThat(server.get("/api/certificates/999999").status()).isEqualTo(404);
        assertThat(server.get("/api/certificates/999999/certificate.pdf").status())
                .isEqualTo(404);
    }

    private JsonNode table(String csv) {
        Answer answer = server.upload(
                "/api/jobs/" + job + "/readings/import?by=table&zone=Europe/Dublin",
                csv.getBytes(StandardCharsets.UTF_8));
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.json();
    }

    /** What goes out comes in again as it was; the same table twice is one set of readings. */
    @Test
    void tablesOfReadings() {
        JsonNode stop = commissioning().path("round").path("stops").get(0);
        send(List.of(
                observed(spot(stop, "energizer"), voltage("PEAK", 0, 6100), "=SUM(A1)"),
                observed(
                        spot(stop, ""),
                        Server.object()
                                .put("kind", "SEEN")
                                .put("thing", "LIMB_ON_WIRE")
                                .put("touches", true),
                        ""),
                observed(
                        spot(stop, ""),
                        Server.object()
                                .put("kind", "CURRENT")
                                .put("peakA", 6.5)
                                .put("direction", "TOWARDS_START")
                                .putNull("resolutionA"),
                        ""),
                tick(commissioning().path("list").path("items").get(0), true, "")));
        JsonNode before = server.get("/api/jobs/" + job + "/readings").json();
        String csv = server.get("/api/jobs/" + job + "/readings.csv").text();
        assertThat(csv).contains("'=SUM(A1)");
        JsonNode same = table(csv);
        assertThat(same.path("stored").asInt()).isZero();
        assertThat(same.path("known").asInt()).isEqualTo(4);
        assertThat(same.path("problems").size()).isZero();
        assertThat(server.get("/api/jobs/" + job + "/readings").json()).isEqualTo(before);

        String line = stop.path("lineId").asString();
        String plain = "time;line;station_m;value\n2026-05-03 10:15;" + line + ";20;6,2\n2026-05-03T10:20:00Z;" + line
                + ";99999;6.1\n2026-05-03 10:30;" + line + ";40;5400\n3 May;" + line + ";40;5.4\n2026-05-03 10:40;"
                + line
                + ";60;-0.0\n";
        JsonNode first = table(plain);
        assertThat(first.path("stored").asInt()).isEqualTo(2);
        assertThat(first.path("problems").size()).isEqualTo(3);
        assertThat(first.path("problems").get(0).path("path").asString()).isEqualTo("row 3");
        assertThat(first.path("problems").toString())
                .contains("beyond")
                .contains("between 0 and 20 kV")
                .contains("is no time");
        JsonNode again = table(plain);
        assertThat(again.path("stored").asInt()).isZero();
        assertThat(again.path("known").asInt()).isEqualTo(2);
        JsonNode all = server.get("/api/jobs/" + job + "/readings").json();
        assertThat(all.size()).isEqualTo(6);
        // A quarter past ten in Dublin in summer; a zero below zero is zero.
        assertThat(all.toString()).contains("2026-05-03T09:15:00Z").doesNotContain("-0.0");
    }

    /** A clock a year behind is kept and doubted; one a year ahead is refused. */
    @Test
    void clocksWrongByAYear() {
        JsonNode stop = commissioning().path("round").path("stops").get(0);
        ObjectNode behind =
                observed(spot(stop, "energizer"), voltage("PEAK", 0, 6100), "").put("takenAt", "2019-05-02T10:00:00Z");
        ObjectNode ahead =
                observed(spot(stop, "energizer"), voltage("PEAK", 0, 6100), "").put("takenAt", "2099-05-02T10:00:00Z");
        JsonNode answer = server.post(
                        "/api/jobs/" + job + "/readings",
                        Json.MAPPER.createArrayNode().add(behind).add(ahead))
                .json();
        assertThat(answer.path("refused").size()).isEqualTo(1);
        assertThat(answer.path("refused").get(0).path("message").asString()).contains("clock");
        assertThat(answer.path("doubts").size()).isEqualTo(1);
        assertThat(answer.path("doubts").get(0).path("id").asString())
                .isEqualTo(behind.path("id").asString());
    }
}
