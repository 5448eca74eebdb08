package buckle.circuit;

import buckle.circuit.FenceCircuit.DeadStretch;
import buckle.circuit.FenceCircuit.LiveStretch;
import buckle.land.Traits.Soil;
import buckle.layout.FeedPlace;
import buckle.layout.GatePlace;
import buckle.layout.LandSpan;
import buckle.layout.Layout;
import buckle.layout.LineLayout;
import buckle.layout.Post;
import buckle.message.CircuitMessage;
import buckle.network.FenceNetwork;
import buckle.network.LeadSpan;
import buckle.network.LiveWires;
import buckle.network.Span;
import buckle.network.Switch;
import buckle.pulse.Circuit;
import buckle.pulse.Fault;
import buckle.pulse.LineModel;
import buckle.pulse.LineType;
import buckle.pulse.Place;
import buckle.pulse.Run;
import buckle.spec.FenceSpec;
import buckle.spec.Spec;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Deque;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/**
 * Turns a laid-out fence into runs between nodes: ends, branches, switches, gates, changes of ground and the feed. Posts and
 * corners do not matter to the pulse.
 */
public final class FenceCircuitPlanner {
    private static final String FEED = "lead-out";

    private final Layout layout;
    private final FenceNetwork network;
    private final Spec spec;
    private final Soils soils;
    private final Wires wires;
    private final Trial trial;
    private final LiveWires live;
    private final List<DeadStretch> unfed = new ArrayList<>();
    private final List<Edge> edges = new ArrayList<>();
    /** Places within spans, where the ground changes or a load is tried, are counted down from here. */
    private int inner = -1;

    /** @param open whether nothing passes for now; such an edge is known, so that what lies beyond is known to be off */
    private record Edge(
            String id, int a, int b, double lengthM, LineType type, boolean open, Optional<LineSpan> span) {}

    private record LineSpan(String lineId, double fromM, double toM) {}

    private FenceCircuitPlanner(
            Layout layout,
            FenceNetwork network,
            Spec spec,
            Soils soils,
            Conditions conditions,
            Trial trial,
            LiveWires live) {
        this.layout = layout;
        this.network = network;
        this.spec = spec;
        this.soils = soils;
        this.wires = new Wires(conditions, live);
        this.trial = trial;
        this.live = live;
    }

    /** @param earthOhm of the rods together */
    static FenceCircuit plan(
            Layout layout,
            FenceNetwork network,
            Spec spec,
            Soils soils,
            Conditions conditions,
            double earthOhm,
            Trial trial,
            LiveWires live) {
        FenceCircuitPlanner planner = new FenceCircuitPlanner(layout, network, spec, soils, conditions, trial, live);
        planner.connect();
        return planner.circuit(conditions, earthOhm);
    }

    private void connect() {
        Map<String, LineLayout> lines = new HashMap<>();
        layout.lines().forEach(l -> lines.put(l.lineId(), l));
        for (Span span : network.spans()) {
            LineLayout line = Objects.requireNonNull(lines.get(span.lineId()));
            if (!LiveWires.hot(line).isEmpty()) {
                connect(line, span);
            }
        }
        for (LeadSpan l : network.leads()) {
            edges.add(new Edge(
                    l.lead().id(),
                    network.root(l.from()),
                    network.root(l.to()),
                    l.lead().lengthM(),
                    Wires.cable(),
                    false,
                    Optional.empty()));
        }
        for (Switch s : network.switches()) {
            LineLayout line = Objects.requireNonNull(lines.get(s.lineId()));
            double at = s.cutOut().stationM();
            wires.type(line, wirePlan(line), at, soils.at(line, at))
                    .ifPresent(type -> edges.add(new Edge(
                            "switch:" + s.cutOut().id(),
                            network.root(s.before()),
                            network.root(s.after()),
                            0,
                            type,
                            trial.open().contains(s.cutOut().id()),
                            Optional.empty())));
        }
    }

    private FenceSpec.Wires wirePlan(LineLayout line) {
        return spec.fence(line.lineId()).wires();
    }

    /** A span, parted where the ground changes and where a load is tried. */
    private void connect(LineLayout line, Span span) {
        TreeSet<Double> at = new TreeSet<>();
        for (LandSpan soil : soils.spans(line)) {
            at.add(soil.fromM());
            at.add(soil.toM());
        }
        trial.loads().stream().filter(l -> l.lineId().equals(line.lineId())).forEach(l -> at.add(l.stationM()));
        double from = span.fromM();
        int a = network.root(span.from());
        for (double s : at) {
            if (s - from > Post.SAME_PLACE_M && span.toM() - s > Post.SAME_PLACE_M) {
                int middle = inner--;
                part(line, span, from, s, a, middle);
                from = s;
                a = middle;
            }
        }
        part(line, span, from, span.toM(), a, network.root(span.to()));
    }

