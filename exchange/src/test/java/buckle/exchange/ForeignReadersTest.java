package buckle.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import buckle.design.Design;
import buckle.exchange.in.GridReader;
import buckle.exchange.in.KmlReader;
import buckle.exchange.in.Tracks;
import buckle.exchange.job.JobFile;
import buckle.exchange.job.JobFileReader;
import buckle.exchange.job.JobFileWriter;
import buckle.exchange.out.DxfWriter;
import buckle.exchange.out.GpxWriter;
import buckle.exchange.out.KmlWriter;
import buckle.exchange.out.LayoutGeoJson;
import buckle.exchange.out.PostsCsv;
import buckle.exchange.paper.Paper;
import buckle.exchange.paper.SetOutPdf;
import buckle.exchange.paper.StoryPolePdf;
import buckle.exchange.paper.StripPdf;
import buckle.land.GridTerrain;
import buckle.layout.LineLayout;
import buckle.layout.PostKind;
import buckle.setout.SetOut;
import buckle.setout.SetOutPlanner;
import buckle.site.GeoPoint;
import buckle.spec.Wire;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What Buckle writes is read by programs that are not ours: GDAL's ogrinfo and gpsbabel, both Debian packages. */
class ForeignReadersTest {
    @TempDir
    static Path folder;

    private static JobFile job;
    private static Design design;
    private static long own;
    private static long lines;

    @BeforeAll
    static void write() throws IOException {
        job = JobFileReader.read(Json.parse(Files.readAllBytes(Path.of("..", "demo", "alpaca-paddocks.geojson"))));
        design = Design.of(job.site(), job.around(), job.spec());
        lines = job.site().lines().size();
        own = design.layout().lines().stream()
                .flatMap(l -> l.posts().stream())
                .filter(p -> p.kind().strong() && !p.shared())
                .count();
        Files.write(folder.resolve("job.geojson"), JobFileWriter.write(job));
        Files.write(folder.resolve("layout.geojson"), LayoutGeoJson.write(job.site(), design.layout()));
        Files.write(folder.resolve("map.kml"), KmlWriter.write("Alpacas & more", design.layout(), job.land()));
        Files.write(folder.resolve("plan.dxf"), DxfWriter.write(design.layout(), job.land()));
        Files.write(folder.resolve("posts.csv"), PostsCsv.write(design.layout()));
        Files.write(folder.resolve("posts.gpx"), GpxWriter.write(job.site(), design.layout()));
    }

    private static String run(String... command) throws IOException, InterruptedException {
        Process process = new ProcessBuilder(command).redirectErrorStream(true).start();
        String out = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(process.waitFor()).as("%s says: %s", List.of(command), out).isZero();
        return out;
    }

    private static long features(String file, String layer, String where) throws IOException, InterruptedException {
        String out = run(
                "ogrinfo", "-ro", "-so", "-where", where, folder.resolve(file).toString(), layer);
        return Long.parseLong(out.replaceAll("(?s).*Feature Count: (\\d+).*", "$1"));
    }

    @Test
    void ogrinfoReadsTheLayout() throws Exception {
        assertThat(features("layout.geojson", "layout", "kind = 'fence-line'")).isEqualTo(lines);
        long posts = design.layout().lines().stream()
                .mapToLong(l -> l.posts().size())
                .sum();
        assertThat(features("layout.geojson", "layout", "kind = 'post'")).isEqualTo(posts);
        assertThat(features("layout.geojson", "layout", "post = 'tee'"))
                .isEqualTo(design.layout().counts().get(PostKind.TEE))
                .isPositive();
        assertThat(features("layout.geojson", "layout", "post = 'corner'"))
                .isEqualTo(design.layout().counts().get(PostKind.CORNER));
        assertThat(features("layout.geojson", "layout", "kind = 'test-point'"))
                .isEqualTo(design.layout().testPoints().size());
    }

    @Test
    void ogrinfoReadsTheJobFile() throws Exception {
        assertThat(features("job.geojson", "job", "kind = 'fence-line'")).isEqualTo(lines);
        assertThat(features("job.geojson", "job", "kind = 'gate'")).isEqualTo(7);
        assertThat(features("job.geojson", "job", "kind = 'energizer'")).isEqualTo(1);
    }

    @Test
    void ogrinfoAndGpsbabelReadTheGpx() throws Exception {
        assertThat(features("posts.gpx", "waypoints", "1 = 1")).isEqualTo(own);
        assertThat(features("posts.gpx", "tracks", "1 = 1")).isEqualTo(lines);
        String csv = run(
                "gpsbabel", "-w", "-i", "gpx", "-f", folder.resolve("posts.gpx").toString(), "-o", "unicsv", "-F", "-");
        assertThat(csv.lines().skip(1).count()).isEqualTo(own);
        assertThat(csv).contains("Boundary corner B");
    }

