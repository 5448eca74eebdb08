package buckle.bench;

import buckle.exchange.cli.SpiceNetlist;
import buckle.pulse.PulseSolver;
import buckle.pulse.Solution;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** ngspice's transient of the same fence, started from a file: sections of 25 m, steps of 0.1 µs, median of three. */
final class Ngspice {
    private static final int TIMES = 3;
    private static final double SECTION_M = 25;
    private static final double STEP_S = 0.1e-6;

    /** @param worst largest difference of our peaks from ngspice's, in parts of ngspice's */
    record Found(double medianMs, double worst) {}

    private Ngspice() {}

    static Found run(PulseBench.Net net) {
        try {
            Solution ours = PulseSolver.solve(net.circuit(), net.places());
            Path file = Files.createTempFile("buckle-bench", ".cir");
            Files.writeString(
                    file, SpiceNetlist.write(net.circuit(), net.places(), SECTION_M, STEP_S, 0.6 * ours.windowS()));
            double[] ms = new double[TIMES];
            String said = "";
            for (int i = 0; i < TIMES; i++) {
                long begun = System.nanoTime();
                Process process = new ProcessBuilder("ngspice", "-b", file.toString())
                        .redirectErrorStream(true)
                        .start();
                said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
                ms[i] = (System.nanoTime() - begun) / 1e6;
            }
            Files.delete(file);
            Arrays.sort(ms);
            return new Found(ms[TIMES / 2], worst(ours, said));
        } catch (IOException e) {
            throw new UncheckedIOException("ngspice is wanted for this: apt-get install ngspice", e);
        }
    }

    private static double worst(Solution ours, String said) {
        double worst = 0;
        for (int i = 0; i < ours.answers().size(); i++) {
            Matcher m = Pattern.compile("(?m)^p" + i + "\\s*=\\s*([-+.\\deE]+)").matcher(said);
            if (!m.find()) {
                throw new IllegalStateException("ngspice gave no peak " + i + ": " + said);
            }
            double theirs = Double.parseDouble(m.group(1));
            worst = Math.max(worst, Math.abs(ours.answers().get(i).peakV() / theirs - 1));
        }
        return worst;
    }
}
