package buckle.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.assertj.core.api.SoftAssertions;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

/** In the field: a phone, gloves, no signal; and for everybody: WCAG. */
class FieldTest {
    private static final Map<String, List<String>> SHEETS = Map.of(
            "survey", List.of("bring", "lines", "land", "ground", "tape", "square", "setout", "dayone", "history"),
            "layout", List.of("build", "material", "pole", "posts", "braces", "joints", "schools", "findings"),
            "electrics", List.of("energizer", "pulse", "earth", "supply", "whatif"),
            "takeoff", List.of("counts", "reach", "price", "variants", "quote", "cuts", "load"),
            "test", List.of("", "list", "round", "sections", "yardstick", "certificate", "meter"),
            "faults", List.of("", "log", "falling"));

    private final Browser browser = new Browser();

    @AfterEach
    void close() {
        browser.close();
    }

    @Test
    void readingsAreTypedOnAPhoneAndSurviveALostConnection() {
        Screen screen = new Screen(browser.page(390, 844), Buckle.demo().url);
        screen.open("Alpaca paddocks", "test");
        Page page = screen.page;
        page.waitForSelector(".upright");
        page.locator(".foot button").first().click();
        screen.test("phone-by").fill("Ilan");
        page.locator(".foot button").first().click();
        for (String key : List.of("6", ".", "4")) {
            screen.test("key-" + key).click();
        }
        assertThat(screen.test("phone-kv").innerText()).startsWith("6.4");
        screen.test("phone-take").click();
        page.waitForSelector(".upright .standing.MET");
        // Of the energizer the earth is asked for next; without a number one walks on.
        assertThat(page.locator(".what").innerText()).contains("fence shorted");
        screen.test("phone-take").click();
        while (page.locator(".what").innerText().contains("battery")) {
            screen.test("phone-take").click();
        }
        assertThat(page.locator(".walk").innerText()).contains("2 of 24");

        page.context().setOffline(true);
        screen.test("key-5").click();
        screen.test("phone-take").click();
        page.waitForSelector(".walk >> text=1 not sent yet");
        page.context().setOffline(false);
        page.waitForFunction("() => document.querySelectorAll('.upright .standing.MET').length === 2");
        assertThat(page.locator(".walk").innerText()).doesNotContain("not sent yet");
        int overflow = ((Number) page.evaluate("() => document.documentElement.scrollWidth - innerWidth")).intValue();
        assertThat(overflow).as("nothing hangs over the edge").isLessThanOrEqualTo(0);
    }

    /** While answers are under way no sheet says that there is nothing; of a job without a line each says so. */
    @Test
    void nothingIsSaidToBeMissingBeforeItIsKnown() {
        Screen screen = new Screen(browser.page(1280, 800), Buckle.demo().url);
        String job = screen.fresh("Donkey winter track");
        List<Route> held = new ArrayList<>();
        screen.page.context().route("**/api/**", route -> {
            if (OPENS_A_JOB.matcher(route.request().url()).find()) {
                route.resume();
            } else {
                held.add(route);
            }
        });
        screen.page.navigate(Buckle.demo().url + "/jobs/" + job + "/survey");
        List<String> said = new ArrayList<>();
        SHEETS.forEach((stage, all) -> {
            screen.test("stage-" + stage).click();
            for (String sheet : all) {
                if (!sheet.isEmpty()) {
                    screen.test("sheet-" + sheet).click();
                    screen.page.waitForSelector("[data-test=sheet-" + sheet + "][aria-current=true]");
                }
                screen.page.waitForTimeout(100);
                screen.page.locator(".job .empty").allInnerTexts().stream()
                        .filter(text -> !text.endsWith("…"))
                        .forEach(text -> said.add(stage + " " + sheet + ": " + text));
            }
        });
        assertThat(held).as("answers under way").isNotEmpty();
        assertThat(said).isEmpty();

        Screen empty = new Screen(browser.page(1280, 800), Buckle.demo().url);
        empty.newJob("Nothing yet");
        SAYS_SO.forEach((stage, all) -> {
            empty.test("stage-" + stage).click();
            for (String sheet : all) {
                empty.test("sheet-" + sheet).click();
                empty.page.waitForSelector("[data-test=sheet-" + sheet + "][aria-current=true]");
                empty.page.waitForSelector(".job .empty");
            }
        });
    }

