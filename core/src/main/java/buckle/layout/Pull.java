package buckle.layout;

/** The wires between two terminations. */
public record Pull(double fromM, double toM, double slopeLengthM) {}
