package buckle.circuit;

import buckle.circuit.FenceCircuit.DeadStretch;
import buckle.circuit.FenceCircuit.LiveStretch;
import buckle.layout.CutOutPlace;
import buckle.layout.FeedPlace;
import buckle.layout.GatePlace;
import buckle.layout.LandSpan;
import buckle.layout.Layout;
import buckle.layout.LineLayout;
import buckle.message.CircuitMessage;
import buckle.pulse.Circuit;
import buckle.pulse.Fault;
import buckle.pulse.LineModel;
import buckle.pulse.LineType;
import buckle.pulse.Place;
import buckle.pulse.Run;
import buckle.site.Tees;
import buckle.spec.Spec;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Deque;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/**
 * Turns a laid-out fence into runs between nodes: ends, branches, switches, gates, changes of ground and the feed. Posts and
 * corners do not matter to the pulse.
 */
public final class FenceCircuitPlanner {
    private static final double SAME_M = 0.01;
    private static final String FEED = "lead-out";

    private final Layout layout;
    private final Spec spec;
    private final Soils soils;
    private final Wires wires;
    private final Trial trial;
    private final Continuity continuity;
    private final List<DeadStretch> unfed = new ArrayList<>();
    private final List<Edge> edges = new ArrayList<>();
    private final Map<String, TreeSet<Double>> stops = new HashMap<>();
    private final Map<String, Integer> nodes = new HashMap<>();
    private int nodeCount;
    /** Nodes of a branch and of the line it branches from are one. */
    private final Together<Integer> same = new Together<>();

    /** @param open whether nothing passes for now; such an edge is known, so that what lies beyond is known to be off */
    private record Edge(
            String id, int a, int b, double lengthM, LineType type, boolean open, Optional<LineSpan> span) {}

    private record LineSpan(String lineId, double fromM, double toM) {}

    private FenceCircuitPlanner(
            Layout layout, Spec spec, Soils soils, Conditions conditions, Trial trial, Continuity continuity) {
        this.layout = layout;
        this.spec = spec;
        this.soils = soils;
        this.wires = new Wires(conditions, continuity);
        this.trial = trial;
        this.continuity = continuity;
    }

    /** @param earthOhm of the rods together */
    static FenceCircuit plan(
            Layout layout,
            List<Tees.Tee> tees,
            Spec spec,
            Soils soils,
            Conditions conditions,
            double earthOhm,
            Trial trial,
            Continuity continuity) {
        FenceCircuitPlanner planner = new FenceCircuitPlanner(layout, spec, soils, conditions, trial, continuity);
        planner.cut(tees);
        planner.connect(tees);
        return planner.circuit(conditions, earthOhm);
    }

    private void cut(List<Tees.Tee> tees) {
        FeedPlace feed = layout.feed().orElseThrow();
        for (LineLayout line : layout.lines()) {
            TreeSet<Double> at = new TreeSet<>(List.of(0.0, line.lengthM()));
            tees.stream().filter(t -> t.onLineId().equals(line.lineId())).forEach(t -> at.add(t.stationM()));
            if (feed.lineId().equals(line.lineId())) {
                at.add(feed.stationM());
            }
            line.cutOuts().forEach(c -> at.add(c.stationM()));
            line.gates().forEach(g -> {
                at.add(g.fromM());
                at.add(g.toM());
            });
            for (LandSpan span : soils.spans(line)) {
                at.add(span.fromM());
                at.add(span.toM());
            }
            if (line.closed()) {
                at.add(line.closingM());
            }
            trial.loads().stream()
                    .filter(l -> l.lineId().equals(line.lineId()))
                    .forEach(l -> at.add(Math.clamp(l.stationM(), 0, line.lengthM())));
            TreeSet<Double> kept = new TreeSet<>();
            for (double s : at) {
                if (kept.isEmpty() || s - kept.last() > SAME_M) {
                    kept.add(Math.clamp(s, 0, line.lengthM()));
                }
            }
            stops.put(line.lineId(), kept);
        }
    }

