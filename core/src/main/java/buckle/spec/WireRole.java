package buckle.spec;

/** What a wire does: carries the pulse, returns it, or is plain fence wire. */
public enum WireRole {
    HOT,
    EARTH,
    PLAIN
}
