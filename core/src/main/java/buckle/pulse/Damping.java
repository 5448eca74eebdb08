package buckle.pulse;

import java.util.List;
import java.util.OptionalDouble;

/**
 * What sits across an energizer's terminals and damps its ringing; no plate says it, so many pairs fit one plate.
 *
 * @param bleedOhm infinite for none
 * @param terminalF capacitance, when it is said
 * @param terminalShare capacitance as share of the energizer's own capacitor, when that is said instead; 0 for none
 */
public record Damping(double bleedOhm, OptionalDouble terminalF, double terminalShare) {
    public static final Damping NONE = new Damping(Double.POSITIVE_INFINITY, OptionalDouble.empty(), 0);

    private static final double USUAL_OHM = 5000;
    private static final double USUAL_SHARE = 0.05;

    /** E9: the pair that is taken as likely where it fits a plate: 5 kΩ and a twentieth of the capacitor. */
    public static final Damping USUAL = ofShare(USUAL_OHM, USUAL_SHARE);

    /** E9: tried in the order of how far they lie from the usual one; the first that fits a plate is its likely one. */
    static final List<Damping> TRIED = tried();

    /** E9: the others that a plate's range is taken over, where they fit it. */
    static final List<Damping> AROUND =
            List.of(ofShare(2500, 0.05), ofShare(12_000, 0.05), ofShare(5000, 0.015), ofShare(5000, 0.15));

    public Damping {
        LineWire.require(bleedOhm > 0, "a resistance across the terminals is above 0 Ω");
        LineWire.require(terminalF.orElse(0) >= 0, "a capacitance across the terminals is not under 0 F");
        LineWire.require(terminalShare >= 0, "a capacitance across the terminals is not under 0");
    }

    public Damping(double bleedOhm, double terminalF) {
        this(bleedOhm, OptionalDouble.of(terminalF), 0);
    }

    static Damping ofShare(double bleedOhm, double share) {
        return new Damping(bleedOhm, OptionalDouble.empty(), share);
    }

    private static List<Damping> tried() {
        List<Damping> all = new java.util.ArrayList<>();
        for (double ohm : new double[] {5000, 9000, 3000, 20_000, 1500, 50_000}) {
            for (double share : new double[] {0.05, 0.02, 0.12, 0.008, 0.3}) {
                all.add(ofShare(ohm, share));
            }
        }
        all.sort(java.util.Comparator.comparingDouble(Damping::awayFromUsual));
        return List.copyOf(all);
    }

    private double awayFromUsual() {
        return Math.abs(Math.log(bleedOhm / USUAL_OHM)) + Math.abs(Math.log(terminalShare / USUAL_SHARE));
    }

    double faradF(double capacitorF) {
        return terminalF.orElse(terminalShare * capacitorF);
    }

    OptionalDouble bleed() {
        return Double.isInfinite(bleedOhm) ? OptionalDouble.empty() : OptionalDouble.of(bleedOhm);
    }
}