    private void part(LineLayout line, Span span, double from, double to, int a, int b) {
        LineSpan part = new LineSpan(line.lineId(), from, to);
        double middle = (from + to) / 2;
        String id = line.lineId() + ":" + Math.round(from);
        Soil soil = soils.at(line, middle);
        if (span.gate().isEmpty()) {
            wires.type(line, wirePlan(line), middle, soil)
                    .ifPresentOrElse(
                            type -> edges.add(new Edge(id, a, b, to - from, type, false, Optional.of(part))),
                            () -> unfed(part));
            return;
        }
        GatePlace gate = span.gate().get();
        if (gate.kind().cabled()) {
            double length = (to - from)
                    + 2 * spec.fence().underGate().burialM()
                    + 2 * line.schedule().wires().getFirst().heightM()
                    + 2 * spec.fence().underGate().spareLoopM();
            edges.add(new Edge(id, a, b, length, Wires.cable(), false, Optional.of(part)));
        } else if (gate.kind().conducts()) {
            boolean open = trial.open().contains(gate.id());
            wires.across(line, gate, wirePlan(line), soil)
                    .ifPresentOrElse(
                            type -> edges.add(new Edge(id, a, b, to - from, type, open, Optional.of(part))),
                            () -> unfed(part));
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
            at.computeIfAbsent(e.a(), k -> new ArrayList<>()).add(e);
            at.computeIfAbsent(e.b(), k -> new ArrayList<>()).add(e);
        }
        List<Run> runs = new ArrayList<>();
        List<LiveStretch> live = new ArrayList<>();
        double leadOut = feed.leadOutM() + spec.supply().leadOutSpareM();
        runs.add(Run.of(FEED, Optional.empty(), leadOut, Wires.cable()));
        Map<Integer, String> arrival = new HashMap<>();
        int first = network.root(network.feedPlace());
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
                boolean towards = e.a() == here;
                int there = towards ? e.b() : e.a();
                String id = e.id() + "#" + runs.size();
                boolean loop = arrival.containsKey(there);
                runs.add(new Run(
                        id,
                        Optional.of(Objects.requireNonNull(arrival.get(here))),
                        e.lengthM(),
                        e.type(),
                        e.open(),
                        loop ? Optional.of(Objects.requireNonNull(arrival.get(there))) : Optional.empty()));
                e.span().ifPresent(s -> live.add(new LiveStretch(s.lineId(), s.fromM(), s.toM(), id, towards)));
                if (!loop) {
                    arrival.put(there, id);
                    open.addLast(there);
                }
            }
        }
        List<DeadStretch> dead = new ArrayList<>(unfed);
        this.live
                .dead()
                .forEach(d -> dead.add(new DeadStretch(
                        d.lineId(), d.fromM(), d.toM(), d.wires(), new CircuitMessage.NoJumper(d.wires()))));
        for (Edge e : edges) {
            if (!used.contains(e) && e.span().isPresent()) {
                LineSpan s = e.span().get();
                dead.add(new DeadStretch(s.lineId(), s.fromM(), s.toM(), List.of(), new CircuitMessage.NoJoint()));
            }
        }
        Circuit circuit = new Circuit(
                "fence", LineModel.FREQUENCY_DEPENDENT, conditions.source(), earthOhm, tied(), runs, List.of());
        FenceCircuit fence = new FenceCircuit(
                circuit, live, dead, FEED, conditions.deviation().drift());
        List<Fault> loads = new ArrayList<>();
        for (Trial.TestLoad load : trial.loads()) {
            Optional<Place> place = fence.place(load.lineId(), load.stationM());
            place.ifPresent(p -> loads.add(new Fault(Fault.Kind.SHUNT, p, load.ohm())));
        }
        return new FenceCircuit(circuit.withFaults(loads), live, dead, FEED, fence.drift());
    }

    /** The first line's earth wires lead back when they are tied to the terminal. */
    private boolean tied() {
        FeedPlace feed = layout.feed().orElseThrow();
        return spec.fence().wires().earthTied()
                && line(feed.lineId()).schedule().count(buckle.spec.WireRole.EARTH) > 0;
    }
}
