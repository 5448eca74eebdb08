package buckle.e2e;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.PlaywrightException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CopyOnWriteArrayList;

/** Debian's headless Chromium; notes what a page complains about and whom it asks. */
final class Browser implements AutoCloseable {
    private static final List<String> FLAGS = List.of(
            "--no-sandbox",
            "--disable-gpu",
            "--disable-quic",
            "--no-first-run",
            "--disable-background-networking",
            "--disable-component-update",
            "--disable-sync");

    private static final List<Browser> OPEN = new CopyOnWriteArrayList<>();
    private static final int MOST_SHOWN = 3000;

    private final Playwright playwright =
            Playwright.create(new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
    private final com.microsoft.playwright.Browser browser;
    final List<String> complaints = new ArrayList<>();
    final List<String> requests = new ArrayList<>();

    Browser() {
        String chromium = System.getenv().getOrDefault("BUCKLE_CHROMIUM", "/usr/bin/chromium");
        browser = playwright
                .chromium()
                .launch(new BrowserType.LaunchOptions()
                        .setExecutablePath(Path.of(chromium))
                        .setArgs(FLAGS));
        OPEN.add(this);
    }

    Page page(int width, int height) {
        BrowserContext context = browser.newContext(new com.microsoft.playwright.Browser.NewContextOptions()
                .setViewportSize(width, height)
                .setAcceptDownloads(true));
        context.setDefaultTimeout(60_000);
        Page page = context.newPage();
        page.onPageError(complaints::add);
        page.onConsoleMessage(m -> {
            if (m.type().equals("error")) {
                complaints.add(m.text() + " (" + m.location() + ")");
            }
        });
        page.onRequest(r -> requests.add(r.url()));
        return page;
    }

    /** The text of every page that is open, and what it complained of. */
    static List<String> shown() {
        return OPEN.stream().flatMap(b -> b.texts().stream()).toList();
    }

    private List<String> texts() {
        List<String> all = new ArrayList<>(complaints);
        for (BrowserContext context : browser.contexts()) {
            for (Page page : context.pages()) {
                try {
                    String text = String.valueOf(page.evaluate("() => document.body.innerText"));
                    all.add(page.url() + "\n" + text.substring(0, Math.min(MOST_SHOWN, text.length())));
                } catch (PlaywrightException e) {
                    all.add(page.url() + " does not answer: " + e.getMessage());
                }
            }
        }
        return all;
    }

    @Override
    public void close() {
        OPEN.remove(this);
        browser.close();
        playwright.close();
    }
}
