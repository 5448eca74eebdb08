package buckle.cut;

import buckle.cut.CutOrder.Piece;
import buckle.cut.CutOrder.Stock;
import buckle.cut.CutPlan.Bar;
import buckle.cut.CutPlan.Cut;
import buckle.site.BadInput;
import buckle.task.Cancellation;
import com.google.ortools.Loader;
import com.google.ortools.linearsolver.MPConstraint;
import com.google.ortools.linearsolver.MPObjective;
import com.google.ortools.linearsolver.MPSolver;
import com.google.ortools.linearsolver.MPVariable;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.DoubleConsumer;

/**
 * Cuts pieces from lengths at least cost: patterns are generated as long as one would make the linear program cheaper (Gilmore and Gomory,
 * 1961, 1963), whose value no plan can go under; then whole numbers of these patterns are chosen. With few different lengths a network of
 * all cutting positions (Valério de Carvalho, 1999) is solved to the end instead.
 */
public final class CutPlanner {
    private static final int FEW_LENGTHS = 16;
    private static final int MOST_ARCS = 12_000;
    private static final int MOST_CELLS = 60_000;
    private static final int MOST_ROUNDS = 400;
    private static final long WHOLE_MS = 4_000;
    private static final double EPS = 1e-7;
    /** From so far under a whole number of bars on, that number is taken. */
    private static final double NEARLY = 0.05;

    /** Dearer than anything, so that the first linear program has a solution. */
    private static final double MISSING = 1e9;

    private final CutOrder order;
    private final int[] lengthMm;
    private final int[] demand;
    private final List<Stock> stock;
    private final DoubleConsumer progress;

    private CutPlanner(CutOrder order, DoubleConsumer progress) {
        this.order = order;
        this.progress = progress;
        this.stock =
                order.stock().stream().filter(s -> s.available().orElse(1) > 0).toList();
        Map<Integer, Integer> byLength = new TreeMap<>((a, b) -> b - a);
        order.pieces().forEach(p -> byLength.merge(p.lengthMm(), p.count(), Integer::sum));
        this.lengthMm = byLength.keySet().stream().mapToInt(i -> i).toArray();
        this.demand = byLength.values().stream().mapToInt(i -> i).toArray();
    }

    /** A bar of one stock and how many of each length are cut from it. */
    record Pattern(int stock, List<Integer> counts) {}

    /** The library's own code is loaded once, when the first plan is asked for. */
    private static final class Native {
        static {
            Loader.loadNativeLibraries();
        }

        private Native() {}

        static MPSolver solver(String name) {
            return Objects.requireNonNull(MPSolver.createSolver(name), name);
        }
    }

    /** @param progress is told shares from 0 to 1 */
    public static CutPlan plan(CutOrder order, DoubleConsumer progress) {
        if (order.pieces().isEmpty()) {
            return new CutPlan(List.of(), 0, 0, true);
        }
        CutPlanner planner = new CutPlanner(order, progress);
        CutPlan plan = planner.solved();
        progress.accept(1);
        return plan;
    }

    private CutPlan solved() {
        Map<Pattern, Integer> start = firstFit(demand, new int[stock.size()]);
        Set<Pattern> patterns = new LinkedHashSet<>(start.keySet());
        Relaxed all = generate(patterns, demand, new int[stock.size()]);
        double bound = all.bound();
        progress.accept(0.3);
        Map<Pattern, Integer> best = cheaper(start, dive(patterns, all));
        progress.accept(0.6);
        best = cheaper(best, whole(List.copyOf(patterns), best));
        if (!reached(best, bound) && lengthMm.length <= FEW_LENGTHS && exact(unitMm())) {
            progress.accept(0.8);
            Arcs arcs = new Arcs(this, unitMm());
            if (arcs.count() <= MOST_ARCS) {
                Arcs.Found found = arcs.solve();
                best = cheaper(best, found.patterns());
                bound = Math.max(bound, found.bound());
            }
        }
        return told(best, bound, reached(best, bound));
    }

