package buckle.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import buckle.diagnosis.Diagnosis;
import buckle.diagnosis.Diagnostician;
import buckle.diagnosis.Hunt;
import buckle.diagnosis.NextReading;
import buckle.diagnosis.Tracer;
import buckle.exchange.cli.Diagnose;
import buckle.exchange.cli.HuntFile;
import buckle.exchange.cli.KnownHunts;
import buckle.pulse.Place;
import buckle.simulation.HuntScore;
import buckle.simulation.KnownHunt;
import buckle.site.BadInput;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Readings of faulty fences against their truth, and the command that tells where a fault must be. */
class HuntFileTest {
    private static final Path SAMPLE = Path.of("..", "demo", "faulty-fence.json");

    private static ObjectNode sample() {
        try {
            return (ObjectNode) Json.parse(Files.readAllBytes(SAMPLE));
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    private static ObjectNode now(ObjectNode file, int i) {
        return (ObjectNode) file.withArray("/now").get(i);
    }

    /**
     * Source: ngspice 39.3 on true fences that are off the plan, a meter of 3 %, made once and kept. What was
     * measured when they were made, with some room; the goals and how far they are met stand in docs/faults.md.
     */
    @Test
    void faultsOfNgspicesFencesAreFound() throws IOException {
        List<KnownHunt> hunts = new ArrayList<>();
        for (String file : List.of("hunts.json", "other-hunts.json")) {
            hunts.addAll(KnownHunts.read(Json.parse(Files.readAllBytes(Path.of("..", "bench", file)))));
        }
        assertThat(hunts).hasSizeGreaterThanOrEqualTo(290);
        HuntScore all = new HuntScore();
        HuntScore volts = new HuntScore();
        HuntScore currents = new HuntScore();
        List<Diagnosis> told =
                hunts.parallelStream().map(h -> Diagnostician.of(h.hunt())).toList();
        for (int i = 0; i < hunts.size(); i++) {
            KnownHunt h = hunts.get(i);
            Diagnosis d = told.get(i);
            assertThat(d.kinds().values().stream().mapToDouble(p -> p).sum()).isCloseTo(1, within(1e-3));
            assertThat(d.suspects().stream().mapToDouble(s -> s.probability()).sum())
                    .isLessThan(1 + 1e-6);
            all.add(h, d);
            (h.currents() ? currents : volts).add(h, d);
            if (h.name().startsWith("sample")) {
                HuntScore one = new HuntScore();
                one.add(h, d);
                assertThat(one.kinds().yes()).as(h.name()).isEqualTo(one.kinds().of());
                assertThat(one.inside().yes())
                        .as(h.name())
                        .isEqualTo(one.inside().of());
                assertThat(one.runFirst().yes())
                        .as(h.name())
                        .isEqualTo(one.runFirst().of());
            }
        }
        assertThat(all.inside().part()).as("true place inside").isGreaterThan(0.88);
        assertThat(currents.region()).as("region with currents").isLessThan(0.13);
        assertThat(currents.runFirst().part()).as("run with currents").isGreaterThan(0.85);
        assertThat(volts.runFirst().part()).as("run with kV").isGreaterThan(0.6);
        assertThat(all.kinds().part()).as("kind").isGreaterThan(0.83);
        assertThat(currents.lowLeakOff()).as("leaks under 2 kΩ with currents").isLessThan(0.02);
        assertThat(all.strongMissed().yes()).as("strong faults missed").isLessThanOrEqualTo(1);
        assertThat(all.soundCalledFaulty().part())
                .as("sound fences called faulty")
                .isLessThanOrEqualTo(0.15);
    }

    /** As it is typed: places, kinds that add up, what the readings in order made of the plan, where to read next. */
    @Test
    void theCommandAnswers() {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        assertThat(Diagnose.run(new String[] {SAMPLE.toString()}, new PrintStream(out), System.err))
                .isZero();
        JsonNode answer = Json.parse(out.toByteArray());
        assertThat(answer.path("faults").path(0).path("kind").asString()).isEqualTo("leak");
        assertThat(answer.path("region90")).isNotEmpty();
        double sum = 0;
        for (JsonNode p : answer.path("kinds")) {
            sum += p.asDouble();
        }
        assertThat(sum).isCloseTo(1, within(1e-3));
        assertThat(answer.path("kinds").size()).isEqualTo(8);
        assertThat(answer.path("calibration").path("done").asBoolean()).isTrue();
        assertThat(answer.path("calibration").path("runs").size())
                .isEqualTo(sample().path("circuit").path("runs").size());
        double before = 0;
        for (JsonNode step : answer.path("next")) {
            assertThat(step.path("action").asString()).isIn("read", "open");
            assertThat(step.path("expected_minutes").asDouble()).isPositive().isGreaterThanOrEqualTo(before);
            before = step.path("expected_minutes").asDouble();
        }
        assertThat(answer.path("next")).isNotEmpty();
        assertThat(answer.path("look_over")).isNotEmpty();
    }

    /** What is told first is where the plan of the search would send a crew that may read at every place: no worse by more than a sixth. */
    @Test
    void whatIsToldNextIsNearlyTheBest() {
        HuntFile file = HuntFile.read(sample());
        Place energizer = new Place(file.hunt().plan().runs().getFirst().id(), 0);
        for (int readings : new int[] {3, file.hunt().now().size()}) {
            Hunt asked = file.hunt().withNow(file.hunt().now().subList(0, readings));
            double few = NextReading.of(asked, file.walk(), Diagnostician.of(asked))
                    .getFirst()
                    .next()
                    .minutes();
            double all = Tracer.of(asked.withNow(List.of()), false, asked.now(), place -> true)
                    .next(asked.now(), List.of(), file.walk().start().orElse(energizer), file.walk())
                    .getFirst()
                    .minutes();
            assertThat(few).as("after %d readings", readings).isLessThan(all * 7 / 6);
        }
    }

    /** Without readings in order it answers all the same, and says so; an answer is the same whatever the order of the readings. */
    @Test
    void withoutReadingsInOrder() {
        ObjectNode file = sample();
        file.remove("healthy");
        HuntFile hunt = HuntFile.read(file);
        ObjectNode answer = Diagnose.json(hunt, Diagnostician.of(hunt.hunt()));
        assertThat(answer.path("calibration").path("done").asBoolean(true)).isFalse();
        assertThat(answer.path("calibration").path("says").asString()).contains("No readings");
        assertThat(answer.path("region90")).isNotEmpty();
    }

    /** What is voided is not used: an absurd reading changes nothing then. */
    @Test
    void voidedReadingsAreNotUsed() {
        HuntFile plain = HuntFile.read(sample());
        ObjectNode file = sample();
        ObjectNode absurd = now(file, 1).deepCopy().put("peak_V", 19_000).put("void", true);
        ((ArrayNode) file.path("now")).add(absurd);
        HuntFile voided = HuntFile.read(file);
        assertThat(Diagnostician.of(voided.hunt()).kinds())
                .isEqualTo(Diagnostician.of(plain.hunt()).kinds());
    }

    private static String said(Consumer<ObjectNode> change) {
        ObjectNode file = sample();
        change.accept(file);
        try {
            HuntFile.read(file);
            return "";
        } catch (BadInput e) {
            return e.problems().stream()
                    .map(p -> p.code() + " " + p.path() + " " + p.message())
                    .toList()
                    .toString();
        }
    }

    @Test
    void whatCannotBeRead() {
        assertThat(said(f -> {})).isEmpty();
        assertThat(said(f -> now(f, 0).put("run", "Z"))).contains("hunt.run now[0].run", "no run “Z”");
        assertThat(said(f -> now(f, 0).put("distance_m", 99_999))).contains("hunt.place now[0].distance_m");
        assertThat(said(f -> now(f, 0).put("distance_m", -1))).contains("hunt.place");
        assertThat(said(f -> now(f, 0).put("peak_V", -5))).contains("hunt.number now[0].peak_V");
        assertThat(said(f -> now(f, 0).put("peak_V", -0.0))).isEmpty();
        assertThat(said(f -> now(f, 0).put("peak_V", 99_900))).contains("hunt.overflow", "overflow");
        assertThat(said(f -> now(f, 0).withArray("/open").add("s99"))).contains("hunt.switch", "s99");
        assertThat(said(f -> f.withArray("/now").removeAll())).contains("hunt.few now");
        assertThat(said(f -> f.remove("circuit"))).contains("hunt.circuit");
        assertThat(said(f -> {
                    for (String set : List.of("healthy", "now")) {
                        for (JsonNode r : f.path(set)) {
                            if (r.has("peak_V")) {
                                ((ObjectNode) r).put("peak_V", r.path("peak_V").asDouble() / 1000);
                            }
                        }
                    }
                }))
                .contains("hunt.kilovolts", "5.4 kV are 5400");
        assertThat(said(f -> {
                    for (int i = 0; i < 1001; i++) {
                        f.withArray("/now").add(now(f, 0).deepCopy());
                    }
                }))
                .contains("hunt.many");
        // Several problems are told at once.
        assertThat(said(f -> {
                    now(f, 0).put("run", "Z");
                    now(f, 1).put("peak_V", 99_900);
                }))
                .contains("now[0]", "now[1]");
    }

    @ParameterizedTest
    @CsvSource({"NaN", "1e999"})
    void numbersThatAreNone(String number, @TempDir Path dir) throws IOException {
        String text = sample().toString().replaceFirst("\"peak_V\":\\d+", "\"peak_V\":" + number);
        Path file = dir.resolve("bad.json");
        Files.writeString(file, text);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        assertThat(Diagnose.run(new String[] {file.toString()}, new PrintStream(out), new PrintStream(out)))
                .isEqualTo(2);
        assertThat(out.toString(StandardCharsets.UTF_8)).contains("problems");
        assertThatThrownBy(() -> HuntFile.read(Json.parse(text.getBytes(StandardCharsets.UTF_8))))
                .isInstanceOf(BadInput.class);
    }
}
