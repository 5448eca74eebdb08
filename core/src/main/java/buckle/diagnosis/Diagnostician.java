package buckle.diagnosis;

import buckle.diagnosis.Candidates.Cell;
import buckle.diagnosis.Candidates.LeaksAndJoints;
import buckle.diagnosis.Diagnosis.Fit;
import buckle.diagnosis.Diagnosis.RunLeakage;
import buckle.diagnosis.FenceModel.Linear;
import buckle.diagnosis.FenceModel.Unknown;
import buckle.diagnosis.Intervals.Interval;
import buckle.pulse.Fault;
import buckle.pulse.Place;
import buckle.pulse.Run;
import buckle.task.Cancellation;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;

/**
 * Probability of where, what and how strong: the fence is drawn toward its readings in order, each fault is put on it in turn, and its
 * readings are held against those taken, with the meter's error and with all that is still not known of the fence.
 */
public final class Diagnostician {
    /** Strengths between two that are computed: all goes smoothly with the logarithm. */
    private static final int BETWEEN = 6;

    private static final Cubic[] LEAKS = Cubic.between(AnswerTable.LEAK_OHM.length, BETWEEN);
    private static final double[] LEAK_OHM = between(AnswerTable.LEAK_OHM, LEAKS.length);
    private static final Cubic[] JOINTS = Cubic.between(AnswerTable.JOINT_OHM.length, BETWEEN);
    private static final double[] JOINT_OHM = between(AnswerTable.JOINT_OHM, JOINTS.length);

    private static final double ROUGH = 0.25;
    private static final double[] SECOND_OHM = AnswerTable.spaced(60, 8000, 5);
    private static final Cubic[] SECONDS = Cubic.between(SECOND_OHM.length, 2);
    private static final double[] SECOND_LEAK_OHM = between(SECOND_OHM, SECONDS.length);
    private static final double SECOND_LEAKS = 0.75;
    /** A second fault is one that makes the readings so much more likely, as a logarithm, than the first alone. */
    private static final double MORE = 1;

    /** From so much on the first is looked for once more beside the second. */
    private static final double SEEN = 4;

    private static final int FIRSTS = 2;

    private final FenceModel model;
    private final FenceModel rough;
    private final List<Value> healthy;
    private final List<Value> now;
    private final Calibration calibration;
    private final double[] theta;
    private final double totalM;
    private final AnswerTable table;
    /** Where in the table each value is told. */
    private final int[] column;

    private final Observed observed;

    private Diagnostician(List<Value> now, AnswerTable table) {
        KnownFence fence = table.fence();
        this.model = fence.model();
        this.rough = model.rough();
        this.healthy = fence.healthy();
        this.now = now;
        this.calibration = fence.calibration();
        this.theta = fence.theta();
        this.totalM = model.totalM();
        this.table = table;
        this.column = now.stream().mapToInt(table::column).toArray();
        this.observed = new Observed(now);
    }

    /** What the readings tell. */
    public static Diagnosis of(Hunt hunt) {
        List<Value> now = Value.of(hunt.now(), hunt.meter());
        return of(now, Remembered.of(hunt, now));
    }

    /** Works out ahead what does not depend on what the meter shows at the places of these readings. */
    public static void makeReady(Hunt hunt) {
        Remembered.of(hunt, Value.of(hunt.now(), hunt.meter()));
    }

    /** @param table that has the spot of every value */
    static Diagnosis of(List<Value> now, AnswerTable table) {
        return new Diagnostician(now, table).diagnosed();
    }

    private Diagnosis diagnosed() {
        Posterior posterior = new Posterior(model.runs());
        nothing(posterior);
        wrongReadings(posterior);
        placed(posterior);
        switches(posterior);
        growth(posterior);
        earthAndSupply(posterior);
        two(posterior);
        return posterior.diagnosis(fit());
    }

    private static double[] between(double[] of, int n) {
        return AnswerTable.spaced(of[0], of[of.length - 1], n);
    }

