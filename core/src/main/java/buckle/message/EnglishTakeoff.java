package buckle.message;

import static buckle.message.English.counted;
import static buckle.message.English.number;
import static buckle.message.English.plural;
import static buckle.message.English.upper;

import buckle.material.Fitting;
import buckle.material.Hazard;
import buckle.material.PostStock;
import buckle.material.Product;
import buckle.material.Use;
import buckle.message.TakeoffMessage.*;
import buckle.rulebook.Values;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** What lines of the takeoff are and how they were counted, in words. */
final class EnglishTakeoff {
    private final English en;

    EnglishTakeoff(English en) {
        this.en = en;
    }

    String text(TakeoffMessage message) {
        return switch (message) {
            case Item m -> item(m.use(), m.product());
            case Bought m -> product(m.product());
            case LeadOutItem m -> m.earth() ? "Lead-out cable, hot and earth" : "Lead-out cable, hot";
            case Counted m -> counting(m);
            case LineInsulators m -> lineInsulators(m);
            case WireLength m ->
                m.runs().stream()
                                .map(r -> plural(r.wires(), "wire") + " × " + en.whole(r.slopeM()))
                                .collect(Collectors.joining(" + "))
                        + " along the slope in " + plural(m.pulls(), "pull") + slack(m) + " = "
                        + en.whole(m.totalM())
                        + "; coils used up "
                        + (m.tails().isEmpty() ? "pull by pull" : "run by run")
                        + ", an offcut under " + en.whole(m.leastRestM()) + " is not joined on";
            case Posts m -> posts(m);
            case Rails m -> m.singles() + " single and " + m.doubles() + " double H braces, one rail a frame";
            case ForEach m ->
                (m.each() == 1 ? "one" : m.each())
                        + (m.things() == 1 ? " for " : " for each of ")
                        + noun(m.thing(), m.things());
            case Pins m -> plural(m.rails(), "rail") + " × " + plural(m.each(), "pin");
            case Loops m -> plural(m.frames(), "frame") + " × 1 diagonal, strong post foot to brace post top";
            case BackStakes m ->
                "one behind each of " + plural(m.posts(), "post") + " on which light pulls end, " + en.length(m.outM())
                        + " out";
            case WhereCoilsEnd m -> "where coils end, " + m.family().joining();
            case Leads m ->
                plural(m.leads(), "lead") + " from line to line, together " + en.length(m.totalM())
                        + "; leave a hand's breadth for each clip";
            case JumperSets m ->
                "where wires begin, one for each of " + plural(m.pulls(), "run")
                        + " of several wires: hot with hot, earth with earth";
            case JumperPieces m ->
                at(m.at(), " in ") + " = " + number(m.total())
                        + (m.separate() ? ", from wire to wire" : ", one for each role with windows");
            case Clamps m -> at(m.at(), " at ") + " = " + number(m.total());
            case CutOuts m ->
                English.list(Stream.of(
                                m.placed() > 0 ? "as placed on the line" : "",
                                m.creeks() > 0
                                        ? "one for each of " + counted(m.creeks(), "creek crossing", "creek crossings")
                                        : "",
                                m.leadOut() ? "one in the lead-out, beside the gate" : "")
                        .filter(part -> !part.isEmpty())
                        .toList());
            case Gates m ->
                plural(m.gates(), "gate") + " on the plan" + (m.perHotWire() ? ", one for each hot wire" : "");
            case Batteries m ->
                m.sun()
                        ? "kept charged by the panel"
                        : m.count() == 1 ? "charged away from the fence" : m.count() + " swapped in turn";
            case AsSaid m ->
                switch (m.use()) {
                    case PANEL -> "as the supply has it";
                    case CHARGE_CONTROLLER -> "between panel and battery";
                    case SUPPLY_CABLE -> "length and cross-section as the supply has them";
                    default -> "off the ground, closed against rain, vermin and children";
                };
            case Diagonals m ->
                plural(m.frames(), "frame")
                        + " × 2 strands from the foot of the strong post to the head of the brace post, with "
                        + en.length(Values.B3_WRAP_M) + " more for the turns round both posts";
            case ConcreteBags m ->
                plural(m.footings(), "footing") + " round their pipes, by the bag of " + number(m.bagKg())
                        + " kg (55 lb), rounded up line by line";
            case JumperWire m ->
                plural(m.pieces(), "piece") + ": in jumper sets from wire to wire and " + en.length(m.spareM())
                        + " each for the clamps, elsewhere " + en.length(m.pieceM()) + " each";
            case Ties m ->
                plural(m.insulators(), "strain insulator") + ": once round the post each, and " + en.length(m.twistM())
                        + " to twist";
            case GateStrands m -> plural(m.strands(), "strand") + " across openings";
            case Risers m -> "up both posts to the lowest wire at " + plural(m.gates(), "cabled gate");
            case Tool m -> tool(m);
            case GateAnchors m -> "two at " + plural(m.strands(), "strand") + ", one at each end";
            case GateCables m ->
                plural(m.cables(), "cable") + " at " + plural(m.gates(), "gate")
                        + ", one for the hot and one for the earth wires there are, each opening + 2 × "
                        + en.length(m.burialM()) + " deep + 2 risers to the lowest wire + 2 × " + en.length(m.spareM())
                        + " spare = " + en.length(m.totalM());
            case Conduits m ->
                plural(m.gates(), "gate") + " × (opening + 2 × " + en.length(m.burialM()) + " deep) = "
                        + en.length(m.totalM());
            case OneEnergizer m -> "one for each fence; output " + number(m.outputJ()) + " J assumed";
            case LeadOutCables m ->
                plural(m.cables(), "cable") + " × (" + en.length(m.wayM())
                        + " to the fence, round what is in the way, + " + en.length(m.spareM()) + " spare)"
                        + (m.cables() == 2 ? "" : "; no earth wires lead back to the terminal");
            case GroundRods m -> rods(m);
            case RodsOneByOne m ->
                m.stubs() ? plural(m.count(), "stub") + " where stone stops longer rods" : "as entered one by one";
            case LeadToRods m ->
                en.length(m.firstM()) + " from the energizer to the first rod"
                        + (m.betweenM() > 0 ? " + " + en.length(m.betweenM()) + " between rods" : "") + " = "
                        + en.length(m.totalM());
            case GroundLead m ->
                en.length(m.firstM()) + " from the energizer to the first rod"
                        + (m.gaps() > 0 ? " + " + plural(m.gaps(), "gap") + " of " + en.length(m.apartM()) : "")
                        + " = " + en.length(m.totalM());
            case Signs m ->
                m.gates() + " at gates, the others at most " + en.length(m.everyM()) + " apart along the line and "
                        + en.length(m.publicEveryM()) + " beside public ways; the local code may ask for more";
            case Figure m -> new EnglishLedger(en).text(m).derivation();
        };
    }

