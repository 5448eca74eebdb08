package buckle.bench;

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
            String name = r.getParams().getBenchmark().replaceAll(".*\\.(\\w+)\\.\\w+$", "$1");
            String size = r.getParams().getParam(name.equals("LayoutBench") ? "lengthKm" : "fixes");
            medianMs.put(name + " " + size, r.getPrimaryResult().getStatistics().getPercentile(50));
        }
        medianMs.forEach((name, ms) -> System.out.printf(Locale.ROOT, "%-20s %8.1f ms median%n", name, ms));
        goal("layout and takeoff, 100 km and 5 wires", medianMs.get("LayoutBench 100"), 30, "ms");
        goal(
                "the same, 200 km ÷ 100 km",
                medianMs.get("LayoutBench 200") / medianMs.get("LayoutBench 100"),
                2.3,
                "times");
        goal("GPX of 100,000 points to a clean line", medianMs.get("WalkBench 100000"), 1500, "ms");
        goal(
                "the same, 100,000 ÷ 50,000 points",
                medianMs.get("WalkBench 100000") / medianMs.get("WalkBench 50000"),
                2.5,
                "times");
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
