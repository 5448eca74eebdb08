package buckle.bench;

import buckle.exchange.GridReader;
import com.sun.management.ThreadMXBean;
import java.lang.management.ManagementFactory;
import java.util.Collection;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import org.openjdk.jmh.results.RunResult;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.OptionsBuilder;
import org.openjdk.jmh.runner.options.VerboseMode;

/** Runs the core's benchmarks and prints each goal beside what was found, as ratios of one run where it can be. */
public final class Main {
    private Main() {}

    public static void main(String[] args) throws RunnerException {
        Collection<RunResult> results = new Runner(new OptionsBuilder()
                        .include("buckle.bench")
                        .verbosity(VerboseMode.SILENT)
                        .build())
                .run();
        Map<String, Double> medianMs = new TreeMap<>();
        for (RunResult r : results) {
            String[] parts = r.getParams().getBenchmark().split("\\.");
            String type = parts[parts.length - 2];
            String name = switch (type) {
                case "LayoutBench" ->
                    (parts[parts.length - 1].equals("overTerrain") ? "Terrain " : type + " ")
                            + r.getParams().getParam("lengthKm");
                case "WalkBench" -> type + " " + r.getParams().getParam("fixes");
                default -> type + " " + parts[parts.length - 1];
            };
            medianMs.put(name, r.getPrimaryResult().getStatistics().getPercentile(50));
        }
        medianMs.forEach((name, ms) -> System.out.printf(Locale.ROOT, "%-34s %8.2f ms median%n", name, ms));
        goal("layout and takeoff, 100 km and 5 wires", medianMs.get("LayoutBench 100"), 30, "ms");
        goal(
                "the same, 200 km ÷ 100 km",
                medianMs.get("LayoutBench 200") / medianMs.get("LayoutBench 100"),
                2.3,
                "times");
        goal("100 km over a terrain grid, with loads", medianMs.get("Terrain 100"), 80, "ms");
        goal("the same, 200 km ÷ 100 km", medianMs.get("Terrain 200") / medianMs.get("Terrain 100"), 2.3, "times");
        goal("10 km after a corner moved, laid out whole", medianMs.get("Terrain 10"), 15, "ms");
        goal("a layout in memory, for each post", Jobs.bytesAPost(), 400, "bytes");
        goal("GPX of 100,000 points to a clean line", medianMs.get("WalkBench 100000"), 1500, "ms");
        goal(
                "the same, 100,000 ÷ 50,000 points",
                medianMs.get("WalkBench 100000") / medianMs.get("WalkBench 50000"),
                2.5,
                "times");
        goal("terrain grid of 2,000 × 2,000", medianMs.get("SurveyBench readGrid"), 2000, "ms");
        goal("the same, memory taken while reading", gridMb(), 200, "MB");
        double tree = medianMs.get("SurveyBench contactsByTree");
        goal("10 km of line against 2,000 features", tree, 10, "ms");
        System.out.printf(
                Locale.ROOT,
                "%-45s %8.2f times%n",
                "the plain double loop ÷ the tree",
                medianMs.get("SurveyBench contactsByDoubleLoop") / tree);
        goal("tape book of 60 points and 200 measures", medianMs.get("SurveyBench adjustTape"), 10, "ms");
    }

    /** What one reading allocates, with the file itself. */
    private static double gridMb() {
        byte[] file = SurveyBench.grid(2000);
        var threads = (ThreadMXBean) ManagementFactory.getThreadMXBean();
        long before = threads.getCurrentThreadAllocatedBytes();
        GridReader.read(file);
        return (threads.getCurrentThreadAllocatedBytes() - before + file.length) / 1e6;
    }

    private static void goal(String what, double found, double most, String unit) {
        System.out.printf(
                Locale.ROOT,
                "%-45s %8.2f %s (goal: at most %s) %s%n",
                what,
                found,
                unit,
                most,
                found <= most ? "met" : "MISSED");
    }
}
