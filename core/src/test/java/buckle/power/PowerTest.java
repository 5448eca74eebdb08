package buckle.power;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import buckle.Records;
import buckle.power.Battery.Climate;
import buckle.power.Battery.Month;
import buckle.power.Battery.Plant;
import buckle.power.Rods.Rod;
import buckle.pulse.EnergizerRating;
import buckle.spec.Supply;
import java.util.List;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Earth, sun and battery against published examples and common practice. */
class PowerTest {
    private static final double FT_6 = 1.8288;
    private static final int[] MID_MONTH = {15, 46, 74, 105, 135, 166, 196, 227, 258, 288, 319, 349};
    private static final Plant PLANT = new Plant(1.2, 70, 40, 60, 0.2, 0.4, 0);
    private static final Climate TEMPERATE = new Climate(44, -15, 35);

    /** Source: FAO Irrigation and Drainage Paper 56, example 8, from memory: 20° S, 3 September, 32.2 MJ/m² a day. */
    @Test
    void sunAboveTheAirIsThatOfThePaper() {
        assertThat(Sun.aboveMjPerM2(-20, 246)).isCloseTo(32.2, within(0.05));
        assertThat(Sun.aboveMjPerM2(89, 356)).isZero();
        assertThat(Sun.onPanelMjPerM2(45, 172, 0.5, 0)).isCloseTo(0.5 * Sun.aboveMjPerM2(45, 172), within(1e-9));
    }

    /** Source: FAO Irrigation and Drainage Paper 56, table 2.6 of its annex, mid-month values, from memory. */
    @ParameterizedTest
    @CsvSource(
            delimiter = ':',
            value = {
                "0:36.2 37.5 37.9 36.8 34.8 33.4 33.9 35.7 37.2 37.4 36.3 35.6",
                "40:15.0 20.4 27.2 34.7 39.7 41.9 40.8 36.7 30.0 22.5 16.3 13.6"
            })
    void sunByMonthIsThatOfTheTable(double latitudeDeg, String row) {
        String[] wanted = row.trim().split(" ");
        for (int month = 0; month < 12; month++) {
            assertThat(Sun.aboveMjPerM2(latitudeDeg, MID_MONTH[month]))
                    .as("month %d at %.0f°", month + 1, latitudeDeg)
                    .isCloseTo(Double.parseDouble(wanted[month]), within(0.15));
        }
    }

    /** Half a year later the other half of the globe has the same sun, but for the way round the sun not being a circle. */
    @Test
    void theSouthIsTheNorthHalfAYearLater() {
        for (int day : new int[] {20, 80, 140}) {
            double north = Sun.onPanelMjPerM2(44, day, 0.45, 60);
            double south = Sun.onPanelMjPerM2(-44, day + 183, 0.45, 60);
            assertThat(south / north).isBetween(0.9, 1.1);
        }
        // In winter a steep panel sees more of the low sun than a flat one, in summer less.
        assertThat(Sun.onPanelMjPerM2(44, 355, 0.45, 60)).isGreaterThan(1.2 * Sun.onPanelMjPerM2(44, 355, 0.45, 0));
        assertThat(Sun.onPanelMjPerM2(44, 172, 0.45, 60)).isLessThan(Sun.onPanelMjPerM2(44, 172, 0.45, 0));
    }

    /** Source: Dwight's formula is the integral's own limit; 6 ft rods 10 ft apart in line give 1.09, 1.16, 1.21 (G11). */
    @Test
    void rodsShareTheGround() {
        double one = Rods.singleOhm(100, FT_6, 0.008);
        assertThat(Rods.inLineOhm(100, FT_6, 0.008, 1, 3.048)).isCloseTo(one, within(0.01 * one));
        double[] factors = {1.09, 1.16, 1.21};
        for (int n = 2; n <= 4; n++) {
            assertThat(Rods.inLineOhm(100, FT_6, 0.008, n, 3.048) * n / one).isCloseTo(factors[n - 2], within(0.01));
        }
    }

    /** Source: IEEE Std 142, factors for rods one length apart, from memory: 1.16, 1.29, 1.36, 1.68 for 2, 3, 4 and 8. */
    @ParameterizedTest
    @CsvSource({"2, 1.16", "3, 1.29", "4, 1.36", "8, 1.68"})
    void rodsOneLengthApartComeNearTheTable(int rods, double factor) {
        double one = Rods.singleOhm(100, 3, 0.008);
        assertThat(Rods.tableOhm(100, 3, 0.008, rods)).isCloseTo(one * factor / rods, within(1e-9 * one));
        // The table's rods stand in a ring or a square, ours in line: within a tenth, and never worse.
        double line = Rods.inLineOhm(100, 3, 0.008, rods, 3) * rods / one;
        assertThat(line).isBetween(0.8 * factor, 1.02 * factor);
    }

