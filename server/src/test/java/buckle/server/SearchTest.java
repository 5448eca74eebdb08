package buckle.server;

import static org.assertj.core.api.Assertions.assertThat;

import buckle.server.Server.Answer;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The search for a fault over HTTP: step by step to what is hidden, by more than one crew, on a fence that is changed meanwhile. */
class SearchTest {
    private static final String HEAD = "time,by,line,station_m,kind,value,unit\n";
    private final Server server = Server.get();
    private final String job = server.openDemo("orchard-ring.geojson");
    private final String readings = "/api/jobs/" + job + "/readings";

    private Answer csv(String rows) {
        return server.upload(readings + "/import", (HEAD + rows).getBytes(StandardCharsets.UTF_8));
    }

    private ObjectNode order(JsonNode plan) {
        ObjectNode order = server.order(job);
        order.set("plan", plan);
        order.set("readings", server.get(readings).json());
        order.put("since", "2026-11-20T00:00:00Z").putNull("here");
        order.putObject("crew")
                .put("metresPerMinute", 55.0)
                .put("currents", false)
                .put("acrossPaddocks", true);
        return order;
    }

    private JsonNode steps(JsonNode plan) {
        Answer answer = server.post("/api/electrics/next-steps", order(plan));
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.json().path("steps");
    }

    /** What one crew read and looked over the other one knows; sent at the same time and sent again, all of it is stored once. */
    @Test
    void twoCrewsHuntTogether() throws Exception {
        StringBuilder whole = new StringBuilder();
        for (int at : new int[] {40, 160, 280, 420, 600}) {
            whole.append("2026-05-02T08:0")
                    .append(at % 7)
                    .append(":00Z,Mara,line-1,")
                    .append(at)
                    .append(",peak,5.8,kV\n");
        }
        assertThat(csv(whole.toString()).status()).isEqualTo(200);
        int before = server.get(readings).json().size();
        List<String> crews = new ArrayList<>();
        for (String by : List.of("Ana", "Ben")) {
            boolean ana = by.equals("Ana");
            StringBuilder rows = new StringBuilder();
            rows.append("2026-11-20T09:00:00Z,")
                    .append(by)
                    .append(",line-1,")
                    .append(ana ? 40 : 600)
                    .append(",peak,3.2,kV\n");
            for (int i = 0; i < 10; i++) {
                int from = (ana ? 0 : 300) + 30 * i;
                rows.append("2026-11-20T09:1")
                        .append(i)
                        .append(":00Z,")
                        .append(by)
                        .append(",line-1,")
                        .append(from)
                        .append(",looked_over,")
                        .append(from + 30)
                        .append(",m\n");
            }
            rows.append("2026-11-20T09:25:00Z,").append(by).append(",line-1,0,supply_checked,,\n");
            crews.add(rows.toString());
        }
        JsonNode plan = server.get("/api/jobs/" + job + "/plan").json().path("plan");
        try (ExecutorService pool = Executors.newFixedThreadPool(4)) {
            List<Future<Answer>> sent = new ArrayList<>();
            for (int twice = 0; twice < 2; twice++) {
                crews.forEach(rows -> sent.add(pool.submit(() -> csv(rows))));
            }
            for (Future<Answer> f : sent) {
                assertThat(f.get().status()).as(f.get().text()).isEqualTo(200);
            }
        }
        JsonNode stored = server.get(readings).json();
        assertThat(stored.size()).isEqualTo(before + 2 * 12);
        Set<String> ids = new HashSet<>();
        stored.forEach(r -> ids.add(r.path("id").asString()));
        assertThat(ids).hasSize(stored.size());
        // Both have been over the first 600 m and at the energizer: what is left is the rest.
        JsonNode steps = steps(plan);
        assertThat(steps.size()).isPositive();
        for (JsonNode step : steps) {
            assertThat(step.path("action").asString()).isNotEqualTo("ENERGIZER");
            if (step.path("action").asString().equals("LOOK_OVER")
                    && step.path("chance").asDouble() > 0.2) {
                assertThat(Math.max(
                                step.path("fromM").asDouble(), step.path("toM").asDouble()))
                        .isGreaterThan(600);
            }
        }
        // The fence is changed in the middle of it, and lost altogether: answered, and nothing of what was stored is
        // gone.
        ObjectNode shorter = (ObjectNode) plan.deepCopy();
        ArrayNode corners = (ArrayNode) shorter.at("/site/lines/0/corners");
        corners.remove(corners.size() - 1);
        assertThat(steps(shorter).size()).isPositive();
        ObjectNode without = (ObjectNode) plan.deepCopy();
        ((ArrayNode) without.at("/site/lines")).removeAll();
        assertThat(server.post("/api/electrics/next-steps", order(without)).status())
                .isIn(200, 422);
        assertThat(server.get(readings).json()).isEqualTo(stored);
    }