    private static double totalLengthM(String file, String layer, String where) throws Exception {
        String sql = "select sum(ST_Length(geometry)) as total from \"" + layer + "\" where " + where;
        String out = run(
                "ogrinfo",
                "-ro",
                "-q",
                "-dialect",
                "SQLite",
                "-sql",
                sql,
                folder.resolve(file).toString());
        return Double.parseDouble(out.replaceAll("(?s).*total \\(Real\\) = ([0-9.]+).*", "$1"));
    }

    /** DXF is in metres, so its lengths must be those of the layout; counts by layer. */
    @Test
    void ogrinfoReadsTheDrawing() throws Exception {
        double length =
                design.layout().lines().stream().mapToDouble(l -> l.lengthM()).sum();
        assertThat(features("plan.dxf", "entities", "Layer = 'FENCE_LINE'")).isEqualTo(lines);
        assertThat(totalLengthM("plan.dxf", "entities", "Layer = 'FENCE_LINE'")).isCloseTo(length, within(0.01));
        assertThat(features("plan.dxf", "entities", "Layer = 'POST_LINE'"))
                .isEqualTo(design.layout().counts().get(PostKind.LINE));
        assertThat(features("plan.dxf", "entities", "Layer = 'POST_TEXT'")).isEqualTo(own);
        assertThat(features("plan.dxf", "entities", "Layer = 'LAND_CREEK'")).isEqualTo(1);
    }

    @Test
    void ogrinfoReadsTheMap() throws Exception {
        String out =
                run("ogrinfo", "-ro", "-so", "-al", folder.resolve("map.kml").toString());
        assertThat(out).contains("Alpacas & more");
        long all = java.util.regex.Pattern.compile("Feature Count: (\\d+)")
                .matcher(out)
                .results()
                .mapToLong(m -> Long.parseLong(m.group(1)))
                .sum();
        assertThat(all).isEqualTo(lines + own + job.land().features().size());
        Tracks back = KmlReader.read(Files.readAllBytes(folder.resolve("map.kml")), Swap.NONE);
        assertThat(back.walks().getFirst().name()).isEqualTo("Boundary");
        String csv = run("ogrinfo", "-ro", "-so", folder.resolve("posts.csv").toString(), "posts");
        assertThat(csv)
                .contains("Feature Count: "
                        + design.layout().lines().stream()
                                .mapToInt(l -> l.posts().size())
                                .sum());
    }

    /** Source: gdallocationinfo on the same grid file, cell by cell; and gdalwarp's bilinear value between cells. */
    @Test
    void gdalReadsTheSameHeights() throws Exception {
        Path file = Path.of("src", "test", "resources", "walks", "kestrel-hollow.asc");
        GridTerrain grid = GridReader.read(Files.readAllBytes(file));
        for (int[] cell : new int[][] {{0, 0}, {5, 3}, {40, 20}, {105, 45}, {77, 9}}) {
            double lon = grid.westDeg() + (cell[0] + 0.5) * grid.cellDeg();
            double lat = grid.northDeg() - (cell[1] + 0.5) * grid.cellDeg();
            String said = run("gdallocationinfo", "-valonly", "-geoloc", file.toString(), "" + lon, "" + lat)
                    .strip();
            double theirs = Double.parseDouble(said);
            if (theirs == -9999) {
                assertThat(grid.heightM(GeoPoint.of(lon, lat))).isEmpty();
            } else {
                assertThat(grid.heightM(GeoPoint.of(lon, lat)).orElseThrow()).isCloseTo(theirs, within(0.01));
            }
        }
        double lon = 0.88043;
        double lat = 44.13577;
        double e = 1e-7;
        Path one = folder.resolve("one.tif");
        run(
                "gdalwarp",
                "-q",
                "-r",
                "bilinear",
                "-te",
                "" + (lon - e),
                "" + (lat - e),
                "" + (lon + e),
                "" + (lat + e),
                "-ts",
                "1",
                "1",
                file.toString(),
                one.toString());
        double between = Double.parseDouble(
                run("gdallocationinfo", "-valonly", one.toString(), "0", "0").strip());
        assertThat(grid.heightM(GeoPoint.of(lon, lat)).orElseThrow()).isCloseTo(between, within(0.01));
    }

