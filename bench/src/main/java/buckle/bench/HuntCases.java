package buckle.bench;

import buckle.diagnosis.Hunt;
import buckle.diagnosis.Hunt.Reading;
import buckle.diagnosis.Walk;
import buckle.exchange.Json;
import buckle.exchange.cli.KnownHunts;
import buckle.exchange.cli.SpiceNetlist;
import buckle.pulse.Circuit;
import buckle.pulse.LineModel;
import buckle.pulse.LineType;
import buckle.pulse.LineWire;
import buckle.pulse.Meter;
import buckle.pulse.Place;
import buckle.pulse.PulseSolver;
import buckle.pulse.Run;
import buckle.pulse.Source;
import buckle.simulation.DrawnHunt;
import buckle.simulation.KnownHunt;
import buckle.simulation.Truth;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Eight plans, and hunts on them and on others by ngspice, made once and kept in bench/hunts.json and bench/other-hunts.json. */
public final class HuntCases {
    /** So much of a quick solver's window is enough for the peaks. */
    private static final double SPICE_SHARE = 0.72;

    private HuntCases() {}

    /** ngspice's transient in sections of a hundred and twentieth of the fence, 6 to 40 m long. */
    static double[] byNgspice(Circuit circuit, List<Meter> meters) {
        double total = circuit.runs().stream().mapToDouble(Run::lengthM).sum();
        double windowS = PulseSolver.span(circuit).windowS() * SPICE_SHARE;
        double section = Math.clamp(total / 120, 6, 40);
        try {
            Path file = Files.createTempFile("buckle-hunt", ".cir");
            Files.writeString(
                    file, SpiceNetlist.write(circuit, meters, new SpiceNetlist.Steps(section, 0.15e-6, windowS)));
            Process process = new ProcessBuilder("ngspice", "-b", file.toString())
                    .redirectErrorStream(true)
                    .start();
            String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
            Files.delete(file);
            double[] shown = new double[meters.size()];
            for (int i = 0; i < shown.length; i++) {
                double most = said(said, "p" + i);
                if (meters.get(i) instanceof Meter.Volts) {
                    shown[i] = most;
                } else {
                    double least = said(said, "q" + i);
                    shown[i] = Math.abs(least) > Math.abs(most) ? least : most;
                }
                if (meters.get(i) instanceof Meter.EarthVolts) {
                    shown[i] = Math.abs(shown[i]);
                }
            }
            return shown;
        } catch (IOException e) {
            throw new UncheckedIOException("ngspice is wanted for this: apt-get install ngspice", e);
        }
    }

    private static double said(String text, String name) {
        Matcher m = Pattern.compile("(?m)^" + name + "\\s*=\\s*([-+.\\deE]+)").matcher(text);
        if (!m.find()) {
            throw new IllegalStateException("ngspice gave no " + name + ": " + text);
        }
        return Double.parseDouble(m.group(1));
    }

    // ---------------------------------------------------------------- plans

    private static Run run(String id, String parent, double lengthM, LineType type) {
        return Run.of(id, parent.isEmpty() ? Optional.empty() : Optional.of(parent), lengthM, type);
    }

    private static LineType wires(
            double diameterMm,
            double ohmPerKm,
            double muR,
            double leakMilliSPerKm,
            double soil,
            double[] hot,
            double... earth) {
        List<LineWire> strands = new ArrayList<>();
        for (double h : hot) {
            strands.add(new LineWire(h, diameterMm / 1000, ohmPerKm / 1000, muR, true));
        }
        for (double h : earth) {
            strands.add(new LineWire(h, diameterMm / 1000, ohmPerKm / 1000, muR, false));
        }
        return LineType.overGround(strands, leakMilliSPerKm / 1e6, soil);
    }

    private static Circuit plan(String name, Source source, double earthOhm, List<Run> runs) {
        return new Circuit(name, LineModel.FREQUENCY_DEPENDENT, source, earthOhm, false, runs, List.of());
    }

    private static Source source(double volts, double joules, double henry, double ohm) {
        return new Source(
                volts, 2 * joules / volts / volts, henry, ohm, OptionalDouble.of(6000), OptionalDouble.of(0.5e-9));
    }

