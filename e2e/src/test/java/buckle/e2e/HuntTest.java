package buckle.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import buckle.exchange.Json;
import com.microsoft.playwright.Locator;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.atomic.AtomicReference;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** A fence that reads by itself, a hidden fault, the mend, the log; and a case to practise on, on a phone. */
class HuntTest {
    private static Browser browser;

    @BeforeAll
    static void open() {
        browser = new Browser();
    }

    @AfterAll
    static void close() {
        browser.close();
    }

    private static int rows(Screen screen) {
        return screen.test("live-readings").locator("tr").count();
    }

    private static void announced(Screen screen, String text) {
        screen.page.waitForFunction("text => document.body.innerText.includes(text)", text);
    }

    /** The ring is commissioned from the simulated meter; a fault is hidden by a seed, hunted, mended, and stands in the log. */
    @Test
    void fromTheMeterToTheLog() {
        Screen screen = new Screen(browser.page(1280, 800), Buckle.demo().url);
        String job = screen.fresh("Orchard ring");
        screen.openById(job, "test?sheet=meter");
        assertThat(screen.test("meter-port").innerText()).containsPattern("TCP port \\d+");
        screen.page.waitForSelector("text=Listening.");
        screen.test("sim-seed").fill("7");
        screen.test("sim-by").fill("A. Crew");
        screen.test("sim-when").selectOption("new, nothing wrong");
        screen.test("sim-round").click();
        announced(screen, "lines of the simulated meter were stored");
        // Nothing was asked for again: the page was told.
        screen.test("live-readings").waitFor();
        assertThat(rows(screen)).isGreaterThan(5);
        assertThat(screen.test("live-readings").innerText()).contains("simulated, seed 7");
        assertThat(screen.test("sim-failure").count()).isZero();
        screen.test("sheet-round").click();
        screen.test("round-open").waitFor();
        assertThat(screen.test("round-open").innerText()).doesNotContain("still to be read");

        // What was read in order is what later readings are held against, on the same day too.
        screen.openById(job, "test?sheet=yardstick");
        screen.test("yardstick-take").click();
        screen.page.waitForSelector("[data-test=yardstick-kept] >> text=In force");
        screen.saved();

        // A season later something is wrong; the place is told only to whoever asks.
        screen.test("sheet-meter").click();
        screen.test("sim-seed").fill("7");
        screen.test("sim-when").selectOption("a season later");
        screen.test("sim-hidden").selectOption("1");
        screen.test("sim-reveal").click();
        screen.test("sim-truth").waitFor();
        String truth = screen.test("sim-truth").innerText();
        Matcher station = Pattern.compile("Orchard ring, ([0-9 ]+)").matcher(truth);
        assertThat(station.find()).as(truth).isTrue();

        double at = hunted(screen, job);
        screen.openById(job, "faults?sheet=log");
        screen.test("new-fault").click();
        screen.test("fault-state").selectOption("open");
        screen.test("fault-station").fill(String.valueOf(Math.round(at / 0.3048)));
        screen.test("fault-before").fill("3.2");
        screen.test("keep-fault").click();
        screen.test("logged-fault").waitFor();
        assertThat(screen.test("logged-fault").innerText()).contains("open").contains("Orchard ring");
        // Found and mended: what came back is put down to what let it off, not to what was replaced for nothing.
        screen.test("fault-now").click();
        screen.test("fault-state").selectOption("mended");
        screen.test("fault-part").selectOption("growth");
        screen.test("fault-search").fill("18");
        screen.test("add-remedy").click();
        screen.test("add-remedy").click();
        Locator first = screen.test("remedy").nth(0);
        first.locator("select").selectOption("insulator");
        first.locator("input").nth(1).fill("4");
        first.locator("input[type=checkbox]").check();
        screen.test("remedy").nth(1).locator("select").selectOption("growth");
        screen.test("fault-after").fill("5.8");
        screen.test("keep-fault").click();
        screen.test("logged-gains").waitFor();
        assertThat(screen.test("logged-gains").innerText()).contains("+2.6 kV put down to growth cleared");
        assertThat(screen.test("logged-fault").innerText())
                .contains("mended")
                .contains("done for nothing: 4 × insulator")
                .contains("2 notes");
        screen.page.navigate(Buckle.demo().url + "/upkeep?sheet=fails");
        screen.test("fails-order").waitFor();
        assertThat(screen.page.locator(".fails").innerText()).contains("growth").contains("Orchard ring");
        screen.test("fails-place").first().waitFor();
    }

    private static JsonNode readings(Screen screen, String job) {
        return Json.parse(String.valueOf(screen.page.evaluate(
                        "async (job) => (await fetch('/api/jobs/' + job + '/readings')).text()", job))
                .getBytes(StandardCharsets.UTF_8));
    }

