package buckle.mechanics;

/** What gives first at the end of a pull. */
public enum Weakness {
    RAIL_BUCKLES("the rail buckles"),
    DIAGONAL_BREAKS("the diagonal breaks"),
    POST_TIPS("the post tips"),
    FOOT_SLIDES("the foot slides"),
    POST_LIFTS("the post lifts");

    private final String text;

    Weakness(String text) {
        this.text = text;
    }

    /** In a sentence. */
    public String text() {
        return text;
    }
}
