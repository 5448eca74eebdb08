package buckle.simulation;

import buckle.diagnosis.Diagnosis;
import buckle.diagnosis.Diagnosis.Density;
import buckle.diagnosis.Diagnosis.Suspect;
import buckle.diagnosis.FaultKind;
import buckle.pulse.Run;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;

/** How well diagnoses agree with what was wrong. */
public final class HuntScore {
    /** A fence is called healthy from this probability of nothing on. */
    public static final double HEALTHY = 0.2;

    private static final double LOW_OHM = 2000;
    private static final int TENTHS = 10;

    private final List<Double> regionShare = new ArrayList<>();
    private final List<Double> lowLeakOff = new ArrayList<>();
    private final Count placed = new Count();
    private final Count runs = new Count();
    private final Count kinds = new Count();
    private final Count pairs = new Count();
    private final Count strongMissed = new Count();
    private final Count soundCalledFaulty = new Count();
    private final int[] within = new int[TENTHS + 1];

    /** So many of so many. */
    private static final class Count {
        private int of;
        private int yes;

        void add(boolean one) {
            of++;
            yes += one ? 1 : 0;
        }

        Share share() {
            return new Share(yes, of);
        }
    }

    /** So many of so many. */
    public record Share(int yes, int of) {
        /** As a part of one; no number of none. */
        public double part() {
            return of == 0 ? Double.NaN : (double) yes / of;
        }
    }

    /** Counts one. */
    public void add(KnownHunt hunt, Diagnosis d) {
        double none = probability(d, FaultKind.NONE);
        if (hunt.truth().isEmpty()) {
            soundCalledFaulty.add(none < HEALTHY);
            kinds.add(none >= HEALTHY);
            return;
        }
        if (hunt.truth().size() > 1) {
            pairs.add(hunt.truth().stream().anyMatch(t -> held(t, d)));
            return;
        }
        Truth t = hunt.truth().getFirst();
        kinds.add(kind(d) == (t.kind() == FaultKind.GROWTH ? FaultKind.LEAK : t.kind()));
        if (t.strong()) {
            strongMissed.add(none >= HEALTHY);
        }
        if (t.run().isEmpty()) {
            return;
        }
        double total =
                hunt.hunt().plan().runs().stream().mapToDouble(Run::lengthM).sum();
        placed.add(held(t, d));
        regionShare.add(
                d.region90().stream().mapToDouble(s -> s.toM() - s.fromM()).sum() / total);
        runs.add(mostProbableRun(d).equals(t.run()));
        tenths(t, d);
        if (t.kind() == FaultKind.LEAK && t.value() < LOW_OHM) {
            lowLeakOff.add(off(hunt, t, d, total) / total);
        }
    }

    private static double probability(Diagnosis d, FaultKind kind) {
        return d.kinds().getOrDefault(kind, 0.0);
    }

    /** The most probable, leak and growth as one. */
    private static FaultKind kind(Diagnosis d) {
        FaultKind best = FaultKind.LEAK;
        double most = probability(d, FaultKind.LEAK) + probability(d, FaultKind.GROWTH);
        for (FaultKind k : FaultKind.values()) {
            if (k != FaultKind.LEAK && k != FaultKind.GROWTH && probability(d, k) > most) {
                most = probability(d, k);
                best = k;
            }
        }
        return best;
    }

    private static boolean held(Truth t, Diagnosis d) {
        return d.region90().stream()
                .anyMatch(s -> s.run().equals(t.run()) && s.toM() >= t.fromM() && s.fromM() <= t.toM());
    }

    private static String mostProbableRun(Diagnosis d) {
        Map<String, Double> sum = new HashMap<>();
        d.density().forEach(x -> sum.merge(x.run(), x.probability(), Double::sum));
        return sum.entrySet().stream()
                .max(Map.Entry.comparingByValue())
                .map(Map.Entry::getKey)
                .orElse("");
    }

