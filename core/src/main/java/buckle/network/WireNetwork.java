package buckle.network;

import buckle.layout.FeedPlace;
import buckle.layout.Fence;
import buckle.layout.GatePlace;
import buckle.layout.Joint;
import buckle.layout.LaidLine;
import buckle.layout.Lead;
import buckle.layout.LineLayout;
import buckle.layout.Pull;
import buckle.layout.WireRun;
import buckle.network.Edge.Kind;
import buckle.network.Stops.Stop;
import buckle.site.Tees;
import buckle.spec.WireRole;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;

/** Single wires: along each pull from stop to stop, and where joints lead from one to another. */
final class WireNetwork {
    private final Fence fence;
    private final Map<String, List<Stop>> stops;
    private final Map<String, Node> nodes = new LinkedHashMap<>();
    private final List<Edge> edges = new ArrayList<>();
    private final Map<String, LineLayout> lines = new HashMap<>();

    WireNetwork(Fence fence, Map<String, List<Stop>> stops) {
        this.fence = fence;
        this.stops = stops;
        fence.lines().forEach(l -> lines.put(l.id(), l.layout()));
        fence.lines().forEach(l -> l.layout().pulls().forEach(p -> along(l.layout(), p)));
        fence.lines().forEach(l -> l.layout().runs().forEach(r -> run(l, r)));
        fence.joints().forEach(this::joint);
    }

    List<Node> nodes() {
        return List.copyOf(nodes.values());
    }

    List<Edge> edges() {
        return List.copyOf(edges);
    }

    /** A wire where its pull begins. */
    Node begin(LineLayout line, Pull pull, int wire) {
        return node(line, stopAt(line, pull.fromM()), wire, "+");
    }

    private Stop stopAt(LineLayout line, double stationM) {
        return Stops.at(Objects.requireNonNull(stops.get(line.lineId())), stationM);
    }

    private Node node(LineLayout line, Stop stop, int wire, String side) {
        Node node = Node.of(line.lineId(), stop.key() + side, wire, stop.stationM());
        return nodes.computeIfAbsent(node.id(), k -> node);
    }

    private boolean hot(LineLayout line, int wire) {
        return line.schedule().wires().get(wire - 1).role() == WireRole.HOT;
    }

    /** Hot wires are cut where a switch stands within their pull; the others pass it. */
    private void along(LineLayout line, Pull pull) {
        List<Stop> all = Objects.requireNonNull(stops.get(line.lineId()));
        int count = line.schedule().wires().size();
        Stop before = null;
        for (Stop stop : all) {
            if (stop.stationM() < pull.fromM() - Stops.SAME_M) {
                continue;
            }
            if (stop.stationM() > pull.toM() + Stops.SAME_M) {
                break;
            }
            if (before != null) {
                boolean first = before.near(pull.fromM());
                boolean last = stop.near(pull.toM());
                for (int wire = 1; wire <= count; wire++) {
                    String leaves = first ? "+" : cut(before, line, wire) ? "+" : "";
                    String arrives = last ? "-" : cut(stop, line, wire) ? "-" : "";
                    Node from = node(line, before, wire, leaves);
                    Node to = node(line, stop, wire, arrives);
                    String id = line.lineId() + "/" + before.key() + ".." + stop.key();
                    edges.add(Edge.of(Kind.WIRE, from, to, id, stop.stationM() - before.stationM(), false));
                }
            }
            before = stop;
        }
    }

    /** Where wires run on from pull to pull, come back on another height or meet their own beginning. */
    private void run(LaidLine laid, WireRun run) {
        LineLayout line = laid.layout();
        int count = line.schedule().wires().size();
        for (int i = 1; i < run.pulls().size(); i++) {
            Pull before = line.pulls().get(run.pulls().get(i - 1));
            Pull after = line.pulls().get(run.pulls().get(i));
            for (int wire = 1; wire <= count; wire++) {
                runsOn(line, end(line, before, wire), begin(line, after, wire), before.toM(), wire);
            }
        }
        Pull first = line.pulls().get(run.pulls().getFirst());
        Pull last = line.pulls().get(run.pulls().getLast());
        List<Integer> hot = hot(line);
        if (run.oneWire()) {
            boolean round = run.ring();
            for (int i = 1; i < hot.size(); i++) {
                int low = hot.get(i - 1);
                int high = hot.get(i);
                boolean far = round || i % 2 == 1;
                Node from = far ? end(line, last, low) : begin(line, first, low);
                Node to = round || !far ? begin(line, first, high) : end(line, last, high);
                runsOn(line, from, to, far ? last.toM() : first.fromM(), low);
            }
        }
        for (int wire = 1; run.ring() && wire <= count; wire++) {
            if (!(run.oneWire() && hot(line, wire))) {
                runsOn(line, end(line, last, wire), begin(line, first, wire), last.toM(), wire);
            }
        }
    }

