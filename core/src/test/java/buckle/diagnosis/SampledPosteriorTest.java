package buckle.diagnosis;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import buckle.diagnosis.Candidates.Cell;
import buckle.diagnosis.Candidates.LeaksAndJoints;
import buckle.diagnosis.FenceModel.Unknown;
import buckle.diagnosis.Hunt.MeterNoise;
import buckle.diagnosis.Hunt.Reading;
import buckle.diagnosis.Intervals.Interval;
import buckle.pulse.Circuit;
import buckle.pulse.Fault;
import buckle.pulse.Meter;
import buckle.pulse.Place;
import buckle.pulse.Run;
import buckle.simulation.DrawnHunt;
import buckle.simulation.TrueFence;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * Where a fault must be, against the same asked of many fences drawn from what is not known (Metropolis sampling): each is solved
 * with every fault, nothing is taken to go straight or to be normally distributed. So it shows what readings tell at all.
 */
class SampledPosteriorTest {
    private static final int SOLVED = 60;
    private static final int STEPS = 150;
    private static final double STEP = 0.6;
    private static final double REGION = 0.9;
    private static final MeterNoise METER = MeterNoise.USUAL;

    private static final Circuit PLAN = DiagnosticianTest.PLAN.withRuns(List.of(
            Run.of("A", Optional.empty(), 900, DiagnosticianTest.TWO_HOT),
            Run.of("B", Optional.of("A"), 800, DiagnosticianTest.TWO_HOT),
            Run.of("C", Optional.of("A"), 1100, DiagnosticianTest.TWO_HOT)));
    private static final List<Meter> METERS = List.of(
            new Meter.Volts(new Place("A", 0)),
            new Meter.Volts(new Place("A", 900)),
            new Meter.Volts(new Place("B", 800)),
            new Meter.Volts(new Place("C", 1100)));

    private static List<Reading> read(Circuit circuit, Random random) {
        double[] exact = DrawnHunt.solved(circuit, METERS);
        List<Reading> all = new ArrayList<>();
        for (int i = 0; i < exact.length; i++) {
            double shown = exact[i] * (1 + METER.share() * random.nextGaussian());
            all.add(new Reading(
                    Optional.of(((Meter.Volts) METERS.get(i)).at()),
                    OptionalDouble.of(Math.rint(shown / METER.resolutionV()) * METER.resolutionV()),
                    OptionalDouble.empty(),
                    false,
                    Set.of(),
                    false));
        }
        return all;
    }

    @ParameterizedTest
    @CsvSource({"SHUNT, B, 450, 350, 11", "SHUNT, C, 300, 1800, 12"})
    void tellsWhatManyDrawnFencesTell(Fault.Kind kind, String run, double at, double ohm, long seed) {
        Random random = new Random(seed);
        TrueFence truth = new TrueFence(PLAN, random);
        List<Reading> healthy = read(truth.healthy(), random);
        Fault fault = new Fault(kind, new Place(run, at), ohm);
        List<Reading> now = read(truth.now(List.of(fault), OptionalDouble.empty(), 1), random);
        Hunt hunt = new Hunt(PLAN, METER, healthy, now, List.of());
        Sampled sampled = new Sampled(hunt, random);
        double[] drawn = sampled.byCell();
        double[] told = Diagnostician.of(hunt).density().stream()
                .mapToDouble(Diagnosis.Density::probability)
                .toArray();
        assertThat(told).hasSameSizeAs(drawn);
        assertThat(sampled.regionShare(told))
                .as("share of the fence that holds 90 %%, %s at %s %s", kind, run, at)
                .isCloseTo(sampled.regionShare(drawn), within(0.04));
        for (Run r : PLAN.runs()) {
            assertThat(sampled.on(r.id(), told))
                    .as("on run %s", r.id())
                    .isCloseTo(sampled.on(r.id(), drawn), within(0.04));
        }
    }

