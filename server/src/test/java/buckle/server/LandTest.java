package buckle.server;

import static org.assertj.core.api.Assertions.assertThat;

import buckle.exchange.Json;
import buckle.exchange.document.StoredDocument;
import buckle.readings.Observed;
import buckle.server.Server.Answer;
import buckle.spec.Plan;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.OptionalDouble;
import java.util.UUID;
import java.util.zip.CRC32;
import javax.imageio.ImageIO;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Clients, properties, what lies on them, grids and pictures: over HTTP, in the real database. */
class LandTest {
    private static final Path GRID =
            Path.of("..", "exchange", "src", "test", "resources", "walks", "kestrel-hollow.asc");
    private final Server server = Server.get();

    private JsonNode job(String id) {
        return server.listed(id);
    }

    private String create(String name, String client, String property) {
        return server.post(
                        "/api/jobs",
                        Server.object().put("name", name).put("client", client).put("property", property))
                .json()
                .path("id")
                .asString();
    }

    private JsonNode land(String property) {
        return server.get("/api/properties/" + property + "/land").json();
    }

    private ObjectNode save(JsonNode state, ObjectNode land) {
        ObjectNode save = Server.object();
        save.put("baseSaveNo", state.path("saveNo").asLong())
                .put("stretch", UUID.randomUUID().toString())
                .set("land", land);
        return save;
    }

    private static ObjectNode withCreek(JsonNode state, String id) {
        ObjectNode land = (ObjectNode) state.path("land").deepCopy();
        ObjectNode feature = ((ArrayNode) land.path("features")).addObject();
        feature.put("id", id)
                .put("kind", "CREEK")
                .put("name", "brook")
                .put("shape", "LINE")
                .put("note", "");
        feature.putArray("points")
                .add(Json.MAPPER.valueToTree(new double[] {0.88, 44.13}))
                .add(Json.MAPPER.valueToTree(new double[] {0.89, 44.13}));
        ObjectNode traits = feature.putObject("traits");
        for (String trait : new String[] {
            "make",
            "postsUsable",
            "electrified",
            "voltageKv",
            "lowestWireM",
            "service",
            "depthM",
            "floodRiseM",
            "soil",
            "widthM"
        }) {
            traits.putNull(trait);
        }
        return land;
    }

    @Test
    void twoJobsOnOnePropertySeeTheSameLandAndAStaleSaveIsKeptAside() {
        String one = create("North", "Shared client", "Shared property");
        String two = create("South", "Shared client", "Shared property");
        String property = job(one).path("propertyId").asString();
        assertThat(job(two).path("propertyId").asString()).isEqualTo(property);
        JsonNode before = land(property);
        assertThat(before.path("jobs").asInt()).isEqualTo(2);
        Answer saved = server.put("/api/properties/" + property + "/land", save(before, withCreek(before, "a")));
        assertThat(saved.status()).as(saved.text()).isEqualTo(200);
        assertThat(saved.json().path("revision").asInt()).isEqualTo(2);

        Answer stale = server.put("/api/properties/" + property + "/land", save(before, withCreek(before, "b")));
        assertThat(stale.status()).isEqualTo(409);
        int kept = stale.json().path("keptRevision").asInt();
        assertThat(land(property)
                        .path("land")
                        .path("features")
                        .get(0)
                        .path("id")
                        .asString())
                .isEqualTo("a");
        JsonNode restored = server.post("/api/properties/" + property + "/land/revisions/" + kept + "/restore", "")
                .json();
        assertThat(restored.path("land").path("features").get(0).path("id").asString())
                .isEqualTo("b");

        // Jobs without a property have each their own.
        assertThat(job(create("No name", "", "")).path("propertyId"))
                .isNotEqualTo(job(create("Nor this", "", "")).path("propertyId"));

        // A shared property is copied when one of its jobs goes elsewhere; one alone is renamed.
        server.put(
                "/api/jobs/" + two,
                Server.object()
                        .put("name", "South")
                        .put("client", "Shared client")
                        .put("property", "South part"));
        String moved = job(two).path("propertyId").asString();
        assertThat(moved).isNotEqualTo(property);
        assertThat(land(moved).path("land")).isEqualTo(restored.path("land"));
        server.put(
                "/api/jobs/" + one,
                Server.object().put("name", "North").put("client", "New owner").put("property", "Shared property"));
        assertThat(job(one).path("propertyId").asString()).isEqualTo(property);
        assertThat(job(one).path("client").asString()).isEqualTo("New owner");
    }

