package buckle.commissioning;

import buckle.circuit.ElectricsPlanner;
import buckle.circuit.FenceCircuit;
import buckle.diagnosis.Fitted;
import buckle.diagnosis.Fitted.Expected;
import buckle.diagnosis.Hunt.Reading;
import buckle.diagnosis.Route;
import buckle.land.Surroundings;
import buckle.layout.Layout;
import buckle.layout.LineLayout;
import buckle.layout.TestPoint;
import buckle.message.CommissionMessage;
import buckle.message.CommissionMessage.Agrees;
import buckle.message.Message;
import buckle.pulse.Place;
import buckle.readings.Observation;
import buckle.readings.Observed;
import buckle.readings.OnFence;
import buckle.review.Laid;
import buckle.rulebook.Standing;
import buckle.rulebook.Values;
import buckle.site.GeoPoint;
import buckle.site.LocalPlane;
import buckle.site.PlanePoint;
import buckle.spec.Animal;
import buckle.spec.Plan;
import buckle.spec.Supply;
import buckle.spec.Wire;
import buckle.spec.WireRole;
import buckle.spec.Yardstick;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.function.Predicate;
import java.util.function.ToDoubleFunction;

/**
 * The measuring round: every place to read in walking order, what is read there, what is expected, and how what was read stands against
 * the animal's need and against the prediction.
 *
 * @param walkM along the fence from the energizer to the last place
 * @param yardstick when the yardstick that predictions start from was read; empty when they are of the plan alone
 */
public record Round(List<Stop> stops, double walkM, Optional<Instant> yardstick, OptionalDouble needV) {
    private static final double USUAL = 2;
    private static final double MUCH = 3.5;
    private static final int MOST_STOPS = 300;

    public Round {
        stops = List.copyOf(stops);
    }

    /** What is read. */
    public enum AskKind {
        PEAK,
        UNPOWERED,
        CURRENT,
        EARTH_TEST,
        BATTERY
    }

    /**
     * A place to read at.
     *
     * @param legM how far it is from the one before
     */
    public record Stop(
            String testPointId,
            String name,
            String sectionId,
            String lineId,
            double stationM,
            GeoPoint at,
            double legM,
            List<Ask> asks) {
        public Stop {
            asks = List.copyOf(asks);
        }
    }

    /**
     * One number to read there.
     *
     * @param wire number from the ground up; 0 for the joined hot wires, and of what is no wire
     * @param needed whether the round is open without it
     * @param likely {@code low}, {@code high}: V, A as {@code kind} says; of what is not predicted the bound of its rule (X11, G9, E4),
     *     empty where there is none
     * @param reading the latest
     * @param value what it showed
     * @param before what the last reading of an earlier round showed there
     * @param need how it stands against what the animal needs, or the rule for what is no hot wire
     * @param agrees how it stands against the prediction
     */
    public record Ask(
            AskKind kind,
            int wire,
            boolean needed,
            OptionalDouble likely,
            OptionalDouble low,
            OptionalDouble high,
            Optional<UUID> reading,
            OptionalDouble value,
            boolean overRange,
            OptionalDouble before,
            Standing need,
            Standing agrees,
            Message says) {}

    /** How many numbers are still to be read. */
    public long open() {
        return stops.stream()
                .flatMap(s -> s.asks().stream())
                .filter(a -> a.needed() && a.reading().isEmpty())
                .count();
    }

    /** Readings from {@code since} on are of this round, with every switch closed. */
    public static Round of(Plan plan, Laid laid, Surroundings around, List<Observation> readings, Instant since) {
        return of(plan, laid, around, readings, since, Set.of());
    }