    /** But for a switch that stands there. */
    private void runsOn(LineLayout line, Node from, Node to, double stationM, int wire) {
        Stop stop = stopAt(line, stationM);
        if (!cut(stop, line, wire)) {
            edges.add(Edge.of(Kind.RUNS_ON, from, to, line.lineId() + "/on:" + stop.key(), 0, false));
        }
    }

    private boolean cut(Stop stop, LineLayout line, int wire) {
        return stop.cutOut().isPresent() && hot(line, wire);
    }

    // ---------------------------------------------------------------- joints

    private void joint(Joint joint) {
        LineLayout line = line(joint.lineId());
        switch (joint.kind()) {
            case FEED -> feed(joint, line);
            case JUMPER -> {
                Pull pull = pullAt(line, joint.stationM());
                bond(
                        Kind.JUMPER,
                        joint.id(),
                        joint.hot().stream().map(w -> begin(line, pull, w)).toList(),
                        "");
                bond(
                        Kind.JUMPER,
                        joint.id(),
                        joint.earth().stream().map(w -> begin(line, pull, w)).toList(),
                        "");
            }
            case CUT_OUT -> cutOut(joint, line);
            case LINK -> {
                Optional<Stop> at = Optional.of(stopAt(line, joint.stationM()));
                boolean switched = at.flatMap(Stop::cutOut).isPresent();
                across(Kind.LINK, joint, line, switched ? List.of() : joint.hot(), false);
                across(Kind.LINK, joint, line, joint.earth(), false);
            }
            case HANDLE -> {
                across(Kind.CONTACT, joint, line, joint.hot(), true);
                across(Kind.CABLE, joint, line, joint.earth(), false);
            }
            case CABLE -> {
                cable(joint, line, joint.hot());
                cable(joint, line, joint.earth());
            }
            case TEE -> branch(joint, line);
            case LEAD -> lead(joint, line);
            case OPEN -> across(Kind.LINK, joint, line, joint.earth(), false);
        }
    }

    private void bond(Kind kind, String joint, List<Node> all, String side) {
        for (int i = 1; i < all.size(); i++) {
            edges.add(Edge.of(kind, all.get(i - 1), all.get(i), joint, 0, false)
                    .named(side.isEmpty() ? Optional.empty() : Optional.of(side)));
        }
    }

    private void feed(Joint joint, LineLayout line) {
        FeedPlace feed = fence.feed().orElseThrow();
        Stop stop = stopAt(line, feed.stationM());
        List<Node> hot = at(line, stop, joint.hot());
        nodes.put(Node.HOT_TERMINAL.id(), Node.HOT_TERMINAL);
        nodes.put(Node.EARTH_TERMINAL.id(), Node.EARTH_TERMINAL);
        hot.forEach(n -> edges.add(Edge.of(Kind.LEAD, Node.HOT_TERMINAL, n, "lead:hot", feed.leadOutM(), false)));
        if (fence.spec().fence().wires().earthTied()) {
            at(line, stop, joint.earth())
                    .forEach(n -> edges.add(
                            Edge.of(Kind.LEAD, Node.EARTH_TERMINAL, n, "lead:earth", feed.leadOutM(), false)));
        }
    }

    /** Wires at a stop: of the pull that begins there, otherwise of the one that ends there, or passing. */
    private List<Node> at(LineLayout line, Stop stop, List<Integer> wires) {
        Pull pull = pullAt(line, stop.stationM());
        if (same(line, stop.stationM(), pull.fromM())) {
            return wires.stream().map(w -> begin(line, pull, w)).toList();
        }
        if (same(line, stop.stationM(), pull.toM())) {
            return wires.stream().map(w -> end(line, pull, w)).toList();
        }
        return wires.stream()
                .map(w -> node(line, stop, w, cut(stop, line, w) ? "+" : ""))
                .toList();
    }

    /** The hot wires of either side together, and the switch between; where the wires end at a post, of the pulls on either side. */
    private void cutOut(Joint joint, LineLayout line) {
        Stop stop = stopAt(line, joint.stationM());
        if (joint.hot().isEmpty()
                || stop.cutOut().filter(c -> c.name().equals(joint.name())).isEmpty()) {
            return;
        }
        List<Node> before =
                joint.hot().stream().map(w -> node(line, stop, w, "-")).toList();
        List<Node> after =
                joint.hot().stream().map(w -> node(line, stop, w, "+")).toList();
        bond(Kind.BOND, joint.id(), before, "-");
        bond(Kind.BOND, joint.id(), after, "+");
        edges.add(Edge.of(Kind.SWITCH, before.getFirst(), after.getFirst(), joint.id(), 0, true));
    }

    private record Sides(Pull before, Pull after) {}

    /** The pulls that end and begin at a post, over the opening where a gate follows; round the seam of a closed line. */
    private Optional<Sides> sides(LineLayout line, double stationM) {
        double beyond = line.gates().stream()
                .filter(g -> Math.abs(g.fromM() - stationM) < Stops.SAME_M)
                .mapToDouble(GatePlace::toM)
                .findFirst()
                .orElse(stationM);
        Optional<Pull> before = near(line, Pull::toM, stationM);
        Optional<Pull> after = near(line, Pull::fromM, beyond);
        return before.flatMap(b -> after.map(a -> new Sides(b, a)));
    }

