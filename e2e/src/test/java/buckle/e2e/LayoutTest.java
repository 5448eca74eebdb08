package buckle.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.offset;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.options.BoundingBox;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** The layout as a planner works it: from nothing, by a school, by his own choice, and what he takes upon himself. */
class LayoutTest {
    private final Browser browser = new Browser();
    private Screen screen;

    @BeforeEach
    void open() {
        screen = new Screen(browser.page(1280, 800), Buckle.demo().url);
    }

    @AfterEach
    void close() {
        browser.close();
    }

    /** A drawn yard of 200 m by 100 m, closed. */
    private void layOutAYard() throws IOException {
        Path file = Buckle.folder("layout").resolve("yard.geojson");
        Files.writeString(file, """
                {"type":"Polygon","coordinates":[[[0.88,44.13],[0.8825,44.13],[0.8825,44.1309],[0.88,44.1309],[0.88,44.13]]]}
                """);
        screen.dropInTheYard(file);
        screen.test("take-survey").click();
        screen.test("figure-fence").waitFor();
        screen.saved();
        screen.stage("layout");
    }

    private void sheet(String id) {
        screen.test("sheet-" + id).click();
    }

    private void figure(String key, String is) {
        screen.page.waitForFunction(
                "([k, v]) => document.querySelector(`[data-test=figure-${k}] .value`)?.textContent === v",
                List.of(key, is));
    }

    private void figureIsNot(String key, String was) {
        screen.page.waitForFunction(
                "([k, v]) => document.querySelector(`[data-test=figure-${k}] .value`)?.textContent !== v",
                List.of(key, was));
    }

    private int linePosts() {
        return Integer.parseInt(screen.figure("line-posts"));
    }

    @Test
    void aSchoolIsLookedAtThenSwitchedAndPlanRibbonFindingsAndLedgerAgree() throws IOException {
        layOutAYard();
        int strong = Integer.parseInt(screen.figure("strong"));
        String uplift = screen.figure("uplift");

        // What a double H would do, before it is done.
        sheet("schools");
        Locator row = screen.test("topic-BRACE")
                .locator("tr")
                .filter(new Locator.FilterOptions().setHas(screen.test("school-BRACE_DOUBLE")));
        row.locator("td.number").first().waitFor();
        int more = (int) screen.number(row.locator("td.number").first().innerText());
        assertThat(more).as("a second brace post at each of 8 ends").isEqualTo(8);
        assertThat(screen.figure("strong")).as("nothing is switched yet").isEqualTo(String.valueOf(strong));

        screen.test("school-BRACE_DOUBLE").click();
        figure("strong", String.valueOf(strong + more));
        figureIsNot("uplift", uplift);
        screen.saved();
        screen.unfoldRibbon();
        assertThat(screen.page.locator("svg .brace").first().getAttribute("d").split("M"))
                .as("the ribbon draws two rails and two diagonals an end")
                .hasSize(1 + 8 * 4);
        sheet("braces");
        screen.test("braces").locator("tbody tr").nth(7).waitFor();
        assertThat(screen.test("braces").locator("tbody tr").count()).isEqualTo(8);
        assertThat(screen.test("braces").innerText()).contains("double H").doesNotContain("single H");

        // The house's way, and why this job leaves it.
        sheet("schools");
        screen.test("house-BRACE_SINGLE").click();
        screen.test("because-BRACE").fill("the owner wants it heavy");
        screen.test("because-BRACE").press("Enter");
        screen.settled();
        screen.saved();
        screen.page.reload();
        sheet("schools");
        screen.test("because-BRACE").waitFor();
        assertThat(screen.test("because-BRACE").inputValue()).isEqualTo("the owner wants it heavy");
        screen.test("house-BRACE_SINGLE").click();
    }

    @Test
    void aStretchIsChosenOtherwiseAndSurvivesANewLayout() throws IOException {
        layOutAYard();
        int before = linePosts();
        sheet("posts");
        screen.page.keyboard().press(">");
        for (int i = 0; i < 4; i++) {
            screen.page.keyboard().press(".");
        }
        screen.test("from-here").click();
        for (int i = 0; i < 6; i++) {
            screen.page.keyboard().press(".");
        }
        screen.test("to-here").click();
        screen.test("override").click();
        assertThat(screen.page.locator("[role=alert]").last().innerText()).contains("Say a spacing");
        screen.test("override-spacing").fill("5 ft");
        screen.test("override-stock").selectOption("STEEL_TEE");
        screen.test("override").click();
        screen.test("override-kept").waitFor();
        screen.page.waitForFunction(
                "(n) => Number(document.querySelector('[data-test=figure-line-posts] .value').textContent) > n + 10",
                before);
        int dense = linePosts();
        screen.saved();
        sheet("build");
        screen.test("spacing").fill("15 ft");
        screen.test("spacing").press("Enter");
        screen.page.waitForFunction(
                "(n) => Number(document.querySelector('[data-test=figure-line-posts] .value').textContent) !== n",
                dense);
        screen.saved();
        screen.stage("takeoff");
        screen.page.waitForSelector("main >> text=steel tee post");

        // Numbers stay, and the line may be counted from its other end.
        screen.stage("layout");
        sheet("posts");
        screen.test("issue-numbers").click();
        screen.page.waitForSelector("text=numbers are given");
        screen.test("reverse").click();
        screen.settled();
        screen.saved();
        screen.page.waitForSelector("text=numbers are given");
        screen.test("override-kept").waitFor();
        assertThat(screen.test("override-kept").count()).isEqualTo(1);
    }

