package buckle.exchange.cli;

import buckle.diagnosis.Diagnosis;
import buckle.diagnosis.Diagnosis.Suspect;
import buckle.diagnosis.Diagnostician;
import buckle.diagnosis.FaultKind;
import buckle.diagnosis.NextReading;
import buckle.exchange.Json;
import buckle.site.BadInput;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The command {@code diagnose FILE}: where a fault must be, from readings of a fence, as JSON. Exit 0, or 2 with a list of problems. */
public final class Diagnose {
    private Diagnose() {}

    public static void main(String[] args) {
        System.exit(run(args, Command.utf8(System.out), Command.utf8(System.err)));
    }

    /** As the command, with its streams; answers the exit code. */
    public static int run(String[] args, PrintStream out, PrintStream err) {
        return Command.run(() -> answer(args), out, err);
    }

    private static final int MOST_CHECKS = 5;
    private static final double DOUBTED = 0.15;

    private static ObjectNode answer(String[] args) throws IOException {
        if (args.length != 1 || args[0].startsWith("--")) {
            throw new BadInput("arguments", args.length == 0 ? "FILE" : args[0], "Usage: diagnose FILE.");
        }
        HuntFile file = HuntFile.read(Json.parse(Command.bytes(Path.of(args[0]))));
        return json(file, Diagnostician.of(file.hunt()));
    }

    /** As docs/faults.md has it. */
    public static ObjectNode json(HuntFile file, Diagnosis diagnosis) {
        ObjectNode root = Json.MAPPER.createObjectNode();
        ArrayNode faults = root.putArray("faults");
        diagnosis.suspects().forEach(s -> suspect(faults.addObject(), s));
        ArrayNode region = root.putArray("region90");
        diagnosis
                .region90()
                .forEach(s -> region.addObject()
                        .put("run", s.run())
                        .put("from_m", round(s.fromM()))
                        .put("to_m", round(s.toM())));
        ObjectNode kinds = root.putObject("kinds");
        for (FaultKind kind : FaultKind.values()) {
            kinds.put(name(kind), diagnosis.kinds().getOrDefault(kind, 0.0));
        }
        fit(root.putObject("calibration"), diagnosis.fit());
        again(root.putArray("read_again"), file, diagnosis);
        next(root, NextReading.of(file.hunt(), file.walk(), diagnosis));
        return root;
    }

    /** A single reading that may well be wrong is asked for once more before anybody walks by it. */
    private static void again(ArrayNode into, HuntFile file, Diagnosis diagnosis) {
        diagnosis.suspects().stream()
                .filter(s -> s.kind() == FaultKind.METER && !s.ofHealthy() && s.probability() >= DOUBTED)
                .max(Comparator.comparingDouble(Suspect::probability))
                .ifPresent(s -> file.hunt()
                        .now()
                        .get(s.reading().orElseThrow())
                        .at()
                        .ifPresent(at -> into.addObject()
                                .put("run", at.runId())
                                .put("distance_m", round(at.distanceM()))
                                .put("why", "it is wrong with " + Math.round(100 * s.probability()) + " %")));
    }

    /** Readings and switches one after the other, beside them the stretches to look over instead. */
    private static void next(ObjectNode root, List<NextReading.Step> steps) {
        ArrayNode checks = root.putArray("next");
        ArrayNode stretches = root.putArray("look_over");
        for (NextReading.Step step : steps) {
            double minutes = Math.round(step.next().minutes() * 10) / 10.0;
            step.at()
                    .filter(at -> checks.size() < MOST_CHECKS)
                    .ifPresent(at -> checks.addObject()
                            .put(
                                    "action",
                                    step.next().spot().orElseThrow().open().isPresent() ? "open" : "read")
                            .put("run", at.runId())
                            .put("distance_m", round(at.distanceM()))
                            .put("expected_minutes", minutes)
                            .put("why", why(step)));
            step.next().stretch().filter(w -> !w.atEnergizer()).ifPresent(way -> {
                ObjectNode into = stretches.addObject().put("expected_minutes", minutes);
                ArrayNode parts = into.putArray("parts");
                way.parts()
                        .forEach(p -> parts.addObject()
                                .put("run", p.run())
                                .put("from_m", round(p.fromM()))
                                .put("to_m", round(p.toM())));
            });
        }
    }

    private static String why(NextReading.Step step) {
        String where = step.last() ? "on this run" : "beyond";
        return "the fault lies " + where + " with " + Math.round(100 * step.beyond()) + " % if it lies on the line";
    }

    private static void suspect(ObjectNode into, Suspect s) {
        into.put("kind", name(s.kind()));
        s.run().ifPresent(run -> {
            into.put("run", run);
            if (s.kind() == FaultKind.GROWTH) {
                into.put("from_m", round(s.fromM())).put("to_m", round(s.toM()));
            } else {
                into.put("distance_m", round(s.fromM()));
            }
        });
        if (s.ohm().isPresent()) {
            into.put("ohm", Math.round(s.ohm().getAsDouble()));
        } else if (s.kind() == FaultKind.BREAK) {
            into.putNull("ohm");
        }
        s.factor().ifPresent(f -> into.put("factor", Math.round(f * 100) / 100.0));
        s.reading()
                .ifPresent(
                        r -> into.put("set", s.ofHealthy() ? "healthy" : "now").put("reading", r));
        into.put("probability", s.probability());
    }

    private static void fit(ObjectNode into, Diagnosis.Fit fit) {
        into.put("done", fit.done());
        if (!fit.done()) {
            into.put("says", "No readings of the fence in order: the plan was taken as it is.");
        }
        into.put("earth_ohm", fit.earthOhm())
                .put("earth_low_ohm", fit.earthLowOhm())
                .put("earth_high_ohm", fit.earthHighOhm())
                .put("soil_factor", fit.soilFactor())
                .put("mu_r_factor", fit.steelFactor())
                .put("supply_factor", fit.supplyFactor());
        ArrayNode runs = into.putArray("runs");
        fit.runs()
                .forEach(r -> runs.addObject()
                        .put("id", r.run())
                        .put("leak_S_per_km", 1000 * r.leakSPerM())
                        .put("low", 1000 * r.lowSPerM())
                        .put("high", 1000 * r.highSPerM()));
        ArrayNode residuals = into.putArray("residuals");
        fit.residuals().forEach(d -> residuals.add(Math.round(d * 100) / 100.0));
        ArrayNode suspect = into.putArray("suspect");
        fit.suspect().forEach(suspect::add);
    }

    private static String name(FaultKind kind) {
        return kind.name().toLowerCase(Locale.ROOT);
    }

    private static double round(double metres) {
        return Math.round(metres * 10) / 10.0;
    }
}
