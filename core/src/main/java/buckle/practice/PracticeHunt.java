package buckle.practice;

import buckle.design.Design;
import buckle.diagnosis.FaultKind;
import buckle.diagnosis.Tracer;
import buckle.diagnosis.Walk;
import buckle.diagnosis.Walkways;
import buckle.land.Surroundings;
import buckle.layout.Layout;
import buckle.layout.LineLayout;
import buckle.layout.TestPoint;
import buckle.practice.SimulatedFence.Shown;
import buckle.practice.SimulatedFence.State;
import buckle.pulse.Place;
import buckle.readings.FaultSearch;
import buckle.readings.FaultSearch.Action;
import buckle.readings.FaultSearch.NextStep;
import buckle.readings.FaultSearch.OnFoot;
import buckle.readings.FaultSearch.StandsAt;
import buckle.readings.FenceDiagnosis;
import buckle.readings.Observation;
import buckle.readings.Observed;
import buckle.readings.Weather;
import buckle.site.BadInput;
import buckle.site.GeoPoint;
import buckle.site.LocalPlane;
import buckle.site.Stationing;
import buckle.spec.Plan;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;

/**
 * A case as somebody works at it: what each thing that was done took, what the meter showed, whether the fault was before one's eyes.
 * It keeps nothing: the same case, seed and acts give the same.
 */
public final class PracticeHunt {
    private static final Instant NEW = Instant.parse("2026-05-01T08:00:00Z");
    private static final Instant NOW = Instant.parse("2026-10-01T08:00:00Z");
    private static final Walk WALK = Walk.USUAL;
    private static final int MOST_ACTS = 200;
    private static final int MOST_STEPS = 40;
    private static final double NEAR_M = 10;
    private static final double NEAR_SHARE = 0.02;
    private static final long OTHER_READINGS = 1000;

    private final PracticeCase of;
    private final Plan plan;
    private final Design design;
    private final SimulatedFence fence;
    private final List<HiddenFault> hidden;

    /** What can be done. */
    public enum ActKind {
        READ,
        SWITCH,
        LOOK_OVER,
        ENERGIZER,
        /** Come back while it rains: from then on it is wet, and one begins at the energizer. */
        WAIT_FOR_RAIN,
        SAY
    }

    /**
     * Something done.
     *
     * @param lineId of a reading, a look over, or what is said; empty says “at the energizer or the rods”
     * @param toM where looking over ends
     * @param cutOut id of a switch, {@code open} what it is then
     */
    public record Act(
            ActKind kind, Optional<String> lineId, double fromM, double toM, Optional<String> cutOut, boolean open) {
        /** A reading. */
        public static Act read(String lineId, double stationM) {
            return new Act(ActKind.READ, Optional.of(lineId), stationM, stationM, Optional.empty(), false);
        }

        /** What is said where the fault lies. */
        public static Act say(String lineId, double stationM) {
            return new Act(ActKind.SAY, Optional.of(lineId), stationM, stationM, Optional.empty(), false);
        }
    }

    /**
     * What came of it.
     *
     * @param minutes on the clock afterwards
     * @param found faults that were seen, or said rightly, with it
     */
    public record Came(double minutes, OptionalDouble peakV, OptionalDouble peakA, boolean wet, int found) {}

    /**
     * A hunt as far as it went.
     *
     * @param over whether every fault is found, or what was said is wrong
     * @param found whether every fault is
     */
    public record Played(List<Came> came, double minutes, boolean over, boolean found) {
        public Played {
            came = List.copyOf(came);
        }
    }

    /** What a fence's healthy reading was, where it can be read again. */
    public record KnownPlace(String testPointId, String lineId, double stationM, double newV, double newA) {}

    /** What a reading told: how much of the fence is still left in doubt. */
    public record Told(int act, double regionM, FaultKind likeliest, double share) {}