    /** The sheet on paper: every strong post is on it, and pdftotext (poppler) reads it. */
    @Test
    void popplerReadsTheSetOutSheet() throws Exception {
        SetOut sheet = SetOutPlanner.plan(design.layout(), job.land(), job.spec());
        for (Paper paper : Paper.values()) {
            Path file = folder.resolve(paper + ".pdf");
            Files.write(
                    file,
                    SetOutPdf.write(
                            new SetOutPdf.Heading(job.name(), job.client(), "Hof “Šárka” <&>", 3, "2026-11-23"),
                            sheet,
                            design.layout(),
                            job.land(),
                            job.spec().units(),
                            paper));
            String text = run("pdftotext", "-raw", file.toString(), "-").replaceAll("\\s+", " ");
            assertThat(text).contains("Set-out sheet", "Hof “Šárka” <&>", "revision 3", "Plan, 1 ", "compass");
            for (SetOut.SetOutLine line : sheet.lines()) {
                for (SetOut.Mark mark : line.marks()) {
                    assertThat(text).contains(mark.name());
                }
            }
            String pages = run("pdfinfo", file.toString());
            assertThat(pages).contains(paper == Paper.A4 ? "(A4)" : "(letter)");
            noWordsLieOnOneAnother(run("pdftotext", "-bbox", file.toString(), "-"));
        }
    }

    /** On the pages of the table; the last page is the plan. */
    private static void noWordsLieOnOneAnother(String boxes) {
        String[] pages = boxes.split("<page ");
        for (String page : List.of(pages).subList(1, pages.length - 1)) {
            List<double[]> words = new ArrayList<>();
            Matcher word = Pattern.compile(
                            "<word xMin=\"([\\d.]+)\" yMin=\"([\\d.]+)\" xMax=\"([\\d.]+)\" yMax=\"([\\d.]+)\">([^<]*)")
                    .matcher(page);
            while (word.find()) {
                double[] box = new double[4];
                for (int i = 0; i < 4; i++) {
                    box[i] = Double.parseDouble(word.group(i + 1));
                }
                assertThat(words)
                        .as("“" + word.group(5) + "” lies on another word")
                        .noneMatch(w -> Math.min(w[2], box[2]) - Math.max(w[0], box[0]) > 1
                                && Math.min(w[3], box[3]) - Math.max(w[1], box[1]) > 3);
                words.add(box);
            }
            assertThat(words).hasSizeGreaterThan(20);
        }
    }

    /** The story pole at full size: heights as pdftotext reads them, and lines where the bar of 100 mm says they are. */
    @Test
    void popplerReadsTheStoryPoleAndItsSizeIsTrue() throws Exception {
        Path file = folder.resolve("pole.pdf");
        Files.write(
                file, StoryPolePdf.write(job.name(), design.layout(), job.spec().units(), Paper.A4));
        String text = run("pdftotext", "-layout", file.toString(), "-");
        for (LineLayout line : design.layout().lines()) {
            assertThat(text).contains(line.name());
            for (Wire w : line.schedule().wires()) {
                assertThat(text).contains(String.valueOf(Math.round(w.heightM() * 1000)));
            }
        }
        Path page = folder.resolve("pole");
        run("pdftoppm", "-r", "254", "-f", "2", "-l", "2", "-gray", "-png", file.toString(), page.toString());
        Path png = Files.list(folder)
                .filter(p -> p.getFileName().toString().startsWith("pole-"))
                .findFirst()
                .orElseThrow();
        var image = javax.imageio.ImageIO.read(png.toFile());
        int longest = 0;
        for (int y = 0; y < 400; y++) {
            int run = 0;
            for (int x = 0; x < image.getWidth(); x++) {
                run = (image.getRGB(x, y) & 0xff) < 128 ? run + 1 : 0;
                longest = Math.max(longest, run);
            }
        }
        assertThat(longest).as("the bar of 100 mm at 10 pixels a millimetre").isBetween(990, 1015);
    }

    @Test
    void popplerReadsTheStrip() throws Exception {
        Path file = folder.resolve("strip.pdf");
        Files.write(file, StripPdf.write(job.name(), design.layout(), job.spec().units(), Paper.LETTER));
        String text = run("pdftotext", "-raw", file.toString(), "-");
        for (LineLayout line : design.layout().lines()) {
            assertThat(text).contains(line.name());
        }
        run(
                "pdftoppm",
                "-r",
                "60",
                "-gray",
                "-png",
                file.toString(),
                folder.resolve("strip").toString());
        for (Path page : Files.list(folder)
                .filter(p -> p.getFileName().toString().matches("strip-.*png"))
                .toList()) {
            var image = javax.imageio.ImageIO.read(page.toFile());
            long ink = 0;
            for (int y = 0; y < image.getHeight(); y++) {
                for (int x = 0; x < image.getWidth(); x++) {
                    ink += (image.getRGB(x, y) & 0xff) < 128 ? 1 : 0;
                }
            }
            assertThat(ink).as("posts and wires on " + page.getFileName()).isGreaterThan(300);
        }
    }
}
