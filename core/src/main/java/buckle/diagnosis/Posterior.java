package buckle.diagnosis;

import buckle.diagnosis.Candidates.Cell;
import buckle.diagnosis.Diagnosis.Density;
import buckle.diagnosis.Diagnosis.Fit;
import buckle.diagnosis.Diagnosis.Stretch;
import buckle.diagnosis.Diagnosis.Suspect;
import buckle.pulse.Fault;
import buckle.pulse.Run;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.stream.Collectors;

/** Weights of all that may be wrong, as logarithms, and what they add up to. */
final class Posterior {
    private static final double REGION = 0.9;
    /** Under this nothing on the line is plausible. */
    private static final double PLAUSIBLE = 0.01;
    /** Cells with less of their kind's weight part one cluster from the next. */
    private static final double PARTS = 2e-4;

    /** So much less, as a logarithm, adds nothing. */
    private static final double NOTHING = 40;

    private static final double SHOWN = 1e-3;
    private static final int MOST_SHOWN = 25;

    private final List<Run> runs;
    private final Map<Cell, Cluster> leaks = new LinkedHashMap<>();
    private final Map<Cell, Cluster> breaks = new LinkedHashMap<>();
    private final List<Grown> growth = new ArrayList<>();
    private final List<Scaled> scaled = new ArrayList<>();
    private final List<Misread> misread = new ArrayList<>();
    private final List<Pair> pairs = new ArrayList<>();
    private final Map<String, Double> switches = new LinkedHashMap<>();
    private double none = Double.NEGATIVE_INFINITY;

    Posterior(List<Run> runs) {
        this.runs = runs;
    }

    /** Weight of all strengths at a cell, and the one that readings speak most for. */
    static final class Cluster {
        private double most = Double.NEGATIVE_INFINITY;
        /** Of all weights, the greatest taken as one. */
        private double sum;

        private double best = -1e300;
        private double ohm;
        private double share;

        /** @param logShare of this strength among all of its kind */
        void add(double strength, double logShare, double weight) {
            if (weight > most) {
                sum = 1 + sum * Math.exp(most - weight);
                most = weight;
            } else if (!(weight <= least())) {
                // What is no number is not passed over.
                sum += Math.exp(weight - most);
            }
            if (weight - logShare > best - share) {
                best = weight;
                ohm = strength;
                share = logShare;
            }
        }

        /** A weight below adds nothing. */
        double least() {
            return most - NOTHING;
        }

        double log() {
            return most + Math.log(sum);
        }
    }

    private record Grown(Cell cell, double ohm, double log) {}

    private record Scaled(FaultKind kind, double value, double log) {}

    private record Misread(boolean ofHealthy, int reading, double log) {}

    private record Pair(Cell one, Cell other, double log) {}

    /**
     * A fault to which a second is looked for.
     *
     * @param logVolume how much of what was believed before it takes
     */
    record First(Fault fault, Cell cell, double logVolume) {}

    void add(FaultKind kind, double log) {
        none = plus(none, log);
    }

    /** Of other cells. */
    void addPlaces(Posterior others) {
        leaks.putAll(others.leaks);
        breaks.putAll(others.breaks);
    }

    void addGrowth(Cell cell, double ohm, double log) {
        growth.add(new Grown(cell, ohm, log));
    }

    Cluster at(FaultKind kind, Cell cell) {
        return (kind == FaultKind.LEAK ? leaks : breaks).computeIfAbsent(cell, c -> new Cluster());
    }

    void add(FaultKind kind, double value, double log) {
        scaled.add(new Scaled(kind, value, log));
    }

    void addReading(boolean ofHealthy, int reading, double log) {
        misread.add(new Misread(ofHealthy, reading, log));
    }

    void addSwitch(String run, double log) {
        switches.put(run, log);
    }

    void addSecond(Cell one, Cell other, double log) {
        pairs.add(new Pair(one, other, log));
    }

