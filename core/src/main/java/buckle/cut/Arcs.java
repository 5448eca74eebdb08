package buckle.cut;

import buckle.cut.CutPlanner.Pattern;
import com.google.ortools.sat.CpModel;
import com.google.ortools.sat.CpSolver;
import com.google.ortools.sat.CpSolverStatus;
import com.google.ortools.sat.IntVar;
import com.google.ortools.sat.LinearExpr;
import com.google.ortools.sat.LinearExprBuilder;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Objects;
import java.util.TreeMap;

/** Every bar is a way from its start to its end, piece by piece: a flow of bars through all positions at which a cut may lie. */
final class Arcs {
    private static final double MOST_S = 2.5;
    private static final int WORKERS = 2;

    private final CutPlanner cuts;
    private final List<Arc> arcs = new ArrayList<>();
    /** Positions, in units. */
    private final NavigableMap<Integer, Integer> nodes = new TreeMap<>();

    private final int[] end;

    /** @param length index of the piece it cuts; −1 where nothing more is cut on this stretch */
    private record Arc(int from, int to, int length) {}

    /** @param bound no plan costs less */
    record Found(Map<Pattern, Integer> patterns, double bound) {}

    Arcs(CutPlanner cuts, int unitMm) {
        this.cuts = cuts;
        this.end = cuts.stock().stream()
                .mapToInt(s -> (s.lengthMm() + cuts.kerfMm()) / unitMm)
                .toArray();
        int longest = Arrays.stream(end).max().orElse(0);
        boolean[] reached = new boolean[longest + 1];
        reached[0] = true;
        for (int i = 0; i < cuts.lengthMm().length; i++) {
            int one = Math.ceilDiv(cuts.lengthMm()[i] + cuts.kerfMm(), unitMm);
            int[] used = new int[longest + 1];
            boolean[] before = reached.clone();
            for (int v = 0; v + one <= longest; v++) {
                if (reached[v] && (before[v] || used[v] < cuts.demand()[i])) {
                    arcs.add(new Arc(v, v + one, i));
                    int next = before[v] ? 1 : used[v] + 1;
                    used[v + one] = reached[v + one] && used[v + one] > 0 ? Math.min(used[v + one], next) : next;
                    reached[v + one] = true;
                }
            }
        }
        for (int v = 0; v <= longest; v++) {
            if (reached[v]) {
                nodes.put(v, v);
            }
        }
        Arrays.stream(end).forEach(e -> nodes.put(e, e));
        Integer last = null;
        for (int v : nodes.keySet()) {
            if (last != null) {
                arcs.add(new Arc(last, v, -1));
            }
            last = v;
        }
    }

    int count() {
        return arcs.size();
    }

    /** Within a few seconds; empty patterns where no plan was found in them. */
    Found solve() {
        CpModel model = new CpModel();
        long all = Arrays.stream(cuts.demand()).asLongStream().sum();
        IntVar[] flow = new IntVar[arcs.size()];
        Map<Integer, LinearExprBuilder> balance = new LinkedHashMap<>();
        nodes.keySet().forEach(v -> balance.put(v, LinearExpr.newBuilder()));
        LinearExprBuilder[] cut = new LinearExprBuilder[cuts.demand().length];
        Arrays.setAll(cut, i -> LinearExpr.newBuilder());
        for (int a = 0; a < flow.length; a++) {
            Arc arc = arcs.get(a);
            flow[a] = model.newIntVar(0, all, "");
            at(balance, arc.from()).addTerm(flow[a], -1);
            at(balance, arc.to()).addTerm(flow[a], 1);
            if (arc.length() >= 0) {
                cut[arc.length()].add(flow[a]);
            }
        }
        IntVar[] bars = new IntVar[end.length];
        LinearExprBuilder cost = LinearExpr.newBuilder();
        for (int s = 0; s < bars.length; s++) {
            bars[s] = model.newIntVar(
                    0, Math.min(all, cuts.stock().get(s).available().orElse(Integer.MAX_VALUE)), "");
            at(balance, end[s]).addTerm(bars[s], -1);
            at(balance, 0).addTerm(bars[s], 1);
            cost.addTerm(bars[s], cuts.stock().get(s).cost());
        }
        balance.values().forEach(b -> model.addEquality(b, 0));
        for (int i = 0; i < cut.length; i++) {
            model.addGreaterOrEqual(cut[i], cuts.demand()[i]);
        }
        model.minimize(cost);
        CpSolver solver = new CpSolver();
        solver.getParameters().setMaxTimeInSeconds(MOST_S).setNumWorkers(WORKERS);
        CpSolverStatus status = solver.solve(model);
        if (status != CpSolverStatus.OPTIMAL && status != CpSolverStatus.FEASIBLE) {
            return new Found(Map.of(), 0);
        }
        long[] flows = Arrays.stream(flow).mapToLong(solver::value).toArray();
        long[] open = Arrays.stream(bars).mapToLong(solver::value).toArray();
        return new Found(patterns(flows, open), solver.bestObjectiveBound());
    }

    private static LinearExprBuilder at(Map<Integer, LinearExprBuilder> balance, int node) {
        return Objects.requireNonNull(balance.get(node));
    }

    /** One way after the other is taken out of the flow, from the start to where a bar ends. */
    private Map<Pattern, Integer> patterns(long[] flows, long[] open) {
        Map<Integer, List<Integer>> from = new LinkedHashMap<>();
        for (int a = 0; a < flows.length; a++) {
            from.computeIfAbsent(arcs.get(a).from(), v -> new ArrayList<>()).add(a);
        }
        Map<Pattern, Integer> found = new LinkedHashMap<>();
        long bars = Arrays.stream(open).sum();
        for (long b = 0; b < bars; b++) {
            int[] counts = new int[cuts.lengthMm().length];
            int v = 0;
            int stock = -1;
            while (stock < 0) {
                for (int s = 0; s < end.length && v > 0; s++) {
                    if (end[s] == v && open[s] > 0) {
                        stock = s;
                    }
                }
                if (stock < 0) {
                    int next = from.getOrDefault(v, List.of()).stream()
                            .filter(a -> flows[a] > 0)
                            .findFirst()
                            .orElseThrow();
                    flows[next]--;
                    Arc arc = arcs.get(next);
                    if (arc.length() >= 0) {
                        counts[arc.length()]++;
                    }
                    v = arc.to();
                }
            }
            open[stock]--;
            found.merge(new Pattern(stock, Arrays.stream(counts).boxed().toList()), 1, Integer::sum);
        }
        return found;
    }
}
