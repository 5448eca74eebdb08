package buckle.spec;

/** A question on which practitioners disagree. */
public enum Topic {
    RAIL("Length of the brace rail"),
    BRACE("Kind of brace"),
    TENSION("Pull of steel wire"),
    RODS("Ground rods"),
    LOWEST("Lowest wire"),
    EARTH_WIRES("Earth wires"),
    SUPPORTS("Posts between strong posts"),
    STRINGING("Where the wire ends"),
    TIGHTENING("Where the wire is tightened"),
    JUMPERS("Jumpers");

    private final String text;

    Topic(String text) {
        this.text = text;
    }

    /** As it is said on screen. */
    public String text() {
        return text;
    }
}
