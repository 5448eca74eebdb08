package buckle.readings;

import buckle.circuit.ElectricsPlanner;
import buckle.circuit.FenceCircuit;
import buckle.diagnosis.Diagnosis;
import buckle.diagnosis.Diagnostician;
import buckle.diagnosis.FaultKind;
import buckle.diagnosis.Hunt;
import buckle.diagnosis.Hunt.Reading;
import buckle.land.Surroundings;
import buckle.layout.CutOutPlace;
import buckle.layout.GatePlace;
import buckle.layout.Layout;
import buckle.layout.LineLayout;
import buckle.review.Laid;
import buckle.rulebook.Values;
import buckle.site.LocalPlane;
import buckle.site.Stationing;
import buckle.spec.Plan;
import buckle.spec.Yardstick;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import java.util.function.Predicate;

/**
 * Readings of a laid-out fence, those in order and those since something is wrong, and where on its lines the fault must be.
 *
 * @param enough whether there are two readings now that can be used
 * @param used readings that took part, {@code healthy} of them in order
 * @param yardstick whether those in order are the readings of the yardstick
 * @param leftOut readings of the pulse that did not: beyond the meter's range, on a wire that is not hot, or where the line no longer
 *     runs (V15)
 * @param kinds add up to 1; empty without enough readings
 * @param density along the lines, given that the fault lies on one
 * @param regionM how much of the lines' {@code linesM} the stretches of 90 % are
 * @param offLine probability that it lies on what is no line: lead-out, leads, switches
 * @param elements gates, switches and the lead-out that may have failed, the most probable first
 * @param unpowered wires that should carry nothing and do (X11)
 * @param whenWet whether all is in order when it is dry, and the answer is of the readings taken wet
 */
