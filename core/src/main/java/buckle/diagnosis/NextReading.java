package buckle.diagnosis;

import buckle.diagnosis.Diagnosis.Density;
import buckle.diagnosis.Hunt.Reading;
import buckle.diagnosis.Tracer.Next;
import buckle.diagnosis.Tracer.Spot;
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
 * What to do next where there is no time for a table of the whole fence: a plain rule picks a few ends of runs and switches beyond which
 * some of the probability lies, and a tracer made for these alone judges them.
 */
public final class NextReading {
    private static final int PICKED = 5;
    private static final int MOST_READINGS = 12;
    private static final int HALVED = 2;
    private static final int FEW = 3;
    private static final double PARTED = 0.02;
    private static final double NEAR_M = 2;
    private static final double PLAUSIBLE = 1e-4;

    private final Hunt hunt;
    private final Walk walk;
    private final Diagnosis diagnosis;
    private final Map<String, Set<String>> under;

    private NextReading(Hunt hunt, Walk walk, Diagnosis diagnosis) {
        this.hunt = hunt;
        this.walk = walk;
        this.diagnosis = diagnosis;
        this.under = beyond(hunt.plan().runs());
    }

    /**
     * Something to do, and how long it takes from now until one stands before the fault.
     *
     * @param next a spot or a stretch
     * @param at where the meter is held, or the switch that is opened and beside which it is held on the live side
     * @param beyond how much of the probability on the line lies beyond a spot, or on its run if nothing hangs on that
     * @param last whether nothing hangs on its run
     */
    public record Step(Next next, Optional<Place> at, double beyond, boolean last) {}

    /** Best first; empty when the line has no part in it. */
    public static List<Step> of(Hunt hunt, Walk walk, Diagnosis diagnosis) {
        return diagnosis.region90().isEmpty() ? List.of() : new NextReading(hunt, walk, diagnosis).steps();
    }

    private List<Step> steps() {
        List<Reading> used = hunt.now().stream().filter(r -> !r.ignored()).toList();
        List<Reading> lately = used.subList(Math.max(0, used.size() - MOST_READINGS), used.size());
        // Of a meter that seldom showed currents the next reading is thought of without, for half the work.
        boolean currents =
                2 * lately.stream().filter(r -> r.currentA().isPresent()).count() > lately.size();
        Place here = walk.start().orElse(new Place(hunt.plan().runs().getFirst().id(), 0));
        Tracer tracer = Tracer.at(hunt.withNow(List.of()), currents, lately, picked(here));
        return tracer.next(lately, List.of(), here, walk).stream()
                .map(n -> {
                    Optional<Place> at = n.spot().map(this::asked);
                    return new Step(
                            n,
                            at,
                            at.map(this::mass).orElse(0.0),
                            at.filter(this::lastOfAll).isPresent());
                })
                .toList();
    }

    /** Of a spot beside an open switch, the switch. */
    private Place asked(Spot spot) {
        return spot.open()
                .flatMap(id ->
                        hunt.switches().stream().filter(s -> s.id().equals(id)).findFirst())
                .map(Hunt.Switch::at)
                .orElse(spot.at());
    }

