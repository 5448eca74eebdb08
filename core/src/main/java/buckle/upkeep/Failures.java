package buckle.upkeep;

import buckle.rulebook.Values;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import java.util.UUID;
import java.util.function.Function;

/**
 * What fails, over all fences of a house, and in which order things are looked at for it.
 *
 * @param order every part, what is looked at first before
 * @param faults of a known part that the order was learnt from, {@code assumed} those that the trade's order counts as
 */
public record Failures(
        List<FencePart> order,
        int faults,
        double assumed,
        List<FailureRow> byPart,
        List<FailureRow> byProduct,
        List<PlaceFailures> byPlace,
        List<JobFailures> byJob) {
    private static final double DAYS_A_YEAR = 365.25;

    public Failures {
        order = List.copyOf(order);
        byPart = List.copyOf(byPart);
        byProduct = List.copyOf(byProduct);
        byPlace = List.copyOf(byPlace);
        byJob = List.copyOf(byJob);
    }

    /** A fault with the fence it was of; {@code builtAt} is when that was first read. */
    public record Of(
            UUID jobId, String jobName, Optional<Instant> builtAt, PlaceKind place, FaultLog.LoggedFault fault) {}

    /**
     * Faults of one kind.
     *
     * @param product empty of a part as a whole, or where nobody named it
     * @param harmless pieces that were replaced though they let nothing off
     * @param medianAgeYears how old the fence was
     */
    public record FailureRow(
            FencePart part,
            String product,
            int faults,
            int harmless,
            OptionalDouble medianAgeYears,
            OptionalDouble medianSearchMinutes,
            Map<FaultCause, Integer> causes) {
        public FailureRow {
            causes = Map.copyOf(causes);
        }
    }

    /**
     * Faults at places of one kind.
     *
     * @param parts what failed there; nothing of faults whose part nobody knows yet
     */
    public record PlaceFailures(
            PlaceKind place, int faults, OptionalDouble medianSearchMinutes, Map<FencePart, Integer> parts) {
        public PlaceFailures {
            parts = Map.copyOf(parts);
        }
    }

    /** Faults of one fence. */
    public record JobFailures(UUID jobId, String jobName, int faults, int open) {}

    /** What the faults of all fences teach. */
    public static Failures of(List<Of> all) {
        List<Of> known =
                all.stream().filter(f -> f.fault().stands().part().isPresent()).toList();
        Map<FencePart, Integer> counted = new EnumMap<>(FencePart.class);
        known.forEach(f -> counted.merge(f.fault().stands().part().orElseThrow(), 1, Integer::sum));
        List<FencePart> order = Arrays.stream(FencePart.values())
                .sorted(Comparator.comparingDouble(p -> -(p.assumedFaults() + counted.getOrDefault(p, 0))))
                .toList();
        return new Failures(
                order,
                known.size(),
                Values.F1_ASSUMED_FAULTS,
                rows(all, w -> ""),
                rows(all, Function.identity()),
                places(all),
                jobs(all));
    }

    private static List<FailureRow> rows(List<Of> all, Function<String, String> product) {
        record Key(FencePart part, String product) {}
        Map<Key, List<Of>> faults =
                new TreeMap<>(Comparator.comparing(Key::part).thenComparing(Key::product));
        Map<Key, Integer> harmless = new java.util.HashMap<>();
        for (Of f : all) {
            FaultNote n = f.fault().stands();
            n.part()
                    .ifPresent(part -> faults.computeIfAbsent(
                                    new Key(part, product.apply(n.product())), k -> new ArrayList<>())
                            .add(f));
            for (FaultNote.Remedy w : n.works()) {
                if (w.harmless()) {
                    Key key = new Key(w.part(), product.apply(w.product()));
                    faults.computeIfAbsent(key, k -> new ArrayList<>());
                    harmless.merge(key, w.count(), Integer::sum);
                }
            }
        }
        return faults.entrySet().stream()
                .map(e -> row(
                        e.getKey().part(), e.getKey().product(), e.getValue(), harmless.getOrDefault(e.getKey(), 0)))
                .sorted(Comparator.comparingInt(FailureRow::faults).reversed())
                .toList();
    }

    private static FailureRow row(FencePart part, String product, List<Of> of, int harmless) {
        Map<FaultCause, Integer> causes = new EnumMap<>(FaultCause.class);
        of.forEach(f -> f.fault().stands().cause().ifPresent(c -> causes.merge(c, 1, Integer::sum)));
        return new FailureRow(
                part,
                product,
                of.size(),
                harmless,
                median(of.stream().flatMap(f -> age(f).stream().boxed()).toList()),
                searchMinutes(of),
                causes);
    }

    private static OptionalDouble searchMinutes(List<Of> of) {
        return median(of.stream()
                .filter(f -> f.fault().stands().searchMinutes().isPresent())
                .map(f -> (double) f.fault().stands().searchMinutes().getAsInt())
                .toList());
    }

    private static List<PlaceFailures> places(List<Of> all) {
        Map<PlaceKind, List<Of>> byPlace = new EnumMap<>(PlaceKind.class);
        all.forEach(
                f -> byPlace.computeIfAbsent(f.place(), k -> new ArrayList<>()).add(f));
        return byPlace.entrySet().stream()
                .map(e -> {
                    Map<FencePart, Integer> parts = new EnumMap<>(FencePart.class);
                    e.getValue()
                            .forEach(f -> f.fault().stands().part().ifPresent(p -> parts.merge(p, 1, Integer::sum)));
                    return new PlaceFailures(e.getKey(), e.getValue().size(), searchMinutes(e.getValue()), parts);
                })
                .sorted(Comparator.comparingInt(PlaceFailures::faults).reversed())
                .toList();
    }

    private static OptionalDouble age(Of f) {
        return f.builtAt()
                .filter(b -> !b.isAfter(f.fault().since()))
                .map(b ->
                        OptionalDouble.of(Duration.between(b, f.fault().since()).toDays() / DAYS_A_YEAR))
                .orElse(OptionalDouble.empty());
    }

    private static List<JobFailures> jobs(List<Of> all) {
        Map<UUID, List<Of>> byJob = new java.util.LinkedHashMap<>();
        all.forEach(
                f -> byJob.computeIfAbsent(f.jobId(), id -> new ArrayList<>()).add(f));
        return byJob.values().stream()
                .map(of -> new JobFailures(of.getFirst().jobId(), of.getFirst().jobName(), of.size(), (int) of.stream()
                        .filter(f -> f.fault().stands().state() == FaultNote.State.OPEN)
                        .count()))
                .sorted(Comparator.comparingInt(JobFailures::faults).reversed().thenComparing(JobFailures::jobName))
                .toList();
    }

    static OptionalDouble median(List<Double> values) {
        List<Double> sorted = values.stream().sorted().toList();
        int n = sorted.size();
        return n == 0 ? OptionalDouble.empty() : OptionalDouble.of((sorted.get((n - 1) / 2) + sorted.get(n / 2)) / 2);
    }
}
