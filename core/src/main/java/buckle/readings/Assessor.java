package buckle.readings;

import buckle.layout.Layout;
import buckle.layout.Section;
import buckle.layout.TestPoint;
import buckle.message.Message;
import buckle.message.ReadingMessage;
import buckle.message.ReadingMessage.Against;
import buckle.readings.Assessment.PointStanding;
import buckle.readings.Assessment.SectionStanding;
import buckle.readings.Observed.Voltage;
import buckle.rulebook.Standing;
import buckle.rulebook.Values;
import buckle.site.GeoPoint;
import buckle.site.LocalPlane;
import buckle.spec.Animal;
import buckle.spec.Spec;
import buckle.spec.Wire;
import buckle.spec.WireRole;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Holds readings against what the animal needs: met from the need up, warn from 85 % of it, broken below (V10).
 *
 * <p>The latest reading of each test point and wire counts; a corrected one does not, nor one that was read where the test point no
 * longer is (V15). A section is as good as its weakest test point. On a deer plot each hot wire is read and must hold by itself (V3).
 */
public final class Assessor {
    private final Layout layout;
    private final Spec spec;
    private final LocalPlane plane;
    private final Set<String> feeders;
    private final Map<String, List<Reading>> read;

    /** A voltage at a test point; what else was measured or seen says nothing about the need. */
    private record Reading(Observation of, int wire, boolean unpowered, Voltage voltage) {
        static Optional<Reading> of(Observation o) {
            return switch (o.what()) {
                case Observed.Peak p -> Optional.of(new Reading(o, p.wire(), false, p));
                case Observed.Unpowered u -> Optional.of(new Reading(o, u.wire(), true, u));
                case Observed.EarthTerminal _,
                        Observed.Current _,
                        Observed.BatteryVoltage _,
                        Observed.Resistance _,
                        Observed.EarthTest _,
                        Observed.Indicator _,
                        Observed.Seen _,
                        Observed.Voided _,
                        Observed.LookedOver _,
                        Observed.SupplyChecked _,
                        Observed.Checked _ -> Optional.empty();
            };
        }

        UUID id() {
            return of.id();
        }

        double peakV() {
            return voltage.peakV();
        }

        boolean overRange() {
            return voltage.overRange();
        }
    }

    private Assessor(Layout layout, Spec spec, List<Observation> observations) {
        this.layout = layout;
        this.spec = spec;
        this.feeders = layout.feeders();
        this.plane = new LocalPlane(layout.origin());
        this.read = inOrder(observations);
    }

    /** What the readings say of every section. */
    public static Assessment assess(Layout layout, Spec spec, List<Observation> observations) {
        Assessor assessor = new Assessor(layout, spec, observations);
        List<PointStanding> points =
                layout.testPoints().stream().map(assessor::point).toList();
        Map<String, PointStanding> byId = points.stream().collect(Collectors.toMap(PointStanding::testPointId, p -> p));
        List<SectionStanding> sections =
                layout.sections().stream().map(s -> assessor.section(s, byId)).toList();
        return new Assessment(spec.fence().needV(), assessor.needWhy(), points, sections);
    }

    private static Map<String, List<Reading>> inOrder(List<Observation> observations) {
        Set<UUID> corrected = new HashSet<>();
        observations.forEach(o -> o.corrects().ifPresent(corrected::add));
        return observations.stream()
                .filter(o -> !corrected.contains(o.id()) && o.at().testPointId().isPresent())
                .sorted(Comparator.comparing(Observation::takenAt).thenComparing(Observation::id))
                .flatMap(o -> Reading.of(o).stream())
                .collect(Collectors.groupingBy(r -> r.of().at().testPointId().orElseThrow()));
    }

    private static GeoPoint place(TestPoint point) {
        return GeoPoint.of(point.lonDeg(), point.latDeg());
    }

    private List<Reading> at(TestPoint point) {
        return read.getOrDefault(point.id(), List.of());
    }

    /** The latest of each wire that was read where the test point is today. */
    private Map<Integer, Reading> latest(TestPoint point) {
        Map<Integer, Reading> latest = new HashMap<>();
        at(point).stream()
                .filter(r -> r.of().at().anchor().is(place(point), plane))
                .forEach(r -> latest.put(r.wire(), r));
        return latest;
    }