    private static String tool(Tool tool) {
        return switch (tool) {
            case GLOVES_GLASSES -> "gloves and glasses for everybody who handles wire or drives";
            case TAPE_STRING -> "tape, string line, marking paint";
            case STORY_POLE -> "story pole and marker";
            case METER -> "fence meter";
            case POST_DRIVER -> "post driver or sledge and driving cap";
            case AUGER_LEVEL -> "auger or digging bar and shovel, rammer, level";
            case BAR_PILOT_AUGER -> "stone bar and 4 in (100 mm) pilot auger";
            case DRILL_SAW -> "drill with a bit for the brace pins, saw";
            case HAMMER -> "hammer, pouch for staples and nails";
            case SPINNER -> "spinner for coils";
            case REEL -> "geared reel for woven goods";
            case PLIERS -> "fencing pliers, side cutters";
            case CRIMPER -> "crimping tool";
            case STRAINER_HANDLE -> "strainer handle, tension meter";
            case SPADE -> "spade or trencher for cable";
            case ROD_DRIVER -> "rod driver or sledge";
            case SPANNER -> "spanner for clamps";
            case MIXER -> "barrow, water and something to mix concrete in";
        };
    }

    private String slack(WireLength m) {
        String slack = m.slackPercent() > 0 ? " + " + number(m.slackPercent()) + " % slack" : "";
        boolean covered = m.tails().isEmpty() && !slack.isEmpty();
        return slack + (covered ? " and tails" : tails(m.tails()));
    }

    private String tails(List<WireLength.Tails> tails) {
        return tails.stream()
                .map(t -> " + " + plural(t.ends(), "tail") + " of " + en.length(t.eachM()))
                .collect(Collectors.joining());
    }

    private static String at(List<AtJoints> at, String word) {
        return at.stream()
                .map(a -> a.count() + word + plural(a.joints(), a.kind().text()))
                .collect(Collectors.joining(" + "));
    }

    // ---------------------------------------------------------------- names

