package buckle.layout;

import buckle.land.Contacts;
import buckle.land.Land;
import buckle.land.LandKind;
import buckle.layout.FeedPlace.RodCount;
import buckle.rulebook.Values;
import buckle.site.EnergizerPlace;
import buckle.site.GeoPoint;
import buckle.site.LocalPlane;
import buckle.site.PlanePoint;
import buckle.site.Site;
import buckle.site.Stationing;
import buckle.spec.GroundSchool;
import buckle.spec.Spec;
import buckle.spec.Supply;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.operation.union.UnaryUnionOp;

/** Where the energizer meets the fence, and how many ground rods it takes by the chosen school. */
final class FeedPlanner {
    private static final double AT_CORNER_M = 1;

    private FeedPlanner() {}

    static FeedPlace plan(Site site, Spec spec, LocalPlane plane, Land land, List<LaidLine> lines) {
        double areaM2 = areaM2(lines.stream().map(LaidLine::layout).toList(), plane);
        EnergizerPlace energizer = site.energizer().orElse(null);
        List<RodCount> schools = Arrays.stream(GroundSchool.values())
                .map(s -> rods(s, spec, areaM2))
                .toList();
        RodCount chosen = schools.get(spec.supply().earth().school().ordinal());
        if (energizer == null) {
            GeoPoint start = site.lines().getFirst().corners().getFirst().at();
            FeedPlace assumed = new FeedPlace(
                    true,
                    "energizer (not placed)",
                    start.lonDeg(),
                    start.latDeg(),
                    lines.getFirst().id(),
                    0,
                    0,
                    List.of(),
                    chosen.school(),
                    Values.X4_FIRST_ROD_M,
                    spec.supply().earth().rodApartM(),
                    false,
                    List.of(),
                    schools);
            return withRods(assumed, chosen, lines.getFirst().soil(), spec, land, plane);
        }
        PlanePoint at = plane.toPlane(energizer.at());
        LeadOut leadOut = new LeadOut(land, plane);
        int nearest = 0;
        Stationing.Place best = lines.getFirst().stationing().nearest(at);
        LeadOut.Way way = leadOut.way(at, lines.getFirst().stationing().at(best.stationM()));
        for (int i = 0; i < lines.size(); i++) {
            Stationing stationing = lines.get(i).stationing();
            List<Double> stations =
                    new ArrayList<>(way.points().size() == 2 ? List.of() : stationing.cornerStationsM());
            stations.addFirst(stationing.nearest(at).stationM());
            for (double station : stations) {
                if (at.distanceM(stationing.at(station)) < way.lengthM()) {
                    LeadOut.Way other = leadOut.way(at, stationing.at(station));
                    if (other.lengthM() < way.lengthM()) {
                        way = other;
                        best = stationing.nearest(stationing.at(station));
                        nearest = i;
                    }
                }
            }
        }
        LineLayout line = lines.get(nearest).layout();
        double station = clearOfGates(line, atCorner(line, best.stationM()));
        FeedPlace placed = new FeedPlace(
                false,
                energizer.name(),
                energizer.at().lonDeg(),
                energizer.at().latDeg(),
                line.lineId(),
                station,
                way.lengthM(),
                way.points().stream().map(plane::toGeo).toList(),
                chosen.school(),
                firstRodM(energizer.at(), land, plane),
                spec.supply().earth().rodApartM(),
                false,
                List.of(),
                schools);
        return withRods(placed, chosen, lines.get(nearest).soil(), spec, land, plane);
    }

    /** With its ground rods: by the school, as found, or as stubs where stone stops them. */
    private static FeedPlace withRods(
            FeedPlace feed, RodCount school, SoilAlong soil, Spec spec, Land land, LocalPlane plane) {
        Supply.Earth earth = spec.supply().earth();
        boolean found = !earth.found().isEmpty();
        boolean stubs = !found && soil.stony(feed.stationM(), school.rodM() - Values.G5_ABOVE_M);
        RodCount taken = stubs
                ? new RodCount(school.school(), Math.max(Values.G1_RODS, school.rods()), Values.G7_STUB_M)
                : school;
        EarthPlanner planner =
                new EarthPlanner(land, plane, plane.toPlane(feed.at()), soil.at(feed.stationM()), feed.firstRodM());
        List<EarthPlace> rods = found ? planner.found(earth.found()) : planner.bySchool(taken, earth);
        return feed.withStubs(stubs).withEarth(rods);
    }

    /** A feed within a metre of a line's end is at that end; the end of a closed line is its start. */
    private static double atCorner(LineLayout line, double stationM) {
        if (stationM < AT_CORNER_M) {
            return 0;
        }
        if (line.lengthM() - stationM < AT_CORNER_M) {
            return line.closed() ? 0 : line.lengthM();
        }
        return stationM;
    }

    private static double clearOfGates(LineLayout line, double stationM) {
        for (GatePlace gate : line.gates()) {
            if (stationM > gate.fromM() && stationM < gate.toM()) {
                return stationM - gate.fromM() < gate.toM() - stationM ? gate.fromM() : gate.toM();
            }
        }
        return stationM;
    }

    private static RodCount rods(GroundSchool school, Spec spec, double areaM2) {
        return switch (school) {
            case THREE_RODS -> new RodCount(school, Values.G1_RODS, Values.G1_ROD_M);
            case ONE_LONG_ROD -> new RodCount(school, 1, Values.G3_ROD_M);
            case BY_AREA -> new RodCount(school, byArea(areaM2), Values.G1_ROD_M);
            case BY_JOULES -> {
                double lengthM = Values.G4_ROD_M_PER_J * spec.supply().outputJ();
                yield new RodCount(
                        school, (int) Math.max(1, Math.ceil(lengthM / Values.G1_ROD_M - 1e-9)), Values.G1_ROD_M);
            }
        };
    }

    /** X4: beside the energizer, but clear of a building's earth (G8). */
    private static double firstRodM(GeoPoint at, Land land, LocalPlane plane) {
        double building = land.features().stream()
                .filter(f -> f.kind() == LandKind.BUILDING || f.kind() == LandKind.POWER_OUTLET)
                .mapToDouble(f -> Contacts.distanceM(f, at, plane))
                .min()
                .orElse(Double.POSITIVE_INFINITY);
        return Math.max(Values.X4_FIRST_ROD_M, Values.G8_APART_M - building);
    }

    /** Ground inside closed lines, counted once where one lies in another. */
    static double areaM2(List<LineLayout> lines, LocalPlane plane) {
        GeometryFactory factory = new GeometryFactory();
        List<Geometry> grounds = new ArrayList<>();
        for (LineLayout line : lines) {
            if (line.closed() && line.corners().size() >= 3) {
                List<Coordinate> ring = new ArrayList<>(line.corners().stream()
                        .map(plane::toPlane)
                        .map(p -> new Coordinate(p.eastM(), p.northM()))
                        .toList());
                ring.add(ring.getFirst().copy());
                grounds.add(
                        factory.createPolygon(ring.toArray(Coordinate[]::new)).buffer(0));
            }
        }
        return grounds.isEmpty() ? 0 : UnaryUnionOp.union(grounds).getArea();
    }

    /** G2; without a closed line there is no area, and the most rods of the school are taken. */
    private static int byArea(double areaM2) {
        if (areaM2 == 0) {
            return Values.G2_MOST_RODS;
        }
        return Math.clamp((long) Math.ceil(areaM2 / Values.G2_AREA_PER_ROD_M2), 1, Values.G2_MOST_RODS);
    }
}