    /** Costs are whole cents: none can lie between the bound and the next of them. */
    private boolean reached(Map<Pattern, Integer> plan, double bound) {
        return cost(plan) <= Math.ceil(bound - 1e-6) + 0.5;
    }

    /** Whole bars of the linear program are taken, and the nearest to one; the rest is planned anew, until nothing is left. */
    private Map<Pattern, Integer> dive(Set<Pattern> patterns, Relaxed first) {
        int[] open = demand.clone();
        int[] used = new int[stock.size()];
        Map<Pattern, Integer> plan = new LinkedHashMap<>();
        Relaxed now = first;
        while (Arrays.stream(open).anyMatch(d -> d > 0)) {
            Cancellation.check();
            boolean taken = false;
            for (Map.Entry<Pattern, Double> e : now.bars().entrySet()) {
                int times = (int) Math.floor(e.getValue() + NEARLY);
                if (times > 0) {
                    taken |= take(e.getKey(), times, plan, open, used);
                }
            }
            if (!taken) {
                Pattern most = now.bars().entrySet().stream()
                        .max(Map.Entry.comparingByValue())
                        .map(Map.Entry::getKey)
                        .orElse(null);
                if (most == null || !take(most, 1, plan, open, used)) {
                    firstFit(open, used).forEach((p, n) -> plan.merge(p, n, Integer::sum));
                    return plan;
                }
            }
            now = generate(patterns, open, used);
        }
        return plan;
    }

    /** @return whether any of it was of use */
    private boolean take(Pattern p, int times, Map<Pattern, Integer> plan, int[] open, int[] used) {
        boolean any = false;
        for (int t = 0; t < times; t++) {
            boolean useful = false;
            for (int i = 0; i < open.length; i++) {
                useful |= p.counts().get(i) > 0 && open[i] > 0;
            }
            if (!useful || used[p.stock()] >= available(p.stock())) {
                return any;
            }
            for (int i = 0; i < open.length; i++) {
                open[i] = Math.max(0, open[i] - p.counts().get(i));
            }
            used[p.stock()]++;
            plan.merge(p, 1, Integer::sum);
            any = true;
        }
        return any;
    }

    private int available(int s) {
        return stock.get(s).available().orElse(Integer.MAX_VALUE);
    }

    int[] lengthMm() {
        return lengthMm;
    }

    int[] demand() {
        return demand;
    }

    List<Stock> stock() {
        return stock;
    }

    int kerfMm() {
        return order.kerfMm();
    }

    private Map<Pattern, Integer> cheaper(Map<Pattern, Integer> one, Map<Pattern, Integer> other) {
        return !other.isEmpty() && cost(other) < cost(one) ? other : one;
    }

    private long cost(Map<Pattern, Integer> plan) {
        return plan.entrySet().stream()
                .mapToLong(e -> stock.get(e.getKey().stock()).cost() * e.getValue())
                .sum();
    }

    /** Longest piece first, into the bar in which least is left; a new bar is the one whose filling costs least a millimetre. */
    private Map<Pattern, Integer> firstFit(int[] needed, int[] gone) {
        int[] open = needed.clone();
        int[] used = gone.clone();
        Map<Pattern, Integer> plan = new LinkedHashMap<>();
        while (true) {
            Cancellation.check();
            int longest = 0;
            while (longest < open.length && open[longest] == 0) {
                longest++;
            }
            if (longest == open.length) {
                return plan;
            }
            Pattern best = null;
            double bestPrice = Double.POSITIVE_INFINITY;
            for (int s = 0; s < stock.size(); s++) {
                if (stock.get(s).lengthMm() < lengthMm[longest] || used[s] >= available(s)) {
                    continue;
                }
                List<Integer> counts = filled(stock.get(s).lengthMm(), open, longest);
                double cut = 0;
                for (int i = 0; i < lengthMm.length; i++) {
                    cut += (double) counts.get(i) * lengthMm[i];
                }
                double price = (stock.get(s).cost() + 1e-3) / cut;
                if (price < bestPrice) {
                    best = new Pattern(s, counts);
                    bestPrice = price;
                }
            }
            if (best == null) {
                throw new BadInput(
                        "cut.too-few",
                        "stock",
                        "What lies in the yard is not enough for pieces of " + lengthMm[longest]
                                + " mm, and none as long is sold.");
            }
            for (int i = 0; i < open.length; i++) {
                open[i] -= best.counts().get(i);
            }
            used[best.stock()]++;
            plan.merge(best, 1, Integer::sum);
        }
    }

