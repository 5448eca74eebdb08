package buckle.units;

import java.util.Locale;

/** Writes forces as the trade says them: pounds-force or newtons. */
public final class Forces {
    /** Source: pound avoirdupois 0.45359237 kg and standard gravity 9.80665 m/s², both exact by definition. */
    public static final double N_PER_LBF = 0.45359237 * 9.80665;

    private Forces() {}

    /** Pounds-force in newtons. */
    public static double lbf(double poundsForce) {
        return poundsForce * N_PER_LBF;
    }

    /** A moment for a sentence: {@code 1,130 lbf·ft} or {@code 1,530 Nm}. */
    public static String moment(double momentNm, UnitSystem units) {
        return units == UnitSystem.FT_IN
                ? String.format(Locale.ROOT, "%,d lbf·ft", Math.round(momentNm / (N_PER_LBF * Lengths.M_PER_FT)))
                : String.format(Locale.ROOT, "%,d Nm", Math.round(momentNm));
    }

    /** A force for a sentence: {@code 560 lbf}, {@code 480 N} or {@code 2.49 kN}. */
    public static String text(double forceN, UnitSystem units) {
        if (units == UnitSystem.FT_IN) {
            return String.format(Locale.ROOT, "%,d lbf", Math.round(forceN / N_PER_LBF));
        }
        return Math.abs(forceN) < 1000
                ? Math.round(forceN) + " N"
                : String.format(Locale.ROOT, "%.2f kN", forceN / 1000);
    }
}
