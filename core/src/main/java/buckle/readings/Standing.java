package buckle.readings;

/** How a reading, a test point or a section stands against what the animal needs (V10). */
public enum Standing {
    /** Holds what the animal needs. */
    MET,
    /** Between 85 % of the need and the need. */
    WARN,
    /** Below 85 % of the need. */
    BROKEN,
    /** Not read, or the meter cannot tell. */
    OPEN
}
