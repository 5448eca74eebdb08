package buckle.layout;

import buckle.message.English;
import buckle.message.Message;
import buckle.rulebook.Rule;
import buckle.units.UnitSystem;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * Something the layout has to say, with the rule behind it and its places.
 *
 * @param lineId of the first place; empty when it concerns the whole job
 * @param places all places where this is so, the worst first; empty when it concerns the whole job
 * @param accepted why somebody accepted it as it is, when somebody did
 */
public record Finding(
        Rule rule,
        Severity severity,
        Optional<String> lineId,
        OptionalDouble stationM,
        Message message,
        List<At> places,
        Optional<String> accepted) {
    public Finding {
        places = List.copyOf(places);
    }

    /** @param what stands there, when the message does not say it; {@link Message#NONE} otherwise */
    public record At(String lineId, double stationM, Message what) {}

    /** At one place of a line. */
    public static Finding at(Rule rule, Severity severity, String lineId, double stationM, Message message) {
        return of(rule, severity, message, List.of(new At(lineId, stationM, Message.NONE)));
    }

    /** @param what stands there, since the message does not say it */
    public static Finding at(
            Rule rule, Severity severity, String lineId, double stationM, Message message, Message what) {
        return of(rule, severity, message, List.of(new At(lineId, stationM, what)));
    }

    /** @param places at least one, the worst first */
    public static Finding of(Rule rule, Severity severity, Message message, List<At> places) {
        At first = places.getFirst();
        return new Finding(
                rule,
                severity,
                Optional.of(first.lineId()),
                OptionalDouble.of(first.stationM()),
                message,
                places,
                Optional.empty());
    }

    /** Of the job as a whole. */
    public static Finding ofJob(Rule rule, Severity severity, Message message) {
        return new Finding(
                rule, severity, Optional.empty(), OptionalDouble.empty(), message, List.of(), Optional.empty());
    }

    /** The same, accepted for a reason. */
    public Finding acceptedFor(String reason) {
        return new Finding(rule, severity, lineId, stationM, message, places, Optional.of(reason));
    }

    /** Its sentence. */
    public String text(UnitSystem units) {
        return English.text(message, units);
    }
}
