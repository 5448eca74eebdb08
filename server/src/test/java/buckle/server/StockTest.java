package buckle.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import buckle.server.Server.Answer;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** The yard over HTTP: what comes in, goes on a truck by a sheet, and comes back. */
class StockTest {
    private final Server server = Server.get();

    private Answer arrive(UUID id, String product, double lengthM, long pieces, String place) {
        return server.post(
                "/api/stock/arrivals",
                Server.object()
                        .put("id", id.toString())
                        .put("product", product)
                        .put("lengthM", lengthM)
                        .put("pieces", pieces)
                        .put("place", place));
    }

    private Answer count(String product, double lengthM, long pieces, String place, String reason) {
        return server.post(
                "/api/stock/counts",
                Server.object()
                        .put("id", UUID.randomUUID().toString())
                        .put("product", product)
                        .put("lengthM", lengthM)
                        .put("pieces", pieces)
                        .put("place", place)
                        .put("reason", reason));
    }

    private Answer bring(
            String sheet, UUID id, String product, double lengthM, long pieces, Double restM, String place) {
        ObjectNode back = Server.object()
                .put("id", id.toString())
                .put("product", product)
                .put("lengthM", lengthM)
                .put("pieces", pieces)
                .put("restM", restM)
                .put("place", place);
        return server.post("/api/load-sheets/" + sheet + "/returns", back);
    }

    private Answer tick(String sheet, int line, String state) {
        return server.put(
                "/api/load-sheets/" + sheet + "/lines/" + line, Server.object().put("state", state));
    }

    private long pieces(String product, double lengthM, String place) {
        for (JsonNode lot : server.get("/api/stock").json().path("lots")) {
            if (lot.path("product").asString().equals(product)
                    && lot.path("lengthM").asDouble() == lengthM
                    && lot.path("place").asString().equals(place)) {
                double amount = lot.path("amount").asDouble();
                return Math.round(lengthM > 0 ? amount / lengthM : amount);
            }
        }
        return 0;
    }

    private JsonNode make(String job, UUID id) {
        Answer answer =
                server.post("/api/jobs/" + job + "/load-sheet", Server.object().put("id", id.toString()));
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.json();
    }

    private static List<JsonNode> lines(JsonNode sheet, String product) {
        return StreamSupport.stream(sheet.path("sheet").path("lines").spliterator(), false)
                .filter(l -> l.path("product").asString().equals(product))
                .toList();
    }

    private static JsonNode account(JsonNode sheet, String product) {
        return StreamSupport.stream(sheet.path("accounts").spliterator(), false)
                .filter(a -> a.path("product").asString().equals(product))
                .findFirst()
                .orElseThrow();
    }

    /** The demo's yard is not in the way. */
    private void emptyTheYard() {
        for (JsonNode lot : server.get("/api/stock").json().path("lots")) {
            String product = lot.path("product").asString();
            Answer answer = count(
                    product,
                    lot.path("lengthM").asDouble(),
                    0,
                    lot.path("place").asString(),
                    "test");
            assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        }
    }

    /** Whatever a test did: each product's entries sum up to nothing, kept sums are the sums of the entries, and nothing real is less than nothing. */
    @AfterEach
    void theLedgerCloses() throws SQLException {
        TestDatabase database = TestDatabase.get();
        try (Connection c = DriverManager.getConnection(database.url, "buckle", database.password)) {
            assertThat(count(
                            c,
                            "select count(*) from (select product from stock_entry group by product"
                                    + " having sum(amount) <> 0) x"))
                    .isZero();
            assertThat(count(c, "select count(*) from stock_balance where account in ('YARD', 'TRUCK') and amount < 0"))
                    .isZero();
            assertThat(count(
                            c,
                            "select count(*) from stock_balance b where amount <> (select sum(e.amount) from"
                                    + " stock_entry e where e.account = b.account and e.place = b.place and e.product ="
                                    + " b.product and e.length_m = b.length_m)"))
                    .isZero();
        }
    }

    private static long count(Connection c, String sql) throws SQLException {
        try (ResultSet r = c.createStatement().executeQuery(sql)) {
            r.next();
            return r.getLong(1);
        }
    }

