package buckle.site;

import buckle.task.Cancellation;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.SortedSet;
import java.util.TreeSet;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.index.strtree.STRtree;

/**
 * Branches. A line that starts or ends on another one names it; the end itself is then the nearest place of that line,
 * wherever it is moved.
 */
public final class Tees {
    /** An end this near a corner of the other line stands on that corner. */
    private static final double AT_CORNER_M = 1;

    /** In plans from before branches were named, an end this near another line was joined to it. */
    private static final double COINCIDENT_M = 1;

    private Tees() {}

    /** A branch's end on the line it branches from. */
    public record Tee(String lineId, boolean atStart, String onLineId, double stationM) {}

    /** What of the branches cannot be joined, with the path of each. */
    public static List<Problem> problems(Site site) {
        List<Problem> problems = new ArrayList<>();
        Map<String, FenceLine> byId = byId(site);
        for (int i = 0; i < site.lines().size(); i++) {
            FenceLine line = site.lines().get(i);
            String path = "lines[" + i + "]";
            if (line.closed() && (line.startsOn().isPresent() || line.endsOn().isPresent())) {
                problems.add(new Problem(
                        "tee.closed", path, "Line " + line.name() + " is closed; only an open line branches."));
            }
            for (String on : mothers(line)) {
                if (!byId.containsKey(on)) {
                    problems.add(new Problem(
                            "tee.unknown",
                            path,
                            "Line " + line.name() + " branches from “" + on + "”, which is not here."));
                }
            }
            if (problems.isEmpty() && circles(line, byId)) {
                problems.add(new Problem(
                        "tee.circle", path, "Line " + line.name() + " branches from itself by way of other lines."));
            }
        }
        return problems;
    }

    private static Map<String, FenceLine> byId(Site site) {
        Map<String, FenceLine> byId = new HashMap<>();
        site.lines().forEach(l -> byId.put(l.id(), l));
        return byId;
    }

    private static List<String> mothers(FenceLine line) {
        List<String> mothers = new ArrayList<>();
        line.startsOn().ifPresent(mothers::add);
        line.endsOn().ifPresent(mothers::add);
        return mothers;
    }

    private static boolean circles(FenceLine from, Map<String, FenceLine> byId) {
        Set<String> seen = new HashSet<>();
        List<String> open = new ArrayList<>(mothers(from));
        while (!open.isEmpty()) {
            String id = open.removeLast();
            if (id.equals(from.id())) {
                return true;
            }
            if (seen.add(id) && byId.containsKey(id)) {
                open.addAll(mothers(byId.get(id)));
            }
        }
        return false;
    }

    /** The site with every branch's end where it really is: on the line it branches from. */
    public static Site snapBranches(Site site) {
        if (site.lines().stream().allMatch(l -> mothers(l).isEmpty())) {
            return site;
        }
        LocalPlane plane = site.plane();
        Map<String, FenceLine> byId = byId(site);
        Map<String, FenceLine> done = new HashMap<>();
        List<FenceLine> lines = new ArrayList<>();
        site.lines().forEach(l -> lines.add(settle(l, byId, done, plane)));
        return new Site(lines, site.energizer());
    }

    private static FenceLine settle(
            FenceLine line, Map<String, FenceLine> byId, Map<String, FenceLine> done, LocalPlane plane) {
        FenceLine before = done.get(line.id());
        if (before != null) {
            return before;
        }
        List<Corner> corners = new ArrayList<>(line.corners());
        line.startsOn()
                .ifPresent(
                        on -> put(corners, 0, settle(Objects.requireNonNull(byId.get(on)), byId, done, plane), plane));
        line.endsOn()
                .ifPresent(on -> put(
                        corners,
                        corners.size() - 1,
                        settle(Objects.requireNonNull(byId.get(on)), byId, done, plane),
                        plane));
        FenceLine settled = line.withCorners(corners);
        done.put(line.id(), settled);
        return settled;
    }

    private static void put(List<Corner> corners, int i, FenceLine on, LocalPlane plane) {
        Stationing mother = stationing(on, plane);
        double station =
                stationOn(mother, on.closed(), plane.toPlane(corners.get(i).at()));
        corners.set(i, new Corner(corners.get(i).id(), plane.toGeo(mother.at(station))));
    }

    private static double stationOn(Stationing mother, boolean closed, PlanePoint end) {
        Stationing.Place place = mother.nearest(end);
        double from = mother.cornerStationM(place.side());
        double to = mother.cornerStationM(place.side() + 1);
        if (place.stationM() - from < AT_CORNER_M) {
            return from;
        }
        if (to - place.stationM() < AT_CORNER_M) {
            return closed && place.side() == mother.sideCount() - 1 ? 0 : to;
        }
        return place.stationM();
    }

