package buckle.diagnosis;

import buckle.diagnosis.Candidates.Cell;
import buckle.pulse.Circuit;
import buckle.pulse.Drift;
import buckle.pulse.Fault;
import buckle.pulse.LineType;
import buckle.pulse.LineWire;
import buckle.pulse.Meter;
import buckle.pulse.Place;
import buckle.pulse.PulseSolver;
import buckle.pulse.Run;
import buckle.pulse.Source;
import buckle.pulse.Supply;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;

/**
 * The fence of a plan under what a plan cannot know: leakage of all and of each run, ground, steel, earth, the energizer, and how what is
 * read drifts along it from what is computed. Each is the logarithm of a factor on the plan's value.
 */
final class FenceModel {
    /** Two readings nearer than this are at one place. */
    private static final double GUARD_M = 0.5;

    private static final double LEAST_LEAK_S_PER_M = 2e-8;
    private static final double STEEL = 1.5;
    static final double STEP = 0.05;
    private static final Drift A_STEP = new Drift(STEP);

    /** Runs that are a smaller part of the fence go with the one they hang on. */
    private static final double OWN_SHARE = 0.025;

    private final Hunt hunt;
    private final Map<String, Run> runs = new LinkedHashMap<>();
    /** The run whose leakage each run has. */
    private final Map<String, String> group = new HashMap<>();

    private final List<String> groups;
    /** From the energizer to where each run begins. */
    private final Map<String, Double> beginsM;

    private final boolean steel;
    private final double totalM;
    private final PulseSolver.Span span;

    FenceModel(Hunt hunt) {
        this(hunt, PulseSolver.span(hunt.plan()));
    }

    private FenceModel(Hunt hunt, PulseSolver.Span span) {
        this.hunt = hunt;
        this.span = span;
        hunt.plan().runs().forEach(r -> runs.put(r.id(), r));
        beginsM = hunt.plan().beginsM();
        totalM = runs.values().stream().mapToDouble(Run::lengthM).sum();
        runs.values().forEach(r -> group.put(r.id(), grouped(r)));
        groups = group.values().stream()
                .distinct()
                .sorted(Comparator.comparing(List.copyOf(runs.keySet())::indexOf))
                .toList();
        steel = hunt.plan().runs().stream()
                .flatMap(r -> r.type().strands().stream())
                .anyMatch(w -> w.muR() > STEEL);
    }

    /** The same within a per cent, with fewer frequencies where there are many. */
    FenceModel rough() {
        return new FenceModel(hunt, span.rough());
    }

    private String grouped(Run run) {
        Run at = run;
        while (at.parent().isPresent()
                && (at.lengthM() < OWN_SHARE * totalM || at.type().cable().isPresent())) {
            at = Objects.requireNonNull(runs.get(at.parent().get()));
        }
        return at.id();
    }

    String groupOf(String run) {
        return Objects.requireNonNull(group.get(run));
    }

    int groupNumber(String run) {
        return groups.indexOf(groupOf(run));
    }

    /** What is not known, in this order: of the fence, then of what feeds it. */
    enum Unknown {
        LEAKAGE,
        SOIL,
        STEEL,
        EARTH,
        VOLTS,
        CAPACITOR,
        COIL,
        RESISTANCE,
        BLEED,
        TERMINAL,
        DRIFT;

        static final int FIXED = values().length;
    }

    /** As many as there are unknowns: the fixed ones, then the leakage of each group of runs. */
    int count() {
        return Unknown.FIXED + groups.size();
    }

    /** What meters show of each volt and ampere that is computed. */
    double[] drifts(double[] theta, List<Value> values) {
        Drift drift = new Drift(theta[Unknown.DRIFT.ordinal()]);
        return values.stream().mapToDouble(v -> drift.factor(wayM(v))).toArray();
    }

    private double wayM(Value value) {
        return switch (value.meter()) {
            case Meter.Volts m -> wayM(m.at());
            case Meter.Amperes m -> wayM(m.at());
            case Meter.EarthVolts m -> 0;
        };
    }