    /** A step of the best way. */
    public record BestStep(
            Action action,
            Optional<String> lineId,
            double fromM,
            double toM,
            Optional<String> cutOut,
            double minutes) {}

    /** How well it went beside Buckle's way, the best last. */
    public enum Grade {
        NOT_FOUND,
        FOUND,
        GOOD,
        AS_BUCKLE;

        private static final double MUCH = 1.25;
        private static final double TWICE = 2;

        /** By how much longer it took; the steps are ours. */
        public static Grade of(boolean found, double minutes, double bestMinutes) {
            if (!found) {
                return NOT_FOUND;
            }
            double ratio = minutes / bestMinutes;
            return ratio <= MUCH ? AS_BUCKLE : ratio <= TWICE ? GOOD : FOUND;
        }
    }

    /**
     * How it went.
     *
     * @param bestMinutes as Buckle would have gone
     * @param inOrderMinutes along the fence from the energizer, insulator by insulator
     * @param truth what was hidden
     */
    public record Outcome(
            boolean found,
            Grade grade,
            double minutes,
            double bestMinutes,
            double inOrderMinutes,
            double linesM,
            List<BestStep> best,
            List<Told> told,
            List<HiddenFault> truth) {
        public Outcome {
            best = List.copyOf(best);
            told = List.copyOf(told);
            truth = List.copyOf(truth);
        }
    }

    private PracticeHunt(PracticeCase of, long seed) {
        this.of = of;
        this.plan = of.fence().plan();
        this.design = of.fence().design();
        this.fence = SimulatedFence.of(plan, design.laid(), Surroundings.NONE, seed, of.growth())
                .orElseThrow();
        this.hidden = of.hidden(fence, seed);
    }

    /** A case; a seed draws where its fault lies and how the fence is off its plan. */
    public static PracticeHunt of(PracticeCase of, long seed) {
        return new PracticeHunt(of, seed);
    }

    /** The fence as it is laid out. */
    public Layout layout() {
        return design.layout();
    }

    /** Where the energizer stands. */
    public GeoPoint energizerAt() {
        return plan.site().energizer().orElseThrow().at();
    }

    /** What the test points read when the fence was new. */
    public List<KnownPlace> known() {
        State asNew = new State(true, Weather.DRY, Set.of(), List.of());
        List<KnownPlace> all = new ArrayList<>();
        long nth = OTHER_READINGS;
        for (TestPoint p : layout().testPoints()) {
            Optional<Shown> shown = fence.read(asNew, p.lineId(), p.stationM(), nth++);
            shown.ifPresent(s -> all.add(new KnownPlace(p.id(), p.lineId(), p.stationM(), s.peakV(), s.peakA())));
        }
        return all;
    }

    // ---------------------------------------------------------------- the clock

    private Place energizer() {
        return new Place(fence.fence().circuit().runs().getFirst().id(), 0);
    }

    private double minutes(Place from, Place to) {
        Double metres = new Walkways(fence.fence().circuit().runs(), List.of(), List.of(from, to))
                .from(from)
                .get(to);
        return metres == null ? 0 : metres / WALK.metresPerMinute();
    }

    private Place place(String lineId, double stationM) {
        return fence.fence()
                .place(lineId, stationM)
                .orElseThrow(() -> new BadInput(
                        "practice.place", "acts", "No hot wire runs at " + stationM + " m of line " + lineId + "."));
    }

    /** Does what was done, one after the other. */
    public Played play(List<Act> acts) {
        if (acts.size() > MOST_ACTS) {
            throw new BadInput("practice.acts", "acts", "At most 200 things are done in one case.");
        }
        Progress p = new Progress();
        acts.forEach(p::act);
        return new Played(p.came, p.minutes, p.over(), p.left.isEmpty());
    }

    private final class Progress {
        private final List<Came> came = new ArrayList<>();
        private final Set<HiddenFault> left = new HashSet<>(hidden);
        private final Set<String> open = new TreeSet<>();
        private Place here = energizer();
        private Weather weather = Weather.DRY;
        private double minutes;
        private boolean wrong;

