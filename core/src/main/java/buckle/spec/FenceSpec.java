package buckle.spec;

import static buckle.spec.Ranges.between;

import buckle.material.Conductor;
import buckle.material.Hazard;
import buckle.material.PostStock;
import buckle.rulebook.Values;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.OptionalDouble;

/**
 * What is built along a line: which animals it is for, its wires, posts and braces.
 *
 * @param stringing how wire is run along the line
 * @param hazard what insulators have to stand (I5)
 * @param signEveryM distance between warning signs along the line
 */
@RecordBuilder
public record FenceSpec(
        List<Animal> animals,
        WireSchedule schedule,
        Posts posts,
        Braces braces,
        Wires wires,
        Stringing stringing,
        UnderGate underGate,
        Hazard hazard,
        double signEveryM,
        Climate climate)
        implements FenceSpecBuilder.With {
    /** Cattle, W1, posts at 20 ft. */
    public static final FenceSpec USUAL = new FenceSpec(
            List.of(Animal.BEEF_CATTLE),
            Preset.of("W1").schedule(),
            new Posts(
                    Values.P1_SPACING_M,
                    PostStock.TIMBER_140,
                    PostStock.TIMBER_90,
                    PostStock.FIBREGLASS_10,
                    0,
                    Values.P10_STRONG_DEPTH_M,
                    Values.P11_LINE_DEPTH_M,
                    true,
                    List.of()),
            new Braces(
                    BraceKind.SINGLE_H,
                    RailSchool.EIGHT_FOOT,
                    0.1,
                    Values.B10_BRACE_DEG,
                    Values.B10_STRONGER_DEG,
                    Values.B12_INLINE_FROM_M),
            new Wires(
                    Conductor.HT_12_5,
                    Conductor.HT_12_5,
                    Conductor.HT_12_5,
                    TensionSchool.MEDIUM,
                    Values.S4_MID_RUN_FROM_M,
                    true,
                    true,
                    true,
                    false),
            Stringing.USUAL,
            new UnderGate(0.45, 0.5),
            Hazard.USUAL,
            50,
            new Climate(0, 0, -15, 35, 15));

    public FenceSpec {
        animals = List.copyOf(animals);
        if (animals.isEmpty()) {
            throw new IllegalArgumentException("say which animals the fence is for");
        }
        between("fence.signEveryM", signEveryM, 5, 1000);
    }

    /** The hardest animal decides; empty when no need is known for any of them. */
    public OptionalDouble needV() {
        return animals.stream()
                .map(Animal::needV)
                .filter(OptionalDouble::isPresent)
                .mapToDouble(OptionalDouble::getAsDouble)
                .max();
    }

    /** Its wires, by what they are made of and how they are pulled. */
    public List<WireGroup> wireGroups() {
        return WireGroup.of(this);
    }

    /** Whether posts of a family hold wires by their own clips, slots or holes. */
    public boolean holdsWires(PostStock.Family family) {
        return family.holdsWires() || !posts.holdsAtM().isEmpty() && family.bored();
    }

    /** Whether it is a net on posts of its own; where wires end at each strong post it hangs on the posts of the job. */
    public boolean standsByItself() {
        return wires.hot().family() == Conductor.Family.NET && stringing.way().passesCorners();
    }

    /**
     * Posts and how deep they go.
     *
     * @param spacingM no line post stands further from the next than this
     * @param light what stands between line posts, when any does
     * @param lightPerGap light posts between two line posts
     * @param closeUp whether a post stands at each crest and hollow of the ground
     * @param holdsAtM heights of the clips, slots or holes of posts that hold wires by themselves; empty where they can be
     *     at any height
     */
    @RecordBuilder
    public record Posts(
            double spacingM,
            PostStock strong,
            PostStock line,
            PostStock light,
            int lightPerGap,
            double strongDepthM,
            double lineDepthM,
            boolean closeUp,
            List<Double> holdsAtM)
            implements FenceSpecPostsBuilder.With {
        public Posts {
            between("fence.posts.spacingM", spacingM, 0.5, 60);
            between("fence.posts.lightPerGap", lightPerGap, 0, 9);
            between("fence.posts.strongDepthM", strongDepthM, 0.1, 3);
            between("fence.posts.lineDepthM", lineDepthM, 0.1, 3);
            if (holdsAtM.size() > MOST_HOLDS) {
                throw new IllegalArgumentException("a post has at most " + MOST_HOLDS + " clips or holes");
            }
            holdsAtM.forEach(h -> between("fence.posts.holdsAtM", h, 0.01, 5));
            holdsAtM = holdsAtM.stream().distinct().sorted().toList();
        }

        private static final int MOST_HOLDS = 40;
    }

    /**
     * Braces.
     *
     * @param railDiameterM of the rails, for their buckling
     * @param braceFromDeg deflection from which a corner is braced both ways and ends a pull
     * @param strongerFromDeg deflection from which a corner gets a stronger post without brace
     * @param inlineFromM a pull longer than this is parted by an inline double brace
     */
    @RecordBuilder
    public record Braces(
            BraceKind kind,
            RailSchool railSchool,
            double railDiameterM,
            double braceFromDeg,
            double strongerFromDeg,
            double inlineFromM)
            implements FenceSpecBracesBuilder.With {
        public Braces {
            between("fence.braces.railDiameterM", railDiameterM, 0.03, 0.3);
            between("fence.braces.braceFromDeg", braceFromDeg, 5, 90);
            between("fence.braces.strongerFromDeg", strongerFromDeg, 1, braceFromDeg);
            between("fence.braces.inlineFromM", inlineFromM, 20, 5000);
        }
    }

    /**
     * Wires, how they are strained and joined.
     *
     * @param midRunFromM pulls longer than this are strained in their middle, shorter ones at their end
     * @param springs whether each hot wire gets a tension spring
     * @param earthTied whether earth wires are tied to the energizer's earth terminal, or merely grounded along the way
     * @param jumperPieces whether jumpers are separate pieces from wire to wire, or one continuous piece
     * @param ringClosed whether a closed line's hot wires are joined at the closing post as well (J7 leaves them open)
     */
    @RecordBuilder
    public record Wires(
            Conductor hot,
            Conductor earth,
            Conductor plain,
            TensionSchool tension,
            double midRunFromM,
            boolean springs,
            boolean earthTied,
            boolean jumperPieces,
            boolean ringClosed)
            implements FenceSpecWiresBuilder.With {
        public Wires {
            between("fence.wires.midRunFromM", midRunFromM, 5, 5000);
            hot.requireElectrifiable();
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
     * Hot and earth cable under a swing gate.
     *
     * @param burialM depth of the conduit
     * @param spareLoopM spare left at each end
     */
    public record UnderGate(double burialM, double spareLoopM) {
        public UnderGate {
            between("fence.underGate.burialM", burialM, 0, 2);
            between("fence.underGate.spareLoopM", spareLoopM, 0, 5);
        }
    }

    /**
     * What the fence must stand, year in, year out.
     *
     * @param frostDepthM how deep the ground freezes
     * @param iceM coat of ice around the wires
     * @param buildC temperature on the day the wires are strained
     */
    @RecordBuilder
    public record Climate(double frostDepthM, double iceM, double coldC, double warmC, double buildC)
            implements FenceSpecClimateBuilder.With {
        public Climate {
            between("fence.climate.frostDepthM", frostDepthM, 0, 2.5);
            between("fence.climate.iceM", iceM, 0, 0.1);
            between("fence.climate.coldC", coldC, -60, buildC);
            between("fence.climate.warmC", warmC, buildC, 60);
            between("fence.climate.buildC", buildC, -40, 50);
        }
    }
}