    /** @param open ids of the switches that are open while what is not read yet is read */
    public static Round of(
            Plan plan, Laid laid, Surroundings around, List<Observation> readings, Instant since, Set<String> open) {
        Layout layout = laid.layout();
        Optional<Yardstick> yardstick = plan.circumstances().yardstick();
        Plan bare = ElectricsPlanner.asPlanned(plan);
        Optional<FenceCircuit> circuit = ElectricsPlanner.circuit(bare, laid, around);
        if (circuit.isEmpty()) {
            return new Round(List.of(), 0, Optional.empty(), plan.spec().fence().needV());
        }
        return new Walked(
                        plan,
                        layout,
                        new OnFence(circuit.get(), layout),
                        OnFence.standing(readings),
                        since,
                        yardstick,
                        open)
                .round();
    }

    /** One number to be read and where it is in the circuit, if it is. */
    private record Asked(TestPoint at, AskKind kind, int wire, boolean needed, Optional<Reading> predicted) {
        Asked of(Optional<Reading> reading) {
            return new Asked(at, kind, wire, needed, reading);
        }
    }

    private static final class Walked {
        private final Plan plan;
        private final Layout layout;
        private final OnFence on;
        private final List<Observation> readings;
        private final List<Observation> earlier;
        private final Optional<Yardstick> yardstick;
        private final Fitted fitted;
        private final LocalPlane plane;
        private final Set<String> feeders;
        private final Set<String> open;

        Walked(
                Plan plan,
                Layout layout,
                OnFence on,
                List<Observation> standing,
                Instant since,
                Optional<Yardstick> yardstick,
                Set<String> open) {
            this.plan = plan;
            this.open = open;
            this.layout = layout;
            this.on = on;
            this.yardstick = yardstick;
            this.plane = new LocalPlane(layout.origin());
            this.feeders = layout.feeders();
            List<Observation> sorted = standing.stream()
                    .sorted(Comparator.comparing(Observation::takenAt))
                    .toList();
            this.readings =
                    sorted.stream().filter(o -> !o.takenAt().isBefore(since)).toList();
            this.earlier =
                    sorted.stream().filter(o -> o.takenAt().isBefore(since)).toList();
            List<Observation> healthy = standing.stream()
                    .filter(o ->
                            yardstick.filter(y -> y.readings().contains(o.id())).isPresent())
                    .toList();
            List<Reading> before =
                    healthy.stream().flatMap(o -> on.reading(o).stream()).toList();
            List<Observation> meters = new ArrayList<>(healthy);
            meters.addAll(readings);
            Fitted fit = Fitted.of(on.hunt(before, List.of(), OnFence.meter(meters)));
            fitted = before.isEmpty() ? fit : fit.later();
        }

        Round round() {
            List<TestPoint> points = walked();
            List<Asked> asked = points.stream().flatMap(p -> asked(p).stream()).toList();
            List<Reading> predicted =
                    asked.stream().flatMap(a -> a.predicted().stream()).toList();
            List<Expected> expected = fitted.expected(predicted);
            Map<String, List<Ask>> byPoint = new HashMap<>();
            int next = 0;
            for (Asked a : asked) {
                Optional<Expected> e = a.predicted().isPresent() ? Optional.of(expected.get(next++)) : Optional.empty();
                byPoint.computeIfAbsent(a.at().id(), k -> new ArrayList<>()).add(told(a, e));
            }
            List<Stop> stops = new ArrayList<>();
            double walk = 0;
            for (int i = 0; i < points.size(); i++) {
                TestPoint p = points.get(i);
                double leg = legs.get(i);
                walk += leg;
                stops.add(new Stop(
                        p.id(),
                        p.name(),
                        p.sectionId(),
                        p.lineId(),
                        p.stationM(),
                        GeoPoint.of(p.lonDeg(), p.latDeg()),
                        leg,
                        byPoint.getOrDefault(p.id(), List.of())));
            }
            return new Round(
                    stops,
                    walk,
                    yardstick.map(Yardstick::readAt),
                    plan.spec().fence().needV());
        }

        private final List<Double> legs = new ArrayList<>();

