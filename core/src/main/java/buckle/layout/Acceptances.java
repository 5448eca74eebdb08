package buckle.layout;

import buckle.site.GeoPoint;
import buckle.site.LocalPlane;
import buckle.site.Stationing;
import buckle.spec.Decisions;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Finds accepted findings again: the same rule at the same place of the same line, or the same words of the whole job. */
final class Acceptances {
    private static final double SAME_M = 5;

    private Acceptances() {}

    static Layout apply(Layout layout, Decisions decisions) {
        if (decisions.accepted().isEmpty()) {
            return layout;
        }
        LocalPlane plane = new LocalPlane(layout.origin());
        Map<String, Stationing> lines = new HashMap<>();
        layout.lines()
                .forEach(l -> lines.put(
                        l.lineId(),
                        new Stationing(l.corners().stream().map(plane::toPlane).toList(), l.closed())));
        List<Finding> findings = layout.findings().stream()
                .map(f -> decisions.accepted().stream()
                        .filter(a -> same(f, a, lines, plane))
                        .findFirst()
                        .map(a -> f.acceptedFor(a.reason()))
                        .orElse(f))
                .toList();
        return new Layout(
                layout.origin(),
                layout.lines(),
                layout.feed(),
                layout.sections(),
                layout.testPoints(),
                layout.joints(),
                layout.signs(),
                findings,
                layout.everyJob());
    }

    private static boolean same(Finding f, Decisions.Accepted a, Map<String, Stationing> lines, LocalPlane plane) {
        if (!f.rule().equals(a.rule()) || !f.lineId().equals(a.lineId())) {
            return false;
        }
        if (f.lineId().isEmpty() || f.stationM().isEmpty() || a.at().isEmpty()) {
            return f.message().equals(a.message());
        }
        Stationing line = lines.get(f.lineId().get());
        GeoPoint at = a.at().get();
        return line != null
                && Math.abs(line.nearest(plane.toPlane(at)).stationM()
                                - f.stationM().getAsDouble())
                        <= SAME_M;
    }
}
