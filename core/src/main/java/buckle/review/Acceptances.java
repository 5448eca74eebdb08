package buckle.review;

import buckle.layout.Fence;
import buckle.layout.Finding;
import buckle.layout.LaidLine;
import buckle.layout.Layout;
import buckle.site.Anchor;
import buckle.site.LocalPlane;
import buckle.site.Stationing;
import buckle.spec.Decisions;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/** Knows accepted findings again: the same message at the same place of the same line, or with the same values for the whole job. */
final class Acceptances {
    private static final double SAME_M = 5;

    private Acceptances() {}

    static Layout apply(Layout layout, Fence fence, Decisions decisions) {
        if (decisions.accepted().isEmpty()) {
            return layout;
        }
        LocalPlane plane = fence.plane();
        Map<String, Stationing> lines =
                fence.lines().stream().collect(Collectors.toMap(LaidLine::id, LaidLine::stationing));
        List<Finding> findings = layout.findings().stream()
                .map(f -> reason(f, decisions.accepted(), lines, plane)
                        .map(f::acceptedFor)
                        .orElse(f))
                .toList();
        return layout.withFindings(findings);
    }

    /** A finding of several places is accepted when each of them is: a new place brings it back. */
    private static Optional<String> reason(
            Finding f, List<Decisions.Accepted> accepted, Map<String, Stationing> lines, LocalPlane plane) {
        if (f.places().isEmpty()) {
            return accepted.stream()
                    .filter(a -> a.lineId().isEmpty() && said(f, a))
                    .map(Decisions.Accepted::reason)
                    .findFirst();
        }
        Optional<String> reason = Optional.empty();
        for (Finding.At place : f.places()) {
            Optional<String> here = accepted.stream()
                    .filter(a -> a.lineId().equals(Optional.of(place.lineId()))
                            && (a.at().isEmpty() ? said(f, a) : near(f, a, place, lines, plane)))
                    .map(Decisions.Accepted::reason)
                    .findFirst();
            if (here.isEmpty()) {
                return Optional.empty();
            }
            reason = reason.or(() -> here);
        }
        return reason;
    }

    /** Of what was accepted before there were keys, a message without values is known by its rule; any other comes back. */
    private static boolean said(Finding f, Decisions.Accepted a) {
        return f.rule().name().equals(a.rule())
                && a.key()
                        .map(key -> f.message().is(key, a.values().orElse(Map.of())))
                        .orElseGet(() -> f.message().facts().isEmpty());
    }

    private static boolean near(
            Finding f, Decisions.Accepted a, Finding.At place, Map<String, Stationing> lines, LocalPlane plane) {
        Stationing line = lines.get(place.lineId());
        return line != null
                && f.rule().name().equals(a.rule())
                && a.key().map(f.message().key()::equals).orElse(true)
                && new Anchor(a.at().orElseThrow(), SAME_M).is(place.stationM(), line, plane);
    }
}
