package buckle.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Meters that send by themselves, over TCP. */
class MeterTest {
    private final Server server = Server.get();
    private final String job = server.openDemo("orchard-ring.geojson");
    private final String readings = "/api/jobs/" + job + "/readings";

    private Socket connect() throws IOException {
        int port = server.get("/api/meter").json().path("port").asInt();
        assertThat(port).isPositive();
        Socket socket = new Socket(InetAddress.getLoopbackAddress(), port);
        socket.setSoTimeout(20_000);
        return socket;
    }

    private String greeting(String meter) {
        return "buckle 1 job=" + job + " meter=" + meter + " by=Mara\n";
    }

    private static BufferedReader answers(Socket socket) throws IOException {
        return new BufferedReader(new InputStreamReader(socket.getInputStream(), StandardCharsets.UTF_8));
    }

    private static void say(Socket socket, String text) throws IOException {
        OutputStream out = socket.getOutputStream();
        out.write(text.getBytes(StandardCharsets.UTF_8));
        out.flush();
    }

    /** Sends lines after a greeting and returns what each was answered. */
    private List<String> exchange(String meter, List<String> lines) throws IOException {
        try (Socket socket = connect()) {
            say(socket, greeting(meter) + String.join("\n", lines) + "\n");
            BufferedReader in = answers(socket);
            assertThat(in.readLine()).isEqualTo("ok buckle 1");
            List<String> all = new ArrayList<>();
            for (int i = 0; i < lines.size(); i++) {
                all.add(String.valueOf(in.readLine()));
            }
            all.sort((a, b) -> Integer.compare(number(a), number(b)));
            return all;
        }
    }

    private static int number(String answer) {
        return Integer.parseInt(answer.split(" ")[1]);
    }

    private JsonNode stored() {
        return server.get(readings).json();
    }

    /** One line may hold kV and A; each becomes a reading; sent twice it is stored once. */
    @Test
    void aLineIsStoredOnceWithAllItSays() throws IOException {
        List<String> lines = List.of(
                "2026-05-02T09:30:00Z line=line-1 at=60.5 kv=6.1 a=3.2 to=finish weather=damp open=cut-1,cut-2 note=\"by the oak\"",
                "2026-05-02T09:31:00Z point=energizer kv=9.9 over=yes",
                "2026-05-02T09:32:00+02:00 line=line-1 at=61 wire=2 unpowered_kv=0.3");
        assertThat(exchange("m1", lines)).containsExactly("ok 1", "ok 2", "ok 3");
        assertThat(exchange("m1", lines)).containsExactly("ok 1", "ok 2", "ok 3");
        JsonNode all = stored();
        assertThat(all).hasSize(4);
        JsonNode peak = null;
        for (JsonNode r : all) {
            peak = r.path("what").path("kind").asString().equals("PEAK")
                            && r.path("at").path("stationM").asDouble() == 60.5
                    ? r
                    : peak;
        }
        assertThat(peak).isNotNull();
        assertThat(peak.path("what").path("peakV").asDouble()).isEqualTo(6100);
        assertThat(peak.path("weather").asString()).isEqualTo("DAMP");
        assertThat(peak.path("note").asString()).isEqualTo("by the oak");
        assertThat(peak.path("meter").asString()).isEqualTo("m1");
        assertThat(peak.path("openSwitches")).hasSize(2);
        assertThat(all)
                .anyMatch(r -> r.path("what").path("kind").asString().equals("CURRENT")
                        && r.path("what").path("direction").asString().equals("TOWARDS_FINISH"));
        assertThat(all).anyMatch(r -> r.path("what").path("overRange").asBoolean(false));
    }

    /** What is no reading is answered with why, line by line, and the good ones beside it are stored. */
    @Test
    void garbageIsAnsweredAndNothingElseSuffers() throws IOException {
        String year = "2027-12-02T09:30:00Z line=line-1 at=60 kv=6.1";
        List<String> answered = exchange(
                "m2",
                List.of(
                        "2026-05-02T09:30:00Z line=line-1 at=60 kv=6.1",
                        "\u0000\u0001\u0002 rubbish \uFFFD",
                        "x".repeat(1_000_000),
                        year,
                        "2026-05-02T09:30:00Z line=line-1 at=6000 kv=6.1",
                        "2026-05-02T09:30:00Z line=line-1 at=60 kv=6100",
                        "2026-05-02T09:30:00Z line=line-1 at=60",
                        "2026-05-02T09:30:00Z line=line-1 at=60 kv=6,1",
                        "2026-05-02T09:30:00Z lon=10 lat=50 kv=6.1",
                        "2026-05-02T09:30:01Z line=line-1 at=60 kv=6.2"));
        assertThat(answered.getFirst()).isEqualTo("ok 1");
        assertThat(answered.getLast()).isEqualTo("ok 10");
        assertThat(answered.subList(1, 9)).allMatch(a -> a.startsWith("no "));
        assertThat(answered.get(2)).contains("1,000 characters");
        assertThat(answered.get(3)).contains("Check the clock");
        assertThat(answered.get(4)).contains("runs from 0 to");
        assertThat(answered.get(5)).contains("20 kV");
        assertThat(stored()).hasSize(2);
    }

