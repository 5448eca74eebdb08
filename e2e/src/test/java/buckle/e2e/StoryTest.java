package buckle.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Page;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

/** The whole way of a job, from a walked track to a failing section on record, and out and in again elsewhere. */
class StoryTest {
    private static final Path WALK = Buckle.ROOT.resolve("exchange/src/test/resources/walks/orchard-ring-walk.gpx");

    private final Browser browser = new Browser();

    @AfterEach
    void close() {
        browser.close();
    }

    private Map<String, String> figures(Screen screen) {
        Map<String, String> figures = new LinkedHashMap<>();
        for (String key : List.of("fence", "strong", "line-posts", "wire", "insulators", "sections", "need")) {
            figures.put(key, screen.figure(key));
        }
        return figures;
    }

    private static List<String> standings(Screen screen) {
        return screen.page.locator(".section header").allInnerTexts().stream()
                .map(t -> t.replaceAll("\\s+", " "))
                .toList();
    }

    @Test
    void fromTheWalkToTheFailingSectionAndElsewhere() throws IOException {
        Buckle buckle = Buckle.demo();
        Screen screen = new Screen(browser.page(1280, 800), buckle.url);

        // Drop the track; look at what Buckle made of it; take it.
        screen.dropInTheYard(WALK);
        screen.test("survey-preview").waitFor();
        assertThat(screen.number(screen.test("preview-length").innerText().split(" ft")[0]))
                .isCloseTo(2059, within(31.0));
        assertThat(screen.test("survey-preview").innerText()).contains("Left out: Mark “creek”");
        screen.test("take-survey").click();
        screen.test("figure-fence").waitFor();
        screen.saved();

        // Wild boar; a gate and a cut-out placed on the plan.
        screen.stage("layout");
        screen.test("animal").selectOption("WILD_BOAR");
        screen.page.waitForFunction(
                "() => document.querySelector('[data-test=figure-need] .value').textContent === '4.5 kV'");
        assertThat(screen.test("preset").inputValue()).isEqualTo("W15");
        int strong = Integer.parseInt(screen.figure("strong"));
        screen.saved();
        screen.test("tool-gate").click();
        double[] side = screen.between(3, 4, 0.5);
        screen.page.mouse().click(side[0], side[1]);
        screen.page.waitForFunction(
                "(n) => Number(document.querySelector('[data-test=figure-strong] .value').textContent) > n", strong);
        assertThat(Integer.parseInt(screen.figure("strong")))
                .as("two gate posts and two brace posts")
                .isEqualTo(strong + 4);
        screen.saved();
        screen.test("tool-cutOut").click();
        double[] place = screen.between(2, 3, 0.4);
        screen.page.mouse().click(place[0], place[1]);
        screen.page.waitForFunction(
                "() => document.querySelector('[data-test=figure-sections] .value').textContent === '2'");
        screen.saved();

        // Read the takeoff and take its CSV along.
        screen.stage("takeoff");
        String strainers = screen.test("item-strainer").innerText();
        assertThat(strainers).contains("3 wires × 8 pulls = 24");
        String csv = Files.readString(
                screen.download(() -> screen.test("takeoff-csv").click()));
        assertThat(csv).contains("strainer,Strainer,24,pcs").contains("S2");
        Map<String, String> figures = figures(screen);

        // Write down the voltages; the last ones are low.
        screen.stage("test");
        screen.test("taken-by").fill("Mara");
        screen.test("weather").selectOption("DAMP");
        int points = screen.page.locator("tr[data-test^='point-']").count();
        assertThat(points).isGreaterThanOrEqualTo(7);
        List<String> order = new ArrayList<>();
        for (int i = 0; i < points; i++) {
            String name = screen.page.locator(".where b").innerText();
            order.add(name);
            boolean beyond = screen.page
                            .locator("[data-test='section-Section 2'] tr.chosen")
                            .count()
                    > 0;
            screen.read(beyond ? "2.9" : "6." + i);
        }
        assertThat(order).doesNotHaveDuplicates();
        screen.page.waitForFunction(
                "() => /broken/.test(document.querySelector(\"[data-test='section-Section 2']\").textContent)");
        screen.page.waitForFunction(
                "() => /Section 1\\s+met/.test(document.querySelector(\"[data-test='section-Section 1']\").innerText)");
        List<String> standings = standings(screen);
        assertThat(standings).hasSize(2);
        assertThat(standings.get(0)).startsWith("Section 1 met");
        assertThat(standings.get(1)).startsWith("Section 2 broken").contains("2.9 kV is under 85 % of 4.5 kV");

        // A slip is corrected beside the old reading, which stays.
        screen.page
                .locator("[data-test='section-Section 2'] td button", new Page.LocatorOptions().setHasText("so far"))
                .first()
                .click();
        screen.page.locator("text=Correct").first().click();
        screen.read("2.8");
        screen.page.waitForSelector(".history .corrected");

        // Out as a job file, in again in another Buckle on other data: the same numbers.
        screen.stage("takeoff");
        Path file = screen.download(() -> screen.test("export-job").click());
        Path named = Files.copy(file, Buckle.folder("export").resolve("ring.geojson"));
        try (Buckle elsewhere = Buckle.start("start", Buckle.folder("elsewhere"))) {
            Screen other = new Screen(browser.page(1280, 800), elsewhere.url);
            other.yard();
            assertThat(other.page.locator("article").count())
                    .as("start brings no demo")
                    .isZero();
            other.dropInTheYard(named);
            other.page.waitForSelector("article");
            other.openListed("Orchard ring", "test");
            assertThat(figures(other)).isEqualTo(figures);
            assertThat(standings(other).get(1)).startsWith("Section 2 broken").contains("2.8 kV");
            assertThat(other.readings()).isEqualTo(points + 1);
        }

        assertThat(browser.complaints).isEmpty();
        assertThat(browser.requests)
                .as("no page asks another host")
                .allMatch(u -> u.startsWith("http://127.0.0.1:") || u.startsWith("data:") || u.startsWith("blob:"));
    }

