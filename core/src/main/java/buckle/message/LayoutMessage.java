package buckle.message;

import buckle.material.PostStock;
import java.time.MonthDay;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** What the layout of a line, its gates, switches and wires has to say. */
public sealed interface LayoutMessage extends Message {
    /** A lead to a line that is gone, or has no hot wire. */
    record LeadToNothing(String line) implements LayoutMessage {}

    /** A lead longer than what there is of it. */
    record LeadTooShort(String lead, double lengthM, double reelM) implements LayoutMessage {}

    /** A wire that runs round and round needs a closed line without openings. @param gate empty where the line is open */
    record RoundNeedsRing(String line, String gate) implements LayoutMessage {}

    /** Fewer rounds than the schedule has wires. */
    record FewRounds(int rounds, int wires) implements LayoutMessage {}

    /** A wire cannot go out and back over an opening. */
    record NoWayBack(String gate) implements LayoutMessage {}

    /**
     * Friction takes so much of the pull that the run is better parted.
     *
     * @param leftLow share left at the far end at most friction, {@code leftHigh} at least
     * @param partM best place
     */
    record PullLost(double turnDeg, double leftLow, double leftHigh, double partM) implements LayoutMessage {}

    /** The wires end on a wall. */
    record EndsAtWall(String building) implements LayoutMessage {}

    /** A net does not follow the ground between its posts: so much gap under it, or so much ground above its foot. */
    record NetOverUneven(double atM, double offM, boolean hollow) implements LayoutMessage {}

    /** A line that does not stand all the year. */
    record Seasonal(MonthDay up, MonthDay down, int days, boolean overNewYear) implements LayoutMessage {}

    /** Posts of a seasonal line that are not made to come out. */
    record StaysInGround(long posts, PostStock stock) implements LayoutMessage {}

    /** @param closed whether the line is: its stations begin at that corner; otherwise the line ends there */
    record NoCornerToCut(String gate, boolean closed) implements LayoutMessage {}

    /** Its posts stand so far from the corner that it cuts off. */
    record GateAcrossCorner(String gate, String corner, double legM) implements LayoutMessage {}

    /** A sliding leaf has no straight beside it to slide along. */
    record NoRoomToSlide(String gate, double needM) implements LayoutMessage {}

    /** Wires that the posts' own clips, slots or holes bring to other heights than asked. */
    record WiresAtHolds(List<Moved> moved) implements LayoutMessage {
        /** One of them, by its number from the ground up. */
        public record Moved(int wire, double askedM, double atM) {}

        public WiresAtHolds {
            moved = List.copyOf(moved);
        }
    }

    /** The wires stay as asked. */
    record TooFewHolds(int wires, int holds) implements LayoutMessage {}

    /** A hot wire is so near one that is not, that a push brings them together (X9). */
    record HotNearStanding(int hot, int other, boolean barbed, double apartM, double leastM) implements LayoutMessage {}

    /** Hot wires that nothing holds off the posts. */
    record HotUninsulated(List<Integer> wires, boolean metal) implements LayoutMessage {
        public HotUninsulated {
            wires = List.copyOf(wires);
        }
    }

    /** Why a choice of posts no longer counts. */
    enum LostWhy {
        OFF_THE_LINE,
        NO_STRETCH,
        ASKS_NOTHING,
        CONTRADICTS,
        NO_POST
    }

    /** @param note what was said when it was found so */
    record StandingPostLost(double depthM, String note) implements LayoutMessage {}

    /** @param choice the reason somebody gave for it */
    record ChoiceLost(String choice, LostWhy why) implements LayoutMessage {}

    /** No height of the ground is known along a stretch. */
    record HeightsMissing(Span along) implements LayoutMessage {}

    /** Two gates at one place. */
    record GateOverlaps(String gate, String other) implements LayoutMessage {}

    /** A gate near a strong post hangs on it. */
    record GateMoved(String gate, double byM) implements LayoutMessage {}

