package buckle.layout;

import buckle.site.GeoPoint;
import buckle.site.LocalPlane;
import buckle.site.Stationing;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** Where to read: at the energizer, at both sides of each gate, at the end of each section. */
final class TestPoints {
    private TestPoints() {}

    static List<TestPoint> of(
            List<LineLayout> lines, List<LineLayer> layers, FeedPlace feed, Network.Result network, LocalPlane plane) {
        List<TestPoint> points = new ArrayList<>(network.ends());
        for (int i = 0; i < lines.size(); i++) {
            LineLayout line = lines.get(i);
            Stationing stationing = layers.get(i).stationing();
            if (line.lineId().equals(feed.lineId())) {
                points.add(at("energizer", "energizer", line.lineId(), stationing, feed.stationM(), "feed", plane));
            }
            for (GatePlace gate : line.gates()) {
                String id = "gate:" + gate.id();
                String first = layers.get(i).line().book().turned() ? ":b" : ":a";
                String last = layers.get(i).line().book().turned() ? ":a" : ":b";
                points.add(gate(id + first, gate.name() + ", before", line, stationing, gate.fromM(), network, plane));
                points.add(gate(id + last, gate.name() + ", after", line, stationing, gate.toM(), network, plane));
            }
        }
        List<String> order = lines.stream().map(LineLayout::lineId).toList();
        points.sort(Comparator.comparingInt((TestPoint p) -> order.indexOf(p.lineId()))
                .thenComparingDouble(TestPoint::stationM)
                .thenComparing(TestPoint::id));
        return points;
    }

    private static TestPoint gate(
            String id,
            String name,
            LineLayout line,
            Stationing stationing,
            double stationM,
            Network.Result network,
            LocalPlane plane) {
        String section = network.sections().stream()
                .filter(s -> s.holds(line.lineId(), stationM))
                .findFirst()
                .map(Section::id)
                .orElseThrow();
        return at(id, name, line.lineId(), stationing, stationM, section, plane);
    }

    static TestPoint at(
            String id,
            String name,
            String lineId,
            Stationing stationing,
            double stationM,
            String sectionId,
            LocalPlane plane) {
        GeoPoint place = plane.toGeo(stationing.at(stationM));
        return new TestPoint(id, name, lineId, stationM, sectionId, place.lonDeg(), place.latDeg());
    }
}
