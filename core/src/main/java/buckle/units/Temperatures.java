package buckle.units;

/** Writes temperatures as people who measure in feet or in metres read them off a thermometer. */
public final class Temperatures {
    private Temperatures() {}

    /** {@code -15 °C}, or {@code 5 °F} where people measure in feet. */
    public static String text(double celsius, UnitSystem units) {
        return units == UnitSystem.METRIC ? Math.round(celsius) + " °C" : Math.round(celsius * 9 / 5 + 32) + " °F";
    }
}