        private boolean over() {
            return wrong || left.isEmpty();
        }

        /** What is mended lets nothing off any more. */
        private State state() {
            return new State(false, weather, open, List.copyOf(left));
        }

        private void act(Act a) {
            if (over()) {
                throw new BadInput("practice.over", "acts", "The case is over: nothing more is done in it.");
            }
            int before = left.size();
            OptionalDouble volts = OptionalDouble.empty();
            OptionalDouble amperes = OptionalDouble.empty();
            switch (a.kind()) {
                case READ -> {
                    go(line(a), a.fromM());
                    minutes += WALK.readingMinutes();
                    Optional<Shown> shown = fence.read(state(), line(a), a.fromM(), came.size());
                    volts = shown.map(s -> OptionalDouble.of(s.peakV())).orElse(volts);
                    amperes = shown.map(s -> OptionalDouble.of(s.peakA())).orElse(amperes);
                }
                case SWITCH -> turn(a);
                case LOOK_OVER -> lookOver(line(a), a.fromM(), a.toM());
                case ENERGIZER -> {
                    minutes += minutes(here, energizer()) + Tracer.AT_ENERGIZER_MINUTES;
                    here = energizer();
                    left.removeIf(f -> f.lineId().isEmpty());
                }
                case WAIT_FOR_RAIN -> {
                    weather = Weather.RAIN;
                    here = energizer();
                }
                case SAY -> {
                    if (a.lineId().isPresent()) {
                        go(line(a), a.fromM());
                    }
                    left.removeIf(f -> said(f, a));
                    wrong = left.size() == before;
                }
            }
            came.add(new Came(minutes, volts, amperes, weather.wet(), before - left.size()));
        }

        private String line(Act a) {
            return a.lineId().orElseThrow(() -> new BadInput("practice.line", "acts", "Say on which line."));
        }

        private void go(String lineId, double stationM) {
            Place to = place(lineId, stationM);
            minutes += minutes(here, to);
            here = to;
        }

        private void turn(Act a) {
            String id = a.cutOut()
                    .filter(fence.switches()::contains)
                    .orElseThrow(() -> new BadInput("practice.switch", "acts", "There is no such cut-out."));
            for (LineLayout l : layout().lines()) {
                l.cutOuts().stream().filter(c -> c.id().equals(id)).forEach(c -> go(l.lineId(), c.stationM()));
            }
            minutes += WALK.switchMinutes();
            if (a.open()) {
                open.add(id);
            } else {
                open.remove(id);
            }
        }

        /** The first fault on the way is seen, and mended there; what tracks in the wet alone is not seen dry. */
        private void lookOver(String lineId, double fromM, double toM) {
            go(lineId, fromM);
            place(lineId, toM);
            double low = Math.min(fromM, toM);
            double high = Math.max(fromM, toM);
            Optional<HiddenFault> seen = left.stream()
                    .filter(f -> f.lineId().filter(lineId::equals).isPresent())
                    .filter(f -> f.fromM() <= high && f.toM() >= low)
                    .filter(f -> !f.onlyWet() || weather.wet())
                    .min((x, y) -> Double.compare(off(x, fromM), off(y, fromM)));
            double metres = seen.map(f -> off(f, fromM)).orElse(high - low);
            minutes += metres / WALK.inspectMetresPerMinute();
            here = place(lineId, fromM + Math.signum(toM - fromM) * metres);
            seen.ifPresent(left::remove);
        }

        private static double off(HiddenFault f, double fromM) {
            return f.fromM() <= fromM && fromM <= f.toM()
                    ? 0
                    : Math.min(Math.abs(f.fromM() - fromM), Math.abs(f.toM() - fromM));
        }
    }

    private double linesM() {
        return layout().lines().stream().mapToDouble(LineLayout::lengthM).sum();
    }

