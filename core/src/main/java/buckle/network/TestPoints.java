package buckle.network;

import buckle.layout.FeedPlace;
import buckle.layout.Fence;
import buckle.layout.GatePlace;
import buckle.layout.LaidLine;
import buckle.layout.LineLayout;
import buckle.layout.Section;
import buckle.layout.TestPoint;
import buckle.site.GeoPoint;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** Where to read: at the energizer, at both sides of each gate, at the end of each section. */
final class TestPoints {
    /** A free end this near the feed is read there. */
    private static final double AT_FEED_M = 1;

    private final Fence fence;
    private final FenceNetwork network;
    private final SectionView sections;
    private final FeedPlace feed;
    private final List<TestPoint> points = new ArrayList<>();

    private TestPoints(Fence fence, FenceNetwork network, SectionView sections) {
        this.fence = fence;
        this.network = network;
        this.sections = sections;
        this.feed = fence.feed().orElseThrow();
    }

    static List<TestPoint> of(Fence fence, FenceNetwork network, SectionView sections) {
        TestPoints all = new TestPoints(fence, network, sections);
        network.switches().forEach(all::before);
        fence.lines().forEach(all::ends);
        fence.lines().forEach(all::gates);
        List<String> order = fence.lines().stream().map(LaidLine::id).toList();
        all.points.sort(Comparator.comparingInt((TestPoint p) -> order.indexOf(p.lineId()))
                .thenComparingDouble(TestPoint::stationM)
                .thenComparing(TestPoint::id));
        return all.points;
    }

    /** On the energizer's side of a switch. */
    private void before(Switch s) {
        Optional<String> before = sections.idOf(s.before());
        Optional<String> after = sections.idOf(s.after());
        if (before.isPresent() && after.isPresent() && !before.equals(after)) {
            String near = s.cutOut().id().equals(before.get()) ? after.get() : before.get();
            add(
                    "before:" + s.cutOut().id(),
                    "at " + s.cutOut().name() + ", energizer side",
                    fence.line(s.lineId()),
                    s.cutOut().stationM(),
                    near);
        }
    }

    private void ends(LaidLine laid) {
        LineLayout line = laid.layout();
        if (line.closed() && line.ringJoined()) {
            return;
        }
        boolean turned = laid.line().book().turned();
        double first = line.closed() ? line.closingM() : 0;
        double last = line.closed() && line.closingM() > 0 ? line.closingM() : line.lengthM();
        freeEnd(laid, first, true, turned ? "finish" : "start");
        freeEnd(laid, last, false, turned ? "start" : "finish");
    }

    /** @param after whether the end lies after the station, seen along the line */
    private void freeEnd(LaidLine laid, double stationM, boolean after, String which) {
        LineLayout line = laid.layout();
        boolean fed = line.lineId().equals(feed.lineId())
                && Math.abs(feed.stationM() - stationM) < AT_FEED_M
                && (line.closingM() == 0 || after);
        boolean joined = !line.closed()
                && fence.tees().stream().anyMatch(t -> t.lineId().equals(laid.id()) && t.atStart() == after);
        Optional<String> section = sections.idOf(network.place(laid.id(), stationM, after));
        if (!fed && !joined && section.isPresent()) {
            String name = line.closed() ? "closing post, " + which : which + " of " + line.name();
            add("end:" + line.lineId() + ":" + which, name, laid, stationM, section.get());
        }
    }

    private void gates(LaidLine laid) {
        LineLayout line = laid.layout();
        if (line.lineId().equals(feed.lineId())) {
            add("energizer", "energizer", laid, feed.stationM(), "feed");
        }
        boolean turned = laid.line().book().turned();
        for (GatePlace gate : line.gates()) {
            String id = "gate:" + gate.id();
            gate(id + (turned ? ":b" : ":a"), gate.name() + ", before", laid, gate.fromM());
            gate(id + (turned ? ":a" : ":b"), gate.name() + ", after", laid, gate.toM());
        }
    }

    private void gate(String id, String name, LaidLine laid, double stationM) {
        String section = network.sections().stream()
                .filter(s -> s.stretches().stream()
                        .anyMatch(x -> x.lineId().equals(laid.id())
                                && x.fromM() <= stationM + Stops.SAME_M
                                && stationM <= x.toM() + Stops.SAME_M))
                .findFirst()
                .map(Section::id)
                .orElseThrow();
        add(id, name, laid, stationM, section);
    }

    private void add(String id, String name, LaidLine laid, double stationM, String section) {
        GeoPoint at = fence.plane().toGeo(laid.stationing().at(stationM));
        points.add(new TestPoint(id, name, laid.id(), stationM, section, at.lonDeg(), at.latDeg()));
    }
}