    /** A square of four is worse than four in a line, far ones share nothing, and more resistive ground is so in proportion. */
    @Test
    void anyArrangementOfRods() {
        List<Rod> square = List.of(new Rod(0, 0), new Rod(3, 0), new Rod(0, 3), new Rod(3, 3));
        double together = Rods.togetherOhm(100, 3, 0.008, square);
        assertThat(together).isGreaterThan(Rods.inLineOhm(100, 3, 0.008, 4, 3));
        assertThat(together * 4 / Rods.singleOhm(100, 3, 0.008)).isCloseTo(1.36, within(0.06));
        List<Rod> far = List.of(new Rod(0, 0), new Rod(5000, 0));
        double one = Rods.togetherOhm(100, 3, 0.008, List.of(new Rod(0, 0)));
        assertThat(Rods.togetherOhm(100, 3, 0.008, far)).isCloseTo(one / 2, within(0.002 * one));
        assertThat(Rods.togetherOhm(700, 3, 0.008, square)).isCloseTo(7 * together, within(1e-9 * together));
    }

    /** Source: Maxwell's disc, R = ρ/(4r): four feet of 50 mm on 100 Ω·m come to 125 Ω. */
    @Test
    void feetOnTheGround() {
        assertThat(Rods.feetOhm(100, 0.05, 4)).isCloseTo(125, within(1e-9));
    }

    /** Source: common practice E1: 7.2 Ah lasted three days on a small energizer of 2 to 2.5 Ah a day. */
    @Test
    void aSmallBatteryLastsThreeDays() {
        double draw = Energizers.drawW(Energizers.GENERIC.get(2), Energizers.Mode.FULL, 0.5);
        Plant plant = new Plant(draw, 7.2, 0, 60, 0, 0.4, 0);
        assertThat(Battery.usedAhPerDay(plant)).isBetween(1.8, 2.5);
        assertThat(Battery.daysToEmpty(plant, 25)).isBetween(2.8, 4.0);
    }

    /** Source: common practice X8 and E4, ½ J at 5 °C: 7.2 Ah 3.0 days to empty, 5 Ah 2.1, 35 Ah 14.6; to half charge half of that. */
    @Test
    void batteriesInTheCold() {
        double draw = Energizers.drawW(Energizers.GENERIC.get(2), Energizers.Mode.FULL, 0);
        for (double[] met : new double[][] {{7.2, 3.0}, {5, 2.1}, {35, 14.6}}) {
            Plant plant = new Plant(draw, met[0], 0, 60, 0, 0.4, 0);
            assertThat(Battery.daysToEmpty(plant, 5)).as(met[0] + " Ah").isCloseTo(met[1], within(0.05 * met[1]));
            assertThat(Battery.daysToHalf(plant, 5)).isCloseTo(Battery.daysToEmpty(plant, 5) / 2, within(1e-9));
        }
    }

    /** X13: up from April to October only those months are looked at; a small panel does that starves in winter. */
    @Test
    void aPanelIsJudgedByTheMonthsTheFenceIsUp() {
        double all = Battery.leastPanelW(PLANT, TEMPERATE, m -> true);
        double summer = Battery.leastPanelW(PLANT, TEMPERATE, m -> m >= 4 && m <= 10);
        assertThat(summer).isLessThan(0.9 * all);
        assertThat(Battery.coldestC(TEMPERATE, m -> m >= 4 && m <= 10))
                .isGreaterThan(Battery.coldestC(TEMPERATE, m -> true));
        Plant small = PLANT.withPanelW(2);
        assertThat(Battery.year(small, TEMPERATE, m -> true).get(2).lowestShare())
                .isZero();
        assertThat(Battery.year(small, TEMPERATE, m -> m >= 4 && m <= 10).get(2))
                .satisfies(march -> {
                    assertThat(march.lowestShare())
                            .as("charged while the fence was down")
                            .isGreaterThan(0.1);
                    assertThat(march.usedAhPerDay()).isZero();
                });
        assertThat(Supply.USUAL.battery().withFromMonth(11).withToMonth(2))
                .satisfies(b -> assertThat(b.up(12) && b.up(1) && !b.up(6)).isTrue());
    }

