package buckle.power;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

/** Earth, sun and battery against published examples and common practice. */
class PowerTest {
    /** Source: FAO Irrigation and Drainage Paper 56, example 8, from memory: 20° S, 3 September, 32.2 MJ/m² a day. */
    @Test
    void sunAboveTheAirIsThatOfThePaper() {
        assertThat(Sun.aboveMjPerM2(-20, 246)).isCloseTo(32.2, within(0.05));
        assertThat(Sun.aboveMjPerM2(89, 356)).isZero();
        assertThat(Sun.onPanelMjPerM2(45, 172, 0.5, 0)).isCloseTo(0.5 * Sun.aboveMjPerM2(45, 172), within(1e-9));
    }

    /** Source: Dwight's formula is the integral's own limit; 6 ft rods 10 ft apart in line give 1.09, 1.16, 1.21 (G11). */
    @Test
    void rodsShareTheGround() {
        double one = Rods.singleOhm(100, 1.8288, 0.008);
        assertThat(Rods.inLineOhm(100, 1.8288, 0.008, 1, 3.048)).isCloseTo(one, within(0.01 * one));
        double[] factors = {1.09, 1.16, 1.21};
        for (int n = 2; n <= 4; n++) {
            assertThat(Rods.inLineOhm(100, 1.8288, 0.008, n, 3.048) * n / one).isCloseTo(factors[n - 2], within(0.01));
        }
    }

    /** Source: common practice E1: 7.2 Ah lasted three days on a small energizer of 2 to 2.5 Ah a day. */
    @Test
    void aSmallBatteryLastsThreeDays() {
        double draw = Energizers.drawW(Energizers.GENERIC.get(2), Energizers.Mode.FULL, 0.5);
        Battery.Plant plant = new Battery.Plant(draw, 7.2, 0, 60, 0, 0.4);
        assertThat(Battery.usedAhPerDay(plant)).isBetween(1.8, 2.5);
        assertThat(Battery.daysToEmpty(plant, 25)).isBetween(2.8, 4.0);
    }
}