    // ---------------------------------------------------------------- one fault

    private void nothing(Posterior posterior) {
        double[] raw = own(table.everywhere().none());
        posterior.add(
                FaultKind.NONE,
                Chance.NONE.log()
                        + likelihood(features(raw), raw, table.spread().none()));
    }

    private void placed(Posterior posterior) {
        List<Posterior> all = table.parts().parallelStream()
                .map(part -> {
                    Cancellation.check();
                    Posterior own = new Posterior(model.runs());
                    leaks(own, part.interval(), own(part.leaks()));
                    breaks(own, part.interval(), own(part.joints()));
                    return own;
                })
                .toList();
        all.forEach(posterior::addPlaces);
    }

    /** Of what the table tells, what is told of the values read. */
    private double[] own(double[] raw) {
        double[] all = new double[column.length];
        for (int i = 0; i < all.length; i++) {
            all[i] = raw[column[i]];
        }
        return all;
    }

    private double[][][] own(double[][][] raw) {
        double[][][] all = new double[raw.length][][];
        for (int i = 0; i < raw.length; i++) {
            all[i] = new double[raw[i].length][];
            for (int j = 0; j < raw[i].length; j++) {
                all[i][j] = own(raw[i][j]);
            }
        }
        return all;
    }

    private void switches(Posterior posterior) {
        int frail = model.hunt().frail().size();
        table.everywhere().switches().forEach((run, all) -> {
            double[] raw = own(all);
            Spread known = table.spread().broken(new Place(run, 0), Double.POSITIVE_INFINITY);
            posterior.addSwitch(
                    run,
                    Chance.BREAK.log() + Math.log(Chance.FRAIL_BREAKS / frail) + likelihood(features(raw), raw, known));
        });
    }

    private double[][][] features(double[][][] raw) {
        double[][][] f = new double[raw.length][][];
        for (int i = 0; i < raw.length; i++) {
            f[i] = new double[raw[i].length][];
            for (int j = 0; j < raw[i].length; j++) {
                f[i][j] = features(raw[i][j]);
            }
        }
        return f;
    }

    private void leaks(Posterior posterior, Interval interval, double[][][] raw) {
        Sensitivities spread = table.spread();
        double[][][] features = features(raw);
        Gauss[][] gauss = new Gauss[raw.length][AnswerTable.LEAK_OHM.length];
        for (int i = 0; i < raw.length; i++) {
            for (int j = 0; j < AnswerTable.LEAK_OHM.length; j++) {
                gauss[i][j] = gauss(raw[i][j], spread.leak(interval.nodes().get(i), AnswerTable.LEAK_OHM[j]));
            }
        }
        double share = -Math.log(LEAKS.length);
        double[][] here = new double[AnswerTable.LEAK_OHM.length][now.size()];
        double[] expected = new double[now.size()];
        for (Cell cell : interval.cells()) {
            double at = interval.at(cell);
            int nearest = (int) Math.rint(at);
            double each = Chance.LEAK.log() + Math.log(model.share(cell, Chance.FRAIL_LEAKS)) + share;
            Cubic along = Cubic.at(raw.length, at);
            for (int j = 0; j < here.length; j++) {
                along.of(features, j, here[j]);
            }
            Posterior.Cluster cluster = posterior.at(FaultKind.LEAK, cell);
            for (int k = 0; k < LEAKS.length; k++) {
                LEAKS[k].of(here, expected);
                Gauss g = gauss[nearest][(int) Math.rint(k / (double) BETWEEN)];
                cluster.add(LEAK_OHM[k], share, each + observed.logLikelihood(g, expected, cluster.least() - each));
            }
        }
    }

