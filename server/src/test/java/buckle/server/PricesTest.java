package buckle.server;

import static org.assertj.core.api.Assertions.assertThat;

import buckle.server.Server.Answer;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.StreamSupport;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** From the price book to a quote that was accepted and changed, over HTTP and on paper. */
class PricesTest {
    private static final String COLUMNS = "0,1,2,3,4,5,6,7,8,9,10,11,12,13,14";
    private static final String HEADER =
            "code,description,unit,product,substitute_for,unit_kg,life_years,supplier,pack,pack_size,price,currency,from_packs,date,tax_class\n";

    private final Server server = Server.get();

    @TempDir
    Path folder;

    private JsonNode price(String job) {
        return server.post("/api/price", server.order(job)).json();
    }

    private JsonNode send(String job, UUID request, int revises) {
        ObjectNode order = Server.object().put("id", request.toString());
        if (revises > 0) {
            order.put("revises", revises);
        }
        Answer answer = server.post("/api/jobs/" + job + "/quotes", order);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.json();
    }

    private Answer decide(int number, int revision, boolean accepted, String... options) {
        ObjectNode decision = Server.object().put("accepted", accepted).put("note", "");
        List.of(options).forEach(decision.withArray("options")::add);
        decision.withArray("options");
        return server.post("/api/quotes/" + number + "/" + revision + "/decision", decision);
    }

    private static BigDecimal dec(JsonNode node) {
        return node.decimalValue();
    }