    private ReadingMessage notRead(TestPoint point) {
        OptionalDouble awayM = at(point).stream()
                .mapToDouble(r -> plane.toPlane(r.of().at().place()).distanceM(plane.toPlane(place(point))))
                .min();
        return awayM.isPresent() ? new ReadingMessage.ReadElsewhere(awayM.getAsDouble()) : new ReadingMessage.NotRead();
    }

    private PointStanding point(TestPoint point) {
        Map<Integer, Reading> all = latest(point);
        Map<Integer, Reading> wires = new HashMap<>(all);
        wires.values().removeIf(r -> r.unpowered() || !powered(point, r.wire()));
        Optional<Reading> unpowered = all.entrySet().stream()
                .filter(e -> !wires.containsKey(e.getKey()))
                .map(Map.Entry::getValue)
                .max(Comparator.comparingDouble(Reading::peakV));
        if (unpowered.isPresent() && wires.isEmpty()) {
            return unpowered(point, unpowered.get());
        }
        PointStanding hot = hot(point, wires);
        return unpowered
                .filter(r -> r.peakV() >= Values.X11_LEAK_V)
                .map(r -> new PointStanding(
                        hot.testPointId(),
                        muchOf(r, hot) ? Standing.WARN : hot.standing(),
                        hot.readingId(),
                        hot.peakV(),
                        new ReadingMessage.WithLeak(hot.why(), says(r, false))))
                .orElse(hot);
    }

    /** Hot wires that hold, and a large part of it on a wire that should carry none. */
    private static boolean muchOf(Reading r, PointStanding hot) {
        return hot.standing() == Standing.MET
                && r.peakV() > Values.X11_MUCH_SHARE * hot.peakV().orElse(0);
    }

    private static ReadingMessage.Unpowered says(Reading r, boolean hotNotRead) {
        return new ReadingMessage.Unpowered(
                r.wire() == 0 ? OptionalInt.empty() : OptionalInt.of(r.wire()),
                r.peakV(),
                r.peakV() >= Values.X11_LEAK_V,
                hotNotRead);
    }

    /** What the hot wires hold. */
    private PointStanding hot(TestPoint point, Map<Integer, Reading> wires) {
        OptionalDouble need = spec.fence().needV();
        if (wires.isEmpty()) {
            return new PointStanding(
                    point.id(), Standing.OPEN, Optional.empty(), OptionalDouble.empty(), notRead(point));
        }
        Reading weakest = wires.values().stream()
                .min(Comparator.comparingDouble(Reading::peakV))
                .orElseThrow();
        OptionalDouble peak = OptionalDouble.of(weakest.peakV());
        if (feeder(point)) {
            return new PointStanding(
                    point.id(),
                    Standing.MET,
                    Optional.of(weakest.id()),
                    peak,
                    new ReadingMessage.Feeds(weakest.peakV()));
        }
        if (need.isEmpty()) {
            return new PointStanding(
                    point.id(),
                    Standing.OPEN,
                    Optional.of(weakest.id()),
                    peak,
                    new ReadingMessage.NoNeed(spec.fence().animals()));
        }
        Standing standing = Standing.of(weakest.peakV(), need.getAsDouble());
        if (weakest.overRange() && standing != Standing.MET) {
            return new PointStanding(
                    point.id(),
                    Standing.OPEN,
                    Optional.of(weakest.id()),
                    peak,
                    new ReadingMessage.OverRange(weakest.peakV(), need.getAsDouble()));
        }
        Set<Integer> unread = standing == Standing.MET ? unreadWires(point, wires.keySet()) : Set.of();
        if (!unread.isEmpty()) {
            return new PointStanding(
                    point.id(),
                    Standing.OPEN,
                    Optional.of(weakest.id()),
                    peak,
                    new ReadingMessage.WiresNotRead(unread.stream().sorted().toList()));
        }
        return new PointStanding(
                point.id(), standing, Optional.of(weakest.id()), peak, held(weakest, standing, need.getAsDouble()));
    }

    /** X3: a feeder keeps nothing in. */
    private boolean feeder(TestPoint point) {
        return feeders.contains(point.lineId());
    }

    private List<Wire> wires(TestPoint point) {
        return layout.lines().stream()
                .filter(l -> l.lineId().equals(point.lineId()))
                .findFirst()
                .map(l -> l.schedule().wires())
                .orElseGet(() -> spec.fence().schedule().wires());
    }

