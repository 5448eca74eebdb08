package buckle.diagnosis;

import buckle.pulse.Place;
import buckle.pulse.Run;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.PriorityQueue;
import java.util.TreeSet;

/** How far a crew walks along the fence, and across where there is a way. */
public final class Walkways {
    private final Map<Place, List<Way>> ways = new HashMap<>();
    private final Map<String, Run> runs = new HashMap<>();
    private final Map<String, TreeSet<Double>> marks = new HashMap<>();

    private record Way(Place to, double metres) {}

    private record Reached(Place at, double metres) {}

    /** @param places that will be asked for, beside the ends of runs and of links */
    public Walkways(List<Run> all, List<Walk.Link> links, List<Place> places) {
        for (Run run : all) {
            runs.put(run.id(), run);
            marks.put(run.id(), new TreeSet<>(List.of(0.0, run.lengthM())));
        }
        links.forEach(l -> List.of(l.from(), l.to()).forEach(this::mark));
        places.forEach(this::mark);
        for (Run run : all) {
            Place last = new Place(run.id(), 0);
            for (double d : marksOf(run.id())) {
                Place next = new Place(run.id(), d);
                join(last, next, d - last.distanceM());
                last = next;
            }
            run.parent()
                    .ifPresent(p -> join(
                            new Place(p, Objects.requireNonNull(runs.get(p)).lengthM()), new Place(run.id(), 0), 0));
        }
        for (Run run : all) {
            run.joins()
                    .ifPresent(j -> join(
                            new Place(run.id(), run.lengthM()),
                            new Place(j, Objects.requireNonNull(runs.get(j)).lengthM()),
                            0));
        }
        List<Run> first = all.stream().filter(r -> r.parent().isEmpty()).toList();
        first.forEach(r -> join(new Place(first.getFirst().id(), 0), new Place(r.id(), 0), 0));
        links.forEach(l -> join(l.from(), l.to(), l.metres()));
    }

    private TreeSet<Double> marksOf(String run) {
        return Objects.requireNonNull(marks.get(run));
    }

    private void mark(Place place) {
        marksOf(place.runId()).add(place.distanceM());
    }

    private void join(Place a, Place b, double metres) {
        ways.computeIfAbsent(a, p -> new ArrayList<>()).add(new Way(b, metres));
        ways.computeIfAbsent(b, p -> new ArrayList<>()).add(new Way(a, metres));
    }

    /** Metres from one place to all others. */
    public Map<Place, Double> from(Place start) {
        Map<Place, Double> all = new HashMap<>();
        PriorityQueue<Reached> next = new PriorityQueue<>(Comparator.comparingDouble(Reached::metres));
        next.add(new Reached(start, 0));
        while (!next.isEmpty()) {
            Reached r = next.poll();
            if (all.putIfAbsent(r.at(), r.metres()) == null) {
                ways.getOrDefault(r.at(), List.of())
                        .forEach(w -> next.add(new Reached(w.to(), r.metres() + w.metres())));
            }
        }
        return all;
    }
}