    private static BigDecimal sum(JsonNode list, String field) {
        return StreamSupport.stream(list.spliterator(), false)
                .map(n -> dec(n.path(field)))
                .reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    /** The figures of the answer hang together, and everything the demo fences take has a price but what nobody chose. */
    @Test
    void theDemosArePriced() {
        for (String demo : List.of("orchard-ring", "alpaca-paddocks", "donkey-winter-track", "kitchen-garden")) {
            String job = server.openDemo(demo + ".geojson");
            JsonNode price = price(job);
            List<String> unpriced = new ArrayList<>();
            price.path("material").forEach(m -> {
                if (!m.path("priced").asBoolean()) {
                    unpriced.add(m.path("product").asString());
                }
                double bought = 0;
                for (JsonNode b : m.path("bought")) {
                    bought += b.path("packSize").asDouble() * b.path("count").asDouble();
                }
                if (!m.path("bought").isEmpty()) {
                    double need = m.path("counted").asDouble()
                            + m.path("spare").asDouble()
                            + m.path("allowance").asDouble();
                    assertThat(bought).as(m.toString()).isGreaterThanOrEqualTo(need - 1e-6);
                    assertThat(dec(m.path("cost"))).isEqualByComparingTo(sum(m.path("bought"), "cost"));
                }
            });
            assertThat(unpriced).as(demo).isSubsetOf("fitting.energizer");
            assertThat(sum(price.path("lines"), "amount")).isEqualByComparingTo(dec(price.path("net")));
            assertThat(dec(price.path("net")).add(sum(price.path("taxes"), "tax")))
                    .isEqualByComparingTo(dec(price.path("total")));
            JsonNode sums = price.path("sums");
            assertThat(dec(sums.path("cost")).add(dec(sums.path("margin"))))
                    .isEqualByComparingTo(dec(price.path("net")));
            assertThat(dec(sums.path("marginPercent"))).isEqualByComparingTo("20");
            ObjectNode order = server.order(job);
            order.withArray("readings");
            assertThat(dec(server.post("/api/design", order)
                            .json()
                            .path("price")
                            .path("net")))
                    .isEqualByComparingTo(dec(price.path("net")));
        }
    }

    /** Sent, then everything it came from is changed: the quote and its paper stay as they were, and so does what accepting it costs. */
    @Test
    void aQuoteStaysAsItWasSent() throws Exception {
        String job = server.openDemo("orchard-ring.geojson");
        ObjectNode terms =
                (ObjectNode) server.get("/api/jobs/" + job + "/terms").json();
        ObjectNode own = (ObjectNode) terms.path("terms");
        own.withArray("options")
                .addObject()
                .put("id", "a")
                .put("text", "One gate more")
                .put("amount", 100)
                .put("taxClass", "goods")
                .put("oneOf", "gate");
        own.withArray("options")
                .addObject()
                .put("id", "b")
                .put("text", "A wider gate")
                .put("amount", 10.5)
                .put("taxClass", "goods")
                .put("oneOf", "gate");
        own.withArray("options")
                .addObject()
                .put("id", "c")
                .put("text", "Mowing")
                .put("amount", 50)
                .put("taxClass", "work")
                .put("oneOf", "");
        Answer saved = server.put(
                "/api/jobs/" + job + "/terms",
                Server.object().put("baseSaveNo", 0).set("terms", own));
        assertThat(saved.status()).as(saved.text()).isEqualTo(200);
        UUID request = UUID.randomUUID();
        JsonNode sent = send(job, request, 0);
        int number = sent.path("quote").path("number").asInt();
        assertThat(send(job, request, 0).path("quote").path("number").asInt()).isEqualTo(number);
        String path = "/api/quotes/" + number + "/1";
        byte[] a4 = server.get(path + "/quote.pdf?paper=A4").body();
        byte[] letter = server.get(path + "/quote.pdf?paper=LETTER").body();
        JsonNode quote = server.get(path).json().path("quote");
        for (byte[] pdf : List.of(a4, letter)) {
            String text = text(pdf);
            assertThat(text).contains("Quote " + number, "Orchard ring", "One gate more", "one of “gate”");
            for (JsonNode line : quote.path("lines")) {
                assertThat(text).contains(String.format("%,.2f", dec(line.path("amount"))));
            }
            assertThat(text)
                    .contains(String.format("USD %,.2f", dec(quote.path("net"))))
                    .contains(String.format("USD %,.2f", dec(quote.path("total"))))
                    .contains("Valid until");
        }

        importList("P-STEEL-TEE-1676,dearer,pcs,post.steel-tee.1676,,,,Hollow Yard,piece,1,999,,1,2026-10-01,goods\n");
        ObjectNode firm = (ObjectNode) server.get("/api/firm").json();
        ObjectNode changed = (ObjectNode) firm.path("firm").deepCopy();
        changed.put("name", "Somebody else").put("currency", "EUR");
        ((ObjectNode) changed.path("rates").path("tax").path("rates").path(0)).put("percent", 25);
        assertThat(saveFirm(firm.path("revision").asInt(), changed).status()).isEqualTo(200);
        try {
            assertThat(server.get(path).json().path("quote")).isEqualTo(quote);
            JsonNode elsewhere = price(job);
            assertThat(dec(elsewhere.path("sums").path("material")))
                    .as("prices in dollars are no prices in euros")
                    .isEqualByComparingTo("0");
            assertThat(elsewhere.path("says").toString()).contains("USD passed over");
            assertThat(server.get(path + "/quote.pdf?paper=A4").body()).isEqualTo(a4);
            assertThat(decide(number, 1, true, "a", "b").status()).isEqualTo(422);
            assertThat(decide(number, 1, true, "nothing").status()).isEqualTo(422);
            Answer accepted = decide(number, 1, true, "b", "c");
            assertThat(accepted.status()).as(accepted.text()).isEqualTo(200);
            // 10.50 of goods at 6.25 % is 0.66, 50 of work has no tax; tax is rounded over all goods together.
            BigDecimal goods = StreamSupport.stream(quote.path("lines").spliterator(), false)
                    .filter(l -> l.path("taxClass").asString().equals("goods"))
                    .map(l -> dec(l.path("amount")))
                    .reduce(new BigDecimal("10.50"), BigDecimal::add);
            BigDecimal tax = goods.multiply(new BigDecimal("0.0625")).setScale(2, RoundingMode.HALF_UP);
            assertThat(dec(accepted.json().path("agreed").path("total")))
                    .isEqualByComparingTo(
                            dec(quote.path("net")).add(new BigDecimal("60.50")).add(tax));
            assertThat(decide(number, 1, true, "b", "c").status()).isEqualTo(200);
            assertThat(decide(number, 1, false).status()).isEqualTo(409);
        } finally {
            int revision = server.get("/api/firm").json().path("revision").asInt();
            assertThat(saveFirm(revision, firm.path("firm")).status()).isEqualTo(200);
        }
    }

    private Answer saveFirm(int base, JsonNode firm) {
        return server.put("/api/firm", Server.object().put("baseRevision", base).set("firm", firm));
    }

    /** The firm's mark stands on the paper; a hash of nothing is refused. */
    @Test
    void theMarkOfTheFirmStandsOnTheQuote() throws Exception {
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(40, 20, BufferedImage.TYPE_INT_RGB), "png", png);
        String hash = server.upload("/api/pictures?name=mark", png.toByteArray())
                .json()
                .path("hash")
                .asString();
        ObjectNode firm = (ObjectNode) server.get("/api/firm").json();
        ObjectNode marked = (ObjectNode) firm.path("firm").deepCopy();
        assertThat(saveFirm(firm.path("revision").asInt(), marked.deepCopy().put("mark", "no such picture"))
                        .status())
                .isEqualTo(404);
        Answer saved = saveFirm(firm.path("revision").asInt(), marked.put("mark", hash));
        assertThat(saved.status()).as(saved.text()).isEqualTo(200);
        try {
            String job = server.openDemo("kitchen-garden.geojson");
            int number =
                    send(job, UUID.randomUUID(), 0).path("quote").path("number").asInt();
            byte[] pdf = server.get("/api/quotes/" + number + "/1/quote.pdf").body();
            Path file = folder.resolve("marked.pdf");
            Files.write(file, pdf);
            Process list = new ProcessBuilder("pdfimages", "-list", file.toString()).start();
            assertThat(new String(list.getInputStream().readAllBytes(), StandardCharsets.UTF_8))
                    .contains(" 40 ", " 20 ");
        } finally {
            int revision = server.get("/api/firm").json().path("revision").asInt();
            assertThat(saveFirm(revision, firm.path("firm")).status()).isEqualTo(200);
        }
    }

