package buckle.layout;

import buckle.mechanics.Ground;
import buckle.mechanics.HBrace;
import buckle.rulebook.Values;
import buckle.spec.BraceKind;
import buckle.spec.Build;
import buckle.spec.RailSchool;
import buckle.spec.Spec;
import buckle.spec.WireRole;
import java.util.ArrayList;
import java.util.List;

/** Which brace holds the end of a pull, and what it carries. */
final class Bracing {
    private static final double ROOM_M = 0.5;
    private static final double LEAST_RAIL_HEIGHT_M = 0.3;

    private final Spec spec;
    private final double topM;
    private final Pulling pulling;
    private final double strandsBreakingN;

    Bracing(Spec spec, double topM, Pulling pulling) {
        this.spec = spec;
        this.topM = topM;
        this.pulling = pulling;
        this.strandsBreakingN = 2 * spec.build().wires().of(WireRole.EARTH).breakingN();
    }

    double railM() {
        return spec.braces().railSchool().railM(topM);
    }

    /** The house's brace; a light fence takes a back-stake. */
    BraceKind kind() {
        Build.BracePlan plan = spec.build().braces();
        boolean framed = plan.kind().framed() || plan.kind() == BraceKind.DIAGONAL;
        return framed && pulling.totalN() < Values.B5_LIGHT_N ? BraceKind.BACK_STAKE : plan.kind();
    }

    /** Way along the line that a brace of a kind takes. */
    double reachM(BraceKind kind) {
        return switch (kind) {
            case SINGLE_H -> railM();
            case DOUBLE_H -> 2 * railM();
            case DIAGONAL -> Values.B11_FOOT_PER_HEIGHT * topM;
            case PIPE, BACK_STAKE, NONE -> 0;
        };
    }

    double roomM(BraceKind kind) {
        return reachM(kind) + (reachM(kind) > 0 ? ROOM_M : 0);
    }

    /** @param towards +1 when the pull goes on with rising stations */
    Brace brace(BraceKind kind, double strongM, int towards, Ground ground, double depthM) {
        double width = kind == BraceKind.PIPE
                ? Values.B6_FOOTING_M
                : spec.build().posts().strong().widthM();
        double at = strongM + towards * reachM(kind);
        List<BraceLoad> schools = new ArrayList<>();
        if (kind.framed()) {
            for (RailSchool school : RailSchool.values()) {
                schools.add(framed(school.rule(), school.railM(topM), kind.rails(), ground, width, depthM));
            }
        }
        BraceLoad load = switch (kind) {
            case SINGLE_H, DOUBLE_H -> schools.get(spec.braces().railSchool().ordinal());
            case DIAGONAL -> framed(kind.rule(), reachM(kind), 1, ground, width, depthM);
            case PIPE, BACK_STAKE, NONE -> alone(kind, ground, width, depthM);
        };
        return new Brace(strongM, at, kind.framed() ? railM() : reachM(kind), kind, load, schools);
    }

    /** B8; frames in a row share the moment (B14). */
    private BraceLoad framed(String rule, double railM, int frames, Ground ground, double widthM, double depthM) {
        double railHeight = Math.max(LEAST_RAIL_HEIGHT_M, topM - Values.B14_UNDER_TOP_M);
        HBrace h = new HBrace(pulling.totalN() / frames, pulling.momentNm() / frames, railM, railHeight);
        double buckling = HBrace.bucklingN(spec.build().braces().railDiameterM(), railM, Values.B13_RAIL_PA);
        double hold = ground.upliftN(widthM, depthM);
        double[] ratios = {
            buckling / h.compressionN(), strandsBreakingN / h.diagonalN(), hold / h.upliftN(),
        };
        String[] words = {"the rail buckles", "the diagonal breaks", "the post lifts"};
        int least = 0;
        for (int i = 1; i < ratios.length; i++) {
            least = ratios[i] < ratios[least] ? i : least;
        }
        return new BraceLoad(
                rule,
                railM,
                pulling.totalN(),
                pulling.momentNm(),
                h.compressionN(),
                buckling,
                h.diagonalN(),
                strandsBreakingN,
                h.upliftN(),
                hold,
                ratios[least],
                words[least]);
    }

    /** A post that takes the pull by itself: it tips where the ground gives. */
    private BraceLoad alone(BraceKind kind, Ground ground, double widthM, double depthM) {
        double tips = ground.overturningN(widthM, depthM, pulling.leverM());
        return new BraceLoad(
                kind.rule(),
                0,
                pulling.totalN(),
                pulling.momentNm(),
                0,
                0,
                0,
                0,
                0,
                tips,
                tips / pulling.totalN(),
                "the post tips");
    }
}
