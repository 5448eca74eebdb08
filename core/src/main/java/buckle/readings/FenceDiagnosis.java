package buckle.readings;

import buckle.circuit.ElectricsPlanner;
import buckle.circuit.FenceCircuit;
import buckle.diagnosis.Diagnosis;
import buckle.diagnosis.Diagnostician;
import buckle.diagnosis.FaultKind;
import buckle.diagnosis.Hunt;
import buckle.diagnosis.Hunt.MeterNoise;
import buckle.diagnosis.Hunt.Reading;
import buckle.land.Surroundings;
import buckle.layout.Layout;
import buckle.layout.LineLayout;
import buckle.pulse.Place;
import buckle.pulse.Run;
import buckle.review.Laid;
import buckle.site.LocalPlane;
import buckle.site.Stationing;
import buckle.spec.Plan;
import buckle.spec.WireRole;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.UUID;

/**
 * Readings of a laid-out fence, those in order and those since something is wrong, and where on its lines the fault must be.
 *
 * @param enough whether there are two readings now that can be used
 * @param used readings that took part, {@code healthy} of them in order
 * @param leftOut readings of the pulse that did not: beyond the meter's range, on a wire that is not hot, or where the line no longer
 *     runs (V15)
 * @param kinds add up to 1; empty without enough readings
 * @param density along the lines, given that the fault lies on one
 * @param offLine probability that it lies on what is no line: lead-out, leads, switches
 */