    /** A change order says what is built more and what it costs; the difference of the sums is the sum of the differences. */
    @Test
    void aChangeOrderIsTheDifferenceOfTwoRevisions() throws Exception {
        String job = server.openDemo("orchard-ring.geojson");
        int number =
                send(job, UUID.randomUUID(), 0).path("quote").path("number").asInt();
        assertThat(decide(number, 1, true).status()).isEqualTo(200);
        ObjectNode plan = (ObjectNode) server.get("/api/jobs/" + job + "/plan").json();
        ObjectNode posts =
                (ObjectNode) plan.path("plan").path("spec").path("fence").path("posts");
        posts.put("spacingM", 4.0);
        ObjectNode save = Server.object()
                .put("baseSaveNo", plan.path("saveNo").asLong())
                .put("stretch", UUID.randomUUID().toString())
                .put("label", "");
        save.set("plan", plan.path("plan"));
        // In the same sitting as before the quote: the revision it names is left alone all the same.
        for (int i = 0; i < 2; i++) {
            Answer stored = server.put("/api/jobs/" + job + "/plan", save);
            assertThat(stored.status()).as(stored.text()).isEqualTo(200);
            assertThat(stored.json().path("revision").asInt()).isEqualTo(2);
            save.put("baseSaveNo", stored.json().path("saveNo").asLong());
            posts.put("spacingM", 4.0 + 0.1 * i);
        }
        JsonNode second = send(job, UUID.randomUUID(), number);
        assertThat(second.path("quote").path("revision").asInt()).isEqualTo(2);
        assertThat(second.path("change").asBoolean()).isTrue();
        JsonNode change =
                server.get("/api/quotes/" + number + "/2/changes").json().path("difference");
        assertThat(sum(change.path("amounts"), "after").subtract(sum(change.path("amounts"), "before")))
                .isEqualByComparingTo(dec(change.path("net")));
        assertThat(dec(change.path("net"))).isPositive();
        JsonNode linePosts = StreamSupport.stream(change.path("items").spliterator(), false)
                .filter(i -> i.path("product").asString().startsWith("post.timber-90"))
                .findFirst()
                .orElseThrow();
        assertThat(linePosts.path("after").asDouble())
                .isGreaterThan(linePosts.path("before").asDouble());
        String text = text(server.get("/api/quotes/" + number + "/2/quote.pdf").body());
        assertThat(text)
                .contains("Change order " + number + ", revision 2", "What changes")
                .contains("+ " + String.format("%,.2f", dec(change.path("net"))));
        JsonNode all = server.get("/api/jobs/" + job + "/quotes").json();
        assertThat(all).hasSize(2);
        assertThat(all.path(1).path("status").asString()).isEqualTo("ACCEPTED");
    }

