package buckle.layout;

import buckle.site.FenceLine;
import buckle.site.Stationing;
import buckle.spec.Spec;
import java.util.ArrayList;
import java.util.List;

/** Finds rounded outlines: runs of corners on short sides that all turn one way, each too little for a brace. */
final class Bends {
    private static final int LEAST_CORNERS = 3;
    private static final double LEAST_TURN_DEG = 1;

    private Bends() {}

    static List<Bend> of(FenceLine line, Stationing stationing, Spec spec, Pulling pulling) {
        double sideM = 2 * spec.fence().posts().spacingM();
        double brace = spec.fence().braces().braceFromDeg();
        List<Bend> bends = new ArrayList<>();
        int from = -1;
        double turn = 0;
        int count = line.corners().size();
        for (int i = 0; i <= count; i++) {
            double here = i < count ? Math.toDegrees(stationing.deflectionRad(i)) : 0;
            boolean closing = line.closed() && i == line.closingCornerIndex();
            boolean gentle = Math.abs(here) >= LEAST_TURN_DEG && Math.abs(here) < brace && !closing;
            boolean goesOn = from >= 0 && gentle && here * turn > 0 && stationing.sideLengthM(i - 1) <= sideM;
            if (goesOn) {
                turn += here;
            } else {
                if (from >= 0 && i - from >= LEAST_CORNERS && Math.abs(turn) >= brace) {
                    bends.add(bend(stationing, from, i - 1, turn, pulling));
                }
                from = gentle ? i : -1;
                turn = gentle ? here : 0;
            }
        }
        return bends;
    }

    /** B9 for each post of the bend. */
    private static Bend bend(Stationing stationing, int from, int to, double turnDeg, Pulling pulling) {
        int posts = to - from + 1;
        double each = 2 * pulling.totalN() * Math.sin(Math.toRadians(Math.abs(turnDeg) / posts) / 2);
        return new Bend(stationing.cornerStationM(from), stationing.cornerStationM(to), turnDeg, posts, each);
    }
}
