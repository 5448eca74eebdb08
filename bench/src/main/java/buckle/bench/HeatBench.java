package buckle.bench;

import static java.nio.charset.StandardCharsets.UTF_8;

import buckle.exchange.Json;
import buckle.site.GeoPoint;
import buckle.site.LocalPlane;
import buckle.site.Stationing;
import java.io.IOException;
import java.net.HttpURLConnection;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.UUID;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * A reading more, and where the fault is then: what the screen waits for before it draws the heat anew, where it said to read next and at
 * places that nobody expected.
 */
final class HeatBench {
    private static final List<String> FILES = List.of("orchard-ring", "alpaca-paddocks", "donkey-winter-track");
    private static final int IN_ORDER = 6;
    private static final int READINGS = 16;
    private static final int MOST_STEPS = 40;
    /** Nobody is at the next place sooner. */
    private static final long WALK_MS = 2000;
    /** From the choice of a place until a number is typed. */
    private static final long TYPING_MS = 1500;

    private static final String NOW = "2026-11-20T09:00:00Z";
    private static final String LATER = "2026-11-20T10:00:00Z";
    /** Places are drawn along the first metres of a line. */
    private static final double MOST_M = 125;

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
        List<Double> walked = new ArrayList<>();
        List<Double> elsewhere = new ArrayList<>();
        List<Double> chosen = new ArrayList<>();
        // The first round is of a server that has diagnosed nothing yet.
        for (int round = 0; round < 2; round++) {
            for (String file : FILES) {
                String asked = file + (round == 0 ? ", first asked" : "");
                // Each reads at other places: what another made ready helps none.
                List<Double> there = new Crew(file, 17 * round).walks();
                report(asked + ", where it was said to read next", there);
                List<Double> own = new Crew(file, 17 * round + 5).readsAnywhere(true);
                report(asked + ", at a place of its own", own);
                List<Double> anywhere = new Crew(file, 17 * round + 11).readsAnywhere(false);
                report(asked + ", sent by a meter", anywhere);
                if (round > 0) {
                    walked.addAll(there);
                    chosen.addAll(own);
                    elsewhere.addAll(anywhere);
                }
            }
        }
        report("where it was said to read next, all but those first asked", walked);
        report("at a place of its own, all but those first asked", chosen);
        report("sent by a meter, all but those first asked", elsewhere);
    }

    /** A line on the ground. */
    private record Ground(LocalPlane plane, Stationing along) {}

    /** Reads a simulated fence in order, then twice with a fault hidden on it, then one place after the other. */
    private final class Crew {
        private final String job;
        private final long seed;
        private final JsonNode plan;
        private final JsonNode land;
        private final JsonNode lines;
        private final Random random;
        private final ArrayNode readings = Json.MAPPER.createArrayNode();
        private int taken;

        Crew(String file, long seed) throws IOException, InterruptedException {
            job = client.open("demo/" + file + ".geojson");
            this.seed = seed;
            plan = client.get("/api/jobs/" + job + "/plan").path("plan");
            JsonNode property = client.get("/api/properties/"
                    + client.get("/api/jobs/" + job).path("propertyId").asString() + "/land");
            land = property.has("land") ? property.path("land") : property;
            lines = plan.path("site").path("lines");
            random = new Random(seed);
            for (int i = 0; i < IN_ORDER + 2; i++) {
                readAnywhere(i < IN_ORDER);
            }
        }

        /** @param chosen first, as on the screen, where the number is then typed; else they come unexpected, as from a meter that sends */
        List<Double> readsAnywhere(boolean chosen) throws IOException, InterruptedException {
            List<Double> ms = new ArrayList<>();
            for (int i = 0; i < READINGS; i++) {
                String line = anyLine();
                double stationM = anyStationM(line);
                if (chosen) {
                    expect(line, stationM);
                    Thread.sleep(TYPING_MS);
                }
                peak(observed(line, stationM, NOW), simulatedV(line, stationM, "", false));
                ms.add(heatMs());
            }
            return ms;
        }

        private void expect(String line, double stationM) throws IOException, InterruptedException {
            ObjectNode order = order();
            order.putObject("expected")
                    .put("lineId", line)
                    .put("stationM", stationM)
                    .put("currents", false)
                    .putNull("cutOut");
            int status = client.http()
                    .send(order("/api/electrics/expected-reading", order), BodyHandlers.discarding())
                    .statusCode();
            if (status != HttpURLConnection.HTTP_ACCEPTED) {
                throw new IllegalStateException("an expected reading was answered " + status);
            }
        }

        private String anyLine() {
            return lines.path(random.nextInt(lines.size())).path("id").asString();
        }

        private double anyStationM(String line) {
            return random.nextDouble() * Math.min(MOST_M, ground(line).along().lengthM());
        }

        /** Where the screen says, which asks for the heat and then for what to do next; looking over is believed to find nothing. */
        List<Double> walks() throws IOException, InterruptedException {
            List<Double> ms = new ArrayList<>();
            JsonNode step = next();
            for (int i = 0; i < MOST_STEPS && ms.size() < READINGS && !step.isMissingNode(); i++) {
                Thread.sleep(WALK_MS);
                boolean reads = step.path("action").asString().matches("READ|OPEN");
                if (reads) {
                    read(step);
                } else {
                    lookOver(step);
                }
                double heat = heatMs();
                if (reads) {
                    ms.add(heat);
                }
                step = next();
            }
            return ms;
        }

        private double heatMs() throws IOException, InterruptedException {
            HttpRequest asked = order("/api/electrics/faults", order());
            long began = System.nanoTime();
            HttpResponse<byte[]> answer = client.http().send(asked, BodyHandlers.ofByteArray());
            double ms = (System.nanoTime() - began) / 1e6;
            if (answer.statusCode() != 200
                    || !Json.parse(answer.body()).path("enough").asBoolean(false)) {
                throw new IllegalStateException("the faults were answered " + answer.statusCode());
            }
            return ms;
        }

        private JsonNode next() throws IOException, InterruptedException {
            ObjectNode order = order();
            order.putNull("here");
            order.putObject("crew")
                    .put("metresPerMinute", 55)
                    .put("currents", false)
                    .put("acrossPaddocks", false);
            HttpResponse<byte[]> answer =
                    client.http().send(order("/api/electrics/next-steps", order), BodyHandlers.ofByteArray());
            if (answer.statusCode() != 200) {
                throw new IllegalStateException("the next steps were answered " + answer.statusCode());
            }
            return Json.parse(answer.body()).path("steps").path(0);
        }

        private ObjectNode order() {
            ObjectNode order = Json.MAPPER.createObjectNode();
            order.set("plan", plan);
            order.set("land", land);
            order.set("readings", readings);
            order.put("since", "2026-11-20T00:00:00Z");
            return order;
        }

        private HttpRequest order(String path, ObjectNode order) {
            return client.request(path)
                    .header("Content-Type", "application/json")
                    .POST(BodyPublishers.ofByteArray(Json.MAPPER.writeValueAsBytes(order)))
                    .build();
        }

        private void readAnywhere(boolean inOrder) throws IOException, InterruptedException {
            String line = anyLine();
            double stationM = anyStationM(line);
            ObjectNode o = observed(line, stationM, inOrder ? "2026-05-02T09:00:00Z" : NOW);
            peak(o, simulatedV(line, stationM, "", inOrder));
        }

        private void read(JsonNode step) throws IOException, InterruptedException {
            String line = step.path("lineId").asString();
            double stationM = step.path("fromM").asDouble();
            String cutOut = step.path("cutOut").asString("");
            ObjectNode o = observed(line, stationM, LATER);
            if (!cutOut.isEmpty()) {
                ((ArrayNode) o.path("openSwitches")).add(cutOut);
            }
            peak(o, simulatedV(line, stationM, cutOut, false));
        }

        /** What the simulated meter reads there, on a fence with a fault when it is not in order. */
        private double simulatedV(String line, double stationM, String cutOut, boolean inOrder)
                throws IOException, InterruptedException {
            ObjectNode order = Json.MAPPER.createObjectNode();
            order.put("seed", seed).put("handedOver", inOrder).put("growth", "CLEAN");
            order.put("weather", "DRY").put("hidden", inOrder ? 0 : 1).put("onlyWet", false);
            ArrayNode open = order.putArray("open");
            if (!cutOut.isEmpty()) {
                open.add(cutOut);
            }
            order.put("round", false).put("since", "2026-11-20T00:00:00Z").put("by", "bench");
            order.putArray("places").addObject().put("lineId", line).put("stationM", stationM);
            HttpResponse<byte[]> answer = client.http()
                    .send(order("/api/jobs/" + job + "/simulated-meter", order), BodyHandlers.ofByteArray());
            if (Json.parse(answer.body()).path("stored").asInt(0) == 0) {
                throw new IllegalStateException("the simulated meter said " + new String(answer.body(), UTF_8));
            }
            JsonNode stored = client.get("/api/jobs/" + job + "/readings");
            for (int i = stored.size() - 1; i >= 0; i--) {
                if (stored.path(i).path("what").path("kind").asString().equals("PEAK")) {
                    return stored.path(i).path("what").path("peakV").asDouble();
                }
            }
            throw new IllegalStateException("the simulated meter read no kilovolts");
        }

        private void peak(ObjectNode o, double volts) {
            o.putObject("what")
                    .put("kind", "PEAK")
                    .put("wire", 0)
                    .put("peakV", volts)
                    .put("overRange", false)
                    .putNull("rangeV");
        }

        private void lookOver(JsonNode step) {
            if (step.path("lineId").isString()) {
                ObjectNode what = observed(
                                step.path("lineId").asString(),
                                step.path("fromM").asDouble(),
                                LATER)
                        .putObject("what");
                what.put("kind", "LOOKED_OVER").put("toM", step.path("toM").asDouble());
                what.set(
                        "toPlace",
                        place(step.path("lineId").asString(), step.path("toM").asDouble()));
            } else {
                observed(lines.path(0).path("id").asString(), 0, LATER)
                        .putObject("what")
                        .put("kind", "SUPPLY_CHECKED");
            }
        }

        /** One more; what was observed is yet to be said. */
        private ObjectNode observed(String lineId, double stationM, String at) {
            ObjectNode o = readings.addObject();
            o.put("id", UUID.randomUUID().toString());
            ObjectNode spot = o.putObject("at");
            spot.putNull("testPointId");
            spot.put("lineId", lineId);
            spot.put("stationM", stationM);
            spot.set("place", place(lineId, stationM));
            o.putNull("meter").put("weather", "DRY").put("growth", "CLEAN").putArray("openSwitches");
            o.put("takenAt", at.replace(":00:00Z", String.format(Locale.ROOT, ":%02d:00Z", taken++ % 60)));
            return o.put("takenBy", "bench").put("note", "").putNull("corrects");
        }

        /** On the ground: a reading is held to be where it was taken. */
        private ArrayNode place(String lineId, double stationM) {
            Ground ground = ground(lineId);
            GeoPoint found = ground.plane().toGeo(ground.along().at(stationM));
            return Json.MAPPER.createArrayNode().add(found.lonDeg()).add(found.latDeg());
        }

        private Ground ground(String lineId) {
            for (JsonNode line : lines) {
                if (line.path("id").asString().equals(lineId)) {
                    List<GeoPoint> corners = new ArrayList<>();
                    for (JsonNode corner : line.path("corners")) {
                        JsonNode at = corner.path("at");
                        corners.add(
                                new GeoPoint(at.path(0).asDouble(), at.path(1).asDouble(), OptionalDouble.empty()));
                    }
                    LocalPlane plane = new LocalPlane(corners.getFirst());
                    return new Ground(
                            plane,
                            new Stationing(
                                    corners.stream().map(plane::toPlane).toList(),
                                    line.path("closed").asBoolean()));
                }
            }
            throw new IllegalStateException("no line " + lineId);
        }
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