    /** Whether a wire carries the pulse here; 0 stands for all of them together, unless none does. */
    private boolean powered(TestPoint point, int wire) {
        List<Wire> wires = wires(point);
        return wire == 0
                ? wires.stream().anyMatch(w -> w.role() == WireRole.HOT)
                : wire > wires.size() || wires.get(wire - 1).role() == WireRole.HOT;
    }

    /** X11, where only an unpowered wire was read: nearly nothing is good, more is a leak. */
    private PointStanding unpowered(TestPoint point, Reading r) {
        boolean live = wires(point).stream().anyMatch(w -> w.role() == WireRole.HOT);
        boolean leaks = r.peakV() >= Values.X11_LEAK_V;
        Standing standing = leaks ? Standing.WARN : live ? Standing.OPEN : Standing.MET;
        return new PointStanding(
                point.id(), standing, Optional.of(r.id()), OptionalDouble.of(r.peakV()), says(r, live && !leaks));
    }

    /** Hot wires of a deer plot that nobody read at this point. */
    private Set<Integer> unreadWires(TestPoint point, Set<Integer> read) {
        Set<Integer> unread = new HashSet<>();
        if (spec.fence().animals().stream().anyMatch(Animal::everyWire)) {
            List<Wire> wires = wires(point);
            for (int i = 0; i < wires.size(); i++) {
                if (wires.get(i).role() == WireRole.HOT && !read.contains(i + 1)) {
                    unread.add(i + 1);
                }
            }
        }
        return unread;
    }

    private SectionStanding section(Section section, Map<String, PointStanding> points) {
        List<TestPoint> inside = layout.testPoints().stream()
                .filter(p -> p.sectionId().equals(section.id()))
                .toList();
        boolean onlyFeeds = inside.stream().allMatch(this::feeder);
        List<PointStanding> own = inside.stream()
                .filter(p -> onlyFeeds || !feeder(p))
                .map(p -> points.get(p.id()))
                .toList();
        Optional<PointStanding> weakest = own.stream()
                .filter(p -> p.standing() != Standing.OPEN)
                .min(Comparator.comparingDouble(p -> p.peakV().orElse(Double.MAX_VALUE)));
        long unread = own.stream().filter(p -> p.standing() == Standing.OPEN).count();
        if (weakest.isEmpty() || weakest.get().standing() == Standing.MET && unread > 0) {
            ReadingMessage why = own.isEmpty()
                    ? new ReadingMessage.NoTestPoint()
                    : new ReadingMessage.PointsDoNotTell(unread, own.size());
            return new SectionStanding(
                    section.id(),
                    section.name(),
                    Standing.OPEN,
                    weakest.map(PointStanding::testPointId),
                    weakest.map(PointStanding::peakV).orElse(OptionalDouble.empty()),
                    why);
        }
        PointStanding low = weakest.get();
        // A leak into an unpowered wire is told wherever in the section it was read.
        Optional<ReadingMessage.WithLeak> leak = own.stream()
                .flatMap(p -> p.why() instanceof ReadingMessage.WithLeak l ? Stream.of(l) : Stream.empty())
                .max(Comparator.comparingDouble(l -> l.leak().peakV()));
        Message why = leak.isPresent() && !(low.why() instanceof ReadingMessage.WithLeak)
                ? new ReadingMessage.WithLeak(low.why(), leak.get().leak())
                : low.why();
        return new SectionStanding(
                section.id(), section.name(), low.standing(), Optional.of(low.testPointId()), low.peakV(), why);
    }

    private static Message held(Reading reading, Standing standing, double needV) {
        Against against = switch (standing) {
            case MET -> Against.MET;
            case WARN -> Against.WARN;
            case BROKEN, OPEN -> Against.BROKEN;
        };
        return new ReadingMessage.Held(
                reading.overRange(), reading.peakV(), against, needV, Values.V10_WARN_SHARE * needV);
    }

    private Message needWhy() {
        OptionalDouble need = spec.fence().needV();
        return new ReadingMessage.Need(
                spec.fence().animals(),
                need,
                spec.fence().animals().stream().map(Animal::rule).distinct().toList(),
                need.isPresent()
                        ? OptionalDouble.of(Values.V10_WARN_SHARE * need.getAsDouble())
                        : OptionalDouble.empty());
    }
}
