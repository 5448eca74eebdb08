package buckle.message;

import static buckle.message.English.number;
import static buckle.message.English.orElse;
import static buckle.message.English.upper;

import buckle.message.JointMessage.*;
import buckle.message.LayoutMessage.*;
import java.time.MonthDay;
import java.time.format.TextStyle;
import java.util.Locale;

/** What lines, gates, switches and joints have to say, in words. */
final class EnglishLayout {
    private final English en;

    EnglishLayout(English en) {
        this.en = en;
    }

    String text(LayoutMessage message) {
        return switch (message) {
            case StandingPostLost m ->
                "A post that was set " + en.length(m.depthM()) + " deep"
                        + (m.note().isBlank() ? "" : " (“" + m.note() + "”)")
                        + " stands where the line has no post any more. It is kept but left out of the calculation: remove it here, or bring the line back to it.";
            case ChoiceLost m ->
                "The choice of posts “" + m.choice() + "” is kept but not applied: " + why(m.why())
                        + ". Move it or remove it.";
            case HeightsMissing m ->
                "No height is known from " + en.length(m.along().fromM()) + " to "
                        + en.length(m.along().toM())
                        + ": the ground is drawn straight there, and wire for it may be short.";
            case GateOverlaps m ->
                m.gate() + " overlaps " + m.other() + " and is left out of the layout. Move one of them.";
            case GateMoved m ->
                m.gate() + " was moved along its side by " + en.length(m.byM())
                        + " to hang on the strong post that stands there.";
            case GateTooWide m -> m.gate() + " is wider than its side; drawn as wide as the side.";
            case CutOutMoved m -> m.cutOut() + " stood in the opening of " + m.gate() + " and was moved to its post.";
            case BranchInGate m -> "Another line branches off in the opening of " + m.gate() + ". Move one of them.";
            case OneBraceFits m ->
                "Only one " + brace(m.brace()) + " fits between stations "
                        + en.length(m.between().fromM()) + " and "
                        + en.length(m.between().toM()) + ". Set a heavier post or a back-stake at the other end.";
            case NoBraceFits m ->
                "No " + brace(m.brace()) + " fits between stations "
                        + en.length(m.between().fromM()) + " and "
                        + en.length(m.between().toM()) + ". Both strong posts must hold by themselves.";
            case RoundedOutline m ->
                "The outline bends by " + Math.round(m.turnDeg()) + "° over " + m.posts() + " posts to "
                        + en.length(m.toM()) + ": no corner is braced, each post takes " + en.force(m.sideN())
                        + " sideways.";
            case EnergizerNotPlaced m ->
                "No energizer is placed yet; the start of the first line is taken as its place.";
            case NoAreaForRods m ->
                "No line is closed, so there is no area to count rods by; the most rods of this school are taken.";
            case OneRodOnly m -> "One rod is enough only in soft wet clay. Test the ground under load.";
            case LooseEnd m ->
                (m.start() ? "The start of " : "The end of ") + m.line() + " stops at " + m.other()
                        + " without being joined to it. Join it there, or move it away.";
            case CutOutIdle m ->
                m.cutOut() + " "
                        + switch (m.why()) {
                            case AT_THE_END -> "stands at the very end of the line";
                            case SAME_PLACE ->
                                "stands at the place of " + m.other().orElseThrow();
                            case WIRES_END -> "stands where the wires end";
                        }
                        + " and separates nothing. Move it or remove it.";
            case RowsNotBridged m ->
                "The rows of a double fence are not joined yet: a bridge of an arm's length from corner post to corner post feeds the other row.";
            case SectionDead m ->
                m.section()
                        + " is not connected to the energizer and stays dead. "
                        + (m.leadM().isPresent()
                                ? "The nearest live wire is that of " + m.nearest() + ", "
                                        + en.length(m.leadM().getAsDouble())
                                        + " away: lead power over by so much insulated wire with clips, or end it there."
                                : "End it on a line that is fed, or feed it by its own energizer as its own job.");
            case CutOutInRing m ->
                "A cut-out separates nothing: the pulse goes round the closed ring. A second one makes a section.";
            case CutOutClosesRing m ->
                "A cut-out closes a ring: to isolate a section of it, open the cut-outs at both of its ends.";
            case GateHangs m ->
                (m.wrong() ? "Drawn the wrong way round. " : "")
                        + (m.fromHinge()
                                ? "Spring gate sets are fed from their hinge side."
                                : "Handle gates hang on their dead side, so that they are dead in the hand when open; what lies beyond is dead then.");
            case HangingPost m -> m.gate() + " at the post at station " + en.length(m.stationM());
            case RigidGate m ->
                "No power passes a rigid gate. What lies beyond is fed from its other side, or stays dead.";
            case CreekSwitch m ->
                "The hanging part over a creek has its own switch on dry ground; open it before the flood comes.";
            case HandlesTooWide m ->
                m.gate() + " is wider than spring handles hang well (about " + en.length(m.mostM())
                        + "); one strand closes it better.";
            case WiresOfLostLine m -> "Wires of their own are kept for a line that is no longer on the plan.";
            case PoorReturn m ->
                "From " + en.length(m.along().fromM()) + " to "
                        + en.length(m.along().toM()) + " the ground ("
                        + m.ground()
                        + ") carries the return badly, and all wires are hot. Make some of them earth wires.";
            case EarthGroundedAlong m ->
                "Earth wires that are merely grounded along the way are weaker than earth wires tied to the energizer's earth terminal.";
            case MonitoredPath m ->
                "If this fence is monitored, its " + m.live()
                        + " live wires are one series path, each linked to the next at alternate ends: "
                        + en.length(m.wireM()) + " of wire, about " + number(m.ohm())
                        + " Ω with the power off, without gates and leads"
                        + (m.live() % 2 == 0 ? ". " : "; an odd number ends at the far end and needs a way back. ")
                        + "A cut sounds the alarm, and so does live on earth; live on live does not. Jumpers are counted and kilovolts"
                        + " calculated here for live wires that are joined side by side: those shock and are not monitored.";
            case LeadToNothing m ->
                "A lead of " + m.line() + " goes to a line that is no longer on the plan, or that has no hot wire.";
            case LeadTooShort m ->
                upper(m.lead()) + " takes " + en.length(m.lengthM()) + ", and its reel has " + en.length(m.reelM())
                        + ". Hook it on nearer, or take a longer one.";
            case RoundNeedsRing m ->
                (m.gate().isEmpty() ? m.line() + " is not closed" : m.gate() + " opens " + m.line())
                        + ", so that one wire cannot go round and round. Its wires run on and end there.";
            case FewRounds m ->
                "One wire makes " + m.rounds() + (m.rounds() == 1 ? " round" : " rounds") + ", fewer than the "
                        + m.wires() + " wires of the schedule: " + m.rounds()
                        + (m.rounds() == 1
                                ? " height is built."
                                : " heights are built, evenly from the lowest to the highest.");
            case NoWayBack m ->
                "One wire cannot go out and back over " + m.gate()
                        + ": on each side of it a wire goes out and back by itself.";
            case PullLost m ->
                "The wires turn by " + Math.round(m.turnDeg()) + "° in one run, and friction leaves "
                        + English.percent(m.leftLow()) + " to " + English.percent(m.leftHigh())
                        + " of the pull at the far end. Part the run, best at " + en.length(m.partM())
                        + ", or tighten midway or on each side.";
            case EndsAtWall m ->
                "The wires end on the wall of “" + m.building()
                        + "”: a wall anchor for each, insulated, instead of a post. Ask whose wall it is, and keep hot wires off its metal.";
            case NetOverUneven m ->
                "The ground is uneven for a net: at " + en.length(m.atM()) + " it lies " + en.height(m.offM())
                        + (m.hollow() ? " under" : " over") + " the line from post to post, "
                        + (m.hollow()
                                ? "and animals slip under. Set a post there, or pin the foot of the net down."
                                : "and the net's hot strands lie on it. Set a post there, or level it.");
            case Seasonal m ->
                "Goes up on " + day(m.up()) + " and comes down on " + day(m.down())
                        + (m.overNewYear() ? ", over the new year" : "") + ": " + m.days()
                        + " days. Cold, ice and the supply are calculated for the months it is up; its posts and wire are used again each year.";
            case StaysInGround m ->
                m.posts() + " line posts (" + m.stock().text()
                        + ") of a seasonal line do not come out of the ground by hand; step-in posts or fibreglass rods do.";
            case NoCornerToCut m ->
                m.gate() + " was to cut off a corner, but "
                        + (m.closed()
                                ? "the stations of the line begin there. It stands beside it; begin the line at another corner."
                                : "the line ends there. It stands beside it.");
            case GateAcrossCorner m ->
                m.gate() + " cuts off corner " + m.corner() + ": its posts stand " + en.length(m.legM())
                        + " before and after it, and no post stands in the corner itself.";
            case NoRoomToSlide m ->
                m.gate() + " needs " + en.length(m.needM())
                        + " of straight fence beside it for its leaf to slide along, and has it on neither side.";
            case WiresAtHolds m ->
                "The posts' own clips or holes bring "
                        + English.list(m.moved().stream()
                                .map(w -> "wire " + w.wire() + " to " + en.height(w.atM()) + " ("
                                        + en.height(Math.abs(w.atM() - w.askedM()))
                                        + (w.atM() > w.askedM() ? " higher" : " lower") + " than asked)")
                                .toList())
                        + ".";
            case TooFewHolds m ->
                "The posts have " + m.holds() + (m.holds() == 1 ? " clip or hole" : " clips or holes") + " for "
                        + m.wires() + " wires: the heights stay as asked, and something else must hold "
                        + (m.wires() - m.holds() == 1 ? "one" : String.valueOf(m.wires() - m.holds())) + " of them.";
            case HotNearStanding m ->
                "Hot wire " + m.hot() + " hangs " + en.height(m.apartM()) + " from "
                        + (m.barbed() ? "barbed wire " : "the standing wire ") + m.other()
                        + ": a push brings them together"
                        + (m.barbed() ? ", and whoever is caught in the barbs stays on a live wire" : "")
                        + ". Keep at least " + en.height(m.leastM()) + " between them.";
            case HotUninsulated m ->
                "Hot " + (m.wires().size() == 1 ? "wire " : "wires ")
                        + English.list(m.wires().stream().map(String::valueOf).toList())
                        + (m.wires().size() == 1 ? " is" : " are") + " held without insulators "
                        + (m.metal()
                                ? "on posts of steel: a dead short, nothing beyond it is live."
                                : "on timber: it leaks at every post when it is wet.");
            case OuterRow m ->
                m.outer() + " is the outer row of " + m.inner() + ": " + en.length(m.apartM())
                        + " out, posts opposite (P7)"
                        + orElse(m.offM(), off -> "; here it is off by " + en.length(off) + ".", ".");
            case OuterRowAlone m -> m.outer() + " is said to be the outer row of a line that is no longer on the plan.";
            case EveryJob m -> everyJob(m);
        };
    }