    /** Two coils and a leftover in the yard are used first; what came back lies there again; what did not was used. */
    @Test
    void outAndBack() {
        String job = server.openDemo("orchard-ring.geojson");
        emptyTheYard();
        JsonNode plain = make(job, UUID.randomUUID());
        JsonNode wire = StreamSupport.stream(plain.path("sheet").path("planned").spliterator(), false)
                .filter(p -> p.path("product").asString().startsWith("wire."))
                .findFirst()
                .orElseThrow();
        String product = wire.path("product").asString();
        double needM = wire.path("counted").asDouble()
                + wire.path("spare").asDouble()
                + wire.path("allowance").asDouble();
        assertThat(lines(plain, product))
                .allMatch(l -> l.path("source").path("place").asString().isEmpty());
        String first = plain.path("id").asString();
        assertThat(server.send(server.request("/api/load-sheets/" + first).DELETE())
                        .status())
                .isEqualTo(200);

        UUID arrival = UUID.randomUUID();
        for (int again = 0; again < 2; again++) {
            assertThat(arrive(arrival, product, 400, 2, "Barn, bay 1").status()).isEqualTo(200);
        }
        assertThat(arrive(UUID.randomUUID(), product, 173.4, 1, "Shed").status())
                .isEqualTo(200);
        assertThat(pieces(product, 400, "Barn, bay 1"))
                .as("the same arrival sent twice")
                .isEqualTo(2);

        UUID request = UUID.randomUUID();
        JsonNode sheet = make(job, request);
        assertThat(make(job, request).path("id")).as("the same request again").isEqualTo(sheet.path("id"));
        String id = sheet.path("id").asString();
        assertThat(server.post(
                                "/api/jobs/" + job + "/load-sheet",
                                Server.object().put("id", UUID.randomUUID().toString()))
                        .json()
                        .path("code")
                        .asString())
                .isEqualTo("sheet.open");
        List<JsonNode> ofWire = lines(sheet, product);
        double fromYard = ofWire.stream()
                .filter(l -> !l.path("source").path("place").asString().isEmpty())
                .mapToDouble(l -> l.path("amount").asDouble())
                .sum();
        double bought =
                ofWire.stream().mapToDouble(l -> l.path("amount").asDouble()).sum() - fromYard;
        assertThat(fromYard).isCloseTo(973.4, within(1e-6));
        assertThat(bought + fromYard).isGreaterThanOrEqualTo(needM - 1e-6);
        assertThat(bought).as("not bought as if nothing lay there").isLessThan(needM - 400);

        for (JsonNode l : sheet.path("sheet").path("lines")) {
            Answer answer = tick(id, l.path("number").asInt(), "PICKED");
            assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        }
        assertThat(pieces(product, 400, "Barn, bay 1")).as("picked is not gone").isEqualTo(2);
        for (int again = 0; again < 2; again++) {
            for (JsonNode l : sheet.path("sheet").path("lines")) {
                Answer answer = tick(id, l.path("number").asInt(), "LOADED");
                assertThat(answer.status()).as(answer.text()).isEqualTo(200);
            }
        }
        assertThat(pieces(product, 400, "Barn, bay 1")).isZero();
        assertThat(pieces(product, 173.4, "Shed")).isZero();

        UUID back = UUID.randomUUID();
        for (int again = 0; again < 2; again++) {
            assertThat(bring(id, back, product, 400, 1, 99.5, "Barn, bay 1").status())
                    .isEqualTo(200);
        }
        assertThat(pieces(product, 99.5, "Barn, bay 1")).isEqualTo(1);
        JsonNode closed = server.post("/api/load-sheets/" + id + "/close", Server.object())
                .json();
        JsonNode account = account(closed, product);
        assertThat(account.path("loaded").asDouble()).isCloseTo(bought + fromYard, within(1e-6));
        assertThat(account.path("returned").asDouble()).isCloseTo(99.5, within(1e-6));
        assertThat(account.path("used").asDouble()).isCloseTo(bought + fromYard - 99.5, within(1e-6));
        assertThat(closed.path("out")).isEmpty();
        assertThat(tick(id, 1, "OPEN").json().path("code").asString()).isEqualTo("sheet.closed");
        assertThat(bring(id, UUID.randomUUID(), product, 400, 1, null, "Barn")
                        .json()
                        .path("code")
                        .asString())
                .isEqualTo("sheet.closed");
        JsonNode usage = server.get("/api/stock/usage").json();
        assertThat(StreamSupport.stream(usage.spliterator(), false)
                        .filter(u -> u.path("usage").path("product").asString().equals(product))
                        .toList())
                .anySatisfy(
                        u -> assertThat(u.path("usage").path("used").asDouble()).isPositive());
        assertThat(count(product, 99.5, 0, "Barn, bay 1", "for the next test").status())
                .isEqualTo(200);
    }