    /** Somebody goes back before a job has come, and opens another; then the first comes. */
    @Test
    void whatIsLateOfOneJobIsNotShownInAnother() {
        Screen screen = new Screen(browser.page(1280, 800), Buckle.demo().url);
        Page page = screen.page;
        String slow = screen.fresh("Donkey winter track");
        String other = screen.fresh("Orchard ring");
        List<Route> held = new ArrayList<>();
        page.context().route("**/api/jobs/" + slow + "**", held::add);
        screen.yard();
        open(page, slow);
        page.waitForCondition(() -> !held.isEmpty());
        page.goBack();
        page.waitForSelector("text=the yard");
        open(page, other);
        page.waitForSelector("header.head >> text=Orchard ring");
        screen.settled();
        String fence = screen.figure("fence");
        page.context().unroute("**/api/jobs/" + slow + "**");
        held.forEach(Route::resume);
        page.waitForTimeout(1500);
        screen.settled();
        assertThat(page.locator("header.head").innerText())
                .contains("Orchard ring")
                .doesNotContain("Donkey");
        assertThat(screen.figure("fence")).isEqualTo(fence);
    }

    private static void open(Page page, String job) {
        page.locator("article h2 a[href*='" + job + "']").click();
    }

    private static final Map<String, List<String>> SAYS_SO = Map.of(
            "takeoff", List.of("counts", "reach", "price", "variants", "quote", "cuts", "load"),
            "test", List.of("list", "round", "sections", "certificate"));

    private static final Pattern OPENS_A_JOB =
            Pattern.compile("/api/(jobs/[^/]+(/plan|/terms|/readings)?|properties/.*|catalogue)(\\?.*)?$");

    /** On a phone every sheet is as wide as the phone; a table that is wider is drawn sideways by itself. Where a job is in feet so are its words. */
    @Test
    void noSheetHangsOverTheEdgeOfAPhone() {
        Screen screen = new Screen(browser.page(390, 844), Buckle.demo().url);
        String job = screen.fresh("Alpaca paddocks");
        screen.openById(job, "survey");
        screen.stage("test");
        // In the field the test begins with its round, from whichever stage one comes.
        screen.page.waitForSelector(".upright");
        screen.openById(job, "survey");
        List<String> mixed = new ArrayList<>();
        SHEETS.forEach((stage, all) -> {
            for (String sheet : all) {
                screen.turnTo(job, stage, sheet);
                assertThat(over(screen.page)).as(stage + " " + sheet).isEqualTo("0");
                mixed.addAll(foreign(screen, stage, sheet, NOT_IN_FEET));
            }
        });
        assertThat(mixed).isEmpty();
        for (String page : PAGES) {
            screen.page.navigate(Buckle.demo().url + page);
            screen.page.waitForSelector(READY);
            assertThat(over(screen.page)).as(page).isEqualTo("0");
        }
        // What a phone has no room for.
        Screen wide = new Screen(browser.page(1280, 800), Buckle.demo().url);
        for (String stage : SHEETS.keySet()) {
            wide.openById(job, stage);
            assertThat(foreign(wide, stage, "", NOT_IN_FEET)).isEmpty();
        }
    }

    /** Ground and gauge where a job is in feet, earth and millimetres where it is in metres; never both on one page. */
    private static final Pattern NOT_IN_FEET =
            Pattern.compile("(?i)\\bearth|fibreglass|alumini|galvanised|metre|\\bmains|\\d mm\\b");

    private static final Pattern NOT_METRIC =
            Pattern.compile("(?i)ground rod|\\bgrounded|\\bgauge|fiberglass|aluminum|\\d (ft|lbf)\\b");
    /** As it was called out; for either tape. */
    private static final List<String> EITHER = List.of("tape", "pole");

    private static List<String> foreign(Screen screen, String stage, String sheet, Pattern words) {
        if (EITHER.contains(sheet)) {
            return List.of();
        }
        String page = String.valueOf(screen.page.evaluate("() => document.querySelector('.job').innerText"));
        return words.matcher(page)
                .results()
                .map(found -> stage + " " + sheet + ": "
                        + page.substring(Math.max(0, found.start() - 40), Math.min(page.length(), found.end() + 40))
                                .replace('\n', ' '))
                .toList();
    }

    private static final List<String> PAGES = List.of(
            "/prices",
            "/prices?sheet=list",
            "/prices?sheet=firm",
            "/stock",
            "/stock?sheet=moves",
            "/stock?sheet=usage",
            "/upkeep",
            "/upkeep?sheet=fails",
            "/practice",
            "/practice?sheet=drills");
    private static final String READY =
            "main [data-test=price-found], main [data-test=list-file], main form, main [data-test=move], main .empty, main tbody tr, main .question, main .entry";

