package buckle.message;

/** What joins wires at a place. */
public enum JointKind {
    /** Lead-out from the energizer, hot and earth. */
    FEED("feed"),
    /** Jumper set of a pull: hot with hot, earth with earth. */
    JUMPER("jumper set"),
    /** Link round a strong post from one pull to the next. */
    LINK("link"),
    /** Cable under a gate or over a creek. */
    CABLE("cabled opening"),
    /** Spring handles or one strand across an opening. */
    HANDLE("handle gate"),
    /** Insulated wire with clips to another line. */
    LEAD("lead"),
    /** A branch joined to the line it branches from. */
    TEE("branch"),
    /** Switch in the hot wires. */
    CUT_OUT("cut-out"),
    /** The hot wires end here on purpose. */
    OPEN("open end");

    private final String text;

    JointKind(String text) {
        this.text = text;
    }

    /** In the words of the trade. */
    public String text() {
        return text;
    }
}
