package buckle.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import buckle.exchange.Json;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.net.InetAddress;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicLong;
import java.util.concurrent.locks.LockSupport;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Server and database are killed while people save, read and open jobs. What was acknowledged is there afterwards, once; what was not
 * is sent again until it is, as the interface does; and Buckle heals without anybody's help. {@code -Dstorm=true} makes it longer.
 */
class StormTest {
    private static final boolean LONG = Boolean.getBoolean("storm");
    private static final int KILLS = LONG ? 18 : 6;
    private static final int WRITERS = 4;
    private static final int METER_LOT = 20;
    private static final long HEALED_WITHIN_MS = 180_000;
    private static final Duration MOST = Duration.ofSeconds(15);
    private static final Duration STORED_WITHIN = Duration.ofSeconds(60);

    private final HttpClient http =
            HttpClient.newBuilder().connectTimeout(Duration.ofSeconds(5)).build();
    private final AtomicBoolean over = new AtomicBoolean();
    private final AtomicInteger sent = new AtomicInteger();
    private final AtomicInteger acknowledged = new AtomicInteger();
    private final AtomicInteger again = new AtomicInteger();
    private final AtomicLong slowestMs = new AtomicLong();
    private final ConcurrentLinkedQueue<String> wrong = new ConcurrentLinkedQueue<>();
    /** Times of what a meter was told is stored. */
    private final Set<Instant> meterLines = Collections.synchronizedSet(new LinkedHashSet<>());

    private volatile String meterJob = "";
    private String url = "";

    /** What one writer was told is stored. */
    private static final class Written {
        final List<String> jobs = new ArrayList<>();
        final List<String> readings = new ArrayList<>();
        String job = "";
        String lastName = "";
    }

    @Test
    void whatWasAcknowledgedOutlivesEveryKill() throws Exception {
        Path data = Buckle.folder("storm");
        long seed = Long.getLong("buckle.seed", 21L);
        Random random = new Random(seed);
        try (Buckle buckle = Buckle.start("start", data)) {
            url = buckle.url;
            List<Written> written = new ArrayList<>();
            List<Thread> writers = new ArrayList<>();
            for (int i = 0; i < WRITERS; i++) {
                Written mine = new Written();
                written.add(mine);
                writers.add(Thread.ofPlatform().start(() -> write(mine)));
            }
            Thread meter = Thread.ofPlatform().start(() -> measure(written));
            writers.add(meter);
            long slowestHealMs = 0;
            for (int kill = 0; kill < KILLS; kill++) {
                awaitStored(METER_LOT);
                pause(1500 + random.nextInt(1500));
                kill(data, kill % 3);
                slowestHealMs = Math.max(slowestHealMs, healed());
            }
            awaitStored(METER_LOT);
            over.set(true);
            for (Thread writer : writers) {
                writer.join(60_000);
                assertThat(writer.isAlive()).as("a writer came to its end").isFalse();
            }
            int lost = 0;
            int doubled = 0;
            for (Written w : written) {
                int[] flaws = check(w);
                lost += flaws[0];
                doubled += flaws[1];
            }
            int[] ofMeter = checkMeter();
            lost += ofMeter[0];
            doubled += ofMeter[1];
            System.out.printf(
                    "storm, seed %d: %d kills, %d requests, %d acknowledged writes, %d lines of a meter, %d sent again, lost %d, doubled %d, slowest answer %d"
                            + " ms, slowest healing %d ms, other failures %d%n",
                    seed,
                    KILLS,
                    sent.get(),
                    acknowledged.get(),
                    meterLines.size(),
                    again.get(),
                    lost,
                    doubled,
                    slowestMs.get(),
                    slowestHealMs,
                    wrong.size());
            assertThat(wrong.stream().limit(5)).isEmpty();
            assertThat(lost).as("lost").isZero();
            assertThat(doubled).as("doubled").isZero();
            assertThat(acknowledged.get()).isGreaterThan(KILLS * METER_LOT);
            assertThat(meterLines).hasSizeGreaterThan(KILLS * METER_LOT);
            assertThat(buckle.stop()).isTrue();
        }
        assertThat(processesOf(data)).isEmpty();
    }

    /** Until so much more of what writers and the meter send is stored: with other tests beside it a start leaves little time before the next kill. */
    private void awaitStored(int more) {
        int writes = acknowledged.get() + more;
        int lines = meterLines.size() + more;
        long began = System.nanoTime();
        while ((acknowledged.get() < writes || meterLines.size() < lines)
                && System.nanoTime() - began < STORED_WITHIN.toNanos()) {
            pause(50);
        }
    }

