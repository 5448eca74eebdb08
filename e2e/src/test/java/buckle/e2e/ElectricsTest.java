package buckle.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.options.WaitForSelectorState;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** The alpaca paddocks get their energizer by the weakest point; a switch and frost are tried. */
class ElectricsTest {
    private static final Pattern KV = Pattern.compile("([0-9.]+) kV");
    private final Browser browser = new Browser();
    private Screen screen;

    @BeforeEach
    void open() {
        screen = new Screen(browser.page(1280, 800), Buckle.demo().url);
    }

    @AfterEach
    void close() {
        browser.close();
    }

    private void upToDate() {
        screen.page.waitForFunction(
                "() => document.querySelector('[data-test=electrics-state]')?.textContent.trim() === 'up to date'");
    }

    private void says(String test, String text) {
        screen.page.waitForFunction(
                "([t, s]) => document.querySelector(`[data-test='${t}']`)?.textContent.includes(s)",
                java.util.List.of(test, text));
    }

    private static double kv(String text) {
        Matcher found = KV.matcher(text);
        assertThat(found.find()).as(text).isTrue();
        return Double.parseDouble(found.group(1));
    }

    @Test
    void anEnergizerIsChosenByTheWeakestPointAndWhatIfsChangeTheAdvice() {
        screen.open("Alpaca paddocks", "electrics");
        Locator why = screen.test("recommended");
        why.waitFor();
        upToDate();
        String advice = why.innerText();
        assertThat(advice).startsWith("The generic").contains("at the weakest point against the 4.5 kV needed");
        String name = advice.substring(4, advice.indexOf(" energizer"));
        screen.test("energizer-" + name).click();
        screen.page.waitForFunction(
                "(n) => document.querySelector(`[data-test='energizer-${n}']`)?.getAttribute('aria-pressed') === 'true'",
                name);
        screen.saved();
        upToDate();
        screen.test("pulse-lane").locator("path.likely").waitFor();

        screen.test("sheet-pulse").click();
        says("at-point", "kV");
        assertThat(kv(screen.test("at-point").innerText())).isGreaterThan(4.5);
        Locator beyond = screen.test("pulse-cut-2");
        assertThat(beyond.innerText()).contains("met");
        screen.test("switch-cut-2").check();
        says("pulse-cut-2", "off");
        screen.test("switch-cut-2").uncheck();
        says("pulse-cut-2", "met");

        double before = kv(screen.test("at-point").innerText());
        screen.test("load-ohm").fill("150");
        screen.test("add-load").click();
        screen.test("load").waitFor();
        upToDate();
        screen.page.waitForFunction(
                "(v) => Number(/([0-9.]+) kV/.exec(document.querySelector('[data-test=at-point]')?.textContent)?.[1]) < v - 1",
                before);

        screen.test("sheet-earth").click();
        upToDate();
        String moist = screen.test("earth-verdict").innerText();
        screen.test("ground-state").selectOption("FROZEN");
        says("earth-verdict", "frozen ground");
        upToDate();
        says("earth-verdict", "too much");
        assertThat(screen.test("earth-verdict").innerText()).isNotEqualTo(moist);
        assertThat(screen.test("earth-wires").innerText()).contains("ground wires tied");

        screen.test("sheet-supply").click();
        screen.test("supply").selectOption("SOLAR");
        says("supply-says", "Ah a day");
        screen.page.waitForSelector(".chart svg");

        String year = screen.test("supply-says").innerText();
        screen.test("battery").fill("7");
        screen.test("battery").press("Tab");
        upToDate();
        says("supply-says", "7 Ah at");
        assertThat(screen.test("supply-says").innerText()).isNotEqualTo(year);
        assertThat(screen.page.locator(".weak").allInnerTexts().toString()).contains("at least");

        screen.test("sheet-whatif").click();
        screen.test("what-if").first().waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.VISIBLE));
        assertThat(screen.test("what-if").first().innerText()).contains("as planned");
    }

    /** A plate with one energy only is taken, said, and kept; the sheet and the numbers leave as files that others read. */
    @Test
    void onesOwnPlateIsReckonedWithAndTheReasonPrints() throws Exception {
        screen.open("Donkey winter track", "electrics");
        screen.test("recommended").waitFor();
        upToDate();
        screen.test("plate-out").fill("1,1");
        screen.test("plate-open").fill("7.8");
        screen.test("plate-500").fill("4.4");
        screen.test("plate-draw").fill("2");
        screen.test("take-plate").click();
        screen.test("energizer-own energizer").waitFor();
        screen.saved();
        upToDate();
        says("plate-E8", "The rating plate gives one energy; 1.49 J stored are computed as usual");
        screen.page.reload();
        screen.test("energizer-own energizer").waitFor();
        upToDate();
        assertThat(screen.test("energizer-own energizer").getAttribute("aria-pressed"))
                .isEqualTo("true");
        Path csv = screen.download(() -> screen.page
                .locator("a[href$='/electrics.csv']")
                .evaluate("a => { a.setAttribute('download', ''); a.click() }"));
        assertThat(Files.readString(csv)).contains("energizer,own energizer,,,output at 500 ohm,1.10000,J");
        Path pdf = screen.download(
                () -> screen.test("why-pdf").evaluate("a => { a.setAttribute('download', ''); a.click() }"));
        Process text = new ProcessBuilder("pdftotext", "-layout", pdf.toString(), "-").start();
        String page = new String(text.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(page)
                .contains(
                        "Why this energizer",
                        "Chosen for this job: own energizer, ",
                        "Recommended otherwise. The generic",
                        "Compared on this fence",
                        "Rods for G9")
                .contains("certified energizer only");
        assertThat(browser.complaints).isEmpty();
    }

    /** What the pointer rests on is said beside it, and what the strokes of the plan mean stands below. */
    @Test
    void thePlanSaysItsKilovolts() {
        screen.open("Orchard ring", "electrics");
        screen.test("pulse-legend").waitFor();
        upToDate();
        assertThat(screen.test("pulse-legend").innerText()).contains("kV and more");
        double[] at = screen.between(3, 4, 0.5);
        screen.page.mouse().move(at[0] - 3, at[1]);
        screen.page.mouse().move(at[0], at[1]);
        screen.test("live").waitFor();
        assertThat(screen.test("live").innerText()).matches("(?s).*[0-9.]+ kV \\([0-9.]+ to [0-9.]+\\), met.*");
        screen.test("sheet-pulse").click();
        screen.page.mouse().click(at[0], at[1]);
        screen.page.waitForFunction("() => !document.querySelector('h2').textContent.includes('at 0 ft')");
        says("at-point", "a pulse: wire and moist ground");
        assertThat(screen.test("at-point").innerText()).contains("kV", "µs").doesNotContain("No pulse");
    }
}
