package buckle.circuit;

import buckle.circuit.Electrics.Shock;
import buckle.circuit.Solver.Spot;
import buckle.land.Surroundings;
import buckle.power.Energizers;
import buckle.pulse.EnergizerRating;
import buckle.pulse.Place;
import buckle.pulse.PulseSolver;
import buckle.pulse.Waveform;
import buckle.review.Laid;
import buckle.spec.Plan;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * The pulse in time at one place, and what an animal there gets.
 *
 * @param usual standing on the ground as the job has it
 */
public record AtPoint(double peakV, double stepS, List<Double> volts, Shock usual, List<Shock> shocks) {
    private static final int MOST_STEPS = 400;

    public AtPoint {
        volts = List.copyOf(volts);
        shocks = List.copyOf(shocks);
    }

    /** Empty where nothing is fed. */
    public static Optional<AtPoint> of(
            Plan plan, Laid laid, Surroundings around, Trial trial, String lineId, double stationM) {
        if (laid.network().isEmpty()) {
            return Optional.empty();
        }
        EnergizerRating plate = plan.spec()
                .supply()
                .energizer()
                .filter(p -> p.contradiction().isEmpty())
                .orElseGet(() -> recommended(plan, laid, around));
        Solver solver = new Solver(plan, laid, around);
        Conditions likely = Conditions.likely(plate, plan.circumstances());
        FenceCircuit fence = solver.fence(likely, trial);
        Optional<Place> place = fence.place(lineId, stationM);
        if (place.isEmpty()) {
            return Optional.empty();
        }
        Waveform wave = new PulseSolver(fence.circuit(), List.of(place.get()))
                .terminal(place.get(), List.of())
                .under(Double.POSITIVE_INFINITY);
        int every = Math.max(1, wave.volts().length / MOST_STEPS);
        double by = fence.readPer(List.of(place.get()))[0];
        List<Double> volts = new ArrayList<>();
        for (int i = 0; i < wave.volts().length; i += every) {
            volts.add((double) Math.round(wave.volts()[i] * by));
        }
        List<Shock> shocks = new Shocks(plan, solver, likely, trial).at(new Spot(lineId, stationM));
        return Optional.of(new AtPoint(
                wave.peakV() * by,
                wave.stepS() * every,
                volts,
                Shocks.usual(shocks, plan.circumstances().ground()),
                shocks));
    }

    private static EnergizerRating recommended(Plan plan, Laid laid, Surroundings around) {
        return ElectricsPlanner.of(plan, laid, around, Trial.NONE, Electrics.Part.CURVE)
                .map(Electrics::energizer)
                .orElse(Energizers.GENERIC.getFirst());
    }
}
