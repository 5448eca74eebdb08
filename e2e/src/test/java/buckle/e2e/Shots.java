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
            // Before it is brought in again: the one that ships has its quote.
            screen.openListed("Orchard ring", "takeoff");
            screen.test("sheet-price").click();
            screen.test("price-net").waitFor();
            screen.page.waitForTimeout(1500);
            shoot(screen.page, "price");
            screen.test("sheet-quote").click();
            screen.test("amount-total").waitFor();
            shoot(screen.page, "quote");
            screen.test("sheet-cuts").click();
            screen.test("cut-bar").first().waitFor();
            shoot(screen.page, "cuts");
            screen.test("sheet-load").click();
            screen.test("make-sheet").click();
            screen.test("load-left").waitFor();
            screen.test("loaded-2").click();
            screen.test("picked-3").click();
            shoot(screen.page, "load");
            screen.open("Orchard ring", "layout");
            for (int i = 0; i < 12; i++) {
                screen.page.keyboard().press(">");
            }
            shoot(screen.page, "layout");
            screen.test("sheet-schools").click();
            screen.test("school-RAIL_BY_HEIGHT").waitFor();
            screen.page.waitForTimeout(1500);
            shoot(screen.page, "schools");
            screen.open("Alpaca paddocks", "layout");
            screen.test("sheet-braces").click();
            screen.test("braces").locator("button").first().click();
            screen.page.waitForTimeout(500);
            screen.test("both-schools").scrollIntoViewIfNeeded();
            shoot(screen.page, "braces");
            screen.test("sheet-joints").click();
            screen.test("joint").first().scrollIntoViewIfNeeded();
            shoot(screen.page, "joints");
            screen.open("Orchard ring", "survey");
            screen.test("sheet-land").click();
            screen.page.locator("[data-test=land-findings]").scrollIntoViewIfNeeded();
            screen.page.keyboard().press("f");
            shoot(screen.page, "land");
            screen.open("Alpaca paddocks", "electrics");
            screen.test("energizer-generic 5 J").waitFor();
            shoot(screen.page, "energizer");
            screen.test("sheet-pulse").click();
            screen.test("at-point").waitFor();
            for (int i = 0; i < 12; i++) {
                screen.page.keyboard().press(">");
            }
            screen.page.waitForTimeout(2500);
            shoot(screen.page, "pulse");
            screen.open("Alpaca paddocks", "takeoff");
            shoot(screen.page, "takeoff");
            screen.open("Donkey winter track", "test");
            screen.test("sheet-round").click();
            screen.test("round-open").waitFor();
            screen.page.waitForTimeout(1500);
            shoot(screen.page, "round");
            screen.open("Donkey winter track", "faults");
            screen.test("faults-verdict").waitFor();
            screen.page.waitForTimeout(2500);
            shoot(screen.page, "faults");
            screen.test("sheet-log").click();
            screen.test("logged-fault").first().waitFor();
            shoot(screen.page, "log");
            screen.page.navigate(buckle.url + "/practice");
            screen.test("practice-name").fill("Mara");
            screen.test("case-LEAK_ON_A_BRANCH").click();
            screen.test("practice-map").waitFor();
            for (int i : new int[] {0, 5}) {
                screen.test("practice-point").nth(i).click();
                screen.test("practice-read").click();
                screen.page.waitForTimeout(1200);
            }
            screen.test("practice-give-up").click();
            screen.test("practice-verdict").waitFor();
            shoot(screen.page, "practice");
            screen.dropInTheYard(WALK);
            screen.test("survey-preview").waitFor();
            shoot(screen.page, "survey");
            Screen phone = new Screen(browser.page(390, 844), buckle.url);
            phone.open("Donkey winter track", "test");
            phone.page.waitForSelector(".upright");
            shoot(phone.page, "test-phone");
        }
    }
}
