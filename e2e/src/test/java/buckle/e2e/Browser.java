package buckle.e2e;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

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

    @Override
    public void close() {
        browser.close();
        playwright.close();
    }
}
