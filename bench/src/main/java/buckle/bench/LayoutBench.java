package buckle.bench;

import buckle.design.Design;
import buckle.site.Site;
import buckle.spec.Animal;
import buckle.spec.Preset;
import buckle.spec.Spec;
import java.util.List;
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

/** Layout and takeoff of a long five-wire fence. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 4, time = 1)
@Measurement(iterations = 4, time = 1)
@Fork(1)
public class LayoutBench {
    @Param({"10", "100", "200"})
    int lengthKm;

    private Site site = Site.EMPTY;
    private final Spec spec = Spec.USUAL.withFence(f ->
            f.withAnimals(List.of(Animal.ALPACAS)).withSchedule(Preset.of("W16").schedule()));

    @Setup
    public void prepare() {
        site = Jobs.line(lengthKm * 1000.0);
    }

    @Benchmark
    public Design layOut() {
        return Design.of(site, spec);
    }

    /** With loads and findings over a terrain grid. */
    @Benchmark
    public Design overTerrain() {
        return Design.of(site, Jobs.HILLS, spec);
    }
}
