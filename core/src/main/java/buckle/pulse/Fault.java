package buckle.pulse;

/**
 * Something at a place of a run.
 *
 * @param ohm to earth of a shunt; in series of a break, infinite when nothing passes
 */
public record Fault(Kind kind, Place at, double ohm) {
    /** What is wrong. */
    public enum Kind {
        /** To earth. */
        SHUNT,
        /** In series. */
        BREAK
    }

    public Fault {
        LineWire.require(ohm > 0, "resistance " + ohm + " Ω of a fault is not above 0");
    }
}