    private static String over(Page page) {
        return page.evaluate("""
                        () => {
                          const scrolls = (e) => e && !e.matches('main, .side') && (/(auto|scroll|hidden)/.test(getComputedStyle(e).overflowX) || scrolls(e.parentElement))
                          const wide = [...document.querySelectorAll('main *')].filter(
                            (e) => e.getBoundingClientRect().right > innerWidth + 1 && e.getClientRects().length && !scrolls(e.parentElement))
                          return [document.documentElement.scrollWidth - innerWidth, ...wide.slice(0, 3).map((e) => e.outerHTML.slice(0, 120))].join(' | ')
                        }
                        """).toString();
    }

    /** Source of the rules: axe-core, WCAG 2.2 A and AA. Where a job is in metres so are its words. */
    @Test
    void pagesKeepToWcag() throws IOException {
        String axe = Files.readString(Buckle.ROOT.resolve(Path.of("ui", "node_modules", "axe-core", "axe.min.js")));
        Screen screen = new Screen(browser.page(1280, 800), Buckle.demo().url);
        SoftAssertions violations = new SoftAssertions();
        List<String> mixed = new ArrayList<>();
        for (String look : LOOKS) {
            screen.yard();
            screen.page.evaluate("(look) => localStorage.setItem('buckle.look', look)", look);
            screen.yard();
            check(screen.page, axe, "document", "yard, " + look, violations);
        }
        screen.page.evaluate("() => localStorage.setItem('buckle.look', 'paper')");
        String job = screen.fresh("Donkey winter track");
        screen.openById(job, "survey");
        screen.page.addStyleTag(new Page.AddStyleTagOptions().setContent("* { transition: none !important }"));
        SHEETS.forEach((stage, all) -> {
            for (String sheet : all) {
                screen.turnTo(job, stage, sheet);
                mixed.addAll(foreign(screen, stage, sheet, NOT_METRIC));
                for (String look : LOOKS) {
                    inLook(screen.page, look);
                    String name = stage + " " + sheet + ", " + look;
                    // What stands around the sheets is the same for all of a stage.
                    String part = sheet.equals(all.getFirst()) ? "document" : "'section.side'";
                    if (look.equals(LOOKS.getFirst())) {
                        check(screen.page, axe, part, name, violations);
                    } else {
                        checkColours(screen.page, part, name, violations);
                    }
                }
                inLook(screen.page, LOOKS.getFirst());
            }
        });
        assertThat(mixed).isEmpty();
        nextLook(screen.page);
        screen.page.waitForFunction("(look) => document.documentElement.dataset.look === look", LOOKS.get(1));
        screen.page.evaluate("() => localStorage.setItem('buckle.look', 'paper')");
        screen.page.navigate(Buckle.demo().url + "/rules");
        screen.page.waitForSelector("tbody tr");
        check(screen.page, axe, "document", "rules", violations);
        for (String page : PAGES) {
            screen.page.navigate(Buckle.demo().url + page);
            screen.page.waitForSelector(READY);
            check(screen.page, axe, "document", page, violations);
        }
        violations.assertAll();
    }

    /** In the order in which the command goes through them. */
    private static final List<String> LOOKS = List.of("paper", "sunlight", "dark");

    /** As the command does, which takes longer. */
    private static void inLook(Page page, String look) {
        page.evaluate("""
                (look) => new Promise((drawn) => {
                  document.documentElement.dataset.look = look
                  document.querySelector('#app').__vue_app__._context.provides[Symbol.for('vuetify:theme')].change(look)
                  requestAnimationFrame(() => requestAnimationFrame(drawn))
                })
                """, look);
    }

    private static void nextLook(Page page) {
        page.keyboard().press("Control+k");
        page.getByLabel("Type what you want to do").fill("Paper, sunlight or dark");
        page.getByLabel("Type what you want to do").press("Enter");
        page.waitForFunction("() => !document.querySelector('.v-overlay--active')");
    }

    private static void check(Page page, String axe, String part, String name, SoftAssertions violations) {
        if (Boolean.FALSE.equals(page.evaluate("() => 'axe' in window"))) {
            page.evaluate(axe);
        }
        found(page, part, "['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa']", name, violations);
    }

    /** All that a look changes. */
    private static void checkColours(Page page, String part, String name, SoftAssertions violations) {
        found(page, part, "{ type: 'rule', values: ['color-contrast', 'link-in-text-block'] }", name, violations);
    }

    private static void found(Page page, String part, String rules, String name, SoftAssertions violations) {
        Object found = page.evaluate(
                "async () => (await axe.run(" + part + ", { runOnly: " + rules
                        + " })).violations.map(v => ({ id: v.id, where: v.nodes.slice(0, 3).map(n => n.html.slice(0, 160) + ' ' + n.failureSummary.slice(0, 200)).join(' | ') }))");
        violations.assertThat((List<?>) found).as(name).isEmpty();
    }
}
