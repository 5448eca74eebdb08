package buckle.rulebook;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.Test;

/** The list of rules in docs/layout.md is the rulebook, word for word; {@code -Dbuckle.write=true} writes it anew. */
class RulebookDocTest {
    private static final Path PAGE = Path.of("..", "docs", "layout.md");
    private static final String MARK = "to write it anew -->\n";

    private static String list() {
        StringBuilder rows = new StringBuilder("\n| rule | says | basis |\n|---|---|---|\n");
        for (Rule r : Rule.values()) {
            rows.append("| ")
                    .append(r.name())
                    .append(r.fromMemory() ? " †" : "")
                    .append(" | ")
                    .append(r.says())
                    .append(" | ")
                    .append(r.basis().name().toLowerCase(Locale.ROOT))
                    .append(" |\n");
        }
        return rows.append(
                        "\n† written down from memory: check it against the current edition, the maker's sheet or the local code.\n")
                .toString();
    }

    @Test
    void thePageHoldsTheRulebook() throws IOException {
        String page = Files.readString(PAGE);
        int at = page.indexOf(MARK) + MARK.length();
        if (Boolean.getBoolean("buckle.write")) {
            Files.writeString(PAGE, page.substring(0, at) + list());
            return;
        }
        assertThat(page.substring(at)).isEqualTo(list());
    }

    /** Every number of the rules is named after a rule of the catalogue. */
    @Test
    void everyValueBelongsToARule() {
        List<String> strangers = new ArrayList<>();
        for (var field : Values.class.getFields()) {
            String rule = field.getName().substring(0, field.getName().indexOf('_'));
            if (Rule.find(rule).isEmpty()) {
                strangers.add(field.getName());
            }
        }
        assertThat(strangers).isEmpty();
    }
}
