package buckle.upkeep;

import buckle.site.Corner;
import buckle.site.FenceLine;
import buckle.site.LocalPlane;
import buckle.site.PlanePoint;
import buckle.site.Site;
import buckle.site.Stationing;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;

/** What a fence has where a fault was found; of two things at one place the one named first. */
public enum PlaceKind {
    GATE,
    CUT_OUT,
    /** Where one line runs into another. */
    BRANCH,
    END,
    CORNER,
    /** Between all of these. */
    ALONG,
    /** On no line that is there now, or nobody said where. */
    ELSEWHERE;

    /** Somebody who notes a place stands beside it. Ours. */
    private static final double BESIDE_M = 3;

    /** Of a fault that is noted there, on the fence as it is planned now. */
    public static PlaceKind of(Site site, FaultNote note) {
        if (note.at().isEmpty() || site.lines().isEmpty()) {
            return ELSEWHERE;
        }
        LocalPlane plane = site.plane();
        PlanePoint at = plane.toPlane(note.at().get().place());
        List<FenceLine> lines = site.lines().stream()
                .filter(l -> l.corners().size() > 1
                        && note.at()
                                .get()
                                .anchor()
                                .on(stationing(l, plane), plane)
                                .isPresent())
                .toList();
        if (lines.isEmpty()) {
            return ELSEWHERE;
        }
        Predicate<Corner> beside = c -> plane.toPlane(c.at()).distanceM(at) <= BESIDE_M;
        if (lines.stream()
                .flatMap(l -> l.gates().stream())
                .anyMatch(g -> plane.toPlane(g.at()).distanceM(at) <= g.openingM() / 2 + BESIDE_M)) {
            return GATE;
        }
        if (lines.stream()
                .flatMap(l -> l.cutOuts().stream())
                .anyMatch(c -> plane.toPlane(c.at()).distanceM(at) <= BESIDE_M)) {
            return CUT_OUT;
        }
        if (lines.stream()
                .anyMatch(l -> end(l.startsOn(), l.corners().getFirst(), beside)
                        || end(l.endsOn(), l.corners().getLast(), beside))) {
            return BRANCH;
        }
        if (lines.stream()
                .anyMatch(l -> !l.closed()
                        && (beside.test(l.corners().getFirst())
                                || beside.test(l.corners().getLast())))) {
            return END;
        }
        return lines.stream().flatMap(l -> l.corners().stream()).anyMatch(beside) ? CORNER : ALONG;
    }

    private static boolean end(Optional<String> onto, Corner corner, Predicate<Corner> beside) {
        return onto.isPresent() && beside.test(corner);
    }

    private static Stationing stationing(FenceLine line, LocalPlane plane) {
        return new Stationing(
                line.corners().stream().map(c -> plane.toPlane(c.at())).toList(), line.closed());
    }
}
