package buckle.exchange.cli;

import buckle.exchange.Json;
import buckle.pulse.Circuit;
import buckle.pulse.PulseSolver;
import buckle.pulse.Solution;
import buckle.site.BadInput;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * The command {@code circuit FILE [--spice OUT]}: solves a network and prints its peaks as JSON; writes the same network for
 * ngspice. Exit 0, or 2 with a list of problems.
 */
public final class SolveCircuit {
    private static final String USAGE = "Usage: circuit FILE [--spice OUT] [--section METRES].";
    private static final double STEP_S = 0.1e-6;

    private SolveCircuit() {}

    public static void main(String[] args) {
        System.exit(run(args, Command.utf8(System.out), Command.utf8(System.err)));
    }

    /** As the command, with its streams; answers the exit code. */
    public static int run(String[] args, PrintStream out, PrintStream err) {
        return Command.run(() -> answer(args), out, err);
    }

    private static ObjectNode answer(String[] args) throws IOException {
        Path file = null;
        Path spice = null;
        double sectionM = 25;
        for (int i = 0; i < args.length; i++) {
            boolean hasValue = i + 1 < args.length;
            if (args[i].equals("--spice") && hasValue) {
                spice = Path.of(args[++i]);
            } else if (args[i].equals("--section") && hasValue) {
                sectionM = metres(args[++i]);
            } else if (args[i].startsWith("--") || file != null) {
                throw new BadInput("arguments", args[i], USAGE);
            } else {
                file = Path.of(args[i]);
            }
        }
        if (file == null) {
            throw new BadInput("arguments", "FILE", USAGE);
        }
        CircuitFile given = CircuitFile.read(Json.parse(Command.bytes(file)));
        Circuit circuit = given.circuit();
        long begun = System.nanoTime();
        Solution solution = PulseSolver.solve(circuit, given.points());
        double wallMs = (System.nanoTime() - begun) / 1e6;
        if (!solution.solved()) {
            throw new BadInput("circuit.unsolved", "runs", solution.says());
        }
        if (spice != null) {
            Files.writeString(
                    spice, SpiceNetlist.write(circuit, given.points(), sectionM, STEP_S, 0.6 * solution.windowS()));
        }
        return json(solution, given.notes(), wallMs);
    }

    private static double metres(String text) {
        try {
            double metres = Double.parseDouble(text);
            if (metres >= 0.5 && metres <= 1000) {
                return metres;
            }
        } catch (NumberFormatException e) {
            // said below
        }
        throw new BadInput("arguments", text, "A section is 0.5 to 1000 m long.");
    }

    static ObjectNode json(Solution solution, List<String> notes, double wallMs) {
        ObjectNode root = Json.MAPPER.createObjectNode();
        ArrayNode peaks = root.putArray("peaks");
        for (Solution.Answer a : solution.answers()) {
            peaks.addObject()
                    .put("run", a.place().runId())
                    .put("distance_m", a.place().distanceM())
                    .put("peak_V", a.peakV())
                    .put("t_peak_s", a.atS());
        }
        root.putObject("solver")
                .put("frequencies", solution.frequencies())
                .put("window_s", solution.windowS())
                .put("wall_ms", wallMs);
        ArrayNode said = root.putArray("notes");
        notes.forEach(said::add);
        return root;
    }
}
