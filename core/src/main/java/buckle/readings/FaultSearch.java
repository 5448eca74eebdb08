package buckle.readings;

import buckle.circuit.ElectricsPlanner;
import buckle.circuit.FenceCircuit;
import buckle.diagnosis.Diagnosis.Stretch;
import buckle.diagnosis.Hunt;
import buckle.diagnosis.Hunt.Reading;
import buckle.diagnosis.Tracer;
import buckle.diagnosis.Tracer.Next;
import buckle.diagnosis.Tracer.Way;
import buckle.diagnosis.Walk;
import buckle.land.Surroundings;
import buckle.layout.Layout;
import buckle.layout.LineLayout;
import buckle.pulse.Place;
import buckle.readings.FenceDiagnosis.LinePart;
import buckle.review.Laid;
import buckle.site.BadInput;
import buckle.spec.Plan;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;

/** A crew that looks for a fault on a laid-out fence. Made once for a fence and its readings in order; each step then costs little. */
public final class FaultSearch {
    private static final int MOST_STEPS = 6;
    private static final double LEAST_REACHED = 0.05;
    private static final double LEAST_LATER = 0.12;
    private static final double BEYOND_V = 300;
    /** The last so many readings are reckoned with: the table has a column for each place and switch of theirs. */
    private static final int MOST_READINGS = 60;

    private static final double SAME_PLACE_M = 0.5;

    private final OnFence on;
    private final Layout layout;
    private final Tracer tracer;
    private final List<Walk.Link> across;

    /**
     * @param metresPerMinute walking
     * @param currents whether its meter shows currents
     * @param acrossPaddocks whether it goes over open ground, through gates, where that is shorter than along the fence
     */
    public record OnFoot(double metresPerMinute, boolean currents, boolean acrossPaddocks) {
        /** On foot over rough ground, and on wheels. */
        private static final double SLOWEST = 10;

        private static final double FASTEST = 500;

        /**
         * The same, if anybody goes so.
         *
         * @param path where the pace stands in what was sent
         */
        public OnFoot checked(String path) {
            if (!(metresPerMinute >= SLOWEST && metresPerMinute <= FASTEST)) {
                throw new BadInput(
                        "faults.pace",
                        path,
                        "A crew goes between " + SLOWEST + " and " + FASTEST + " metres a minute.");
            }
            return this;
        }

        private Walk walk(List<Walk.Link> links) {
            Walk u = Walk.USUAL;
            return new Walk(
                    metresPerMinute,
                    u.inspectMetresPerMinute(),
                    u.readingMinutes(),
                    u.switchMinutes(),
                    Optional.empty(),
                    links);
        }
    }

    /** Where somebody stands. */
    public record StandsAt(String lineId, double stationM) {}

    /** What is done next. */
    public enum Action {
        READ,
        OPEN,
        LOOK_OVER,
        ENERGIZER;

        boolean isReading() {
            return this == READ || this == OPEN;
        }
    }

    /**
     * One thing to do next.
     *
     * @param lineId of the place to read at, or of the stretch; empty at the energizer
     * @param fromM where to read, or where looking over begins
     * @param toM where looking over ends; as {@code fromM} of a reading
     * @param cutOut id of what is to be opened, and closed again
     * @param minutes from now until the fault is before one's eyes, in the mean
     * @param chance that it is found by looking over
     */
    public record NextStep(
            Action action,
            Optional<String> lineId,
            double fromM,
            double toM,
            Optional<String> cutOut,
            double minutes,
            double chance,
            List<Meaning> outcomes) {
        public NextStep {
            outcomes = List.copyOf(outcomes);
        }
    }

    /**
     * What a reading would mean.
     *
     * @param toV empty of whatever is higher
     * @param where it lies then most probably; empty at the energizer or the rods, and on what is no line
     * @param there so much of all probability
     */
    public record Meaning(
            double fromV, OptionalDouble toV, double chance, Optional<LinePart> where, boolean line, double there) {}