    private static List<String> kinds(JsonNode some) {
        return some.valueStream()
                .map(r -> r.path("what").path("kind").asString())
                .toList();
    }

    /** A crew chooses another step, reads amperes too, looks over a stretch of its own and reads where it likes: all of it counts. */
    @Test
    void theCrewDoesSomethingElse() {
        Screen screen = new Screen(browser.page(1280, 800), Buckle.demo().url);
        String job = screen.fresh("Donkey winter track");
        List<JsonNode> expected = new CopyOnWriteArrayList<>();
        screen.page.onRequest(r -> {
            if (r.url().endsWith("/electrics/expected-reading")) {
                expected.add(Json.parse(r.postDataBuffer()).path("expected"));
            }
        });
        screen.openById(job, "faults");
        screen.test("next-step").waitFor(new Locator.WaitForOptions().setTimeout(60_000));
        int before = readings(screen, job).size();
        screen.page.getByLabel("its meter shows amperes too").check();
        Locator others = screen.test("next-other").filter(new Locator.FilterOptions().setHasText("Read the voltage"));
        others.first().waitFor(new Locator.WaitForOptions().setTimeout(60_000));
        screen.settled();
        String advised =
                screen.test("next-step").innerText().lines().findFirst().orElseThrow();
        String chosen = others.first().innerText();
        others.first().click();
        assertThat(screen.test("next-step").innerText()).startsWith(chosen);
        assertThat(advised).startsWith(screen.test("next-advised").innerText()).doesNotStartWith(chosen);
        String station = screen.test("next-from").inputValue();
        assertThat(chosen).contains(" at " + station + " m");
        assertThat(expected).last().satisfies(e -> {
            assertThat(Math.round(e.path("stationM").asDouble())).hasToString(station);
            assertThat(e.path("currents").asBoolean()).isTrue();
        });
        screen.test("next-by").fill("A. Crew");
        screen.test("next-kv").fill("5.3");
        screen.test("next-amperes").fill("2.4");
        screen.test("next-direction").selectOption("to the finish of the line");
        screen.test("next-kv").press("Enter");
        stored(screen, job, before + 2);
        JsonNode two = readings(screen, job);
        List<JsonNode> fresh = two.valueStream()
                .filter(r -> r.path("takenBy").asString().equals("A. Crew"))
                .toList();
        assertThat(kinds(Json.MAPPER.valueToTree(fresh))).containsExactlyInAnyOrder("PEAK", "CURRENT");
        assertThat(fresh)
                .allSatisfy(
                        r -> assertThat(Math.round(r.path("at").path("stationM").asDouble()))
                                .hasToString(station));

        // A stretch that nobody advised; beyond its line there is none.
        told(screen);
        screen.test("own-stretch").click();
        screen.test("next-line").selectOption("Winter track");
        screen.test("next-from").fill("120");
        screen.test("next-to").fill("900");
        screen.test("next-nothing").click();
        assertThat(screen.test("next-failure").innerText()).contains("Winter track runs from 0 to 438 m");
        screen.test("next-to").fill("438");
        screen.test("next-from").fill("438");
        screen.test("next-nothing").click();
        assertThat(screen.test("next-failure").innerText()).contains("from where to where");
        screen.test("next-from").fill("120");
        screen.test("next-to").fill("160");
        screen.test("next-nothing").click();
        stored(screen, job, before + 3);
        assertThat(screen.page.locator(".next").innerText()).contains("Winter track, 120 m to 160 m (A. Crew)");

        // What was begun stays at its place when another crew's reading brings new advice.
        told(screen);
        screen.test("own-reading").click();
        screen.test("next-line").selectOption("Winter track");
        screen.test("next-from").fill("200");
        screen.test("next-kv").fill("5.2");
        screen.test("next-kv").press("Enter");
        stored(screen, job, before + 4);
        told(screen);
        others.first().click();
        String begun = screen.test("next-from").inputValue();
        String stood = screen.test("next-line").inputValue();
        screen.test("next-kv").fill("5");
        ObjectNode order = simulated("2026-11-14T00:00:00Z");
        order.withArray("places")
                .addObject()
                .put("lineId", line(screen, job, "Lane side"))
                .put("stationM", 60);
        sent(screen, "/api/jobs/" + job + "/simulated-meter", order);
        // The simulated meter tells amperes too.
        stored(screen, job, before + 6);
        told(screen);
        screen.test("next-overtaken").waitFor();
        assertThat(screen.test("next-from").inputValue()).isEqualTo(begun);
        assertThat(screen.test("next-line").inputValue()).isEqualTo(stood);
        assertThat(screen.test("next-kv").inputValue()).isEqualTo("5");
    }

