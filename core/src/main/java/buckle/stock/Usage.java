package buckle.stock;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;

/**
 * What jobs used of a product beside what the takeoff counted for them.
 *
 * @param ratios used ÷ counted, job by job
 * @param mean of them, weighted by what was counted
 * @param spread standard deviation of the ratios; empty with fewer than two jobs
 */
public record Usage(
        String product,
        String name,
        boolean byMetre,
        double counted,
        double used,
        List<Double> ratios,
        double mean,
        OptionalDouble spread) {
    /** Fewer jobs say nothing about the next. */
    public static final int LEAST_JOBS = 3;

    public Usage {
        ratios = List.copyOf(ratios);
    }

    /** One job's account of a product. */
    public record Job(String product, String name, boolean byMetre, double counted, double used) {}

    /** By product, in the order in which they come. */
    public static List<Usage> of(List<Job> jobs) {
        Map<String, List<Job>> byProduct = new LinkedHashMap<>();
        jobs.stream()
                .filter(j -> j.counted() > 0)
                .forEach(j -> byProduct
                        .computeIfAbsent(j.product(), p -> new ArrayList<>())
                        .add(j));
        return byProduct.values().stream().map(Usage::ofOne).toList();
    }

    private static Usage ofOne(List<Job> jobs) {
        double counted = jobs.stream().mapToDouble(Job::counted).sum();
        double used = jobs.stream().mapToDouble(Job::used).sum();
        List<Double> ratios = jobs.stream().map(j -> j.used() / j.counted()).toList();
        double plain = ratios.stream().mapToDouble(r -> r).average().orElse(1);
        OptionalDouble spread = ratios.size() < 2
                ? OptionalDouble.empty()
                : OptionalDouble.of(Math.sqrt(ratios.stream()
                                .mapToDouble(r -> (r - plain) * (r - plain))
                                .sum()
                        / (ratios.size() - 1)));
        Job one = jobs.getFirst();
        return new Usage(one.product(), one.name(), one.byMetre(), counted, used, ratios, used / counted, spread);
    }

    /**
     * An allowance in whole percent that would have been enough for about five of six jobs (mean and one standard deviation); empty where
     * too few jobs are known. Never under nothing.
     */
    public OptionalDouble allowancePercent() {
        return ratios.size() < LEAST_JOBS || spread.isEmpty()
                ? OptionalDouble.empty()
                : OptionalDouble.of(Math.max(0, Math.ceil(100 * (mean - 1 + spread.getAsDouble()) - 1e-9)));
    }
}
