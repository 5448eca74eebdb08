package buckle.message;

import buckle.spec.Animal;
import buckle.units.Forces;
import buckle.units.Lengths;
import buckle.units.Temperatures;
import buckle.units.UnitSystem;
import java.math.BigDecimal;
import java.math.MathContext;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import java.util.stream.Collectors;

/** The sentences, in English. The only place that has them: another language is another class like this one and its parts. */
public final class English {
    /** The standing caution: said once where findings are listed, not after each. */
    public static final String DECIDES = "Local code and licensed people decide.";

    private final UnitSystem units;

    English(UnitSystem units) {
        this.units = units;
    }

    /** The sentence of a message, in the units of the job. */
    public static String text(Message message, UnitSystem units) {
        return message instanceof Message.Name(String name)
                ? name
                : Dialect.text(new English(units).text(message), units);
    }

    /** The four texts of a figure of the ledger. */
    public record FigureText(String label, String value, String note, String derivation) {}

    /** A figure of the ledger in words. */
    public static FigureText figure(TakeoffMessage.Figure figure, UnitSystem units) {
        FigureText said = new EnglishLedger(new English(units)).text(figure);
        return new FigureText(
                Dialect.text(said.label(), units),
                Dialect.text(said.value(), units),
                Dialect.text(said.note(), units),
                Dialect.text(said.derivation(), units));
    }

    String text(Message message) {
        return switch (message) {
            case Message.None none -> "";
            case Message.Name(String name) -> name;
            case LandMessage m -> new EnglishLand(this).text(m);
            case LayoutMessage m -> new EnglishLayout(this).text(m);
            case PostMessage m -> new EnglishPosts(this).text(m);
            case JointMessage m -> new EnglishLayout(this).text(m);
            case TakeoffMessage m -> new EnglishTakeoff(this).text(m);
            case CircuitMessage m -> new EnglishCircuit(this).text(m);
            case PriceMessage m -> new EnglishPrice(this).text(m);
            case ReadingMessage m -> EnglishReadings.text(m, units);
            case CommissionMessage m -> EnglishCommission.text(m, units);
        };
    }

    // ---------------------------------------------------------------- values

    UnitSystem units() {
        return units;
    }

    boolean metric() {
        return units == UnitSystem.METRIC;
    }

    String length(double lengthM) {
        return Lengths.text(lengthM, units);
    }

    /** Of a wire over the ground, to a quarter of an inch or 5 mm: {@code 22.5 in}, {@code 570 mm}. */
    String height(double heightM) {
        return metric()
                ? Math.round(heightM * 200) * 5 + " mm"
                : number(Math.round(heightM / Lengths.in(0.25)) / 4.0) + " in";
    }

    /** {@code a}, {@code a and b}, {@code a, b and c}. */
    static String list(List<String> items) {
        int last = items.size() - 1;
        return last < 1
                ? String.join("", items)
                : String.join(", ", items.subList(0, last)) + " and " + items.get(last);
    }

    String whole(double lengthM) {
        return Lengths.whole(lengthM, units);
    }

    /** To the inch or 10 mm, as it is cut. */
    String sawn(double lengthM) {
        return Lengths.taped(Lengths.sawnM(lengthM, units), units);
    }

    String force(double forceN) {
        return Forces.text(forceN, units);
    }

    String moment(double momentNm) {
        return Forces.moment(momentNm, units);
    }

    String temperature(double celsius) {
        return Temperatures.text(celsius, units);
    }

    /** {@code at 12 m} or {@code from 12 m to 40 m}. */
    String along(Span s) {
        return s.toM() - s.fromM() < 0.5
                ? "at " + length(s.fromM())
                : "from " + length(s.fromM()) + " to " + length(s.toM());
    }

    static String kv(double volts) {
        return String.format(Locale.ROOT, "%.1f kV", volts / 1000);
    }

    static String degrees(double deg) {
        return String.format(Locale.ROOT, "%.0f°", deg);
    }

    static String percent(double share) {
        return String.format(Locale.ROOT, "%.0f %%", 100 * share);
    }

    static String oneDecimal(double value) {
        return String.format(Locale.ROOT, "%.1f", value);
    }

    /** {@code 1 post needs}, {@code 3 posts need}. */
    static String counted(long count, String one, String many) {
        return number(count) + " " + (count == 1 ? one : many);
    }

    static String plural(long count, String noun) {
        return counted(count, noun, many(noun));
    }

    private static String many(String noun) {
        return noun + (noun.endsWith("ch") ? "es" : "s");
    }

    /** {@code 3,055}. */
    static String number(long count) {
        return String.format(Locale.ROOT, "%,d", count);
    }

    /** At most three digits that tell something: {@code 0.25}, {@code 6.7}, {@code 12}. */
    static String number(double value) {
        return value == Math.rint(value)
                ? String.format(Locale.ROOT, "%.0f", value)
                : new BigDecimal(value)
                        .round(new MathContext(3))
                        .stripTrailingZeros()
                        .toPlainString();
    }

    static String animals(List<Animal> animals) {
        return animals.stream().map(Animal::text).collect(Collectors.joining(", "));
    }

    static String orElse(OptionalDouble value, java.util.function.DoubleFunction<String> text, String otherwise) {
        return value.isPresent() ? text.apply(value.getAsDouble()) : otherwise;
    }

    static String upper(String text) {
        return Character.toUpperCase(text.charAt(0)) + text.substring(1);
    }

    /** {@code “Mill race”}, or {@code Creek} for one without a name. */
    static String named(FeatureName f) {
        return f.name().isBlank() ? upper(f.kind().text()) : "“" + f.name() + "”";
    }
}
