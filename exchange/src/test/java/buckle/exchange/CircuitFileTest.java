package buckle.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import buckle.exchange.cli.CircuitFile;
import buckle.exchange.cli.SolveCircuit;
import buckle.exchange.cli.SpiceNetlist;
import buckle.power.Energizers;
import buckle.pulse.EnergizerRating;
import buckle.pulse.PulseSolver;
import buckle.pulse.Solution;
import buckle.site.BadInput;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

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
            {"\"soil_ohm_m\":100.0", "\"soil_ohm_m\":0", "runs[0]"},
            {"\"soil_ohm_m\":100.0", "\"soil_ohm_m\":1e9", "runs[0]"},
            {"\"mu_r\":100.0", "\"mu_r\":0.1", "runs[0]"},
            {"\"hot_heights_m\":[0.9]", "\"hot_heights_m\":[]", "runs[0]"},
            {"\"v0_V\":8000", "\"v0_V\":-1", "energizer"},
        }) {
            assertThat(text).contains(wrong[0]);
            JsonNode root = Json.parse(text.replace(wrong[0], wrong[1]).getBytes(StandardCharsets.UTF_8));
            assertThatThrownBy(() -> CircuitFile.read(root))
                    .isInstanceOfSatisfying(
                            BadInput.class,
                            e -> assertThat(e.problems().getFirst().path()).isEqualTo(wrong[2]));
        }
    }

    /** A run without length is a joint, a loop in a normal fence is legal, a fence of 100 km is long: all are solved. */
    @Test
    void whatIsLegalIsSolved() throws IOException {
        String text = sample("N09").toString();
        String long100 = text.replace("\"length_m\":3000", "\"length_m\":100000");
        double far = solved(long100, "[[\"A\",100000]]").answers().getFirst().peakV();
        assertThat(far).isBetween(0.0, 2000.0);
        ObjectNode looped = (ObjectNode) Json.parse(text.getBytes(StandardCharsets.UTF_8));
        ArrayNode runs = (ArrayNode) looped.path("runs");
        ObjectNode joint = ((ObjectNode) runs.get(0)).deepCopy();
        runs.add(joint.put("id", "J").put("parent", "A").put("length_m", 0));
        runs.add(joint.deepCopy().put("id", "B").put("parent", "J").put("length_m", 800));
        runs.add(joint.deepCopy()
                .put("id", "C")
                .put("parent", "A")
                .put("length_m", 900)
                .put("joins", "B"));
        Solution ring = solved(looped.toString(), "[[\"A\",3000],[\"J\",0],[\"B\",800],[\"C\",900]]");
        assertThat(ring.answers().get(1).peakV())
                .isEqualTo(ring.answers().get(0).peakV());
        assertThat(ring.answers().get(3).peakV())
                .as("joined ends")
                .isCloseTo(ring.answers().get(2).peakV(), within(1e-6));
    }

    private static Solution solved(String network, String points) {
        ObjectNode root = (ObjectNode) Json.parse(network.getBytes(StandardCharsets.UTF_8));
        root.set("points", Json.parse(points.getBytes(StandardCharsets.UTF_8)));
        CircuitFile file = CircuitFile.read(root);
        Solution s = PulseSolver.solve(file.circuit(), file.points());
        assertThat(s.solved()).isTrue();
        return s;
    }

    /** The command as it is typed: peaks and solver to standard output, a netlist beside; bad arguments end with 2. */
    @Test
    void theCommandPrintsPeaksAndWritesANetlist(@TempDir Path dir) throws IOException {
        Path file = Path.of("src", "test", "resources", "circuits", "N09.json");
        Path net = dir.resolve("net.cir");
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        int code = SolveCircuit.run(
                new String[] {file.toString(), "--spice", net.toString()}, new PrintStream(out), System.err);
        assertThat(code).isZero();
        JsonNode answer = Json.parse(out.toByteArray());
        assertThat(answer.path("peaks").size()).isEqualTo(5);
        assertThat(answer.path("solver").path("frequencies").asInt()).isGreaterThan(100);
        assertThat(Files.readString(net)).contains(".tran", ".meas tran p4 MAX", "Rf");
        assertThat(SolveCircuit.run(new String[] {"--section", "0"}, new PrintStream(out), new PrintStream(out)))
                .isEqualTo(2);
        assertThat(SolveCircuit.run(
                        new String[] {dir.resolve("none.json").toString()}, new PrintStream(out), new PrintStream(out)))
                .isEqualTo(2);
    }

    /**
     * Source: ngspice 39.3 on netlists we write, in sections of 10 m and steps of 50 ns, for both models: branches, a break, a
     * shunt and a ring. Runs where ngspice is installed, as the test command sees to.
     */
    @ParameterizedTest
    @CsvSource({
        "constant, tree",
        "constant, shunt",
        "constant, break",
        "constant, ring",
        "constant, damped",
        "constant, leaky",
        "constant, opened",
        "constant, plate",
        "frequency_dependent, tree",
        "frequency_dependent, shunt",
        "frequency_dependent, break",
        "frequency_dependent, ring",
        "frequency_dependent, damped",
        "frequency_dependent, leaky",
        "frequency_dependent, opened",
        "frequency_dependent, plate"
    })
    void ngspiceFindsTheSamePeaksOnOurNetlists(String model, String what, @TempDir Path dir)
            throws IOException, InterruptedException {
        ObjectNode root = (ObjectNode) sample("N06");
        root.put("line_model", model);
        ArrayNode runs = (ArrayNode) root.path("runs");
        runs.forEach(r -> ((ObjectNode) r).put("length_m", r.path("length_m").asDouble() / 2));
        for (JsonNode point : root.path("points")) {
            ((ArrayNode) point).set(1, point.get(1).asDouble() / 2);
        }
        ArrayNode faults = (ArrayNode) root.path("faults");
        switch (what) {
            case "shunt" ->
                faults.addObject()
                        .put("type", "shunt")
                        .put("run", "B")
                        .put("distance_m", 250)
                        .put("ohm", 400);
            case "break" ->
                faults.addObject()
                        .put("type", "break")
                        .put("run", "C")
                        .put("distance_m", 100)
                        .put("ohm", 2000);
            case "ring" -> ((ObjectNode) runs.get(2)).put("joins", "B");
            case "damped" ->
                ((ObjectNode) root.path("energizer")).put("bleed_ohm", 2000).put("terminal_F", 2e-9);
            case "opened" -> openedRing(root);
            case "plate" -> {
                ObjectNode plate = root.putObject("energizer").putObject("plate");
                plate.put("stored_J", 4).put("out500_J", 3).put("open_V", 8200).put("v500", 5300);
            }
            case "leaky" -> runs.forEach(r -> ((ObjectNode) r).put("leak_S_per_km", 2e-3));
            default -> {}
        }
        CircuitFile file = CircuitFile.read(root);
        Solution s = PulseSolver.solve(file.circuit(), file.points());
        Path net = dir.resolve("net.cir");
        Files.writeString(net, SpiceNetlist.write(file.circuit(), file.points(), 10, 5e-8, 1.2e-4));
        Process process = new ProcessBuilder("ngspice", "-b", net.toString())
                .redirectErrorStream(true)
                .start();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        process.waitFor();
        for (int i = 0; i < s.answers().size(); i++) {
            Matcher found =
                    Pattern.compile("(?m)^p" + i + "\\s*=\\s*([-+.eE0-9]+)").matcher(said);
            assertThat(found.find()).as(said).isTrue();
            double spice = Double.parseDouble(found.group(1));
            if (spice < 1e-3) {
                assertThat(s.answers().get(i).peakV()).as("off").isLessThan(1e-3);
                continue;
            }
            assertThat(s.answers().get(i).peakV() / spice)
                    .as("%s %s at %s", model, what, s.answers().get(i).place())
                    .isCloseTo(1, within(0.01));
        }
    }

    /** Two branches joined to a ring through two open switches: what lies between them is off, and nothing passes round. */
    private static void openedRing(ObjectNode root) {
        ArrayNode runs = (ArrayNode) root.path("runs");
        ObjectNode between = ((ObjectNode) runs.get(1)).deepCopy();
        runs.add(between.put("id", "R").put("parent", "B").put("length_m", 300).put("open", true));
        runs.add(between.deepCopy()
                .put("id", "S")
                .put("parent", "C")
                .put("length_m", 0)
                .put("open", true)
                .put("joins", "R"));
        root.withArray("points").addArray().add("R").add(150);
    }

    /**
     * The plate of the energizer, from outside: half a metre of clean wire stands at its open voltage, 500 Ω there at its voltage at
     * 500 Ω, within 2 %, for every generic plate and for two hard ones; explicit values win over a plate; a plate nothing gives is a problem.
     */
    @Test
    void aPlateStandsAtTheTerminals() throws IOException {
        List<EnergizerRating> plates = new ArrayList<>(Energizers.GENERIC);
        // Little energy at much voltage under load: their edges take a few tenths of a microsecond.
        plates.add(EnergizerRating.of("stiff", 0.1, 0.074, 9500, 7268, 45));
        plates.add(EnergizerRating.of("small", 0.3, 0.173, 8000, 4797, 45));
        for (EnergizerRating plate : plates) {
            for (boolean loaded : new boolean[] {false, true}) {
                ObjectNode root = (ObjectNode) sample("N06");
                root.put("earth_ohm", 0).put("line_model", "frequency_dependent");
                ArrayNode runs = (ArrayNode) root.path("runs");
                ObjectNode first = (ObjectNode) runs.get(0);
                first.put("length_m", 0.5).put("leak_S_per_km", 0);
                runs.removeAll();
                runs.add(first);
                root.putArray("faults");
                String id = first.path("id").asString();
                if (loaded) {
                    root.withArray("faults")
                            .addObject()
                            .put("type", "shunt")
                            .put("run", id)
                            .put("distance_m", 0.5)
                            .put("ohm", 500);
                }
                root.putArray("points").addArray().add(id).add(0.5);
                root.putObject("energizer")
                        .putObject("plate")
                        .put("stored_J", plate.storedJ().getAsDouble())
                        .put("out500_J", plate.out500J().getAsDouble())
                        .put("open_V", plate.openV())
                        .put("v500", plate.v500());
                CircuitFile file = CircuitFile.read(root);
                double peak = PulseSolver.solve(file.circuit(), file.points())
                        .answers()
                        .getFirst()
                        .peakV();
                double asked = loaded ? plate.v500() : plate.openV();
                assertThat(peak).as(plate.name()).isCloseTo(asked, within(0.02 * asked));
            }
        }
        ObjectNode both = (ObjectNode) sample("N06");
        double charged = both.path("energizer").path("v0_V").asDouble();
        ((ObjectNode) both.path("energizer")).putObject("plate").put("open_V", 1);
        assertThat(CircuitFile.read(both).circuit().source().chargedV()).isEqualTo(charged);
        ObjectNode doubtful = (ObjectNode) sample("N06");
        doubtful.putObject("energizer")
                .putObject("plate")
                .put("out500_J", 2.2)
                .put("open_V", 8000)
                .put("v500", 5200)
                .put("v100", 4500);
        assertThat(CircuitFile.read(doubtful).notes())
                .hasSize(2)
                .anySatisfy(n -> assertThat(n).contains("74 % of what is stored"))
                .anySatisfy(n -> assertThat(n).contains("4500 V at 100 Ω"));
        ObjectNode odd = (ObjectNode) sample("N06");
        odd.putObject("energizer")
                .putObject("plate")
                .put("stored_J", 2)
                .put("out500_J", 3)
                .put("open_V", 8000)
                .put("v500", 5000);
        assertThatThrownBy(() -> CircuitFile.read(odd)).isInstanceOfSatisfying(BadInput.class, e -> {
            assertThat(e.problems().getFirst().path()).isEqualTo("energizer.plate");
            assertThat(e.problems().getFirst().message()).contains("no energizer does");
        });
    }
}
