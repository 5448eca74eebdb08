package buckle.diagnosis;

import buckle.diagnosis.Candidates.Cell;
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
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * Probability of where, what and how strong: the fence is drawn toward its readings in order, each fault is put on it in turn, and its
 * readings are held against those taken, with the meter's error and with all that is still not known of the fence.
 */
public final class Diagnostician {
    private static final double[] LEAK_OHM = spaced(70, 11_000, 11);
    /** Strengths between two that are computed: all goes smoothly with the logarithm. */
    private static final int BETWEEN = 6;

    private static final double[] JOINT_OHM = spaced(300, 30_000, 8);
    private static final double OPEN_SHARE = 0.75;
    /** Of what comes apart, and of what leaks, so much is at switches, handles and cables. Ours, after what practitioners look at. */
    private static final double FRAIL_BREAKS = 0.25;

    private static final double FRAIL_LEAKS = 0.1;
    private static final double[] GROWTH_OHM = spaced(150, 6000, 6);
    private static final double[] EARTH_FACTOR = spaced(2, 60, 14);
    private static final double[] SUPPLY_FACTOR = spaced(0.15, 0.9, 16);
    private static final int GROWTH_POINTS = 5;
    /** On less it is a leak. */
    private static final double LEAST_GROWN_M = 20;

    private static final double ROUGH = 0.25;
    private static final double[] SECOND_OHM = spaced(60, 8000, 9);
    private static final double SECOND_LEAKS = 0.75;
    /** A second fault is one that makes the readings so much more likely, as a logarithm, than the first alone. */
    private static final double MORE = 1;

    /** From so much on the first is looked for once more beside the second. */
    private static final double SEEN = 4;
    /** A wrong reading is mostly a low one, sometimes anything from nothing to twelve kilovolts; on the scale of values. */
    private static final double LOW = 1.4;

    private static final double HIGH = 0.6;
    private static final double MOSTLY = 0.8;
    private static final double WHOLE_SCALE = 5.5;

    private static final double DOUBTED = 2;
    private static final int MOST_DOUBTED = 3;
    private static final int FIRSTS = 2;

    private final FenceModel model;
    private final List<Value> healthy;
    private final List<Value> now;
    private final Calibration calibration;
    private final double[] theta;
    private final double[][] covariance;
    private final double totalM;
    private final double[] read;

    private Diagnostician(Hunt hunt) {
        model = new FenceModel(hunt);
        healthy = Value.of(hunt.healthy(), hunt.meter());
        now = Value.of(hunt.now(), hunt.meter());
        calibration = Calibration.of(model, healthy);
        theta = today(calibration);
        covariance = spreadToday(calibration);
        totalM = model.runs().stream().mapToDouble(Run::lengthM).sum();
        read = now.stream().mapToDouble(Value::feature).toArray();
    }

    /** What the readings tell. */
    public static Diagnosis of(Hunt hunt) {
        return new Diagnostician(hunt).diagnosed();
    }

    private double[] today(Calibration from) {
        double[] next = from.theta().clone();
        next[Unknown.LEAKAGE.ordinal()] += healthy.isEmpty() ? 0 : Prior.MEAN_LEAKAGE_CHANGE;
        return next;
    }

    private double[][] spreadToday(Calibration from) {
        return Gauss.sum(from.covariance(), Prior.change(model));
    }

    private Diagnosis diagnosed() {
        Posterior posterior = new Posterior(model.runs());
        Sensitivities spread = new Sensitivities(model, theta, covariance, List.of(), now);
        nothing(posterior, spread);
        wrongReadings(posterior, spread);
        placed(posterior, spread);
        switches(posterior, spread);
        growth(posterior, spread);
        earthAndSupply(posterior);
        two(posterior);
        return posterior.diagnosis(fit());
    }

    // ---------------------------------------------------------------- one fault

    private void nothing(Posterior posterior, Sensitivities spread) {
        double[] raw = model.read(theta, List.of(), now);
        posterior.add(FaultKind.NONE, log(Chance.NONE) + likelihood(features(raw), raw, spread.none()));
    }

