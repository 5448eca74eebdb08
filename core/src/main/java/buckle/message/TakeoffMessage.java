package buckle.message;

import buckle.material.Conductor;
import buckle.material.Product;
import buckle.material.Use;
import buckle.mechanics.Hold;
import buckle.mechanics.Weakness;
import buckle.spec.Animal;
import buckle.spec.BraceKind;
import buckle.spec.GroundSchool;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;

/** What a line of the takeoff or a figure of the ledger is, and the arithmetic behind it. */
public sealed interface TakeoffMessage extends Message {
    /** Name of what is loaded. */
    record Item(Use use, Product product) implements TakeoffMessage {}

    /** A product by itself, whatever it is used for. */
    record Bought(Product product) implements TakeoffMessage {}

    /** The lead-out, for hot wires alone or for earth wires too. */
    record LeadOutItem(boolean earth) implements TakeoffMessage {}

    /** What is counted: wires of a sort, and what they are counted at. */
    enum Noun {
        HOT_WIRE,
        EARTH_OR_PLAIN_WIRE,
        WIRE,
        WOVEN_WIRE,
        PULL,
        RUN,
        INSULATED_END,
        END,
        SLEEVE,
        TIGHTENER,
        BRACED_PULL,
        POST_PASSED,
        WALL,
        NAILED_INSULATOR,
        BRACE_FRAME,
        WIRE_JOINT,
        GATE_CABLE,
        CABLED_GATE,
        POST_PASSED_IN_TURN,
        POST_PASSED_INSIDE_TURN,
        POST_OF_OLD_FENCE,
        CUT_OUT,
        POST_IN_HOLLOW,
        STRONG_TIMBER_POST,
        PIPE_POST,
        DIAGONAL_BRACE,
        GROUND_ROD
    }

    /** So many wires, times so many things. */
    record Term(long wires, long things) {}

    /** {@code 3 hot wires × 21 posts passed + 2 hot wires × 5 posts passed}. */
    record Sum(Noun wires, Noun things, List<Term> terms) {
        public Sum {
            terms = List.copyOf(terms);
        }

        /** What it comes to. */
        public long total() {
            return terms.stream().mapToLong(t -> t.wires() * t.things()).sum();
        }
    }

    /**
     * A sum and what it is multiplied by, and another where wires are cut besides.
     *
     * @param ends whether both ends count
     * @param each at each; 1 when it is not said
     * @param total when it is said
     */
    record Counted(Sum sum, boolean ends, long each, Sum more, boolean moreEnds, OptionalLong total)
            implements TakeoffMessage {}

    /** Insulators at posts passed, and spares at the braces. */
    record LineInsulators(Sum passed, Sum spares, long sparesEach, long total) implements TakeoffMessage {}

    /** Wires of the same number, and their length along the slope. */
    record Wires(long wires, double slopeM) {}

    /** Wire with slack, and how coils are used up. */
    record WireLength(
            List<Wires> runs, long pulls, double slackPercent, List<Tails> tails, double totalM, double leastRestM)
            implements TakeoffMessage {
        /** Left over where wires end. */
        public record Tails(long ends, double eachM) {}
    }

    /**
     * Why posts of a kind stand, and how they are cut.
     *
     * @param limit turn in degrees, or length in metres, that decides; empty when none does
     * @param leastM narrowest gap between line posts, {@code widestM} the widest; empty when there is none
     * @param stockM length it is sold in; said where it is longer than what is needed asks for
     */
    record Posts(
            Use use,
            OptionalDouble limit,
            OptionalDouble leastM,
            OptionalDouble widestM,
            OptionalDouble stockM,
            double lengthM,
            double aboveM,
            double depthM,
            double driverM)
            implements TakeoffMessage {}

    /** Rails of H braces. */
    record Rails(long singles, long doubles) implements TakeoffMessage {}

    /** So many for each of so many things. */
    record ForEach(Noun thing, long things, long each) implements TakeoffMessage {}

    /** Pins of rails. */
    record Pins(long rails, long each) implements TakeoffMessage {}

    /** Diagonal loops of frames. */
    record Loops(long frames) implements TakeoffMessage {}

    /** Back-stakes of light pulls. */
    record BackStakes(long posts, double outM) implements TakeoffMessage {}

    /** Joints where coils end. */
    record WhereCoilsEnd(Conductor.Family family) implements TakeoffMessage {}

    /** Leads from line to line. */
    record Leads(long leads, double totalM) implements TakeoffMessage {}

    /** One jumper set a pull. */
    record JumperSets(long pulls) implements TakeoffMessage {}

    /** So many at so many joints of a kind. */
    record AtJoints(JointKind kind, long joints, long count) {}

    /** Pieces of jumper wire. */
    record JumperPieces(List<AtJoints> at, long total, boolean separate) implements TakeoffMessage {}

    /** Clamps on wires and cables. */
    record Clamps(List<AtJoints> at, long total) implements TakeoffMessage {}

    /** Switches as placed, one a creek, and one in the lead-out where it was asked for. */
    record CutOuts(long placed, long creeks, boolean leadOut) implements TakeoffMessage {}

