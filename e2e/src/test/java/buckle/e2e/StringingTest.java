package buckle.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** Fences as people build them, from nothing by mouse and keys, and what must be read on screen then. */
class StringingTest {
    private static Browser browser;

    @BeforeAll
    static void open() {
        browser = new Browser();
    }

    @AfterAll
    static void close() {
        browser.close();
    }

    private static Screen newJob(String name) {
        Screen screen = new Screen(browser.page(1280, 800), Buckle.demo().url);
        screen.newJob(name);
        return screen;
    }

    private static void sheet(Screen screen, String id) {
        screen.test("sheet-" + id).click();
        screen.settled();
    }

    private static void type(Screen screen, String field, String value) {
        Locator input = screen.page.getByLabel(field, new Page.GetByLabelOptions().setExact(true));
        input.fill(value);
        input.blur();
        screen.settled();
    }

    private static void lines(Screen screen, int count) {
        screen.page.waitForFunction("(n) => document.querySelectorAll('.side .line').length === n", count);
        screen.saved();
        screen.settled();
    }

    private static void rectangle(Screen screen, String front, String depth) {
        sheet(screen, "lines");
        screen.test("shape-front").fill(front);
        screen.test("shape-depth").fill(depth);
        screen.test("place-shape").click();
        screen.page.keyboard().press("Enter");
        lines(screen, 1);
    }

    private static String item(Screen screen, String id) {
        return screen.test("item-" + id).locator(".big").innerText().trim();
    }

    private static void choose(Screen screen, String id, String value) {
        screen.test(id).selectOption(value);
        screen.settled();
    }

    /** Half an acre as a circle of 36 corners, and a tape 30 in out: common practice, counted by hand. */
    @Test
    void aDoubleDeerRowRoundHalfAnAcre() {
        Screen screen = newJob("Deer plot");
        sheet(screen, "lines");
        screen.page
                .getByLabel("Shape", new Page.GetByLabelOptions().setExact(true))
                .selectOption("polygon");
        screen.page.getByLabel("Number of sides").fill("36");
        screen.test("shape-front").fill("14.54 ft");
        screen.test("place-shape").click();
        screen.page.keyboard().press("Enter");
        lines(screen, 1);
        screen.test("beside").fill("30 in");
        screen.test("copy-left").click();
        lines(screen, 2);

        screen.stage("layout");
        choose(screen, "animal", "DEER_PLOT");
        choose(screen, "wire-way", "RUNS_ON");
        choose(screen, "tightener", "MIDWAY");
        screen.test("spacing").fill("30 ft");
        screen.test("spacing").blur();
        screen.settled();
        sheet(screen, "material");
        choose(screen, "stock-line", "STEP_IN");
        choose(screen, "conductor-hot", "POLYWIRE");
        choose(screen, "brace-kind", "NONE");

        // The second line stands beside the first, with a tape of its own.
        sheet(screen, "pole");
        screen.test("own-wires").check();
        screen.settled();
        screen.page.getByLabel("Remove wire 2").first().click();
        screen.settled();
        type(screen, "Height of wire 1", "18 in");
        choose(screen, "own-hot", "POLYTAPE");
        sheet(screen, "posts");
        screen.page
                .locator(".side [data-test=beside]")
                .selectOption(new com.microsoft.playwright.options.SelectOption().setIndex(1));
        screen.settled();
        screen.saved();

        assertThat(screen.figure("strong")).isEqualTo("0");
        assertThat(screen.figure("line-posts")).isEqualTo("36");
        assertThat(screen.figure("need")).isEqualTo("3.0 kV");
        assertThat(screen.figure("sections")).isEqualTo("1");
        assertThat(screen.test("figure-insulators").innerText()).contains("54 fastenings");
        screen.stage("takeoff");
        screen.test("item-strainer").waitFor();
        assertThat(item(screen, "strainer")).isEqualTo("3");
        assertThat(item(screen, "tie")).as("4 ends of wire and 2 of tape").isEqualTo("6");
        assertThat(item(screen, "jumper")).isEqualTo("1");
        assertThat(item(screen, "lead")).as("the bridge of 30 in, rounded up").startsWith("3");
        assertThat(screen.test("item-post.line").count()).isEqualTo(1);
        assertThat(screen.page.locator("[data-test^='item-insulator']").count()).isZero();
    }

