package buckle.diagnosis;

import buckle.pulse.Circuit;
import buckle.pulse.Place;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;

/**
 * A fence with readings of it.
 *
 * @param plan the fence as the planner believes it, in order
 * @param healthy readings of it in order; may be empty
 * @param now readings since something is wrong
 * @param frail runs that fail oftener than their length says: cables, handles, and switches, which are runs without length
 * @param built whether it stands somewhere, driven by what a plate tells of: then its energizer, and how a pulse fares along it, are
 *     known less well than of a circuit that is given by its values
 */
@RecordBuilder
public record Hunt(
        Circuit plan,
        MeterNoise meter,
        List<Reading> healthy,
        List<Reading> now,
        List<Switch> switches,
        Set<String> frail,
        boolean built)
        implements HuntBuilder.With {
    /** Of a circuit given by its values, where all fails by its length. */
    public Hunt(Circuit plan, MeterNoise meter, List<Reading> healthy, List<Reading> now, List<Switch> switches) {
        this(plan, meter, healthy, now, switches, Set.of(), false);
    }

    public Hunt {
        frail = Set.copyOf(frail);
        healthy = List.copyOf(healthy);
        now = List.copyOf(now);
        switches = List.copyOf(switches);
    }

    /**
     * How far a meter can be trusted.
     *
     * @param share of a voltage, one standard deviation
     * @param shareA of a current
     */
    public record MeterNoise(double resolutionV, double share, double resolutionA, double shareA) {
        /** A usual fence meter: a tenth of a kilovolt, 3 %. Common practice. */
        public static final MeterNoise USUAL = new MeterNoise(100, 0.03, 0.1, 0.05);
    }

    /**
     * What was read at a place.
     *
     * @param at empty for the energizer's earth terminal
     * @param currentA largest along the fence; under zero toward the energizer
     * @param directed whether the direction of the current is known
     * @param open ids of switches that were open
     * @param ignored kept, and not used
     */
    public record Reading(
            Optional<Place> at,
            OptionalDouble peakV,
            OptionalDouble currentA,
            boolean directed,
            Set<String> open,
            boolean ignored) {
        public Reading {
            open = Set.copyOf(open);
        }
    }

    /** A switch that cuts off the run beyond it and all that hangs on that. */
    public record Switch(String id, Place at) {}
}
