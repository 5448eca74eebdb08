package buckle.layout;

/**
 * A place where a post stands, before it is known what post.
 *
 * @param ends whether a pull ends here
 * @param runsOn whether its wires run on round the post all the same
 */
record Mark(double stationM, PostKind kind, String label, double deflectionDeg, boolean ends, boolean runsOn) {
    Mark(double stationM, PostKind kind, String label, double deflectionDeg, boolean ends) {
        this(stationM, kind, label, deflectionDeg, ends, false);
    }

    static Mark of(PostKind kind, double stationM) {
        return new Mark(stationM, kind, "", 0, false);
    }

    Mark as(PostKind other) {
        return new Mark(stationM, other, label, deflectionDeg, ends, runsOn);
    }

    Mark turning(double deg) {
        return new Mark(stationM, kind, label, deg, ends, runsOn);
    }

    boolean wiresEnd() {
        return ends && !runsOn;
    }

    boolean sameAs(double otherM) {
        return Math.abs(stationM - otherM) < SAME_PLACE_M;
    }

    /** Two posts nearer than this are one. */
    static final double SAME_PLACE_M = Post.SAME_PLACE_M;
}
