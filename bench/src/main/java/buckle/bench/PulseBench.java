package buckle.bench;

import buckle.pulse.Circuit;
import buckle.pulse.Fault;
import buckle.pulse.LineModel;
import buckle.pulse.LineType;
import buckle.pulse.LineWire;
import buckle.pulse.Place;
import buckle.pulse.PlainSolver;
import buckle.pulse.PulseSolver;
import buckle.pulse.Run;
import buckle.pulse.Solution;
import buckle.pulse.Source;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** The pulse on invented trees of steel wire, frequency by frequency. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 4, time = 1)
@Measurement(iterations = 4, time = 1)
@Fork(1)
public class PulseBench {
    private static final Source SOURCE =
            new Source(8000, 9.375e-8, 2.3073652800268667e-3, 181.818, OptionalDouble.empty(), OptionalDouble.empty());

    private static final Net TEN_KM = single(LineModel.FREQUENCY_DEPENDENT);
    private static final Net TEN_KM_CONSTANT = single(LineModel.CONSTANT);
    private static final Net FIFTY = tree(50, 200, 8);
    private static final Net FIVE_HUNDRED = tree(500, 200, 20);
    private static final Net LONG = tree(200, 1250, 10);
    private static final List<Fault> SHUNTS = shunts(FIFTY, 1000);

    private final PulseSolver variants = new PulseSolver(FIFTY.circuit, placesOf(FIFTY, SHUNTS));
    private final PlainSolver plain = new PlainSolver(FIFTY.circuit, PulseSolver.solve(FIFTY.circuit, FIFTY.places));

    /** A circuit and where it is looked at. */
    record Net(Circuit circuit, List<Place> places) {}

    static Net single(LineModel model) {
        LineType steel = LineType.overGround(List.of(new LineWire(0.9, 0.0025, 0.035, 100, true)), 5e-8, 100);
        List<Run> run = List.of(Run.of("r", Optional.empty(), 10_000, steel));
        List<Place> places = new ArrayList<>();
        for (int i = 0; i <= 4; i++) {
            places.add(new Place("r", 2500.0 * i));
        }
        return new Net(new Circuit("10 km", model, SOURCE, 10, false, run, List.of()), places);
    }

    /** Runs of one or three wires, each beginning at the end of one of the dozen before it. */
    private static Net tree(int runs, double lengthM, int places) {
        Random random = new Random(3);
        LineWire high = new LineWire(0.9, 0.0025, 0.035, 100, true);
        LineType one = LineType.overGround(List.of(high), 5e-8, 100);
        LineType three = LineType.overGround(
                List.of(
                        high,
                        new LineWire(0.6, 0.0025, 0.035, 100, true),
                        new LineWire(0.3, 0.0025, 0.035, 100, false)),
                5e-8,
                100);
        List<Run> all = new ArrayList<>();
        for (int i = 0; i < runs; i++) {
            Optional<String> parent =
                    i == 0 ? Optional.empty() : Optional.of("r" + Math.max(0, i - 1 - random.nextInt(12)));
            all.add(Run.of("r" + i, parent, lengthM, i % 2 == 0 ? one : three));
        }
        List<Place> looked = new ArrayList<>();
        for (int i = 0; i < places; i++) {
            looked.add(new Place("r" + (runs - 1 - i * (runs / places)), lengthM));
        }
        return new Net(new Circuit("tree", LineModel.FREQUENCY_DEPENDENT, SOURCE, 10, false, all, List.of()), looked);
    }

    private static List<Fault> shunts(Net net, int count) {
        List<Fault> shunts = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            shunts.add(new Fault(Fault.Kind.SHUNT, new Place("r" + i % 50, i / 50 * 10.0), 200 + 3 * i));
        }
        return shunts;
    }

    private static List<Place> placesOf(Net net, List<Fault> shunts) {
        List<Place> all = new ArrayList<>(net.places);
        shunts.forEach(f -> all.add(f.at()));
        return all;
    }

    /** Largest difference of the fast solver from the straightforward one, in parts of the peak. */
    static double plainDifference() {
        PulseBench bench = new PulseBench();
        Solution fast = PulseSolver.solve(FIFTY.circuit, FIFTY.places);
        double[] plain = bench.plain.peaks(FIFTY.places);
        double most = 0;
        for (int i = 0; i < plain.length; i++) {
            most = Math.max(most, Math.abs(plain[i] / fast.answers().get(i).peakV() - 1));
        }
        return most;
    }

    @Benchmark
    public Solution tenKm() {
        return PulseSolver.solve(TEN_KM.circuit, TEN_KM.places);
    }

    @Benchmark
    public Solution tenKmConstant() {
        return PulseSolver.solve(TEN_KM_CONSTANT.circuit, TEN_KM_CONSTANT.places);
    }

    @Benchmark
    public Solution fiftyRuns() {
        return PulseSolver.solve(FIFTY.circuit, FIFTY.places);
    }

    @Benchmark
    public double[] fiftyRunsPlainly() {
        return plain.peaks(FIFTY.places);
    }

    @Benchmark
    public Solution fiveHundredRuns() {
        return PulseSolver.solve(FIVE_HUNDRED.circuit, FIVE_HUNDRED.places);
    }

    @Benchmark
    public Solution tree250Km() {
        return PulseSolver.solve(LONG.circuit, LONG.places);
    }

    @Benchmark
    public double[][] thousandShunts() {
        return variants.peaksWithEach(SHUNTS, FIFTY.places);
    }
}