    private static void pause(long ms) {
        LockSupport.parkNanos(ms * 1_000_000);
    }

    /** 0 the server, 1 the database, 2 both. */
    private static void kill(Path data, int which) throws IOException, InterruptedException {
        List<String> victims = new ArrayList<>();
        if (which != 1) {
            ProcessHandle.allProcesses()
                    .filter(p -> p.info().commandLine().orElse("").contains("buckle-app.jar"))
                    .filter(p -> parentIsOf(p, data))
                    .forEach(p -> victims.add(String.valueOf(p.pid())));
        }
        if (which != 0) {
            victims.add(postmaster(data));
        }
        List<String> command = new ArrayList<>(List.of("kill", "-9"));
        command.addAll(victims);
        new ProcessBuilder(command).start().waitFor();
    }

    private static boolean parentIsOf(ProcessHandle process, Path data) {
        return process.parent()
                .map(p -> p.info().commandLine().orElse("").contains(data.toString()))
                .orElse(false);
    }

    private static String postmaster(Path data) throws IOException, InterruptedException {
        return shell("head -n 1 '" + data + "/pg/postmaster.pid'").strip();
    }

    private static String shell(String command) throws IOException, InterruptedException {
        Process process = new ProcessBuilder("bash", "-c", command).start();
        String said = new String(process.getInputStream().readAllBytes());
        process.waitFor();
        return said;
    }

    private static List<String> processesOf(Path data) {
        return ProcessHandle.allProcesses()
                .map(p -> p.info().commandLine().orElse(""))
                .filter(line -> line.contains(data.toString()))
                .toList();
    }

    /** How long it took until Buckle said that it is ready; it must have noticed first. */
    private long healed() throws InterruptedException {
        long began = System.nanoTime();
        boolean ready = false;
        int inARow = 0;
        while ((System.nanoTime() - began) / 1_000_000 < HEALED_WITHIN_MS && inARow < 3) {
            pause(150);
            try {
                HttpResponse<String> health = http.send(
                        HttpRequest.newBuilder(URI.create(url + "/api/health"))
                                .timeout(MOST)
                                .build(),
                        BodyHandlers.ofString());
                ready = health.statusCode() == 200;
            } catch (IOException e) {
                ready = false;
            }
            inARow = ready ? inARow + 1 : 0;
        }
        assertThat(ready).as("healed").isTrue();
        return (System.nanoTime() - began) / 1_000_000;
    }

    /** Opens a job, and then renames it, saves its plan and adds readings in turn; each request is repeated until it is answered. */
    private void write(Written mine) {
        try {
            mine.job = newJob(mine);
            for (int n = 0; !over.get(); n++) {
                switch (n % 3) {
                    case 0 -> newJob(mine);
                    case 1 -> reading(mine);
                    default -> save(mine, "Line of save " + n);
                }
            }
        } catch (RuntimeException e) {
            wrong.add(e.toString());
        }
    }

    /** A meter that sends in lots, connects again when it is let go, and sends again what was not answered as stored. */
    private void measure(List<Written> written) {
        while (!over.get() && written.stream().allMatch(w -> w.lastName.isEmpty())) {
            pause(50);
        }
        meterJob = written.stream()
                .filter(w -> !w.lastName.isEmpty())
                .map(w -> w.job)
                .findFirst()
                .orElse("");
        Instant begun = Instant.parse("2026-05-06T08:00:00Z");
        for (int lot = 0; !over.get(); lot++) {
            Set<Instant> left = new LinkedHashSet<>();
            for (int i = 0; i < METER_LOT; i++) {
                left.add(begun.plusSeconds((long) lot * METER_LOT + i));
            }
            for (boolean first = true; !left.isEmpty() && (first || !over.get()); first = false) {
                if (!first) {
                    again.incrementAndGet();
                    pause(100);
                }
                try {
                    sendLines(left);
                } catch (IOException e) {
                    // Let go, or nobody is there yet; it is sent again.
                    pause(50);
                }
            }
        }
    }

