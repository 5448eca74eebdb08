package buckle.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import buckle.design.Design;
import buckle.exchange.job.JobFile;
import buckle.exchange.job.JobFileReader;
import buckle.layout.Brace;
import buckle.layout.Joint;
import buckle.layout.Layout;
import buckle.layout.LineLayout;
import buckle.layout.Post;
import buckle.site.GeoPoint;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class RowsTest {
    /** While something moves: nothing is lost but loads and signs, and places by less than a tenth of a millimetre. */
    @ParameterizedTest
    @ValueSource(strings = {"alpaca-paddocks", "orchard-ring", "donkey-winter-track"})
    void postsBracesAndJointsTravelAsRows(String demo) throws IOException {
        JobFile job = JobFileReader.read(Json.parse(Files.readAllBytes(Path.of("..", "demo", demo + ".geojson"))));
        Layout whole = Design.of(job.plan(), job.around()).layout();
        Rows.Packed packed = Rows.of(whole);
        assertThat(packed.layout().joints()).isEmpty();
        for (int i = 0; i < whole.lines().size(); i++) {
            LineLayout line = whole.lines().get(i);
            LineLayout left = packed.layout().lines().get(i);
            assertThat(left.posts()).isEmpty();
            assertThat(left.braces()).isEmpty();
            assertThat(left.pulls()).isEqualTo(line.pulls());
            Rows rows = packed.rows().get(i);
            assertThat(rows.posts()).hasSize(6 * line.posts().size());
            assertThat(rows.likePosts()).hasSizeLessThan(line.posts().size());
            for (int k = 0; k < line.posts().size(); k++) {
                Post post = line.posts().get(k);
                List<Long> row = rows.posts().subList(6 * k, 6 * k + 6);
                Post like = rows.likePosts().get(row.get(0).intValue());
                assertThat(row.get(1)).isEqualTo(post.number());
                assertThat(row.get(2) * 1e-4).isCloseTo(post.stationM(), within(0.5e-4 + 1e-9));
                GeoPoint origin = line.corners().getFirst();
                assertThat(origin.lonDeg() + row.get(3) * 1e-9).isCloseTo(post.lonDeg(), within(0.5e-9 + 1e-13));
                assertThat(origin.latDeg() + row.get(4) * 1e-9).isCloseTo(post.latDeg(), within(0.5e-9 + 1e-13));
                assertThat(row.get(5) * 1e-3).isCloseTo(post.deflectionDeg(), within(0.5e-3 + 1e-9));
                assertThat(like)
                        .usingRecursiveComparison()
                        .ignoringFields("number", "stationM", "lonDeg", "latDeg", "label", "deflectionDeg", "load")
                        .isEqualTo(post);
                int at = k;
                assertThat(rows.labels().stream().filter(l -> l.post() == at).map(Rows.Label::text))
                        .isEqualTo(post.label().isEmpty() ? List.of() : List.of(post.label()));
            }
            assertThat(rows.braces()).hasSize(3 * line.braces().size());
            for (int k = 0; k < line.braces().size(); k++) {
                Brace brace = line.braces().get(k);
                List<Long> row = rows.braces().subList(3 * k, 3 * k + 3);
                Brace like = rows.likeBraces().get(row.get(0).intValue());
                assertThat(like.kind()).isEqualTo(brace.kind());
                assertThat(like.railM()).isEqualTo(brace.railM());
                assertThat(row.get(1) * 1e-4).isCloseTo(brace.strongStationM(), within(0.5e-4 + 1e-9));
                assertThat(row.get(2) * 1e-4).isCloseTo(brace.braceStationM(), within(0.5e-4 + 1e-9));
            }
            List<Joint> joints = whole.joints().stream()
                    .filter(j -> j.lineId().equals(line.lineId()))
                    .toList();
            assertThat(rows.joints()).hasSize(2 * joints.size());
            for (int k = 0; k < joints.size(); k++) {
                Joint joint = joints.get(k);
                Joint like = rows.likeJoints().get(rows.joints().get(2 * k).intValue());
                assertThat(like.withId(joint.id()).withStationM(joint.stationM()))
                        .isEqualTo(joint);
                assertThat(rows.joints().get(2 * k + 1) * 1e-4).isCloseTo(joint.stationM(), within(0.5e-4 + 1e-9));
            }
        }
        assertThat(packed.layout().sections()).isEqualTo(whole.sections());
    }
}
