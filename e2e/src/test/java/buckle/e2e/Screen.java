package buckle.e2e;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.LoadState;
import java.nio.file.Path;
import java.util.List;

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

    void open(String job, String stage) {
        yard();
        page.locator("article h2 a", new Page.LocatorOptions().setHasText(job))
                .first()
                .click();
        stage(stage);
        page.waitForSelector("[data-test=figure-fence]");
        page.waitForLoadState(LoadState.NETWORKIDLE);
        page.waitForTimeout(300);
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