    private List<Integer> filled(int barMm, int[] open, int from) {
        List<Integer> counts = new ArrayList<>();
        int left = barMm + order.kerfMm();
        for (int i = 0; i < lengthMm.length; i++) {
            int one = lengthMm[i] + order.kerfMm();
            int some = i < from ? 0 : Math.min(open[i], left / one);
            counts.add(some);
            left -= some * one;
        }
        return counts;
    }

    // ---------------------------------------------------------------- the linear program and its patterns

    /**
     * The linear program's answer.
     *
     * @param bars of each pattern, fractions too
     * @param bound what no plan costs less than
     */
    private record Relaxed(Map<Pattern, Double> bars, double bound) {}

    /** Adds patterns until none makes the linear program cheaper. */
    private Relaxed generate(Set<Pattern> patterns, int[] needed, int[] gone) {
        int unitMm = unitMm();
        MPSolver lp = Native.solver("GLOP");
        MPObjective objective = lp.objective();
        objective.setMinimization();
        List<MPConstraint> needs = new ArrayList<>();
        for (int d : needed) {
            MPConstraint row = lp.makeConstraint(d, Double.POSITIVE_INFINITY);
            MPVariable missing = lp.makeNumVar(0, Double.POSITIVE_INFINITY, "");
            row.setCoefficient(missing, 1);
            objective.setCoefficient(missing, MISSING);
            needs.add(row);
        }
        List<MPConstraint> limits = new ArrayList<>();
        for (int s = 0; s < stock.size(); s++) {
            boolean few = stock.get(s).available().isPresent();
            limits.add(lp.makeConstraint(
                    Double.NEGATIVE_INFINITY, few ? available(s) - gone[s] : Double.POSITIVE_INFINITY));
        }
        Map<Pattern, MPVariable> columns = new LinkedHashMap<>();
        patterns.forEach(p -> columns.put(p, column(lp, objective, needs, limits, p)));
        double bound = 0;
        Map<Pattern, Double> bars = new LinkedHashMap<>();
        for (int round = 0; round < MOST_ROUNDS; round++) {
            Cancellation.check();
            if (lp.solve() != MPSolver.ResultStatus.OPTIMAL) {
                break;
            }
            // All is read before the program is changed: afterwards it answers nothing.
            double value = objective.value();
            double[] worth = needs.stream().mapToDouble(MPConstraint::dualValue).toArray();
            double[] limit =
                    limits.stream().mapToDouble(MPConstraint::dualValue).toArray();
            bars.clear();
            columns.forEach((p, x) -> {
                if (x.solutionValue() > EPS) {
                    bars.put(p, x.solutionValue());
                }
            });
            List<Pattern> found = new ArrayList<>();
            // How far the value may fall at most, were each stock's best pattern cut as often as ever possible.
            double slack = 0;
            for (int s = 0; s < stock.size(); s++) {
                double pays = stock.get(s).cost() - limit[s];
                Pattern best = knapsack(s, worth, needed, unitMm);
                double gets = 0;
                for (int i = 0; i < worth.length; i++) {
                    gets += worth[i] * best.counts().get(i);
                }
                if (gets > pays + EPS * Math.max(1, Math.abs(pays))) {
                    slack += (gets - pays) * mostBars(s);
                    if (!columns.containsKey(best)) {
                        found.add(best);
                    }
                }
            }
            bound = Math.max(bound, exact(unitMm) ? value - slack : 0);
            if (found.isEmpty()) {
                break;
            }
            patterns.addAll(found);
            found.forEach(p -> columns.put(p, column(lp, objective, needs, limits, p)));
        }
        return new Relaxed(bars, bound);
    }