    /** @param perHotWire so many for each hot wire */
    record Gates(long gates, boolean perHotWire) implements TakeoffMessage {}

    /** Cables under gates and over creeks. */
    record GateCables(long cables, long gates, double burialM, double spareM, double totalM)
            implements TakeoffMessage {}

    /** Conduit under gates. */
    record Conduits(long gates, double burialM, double totalM) implements TakeoffMessage {}

    /** One energizer for each fence. */
    record OneEnergizer(double outputJ) implements TakeoffMessage {}

    /** Cables from the energizer to the fence. */
    record LeadOutCables(long cables, double wayM, double spareM) implements TakeoffMessage {}

    /** Rods by a school. */
    record GroundRods(GroundSchool school, double rodM, double apartM, double outputJ) implements TakeoffMessage {}

    /** @param sun whether a panel keeps one battery; otherwise as many as are swapped in turn */
    record Batteries(long count, boolean sun) implements TakeoffMessage {}

    /** What goes with battery and panel. */
    record AsSaid(Use use) implements TakeoffMessage {}

    /** Strands of diagonals: so many frames, two strands each. */
    record Diagonals(long frames, double totalM) implements TakeoffMessage {}

    /** Bags for footings. */
    record ConcreteBags(long footings, double bagKg) implements TakeoffMessage {}

    /** Pieces of jumper wire: in sets from the lowest wire to the highest, elsewhere a forearm each. */
    record JumperWire(long pieces, double spareM, double pieceM) implements TakeoffMessage {}

    /** Ties of strain insulators: once round the post each, and the twist. */
    record Ties(long insulators, double twistM) implements TakeoffMessage {}

    /** Strands across openings. */
    record GateStrands(long strands) implements TakeoffMessage {}

    /** Conduit up the posts to the lowest wire. */
    record Risers(long gates) implements TakeoffMessage {}

    /** What the crew carries (common practice). */
    enum Tool implements TakeoffMessage {
        GLOVES_GLASSES,
        TAPE_STRING,
        STORY_POLE,
        METER,
        POST_DRIVER,
        AUGER_LEVEL,
        BAR_PILOT_AUGER,
        DRILL_SAW,
        HAMMER,
        SPINNER,
        REEL,
        PLIERS,
        CRIMPER,
        STRAINER_HANDLE,
        SPADE,
        ROD_DRIVER,
        SPANNER,
        MIXER;

        @Override
        public String key() {
            return "tool-" + TakeoffMessage.super.key();
        }
    }

    /** Two at each strand. */
    record GateAnchors(long strands) implements TakeoffMessage {}

    /** @param stubs whether stone stops longer ones; otherwise as they were entered one by one */
    record RodsOneByOne(long count, boolean stubs) implements TakeoffMessage {}

    /** Lead to the first rod of those entered one by one, and between them. */
    record LeadToRods(double firstM, double betweenM, double totalM) implements TakeoffMessage {}

    /** Lead to and between the rods. */
    record GroundLead(double firstM, long gaps, double apartM, double totalM) implements TakeoffMessage {}

    /** Signs at gates, public ways and along the line. */
    record Signs(long gates, double everyM, double publicEveryM) implements TakeoffMessage {}

    // ---------------------------------------------------------------- the ledger

    /** A figure of the ledger. */
    sealed interface Figure extends TakeoffMessage {}

    /** Length of the fence. */
    record FenceFigure(long lines, long sides, double lengthM, double slopeM) implements Figure {}

    /** Strong posts by kind. */
    record StrongPosts(long end, long corner, long gate, long brace, long more) implements Figure {}

    /** @param derivation of the takeoff's line posts; none when there are none */
    record LinePosts(long line, long light, Message derivation) implements Figure {}

    /** Coils of one role. */
    record CoilsOf(Use use, long coils) {}

    /** A wire of the takeoff. */
    record WireItem(Message name, Message derivation) {}

    /** Wire of all roles. */
    record WireFigure(double totalM, List<CoilsOf> coils, List<WireItem> items) implements Figure {}

    /** Insulators on the line and at the ends. */
    record InsulatorFigure(long line, long strain, long byPosts, Message lineDerivation, Message strainDerivation)
            implements Figure {}

    /** A rail of a school and what it lifts by. */
    record RailLift(double railM, double upliftN) {}

    /** How a state of loading stands. */
    record Reserve(Hold hold, double safety, Weakness weakest) {}

    /**
     * The strong post that is lifted most.
     *
     * @param oneN by the brace of this pull, {@code othersN} by those of others
     * @param worst what is said of the worst load, where it is worse
     */
    record UpliftFigure(
            double upliftN,
            Optional<Double> worstUpliftN,
            List<RailLift> schools,
            BraceKind brace,
            double momentNm,
            double railM,
            double oneN,
            double othersN,
            double holdN,
            Reserve day,
            Optional<Reserve> worst)
            implements Figure {}

    /** Sections and what parts them. */
    record SectionFigure(long sections, long cutOuts, long testPoints) implements Figure {}

    /** What the animals need. */
    record NeedFigure(OptionalDouble needV, List<Animal> animals) implements Figure {}

    /** Findings that ask for a change. */
    record FindingFigure(long warnings, long cautions) implements Figure {}
}
