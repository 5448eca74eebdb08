package buckle.layout;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * Something the layout has to say, with the rule behind it and its places.
 *
 * @param lineId of the first place; empty when it concerns the whole job
 * @param places all places where this is so, the worst first; empty when it concerns the whole job
 * @param accepted why somebody took it upon himself, when somebody did
 */
public record Finding(
        String rule,
        Severity severity,
        Optional<String> lineId,
        OptionalDouble stationM,
        String message,
        List<At> places,
        Optional<String> accepted) {
    public Finding {
        places = List.copyOf(places);
    }

    /** @param what stands there, when the sentence does not say it; empty otherwise */
    public record At(String lineId, double stationM, String what) {}

    public static Finding at(String rule, Severity severity, String lineId, double stationM, String message) {
        return of(rule, severity, message, List.of(new At(lineId, stationM, "")));
    }

    /** @param what stands there, since the sentence does not say it */
    static Finding at(String rule, Severity severity, String lineId, double stationM, String message, String what) {
        return of(rule, severity, message, List.of(new At(lineId, stationM, what)));
    }

    /** @param places at least one, the worst first */
    static Finding of(String rule, Severity severity, String message, List<At> places) {
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

    public static Finding ofJob(String rule, Severity severity, String message) {
        return new Finding(
                rule, severity, Optional.empty(), OptionalDouble.empty(), message, List.of(), Optional.empty());
    }

    Finding acceptedFor(String reason) {
        return new Finding(rule, severity, lineId, stationM, message, places, Optional.of(reason));
    }
}