    /** A gate wider than its side. */
    record GateTooWide(String gate) implements LayoutMessage {}

    /** A switch in an opening stands on its post. */
    record CutOutMoved(String cutOut, String gate) implements LayoutMessage {}

    /** A branch in an opening. */
    record BranchInGate(String gate) implements LayoutMessage {}

    /** What is missing at the ends of a pull: the brace by name, or the length of its rail. */
    record BraceName(String name, OptionalDouble railM) {}

    /** Room for one brace only. */
    record OneBraceFits(BraceName brace, Span between) implements LayoutMessage {}

    /** Room for no brace. */
    record NoBraceFits(BraceName brace, Span between) implements LayoutMessage {}

    /** @param sideN what each post is pushed by */
    record RoundedOutline(double turnDeg, int posts, double toM, double sideN) implements LayoutMessage {}

    /** The energizer has no place yet. */
    record EnergizerNotPlaced() implements LayoutMessage {}

    /** Rods by area without an area. */
    record NoAreaForRods() implements LayoutMessage {}

    /** One rod only. */
    record OneRodOnly() implements LayoutMessage {}

    /** An end that stops at another line without being joined. */
    record LooseEnd(boolean start, String line, String other) implements LayoutMessage {}

    /** @param other the cut-out that stands there too */
    record CutOutIdle(String cutOut, IdleWhy why, Optional<String> other) implements LayoutMessage {}

    /** Why a switch separates nothing. */
    enum IdleWhy {
        AT_THE_END,
        SAME_PLACE,
        WIRES_END
    }

    /** The rows of a double fence have no bridge. */
    record RowsNotBridged() implements LayoutMessage {}

    /** A section that nothing feeds. */
    record SectionDead(String section, String nearest, OptionalDouble leadM) implements LayoutMessage {}

    /** A single switch in a closed ring. */
    record CutOutInRing() implements LayoutMessage {}

    /** A switch that closes a ring. */
    record CutOutClosesRing() implements LayoutMessage {}

    /** @param fromHinge spring gate sets are fed from their hinges; handles hang on their dead side */
    record GateHangs(boolean wrong, boolean fromHinge) implements LayoutMessage {}

    /** The post a gate should hang on. */
    record HangingPost(String gate, double stationM) implements LayoutMessage {}

    /** Nothing passes a rigid gate. */
    record RigidGate() implements LayoutMessage {}

    /** The hanging part over a creek has its own switch. */
    record CreekSwitch() implements LayoutMessage {}

    /** Too wide for spring handles. */
    record HandlesTooWide(String gate, double mostM) implements LayoutMessage {}

    /** A line's own wires, kept for a line that is gone. */
    record WiresOfLostLine() implements LayoutMessage {}

    /** @param ground name of the soil zone */
    record PoorReturn(Span along, String ground) implements LayoutMessage {}

    /** Earth wires that no wire ties to the terminal. */
    record EarthGroundedAlong() implements LayoutMessage {}

    /**
     * Live wires that a monitored fence has in series.
     *
     * @param ohm of all of them one after the other
     */
    record MonitoredPath(int live, double wireM, double ohm) implements LayoutMessage {}

    /** @param offM how much the distance is off, when that is too much */
    record OuterRow(String outer, String inner, double apartM, OptionalDouble offM) implements LayoutMessage {}

    /** The row this one runs beside is gone. */
    record OuterRowAlone(String outer) implements LayoutMessage {}

    /** What is so on every job of this kind. */
    enum EveryJob implements LayoutMessage {
        CERTIFIED_ENERGIZER,
        WARNING_SIGNS,
        LOCATE_SERVICES,
        ISOLATE_FIRST,
        PROTECT_EYES_AND_HANDS,
        CABLE_RATED,
        DIAGONALS_LOOSE,
        DIAGONALS_ARC,
        RING_CLOSED,
        RING_OPEN
    }
}
