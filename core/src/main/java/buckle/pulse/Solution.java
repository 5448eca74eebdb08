package buckle.pulse;

import java.util.List;

/**
 * The pulse at the places asked for.
 *
 * @param says empty when solved; otherwise why there is no answer
 */
public record Solution(String says, List<Answer> answers, double earthTerminalV, int frequencies, double windowS) {
    public Solution {
        answers = List.copyOf(answers);
    }

    public boolean solved() {
        return says.isEmpty();
    }

    /**
     * At one place.
     *
     * @param currentA peak of the current that arrives there along its run
     */
    public record Answer(Place place, double peakV, double atS, double currentA) {}
}
