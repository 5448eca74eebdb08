package buckle.pulse;

/** What is read off one pulse. */
public sealed interface Meter {
    /** Highest voltage against remote earth. */
    record Volts(Place at) implements Meter {}

    /** Largest current along the fence, away from the energizer positive: into a run at its beginning, else what arrives at a place. */
    record Amperes(Place at) implements Meter {}

    /** Largest voltage, whatever its sign, of the energizer's earth terminal against remote earth. */
    record EarthVolts() implements Meter {}
}
