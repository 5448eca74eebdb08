package buckle.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import buckle.layout.PostKind;
import buckle.takeoff.Design;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What Buckle writes is read by programs that are not ours: GDAL's ogrinfo and gpsbabel, both Debian packages. */
class ForeignReadersTest {
    @TempDir
    static Path folder;

    private static JobFile job;
    private static Design design;

    @BeforeAll
    static void write() throws IOException {
        job = JobFileReader.read(Json.parse(Files.readAllBytes(Path.of("..", "demo", "alpaca-paddocks.geojson"))));
        design = Design.of(job.site(), job.spec());
        Files.write(folder.resolve("job.geojson"), JobFileWriter.write(job));
        Files.write(folder.resolve("layout.geojson"), LayoutGeoJson.write(job.site(), design.layout()));
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
        assertThat(features("layout.geojson", "layout", "kind = 'fence-line'")).isEqualTo(3);
        long posts = design.layout().lines().stream()
                .mapToLong(l -> l.posts().size())
                .sum();
        assertThat(features("layout.geojson", "layout", "kind = 'post'")).isEqualTo(posts);
        assertThat(features("layout.geojson", "layout", "post = 'corner'"))
                .isEqualTo(design.layout().count(PostKind.CORNER));
        assertThat(features("layout.geojson", "layout", "kind = 'test-point'"))
                .isEqualTo(design.layout().testPoints().size());
    }

    @Test
    void ogrinfoReadsTheJobFile() throws Exception {
        assertThat(features("job.geojson", "job", "kind = 'fence-line'")).isEqualTo(3);
        assertThat(features("job.geojson", "job", "kind = 'gate'")).isEqualTo(3);
        assertThat(features("job.geojson", "job", "kind = 'energizer'")).isEqualTo(1);
    }

    @Test
    void ogrinfoAndGpsbabelReadTheGpx() throws Exception {
        long strong = design.layout().lines().stream()
                .flatMap(l -> l.posts().stream())
                .filter(p -> p.kind().strong())
                .count();
        assertThat(features("posts.gpx", "waypoints", "1 = 1")).isEqualTo(strong);
        assertThat(features("posts.gpx", "tracks", "1 = 1")).isEqualTo(3);
        String csv = run(
                "gpsbabel", "-w", "-i", "gpx", "-f", folder.resolve("posts.gpx").toString(), "-o", "unicsv", "-F", "-");
        assertThat(csv.lines().skip(1).count()).isEqualTo(strong);
        assertThat(csv).contains("Boundary corner B");
    }
}