        /** In walking order; what is not joined to the fence comes last, straight across. */
        private List<TestPoint> walked() {
            List<TestPoint> fed = new ArrayList<>();
            List<Place> places = new ArrayList<>();
            List<TestPoint> others = new ArrayList<>();
            for (TestPoint p : layout.testPoints()) {
                Optional<Place> at = on.fence().place(p.lineId(), p.stationM());
                if (at.isPresent() && fed.size() < MOST_STOPS) {
                    fed.add(p);
                    places.add(at.get());
                } else {
                    others.add(p);
                }
            }
            Route route = Route.along(
                    on.fence().circuit().runs(), new Place(on.fence().feedRun(), 0), places);
            List<TestPoint> order =
                    new ArrayList<>(route.order().stream().map(fed::get).toList());
            legs.addAll(route.legsM());
            for (TestPoint p : others) {
                legs.add(order.isEmpty() ? 0 : where(order.getLast()).distanceM(where(p)));
                order.add(p);
            }
            return order;
        }

        private PlanePoint where(TestPoint p) {
            return plane.toPlane(GeoPoint.of(p.lonDeg(), p.latDeg()));
        }

        private List<Asked> asked(TestPoint p) {
            List<Asked> all = new ArrayList<>();
            List<Wire> wires = wires(p);
            boolean hot = wires.stream().anyMatch(w -> w.role() == WireRole.HOT);
            boolean each = plan.spec().fence().animals().stream().anyMatch(Animal::everyWire);
            boolean end = lastOfLine(p);
            Optional<Place> at = on.fence().place(p.lineId(), p.stationM());
            if (hot && !each) {
                all.add(volts(p, 0, at));
            }
            for (int i = 0; i < wires.size(); i++) {
                boolean isHot = wires.get(i).role() == WireRole.HOT;
                if (isHot && (each || end && several(wires))) {
                    all.add(volts(p, i + 1, at));
                } else if (!isHot && end) {
                    all.add(new Asked(p, AskKind.UNPOWERED, i + 1, true, Optional.empty()));
                }
            }
            boolean energizer = p.id().equals("energizer");
            if (hot && (energizer || p.id().startsWith("before:"))) {
                all.add(amperes(p, at));
            }
            if (energizer) {
                all.add(new Asked(p, AskKind.EARTH_TEST, 0, true, Optional.empty()));
                if (plan.spec().supply().source() != Supply.Source.MAINS) {
                    all.add(new Asked(p, AskKind.BATTERY, 0, true, Optional.empty()));
                }
            }
            return all;
        }

        private Asked volts(TestPoint p, int wire, Optional<Place> at) {
            Asked asked = new Asked(p, AskKind.PEAK, wire, true, Optional.empty());
            Set<String> opened = opened(asked);
            return asked.of(at.map(x ->
                    new Reading(Optional.of(x), OptionalDouble.of(0), OptionalDouble.empty(), true, opened, false)));
        }

        private Asked amperes(TestPoint p, Optional<Place> at) {
            Asked asked = new Asked(p, AskKind.CURRENT, 0, false, Optional.empty());
            Set<String> opened = opened(asked);
            return asked.of(at.map(x ->
                    new Reading(Optional.of(x), OptionalDouble.empty(), OptionalDouble.of(0), false, opened, false)));
        }

        /** As switches stood when it was read; of what is not read yet, as they stand. */
        private Set<String> opened(Asked asked) {
            Optional<Observation> read = latest(asked.at(), ofKind(asked));
            Set<String> all = new TreeSet<>(open);
            read.flatMap(Observation::openSwitches).ifPresent(said -> {
                all.clear();
                all.addAll(said);
            });
            all.removeIf(id -> !on.hasSwitch(id));
            return all;
        }

        private static boolean several(List<Wire> wires) {
            return wires.stream().filter(w -> w.role() == WireRole.HOT).count() > 1;
        }

        private List<Wire> wires(TestPoint p) {
            return layout.lines().stream()
                    .filter(l -> l.lineId().equals(p.lineId()))
                    .findFirst()
                    .map(LineLayout::schedule)
                    .map(s -> s.wires())
                    .orElse(List.of());
        }

