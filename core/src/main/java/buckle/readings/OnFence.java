package buckle.readings;

import buckle.circuit.FenceCircuit;
import buckle.circuit.FenceCircuit.LiveStretch;
import buckle.diagnosis.Diagnosis.Stretch;
import buckle.diagnosis.Hunt;
import buckle.diagnosis.Hunt.MeterNoise;
import buckle.diagnosis.Hunt.Reading;
import buckle.layout.Layout;
import buckle.layout.LineLayout;
import buckle.pulse.Place;
import buckle.pulse.Run;
import buckle.site.LocalPlane;
import buckle.site.Stationing;
import buckle.spec.WireRole;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.UUID;

/** A laid-out fence with its circuit: readings at stations of its lines as readings at places of the circuit, and back. */
public final class OnFence {
    private static final String SWITCH = "switch:";
    private static final double AT_THE_END_M = 1e-6;

    private final FenceCircuit fence;
    private final LocalPlane plane;
    private final Map<String, LineLayout> lines = new HashMap<>();
    /** Of each run that lies along a line, where. */
    private final Map<String, LiveStretch> stretchOf = new HashMap<>();

    private final Map<String, Double> lengthOfM = new HashMap<>();

    public OnFence(FenceCircuit fence, Layout layout) {
        this.fence = fence;
        fence.stretches().forEach(s -> stretchOf.putIfAbsent(s.runId(), s));
        fence.circuit().runs().forEach(r -> lengthOfM.put(r.id(), r.lengthM()));
        this.plane = new LocalPlane(layout.origin());
        layout.lines().forEach(l -> lines.put(l.lineId(), l));
    }

    /** Where it was read, by the stations of the line as it runs now; empty where it does not run any more (V15). */
    public Optional<Place> place(Observation.Spot at) {
        OptionalDouble station = stationNow(at);
        return station.isPresent() ? fence.place(at.lineId(), station.getAsDouble()) : Optional.empty();
    }

    private OptionalDouble stationNow(Observation.Spot at) {
        LineLayout line = lines.get(at.lineId());
        if (line == null) {
            return OptionalDouble.empty();
        }
        Stationing stationing =
                new Stationing(line.corners().stream().map(plane::toPlane).toList(), line.closed());
        double lengthM = stationing.lengthM();
        double saidM = at.stationM();
        if (saidM >= 0
                && saidM <= lengthM + 1e-6
                && stationing.at(saidM).distanceM(plane.toPlane(at.place()))
                        <= at.anchor().withinM()) {
            return OptionalDouble.of(saidM);
        }
        OptionalDouble now = at.anchor().on(stationing, plane);
        if (!line.closed() || now.isEmpty()) {
            return now;
        }
        // Where a ring is closed both ends are at one place: it was the end that is nearer to the station then.
        double other = now.getAsDouble() + (now.getAsDouble() < lengthM / 2 ? lengthM : -lengthM);
        boolean otherEnd = Math.abs(other - saidM) < Math.abs(now.getAsDouble() - saidM)
                && other > -at.anchor().withinM()
                && other < lengthM + at.anchor().withinM();
        return OptionalDouble.of(otherEnd ? Math.clamp(other, 0, lengthM) : now.getAsDouble());
    }

    /**
     * What was looked over without finding anything, by the line as it runs now; without a run the energizer with its supply and its
     * rods. Where the line does not run any more nothing was looked over.
     */
    List<Stretch> lookedOver(Observation o) {
        return switch (o.what()) {
            case Observed.LookedOver l -> {
                OptionalDouble from = stationNow(o.at());
                OptionalDouble to =
                        stationNow(new Observation.Spot(Optional.empty(), o.at().lineId(), l.toM(), l.toPlace()));
                yield from.isPresent() && to.isPresent()
                        ? stretches(
                                new FenceDiagnosis.LinePart(o.at().lineId(), from.getAsDouble(), to.getAsDouble(), 0))
                        : List.of();
            }
            case Observed.SupplyChecked _ -> List.of(new Stretch("", 0, 0));
            default -> List.of();
        };
    }

    private boolean hot(Observation.Spot at, int wire) {
        LineLayout line = lines.get(at.lineId());
        return wire == 0
                || line != null
                        && wire <= line.schedule().wires().size()
                        && line.schedule().wires().get(wire - 1).role() == WireRole.HOT;
    }

    /** What a meter showed of the pulse; empty of all else, and of what shows no number. */
    public Optional<Reading> reading(Observation o) {
        Set<String> open = new HashSet<>();
        Set<String> known = new HashSet<>();
        switches().forEach(s -> known.add(s.id()));
        o.openSwitches().ifPresent(all -> all.stream().filter(known::contains).forEach(open::add));
        return switch (o.what()) {
            case Observed.Peak p
            when !p.overRange() && hot(o.at(), p.wire()) ->
                place(o.at())
                        .map(at -> new Reading(
                                Optional.of(liveSide(at)),
                                OptionalDouble.of(p.peakV()),
                                OptionalDouble.empty(),
                                false,
                                open,
                                false));
            case Observed.EarthTerminal e
            when !e.overRange() ->
                Optional.of(new Reading(
                        Optional.empty(), OptionalDouble.of(e.peakV()), OptionalDouble.empty(), false, open, false));
            case Observed.Current c -> current(o, c, open);
            default -> Optional.empty();
        };
    }

    /**
     * Where a run begins the one before it ends: that is one place. At a switch that is open it is two, and it is read on the live side:
     * the dead one shows nothing and tells nothing.
     */
    public Place liveSide(Place at) {
        if (at.distanceM() > AT_THE_END_M) {
            return at;
        }
        Optional<String> parent = run(at.runId()).parent();
        while (parent.isPresent()) {
            Run run = run(parent.get());
            if (run.lengthM() > 0) {
                return new Place(run.id(), run.lengthM());
            }
            parent = run.parent();
        }
        return at;
    }

