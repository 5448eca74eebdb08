package buckle.commissioning;

import buckle.layout.Layout;
import buckle.layout.LineLayout;
import buckle.site.GeoPoint;
import buckle.site.LocalPlane;
import buckle.site.Stationing;

/** Stations of lines as places on the ground. */
final class Places {
    private Places() {}

    static GeoPoint on(Layout layout, LineLayout line, double stationM) {
        LocalPlane plane = new LocalPlane(layout.origin());
        Stationing stationing =
                new Stationing(line.corners().stream().map(plane::toPlane).toList(), line.closed());
        return plane.toGeo(stationing.at(Math.clamp(stationM, 0, line.lengthM())));
    }
}
