package buckle.pulse;

import java.util.List;
import java.util.OptionalDouble;

/**
 * The pulse at the places asked for.
 *
 * @param says empty when solved; otherwise why there is no answer
 * @param earthTerminalV empty when currents were not asked for
 */
public record Solution(
        String says, List<Answer> answers, OptionalDouble earthTerminalV, int frequencies, double windowS) {
    public Solution {
        answers = List.copyOf(answers);
    }

    /** Whether the circuit could be solved; when not, {@code says} tells why. */
    public boolean solved() {
        return says.isEmpty();
    }

    /**
     * At one place.
     *
     * @param currentA peak of the current that arrives there along its run; empty when it was not asked for
     */
    public record Answer(Place place, double peakV, double atS, OptionalDouble currentA) {}
}