    /** Number of the node at a station, on the side before or after what stands there. */
    private int node(LineLayout line, double stationM, boolean after) {
        double stop = nearest(line.lineId(), stationM);
        boolean seam = line.closed() && (stop < SAME_M || stop > line.lengthM() - SAME_M);
        boolean parted = parted(line, stop);
        String key =
                line.lineId() + "@" + (seam ? "seam" : stop) + (parted && (seam ? stop < SAME_M : after) ? "+" : "");
        return nodes.computeIfAbsent(key, k -> nodeCount++);
    }

    private double nearest(String lineId, double stationM) {
        double best = 0;
        for (double s : stops.get(lineId)) {
            if (Math.abs(s - stationM) < Math.abs(best - stationM)) {
                best = s;
            }
        }
        return best;
    }

    /** Whether the wires before and after a station are two nodes: at a switch, and where a closed line stays open. */
    private boolean parted(LineLayout line, double stop) {
        boolean closing = line.closed()
                && !spec.ringClosed()
                && (Math.abs(stop - line.closingM()) < SAME_M
                        || line.closingM() < SAME_M && stop > line.lengthM() - SAME_M);
        return closing || cutOut(line, stop).isPresent();
    }

    private static Optional<CutOutPlace> cutOut(LineLayout line, double stop) {
        return line.cutOuts().stream()
                .filter(c -> Math.abs(c.stationM() - stop) <= SAME_M)
                .filter(c -> c.stationM() > SAME_M && c.stationM() < line.lengthM() - SAME_M)
                .findFirst();
    }

    private void connect(List<Tees.Tee> tees) {
        for (LineLayout line : layout.lines()) {
            if (Continuity.hot(line).isEmpty()) {
                continue;
            }
            var plan = spec.forLine(line.lineId()).build().wires();
            List<Double> all = List.copyOf(stops.get(line.lineId()));
            for (int i = 1; i < all.size(); i++) {
                double from = all.get(i - 1);
                double to = all.get(i);
                LineSpan span = new LineSpan(line.lineId(), from, to);
                int a = node(line, from, true);
                int b = node(line, to, false);
                double middle = (from + to) / 2;
                Optional<GatePlace> gate = line.gates().stream()
                        .filter(g -> g.fromM() - SAME_M <= from && to <= g.toM() + SAME_M)
                        .findFirst();
                String id = line.lineId() + ":" + Math.round(from);
                if (gate.isEmpty()) {
                    wires.type(line, plan, middle, soils.at(line, middle))
                            .ifPresentOrElse(
                                    type -> edges.add(new Edge(id, a, b, to - from, type, false, Optional.of(span))),
                                    () -> unfed(span));
                } else if (gate.get().kind().cabled()) {
                    double length = (to - from)
                            + 2 * spec.underGate().burialM()
                            + 2 * line.schedule().wires().getFirst().heightM()
                            + 2 * spec.underGate().spareLoopM();
                    edges.add(new Edge(id, a, b, length, Wires.cable(), false, Optional.of(span)));
                } else if (gate.get().kind().conducts()) {
                    boolean open = trial.open().contains(gate.get().id());
                    wires.across(line, gate.get(), plan, soils.at(line, middle))
                            .ifPresentOrElse(
                                    type -> edges.add(new Edge(id, a, b, to - from, type, open, Optional.of(span))),
                                    () -> unfed(span));
                }
            }
            for (double stop : all) {
                cutOut(line, stop)
                        .ifPresent(c -> wires.type(line, plan, stop, soils.at(line, stop))
                                .ifPresent(type -> edges.add(new Edge(
                                        "switch:" + c.id(),
                                        node(line, stop, false),
                                        node(line, stop, true),
                                        0,
                                        type,
                                        trial.open().contains(c.id()),
                                        Optional.empty()))));
            }
        }
        for (Tees.Tee tee : tees) {
            LineLayout branch = line(tee.lineId());
            LineLayout on = line(tee.onLineId());
            double end = tee.atStart() ? 0 : branch.lengthM();
            same.join(node(branch, end, tee.atStart()), node(on, tee.stationM(), false));
        }
    }