    /** 21 × 15 m, seven aluminium wires pulled by hand that run on, a gate of 1.5 m on a corner post. */
    @Test
    void aPoultryYardWhoseWiresRunOn() {
        Screen screen = newJob("Poultry yard");
        rectangle(screen, "21 m", "15 m");

        screen.stage("layout");
        screen.settled();
        choose(screen, "animal", "FOX_POULTRY");
        choose(screen, "wire-way", "RUNS_ON");
        choose(screen, "tightener", "NONE");
        screen.test("spacing").fill("10.5 m");
        screen.test("spacing").blur();
        screen.settled();
        sheet(screen, "material");
        choose(screen, "conductor-hot", "ALU_14");
        choose(screen, "brace-kind", "NONE");
        assertThat(screen.figure("strong")).isEqualTo("4");
        assertThat(screen.figure("line-posts")).as("one between corners").isEqualTo("4");

        // A gate near corner A: it hangs on the corner post.
        screen.test("tool-gate").click();
        double[] place = screen.between(0, 1, 0.04);
        screen.page.mouse().click(place[0], place[1]);
        screen.page.waitForFunction(
                "() => document.querySelector('[data-test=figure-strong] .value').textContent === '5'");
        screen.saved();
        sheet(screen, "joints");
        Locator width = screen.page.getByLabel("Opening of");
        width.fill("1.5 m");
        width.blur();
        screen.settled();
        screen.saved();
        assertThat(screen.figure("strong"))
                .as("four corners and one for the gate")
                .isEqualTo("5");

        screen.stage("takeoff");
        screen.test("item-insulator.strain").waitFor();
        assertThat(item(screen, "insulator.strain")).isEqualTo("14");
        assertThat(item(screen, "insulator.corner")).isEqualTo("21");
        assertThat(item(screen, "jumper")).isEqualTo("1");
        assertThat(screen.test("item-strainer").count()).isZero();
        assertThat(screen.test("item-wire.hot").innerText())
                .as("7 × 70.5 m = 231 ft")
                .contains("7 wires × 231 ft");
    }

    /** 12 × 9 m, three wires of which the middle one is aluminium, coated rods at the corners; earth as it was found. */
    @Test
    void aGardenWithWiresOfTwoKindsAndEarthAsFound() {
        Screen screen = newJob("Garden");
        rectangle(screen, "12 m", "9 m");

        screen.stage("layout");
        screen.settled();
        choose(screen, "animal", "SMALL_GARDEN");
        choose(screen, "preset", "W14");
        choose(screen, "wire-way", "RUNS_ON");
        choose(screen, "tightener", "NONE");
        screen.test("wire-more-2").first().click();
        choose(screen, "wire-conductor-2", "ALU_14");
        sheet(screen, "material");
        choose(screen, "conductor-hot", "POLYWIRE");
        choose(screen, "stock-strong", "FIBREGLASS_22");
        choose(screen, "stock-line", "STEP_IN");
        choose(screen, "brace-kind", "BACK_STAKE");
        screen.test("holds-at").fill("4; 8; 14; 48");
        screen.test("holds-at").blur();
        screen.settled();
        sheet(screen, "findings");
        assertThat(screen.test("finding-list").innerText())
                .contains("wire 1 to 4 in (2 in lower than asked)")
                .contains("wire 2 to 14 in (2 in higher than asked)");
        screen.saved();

        screen.stage("takeoff");
        screen.test("item-jumper").waitFor();
        assertThat(item(screen, "jumper")).isEqualTo("1");
        assertThat(item(screen, "brace.back-stake")).isEqualTo("4");
        double woven = feet(item(screen, "wire.hot"));
        double aluminium = feet(item(screen, "wire.hot.alu_14"));
        assertThat(woven)
                .as("2 × 42 m, four tails of 6 ft; slack stands beside")
                .isBetween(298.5, 301.0);
        assertThat(aluminium).as("1 × 42 m, two tails of 30 in").isBetween(142.0, 144.0);
        assertThat(screen.page.locator("[data-test^='item-insulator']").count()).isZero();

        screen.stage("electrics");
        sheet(screen, "earth");
        screen.test("add-rod").click();
        choose(screen, "rod-kind", "SPIKE");
        screen.test("rod-length").fill("18 in");
        screen.test("rod-length").blur();
        screen.settled();
        double dry = ohms(screen);
        screen.test("rod-watered").check();
        screen.page.waitForFunction(
                "(was) => !document.querySelector('[data-test=earth-verdict]').textContent.includes(was)",
                Math.round(dry) + " Ω in");
        screen.settled();
        assertThat(ohms(screen)).as("kept wet").isLessThan(0.9 * dry);
    }

    private static double feet(String quantity) {
        return Double.parseDouble(quantity.replace(",", "").replaceAll("[^0-9.].*", ""));
    }

    private static double ohms(Screen screen) {
        String verdict = screen.test("earth-verdict").innerText();
        return Double.parseDouble(
                verdict.replaceAll("(?s).*come to ([0-9.,]+) Ω.*", "$1").replace(",", ""));
    }
}
