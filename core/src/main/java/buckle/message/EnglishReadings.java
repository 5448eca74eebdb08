package buckle.message;

import static buckle.message.English.animals;

import buckle.message.ReadingMessage.*;
import buckle.rulebook.Rule;
import buckle.units.Lengths;
import buckle.units.UnitSystem;
import java.util.Locale;
import java.util.stream.Collectors;

/** How readings stand, in words. */
final class EnglishReadings {
    private EnglishReadings() {}

    static String text(ReadingMessage message, UnitSystem units) {
        return switch (message) {
            case Need m ->
                m.needV().isEmpty()
                        ? "No voltage is known for " + animals(m.animals())
                                + ": compare with the readings of the hand-over."
                        : animals(m.animals()) + " need " + kv(m.needV().getAsDouble()) + " ("
                                + m.rules().stream().map(Rule::name).collect(Collectors.joining(", "))
                                + "); met from there, warn from " + kv(m.warnV().orElseThrow()) + " (V10)";
            case NotRead m -> "not read yet";
            case ReadElsewhere m ->
                "read " + Lengths.text(m.awayM(), units) + " from where this place is today: read it again (V15)";
            case NoNeed m -> "the voltage needed is not known: " + animals(m.animals());
            case Feeds m -> kv(m.peakV()) + " on a feeder: it keeps nothing in and needs nothing (X3)";
            case OverRange m ->
                "over range at " + kv(m.peakV()) + ", below the " + kv(m.needV())
                        + " needed: the meter cannot tell, use one with a wider range";
            case WiresNotRead m ->
                "each hot wire must hold by itself (V3); not read yet: wire "
                        + m.wires().stream().map(String::valueOf).collect(Collectors.joining(", "));
            case Held m -> {
                String held = (m.atLeast() ? "at least " : "") + kv(m.peakV());
                yield switch (m.how()) {
                    case MET -> held + " against " + kv(m.needV()) + ": met";
                    case WARN -> held + " is under " + kv(m.needV()) + " but over 85 % of it (" + kv(m.warnV()) + ")";
                    case BROKEN -> held + " is under 85 % of " + kv(m.needV()) + " (" + kv(m.warnV()) + ")";
                };
            }
            case Unpowered m -> unpowered(m, "");
            case WithLeak m -> English.text(m.held(), units) + "; " + unpowered(m.leak(), ": worth a look");
            case NoTestPoint m -> "no test point lies in it";
            case PointsDoNotTell m -> m.open() + " of " + m.all() + " test points do not tell yet";
        };
    }

    private static String unpowered(Unpowered m, String advice) {
        return (m.wire().isEmpty()
                        ? "the unpowered wires read "
                        : "unpowered wire " + m.wire().getAsInt() + " reads ")
                + kv(m.peakV())
                + (m.leaks()
                        ? ": something leaks into it between here and there" + advice + " (X11)"
                        : ": nearly nothing, as it should (X11)")
                + (m.hotNotRead() ? "; the hot wires are not read yet" : "");
    }

    static String kv(double volts) {
        String two = String.format(Locale.ROOT, "%.2f", volts / 1000);
        return (two.endsWith("0") ? two.substring(0, two.length() - 1) : two) + " kV";
    }
}