    private static String day(MonthDay day) {
        return day.getDayOfMonth() + " " + day.getMonth().getDisplayName(TextStyle.SHORT, Locale.ENGLISH);
    }

    private static String why(LostWhy why) {
        return switch (why) {
            case OFF_THE_LINE -> "its place is no longer on the line";
            case NO_STRETCH -> "nothing is left of its stretch";
            case ASKS_NOTHING -> "it asks for nothing";
            case CONTRADICTS -> "it contradicts another choice for the same posts";
            case NO_POST -> "no post stands there but strong ones and brace posts";
        };
    }

    private String brace(BraceName brace) {
        return orElse(brace.railM(), rail -> en.length(rail) + " brace", brace.name());
    }

    private static String everyJob(EveryJob what) {
        return switch (what) {
            case CERTIFIED_ENERGIZER -> "Feed the fence from a certified energizer only, never from the mains.";
            case WARNING_SIGNS ->
                "Warning signs at gates, at public access and along the line, as the local code says.";
            case LOCATE_SERVICES ->
                "Have buried water, power, gas and telephone lines located before anything is driven.";
            case ISOLATE_FIRST ->
                "Energizer off and isolated before hands go on the wire; a reel hooked to a live wire is live as a whole.";
            case PROTECT_EYES_AND_HANDS ->
                "Eye and hand protection when cutting or straining; no ratchet handle that can spin back on a tensioner under load.";
            case CABLE_RATED -> "Cable under gates is rated for the fence voltage; mains cable is not.";
            case DIAGONALS_LOOSE ->
                "Do not over-tighten the diagonals before the wires pull; stand clear of wire under load.";
            case DIAGONALS_ARC ->
                "Hot wires pass the diagonal of each brace and can arc to it: tie them off or put the spare insulators there.";
            case RING_CLOSED ->
                "The ring is closed at its closing post: to isolate a section, two cut-outs must be opened.";
            case RING_OPEN ->
                "Closed line: the hot wires stay open at the closing post, so one cut-out isolates all beyond it.";
        };
    }

