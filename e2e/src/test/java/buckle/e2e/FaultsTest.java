package buckle.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Locale;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** A fence that was read in order and reads low since: where the fault must be. */
class FaultsTest {
    private static final double[] STATIONS_M = {2, 150, 300, 420, 620};

    private static Browser browser;

    @BeforeAll
    static void open() {
        browser = new Browser();
    }

    @AfterAll
    static void close() {
        browser.close();
    }

    /** Sends readings of a day as a phone does. */
    private static void read(Screen screen, String job, String day, double... kv) {
        StringBuilder all = new StringBuilder();
        for (int i = 0; i < kv.length; i++) {
            all.append(all.isEmpty() ? "" : ",")
                    .append(String.format(
                            Locale.ROOT,
                            "{id: crypto.randomUUID(), at: {testPointId: null, lineId: 'line-1', stationM: %.1f, place: at[%d]},"
                                    + " what: {kind: 'PEAK', wire: 0, peakV: %.0f, overRange: false, rangeV: null}, meter: null,"
                                    + " weather: 'DRY', growth: 'CLEAN', openSwitches: [], takenAt: '%sT09:00:00Z', takenBy: 'A. Crew',"
                                    + " note: '', corrects: null}",
                            STATIONS_M[i],
                            i,
                            1000 * kv[i],
                            day));
        }
        // At the ring's own corners.
        Object status = screen.page.evaluate("() => fetch('/api/jobs/" + job
                + "/plan').then((r) => r.json()).then((p) => { const at = p.plan.site.lines[0].corners.map((c) => c.at);"
                + " return fetch('/api/jobs/" + job + "/readings', {method: 'POST', headers: {'Content-Type':"
                + " 'application/json'}, body: JSON.stringify([" + all + "])}).then((r) => r.status) })");
        assertThat(status).isEqualTo(200);
    }

    @Test
    void fromReadingsToAStretch() {
        Screen screen = new Screen(browser.page(1280, 800), Buckle.demo().url);
        String job = screen.fresh("Orchard ring");
        screen.openById(job, "faults");
        assertThat(screen.page.locator(".empty").innerText()).contains("Nothing has been read yet");
        read(screen, job, "2026-05-02", 5.7, 5.7, 5.8, 5.8, 5.8);
        screen.openById(job, "faults");
        screen.test("faults-verdict").waitFor();
        // One day alone is what is now: without readings in order the plan is taken as it is.
        assertThat(screen.page.locator(".suspects").innerText()).contains("0 of them of the fence in order");
        read(screen, job, "2026-11-20", 3.5, 3.4, 3.3, 3.2, 3.2);
        screen.openById(job, "faults");
        screen.test("faults-verdict").waitFor();
        assertThat(screen.test("faults-verdict").innerText())
                .containsPattern("a leak at one place, of about 2\\d0 Ω, ")
                .contains("without one place that stands out");
        assertThat(screen.test("kind-LEAK").innerText()).contains("%");
        assertThat(screen.test("region").count()).isPositive();
        assertThat(screen.test("region").first().innerText()).contains("insulators");
        assertThat(screen.test("heat").first().getAttribute("aria-label")).matches("Orchard ring: (99|100) %.*");
        // What to do next is told, done, and told anew.
        screen.test("next-step").waitFor(new com.microsoft.playwright.Locator.WaitForOptions().setTimeout(60_000));
        String first = screen.test("next-step").innerText();
        assertThat(first).contains("Orchard ring").contains("in the mean");
        if (screen.test("next-nothing").count() > 0) {
            screen.test("next-by").fill("A. Crew");
            screen.test("next-by").press("Tab");
            screen.test("next-nothing").click();
            screen.page.waitForFunction(
                    "before => document.querySelector('[data-test=next-step]').innerText !== before", first);
            assertThat(screen.page.locator(".next").innerText()).contains("Looked over without finding anything");
        } else {
            assertThat(screen.test("outcome").count()).isPositive();
            screen.test("next-by").fill("A. Crew");
            screen.test("next-kv").fill("3.4");
            screen.test("next-kv").press("Enter");
            screen.page.waitForFunction(
                    "before => document.querySelector('[data-test=next-step]').innerText !== before", first);
        }
        // At the energizer the earth terminal can be read: 2.4 kV there are a poor earth, and nothing else.
        screen.settled();
        screen.test("own-energizer").click();
        screen.test("next-earth-kv").fill("2.4");
        assertThat(screen.test("next-nothing").innerText()).containsIgnoringCase("keep the reading");
        screen.test("next-nothing").click();
        screen.page.waitForFunction(
                "() => /(9\\d|100) %/.test(document.querySelector('[data-test=kind-EARTH]')?.innerText)");
        // Both days as in order leave nothing to compare.
        screen.test("faults-since").selectOption("2026-05-02");
        screen.settled();
        assertThat(screen.page.locator(".suspects").innerText()).contains("readings took part, 0 of them");
    }
}