    /** Eight of them, 0.5 to 11 km. */
    static List<Circuit> plans() {
        LineType steel2 = wires(2.5, 35, 100, 0.4, 100, new double[] {0.5, 0.9});
        LineType steel5 = wires(2.5, 35, 100, 0.9, 100, new double[] {0.2, 0.45, 0.7, 0.9, 1.1});
        LineType pair = wires(2.5, 35, 100, 0.5, 150, new double[] {0.35, 0.95}, 0.65);
        LineType alu1 = wires(2.5, 5.7, 1, 0.1, 300, new double[] {0.9});
        LineType alu3 = wires(2.5, 5.7, 1, 0.25, 80, new double[] {0.4, 0.7, 1.0});
        Source small = source(7000, 0.9, 0.9e-3, 210);
        Source middle = source(8000, 3, 2.3e-3, 180);
        Source large = source(8500, 9, 2.6e-3, 75);
        return List.of(
                plan("yard", small, 22, List.of(run("A", "", 210, alu3), run("B", "A", 320, alu3))),
                plan(
                        "loop",
                        small,
                        16,
                        List.of(run("A", "", 60, pair), run("B", "A", 620, pair), run("C", "A", 540, pair))),
                plan(
                        "fork",
                        middle,
                        11,
                        List.of(
                                run("A", "", 620, steel5),
                                run("B", "A", 560, steel5),
                                run("C", "A", 380, steel2),
                                run("D", "C", 430, steel2),
                                run("E", "C", 340, steel5))),
                plan(
                        "farm",
                        middle,
                        9,
                        List.of(
                                run("A", "", 480, pair),
                                run("B", "A", 420, pair),
                                run("C", "A", 610, pair),
                                run("D", "B", 440, steel2),
                                run("E", "B", 360, pair),
                                run("F", "A", 520, steel2),
                                run("G", "F", 390, pair),
                                run("H", "F", 430, pair),
                                run("I", "H", 330, steel2))),
                plan(
                        "downs",
                        large,
                        7,
                        List.of(
                                run("A", "", 700, alu3),
                                run("B", "A", 640, alu3),
                                run("C", "B", 580, alu3),
                                run("D", "C", 520, alu1),
                                run("E", "A", 450, alu3),
                                run("F", "B", 480, alu1),
                                run("G", "C", 610, alu3),
                                run("H", "E", 530, alu3),
                                run("I", "E", 470, alu1),
                                run("J", "H", 420, alu3),
                                run("K", "G", 390, alu3))),
                plan(
                        "range",
                        large,
                        6,
                        List.of(
                                run("A", "", 2600, steel2),
                                run("B", "A", 2300, steel2),
                                run("C", "A", 2100, steel2),
                                run("D", "B", 2400, steel2),
                                run("E", "B", 1900, steel2))),
                plan("straight", middle, 14, List.of(run("A", "", 4600, alu1))),
                plan(
                        "rings",
                        middle,
                        12,
                        List.of(
                                run("A", "", 80, pair),
                                run("B", "A", 780, pair),
                                run("C", "A", 720, pair),
                                run("D", "B", 260, steel2),
                                run("E", "D", 560, steel2),
                                run("F", "D", 480, steel2))));
    }

    /** Cut-outs as they are met: where the main branches begin, at most four a fence. */
    static List<Hunt.Switch> switches(Circuit plan) {
        List<String> runs = switch (plan.name()) {
            case "yard" -> List.of("B");
            case "loop" -> List.of("B", "C");
            case "fork" -> List.of("B", "C", "E");
            case "farm" -> List.of("B", "C", "F", "H");
            case "downs" -> List.of("B", "C", "E", "G");
            case "range" -> List.of("B", "C", "D", "E");
            case "rings" -> List.of("B", "C", "D");
            default -> List.of();
        };
        return IntStream.range(0, runs.size())
                .mapToObj(i -> new Hunt.Switch("s" + (i + 1), new Place(runs.get(i), 0)))
                .toList();
    }

    /** Across a gate between the two ends of a ring cut open, or between ends of branches that come near each other. */
    static List<Walk.Link> links(Circuit plan) {
        return switch (plan.name()) {
            case "loop", "rings" -> List.of(link(plan, "B", "C", 3));
            case "fork" -> List.of(link(plan, "B", "D", 240));
            case "farm" -> List.of(link(plan, "D", "G", 190), link(plan, "E", "I", 400));
            case "downs" -> List.of(link(plan, "F", "D", 330), link(plan, "J", "K", 480));
            default -> List.of();
        };
    }

    private static Walk.Link link(Circuit plan, String one, String other, double metres) {
        return new Walk.Link(end(plan, one), end(plan, other), metres);
    }

    private static Place end(Circuit plan, String run) {
        return plan.runs().stream()
                .filter(r -> r.id().equals(run))
                .map((Run r) -> new Place(r.id(), r.lengthM()))
                .findFirst()
                .orElseThrow();
    }

