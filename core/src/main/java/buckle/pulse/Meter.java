package buckle.pulse;

/** What is read off one pulse. */
public sealed interface Meter {
    /** Highest voltage against remote earth. */
    record Volts(Place at) implements Meter {}

    /** Largest current along the fence, away from the energizer positive: into a run at its beginning, else what arrives at a place. */
    record Amperes(Place at) implements Meter {
        private static final double BESIDE_M = 0.5;

        /** A circuit is cut there too: a current flows from one place to another. */
        public Place beside(double runM) {
            double at = at().distanceM();
            double beside = at == 0 ? Math.min(BESIDE_M, runM / 4) : Math.max(at - BESIDE_M, at * 0.75);
            return new Place(at().runId(), beside);
        }
    }

    /** Largest voltage, whatever its sign, of the energizer's earth terminal against remote earth. */
    record EarthVolts() implements Meter {}
}
