package buckle.diagnosis;

import buckle.diagnosis.Candidates.Cell;
import buckle.diagnosis.Diagnosis.Fit;
import buckle.diagnosis.Diagnosis.RunLeakage;
import buckle.diagnosis.FenceModel.Linear;
import buckle.diagnosis.FenceModel.Unknown;
import buckle.pulse.Fault;
import buckle.pulse.Run;
import buckle.task.Cancellation;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.IntStream;

/**
 * Probability of where, what and how strong: the fence is drawn toward its readings in order, each fault is put on it in turn, and its
 * readings are held against those taken, with the meter's error and with all that is still not known of the fence.
 */
public final class Diagnostician {
    private static final double[] LEAK_OHM = spaced(40, 16_000, 16);
    /** Strengths between two that are computed: all goes smoothly with the logarithm. */
    private static final int BETWEEN = 4;

    private static final double[] JOINT_OHM = {300, 1000, 3000, 10_000, 30_000};
    private static final double OPEN_SHARE = 0.75;
    private static final double[] GROWTH_OHM = spaced(150, 6000, 6);
    private static final double[] EARTH_FACTOR = spaced(2, 60, 14);
    private static final double[] SUPPLY_FACTOR = spaced(0.1, 0.92, 18);
    private static final int GROWTH_POINTS = 5;
    private static final int CELLS = 300;
    private static final double LEAST_CELL_M = 2;
    private static final int LEAST_CELLS = 4;
    private static final double[] REFINED_FROM = {0.002, 0.01};
    private static final int[] REFINED_PARTS = {5, 4};
    private static final int MOST_REFINED = 40;
    /** A wrong reading may be anything: even over the scale from nothing to twelve kilovolts. */
    private static final double ANYTHING = Math.log(1.0 / 5.5);

