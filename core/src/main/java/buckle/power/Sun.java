package buckle.power;

/**
 * Sun on a panel by latitude and day. Above the air: FAO Irrigation and Drainage Paper 56, equations 21 to 25; on the ground: its
 * equation 35 with the usual 0.25 and 0.50; on a tilted panel facing the equator: Liu and Jordan 1960, even diffuse sky, with
 * their share of diffuse light as Klein 1977 writes it. From memory.
 */
public final class Sun {
    private static final double SOLAR_MJ_PER_M2_MIN = 0.0820;
    private static final double ALBEDO = 0.2;
    private static final double DAYS = 365;

    private Sun() {}

    static double declinationRad(int day) {
        return 0.409 * Math.sin(2 * Math.PI * day / DAYS - 1.39);
    }

    /** Half the day as an angle; none in the polar night, half a turn in the polar day. */
    private static double sunsetRad(double latitudeRad, double declinationRad) {
        return Math.acos(Math.clamp(-Math.tan(latitudeRad) * Math.tan(declinationRad), -1, 1));
    }

    /** On a level place above the air, MJ/m² a day. */
    public static double aboveMjPerM2(double latitudeDeg, int day) {
        double latitude = Math.toRadians(latitudeDeg);
        double declination = declinationRad(day);
        double sunset = sunsetRad(latitude, declination);
        double nearness = 1 + 0.033 * Math.cos(2 * Math.PI * day / DAYS);
        return Math.max(
                0,
                24
                        * 60
                        / Math.PI
                        * SOLAR_MJ_PER_M2_MIN
                        * nearness
                        * (sunset * Math.sin(latitude) * Math.sin(declination)
                                + Math.cos(latitude) * Math.cos(declination) * Math.sin(sunset)));
    }

    /** Clearness: share that reaches the ground when the sun shines so much of the day. */
    public static double clearness(double sunshineShare) {
        return 0.25 + 0.50 * sunshineShare;
    }

    static double diffuseShare(double clearness) {
        double k = Math.clamp(clearness, 0.3, 0.75);
        return 1.390 - 4.027 * k + 5.531 * k * k - 3.108 * k * k * k;
    }

    /** On the panel, MJ/m² a day. */
    public static double onPanelMjPerM2(double latitudeDeg, int day, double clearness, double tiltDeg) {
        double level = clearness * aboveMjPerM2(latitudeDeg, day);
        if (level <= 0) {
            return 0;
        }
        double side = latitudeDeg >= 0 ? 1 : -1;
        double latitude = Math.toRadians(Math.abs(latitudeDeg));
        double declination = side * declinationRad(day);
        double tilt = Math.toRadians(tiltDeg);
        double sunset = sunsetRad(latitude, declination);
        double seen = Math.min(sunset, sunsetRad(latitude - tilt, declination));
        double flat = Math.cos(latitude) * Math.cos(declination) * Math.sin(sunset)
                + sunset * Math.sin(latitude) * Math.sin(declination);
        double tilted = Math.cos(latitude - tilt) * Math.cos(declination) * Math.sin(seen)
                + seen * Math.sin(latitude - tilt) * Math.sin(declination);
        double direct = flat <= 1e-9 ? 0 : Math.clamp(tilted / flat, 0, 10);
        double diffuse = diffuseShare(clearness);
        return level
                * ((1 - diffuse) * direct + diffuse * (1 + Math.cos(tilt)) / 2 + ALBEDO * (1 - Math.cos(tilt)) / 2);
    }
}