    private void placed(Posterior posterior, Sensitivities spread) {
        List<Interval> intervals = Intervals.of(model.runs(), now, List.of(), 1);
        List<Place> nodes = intervals.stream().flatMap(i -> i.nodes().stream()).toList();
        Candidates candidates = new Candidates(model, theta, List.of(), now);
        double[][][] leaks = candidates.raw(nodes, Fault.Kind.SHUNT, LEAK_OHM);
        double[][][] joints = candidates.raw(nodes, Fault.Kind.BREAK, withOpen());
        int first = 0;
        for (Interval interval : intervals) {
            Cancellation.check();
            int n = interval.nodes().size();
            leaks(posterior, interval, java.util.Arrays.copyOfRange(leaks, first, first + n), spread);
            breaks(posterior, interval, java.util.Arrays.copyOfRange(joints, first, first + n), spread);
            first += n;
        }
    }

    /** How much of what may happen on the line happens at a cell: by its length, and more on what is frail. */
    private double share(Cell cell, double frailShare) {
        double even = cell.lengthM() / totalM;
        Set<String> frail = model.hunt().frail();
        if (frail.isEmpty()) {
            return even;
        }
        double own = frail.contains(cell.run()) ? cell.lengthM() / model.lengthM(cell.run()) / frail.size() : 0;
        return frailShare * own + (1 - frailShare) * even;
    }

    /** Runs without length, which nothing passes any more. */
    private void switches(Posterior posterior, Sensitivities spread) {
        Set<String> frail = model.hunt().frail();
        List<Run> all = model.runs().stream()
                .filter(r -> frail.contains(r.id()) && r.lengthM() == 0)
                .toList();
        List<Double> weights = all.parallelStream()
                .map(run -> {
                    double[] raw = model.readOpen(theta, run.id(), now);
                    return log(Chance.BREAK)
                            + Math.log(FRAIL_BREAKS / frail.size())
                            + likelihood(
                                    features(raw),
                                    raw,
                                    spread.broken(new Place(run.id(), 0), Double.POSITIVE_INFINITY));
                })
                .toList();
        for (int i = 0; i < weights.size(); i++) {
            posterior.addSwitch(all.get(i).id(), weights.get(i));
        }
    }

