package buckle.network;

import buckle.layout.CutOutPlace;
import buckle.layout.FeedPlace;
import buckle.layout.Fence;
import buckle.layout.GatePlace;
import buckle.layout.LaidLine;
import buckle.layout.Lead;
import buckle.layout.LineLayout;
import buckle.layout.Section;
import buckle.layout.TestPoint;
import buckle.message.LayoutMessage.IdleWhy;
import buckle.network.Stops.Stop;
import buckle.site.Gate.GateEnd;
import buckle.site.Tees;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * The fence joined up, made once from the lines as laid out and the joints as drawn. Its nodes and edges are single wires; its spans
 * and switches are the same network with all wires of a line taken together, which is what sections and the pulse are about.
 */
public final class FenceNetwork {
    private final Fence fence;
    private final Map<String, List<Stop>> stops = new LinkedHashMap<>();
    private final List<Span> spans = new ArrayList<>();
    private final List<Switch> switches = new ArrayList<>();
    private final List<LeadSpan> leads = new ArrayList<>();
    /** Places joined for good: round a post, at a branch. */
    private final DisjointSets<Integer> same = new DisjointSets<>();

    private final Map<String, Integer> places = new HashMap<>();
    /** Made when it is first asked for: a drag without the pulse needs none. */
    private @Nullable WireNetwork wires;

    private final SectionView sections;

    private FenceNetwork(Fence fence) {
        this.fence = fence;
        FeedPlace feed = fence.feed().orElseThrow();
        for (LaidLine line : fence.lines()) {
            stops.put(line.id(), Stops.of(line, fence.tees(), fence.leads(), feed));
        }
        fence.lines().forEach(this::spans);
        for (Tees.Tee tee : fence.tees()) {
            LineLayout branch = fence.line(tee.lineId()).layout();
            double end = tee.atStart() ? 0 : branch.lengthM();
            same.join(place(tee.lineId(), end, tee.atStart()), place(tee.onLineId(), tee.stationM(), true));
        }
        for (Lead lead : fence.leads()) {
            leads.add(new LeadSpan(
                    lead,
                    place(lead.lineId(), lead.stationM(), true),
                    place(lead.onLineId(), lead.onStationM(), true)));
        }
        this.sections = new SectionView(fence, this);
    }

    /** Of a fence with at least one line. */
    public static FenceNetwork of(Fence fence) {
        return new FenceNetwork(fence);
    }

    // ---------------------------------------------------------------- wires one by one

    /** Every wire at every place where it ends or is joined. */
    public List<Node> nodes() {
        return wires().nodes();
    }

    /** Every piece of wire, and every joint of two wires. */
    public List<Edge> edges() {
        return wires().edges();
    }

    /** Which hot wires the feed reaches, whatever switches stand like; joints that are left out do not join. */
    public LiveWires live(Set<String> jointsLeftOut) {
        return new LiveWires(fence, wires(), jointsLeftOut);
    }

    private synchronized WireNetwork wires() {
        if (wires == null) {
            wires = new WireNetwork(fence, stops);
        }
        return wires;
    }

    // ---------------------------------------------------------------- all wires of a line together

    /** Stretches of lines from place to place, line by line in order of station. */
    public List<Span> spans() {
        return List.copyOf(spans);
    }

    /** Leads from line to line. */
    public List<LeadSpan> leads() {
        return List.copyOf(leads);
    }

    /** Cut-outs that part something. */
    public List<Switch> switches() {
        return List.copyOf(switches);
    }

    /** Cut-outs that part nothing, line by line. */
    public List<IdleCutOut> idleCutOuts() {
        List<IdleCutOut> idle = new ArrayList<>();
        stops.forEach((lineId, all) -> {
            double lengthM = fence.line(lineId).layout().lengthM();
            for (Stop stop : all) {
                boolean end = stop.stationM() < Stops.SAME_M || stop.stationM() > lengthM - Stops.SAME_M;
                for (CutOutPlace c : stop.idle()) {
                    IdleWhy why = end ? IdleWhy.AT_THE_END : stop.open() ? IdleWhy.WIRES_END : IdleWhy.SAME_PLACE;
                    Optional<String> other =
                            why == IdleWhy.SAME_PLACE ? stop.cutOut().map(CutOutPlace::name) : Optional.empty();
                    idle.add(new IdleCutOut(lineId, c, why, other));
                }
            }
        });
        return idle;
    }