    private String item(Use use, Product product) {
        return switch (product) {
            case Product.WireOf p ->
                (use == Use.HOT_WIRE ? "Hot wire, " : use == Use.EARTH_WIRE ? "Earth wire, " : "Plain wire, ")
                        + p.conductor().text();
            case Product.PostOf p -> upper(postNoun(use)) + ", " + p.stock().text() + ", " + en.length(p.lengthM());
            default -> use == Use.LOOSE_SLEEVE ? "Loose sleeve, left for a jumper" : product(product);
        };
    }

    private String product(Product product) {
        return switch (product) {
            case Product.WireOf p -> English.upper(p.conductor().text());
            case Product.PostOf p -> English.upper(p.stock().text()) + ", " + en.length(p.lengthM());
            case Product.Rail p -> "Brace rail, " + en.length(p.lengthM());
            case Product.Leaf p -> p.kind().text() + ", for " + en.length(p.openingM());
            case Product.Energizer p -> "Energizer, certified: " + p.name();
            case Product.Battery p -> "Battery, 12 V, " + number(p.ah()) + " Ah";
            case Product.Panel p -> "Panel, " + number(p.watts()) + " W";
            case Product.GroundRod p -> English.upper(p.kind().text()) + ", " + en.length(p.lengthM());
            case Product.LineInsulator p -> insulator(p.family(), p.hazard());
            case Product.Piece p -> fitting(p.fitting());
        };
    }

    private static String postNoun(Use use) {
        return switch (use) {
            case END_POST -> "end post";
            case CORNER_POST -> "corner post";
            case GATE_POST -> "gate post";
            case TEE_POST -> "tee post";
            case INLINE_POST -> "in-line strain post";
            case BRACE_POST -> "brace post";
            case TIE_DOWN_POST -> "tie-down post";
            case LIGHT_POST -> "light post";
            default -> "line post";
        };
    }

    private static String insulator(PostStock.Family family, Hazard hazard) {
        String made = switch (family) {
            case TIMBER -> hazard.text() + " for timber";
            case STEEL_TEE -> "clip-on for tee posts";
            case ANGLE_STEEL -> "clip-on for angle steel";
            case FIBREGLASS -> "clip for fibreglass rods";
            case PIPE -> "clamped to pipe";
            case STEEL_BAR -> "screwed round a steel bar";
            case STEP_IN -> "the post's own";
        };
        return "Line insulator, " + made
                + (family == PostStock.Family.TIMBER || hazard == Hazard.USUAL ? "" : ", " + hazard.text());
    }

    private String fitting(Fitting fitting) {
        return fitting.text() + (fitting == Fitting.OFFSET_BRACKET ? ", " + en.length(Values.I4_OFFSET_M) : "");
    }

    // ---------------------------------------------------------------- arithmetic

    private static String noun(Noun noun, long count) {
        return switch (noun) {
            case HOT_WIRE -> counted(count, "hot wire", "hot wires");
            case EARTH_OR_PLAIN_WIRE -> counted(count, "earth and plain wire", "earth and plain wires");
            case WIRE -> counted(count, "wire", "wires");
            case WOVEN_WIRE -> counted(count, "woven wire", "woven wires");
            case PULL -> counted(count, "pull", "pulls");
            case RUN -> counted(count, "run", "runs");
            case INSULATED_END -> counted(count, "end on an insulator", "ends on insulators");
            case END -> counted(count, "end", "ends");
            case SLEEVE -> counted(count, "sleeve", "sleeves");
            case TIGHTENER -> counted(count, "place tightened", "places tightened");
            case BRACED_PULL -> counted(count, "braced pull", "braced pulls");
            case NAILED_INSULATOR -> counted(count, "nailed insulator", "nailed insulators");
            case BRACE_FRAME -> counted(count, "frame", "frames");
            case WIRE_JOINT -> counted(count, "joint", "joints");
            case GATE_CABLE -> counted(count, "cable", "cables");
            case CABLED_GATE -> counted(count, "cabled gate", "cabled gates");
            case WALL -> counted(count, "end on a wall", "ends on walls");
            case POST_PASSED -> counted(count, "post passed", "posts passed");
            case POST_PASSED_IN_TURN -> counted(count, "post passed in a turn", "posts passed in a turn");
            case POST_PASSED_INSIDE_TURN -> counted(count, "post passed inside a turn", "posts passed inside a turn");
            case POST_OF_OLD_FENCE -> counted(count, "post of the old fence", "posts of the old fence");
            case CUT_OUT -> counted(count, "cut-out", "cut-outs");
            case POST_IN_HOLLOW -> counted(count, "post in a hollow", "posts in hollows");
            case STRONG_TIMBER_POST -> counted(count, "strong timber post", "strong timber posts");
            case PIPE_POST -> counted(count, "pipe post", "pipe posts");
            case DIAGONAL_BRACE -> counted(count, "diagonal brace", "diagonal braces");
            case GROUND_ROD -> counted(count, "rod", "rods");
        };
    }

