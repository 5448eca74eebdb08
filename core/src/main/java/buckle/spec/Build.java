package buckle.spec;

import static buckle.spec.Ranges.between;

import buckle.material.Conductor;
import buckle.material.Hazard;
import buckle.material.PostStock;
import buckle.rulebook.Values;
import java.util.List;
import java.util.Optional;

/**
 * How it is built: material, braces, straining, the season it must stand, fittings, and what single lines do otherwise.
 */
public record Build(
        PostPlan posts, BracePlan braces, WirePlan wires, Season season, Fittings fittings, List<LineSpec> lines) {
    public static final Build USUAL = new Build(
            new PostPlan(
                    PostStock.TIMBER_140,
                    PostStock.TIMBER_90,
                    PostStock.FIBREGLASS_10,
                    0,
                    Values.P10_STRONG_DEPTH_M,
                    Values.P11_LINE_DEPTH_M,
                    true),
            new BracePlan(BraceKind.SINGLE_H, Values.B12_INLINE_FROM_M, 0.1),
            new WirePlan(
                    Conductor.HT_12_5,
                    Conductor.HT_12_5,
                    Conductor.HT_12_5,
                    TensionSchool.MEDIUM,
                    Values.S4_MID_RUN_FROM_M,
                    true,
                    true,
                    true),
            new Season(0, 0, -15, 35, 15),
            new Fittings(Hazard.USUAL),
            List.of());

    public Build {
        lines = List.copyOf(lines);
    }

    /**
     * Posts and how deep they go.
     *
     * @param light what stands between line posts, when any does
     * @param lightPerGap light posts between two line posts
     * @param closeUp whether a post stands at each crest and hollow of the ground
     */
    public record PostPlan(
            PostStock strong,
            PostStock line,
            PostStock light,
            int lightPerGap,
            double strongDepthM,
            double lineDepthM,
            boolean closeUp) {
        public PostPlan {
            between("build.posts.lightPerGap", lightPerGap, 0, 9);
            between("build.posts.strongDepthM", strongDepthM, 0.1, 3);
            between("build.posts.lineDepthM", lineDepthM, 0.1, 3);
        }
    }

    /**
     * Braces.
     *
     * @param inlineFromM a pull longer than this is parted by an inline double brace
     * @param railDiameterM of the rails, for their buckling
     */
    public record BracePlan(BraceKind kind, double inlineFromM, double railDiameterM) {
        public BracePlan {
            between("build.braces.inlineFromM", inlineFromM, 20, 5000);
            between("build.braces.railDiameterM", railDiameterM, 0.03, 0.3);
        }
    }

    /**
     * Wires and straining.
     *
     * @param midRunFromM pulls longer than this are strained in their middle, shorter ones at their end
     * @param springs whether each hot wire gets a tension spring
     * @param earthTied whether earth wires are tied to the energizer's earth terminal, or merely grounded along the way
     * @param jumperPieces whether jumpers are separate pieces from wire to wire, or one continuous piece
     */
    public record WirePlan(
            Conductor hot,
            Conductor earth,
            Conductor plain,
            TensionSchool tension,
            double midRunFromM,
            boolean springs,
            boolean earthTied,
            boolean jumperPieces) {
        public WirePlan {
            between("build.wires.midRunFromM", midRunFromM, 5, 5000);
        }

        WirePlan with(TensionSchool newTension) {
            return new WirePlan(hot, earth, plain, newTension, midRunFromM, springs, earthTied, jumperPieces);
        }

        /** With earth wires tied to the rods, or not. */
        public WirePlan withEarthTied(boolean tied) {
            return new WirePlan(hot, earth, plain, tension, midRunFromM, springs, tied, jumperPieces);
        }

        WirePlan withJumperPieces(boolean pieces) {
            return new WirePlan(hot, earth, plain, tension, midRunFromM, springs, earthTied, pieces);
        }

        /** With other hot wire. */
        public WirePlan withHot(Conductor newHot) {
            return new WirePlan(newHot, earth, plain, tension, midRunFromM, springs, earthTied, jumperPieces);
        }

        /** Wire of a role. */
        public Conductor of(WireRole role) {
            return switch (role) {
                case HOT -> hot;
                case EARTH -> earth;
                case PLAIN -> plain;
            };
        }
    }

    /**
     * What the fence must stand.
     *
     * @param frostDepthM how deep the ground freezes
     * @param iceM coat of ice around the wires
     * @param buildC temperature on the day the wires are strained
     */
    public record Season(double frostDepthM, double iceM, double coldC, double warmC, double buildC) {
        public Season {
            between("build.season.frostDepthM", frostDepthM, 0, 2.5);
            between("build.season.iceM", iceM, 0, 0.1);
            between("build.season.coldC", coldC, -60, buildC);
            between("build.season.warmC", warmC, buildC, 60);
            between("build.season.buildC", buildC, -40, 50);
        }
    }

    /** What insulators have to stand (I5). */
    public record Fittings(Hazard hazard) {}

    /**
     * What one line has otherwise than the job.
     *
     * @param hot conductor of its hot wires
     */
    public record LineSpec(
            String lineId, Optional<WireSchedule> schedule, Optional<BraceKind> brace, Optional<Conductor> hot) {}

    /** With another choice of posts. */
    public Build with(PostPlan newPosts) {
        return new Build(newPosts, braces, wires, season, fittings, lines);
    }

    /** With another choice of braces. */
    public Build with(BracePlan newBraces) {
        return new Build(posts, newBraces, wires, season, fittings, lines);
    }

    /** With another choice of wires. */
    public Build with(WirePlan newWires) {
        return new Build(posts, braces, newWires, season, fittings, lines);
    }

    /** With another season. */
    public Build with(Season newSeason) {
        return new Build(posts, braces, wires, newSeason, fittings, lines);
    }

    /** With other fittings. */
    public Build with(Fittings newFittings) {
        return new Build(posts, braces, wires, season, newFittings, lines);
    }

    /** With other lines that have wires of their own. */
    public Build with(List<LineSpec> newLines) {
        return new Build(posts, braces, wires, season, fittings, newLines);
    }
}