    /** Unloading is the other way round, as often as one changes one's mind. */
    @Test
    void loadedByMistake() {
        String job = server.openDemo("kitchen-garden.geojson");
        JsonNode sheet = make(job, UUID.randomUUID());
        String id = sheet.path("id").asString();
        for (String state : List.of("LOADED", "OPEN", "LOADED", "PICKED", "LOADED", "OPEN")) {
            assertThat(tick(id, 1, state).status()).isEqualTo(200);
            assertThat(server.get("/api/jobs/" + job + "/load-sheet")
                            .json()
                            .path("sheet")
                            .path("out"))
                    .hasSize(state.equals("LOADED") ? 1 : 0);
        }
        assertThat(tick(id, 999, "LOADED").status()).isEqualTo(422);
        assertThat(server.send(server.request("/api/load-sheets/" + id).DELETE())
                        .status())
                .isEqualTo(200);
        assertThat(server.get("/api/jobs/" + job + "/load-sheet")
                        .json()
                        .path("sheet")
                        .path("closedAt")
                        .isNull())
                .as("it was used, so it is kept, closed")
                .isFalse();
    }

    @Test
    void whatCannotBe() {
        String post = "post.timber-115.2400";
        assertThat(arrive(UUID.randomUUID(), "no.such-thing", 0, 1, "Barn").text())
                .contains("in no price book");
        JsonNode first = StreamSupport.stream(
                        server.get("/api/stock").json().path("products").spliterator(), false)
                // Other tests put things of their own into the book.
                .filter(p -> p.path("byMetre").asBoolean()
                        && p.path("product").asString().startsWith("wire."))
                .findFirst()
                .orElseThrow();
        String coil = first.path("product").asString();
        assertThat(arrive(UUID.randomUUID(), coil, 0, 1, "Barn").text()).contains("how long each is");
        assertThat(arrive(UUID.randomUUID(), coil, 100, 0, "Barn").text()).contains("Say how many");
        assertThat(arrive(UUID.randomUUID(), coil, 100, 1, "").text()).contains("A place in the yard");
        assertThat(arrive(UUID.randomUUID(), coil, -5, 1, "Barn").status()).isEqualTo(422);
        assertThat(arrive(UUID.randomUUID(), coil, 77, 3, "Loft").status()).isEqualTo(200);
        assertThat(count(coil, 77, 2, "Loft", "").text()).contains("say why");
        assertThat(count(coil, 77, 2, "Loft", "one was rusted").status()).isEqualTo(200);
        assertThat(pieces(coil, 77, "Loft")).isEqualTo(2);
        assertThat(server.get("/api/stock/history?product=" + coil + "&limit=1")
                        .json()
                        .path(0)
                        .path("reason")
                        .asString())
                .isEqualTo("one was rusted");
        assertThat(server.get("/api/stock/history?limit=0").status()).isEqualTo(422);

        assertThat(arrive(UUID.randomUUID(), coil, 77, 1, "Lo\u0000ft").text()).contains("control character");
        assertThat(count(coil, 77, 2, "Loft", "x".repeat(500)).text()).contains("at most 300 characters");

        String job = server.openDemo("alpaca-paddocks.geojson");
        String id = make(job, UUID.randomUUID()).path("id").asString();
        Answer never = bring(id, UUID.randomUUID(), post, 0, 5, null, "Barn");
        assertThat(never.status()).isEqualTo(409);
        assertThat(never.text()).contains("The truck has 0 of").contains("Nothing was booked");
        assertThat(bring(id, UUID.randomUUID(), coil, 77, 1, 80.0, "Barn").text())
                .contains("shorter than the coil");
        assertThat(server.get("/api/jobs/" + UUID.randomUUID() + "/load-sheet").status())
                .isEqualTo(404);
        assertThat(tick(UUID.randomUUID().toString(), 1, "LOADED").status()).isEqualTo(404);
        assertThat(count(coil, 77, 0, "Loft", "end of test").status()).isEqualTo(200);
    }

