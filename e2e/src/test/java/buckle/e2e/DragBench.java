package buckle.e2e;

import com.microsoft.playwright.Page;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;

/** From the pointer to the picture while a corner of a 10 km job is dragged, and what the first screen loads. */
@EnabledIfSystemProperty(named = "bench", matches = "true")
class DragBench {
    private static final int WARM_UP = 40;
    private static final int MOVES = 80;
    /** By then the server has compiled what is hot. */
    private static final int AT_REST_MS = 30_000;

    @Test
    void measure() throws IOException {
        try (Browser browser = new Browser();
                Buckle buckle = Buckle.start("start", Buckle.folder("bench"))) {
            Screen screen = new Screen(browser.page(1280, 800), buckle.url);
            List<Integer> scripts = new ArrayList<>();
            screen.page.onResponse(r -> {
                if (r.url().endsWith(".js")) {
                    scripts.add(Integer.parseInt(r.request().sizes().responseBodySize + ""));
                }
            });
            screen.yard();
            screen.page.waitForTimeout(1500);
            int bytes = scripts.stream().mapToInt(Integer::intValue).sum();
            System.out.printf(
                    Locale.ROOT,
                    "first screen: %d kB of compressed JavaScript in %d files (goal: under 250 kB)%n",
                    bytes / 1000,
                    scripts.size());

            screen.dropInTheYard(track());
            screen.test("take-survey").click();
            screen.test("figure-fence").waitFor();
            screen.saved();
            screen.stage("layout");
            screen.page.waitForTimeout(1500);
            System.out.printf(
                    Locale.ROOT, "drag on %s, %s line posts%n", screen.figure("fence"), screen.figure("line-posts"));
            both(screen, "right after a start");
            screen.page.waitForTimeout(AT_REST_MS);
            both(screen, "later");
        }
    }

    private static void both(Screen screen, String when) {
        screen.stage("layout");
        screen.page.waitForTimeout(3000);
        measured("drag to picture, " + when, screen, "path.wire");
        screen.stage("electrics");
        screen.test("pulse-lane").locator(".likely").waitFor();
        screen.page.waitForTimeout(3000);
        measured("drag to curve of the pulse, " + when, screen, "[data-test=pulse-lane] .likely");
    }

    private static void measured(String what, Screen screen, String looked) {
        StolenTime stolen = new StolenTime();
        List<Double> found = drag(screen, looked);
        String share = stolen.sinceThen();
        Collections.sort(found);
        System.out.printf(
                Locale.ROOT,
                "%s: median %.0f ms, p95 %.0f ms (goal: p95 under 100 ms), %s%n",
                what,
                found.get(found.size() / 2),
                found.get((int) (0.95 * found.size())),
                share);
    }

    /** Time from each pointer move until the next frame shows another shape of what is looked at. */
    private static List<Double> drag(Screen screen, String looked) {
        Page page = screen.page;
        double[] at = screen.pixel(screen.corner(12).get(0), screen.corner(12).get(1));
        page.mouse().move(at[0], at[1]);
        page.mouse().down();
        page.evaluate("""
                looked => {
                  window.times = [];
                  let asked = 0;
                  addEventListener('pointermove', () => { asked ||= performance.now(); }, true);
                  new MutationObserver(() => { const from = asked; asked = 0; if (from) requestAnimationFrame(() => setTimeout(() => times.push(performance.now() - from))); })
                    .observe(document.querySelector(looked), { attributes: true });
                }""", looked);
        for (int i = 0; i < WARM_UP + MOVES; i++) {
            if (i == WARM_UP) {
                page.evaluate("() => { times.length = 0 }");
            }
            page.mouse().move(at[0] + 2 * Math.sin(i) + i % 7, at[1] + i % 5 + 0.1 * i);
            page.waitForTimeout(60);
        }
        page.mouse().up();
        List<Double> times = new ArrayList<>();
        ((List<?>) page.evaluate("() => times")).forEach(t -> times.add(((Number) t).doubleValue()));
        if (times.size() < MOVES / 3) {
            throw new IllegalStateException("only " + times.size() + " pictures were made");
        }
        return times;
    }

    /** A drawn line of 10 km with sides of 200 m. */
    private static Path track() throws IOException {
        StringBuilder line = new StringBuilder("{\"type\":\"LineString\",\"coordinates\":[");
        double lon = 0.88;
        double lat = 44.13;
        for (int i = 0; i <= 50; i++) {
            line.append(i == 0 ? "" : ",").append(String.format(Locale.ROOT, "[%.7f,%.7f]", lon, lat));
            double angle = 0.8 * Math.sin(i * 0.9);
            lon += 200 * Math.cos(angle) / 80_000;
            lat += 200 * Math.sin(angle) / 111_000;
        }
        Path file = Buckle.folder("track").resolve("track.geojson");
        return Files.writeString(file, line.append("]}"));
    }
}