    private void breaks(Posterior posterior, Interval interval, double[][][] raw) {
        Sensitivities spread = table.spread();
        double[][][] features = features(raw);
        int open = AnswerTable.JOINT_OHM.length;
        Gauss[][] gauss = new Gauss[raw.length][open + 1];
        for (int i = 0; i < raw.length; i++) {
            for (int j = 0; j <= open; j++) {
                double ohm = j == open ? Double.POSITIVE_INFINITY : AnswerTable.JOINT_OHM[j];
                gauss[i][j] = gauss(raw[i][j], spread.broken(interval.nodes().get(i), ohm));
            }
        }
        double share = Math.log((1 - Chance.OPEN) / JOINTS.length);
        double[][] here = new double[open][now.size()];
        double[] expected = new double[now.size()];
        for (Cell cell : interval.cells()) {
            double at = interval.at(cell);
            int nearest = (int) Math.rint(at);
            double prior = Chance.BREAK.log() + Math.log(model.share(cell, Chance.FRAIL_BREAKS));
            Cubic along = Cubic.at(raw.length, at);
            Posterior.Cluster cluster = posterior.at(FaultKind.BREAK, cell);
            along.of(features, open, expected);
            cluster.add(
                    Double.POSITIVE_INFINITY,
                    Math.log(Chance.OPEN),
                    prior + Math.log(Chance.OPEN) + observed.logLikelihood(gauss[nearest][open], expected));
            for (int j = 0; j < open; j++) {
                along.of(features, j, here[j]);
            }
            for (int k = 0; k < JOINTS.length; k++) {
                JOINTS[k].of(here, expected);
                Gauss g = gauss[nearest][(int) Math.rint(k / (double) BETWEEN)];
                cluster.add(
                        JOINT_OHM[k],
                        share,
                        prior + share + observed.logLikelihood(g, expected, cluster.least() - prior - share));
            }
        }
    }

    private void growth(Posterior posterior) {
        for (AnswerTable.Grown g : table.everywhere().growth()) {
            double[] raw = own(g.raw());
            Spread known = table.spread().leak(g.cell().middle(), g.ohm());
            posterior.addGrowth(
                    g.cell(),
                    g.ohm(),
                    Chance.GROWTH.log() + Math.log(g.share()) + likelihood(features(raw), raw, known));
        }
    }

    private void earthAndSupply(Posterior posterior) {
        scaled(
                posterior,
                FaultKind.EARTH,
                Chance.EARTH.log(),
                table.everywhere().earths(),
                table.everywhere().poorEarthSpread());
        scaled(
                posterior,
                FaultKind.SUPPLY,
                Chance.SUPPLY.log(),
                table.everywhere().supplies(),
                table.everywhere().weakSupplySpread());
    }

    private void scaled(Posterior posterior, FaultKind kind, double prior, List<AnswerTable.Scaled> all, Spread known) {
        for (AnswerTable.Scaled s : all) {
            double[] raw = own(s.raw());
            posterior.add(kind, s.value(), prior - Math.log(all.size()) + likelihood(features(raw), raw, known));
        }
    }

    // ---------------------------------------------------------------- wrong readings

    private void wrongReadings(Posterior posterior) {
        double[] raw = own(table.everywhere().none());
        double[][] spread = own(table.spread().none(), raw);
        double[] features = features(raw);
        double[] off = new double[features.length];
        double turned = 0;
        for (int i = 0; i < off.length; i++) {
            off[i] = now.get(i).off(features[i]);
            turned += now.get(i).logTurned(features[i]);
        }
        Set<Integer> numbers = new TreeSet<>(now.stream().map(Value::reading).toList());
        for (int wrong : numbers) {
            posterior.addReading(
                    false,
                    wrong,
                    Chance.METER.log()
                            - Math.log(numbers.size())
                            + Value.allButOne(now, wrong, raw, spread, off)
                            + turned);
        }
        int all = (int) healthy.stream().map(Value::reading).distinct().count();
        for (KnownFence.Doubted doubted : table.fence().doubted()) {
            KnownFence then = doubted.without();
            Linear at = model.linear(then.theta(), now);
            double[][] around = Gauss.spread(at.by(), then.covariance(), new double[now.size()]);
            posterior.addReading(
                    true,
                    doubted.reading(),
                    Chance.METER.log()
                            - Math.log(all)
                            + doubted.gained()
                            + observed.logLikelihood(new Gauss(noisy(around, at.raw())), at.features()));
        }
    }