public record FenceDiagnosis(
        boolean enough,
        int used,
        int healthy,
        int leftOut,
        Map<FaultKind, Double> kinds,
        List<Suspected> suspects,
        List<LinePart> region90,
        List<LinePart> density,
        double offLine,
        List<UUID> misfits,
        OptionalDouble earthOhm) {
    private static final int LEAST = 2;
    private static final double TOUCHING_M = 0.5;

    public FenceDiagnosis {
        suspects = List.copyOf(suspects);
        region90 = List.copyOf(region90);
        density = List.copyOf(density);
        misfits = List.copyOf(misfits);
        kinds = Map.copyOf(kinds);
    }

    /** A stretch of a line. */
    public record LinePart(String lineId, double fromM, double toM, double probability) {}

    /**
     * What may be wrong.
     *
     * @param lineId empty of what has no place on a line
     * @param reading that is wrong
     */
    public record Suspected(
            FaultKind kind,
            Optional<String> lineId,
            double fromM,
            double toM,
            OptionalDouble ohm,
            OptionalDouble factor,
            Optional<UUID> reading,
            double probability) {}

    private static FenceDiagnosis tooFew(int leftOut) {
        return new FenceDiagnosis(
                false, 0, 0, leftOut, Map.of(), List.of(), List.of(), List.of(), 0, List.of(), OptionalDouble.empty());
    }

    /** @param since readings from then on are taken with something wrong, those before in order */
    public static FenceDiagnosis of(
            Plan plan, Laid laid, Surroundings around, List<Observation> readings, Instant since) {
        Optional<FenceCircuit> fence = ElectricsPlanner.circuit(plan, laid, around);
        if (fence.isEmpty()) {
            return tooFew(0);
        }
        Located located = new Located(fence.get(), laid.layout());
        int leftOut = 0;
        List<UUID> healthyIds = new ArrayList<>();
        List<UUID> nowIds = new ArrayList<>();
        List<Reading> healthy = new ArrayList<>();
        List<Reading> now = new ArrayList<>();
        Set<UUID> corrected = new HashSet<>();
        readings.forEach(o -> o.corrects().ifPresent(corrected::add));
        for (Observation o : readings) {
            if (corrected.contains(o.id())) {
                continue;
            }
            boolean before = o.takenAt().isBefore(since);
            Optional<Reading> reading = located.reading(o);
            reading.ifPresent(r -> {
                (before ? healthy : now).add(r);
                (before ? healthyIds : nowIds).add(o.id());
            });
            leftOut += reading.isEmpty() && ofPulse(o.what()) ? 1 : 0;
        }
        if (now.size() < LEAST) {
            return tooFew(leftOut);
        }
        Diagnosis d =
                Diagnostician.of(new Hunt(fence.get().circuit(), MeterNoise.USUAL, healthy, now, located.switches()));
        List<LinePart> density = new ArrayList<>();
        double off = 0;
        for (Diagnosis.Density x : d.density()) {
            Optional<LinePart> part = located.part(x.run(), x.fromM(), x.toM(), x.probability());
            part.ifPresent(density::add);
            off += part.isPresent() ? 0 : x.probability();
        }
        List<LinePart> region = joined(d.region90().stream()
                        .flatMap(x -> located.part(x.run(), x.fromM(), x.toM(), 0).stream())
                        .toList())
                .stream()
                .map(p -> located.weighed(p, density))
                .toList();
        List<Suspected> suspects = d.suspects().stream()
                .map(s -> located.suspected(s, s.ofHealthy() ? healthyIds : nowIds))
                .toList();
        return new FenceDiagnosis(
                true,
                healthy.size() + now.size(),
                healthy.size(),
                leftOut,
                d.kinds(),
                suspects,
                region,
                density,
                off,
                d.fit().suspect().stream().map(healthyIds::get).toList(),
                OptionalDouble.of(d.fit().earthOhm()));
    }

    private static boolean ofPulse(Observed what) {
        return what instanceof Observed.Peak
                || what instanceof Observed.EarthTerminal
                || what instanceof Observed.Current;
    }

    /** Stretches that touch are one, whatever parts the circuit has there. */
    private static List<LinePart> joined(List<LinePart> parts) {
        List<LinePart> sorted = new ArrayList<>(parts);
        sorted.sort(Comparator.comparing(LinePart::lineId).thenComparingDouble(LinePart::fromM));
        List<LinePart> all = new ArrayList<>();
        for (LinePart p : sorted) {
            LinePart last = all.isEmpty() ? p : all.getLast();
            if (!all.isEmpty() && last.lineId().equals(p.lineId()) && p.fromM() - last.toM() < TOUCHING_M) {
                all.removeLast();
                all.add(new LinePart(p.lineId(), last.fromM(), Math.max(last.toM(), p.toM()), 0));
            } else {
                all.add(p);
            }
        }
        return all;
    }

    /** Lines and stations as places of the circuit, and back. */
    private static final class Located {
        private final FenceCircuit fence;
        private final LocalPlane plane;
        private final Map<String, LineLayout> lines = new HashMap<>();

        Located(FenceCircuit fence, Layout layout) {
            this.fence = fence;
            this.plane = new LocalPlane(layout.origin());
            layout.lines().forEach(l -> lines.put(l.lineId(), l));
        }

        /** Where it was read, by the stations of the line as it runs now; empty where it does not run any more (V15). */
        private Optional<Place> place(Observation.Spot at) {
            LineLayout line = lines.get(at.lineId());
            if (line == null) {
                return Optional.empty();
            }
            Stationing stationing =
                    new Stationing(line.corners().stream().map(plane::toPlane).toList(), line.closed());
            if (at.anchor().is(at.stationM(), stationing, plane)) {
                return fence.place(at.lineId(), at.stationM());
            }
            OptionalDouble now = at.anchor().on(stationing, plane);
            return now.isPresent() ? fence.place(at.lineId(), now.getAsDouble()) : Optional.empty();
        }

        private boolean hot(Observation.Spot at, int wire) {
            LineLayout line = lines.get(at.lineId());
            return wire == 0
                    || line != null
                            && wire <= line.schedule().wires().size()
                            && line.schedule().wires().get(wire - 1).role() == WireRole.HOT;
        }

        /** What a meter showed of the pulse; empty of all else, and of what shows no number. */
        Optional<Reading> reading(Observation o) {
            Set<String> open = new HashSet<>();
            Set<String> known = new HashSet<>();
            switches().forEach(s -> known.add(s.id()));
            o.openSwitches()
                    .ifPresent(all -> all.stream().filter(known::contains).forEach(open::add));
            return switch (o.what()) {
                case Observed.Peak p
                when !p.overRange() && hot(o.at(), p.wire()) ->
                    place(o.at())
                            .map(at -> new Reading(
                                    Optional.of(at),
                                    OptionalDouble.of(p.peakV()),
                                    OptionalDouble.empty(),
                                    false,
                                    open,
                                    false));
                case Observed.EarthTerminal e
                when !e.overRange() ->
                    Optional.of(new Reading(
                            Optional.empty(),
                            OptionalDouble.of(e.peakV()),
                            OptionalDouble.empty(),
                            false,
                            open,
                            false));
                case Observed.Current c -> current(o, c, open);
                default -> Optional.empty();
            };
        }

        private Optional<Reading> current(Observation o, Observed.Current c, Set<String> open) {
            return place(o.at()).map(at -> {
                boolean towards =
                        fence.stretches().stream().anyMatch(s -> s.runId().equals(at.runId()) && s.towards());
                boolean away = (c.direction() == Observed.Direction.TOWARDS_FINISH) == towards;
                boolean directed = c.direction() != Observed.Direction.UNKNOWN;
                return new Reading(
                        Optional.of(at),
                        OptionalDouble.empty(),
                        OptionalDouble.of(directed && !away ? -c.peakA() : c.peakA()),
                        directed,
                        open,
                        false);
            });
        }

        /** Cut-outs are runs without length. */
        List<Hunt.Switch> switches() {
            List<Hunt.Switch> all = new ArrayList<>();
            for (Run run : fence.circuit().runs()) {
                if (run.id().startsWith("switch:")) {
                    String id = run.id().substring("switch:".length(), run.id().lastIndexOf('#'));
                    all.add(new Hunt.Switch(id, new Place(run.id(), 0)));
                }
            }
            return all;
        }

        Optional<LinePart> part(String run, double fromM, double toM, double probability) {
            return fence.stretches().stream()
                    .filter(s -> s.runId().equals(run))
                    .findFirst()
                    .map(s -> s.towards()
                            ? new LinePart(s.lineId(), s.fromM() + fromM, s.fromM() + toM, probability)
                            : new LinePart(s.lineId(), s.toM() - toM, s.toM() - fromM, probability));
        }

        LinePart weighed(LinePart p, List<LinePart> density) {
            double sum = density.stream()
                    .filter(d -> d.lineId().equals(p.lineId()) && d.fromM() < p.toM() && d.toM() > p.fromM())
                    .mapToDouble(LinePart::probability)
                    .sum();
            return new LinePart(p.lineId(), p.fromM(), p.toM(), sum);
        }

        Suspected suspected(Diagnosis.Suspect s, List<UUID> ids) {
            Optional<LinePart> part = s.run().flatMap(run -> part(run, s.fromM(), s.toM(), 0));
            return new Suspected(
                    s.kind(),
                    part.map(LinePart::lineId),
                    part.map(LinePart::fromM).orElse(0.0),
                    part.map(LinePart::toM).orElse(0.0),
                    s.ohm(),
                    s.factor(),
                    s.reading().isPresent() ? Optional.of(ids.get(s.reading().getAsInt())) : Optional.empty(),
                    s.probability());
        }
    }
}
