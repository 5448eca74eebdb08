package buckle.power;

import buckle.rulebook.Values;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.List;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;

/**
 * A lead-acid battery through the year. Typical values from memory, of a discharge over days: 0.4 % of capacity lost a degree under 25 °C, 1.3 % a
 * degree under 5 °C, down to 40 %; three quarters of what the panel makes is stored; half a charge is kept (E4).
 */
public final class Battery {
    public static final double VOLTS = 12;
    private static final double LOST_PER_C = 0.004;
    private static final double LOST_PER_COLD_C = 0.013;
    private static final double FULL_AT_C = 25;
    private static final double COLD_FROM_C = 5;
    private static final double LEAST_SHARE = 0.4;
    private static final int[] MONTH_START = {1, 32, 60, 91, 121, 152, 182, 213, 244, 274, 305, 335, 366};
    private static final double COLDEST_DAY = 20;
    private static final double COPPER_OHM_MM2_PER_M = 0.0172;
    /** A cable that loses more than this share of a panel's output is none. */
    private static final double MOST_LOST = 0.5;

    private Battery() {}

    /**
     * What lasts.
     *
     * @param drawW taken all day
     * @param panelW at full sun, none for 0
     * @param dirtShare of the light that dirt and snow keep off
     * @param cableOhm of the cable between panel, battery and energizer, there and back
     */
    @RecordBuilder
    public record Plant(
            double drawW,
            double batteryAh,
            double panelW,
            double tiltDeg,
            double dirtShare,
            double sunshineShare,
            double cableOhm)
            implements BatteryPlantBuilder.With {}

    /** Where a battery stands: latitude, and the mean of the coldest and the warmest month. */
    public record Climate(double latitudeDeg, double coldC, double warmC) {
        /** On a day of the year: a swing, coldest in late January, in July south of the equator. */
        public double temperatureC(int day) {
            double turn = 2 * Math.PI * (day - COLDEST_DAY - (latitudeDeg < 0 ? 182.5 : 0)) / 365;
            return (warmC + coldC) / 2 - (warmC - coldC) / 2 * Math.cos(turn);
        }
    }

    /**
     * One month.
     *
     * @param lowestShare lowest charge of the month, of what the battery holds warm
     */
    public record Month(int month, double sunMjPerM2, double madeAhPerDay, double usedAhPerDay, double lowestShare) {}

    /** Mean of the coldest month of those in which the fence is up. */
    public static double coldestC(Climate climate, IntPredicate up) {
        return IntStream.rangeClosed(1, 12)
                .filter(up)
                .mapToDouble(m -> climate.temperatureC(MONTH_START[m - 1] + 15))
                .min()
                .orElse(climate.coldC());
    }

    /** Share of its capacity that a battery gives at a temperature. */
    public static double capacityShare(double temperatureC) {
        double lost = LOST_PER_C * (FULL_AT_C - Math.max(temperatureC, COLD_FROM_C))
                + LOST_PER_COLD_C * Math.max(0, COLD_FROM_C - temperatureC);
        return Math.clamp(1 - lost, LEAST_SHARE, 1);
    }

    /** Sunny less in the dark half: a fifth less in midwinter, a fifth more in midsummer. */
    private static double clearness(Plant plant, Climate climate, int day) {
        double turn = 2 * Math.PI * (day - 10 - (climate.latitudeDeg() < 0 ? 182.5 : 0)) / 365;
        return Sun.clearness(Math.clamp(plant.sunshineShare() * (1 - 0.2 * Math.cos(turn)), 0, 1));
    }

    private static double madeAh(Plant plant, Climate climate, int day) {
        double mj = Sun.onPanelMjPerM2(climate.latitudeDeg(), day, clearness(plant, climate, day), plant.tiltDeg());
        double fullHours = mj / 3.6;
        double arrives = 1 - Math.min(MOST_LOST, plant.panelW() * lostPerW(plant));
        return fullHours * plant.panelW() * arrives * (1 - plant.dirtShare()) * Values.E5_STORED_SHARE / VOLTS;
    }

