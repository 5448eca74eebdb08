package buckle.bench;

import buckle.exchange.in.GridReader;
import buckle.pulse.LineModel;
import com.sun.management.ThreadMXBean;
import java.io.IOException;
import java.lang.management.ManagementFactory;
import java.util.Collection;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import org.openjdk.jmh.results.RunResult;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.OptionsBuilder;
import org.openjdk.jmh.runner.options.VerboseMode;

/** Runs the core's benchmarks and prints each goal beside what was found, as ratios of one run where it can be. */
public final class Main {
    private Main() {}

    /**
     * @param args {@code pulse} for the pulse alone, {@code server} for the server alone, {@code meter} for meters that send, {@code heat} for the answer after a reading more, {@code faults} for how far faults are found right,
     *     {@code search [how many a fence] [seed] [kv | currents] [everywhere]} for how long a told crew takes,
     *     {@code everywhere} with cut-outs at every take-off; nothing for all
     */
    public static void main(String[] args) throws RunnerException, IOException, InterruptedException {
        if (args.length > 0 && args[0].equals("server")) {
            ServerBench.run(args);
            return;
        }
        if (args.length > 0 && args[0].equals("meter")) {
            MeterBench.run(args);
            return;
        }
        if (args.length > 0 && args[0].equals("heat")) {
            HeatBench.run(args);
            return;
        }
        if (args.length > 0 && args[0].equals("search")) {
            SearchBench.run(args);
            return;
        }
        if (args.length > 0 && args[0].equals("faults")) {
            FaultBench.run(args);
            return;
        }
        boolean pulseOnly = args.length > 0 && args[0].equals("pulse");
        Collection<RunResult> results = new Runner(new OptionsBuilder()
                        .include(pulseOnly ? "PulseBench" : "buckle.bench")
                        .verbosity(VerboseMode.SILENT)
                        .addProfiler(StolenTime.class)
                        .build())
                .run();
        Map<String, Double> medianMs = new TreeMap<>();
        Map<String, Double> stolen = new TreeMap<>();
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
            stolen.put(
                    name,
                    Objects.requireNonNull(r.getSecondaryResults().get(StolenTime.PERCENT))
                            .getScore());
        }
        medianMs.forEach((name, ms) -> System.out.printf(
                Locale.ROOT,
                "%-34s %8.2f ms median, %.0f %% of the machine's time went to others%n",
                name,
                ms,
                stolen.get(name)));
        if (!pulseOnly) {
            survey(medianMs);
            prices(medianMs);
            stock(medianMs);
        }
        pulse(medianMs);
        if (!pulseOnly) {
            FaultBench.run(new String[] {"faults"});
            ServerBench.run(args);
        }
    }

    private static double of(Map<String, Double> medianMs, String name) {
        return Objects.requireNonNull(medianMs.get(name), name);
    }

    private static void survey(Map<String, Double> medianMs) {
        goal("layout and takeoff, 100 km and 5 wires", of(medianMs, "LayoutBench 100"), 30, "ms");
        goal(
                "the same, 200 km ÷ 100 km",
                of(medianMs, "LayoutBench 200") / of(medianMs, "LayoutBench 100"),
                2.1,
                "times");
        goal("100 km over a terrain grid, with loads", of(medianMs, "Terrain 100"), 80, "ms");
        goal("the same, 200 km ÷ 100 km", of(medianMs, "Terrain 200") / of(medianMs, "Terrain 100"), 2.1, "times");
        goal("10 km after a corner moved, laid out whole", of(medianMs, "Terrain 10"), 15, "ms");
        goal("a layout in memory, for each post", Jobs.bytesAPost(), 400, "bytes");
        goal("GPX of 100,000 points to a clean line", of(medianMs, "WalkBench 100000"), 1500, "ms");
        goal(
                "the same, 100,000 ÷ 50,000 points",
                of(medianMs, "WalkBench 100000") / of(medianMs, "WalkBench 50000"),
                2.5,
                "times");
        goal("terrain grid of 2,000 × 2,000", of(medianMs, "SurveyBench readGrid"), 2000, "ms");
        goal("the same, memory taken while reading", gridMb(), 200, "MB");
        double tree = of(medianMs, "SurveyBench contactsByTree");
        goal("10 km of line against 2,000 features", tree, 10, "ms");
        print("every feature by itself ÷ the tree", of(medianMs, "SurveyBench contactsByDoubleLoop") / tree, "times");
        goal("tape book of 60 points and 200 measures", of(medianMs, "SurveyBench adjustTape"), 10, "ms");
    }

    private static void prices(Map<String, Double> medianMs) throws IOException {
        goal("takeoff and price of 100 km", of(medianMs, "PriceBench hundredKm"), 40, "ms");
        goal("packs of 200 products × 4 packs × 3 suppliers", of(medianMs, "PriceBench packs"), 100, "ms");
        goal("a list of 50,000 items, read", of(medianMs, "PriceBench readBook"), 5000, "ms");
        goal("a quote of " + PriceBench.pages() + " pages, PDF", of(medianMs, "PriceBench quotePaper"), 2500, "ms");
        goal("a workbook of 20,000 rows", of(medianMs, "PriceBench workbook"), 2500, "ms");
    }

    private static void stock(Map<String, Double> medianMs) {
        double[] gaps = StockBench.gapsPercent();
        goal("150 pieces of 11 lengths from six", of(medianMs, "StockBench fewLengths"), 3000, "ms");
        goal("above the best there is, at most", gaps[0], 0, "%");
        goal("150 pieces of as many lengths from six", of(medianMs, "StockBench manyLengths"), 10_000, "ms");
        goal("above what no plan can go under", gaps[1], 0.5, "%");
        goal("reach of a kit", of(medianMs, "StockBench reachOfAKit"), 50, "ms");
        goal("four variants of 10 km", of(medianMs, "StockBench fourVariants"), 2000, "ms");
    }

    private static void pulse(Map<String, Double> medianMs) {
        goal("pulse, 50 runs read at 8 points", of(medianMs, "PulseBench fiftyRuns"), 5, "ms");
        goal("pulse, 500 runs read at 20 points", of(medianMs, "PulseBench fiveHundredRuns"), 30, "ms");
        goal("pulse, 250 km in 200 runs", of(medianMs, "PulseBench tree250Km"), 40, "ms");
        goal("1,000 shunts read at 8 points", of(medianMs, "PulseBench thousandShunts"), 100, "ms");
        print(
                "the straightforward version ÷ the fast one, 50 runs",
                of(medianMs, "PulseBench fiftyRunsPlainly") / of(medianMs, "PulseBench fiftyRuns"),
                "times");
        print("their peaks differ by at most", 100 * PulseBench.plainDifference(), "%");
        against("10 km, ngspice ÷ Buckle", LineModel.FREQUENCY_DEPENDENT, of(medianMs, "PulseBench tenKm"), 1000);
        against("the same with constant lines", LineModel.CONSTANT, of(medianMs, "PulseBench tenKmConstant"), 0);
    }

    private static void against(String what, LineModel model, double oursMs, double least) {
        Ngspice.Found found = Ngspice.run(PulseBench.single(model));
        print("ngspice's transient, " + model, found.medianMs(), "ms");
        double times = found.medianMs() / oursMs;
        System.out.printf(
                Locale.ROOT,
                "%-45s %8.0f times%s%n",
                what,
                times,
                least == 0 ? "" : " (goal: at least " + least + ") " + (times >= least ? "met" : "MISSED"));
        goal("its peaks differ from ours by at most", 100 * found.worst(), 1, "%");
    }

    private static void print(String what, double found, String unit) {
        System.out.printf(Locale.ROOT, "%-45s %8.2f %s%n", what, found, unit);
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
