package buckle.spec;

/** One wire of the schedule. */
public record Wire(double heightM, WireRole role) {
    public Wire {
        if (!(heightM > 0 && heightM <= 5)) {
            throw new IllegalArgumentException("wire height " + heightM + " m is not between 0 m and 5 m");
        }
    }
}
