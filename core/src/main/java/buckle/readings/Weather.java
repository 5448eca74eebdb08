package buckle.readings;

/** The weather while reading, as far as it changes what the meter shows. */
public enum Weather {
    DRY,
    DAMP,
    RAIN,
    SNOW,
    FROST;

    /** Whether there is water on the fence. */
    public boolean wet() {
        return this == DAMP || this == RAIN || this == SNOW;
    }
}
