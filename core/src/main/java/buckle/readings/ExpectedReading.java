package buckle.readings;

import buckle.readings.FaultSearch.NextStep;
import java.util.Optional;

/**
 * A reading that a crew is about to take.
 *
 * @param cutOut that is open meanwhile
 * @param currents whether amperes are read there too
 */
public record ExpectedReading(String lineId, double stationM, Optional<String> cutOut, boolean currents) {
    /** That of a step; none of looking over. */
    public static Optional<ExpectedReading> of(NextStep step, boolean currents) {
        return step.lineId()
                .filter(_ -> step.action().isReading())
                .map(line -> new ExpectedReading(line, step.fromM(), step.cutOut(), currents));
    }
}
