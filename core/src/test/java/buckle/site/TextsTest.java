package buckle.site;

import static org.assertj.core.api.Assertions.assertThat;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

class TextsTest {
    @Test
    void sayWhatStandsAgainstThem() {
        assertThat(Texts.flaw("Kestrel Hollow, “upper” field – 2", 200, false)).isEmpty();
        assertThat(Texts.flaw("a😀b", 200, false)).isEmpty();
        assertThat(Texts.flaw("a\tb", 200, false)).isEmpty();
        assertThat(Texts.flaw("a\nb", 200, true)).isEmpty();
        assertThat(Texts.flaw("a\nb", 200, false))
                .hasValueSatisfying(f -> assertThat(f).contains("U+000A"));
        assertThat(Texts.flaw("\0", 200, true)).isPresent();
        assertThat(Texts.flaw("x\ud800", 200, true))
                .hasValueSatisfying(f -> assertThat(f).contains("character 2"));
        assertThat(Texts.flaw("\udc00x", 200, true)).isPresent();
        assertThat(Texts.flaw("x".repeat(201), 200, true))
                .hasValueSatisfying(f -> assertThat(f).contains("200", "201"));
    }

    /** Whatever it was, cleaned it passes, and what passed is not touched. */
    @Property(tries = 2000)
    void cleanedTheyPass(@ForAll String text, @ForAll @IntRange(min = 1, max = 60) int most, @ForAll boolean lines) {
        String clean = Texts.cleaned(text, most, lines);
        assertThat(Texts.flaw(clean, most, lines)).isEmpty();
        if (Texts.flaw(text, most, lines).isEmpty()) {
            assertThat(clean).isEqualTo(text);
        }
    }
}
