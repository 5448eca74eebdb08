package buckle.readings;

/** What grows into the wires. */
public enum Growth {
    CLEAN,
    LIGHT,
    HEAVY
}
