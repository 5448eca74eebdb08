package buckle.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import buckle.exchange.in.Importer;
import buckle.site.CleanLine;
import buckle.site.GeoPoint;
import buckle.site.LocalPlane;
import buckle.site.PlanePoint;
import buckle.site.Polylines;
import buckle.site.Survey;
import buckle.site.WalkNote;
import java.io.IOException;
import java.util.List;
import org.junit.jupiter.api.Test;

/** The two sample walks and the outlines they were made from (metres east and north of 44.1372° N, 0.8841° E; invented). */
class SampleWalksTest {
    private static final LocalPlane PLANE = new LocalPlane(GeoPoint.of(0.8841, 44.1372));

    private static Survey read(String name) throws IOException {
        try (var in = SampleWalksTest.class.getResourceAsStream("/walks/" + name)) {
            return Importer.read(in.readAllBytes(), Importer.Options.USUAL)
                    .survey()
                    .orElseThrow();
        }
    }

    private static PlanePoint at(double e, double n) {
        return new PlanePoint(e, n);
    }

    private static void check(CleanLine line, List<PlanePoint> truth, boolean closed, double endM) {
        double length = Polylines.lengthM(truth, closed);
        assertThat(line.closed()).isEqualTo(closed);
        assertThat(line.lengthM()).isCloseTo(length, within(0.015 * length));
        assertThat(line.rawLengthM()).isGreaterThan(1.05 * length);
        assertThat(line.corners().size()).isBetween(truth.size(), truth.size() + 1);
        for (int i = 0; i < truth.size(); i++) {
            PlanePoint p = truth.get(i);
            boolean end = !closed && (i == 0 || i == truth.size() - 1);
            assertThat(line.corners().stream()
                            .mapToDouble(c -> PLANE.toPlane(c).distanceM(p))
                            .min()
                            .orElseThrow())
                    .as("corner %d", i)
                    .isLessThan(end ? endM : 3);
        }
    }

    @Test
    void orchardRing() throws IOException {
        Survey survey = read("orchard-ring-walk.gpx");
        List<PlanePoint> truth = List.of(at(0, 0), at(148, 12), at(226, -34), at(208, -104), at(70, -128), at(-6, -92));
        check(survey.lines().getFirst(), truth, true, 3);
        assertThat(survey.site().lines().getFirst().gates()).hasSize(1);
        assertThat(survey.site().energizer()).isPresent();
        assertThat(survey.leftOut()).singleElement().asString().contains("creek");
    }

    @Test
    void alpacaBoundaryWithLostSignal() throws IOException {
        Survey survey = read("alpaca-boundary-walk.gpx");
        List<PlanePoint> truth = List.of(at(-470, -40), at(-160, 0), at(-50, -100), at(-75, -280), at(-290, -340));
        CleanLine line = survey.lines().getFirst();
        check(line, truth, false, 6);
        assertThat(line.notes())
                .filteredOn(n -> n.kind() == WalkNote.Kind.GAP_BRIDGED)
                .anyMatch(n -> n.lengthM() > 35);
        assertThat(survey.site().lines().getFirst().gates()).hasSize(2);
        assertThat(survey.site().energizer().orElseThrow().name()).isEqualTo("barn energizer");
    }
}
