package buckle;

import buckle.layout.Post;
import buckle.site.Corner;
import buckle.site.CutOut;
import buckle.site.EnergizerPlace;
import buckle.site.FenceLine;
import buckle.site.Gate;
import buckle.site.GateKind;
import buckle.site.GeoPoint;
import buckle.site.LocalPlane;
import buckle.site.PlanePoint;
import buckle.site.Site;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Small fences for tests, in metres east and north of one origin. */
public final class Fences {
    private static final LocalPlane PLANE = new LocalPlane(GeoPoint.of(0.8841, 44.1372));

    private Fences() {}

    public static GeoPoint at(double eastM, double northM) {
        return PLANE.toGeo(new PlanePoint(eastM, northM));
    }

    public static FenceLine line(String id, boolean closed, double... eastNorth) {
        List<Corner> corners = new ArrayList<>();
        for (int i = 0; i + 1 < eastNorth.length; i += 2) {
            corners.add(new Corner("c" + (corners.size() + 1), at(eastNorth[i], eastNorth[i + 1])));
        }
        return FenceLine.free(id, "Line " + id, closed, corners);
    }

    public static Gate gate(String id, GateKind kind, double eastM, double northM, double openingM) {
        return Gate.of(id, "gate " + id, kind, at(eastM, northM), openingM);
    }

    public static CutOut cutOut(String id, double eastM, double northM) {
        return new CutOut(id, "cut-out " + id, at(eastM, northM));
    }

    public static Site site(double energizerEastM, double energizerNorthM, FenceLine... lines) {
        return new Site(
                List.of(lines), Optional.of(new EnergizerPlace("energizer", at(energizerEastM, energizerNorthM))));
    }

    /** Straight between two posts. */
    public static double distanceM(Post one, Post other) {
        return PLANE.toPlane(GeoPoint.of(one.lonDeg(), one.latDeg()))
                .distanceM(PLANE.toPlane(GeoPoint.of(other.lonDeg(), other.latDeg())));
    }
}
