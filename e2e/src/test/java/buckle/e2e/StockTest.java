package buckle.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** Two variants, one chosen; the yard first; loaded on a phone; what is left lies in the yard again. */
class StockTest {
    private static Browser browser;

    @BeforeAll
    static void open() {
        browser = new Browser();
    }

    @AfterAll
    static void close() {
        browser.close();
    }

    private static void sheet(Screen screen, String id) {
        screen.test("sheet-" + id).click();
        screen.settled();
    }

    private static Locator text(Page page, String text) {
        return page.locator("text=" + text);
    }

    private static double number(Locator at) {
        return Double.parseDouble(at.innerText().replaceAll("[^0-9.].*$", "").replace(",", ""));
    }

    private static double money(Locator at) {
        return Double.parseDouble(at.innerText()
                .replaceAll("(?s)^\\D*([0-9,]+\\.[0-9]{2}).*$", "$1")
                .replace(",", ""));
    }

    private static void keep(Screen screen, String name) {
        screen.test("variant-name").fill(name);
        screen.test("keep-variant").click();
        screen.page.waitForFunction(
                "(n) => [...document.querySelectorAll('[data-test=variants] th')].some((t) => t.textContent.trim() === n)",
                name);
        screen.settled();
    }

    @Test
    void fromTwoVariantsToLeftoversInTheYard() {
        Screen screen = new Screen(browser.page(1280, 800), Buckle.demo().url);
        screen.open("Orchard ring", "takeoff");
        sheet(screen, "variants");
        screen.test("variants").waitFor();
        keep(screen, "wide");
        double before = money(screen.test("variant-net").first());
        screen.stage("layout");
        screen.test("spacing").fill("12 ft");
        screen.test("spacing").blur();
        screen.saved();
        screen.settled();
        screen.stage("takeoff");
        sheet(screen, "variants");
        keep(screen, "close");
        screen.page.waitForFunction("() => document.querySelectorAll('[data-test=variant-net]').length === 2");
        assertThat(money(screen.test("variant-net").nth(1))).isEqualTo(before);
        assertThat(money(screen.test("variant-net").first())).isGreaterThan(before);
        assertThat(number(screen.test("variant-posts").first()))
                .isGreaterThan(number(screen.test("variant-posts").nth(1)));
        screen.test("choose-wide").click();
        screen.page.waitForFunction(
                "() => document.querySelector('[data-test=variants] th:nth-child(2)').textContent.trim() !== 'close'");
        screen.settled();
        assertThat(money(screen.test("variant-net").first()))
                .as("the one that was chosen")
                .isEqualTo(before);

        sheet(screen, "load");
        screen.test("make-sheet").click();
        screen.test("load-left").waitFor();
        Locator posts = screen.page.locator("li:has-text('Post rack'):has-text('24')");
        assertThat(posts.innerText()).as("the yard first").contains("Line post", "24");

        String job = screen.page.url().replaceAll("^.*/jobs/([^/]+)/.*$", "$1");
        Screen phone = new Screen(browser.page(390, 844), Buckle.demo().url);
        phone.page.navigate(Buckle.demo().url + "/jobs/" + job + "/takeoff");
        phone.test("sheet-load").click();
        phone.test("load-left").waitFor();
        int lines = phone.page.locator("[data-test^=loaded-]").count();
        assertThat(phone.test("load-left").innerText()).contains(lines + " of " + lines);
        assertThat(phone.page.evaluate("() => document.documentElement.scrollWidth <= innerWidth"))
                .isEqualTo(true);
        phone.test("picked-1").click();
        phone.page.waitForFunction(
                "() => document.querySelector('[data-test=picked-1]').getAttribute('aria-checked') === 'true'");
        phone.test("loaded-1").click();
        phone.page.waitForFunction(
                "() => document.querySelector('[data-test=loaded-1]').getAttribute('aria-checked') === 'true'");
        while (phone.page.locator("[data-test^=all-]").count() > 0) {
            int groups = phone.page.locator("[data-test^=all-]").count();
            phone.page.locator("[data-test^=all-]").first().click();
            phone.page.waitForFunction("(n) => document.querySelectorAll('[data-test^=all-]').length < n", groups);
        }
        assertThat(phone.test("load-left").innerText()).contains("All is loaded");

        Locator coil = phone.page
                .locator("li:has-text('Barn, wire rack')")
                .filter(new Locator.FilterOptions().setHasText(Pattern.compile("2 × 1,312 ft")));
        coil.getByText("Back …").click();
        phone.test("back-rest").fill("300 ft");
        phone.test("back-place").fill("Shed");
        phone.test("bring").click();
        phone.page
                .locator("[data-test=bring]")
                .waitFor(new Locator.WaitForOptions()
                        .setState(com.microsoft.playwright.options.WaitForSelectorState.DETACHED));
        phone.test("close-sheet").click();
        phone.page.locator("[data-test='account-wire.ht-12-5']").waitFor();
        assertThat(phone.page.locator("[data-test='account-wire.ht-12-5']").innerText())
                .as("planned against used")
                .contains("300 ft");

        Page yard = screen.page;
        yard.navigate(Buckle.demo().url + "/stock");
        screen.test("lot-wire.ht-12-5").first().waitFor();
        assertThat(yard.locator("tr:has-text('Shed')").innerText()).contains("1 × 300 ft");
        assertThat(text(yard, "Post rack").count())
                .as("24 are gone, one of three is left")
                .isEqualTo(1);
        screen.test("stock-usage").click();
        yard.locator("[data-test='usage-wire.ht-12-5']").waitFor();
        screen.test("stock-moves").click();
        screen.test("move").first().waitFor();
        assertThat(screen.test("move").first().innerText()).contains("came back", "Orchard ring");
    }
}
