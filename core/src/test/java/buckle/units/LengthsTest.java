package buckle.units;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class LengthsTest {
    /** Source of the expected values: international foot 0.3048 m, by hand. */
    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            quoteCharacter = '~',
            value = {
                "84 ft 6 in; 25.7556",
                "84' 6\"; 25.7556",
                "20ft; 6.096",
                "34 in; 0.8636",
                "7 1/2 in; 0.1905",
                "3/4 in; 0.01905",
                "25.7 m; 25.7",
                "510 mm; 0.51",
                "12; 3.6576",
                "2,5 m; 2.5"
            })
    void readsLengthsAsTheyAreTyped(String text, double lengthM) {
        assertThat(Lengths.parseM(text, UnitSystem.FT_IN).orElseThrow()).isCloseTo(lengthM, within(1e-9));
    }

    @ParameterizedTest
    @CsvSource({"''", "ft", "abc", "1/0 in", "-3 m", "3 ft 2", "NaN"})
    void refusesWhatIsNoLength(String text) {
        assertThat(Lengths.parseM(text, UnitSystem.METRIC)).isEmpty();
    }

    @Property
    void whatIsWrittenReadsBackWithinHalfAStep(@ForAll @DoubleRange(min = 1.3, max = 5000) double lengthM) {
        assertThat(Lengths.parseM(Lengths.text(lengthM, UnitSystem.METRIC).replace(",", ""), UnitSystem.METRIC)
                        .orElseThrow())
                .isCloseTo(lengthM, within(0.0501));
        assertThat(Lengths.parseM(Lengths.text(lengthM, UnitSystem.FT_IN).replace(",", ""), UnitSystem.FT_IN)
                        .orElseThrow())
                .isCloseTo(lengthM, within(Lengths.M_PER_IN / 2 + 1e-9));
    }

    /** Source: 5/9 (F − 32), the definition of the Fahrenheit scale; they meet at 40 below. */
    @Test
    void temperaturesAreThoseOfTheThermometer() {
        assertThat(Temperatures.text(-15, UnitSystem.FT_IN)).isEqualTo("5 °F");
        assertThat(Temperatures.text(-40, UnitSystem.FT_IN)).isEqualTo("-40 °F");
        assertThat(Temperatures.text(-15, UnitSystem.METRIC)).isEqualTo("-15 °C");
    }
}
