package buckle.message;

import buckle.units.UnitSystem;
import java.util.List;
import java.util.regex.MatchResult;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The words of the trade where a job is measured in feet, and where in metres: ground rods and fiberglass there, earth rods and fibreglass
 * here, gauge there and millimetres here, AC power there and the mains here. Sentences are written once, with <em>earth</em> for what is connected and <em>ground</em> for
 * what one stands on; what people named themselves, in curly quotes, is left as it is.
 */
public final class Dialect {
    /**
     * A word and what stands for it.
     *
     * @param pattern a regular expression that Java and ECMAScript read alike; it is tried with a capital as well
     * @param replacement with {@code $1} for its first group
     */
    public record Rule(UnitSystem units, String pattern, String replacement) {}

    private static final String IN_FEET = "[0-9./]+(?: to [0-9.]+)? (?:gauge|in|ft|lbf)";
    private static final String IN_METRES = "[0-9.,]+(?: to [0-9.]+)? (?:mm|m|N)";

    public static final List<Rule> RULES = List.of(
            new Rule(UnitSystem.FT_IN, "\\bearthing\\b", "grounding"),
            new Rule(UnitSystem.FT_IN, "\\bearthed\\b", "grounded"),
            new Rule(UnitSystem.FT_IN, "\\bearths\\b", "grounds"),
            new Rule(UnitSystem.FT_IN, "\\bearth\\b", "ground"),
            new Rule(UnitSystem.FT_IN, "\\bmains cable\\b", "household cable"),
            new Rule(UnitSystem.FT_IN, "\\bthe mains\\b", "AC power"),
            new Rule(UnitSystem.FT_IN, "\\bmetre(s?)\\b", "meter$1"),
            new Rule(UnitSystem.FT_IN, "\\bfibreglass\\b", "fiberglass"),
            new Rule(UnitSystem.FT_IN, "\\baluminium\\b", "aluminum"),
            new Rule(UnitSystem.FT_IN, "\\bgalvanised\\b", "galvanized"),
            new Rule(UnitSystem.FT_IN, "\\bcolour(s?)\\b", "color$1"),
            new Rule(UnitSystem.FT_IN, "\\b(" + IN_FEET + ") \\(" + IN_METRES + "\\)", "$1"),
            new Rule(UnitSystem.METRIC, "\\bgrounded\\b", "earthed"),
            new Rule(UnitSystem.METRIC, "\\bground rod(s?)\\b", "earth rod$1"),
            new Rule(UnitSystem.METRIC, "\\bfiberglass\\b", "fibreglass"),
            new Rule(UnitSystem.METRIC, "\\baluminum\\b", "aluminium"),
            new Rule(UnitSystem.METRIC, "\\b" + IN_FEET + " \\((" + IN_METRES + ")\\)", "$1"));

    private record Compiled(UnitSystem units, Pattern pattern, String replacement) {}

    private static final List<Compiled> COMPILED = RULES.stream()
            .map(r -> new Compiled(r.units(), Pattern.compile(r.pattern(), Pattern.CASE_INSENSITIVE), r.replacement()))
            .toList();

    private static final Pattern NAMED = Pattern.compile("“[^”]*”");

    private Dialect() {}

    /** A text in the words of the job's units. */
    public static String text(String text, UnitSystem units) {
        if (text.isEmpty()) {
            return text;
        }
        StringBuilder out = new StringBuilder(text.length() + 16);
        Matcher named = NAMED.matcher(text);
        int at = 0;
        while (named.find()) {
            out.append(plain(text.substring(at, named.start()), units)).append(named.group());
            at = named.end();
        }
        return out.append(plain(text.substring(at), units)).toString();
    }

    private static String plain(String text, UnitSystem units) {
        String said = text;
        for (Compiled rule : COMPILED) {
            if (rule.units() == units) {
                said = rule.pattern().matcher(said).replaceAll(found -> like(found, rule.replacement()));
            }
        }
        return said;
    }

    /** With a capital where there was one. */
    private static String like(MatchResult found, String replacement) {
        String by = found.groupCount() > 0 ? replacement.replace("$1", found.group(1)) : replacement;
        boolean capital = Character.isUpperCase(found.group().charAt(0));
        return Matcher.quoteReplacement(capital ? Character.toUpperCase(by.charAt(0)) + by.substring(1) : by);
    }
}
