package buckle.simulation;

import buckle.diagnosis.Diagnosis.Stretch;
import buckle.diagnosis.Hunt;
import buckle.diagnosis.Hunt.MeterNoise;
import buckle.diagnosis.Hunt.Reading;
import buckle.diagnosis.Tracer;
import buckle.diagnosis.Tracer.Next;
import buckle.diagnosis.Tracer.Part;
import buckle.diagnosis.Tracer.Spot;
import buckle.diagnosis.Tracer.Way;
import buckle.diagnosis.Walk;
import buckle.diagnosis.Walkways;
import buckle.pulse.Circuit;
import buckle.pulse.Fault;
import buckle.pulse.Meter;
import buckle.pulse.Place;
import buckle.pulse.Run;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.Set;
import java.util.function.BiPredicate;

/**
 * Hidden faults on a fence that is off its plan, and a crew that looks for one of them: as it is told, along the fence in order, and halving by
 * switches.
 */
public final class SimulatedSearch {
    private static final MeterNoise METER = MeterNoise.USUAL;
    private static final double LOW_OHM = 80;
    private static final double HIGH_OHM = 6000;
    private static final double LEAKS = 0.75;
    private static final double OPEN = 0.75;
    /** After a part of what takes longer it is thought over what to do next. */
    private static final double THOUGHT_OVER_MINUTES = 8;

    private static final int MOST_STEPS = 300;
    /** Of what was read in order; with less or more of it such a crew takes longer in the mean. Ours. */
    private static final double NEARLY = 0.95;

    private final Circuit plan;
    private final Walk walk;
    private final boolean currents;
    private final TrueFence truth;
    private final Random random;
    private final List<Fault> faults;
    private final Circuit faulty;
    private final Place begin;
    private final List<Reading> healthy;
    private final List<Hunt.Switch> switches;

    /** What a search came to. */
    public record Result(double minutes, int readings, int openings) {}

    /**
     * @param switches that can be opened, each where a run begins
     * @param seed of the fence as it really is, of the fault and of the meter's errors
     */
    public SimulatedSearch(Circuit plan, List<Hunt.Switch> switches, Walk walk, boolean currents, long seed) {
        this(plan, switches, walk, currents, seed, List.of());
    }

    /** @param own faults; with several, one of them is to be found; without any, one is drawn */
    public SimulatedSearch(
            Circuit plan, List<Hunt.Switch> switches, Walk walk, boolean currents, long seed, List<Fault> own) {
        this.plan = plan;
        this.switches = switches;
        this.walk = walk;
        this.currents = currents;
        this.random = new Random(seed * 0x9E3779B97F4A7C15L);
        this.truth = new TrueFence(plan, random);
        Fault drawn = drawn();
        this.faults = own.isEmpty() ? List.of(drawn) : List.copyOf(own);
        this.faulty = truth.now(faults, OptionalDouble.empty(), 1);
        this.begin = new Place(plan.runs().getFirst().id(), 0);
        List<Place> ends = new ArrayList<>(List.of(begin));
        plan.runs().forEach(r -> ends.add(new Place(r.id(), r.lengthM())));
        List<Place> takeOffs = new ArrayList<>();
        plan.runs().forEach(r -> takeOffs.add(new Place(r.id(), 0)));
        this.healthy = commissioned(ends, takeOffs);
    }

    private Fault drawn() {
        double total = plan.runs().stream().mapToDouble(Run::lengthM).sum();
        double at = total * random.nextDouble();
        Place place = begin(plan);
        for (Run r : plan.runs()) {
            if (at < r.lengthM()) {
                place = new Place(r.id(), Math.clamp(Math.rint(at), 2, r.lengthM() - 2));
                break;
            }
            at -= r.lengthM();
        }
        if (random.nextDouble() < LEAKS) {
            return new Fault(Fault.Kind.SHUNT, place, LOW_OHM * Math.pow(HIGH_OHM / LOW_OHM, random.nextDouble()));
        }
        double ohm = random.nextDouble() < OPEN ? Double.POSITIVE_INFINITY : 2000 * Math.pow(5, random.nextDouble());
        return new Fault(Fault.Kind.BREAK, place, ohm);
    }

    private static Place begin(Circuit plan) {
        return new Place(plan.runs().getFirst().id(), 0);
    }

