package buckle.server;

import static org.assertj.core.api.Assertions.assertThat;

import buckle.server.Server.Answer;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

class JobsTest {
    private final Server server = Server.get();

    private String create(String name) {
        Answer made = server.post(
                "/api/jobs",
                Server.object().put("name", name).put("client", "C").put("property", "P"));
        assertThat(made.status()).isEqualTo(201);
        return made.json().path("id").asString();
    }

    private JsonNode job(String id) {
        return server.listed(id);
    }

    private ObjectNode save(JsonNode state, String stretch, double spacingM) {
        ObjectNode plan = (ObjectNode) state.path("plan").deepCopy();
        ((ObjectNode) plan.path("spec").path("fence").path("posts")).put("spacingM", spacingM);
        ObjectNode save = Server.object();
        save.put("baseSaveNo", state.path("saveNo").asLong())
                .put("stretch", stretch)
                .put("label", "")
                .set("plan", plan);
        return save;
    }

    private double spacing(String id) {
        return server.get("/api/jobs/" + id + "/plan")
                .json()
                .path("plan")
                .path("spec")
                .path("fence")
                .path("posts")
                .path("spacingM")
                .asDouble();
    }

    @Test
    void theDemoStandsInTheYard() {
        List<String> names = new ArrayList<>();
        server.get("/api/jobs?size=200")
                .json()
                .path("jobs")
                .forEach(j -> names.add(j.path("name").asString() + ": "
                        + server.listed(j.path("id").asString())
                                .path("standing")
                                .asString() + ", "
                        + server.listed(j.path("id").asString()).path("units").asString()));
        assertThat(names)
                .contains(
                        "Orchard ring: laid out, not read yet, FT_IN",
                        "Alpaca paddocks: laid out, not read yet, FT_IN",
                        "Donkey winter track: 1 section broken, 2 sections met, METRIC");
    }

    @Test
    void aJobIsOpenedCopiedPutAwayAndBroughtBack() {
        String id = create("Top field");
        assertThat(job(id).path("stage").asString()).isEqualTo("NEW");
        server.put(
                "/api/jobs/" + id,
                Server.object()
                        .put("name", "Top field, north")
                        .put("client", "C")
                        .put("property", "P"));
        String copy = server.post(
                        "/api/jobs/" + id + "/copy",
                        Server.object().put("name", "Copy").put("template", true))
                .json()
                .path("id")
                .asString();
        assertThat(job(copy).path("state").asString()).isEqualTo("TEMPLATE");
        assertThat(server.put("/api/jobs/" + id + "/state", Server.object().put("state", "ARCHIVED"))
                        .status())
                .isEqualTo(200);
        server.put("/api/jobs/" + id + "/state", Server.object().put("state", "DELETED"));
        server.put("/api/jobs/" + id + "/state", Server.object().put("state", "DELETED"));
        assertThat(job(id).path("state").asString()).isEqualTo("DELETED");
        server.post("/api/jobs/" + id + "/bring-back", "");
        assertThat(job(id).path("state").asString()).isEqualTo("ARCHIVED");
        assertThat(job(id).path("name").asString()).isEqualTo("Top field, north");
    }

    @Test
    void savesOfOneSittingShareARevision() {
        String id = create("Sitting");
        String path = "/api/jobs/" + id + "/plan";
        String stretch = UUID.randomUUID().toString();
        JsonNode first =
                server.put(path, save(server.get(path).json(), stretch, 5)).json();
        JsonNode second = server.put(path, save(first, stretch, 6)).json();
        assertThat(first.path("revision").asInt()).isEqualTo(2);
        assertThat(second.path("revision").asInt()).isEqualTo(2);
        JsonNode third =
                server.put(path, save(second, UUID.randomUUID().toString(), 7)).json();
        assertThat(third.path("revision").asInt()).isEqualTo(3);
        JsonNode back =
                server.post("/api/jobs/" + id + "/revisions/2/restore", "").json();
        assertThat(back.path("revision").asInt()).isEqualTo(4);
        assertThat(spacing(id)).isEqualTo(6);
        assertThat(server.get("/api/jobs/" + id + "/revisions").json().size()).isEqualTo(4);
    }

    @Test
    void aStaleSaveIsRefusedAndBothPlansAreKept() {
        String id = create("Two at once");
        String path = "/api/jobs/" + id + "/plan";
        JsonNode state = server.get(path).json();
        server.put(path, save(state, UUID.randomUUID().toString(), 5));
        Answer stale = server.put(path, save(state, UUID.randomUUID().toString(), 9));
        assertThat(stale.status()).isEqualTo(409);
        assertThat(stale.type()).startsWith("application/problem+json");
        assertThat(stale.json().path("code").asString()).isEqualTo("plan.stale");
        assertThat(spacing(id)).isEqualTo(5);
        int kept = stale.json().path("keptRevision").asInt();
        server.post("/api/jobs/" + id + "/revisions/" + kept + "/restore", "");
        assertThat(spacing(id)).isEqualTo(9);
    }

