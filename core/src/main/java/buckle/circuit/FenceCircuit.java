package buckle.circuit;

import buckle.message.CircuitMessage.DeadWhy;
import buckle.pulse.Circuit;
import buckle.pulse.Drift;
import buckle.pulse.Place;
import buckle.pulse.Run;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;

/**
 * The circuit of a fence, and where each of its stations is in it.
 *
 * @param stretches pieces of line with the run they became
 * @param dead stretches that nothing feeds
 * @param drift of what is read from what the circuit comes to
 */
public record FenceCircuit(
        Circuit circuit, List<LiveStretch> stretches, List<DeadStretch> dead, String feedRun, Drift drift) {
    public FenceCircuit {
        stretches = List.copyOf(stretches);
        dead = List.copyOf(dead);
    }

    /** @param towards whether the pulse runs with the stations */
    public record LiveStretch(String lineId, double fromM, double toM, String runId, boolean towards) {
        /** The cable under a gate is longer than the opening: its run is spread over it. */
        private Place place(double stationM, double runM) {
            double at = Math.clamp(stationM, fromM, toM);
            double along = towards ? at - fromM : toM - at;
            return new Place(runId, toM > fromM ? Math.min(runM, along * runM / (toM - fromM)) : 0);
        }

        /** The station of a place of its run. */
        public double stationM(double distanceM, double runM) {
            double along = runM > 0 ? distanceM * (toM - fromM) / runM : 0;
            return towards ? fromM + along : toM - along;
        }
    }

    /**
     * A stretch, or some wires of it, that nothing feeds.
     *
     * @param wires numbers from the ground up of the hot wires meant; empty for all
     * @param why what keeps the pulse away
     */
    public record DeadStretch(String lineId, double fromM, double toM, List<Integer> wires, DeadWhy why) {
        public DeadStretch {
            wires = List.copyOf(wires);
        }
    }

    /** The place with the longest way along the wire from the energizer, as switches stand. */
    public Optional<Place> farthest() {
        Map<String, Double> wayM = new HashMap<>();
        Place far = null;
        double most = 0;
        for (Run run : circuit.runs()) {
            double before = run.parent().map(wayM::get).orElse(0.0);
            double way = run.open() ? Double.NaN : before + run.lengthM();
            wayM.put(run.id(), way);
            if (way > most) {
                most = way;
                far = new Place(run.id(), run.lengthM());
            }
        }
        return Optional.ofNullable(far);
    }

    /** Along the wire from the energizer. */
    public double wayM(Place at) {
        return Objects.requireNonNull(circuit.beginsM().get(at.runId())) + at.distanceM();
    }

    /** What is read at places for each volt and ampere that the circuit comes to there. */
    double[] readPer(List<Place> places) {
        return readPer(places, drift);
    }

    /** The same if it drifted so. */
    double[] readPer(List<Place> places, Drift drift) {
        Map<String, Double> beginsM = circuit.beginsM();
        return places.stream()
                .mapToDouble(p -> drift.factor(Objects.requireNonNull(beginsM.get(p.runId())) + p.distanceM()))
                .toArray();
    }

    /** Where a station of a line lies in the circuit; empty where no run passes. */
    public Optional<Place> place(String lineId, double stationM) {
        LiveStretch best = null;
        for (LiveStretch s : stretches) {
            if (s.lineId().equals(lineId) && s.fromM() <= stationM + 1e-6 && stationM <= s.toM() + 1e-6) {
                if (best == null || s.toM() - s.fromM() > best.toM() - best.fromM()) {
                    best = s;
                }
            }
        }
        return Optional.ofNullable(best).map(s -> s.place(stationM, lengthM(s.runId())));
    }

    /** Of a run, wire or cable. */
    public double lengthM(String runId) {
        return circuit.runs().stream()
                .filter(r -> r.id().equals(runId))
                .findFirst()
                .orElseThrow()
                .lengthM();
    }
}