    private static String sum(Sum sum) {
        return sum.terms().stream()
                .map(t -> noun(sum.wires(), t.wires()) + " × " + noun(sum.things(), t.things()))
                .collect(Collectors.joining(" + "));
    }

    /** As a factor: a sum of several terms stands in brackets. */
    private static String factor(Sum sum) {
        return sum.terms().size() > 1 ? "(" + sum(sum) + ")" : sum(sum);
    }

    private static String counting(Counted c) {
        String ends = (c.ends() ? " × 2 ends" : "") + (c.each() == 1 ? "" : " × " + c.each());
        String moreEnds = (c.moreEnds() ? " × 2 ends" : "") + (c.each() == 1 ? "" : " × " + c.each());
        String text = ends.isEmpty() ? sum(c.sum()) : factor(c.sum()) + ends;
        return text
                + (c.more().terms().isEmpty() ? "" : " + " + factor(c.more()) + moreEnds)
                + (c.total().isPresent() ? " = " + number(c.total().getAsLong()) : "");
    }

    private static String lineInsulators(LineInsulators m) {
        long passed = m.passed().total();
        long spares = m.spares().total() * m.sparesEach();
        List<String> parts = new ArrayList<>();
        if (passed > 0) {
            parts.add(sum(m.passed()) + (spares > 0 ? " = " + number(passed) : ""));
        }
        if (spares > 0) {
            parts.add(factor(m.spares()) + " × " + m.sparesEach() + " spare"
                    + (passed > 0 ? " = " + number(spares) : ""));
        }
        return String.join(", and ", parts) + (parts.size() > 1 ? "; together" : "") + " = " + number(m.total());
    }

    private String posts(Posts m) {
        String cut = m.stockM().isPresent()
                ? en.length(m.stockM().getAsDouble()) + " as gate posts usually are, the rest stands above; needs "
                : "cut to ";
        return reason(m) + "; " + cut + en.sawn(m.lengthM()) + ": " + en.length(m.aboveM()) + " above ground, "
                + en.length(m.depthM()) + " deep"
                + (m.driverM() > 0 ? ", " + en.length(m.driverM()) + " for the driver" : "");
    }

    private String reason(Posts m) {
        return switch (m.use()) {
            case END_POST -> "one at each end of an open line";
            case CORNER_POST ->
                "where the line turns by " + number(m.limit().orElseThrow())
                        + "° or more, and the closing post of a closed line";
            case GATE_POST -> "two at each gate that does not hang on a corner post";
            case TEE_POST -> "one where another line branches off and no strong post stands";
            case INLINE_POST ->
                "where a straight pull is longer than " + en.whole(m.limit().orElseThrow());
            case BRACE_POST -> "one for each rail";
            case LIGHT_POST -> "between line posts, only to keep the wires apart";
            case TIE_DOWN_POST -> "line posts that the wires would lift";
            default ->
                "spaced evenly between strong posts, none wider than "
                        + en.length(m.limit().orElseThrow())
                        + (m.widestM().isPresent()
                                ? "; they stand " + en.length(m.leastM().orElseThrow()) + " to "
                                        + en.length(m.widestM().getAsDouble()) + " apart"
                                : "");
        };
    }

    private String rods(GroundRods m) {
        return switch (m.school()) {
            case THREE_RODS -> "three rods " + en.length(m.apartM()) + " apart";
            case ONE_LONG_ROD -> "one long rod, soft wet clay only";
            case BY_AREA ->
                "one rod for each 2 acres" + (en.metric() ? " (0.81 ha)" : "") + " inside the fence, at most "
                        + Values.G2_MOST_RODS;
            case BY_JOULES ->
                en.length(Values.G4_ROD_M_PER_J) + " for each of " + number(m.outputJ()) + " J ÷ " + en.length(m.rodM())
                        + " a rod, rounded up";
        };
    }
}