    /** So many cases over all plans. */
    static List<KnownHunt> all(List<Circuit> plans, int count, long seed, DrawnHunt.Instrument instrument) {
        return IntStream.range(0, count)
                .parallel()
                .mapToObj(i -> {
                    Circuit plan = plans.get(i % plans.size());
                    return DrawnHunt.of(
                            String.format(Locale.ROOT, "%s-%03d", plan.name(), i), plan, seed + i, instrument);
                })
                .toList();
    }

    // ---------------------------------------------------------------- kept as a file

    /** Fences once, then each case as docs/faults.md has it, without its circuit. */
    static ObjectNode json(List<Circuit> plans, List<KnownHunt> cases) {
        ObjectNode root = Json.MAPPER.createObjectNode();
        ObjectNode fences = root.putObject("fences");
        plans.forEach(p -> fences.set(p.name(), circuit(p)));
        ArrayNode all = root.putArray("cases");
        for (KnownHunt c : cases) {
            ObjectNode one = all.addObject()
                    .put("name", c.name())
                    .put("fence", c.hunt().plan().name());
            readings(one.putArray("healthy"), c.hunt().healthy());
            readings(one.putArray("now"), c.hunt().now());
            ArrayNode switches = one.putArray("switches");
            c.hunt()
                    .switches()
                    .forEach(s -> switches.addObject()
                            .put("id", s.id())
                            .put("run", s.at().runId())
                            .put("distance_m", s.at().distanceM()));
            ArrayNode truth = one.putArray("truth");
            for (Truth t : c.truth()) {
                ObjectNode o = truth.addObject().put("kind", t.kind().name().toLowerCase(Locale.ROOT));
                if (!t.run().isEmpty()) {
                    o.put("run", t.run()).put("from_m", t.fromM()).put("to_m", t.toM());
                }
                if (t.reading() >= 0) {
                    o.put("reading", t.reading());
                }
                if (Double.isFinite(t.value())) {
                    o.put("value", t.value());
                }
            }
        }
        return root;
    }

    private static void readings(ArrayNode into, List<Reading> readings) {
        for (Reading r : readings) {
            ObjectNode o = into.addObject();
            r.at().ifPresentOrElse(
                            at -> o.put("run", at.runId()).put("distance_m", at.distanceM()),
                            () -> o.put("at", "earth"));
            r.peakV().ifPresent(v -> o.put("peak_V", Math.round(v)));
            r.currentA()
                    .ifPresent(a -> o.put("current_A", Math.round(Math.abs(a) * 10) / 10.0)
                            .put("direction", a < 0 ? "toward" : "away"));
        }
    }

    private static ObjectNode circuit(Circuit c) {
        ObjectNode root = Json.MAPPER.createObjectNode().put("line_model", "frequency_dependent");
        Source s = c.source();
        root.putObject("energizer")
                .put("v0_V", s.chargedV())
                .put("c_F", s.faradF())
                .put("l_H", s.henryH())
                .put("r_ohm", s.ohm())
                .put("bleed_ohm", s.bleedOhm().orElseThrow())
                .put("terminal_F", s.terminalF().orElseThrow());
        root.put("earth_ohm", c.earthOhm());
        ArrayNode runs = root.putArray("runs");
        for (Run r : c.runs()) {
            ObjectNode o = runs.addObject().put("id", r.id());
            r.parent().ifPresent(p -> o.put("parent", p));
            o.put("length_m", r.lengthM());
            ArrayNode hot = o.putArray("hot_heights_m");
            ArrayNode earth = o.putArray("earth_heights_m");
            r.type().strands().forEach(w -> (w.hot() ? hot : earth).add(w.heightM()));
            LineWire w = r.type().strands().getFirst();
            o.put("diameter_mm", w.diameterM() * 1000)
                    .put("ohm_per_km", w.ohmPerM() * 1000)
                    .put("mu_r", w.muR())
                    .put("leak_S_per_km", r.type().leakSPerM() * 1000)
                    .put("soil_ohm_m", r.type().soilOhmM());
        }
        return root;
    }

    /** Makes the cases once. Arguments: how many, seed, file, and of what file the fences are, if not those here. */
    public static void main(String[] args) throws IOException {
        List<Circuit> plans =
                args.length > 3 ? KnownHunts.fences(Json.parse(Files.readAllBytes(Path.of(args[3])))) : plans();
        List<KnownHunt> cases = all(plans, Integer.parseInt(args[0]), Long.parseLong(args[1]), HuntCases::byNgspice);
        Files.writeString(Path.of(args[2]), Json.MAPPER.writeValueAsString(json(plans, cases)));
    }
}
