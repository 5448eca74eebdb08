package buckle.message;

import static buckle.message.English.degrees;
import static buckle.message.English.named;
import static buckle.message.English.oneDecimal;
import static buckle.message.English.orElse;

import buckle.message.LandMessage.*;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;

/** What the property means for the fence, in words. */
final class EnglishLand {
    private final English en;

    EnglishLand(English en) {
        this.en = en;
    }

    String text(LandMessage message) {
        return switch (message) {
            case TreesAlong m -> named(m.feature()) + ": clear the line, and expect limbs on the wires.";
            case StandingWaterMet m ->
                named(m.feature()) + " " + en.along(m.along())
                        + ": wires in water bleed the pulse and posts do not hold. Go round.";
            case NoGoEntered m -> named(m.feature()) + " is entered " + en.along(m.along()) + ". Go round it.";
            case BuildingNear m ->
                named(m.feature()) + " is " + (m.inTheWay() ? "in the way " : "closer than a person can pass ")
                        + en.along(m.along()) + ". Leave a walkway, so that nobody backs into a live wire.";
            case BoundaryCrossed m ->
                named(m.feature()) + " is crossed: the line leaves the property here. Ask whose ground it is.";
            case OverheadCrossing m ->
                named(m.feature()) + " crosses under "
                        + degrees(m.angleDeg()) + (m.square() ? ". " : ": cross nearer to a right angle. ")
                        + keep(m.clearanceM(), m.voltageKv())
                        + ", also with posts, wires and machines while working.";
            case OverheadBeside m ->
                named(m.feature()) + " runs " + en.length(m.nearestM()) + " beside the fence " + en.along(m.along())
                        + ". " + keep(m.clearanceM(), m.voltageKv()) + "; a long parallel run picks up voltage.";
            case FenceTooHighNearOverhead m ->
                "The fence is " + en.length(m.topM()) + " high; near " + named(m.feature()) + " it stays under "
                        + en.length(m.mostM()) + ".";
            case OverheadTooLow m ->
                "Between the top wire at " + en.length(m.topM()) + " and the lowest conductor at "
                        + en.length(m.lowestM()) + " lie " + en.length(m.lowestM() - m.topM()) + "; "
                        + en.length(m.clearanceM()) + " are needed.";
            case PublicWayNear m ->
                named(m.feature()) + " comes within " + en.length(m.nearestM()) + " " + en.along(m.along())
                        + ": warning signs towards it, " + (m.signs() == 1 ? "1 is drawn" : m.signs() + " are drawn")
                        + " there, at most " + en.length(m.signEveryM()) + " apart"
                        + orElse(
                                m.crossingM(),
                                at -> ", and where it crosses at " + en.length(at) + " a gate that people can open.",
                                ".");
            case OtherEnergizerNear m ->
                named(m.feature()) + " is fed by its own energizer and comes within " + en.length(m.nearestM()) + " "
                        + en.along(m.along()) + "; keep them at least " + en.length(m.apartM()) + " apart.";
            case MetalFenceNear m ->
                named(m.feature()) + (m.crossed() ? " is met" : " comes within " + en.length(m.nearestM())) + " "
                        + en.along(m.along()) + ": a push brings hot wire and it together. Keep hot wires more than "
                        + en.length(m.apartM()) + " off, or hang them on offset brackets.";
            case BarbedNear m ->
                named(m.feature()) + " is barbed, within " + en.length(m.nearestM()) + " " + en.along(m.along())
                        + ". It is never electrified; a hot wire near it goes on offsets, away from people.";
            case FenceStands m ->
                named(m.feature()) + " stands " + en.along(m.along()) + "."
                        + m.postsUsable()
                                .map(usable -> usable ? " Its posts are usable." : " Its posts are not usable.")
                                .orElse("");
            case CreekCrossed m ->
                named(m.feature())
                        + " is crossed: a hanging or sacrificial part of its own, behind its own cut-out above flood level.";
            case TrackWithoutGate m -> named(m.feature()) + " is crossed and there is no gate.";
            case OpeningShut m -> named(m.feature()) + " is fenced shut: no gate there.";
            case StonyGround m ->
                "Stone" + orElse(m.depthM(), d -> " at " + en.length(d), "")
                        + ": bar or pilot auger first; a post that stops on stone is recorded with its depth.";
            case WetGround m -> "Wet ground: posts hold less, set strong ones deeper; good for ground rods.";
            case FreezingGround m -> "Ground that freezes: posts before the frost, feet below it.";
            case SandyGround m -> "Sand: posts hold less, and dry sand carries the pulse back badly.";
            case FloodNotKnown m ->
                "How far “" + m.creek() + "” floods the fence cannot be told without heights of the ground.";
            case Flooded m ->
                "“" + m.creek() + "” floods the fence when it rises " + en.length(m.riseM())
                        + ": a cut-out on each side above the water, and no ground rods or joints below it.";
            case RodsInStone m ->
                en.length(m.rodM()) + " rods will not go into the stone where the energizer stands; "
                        + English.plural(m.stubs(), "stub") + " of " + en.length(m.stubM())
                        + " are taken instead, a weak earth. Kept wet they are better; so are bent angle irons, entered one by one, or rods in soft ground through an insulated cable. "
                        + (m.earthTied()
                                ? "The earth wires that are tied to its terminal carry the return."
                                : "Earth wires tied to its terminal carry the return where stubs do not.");
            case RodInBuilding m ->
                "A " + m.kind().text() + " was put where “" + m.building()
                        + "” stands, and no rod goes in there. It was calculated there all the same: give it another place, 33 ft (10 m) from the building's earth.";
            case RodNearBuilding m ->
                "A " + m.kind().text() + " stands " + en.length(m.distanceM()) + " from “" + m.building()
                        + "”. Ground rods go at least " + en.length(m.apartM()) + " away from the building's earth.";
            case RodOnStone m ->
                en.length(m.lengthM()) + " of " + m.kind().text() + " will not go into the stone "
                        + (m.soil().isEmpty() ? "where the energizer stands" : "of “" + m.soil() + "”")
                        + ". Enter what goes in, or give it another place.";
            case EarthLead m ->
                "Of " + en.length(m.leadM()) + " of ground lead the rods take " + en.length(m.betweenM())
                        + " between them"
                        + (m.leftM() < 0
                                ? ": it does not reach from the first to the last."
                                : " and leave " + en.length(m.leftM()) + " to the energizer"
                                        + (m.leftM() < m.needM() ? "; it takes " + en.length(m.needM()) + "." : "."));
            case NoSwitchOutside m ->
                "The energizer stands inside. A switch in its lead-out, outside beside the gate, lets people turn the fence off without reaching over a live wire.";
            case EnergizerOutside m ->
                "The energizer stands outside the fence that keeps out " + English.animals(m.animals())
                        + ". Put it inside, and a switch for it outside in the lead-out, so that nobody reaches over a live wire.";
            case RodsNearBuilding m ->
                "The energizer stands " + en.length(m.distanceM()) + " from “" + m.building()
                        + "”. Its ground rods go at least " + en.length(m.apartM())
                        + " away from the building's earth.";
            case ServiceClear m ->
                named(m.feature()) + " (" + known(m.depthM()) + ") " + where(m.where())
                        + "; nothing is driven or dug down to it as laid out. Have it located before driving.";
            case ServiceMet m ->
                named(m.feature()) + " (" + known(m.depthM()) + ") " + where(m.where()) + ". Within "
                        + en.length(m.withinM()) + " of it go " + list(m.dug())
                        + ". Have it located, and dig by hand or move them.";
            case RodsOverService m ->
                m.reachM() == 0
                        ? named(m.feature()) + " (" + known(m.depthM()) + ") lies " + en.length(m.distanceM())
                                + " from a ground rod that goes "
                                + en.length(m.rods().depthM())
                                + " deep. Have the service located, and give the rod another place."
                        : named(m.feature()) + " (" + known(m.depthM()) + ") lies " + en.length(m.distanceM())
                                + " from the energizer, and " + thing(m.rods().what()) + " go "
                                + en.length(m.rods().depthM())
                                + " deep. They have no place on the plan yet and are taken to stand in a row up to "
                                + en.length(m.reachM())
                                + " from it. Have the service located, and drive them clear of it.";
            case LeadOutOverService m ->
                named(m.feature()) + " (" + known(m.depthM())
                        + ") is crossed or neared by the lead-out, taken to lie " + en.length(m.cableM())
                        + " deep. Have it located, and dig by hand.";
            case LeadOutCrossesWay m ->
                named(m.feature()) + " is crossed by " + lead(m.lead())
                        + ": cable in conduit deep enough for what drives there, both ends marked.";
            case LeadOutCrossesWater m ->
                named(m.feature()) + " is crossed by " + lead(m.lead()) + ": over it above the flood, or another way.";
            case LeadOutUnderOverhead m ->
                named(m.feature()) + " is crossed by " + lead(m.lead()) + ": in the ground there, and keep at least "
                        + en.length(m.clearanceM()) + " to its conductors while working.";
            case LeadOutLeavesProperty m ->
                named(m.feature()) + " is crossed by " + lead(m.lead())
                        + ", which leaves the property there. Ask whose ground it is.";
            case Stretch m -> between(m.line(), m.along());
            case FloodedStretch m -> between(m.line(), m.along()) + ", up to " + en.length(m.deepestM()) + " deep";
        };
    }

