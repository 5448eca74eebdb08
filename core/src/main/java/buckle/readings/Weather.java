package buckle.readings;

/** The weather while reading, as far as it changes what the meter shows. */
public enum Weather {
    DRY,
    DAMP,
    RAIN,
    SNOW,
    FROST
}