    private List<Reading> commissioned(List<Place> ends, List<Place> takeOffs) {
        List<Meter> meters = new ArrayList<>();
        ends.forEach(p -> meters.add(new Meter.Volts(p)));
        if (currents) {
            takeOffs.forEach(p -> meters.add(new Meter.Amperes(p)));
        }
        double[] exact = DrawnHunt.solved(truth.healthy(), meters);
        List<Reading> all = new ArrayList<>();
        for (int i = 0; i < exact.length; i++) {
            boolean volts = i < ends.size();
            all.add(new Reading(
                    Optional.of(volts ? ends.get(i) : takeOffs.get(i - ends.size())),
                    volts ? OptionalDouble.of(volts(exact[i])) : OptionalDouble.empty(),
                    volts ? OptionalDouble.empty() : OptionalDouble.of(amperes(exact[i])),
                    !volts,
                    Set.of(),
                    false));
        }
        return all;
    }

    private double volts(double exact) {
        double shown = exact * (1 + METER.share() * random.nextGaussian());
        return Math.max(0, Math.rint(shown / METER.resolutionV()) * METER.resolutionV());
    }

    private double amperes(double exact) {
        double shown = exact * (1 + METER.shareA() * random.nextGaussian());
        return Math.rint(shown / METER.resolutionA()) * METER.resolutionA();
    }

    /** What is hidden. */
    public List<Fault> faults() {
        return faults;
    }

    // ---------------------------------------------------------------- as it is told

    /**
     * One reading at the energizer first, then what the planner thinks best is done until the fault is before one's eyes. The energizer,
     * its supply and the rods were gone over before the clock runs, as before searching in order or halving.
     */
    public Result told() {
        Hunt hunt = new Hunt(plan, METER, healthy, List.of(), switches);
        Tracer tracer = Tracer.of(hunt, currents, List.of(), place -> true);
        Map<Spot, double[]> exact = exact(tracer.spots());
        Walkways ways = new Walkways(plan.runs(), walk.links(), marks(tracer.spots()));
        Place here = begin;
        List<Reading> now = new ArrayList<>();
        List<Stretch> over = new ArrayList<>();
        Spot first = new Spot(begin, Optional.empty());
        double minutes = walk.readingMinutes();
        over.add(new Stretch("", 0, 0));
        now.add(read(first, exact));
        int openings = 0;
        for (int step = 0; step < MOST_STEPS; step++) {
            Next next = tracer.next(now, over, here, walk).getFirst();
            if (next.spot().isPresent()) {
                Spot spot = next.spot().get();
                minutes += far(ways, here, spot.at()) + walk.readingMinutes();
                if (spot.open().isPresent()) {
                    minutes += 2 * walk.switchMinutes();
                    openings++;
                }
                here = spot.at();
                now.add(read(spot, exact));
                continue;
            }
            Way way = next.stretch().orElseThrow();
            if (way.atEnergizer()) {
                minutes += farther(here, begin) + Tracer.AT_ENERGIZER_MINUTES;
                here = begin;
                over.add(new Stretch("", 0, 0));
                continue;
            }
            double looked = 0;
            for (Part part : way.parts()) {
                if (looked > THOUGHT_OVER_MINUTES / 2) {
                    break;
                }
                Place from = new Place(part.run(), part.fromM());
                double length = Math.abs(part.toM() - part.fromM());
                double most = length / walk.inspectMetresPerMinute() > THOUGHT_OVER_MINUTES
                        ? Math.max(THOUGHT_OVER_MINUTES * walk.inspectMetresPerMinute() / 2, length / 3)
                        : length;
                double to = part.fromM() + Math.signum(part.toM() - part.fromM()) * most;
                minutes += farther(here, from);
                OptionalDouble met = metAfter(part.run(), part.fromM(), to);
                if (met.isPresent()) {
                    minutes += met.getAsDouble() / walk.inspectMetresPerMinute();
                    return new Result(minutes, now.size(), openings);
                }
                looked += most / walk.inspectMetresPerMinute();
                minutes += most / walk.inspectMetresPerMinute();
                over.add(new Stretch(part.run(), Math.min(part.fromM(), to), Math.max(part.fromM(), to)));
                here = new Place(part.run(), to);
                if (most < length) {
                    break;
                }
            }
        }
        return new Result(minutes + inOrder().minutes(), now.size(), openings);
    }

