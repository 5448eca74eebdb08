package buckle.simulation;

import buckle.diagnosis.FaultKind;

/**
 * What is wrong with a fence in truth.
 *
 * @param run empty of what has no place on the line
 * @param fromM {@code toM} of growth; both where another fault is
 * @param value ohms of a leak, of growth as a whole, in series of a break, of an earth; share of the voltage; factor on a wrong reading
 * @param reading number of the reading that is wrong; -1 of all else
 */
public record Truth(FaultKind kind, String run, double fromM, double toM, double value, int reading) {
    static Truth placed(FaultKind kind, String run, double at, double ohm) {
        return new Truth(kind, run, at, at, ohm, -1);
    }

    static Truth of(FaultKind kind, double value) {
        return new Truth(kind, "", 0, 0, value, -1);
    }

    /** Leaks up to 500 Ω, open wires, poor earths and weak supplies: nobody may miss them. */
    public boolean strong() {
        return switch (kind) {
            case LEAK -> value <= 500;
            case BREAK -> Double.isInfinite(value);
            case EARTH, SUPPLY -> true;
            default -> false;
        };
    }
}
