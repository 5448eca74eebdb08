package buckle.diagnosis;

/** What may be wrong. */
public enum FaultKind {
    /** From a hot wire to earth at one place. */
    LEAK,
    /** A wire or a joint in series: broken or poor. */
    BREAK,
    /** Growth on a stretch. */
    GROWTH,
    /** The energizer's rods. */
    EARTH,
    /** The energizer, its battery or its mains. */
    SUPPLY,
    /** One reading was wrong. */
    METER,
    /** Nothing. */
    NONE,
    /** More than one fault. */
    TWO;

    /** Whether it lies somewhere on the line. */
    public boolean placed() {
        return this == LEAK || this == BREAK || this == GROWTH;
    }
}
