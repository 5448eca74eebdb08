package buckle.bench;

import buckle.cut.CutOrder;
import buckle.cut.CutOrder.Piece;
import buckle.cut.CutOrder.Stock;
import buckle.cut.CutPlan;
import buckle.cut.CutPlanner;
import buckle.design.Design;
import buckle.land.Surroundings;
import buckle.price.JobTerms;
import buckle.price.PriceBook;
import buckle.price.Rates;
import buckle.reach.Reach;
import buckle.spec.Circumstances;
import buckle.spec.Decisions;
import buckle.spec.Plan;
import buckle.spec.Preset;
import buckle.spec.Spec;
import buckle.takeoff.TakeoffLine;
import buckle.variant.LifeTerms;
import buckle.variant.Variant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalInt;
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

/** Cuts of few and of many lengths, the reach of a kit, four variants of a long job. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 1, time = 1)
@Measurement(iterations = 3, time = 1)
@Fork(1)
public class StockBench {
    private static final int PIECES = 150;
    private static final LocalDate DAY = LocalDate.of(2026, 11, 28);
    private static final List<Stock> SOLD = List.of(
            sold("3.0", 3000, 700),
            sold("3.6", 3600, 830),
            sold("4.2", 4200, 980),
            sold("4.8", 4800, 1110),
            sold("5.4", 5400, 1270),
            sold("6.0", 6000, 1400));

    private final CutOrder few = order(11, 50, 13);
    private final CutOrder many = order(PIECES, 10, 7);
    private final Design half = Design.of(Jobs.line(600), Spec.USUAL);
    private final List<Reach.HeapItem> kit = half.takeoff().stream()
            .map(t -> new Reach.HeapItem(t.product().id(), t.quantity()))
            .toList();
    private final List<Plan> variants = List.of(plan("W16", 4), plan("W16", 6), plan("W2", 5), plan("W2", 8));

    private static Plan plan(String preset, double spacingM) {
        Spec spec = Spec.USUAL.withFence(f ->
                f.withSchedule(Preset.of(preset).schedule()).withPosts(f.posts().withSpacingM(spacingM)));
        return new Plan(Jobs.line(10_000), spec, Circumstances.USUAL, Decisions.NONE);
    }

    private static Stock sold(String id, int mm, long cents) {
        return new Stock(id, mm, cents, OptionalInt.empty());
    }

    /** 150 pieces of so many lengths on a grid. */
    private static CutOrder order(int lengths, int gridMm, int seed) {
        Random random = new Random(seed);
        List<Piece> pieces = new ArrayList<>();
        for (int i = 0; i < lengths; i++) {
            int mm = gridMm * ((400 + random.nextInt(2600)) / gridMm);
            pieces.add(new Piece("p" + i, mm, PIECES / lengths + (i < PIECES % lengths ? 1 : 0)));
        }
        return new CutOrder(pieces, SOLD, 0);
    }

    @Benchmark
    public CutPlan fewLengths() {
        return CutPlanner.plan(few, share -> {});
    }

    @Benchmark
    public CutPlan manyLengths() {
        return CutPlanner.plan(many, share -> {});
    }

    /** How far the plans lie above what none can go under, in percent; of the first, 0 when it is known to be the best. */
    static double[] gapsPercent() {
        StockBench bench = new StockBench();
        CutPlan best = bench.fewLengths();
        return new double[] {
            best.optimal() ? 0 : 100 * best.gap(), 100 * bench.manyLengths().gap()
        };
    }

    @Benchmark
    public Reach reachOfAKit() {
        List<TakeoffLine> takeoff = Design.of(Jobs.line(700), Spec.USUAL).takeoff();
        return Reach.of(kit, takeoff);
    }

    @Benchmark
    public List<Variant> fourVariants() {
        return variants.stream()
                .map(p -> Variant.of(
                        p, Surroundings.NONE, PriceBook.EMPTY, Rates.USUAL, JobTerms.USUAL, new LifeTerms(20, 10), DAY))
                .toList();
    }
}
