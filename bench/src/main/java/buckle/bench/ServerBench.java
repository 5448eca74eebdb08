package buckle.bench;

import buckle.exchange.Json;
import buckle.exchange.prices.PriceTable;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.net.ServerSocket;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.locks.LockSupport;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * A running Buckle with 20 clients at heavy work, beside whom one person saves a plan and one writes down readings; and its yard of
 * 2,000 jobs. Started by the script in a folder of its own, or one that runs already, by its address.
 */
final class ServerBench {
    private static final int CLIENTS = 20;
    private static final int JOBS = 2000;
    private static final int BOOK = 50_000;
    private static final long LOAD_MS = 40_000;

    private final Client client;
    private final AtomicBoolean over = new AtomicBoolean();
    private final Map<String, List<Double>> ms = new ConcurrentHashMap<>();
    private final Map<String, Integer> failures = new ConcurrentHashMap<>();

    private ServerBench(String url) {
        this.client = new Client(url);
    }

    static void run(String[] args) throws IOException, InterruptedException {
        if (args.length > 2 && args[2].equals("prices")) {
            new ServerBench(args[1]).prices();
            return;
        }
        if (args.length > 1) {
            new ServerBench(args[1]).measure();
            return;
        }
        onOneStarted(url -> new ServerBench(url).measure());
    }

    /** What is measured of a server. */
    interface Measure {
        void of(String url) throws IOException, InterruptedException;
    }

    /** Starts one with a data folder of its own, and stops it. */
    static void onOneStarted(Measure measure) throws IOException, InterruptedException {
        Path data = Files.createTempDirectory("buckle-bench-");
        int port;
        try (ServerSocket free = new ServerSocket(0)) {
            port = free.getLocalPort();
        }
        Process script = new ProcessBuilder(
                        "./buckle", "start", "--port", String.valueOf(port), "--data", data.toString())
                .redirectError(ProcessBuilder.Redirect.INHERIT)
                .start();
        // Also when the benchmark itself is ended.
        Runtime.getRuntime().addShutdownHook(new Thread(script::destroy));
        try (BufferedReader said =
                new BufferedReader(new InputStreamReader(script.getInputStream(), StandardCharsets.UTF_8))) {
            said.readLine();
            measure.of("http://127.0.0.1:" + port);
        } finally {
            script.destroy();
            script.waitFor();
            delete(data);
        }
    }

    private static void delete(Path folder) throws IOException {
        try (Stream<Path> all = Files.walk(folder)) {
            for (Path one : all.sorted(Comparator.reverseOrder()).toList()) {
                Files.delete(one);
            }
        }
    }

    private void measure() throws IOException, InterruptedException {
        String ring = client.open("demo/orchard-ring.geojson");
        String paddocks = client.open("demo/alpaca-paddocks.geojson");
        load(ring, paddocks);
        report("20 clients at heavy work", List.of("plan save", "reading"), 300);
        yard(ring);
        prices();
    }

    /** A list of 50,000 items taken over through HTTP into the database, then searched. */
    private void prices() throws IOException, InterruptedException {
        takeOver("a list of 5,000 items first", PriceBench.list(BOOK / 10));
        takeOver("price list of 50,000 items", PriceBench.list(BOOK));
        report("price book, the code still cold at first", List.of("price list of 50,000 items"), 5000);
        Random random = new Random(5);
        for (int i = 0; i < 300; i++) {
            String words = i % 3 == 0 ? "k-" + random.nextInt(BOOK) : "supplier%201%20item%20" + random.nextInt(1000);
            timed(
                    "price book, search",
                    client.request("/api/price-book?search=" + words).build());
        }
        report(BOOK + " items", List.of("price book, search"), 30);
    }