    /** Leaks and breaks, which are all but a few hundredths of what lies on the line. */
    private static final class Sampled {
        private final FenceModel model;
        private final List<Value> now;
        private final List<Interval> intervals;
        private final List<Cell> cells;
        private final double[] sum;

        Sampled(Hunt hunt, Random random) {
            KnownFence fence = KnownFence.of(hunt);
            model = fence.model();
            now = Value.of(hunt.now(), hunt.meter());
            intervals = Intervals.of(model.runs(), now, List.of(), 1);
            cells = intervals.stream().flatMap(i -> i.cells().stream()).toList();
            double[][] change = Gauss.root(Prior.change(model));
            List<double[]> today = inOrder(fence, random).stream()
                    .map(theta -> {
                        double[] next = plus(theta, change, random);
                        next[Unknown.LEAKAGE.ordinal()] += Prior.MEAN_LEAKAGE_CHANGE;
                        return next;
                    })
                    .toList();
            sum = today.parallelStream().map(this::likely).reduce(new double[cells.size()], Sampled::added);
        }

        private static double[] added(double[] a, double[] b) {
            return IntStream.range(0, a.length).mapToDouble(i -> a[i] + b[i]).toArray();
        }

        private static double[] plus(double[] middle, double[][] root, Random random) {
            return plus(middle, root, normal(root[0].length, random));
        }

        private static double[] plus(double[] middle, double[][] root, double[] normal) {
            double[] all = middle.clone();
            for (int i = 0; i < all.length; i++) {
                for (int j = 0; j < normal.length; j++) {
                    all[i] += root[i][j] * normal[j];
                }
            }
            return all;
        }

        /**
         * Fences as probable as the readings in order make them: as many walks (Metropolis with steps that leave the fit's normal
         * distribution as it is), each begun at a fence drawn from the fit, of each the last.
         */
        private static List<double[]> inOrder(KnownFence fence, Random random) {
            double[][] root = Gauss.root(fence.calibration().covariance());
            AtomicInteger taken = new AtomicInteger();
            List<double[]> drawn =
                    IntStream.range(0, SOLVED).mapToObj(i -> new Random(random.nextLong())).toList().parallelStream()
                            .map(own -> {
                                double[] at = normal(root[0].length, own);
                                double[] theta = plus(fence.calibration().theta(), root, at);
                                double log = aboveFit(fence, theta, at);
                                for (int i = 0; i < STEPS; i++) {
                                    double[] from = at;
                                    double[] by = normal(at.length, own);
                                    double[] to = new double[at.length];
                                    Arrays.setAll(to, k -> Math.sqrt(1 - STEP * STEP) * from[k] + STEP * by[k]);
                                    double[] next = plus(fence.calibration().theta(), root, to);
                                    double there = aboveFit(fence, next, to);
                                    if (Math.log(1 - own.nextDouble()) < there - log) {
                                        at = to;
                                        theta = next;
                                        log = there;
                                        taken.incrementAndGet();
                                    }
                                }
                                return theta;
                            })
                            .toList();
            assertThat(taken.get() / (double) (SOLVED * STEPS))
                    .as("steps taken")
                    .isBetween(0.2, 0.6);
            return drawn;
        }

        private static double[] normal(int n, Random random) {
            return DoubleStream.generate(random::nextGaussian).limit(n).toArray();
        }

        /** By how much more probable a fence is than the fit tells, logarithm. */
        private static double aboveFit(KnownFence fence, double[] theta, double[] normal) {
            double[][] prior = Prior.fence(fence.model());
            double before = IntStream.range(0, prior.length)
                    .filter(i -> prior[i][i] > 0)
                    .mapToDouble(i -> -theta[i] * theta[i] / prior[i][i] / 2)
                    .sum();
            double fit = Arrays.stream(normal).map(z -> -z * z / 2).sum();
            return before - fit + logDensity(fence.healthy(), fence.model().read(theta, List.of(), fence.healthy()));
        }