    private void unfed(LineSpan span) {
        unfed.add(new DeadStretch(span.lineId(), span.fromM(), span.toM(), List.of(), new CircuitMessage.NoJoint()));
    }

    private LineLayout line(String id) {
        return layout.lines().stream()
                .filter(l -> l.lineId().equals(id))
                .findFirst()
                .orElseThrow();
    }

    private FenceCircuit circuit(Conditions conditions, double earthOhm) {
        FeedPlace feed = layout.feed().orElseThrow();
        Map<Integer, List<Edge>> at = new HashMap<>();
        for (Edge e : edges) {
            at.computeIfAbsent(same.root(e.a()), k -> new ArrayList<>()).add(e);
            at.computeIfAbsent(same.root(e.b()), k -> new ArrayList<>()).add(e);
        }
        List<Run> runs = new ArrayList<>();
        List<LiveStretch> live = new ArrayList<>();
        double leadOut = feed.leadOutM() + spec.feed().leadOutSpareM();
        runs.add(Run.of(FEED, Optional.empty(), leadOut, Wires.cable()));
        Map<Integer, String> arrival = new HashMap<>();
        int first = same.root(node(line(feed.lineId()), feed.stationM(), false));
        arrival.put(first, FEED);
        Deque<Integer> open = new ArrayDeque<>(List.of(first));
        Set<Edge> used = Collections.newSetFromMap(new IdentityHashMap<>());
        while (!open.isEmpty()) {
            int here = open.removeFirst();
            for (Edge e : at.getOrDefault(here, List.of())) {
                if (used.contains(e)) {
                    continue;
                }
                used.add(e);
                boolean towards = same.root(e.a()) == here;
                int there = same.root(towards ? e.b() : e.a());
                String id = e.id() + "#" + runs.size();
                boolean loop = arrival.containsKey(there);
                runs.add(new Run(
                        id,
                        Optional.of(arrival.get(here)),
                        e.lengthM(),
                        e.type(),
                        e.open(),
                        loop ? Optional.of(arrival.get(there)) : Optional.empty()));
                e.span().ifPresent(s -> live.add(new LiveStretch(s.lineId(), s.fromM(), s.toM(), id, towards)));
                if (!loop) {
                    arrival.put(there, id);
                    open.addLast(there);
                }
            }
        }
        List<DeadStretch> dead = new ArrayList<>(unfed);
        dead.addAll(continuity.dead());
        for (Edge e : edges) {
            if (!used.contains(e) && e.span().isPresent()) {
                LineSpan s = e.span().get();
                dead.add(new DeadStretch(s.lineId(), s.fromM(), s.toM(), List.of(), new CircuitMessage.NoJoint()));
            }
        }
        Circuit circuit = new Circuit(
                "fence", LineModel.FREQUENCY_DEPENDENT, conditions.source(), earthOhm, tied(), runs, List.of());
        FenceCircuit fence = new FenceCircuit(circuit, live, dead, FEED);
        List<Fault> loads = new ArrayList<>();
        for (Trial.TestLoad load : trial.loads()) {
            Optional<Place> place = fence.place(load.lineId(), load.stationM());
            place.ifPresent(p -> loads.add(new Fault(Fault.Kind.SHUNT, p, load.ohm())));
        }
        return new FenceCircuit(circuit.withFaults(loads), live, dead, FEED);
    }

    /** The first line's earth wires lead back when they are tied to the terminal. */
    private boolean tied() {
        FeedPlace feed = layout.feed().orElseThrow();
        return spec.build().wires().earthTied()
                && line(feed.lineId()).schedule().count(buckle.spec.WireRole.EARTH) > 0;
    }
}
