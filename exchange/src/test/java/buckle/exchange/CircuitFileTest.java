package buckle.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import buckle.pulse.PulseSolver;
import buckle.pulse.Solution;
import buckle.site.BadInput;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

/** Sample networks with the peaks that ngspice 39.3 gave for them, in sections of 25 to 50 m. */
class CircuitFileTest {
    private static JsonNode sample(String name) throws IOException {
        return Json.parse(Files.readAllBytes(Path.of("src", "test", "resources", "circuits", name + ".json")));
    }

    @ParameterizedTest
    @ValueSource(strings = {"F02", "F03", "N06", "N09"})
    void peaksAreThoseOfNgspiceWithinAPerCent(String name) throws IOException {
        JsonNode root = sample(name);
        CircuitFile file = CircuitFile.read(root);
        Solution s = PulseSolver.solve(file.circuit(), file.points());
        JsonNode peaks = root.path("ngspice").path("peaks");
        assertThat(s.answers()).hasSize(peaks.size());
        for (int i = 0; i < peaks.size(); i++) {
            assertThat(s.answers().get(i).peakV() / peaks.get(i).path("peak_V").asDouble())
                    .as("%s at %s", name, s.answers().get(i).place())
                    .isCloseTo(1, within(0.01));
        }
    }

    @Test
    void aWrongFileIsAProblemWithItsPlace() throws IOException {
        String text = sample("N09").toString();
        for (String[] wrong : new String[][] {
            {"\"ohm_per_km\":35.0", "\"ohm_per_km\":0", "runs[0]"},
            {"\"line_model\":\"constant\"", "\"line_model\":\"other\"", "line_model"},
            {"[\"A\",750]", "[\"A\",75000]", "points[1]"},
        }) {
            assertThat(text).contains(wrong[0]);
            JsonNode root = Json.parse(text.replace(wrong[0], wrong[1]).getBytes(StandardCharsets.UTF_8));
            assertThatThrownBy(() -> CircuitFile.read(root))
                    .isInstanceOfSatisfying(
                            BadInput.class,
                            e -> assertThat(e.problems().getFirst().path()).isEqualTo(wrong[2]));
        }
    }
}