    /** Source: common practice E2: a 100 W panel with 110 Ah needs no charging in a mild maritime climate. */
    @Test
    void aLargePanelNeedsNoCharging() {
        double draw = Energizers.drawW(Energizers.GENERIC.get(3), Energizers.Mode.FULL, 0.5);
        Plant plant = new Plant(draw, 110, 100, 60, 0.2, 0.3, 0);
        List<Month> year = Battery.year(plant, new Climate(50, -2, 20), m -> true);
        assertThat(year).hasSize(12).allSatisfy(m -> assertThat(m.lowestShare()).isGreaterThan(0.5));
    }

    /** What the plate says of its draw is taken; what it does not say keeps its proportion. */
    @Test
    void thePlatesDrawIsTaken() {
        EnergizerRating plain = Energizers.GENERIC.get(3);
        double reckoned = Energizers.drawW(plain, Energizers.Mode.FULL, 1);
        EnergizerRating said =
                Records.with(plain, "draw", new EnergizerRating.Draw(OptionalDouble.of(3), OptionalDouble.of(1)));
        assertThat(Energizers.drawW(said, Energizers.Mode.FULL, 1)).isEqualTo(3);
        assertThat(Energizers.drawW(said, Energizers.Mode.SLOW, 1)).isEqualTo(1);
        assertThat(Energizers.drawW(said, Energizers.Mode.HALF_DAY, 1)).isCloseTo(1.5, within(1e-12));
        assertThat(Energizers.drawW(said, Energizers.Mode.ADAPTIVE, 0))
                .isCloseTo(3 * Energizers.drawW(plain, Energizers.Mode.ADAPTIVE, 0) / reckoned, within(1e-12));
        EnergizerRating half =
                Records.with(plain, "draw", new EnergizerRating.Draw(OptionalDouble.of(3), OptionalDouble.empty()));
        assertThat(Energizers.drawW(half, Energizers.Mode.SLOW, 1))
                .isCloseTo(3 * Energizers.drawW(plain, Energizers.Mode.SLOW, 1) / reckoned, within(1e-12))
                .isBetween(1.5, 2.0);
        for (Energizers.Mode mode : Energizers.Mode.values()) {
            assertThat(Energizers.drawW(plain, mode, 0.3)).isPositive().isLessThanOrEqualTo(reckoned);
        }
    }

    /** The smallest battery and panel are the smallest: with them the year works out, with a fifth less it does not. */
    @Test
    void theSmallestSizesAreTheSmallest() {
        double ah = Battery.leastAh(PLANT, 7, -15);
        Plant least = Records.with(PLANT, "batteryAh", ah);
        assertThat(Battery.daysToHalf(least, -15)).isCloseTo(7, within(1e-9));
        double watts = Battery.leastPanelW(PLANT, TEMPERATE, m -> true);
        assertThat(worst(watts, PLANT)).isCloseTo(1.2 * Battery.usedAhPerDay(PLANT), within(1e-6));
        // A long thin cable asks for a larger panel, and one that is too thin for none that would do.
        Plant thin = Records.with(PLANT, "cableOhm", Battery.cableOhm(40, 1));
        double more = Battery.leastPanelW(thin, TEMPERATE, m -> true);
        assertThat(more).isGreaterThan(watts);
        assertThat(worst(more, thin)).isCloseTo(1.2 * Battery.usedAhPerDay(thin), within(1e-6));
        assertThat(Battery.leastPanelW(Records.with(PLANT, "cableOhm", 50.0), TEMPERATE, m -> true))
                .isInfinite();
        assertThat(Battery.leastPanelW(PLANT, new Climate(89, -40, 5), m -> true))
                .isInfinite();
        assertThat(Battery.usedAhPerDay(thin)).isGreaterThan(Battery.usedAhPerDay(PLANT));
    }

    private static double worst(double panelW, Plant plant) {
        return Battery.year(plant.withPanelW(panelW), TEMPERATE, m -> true).stream()
                .mapToDouble(Month::madeAhPerDay)
                .min()
                .orElseThrow();
    }

    /** Source: resistivity of copper, 0.0172 Ω·mm²/m: 5 m there and back of 2.5 mm² are 69 mΩ. */
    @Test
    void aCableLosesWhatItsCopperTakes() {
        assertThat(Battery.cableOhm(5, 2.5)).isCloseTo(0.0688, within(1e-6));
        Plant plant = Records.with(PLANT, "cableOhm", 0.0688);
        assertThat(Battery.cableDropV(plant)).isCloseTo(0.1 * 0.0688, within(1e-9));
    }

