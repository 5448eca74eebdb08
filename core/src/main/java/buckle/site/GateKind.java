package buckle.site;

/** Kinds of gate this version lays out. */
public enum GateKind {
    /** A leaf on hinges, without power; hot and earth cable pass under it. */
    SWING,
    /** Spring handles across the opening; dead in the hand when open, and so is what lies beyond. */
    HANDLE
}
