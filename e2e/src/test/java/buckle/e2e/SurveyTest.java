package buckle.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.LoadState;
import com.microsoft.playwright.options.WaitForSelectorState;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The first day on a property, in the real interface: tape, walks, terrain, what is there, and the sheet to stake from. */
class SurveyTest {
    private static final Path WALKS = Buckle.ROOT.resolve("exchange/src/test/resources/walks");
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

    private static Screen newJob(String name) {
        Screen screen = new Screen(browser.page(1280, 800), Buckle.demo().url);
        screen.newJob(name);
        return screen;
    }

    private static void sheet(Screen screen, String id) {
        screen.test("sheet-" + id).click();
        screen.settled();
    }

    /** A place on the map, by shares of its width and height. */
    private static void click(Screen screen, double x, double y) {
        var box = screen.page.locator(".map").boundingBox();
        screen.page.mouse().click(box.x + x * box.width, box.y + y * box.height);
        screen.settled();
    }

    private static byte[] get(Screen screen, String file) {
        Object bytes = screen.page.evaluate(
                "async (f) => { const id = location.pathname.split('/')[2]; const r = await fetch(`/api/jobs/${id}/${f}`); if (!r.ok) throw new Error(r.status); return [...new Uint8Array(await r.arrayBuffer())] }",
                file);
        List<?> numbers = (List<?>) bytes;
        byte[] result = new byte[numbers.size()];
        for (int i = 0; i < result.length; i++) {
            result[i] = ((Number) numbers.get(i)).byteValue();
        }
        return result;
    }

    @Test
    void fromATapeSheetToAStakedRectangle() throws Exception {
        Screen screen = newJob("Yard from a tape");
        screen.test("survey-file").setInputFiles(WALKS.resolve("poultry-yard-tape.csv"));
        screen.test("tape-preview").waitFor();
        assertThat(screen.test("tape-preview").innerText()).contains("7 measures", "Nothing is stored yet");
        screen.test("take-tape").click();
        screen.test("tape-verdicts").waitFor();
        assertThat(screen.test("tape-verdicts").innerText()).contains("as well", "Tape C–G");

        // A slip of the tape is found as soon as there is a tie that tells.
        screen.test("tape-7-from").fill("C");
        screen.test("tape-7-from").blur();
        screen.test("tape-7-to").fill("G");
        screen.test("tape-7-to").blur();
        screen.test("tape-7-length").fill("23.26");
        screen.test("tape-7-length").blur();
        screen.test("tape-8-from").fill("D");
        screen.test("tape-8-from").blur();
        screen.test("tape-8-to").fill("G");
        screen.test("tape-8-to").blur();
        screen.test("tape-8-length").fill("15.38");
        screen.test("tape-8-length").blur();
        screen.settled();
        screen.test("tape-5-length").fill("26.36");
        screen.test("tape-5-length").blur();
        screen.page.waitForFunction(
                "() => /suspect/.test(document.querySelector('[data-test=tape-verdicts]')?.textContent ?? '')");
        assertThat(screen.test("tape-verdicts").innerText()).contains("B–D").doesNotContain("C–G");
        screen.test("tape-5-length").fill("25.86");
        screen.test("tape-5-length").blur();
        screen.page.waitForFunction(
                "() => !/suspect/.test(document.querySelector('[data-test=tape-verdicts]')?.textContent ?? 'suspect')");

        // A wrong entry says which row, and keeps what was typed.
        screen.test("tape-1-length").fill("fifteen");
        screen.test("tape-1-length").blur();
        screen.test("tape-problems").waitFor();
        assertThat(screen.test("tape-problems").innerText()).contains("Row 2, B–C");
        screen.test("tape-1-length").fill("14.97");
        screen.test("tape-1-length").blur();
        screen.test("tape-verdicts").waitFor();

        screen.test("place-tape").click();
        click(screen, 0.5, 0.5);
        click(screen, 0.8, 0.5);
        screen.test("tape-to-line").waitFor();
        screen.test("tape-order").fill("A B C D");
        screen.test("tape-to-line").click();
        screen.test("figure-fence").waitFor();
        screen.test("units").click();
        screen.saved();

        sheet(screen, "setout");
        screen.test("set-out-table").waitFor();
        List<String> rows = screen.test("set-out-table").locator("tbody tr").allInnerTexts();
        assertThat(rows).hasSize(4);
        assertThat(rows.get(1)).contains("B").contains("21.04").contains("90.");
        assertThat(screen.page.locator(".set-out").innerText())
                .contains("Check diagonals", "25.8", "back from it", "C6");
        byte[] pdf = get(screen, "set-out.pdf");
        assertThat(new String(pdf, 0, 5, java.nio.charset.StandardCharsets.US_ASCII))
                .isEqualTo("%PDF-");
        Path file = folder.resolve("set-out.pdf");
        Files.write(file, pdf);
        Process text = new ProcessBuilder("pdftotext", "-layout", file.toString(), "-").start();
        assertThat(new String(text.getInputStream().readAllBytes(), java.nio.charset.StandardCharsets.UTF_8))
                .contains("Yard from a tape", "21.04", "Check diagonals", "Plan, 1 :");
    }

