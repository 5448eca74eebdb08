package buckle.tape;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import buckle.units.Lengths;
import buckle.units.UnitSystem;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SquaringTest {
    private static final OptionalDouble NONE = OptionalDouble.empty();

    /** Source: 3-4-5, the oldest check there is. */
    @Test
    void threeFourFive() {
        Squaring s = Squaring.of(Lengths.ft(40), Lengths.ft(30), NONE, NONE, UnitSystem.FT_IN);
        assertThat(s.diagonal()).isEqualTo("50 ft");
        assertThat(s.marks()).contains("40 ft along the front", "30 ft along the side", "it is 50 ft");
        assertThat(s.move()).isEmpty();
    }

    /** Moving as told makes a sheared rectangle square, whatever the sizes; worked back with plain coordinates. */
    @ParameterizedTest
    @CsvSource({"21, 15, 0.12", "21, 15, -0.31", "6, 4, 0.02", "120, 40, 1.4", "3, 12, 0.2"})
    void movingAsToldMakesItSquare(double front, double side, double shear) {
        double height = Math.sqrt(side * side - shear * shear);
        double ac = Math.hypot(front + shear, height);
        double bd = Math.hypot(front - shear, height);
        Squaring s = Squaring.of(front, side, OptionalDouble.of(ac), OptionalDouble.of(bd), UnitSystem.METRIC);
        assertThat(s.shiftM().orElseThrow()).isCloseTo(shear, within(1e-9));
        assertThat(s.move().orElseThrow())
                .contains(shear > 0 ? "from C towards D" : "from D towards C")
                .contains(Lengths.taped(Math.abs(shear), UnitSystem.METRIC));
    }

    @Test
    void equalDiagonalsAreLeftAlone() {
        OptionalDouble right = OptionalDouble.of(25.807);
        assertThat(Squaring.of(21, 15, right, right, UnitSystem.METRIC).move().orElseThrow())
                .startsWith("Square: both diagonals are right");
        OptionalDouble longer = OptionalDouble.of(25.9);
        assertThat(Squaring.of(21, 15, longer, longer, UnitSystem.METRIC).move().orElseThrow())
                .contains("95 mm too long");
    }

    @Test
    void whatCannotBeARectangleIsRefused() {
        assertThatThrownBy(() -> Squaring.of(0, 15, NONE, NONE, UnitSystem.METRIC))
                .hasMessageContaining("front must lie between");
        assertThatThrownBy(() -> Squaring.of(21, 15, OptionalDouble.of(40), OptionalDouble.of(25), UnitSystem.METRIC))
                .hasMessageContaining("shorter than front and side together");
    }

    @ParameterizedTest
    @CsvSource({
        "25.8070, FT_IN, 84 ft 8 in",
        "25.8102, FT_IN, 84 ft 8 1/8 in",
        "0.0032, FT_IN, 1/8 in",
        "25.8070, METRIC, 25.805 m",
        "0.123, METRIC, 125 mm",
        "0.3048, FT_IN, 1 ft",
        "0.0, FT_IN, 0 in",
        "0.0445, FT_IN, 1 3/4 in"
    })
    void lengthsAreWrittenAsATapeReads(double lengthM, UnitSystem units, String text) {
        assertThat(Lengths.taped(lengthM, units)).isEqualTo(text);
    }
}