        private static double logDensity(List<Value> values, double[] raw) {
            double sum = 0;
            for (int i = 0; i < raw.length; i++) {
                Value v = values.get(i);
                double variance = v.scale().variance(raw[i]);
                double off = v.feature() - v.expected(raw[i]);
                sum -= (off * off / variance + Math.log(variance)) / 2;
            }
            return sum;
        }

        /** By cell, for one fence. */
        private double[] likely(double[] theta) {
            double[] joints = Arrays.copyOf(AnswerTable.JOINT_OHM, AnswerTable.JOINT_OHM.length + 1);
            joints[joints.length - 1] = Double.POSITIVE_INFINITY;
            List<Place> nodes =
                    intervals.stream().flatMap(i -> i.nodes().stream()).toList();
            LeaksAndJoints all = new Candidates(model, theta, List.of(), now).at(nodes, AnswerTable.LEAK_OHM, joints);
            double[] likely = new double[cells.size()];
            int first = 0;
            int cell = 0;
            for (Interval interval : intervals) {
                int n = interval.nodes().size();
                double[][][] leaks = features(Arrays.copyOfRange(all.leaks().raw(), first, first + n));
                double[][][] broken = features(Arrays.copyOfRange(all.joints().raw(), first, first + n));
                for (Cell c : interval.cells()) {
                    Cubic along = Cubic.at(n, interval.at(c));
                    double leak = strengths(along, leaks, AnswerTable.LEAK_OHM.length);
                    double joint = strengths(along, broken, AnswerTable.JOINT_OHM.length);
                    double[] open = new double[now.size()];
                    along.of(broken, joints.length - 1, open);
                    likely[cell++] = Math.exp(Chance.LEAK.log()) * model.share(c, Chance.FRAIL_LEAKS) * leak
                            + Math.exp(Chance.BREAK.log())
                                    * model.share(c, Chance.FRAIL_BREAKS)
                                    * (Chance.OPEN * density(open) + (1 - Chance.OPEN) * joint);
                }
                first += n;
            }
            return likely;
        }

        private double strengths(Cubic along, double[][][] features, int rows) {
            double[][] here = new double[rows][now.size()];
            for (int j = 0; j < rows; j++) {
                along.of(features, j, here[j]);
            }
            Cubic[] between = Cubic.between(rows, 3);
            double[] expected = new double[now.size()];
            double all = 0;
            for (Cubic c : between) {
                c.of(here, expected);
                all += density(expected);
            }
            return all / between.length;
        }

        private double density(double[] expected) {
            double[] raw = new double[expected.length];
            Arrays.setAll(raw, i -> now.get(i).scale().raw(expected[i]));
            return Math.exp(logDensity(now, raw));
        }

        private double[][][] features(double[][][] raw) {
            double[][][] f = new double[raw.length][raw[0].length][now.size()];
            for (int i = 0; i < f.length; i++) {
                for (int j = 0; j < f[i].length; j++) {
                    for (int k = 0; k < now.size(); k++) {
                        f[i][j][k] = now.get(k).expected(raw[i][j][k]);
                    }
                }
            }
            return f;
        }

        double[] byCell() {
            double all = Arrays.stream(sum).sum();
            return Arrays.stream(sum).map(s -> s / all).toArray();
        }

        double on(String run, double[] probability) {
            return IntStream.range(0, cells.size())
                    .filter(i -> cells.get(i).run().equals(run))
                    .mapToDouble(i -> probability[i])
                    .sum();
        }

        double regionShare(double[] probability) {
            double held = 0;
            double metres = 0;
            for (int i : IntStream.range(0, cells.size())
                    .boxed()
                    .sorted(Comparator.comparingDouble(
                            c -> -probability[c] / cells.get(c).lengthM()))
                    .toList()) {
                if (held < REGION) {
                    held += probability[i];
                    metres += cells.get(i).lengthM();
                }
            }
            return metres / model.totalM();
        }
    }
}