    /** The lead-out, or a lead from line to line by its name. */
    private static String lead(String name) {
        return name.isEmpty() ? "the lead-out" : "the " + name;
    }

    private String between(String line, Span along) {
        return (line.isEmpty() ? "" : line + " ")
                + en.length(along.fromM())
                + (along.toM() - along.fromM() < 0.5 ? "" : " to " + en.length(along.toM()));
    }

    private String keep(double clearanceM, OptionalDouble voltageKv) {
        return "Keep at least " + en.length(clearanceM) + " to its conductors ("
                + orElse(
                        voltageKv,
                        kv -> (kv == Math.rint(kv) ? String.format(Locale.ROOT, "%.0f", kv) : oneDecimal(kv)) + " kV",
                        "voltage not known, taken as the highest")
                + ")";
    }

    private String known(OptionalDouble depthM) {
        return orElse(depthM, d -> en.length(d) + " deep", "depth not known");
    }

    private String where(Where where) {
        return switch (where) {
            case Where.Crosses w -> "crosses the fence";
            case Where.CrossesAt w -> "crosses at " + en.length(w.stationM());
            case Where.Beside w -> "lies " + en.length(w.nearestM()) + " off " + en.along(w.along());
        };
    }

    private String list(List<Dug> met) {
        List<String> each = met.stream()
                .map(d -> thing(d.what()) + ", " + en.length(d.depthM()) + " deep")
                .toList();
        return each.size() == 1
                ? each.getFirst()
                : String.join("; ", each.subList(0, each.size() - 1)) + " and " + each.getLast();
    }

    private String thing(Thing thing) {
        return switch (thing) {
            case Thing.PostAt t -> "post " + t.number() + " at " + en.length(t.stationM());
            case Thing.TieDownAt t -> "the tie-down of post " + t.number() + " at " + en.length(t.stationM());
            case Thing.BackStakeAt t -> "the back-stake at " + en.length(t.stationM());
            case Thing.ConduitUnder t -> "the conduit under " + t.gate();
            case Thing.GroundRods t -> t.count() == 1 ? "the ground rod" : "the " + t.count() + " ground rods";
            case Thing.LeadOut t -> "the lead-out";
        };
    }
}
