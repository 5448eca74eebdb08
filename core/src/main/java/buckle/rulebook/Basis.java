package buckle.rulebook;

/** Where a rule comes from. */
public enum Basis {
    /** Common practice in the trade; no document stands behind it. */
    PRACTICE,
    /** Derivable; the rule names the textbook formula. */
    PHYSICS,
    /** A standard, handbook or paper, named in the rule. */
    PUBLISHED,
    /** Our own convention, so that results are comparable. */
    CONVENTION
}