    @Test
    void aFindingIsTakenUponOneselfWithAReason() {
        screen.open("Alpaca paddocks", "layout");
        int mend = Integer.parseInt(screen.figure("findings"));
        sheet("findings");
        Locator open = screen.test("finding-list").locator("li.WARN:not(.accepted)");
        String first = open.first().locator(".say").innerText();
        open.first().locator(".say").click();
        assertThat(screen.test("cursor-text").innerText())
                .as("the ribbon goes there")
                .isNotBlank();
        open.first().locator("[data-test=accept]").click();
        assertThat(screen.test("accept-it").isDisabled()).isTrue();
        screen.test("accept-reason").fill("looked at it with the owner");
        screen.test("accept-it").click();
        screen.page.waitForFunction(
                "(n) => Number(document.querySelector('[data-test=figure-findings] .value').textContent) < n", mend);
        screen.saved();
        screen.page.reload();
        Locator accepted = screen.test("finding-list")
                .locator("li.accepted")
                .filter(new Locator.FilterOptions().setHasText("looked at it with the owner"));
        accepted.first().waitFor();
        assertThat(accepted.first().innerText()).contains(first.substring(first.indexOf(' ') + 1, 40));
        accepted.first().locator("text=withdraw").click();
        screen.page.waitForFunction(
                "(n) => Number(document.querySelector('[data-test=figure-findings] .value').textContent) >= n", mend);
        screen.saved();
    }

    @Test
    void everySheetOpensOnEveryDemoJobAndTheRibbonGoesDownToOneSpan() {
        for (String job : List.of("Orchard ring", "Alpaca paddocks", "Donkey winter track")) {
            screen.open(job, "layout");
            for (String id : List.of("build", "material", "pole", "posts", "braces", "joints", "schools", "findings")) {
                sheet(id);
                screen.page.locator("section.side h2").first().waitFor();
            }
            assertThat(screen.page.locator("[role=alert]").allInnerTexts()).allMatch(String::isBlank);
            sheet("joints");
            screen.test("joint").nth(2).waitFor();
            screen.unfoldRibbon();
            for (int i = 0; i < 12; i++) {
                screen.test("ribbon-closer").click();
            }
            screen.test("loads").check();
            screen.test("loads-lane").waitFor();
            assertThat(screen.page.locator("svg .insulator").first().getAttribute("d")
                            + screen.page.locator("svg .strain").first().getAttribute("d"))
                    .as("insulators are drawn where there is room")
                    .contains("M");
            assertThat(screen.page.locator("svg .wire").first().getAttribute("d"))
                    .doesNotContain("NaN");
        }
    }

    @Test
    void thePanesArePartedByHandEachStageRemembersAndADoubleClickResets() {
        String job = screen.fresh("Orchard ring");
        screen.openById(job, "layout?sheet=posts");
        double sheetPx = width();
        double ribbonPx = ribbonHeight();
        assertThat(ribbonPx).as("a quarter of the height").isLessThanOrEqualTo(200);
        drag("divide-sheet", 120, 0);
        assertThat(width()).isCloseTo(sheetPx + 120, offset(2.0));
        drag("divide-ribbon", 0, -220);
        assertThat(ribbonHeight()).isGreaterThan(ribbonPx + 150);
        double drawnUpPx = ribbonHeight();

        screen.stage("survey");
        screen.settled();
        assertThat(ribbonHeight()).as("the survey keeps its own").isLessThanOrEqualTo(200);
        screen.openById(job, "layout?sheet=posts");
        assertThat(width()).as("remembered").isCloseTo(sheetPx + 120, offset(2.0));
        assertThat(ribbonHeight()).isCloseTo(drawnUpPx, offset(2.0));

        screen.test("divide-sheet").dblclick();
        screen.test("divide-ribbon").dblclick();
        assertThat(width()).isCloseTo(sheetPx, offset(2.0));
        assertThat(ribbonHeight()).isCloseTo(ribbonPx, offset(2.0));
    }

    private void drag(String divider, double dx, double dy) {
        BoundingBox at = screen.test(divider).boundingBox();
        double x = at.x + at.width / 2;
        double y = at.y + at.height / 2;
        screen.page.mouse().move(x, y);
        screen.page.mouse().down();
        screen.page.mouse().move(x + dx / 2, y + dy / 2);
        screen.page.mouse().move(x + dx, y + dy);
        screen.page.mouse().up();
        screen.settled();
    }

    private double width() {
        return screen.page.locator(".side").boundingBox().width;
    }

    private double ribbonHeight() {
        return screen.page.locator(".ribbon").boundingBox().height;
    }

    @Test
    void theStoryPoleAndTheStripComeOnPaper() {
        screen.open("Orchard ring", "layout");
        sheet("pole");
        Path pole = screen.download(() -> screen.test("pole-pdf").click());
        assertThat(pole).isNotEmptyFile();
        screen.test("mix-presets").selectOption(new String[] {"W1", "W5"});
        screen.test("mix").click();
        screen.page.waitForSelector("text=is served by");
        screen.page.keyboard().press("Control+z");
        screen.saved();
    }
}
