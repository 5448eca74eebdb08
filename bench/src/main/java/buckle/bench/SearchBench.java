package buckle.bench;

import buckle.diagnosis.Hunt;
import buckle.diagnosis.Walk;
import buckle.pulse.Circuit;
import buckle.pulse.Fault;
import buckle.simulation.SimulatedSearch;
import buckle.simulation.SimulatedSearch.Result;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * How long it takes to find hidden faults when one does what one is told, against walking in order, halving by switches that never err,
 * and halving by switches and a meter.
 */
public final class SearchBench {
    private static final int EACH = 40;
    private static final long SEED = 5000;
    private static final double WEAK_OHM = 2000;
    private static final Set<String> SINGLE = Set.of("yard", "straight");

    private SearchBench() {}

    private record Found(Fault fault, Result told, Result order, Result halving, Result byMeter, double straight) {
        String kind() {
            if (fault.kind() == Fault.Kind.BREAK) {
                return "breaks";
            }
            return fault.ohm() > WEAK_OHM ? "leaks over 2 kΩ" : "leaks up to 2 kΩ";
        }
    }

    static void run(String[] args) {
        List<String> words = List.of(args);
        List<Integer> numbers = words.stream()
                .filter(w -> w.matches("\\d{1,9}"))
                .map(Integer::valueOf)
                .toList();
        int each = numbers.isEmpty() ? EACH : numbers.getFirst();
        long seed = numbers.size() > 1 ? numbers.get(1) : SEED;
        boolean everywhere = words.contains("everywhere");
        for (boolean currents : new boolean[] {false, true}) {
            if (words.contains(currents ? "kv" : "currents")) {
                continue;
            }
            List<Found> branched = new ArrayList<>();
            List<Found> single = new ArrayList<>();
            for (Circuit plan : HuntCases.plans()) {
                long begun = System.nanoTime();
                Walk walk = walk(plan);
                List<Hunt.Switch> switches =
                        everywhere ? SimulatedSearch.atEveryTakeOff(plan) : HuntCases.switches(plan);
                List<Found> all = IntStream.range(0, each)
                        .parallel()
                        .mapToObj(i -> {
                            var s = new SimulatedSearch(plan, switches, walk, currents, seed + i);
                            return new Found(
                                    s.faults().getFirst(),
                                    s.told(),
                                    s.inOrder(),
                                    s.halving(),
                                    s.halvingByMeter(),
                                    s.straightMinutes());
                        })
                        .toList();
                print(plan.name() + (currents ? ", with currents" : ", kV alone"), all);
                System.out.printf(Locale.ROOT, "   %.1f s%n", (System.nanoTime() - begun) / 1e9);
                (SINGLE.contains(plan.name()) ? single : branched).addAll(all);
            }
            print("branched together (goal " + (currents ? "0.38, 0.62)" : "0.45, 0.75)"), branched);
            branched.stream()
                    .collect(Collectors.groupingBy(Found::kind, TreeMap::new, Collectors.toList()))
                    .forEach((kind, some) -> print("  of these " + some.size() + " " + kind, some));
            print("single lines (goal 0.65)", single);
        }
    }

    private static Walk walk(Circuit plan) {
        Walk u = Walk.USUAL;
        return new Walk(
                u.metresPerMinute(),
                u.inspectMetresPerMinute(),
                u.readingMinutes(),
                u.switchMinutes(),
                Optional.empty(),
                HuntCases.links(plan));
    }

    private static void print(String name, List<Found> all) {
        double told = all.stream().mapToDouble(f -> f.told().minutes()).sum();
        double order = all.stream().mapToDouble(f -> f.order().minutes()).sum();
        double halving = all.stream().mapToDouble(f -> f.halving().minutes()).sum();
        double byMeter = all.stream().mapToDouble(f -> f.byMeter().minutes()).sum();
        double straight = all.stream().mapToDouble(Found::straight).sum();
        System.out.printf(
                Locale.ROOT,
                "%-38s told %6.1f min, in order %6.1f, halving %6.1f (by meter %6.1f), straight %5.1f: %.3f of order, %.3f of halving (%.3f); %.1f readings%n",
                name,
                told / all.size(),
                order / all.size(),
                halving / all.size(),
                byMeter / all.size(),
                straight / all.size(),
                told / order,
                told / halving,
                told / byMeter,
                all.stream().mapToInt(f -> f.told().readings()).average().orElse(0));
    }

    /** By itself. */
    public static void main(String[] args) {
        run(args);
    }
}