    /** A year is a year: no charge above what the cold battery holds, none under empty, summer better than winter. */
    @Test
    void theYearIsOne() {
        List<Month> year = Battery.year(PLANT, TEMPERATE, m -> true);
        assertThat(year).extracting(Month::month).containsExactly(1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12);
        assertThat(year).allSatisfy(m -> assertThat(m.lowestShare()).isBetween(0.0, 1.0));
        assertThat(year.get(5).madeAhPerDay()).isGreaterThan(year.get(11).madeAhPerDay());
        List<Month> dark = Battery.year(PLANT.withPanelW(2), TEMPERATE, m -> true);
        assertThat(dark.get(11).lowestShare()).isLessThan(year.get(11).lowestShare());
        List<Month> south = Battery.year(PLANT, new Climate(-44, -15, 35), m -> true);
        assertThat(south.get(5).madeAhPerDay()).isLessThan(south.get(11).madeAhPerDay());
        assertThat(Battery.capacityShare(25)).isEqualTo(1);
        assertThat(Battery.capacityShare(-15)).isCloseTo(0.66, within(1e-9));
        assertThat(Battery.capacityShare(-80)).isEqualTo(0.4);
    }

    /** Against the double integral of 1/distance over both rods and their images, by the midpoint rule. */
    @ParameterizedTest
    @CsvSource({"1.83,1.83,3.05", "1.83,0.61,1", "2.44,0.3,0.5", "0.3,0.3,2"})
    void mutualResistanceOfUnequalRods(double oneM, double otherM, double apartM) {
        int n = 400;
        double sum = 0;
        for (int i = 0; i < 2 * n; i++) {
            double z = oneM * ((i + 0.5) / n - 1);
            for (int k = 0; k < 2 * n; k++) {
                double up = z - otherM * ((k + 0.5) / n - 1);
                sum += 1 / Math.hypot(up, apartM);
            }
        }
        double mean = sum / (4.0 * n * n);
        double wanted = 100 / (2 * Math.PI) * mean;
        assertThat(Rods.mutualOhm(100, oneM, otherM, apartM)).isCloseTo(wanted, within(1e-4 * wanted));
        if (oneM == otherM) {
            assertThat(Rods.mutualOhm(100, oneM, otherM, apartM))
                    .isCloseTo(Rods.mutualOhm(100, oneM, apartM), within(1e-9));
        }
    }

    private static Rods.Buried rod(double eastM, double lengthM, double soilOhmM, double wettedOhmM) {
        return new Rods.Buried(eastM, 0, lengthM, 0.008, soilOhmM, wettedOhmM);
    }

    @Test
    void rodsOneByOne() {
        List<Rods.Buried> row = List.of(rod(0, FT_6, 100, 100), rod(3, FT_6, 100, 100), rod(6, FT_6, 100, 100));
        double together = Rods.togetherOhm(row);
        assertThat(together)
                .as("alike in one ground: as the row")
                .isCloseTo(Rods.inLineOhm(100, FT_6, 0.008, 3, 3), within(1e-9));
        double far = Rods.togetherOhm(List.of(rod(0, FT_6, 100, 100), rod(1e6, FT_6, 400, 400)));
        double one = Rods.singleOhm(100, FT_6, 0.008);
        assertThat(far).as("far apart: side by side").isCloseTo(1 / (1 / one + 1 / (4 * one)), within(0.1));
        double stub = Rods.togetherOhm(List.of(rod(0, FT_6, 100, 100), rod(3, 0.3, 100, 100)));
        assertThat(stub).as("a stub helps less than a rod").isBetween(Rods.togetherOhm(row.subList(0, 2)), one);
    }

    /** Watering helps where the ground is dry, never where it is wet, and never below what wet ground all round would give. */
    @Test
    void wateredRods() {
        for (double soil : new double[] {100, 400, 3000, 8000}) {
            double dry = Rods.togetherOhm(List.of(rod(0, 0.3, soil, soil)));
            double watered = Rods.togetherOhm(List.of(rod(0, 0.3, soil, 20)));
            double wetAllRound = Rods.singleOhm(20, 0.3, 0.008);
            assertThat(watered).as("%.0f ohm m", soil).isBetween(wetAllRound, dry);
        }
        assertThat(Rods.togetherOhm(List.of(rod(0, 1, 20, 20)))).isCloseTo(Rods.singleOhm(20, 1, 0.008), within(0.02));
        double close = Rods.togetherOhm(List.of(rod(0, 1, 1000, 20), rod(0.2, 1, 1000, 20)));
        assertThat(close).isPositive().isLessThan(Rods.togetherOhm(List.of(rod(0, 1, 1000, 20))));
    }
}