    /** More bars of a stock than there are pieces are never cut. */
    private double mostBars(int s) {
        return Math.min(
                stock.get(s).available().orElse(Integer.MAX_VALUE),
                Arrays.stream(demand).asLongStream().sum());
    }

    private MPVariable column(
            MPSolver lp, MPObjective objective, List<MPConstraint> needs, List<MPConstraint> limits, Pattern p) {
        MPVariable x = lp.makeNumVar(0, Double.POSITIVE_INFINITY, "");
        objective.setCoefficient(x, stock.get(p.stock()).cost());
        for (int i = 0; i < needs.size(); i++) {
            if (p.counts().get(i) > 0) {
                needs.get(i).setCoefficient(x, p.counts().get(i));
            }
        }
        limits.get(p.stock()).setCoefficient(x, 1);
        return x;
    }

    /** What all lengths are whole multiples of; coarser, and then no bound is told, where that would make the tables too large. */
    int unitMm() {
        int unit = 0;
        for (int l : lengthMm) {
            unit = gcd(unit, l + order.kerfMm());
        }
        int longest = stock.stream().mapToInt(Stock::lengthMm).max().orElse(1);
        while ((longest + order.kerfMm()) / unit > MOST_CELLS) {
            unit = unit == 1 ? 2 : unit + unit;
        }
        return unit;
    }

    boolean exact(int unitMm) {
        return Arrays.stream(lengthMm).allMatch(l -> (l + order.kerfMm()) % unitMm == 0);
    }

    private static int gcd(int a, int b) {
        return b == 0 ? a : gcd(b, a % b);
    }

    /** The pattern of a stock that is worth most; no more of a length than is needed. */
    private Pattern knapsack(int s, double[] worth, int[] needed, int unitMm) {
        int room = (stock.get(s).lengthMm() + order.kerfMm()) / unitMm;
        double[] best = new double[room + 1];
        List<Bundle> bundles = new ArrayList<>();
        for (int i = 0; i < lengthMm.length; i++) {
            int one = Math.ceilDiv(lengthMm[i] + order.kerfMm(), unitMm);
            int most = worth[i] <= EPS || one > room ? 0 : Math.min(needed[i], room / one);
            // Bundles of 1, 2, 4, … pieces, each taken once or not at all.
            for (int pieces = 1; most > 0; pieces *= 2) {
                int some = Math.min(pieces, most);
                most -= some;
                int size = some * one;
                double value = some * worth[i];
                BitSet taken = new BitSet(room + 1);
                for (int r = room; r >= size; r--) {
                    double with = best[r - size] + value;
                    if (with > best[r]) {
                        best[r] = with;
                        taken.set(r);
                    }
                }
                bundles.add(new Bundle(i, some, size, taken));
            }
        }
        int[] counts = new int[lengthMm.length];
        int left = room;
        for (Bundle bundle : bundles.reversed()) {
            if (bundle.taken().get(left)) {
                counts[bundle.length()] += bundle.pieces();
                left -= bundle.size();
            }
        }
        return new Pattern(s, Arrays.stream(counts).boxed().toList());
    }

    /** @param taken rooms in which it belongs to what is worth most */
    private record Bundle(int length, int pieces, int size, BitSet taken) {}

    // ---------------------------------------------------------------- whole bars

