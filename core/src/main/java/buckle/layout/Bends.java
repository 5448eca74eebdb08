package buckle.layout;

import buckle.site.FenceLine;
import buckle.site.Stationing;
import buckle.spec.Spec;
import java.util.List;

/** Rounded outlines whose corners each turn too little for a brace, and together as much as a braced corner. */
final class Bends {
    private Bends() {}

    /** Rounded outlines of a line, a post at each of their corners. */
    static List<Bend> of(FenceLine line, Stationing stationing, Spec spec, Pulling pulling) {
        double brace = spec.fence().braces().braceFromDeg();
        return Curves.of(line, stationing, 2 * spec.fence().posts().spacingM(), brace, false).stream()
                .filter(c -> Math.abs(c.turnDeg()) >= brace)
                .map(c -> bend(stationing, c, c.corners().size(), pulling))
                .toList();
    }

    /** B9 for each of the posts of a bend. */
    static Bend bend(Stationing stationing, Curves.Curve curve, int posts, Pulling pulling) {
        double each = 2 * pulling.totalN() * Math.sin(Math.toRadians(Math.abs(curve.turnDeg()) / posts) / 2);
        return new Bend(
                stationing.cornerStationM(curve.corners().getFirst()),
                stationing.cornerStationM(curve.corners().getLast()),
                curve.turnDeg(),
                posts,
                each);
    }
}
