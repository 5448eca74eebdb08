package buckle.layout;

import java.util.Optional;
import java.util.OptionalDouble;

/**
 * Something the layout has to say, with the rule behind it and its place.
 *
 * @param lineId empty when it concerns the whole job
 */
public record Finding(
        String rule, Severity severity, Optional<String> lineId, OptionalDouble stationM, String message) {

    public static Finding at(String rule, Severity severity, String lineId, double stationM, String message) {
        return new Finding(rule, severity, Optional.of(lineId), OptionalDouble.of(stationM), message);
    }

    public static Finding ofJob(String rule, Severity severity, String message) {
        return new Finding(rule, severity, Optional.empty(), OptionalDouble.empty(), message);
    }
}