    // ---------------------------------------------------------------- two faults

    /** A second fault beside each of the most probable single ones, then the first once more beside the best second. */
    private void two(Posterior posterior) {
        posterior.firsts(FIRSTS).parallelStream()
                .map(first -> {
                    Pairs one = beside(first);
                    Optional<Pairs> other = one.best().map(this::beside);
                    return other.isPresent() && other.get().sum() > one.sum() ? other.get() : one;
                })
                .toList()
                .forEach(pairs -> pairs.into(posterior));
    }

    /** Second faults beside a known one that tell more than it does alone. */
    private record Pairs(Cell known, double prior, Map<Cell, Double> weights, Optional<Posterior.First> best) {
        double sum() {
            double all = Double.NEGATIVE_INFINITY;
            for (double w : weights.values()) {
                all = Posterior.plus(all, prior + w);
            }
            return all;
        }

        void into(Posterior posterior) {
            weights.forEach((cell, w) -> posterior.addSecond(known, cell, prior + w));
        }
    }

    private Pairs beside(Posterior.First known) {
        double prior = Chance.TWO.log() + known.logVolume();
        Map<Cell, Double> weights = new LinkedHashMap<>();
        Fault one = known.fault();
        Spread spread = one.kind() == Fault.Kind.SHUNT
                ? table.spread().leak(one.at(), one.ohm())
                : table.spread().broken(one.at(), one.ohm());
        List<Interval> intervals =
                Intervals.of(model.runs(), now, List.of(known.fault().at()), ROUGH);
        List<Place> nodes = intervals.stream().flatMap(i -> i.nodes().stream()).toList();
        Candidates candidates = new Candidates(rough, theta, List.of(known.fault()), now);
        LeaksAndJoints second = candidates.at(nodes, SECOND_OHM, new double[] {Double.POSITIVE_INFINITY});
        double[][][] leaks = features(second.leaks().raw());
        double[][][] rawOpen = second.joints().raw();
        double[][][] open = features(rawOpen);
        double[] usual = candidates.none();
        Gauss gauss = gauss(usual, spread);
        double alone = observed.logLikelihood(gauss, features(usual));
        Best best = new Best();
        double[][] here = new double[SECOND_OHM.length][now.size()];
        double[] expected = new double[now.size()];
        int firstNode = 0;
        for (Interval interval : intervals) {
            int n = interval.nodes().size();
            double[][][] leak = java.util.Arrays.copyOfRange(leaks, firstNode, firstNode + n);
            double[][][] broken = java.util.Arrays.copyOfRange(open, firstNode, firstNode + n);
            for (Cell cell : interval.cells()) {
                double at = interval.at(cell);
                double place = Math.log(cell.lengthM() / totalM);
                double sum = Double.NEGATIVE_INFINITY;
                Cubic along = Cubic.at(n, at);
                for (int j = 0; j < here.length; j++) {
                    along.of(leak, j, here[j]);
                }
                double share = place + Math.log(SECOND_LEAKS / SECONDS.length);
                for (int k = 0; k < SECONDS.length; k++) {
                    SECONDS[k].of(here, expected);
                    double likely = observed.logLikelihood(gauss, expected, alone + MORE);
                    if (likely > alone + MORE) {
                        sum = Posterior.plus(sum, share + likely);
                        best.take(share, likely, cell, new Fault(Fault.Kind.SHUNT, cell.middle(), SECOND_LEAK_OHM[k]));
                    }
                }
                double[] rawThere = rawOpen[firstNode + (int) Math.rint(at)][0];
                along.of(broken, 0, expected);
                double likely = observed.logLikelihood(gauss(rawThere, spread), expected, alone + MORE);
                if (likely > alone + MORE) {
                    double opened = place + Math.log(1 - SECOND_LEAKS);
                    sum = Posterior.plus(sum, opened + likely);
                    best.take(
                            opened, likely, cell, new Fault(Fault.Kind.BREAK, cell.middle(), Double.POSITIVE_INFINITY));
                }
                if (sum > Double.NEGATIVE_INFINITY) {
                    weights.put(cell, sum);
                }
            }
            firstNode += n;
        }
        return new Pairs(known.cell(), prior, weights, best.first(alone + SEEN));
    }

