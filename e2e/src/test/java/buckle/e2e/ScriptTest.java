package buckle.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import buckle.exchange.Json;
import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** The script itself: what it says, what it keeps, how it ends. */
class ScriptTest {
    private static final String WALK = Buckle.ROOT
            .resolve("exchange/src/test/resources/walks/orchard-ring-walk.gpx")
            .toString();

    private static int exit(Process process) throws InterruptedException {
        assertThat(process.waitFor(120, TimeUnit.SECONDS)).isTrue();
        return process.exitValue();
    }

    private static String said() throws IOException {
        return Files.readString(Path.of("target", "script.err"));
    }

    @Test
    void aTakenPortIsOneSentence() throws Exception {
        try (ServerSocket taken = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            Process process = Buckle.script(
                    "demo",
                    "--port",
                    String.valueOf(taken.getLocalPort()),
                    "--data",
                    Buckle.folder("taken").toString());
            assertThat(exit(process)).isEqualTo(1);
            assertThat(said().lines().toList())
                    .singleElement()
                    .asString()
                    .contains("Port " + taken.getLocalPort() + " is taken");
        }
    }

    @Test
    void aBrokenDatabaseAndWrongWordsAreOneSentence() throws Exception {
        Path data = Buckle.folder("broken");
        Files.createDirectories(data.resolve("pg"));
        Files.writeString(data.resolve("pg/stray"), "x");
        assertThat(exit(Buckle.script("start", "--port", String.valueOf(Buckle.freePort()), "--data", data.toString())))
                .isEqualTo(1);
        assertThat(said()).contains("is neither empty nor a database").hasLineCount(1);
        assertThat(exit(Buckle.script("frobnicate"))).isEqualTo(1);
        assertThat(said()).contains("There is no command frobnicate");
        assertThat(exit(Buckle.script("demo", "--port", "abc"))).isEqualTo(1);
    }

    @Test
    void computePrintsOneJsonAndNothingElse() throws Exception {
        Path out = Buckle.folder("out");
        Process process = Buckle.script("compute", WALK, "--out", out.toString());
        JsonNode summary = Json.parse(process.getInputStream().readAllBytes());
        assertThat(exit(process)).isZero();
        assertThat(said()).isEmpty();
        assertThat(summary.path("lines").get(0).path("corners").size()).isEqualTo(6);
        assertThat(out.resolve("layout.geojson")).isNotEmptyFile();
        assertThat(out.resolve("takeoff.csv")).isNotEmptyFile();
        Process bad = Buckle.script("compute", Buckle.ROOT.resolve("README.md").toString());
        assertThat(Json.parse(bad.getInputStream().readAllBytes())
                        .path("problems")
                        .size())
                .isPositive();
        assertThat(exit(bad)).isEqualTo(2);
    }

    /** The solver for anybody: peaks as JSON, a netlist beside; a wrong file is a list of problems with their places. */
    @Test
    void circuitPrintsPeaksAndProblems() throws Exception {
        Path network = Buckle.ROOT.resolve("exchange/src/test/resources/circuits/N09.json");
        Path out = Buckle.folder("circuit");
        Path netlist = out.resolve("n09.cir");
        Process process = Buckle.script("circuit", network.toString(), "--spice", netlist.toString());
        JsonNode answer = Json.parse(process.getInputStream().readAllBytes());
        assertThat(exit(process)).isZero();
        assertThat(said()).isEmpty();
        JsonNode given = Json.parse(Files.readAllBytes(network)).path("ngspice").path("peaks");
        assertThat(answer.path("peaks").size()).isEqualTo(given.size());
        for (int i = 0; i < given.size(); i++) {
            JsonNode peak = answer.path("peaks").get(i);
            assertThat(peak.path("run").asString()).isNotEmpty();
            assertThat(peak.path("distance_m").isNumber()).isTrue();
            assertThat(peak.path("t_peak_s").asDouble()).isPositive();
            double theirs = given.get(i).path("peak_V").asDouble();
            assertThat(peak.path("peak_V").asDouble()).isCloseTo(theirs, within(0.01 * theirs));
        }
        for (String key : List.of("frequencies", "window_s", "wall_ms")) {
            assertThat(answer.path("solver").path(key).asDouble()).as(key).isPositive();
        }
        assertThat(netlist).content().contains(".tran");
        Path wrong = out.resolve("wrong.json");
        Files.writeString(
                wrong, Files.readString(network).replaceFirst("\"ohm_per_km\": *[0-9.]+", "\"ohm_per_km\": 0"));
        Process bad = Buckle.script("circuit", wrong.toString());
        JsonNode problems = Json.parse(bad.getInputStream().readAllBytes()).path("problems");
        assertThat(exit(bad)).isEqualTo(2);
        assertThat(problems.get(0).path("path").asString()).startsWith("runs[0]");
    }

    @Test
    void dataOutlivesAStopAndASecondBuckleIsTurnedAway() throws Exception {
        Path data = Buckle.folder("lasting");
        HttpClient http = HttpClient.newHttpClient();
        try (Buckle first = Buckle.start("start", data)) {
            assertThat(Buckle.ROOT.resolve(".buckle/build/server.aot"))
                    .as("the practice run ended in order and left its cache")
                    .isNotEmptyFile();
            HttpRequest make = HttpRequest.newBuilder(URI.create(first.url + "/api/jobs"))
                    .header("Content-Type", "application/json")
                    .POST(HttpRequest.BodyPublishers.ofString("{\"name\":\"Kept\",\"client\":\"\",\"property\":\"\"}"))
                    .build();
            assertThat(http.send(make, BodyHandlers.ofString()).statusCode()).isEqualTo(201);
            Process second =
                    Buckle.script("start", "--port", String.valueOf(Buckle.freePort()), "--data", data.toString());
            assertThat(exit(second)).isEqualTo(1);
            assertThat(said()).contains("Buckle already runs on this data");
            assertThat(first.stop()).isTrue();
        }
        assertThat(data.resolve("buckle.pid")).doesNotExist();
        Files.writeString(data.resolve("schema"), "an older one");
        try (Buckle again = Buckle.start("start", data)) {
            HttpRequest list =
                    HttpRequest.newBuilder(URI.create(again.url + "/api/jobs")).build();
            assertThat(http.send(list, BodyHandlers.ofString()).body()).contains("\"Kept\"");
        }
        try (var backups = Files.list(data.resolve("backups"))) {
            assertThat(backups).as("before tables change the data is backed up").hasSize(1);
        }
    }
}
