package buckle.diagnosis;

/**
 * How often each kind is met before anything is read. Ours, after hunts that were simulated and what practitioners tell: of fences that
 * are read because something seems wrong about one in eight is in order, and poor earths are met often.
 */
enum Chance {
    NONE(0.13),
    LEAK(0.39),
    BREAK(0.12),
    GROWTH(0.1),
    EARTH(0.09),
    SUPPLY(0.06),
    METER(0.06),
    TWO(0.05);

    /** Of what comes apart, so much parts altogether. */
    static final double OPEN = 0.75;
    /** Of what comes apart, and of what leaks, so much is at switches, handles and cables. Ours, after what practitioners look at. */
    static final double FRAIL_BREAKS = 0.25;

    static final double FRAIL_LEAKS = 0.1;

    private final double share;

    Chance(double share) {
        this.share = share;
    }

    double log() {
        return Math.log(share);
    }
}