    private double wayM(Place at) {
        return Objects.requireNonNull(beginsM.get(at.runId())) + at.distanceM();
    }

    Optional<String> parent(String run) {
        return Objects.requireNonNull(runs.get(run)).parent();
    }

    double totalM() {
        return totalM;
    }

    /** How much of what may happen on the line happens at a cell: by its length, and more on what is frail. */
    double share(Cell cell, double frailShare) {
        double even = cell.lengthM() / totalM();
        Set<String> frail = hunt.frail();
        if (frail.isEmpty()) {
            return even;
        }
        double own = frail.contains(cell.run()) ? cell.lengthM() / lengthM(cell.run()) / frail.size() : 0;
        return frailShare * own + (1 - frailShare) * even;
    }

    double lengthM(String run) {
        return Objects.requireNonNull(runs.get(run)).lengthM();
    }

    /** What meters would show if nothing passed the beginning of a run. */
    double[] readOpen(double[] theta, String run, List<Value> values) {
        double[] raw = new double[values.size()];
        bySwitches(values).forEach((open, those) -> {
            List<Value> own = pick(values, those);
            Circuit whole = circuit(theta, List.of(), open);
            List<Run> cut = whole.runs().stream()
                    .map(r -> r.id().equals(run)
                            ? new Run(r.id(), r.parent(), r.lengthM(), r.type(), true, r.joins())
                            : r)
                    .toList();
            double[][] shown = PulseSolver.quick(whole.withRuns(cut), List.copyOf(places(own, List.of())), span)
                    .readings(
                            List.of(supply(theta)),
                            own.stream().map(Value::meter).toList());
            double[] drifts = drifts(theta, own);
            for (int i = 0; i < those.size(); i++) {
                raw[those.get(i)] = shown[0][i] * drifts[i];
            }
        });
        return raw;
    }

    List<Run> runs() {
        return List.copyOf(runs.values());
    }

    Hunt hunt() {
        return hunt;
    }

    boolean steel() {
        return steel;
    }

    /** The fence with faults, and with switches open. */
    Circuit circuit(double[] theta, List<Fault> faults, Set<String> open) {
        List<Run> own = new ArrayList<>();
        for (Run run : runs.values()) {
            LineType type = run.type();
            if (type.cable().isEmpty()) {
                double leak = Math.max(LEAST_LEAK_S_PER_M, type.leakSPerM())
                        * Math.exp(theta[Unknown.LEAKAGE.ordinal()] + theta[Unknown.FIXED + groupNumber(run.id())]);
                double mu = Math.exp(theta[Unknown.STEEL.ordinal()]);
                List<LineWire> wires = theta[Unknown.STEEL.ordinal()] == 0
                        ? type.strands()
                        : type.strands().stream()
                                .map(w -> w.muR() > STEEL
                                        ? new LineWire(
                                                w.heightM(),
                                                w.diameterM(),
                                                w.ohmPerM(),
                                                Math.clamp(w.muR() * mu, 1, 10_000),
                                                w.hot())
                                        : w)
                                .toList();
                type = LineType.overGround(
                        wires,
                        Math.min(10, leak),
                        Math.clamp(type.soilOhmM() * Math.exp(theta[Unknown.SOIL.ordinal()]), 0.1, 1e6));
            }
            boolean opened = run.open() || opens(open, run.id(), true);
            own.add(new Run(run.id(), run.parent(), run.lengthM(), type, opened, run.joins()));
        }
        List<Fault> all = new ArrayList<>(faults);
        for (Hunt.Switch s : hunt.switches()) {
            if (open.contains(s.id()) && s.at().distanceM() > 0) {
                all.add(new Fault(Fault.Kind.BREAK, s.at(), Double.POSITIVE_INFINITY));
            }
        }
        Supply supply = supply(theta);
        Circuit plan = hunt.plan();
        return new Circuit(plan.name(), plan.model(), supply.source(), supply.earthOhm(), plan.earthTied(), own, all);
    }