        /** Each wire is read by itself at the test point of a line that lies farthest along it. */
        private boolean lastOfLine(TestPoint p) {
            return layout.testPoints().stream()
                    .filter(o -> o.lineId().equals(p.lineId()))
                    .max(Comparator.comparingDouble(TestPoint::stationM))
                    .filter(p::equals)
                    .isPresent();
        }

        private Ask told(Asked a, Optional<Expected> e) {
            Optional<Observation> read = latest(a.at(), ofKind(a));
            OptionalDouble value = read.map(o -> number(o.what())).orElse(OptionalDouble.empty());
            boolean over = read.map(Observation::what)
                    .filter(w -> w instanceof Observed.Voltage v && v.overRange())
                    .isPresent();
            return new Ask(
                    a.kind(),
                    a.wire(),
                    a.needed(),
                    of(e, Expected::likely),
                    a.kind() == AskKind.BATTERY
                            ? OptionalDouble.of(Values.E4_FULL_V)
                            : of(e, x -> Math.max(0, x.low())),
                    switch (a.kind()) {
                        case UNPOWERED -> OptionalDouble.of(Values.X11_LEAK_V);
                        case EARTH_TEST -> OptionalDouble.of(Values.G9_ROD_V);
                        case BATTERY -> OptionalDouble.empty();
                        case PEAK, CURRENT -> of(e, Expected::high);
                    },
                    read.map(Observation::id),
                    value,
                    over,
                    latest(earlier, a.at(), ofKind(a))
                            .map(o -> number(o.what()))
                            .orElse(OptionalDouble.empty()),
                    value.isPresent() ? need(a, value.getAsDouble(), over) : Standing.OPEN,
                    read.isPresent() && e.isPresent() && !over
                            ? standing(off(e.get(), a, value.getAsDouble()))
                            : Standing.OPEN,
                    says(a, e, read, value, over));
        }

        private static OptionalDouble of(Optional<Expected> e, ToDoubleFunction<Expected> what) {
            return e.isPresent() ? OptionalDouble.of(what.applyAsDouble(e.get())) : OptionalDouble.empty();
        }

        private double off(Expected e, Asked a, double value) {
            Reading asked = a.predicted().orElseThrow();
            boolean volts = asked.peakV().isPresent();
            return fitted.off(
                    e,
                    new Reading(
                            asked.at(),
                            volts ? OptionalDouble.of(value) : OptionalDouble.empty(),
                            volts ? OptionalDouble.empty() : OptionalDouble.of(value),
                            volts,
                            asked.open(),
                            false));
        }

        private static Standing standing(double off) {
            double far = Math.abs(off);
            return far <= USUAL ? Standing.MET : far <= MUCH ? Standing.WARN : Standing.BROKEN;
        }

        /** A feeder needs nothing (X3). */
        private Standing need(Asked a, double value, boolean over) {
            return switch (a.kind()) {
                case PEAK -> {
                    if (feeders.contains(a.at().lineId())) {
                        yield Standing.MET;
                    }
                    Standing s = Standing.of(value, plan.spec().fence().needV());
                    yield over && s != Standing.MET ? Standing.OPEN : s;
                }
                case UNPOWERED -> value < Values.X11_LEAK_V ? Standing.MET : Standing.WARN;
                case CURRENT -> Standing.OPEN;
                case EARTH_TEST ->
                    value <= Values.G9_GOOD_V
                            ? Standing.MET
                            : value <= Values.G9_ROD_V ? Standing.WARN : Standing.BROKEN;
                case BATTERY ->
                    value >= Values.E4_FULL_V
                            ? Standing.MET
                            : value >= Values.E4_HALF_V ? Standing.WARN : Standing.BROKEN;
            };
        }