    /** Metres along a stretch until a fault is met. */
    private OptionalDouble metAfter(String run, double fromM, double toM) {
        return faults.stream()
                .filter(f -> f.at().runId().equals(run))
                .mapToDouble(f -> f.at().distanceM())
                .filter(at -> at >= Math.min(fromM, toM) && at <= Math.max(fromM, toM))
                .map(at -> Math.abs(at - fromM))
                .min();
    }

    private List<Place> marks(List<Spot> spots) {
        return spots.stream().map(Spot::at).toList();
    }

    private double farther(Place from, Place to) {
        return far(new Walkways(plan.runs(), walk.links(), List.of(from, to)), from, to);
    }

    private double far(Walkways ways, Place from, Place to) {
        Double metres = ways.from(from).get(to);
        return (metres == null ? farther(from, to) * walk.metresPerMinute() : metres) / walk.metresPerMinute();
    }

    /** One at the beginning of every run but the first. */
    public static List<Hunt.Switch> atEveryTakeOff(Circuit plan) {
        List<Hunt.Switch> all = new ArrayList<>();
        for (Run r : plan.runs()) {
            if (r.parent().isPresent()) {
                all.add(new Hunt.Switch("s" + all.size(), new Place(r.id(), 0)));
            }
        }
        return all;
    }

    /** What an exact meter shows at each spot: its peak, and the current. */
    private Map<Spot, double[]> exact(List<Spot> spots) {
        Map<Spot, double[]> all = new LinkedHashMap<>();
        Map<Optional<String>, List<Spot>> bySwitch = new LinkedHashMap<>();
        spots.forEach(
                s -> bySwitch.computeIfAbsent(s.open(), o -> new ArrayList<>()).add(s));
        Map<String, String> runOf = new HashMap<>();
        switches.forEach(s -> runOf.put(s.id(), s.at().runId()));
        bySwitch.forEach((open, some) -> {
            Circuit circuit =
                    open.map(s -> opened(Objects.requireNonNull(runOf.get(s)))).orElse(faulty);
            List<Meter> meters = new ArrayList<>();
            some.forEach(s -> {
                meters.add(new Meter.Volts(s.at()));
                meters.add(new Meter.Amperes(s.at()));
            });
            double[] shown = DrawnHunt.solved(circuit, meters);
            for (int i = 0; i < some.size(); i++) {
                all.put(some.get(i), new double[] {shown[2 * i], shown[2 * i + 1]});
            }
        });
        return all;
    }

    private Circuit opened(String run) {
        return faulty.withRuns(faulty.runs().stream()
                .map(r -> r.id().equals(run) ? new Run(r.id(), r.parent(), r.lengthM(), r.type(), true, r.joins()) : r)
                .toList());
    }

    private Reading read(Spot spot, Map<Spot, double[]> exact) {
        double[] shown = Objects.requireNonNull(exact.get(spot));
        boolean withA = currents && spot.open().isEmpty();
        return new Reading(
                Optional.of(spot.at()),
                OptionalDouble.of(volts(shown[0])),
                withA ? OptionalDouble.of(amperes(shown[1])) : OptionalDouble.empty(),
                true,
                spot.open().map(Set::of).orElse(Set.of()),
                false);
    }

    // ---------------------------------------------------------------- as it is done without

    /** Every metre looked at, from the energizer on, one run after the other as they hang on each other. */
    public Result inOrder() {
        return new Result(lookedOver(whole(), begin).minutes(), 0, 0);
    }

    /** The fence in the order in which it is walked. */
    private List<Part> whole() {
        List<Run> all = new ArrayList<>();
        plan.runs().stream().filter(r -> r.parent().isEmpty()).forEach(r -> add(r, all));
        return all.stream().map(r -> new Part(r.id(), 0, r.lengthM())).toList();
    }

    private void add(Run run, List<Run> into) {
        into.add(run);
        plan.runs().stream()
                .filter(r -> r.parent().equals(Optional.of(run.id())))
                .forEach(r -> add(r, into));
    }

    /** @param here where one stands then */
    private record Looked(double minutes, boolean found, Place here) {}

