package buckle.site;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import buckle.Fences;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class SiteCheckTest {
    private static List<Problem> problems(FenceLine line) {
        return SiteCheck.problems(new Site(List.of(line), Optional.empty()));
    }

    @Test
    void aLineThatCrossesItselfIsNamedWithItsPlace() {
        FenceLine eight = Fences.line("line-1", false, 0, 0, 100, 100, 100, 0, 0, 100);
        assertThat(problems(eight)).singleElement().satisfies(p -> {
            assertThat(p.code()).isEqualTo("line.crosses-itself");
            assertThat(p.path()).isEqualTo("lines[0]");
            assertThat(p.message()).contains("station 70.7 m");
        });
    }

    @Test
    void aGateWiderThanItsSideIsNamed() {
        FenceLine line = Fences.line("line-1", false, 0, 0, 4, 0, 4, 60);
        FenceLine gated = line.withGates(List.of(Fences.gate("g1", GateKind.SWING, 2, 0, 6)));
        assertThat(problems(gated))
                .extracting(Problem::code, Problem::path)
                .containsExactly(org.assertj.core.groups.Tuple.tuple("gate.wider-than-side", "lines[0].gates[0]"));
    }

    @Test
    void tooFewTooShortTooWideAndTwiceAreNamed() {
        assertThat(problems(Fences.line("l", true, 0, 0, 50, 0)))
                .extracting(Problem::code)
                .containsExactly("line.too-few-corners");
        assertThat(problems(Fences.line("l", false, 0, 0, 0.1, 0, 9, 9)))
                .extracting(Problem::code)
                .containsExactly("side.too-short");
        assertThat(problems(Fences.line("l", false, 0, 0, 400_000, 0)))
                .extracting(Problem::code)
                .containsExactly("site.too-wide");
        FenceLine line = Fences.line("l", false, 0, 0, 50, 0);
        assertThat(SiteCheck.problems(new Site(List.of(line, line), Optional.empty())))
                .extracting(Problem::code)
                .contains("id.twice");
        FenceLine far = line.withCutOuts(List.of(new CutOut("c", "far", Fences.at(25, 60))));
        assertThat(problems(far)).singleElement().satisfies(p -> {
            assertThat(p.code()).isEqualTo("off-line");
            assertThat(p.message()).startsWith("“far” lies 60.0 m (197 ft) off its line");
        });
    }

    @Test
    void aClosedRingAndTouchingPausesAreNoCrossing() {
        assertThat(problems(Fences.line("l", true, 0, 0, 50, 0, 50, 50, 0, 50))).isEmpty();
    }

    @Test
    void placesOutsideTheEarthAreRefused() {
        assertThatThrownBy(() -> GeoPoint.of(0, 91)).hasMessageContaining("latitude 91.0°");
        assertThatThrownBy(() -> GeoPoint.of(Double.NaN, 0)).hasMessageContaining("longitude");
        assertThat(GeoPoint.of(181, 0).lonDeg()).isEqualTo(-179);
    }
}
