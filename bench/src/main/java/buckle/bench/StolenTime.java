package buckle.bench;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import org.openjdk.jmh.infra.BenchmarkParams;
import org.openjdk.jmh.infra.IterationParams;
import org.openjdk.jmh.profile.InternalProfiler;
import org.openjdk.jmh.results.AggregationPolicy;
import org.openjdk.jmh.results.IterationResult;
import org.openjdk.jmh.results.ScalarResult;

/** How much of a virtual machine's time its host gave to others while something was measured (proc(5), steal). */
public final class StolenTime implements InternalProfiler {
    static final String PERCENT = "stolen";
    private static final Path STAT = Path.of("/proc/stat");

    private Ticks before = new Ticks(0, 0);

    /** Time of all processors since the start, in the kernel's ticks. */
    private record Ticks(long all, long stolen) {
        static Ticks now() {
            if (!Files.isReadable(STAT)) {
                return new Ticks(0, 0);
            }
            try {
                String[] cpu = Files.readAllLines(STAT).getFirst().split("\\s+");
                return new Ticks(
                        Arrays.stream(cpu, 1, 9).mapToLong(Long::parseLong).sum(), Long.parseLong(cpu[8]));
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
    }

    @Override
    public String getDescription() {
        return "time the host gave to others";
    }

    @Override
    public void beforeIteration(BenchmarkParams benchmark, IterationParams iteration) {
        before = Ticks.now();
    }

    @Override
    public List<ScalarResult> afterIteration(
            BenchmarkParams benchmark, IterationParams iteration, IterationResult result) {
        Ticks after = Ticks.now();
        double share = (double) (after.stolen() - before.stolen()) / Math.max(1, after.all() - before.all());
        return List.of(new ScalarResult(PERCENT, 100 * share, "%", AggregationPolicy.AVG));
    }
}
