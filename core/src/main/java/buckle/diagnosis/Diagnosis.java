package buckle.diagnosis;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;

/**
 * What readings tell.
 *
 * @param suspects kinds on stretches, most probable first; their probabilities add up to at most 1
 * @param region90 the shortest stretches that hold 90 % of the probability, given that the fault lies on the line; empty when
 *     nothing there is plausible
 * @param kinds add up to 1
 * @param density along the runs, given that the fault lies on the line
 * @param switches runs without length that nothing passes any more, as a part of all that may be wrong
 */
public record Diagnosis(
        List<Suspect> suspects,
        List<Stretch> region90,
        Map<FaultKind, Double> kinds,
        List<Density> density,
        Map<String, Double> switches,
        Fit fit) {
    /** Of nothing read. */
    public static final Diagnosis NONE = new Diagnosis(
            List.of(),
            List.of(),
            Map.of(),
            List.of(),
            Map.of(),
            new Fit(false, 0, 0, 0, 1, 1, 1, List.of(), List.of(), List.of()));

    public Diagnosis {
        suspects = List.copyOf(suspects);
        region90 = List.copyOf(region90);
        kinds = Map.copyOf(kinds);
        density = List.copyOf(density);
        switches = Map.copyOf(switches);
    }

    /**
     * One thing that may be wrong.
     *
     * @param run empty of what has no place on the line
     * @param fromM of growth where it begins, of others where it most probably is
     * @param toM of growth where it ends; of others as {@code fromM}
     * @param ohm of a leak, of growth as a whole, in series of a break (empty when nothing passes), of an earth
     * @param factor of the energizer's voltage
     * @param reading number of a reading that is wrong; of those in order when {@code ofHealthy}
     */
    public record Suspect(
            FaultKind kind,
            Optional<String> run,
            double fromM,
            double toM,
            OptionalDouble ohm,
            OptionalDouble factor,
            OptionalInt reading,
            boolean ofHealthy,
            double probability) {}

    /** A part of a run. */
    public record Stretch(String run, double fromM, double toM) {}

    /** Probability on a part of a run. */
    public record Density(String run, double fromM, double toM, double probability) {}

    /**
     * What readings in order made of the plan.
     *
     * @param done whether there were any
     * @param soilFactor {@code steelFactor} likewise, on the plan's value
     * @param residuals by value read, in standard deviations of the meter
     * @param suspect numbers of readings that fit nothing physical
     */
    public record Fit(
            boolean done,
            double earthOhm,
            double earthLowOhm,
            double earthHighOhm,
            double soilFactor,
            double steelFactor,
            double supplyFactor,
            List<RunLeakage> runs,
            List<Double> residuals,
            List<Integer> suspect) {
        public Fit {
            runs = List.copyOf(runs);
            residuals = List.copyOf(residuals);
            suspect = List.copyOf(suspect);
        }
    }

    /** Leakage of a run with the range of one standard deviation. */
    public record RunLeakage(String run, double leakSPerM, double lowSPerM, double highSPerM) {}
}
