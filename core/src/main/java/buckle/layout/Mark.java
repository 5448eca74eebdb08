package buckle.layout;

/** A place where a post stands, before it is known what post. */
record Mark(double stationM, PostKind kind, String label, double deflectionDeg, boolean ends) {
    static Mark of(PostKind kind, double stationM) {
        return new Mark(stationM, kind, "", 0, false);
    }

    boolean sameAs(double otherM) {
        return Math.abs(stationM - otherM) < SAME_PLACE_M;
    }

    /** Two posts nearer than this are one. */
    static final double SAME_PLACE_M = Post.SAME_PLACE_M;
}
