package buckle.e2e;

import buckle.exchange.Json;
import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.WaitForSelectorState;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;

/** What a person does on the screen, in words. */
final class Screen {
    final Page page;
    private final String url;

    Screen(Page page, String url) {
        this.page = page;
        this.url = url;
    }

    Locator test(String id) {
        return page.locator("[data-test='" + id + "']");
    }

    void yard() {
        page.navigate(url + "/");
        page.waitForSelector("text=the yard");
        page.waitForSelector("article, .empty");
    }

    private static final Map<String, String> DEMO = Map.of(
            "Orchard ring", "orchard-ring.geojson",
            "Alpaca paddocks", "alpaca-paddocks.geojson",
            "Donkey winter track", "donkey-winter-track.geojson");

    /** Makes a job and opens its survey. */
    void newJob(String name) {
        yard();
        test("new-job").click();
        page.locator("[data-test=job-name] input").fill(name);
        page.keyboard().press("Enter");
        page.waitForURL("**/jobs/**");
        stage("survey");
        test("survey-file").waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.ATTACHED));
    }

    /** Opens a demo job of its own, so that no test meets what another left. */
    void open(String job, String stage) {
        openById(fresh(job), stage);
    }

    void openById(String id, String stage) {
        page.navigate(url + "/jobs/" + id + "/" + stage);
        drawn();
    }

    /** A sheet of the job that is open, by its tabs; the first of a stage, and what has no tab here, is loaded. */
    void turnTo(String id, String stage, String sheet) {
        Locator stageTab = test("stage-" + stage);
        Locator sheetTab = test("sheet-" + sheet);
        if (!page.url().contains("/" + stage) && stageTab.isVisible()) {
            stage(stage);
            drawn();
        }
        if (!sheet.isEmpty() && page.url().contains("/" + stage) && sheetTab.isVisible()) {
            sheetTab.click();
            page.waitForSelector("[data-test=sheet-" + sheet + "][aria-current=true]");
            drawn();
        } else {
            openById(id, stage + (sheet.isEmpty() ? "" : "?sheet=" + sheet));
        }
    }

    /** Opens a job that the yard lists. */
    void openListed(String job, String stage) {
        yard();
        page.locator("article h2 a", new Page.LocatorOptions().setHasText(job))
                .first()
                .click();
        stage(stage);
        drawn();
    }

    private void drawn() {
        page.waitForFunction("() => document.querySelector('.panel .value, .upright')?.textContent");
        settled();
    }

    /** A demo job, brought in once more; its id. */
    String fresh(String job) {
        try {
            HttpRequest upload = HttpRequest.newBuilder(URI.create(url + "/api/imports"))
                    .header("Content-Type", "application/octet-stream")
                    .POST(HttpRequest.BodyPublishers.ofFile(
                            Buckle.ROOT.resolve("demo").resolve(DEMO.get(job))))
                    .build();
            byte[] answer = HttpClient.newHttpClient()
                    .send(upload, HttpResponse.BodyHandlers.ofByteArray())
                    .body();
            return Json.parse(answer).path("jobId").asString();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    /**
     * Nothing is asked of the server, nothing waits to be saved, and the plan stands still, for some pictures in a row. What never
     * comes to rest does not hold the test for ever: what it reads next then tells.
     */
    void settled() {
        page.evaluate("""
                () => new Promise((done) => {
                  let calm = 0
                  const began = performance.now()
                  const look = () => {
                    const busy =
                      document.body.getAttribute('aria-busy') === 'true' ||
                      [...document.querySelectorAll('.map')].some((m) => m.still && !m.still()) ||
                      /^Saving/.test(document.querySelector('[data-test=save-state]')?.textContent ?? '')
                    calm = busy ? 0 : calm + 1
                    if (calm > 8 || performance.now() - began > 15000) done(true)
                    else requestAnimationFrame(look)
                  }
                  look()
                })
                """);
    }

    /** Draws the ribbon up where it is a strip of figures. */
    void unfoldRibbon() {
        if ("false".equals(test("ribbon-fold").getAttribute("aria-expanded"))) {
            test("ribbon-fold").click();
        }
    }

    void stage(String stage) {
        test("stage-" + stage).click();
        page.waitForURL("**/" + stage + "**");
    }

    void dropInTheYard(Path file) {
        yard();
        test("open-file").setInputFiles(file);
    }

    String figure(String key) {
        return test("figure-" + key).locator(".value").innerText();
    }

    double number(String text) {
        return Double.parseDouble(text.replaceAll("[^0-9.]", ""));
    }

    void saved() {
        page.waitForFunction("() => document.querySelector('[data-test=save-state]')?.textContent.startsWith('Saved')");
    }

    /** Longitude and latitude of a corner of the first line of the open job. */
    List<Double> corner(int index) {
        Object at = page.evaluate(
                "async (i) => { const id = location.pathname.split('/')[2]; const s = await (await fetch(`/api/jobs/${id}/plan`)).json(); return s.plan.site.lines[0].corners[i].at }",
                index);
        return ((List<?>) at).stream().map(v -> ((Number) v).doubleValue()).toList();
    }

    /** Where on the screen a place is drawn. */
    double[] pixel(double lon, double lat) {
        Object at = page.evaluate(
                "([lon, lat]) => { const m = document.querySelector('.map'); const b = m.getBoundingClientRect(); const p = m.pixelAt([lon, lat]); return [b.left + p[0], b.top + p[1]] }",
                List.of(lon, lat));
        List<?> xy = (List<?>) at;
        return new double[] {((Number) xy.get(0)).doubleValue(), ((Number) xy.get(1)).doubleValue()};
    }

    /** A place between two corners. */
    double[] between(int a, int b, double share) {
        List<Double> from = corner(a);
        List<Double> to = corner(b);
        return pixel(from.get(0) + share * (to.get(0) - from.get(0)), from.get(1) + share * (to.get(1) - from.get(1)));
    }

    Path download(Runnable click) {
        Download download = page.waitForDownload(click);
        return download.path();
    }

    void read(String kv) {
        test("kv").fill(kv);
        int before = readings();
        test("take-reading").click();
        page.waitForFunction(
                "(n) => [...document.querySelectorAll('td button')].filter(b => /so far/.test(b.textContent)).reduce((s, b) => s + parseInt(b.textContent), 0) > n",
                before);
    }

    int readings() {
        return ((Number)
                        page.evaluate(
                                "() => [...document.querySelectorAll('td button')].filter(b => /so far/.test(b.textContent)).reduce((s, b) => s + parseInt(b.textContent), 0)"))
                .intValue();
    }
}
