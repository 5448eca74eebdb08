package buckle.bench;

import buckle.exchange.in.Importer;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** A long walk from GPX to a clean line. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 4, time = 1)
@Fork(1)
public class WalkBench {
    @Param({"50000", "100000"})
    int fixes;

    private byte[] gpx = new byte[0];

    @Setup
    public void prepare() {
        gpx = Jobs.gpx(fixes);
    }

    @Benchmark
    public Importer.Found read() {
        return Importer.read(gpx, Importer.Options.USUAL);
    }
}