    /**
     * What can be done next, the best first.
     *
     * @param allMinutes looking over every metre
     */
    public record NextSteps(List<NextStep> steps, double allMinutes) {
        public NextSteps {
            steps = List.copyOf(steps);
        }
    }

    /**
     * A step, and what is done after each of what may come of it.
     *
     * @param fromV what the reading before showed, {@code toV}; nothing of the first step, and after looking over without finding
     * @param chance of it, after the step before
     */
    public record Branch(double fromV, OptionalDouble toV, double chance, NextStep step, List<Branch> then) {
        public Branch {
            then = List.copyOf(then);
        }

        /** How many rows it takes, one for each end. */
        public int ends() {
            return Math.max(1, then.stream().mapToInt(Branch::ends).sum());
        }
    }

    private FaultSearch(OnFence on, Layout layout, Tracer tracer, List<Walk.Link> across) {
        this.on = on;
        this.layout = layout;
        this.tracer = tracer;
        this.across = across;
    }

    /**
     * For a plan with its readings; empty while nothing is fed.
     *
     * @param since as of {@link FenceDiagnosis#of}
     * @param currents whether the crew's meter shows currents
     */
    public static Optional<FaultSearch> of(
            Plan plan, Laid laid, Surroundings around, List<Observation> readings, Instant since, boolean currents) {
        Optional<FenceCircuit> fence = ElectricsPlanner.circuit(ElectricsPlanner.asPlanned(plan), laid, around);
        if (fence.isEmpty()) {
            return Optional.empty();
        }
        OnFence on = new OnFence(fence.get(), laid.layout());
        Parted parted = Parted.of(plan, readings, since);
        List<Observation> meters = new ArrayList<>(parted.healthy());
        meters.addAll(parted.now());
        Hunt hunt = on.hunt(on.readings(parted.healthy()), List.of(), OnFence.meter(meters));
        Tracer tracer = Tracer.of(hunt, currents, lately(on, parted.now()), p -> told(on, p));
        return Optional.of(
                new FaultSearch(on, laid.layout(), tracer, PaddockWays.of(fence.get(), laid.layout(), around.land())));
    }

    /** Whether a crew can be sent there, and what it reads where a run begins is of that run: a line fed in its middle has two that begin there. */
    private static boolean told(OnFence on, Place p) {
        return on.part(p.runId(), p.distanceM(), p.distanceM(), 0)
                .filter(at -> p.distanceM() > 0
                        || on.fence()
                                .place(at.lineId(), at.fromM())
                                .filter(q -> q.runId().equals(p.runId()))
                                .isPresent())
                .isPresent();
    }

    /** Whoever has read a place twice is not sent there once more. */
    private static boolean readTwice(NextStep step, List<Observation> lately) {
        return step.action() == Action.READ
                && lately.stream()
                                .filter(o -> o.what() instanceof Observed.Peak
                                        && o.at().lineId().equals(step.lineId().orElse(""))
                                        && Math.abs(o.at().stationM() - step.fromM()) < SAME_PLACE_M
                                        && o.openSwitches()
                                                .filter(s -> !s.isEmpty())
                                                .isEmpty())
                                .count()
                        >= 2;
    }

    /** Where some were taken in the wet those alone: a fault that comes with rain shows in no other, and one that is always there in them too. */
    private static List<Reading> lately(OnFence on, List<Observation> now) {
        List<Observation> inOrder =
                now.stream().sorted(Comparator.comparing(Observation::takenAt)).toList();
        List<Reading> wet =
                on.readings(inOrder.stream().filter(o -> o.weather().wet()).toList());
        // Beside an open switch a current tells hardly more than the voltage, and the table has no column for it.
        List<Reading> all = (wet.isEmpty() ? on.readings(inOrder) : wet)
                .stream()
                        .filter(r -> r.open().isEmpty() || r.peakV().isPresent())
                        .toList();
        return all.subList(Math.max(0, all.size() - MOST_READINGS), all.size());
    }

    /** Whether the crew's meter shows currents: it says so, or some were read. */
    public static boolean currents(OnFoot crew, List<Observation> readings, Instant since) {
        return crew.currents()
                || readings.stream()
                        .anyMatch(o -> o.what() instanceof Observed.Current
                                && !o.takenAt().isBefore(since));
    }

