package buckle.pulse;

/** The highest value of a pulse, and when after it left the energizer. */
public record Peak(double value, double atS) {}