    private void tenths(Truth t, Diagnosis d) {
        List<Density> sorted = new ArrayList<>(d.density());
        sorted.sort((a, b) ->
                Double.compare(b.probability() / (b.toM() - b.fromM()), a.probability() / (a.toM() - a.fromM())));
        double before = 0;
        double at = 1;
        for (Density x : sorted) {
            if (x.run().equals(t.run()) && x.toM() >= t.fromM() && x.fromM() <= t.toM()) {
                at = before + x.probability() / 2;
                break;
            }
            before += x.probability();
        }
        for (int i = 1; i <= TENTHS; i++) {
            within[i] += at <= i / (double) TENTHS ? 1 : 0;
        }
    }

    /** Along the wire from the best suspect on the line to the truth. */
    private static double off(KnownHunt hunt, Truth t, Diagnosis d, double total) {
        Optional<Suspect> best =
                d.suspects().stream().filter(s -> s.run().isPresent()).findFirst();
        if (best.isEmpty()) {
            return total;
        }
        String run = best.get().run().orElseThrow();
        double at = (best.get().fromM() + best.get().toM()) / 2;
        if (run.equals(t.run())) {
            return Math.abs(at - t.fromM());
        }
        Map<String, Run> byId = new HashMap<>();
        hunt.hunt().plan().runs().forEach(r -> byId.put(r.id(), r));
        List<String> one = toEnergizer(byId, run);
        List<String> other = toEnergizer(byId, t.run());
        double metres = 0;
        for (String r : one) {
            metres += other.contains(r) ? 0 : r.equals(run) ? at : length(byId, r);
        }
        for (String r : other) {
            metres += one.contains(r) ? 0 : r.equals(t.run()) ? t.fromM() : length(byId, r);
        }
        if (one.contains(t.run())) {
            metres += length(byId, t.run()) - t.fromM();
        } else if (other.contains(run)) {
            metres += length(byId, run) - at;
        }
        return metres;
    }

    private static double length(Map<String, Run> byId, String run) {
        return Objects.requireNonNull(byId.get(run)).lengthM();
    }

    private static List<String> toEnergizer(Map<String, Run> byId, String run) {
        List<String> way = new ArrayList<>(List.of(run));
        Optional<String> next = Objects.requireNonNull(byId.get(run)).parent();
        while (next.isPresent()) {
            way.add(next.get());
            next = Objects.requireNonNull(byId.get(next.get())).parent();
        }
        return way;
    }

    private static double median(List<Double> of) {
        List<Double> sorted = new ArrayList<>(of);
        sorted.sort(null);
        return sorted.isEmpty() ? Double.NaN : sorted.get(sorted.size() / 2);
    }

    /** True place within the stretches that are said to hold 90 %. */
    public Share inside() {
        return placed.share();
    }

    /** Of these stretches as a share of the fence, the median. */
    public double region() {
        return median(regionShare);
    }

    /** The run with the largest probability is the true one. */
    public Share runFirst() {
        return runs.share();
    }

    /** The most probable kind is the true one, sound fences with them. */
    public Share kinds() {
        return kinds.share();
    }

    /** Of two faults one lies within the stretches. */
    public Share pairs() {
        return pairs.share();
    }

    /** Of strong faults those that are said to be none. */
    public Share strongMissed() {
        return strongMissed.share();
    }

    /** Of sound fences those that are not said to be. */
    public Share soundCalledFaulty() {
        return soundCalledFaulty.share();
    }

    /** From the best suspect to leaks under 2 kΩ, as a share of the fence, the median. */
    public double lowLeakOff() {
        return median(lowLeakOff);
    }

    /** For each tenth from 10 to 90 %, how often the truth lies within stretches that are said to hold so much. */
    public List<Double> reliability() {
        List<Double> all = new ArrayList<>();
        for (int i = 1; i < TENTHS; i++) {
            all.add(placed.of == 0 ? Double.NaN : (double) within[i] / placed.of);
        }
        return all;
    }
}