    /** Of these readings those that the fence is known by. */
    public static List<Observation> inOrder(Plan plan, List<Observation> readings, Instant since) {
        return Parted.of(plan, readings, since).healthy();
    }

    /** Whether it can go on with these readings; otherwise it is made anew. */
    public boolean knows(Plan plan, List<Observation> readings, Instant since) {
        return tracer.knows(lately(on, Parted.of(plan, readings, since).now()));
    }

    /**
     * What to do next, after what was read and looked over.
     *
     * @param here where the crew stands; at the energizer if empty
     * @param crew with the meter it was made for
     */
    public NextSteps next(Plan plan, List<Observation> readings, Instant since, Optional<StandsAt> here, OnFoot crew) {
        List<Observation> lately = Parted.of(plan, readings, since).now();
        List<Reading> now = lately(on, lately);
        List<Stretch> over =
                lately.stream().flatMap(o -> on.lookedOver(o).stream()).toList();
        Place at = here.flatMap(h -> on.fence().place(h.lineId(), h.stationM()))
                .orElse(new Place(on.fence().circuit().runs().getFirst().id(), 0));
        List<NextStep> steps = new ArrayList<>();
        for (Next n : tracer.next(now, over, at, walk(crew))) {
            if (steps.size() < MOST_STEPS) {
                step(n).filter(s -> !readTwice(s, lately))
                        .filter(s -> steps.stream().noneMatch(t -> alike(s, t)))
                        .ifPresent(steps::add);
            }
        }
        double metres = layout.lines().stream().mapToDouble(LineLayout::lengthM).sum();
        return new NextSteps(steps, metres / Walk.USUAL.inspectMetresPerMinute());
    }

    private Walk walk(OnFoot crew) {
        return crew.walk(crew.acrossPaddocks() ? across : List.of());
    }

    /** The first steps to take along on paper, from the energizer on; what is seldom met is left out. */
    public Optional<Branch> tree(Plan plan, List<Observation> readings, Instant since, int depth, OnFoot crew) {
        List<Observation> lately = Parted.of(plan, readings, since).now();
        List<Stretch> over =
                lately.stream().flatMap(o -> on.lookedOver(o).stream()).toList();
        Place start = new Place(on.fence().circuit().runs().getFirst().id(), 0);
        return branch(0, OptionalDouble.empty(), 1, 1, lately(on, lately), over, start, depth, crew);
    }

    private Optional<Branch> branch(
            double fromV,
            OptionalDouble toV,
            double chance,
            double reached,
            List<Reading> now,
            List<Stretch> over,
            Place here,
            int depth,
            OnFoot crew) {
        for (Next n : tracer.next(now, over, here, walk(crew))) {
            Optional<NextStep> step = step(n);
            if (step.isPresent()) {
                List<Branch> then = depth > 1 ? then(n, reached, now, over, here, depth - 1, crew) : List.of();
                return Optional.of(new Branch(fromV, toV, chance, step.get(), then));
            }
        }
        return Optional.empty();
    }