    private static double[] withOpen() {
        double[] all = java.util.Arrays.copyOf(JOINT_OHM, JOINT_OHM.length + 1);
        all[JOINT_OHM.length] = Double.POSITIVE_INFINITY;
        return all;
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

    private void leaks(Posterior posterior, Interval interval, double[][][] raw, Sensitivities spread) {
        double[][][] features = features(raw);
        Gauss[][] gauss = new Gauss[raw.length][LEAK_OHM.length];
        for (int i = 0; i < raw.length; i++) {
            for (int j = 0; j < LEAK_OHM.length; j++) {
                gauss[i][j] = gauss(raw[i][j], spread.leak(interval.nodes().get(i), LEAK_OHM[j]));
            }
        }
        int fine = (LEAK_OHM.length - 1) * BETWEEN + 1;
        for (Cell cell : interval.cells()) {
            double at = interval.at(cell);
            int nearest = (int) Math.rint(at);
            double each = log(Chance.LEAK) + Math.log(share(cell, FRAIL_LEAKS)) - Math.log(fine);
            double[][] here = new double[LEAK_OHM.length][];
            for (int j = 0; j < here.length; j++) {
                here[j] = Cubic.between(features, j, at);
            }
            for (int k = 0; k < fine; k++) {
                double strength = k / (double) BETWEEN;
                double ohm = LEAK_OHM[0] * Math.pow(LEAK_OHM[1] / LEAK_OHM[0], strength);
                posterior.add(
                        FaultKind.LEAK,
                        cell,
                        ohm,
                        -Math.log(fine),
                        each
                                + gauss[nearest][(int) Math.rint(strength)].logDensity(
                                        off(Cubic.between(here, strength))));
            }
        }
    }

    private void breaks(Posterior posterior, Interval interval, double[][][] raw, Sensitivities spread) {
        double[][][] features = features(raw);
        int open = JOINT_OHM.length;
        Gauss[][] gauss = new Gauss[raw.length][open + 1];
        for (int i = 0; i < raw.length; i++) {
            for (int j = 0; j <= open; j++) {
                double ohm = j == open ? Double.POSITIVE_INFINITY : JOINT_OHM[j];
                gauss[i][j] = gauss(raw[i][j], spread.broken(interval.nodes().get(i), ohm));
            }
        }
        int fine = (JOINT_OHM.length - 1) * BETWEEN + 1;
        for (Cell cell : interval.cells()) {
            double at = interval.at(cell);
            int nearest = (int) Math.rint(at);
            double prior = log(Chance.BREAK) + Math.log(share(cell, FRAIL_BREAKS));
            posterior.add(
                    FaultKind.BREAK,
                    cell,
                    Double.POSITIVE_INFINITY,
                    Math.log(OPEN_SHARE),
                    prior
                            + Math.log(OPEN_SHARE)
                            + gauss[nearest][open].logDensity(off(Cubic.between(features, open, at))));
            double[][] here = new double[open][];
            for (int j = 0; j < open; j++) {
                here[j] = Cubic.between(features, j, at);
            }
            for (int k = 0; k < fine; k++) {
                double strength = k / (double) BETWEEN;
                double ohm = JOINT_OHM[0] * Math.pow(JOINT_OHM[1] / JOINT_OHM[0], strength);
                posterior.add(
                        FaultKind.BREAK,
                        cell,
                        ohm,
                        Math.log((1 - OPEN_SHARE) / fine),
                        prior
                                + Math.log((1 - OPEN_SHARE) / fine)
                                + gauss[nearest][(int) Math.rint(strength)].logDensity(
                                        off(Cubic.between(here, strength))));
            }
        }
    }

    private record Stretch(Cell cell, double ohm, double prior) {}

    /** On a third and on the whole of each run, as a few leaks side by side. */
    private void growth(Posterior posterior, Sensitivities spread) {
        List<Stretch> all = new ArrayList<>();
        for (Run run : model.runs()) {
            if (run.type().cable().isPresent() || run.lengthM() < LEAST_GROWN_M) {
                continue;
            }
            List<Cell> stretches = new ArrayList<>();
            for (int parts : new int[] {3, 1}) {
                double length = run.lengthM() / parts;
                for (int i = 0; i <= 2 * (parts - 1); i++) {
                    stretches.add(new Cell(run.id(), i * length / 2, i * length / 2 + length));
                }
            }
            double prior = log(Chance.GROWTH) + Math.log(run.lengthM() / totalM / stretches.size() / GROWTH_OHM.length);
            for (Cell c : stretches) {
                for (double ohm : GROWTH_OHM) {
                    all.add(new Stretch(c, ohm, prior));
                }
            }
        }
        double[] weights = IntStream.range(0, all.size())
                .parallel()
                .mapToDouble(i -> {
                    Stretch s = all.get(i);
                    List<Fault> leaks = s.cell().parts(GROWTH_POINTS).stream()
                            .map(p -> new Fault(Fault.Kind.SHUNT, p.middle(), s.ohm() * GROWTH_POINTS))
                            .toList();
                    double[] raw = model.read(theta, leaks, now);
                    return s.prior()
                            + likelihood(
                                    features(raw), raw, spread.leak(s.cell().middle(), s.ohm()));
                })
                .toArray();
        for (int i = 0; i < weights.length; i++) {
            posterior.addGrowth(all.get(i).cell(), all.get(i).ohm(), weights[i]);
        }
    }

    private void earthAndSupply(Posterior posterior) {
        double[][] poor = Gauss.spread(
                model.linear(moved(Unknown.EARTH, 10), List.of(), now).by(), covariance, new double[now.size()]);
        for (double factor : EARTH_FACTOR) {
            double[] raw = model.read(moved(Unknown.EARTH, factor), List.of(), now);
            posterior.add(
                    FaultKind.EARTH,
                    model.supply(moved(Unknown.EARTH, factor)).earthOhm(),
                    log(Chance.EARTH) - Math.log(EARTH_FACTOR.length) + likelihood(features(raw), raw, poor));
        }
        double[][] weak = Gauss.spread(
                model.linear(moved(Unknown.VOLTS, 0.5), List.of(), now).by(), covariance, new double[now.size()]);
        for (double factor : SUPPLY_FACTOR) {
            double[] raw = model.read(moved(Unknown.VOLTS, factor), List.of(), now);
            posterior.add(
                    FaultKind.SUPPLY,
                    factor,
                    log(Chance.SUPPLY) - Math.log(SUPPLY_FACTOR.length) + likelihood(features(raw), raw, weak));
        }
    }

    private double[] moved(Unknown what, double factor) {
        double[] next = theta.clone();
        next[what.ordinal()] += Math.log(factor);
        return next;
    }

    // ---------------------------------------------------------------- wrong readings

    private void wrongReadings(Posterior posterior, Sensitivities spread) {
        double[] raw = model.read(theta, List.of(), now);
        Set<Integer> numbers = new TreeSet<>(now.stream().map(Value::reading).toList());
        for (int wrong : numbers) {
            posterior.addReading(
                    false,
                    wrong,
                    log(Chance.METER)
                            - Math.log(numbers.size())
                            + without(now, wrong, raw, spread.none(), off(features(raw))));
        }
        if (healthy.isEmpty()) {
            return;
        }
        Set<Integer> doubted = new TreeSet<>();
        calibration.residuals().stream()
                .filter(r -> Math.abs(r.deviations()) > DOUBTED)
                .sorted(Comparator.comparingDouble(r -> -Math.abs(r.deviations())))
                .limit(MOST_DOUBTED)
                .forEach(r -> doubted.add(r.reading()));
        if (doubted.isEmpty()) {
            return;
        }
        Linear plan = model.linear(new double[model.count()], List.of(), healthy);
        double[] off = new double[healthy.size()];
        for (int i = 0; i < off.length; i++) {
            off[i] = healthy.get(i).feature() - plan.features()[i];
        }
        double[][] known = Gauss.spread(plan.by(), Prior.fence(model), new double[off.length]);
        int all = (int) healthy.stream().map(Value::reading).distinct().count();
        for (int wrong : doubted) {
            List<Value> others =
                    healthy.stream().filter(v -> v.reading() != wrong).toList();
            if (others.isEmpty()) {
                continue;
            }
            double gained = without(healthy, wrong, plan.raw(), known, off) - calibration.logEvidence();
            Calibration better = Calibration.of(model, others);
            double[] then = today(better);
            Linear at = model.linear(then, List.of(), now);
            double[][] around = Gauss.spread(at.by(), spreadToday(better), new double[now.size()]);
            posterior.addReading(
                    true,
                    wrong,
                    log(Chance.METER) - Math.log(all) + gained + likelihood(at.features(), at.raw(), around));
        }
    }

    /** Of all values but one reading's, which may be anything. */
    private static double without(List<Value> values, int wrong, double[] raw, double[][] known, double[] off) {
        int[] kept = IntStream.range(0, values.size())
                .filter(i -> values.get(i).reading() != wrong)
                .toArray();
        double anything = 0;
        for (int i = 0; i < values.size(); i++) {
            if (values.get(i).reading() == wrong) {
                boolean near = off[i] > -LOW && off[i] < HIGH;
                anything += Math.log((1 - MOSTLY) / WHOLE_SCALE + (near ? MOSTLY / (LOW + HIGH) : 0));
            }
        }
        if (kept.length == 0) {
            return anything;
        }
        double[][] some = new double[kept.length][kept.length];
        double[] rest = new double[kept.length];
        for (int i = 0; i < kept.length; i++) {
            rest[i] = off[kept[i]];
            for (int j = 0; j < kept.length; j++) {
                some[i][j] = known[kept[i]][kept[j]];
            }
            some[i][i] += values.get(kept[i]).scale().variance(raw[kept[i]]);
        }
        return anything + new Gauss(some).logDensity(rest);
    }

    // ---------------------------------------------------------------- two faults

    /** A second fault beside each of the most probable single ones, then the first once more beside the best second. */
    private void two(Posterior posterior) {
        for (Posterior.First first : posterior.firsts(FIRSTS)) {
            Pairs one = beside(first);
            Optional<Pairs> other = one.best().map(this::beside);
            (other.isPresent() && other.get().sum() > one.sum() ? other.get() : one).into(posterior);
        }
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
        double prior = log(Chance.TWO) + known.logVolume();
        Map<Cell, Double> weights = new LinkedHashMap<>();
        double[][] around =
                Gauss.spread(model.linear(theta, List.of(known.fault()), now).by(), covariance, new double[now.size()]);
        List<Interval> intervals =
                Intervals.of(model.runs(), now, List.of(known.fault().at()), ROUGH);
        List<Place> nodes = intervals.stream().flatMap(i -> i.nodes().stream()).toList();
        Candidates candidates = new Candidates(model, theta, List.of(known.fault()), now);
        double[][][] leaks = features(candidates.raw(nodes, Fault.Kind.SHUNT, SECOND_OHM));
        double[][][] rawOpen = candidates.raw(nodes, Fault.Kind.BREAK, new double[] {Double.POSITIVE_INFINITY});
        double[][][] open = features(rawOpen);
        double[] usual = model.read(theta, List.of(known.fault()), now);
        Gauss gauss = gauss(usual, around);
        double alone = gauss.logDensity(off(features(usual)));
        Best best = new Best();
        int firstNode = 0;
        for (Interval interval : intervals) {
            int n = interval.nodes().size();
            double[][][] leak = java.util.Arrays.copyOfRange(leaks, firstNode, firstNode + n);
            double[][][] broken = java.util.Arrays.copyOfRange(open, firstNode, firstNode + n);
            for (Cell cell : interval.cells()) {
                double at = interval.at(cell);
                double place = Math.log(cell.lengthM() / totalM);
                double sum = Double.NEGATIVE_INFINITY;
                for (int j = 0; j < SECOND_OHM.length; j++) {
                    double likely = gauss.logDensity(off(Cubic.between(leak, j, at)));
                    double share = place + Math.log(SECOND_LEAKS / SECOND_OHM.length);
                    if (likely > alone + MORE) {
                        sum = Posterior.plus(sum, share + likely);
                        best.take(share, likely, cell, new Fault(Fault.Kind.SHUNT, cell.middle(), SECOND_OHM[j]));
                    }
                }
                double[] rawThere = rawOpen[firstNode + (int) Math.rint(at)][0];
                double likely = likelihood(Cubic.between(broken, 0, at), rawThere, around);
                if (likely > alone + MORE) {
                    double share = place + Math.log(1 - SECOND_LEAKS);
                    sum = Posterior.plus(sum, share + likely);
                    best.take(
                            share, likely, cell, new Fault(Fault.Kind.BREAK, cell.middle(), Double.POSITIVE_INFINITY));
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

    /** How often each kind is met before anything is read. Ours, after hunts that were simulated and what practitioners tell. */
    private enum Chance {
        NONE(0.17),
        LEAK(0.4),
        BREAK(0.12),
        GROWTH(0.1),
        EARTH(0.07),
        SUPPLY(0.06),
        METER(0.06),
        TWO(0.05);

        private final double share;

        Chance(double share) {
            this.share = share;
        }
    }

    private static double log(Chance chance) {
        return Math.log(chance.share);
    }

    private double[] features(double[] raw) {
        double[] f = new double[raw.length];
        for (int i = 0; i < f.length; i++) {
            f[i] = now.get(i).expected(raw[i]);
        }
        return f;
    }

    private double[] off(double[] features) {
        double[] off = new double[features.length];
        for (int i = 0; i < off.length; i++) {
            off[i] = read[i] - features[i];
        }
        return off;
    }

    private Gauss gauss(double[] raw, double[][] known) {
        double[][] all = new double[known.length][];
        for (int i = 0; i < all.length; i++) {
            all[i] = known[i].clone();
            all[i][i] += now.get(i).scale().variance(raw[i]);
        }
        return new Gauss(all);
    }

    private double likelihood(double[] features, double[] raw, double[][] known) {
        return gauss(raw, known).logDensity(off(features));
    }

    private static double[] spaced(double from, double to, int n) {
        double[] all = new double[n];
        for (int i = 0; i < n; i++) {
            all[i] = from * Math.pow(to / from, i / (double) (n - 1));
        }
        return all;
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