    /** The pull that begins or ends at a station; that of a closed line's seam may do so at its other end. */
    private static Optional<Pull> near(LineLayout line, ToDoubleFunction<Pull> end, double stationM) {
        double[] places = line.closed()
                ? new double[] {stationM, stationM - line.lengthM(), stationM + line.lengthM()}
                : new double[] {stationM};
        for (double at : places) {
            int i = notBefore(line.pulls(), end, at - Stops.SAME_M);
            if (i < line.pulls().size() && end.applyAsDouble(line.pulls().get(i)) - at < Stops.SAME_M) {
                return Optional.of(line.pulls().get(i));
            }
        }
        return Optional.empty();
    }

    /** First of the pulls, which are in order, that begins or ends beyond a station. */
    private static int notBefore(List<Pull> pulls, ToDoubleFunction<Pull> end, double stationM) {
        int low = 0;
        int high = pulls.size();
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (end.applyAsDouble(pulls.get(middle)) <= stationM) {
                low = middle + 1;
            } else {
                high = middle;
            }
        }
        return low;
    }

    private static boolean same(LineLayout line, double one, double other) {
        double apart = Math.abs(one - other);
        return apart < Stops.SAME_M || line.closed() && Math.abs(apart - line.lengthM()) < Stops.SAME_M;
    }

    private void across(Kind kind, Joint joint, LineLayout line, List<Integer> wires, boolean opens) {
        sides(line, joint.stationM())
                .ifPresent(s -> wires.forEach(w -> edges.add(
                        Edge.of(kind, end(line, s.before(), w), begin(line, s.after(), w), joint.id(), 0, opens))));
    }

    private Node end(LineLayout line, Pull pull, int wire) {
        return node(line, stopAt(line, pull.toM()), wire, "-");
    }

    private void cable(Joint joint, LineLayout line, List<Integer> wires) {
        if (wires.isEmpty()) {
            return;
        }
        sides(line, joint.stationM()).ifPresent(s -> {
            List<Node> before =
                    wires.stream().map(w -> end(line, s.before(), w)).toList();
            List<Node> after =
                    wires.stream().map(w -> begin(line, s.after(), w)).toList();
            bond(Kind.BOND, joint.id(), before, "-");
            bond(Kind.BOND, joint.id(), after, "+");
            edges.add(Edge.of(Kind.CABLE, before.getFirst(), after.getFirst(), joint.id(), 0, false));
        });
    }

    /** All hot wires of the branch together, all of the line it stands on together, one joined to the other. */
    private void branch(Joint joint, LineLayout line) {
        boolean atStart = joint.stationM() < line.lengthM() / 2;
        for (Tees.Tee tee : fence.tees()) {
            if (tee.lineId().equals(line.lineId()) && tee.atStart() == atStart) {
                LineLayout on = line(tee.onLineId());
                List<Node> here = at(line, stopAt(line, joint.stationM()), hot(line));
                List<Node> there = at(on, stopAt(on, tee.stationM()), hot(on));
                bond(Kind.BOND, joint.id(), here, "-");
                bond(Kind.BOND, joint.id(), there, "+");
                if (!here.isEmpty() && !there.isEmpty()) {
                    edges.add(Edge.of(Kind.BRANCH, here.getFirst(), there.getFirst(), joint.id(), 0, false));
                }
            }
        }
    }

    private void lead(Joint joint, LineLayout line) {
        for (Lead lead : fence.leads()) {
            if (lead.id().equals(joint.id())) {
                LineLayout on = line(lead.onLineId());
                List<Node> here = at(line, stopAt(line, lead.stationM()), hot(line));
                List<Node> there = at(on, stopAt(on, lead.onStationM()), hot(on));
                bond(Kind.BOND, joint.id(), here, "-");
                bond(Kind.BOND, joint.id(), there, "+");
                edges.add(Edge.of(Kind.CABLE, here.getFirst(), there.getFirst(), joint.id(), lead.lengthM(), false));
            }
        }
    }

    static List<Integer> hot(LineLayout line) {
        var wires = line.schedule().wires();
        return IntStream.range(0, wires.size())
                .filter(i -> wires.get(i).role() == WireRole.HOT)
                .mapToObj(i -> i + 1)
                .toList();
    }

    /** The first pull that holds a station; past all of them the last. */
    static Pull pullAt(LineLayout line, double stationM) {
        int i = notBefore(line.pulls(), Pull::toM, stationM - Stops.SAME_M);
        boolean holds = i < line.pulls().size() && line.pulls().get(i).fromM() - Stops.SAME_M <= stationM;
        return holds ? line.pulls().get(i) : line.pulls().getLast();
    }

    private LineLayout line(String id) {
        return Objects.requireNonNull(lines.get(id));
    }
}