    /** Those that part the probability best for the minutes they take. */
    private List<Spot> picked(Place here) {
        Set<Spot> candidates = new LinkedHashSet<>();
        for (Run run : hunt.plan().runs()) {
            candidates.add(new Spot(new Place(run.id(), run.lengthM()), Optional.empty()));
        }
        candidates.addAll(Tracer.switches(hunt));
        candidates.removeIf(s -> read(s) || !parts(mass(asked(s))));
        if (candidates.size() < FEW) {
            halfWay().forEach(p -> candidates.add(new Spot(p, Optional.empty())));
        }
        List<Place> asked = new ArrayList<>(candidates.stream().map(Spot::at).toList());
        asked.add(here);
        Map<Density, Place> middle = new LinkedHashMap<>();
        for (Density d : diagnosis.density()) {
            if (d.probability() > PLAUSIBLE) {
                middle.put(d, new Place(d.run(), (d.fromM() + d.toM()) / 2));
            }
        }
        asked.addAll(middle.values());
        Walkways ways = new Walkways(hunt.plan().runs(), walk.links(), asked);
        Map<Place, Double> toThere = ways.from(here);
        double region = diagnosis.region90().stream()
                .mapToDouble(s -> s.toM() - s.fromM())
                .sum();
        record Judged(Spot spot, double minutes) {}
        List<Judged> judged = new ArrayList<>();
        for (Spot spot : candidates) {
            double mass = mass(asked(spot));
            Map<Place, Double> onward = ways.from(spot.at());
            double then = 0;
            for (Map.Entry<Density, Place> e : middle.entrySet()) {
                then += e.getKey().probability() * onward.getOrDefault(e.getValue(), 0.0);
            }
            // Half of what is left is looked over until the fault is met; the reading leaves the larger or the smaller
            // part.
            double left = region * (mass * mass + (1 - mass) * (1 - mass)) / 2;
            double minutes = (toThere.getOrDefault(spot.at(), 0.0) + then) / walk.metresPerMinute()
                    + left / walk.inspectMetresPerMinute()
                    + walk.readingMinutes()
                    + (spot.open().isPresent() ? walk.switchMinutes() : 0);
            judged.add(new Judged(spot, minutes));
        }
        return judged.stream()
                .sorted(Comparator.comparingDouble(Judged::minutes))
                .limit(PICKED)
                .map(Judged::spot)
                .toList();
    }

    private static boolean parts(double mass) {
        return mass >= PARTED && mass <= 1 - PARTED;
    }

    private boolean read(Spot spot) {
        return spot.open().isEmpty()
                && hunt.now().stream()
                        .filter(r ->
                                !r.ignored() && r.open().isEmpty() && r.peakV().isPresent())
                        .flatMap(r -> r.at().stream())
                        .anyMatch(p -> p.runId().equals(spot.at().runId())
                                && Math.abs(p.distanceM() - spot.at().distanceM()) < NEAR_M);
    }

    /** On the runs that hold most, where half of it lies on either side. */
    private List<Place> halfWay() {
        Map<String, Double> held = new LinkedHashMap<>();
        diagnosis.density().forEach(d -> held.merge(d.run(), d.probability(), Double::sum));
        List<Place> all = new ArrayList<>();
        held.entrySet().stream()
                .sorted(Map.Entry.<String, Double>comparingByValue().reversed())
                .limit(HALVED)
                .forEach(run -> {
                    double sum = 0;
                    for (Density d : diagnosis.density()) {
                        if (d.run().equals(run.getKey())) {
                            double before = sum;
                            sum += d.probability();
                            if (before < run.getValue() / 2 && sum >= run.getValue() / 2) {
                                all.add(new Place(d.run(), Math.rint((d.fromM() + d.toM()) / 2)));
                            }
                        }
                    }
                });
        return all;
    }

    /** Beyond a place; at the end of a run on which nothing hangs, on that run. */
    private double mass(Place spot) {
        Place at = lastOfAll(spot) ? new Place(spot.runId(), 0) : spot;
        double mass = 0;
        for (Density d : diagnosis.density()) {
            boolean behind = d.run().equals(at.runId())
                    ? d.fromM() >= at.distanceM() - 1e-6
                    : Objects.requireNonNull(under.get(at.runId())).contains(d.run());
            mass += behind ? d.probability() : 0;
        }
        return mass;
    }

    private boolean lastOfAll(Place spot) {
        return Objects.requireNonNull(under.get(spot.runId())).isEmpty()
                && hunt.plan().runs().stream()
                        .anyMatch(r -> r.id().equals(spot.runId()) && r.lengthM() <= spot.distanceM());
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