    private void sendLines(Set<Instant> left) throws IOException {
        try (Socket socket =
                new Socket(InetAddress.getLoopbackAddress(), URI.create(url).getPort() + 1)) {
            socket.setSoTimeout((int) MOST.toMillis());
            List<Instant> lines = List.copyOf(left);
            StringBuilder text = new StringBuilder("buckle 1 job=" + meterJob + " meter=storm by=Mara\n");
            lines.forEach(t -> text.append(t).append(" line=line-1 at=10 kv=6.1\n"));
            socket.getOutputStream().write(text.toString().getBytes(StandardCharsets.UTF_8));
            socket.getOutputStream().flush();
            BufferedReader in =
                    new BufferedReader(new InputStreamReader(socket.getInputStream(), StandardCharsets.UTF_8));
            String greeted = String.valueOf(in.readLine());
            if (!greeted.equals("ok buckle 1")) {
                return;
            }
            for (int i = 0; i < lines.size(); i++) {
                String answer = in.readLine();
                if (answer == null) {
                    return;
                }
                String[] words = answer.split(" ");
                Instant of = lines.get(Integer.parseInt(words[1]) - 1);
                if (words[0].equals("ok")) {
                    left.remove(of);
                    meterLines.add(of);
                } else if (!words[2].equals("store.away")) {
                    wrong.add("meter: " + answer);
                }
            }
        }
    }

    private int[] checkMeter() {
        int lost = 0;
        int doubled = 0;
        List<String> stored = new ArrayList<>();
        JsonNode readings = untilAnswered("GET", "/api/jobs/" + meterJob + "/readings", null, 200);
        if (readings != null) {
            readings.forEach(r -> stored.add(
                    r.path("meter").asString("").equals("storm")
                            ? r.path("takenAt").asString()
                            : ""));
        }
        for (Instant line : meterLines) {
            long times = stored.stream().filter(t -> t.equals(line.toString())).count();
            lost += times == 0 ? 1 : 0;
            doubled += times > 1 ? 1 : 0;
        }
        return new int[] {lost, doubled};
    }

    private String newJob(Written mine) {
        String id = UUID.randomUUID().toString();
        ObjectNode job = Json.MAPPER
                .createObjectNode()
                .put("name", "Storm " + id)
                .put("client", "")
                .put("property", "")
                .put("id", id);
        if (untilAnswered("POST", "/api/jobs", job.toString(), 201) != null) {
            mine.jobs.add(id);
        }
        return id;
    }

    private void reading(Written mine) {
        String id = UUID.randomUUID().toString();
        String body = """
                [{"id":"%s","at":{"testPointId":null,"lineId":"line-1","stationM":1.0,"place":[1.0,44.0]},
                "what":{"kind":"PEAK","wire":0,"peakV":6100.0,"overRange":false,"rangeV":null},"meter":null,"weather":"DRY",
                "growth":"CLEAN","openSwitches":null,"takenAt":"2026-05-06T07:08:09Z","takenBy":"Mara","note":"","corrects":null}]
                """.formatted(id);
        if (untilAnswered("POST", "/api/jobs/" + mine.job + "/readings", body, 200) != null) {
            mine.readings.add(id);
        }
    }

    /** On the number the server says; the name of the line says which save it was. */
    private void save(Written mine, String name) {
        JsonNode state = untilAnswered("GET", "/api/jobs/" + mine.job + "/plan", null, 200);
        if (state == null) {
            return;
        }
        ObjectNode plan = (ObjectNode) state.path("plan").deepCopy();
        ((ObjectNode) plan.path("site")).set("lines", Json.parse(("""
                [{"id":"line-1","name":"%s","closed":false,"corners":[{"id":"c1","at":[1.0,44.0]},{"id":"c2","at":[1.001,44.0]}],
                "gates":[],"cutOuts":[],"ground":[],"survey":null,"startsOn":null,"endsOn":null}]
                """.formatted(name)).getBytes()));
        ObjectNode save = Json.MAPPER
                .createObjectNode()
                .put("baseSaveNo", state.path("saveNo").asLong())
                .put("stretch", UUID.randomUUID().toString())
                .put("label", "");
        save.set("plan", plan);
        if (untilAnswered("PUT", "/api/jobs/" + mine.job + "/plan", save.toString(), 200) != null) {
            mine.lastName = name;
        }
    }

