package buckle.site;

import buckle.units.Lengths;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.LineString;
import org.locationtech.jts.operation.valid.IsSimpleOp;

/** Whether a site can be laid out at all; what stands against it, with its place. */
public final class SiteCheck {
    /** The plane and the trade both end long before this. */
    public static final double MOST_SPREAD_M = 150_000;

    public static final int MOST_LINES = 200;
    public static final int MOST_CORNERS = 20_000;
    private static final double FOLDS_DEG = 10;
    private static final double LEAST_SIDE_M = 0.3;
    private static final double FAR_OFF_LINE_M = 30;

    private final List<Problem> problems = new ArrayList<>();
    private final LocalPlane plane;

    private SiteCheck(LocalPlane plane) {
        this.plane = plane;
    }

    /** What of a site cannot be laid out, with the path of each. */
    public static List<Problem> problems(Site site) {
        SiteCheck check = new SiteCheck(site.plane());
        check.sizes(site);
        check.texts(site);
        if (check.problems.isEmpty()) {
            for (int i = 0; i < site.lines().size(); i++) {
                check.corners("lines[" + i + "]", site.lines().get(i));
            }
            check.ids(site);
            check.problems.addAll(Tees.problems(site));
        }
        if (check.problems.isEmpty()) {
            List<FenceLine> settled = Tees.snapBranches(site).lines();
            for (int i = 0; i < settled.size(); i++) {
                check.line("lines[" + i + "]", settled.get(i));
            }
        }
        return check.problems;
    }

    private void sizes(Site site) {
        if (site.energizer().isPresent()
                && !site.lines().isEmpty()
                && offM(site.energizer().get().at()) > MOST_SPREAD_M) {
            add(
                    "energizer.too-far",
                    "energizer",
                    "The energizer lies more than 150 km from the middle of the job. Check its coordinates.");
        }
        if (site.lines().size() > MOST_LINES) {
            add("site.too-many-lines", "lines", "A job holds at most " + MOST_LINES + " fence lines.");
        }
        for (int i = 0; i < site.lines().size(); i++) {
            FenceLine line = site.lines().get(i);
            if (line.corners().size() > MOST_CORNERS) {
                add("line.too-many-corners", "lines[" + i + "]", "A line holds at most " + MOST_CORNERS + " corners.");
            }
            for (Corner corner : line.corners()) {
                if (offM(corner.at()) > MOST_SPREAD_M) {
                    add(
                            "site.too-wide",
                            "lines[" + i + "]",
                            "Corner " + corner.id()
                                    + " lies more than 150 km from the middle of the job. Check its coordinates.");
                    return;
                }
            }
        }
    }

    /** Off the middle of the job; places so far that the plane folds over are infinitely far. */
    private double offM(GeoPoint place) {
        PlanePoint p = plane.toPlane(place);
        return angleDeg(place) > FOLDS_DEG ? Double.POSITIVE_INFINITY : Math.hypot(p.eastM(), p.northM());
    }

    private double angleDeg(GeoPoint place) {
        double lat1 = Math.toRadians(place.latDeg());
        double lat2 = Math.toRadians(plane.origin().latDeg());
        double lon = Math.toRadians(place.lonDeg() - plane.origin().lonDeg());
        double cos = Math.sin(lat1) * Math.sin(lat2) + Math.cos(lat1) * Math.cos(lat2) * Math.cos(lon);
        return Math.toDegrees(Math.acos(Math.clamp(cos, -1, 1)));
    }

    private void texts(Site site) {
        for (int i = 0; i < site.lines().size(); i++) {
            FenceLine line = site.lines().get(i);
            String path = "lines[" + i + "]";
            text(path + ".id", line.id());
            text(path + ".name", line.name());
            for (int j = 0; j < line.gates().size(); j++) {
                text(path + ".gates[" + j + "].id", line.gates().get(j).id());
                text(path + ".gates[" + j + "].name", line.gates().get(j).name());
            }
            for (int j = 0; j < line.cutOuts().size(); j++) {
                text(path + ".cutOuts[" + j + "].id", line.cutOuts().get(j).id());
                text(path + ".cutOuts[" + j + "].name", line.cutOuts().get(j).name());
            }
        }
        site.energizer().ifPresent(e -> text("energizer.name", e.name()));
    }

    private void text(String path, String text) {
        Texts.flaw(text, Texts.LONGEST_NAME, false)
                .ifPresent(flaw ->
                        add("text.plain", path, Character.toUpperCase(flaw.charAt(0)) + flaw.substring(1) + "."));
    }