    /** Within 10 m of it, or 2 % of the fence. */
    private boolean said(HiddenFault f, Act a) {
        double near = Math.max(NEAR_M, NEAR_SHARE * linesM());
        return f.lineId().equals(a.lineId())
                && (f.lineId().isEmpty() || a.fromM() >= f.fromM() - near && a.fromM() <= f.toM() + near);
    }

    // ---------------------------------------------------------------- what it was worth

    private GeoPoint at(String lineId, double stationM) {
        LocalPlane plane = new LocalPlane(layout().origin());
        LineLayout line = layout().lines().stream()
                .filter(l -> l.lineId().equals(lineId))
                .findFirst()
                .orElseThrow();
        return plane.toGeo(
                new Stationing(line.corners().stream().map(plane::toPlane).toList(), line.closed()).at(stationM));
    }

    private Observation observation(
            String lineId, double stationM, Observed what, Instant when, Weather weather, Set<String> open, int nth) {
        return new Observation(
                UUID.nameUUIDFromBytes((when + lineId + stationM + what + nth).getBytes(StandardCharsets.UTF_8)),
                new Observation.Spot(Optional.empty(), lineId, stationM, at(lineId, stationM)),
                what,
                Optional.empty(),
                weather,
                of.growth(),
                Optional.of(List.copyOf(open)),
                when.plusSeconds(60L * nth),
                "practice",
                "",
                Optional.empty());
    }

    private List<Observation> asNew() {
        List<Observation> all = new ArrayList<>();
        for (KnownPlace k : known()) {
            all.add(observation(
                    k.lineId(),
                    k.stationM(),
                    new Observed.Peak(0, k.newV(), false, OptionalDouble.empty()),
                    NEW,
                    Weather.DRY,
                    Set.of(),
                    all.size()));
        }
        return all;
    }

    /** What was done, beside the best that could have been, and what each reading told. */
    public Outcome outcome(List<Act> acts) {
        Played played = play(acts);
        List<BestStep> best = new ArrayList<>();
        double bestMinutes = 0;
        double inOrder = 0;
        for (HiddenFault f : hidden) {
            bestMinutes += best(f, best);
            inOrder += inOrderMinutes(f);
        }
        return new Outcome(
                played.found(),
                Grade.of(played.found(), played.minutes(), bestMinutes),
                played.minutes(),
                bestMinutes,
                inOrder,
                linesM(),
                best,
                told(acts, played),
                hidden);
    }

    private List<Told> told(List<Act> acts, Played played) {
        List<Observation> all = new ArrayList<>(asNew());
        List<Told> told = new ArrayList<>();
        Set<String> open = new TreeSet<>();
        for (int i = 0; i < acts.size(); i++) {
            Act a = acts.get(i);
            if (a.kind() == ActKind.SWITCH && a.cutOut().isPresent()) {
                if (a.open()) {
                    open.add(a.cutOut().get());
                } else {
                    open.remove(a.cutOut().get());
                }
            }
            Came c = played.came().get(i);
            if (a.kind() != ActKind.READ || c.peakV().isEmpty()) {
                continue;
            }
            all.add(observation(
                    a.lineId().orElseThrow(),
                    a.fromM(),
                    new Observed.Peak(0, c.peakV().getAsDouble(), false, OptionalDouble.empty()),
                    NOW,
                    c.wet() ? Weather.RAIN : Weather.DRY,
                    open,
                    i));
            FenceDiagnosis d = FenceDiagnosis.of(plan, design.laid(), Surroundings.NONE, all, NOW);
            int act = i;
            d.kinds().entrySet().stream()
                    .max(Map.Entry.comparingByValue())
                    .ifPresent(k -> told.add(new Told(act, d.regionM(), k.getKey(), k.getValue())));
        }
        return told;
    }

