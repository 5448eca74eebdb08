package buckle.message;

/** How wires are joined at a place. */
public sealed interface JointMessage extends Message {
    /** What is done with the earth wires at the feed. */
    enum EarthAtFeed {
        NONE,
        TIED,
        ALONG
    }

    /** The lead-out meets the fence. */
    record FeedJoint(EarthAtFeed earth) implements JointMessage {}

    /** A branch on another line. */
    record BranchJoint() implements JointMessage {}

    /**
     * Wires that are joined where they begin.
     *
     * @param separate pieces from wire to wire, otherwise one with windows
     * @param ring whether the ends of the wires come back to this post and are joined as well
     */
    record JumperSet(boolean hot, boolean earth, boolean separate, boolean ring) implements JointMessage {}

    /** @param bridge at arm's length, from row to row of a double fence */
    record LeadJoint(boolean bridge, double lengthM) implements JointMessage {}

    /** A switch in the hot wires. */
    record CutOutJoint() implements JointMessage {}

    /** The hot wires stay open. */
    record ClosingPost() implements JointMessage {}

    /** From one pull to the next. */
    record RoundThePost() implements JointMessage {}

    /** Cable in conduit under an opening. */
    record CableUnderGate(boolean hot, boolean earth) implements JointMessage {}

    /** Cable over a creek. */
    record CableOverCreek() implements JointMessage {}

    /** Spring handles. */
    record SpringHandles(boolean earth) implements JointMessage {}

    /** One strand across. */
    record OneStrand() implements JointMessage {}

    /** Nothing passes. */
    record NothingPasses() implements JointMessage {}
}