    /** What one crew reads and writes down the other's page shows by itself; mended, nothing is looked for that is not there any more. */
    @Test
    void twoCrewsOnOneFence() {
        Screen office = new Screen(browser.page(1280, 800), Buckle.demo().url);
        String job = office.fresh("Donkey winter track");
        office.openById(job, "faults");
        office.test("faults-verdict").waitFor(new Locator.WaitForOptions().setTimeout(60_000));
        String since = office.test("faults-since").inputValue();
        String before = office.page.locator(".suspects").innerText();
        Screen crew = new Screen(browser.page(390, 844), Buckle.demo().url);
        crew.openById(job, "faults");
        crew.test("next-step").waitFor(new Locator.WaitForOptions().setTimeout(60_000));
        crew.test("own-reading").click();
        crew.test("next-by").fill("B. Crew");
        crew.test("next-kv").fill("2.1");
        crew.test("next-kv").press("Enter");
        String used = "n => +(/(\\d+) readings took part/.exec(document.body.innerText)?.[1] ?? 0) === n";
        Matcher took = Pattern.compile("(\\d+) readings took part").matcher(before);
        assertThat(took.find()).isTrue();
        office.page.waitForFunction(used, Integer.parseInt(took.group(1)) + 1);
        assertThat(office.test("faults-since").inputValue()).isEqualTo(since);

        // The log begins with what was read, and where, so that it is read there again.
        office.test("sheet-log").click();
        office.test("new-fault").click();
        assertThat(office.test("fault-before").inputValue()).isEqualTo("2.1");
        assertThat(office.test("fault-read-at").innerText()).startsWith("read at ");
        office.test("fault-state").selectOption("mended");
        office.test("fault-part").selectOption("joint");
        office.test("fault-after").fill("5.3");
        office.test("fault-by").fill("A. Crew");
        office.test("keep-fault").click();
        crew.test("faults-mended").waitFor();
        assertThat(crew.test("faults-mended").innerText()).contains("(5.3 kV then)");
        assertThat(crew.test("next-step").count()).isZero();
        assertThat(crew.test("faults-verdict").count()).isZero();
        crew.test("faults-before").click();
        crew.test("faults-verdict").waitFor();
        office.test("sheet-where").click();
        office.test("faults-round").click();
        office.test("round-open").waitFor();
        // Without a way to the server a note waits on the device.
        crew.test("sheet-log").click();
        crew.test("new-fault").click();
        crew.test("fault-note").fill("ticks again");
        crew.page.context().setOffline(true);
        crew.test("keep-fault").click();
        crew.test("kept-note").waitFor();
        assertThat(crew.test("kept-note").innerText()).contains("Kept on this device", "ticks again");
        crew.page.context().setOffline(false);
        office.openById(job, "faults?sheet=log");
        office.page.waitForSelector("[data-test=logged-fault] >> text=ticks again");
        assertThat(crew.test("kept-note").count()).isZero();
    }

    private static String line(Screen screen, String job, String name) {
        return String.valueOf(screen.page.evaluate(
                "async ([job, name]) => (await (await fetch('/api/jobs/' + job + '/plan')).json()).plan.site.lines.find((l) => l.name === name).id",
                List.of(job, name)));
    }

    private static void stored(Screen screen, String job, int many) {
        long until = System.nanoTime() + 20_000_000_000L;
        while (readings(screen, job).size() < many && System.nanoTime() < until) {
            screen.page.waitForTimeout(100);
        }
        assertThat(readings(screen, job).size()).isEqualTo(many);
    }

    private static void told(Screen screen) {
        screen.settled();
        screen.page.waitForFunction(
                "() => document.querySelector('.next h2')?.innerText.includes('working it out') === false");
    }

    private static final int MOST_STEPS = 25;

