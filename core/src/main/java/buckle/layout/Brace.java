package buckle.layout;

import buckle.rulebook.Values;
import buckle.spec.BraceKind;
import java.util.List;

/**
 * What holds one end of a pull: a rail from the strong post to the brace post with a diagonal from the strong post's foot to
 * the brace post's top, or another kind.
 *
 * @param braceStationM the post or foot furthest from the strong post; the strong post itself when there is none
 * @param railM of each rail, 0 without
 * @param load what it carries as built
 * @param schools the same end with the rail of each school
 */
public record Brace(
        double strongStationM,
        double braceStationM,
        double railM,
        BraceKind kind,
        BraceLoad load,
        List<BraceLoad> schools) {
    public Brace {
        schools = List.copyOf(schools);
    }

    private static final double LEAST_RAIL_HEIGHT_M = 0.3;

    /** Height of the rail under a top wire (B14). */
    public static double railHeightM(double topM) {
        return Math.max(LEAST_RAIL_HEIGHT_M, topM - Values.B14_UNDER_TOP_M);
    }
}
