package buckle.layout;

import buckle.mechanics.HBrace;
import buckle.mechanics.Span;
import buckle.rulebook.Values;
import buckle.spec.BraceKind;
import buckle.spec.FenceSpec;
import buckle.spec.RailSchool;
import buckle.spec.Spec;
import buckle.spec.WireRole;

/** Which brace holds the end of a pull, and what its parts stand. */
final class Bracing {
    private static final double ROOM_M = 0.5;

    private final Spec spec;
    private final double topM;
    private final Pulling pulling;

    Bracing(Spec spec, double topM, Pulling pulling) {
        this.spec = spec;
        this.topM = topM;
        this.pulling = pulling;
    }

    /**
     * A brace in its place, before it is loaded.
     *
     * @param towards +1 when the pull goes on with rising stations
     * @param braceM the post or foot furthest from the strong post
     * @param overM way along the ground over which it takes the pull's moment: the rail of one frame; 0 without
     */
    record Placed(BraceKind kind, double strongM, int towards, double braceM, double overM) {}

    Placed placed(BraceKind kind, double strongM, int towards) {
        double over = kind.framed() ? railM() : reachM(kind);
        return new Placed(kind, strongM, towards, strongM + towards * reachM(kind), over);
    }

    double topM() {
        return topM;
    }

    RailSchool railSchool() {
        return spec.fence().braces().railSchool();
    }

    double railM() {
        return railSchool().railM(topM);
    }

    double railHeightM() {
        return Brace.railHeightM(topM);
    }

    double bucklingN(double railM) {
        return HBrace.bucklingN(spec.fence().braces().railDiameterM(), railM, Values.B13_RAIL_PA);
    }

    double railWeightN(double railM) {
        double across = spec.fence().braces().railDiameterM();
        return Math.PI / 4 * across * across * railM * Values.P16_TIMBER_KG_PER_M3 * Span.GRAVITY;
    }

    double strandsBreakingN() {
        return 2 * spec.fence().wires().of(WireRole.EARTH).breakingN();
    }

    /** The house's brace; a light fence takes a back-stake. */
    BraceKind kind() {
        FenceSpec.Braces plan = spec.fence().braces();
        if (spec.fence().standsByItself()) {
            return BraceKind.NONE;
        }
        boolean framed = plan.kind().framed() || plan.kind() == BraceKind.DIAGONAL;
        return framed && pulling.totalN() < Values.B5_LIGHT_N ? BraceKind.BACK_STAKE : plan.kind();
    }

    /** Way along the line that a brace of a kind takes. */
    double reachM(BraceKind kind) {
        return switch (kind) {
            case SINGLE_H -> railM();
            case DOUBLE_H -> 2 * railM();
            case DIAGONAL -> Values.B11_FOOT_PER_HEIGHT * topM;
            case PIPE, PIPE_CONCRETE, BACK_STAKE, NONE -> 0;
        };
    }

    double roomM(BraceKind kind) {
        return reachM(kind) + (reachM(kind) > 0 ? ROOM_M : 0);
    }
}
