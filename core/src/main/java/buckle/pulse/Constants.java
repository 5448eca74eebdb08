package buckle.pulse;

/** Physical constants. Source: CODATA 2018, rounded. */
public final class Constants {
    /** Magnetic constant, H/m. */
    public static final double MU_0 = 4e-7 * Math.PI;

    /** Electric constant, F/m. */
    public static final double EPSILON_0 = 8.8541878e-12;

    /** Speed of light, m/s. */
    public static final double LIGHT_M_PER_S = 299_792_458;

    private Constants() {}
}