    /** Number of the place where the lead-out meets the fence. */
    public int feedPlace() {
        FeedPlace feed = fence.feed().orElseThrow();
        return place(feed.lineId(), feed.stationM(), true);
    }

    List<Stop> stops(String lineId) {
        return Objects.requireNonNull(stops.get(lineId));
    }

    /** Number of the place at a station, on the side before or after what stands there. */
    int place(String lineId, double stationM, boolean after) {
        Stop at = stopAt(lineId, stationM);
        return same.root(number(fence.line(lineId).layout(), at, after));
    }

    Stop stopAt(String lineId, double stationM) {
        return Stops.at(stops(lineId), stationM);
    }

    private int number(LineLayout line, Stop stop, boolean after) {
        boolean seam =
                line.closed() && (stop.stationM() < Stops.SAME_M || stop.stationM() > line.lengthM() - Stops.SAME_M);
        boolean second = stop.parted() && (seam ? stop.stationM() < Stops.SAME_M : after);
        String key = line.lineId() + "@" + (seam ? "seam" : stop.key() + "@" + stop.stationM()) + (second ? "+" : "");
        return places.computeIfAbsent(key, k -> places.size());
    }

    private void spans(LaidLine laid) {
        LineLayout line = laid.layout();
        List<Stop> bundled = stops(laid.id()).stream().filter(Stop::bundle).toList();
        for (int i = 1; i < bundled.size(); i++) {
            Stop from = bundled.get(i - 1);
            Stop to = bundled.get(i);
            Optional<GatePlace> gate = line.gates().stream()
                    .filter(g -> g.fromM() - Stops.SAME_M <= from.stationM() && to.stationM() <= g.toM() + Stops.SAME_M)
                    .findFirst();
            spans.add(new Span(
                    line.lineId(),
                    from.stationM(),
                    to.stationM(),
                    number(line, from, true),
                    number(line, to, false),
                    gate));
        }
        for (Stop stop : bundled) {
            stop.cutOut()
                    .ifPresent(c -> switches.add(
                            new Switch(c, line.lineId(), number(line, stop, false), number(line, stop, true))));
        }
    }

    /** One number for all places joined for good. */
    public int root(int place) {
        return same.root(place);
    }

    // ---------------------------------------------------------------- views

    /** Connected pieces between switches, in order from the energizer, then the dead ones. */
    public List<Section> sections() {
        return sections.sections();
    }

    /** Where to read: at the energizer, at both sides of each gate, at the end of each section. */
    public List<TestPoint> testPoints() {
        return TestPoints.of(fence, this, sections);
    }

    /** Sections as a graph, for those that ask how switches lie in it. */
    public SectionView sectionView() {
        return sections;
    }

    /** The post of a gate on the energizer's side; empty where neither lies towards it, or both do when the gate stands open. */
    public Optional<GateEnd> fedSide(String gateId) {
        Span opening = spans.stream()
                .filter(s -> s.gate().filter(g -> g.id().equals(gateId)).isPresent())
                .findFirst()
                .orElseThrow();
        Set<Integer> fed = reached(feedPlace(), opening);
        boolean first = fed.contains(root(opening.from()));
        boolean last = fed.contains(root(opening.to()));
        return first == last ? Optional.empty() : Optional.of(first ? GateEnd.FIRST : GateEnd.LAST);
    }

    /** Places that lead to one when all switches are closed, one span is taken out and even what leads no power passes. */
    private Set<Integer> reached(int from, Span without) {
        Map<Integer, List<Integer>> next = new HashMap<>();
        for (Span s : spans) {
            if (s != without) {
                join(next, root(s.from()), root(s.to()));
            }
        }
        switches.forEach(s -> join(next, root(s.before()), root(s.after())));
        leads.forEach(l -> join(next, root(l.from()), root(l.to())));
        Set<Integer> seen = new HashSet<>(Set.of(from));
        Deque<Integer> open = new ArrayDeque<>(seen);
        while (!open.isEmpty()) {
            for (int there : next.getOrDefault(open.removeFirst(), List.of())) {
                if (seen.add(there)) {
                    open.addLast(there);
                }
            }
        }
        return seen;
    }

    private static void join(Map<Integer, List<Integer>> next, int a, int b) {
        next.computeIfAbsent(a, k -> new ArrayList<>()).add(b);
        next.computeIfAbsent(b, k -> new ArrayList<>()).add(a);
    }
}