    @Test
    void badLandIsRefusedWithItsPlaceAndNothingChanges() {
        String id = create("Bad land", "Bad", "Land");
        String property = job(id).path("propertyId").asString();
        JsonNode before = land(property);
        ObjectNode thin = withCreek(before, "a");
        ((ArrayNode) thin.path("features").get(0).path("points")).remove(1);
        Answer answer = server.put("/api/properties/" + property + "/land", save(before, thin));
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.json().path("errors").get(0).path("path").asString()).isEqualTo("features[0].points");

        ObjectNode deep = withCreek(before, "a");
        ((ObjectNode) deep.path("features").get(0).path("traits")).put("voltageKv", -4);
        Answer voltage = server.put("/api/properties/" + property + "/land", save(before, deep));
        assertThat(voltage.status()).isEqualTo(422);
        assertThat(voltage.json().path("errors").get(0).path("path").asString()).isEqualTo("land.features[0].traits");

        ObjectNode lost = (ObjectNode) before.path("land").deepCopy();
        lost.set(
                "grid",
                Json.parse(
                        "{\"hash\":\"00\",\"name\":\"g\",\"columns\":2,\"rows\":2,\"westDeg\":0,\"southDeg\":0,\"eastDeg\":1,\"northDeg\":1,\"cellDeg\":0.5,\"lowestM\":0,\"highestM\":1,\"gaps\":0}"
                                .getBytes(StandardCharsets.UTF_8)));
        assertThat(server.put("/api/properties/" + property + "/land", save(before, lost))
                        .json()
                        .path("code")
                        .asString())
                .isEqualTo("grid.missing");
        assertThat(land(property)).isEqualTo(before);
    }

    @Test
    void aGridLiesUnderTheJobAndTravelsWithItsFile() throws IOException {
        String id = server.openDemo("orchard-ring.geojson");
        String property = job(id).path("propertyId").asString();
        JsonNode before = land(property);
        assertThat(before.path("land").path("grid").path("columns").asInt()).isEqualTo(106);
        JsonNode stored = server.upload("/api/grids?name=hollow", Files.readAllBytes(GRID))
                .json();
        assertThat(stored.path("gaps").asInt()).isEqualTo(12);
        assertThat(server.get("/api/attachments/" + stored.path("hash").asString())
                        .body())
                .isEqualTo(Files.readAllBytes(GRID));

        byte[] file = server.get("/api/jobs/" + id + "/job.geojson").body();
        JsonNode json = Json.parse(file);
        assertThat(json.path("buckle").path("terrain").path("heightsM").size()).isBetween(1000, 4876);
        String again = server.upload("/api/imports", file).json().path("jobId").asString();
        for (String figures : new String[] {"takeoff.csv", "posts.csv", "plan.dxf"}) {
            assertThat(server.get("/api/jobs/" + again + "/" + figures).text())
                    .as(figures)
                    .isEqualTo(server.get("/api/jobs/" + id + "/" + figures).text());
        }
        // The cut-out terrain is not the whole one, so the copy has a property of its own and overwrites nothing.
        assertThat(job(again).path("property").asString()).isEqualTo("Kestrel Hollow (2)");
        assertThat(land(property)).isEqualTo(before);
        String third = server.upload("/api/imports", file).json().path("jobId").asString();
        assertThat(job(third).path("propertyId")).isEqualTo(job(again).path("propertyId"));
    }

    @Test
    void picturesAreLookedAtBeforeTheyAreStored() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(320, 200, BufferedImage.TYPE_INT_RGB), "png", out);
        JsonNode stored =
                server.upload("/api/pictures?name=yard.png", out.toByteArray()).json();
        assertThat(stored.path("widthPx").asInt()).isEqualTo(320);
        Answer picture = server.get("/api/attachments/" + stored.path("hash").asString());
        assertThat(picture.type()).isEqualTo("image/png");
        assertThat(picture.body()).isEqualTo(out.toByteArray());

        byte[] bomb = out.toByteArray();
        putInt(bomb, 16, 60_000);
        putInt(bomb, 20, 60_000);
        CRC32 crc = new CRC32();
        crc.update(bomb, 12, 17);
        putInt(bomb, 29, (int) crc.getValue());
        assertThat(server.upload("/api/pictures", bomb).json().path("code").asString())
                .isEqualTo("picture.too-large");
        byte[] torn = java.util.Arrays.copyOf(out.toByteArray(), 60);
        assertThat(server.upload("/api/pictures", torn).status()).isEqualTo(422);
        assertThat(server.upload("/api/pictures", "GIF89a nothing".getBytes(StandardCharsets.US_ASCII))
                        .status())
                .isEqualTo(422);
        assertThat(server.get("/api/attachments/nobody").status()).isEqualTo(404);
    }

    private static void putInt(byte[] bytes, int at, int value) {
        for (int i = 0; i < 4; i++) {
            bytes[at + i] = (byte) (value >>> (24 - 8 * i));
        }
    }

    @Test
    void aNamedRevisionIsKeptWhileSavingGoesOn() {
        String id = server.openDemo("donkey-winter-track.geojson");
        JsonNode state = server.get("/api/jobs/" + id + "/plan").json();
        String stretch = UUID.randomUUID().toString();
        ObjectNode save = Server.object();
        save.put("baseSaveNo", state.path("saveNo").asLong())
                .put("stretch", stretch)
                .put("label", "day one")
                .set("plan", state.path("plan"));
        JsonNode named = server.put("/api/jobs/" + id + "/plan", save).json();
        save.put("baseSaveNo", named.path("saveNo").asLong()).put("label", "");
        JsonNode next = server.put("/api/jobs/" + id + "/plan", save).json();
        assertThat(next.path("revision").asInt())
                .isGreaterThan(named.path("revision").asInt());
        JsonNode revisions = server.get("/api/jobs/" + id + "/revisions").json();
        assertThat(revisions.get(1).path("label").asString()).isEqualTo("day one");
        int first = revisions.get(revisions.size() - 1).path("revision").asInt();
        server.put(
                "/api/jobs/" + id + "/revisions/" + first + "/label",
                Server.object().put("label", "quote"));
        assertThat(server.get("/api/jobs/" + id + "/revisions/" + first).json()).isEqualTo(state.path("plan"));
        assertThat(server.put(
                                "/api/jobs/" + id + "/revisions/99/label",
                                Server.object().put("label", "x"))
                        .status())
                .isEqualTo(404);

        ObjectNode compare = Server.object();
        JsonNode land = land(job(id).path("propertyId").asString()).path("land");
        ObjectNode after = (ObjectNode) state.path("plan").deepCopy();
        ((ObjectNode) after.path("spec").path("fence").path("posts")).put("spacingM", 3);
        compare.set("before", state.path("plan"));
        compare.set("after", after);
        compare.set("land", land);
        JsonNode told = server.post("/api/compare", compare).json();
        assertThat(told.path("items").toString()).contains("post.line").doesNotContain("energizer");
    }

    private static String specOfTheFirstVersion() throws IOException {
        Path plan =
                Path.of("..", "exchange", "src", "test", "resources", "documents", "plan-f00402d-orchard-ring.json");
        return Json.parse(Files.readAllBytes(plan)).path("spec").toString();
    }

    /** Data of the first version: client and property become rows, every job keeps its names, and its branches get named. */
    @Test
    void dataOfTheFirstVersionAreCarriedOver() throws SQLException, IOException {
        TestDatabase database = TestDatabase.get();
        String url = database.url.replaceAll("/[^/]+$", "/carried");
        try (Connection admin = DriverManager.getConnection(database.url, "buckle", database.password);
                Statement s = admin.createStatement()) {
            s.execute("create database carried");
        }
        Flyway.configure()
                .dataSource(url, "buckle", database.password)
                .target("1")
                .load()
                .migrate();
        String plan = "{\"site\":{\"lines\":["
                + line("main", "[0.88,44.13],[0.884,44.13]") + "," + line("spur", "[0.882,44.130001],[0.882,44.131]")
                + "],\"energizer\":null},\"spec\":" + specOfTheFirstVersion() + "}";
        try (Connection c = DriverManager.getConnection(url, "buckle", database.password);
                Statement s = c.createStatement()) {
            for (int i = 0; i < 5; i++) {
                String id = "00000000-0000-0000-0000-00000000000" + i;
                s.execute("insert into job values ('" + id + "', 'job " + i + "', 'client " + i / 2 + "', '"
                        + (i < 3 ? "place" : "") + "', 'ACTIVE', 'ACTIVE', 1, 1, now(), now())");
                s.execute("insert into plan_revision values ('" + id + "', 1, '" + id + "', false, '" + plan
                        + "', 1, '0.1.0', now())");
                s.execute(
                        "insert into reading values ('" + id + "', '" + id
                                + "', 1, 'energizer', 'main', 0, 0.88, 44.13, 2, 6100, false, null, now(), 'Mara', 'DRY', 'CLEAN', '', null, now())");
            }
        }
        Flyway.configure().dataSource(url, "buckle", database.password).load().migrate();
        try (Connection c = DriverManager.getConnection(url, "buckle", database.password);
                Statement s = c.createStatement()) {
            ResultSet names = s.executeQuery(
                    "select string_agg(j.name || '/' || c.name || '/' || p.name, ',' order by j.name)"
                            + " from job j join property p on p.id = j.property_id join client c on c.id = p.client_id"
                            + " join revision l on l.kind = 'land' and l.owner = p.id"
                            + " join document d on d.kind = l.kind and d.owner = l.owner and d.head_revision = l.revision");
            names.next();
            assertThat(names.getString(1))
                    .isEqualTo(
                            "job 0/client 0/place,job 1/client 0/place,job 2/client 1/place,job 3/client 1/,job 4/client 2/");
            ResultSet own = s.executeQuery("select count(distinct property_id) from job");
            own.next();
            assertThat(own.getInt(1)).isEqualTo(4);
            ResultSet what = s.executeQuery("select distinct what from reading");
            what.next();
            assertThat(Json.MAPPER.readValue(what.getString(1), Observed.class))
                    .isEqualTo(new Observed.Peak(2, 6100, false, OptionalDouble.empty()));
            ResultSet doc = s.executeQuery("select doc from revision where kind = 'plan' limit 1");
            doc.next();
            Plan read = StoredDocument.PLAN.read(doc.getString(1));
            assertThat(read.site().lines().get(1).startsOn()).contains("main");
            assertThat(StoredDocument.PLAN.read(StoredDocument.PLAN.write(read)))
                    .isEqualTo(read);
        }
    }

    private static String line(String id, String places) {
        String corners = "";
        int n = 0;
        for (String at : places.replace("],[", "]|[").split("\\|")) {
            corners += (n == 0 ? "" : ",") + "{\"id\":\"c" + ++n + "\",\"at\":" + at + "}";
        }
        return "{\"id\":\"" + id + "\",\"name\":\"" + id + "\",\"closed\":false,\"corners\":[" + corners
                + "],\"gates\":[],\"cutOuts\":[],\"ground\":[],\"survey\":null}";
    }
}