    /** {@code log(eᵃ + eᵇ)}. */
    static double plus(double a, double b) {
        double most = Math.max(a, b);
        double less = Math.abs(a - b);
        return most == Double.NEGATIVE_INFINITY || less > NOTHING ? most : most + Math.log1p(Math.exp(-less));
    }

    /** The most probable single faults on different runs or of different kinds. */
    List<First> firsts(int most) {
        List<First> all = new ArrayList<>();
        record Best(Cell cell, Fault.Kind kind, Cluster cluster) {}
        Map<String, Best> best = new LinkedHashMap<>();
        Map<String, Double> sum = new HashMap<>();
        for (Fault.Kind kind : Fault.Kind.values()) {
            (kind == Fault.Kind.SHUNT ? leaks : breaks).forEach((cell, c) -> {
                String key = kind + cell.run();
                Best before = best.get(key);
                if (before == null
                        || c.best - Math.log(cell.lengthM())
                                > before.cluster().best - Math.log(before.cell().lengthM())) {
                    best.put(key, new Best(cell, kind, c));
                }
                sum.merge(key, c.log(), Posterior::plus);
            });
        }
        best.entrySet().stream()
                .sorted(Comparator.comparingDouble(e -> -Objects.requireNonNull(sum.get(e.getKey()))))
                .limit(most)
                .forEach(e -> {
                    Best b = e.getValue();
                    Fault fault = new Fault(b.kind(), b.cell().middle(), b.cluster().ohm);
                    // Weights are prior and likelihood together; a single strength's prior is left out of what is
                    // compared.
                    double volume = Objects.requireNonNull(sum.get(e.getKey()))
                            - b.cluster().best
                            + Math.log(b.cell().lengthM() / total())
                            + b.cluster().share;
                    all.add(new First(fault, b.cell(), Math.min(0, volume)));
                });
        return all;
    }

    private double total() {
        return runs.stream().mapToDouble(Run::lengthM).sum();
    }

    // ---------------------------------------------------------------- what it adds up to

    Diagnosis diagnosis(Fit fit) {
        double all = none;
        for (Map<Cell, Cluster> some : List.of(leaks, breaks)) {
            for (Cluster c : some.values()) {
                all = plus(all, c.log());
            }
        }
        for (Grown g : growth) {
            all = plus(all, g.log());
        }
        for (Scaled s : scaled) {
            all = plus(all, s.log());
        }
        for (Misread m : misread) {
            all = plus(all, m.log());
        }
        for (Pair p : pairs) {
            all = plus(all, p.log());
        }
        for (double s : switches.values()) {
            all = plus(all, s);
        }
        double norm = all;
        Map<FaultKind, Double> kinds = new EnumMap<>(FaultKind.class);
        for (FaultKind k : FaultKind.values()) {
            kinds.put(k, 0.0);
        }
        kinds.put(FaultKind.NONE, Math.exp(none - norm));
        leaks.values().forEach(c -> kinds.merge(FaultKind.LEAK, Math.exp(c.log() - norm), Double::sum));
        breaks.values().forEach(c -> kinds.merge(FaultKind.BREAK, Math.exp(c.log() - norm), Double::sum));
        Map<String, Double> failed = new LinkedHashMap<>();
        switches.forEach((run, log) -> {
            failed.put(run, Math.exp(log - norm));
            kinds.merge(FaultKind.BREAK, Math.exp(log - norm), Double::sum);
        });
        growth.forEach(g -> kinds.merge(FaultKind.GROWTH, Math.exp(g.log() - norm), Double::sum));
        scaled.forEach(s -> kinds.merge(s.kind(), Math.exp(s.log() - norm), Double::sum));
        misread.forEach(m -> kinds.merge(FaultKind.METER, Math.exp(m.log() - norm), Double::sum));
        pairs.forEach(p -> kinds.merge(FaultKind.TWO, Math.exp(p.log() - norm), Double::sum));
        List<Density> density = density(norm);
        return new Diagnosis(suspects(norm), region(density), kinds, normalised(density), failed, fit);
    }