    /** As the interface does: what is not answered, or answered that the database is away, is sent again. Null at the end of the storm. */
    private JsonNode untilAnswered(String method, String path, String body, int expected) {
        for (boolean first = true; ; first = false) {
            if (!first) {
                again.incrementAndGet();
            }
            HttpRequest request = HttpRequest.newBuilder(URI.create(url + path))
                    .timeout(MOST)
                    .header("Content-Type", "application/json")
                    .method(method, body == null ? BodyPublishers.noBody() : BodyPublishers.ofString(body))
                    .build();
            long began = System.nanoTime();
            sent.incrementAndGet();
            try {
                HttpResponse<byte[]> answer = http.send(request, BodyHandlers.ofByteArray());
                if (answer.statusCode() == expected) {
                    if (body != null) {
                        acknowledged.incrementAndGet();
                    }
                    return Json.parse(answer.body());
                }
                if (answer.statusCode() != 503) {
                    wrong.add(method + " " + path + ": " + answer.statusCode() + " " + new String(answer.body()));
                    return null;
                }
            } catch (IOException e) {
                // Killed; it is sent again.
                pause(50);
            } catch (InterruptedException e) {
                throw new IllegalStateException(e);
            } finally {
                slowestMs.accumulateAndGet((System.nanoTime() - began) / 1_000_000, Math::max);
            }
            if (over.get() && !first) {
                return null;
            }
            pause(100);
        }
    }

    /** How many of what was acknowledged are gone, and how many are there twice. */
    private int[] check(Written mine) {
        int lost = 0;
        int doubled = 0;
        for (String id : mine.jobs) {
            JsonNode found = untilAnswered("GET", "/api/jobs?search=" + id, null, 200);
            int times = found == null ? 0 : found.path("total").asInt();
            lost += times == 0 ? 1 : 0;
            doubled += times > 1 ? 1 : 0;
        }
        List<String> stored = new ArrayList<>();
        JsonNode readings = untilAnswered("GET", "/api/jobs/" + mine.job + "/readings", null, 200);
        if (readings != null) {
            readings.forEach(r -> stored.add(r.path("id").asString()));
        }
        for (String id : mine.readings) {
            long times = stored.stream().filter(id::equals).count();
            lost += times == 0 ? 1 : 0;
            doubled += times > 1 ? 1 : 0;
        }
        JsonNode plan = untilAnswered("GET", "/api/jobs/" + mine.job + "/plan", null, 200);
        String name = plan == null ? "" : plan.at("/plan/site/lines/0/name").asString("");
        lost += mine.lastName.isEmpty() || name.equals(mine.lastName) ? 0 : 1;
        JsonNode revisions = untilAnswered("GET", "/api/jobs/" + mine.job + "/revisions", null, 200);
        if (revisions != null) {
            for (JsonNode revision : revisions) {
                doubled += revision.path("aside").asBoolean() ? 1 : 0;
            }
        }
        return new int[] {lost, doubled};
    }

    /** The folder of a Buckle whose every process was killed at once starts in one try. */
    @Test
    void afterEverythingWasKilledOneStartIsEnough() throws Exception {
        Path data = Buckle.folder("killed");
        Buckle first = Buckle.start("start", data);
        String id = UUID.randomUUID().toString();
        url = first.url;
        assertThat(untilAnswered(
                        "POST",
                        "/api/jobs",
                        "{\"name\":\"Kept\",\"client\":\"\",\"property\":\"\",\"id\":\"" + id + "\"}",
                        201))
                .isNotNull();
        String postmaster = postmaster(data);
        shell("pkill -9 -f '" + data + "'; kill -9 " + postmaster
                + "; for p in /proc/[0-9]*; do [ \"$(readlink $p/cwd)\" = '" + data
                + "/pg' ] && kill -9 ${p#/proc/}; done");
        // Its number may be anybody's by now.
        if (Files.isWritable(data.resolve("pg"))) {
            shell("sed -i '1s/.*/" + ProcessHandle.current().pid() + "/' '" + data + "/pg/postmaster.pid'");
        }
        try (Buckle again = Buckle.start("start", data)) {
            url = again.url;
            assertThat(untilAnswered("GET", "/api/jobs/" + id, null, 200)).isNotNull();
        }
        assertNothingRuns(data);
    }

    /** What watches over the script sees within a moment that it has ended. */
    private static void assertNothingRuns(Path data) throws Exception {
        for (int i = 0; i < 200 && !processesOf(data).isEmpty(); i++) {
            pause(100);
        }
        assertThat(processesOf(data)).isEmpty();
    }

    /** The script alone is killed: what it started ends by itself, and nothing of it is left. */
    @Test
    void aKilledScriptLeavesNothingRunning() throws Exception {
        Path data = Buckle.folder("orphans");
        Buckle.start("start", data);
        String script = Files.readString(data.resolve("buckle.pid")).strip();
        assertThat(shell("pgrep -f -- '--buckle.parent=" + script + " '"))
                .as("the server")
                .isNotBlank();
        shell("kill -9 " + script);
        assertNothingRuns(data);
        assertThat(shell("pgrep -f -- '--buckle.parent=" + script + " '"))
                .as("the server")
                .isEmpty();
    }
}