    /** Where a reading is about to be taken: said ahead, nothing is stored; a place that is none is told. */
    @Test
    void aReadingIsExpected() {
        JsonNode plan = server.get("/api/jobs/" + job + "/plan").json().path("plan");
        JsonNode stored = server.get(readings).json();
        ObjectNode order = order(plan);
        order.remove(List.of("here", "crew"));
        ObjectNode expected = order.putObject("expected")
                .put("lineId", "line-1")
                .put("stationM", 123.4)
                .put("currents", true)
                .putNull("cutOut");
        assertThat(server.post("/api/electrics/expected-reading", order).status())
                .isEqualTo(202);
        for (double stationM : new double[] {-1, 1e9}) {
            expected.put("stationM", stationM);
            // Beyond its end nothing is made ready.
            assertThat(server.post("/api/electrics/expected-reading", order).status())
                    .isEqualTo(stationM < 0 ? 422 : 202);
        }
        expected.put("stationM", 5).put("lineId", "nowhere");
        Answer refused = server.post("/api/electrics/expected-reading", order);
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.text()).contains("There is no station 5.0 m on a line “nowhere”.");
        assertThat(server.get(readings).json()).isEqualTo(stored);
    }

    private ObjectNode simulated(String since, boolean handedOver) {
        ObjectNode order = Server.object()
                .put("seed", 7)
                .put("handedOver", handedOver)
                .put("growth", "LIGHT")
                .put("weather", "DRY")
                .put("hidden", handedOver ? 0 : 1)
                .put("onlyWet", false)
                .put("round", handedOver)
                .put("since", since)
                .put("by", "Mara");
        order.putArray("open");
        order.putArray("places");
        return order;
    }

    /** Commissioned by the simulated meter, a fault hidden by a seed: step by step as it is told, until one stands before it. */
    @Test
    void theStepsLeadToWhatIsHidden() {
        String meter = "/api/jobs/" + job + "/simulated-meter";
        assertThat(server.post(meter, simulated("2026-01-01T00:00:00Z", true)).status())
                .isEqualTo(200);
        String since = Instant.now().plusMillis(1).toString();
        JsonNode hidden =
                server.post(meter + "/hidden", simulated(since, false)).json().get(0);
        JsonNode plan = server.get("/api/jobs/" + job + "/plan").json().path("plan");
        boolean found = false;
        int steps = 0;
        JsonNode here = null;
        while (!found && steps < 25) {
            steps++;
            ObjectNode order = order(plan);
            order.put("since", since);
            if (here != null) {
                order.set("here", here);
            }
            JsonNode step = server.post("/api/electrics/next-steps", order)
                    .json()
                    .path("steps")
                    .get(0);
            double from = step.path("fromM").asDouble();
            double to = step.path("toM").asDouble();
            String line = step.path("lineId").asString("line-1");
            String now = Instant.now().toString();
            here = Server.object().put("lineId", line).put("stationM", to);
            switch (step.path("action").asString()) {
                case "ENERGIZER" -> {
                    assertThat(csv(now + ",Mara," + line + ",0,supply_checked,,\n")
                                    .status())
                            .isEqualTo(200);
                    found = hidden.path("lineId").isNull();
                    here = null;
                }
                case "LOOK_OVER" -> {
                    found = line.equals(hidden.path("lineId").asString(""))
                            && hidden.path("toM").asDouble() >= Math.min(from, to) - 1
                            && hidden.path("fromM").asDouble() <= Math.max(from, to) + 1;
                    assertThat(csv(now + ",Mara," + line + "," + from + ",looked_over," + to + ",m\n")
                                    .status())
                            .isEqualTo(200);
                }
                default -> {
                    ObjectNode reading = simulated(since, false);
                    ((ArrayNode) reading.path("places"))
                            .addObject()
                            .put("lineId", line)
                            .put("stationM", from);
                    if (!step.path("cutOut").isNull()) {
                        ((ArrayNode) reading.path("open"))
                                .add(step.path("cutOut").asString());
                    }
                    assertThat(server.post(meter, reading).json().path("stored").asInt())
                            .isPositive();
                }
            }
        }
        System.out.printf("hidden: %s; found: %s after %d steps%n", hidden, found, steps);
        assertThat(found).isTrue();
    }
}