    @Test
    void walksTerrainAndEveryKindOfFeatureBecomeAPlanWithItsFindings() {
        Screen screen = newJob("Both walks");
        for (String walk : List.of("orchard-ring-walk.gpx", "alpaca-boundary-walk.gpx")) {
            screen.test("survey-file").setInputFiles(WALKS.resolve(walk));
            screen.test("take-survey").click();
            screen.test("survey-preview").waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.DETACHED));
            screen.saved();
        }
        // The same walk again is offered to be averaged with the line it walked before.
        screen.test("survey-file").setInputFiles(WALKS.resolve("orchard-ring-walk.gpx"));
        screen.test("average").click();
        screen.saved();
        screen.test("survey-file").setInputFiles(WALKS.resolve("kestrel-hollow.asc"));
        screen.test("grid-preview").waitFor();
        screen.test("take-grid").click();
        screen.page.waitForFunction("() => /terrain grid/.test(document.querySelector('.side').textContent)");
        screen.saved();
        screen.page.keyboard().press("f");
        screen.settled();

        // Every kind of feature, drawn across the orchard's second side or around it.
        sheet(screen, "land");
        screen.test("land-kind").waitFor();
        List<String> kinds =
                screen.test("land-kind").locator("option").evaluateAll("o => o.map(x => x.value)") instanceof List<?> l
                        ? l.stream().map(String::valueOf).toList()
                        : List.of();
        assertThat(kinds).hasSize(14);
        for (int i = 0; i < kinds.size(); i++) {
            draw(screen, kinds.get(i), 0.1 + 0.055 * i);
        }
        assertThat(screen.page.locator(".features li").count()).isEqualTo(14);
        screen.page
                .locator(".features button", new Page.LocatorOptions().setHasText("overhead line"))
                .click();
        screen.test("feature-name").fill("11 kV line");
        screen.test("feature-name").blur();
        screen.test("feature-kv").fill("11");
        screen.test("feature-kv").blur();
        screen.page
                .locator(".features button", new Page.LocatorOptions().setHasText("existing fence"))
                .click();
        screen.test("feature-electrified").selectOption("yes");
        screen.page
                .locator(".features button", new Page.LocatorOptions().setHasText("soil zone"))
                .click();
        screen.test("feature-soil").selectOption("STONE");
        screen.page.waitForFunction(
                "() => /Stone/.test(document.querySelector('[data-test=land-findings]').textContent)");
        String findings = screen.test("land-findings").innerText();
        assertThat(findings)
                .contains("“11 kV line” crosses under", "13 ft 1 in", "11 kV")
                .containsPattern("fix at [0-9,]+ ft[0-9 in]* “11 kV line”")
                .contains("fed by its own energizer", "warning signs towards it", "Buried service", "is crossed")
                .contains("No-go is entered", "Standing water", "Trees and brush", "C3", "C4", "C5", "C6");
        screen.saved();

        // Undo goes back over a reload, and forward again.
        int before = screen.page.locator(".features li").count();
        screen.settled();
        screen.page.reload();
        screen.page.waitForSelector("[data-test=figure-fence]");
        screen.page.waitForLoadState(LoadState.NETWORKIDLE);
        assertThat(screen.page.locator(".features li").count()).isEqualTo(before);
        screen.page.locator("[aria-label=Undo]:not([disabled])").waitFor();
        for (int i = 0; i < 4; i++) {
            screen.page.locator("[aria-label=Undo]").click();
            screen.settled();
        }
        assertThat(screen.page
                        .locator(".features button", new Page.LocatorOptions().setHasText("11 kV line"))
                        .count())
                .isZero();
        screen.page.locator("[aria-label=Undo]").click();
        screen.settled();
        assertThat(screen.page.locator(".features li").count()).isEqualTo(before - 1);
        for (int i = 0; i < 5; i++) {
            screen.page.locator("[aria-label=Redo]").click();
            screen.settled();
        }
        assertThat(screen.page.locator(".features li").count()).isEqualTo(before);
        screen.saved();
        for (String file :
                List.of("map.kml", "plan.dxf", "posts.csv", "layout.geojson", "strong-posts.gpx", "set-out.pdf")) {
            assertThat(get(screen, file)).as(file).hasSizeGreaterThan(1000);
        }
    }

    /** Lines cross the second side at its share; outlines lie around that place; points stand beside it. */
    private static void draw(Screen screen, String kind, double share) {
        screen.test("land-kind").selectOption(kind);
        String shape = switch (kind) {
            case "BUILDING", "BOUNDARY", "TREES", "SOIL", "STANDING_WATER", "NO_GO" -> "AREA";
            case "POWER_OUTLET", "OPENING" -> "POINT";
            default -> "LINE";
        };
        if (screen.test("land-shape").count() > 0) {
            screen.test("land-shape").selectOption(shape);
        }
        screen.test("draw-land").click();
        double[] at = screen.between(1, 2, share);
        List<double[]> points = switch (shape) {
            case "POINT" -> List.of(new double[] {at[0], at[1]});
            case "LINE" -> List.of(new double[] {at[0] - 6, at[1] - 26}, new double[] {at[0] + 6, at[1] + 26});
            default ->
                List.of(new double[] {at[0] - 9, at[1] - 24}, new double[] {at[0] + 9, at[1] - 24}, new double[] {
                    at[0] + 2, at[1] + 24
                });
        };
        screen.page.keyboard().down("Alt");
        for (double[] p : points) {
            screen.page.mouse().move(p[0], p[1]);
            screen.page.mouse().click(p[0], p[1]);
            screen.settled();
        }
        screen.page.keyboard().up("Alt");
        if (!shape.equals("POINT")) {
            screen.page.keyboard().press("Enter");
        }
        screen.test("feature-form").waitFor();
    }

    @Test
    void aLineIsDrawnByTypingItsSidesAndChangedSideBySide() {
        Screen screen = newJob("Typed in");
        sheet(screen, "lines");
        Page page = screen.page;
        page.keyboard().press("d");
        page.keyboard().press("Enter");
        for (String side : List.of("40 m @ 90", "30 m @ 180", "40 m @ 270")) {
            page.keyboard().type(side.substring(0, 1));
            screen.test("leg").fill(side);
            page.keyboard().press("Enter");
            screen.settled();
        }
        page.keyboard().press("Enter");
        screen.test("figure-fence").waitFor();
        screen.test("units").click();
        page.waitForFunction("() => document.querySelector('[data-test=figure-fence] .value').textContent === '110 m'");

        // All of the first line is in view, though the line pulled straight took its room; taking up a tool moves
        // nothing.
        screen.saved();
        screen.settled();
        var map = page.locator(".map").boundingBox();
        List<double[]> drawn = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            double[] at = screen.pixel(screen.corner(i).get(0), screen.corner(i).get(1));
            assertThat(at[0]).isBetween(map.x, map.x + map.width);
            assertThat(at[1]).isBetween(map.y, map.y + map.height);
            drawn.add(at);
        }
        page.keyboard().press("d");
        screen.test("leg").waitFor();
        assertThat(screen.pixel(screen.corner(2).get(0), screen.corner(2).get(1)))
                .containsExactly(drawn.get(2), within(0.5));
        page.keyboard().press("Escape");

        // Second side: its length set, then moved parallel by keyboard alone.
        for (int i = 0; i < 3; i++) {
            page.keyboard().press(">");
        }
        page.keyboard().press("<");
        page.keyboard().press(".");
        screen.test("side-length").fill("36 m");
        screen.test("set-length").click();
        page.waitForFunction("() => document.querySelector('[data-test=figure-fence] .value').textContent === '116 m'");
        screen.test("side-by").fill("2 m");
        screen.test("side-left").click();
        page.waitForFunction("() => document.querySelector('[data-test=figure-fence] .value').textContent === '120 m'");
        screen.test("beside").fill("30 in");
        screen.test("copy-right").click();
        page.waitForFunction("() => document.querySelectorAll('.side .line').length === 2");

        // A rectangle by its dimensions, placed by a click; day one finds the front longer.
        screen.test("shape-front").fill("30 m");
        screen.test("shape-depth").fill("20 m");
        screen.test("place-shape").click();
        click(screen, 0.7, 0.75);
        page.waitForFunction("() => document.querySelectorAll('.side .line').length === 3");
        screen.saved();
        screen.settled();
        sheet(screen, "dayone");
        screen.test("taped-0-1").fill("30.30 m");
        screen.test("fit-day-one").click();
        screen.test("comparison").waitFor();
        List<String> rows =
                new ArrayList<>(screen.test("comparison").locator("tbody tr").allInnerTexts());
        assertThat(rows).anyMatch(r -> r.startsWith("Line 3, length") && r.contains("+301 mm"));
        screen.test("confirm-day-one").click();
        screen.settled();
        sheet(screen, "history");
        page.waitForFunction(
                "() => [...document.querySelectorAll('[data-test^=label-]')].some(i => i.value === 'day one')");
        screen.test("comparison").waitFor();
        assertThat(screen.test("comparison").innerText()).contains("+301 mm");
    }

    @Test
    void theSquaringHelperSaysWhatToMove() {
        Screen screen = newJob("Square it");
        sheet(screen, "square");
        screen.test("square-front").fill("21 m");
        screen.test("square-side").fill("15 m");
        screen.test("square-ac").fill("25.89 m");
        screen.test("square-bd").fill("25.73 m");
        screen.test("square-move").waitFor();
        screen.page.waitForFunction(
                "() => /25.805|84 ft 8/.test(document.querySelector('[data-test=square-diagonal]').textContent)");
        double shift = (25.89 * 25.89 - 25.73 * 25.73) / 84;
        assertThat(shift).isCloseTo(0.098, within(0.001));
        assertThat(screen.test("square-move").innerText())
                .contains("Move C and D both", "from C towards D")
                .contains("3 7/8 in");
    }

    @Test
    void badFilesAreSaidAndNothingIsKept() throws IOException {
        Screen screen = newJob("Bad files");
        Path lying = folder.resolve("lying.asc");
        Files.writeString(lying, "ncols 4\nnrows 3\nxllcorner 0\nyllcorner 44\ncellsize 0.001\n1 2 3\n");
        screen.test("survey-file").setInputFiles(lying);
        screen.test("import-problems").waitFor();
        assertThat(screen.test("import-problems").innerText()).contains("header says 4 × 3 = 12 heights");
        Path fake = folder.resolve("photo.png");
        Files.write(fake, new byte[] {(byte) 0x89, 'P', 'N', 'G', 13, 10, 26, 10, 0, 0, 0, 0});
        screen.test("survey-file").setInputFiles(fake);
        screen.page.waitForFunction(
                "() => /no PNG or JPEG/.test(document.querySelector('[data-test=import-problems]')?.textContent)");
        Path swapped = folder.resolve("swapped.geojson");
        Files.writeString(
                swapped,
                "{\"type\":\"LineString\",\"coordinates\":[[44.1372,100.88],[44.1373,100.882],[44.139,100.882]]}");
        screen.test("survey-file").setInputFiles(swapped);
        screen.test("swap").click();
        screen.test("survey-preview").waitFor();
        Path table = folder.resolve("points.csv");
        Files.writeString(table, "nr;b;l\n1;44,1372;0,8841\n2;44,1380;0,8841\n3;44,1380;0,8850\n");
        screen.test("leave-survey").click();
        screen.test("survey-file").setInputFiles(table);
        screen.test("column-mapper").waitFor();
        screen.page.locator("[data-test=column-mapper] select").nth(1).selectOption("lat");
        screen.page.locator("[data-test=column-mapper] select").nth(2).selectOption("lon");
        screen.test("read-columns").click();
        screen.test("survey-preview").waitFor();
        assertThat(screen.test("survey-preview").innerText()).contains("3, open");
    }

    /** A photo is placed by two points and their distance; typed heights make a surface; a branch follows its line. */
    @Test
    void aPictureSpotHeightsAndABranch() throws IOException {
        Screen screen = newJob("Picture and heights");
        Page page = screen.page;
        sheet(screen, "lines");
        screen.test("shape-front").fill("100 m");
        screen.test("shape-depth").fill("60 m");
        screen.test("place-shape").click();
        click(screen, 0.35, 0.3);
        screen.test("figure-fence").waitFor();
        screen.test("units").click();
        screen.saved();

        BufferedImage photo = new BufferedImage(400, 300, BufferedImage.TYPE_INT_RGB);
        Path file = folder.resolve("yard.png");
        ImageIO.write(photo, "png", file.toFile());
        sheet(screen, "bring");
        screen.test("survey-file").setInputFiles(file);
        screen.test("picture-placer").waitFor();
        var box = screen.test("picture").boundingBox();
        page.mouse().click(box.x + 0.1 * box.width, box.y + 0.5 * box.height);
        page.mouse().click(box.x + 0.9 * box.width, box.y + 0.5 * box.height);
        screen.test("picture-distance").fill("80 m");
        screen.test("place-picture").click();
        double[] a = screen.between(0, 1, 0.1);
        double[] b = screen.between(0, 1, 0.9);
        page.mouse().click(a[0], a[1]);
        screen.settled();
        page.mouse().click(b[0], b[1]);
        page.waitForFunction("() => /yard/.test(document.querySelector('.under b')?.textContent ?? '')");
        screen.saved();
        screen.settled();
        screen.saved();
        Object placed = page.evaluate(
                "async () => { const job = await (await fetch(`/api/jobs/${location.pathname.split('/')[2]}`)).json(); const s = await (await fetch(`/api/properties/${job.propertyId}/land`)).json(); const u = s.land.underlays[0]; return [u.distanceM, u.bearingDeg, u.x2 - u.x1] }");
        List<?> numbers = (List<?>) placed;
        assertThat(((Number) numbers.get(0)).doubleValue()).isCloseTo(80, within(1e-9));
        assertThat(((Number) numbers.get(1)).doubleValue())
                .as("along the first side")
                .isCloseTo(90, within(3.0));
        assertThat(((Number) numbers.get(2)).doubleValue()).isCloseTo(320, within(4.0));

        // A slope of 10 m over 100 m along the first side, by four typed heights around the yard.
        double before =
                screen.number(screen.page.locator(".side table tbody td").nth(2).innerText());
        String[] heights = {"100 m", "110 m", "110 m", "100 m"};
        List<double[]> around =
                List.of(new double[] {-40, -40}, new double[] {40, -40}, new double[] {40, 40}, new double[] {-40, 40});
        for (int i = 0; i < 4; i++) {
            List<Double> corner = screen.corner(i);
            double[] at = screen.pixel(corner.get(0), corner.get(1));
            screen.test("spot-height").fill(heights[i]);
            screen.test("place-spot").click();
            page.keyboard().down("Alt");
            page.mouse().click(at[0] + around.get(i)[0] / 4, at[1] + around.get(i)[1] / 4);
            page.keyboard().up("Alt");
            screen.settled();
        }
        page.waitForFunction("() => /spot heights \\(L3\\)/.test(document.querySelector('.side').textContent)");
        double after =
                screen.number(screen.page.locator(".side table tbody td").nth(2).innerText());
        assertThat(after).isGreaterThan(before + 0.3).isLessThan(before + 3);
        screen.saved();

        // A line that begins on the yard's first side is a branch of it, by its snap.
        page.keyboard().press("f");
        screen.settled();
        page.keyboard().press("d");
        double[] start = screen.between(0, 1, 0.37);
        page.mouse().move(start[0] + 1, start[1] - 1);
        page.mouse().click(start[0] + 1, start[1] - 1);
        screen.test("leg").fill("30 m @ n 0");
        screen.test("leg").press("Enter");
        screen.test("leg").press("Enter");
        sheet(screen, "lines");
        page.waitForFunction("() => document.querySelectorAll('.side .line').length === 2");
        assertThat(page.locator(".line select").first().inputValue()).isEqualTo("line-1");
        screen.saved();
        assertThat(new String(get(screen, "posts.csv"), java.nio.charset.StandardCharsets.UTF_8))
                .contains(",tee,");
    }
}