    @Test
    void draggingACornerMovesPlanRibbonAndLedgerWhileItMoves() {
        Screen screen = new Screen(browser.page(1280, 800), Buckle.demo().url);
        screen.open("Alpaca paddocks", "layout");
        String before = screen.figure("fence");
        String wires = screen.page.locator("path.wire").first().getAttribute("d");
        double[] corner = screen.pixel(screen.corner(2).get(0), screen.corner(2).get(1));
        screen.page.mouse().move(corner[0], corner[1]);
        screen.page.mouse().down();
        screen.page.mouse().move(corner[0] + 20, corner[1] - 10);
        screen.page.mouse().move(corner[0] + 45, corner[1] - 20);
        screen.page.waitForFunction(
                "(t) => document.querySelector('[data-test=figure-fence] .value').textContent !== t", before);
        screen.page.waitForFunction("(d) => document.querySelector('path.wire').getAttribute('d') !== d", wires);
        screen.page.mouse().up();
        screen.saved();
        screen.page.keyboard().press("Control+z");
        screen.page.waitForFunction(
                "(t) => document.querySelector('[data-test=figure-fence] .value').textContent === t", before);
        screen.saved();
        assertThat(browser.complaints).isEmpty();
    }

    @Test
    void aDragThatCrossesTheLineIsPutBackAndSaid() {
        Screen screen = new Screen(browser.page(1280, 800), Buckle.demo().url);
        screen.open("Orchard ring", "layout");
        String before = screen.figure("fence");
        double[] from = screen.pixel(screen.corner(1).get(0), screen.corner(1).get(1));
        double[] to = screen.between(3, 4, 0.5);
        screen.page.mouse().move(from[0], from[1]);
        screen.page.mouse().down();
        screen.page.mouse().move(to[0], to[1] + 30, new com.microsoft.playwright.Mouse.MoveOptions().setSteps(4));
        screen.page.waitForSelector(".problem >> text=crosses itself");
        screen.page.mouse().up();
        screen.page.waitForSelector("[role=status] >> text=put back");
        screen.page.waitForFunction(
                "(t) => document.querySelector('[data-test=figure-fence] .value').textContent === t", before);
        assertThat(screen.test("save-state").innerText()).startsWith("Saved");
    }

    @Test
    void everythingOnThePlanGoesByKeyboard() {
        Screen screen = new Screen(browser.page(1280, 800), Buckle.demo().url);
        screen.open("Donkey winter track", "layout");
        Page page = screen.page;
        page.keyboard().press(".");
        page.keyboard().press(".");
        page.keyboard().press(">");
        assertThat(screen.test("cursor-text").innerText()).contains("gate post");
        page.keyboard().press(">");
        page.keyboard().press(">");
        assertThat(screen.test("cursor-text").innerText()).contains("corner post B");
        for (int i = 0; i < 5; i++) {
            page.keyboard().press(".");
        }
        page.keyboard().press("c");
        page.keyboard().press("Enter");
        page.waitForFunction("() => document.querySelector('[data-test=figure-sections] .value').textContent === '4'");
        page.keyboard().press("]");
        page.keyboard().press("]");
        String fence = screen.figure("fence");
        page.keyboard().press("Shift+ArrowUp");
        page.waitForFunction(
                "(t) => document.querySelector('[data-test=figure-fence] .value').textContent !== t", fence);
        page.keyboard().press("Control+z");
        page.keyboard().press("Control+z");
        page.waitForFunction("() => document.querySelector('[data-test=figure-sections] .value').textContent === '3'");
        screen.saved();
        page.keyboard().press("u");
        page.waitForFunction(
                "() => document.querySelector('[data-test=figure-fence] .value').textContent.endsWith('ft')");
        page.keyboard().press("u");
        page.keyboard().press("4");
        page.waitForURL("**/takeoff**");
        page.keyboard().press("Control+k");
        page.waitForFunction("() => document.activeElement.tagName === 'INPUT'");
        page.keyboard().type("go to test");
        page.keyboard().press("Enter");
        page.waitForURL("**/test**");
        assertThat(page.url()).contains("station=");
        screen.saved();
        assertThat(browser.complaints).isEmpty();
    }
}