    /** Minutes as Buckle would have gone, one fault at a time; its steps are added. */
    private double best(HiddenFault fault, List<BestStep> into) {
        Weather weather = fault.onlyWet() ? Weather.RAIN : Weather.DRY;
        State closed = new State(false, weather, Set.of(), List.of(fault));
        List<Observation> readings = new ArrayList<>(asNew());
        OnFoot crew = new OnFoot(WALK.metresPerMinute(), false, false);
        FaultSearch search = FaultSearch.of(plan, design.laid(), Surroundings.NONE, readings, NOW, crew.currents())
                .orElseThrow();
        Place here = energizer();
        Optional<StandsAt> stands = Optional.empty();
        double minutes = 0;
        for (int i = 0; i < MOST_STEPS; i++) {
            List<NextStep> next = search.next(plan, readings, NOW, stands, crew).steps();
            if (next.isEmpty()) {
                break;
            }
            NextStep step = next.getFirst();
            if (step.action() == Action.ENERGIZER) {
                minutes += minutes(here, energizer()) + Tracer.AT_ENERGIZER_MINUTES;
                here = energizer();
                stands = Optional.empty();
                String first = layout().lines().getFirst().lineId();
                readings.add(observation(first, 0, new Observed.SupplyChecked(), NOW, weather, Set.of(), i));
            } else {
                String line = step.lineId().orElseThrow();
                Place to = place(line, step.fromM());
                minutes += minutes(here, to);
                if (step.action() == Action.LOOK_OVER) {
                    double low = Math.min(step.fromM(), step.toM());
                    double high = Math.max(step.fromM(), step.toM());
                    boolean found = fault.lineId().filter(line::equals).isPresent()
                            && fault.fromM() <= high
                            && fault.toM() >= low;
                    double metres = found ? Progress.off(fault, step.fromM()) : high - low;
                    minutes += metres / WALK.inspectMetresPerMinute();
                    readings.add(observation(
                            line,
                            step.fromM(),
                            new Observed.LookedOver(step.toM(), at(line, step.toM())),
                            NOW,
                            weather,
                            Set.of(),
                            i));
                    into.add(new BestStep(
                            step.action(), step.lineId(), step.fromM(), step.toM(), Optional.empty(), minutes));
                    if (found) {
                        return minutes;
                    }
                    here = place(line, step.toM());
                    stands = Optional.of(new StandsAt(line, step.toM()));
                    continue;
                }
                Set<String> open = step.cutOut().map(Set::of).orElse(Set.of());
                minutes += WALK.readingMinutes() + (open.isEmpty() ? 0 : 2 * WALK.switchMinutes());
                State state = new State(false, weather, open, closed.faults());
                double volts = fence.read(state, line, step.fromM(), i)
                        .map(Shown::peakV)
                        .orElse(0.0);
                readings.add(observation(
                        line,
                        step.fromM(),
                        new Observed.Peak(0, volts, false, OptionalDouble.empty()),
                        NOW,
                        weather,
                        open,
                        i));
                here = to;
                stands = Optional.of(new StandsAt(line, step.fromM()));
            }
            into.add(new BestStep(step.action(), step.lineId(), step.fromM(), step.toM(), step.cutOut(), minutes));
            if (step.action() == Action.ENERGIZER && fault.lineId().isEmpty()) {
                return minutes;
            }
        }
        return minutes + inOrderMinutes(fault);
    }

    /** The energizer and the rods first, then every line from the energizer on. */
    private double inOrderMinutes(HiddenFault fault) {
        double minutes = Tracer.AT_ENERGIZER_MINUTES;
        if (fault.lineId().isEmpty()) {
            return minutes;
        }
        Place here = energizer();
        for (LineLayout l : layout().lines()) {
            Place begin = place(l.lineId(), 0);
            minutes += minutes(here, begin);
            if (fault.lineId().get().equals(l.lineId())) {
                return minutes + fault.fromM() / WALK.inspectMetresPerMinute();
            }
            minutes += l.lengthM() / WALK.inspectMetresPerMinute();
            here = place(l.lineId(), l.lengthM());
        }
        return minutes;
    }
}