    private void ids(Site site) {
        Set<String> seen = new HashSet<>();
        for (int i = 0; i < site.lines().size(); i++) {
            FenceLine line = site.lines().get(i);
            String path = "lines[" + i + "]";
            unique(seen, "line:" + line.id(), path);
            line.corners().forEach(c -> unique(seen, "corner:" + line.id() + ":" + c.id(), path + ".corners"));
            line.gates().forEach(g -> unique(seen, "gate:" + g.id(), path + ".gates"));
            line.cutOuts().forEach(c -> unique(seen, "cutOut:" + c.id(), path + ".cutOuts"));
        }
    }

    private void unique(Set<String> seen, String key, String path) {
        if (!seen.add(key)) {
            add("id.twice", path, "The id in " + key + " stands twice; each needs its own.");
        }
    }

    private void corners(String path, FenceLine line) {
        int least = line.closed() ? 3 : 2;
        if (line.corners().size() < least) {
            add(
                    "line.too-few-corners",
                    path,
                    "Line " + line.name() + " has " + line.corners().size() + " corners; a "
                            + (line.closed() ? "closed" : "open") + " line needs at least " + least + ".");
        }
    }

    private void line(String path, FenceLine line) {
        List<PlanePoint> corners =
                line.corners().stream().map(c -> plane.toPlane(c.at())).toList();
        Stationing stationing = new Stationing(corners, line.closed());
        for (int side = 0; side < stationing.sideCount(); side++) {
            if (stationing.sideLengthM(side) < LEAST_SIDE_M) {
                add(
                        "side.too-short",
                        path + ".corners[" + side + "]",
                        "Corners " + (side + 1) + " and the next of line " + line.name() + " lie "
                                + lengthText(stationing.sideLengthM(side)) + " apart; at least "
                                + lengthText(LEAST_SIDE_M) + " is a side.");
                return;
            }
        }
        crossing(path, line, corners, stationing);
        for (int i = 0; i < line.gates().size(); i++) {
            gate(path + ".gates[" + i + "]", line.gates().get(i), stationing);
        }
        for (int i = 0; i < line.cutOuts().size(); i++) {
            CutOut cutOut = line.cutOuts().get(i);
            onLine(path + ".cutOuts[" + i + "]", cutOut.name(), cutOut.at(), stationing);
        }
    }

    private void crossing(String path, FenceLine line, List<PlanePoint> corners, Stationing stationing) {
        List<Coordinate> coordinates = new ArrayList<>();
        corners.forEach(p -> coordinates.add(new Coordinate(p.eastM(), p.northM())));
        if (line.closed()) {
            coordinates.add(coordinates.getFirst().copy());
        }
        LineString string = new GeometryFactory().createLineString(coordinates.toArray(Coordinate[]::new));
        IsSimpleOp simple = new IsSimpleOp(string);
        if (!simple.isSimple()) {
            Coordinate at = simple.getNonSimpleLocation();
            PlanePoint p = new PlanePoint(at.x, at.y);
            GeoPoint geo = plane.toGeo(p);
            add(
                    "line.crosses-itself",
                    path,
                    String.format(
                            Locale.ROOT,
                            "Line %s crosses itself near station %.1f m (%.6f, %.6f). Split it there, or move a corner.",
                            line.name(),
                            stationing.nearest(p).stationM(),
                            geo.lonDeg(),
                            geo.latDeg()));
        }
    }

    private void gate(String path, Gate gate, Stationing stationing) {
        Stationing.Place place = onLine(path, gate.name(), gate.at(), stationing);
        double sideM = stationing.sideLengthM(place.side());
        if (gate.openingM() > sideM && !gate.fit().acrossCorner()) {
            add(
                    "gate.wider-than-side",
                    path,
                    "“" + gate.name() + "” is " + lengthText(gate.openingM()) + " wide, its side at station "
                            + lengthText(place.stationM()) + " only " + lengthText(sideM) + ".");
        }
    }

    private Stationing.Place onLine(String path, String what, GeoPoint at, Stationing stationing) {
        Stationing.Place place = stationing.nearest(plane.toPlane(at));
        if (place.offsetM() > FAR_OFF_LINE_M) {
            add(
                    "off-line",
                    path,
                    "“" + what + "” lies " + lengthText(place.offsetM()) + " off its line; at most "
                            + lengthText(FAR_OFF_LINE_M) + " is taken as on it.");
        }
        return place;
    }

    private void add(String code, String path, String message) {
        problems.add(new Problem(code, path, message));
    }

    private static String lengthText(double lengthM) {
        return String.format(Locale.ROOT, "%.1f m (%.0f ft)", lengthM, lengthM / Lengths.M_PER_FT);
    }
}
