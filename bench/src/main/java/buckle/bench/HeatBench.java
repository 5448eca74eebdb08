package buckle.bench;

import buckle.exchange.Json;
import java.io.IOException;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.UUID;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** A reading more, and where the fault is then: what the screen waits for before it draws the heat anew. */
final class HeatBench {
    private static final List<String> FILES = List.of("orchard-ring", "alpaca-paddocks", "donkey-winter-track");
    private static final int IN_ORDER = 6;
    private static final int READINGS = 22;
    private static final double GOAL_MS = 300;

    private final Client client;

    private HeatBench(String url) {
        this.client = new Client(url);
    }

    static void run(String[] args) throws IOException, InterruptedException {
        if (args.length > 1) {
            new HeatBench(args[1]).measure();
            return;
        }
        ServerBench.onOneStarted(url -> new HeatBench(url).measure());
    }

    private void measure() throws IOException, InterruptedException {
        List<Double> all = new ArrayList<>();
        // The first round is of a server that has diagnosed nothing yet.
        for (int round = 0; round < 2; round++) {
            for (String file : FILES) {
                List<Double> ms = measured(file, 17 * round);
                report(file + (round == 0 ? ", first asked" : ""), ms);
                if (round > 0) {
                    all.addAll(ms);
                }
            }
        }
        report("all but those first asked", all);
    }

    private List<Double> measured(String file, long seed) throws IOException, InterruptedException {
        String job = client.open("demo/" + file + ".geojson");
        JsonNode plan = client.get("/api/jobs/" + job + "/plan").path("plan");
        JsonNode land = client.get("/api/properties/"
                + client.get("/api/jobs/" + job).path("propertyId").asString() + "/land");
        JsonNode lines = plan.path("site").path("lines");
        Random random = new Random(seed);
        ArrayNode readings = Json.MAPPER.createArrayNode();
        List<Double> ms = new ArrayList<>();
        for (int i = 0; i < IN_ORDER + READINGS; i++) {
            boolean inOrder = i < IN_ORDER;
            JsonNode line = lines.path(random.nextInt(lines.size()));
            readings.add(reading(
                    line,
                    5 + 120 * random.nextDouble(),
                    (inOrder ? 5700 : 3300) + 100 * random.nextInt(3),
                    inOrder ? "2026-05-02T09:00:00Z" : "2026-11-20T09:00:00Z"));
            if (i < IN_ORDER + 2) {
                continue;
            }
            ObjectNode order = Json.MAPPER.createObjectNode();
            order.set("plan", plan);
            order.set("land", land.has("land") ? land.path("land") : land);
            order.set("readings", readings);
            order.put("since", "2026-11-20T00:00:00Z");
            HttpRequest asked = client.request("/api/electrics/faults")
                    .header("Content-Type", "application/json")
                    .POST(BodyPublishers.ofByteArray(Json.MAPPER.writeValueAsBytes(order)))
                    .build();
            long began = System.nanoTime();
            HttpResponse<byte[]> answer = client.http().send(asked, BodyHandlers.ofByteArray());
            ms.add((System.nanoTime() - began) / 1e6);
            if (answer.statusCode() != 200
                    || !Json.parse(answer.body()).path("enough").asBoolean(false)) {
                throw new IllegalStateException(file + " was answered " + answer.statusCode());
            }
        }
        return ms;
    }

    private static ObjectNode reading(JsonNode line, double stationM, double peakV, String at) {
        ObjectNode o = Json.MAPPER.createObjectNode();
        o.put("id", UUID.randomUUID().toString());
        ObjectNode spot = o.putObject("at");
        spot.putNull("testPointId");
        spot.put("lineId", line.path("id").asString());
        spot.put("stationM", stationM);
        spot.set("place", line.path("corners").path(0).path("at"));
        ObjectNode what = o.putObject("what");
        what.put("kind", "PEAK")
                .put("wire", 0)
                .put("peakV", peakV)
                .put("overRange", false)
                .putNull("rangeV");
        o.putNull("meter").put("weather", "DRY").put("growth", "CLEAN").putArray("openSwitches");
        return o.put("takenAt", at).put("takenBy", "bench").put("note", "").putNull("corrects");
    }

    private static void report(String name, List<Double> ms) {
        List<Double> sorted = ms.stream().sorted().toList();
        double p95 = sorted.get((int) Math.ceil(0.95 * sorted.size()) - 1);
        System.out.printf(
                Locale.ROOT,
                "A reading more, %s: median %.0f ms, p95 %.0f ms, goal 300 ms: %s%n",
                name,
                sorted.get(sorted.size() / 2),
                p95,
                p95 < GOAL_MS ? "met" : "missed");
    }
}