    /** Kits are kept for the house; of two who change them at once the later is told; what nobody sells is kept and named. */
    @Test
    void kits() {
        JsonNode before = server.get("/api/kits").json();
        ObjectNode save =
                Server.object().put("baseRevision", before.path("revision").asInt());
        save.putArray("kits")
                .addObject()
                .put("name", "Half an acre")
                .putArray("items")
                .add(Server.object().put("product", "no.such-thing").put("quantity", 3))
                .add(Server.object().put("product", "wire.ht-12-5").put("quantity", 400));
        Answer stored = server.put("/api/kits", save);
        assertThat(stored.status()).as(stored.text()).isEqualTo(200);
        assertThat(server.put("/api/kits", save).json()).as("sent again").isEqualTo(stored.json());
        assertThat(stored.json().path("unknown").path(0).asString()).isEqualTo("no.such-thing");
        assertThat(server.get("/api/kits").json()).isEqualTo(stored.json());
        ObjectNode late = save.deepCopy();
        late.withArray("/kits").addObject().put("name", "Barn").putArray("items");
        assertThat(server.put("/api/kits", late).json().path("code").asString()).isEqualTo("kits.stale");
        ObjectNode bad = save.deepCopy()
                .put("baseRevision", stored.json().path("revision").asInt());
        bad.withArray("/kits").addObject().put("name", "half an acre ").putArray("items");
        assertThat(server.put("/api/kits", bad).text()).contains("Two kits are called");
    }

    /** Bought by the cut list, price and load sheet have its bars, and both the same of them; terms stored before there were cuts open. */
    @Test
    void boughtByTheCutList() {
        String job = server.openDemo("orchard-ring.geojson");
        emptyTheYard();
        JsonNode terms = server.get("/api/jobs/" + job + "/terms").json();
        assertThat(terms.path("terms").path("cutting").asString()).isEqualTo("EACH");
        ObjectNode save = Server.object().put("baseSaveNo", terms.path("saveNo").asLong());
        save.set("terms", ((ObjectNode) terms.path("terms").deepCopy()).put("cutting", "LEAST_COST"));
        Answer stored = server.put("/api/jobs/" + job + "/terms", save);
        assertThat(stored.status()).as(stored.text()).isEqualTo(200);
        JsonNode cuts = server.get("/api/jobs/" + job + "/cuts").json();
        Map<String, Long> bars = new HashMap<>();
        for (JsonNode sheet : cuts.path("sheets")) {
            String material = sheet.path("material").asString();
            if (material.startsWith("post.") || material.equals("rail")) {
                for (JsonNode bar : sheet.path("bars")) {
                    String product =
                            material + "." + Math.round(bar.path("lengthM").asDouble() * 1000);
                    bars.merge(product, bar.path("times").asLong(), Long::sum);
                }
            }
        }
        assertThat(bars).isNotEmpty();
        JsonNode sheet = make(job, UUID.randomUUID());
        Map<String, Long> loaded = new HashMap<>();
        for (JsonNode p : sheet.path("sheet").path("planned")) {
            String product = p.path("product").asString();
            if (product.startsWith("post.timber") || product.startsWith("post.pipe") || product.startsWith("rail.")) {
                loaded.merge(product, Math.round(p.path("counted").asDouble()), Long::sum);
            }
        }
        assertThat(loaded).isEqualTo(bars);
        byte[] pdf = server.get("/api/jobs/" + job + "/cut-list.pdf").body();
        assertThat(new String(pdf, 0, 5, StandardCharsets.US_ASCII)).isEqualTo("%PDF-");
        assertThat(server.send(server.request(
                                        "/api/load-sheets/" + sheet.path("id").asString())
                                .DELETE())
                        .status())
                .isEqualTo(200);
        save.put("baseSaveNo", stored.json().path("saveNo").asLong());
        save.set("terms", terms.path("terms"));
        assertThat(server.put("/api/jobs/" + job + "/terms", save).status()).isEqualTo(200);
    }