    private boolean opens(Set<String> open, String run, boolean atBeginning) {
        return hunt.switches().stream()
                .anyMatch(s -> open.contains(s.id())
                        && s.at().runId().equals(run)
                        && (s.at().distanceM() == 0) == atBeginning);
    }

    /** Whether a place is without feed while some switches are open. */
    boolean cutsOff(Set<String> open, Place place) {
        if (open.isEmpty()) {
            return false;
        }
        Place at = place;
        while (true) {
            Place here = at;
            boolean before = hunt.switches().stream()
                    .anyMatch(s -> open.contains(s.id())
                            && s.at().runId().equals(here.runId())
                            && s.at().distanceM() <= here.distanceM());
            Run run = Objects.requireNonNull(runs.get(here.runId()));
            if (before || run.parent().isEmpty()) {
                return before;
            }
            String parent = run.parent().get();
            at = new Place(parent, lengthM(parent));
        }
    }

    Supply supply(double[] theta) {
        Source source = hunt.plan()
                .source()
                .times(
                        factor(theta, Unknown.VOLTS),
                        factor(theta, Unknown.CAPACITOR),
                        factor(theta, Unknown.COIL),
                        factor(theta, Unknown.RESISTANCE),
                        factor(theta, Unknown.BLEED),
                        factor(theta, Unknown.TERMINAL));
        return new Supply(source, hunt.plan().earthOhm() * factor(theta, Unknown.EARTH));
    }

    private static double factor(double[] theta, Unknown what) {
        return Math.exp(theta[what.ordinal()]);
    }

    /** Values by which switches were open when they were read. */
    static Map<Set<String>, List<Integer>> bySwitches(List<Value> values) {
        Map<Set<String>, List<Integer>> all = new LinkedHashMap<>();
        for (int i = 0; i < values.size(); i++) {
            all.computeIfAbsent(values.get(i).open(), o -> new ArrayList<>()).add(i);
        }
        return all;
    }

    /** Places at which a circuit is cut so that meters can be read: theirs, and one beside each current. */
    Set<Place> places(List<Value> values, List<Fault> faults) {
        Set<Place> all = new LinkedHashSet<>();
        for (Value v : values) {
            switch (v.meter()) {
                case Meter.Volts m -> all.add(m.at());
                case Meter.Amperes m -> {
                    all.add(m.at());
                    all.add(m.beside(lengthM(m.at().runId())));
                }
                case Meter.EarthVolts m -> {}
            }
        }
        for (Fault f : faults) {
            double length = Objects.requireNonNull(runs.get(f.at().runId())).lengthM();
            all.add(f.at());
            all.add(new Place(f.at().runId(), Math.min(length, f.at().distanceM() + GUARD_M)));
        }
        return all;
    }

    PulseSolver solver(double[] theta, List<Fault> faults, Set<String> open, Set<Place> places) {
        return PulseSolver.quick(circuit(theta, faults, open), List.copyOf(places), span);
    }

    /** What meters would show. */
    double[] read(double[] theta, List<Fault> faults, List<Value> values) {
        double[] raw = new double[values.size()];
        bySwitches(values).forEach((open, those) -> {
            double[][] shown = read(theta, faults, open, pick(values, those), List.of(supply(theta)));
            for (int i = 0; i < those.size(); i++) {
                raw[those.get(i)] = shown[0][i];
            }
        });
        return raw;
    }

    /** What meters would show of the fence in order when it is fed by several in turn. @return by supply and value */
    double[][] readFedBy(double[] theta, List<Value> values, List<Supply> fedBy) {
        double[][] raw = new double[fedBy.size()][values.size()];
        bySwitches(values).forEach((open, those) -> {
            double[][] shown = read(theta, List.of(), open, pick(values, those), fedBy);
            for (int s = 0; s < raw.length; s++) {
                for (int i = 0; i < those.size(); i++) {
                    raw[s][those.get(i)] = shown[s][i];
                }
            }
        });
        return raw;
    }