    @Test
    void numbersFollowOneAnother() throws Exception {
        String job = server.openDemo("kitchen-garden.geojson");
        UUID twice = UUID.randomUUID();
        Set<Integer> numbers = new TreeSet<>();
        try (ExecutorService people = Executors.newFixedThreadPool(6)) {
            List<Future<JsonNode>> sent = new ArrayList<>();
            for (int i = 0; i < 6; i++) {
                UUID request = i < 2 ? twice : UUID.randomUUID();
                sent.add(people.submit(() -> send(job, request, 0)));
            }
            for (Future<JsonNode> f : sent) {
                numbers.add(f.get().path("quote").path("number").asInt());
            }
        }
        assertThat(numbers).hasSize(5);
        int first = numbers.iterator().next();
        assertThat(numbers).containsExactly(first, first + 1, first + 2, first + 3, first + 4);
        String other = server.openDemo("orchard-ring.geojson");
        Answer wrong = server.post(
                "/api/jobs/" + other + "/quotes",
                Server.object().put("id", UUID.randomUUID().toString()).put("revises", first));
        assertThat(wrong.status()).isEqualTo(422);
        assertThat(send(other, UUID.randomUUID(), 0)
                        .path("quote")
                        .path("number")
                        .asInt())
                .as("what was refused took no number")
                .isEqualTo(first + 5);
    }

    /** Different items go together; on the same one the later is asked to look again; a list is taken whole or not at all. */
    @Test
    void twoPeopleInThePriceBook() {
        importList("T-1,one,pcs,,,,,yard,pack,1,1,,1,2026-10-01,\nT-2,two,pcs,,,,,yard,pack,1,1,,1,2026-10-01,\n");
        JsonNode page = server.get("/api/price-book?search=t-1").json();
        int base = page.path("revision").asInt();
        ObjectNode one = (ObjectNode) item("T-1");
        ObjectNode two = (ObjectNode) item("T-2");
        assertThat(saveItem(base, one.put("description", "one, by ann")).status())
                .isEqualTo(200);
        assertThat(saveItem(base, two.put("description", "two, by ben")).status())
                .isEqualTo(200);
        Answer late = saveItem(base, one.deepCopy().put("description", "one, by ben"));
        assertThat(late.status()).isEqualTo(409);
        assertThat(late.text()).contains("T-1");
        assertThat(saveItem(base, one).status()).as("sent again").isEqualTo(200);
        int now = server.get("/api/price-book").json().path("revision").asInt();
        String stale = "/api/price-book/import?columns=" + COLUMNS + "&baseRevision=" + base;
        assertThat(server.upload(stale, bytes(HEADER + "T-3,x,pcs,,,,,yard,pack,1,1,,1,2026-10-01,\n"))
                        .status())
                .isEqualTo(409);
        Answer broken = server.upload(
                "/api/price-book/import?columns=" + COLUMNS + "&baseRevision=" + now,
                bytes(HEADER
                        + "T-4,x,pcs,,,,,yard,pack,1,1,,1,2026-10-01,\nT-5,x,pcs,,,,,yard,pack,1,-1,,1,2026-10-01,\n"));
        assertThat(broken.status()).isEqualTo(422);
        assertThat(broken.text()).contains("row 3").contains("under zero");
        assertThat(server.get("/api/price-book?search=T-4").json().path("found").asInt())
                .isZero();
        assertThat(server.send(server.request("/api/price-book/item?code=T-2&baseRevision=" + now)
                                .DELETE())
                        .status())
                .isEqualTo(200);
        assertThat(server.get("/api/price-book?search=t-2").json().path("found").asInt())
                .isZero();
    }

