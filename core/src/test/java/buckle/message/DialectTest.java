package buckle.message;

import static org.assertj.core.api.Assertions.assertThat;

import buckle.units.UnitSystem;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Words of the trade on both sides of the Atlantic; common practice in extension papers of either. */
class DialectTest {
    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "Earth wires tied to the earth terminal; Ground wires tied to the ground terminal; Earth wires tied to the earth terminal",
                "3 ground rods; 3 ground rods; 3 earth rods",
                "Ground rod clamp; Ground rod clamp; Earth rod clamp",
                "merely grounded along the way; merely grounded along the way; merely earthed along the way",
                "in wet ground; in wet ground; in wet ground",
                "high-tensile steel, 12.5 gauge (2.5 mm); high-tensile steel, 12.5 gauge; high-tensile steel, 2.5 mm",
                "timber post, 5.5 in (140 mm), 8 ft; timber post, 5.5 in, 8 ft; timber post, 140 mm, 8 ft",
                "clip for fibreglass rods; clip for fiberglass rods; clip for fibreglass rods",
                "aluminium instead of steel; aluminum instead of steel; aluminium instead of steel",
                "three 6 ft (1.8 m) rods, 10 ft (3 m) apart; three 6 ft rods, 10 ft apart; three 1.8 m rods, 3 m apart",
                "250 lbf (1,110 N): usual; 250 lbf: usual; 1,110 N: usual",
                "bared 3 to 6 in (75 to 150 mm) and; bared 3 to 6 in and; bared 75 to 150 mm and",
                "rope, 1/4 in (6 mm); rope, 1/4 in; rope, 6 mm",
                "never from the mains; never from AC power; never from the mains",
                "mains cable is not; household cable is not; mains cable is not",
                "metres; meters; metres",
                "“earth bank” is crossed; “earth bank” is crossed; “earth bank” is crossed",
                "unearthed finds; unearthed finds; unearthed finds"
            })
    void sayWhatIsSaidThere(String text, String inFeet, String inMetres) {
        assertThat(Dialect.text(text, UnitSystem.FT_IN)).isEqualTo(inFeet);
        assertThat(Dialect.text(text, UnitSystem.METRIC)).isEqualTo(inMetres);
    }

    /** Said twice, a text is the same: sentences are put together from others. */
    @Test
    void areSaidOnce() {
        for (UnitSystem units : UnitSystem.values()) {
            for (String text :
                    new String[] {"earth rod", "ground rods", "Earthed", "12.5 gauge (2.5 mm)", "$1 earth \\ ground"}) {
                String once = Dialect.text(text, units);
                assertThat(Dialect.text(once, units)).isEqualTo(once);
            }
        }
    }

    @Test
    void leaveTheNamesOfPeopleAlone() {
        assertThat(English.text(new Message.Name("earth lane"), UnitSystem.FT_IN))
                .isEqualTo("earth lane");
    }
}
