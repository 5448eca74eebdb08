package buckle.e2e;

import com.microsoft.playwright.Page;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;

/** The pictures in docs/screenshots, from demo data: {@code ./buckle shots}. */
@EnabledIfSystemProperty(named = "shots", matches = "true")
class Shots {
    private static final Path FOLDER = Buckle.ROOT.resolve("docs/screenshots");
    private static final Path WALK = Buckle.ROOT.resolve("exchange/src/test/resources/walks/alpaca-boundary-walk.gpx");

    private static void shoot(Page page, String name) {
        page.waitForTimeout(900);
        page.screenshot(new Page.ScreenshotOptions().setPath(FOLDER.resolve(name + ".png")));
    }

    @Test
    void takeAll() {
        try (Browser browser = new Browser();
                Buckle buckle = Buckle.start("demo", Buckle.folder("shots"))) {
            Screen screen = new Screen(browser.page(1280, 800), buckle.url);
            screen.yard();
            shoot(screen.page, "yard");
            screen.open("Orchard ring", "layout");
            for (int i = 0; i < 12; i++) {
                screen.page.keyboard().press(">");
            }
            shoot(screen.page, "layout");
            screen.open("Alpaca paddocks", "takeoff");
            shoot(screen.page, "takeoff");
            screen.open("Donkey winter track", "test");
            shoot(screen.page, "test");
            screen.dropInTheYard(WALK);
            screen.test("survey-preview").waitFor();
            shoot(screen.page, "survey");
            Screen phone = new Screen(browser.page(390, 844), buckle.url);
            phone.yard();
            phone.page
                    .locator("article h2 a", new Page.LocatorOptions().setHasText("Donkey"))
                    .click();
            phone.page.waitForSelector(".upright");
            shoot(phone.page, "test-phone");
        }
    }
}