    /** Done as the screen says, with the simulated meter, until one stands before it; its station, in metres. */
    private static double hunted(Screen screen, String job) {
        String meter = "/api/jobs/" + job + "/simulated-meter";
        String since = Instant.now().plusMillis(1).toString();
        JsonNode hidden =
                Json.parse(sent(screen, meter + "/hidden", simulated(since))).get(0);
        AtomicReference<JsonNode> told = new AtomicReference<>();
        screen.page.onResponse(answer -> {
            if (answer.url().endsWith("/next-steps") && answer.ok()) {
                told.set(Json.parse(answer.body()).path("steps").get(0));
            }
        });
        screen.openById(job, "faults");
        for (int steps = 1; steps <= MOST_STEPS; steps++) {
            screen.test("next-step").waitFor();
            screen.page.waitForFunction(
                    "() => document.querySelector('.next h2')?.innerText.includes('working it out') === false");
            JsonNode step = told.get();
            double from = step.path("fromM").asDouble();
            double to = step.path("toM").asDouble();
            String words = screen.test("next-step").innerText();
            switch (step.path("action").asString()) {
                case "READ", "OPEN" -> {
                    ObjectNode order = simulated(since);
                    order.withArray("places")
                            .addObject()
                            .put("lineId", step.path("lineId").asString())
                            .put("stationM", from);
                    if (!step.path("cutOut").isNull()) {
                        order.withArray("open").add(step.path("cutOut").asString());
                    }
                    assertThat(Json.parse(sent(screen, meter, order))
                                    .path("stored")
                                    .asInt())
                            .isOne();
                }
                default -> {
                    boolean onLine = step.path("action").asString().equals("LOOK_OVER");
                    if (onLine
                            && hidden.path("toM").asDouble() >= Math.min(from, to) - 1
                            && hidden.path("fromM").asDouble() <= Math.max(from, to) + 1) {
                        System.out.printf("Found after %d steps: %s%n", steps, hidden);
                        return (hidden.path("fromM").asDouble()
                                        + hidden.path("toM").asDouble())
                                / 2;
                    }
                    screen.test("next-nothing").click();
                }
            }
            // What was done is stored, and the next thing is told.
            screen.page.waitForFunction(
                    "before => ![undefined, before].includes(document.querySelector('[data-test=next-step]')?.innerText)",
                    words);
        }
        throw new AssertionError("not found after " + MOST_STEPS + " steps: " + hidden);
    }

    private static ObjectNode simulated(String since) {
        ObjectNode order = Json.MAPPER
                .createObjectNode()
                .put("seed", 7)
                .put("handedOver", false)
                .put("growth", "LIGHT")
                .put("weather", "DRY")
                .put("hidden", 1)
                .put("onlyWet", false)
                .put("round", false)
                .put("since", since)
                .put("by", "A. Crew");
        order.putArray("open");
        order.putArray("places");
        return order;
    }

    private static byte[] sent(Screen screen, String path, ObjectNode body) {
        return String.valueOf(screen.page.evaluate(
                        "async ([path, body]) => (await fetch(path, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body })).text()",
                        List.of(path, body.toString())))
                .getBytes(StandardCharsets.UTF_8);
    }

    /** The demo's track holds an open fault and a year of log, and what is due. */
    @Test
    void theDemoHoldsAYear() {
        Screen screen = new Screen(browser.page(1280, 800), Buckle.demo().url);
        screen.openById(screen.fresh("Donkey winter track"), "faults?sheet=log");
        screen.test("logged-fault").first().waitFor();
        assertThat(screen.test("logged-fault").count()).isEqualTo(6);
        assertThat(screen.test("logged-fault").first().innerText()).contains("open");
        screen.test("sheet-falling").click();
        screen.test("trend").first().waitFor();
        screen.page.navigate(Buckle.demo().url + "/upkeep");
        screen.test("due-round").first().waitFor();
        assertThat(screen.test("due-fault").count()).isPositive();
    }

    /** One case by phone: a reading, a guess that is wrong, and what would have been the best way. */
    @Test
    void aCaseOnAPhone() {
        Screen screen = new Screen(browser.page(390, 844), Buckle.demo().url);
        screen.page.navigate(Buckle.demo().url + "/practice");
        screen.test("practice-name").fill("Ada on a phone");
        screen.test("case-LEAK_ON_A_BRANCH").click();
        screen.test("practice-map").waitFor();
        for (int i : new int[] {0, 5}) {
            screen.test("practice-point").nth(i).click();
            screen.test("practice-read").click();
            screen.page.waitForFunction(
                    "n => document.querySelectorAll('[data-test=practice-history] li').length === n", i == 0 ? 1 : 2);
        }
        assertThat(screen.test("practice-clock").innerText()).contains("min");
        screen.test("practice-give-up").click();
        screen.test("practice-verdict").waitFor(new Locator.WaitForOptions().setTimeout(60_000));
        assertThat(screen.test("practice-verdict").innerText())
                .contains("not found")
                .contains("It was a leak");
        assertThat(screen.test("practice-best").locator("li").count()).isPositive();
        assertThat(screen.test("practice-history").innerText()).contains("held 90 %");
        screen.test("practice-back").click();
        screen.test("case-best").first().waitFor();
        assertThat(screen.test("case-best").first().innerText()).contains("1 tried");
        assertThat(((Number) screen.page.evaluate("() => document.documentElement.scrollWidth - innerWidth"))
                        .intValue())
                .isLessThanOrEqualTo(0);
    }
}
