package buckle.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.WaitForSelectorState;
import java.io.IOException;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** From a layout to a number a client signs, and what it takes to change it afterwards. */
class PricesTest {
    private static final Path WALK = Buckle.ROOT.resolve("exchange/src/test/resources/walks/orchard-ring-walk.gpx");
    private static final int MOST_ACTIONS = 15;
    private static Browser browser;

    @TempDir
    Path folder;

    @BeforeAll
    static void open() {
        browser = new Browser();
    }

    @AfterAll
    static void close() {
        browser.close();
    }

    private static final Pattern AMOUNT = Pattern.compile("[−-]?[0-9][0-9,]*(\\.[0-9]+)?");

    /** The first amount of a text. */
    private static BigDecimal amount(Locator at) {
        Matcher found = AMOUNT.matcher(at.innerText());
        assertThat(found.find()).isTrue();
        return new BigDecimal(found.group().replace(",", "").replace('−', '-'));
    }

    private static void sheet(Screen screen, String id) {
        screen.test("sheet-" + id).click();
        screen.settled();
    }

    private static void sent(Screen screen, String quote) {
        screen.page.waitForFunction("(t) => document.querySelector('article h2')?.textContent === t", quote);
        screen.settled();
    }

    /** The price is the same in the ledger, on the sheet and on the quote; accepted, changed, and the difference is that of the sums. */
    @Test
    void fromTheDemosLayoutToAnAcceptedQuoteAndAChangeOrder() throws IOException {
        Screen screen = new Screen(browser.page(1280, 800), Buckle.demo().url);
        screen.open("Orchard ring", "takeoff");
        sheet(screen, "price");
        screen.test("price-net").waitFor();
        BigDecimal net = amount(screen.test("price-net"));
        assertThat(amount(screen.test("figure-price").locator(".value")))
                .isEqualByComparingTo(net.setScale(0, RoundingMode.HALF_UP));
        screen.test("terms").click();
        screen.test("add-option").click();
        screen.test("option-text").fill("Mow the strip");
        screen.test("option-text").blur();
        screen.settled();
        screen.test("option-amount").fill("250.50");
        screen.test("option-amount").blur();
        screen.settled();

        sheet(screen, "quote");
        screen.test("send-quote").click();
        Locator title = screen.page.locator("article h2");
        title.waitFor();
        screen.settled();
        String number = title.innerText().replaceAll("[^0-9]", "");
        BigDecimal total = amount(screen.test("amount-total"));
        Download paper =
                screen.page.waitForDownload(() -> screen.test("quote-letter").click());
        Path pdf = folder.resolve("quote.pdf");
        paper.saveAs(pdf);
        assertThat(Files.readAllBytes(pdf)).startsWith("%PDF".getBytes(StandardCharsets.US_ASCII));
        screen.page.locator("article .option input").check();
        screen.test("accept-quote").click();
        screen.test("quote-agreed").waitFor();
        assertThat(amount(screen.test("quote-agreed")))
                .as("with the option and its tax of 6.25 %, to the cent")
                .isBetween(total.add(new BigDecimal("266.15")), total.add(new BigDecimal("266.17")));
        assertThat(screen.test("quote-" + number + "-1").innerText()).contains("accepted");

        screen.stage("layout");
        screen.test("spacing").fill("15 ft");
        screen.test("spacing").blur();
        screen.saved();
        screen.settled();
        screen.stage("takeoff");
        sheet(screen, "price");
        BigDecimal after = amount(screen.test("price-net"));
        assertThat(after).isGreaterThan(net);
        sheet(screen, "quote");
        screen.test("revise-quote").click();
        sent(screen, "Change order " + number + ", revision 2");
        screen.test("change-net").waitFor();
        assertThat(amount(screen.test("change-net"))).isEqualByComparingTo(after.subtract(net));
        assertThat(screen.test("change-item").count()).isPositive();
    }

    /** An action is a click, a drop, a typed field or a key. */
    @Test
    void fromABoundaryFileToAPricedQuote() {
        Screen screen = new Screen(browser.page(1280, 800), Buckle.demo().url);
        screen.yard();
        int actions = 0;
        screen.test("open-file").setInputFiles(WALK);
        actions++;
        screen.test("take-survey").click();
        actions++;
        screen.test("survey-preview").waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.DETACHED));
        screen.saved();
        screen.page.keyboard().press("2");
        actions++;
        screen.settled();
        screen.test("animal").selectOption("WILD_BOAR");
        actions++;
        screen.settled();
        screen.page.keyboard().press("3");
        actions++;
        screen.settled();
        screen.page.locator("[data-test^=energizer-]").first().click();
        actions++;
        screen.saved();
        screen.page.keyboard().press("4");
        actions++;
        sheet(screen, "price");
        actions++;
        screen.test("price-net").waitFor();
        screen.settled();
        assertThat(screen.test("price-says").allInnerTexts()).isEmpty();
        BigDecimal net = amount(screen.test("price-net"));
        screen.test("to-quote").click();
        actions++;
        screen.test("send-quote").click();
        actions++;
        Locator total = screen.test("amount-total");
        total.waitFor();
        assertThat(amount(total)).isGreaterThan(net);
        System.out.println("From a boundary file to a priced quote: " + actions + " actions");
        assertThat(actions).isLessThanOrEqualTo(MOST_ACTIONS);
    }

    /** A supplier's list with other headers: columns are told apart, what changes is seen, then the book has it; a bad one is told by row. */
    @Test
    void aListIsLookedAtBeforeItIsTaken() throws IOException {
        Screen screen = new Screen(browser.page(1280, 800), Buckle.demo().url);
        screen.page.navigate(Buckle.demo().url + "/prices?sheet=list");
        Path list = folder.resolve("ridge.csv");
        Files.writeString(
                list,
                "article;text;vendor;per pack;net price;as of\nX-NAIL-1;Nail, short;Ridge Fence Trade;100;1.234,50;01.11.2026\nX-NAIL-2;Nail, long;Ridge Fence Trade;100;-3;01.11.2026\n");
        screen.test("list-file").setInputFiles(list);
        screen.test("list-preview").click();
        screen.test("list-problems").waitFor();
        assertThat(screen.test("list-problems").innerText()).contains("row 3").contains("under zero");
        Files.writeString(
                list,
                "article;text;vendor;per pack;net price;as of\nX-NAIL-1;Nail, short;Ridge Fence Trade;100;1.234,50;01.11.2026\n");
        screen.test("list-file").setInputFiles(list);
        screen.settled();
        screen.test("list-preview").click();
        screen.test("list-counts").waitFor();
        assertThat(screen.test("list-counts").innerText()).startsWith("1 new, 0 changed");
        screen.test("list-take").click();
        screen.test("price-search").fill("x-nail");
        screen.page.waitForSelector("[data-test='item-X-NAIL-1']");
        assertThat(screen.test("item-X-NAIL-1").innerText())
                .contains("1,234.50")
                .contains("pack of 100 pcs");
        screen.page
                .getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("X-NAIL-1"))
                .click();
        screen.test("offer-price").fill("12.40");
        screen.test("save-item").click();
        screen.page.waitForFunction(
                "() => document.querySelector(\"[data-test='item-X-NAIL-1']\")?.innerText.includes('12.40')");
    }
}
