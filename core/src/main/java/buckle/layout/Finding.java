package buckle.layout;

import java.util.Optional;
import java.util.OptionalDouble;

/**
 * Something the layout has to say, with the rule behind it and its place.
 *
 * @param accepted why somebody took it upon himself, when somebody did
 * @param lineId empty when it concerns the whole job
 */
public record Finding(
        String rule,
        Severity severity,
        Optional<String> lineId,
        OptionalDouble stationM,
        String message,
        Optional<String> accepted) {

    public static Finding at(String rule, Severity severity, String lineId, double stationM, String message) {
        return new Finding(rule, severity, Optional.of(lineId), OptionalDouble.of(stationM), message, Optional.empty());
    }

    public static Finding ofJob(String rule, Severity severity, String message) {
        return new Finding(rule, severity, Optional.empty(), OptionalDouble.empty(), message, Optional.empty());
    }

    Finding acceptedFor(String reason) {
        return new Finding(rule, severity, lineId, stationM, message, Optional.of(reason));
    }
}