    private static final double DOUBTED = 2;
    private static final int MOST_DOUBTED = 3;
    private static final int FIRSTS = 3;

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
        double[][] change = Prior.change(model);
        double[][] all = new double[change.length][change.length];
        for (int a = 0; a < all.length; a++) {
            for (int b = 0; b < all.length; b++) {
                all[a][b] = from.covariance()[a][b] + change[a][b];
            }
        }
        return all;
    }

    private Diagnosis diagnosed() {
        Posterior posterior = new Posterior(model.runs());
        Sensitivities spread = new Sensitivities(model, theta, covariance, List.of(), now);
        nothing(posterior, spread);
        wrongReadings(posterior, spread);
        List<Cell> cells = grid(CELLS, LEAST_CELL_M);
        placed(posterior, cells, spread);
        growth(posterior, spread);
        earthAndSupply(posterior);
        for (int i = 0; i < REFINED_PARTS.length; i++) {
            int parts = REFINED_PARTS[i];
            List<Cell> finer = posterior.takeOut(REFINED_FROM[i], MOST_REFINED, LEAST_CELL_M).stream()
                    .flatMap(c -> c.parts(parts).stream())
                    .toList();
            placed(posterior, finer, spread);
        }
        two(posterior);
        return posterior.diagnosis(fit());
    }

    private List<Cell> grid(int cells, double leastM) {
        double step = Math.max(leastM, totalM / cells);
        List<Cell> all = new ArrayList<>();
        for (Run run : model.runs()) {
            if (run.lengthM() > 0) {
                int n = (int)
                        Math.max(Math.min(LEAST_CELLS, Math.ceil(run.lengthM())), Math.ceil(run.lengthM() / step));
                all.addAll(new Cell(run.id(), 0, run.lengthM()).parts(n));
            }
        }
        return all;
    }

    // ---------------------------------------------------------------- one fault

    private void nothing(Posterior posterior, Sensitivities spread) {
        double[] raw = model.read(theta, List.of(), now);
        posterior.add(FaultKind.NONE, log(Chance.NONE) + likelihood(features(raw), raw, spread.none()));
    }

    private void placed(Posterior posterior, List<Cell> cells, Sensitivities spread) {
        if (cells.isEmpty()) {
            return;
        }
        Candidates candidates = new Candidates(model, theta, List.of(), now);
        double[][][] leaks = candidates.raw(cells, Fault.Kind.SHUNT, LEAK_OHM);
        double[][][] joints = candidates.raw(cells, Fault.Kind.BREAK, withOpen());
        for (int c = 0; c < cells.size(); c++) {
            Cancellation.check();
            Cell cell = cells.get(c);
            double prior = Math.log(cell.lengthM() / totalM);
            leak(posterior, cell, leaks[c], spread, log(Chance.LEAK) + prior);
            breaks(posterior, cell, joints[c], spread, log(Chance.BREAK) + prior);
        }
    }

    private static double[] withOpen() {
        double[] all = java.util.Arrays.copyOf(JOINT_OHM, JOINT_OHM.length + 1);
        all[JOINT_OHM.length] = Double.POSITIVE_INFINITY;
        return all;
    }

    private void leak(Posterior posterior, Cell cell, double[][] raw, Sensitivities spread, double prior) {
        double[][] features = new double[raw.length][];
        for (int j = 0; j < raw.length; j++) {
            features[j] = features(raw[j]);
        }
        int fine = (raw.length - 1) * BETWEEN + 1;
        double each = prior - Math.log(fine);
        for (int j = 0; j < raw.length; j++) {
            Gauss gauss = gauss(raw[j], spread.leak(cell, LEAK_OHM[j]));
            for (int k = 0; k < BETWEEN; k++) {
                double at = j + (k - BETWEEN / 2) / (double) BETWEEN;
                if (at < 0 || at > raw.length - 1) {
                    continue;
                }
                double ohm = LEAK_OHM[0] * Math.pow(LEAK_OHM[1] / LEAK_OHM[0], at);
                posterior.add(FaultKind.LEAK, cell, ohm, each + gauss.logDensity(off(between(features, at))));
            }
        }
    }

    private void breaks(Posterior posterior, Cell cell, double[][] raw, Sensitivities spread, double prior) {
        for (int j = 0; j < raw.length; j++) {
            boolean open = j == JOINT_OHM.length;
            double share = open ? OPEN_SHARE : (1 - OPEN_SHARE) / JOINT_OHM.length;
            double ohm = open ? Double.POSITIVE_INFINITY : JOINT_OHM[j];
            double[][] known = open || JOINT_OHM[j] > 5000 ? spread.open(cell) : spread.none();
            posterior.add(
                    FaultKind.BREAK, cell, ohm, prior + Math.log(share) + likelihood(features(raw[j]), raw[j], known));
        }
    }

    private record Stretch(Cell cell, double ohm, double prior) {}

    /** On a quarter, a half and the whole of each run, as a few leaks side by side. */
    private void growth(Posterior posterior, Sensitivities spread) {
        List<Stretch> all = new ArrayList<>();
        for (Run run : model.runs()) {
            if (run.lengthM() <= 0) {
                continue;
            }
            List<Cell> stretches = new ArrayList<>();
            for (int parts : new int[] {4, 2, 1}) {
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
                    return s.prior() + likelihood(features(raw), raw, spread.leak(s.cell(), s.ohm()));
                })
                .toArray();
        for (int i = 0; i < weights.length; i++) {
            posterior.add(FaultKind.GROWTH, all.get(i).cell(), all.get(i).ohm(), weights[i]);
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
        double anything = (values.size() - kept.length) * ANYTHING;
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
        List<Cell> cells = grid(CELLS / 4, 4 * LEAST_CELL_M);
        List<Posterior.First> firsts = posterior.firsts(FIRSTS);
        for (Posterior.First first : firsts) {
            beside(posterior, first.fault(), first.cell(), log(Chance.TWO) - Math.log(2) + first.logVolume(), cells)
                    .ifPresent(second -> beside(
                            posterior,
                            second.fault(),
                            second.cell(),
                            log(Chance.TWO) - Math.log(2) + second.logVolume(),
                            cells));
        }
    }

    private java.util.Optional<Posterior.First> beside(
            Posterior posterior, Fault known, Cell knownCell, double prior, List<Cell> cells) {
        Linear at = model.linear(theta, List.of(known), now);
        double[][] around = Gauss.spread(at.by(), covariance, new double[now.size()]);
        Candidates candidates = new Candidates(model, theta, List.of(known), now);
        double[] ohm = spaced(60, 8000, 8);
        double[][][] leaks = candidates.raw(cells, Fault.Kind.SHUNT, ohm);
        double[][][] open = candidates.raw(cells, Fault.Kind.BREAK, new double[] {Double.POSITIVE_INFINITY});
        double best = Double.NEGATIVE_INFINITY;
        Fault bestFault = known;
        Cell bestCell = knownCell;
        double volume = 0;
        List<double[]> all = new ArrayList<>();
        for (int c = 0; c < cells.size(); c++) {
            double place = Math.log(cells.get(c).lengthM() / totalM);
            double sum = Double.NEGATIVE_INFINITY;
            for (int j = 0; j <= ohm.length; j++) {
                boolean broken = j == ohm.length;
                double[] raw = broken ? open[c][0] : leaks[c][j];
                double share = broken ? Math.log(0.25) : Math.log(0.75 / ohm.length);
                double likely = likelihood(features(raw), raw, around);
                double weight = share + place + likely;
                sum = Posterior.plus(sum, weight);
                all.add(new double[] {share + place, likely});
                if (likely > best) {
                    best = likely;
                    bestCell = cells.get(c);
                    bestFault = new Fault(
                            broken ? Fault.Kind.BREAK : Fault.Kind.SHUNT,
                            cells.get(c).middle(),
                            broken ? Double.POSITIVE_INFINITY : ohm[j]);
                }
            }
            posterior.addSecond(knownCell, cells.get(c), prior + sum);
        }
        for (double[] a : all) {
            volume += Math.exp(a[0] + a[1] - best);
        }
        return bestFault == known
                ? java.util.Optional.empty()
                : java.util.Optional.of(new Posterior.First(bestFault, bestCell, Math.log(volume)));
    }

    // ---------------------------------------------------------------- what all have in common

    /** How often each kind is met before anything is read. Ours, after hunts that were simulated and what practitioners tell. */
    private enum Chance {
        NONE(0.15),
        LEAK(0.4),
        BREAK(0.12),
        GROWTH(0.1),
        EARTH(0.07),
        SUPPLY(0.06),
        METER(0.05),
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

    /** Between neighbours by a cubic through four (Catmull and Rom). */
    private static double[] between(double[][] f, double at) {
        int j = Math.min(f.length - 2, (int) Math.floor(at));
        double t = at - j;
        if (t == 0) {
            return f[j];
        }
        double[] before = f[Math.max(0, j - 1)];
        double[] after = f[Math.min(f.length - 1, j + 2)];
        double[] out = new double[f[j].length];
        for (int i = 0; i < out.length; i++) {
            double a = f[j][i];
            double b = f[j + 1][i];
            double left = (b - before[i]) / (j > 0 ? 2 : 1);
            double right = (after[i] - a) / (j + 2 < f.length ? 2 : 1);
            double t2 = t * t;
            double t3 = t2 * t;
            out[i] = (2 * t3 - 3 * t2 + 1) * a + (t3 - 2 * t2 + t) * left + (3 * t2 - 2 * t3) * b + (t3 - t2) * right;
        }
        return out;
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
            int p = Unknown.FIXED + i;
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