    private Run run(String id) {
        return fence.circuit().runs().stream()
                .filter(r -> r.id().equals(id))
                .findFirst()
                .orElseThrow();
    }

    private static boolean isSwitch(Run run) {
        return run.id().startsWith(SWITCH);
    }

    private static String switchOf(Run run) {
        return run.id().substring(SWITCH.length(), run.id().lastIndexOf('#'));
    }

    private Optional<Reading> current(Observation o, Observed.Current c, Set<String> open) {
        return place(o.at()).map(at -> {
            boolean towards = fence.stretches().stream().anyMatch(s -> s.runId().equals(at.runId()) && s.towards());
            boolean away = (c.direction() == Observed.Direction.TOWARDS_FINISH) == towards;
            boolean directed = c.direction() != Observed.Direction.UNKNOWN;
            return new Reading(
                    Optional.of(at),
                    OptionalDouble.empty(),
                    OptionalDouble.of(directed && !away ? -c.peakA() : c.peakA()),
                    directed,
                    open,
                    false);
        });
    }

    /** What hangs together and drives it. */
    public FenceCircuit fence() {
        return fence;
    }

    /** The fence with readings of it, for a meter as coarse as the coarsest of theirs. */
    public Hunt hunt(List<Reading> healthy, List<Reading> now, MeterNoise meter) {
        return new Hunt(fence.circuit(), meter, healthy, now, switches(), frail(), true);
    }

    /** The usual one, no finer than the coarsest that somebody named. */
    public static MeterNoise meter(List<Observation> readings) {
        double volts = 0;
        double amperes = 0;
        for (Observation o : readings) {
            if (o.what() instanceof Observed.Voltage v) {
                volts = Math.max(volts, v.resolutionV().orElse(MeterNoise.USUAL.resolutionV()));
            } else if (o.what() instanceof Observed.Current c) {
                amperes = Math.max(amperes, c.resolutionA().orElse(MeterNoise.USUAL.resolutionA()));
            }
        }
        MeterNoise usual = MeterNoise.USUAL;
        return new MeterNoise(
                volts > 0 ? volts : usual.resolutionV(),
                usual.share(),
                amperes > 0 ? amperes : usual.resolutionA(),
                usual.shareA());
    }

    /** Readings that stand: one that another corrects does not. */
    public static List<Observation> standing(List<Observation> readings) {
        Set<UUID> corrected = new HashSet<>();
        readings.forEach(o -> o.corrects().ifPresent(corrected::add));
        return readings.stream().filter(o -> !corrected.contains(o.id())).toList();
    }

    List<Reading> readings(List<Observation> observations) {
        return observations.stream().flatMap(o -> reading(o).stream()).toList();
    }

    /** What people look at first: cables under gates, handles, switches, lead-out and leads. */
    private Set<String> frail() {
        Set<String> all = new HashSet<>();
        for (Run run : fence.circuit().runs()) {
            if (run.type().cable().isPresent() || isSwitch(run) || atHandles(run.id())) {
                all.add(run.id());
            }
        }
        return all;
    }

    private boolean atHandles(String run) {
        return lines.values().stream()
                .anyMatch(l -> l.gates().stream()
                        .anyMatch(g -> !g.kind().cabled() && within(run, l.lineId(), g.fromM(), g.toM())));
    }

    /** Cut-outs are runs without length. */
    public List<Hunt.Switch> switches() {
        List<Hunt.Switch> all = new ArrayList<>();
        for (Run run : fence.circuit().runs()) {
            if (isSwitch(run)) {
                all.add(new Hunt.Switch(switchOf(run), new Place(run.id(), 0)));
            }
        }
        return all;
    }

    Optional<FenceDiagnosis.LinePart> part(String run, double fromM, double toM, double probability) {
        return Optional.ofNullable(stretchOf.get(run)).map(s -> {
            double runM = lengthM(run);
            double from = s.stationM(fromM, runM);
            double to = s.stationM(toM, runM);
            return s.towards()
                    ? new FenceDiagnosis.LinePart(s.lineId(), from, to, probability)
                    : new FenceDiagnosis.LinePart(s.lineId(), to, from, probability);
        });
    }

    private double lengthM(String run) {
        return Objects.requireNonNull(lengthOfM.get(run));
    }

    /** The stretches of runs that lie between two stations of a line. */
    List<Stretch> stretches(FenceDiagnosis.LinePart part) {
        double from = Math.min(part.fromM(), part.toM());
        double to = Math.max(part.fromM(), part.toM());
        List<Stretch> all = new ArrayList<>();
        fence.stretches().forEach(s -> {
            double a = Math.max(from, s.fromM());
            double b = Math.min(to, s.toM());
            if (s.lineId().equals(part.lineId()) && b > a) {
                double share = lengthM(s.runId()) / (s.toM() - s.fromM());
                all.add(
                        s.towards()
                                ? new Stretch(s.runId(), (a - s.fromM()) * share, (b - s.fromM()) * share)
                                : new Stretch(s.runId(), (s.toM() - b) * share, (s.toM() - a) * share));
            }
        });
        return all;
    }

    /** Whether a run lies between two stations of a line. */
    boolean within(String run, String lineId, double fromM, double toM) {
        return fence.stretches().stream()
                .anyMatch(s -> s.runId().equals(run)
                        && s.lineId().equals(lineId)
                        && s.fromM() >= fromM - 0.01
                        && s.toM() <= toM + 0.01);
    }

    /** Whether a switch of that id is in the circuit. */
    public boolean hasSwitch(String id) {
        return switches().stream().anyMatch(s -> s.id().equals(id));
    }
}