    private double[][] read(
            double[] theta, List<Fault> faults, Set<String> open, List<Value> values, List<Supply> fedBy) {
        double[][] shown = solver(theta, faults, open, places(values, faults))
                .readings(fedBy, values.stream().map(Value::meter).toList());
        double[] drifts = drifts(theta, values);
        for (double[] s : shown) {
            for (int i = 0; i < s.length; i++) {
                s[i] *= drifts[i];
            }
        }
        return shown;
    }

    static List<Value> pick(List<Value> values, List<Integer> those) {
        return those.stream().map(values::get).toList();
    }

    /** Features of what meters would show, and how they go with each unknown. */
    record Linear(double[] raw, double[] features, double[][] by) {}

    Linear linear(double[] theta, List<Value> values) {
        return linear(List.of(theta), values).getFirst();
    }

    /**
     * What feeds the fence is moved with one solution for all; what the fence is made of one by one.
     *
     * @param thetas that differ in what feeds the fence alone
     */
    List<Linear> linear(List<double[]> thetas, List<Value> values) {
        int n = values.size();
        double[] fence = thetas.getFirst();
        List<Supply> usual = thetas.stream().map(this::supply).toList();
        List<Supply> fedBy = new ArrayList<>();
        for (double[] theta : thetas) {
            fedBy.add(supply(theta));
            for (Unknown u : Unknown.values()) {
                fedBy.add(supply(step(theta, u.ordinal())));
            }
        }
        int each = 1 + Unknown.FIXED;
        double[][] raw = new double[thetas.size()][n];
        double[][][] moved = new double[thetas.size()][count()][n];
        bySwitches(values).forEach((open, those) -> {
            List<Value> own = pick(values, those);
            double[][] shown = read(fence, List.of(), open, own, fedBy);
            for (int t = 0; t < raw.length; t++) {
                into(raw[t], those, shown[t * each]);
                for (Unknown u : Unknown.values()) {
                    into(moved[t][u.ordinal()], those, shown[t * each + 1 + u.ordinal()]);
                }
            }
            IntStream.range(0, count()).parallel().filter(this::ofTheFence).forEach(p -> {
                double[][] other = read(step(fence, p), List.of(), open, own, usual);
                for (int t = 0; t < raw.length; t++) {
                    into(moved[t][p], those, other[t]);
                }
            });
        });
        int drift = Unknown.DRIFT.ordinal();
        for (int t = 0; t < raw.length; t++) {
            moved[t][drift] = drifted(raw[t], values);
        }
        return IntStream.range(0, raw.length)
                .mapToObj(t -> linear(values, raw[t], moved[t]))
                .toList();
    }

    /** What meters would show if it drifted a step more. */
    double[] drifted(double[] raw, List<Value> values) {
        double[] next = raw.clone();
        for (int i = 0; i < next.length; i++) {
            next[i] *= A_STEP.factor(wayM(values.get(i)));
        }
        return next;
    }

    private static void into(double[] all, List<Integer> those, double[] some) {
        for (int i = 0; i < some.length; i++) {
            all[those.get(i)] = some[i];
        }
    }

    private Linear linear(List<Value> values, double[] raw, double[][] moved) {
        double[] features = new double[raw.length];
        double[][] by = new double[raw.length][count()];
        for (int i = 0; i < raw.length; i++) {
            features[i] = values.get(i).expected(raw[i]);
            for (int p = 0; p < count(); p++) {
                by[i][p] = (values.get(i).expected(moved[p][i]) - features[i]) / STEP;
            }
        }
        return new Linear(raw, features, by);
    }

    /** Whether an unknown is of the fence itself, not of what feeds it. */
    private boolean ofTheFence(int p) {
        return p == Unknown.LEAKAGE.ordinal()
                || p == Unknown.SOIL.ordinal()
                || p == Unknown.STEEL.ordinal() && steel
                || p >= Unknown.FIXED;
    }

    static double[] step(double[] theta, int p) {
        double[] next = theta.clone();
        next[p] += STEP;
        return next;
    }
}