    /** Two make out a sheet of one job at the same moment: one sheet, and whoever was later is told. */
    @Test
    void twoSheetsAtOnce() throws Exception {
        String job = server.openDemo("kitchen-garden.geojson");
        try (ExecutorService people = Executors.newFixedThreadPool(4)) {
            List<Future<Integer>> all = new ArrayList<>();
            for (int i = 0; i < 4; i++) {
                all.add(people.submit(() -> server.post(
                                "/api/jobs/" + job + "/load-sheet",
                                Server.object().put("id", UUID.randomUUID().toString()))
                        .status()));
            }
            List<Integer> said = new ArrayList<>();
            for (Future<Integer> f : all) {
                said.add(f.get());
            }
            assertThat(said).containsExactlyInAnyOrder(200, 409, 409, 409);
        }
    }

    /** Eight people at once: what two take is there, nothing is booked twice, and nobody takes what another took. */
    @Test
    void manyAtOnce() throws Exception {
        JsonNode products = server.get("/api/stock").json().path("products");
        String post = StreamSupport.stream(products.spliterator(), false)
                .filter(p -> p.path("product").asString().startsWith("post."))
                .findFirst()
                .orElseThrow()
                .path("product")
                .asString();
        String place = "Yard " + UUID.randomUUID();
        assertThat(arrive(UUID.randomUUID(), post, 0, 50, place).status()).isEqualTo(200);
        String job = server.openDemo("orchard-ring.geojson");
        JsonNode sheet = make(job, UUID.randomUUID());
        String id = sheet.path("id").asString();
        int lines = sheet.path("sheet").path("lines").size();
        List<UUID> shared = List.of(UUID.randomUUID(), UUID.randomUUID(), UUID.randomUUID());
        Map<Integer, Integer> answers = new HashMap<>();
        try (ExecutorService people = Executors.newFixedThreadPool(8)) {
            List<Future<List<Integer>>> all = new ArrayList<>();
            for (int person = 0; person < 8; person++) {
                Random random = new Random(person);
                all.add(people.submit(() -> {
                    List<Integer> said = new ArrayList<>();
                    for (int i = 0; i < 25; i++) {
                        said.add(
                                switch (random.nextInt(3)) {
                                    case 0 ->
                                        arrive(shared.get(random.nextInt(3)), post, 0, 10, place)
                                                .status();
                                    case 1 ->
                                        tick(
                                                        id,
                                                        1 + random.nextInt(Math.min(4, lines)),
                                                        random.nextBoolean() ? "LOADED" : "PICKED")
                                                .status();
                                    default ->
                                        bring(id, UUID.randomUUID(), post, 0, 1, null, place)
                                                .status();
                                });
                    }
                    return said;
                }));
            }
            for (Future<List<Integer>> f : all) {
                f.get().forEach(status -> answers.merge(status, 1, Integer::sum));
            }
        }
        assertThat(answers.keySet()).as(answers.toString()).isSubsetOf(200, 409);
        JsonNode closed = server.post("/api/load-sheets/" + id + "/close", Server.object())
                .json();
        for (JsonNode a : closed.path("accounts")) {
            assertThat(a.path("used").asDouble())
                    .isCloseTo(a.path("loaded").asDouble() - a.path("returned").asDouble(), within(1e-6));
        }
        JsonNode account = StreamSupport.stream(closed.path("accounts").spliterator(), false)
                .filter(a -> a.path("product").asString().equals(post))
                .findFirst()
                .orElse(Server.object());
        long loadedFromPlace = Math.round(account.path("loaded").asDouble(0));
        assertThat(pieces(post, 0, place))
                .as("fifty, three arrivals of ten once each, what came back, less what was taken there")
                .isLessThanOrEqualTo(80 + Math.round(account.path("returned").asDouble(0)))
                .isGreaterThanOrEqualTo(80 - loadedFromPlace);
    }
}