    /** Weight by the finest cells; growth and pairs are spread over them. */
    private List<Density> density(double norm) {
        Map<String, List<Cell>> cells = new HashMap<>();
        leaks.keySet()
                .forEach(c ->
                        cells.computeIfAbsent(c.run(), r -> new ArrayList<>()).add(c));
        Map<Cell, Double> weight = new HashMap<>();
        leaks.forEach((c, k) -> weight.merge(c, Math.exp(k.log() - norm), Double::sum));
        breaks.forEach((c, k) -> weight.merge(c, Math.exp(k.log() - norm), Double::sum));
        growth.forEach(g -> spread(cells, weight, g.cell(), Math.exp(g.log() - norm)));
        for (Pair p : pairs) {
            spread(cells, weight, p.one(), Math.exp(p.log() - norm) / 2);
            spread(cells, weight, p.other(), Math.exp(p.log() - norm) / 2);
        }
        List<Density> all = new ArrayList<>();
        for (Run run : runs) {
            List<Cell> own = new ArrayList<>(cells.getOrDefault(run.id(), List.of()));
            own.sort(Comparator.comparingDouble(Cell::fromM));
            own.forEach(c -> all.add(new Density(c.run(), c.fromM(), c.toM(), weight.getOrDefault(c, 0.0))));
        }
        return all;
    }

    private static void spread(Map<String, List<Cell>> cells, Map<Cell, Double> weight, Cell over, double mass) {
        if (mass < 1e-9) {
            return;
        }
        for (Cell c : cells.getOrDefault(over.run(), List.of())) {
            double common = Math.min(c.toM(), over.toM()) - Math.max(c.fromM(), over.fromM());
            if (common > 0) {
                weight.merge(c, mass * common / over.lengthM(), Double::sum);
            }
        }
    }

    private static List<Density> normalised(List<Density> density) {
        double sum = density.stream().mapToDouble(Density::probability).sum();
        return sum <= 0
                ? List.of()
                : density.stream()
                        .map(d -> new Density(d.run(), d.fromM(), d.toM(), d.probability() / sum))
                        .toList();
    }

    /** The densest cells first until they hold enough; neighbours are put together. */
    private static List<Stretch> region(List<Density> density) {
        double sum = density.stream().mapToDouble(Density::probability).sum();
        if (sum < PLAUSIBLE) {
            return List.of();
        }
        List<Density> sorted = new ArrayList<>(density);
        sorted.sort(Comparator.comparingDouble(d -> -d.probability() / (d.toM() - d.fromM())));
        Map<Density, Boolean> in = new HashMap<>();
        double held = 0;
        for (Density d : sorted) {
            if (held >= REGION * sum) {
                break;
            }
            held += d.probability();
            in.put(d, true);
        }
        List<Stretch> all = new ArrayList<>();
        for (Density d : density) {
            if (!in.containsKey(d)) {
                continue;
            }
            Stretch last = all.isEmpty() ? new Stretch("", 0, -1) : all.getLast();
            if (last.run().equals(d.run()) && Math.abs(last.toM() - d.fromM()) < 1e-6) {
                all.removeLast();
                all.add(new Stretch(d.run(), last.fromM(), d.toM()));
            } else {
                all.add(new Stretch(d.run(), d.fromM(), d.toM()));
            }
        }
        return all;
    }