    @Test
    void whoDoesNotGreetIsSentAway() throws IOException {
        for (String first : List.of(
                "hello",
                "buckle 1 job=none by=x",
                "buckle 1 job=" + java.util.UUID.randomUUID() + " by=x",
                "buckle 1 job=" + job)) {
            try (Socket socket = connect()) {
                say(socket, first + "\n2026-05-02T09:30:00Z line=line-1 at=60 kv=6.1\n");
                BufferedReader in = answers(socket);
                assertThat(in.readLine()).startsWith("no ");
            }
        }
        assertThat(stored()).isEmpty();
    }

    /** Who says all at once and closes that side, as the usual tools do, is still answered line by line. */
    @Test
    void whoHasSaidAllIsStillAnswered() throws IOException {
        try (Socket socket = connect()) {
            StringBuilder all = new StringBuilder(greeting("m4"));
            for (int i = 10; i < 40; i++) {
                all.append("2026-05-02T09:30:").append(i).append("Z line=line-1 at=60 kv=6.1\n");
            }
            say(socket, all.toString());
            socket.shutdownOutput();
            List<String> answered = answers(socket).lines().toList();
            assertThat(answered).hasSize(31).allMatch(a -> a.startsWith("ok "));
        }
        assertThat(stored()).hasSize(30);
    }

    /** Half a line may mean another number: it is not stored, and was not answered. */
    @Test
    void halfALineIsNotStored() throws Exception {
        try (Socket socket = connect()) {
            say(
                    socket,
                    greeting("m3")
                            + "2026-05-02T09:30:00Z line=line-1 at=60 kv=6.1\n2026-05-02T09:30:01Z line=line-1 at=60 kv=6");
            BufferedReader in = answers(socket);
            in.readLine();
            assertThat(in.readLine()).isEqualTo("ok 1");
        }
        Thread.sleep(300);
        assertThat(stored()).hasSize(1);
    }

    /** Fifty meters at once; every page that listens is shown each reading once. A meter that reads no answer holds nobody up. */
    @Test
    void manyMetersAtOnceAreAllShown() throws Exception {
        int meters = 50;
        int each = 100;
        Socket deaf = connect();
        say(deaf, greeting("deaf"));
        Future<?> deafSends = Executors.newSingleThreadExecutor().submit(() -> {
            for (int i = 0; i < 30_000; i++) {
                say(deaf, "nonsense " + "y".repeat(200) + "\n");
            }
            return null;
        });
        LivePage page = new LivePage(server, job);
        ExecutorService threads = Executors.newVirtualThreadPerTaskExecutor();
        List<Future<List<String>>> all = new ArrayList<>();
        Instant begin = Instant.parse("2026-05-02T09:00:00Z");
        for (int m = 0; m < meters; m++) {
            int meter = m;
            List<String> lines = new ArrayList<>();
            for (int i = 0; i < each; i++) {
                lines.add(begin.plusSeconds(i) + " line=line-1 at=" + (10 + meter) + " kv=" + (5 + i % 10 / 10.0));
            }
            all.add(threads.submit(() -> exchange("meter-" + meter, lines)));
        }
        for (Future<List<String>> one : all) {
            assertThat(one.get(60, TimeUnit.SECONDS)).allMatch(a -> a.startsWith("ok "));
        }
        assertThat(stored()).hasSize(meters * each);
        page.until(p -> p.readings().size() == meters * each);
        assertThat(page.readings().stream().map(r -> r.path("id").asString()))
                .doesNotHaveDuplicates()
                .hasSize(meters * each);
        page.close();
        deaf.close();
        deafSends.cancel(true);
    }

    private ObjectNode order(long seed) {
        ObjectNode o = Server.object()
                .put("seed", seed)
                .put("handedOver", true)
                .put("growth", "LIGHT")
                .put("weather", "DRY")
                .put("hidden", 0)
                .put("onlyWet", false);
        o.putArray("open");
        o.put("round", false).put("since", "2026-05-02T00:00:00Z");
        o.putArray("places").addObject().put("lineId", "line-1").put("stationM", 60.0);
        return o.put("by", "Mara");
    }

    /** The simulated meter reads what the round asks for, over the same wire; a hidden fault shows in what it reads. */
    @Test
    void theSimulatedMeterReadsTheRound() {
        String path = "/api/jobs/" + job + "/simulated-meter";
        ObjectNode round = order(3).put("round", true);
        round.putArray("places");
        JsonNode answer = server.post(path, round).json();
        assertThat(answer.path("refused")).isEmpty();
        assertThat(answer.path("stored").asInt())
                .isEqualTo(answer.path("sent").asInt())
                .isGreaterThan(5);
        assertThat(stored()).allMatch(r -> r.path("meter").asString().contains("simulated"));
        ObjectNode commissioning = server.order(job);
        commissioning.set("readings", stored());
        commissioning.putArray("open");
        JsonNode open = server.post(
                        "/api/electrics/round",
                        commissioning.put("since", "2026-05-02T00:00:00Z").putNull("until"))
                .json();
        assertThat(open.path("open").asInt()).as("the whole round is read").isZero();

        ObjectNode hiding = order(3).put("handedOver", false).put("hidden", 1);
        JsonNode hidden = server.post(path + "/hidden", hiding).json();
        assertThat(hidden).hasSize(1);
        assertThat(hidden).isEqualTo(server.post(path + "/hidden", hiding).json());
        assertThat(server.post(path, order(3).put("hidden", 9)).status()).isEqualTo(422);
        ObjectNode nowhere = order(3);
        ((ObjectNode) nowhere.path("places").get(0)).put("lineId", "line-9");
        assertThat(server.post(path, nowhere).status()).isEqualTo(422);
    }
}