    @Test
    void whatTheBookHoldsComesOutAsItWentIn() throws IOException {
        byte[] csv = server.get("/api/price-book.csv").body();
        JsonNode look = server.upload("/api/price-book/look", csv).json();
        assertThat(look.path("rowCount").asInt()).isGreaterThan(500);
        JsonNode preview = server.upload("/api/price-book/preview?mode=REPLACE&columns=" + COLUMNS, csv)
                .json();
        assertThat(preview.path("added").asInt()
                        + preview.path("changed").asInt()
                        + preview.path("removed").asInt())
                .as(preview.toString())
                .isZero();
        byte[] xlsx = server.get("/api/price-book.xlsx").body();
        assertThat(server.upload("/api/price-book/preview?mode=REPLACE&columns=" + COLUMNS, xlsx)
                        .json()
                        .path("changed")
                        .asInt())
                .isZero();
        assertThat(server.upload("/api/price-book/preview?columns=1,2", csv).status())
                .isEqualTo(422);
        assertThat(server.upload("/api/price-book/preview?columns=x", csv).status())
                .isEqualTo(422);
        assertThat(server.get("/api/price-book?limit=5000").status()).isEqualTo(422);
    }

    @Test
    void ratesThatCannotBeAreRefused() {
        JsonNode firm = server.get("/api/firm").json();
        ObjectNode bad = (ObjectNode) firm.path("firm").deepCopy();
        ((ObjectNode) bad.path("rates")).put("marginPercent", 120);
        ((ObjectNode) bad.path("texts").path("stages").path(0)).put("percent", 10);
        Answer answer = saveFirm(firm.path("revision").asInt(), bad);
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.text()).contains("rates.marginPercent").contains("make 100 %");
        assertThat(saveFirm(99, ((ObjectNode) firm.path("firm").deepCopy()).put("name", "x"))
                        .status())
                .isEqualTo(409);
    }

    private JsonNode item(String code) {
        return server.get("/api/price-book?search=" + code).json().path("items").path(0);
    }

    private Answer saveItem(int base, JsonNode item) {
        return server.put(
                "/api/price-book/item",
                Server.object().put("baseRevision", base).set("item", item));
    }

    private void importList(String rows) {
        int base = server.get("/api/price-book").json().path("revision").asInt();
        Answer answer = server.upload(
                "/api/price-book/import?columns=" + COLUMNS + "&baseRevision=" + base, bytes(HEADER + rows));
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
    }

    private static byte[] bytes(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }

    /** As poppler reads it. */
    private String text(byte[] pdf) throws IOException, InterruptedException {
        Path file = folder.resolve(UUID.randomUUID() + ".pdf");
        Files.write(file, pdf);
        Process process = new ProcessBuilder("pdftotext", "-layout", file.toString(), "-").start();
        String text = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(process.waitFor()).isZero();
        return text;
    }
}