    private List<Branch> then(
            Next n, double reached, List<Reading> now, List<Stretch> over, Place here, int depth, OnFoot crew) {
        List<Branch> all = new ArrayList<>();
        if (n.spot().isPresent()) {
            Tracer.Spot spot = n.spot().get();
            for (Tracer.Outcome o : n.outcomes()) {
                if (reached * o.chance() < least(reached)) {
                    continue;
                }
                List<Reading> read = new ArrayList<>(now);
                read.add(new Reading(
                        Optional.of(spot.at()),
                        OptionalDouble.of(
                                Double.isInfinite(o.toV()) ? o.fromV() + BEYOND_V : (o.fromV() + o.toV()) / 2),
                        OptionalDouble.empty(),
                        false,
                        spot.open().map(Set::of).orElse(Set.of()),
                        false));
                branch(
                                o.fromV(),
                                Double.isInfinite(o.toV()) ? OptionalDouble.empty() : OptionalDouble.of(o.toV()),
                                o.chance(),
                                reached * o.chance(),
                                read,
                                over,
                                spot.at(),
                                depth,
                                crew)
                        .ifPresent(all::add);
            }
            return all;
        }
        double left = 1 - n.chance();
        if (reached * left < least(reached)) {
            return all;
        }
        Way way = n.stretch().orElseThrow();
        List<Stretch> looked = new ArrayList<>(over);
        Place at = here;
        if (way.atEnergizer()) {
            looked.add(new Stretch("", 0, 0));
            at = new Place(on.fence().circuit().runs().getFirst().id(), 0);
        }
        for (Tracer.Part p : way.parts()) {
            looked.add(new Stretch(p.run(), Math.min(p.fromM(), p.toM()), Math.max(p.fromM(), p.toM())));
            at = new Place(p.run(), p.toM());
        }
        branch(0, OptionalDouble.empty(), left, reached * left, now, looked, at, depth, crew)
                .ifPresent(all::add);
        return all;
    }

    /** Each step takes a while to think of: after the first, what is seldom met is left out sooner. */
    private static double least(double reached) {
        return reached < 1 ? LEAST_LATER : LEAST_REACHED;
    }

    /** Much the same stretch, a little longer or shorter; or a reading on the same line, which tells nearly the same. */
    private static boolean alike(NextStep one, NextStep other) {
        if (one.action() != other.action() || !one.lineId().equals(other.lineId())) {
            return false;
        }
        if (one.action() != Action.LOOK_OVER) {
            return one.cutOut().equals(other.cutOut());
        }
        return Math.min(one.fromM(), one.toM()) < Math.max(other.fromM(), other.toM())
                && Math.min(other.fromM(), other.toM()) < Math.max(one.fromM(), one.toM());
    }

    private Optional<NextStep> step(Next n) {
        if (n.spot().isPresent()) {
            Place at = n.spot().get().at();
            Optional<String> open = n.spot().get().open();
            return on.part(at.runId(), at.distanceM(), at.distanceM(), 0)
                    .map(p -> new NextStep(
                            open.isPresent() ? Action.OPEN : Action.READ,
                            Optional.of(p.lineId()),
                            p.fromM(),
                            p.fromM(),
                            open,
                            n.minutes(),
                            0,
                            n.outcomes().stream().map(this::meaning).toList()));
        }
        Way way = n.stretch().orElseThrow();
        if (way.atEnergizer()) {
            return Optional.of(new NextStep(
                    Action.ENERGIZER, Optional.empty(), 0, 0, Optional.empty(), n.minutes(), n.chance(), List.of()));
        }
        List<LinePart> parts = new ArrayList<>();
        for (Tracer.Part part : way.parts()) {
            Optional<LinePart> from = on.part(part.run(), part.fromM(), part.fromM(), 0);
            Optional<LinePart> to = on.part(part.run(), part.toM(), part.toM(), 0);
            boolean goesOn = from.isPresent()
                    && (parts.isEmpty()
                            || parts.getFirst().lineId().equals(from.get().lineId()));
            if (!goesOn || to.isEmpty()) {
                break;
            }
            parts.add(new LinePart(
                    from.get().lineId(), from.get().fromM(), to.get().fromM(), 0));
        }
        if (parts.isEmpty()) {
            return Optional.empty();
        }
        return Optional.of(new NextStep(
                Action.LOOK_OVER,
                Optional.of(parts.getFirst().lineId()),
                parts.getFirst().fromM(),
                parts.getLast().toM(),
                Optional.empty(),
                n.minutes(),
                n.chance(),
                List.of()));
    }

    private Meaning meaning(Tracer.Outcome o) {
        return new Meaning(
                o.fromV(),
                Double.isInfinite(o.toV()) ? OptionalDouble.empty() : OptionalDouble.of(o.toV()),
                o.chance(),
                o.where().flatMap(s -> on.part(s.run(), s.fromM(), s.toM(), o.there())),
                o.where().isPresent(),
                o.there());
    }
}
