package buckle.material;

/** What serves as a ground rod. */
public enum EarthKind {
    ROD("ground rod", 2),
    PIPE("steel pipe", 2),
    SPIKE("metal spike", 2),
    /** Driven, or bent where stone stops it. */
    ANGLE_IRON("angle iron", 4),
    /** Steel posts of an old fence that its own wire joins. */
    OLD_FENCE("post of an old metal fence", 4);

    private final String text;
    private final double perRadius;

    EarthKind(String text, double perRadius) {
        this.text = text;
        this.perRadius = perRadius;
    }

    /** In the words of the trade. */
    public String text() {
        return text;
    }

    /** Radius of the round rod that lies in the ground like it: half of what is round, a quarter of what is flat or bent (from memory). */
    public double radiusM(double acrossM) {
        return acrossM / perRadius;
    }
}