    /** The most probable second fault, and how much of what was believed before it takes. */
    private static final class Best {
        private double sum = Double.NEGATIVE_INFINITY;
        private double most = Double.NEGATIVE_INFINITY;
        private @Nullable Fault fault;
        private @Nullable Cell cell;

        void take(double share, double likely, Cell at, Fault what) {
            sum = Posterior.plus(sum, share + likely);
            if (likely > most) {
                most = likely;
                fault = what;
                cell = at;
            }
        }

        /** Empty where none is more likely than this. */
        Optional<Posterior.First> first(double least) {
            return fault == null || cell == null || most < least
                    ? Optional.empty()
                    : Optional.of(new Posterior.First(fault, cell, Math.min(0, sum - most)));
        }
    }

    // ---------------------------------------------------------------- what all have in common

    private double[] features(double[] raw) {
        double[] f = new double[raw.length];
        for (int i = 0; i < f.length; i++) {
            f[i] = now.get(i).expected(raw[i]);
        }
        return f;
    }

    /** @param known as the table tells it, by its spots */
    private Gauss gauss(double[] raw, Spread known) {
        return new Gauss(noisy(own(known, raw), raw));
    }

    /** With the meter's own error. */
    private double[][] noisy(double[][] known, double[] raw) {
        double[][] all = new double[known.length][];
        for (int i = 0; i < all.length; i++) {
            all[i] = known[i].clone();
            all[i][i] += now.get(i).scale().variance(raw[i]);
        }
        return all;
    }

    /** Of the values read; one without a direction goes the other way round where the current comes back. */
    private double[][] own(Spread known, double[] raw) {
        double[] sign = new double[column.length];
        for (int i = 0; i < sign.length; i++) {
            sign[i] = now.get(i).directed() || raw[i] >= 0 ? 1 : -1;
        }
        return known.among(column, sign);
    }

    private double likelihood(double[] features, double[] raw, Spread known) {
        return observed.logLikelihood(gauss(raw, known), features);
    }

    private Fit fit() {
        double[] t = calibration.theta();
        double[][] left = calibration.covariance();
        int common = Unknown.LEAKAGE.ordinal();
        int earth = Unknown.EARTH.ordinal();
        List<RunLeakage> runs = new ArrayList<>();
        List<Run> own = model.runs();
        for (int i = 0; i < own.size(); i++) {
            int p = Unknown.FIXED + model.groupNumber(own.get(i).id());
            double sd = Math.sqrt(Math.max(0, left[common][common] + left[p][p] + 2 * left[common][p]));
            double leak = own.get(i).type().leakSPerM() * Math.exp(t[common] + t[p]);
            runs.add(new RunLeakage(own.get(i).id(), leak, leak * Math.exp(-sd), leak * Math.exp(sd)));
        }
        double ohm = model.supply(t).earthOhm();
        double sd = Math.sqrt(Math.max(0, left[earth][earth]));
        return new Fit(
                !healthy.isEmpty(),
                ohm,
                ohm * Math.exp(-sd),
                ohm * Math.exp(sd),
                Math.exp(t[Unknown.SOIL.ordinal()]),
                Math.exp(t[Unknown.STEEL.ordinal()]),
                Math.exp(t[Unknown.VOLTS.ordinal()]),
                runs,
                calibration.residuals().stream()
                        .map(Calibration.Residual::deviations)
                        .toList(),
                calibration.suspect());
    }
}