public record FenceDiagnosis(
        boolean enough,
        int used,
        int healthy,
        boolean yardstick,
        int leftOut,
        Map<FaultKind, Double> kinds,
        List<Suspected> suspects,
        List<LinePart> region90,
        List<LinePart> density,
        double regionM,
        double linesM,
        double offLine,
        List<Element> elements,
        List<UnpoweredLeak> unpowered,
        boolean whenWet,
        List<UUID> misfits,
        OptionalDouble earthOhm) {
    private static final int LEAST = 2;
    private static final double TOUCHING_M = 0.5;
    private static final double LEAST_ELEMENT = 0.02;
    private static final double IN_ORDER = 0.5;
    private static final Observed ANY_CURRENT =
            new Observed.Current(1, Observed.Direction.UNKNOWN, OptionalDouble.empty());

    public FenceDiagnosis {
        suspects = List.copyOf(suspects);
        region90 = List.copyOf(region90);
        density = List.copyOf(density);
        elements = List.copyOf(elements);
        unpowered = List.copyOf(unpowered);
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

    /** What has a place by itself. */
    public enum ElementKind {
        GATE_CABLE,
        GATE_HANDLES,
        SWITCH,
        LEAD_OUT,
        LEAD
    }

    /**
     * A thing that may have failed.
     *
     * @param id of the gate, the cut-out or the lead; empty of the lead-out
     * @param probability of all that may be wrong
     */
    public record Element(
            ElementKind kind,
            Optional<String> id,
            String name,
            Optional<String> lineId,
            OptionalDouble stationM,
            double probability) {}

    /**
     * A wire that should carry nothing.
     *
     * @param wire its number; 0 for all such wires together
     * @param hotV what the hot wires read there, where they were read
     * @param toM the stretch it may leak on: as far as that wire goes on without a gate
     */
    public record UnpoweredLeak(
            UUID reading, String lineId, int wire, double peakV, OptionalDouble hotV, double fromM, double toM) {}

    /** One answer of the diagnosis, with what it was made of. */
    private record Told(Diagnosis diagnosis, List<UUID> healthyIds, List<UUID> nowIds, int used) {
        double none() {
            return diagnosis.kinds().getOrDefault(FaultKind.NONE, 0.0);
        }
    }

    private static FenceDiagnosis tooFew(int leftOut, List<UnpoweredLeak> unpowered) {
        return new FenceDiagnosis(
                false,
                0,
                0,
                false,
                leftOut,
                Map.of(),
                List.of(),
                List.of(),
                List.of(),
                0,
                0,
                0,
                List.of(),
                unpowered,
                false,
                List.of(),
                OptionalDouble.empty());
    }

    /**
     * @param since readings from then on are taken with something wrong; those of the yardstick, or without one those of the last
     *     round before, in order
     */
    public static FenceDiagnosis of(
            Plan plan, Laid laid, Surroundings around, List<Observation> readings, Instant since) {
        List<UnpoweredLeak> unpowered = unpowered(laid.layout(), OnFence.standing(readings), since);
        // The plan as it was before any reading: the yardstick's own readings bring it to where it is.
        Optional<Yardstick> yardstick = plan.circumstances().yardstick();
        Plan bare = ElectricsPlanner.asPlanned(plan);
        Optional<FenceCircuit> fence = ElectricsPlanner.circuit(bare, laid, around);
        if (fence.isEmpty()) {
            return tooFew(0, unpowered);
        }
        OnFence on = new OnFence(fence.get(), laid.layout());
        Lots lots = Lots.of(on, Parted.of(plan, readings, since));
        Told all = lots.all().told();
        if (all.nowIds().size() < LEAST) {
            return tooFew(lots.leftOut(), unpowered);
        }
        boolean whenWet = false;
        if (lots.wet().isPresent() && lots.dry().isPresent()) {
            Told whenDry = lots.dry().get().told();
            Told inRain = lots.wet().get().told();
            if (whenDry.nowIds().size() >= LEAST
                    && inRain.nowIds().size() >= LEAST
                    && whenDry.none() >= IN_ORDER
                    && inRain.none() < IN_ORDER) {
                whenWet = true;
                all = inRain;
            }
        }
        return told(all, on, laid.layout(), yardstick.isPresent(), lots.leftOut(), unpowered, whenWet);
    }

    /**
     * Makes ready what an answer needs when one more reading is taken, whatever it will show, with the meter that was read with last.
     *
     * @param readings as of {@link #of}, {@code since} likewise
     */
    public static void makeReady(
            Plan plan,
            Laid laid,
            Surroundings around,
            List<Observation> readings,
            Instant since,
            ExpectedReading expected) {
        Optional<LineLayout> line = laid.layout().lines().stream()
                .filter(l -> l.lineId().equals(expected.lineId())
                        && expected.stationM() >= 0
                        && expected.stationM() <= l.lengthM() + 0.1)
                .findFirst();
        Optional<Observation> last = Parted.of(plan, readings, since).now().stream()
                .filter(o -> o.what() instanceof Observed.Peak)
                .max(Comparator.comparing(Observation::takenAt));
        if (line.isEmpty() || last.isEmpty()) {
            return;
        }
        Optional<FenceCircuit> fence = ElectricsPlanner.circuit(ElectricsPlanner.asPlanned(plan), laid, around);
        if (fence.isEmpty()) {
            return;
        }
        LocalPlane plane = new LocalPlane(laid.layout().origin());
        Stationing stationing = new Stationing(
                line.get().corners().stream().map(plane::toPlane).toList(),
                line.get().closed());
        Observation there = last.get()
                .withId(UUID.randomUUID())
                .withWhat(onAllHotWires((Observed.Peak) last.get().what()))
                .withAt(new Observation.Spot(
                        Optional.empty(),
                        line.get().lineId(),
                        expected.stationM(),
                        plane.toGeo(stationing.at(expected.stationM()))))
                .withOpenSwitches(Optional.of(expected.cutOut().stream().toList()))
                .withCorrects(Optional.empty());
        List<Observation> then = new ArrayList<>(readings);
        then.add(there);
        if (expected.currents()) {
            then.add(there.withId(UUID.randomUUID()).withWhat(ANY_CURRENT));
        }
        Lots lots = Lots.of(new OnFence(fence.get(), laid.layout()), Parted.of(plan, then, since));
        lots.all().makeReady();
        if (lots.wet().isPresent() && lots.dry().isPresent()) {
            lots.wet().get().makeReady();
            lots.dry().get().makeReady();
        }
    }

    private static Observed onAllHotWires(Observed.Peak p) {
        return new Observed.Peak(0, p.peakV(), false, p.rangeV(), p.resolutionV());
    }

    /** Readings now, all of them and those taken dry and wet: a fault may come with rain. */
    private record Lots(Lot all, Optional<Lot> dry, Optional<Lot> wet, int leftOut) {
        static Lots of(OnFence on, Parted parted) {
            List<Observation> healthy = parted.healthy();
            List<Observation> now = parted.now();
            return new Lots(
                    new Lot(on, healthy, now),
                    Lot.of(on, healthy, now, false),
                    Lot.of(on, healthy, now, true),
                    FenceDiagnosis.leftOut(on, now) + FenceDiagnosis.leftOut(on, healthy));
        }
    }

    private record Lot(OnFence on, List<Observation> healthy, List<Observation> now) {
        static Optional<Lot> of(OnFence on, List<Observation> healthy, List<Observation> now, boolean wet) {
            List<Observation> some =
                    now.stream().filter(o -> o.weather().wet() == wet).toList();
            return some.isEmpty() ? Optional.empty() : Optional.of(new Lot(on, healthy, some));
        }

        private Hunt hunt(List<Reading> before, List<Reading> after) {
            List<Observation> meters = new ArrayList<>(healthy);
            meters.addAll(now);
            return on.hunt(before, after, OnFence.meter(meters));
        }

        Told told() {
            List<UUID> healthyIds = new ArrayList<>();
            List<UUID> nowIds = new ArrayList<>();
            List<Reading> before = readings(on, healthy, healthyIds);
            List<Reading> after = readings(on, now, nowIds);
            return new Told(
                    after.size() < LEAST ? Diagnosis.NONE : Diagnostician.of(hunt(before, after)),
                    healthyIds,
                    nowIds,
                    before.size() + after.size());
        }

        void makeReady() {
            List<Reading> after = on.readings(now);
            if (after.size() >= LEAST) {
                Diagnostician.makeReady(hunt(on.readings(healthy), after));
            }
        }
    }

    private static List<Reading> readings(OnFence on, List<Observation> observations, List<UUID> ids) {
        List<Reading> all = new ArrayList<>();
        for (Observation o : observations) {
            on.reading(o).ifPresent(r -> {
                all.add(r);
                ids.add(o.id());
            });
        }
        return all;
    }

    private static int leftOut(OnFence on, List<Observation> observations) {
        return (int) observations.stream()
                .filter(o -> ofPulse(o.what()) && on.reading(o).isEmpty())
                .count();
    }

    private static FenceDiagnosis told(
            Told told,
            OnFence on,
            Layout layout,
            boolean yardstick,
            int leftOut,
            List<UnpoweredLeak> unpowered,
            boolean whenWet) {
        Diagnosis d = told.diagnosis();
        List<LinePart> density = new ArrayList<>();
        double off = 0;
        for (Diagnosis.Density x : d.density()) {
            Optional<LinePart> part = on.part(x.run(), x.fromM(), x.toM(), x.probability());
            part.ifPresent(density::add);
            off += part.isPresent() ? 0 : x.probability();
        }
        List<LinePart> region =
                joined(d.region90().stream()
                                .flatMap(x -> on.part(x.run(), x.fromM(), x.toM(), 0).stream())
                                .toList())
                        .stream()
                        .map(p -> weighed(p, density))
                        .sorted(Comparator.comparingDouble(LinePart::probability)
                                .reversed())
                        .toList();
        List<Suspected> suspects = d.suspects().stream()
                .map(s -> suspected(on, s, s.ofHealthy() ? told.healthyIds() : told.nowIds()))
                .toList();
        return new FenceDiagnosis(
                true,
                told.used(),
                told.healthyIds().size(),
                yardstick,
                leftOut,
                d.kinds(),
                suspects,
                region,
                density,
                region.stream().mapToDouble(r -> r.toM() - r.fromM()).sum(),
                layout.lines().stream().mapToDouble(LineLayout::lengthM).sum(),
                off,
                elements(d, on, layout),
                unpowered,
                whenWet,
                d.fit().suspect().stream().map(told.healthyIds()::get).toList(),
                OptionalDouble.of(d.fit().earthOhm()));
    }

    private static boolean ofPulse(Observed what) {
        return what instanceof Observed.Peak
                || what instanceof Observed.EarthTerminal
                || what instanceof Observed.Current;
    }

    private static LinePart weighed(LinePart p, List<LinePart> density) {
        double sum = density.stream()
                .filter(d -> d.lineId().equals(p.lineId()) && d.fromM() < p.toM() && d.toM() > p.fromM())
                .mapToDouble(LinePart::probability)
                .sum();
        return new LinePart(p.lineId(), p.fromM(), p.toM(), sum);
    }

    private static Suspected suspected(OnFence on, Diagnosis.Suspect s, List<UUID> ids) {
        Optional<LinePart> part = s.run().flatMap(run -> on.part(run, s.fromM(), s.toM(), 0));
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

    /** What lies on the cable or the handles of a gate, in a switch, in the lead-out or a lead. */
    private static List<Element> elements(Diagnosis d, OnFence on, Layout layout) {
        List<Element> all = new ArrayList<>();
        Map<String, Double> mass = massByRun(d);
        for (LineLayout line : layout.lines()) {
            for (GatePlace g : line.gates()) {
                ElementKind kind = g.kind().cabled() ? ElementKind.GATE_CABLE : ElementKind.GATE_HANDLES;
                double p = mass(mass, run -> on.within(run, line.lineId(), g.fromM(), g.toM()));
                all.add(new Element(
                        kind,
                        Optional.of(g.id()),
                        g.name(),
                        Optional.of(line.lineId()),
                        OptionalDouble.of(g.fromM()),
                        p));
            }
            for (CutOutPlace c : line.cutOuts()) {
                all.add(new Element(
                        ElementKind.SWITCH,
                        Optional.of(c.id()),
                        c.name(),
                        Optional.of(line.lineId()),
                        OptionalDouble.of(c.stationM()),
                        d.switches().entrySet().stream()
                                .filter(e -> e.getKey().startsWith("switch:" + c.id() + "#"))
                                .mapToDouble(Map.Entry::getValue)
                                .sum()));
            }
        }
        layout.leads()
                .forEach(l -> all.add(new Element(
                        ElementKind.LEAD,
                        Optional.of(l.id()),
                        l.name(),
                        Optional.of(l.lineId()),
                        OptionalDouble.of(l.stationM()),
                        mass(mass, run -> run.startsWith(l.id() + "#")))));
        all.add(new Element(
                ElementKind.LEAD_OUT,
                Optional.empty(),
                layout.feed().map(f -> f.name()).orElse(""),
                Optional.empty(),
                OptionalDouble.empty(),
                mass(mass, run -> run.equals(on.fence().feedRun()))));
        return all.stream()
                .filter(e -> e.probability() >= LEAST_ELEMENT)
                .sorted(Comparator.comparingDouble(Element::probability).reversed())
                .toList();
    }

    /** As a part of all that may be wrong. */
    private static Map<String, Double> massByRun(Diagnosis d) {
        double onLine = onLine(d);
        Map<String, Double> all = new HashMap<>();
        d.density().forEach(x -> all.merge(x.run(), onLine * x.probability(), Double::sum));
        return all;
    }

    private static double mass(Map<String, Double> byRun, Predicate<String> ofRun) {
        return byRun.entrySet().stream()
                .filter(e -> ofRun.test(e.getKey()))
                .mapToDouble(Map.Entry::getValue)
                .sum();
    }

    private static double onLine(Diagnosis d) {
        double off = d.kinds().getOrDefault(FaultKind.NONE, 0.0)
                + d.kinds().getOrDefault(FaultKind.EARTH, 0.0)
                + d.kinds().getOrDefault(FaultKind.SUPPLY, 0.0)
                + d.kinds().getOrDefault(FaultKind.METER, 0.0)
                + d.switches().values().stream()
                        .mapToDouble(Double::doubleValue)
                        .sum();
        return Math.max(0, 1 - off);
    }

    /** X11, of the last reading of each such wire at each place. */
    private static List<UnpoweredLeak> unpowered(Layout layout, List<Observation> standing, Instant since) {
        List<UnpoweredLeak> all = new ArrayList<>();
        List<Observation> now = standing.stream()
                .filter(o -> !o.takenAt().isBefore(since))
                .sorted(Comparator.comparing(Observation::takenAt))
                .toList();
        for (Observation o : now) {
            if (o.what() instanceof Observed.Unpowered u) {
                all.removeIf(x -> x.lineId().equals(o.at().lineId())
                        && x.wire() == u.wire()
                        && Math.abs(at(now, x.reading()) - o.at().stationM()) < Values.V15_SAME_POINT_M);
                if (u.peakV() >= Values.X11_LEAK_V) {
                    all.add(unpowered(layout, now, o, u));
                }
            }
        }
        return all;
    }

    private static double at(List<Observation> now, UUID id) {
        return now.stream()
                .filter(o -> o.id().equals(id))
                .mapToDouble(o -> o.at().stationM())
                .findFirst()
                .orElse(Double.NaN);
    }

    private static UnpoweredLeak unpowered(Layout layout, List<Observation> now, Observation o, Observed.Unpowered u) {
        double from = 0;
        double to = Double.MAX_VALUE;
        for (LineLayout line : layout.lines()) {
            if (line.lineId().equals(o.at().lineId())) {
                to = line.lengthM();
                for (GatePlace g : line.gates()) {
                    from = g.toM() <= o.at().stationM() ? Math.max(from, g.toM()) : from;
                    to = g.fromM() >= o.at().stationM() ? Math.min(to, g.fromM()) : to;
                }
            }
        }
        OptionalDouble hot = now.stream()
                .filter(x -> x.what() instanceof Observed.Peak
                        && x.at().lineId().equals(o.at().lineId())
                        && Math.abs(x.at().stationM() - o.at().stationM()) < Values.V15_SAME_POINT_M)
                .mapToDouble(x -> ((Observed.Peak) x.what()).peakV())
                .max();
        return new UnpoweredLeak(o.id(), o.at().lineId(), u.wire(), u.peakV(), hot, from, to);
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
}