    private Looked lookedOver(List<Part> parts, Place from) {
        double minutes = 0;
        Place here = from;
        for (Part p : parts) {
            minutes += farther(here, new Place(p.run(), p.fromM()));
            OptionalDouble met = metAfter(p.run(), p.fromM(), p.toM());
            double looked = met.orElse(p.toM() - p.fromM());
            minutes += looked / walk.inspectMetresPerMinute();
            here = new Place(p.run(), p.fromM() + looked);
            if (met.isPresent()) {
                return new Looked(minutes, true, here);
            }
        }
        return new Looked(minutes, false, here);
    }

    /**
     * By the same switches, each of which tells for sure on which side the fault lies; what no switch
     * parts is looked over in order.
     */
    public Result halving() {
        return halving((at, left) -> left.stream().anyMatch(p -> holds(p) && beyond(at, p)));
    }

    /**
     * As a crew can: with a switch open the fault is taken to lie behind it when the meter before it shows nearly what it showed in
     * order. Where it was misled the rest is looked over in order too.
     */
    public Result halvingByMeter() {
        Map<String, Optional<String>> parents = new HashMap<>();
        plan.runs().forEach(r -> parents.put(r.id(), r.parent()));
        return halving((at, left) -> {
            String before = Objects.requireNonNull(parents.get(at.runId())).orElse(at.runId());
            Place there = plan.runs().stream()
                    .filter(r -> r.id().equals(before))
                    .map(r -> new Place(before, r.lengthM()))
                    .findFirst()
                    .orElseThrow();
            double inOrderV = healthy.stream()
                    .filter(h -> h.at().equals(Optional.of(there)) && h.peakV().isPresent())
                    .mapToDouble(h -> h.peakV().getAsDouble())
                    .findFirst()
                    .orElseThrow();
            double nowV = DrawnHunt.solved(opened(at.runId()), List.of(new Meter.Volts(there)))[0];
            return volts(nowV) >= NEARLY * inOrderV;
        });
    }

    /** @param judged whether it lies behind an open switch, of what is left */
    private Result halving(BiPredicate<Place, Set<Part>> judged) {
        List<Part> whole = whole();
        Set<Part> left = new HashSet<>(whole);
        List<Place> places = switches.stream().map(Hunt.Switch::at).toList();
        double minutes = 0;
        int openings = 0;
        Place here = begin;
        while (true) {
            double all = left.stream().mapToDouble(p -> p.toM() - p.fromM()).sum();
            Place best = null;
            double most = 0;
            for (Place s : places) {
                double beyond = left.stream()
                        .filter(p -> beyond(s, p))
                        .mapToDouble(p -> p.toM() - p.fromM())
                        .sum();
                double smaller = Math.min(beyond, all - beyond);
                if (smaller > most + 1e-6
                        || best != null
                                && smaller > most - 1e-6
                                && smaller > 0
                                && farther(here, s) < farther(here, best)) {
                    most = smaller;
                    best = s;
                }
            }
            if (best == null) {
                break;
            }
            minutes += farther(here, best) + 2 * walk.switchMinutes() + walk.readingMinutes();
            openings++;
            here = best;
            Place at = best;
            boolean behind = judged.test(at, left);
            left.removeIf(p -> beyond(at, p) != behind);
        }
        Looked first = lookedOver(whole.stream().filter(left::contains).toList(), here);
        minutes += first.minutes();
        if (!first.found()) {
            minutes += lookedOver(whole.stream().filter(p -> !left.contains(p)).toList(), first.here())
                    .minutes();
        }
        return new Result(minutes, openings, openings);
    }

    private boolean holds(Part p) {
        return metAfter(p.run(), p.fromM(), p.toM()).isPresent();
    }

    private boolean beyond(Place at, Part part) {
        if (part.run().equals(at.runId())) {
            return part.fromM() >= at.distanceM() - 1e-6;
        }
        Optional<String> up = Optional.of(part.run());
        while (up.isPresent()) {
            String id = up.get();
            up = plan.runs().stream()
                    .filter(r -> r.id().equals(id))
                    .findFirst()
                    .orElseThrow()
                    .parent();
            if (up.equals(Optional.of(at.runId()))) {
                return true;
            }
        }
        return false;
    }

    /** Straight to the nearest fault. */
    public double straightMinutes() {
        return faults.stream().mapToDouble(f -> farther(begin, f.at())).min().orElseThrow();
    }
}
