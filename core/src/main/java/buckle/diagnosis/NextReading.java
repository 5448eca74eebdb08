package buckle.diagnosis;

import buckle.diagnosis.Diagnosis.Density;
import buckle.pulse.Place;
import buckle.pulse.Run;
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

/**
 * Where to read next, by a plain rule: at an end of a run or at a switch beyond which about half of the probability lies, the nearest of
 * those that part it alike.
 */
public final class NextReading {
    private static final int MOST = 5;
    private static final double PARTED = 0.02;

    private NextReading() {}

    /** Something to do, and how long it takes from now until one stands before the fault. */
    public record Step(boolean open, Place at, double minutes, double beyond) {}

    /** Best first; empty when the line has no part in it. */
    public static List<Step> of(Hunt hunt, Walk walk, Diagnosis diagnosis) {
        if (diagnosis.region90().isEmpty()) {
            return List.of();
        }
        List<Run> runs = hunt.plan().runs();
        Set<Place> candidates = new LinkedHashSet<>();
        for (Run run : runs) {
            candidates.add(new Place(run.id(), 0));
            candidates.add(new Place(run.id(), run.lengthM()));
        }
        Set<Place> switches = new LinkedHashSet<>();
        hunt.switches().forEach(s -> switches.add(s.at()));
        candidates.addAll(switches);
        Place begin = walk.start().orElse(new Place(runs.getFirst().id(), 0));
        List<Place> asked = new ArrayList<>(candidates);
        asked.add(begin);
        Map<Density, Place> middle = new LinkedHashMap<>();
        for (Density d : diagnosis.density()) {
            if (d.probability() > 1e-4) {
                middle.put(d, new Place(d.run(), (d.fromM() + d.toM()) / 2));
            }
        }
        asked.addAll(middle.values());
        Walkways ways = new Walkways(runs, walk.links(), asked);
        Map<Place, Double> toThere = ways.from(begin);
        double region = diagnosis.region90().stream()
                .mapToDouble(s -> s.toM() - s.fromM())
                .sum();
        Map<String, Set<String>> under = beyond(runs);
        List<Step> steps = new ArrayList<>();
        for (Place at : candidates) {
            double mass = 0;
            for (Density d : diagnosis.density()) {
                boolean behind = d.run().equals(at.runId())
                        ? d.fromM() >= at.distanceM() - 1e-6
                        : Objects.requireNonNull(under.get(at.runId())).contains(d.run());
                mass += behind ? d.probability() : 0;
            }
            if (mass < PARTED || mass > 1 - PARTED) {
                continue;
            }
            Map<Place, Double> onward = ways.from(at);
            double then = 0;
            for (Map.Entry<Density, Place> e : middle.entrySet()) {
                then += e.getKey().probability() * onward.getOrDefault(e.getValue(), 0.0);
            }
            // Half of what is left is looked over until the fault is met; the reading leaves the larger or the smaller
            // part.
            double left = region * (mass * mass + (1 - mass) * (1 - mass)) / 2;
            boolean open = switches.contains(at);
            double minutes = (toThere.getOrDefault(at, 0.0) + then) / walk.metresPerMinute()
                    + left / walk.inspectMetresPerMinute()
                    + walk.readingMinutes()
                    + (open ? walk.switchMinutes() : 0);
            steps.add(new Step(false, at, minutes - (open ? walk.switchMinutes() : 0), mass));
            if (open) {
                steps.add(new Step(true, at, minutes, mass));
            }
        }
        steps.sort(Comparator.comparingDouble(Step::minutes));
        return steps.size() > MOST ? List.copyOf(steps.subList(0, MOST)) : steps;
    }

    /** Runs that hang on each run. */
    private static Map<String, Set<String>> beyond(List<Run> runs) {
        Map<String, Set<String>> all = new HashMap<>();
        runs.forEach(r -> all.put(r.id(), new LinkedHashSet<>()));
        Map<String, Run> byId = new HashMap<>();
        runs.forEach(r -> byId.put(r.id(), r));
        for (Run run : runs) {
            Optional<String> at = run.parent();
            while (at.isPresent()) {
                Objects.requireNonNull(all.get(at.get())).add(run.id());
                at = Objects.requireNonNull(byId.get(at.get())).parent();
            }
        }
        return all;
    }
}