    private List<Suspect> suspects(double norm) {
        List<Suspect> all = new ArrayList<>();
        clusters(FaultKind.LEAK, leaks, norm, all);
        clusters(FaultKind.BREAK, breaks, norm, all);
        Map<String, List<Grown>> byRun = new LinkedHashMap<>();
        growth.forEach(g ->
                byRun.computeIfAbsent(g.cell().run(), r -> new ArrayList<>()).add(g));
        byRun.forEach((run, some) -> {
            Grown best =
                    some.stream().max(Comparator.comparingDouble(Grown::log)).orElseThrow();
            double mass =
                    some.stream().mapToDouble(g -> Math.exp(g.log() - norm)).sum();
            all.add(suspect(
                    FaultKind.GROWTH,
                    Optional.of(run),
                    best.cell().fromM(),
                    best.cell().toM(),
                    OptionalDouble.of(best.ohm()),
                    mass));
        });
        for (FaultKind kind : List.of(FaultKind.EARTH, FaultKind.SUPPLY)) {
            List<Scaled> some = scaled.stream().filter(s -> s.kind() == kind).toList();
            some.stream().max(Comparator.comparingDouble(Scaled::log)).ifPresent(best -> {
                double mass =
                        some.stream().mapToDouble(s -> Math.exp(s.log() - norm)).sum();
                boolean earth = kind == FaultKind.EARTH;
                all.add(new Suspect(
                        kind,
                        Optional.empty(),
                        0,
                        0,
                        earth ? OptionalDouble.of(best.value()) : OptionalDouble.empty(),
                        earth ? OptionalDouble.empty() : OptionalDouble.of(best.value()),
                        OptionalInt.empty(),
                        false,
                        mass));
            });
        }
        misread.forEach(m -> all.add(new Suspect(
                FaultKind.METER,
                Optional.empty(),
                0,
                0,
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                OptionalInt.of(m.reading()),
                m.ofHealthy(),
                Math.exp(m.log() - norm))));
        all.removeIf(s -> s.probability() < SHOWN);
        all.sort(Comparator.comparingDouble(s -> -s.probability()));
        return all.size() > MOST_SHOWN ? List.copyOf(all.subList(0, MOST_SHOWN)) : all;
    }

    private static Suspect suspect(
            FaultKind kind, Optional<String> run, double from, double to, OptionalDouble ohm, double probability) {
        return new Suspect(kind, run, from, to, ohm, OptionalDouble.empty(), OptionalInt.empty(), false, probability);
    }

    /** Neighbouring cells of a run that have some weight. */
    private void clusters(FaultKind kind, Map<Cell, Cluster> cells, double norm, List<Suspect> into) {
        Map<String, List<Map.Entry<Cell, Cluster>>> byRun = cells.entrySet().stream()
                .collect(Collectors.groupingBy(e -> e.getKey().run()));
        for (Run run : runs) {
            List<Map.Entry<Cell, Cluster>> own = new ArrayList<>(byRun.getOrDefault(run.id(), List.of()));
            own.sort(Comparator.comparingDouble(e -> e.getKey().fromM()));
            List<Map.Entry<Cell, Cluster>> cluster = new ArrayList<>();
            for (Map.Entry<Cell, Cluster> e : own) {
                if (Math.exp(e.getValue().log() - norm) > PARTS) {
                    cluster.add(e);
                } else {
                    close(kind, run.id(), cluster, norm, into);
                }
            }
            close(kind, run.id(), cluster, norm, into);
        }
    }

    private static void close(
            FaultKind kind, String run, List<Map.Entry<Cell, Cluster>> cluster, double norm, List<Suspect> into) {
        if (cluster.isEmpty()) {
            return;
        }
        double mass = cluster.stream()
                .mapToDouble(e -> Math.exp(e.getValue().log() - norm))
                .sum();
        Map.Entry<Cell, Cluster> best = cluster.stream()
                .max(Comparator.comparingDouble(
                        e -> e.getValue().log() - Math.log(e.getKey().lengthM())))
                .orElseThrow();
        // Half of the cluster's probability lies on either side: of all places the one that is least far off.
        double at = best.getKey().middle().distanceM();
        double sum = 0;
        for (Map.Entry<Cell, Cluster> e : cluster) {
            double own = Math.exp(e.getValue().log() - norm);
            if (sum + own >= mass / 2) {
                at = e.getKey().fromM() + e.getKey().lengthM() * (mass / 2 - sum) / own;
                break;
            }
            sum += own;
        }
        double ohm = best.getValue().ohm;
        into.add(suspect(
                kind,
                Optional.of(run),
                at,
                at,
                Double.isInfinite(ohm) ? OptionalDouble.empty() : OptionalDouble.of(ohm),
                mass));
        cluster.clear();
    }
}
