package buckle.diagnosis;

import buckle.diagnosis.Candidates.Cell;
import buckle.pulse.Circuit;
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
 * The fence of a plan under what a plan cannot know: leakage of all and of each run, ground, steel, earth, the energizer, and of one
 * that was built how what is read drifts along it from what is reckoned. Each is the logarithm of a factor on the plan's value.
 */
final class FenceModel {
    /** Two readings nearer than this are at one place. */
    private static final double GUARD_M = 0.5;

    private static final double LEAST_LEAK_S_PER_M = 2e-8;
    private static final double STEEL = 1.5;
    static final double STEP = 0.05;

    /** Runs that are a smaller part of the fence go with the one they hang on. */
    private static final double OWN_SHARE = 0.025;

    private final Hunt hunt;
    private final Map<String, Run> runs = new LinkedHashMap<>();
    /** The run whose leakage each run has. */
    private final Map<String, String> group = new HashMap<>();

    private final List<String> groups;
    /** Metres of all the runs of each group. */
    private final double[] groupM;

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
        totalM = runs.values().stream().mapToDouble(Run::lengthM).sum();
        runs.values().forEach(r -> group.put(r.id(), grouped(r)));
        groups = group.values().stream()
                .distinct()
                .sorted(Comparator.comparing(List.copyOf(runs.keySet())::indexOf))
                .toList();
        groupM = groups.stream()
                .mapToDouble(g -> runs.values().stream()
                        .filter(r -> g.equals(group.get(r.id())))
                        .mapToDouble(Run::lengthM)
                        .sum())
                .toArray();
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
        TERMINAL;

        static final int FIXED = values().length;
    }

    /** As many as there are unknowns: the fixed ones, the leakage of each group of runs, then the drift along each. */
    int count() {
        return Unknown.FIXED + groups.size() * (hunt.built() ? 2 : 1);
    }

    boolean isDrift(int unknown) {
        return unknown >= Unknown.FIXED + groups.size();
    }

    double driftsOverM(int drift) {
        return groupM[drift - Unknown.FIXED - groups.size()];
    }

    /** Of each group, what part of its length lies between the energizer and a place. */
    double[] passed(Place at) {
        double[] passed = new double[groups.size()];
        Optional<String> run = Optional.of(at.runId());
        double alongM = at.distanceM();
        while (run.isPresent()) {
            int g = groupNumber(run.get());
            passed[g] += groupM[g] > 0 ? alongM / groupM[g] : 0;
            run = parent(run.get());
            alongM = run.map(this::lengthM).orElse(0.0);
        }
        return passed;
    }

    /** Logarithm of the factor on what is reckoned at a place. */
    double drift(double[] theta, Place at) {
        if (!hunt.built()) {
            return 0;
        }
        double[] passed = passed(at);
        double log = 0;
        for (int g = 0; g < passed.length; g++) {
            log += passed[g] * theta[Unknown.FIXED + passed.length + g];
        }
        return log;
    }

    private double[] passed(Value value) {
        return switch (value.meter()) {
            case Meter.Volts m -> passed(m.at());
            case Meter.Amperes m -> passed(m.at());
            case Meter.EarthVolts m -> new double[groups.size()];
        };
    }

    /** Factors on what is reckoned that meters would show. */
    double[] drifts(double[] theta, List<Value> values) {
        double[] all = new double[values.size()];
        for (int i = 0; i < all.length; i++) {
            all[i] = switch (values.get(i).meter()) {
                case Meter.Volts m -> Math.exp(drift(theta, m.at()));
                case Meter.Amperes m -> Math.exp(drift(theta, m.at()));
                case Meter.EarthVolts m -> 1;
            };
        }
        return all;
    }

    /** The same factor for each value, one drift moved by a step. */
    double[] driftsBy(int drift, List<Value> values) {
        int g = drift - Unknown.FIXED - groups.size();
        return values.stream().mapToDouble(v -> Math.exp(STEP * passed(v)[g])).toArray();
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
            scale(s, drifts);
        }
        return shown;
    }

    static void scale(double[] shown, double[] by) {
        for (int i = 0; i < shown.length; i++) {
            shown[i] *= by[i];
        }
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
        IntStream.range(0, count()).filter(this::isDrift).forEach(p -> {
            double[] drifts = driftsBy(p, values);
            for (int t = 0; t < raw.length; t++) {
                moved[t][p] = raw[t].clone();
                scale(moved[t][p], drifts);
            }
        });
        return IntStream.range(0, raw.length)
                .mapToObj(t -> linear(values, raw[t], moved[t]))
                .toList();
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
                || p >= Unknown.FIXED && !isDrift(p);
    }

    static double[] step(double[] theta, int p) {
        double[] next = theta.clone();
        next[p] += STEP;
        return next;
    }
}
