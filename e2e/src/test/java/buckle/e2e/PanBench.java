package buckle.e2e;

import com.microsoft.playwright.Page;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;

/** How long a frame takes while a plan with 16,000 posts is panned and zoomed, against a layer of plain features. */
@EnabledIfSystemProperty(named = "bench", matches = "true")
class PanBench {
    private static final double GOAL_MS = 34;
    /** From the whole job to single posts. */
    private static final double[] ZOOMS = {1, 0.3, 0.1, 0.03, 0.01};

    private record Frames(double median, double p95) {}

    @Test
    void measure() throws IOException {
        try (Browser browser = new Browser();
                Buckle buckle = Buckle.start("start", Buckle.folder("pan"))) {
            Screen screen = new Screen(browser.page(1280, 800), buckle.url);
            screen.dropInTheYard(track());
            screen.test("take-survey").click();
            screen.test("figure-fence").waitFor();
            screen.saved();
            screen.stage("layout");
            screen.page.waitForTimeout(2500);
            System.out.printf(
                    Locale.ROOT, "pan on %s, %s line posts%n", screen.figure("fence"), screen.figure("line-posts"));
            double worst = 0;
            for (double zoom : ZOOMS) {
                StolenTime stolen = new StolenTime();
                Frames ours = pan(screen, zoom);
                worst = Math.max(worst, ours.p95());
                System.out.printf(
                        Locale.ROOT,
                        "  zoom %-6s frame median %3.0f ms, p95 %3.0f ms, %s%n",
                        zoom,
                        ours.median(),
                        ours.p95(),
                        stolen.sinceThen());
            }
            System.out.printf(
                    Locale.ROOT,
                    "worst p95 over all zooms: %.0f ms (goal: under %.0f ms) %s%n",
                    worst,
                    GOAL_MS,
                    worst < GOAL_MS ? "met" : "MISSED");
            screen.page.evaluate("() => document.querySelector('.map').plainPosts()");
            screen.page.waitForTimeout(1500);
            for (double zoom : new double[] {1, 0.1}) {
                Frames plain = pan(screen, zoom);
                System.out.printf(
                        Locale.ROOT,
                        "  plain features, zoom %-6s frame median %3.0f ms, p95 %3.0f ms%n",
                        zoom,
                        plain.median(),
                        plain.p95());
            }
        }
    }

    /** Drags the empty part of the plan to and fro and turns the wheel, and takes the time between frames. */
    private static Frames pan(Screen screen, double zoom) {
        Page page = screen.page;
        page.evaluate("z => document.querySelector('.map').zoomTo(z)", zoom);
        page.waitForTimeout(800);
        var box = page.locator(".map").boundingBox();
        double x = box.x + 0.5 * box.width;
        double y = box.y + 0.92 * box.height;
        page.mouse().move(x, y);
        page.mouse().down();
        page.evaluate("""
                () => {
                  window.frames_ = [];
                  window.panning = true;
                  let last = 0;
                  const tick = (now) => { if (last) frames_.push(now - last); last = now; if (panning) requestAnimationFrame(tick); };
                  requestAnimationFrame(tick);
                }""");
        for (int i = 0; i < 70; i++) {
            page.mouse().move(x + 160 * Math.sin(i / 6.0), y - 90 * (1 - Math.cos(i / 9.0)));
        }
        page.mouse().up();
        for (int i = 0; i < 12; i++) {
            page.mouse().wheel(0, i % 4 < 2 ? -60 : 60);
            page.waitForTimeout(30);
        }
        page.waitForTimeout(200);
        List<?> times = (List<?>) page.evaluate("() => { panning = false; return frames_.sort((a, b) => a - b) }");
        if (times.size() < 30) {
            throw new IllegalStateException("only " + times.size() + " frames were drawn");
        }
        return new Frames(at(times, 0.5), at(times, 0.95));
    }

    private static double at(List<?> sorted, double share) {
        return ((Number) sorted.get((int) (share * sorted.size()))).doubleValue();
    }

    /** A drawn line of 100 km with sides of 400 m, folded so that it stays on one screen. */
    private static Path track() throws IOException {
        StringBuilder line = new StringBuilder("{\"type\":\"LineString\",\"coordinates\":[");
        for (int row = 0; row < 25; row++) {
            for (int k = 0; k <= 10; k++) {
                double east = 400.0 * (row % 2 == 0 ? k : 10 - k);
                double north = 300.0 * row + 20 * Math.sin(k);
                line.append(line.charAt(line.length() - 1) == '[' ? "" : ",")
                        .append(String.format(
                                Locale.ROOT, "[%.7f,%.7f]", 0.88 + east / 80_000, 44.13 + north / 111_000));
            }
        }
        Path file = Buckle.folder("pan-track").resolve("track.geojson");
        return Files.writeString(file, line.append("]}"));
    }
}