    /** Share of a watt at 12 V that the cable takes, for each watt that goes through it. */
    private static double lostPerW(Plant plant) {
        return plant.cableOhm() / (VOLTS * VOLTS);
    }

    /** Days a full battery lasts without sun down to half charge, and to empty. */
    public static double daysToHalf(Plant plant, double temperatureC) {
        return plant.batteryAh() * capacityShare(temperatureC) * (1 - Values.E4_KEPT_SHARE) / usedAhPerDay(plant);
    }

    /** Days without sun until it is empty. */
    public static double daysToEmpty(Plant plant, double temperatureC) {
        return plant.batteryAh() * capacityShare(temperatureC) / usedAhPerDay(plant);
    }

    /** Charge that the energizer takes in a day. */
    public static double usedAhPerDay(Plant plant) {
        return plant.drawW() * (1 + plant.drawW() * lostPerW(plant)) * 24 / VOLTS;
    }

    /**
     * The second of two years in a row, day by day.
     *
     * @param up the months in which the fence is up: in the others the energizer draws nothing
     */
    public static List<Month> year(Plant plant, Climate climate, IntPredicate up) {
        double draw = usedAhPerDay(plant);
        double charge = plant.batteryAh();
        double[] lowest = new double[12];
        double[] sun = new double[12];
        double[] made = new double[12];
        for (int year = 0; year < 2; year++) {
            for (int month = 0; month < 12; month++) {
                lowest[month] = 1;
                sun[month] = 0;
                made[month] = 0;
                double used = up.test(month + 1) ? draw : 0;
                int days = MONTH_START[month + 1] - MONTH_START[month];
                for (int day = MONTH_START[month]; day < MONTH_START[month + 1]; day++) {
                    double gain = plant.panelW() > 0 ? madeAh(plant, climate, day) : 0;
                    double holds = plant.batteryAh() * capacityShare(climate.temperatureC(day));
                    charge = Math.clamp(charge + gain - used, 0, holds);
                    lowest[month] = Math.min(lowest[month], charge / plant.batteryAh());
                    made[month] += gain / days;
                    sun[month] += Sun.onPanelMjPerM2(
                                    climate.latitudeDeg(), day, clearness(plant, climate, day), plant.tiltDeg())
                            / days;
                }
            }
        }
        List<Month> months = new ArrayList<>();
        for (int month = 0; month < 12; month++) {
            months.add(new Month(month + 1, sun[month], made[month], up.test(month + 1) ? draw : 0, lowest[month]));
        }
        return months;
    }

    /** The smallest battery that lasts so many dark days in the coldest time above half charge. */
    public static double leastAh(Plant plant, int darkDays, double coldC) {
        return usedAhPerDay(plant) * darkDays / (1 - Values.E4_KEPT_SHARE) / capacityShare(coldC);
    }

    /**
     * The smallest panel that makes a fifth more than is used in the darkest month that the fence is up; infinite where no sun rises, and where the
     * cable takes what more of a panel would bring.
     */
    public static double leastPanelW(Plant plant, Climate climate, IntPredicate up) {
        double perW = year(plant.withPanelW(1), climate, up).stream()
                        .filter(m -> up.test(m.month()))
                        .mapToDouble(Month::madeAhPerDay)
                        .min()
                        .orElse(0)
                / (1 - lostPerW(plant));
        double asked = Values.E5_PANEL_SPARE * usedAhPerDay(plant);
        double lost = lostPerW(plant);
        double left = 1 - 4 * lost * asked / perW;
        if (perW <= 1e-9 || left < 0) {
            return Double.POSITIVE_INFINITY;
        }
        return 2 * asked / perW / (1 + Math.sqrt(left));
    }

    /** Of two copper wires, there and back. Source: resistivity of copper at 20 °C, 0.0172 Ω·mm²/m. */
    public static double cableOhm(double lengthM, double areaMm2) {
        return 2 * lengthM * COPPER_OHM_MM2_PER_M / areaMm2;
    }

    /** Voltage lost in the cable by the energizer's mean draw. */
    public static double cableDropV(Plant plant) {
        return plant.drawW() / VOLTS * plant.cableOhm();
    }
}
