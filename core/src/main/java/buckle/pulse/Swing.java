package buckle.pulse;

/**
 * The damped swing of a charged capacitor through a coil into a resistance, in closed form. Source: the series R-L-C circuit of any
 * textbook; the case without a swing and the one between follow the same way. Volts across the load, which never turns round before
 * its first peak.
 *
 * @param openV on the capacitor before
 * @param innerOhm resistance besides the load
 */
record Swing(double openV, double faradF, double henryH, double innerOhm) {
    private static final double SAME = 1e-12;

    /** Highest volts across a load. */
    double peakV(double loadOhm) {
        double alpha = (innerOhm + loadOhm) / (2 * henryH);
        double square = alpha * alpha - 1 / (henryH * faradF);
        double peakA = square > alpha * alpha * SAME
                ? creeping(alpha, Math.sqrt(square))
                : square < -alpha * alpha * SAME
                        ? swinging(alpha, Math.sqrt(-square))
                        : openV / henryH / alpha / Math.E;
        return peakA * loadOhm;
    }

    private double creeping(double alpha, double beta) {
        double slow = 1 / (henryH * faradF) / (alpha + beta);
        double at = Math.log((alpha + beta) / slow) / (2 * beta);
        return openV / (2 * beta * henryH) * (Math.exp(-slow * at) - Math.exp(-(alpha + beta) * at));
    }

    private double swinging(double alpha, double omega) {
        double at = Math.atan2(omega, alpha) / omega;
        return openV / (omega * henryH) * Math.exp(-alpha * at) * Math.sin(omega * at);
    }
}
