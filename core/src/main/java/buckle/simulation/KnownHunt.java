package buckle.simulation;

import buckle.diagnosis.Hunt;
import java.util.List;

/**
 * Readings of a fence whose faults are known.
 *
 * @param truth none, one or two
 */
public record KnownHunt(String name, Hunt hunt, List<Truth> truth) {
    public KnownHunt {
        truth = List.copyOf(truth);
    }

    /** Whether currents were read. */
    public boolean currents() {
        return hunt.now().stream().anyMatch(r -> r.currentA().isPresent());
    }
}