        private Message says(
                Asked a, Optional<Expected> e, Optional<Observation> read, OptionalDouble value, boolean over) {
            if (read.isEmpty() || value.isEmpty()) {
                return a.kind() == AskKind.PEAK && e.isEmpty() ? CommissionMessage.NotPredicted.NOT_FED : Message.NONE;
            }
            double v = value.getAsDouble();
            return switch (a.kind()) {
                case PEAK, CURRENT -> {
                    if (over) {
                        yield CommissionMessage.NotPredicted.OVER_RANGE;
                    }
                    if (e.isEmpty()) {
                        yield CommissionMessage.NotPredicted.NOT_FED;
                    }
                    double off = off(e.get(), a, v);
                    Agrees how = Math.abs(off) <= USUAL
                            ? Agrees.AS_PREDICTED
                            : off < 0
                                    ? off < -MUCH ? Agrees.MUCH_LOWER : Agrees.LOWER
                                    : off > MUCH ? Agrees.MUCH_HIGHER : Agrees.HIGHER;
                    yield new CommissionMessage.Predicted(
                            v,
                            e.get().likely(),
                            Math.max(0, e.get().low()),
                            e.get().high(),
                            how,
                            a.kind() == AskKind.CURRENT);
                }
                case UNPOWERED -> new CommissionMessage.UnpoweredIs(a.wire(), v, Values.X11_LEAK_V, hotBeside(a.at()));
                case EARTH_TEST ->
                    new CommissionMessage.EarthTested(
                            v,
                            Values.G9_GOOD_V,
                            Values.G9_ROD_V,
                            read.get().what() instanceof Observed.EarthTest t ? t.fenceV() : OptionalDouble.empty(),
                            Values.G9_FENCE_V);
                case BATTERY -> new CommissionMessage.BatteryIs(v, Values.E4_FULL_V, Values.E4_HALF_V);
            };
        }

        private OptionalDouble hotBeside(TestPoint p) {
            return latest(p, w -> w instanceof Observed.Peak)
                    .map(o -> number(o.what()))
                    .orElse(OptionalDouble.empty());
        }

        private static Predicate<Observed> ofKind(Asked a) {
            return switch (a.kind()) {
                case PEAK -> w -> w instanceof Observed.Peak p && p.wire() == a.wire();
                case UNPOWERED -> w -> w instanceof Observed.Unpowered u && u.wire() == a.wire();
                case CURRENT -> w -> w instanceof Observed.Current;
                case EARTH_TEST -> w -> w instanceof Observed.EarthTest;
                case BATTERY -> w -> w instanceof Observed.BatteryVoltage;
            };
        }

        private Optional<Observation> latest(TestPoint p, Predicate<Observed> kind) {
            return latest(readings, p, kind);
        }

        /** V15: only what was read where the test point is today. */
        private Optional<Observation> latest(List<Observation> of, TestPoint p, Predicate<Observed> kind) {
            GeoPoint at = GeoPoint.of(p.lonDeg(), p.latDeg());
            return of.stream()
                    .filter(o -> kind.test(o.what())
                            && o.at().testPointId().filter(p.id()::equals).isPresent()
                            && o.at().anchor().is(at, plane))
                    .reduce((x, y) -> y);
        }

        private static OptionalDouble number(Observed what) {
            return switch (what) {
                case Observed.Peak p -> OptionalDouble.of(p.peakV());
                case Observed.Unpowered u -> OptionalDouble.of(u.peakV());
                case Observed.Current c -> OptionalDouble.of(c.peakA());
                case Observed.EarthTest t -> OptionalDouble.of(t.peakV());
                case Observed.BatteryVoltage b -> OptionalDouble.of(b.batteryV());
                case Observed.EarthTerminal _,
                        Observed.Resistance _,
                        Observed.Indicator _,
                        Observed.Seen _,
                        Observed.Voided _,
                        Observed.LookedOver _,
                        Observed.SupplyChecked _,
                        Observed.Checked _ -> OptionalDouble.empty();
            };
        }
    }
}