    @Test
    void ofManyAtOnceExactlyOneWinsAndNothingIsLost() throws Exception {
        String id = create("Race");
        String path = "/api/jobs/" + id + "/plan";
        JsonNode state = server.get(path).json();
        CountDownLatch go = new CountDownLatch(1);
        try (var pool = Executors.newFixedThreadPool(8)) {
            List<Future<Integer>> answers = IntStream.range(0, 8)
                    .mapToObj(i -> pool.submit(() -> {
                        go.await();
                        return server.put(path, save(state, UUID.randomUUID().toString(), 2 + i))
                                .status();
                    }))
                    .toList();
            go.countDown();
            List<Integer> statuses = new ArrayList<>();
            for (Future<Integer> a : answers) {
                statuses.add(a.get());
            }
            assertThat(statuses).containsOnly(200, 409).containsOnlyOnce(200);
        }
        assertThat(server.get("/api/jobs/" + id + "/revisions").json().size()).isEqualTo(9);
    }

    @Test
    void aJobExportedAndImportedElsewhereGivesTheSameNumbers() {
        String id = server.openDemo("donkey-winter-track.geojson");
        byte[] file = server.get("/api/jobs/" + id + "/job.geojson").body();
        String again = server.upload("/api/imports", file).json().path("jobId").asString();
        assertThat(again).isNotEqualTo(id);
        String csv = server.get("/api/jobs/" + id + "/takeoff.csv").text();
        assertThat(csv)
                .startsWith("item,name,quantity")
                .isEqualTo(server.get("/api/jobs/" + again + "/takeoff.csv").text());
        assertThat(job(again).path("sections")).isEqualTo(job(id).path("sections"));
        assertThat(job(again).path("lengthM")).isEqualTo(job(id).path("lengthM"));
        assertThat(server.get("/api/jobs/" + again + "/readings").json().size()).isEqualTo(96);
        assertThat(server.get("/api/jobs/" + id + "/layout.geojson")
                        .json()
                        .path("features")
                        .size())
                .isGreaterThan(90);
        assertThat(server.get("/api/jobs/" + id + "/strong-posts.gpx").text()).contains("<wpt ");
    }

    /** A name typed once on a device goes with each save; another's save is a revision of its own. */
    @Test
    void everySaveSaysWhoseItIs() {
        String id = server.openDemo("donkey-winter-track.geojson");
        String path = "/api/jobs/" + id + "/plan";
        String sitting = UUID.randomUUID().toString();
        for (String name : List.of("Zoë", "Zoë", "Ann")) {
            JsonNode state = server.get(path).json();
            Server.Answer answer = server.send(server.request(path)
                    .header("Content-Type", "application/json")
                    .header("Buckle-Author", java.net.URLEncoder.encode(name, java.nio.charset.StandardCharsets.UTF_8))
                    .PUT(java.net.http.HttpRequest.BodyPublishers.ofString(
                            save(state, sitting, 20 + name.length()).toString())));
            assertThat(answer.status()).isEqualTo(200);
            assertThat(answer.json().path("savedBy").asString()).isEqualTo(name);
        }
        JsonNode all = server.get("/api/jobs/" + id + "/revisions").json();
        assertThat(all.size()).isEqualTo(3);
        assertThat(all.get(0).path("savedBy").asString()).isEqualTo("Ann");
        assertThat(all.get(1).path("savedBy").asString()).isEqualTo("Zoë");
        assertThat(all.get(2).path("savedBy").asString()).isEmpty();
    }

    /** A plan that this program cannot read is one marked row; the others stand in the yard as ever. */
    @Test
    void oneUnreadableJobSpoilsNoYard() throws Exception {
        String id = server.openDemo("donkey-winter-track.geojson");
        double before = job(id).path("lengthM").asDouble();
        TestDatabase database = TestDatabase.get();
        try (var c = java.sql.DriverManager.getConnection(database.url, "buckle", database.password);
                var s = c.createStatement()) {
            s.execute("update revision set doc = jsonb_set(doc, '{schema}', '99') where owner = '" + id + "'");
            s.execute("delete from job_summary where job_id = '" + id + "'");
            int others = server.jobCount();
            assertThat(others).isGreaterThan(1);
            assertThat(job(id).path("stage").asString()).isEqualTo("UNREADABLE");
            assertThat(job(id).path("standing").asString()).contains("kept as it is");
            Server.Answer plan = server.get("/api/jobs/" + id + "/plan");
            assertThat(plan.status()).isEqualTo(422);
            assertThat(plan.json().path("code").asString()).isEqualTo("document.unreadable");
            assertThat(plan.json().path("detail").asString()).contains("schema 99", "kept as it is");
            s.execute("update revision set doc = jsonb_set(doc, '{schema}', '2') where owner = '" + id + "'");
            s.execute("delete from job_summary where job_id = '" + id + "'");
        }
        assertThat(job(id).path("stage").asString()).isNotEqualTo("UNREADABLE");
        assertThat(job(id).path("lengthM").asDouble()).isEqualTo(before).isPositive();
    }
}