    private void timed(String name, HttpRequest request) {
        long began = System.nanoTime();
        try {
            HttpResponse<byte[]> answer = client.http().send(request, BodyHandlers.ofByteArray());
            if (answer.statusCode() >= 400) {
                failures.merge(name + " " + answer.statusCode(), 1, Integer::sum);
                return;
            }
        } catch (IOException e) {
            failures.merge(name + " " + e, 1, Integer::sum);
            return;
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
        ms.computeIfAbsent(name, k -> Collections.synchronizedList(new ArrayList<>()))
                .add((System.nanoTime() - began) / 1e6);
    }

    private HttpRequest post(String path, Object body) {
        return client.request(path)
                .header("Content-Type", "application/json")
                .POST(BodyPublishers.ofByteArray(Json.MAPPER.writeValueAsBytes(body)))
                .build();
    }

    private void load(String ring, String paddocks) throws IOException, InterruptedException {
        ObjectNode design = order(paddocks);
        design.putArray("readings");
        List<Thread> threads = new ArrayList<>();
        for (int c = 0; c < CLIENTS; c++) {
            Random random = new Random(c);
            threads.add(Thread.ofPlatform().start(() -> client(random, design, paddocks)));
        }
        threads.add(Thread.ofPlatform().start(() -> saves(ring)));
        threads.add(Thread.ofPlatform().start(() -> readings(ring)));
        LockSupport.parkNanos(LOAD_MS * 1_000_000);
        over.set(true);
        for (Thread thread : threads) {
            thread.join();
        }
    }

    private ObjectNode order(String job) throws IOException, InterruptedException {
        ObjectNode order = Json.MAPPER.createObjectNode();
        order.set("plan", client.get("/api/jobs/" + job + "/plan").path("plan"));
        order.set(
                "land",
                Json.parse(
                        "{\"features\":[],\"spotHeights\":[],\"grid\":null,\"declinationDeg\":null,\"underlays\":[],\"tapes\":[]}"
                                .getBytes(StandardCharsets.UTF_8)));
        return order;
    }

    /** Each with a corner of its own somewhere else, so that nothing is known already. */
    private void client(Random random, ObjectNode design, String paddocks) {
        while (!over.get()) {
            ObjectNode mine = design.deepCopy();
            var at = (tools.jackson.databind.node.ArrayNode) mine.at("/plan/site/lines/0/corners/0/at");
            at.set(0, at.get(0).asDouble() + random.nextInt(1000) * 1e-8);
            switch (random.nextInt(4)) {
                case 0 -> timed("design", post("/api/design", mine));
                case 1 -> {
                    mine.remove("readings");
                    timed("full pulse", post("/api/electrics", electrics(mine)));
                }
                case 2 ->
                    timed(
                            "set-out sheet, PDF",
                            client.request("/api/jobs/" + paddocks + "/set-out.pdf")
                                    .build());
                default -> timed("yard", client.request("/api/jobs").build());
            }
        }
    }

    private static ObjectNode electrics(ObjectNode order) {
        ObjectNode asked = Json.MAPPER.createObjectNode();
        asked.set("plan", order.path("plan"));
        asked.set("land", order.path("land"));
        asked.set("trial", Json.MAPPER.valueToTree(buckle.circuit.Trial.NONE));
        asked.set("parts", Json.MAPPER.valueToTree(buckle.circuit.Electrics.Part.ALL));
        return asked.putNull("held");
    }

    private void saves(String job) {
        try {
            String stretch = UUID.randomUUID().toString();
            while (!over.get()) {
                JsonNode state = client.get("/api/jobs/" + job + "/plan");
                ObjectNode save = Json.MAPPER
                        .createObjectNode()
                        .put("baseSaveNo", state.path("saveNo").asLong())
                        .put("stretch", stretch)
                        .put("label", "");
                save.set("plan", state.path("plan"));
                timed(
                        "plan save",
                        client.request("/api/jobs/" + job + "/plan")
                                .header("Content-Type", "application/json")
                                .PUT(BodyPublishers.ofByteArray(Json.MAPPER.writeValueAsBytes(save)))
                                .build());
                LockSupport.parkNanos(150_000_000);
            }
        } catch (IOException | InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    private void readings(String job) {
        while (!over.get()) {
            String reading = """
                    [{"id":"%s","at":{"testPointId":null,"lineId":"line-1","stationM":1.0,"place":[0.8861,44.1371]},
                    "what":{"kind":"PEAK","wire":0,"peakV":6100.0,"overRange":false,"rangeV":null},"meter":null,"weather":"DRY",
                    "growth":"CLEAN","openSwitches":null,"takenAt":"2026-05-06T07:08:09Z","takenBy":"Mara","note":"","corrects":null}]
                    """.formatted(UUID.randomUUID());
            timed(
                    "reading",
                    post("/api/jobs/" + job + "/readings", Json.parse(reading.getBytes(StandardCharsets.UTF_8))));
            LockSupport.parkNanos(150_000_000);
        }
    }

    private void report(String title, List<String> goals, double goalMs) {
        System.out.println(title + ":");
        new TreeMap<>(ms).forEach((name, all) -> {
            List<Double> sorted = all.stream().sorted().toList();
            double p95 = sorted.get((int) (0.95 * (sorted.size() - 1)));
            System.out.printf(
                    Locale.ROOT,
                    "  %-28s %5d times, median %7.0f ms, p95 %7.0f ms%s%n",
                    name,
                    sorted.size(),
                    sorted.get(sorted.size() / 2),
                    p95,
                    goals.contains(name)
                            ? " (goal: p95 under " + (int) goalMs + " ms) " + (p95 < goalMs ? "met" : "MISSED")
                            : "");
        });
        System.out.println("  refused or failed: " + (failures.isEmpty() ? "none" : failures));
        ms.clear();
        failures.clear();
    }

    private void yard(String ring) throws IOException, InterruptedException {
        ObjectNode copy = Json.MAPPER.createObjectNode().put("template", false);
        for (int i = 0; i < JOBS; i++) {
            copy.put("name", "Job " + i + (i % 7 == 0 ? " creek" : ""));
            client.http().send(post("/api/jobs/" + ring + "/copy", copy), BodyHandlers.discarding());
        }
        for (int i = 0; i < 30; i++) {
            timed("yard, summaries under way", client.request("/api/jobs").build());
            LockSupport.parkNanos(50_000_000);
        }
        while (!upToDate()) {
            LockSupport.parkNanos(500_000_000);
        }
        for (int i = 0; i < 60; i++) {
            timed("yard, first page", client.request("/api/jobs").build());
            timed(
                    "yard, search",
                    client.request("/api/jobs?search=creek&sort=NAME").build());
            timed(
                    "yard, page 30",
                    client.request("/api/jobs?page=30&sort=LENGTH").build());
        }
        report(JOBS + " jobs", List.of("yard, first page"), 100);
    }

    private void takeOver(String name, byte[] list) throws IOException, InterruptedException {
        int revision = client.get("/api/price-book?limit=0").path("revision").asInt();
        String columns = PriceTable.inOrder().stream().map(String::valueOf).collect(Collectors.joining(","));
        timed(
                name,
                client.request("/api/price-book/import?mode=REPLACE&baseRevision=" + revision + "&columns=" + columns)
                        .header("Content-Type", "application/octet-stream")
                        .POST(BodyPublishers.ofByteArray(list))
                        .build());
    }

    private boolean upToDate() throws IOException, InterruptedException {
        for (int page = 0; page * 200 < JOBS; page++) {
            for (JsonNode job : client.get("/api/jobs?size=200&page=" + page).path("jobs")) {
                if (!job.path("upToDate").asBoolean(true)) {
                    return false;
                }
            }
        }
        return true;
    }
}