    private Map<Pattern, Integer> whole(List<Pattern> patterns, Map<Pattern, Integer> start) {
        MPSolver mip = Native.solver("SCIP");
        mip.setTimeLimit(WHOLE_MS);
        MPObjective objective = mip.objective();
        objective.setMinimization();
        List<MPConstraint> needs = new ArrayList<>();
        for (int d : demand) {
            needs.add(mip.makeConstraint(d, Double.POSITIVE_INFINITY));
        }
        List<MPConstraint> limits = new ArrayList<>();
        for (Stock s : stock) {
            limits.add(mip.makeConstraint(
                    Double.NEGATIVE_INFINITY,
                    s.available().isPresent() ? s.available().getAsInt() : Double.POSITIVE_INFINITY));
        }
        MPVariable[] x = new MPVariable[patterns.size()];
        double[] hint = new double[x.length];
        for (int p = 0; p < x.length; p++) {
            Pattern pattern = patterns.get(p);
            x[p] = mip.makeIntVar(0, Double.POSITIVE_INFINITY, "");
            hint[p] = start.getOrDefault(pattern, 0);
            objective.setCoefficient(x[p], stock.get(pattern.stock()).cost());
            for (int i = 0; i < demand.length; i++) {
                if (pattern.counts().get(i) > 0) {
                    needs.get(i).setCoefficient(x[p], pattern.counts().get(i));
                }
            }
            limits.get(pattern.stock()).setCoefficient(x[p], 1);
        }
        mip.setHint(x, hint);
        MPSolver.ResultStatus status = mip.solve();
        Map<Pattern, Integer> plan = new LinkedHashMap<>();
        if (status == MPSolver.ResultStatus.OPTIMAL || status == MPSolver.ResultStatus.FEASIBLE) {
            for (int p = 0; p < x.length; p++) {
                int times = (int) Math.round(x[p].solutionValue());
                if (times > 0) {
                    plan.put(patterns.get(p), times);
                }
            }
        }
        return plan;
    }

    // ---------------------------------------------------------------- told

    /** Bars with the pieces of the order; what a pattern has more than is needed is left over. */
    private CutPlan told(Map<Pattern, Integer> plan, double bound, boolean optimal) {
        int[] open = demand.clone();
        Map<Integer, List<Piece>> byLength = new LinkedHashMap<>();
        order.pieces()
                .forEach(p -> byLength.computeIfAbsent(p.lengthMm(), l -> new ArrayList<>())
                        .add(p));
        int[] at = new int[lengthMm.length];
        int[] ofPiece = new int[lengthMm.length];
        Map<Bar, Integer> bars = new LinkedHashMap<>();
        plan.forEach((pattern, times) -> {
            for (int t = 0; t < times; t++) {
                List<Cut> cuts = new ArrayList<>();
                int left = stock.get(pattern.stock()).lengthMm() + order.kerfMm();
                for (int i = 0; i < lengthMm.length; i++) {
                    int some = Math.min(pattern.counts().get(i), open[i]);
                    open[i] -= some;
                    left -= some * (lengthMm[i] + order.kerfMm());
                    List<Piece> named = byLength.getOrDefault(lengthMm[i], List.of());
                    while (some > 0) {
                        Piece piece = named.get(at[i]);
                        int now = Math.min(some, piece.count() - ofPiece[i]);
                        cuts.add(new Cut(piece.label(), lengthMm[i], now));
                        some -= now;
                        ofPiece[i] += now;
                        if (ofPiece[i] == piece.count()) {
                            at[i]++;
                            ofPiece[i] = 0;
                        }
                    }
                }
                if (!cuts.isEmpty()) {
                    Stock from = stock.get(pattern.stock());
                    // What the saw takes at the last cut is not left; a bar cut up to its end has none.
                    int rest = Math.max(0, left - order.kerfMm());
                    bars.merge(new Bar(from.id(), from.lengthMm(), cuts, rest, 1), 1, Integer::sum);
                }
            }
        });
        List<Bar> all = new ArrayList<>();
        bars.forEach((bar, times) -> all.add(new Bar(bar.stock(), bar.lengthMm(), bar.cuts(), bar.leftMm(), times)));
        Map<String, Long> costs = new LinkedHashMap<>();
        stock.forEach(s -> costs.put(s.id(), s.cost()));
        long cost = all.stream()
                .mapToLong(b -> costs.getOrDefault(b.stock(), 0L) * b.times())
                .sum();
        return new CutPlan(all, cost, Math.min(bound, cost), optimal);
    }
}