    String text(JointMessage message) {
        return switch (message) {
            case FeedJoint m ->
                "lead-out to the hot wires"
                        + switch (m.earth()) {
                            case NONE -> ", ground rods to the earth terminal";
                            case TIED -> ", earth wires to the earth terminal together with the ground rods";
                            case ALONG ->
                                "; the earth wires are grounded along the way by rods of their own, the weaker way";
                        };
            case BranchJoint m -> "its hot wires to the hot wires of the line it branches from, earth to earth";
            case JumperSet m ->
                (m.ring() ? "both ends of each wire, " : "")
                        + (m.hot()
                                ? m.earth() ? "hot with hot, earth with earth, " : "hot with hot, "
                                : "earth with earth, ")
                        + (m.separate()
                                ? "separate pieces from wire to wire"
                                : "one continuous piece, its insulation stripped in windows");
            case LeadJoint m ->
                m.bridge()
                        ? en.length(m.lengthM()) + " of insulated wire from row to row, hot to hot, at arm's length"
                        : en.length(m.lengthM()) + " of insulated wire with clips, hot to hot";
            case CutOutJoint m ->
                "all hot wires together through the switch; earth wires pass untouched; handle falls to off";
            case ClosingPost m -> "hot wires end here on both sides, not joined; earth wires are";
            case RoundThePost m -> "hot to hot and earth to earth of the next pull";
            case CableUnderGate m ->
                (m.hot() && m.earth() ? "hot and earth cable" : m.hot() ? "hot cable" : "earth cable")
                        + " in conduit under the gate, both ends marked, elbows down";
            case CableOverCreek m ->
                "cable over the creek above the flood; the hanging part through its own switch on dry ground";
            case SpringHandles m ->
                "a spring handle for each hot wire" + (m.earth() ? "; earth cable under the opening" : "");
            case OneStrand m -> "one hot strand across, joined to the hot wires on both sides";
            case NothingPasses m -> "nothing passes: all wires end at both gate posts";
        };
    }
}