    /** All tees of a settled site. */
    public static List<Tee> of(Site settled, LocalPlane plane) {
        List<Tee> tees = new ArrayList<>();
        Map<String, FenceLine> byId = byId(settled);
        for (FenceLine line : settled.lines()) {
            line.startsOn().ifPresent(on -> tees.add(tee(line, true, Objects.requireNonNull(byId.get(on)), plane)));
            line.endsOn().ifPresent(on -> tees.add(tee(line, false, Objects.requireNonNull(byId.get(on)), plane)));
        }
        return tees;
    }

    private static Tee tee(FenceLine line, boolean atStart, FenceLine on, LocalPlane plane) {
        GeoPoint end = (atStart ? line.corners().getFirst() : line.corners().getLast()).at();
        double station = stationOn(stationing(on, plane), on.closed(), plane.toPlane(end));
        return new Tee(line.id(), atStart, on.id(), station);
    }

    static Stationing stationing(FenceLine line, LocalPlane plane) {
        return new Stationing(
                line.corners().stream().map(c -> plane.toPlane(c.at())).toList(), line.closed());
    }

    /** Names the branches of a plan that has none named: ends that lie on another line or meet its end. */
    public static Site fromCoincidence(Site site) {
        return new Site(new Coincidence(site).named(), site.energizer());
    }

    /** Which line lies under an end, from an index of all sides. */
    private static final class Coincidence {
        private final LocalPlane plane;
        private final List<FenceLine> lines;
        private final List<Stationing> stationings = new ArrayList<>();
        /** Of each line, those that branch from it. */
        private final Map<String, List<Integer>> daughters = new HashMap<>();

        private final STRtree sides = new STRtree();

        Coincidence(Site site) {
            plane = site.plane();
            lines = new ArrayList<>(site.lines());
            for (int i = 0; i < lines.size(); i++) {
                FenceLine line = lines.get(i);
                int index = i;
                mothers(line).forEach(on -> daughters(on).add(index));
                Stationing stationing = stationing(line, plane);
                stationings.add(stationing);
                for (int side = 0; line.corners().size() > 1 && side < stationing.sideCount(); side++) {
                    sides.insert(envelope(stationing.sideStart(side), stationing.sideEnd(side)), i);
                }
            }
        }

        private static Envelope envelope(PlanePoint a, PlanePoint b) {
            return new Envelope(a.eastM(), b.eastM(), a.northM(), b.northM());
        }

        private List<Integer> daughters(String id) {
            return daughters.computeIfAbsent(id, k -> new ArrayList<>());
        }

        List<FenceLine> named() {
            for (int i = 0; i < lines.size(); i++) {
                Cancellation.check();
                FenceLine line = lines.get(i);
                if (!line.closed() && line.corners().size() >= 2) {
                    nameStart(i);
                    nameEnd(i);
                }
            }
            return lines;
        }

        private void nameStart(int i) {
            FenceLine line = lines.get(i);
            if (line.startsOn().isEmpty()) {
                under(i, line.corners().getFirst()).ifPresent(on -> {
                    lines.set(i, line.withStartsOn(Optional.of(on)));
                    daughters(on).add(i);
                });
            }
        }

        private void nameEnd(int i) {
            FenceLine line = lines.get(i);
            if (line.endsOn().isEmpty()) {
                under(i, line.corners().getLast()).ifPresent(on -> {
                    lines.set(i, line.withEndsOn(Optional.of(on)));
                    daughters(on).add(i);
                });
            }
        }

        /** The first line that lies there and does not itself branch from this one. */
        private Optional<String> under(int i, Corner end) {
            PlanePoint at = plane.toPlane(end.at());
            Envelope around = envelope(at, at);
            around.expandBy(COINCIDENT_M);
            SortedSet<Integer> near = new TreeSet<>();
            sides.query(around, found -> near.add((Integer) found));
            BitSet below = below(i);
            for (int other : near) {
                if (!below.get(other) && stationings.get(other).nearest(at).offsetM() <= COINCIDENT_M) {
                    return Optional.of(lines.get(other).id());
                }
            }
            return Optional.empty();
        }

        /** A line and all that branch from it, by way of others too. */
        private BitSet below(int i) {
            BitSet below = new BitSet(lines.size());
            List<Integer> open = new ArrayList<>(List.of(i));
            below.set(i);
            while (!open.isEmpty()) {
                for (int daughter : daughters(lines.get(open.removeLast()).id())) {
                    if (!below.get(daughter)) {
                        below.set(daughter);
                        open.add(daughter);
                    }
                }
            }
            return below;
        }
    }
}
