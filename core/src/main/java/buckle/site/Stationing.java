package buckle.site;

import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.LineString;
import org.locationtech.jts.operation.distance.IndexedFacetDistance;

/** Stations along a line: the distance from its start to any place on it, and back. Horizontal metres. */
public final class Stationing {
    private final List<PlanePoint> corners;
    private final boolean closed;
    private final double[] cornerStationM;

    /** A place on the line nearest to some point: its station, the side it lies on, how far off the point was. */
    public record Place(int side, double stationM, double offsetM) {}

    public Stationing(List<PlanePoint> corners, boolean closed) {
        this.corners = List.copyOf(corners);
        this.closed = closed;
        this.cornerStationM = new double[sideCount() + 1];
        for (int i = 0; i < sideCount(); i++) {
            cornerStationM[i + 1] = cornerStationM[i] + sideStart(i).distanceM(sideEnd(i));
        }
    }

    /** Sides between corners. */
    public int sideCount() {
        return closed ? corners.size() : corners.size() - 1;
    }

    /** Of the whole line. */
    public double lengthM() {
        return cornerStationM[sideCount()];
    }

    /** Station of a corner; on a closed line the number of corners gives the closing station. */
    public double cornerStationM(int corner) {
        return cornerStationM[corner];
    }

    /** Of one side. */
    public double sideLengthM(int side) {
        return cornerStationM[side + 1] - cornerStationM[side];
    }

    /** Corner at which a side begins. */
    public PlanePoint sideStart(int side) {
        return corners.get(side);
    }

    /** Corner at which a side ends. */
    public PlanePoint sideEnd(int side) {
        return corners.get((side + 1) % corners.size());
    }

    /** The side a station lies on; the last one at the end. */
    public int sideAt(double stationM) {
        int low = 0;
        int high = sideCount() - 1;
        while (low < high) {
            int mid = (low + high + 1) >>> 1;
            if (cornerStationM[mid] <= stationM) {
                low = mid;
            } else {
                high = mid - 1;
            }
        }
        return low;
    }

    /** Where a station is. */
    public PlanePoint at(double stationM) {
        return at(stationM, sideAt(stationM));
    }

    /** Where a station is, its side known. */
    public PlanePoint at(double stationM, int side) {
        double length = sideLengthM(side);
        double share = length == 0 ? 0 : (stationM - cornerStationM[side]) / length;
        return sideStart(side).towards(sideEnd(side), Math.clamp(share, 0, 1));
    }

    /** The place of the line nearest to a point. */
    public Place nearest(PlanePoint p) {
        return nearest(p, 0, sideCount());
    }

    /** Where two lines come nearest to each other: a station of this one, and how far the other is off. */
    public record Approach(double stationM, double offM) {}

    /** Where a stretch of this line comes nearest to another line. */
    public Approach nearest(Stationing other, double fromM, double toM) {
        List<Coordinate> stretch = new ArrayList<>(List.of(coordinate(at(fromM))));
        for (int i = 0; i <= sideCount(); i++) {
            if (cornerStationM[i] > fromM && cornerStationM[i] < toM) {
                stretch.add(coordinate(at(cornerStationM[i])));
            }
        }
        stretch.add(coordinate(at(toM)));
        List<Coordinate> whole = new ArrayList<>();
        for (int i = 0; i <= other.sideCount(); i++) {
            whole.add(coordinate(other.at(other.cornerStationM[i])));
        }
        Coordinate[] both = IndexedFacetDistance.nearestPoints(line(stretch), line(whole));
        Place here = nearest(new PlanePoint(both[0].x, both[0].y));
        return new Approach(Math.clamp(here.stationM(), fromM, toM), both[0].distance(both[1]));
    }

    private static Coordinate coordinate(PlanePoint p) {
        return new Coordinate(p.eastM(), p.northM());
    }

    private static LineString line(List<Coordinate> points) {
        return new GeometryFactory().createLineString(points.toArray(Coordinate[]::new));
    }

    /** As {@link #nearest(PlanePoint)}, for points that follow the line: tries the sides around the last one first. */
    public Place nearestFrom(PlanePoint p, int lastSide, double goodEnoughM) {
        Place near = nearest(p, Math.max(0, lastSide - 1), Math.min(sideCount(), lastSide + 3));
        return near.offsetM() <= goodEnoughM ? near : nearest(p);
    }

    private Place nearest(PlanePoint p, int fromSide, int toSide) {
        int best = fromSide;
        double bestAlong = 0;
        double bestOff = Double.POSITIVE_INFINITY;
        for (int side = fromSide; side < toSide; side++) {
            PlanePoint a = sideStart(side);
            PlanePoint b = sideEnd(side);
            double length = sideLengthM(side);
            double ux = length == 0 ? 0 : (b.eastM() - a.eastM()) / length;
            double uy = length == 0 ? 0 : (b.northM() - a.northM()) / length;
            double along = Math.clamp((p.eastM() - a.eastM()) * ux + (p.northM() - a.northM()) * uy, 0, length);
            double off = PlanePoint.lengthM(p.eastM() - a.eastM() - along * ux, p.northM() - a.northM() - along * uy);
            if (off < bestOff) {
                best = side;
                bestAlong = along;
                bestOff = off;
            }
        }
        return new Place(best, cornerStationM[best] + bestAlong, bestOff);
    }

    /** Bearing of a side from north, clockwise, in radians. */
    public double bearingRad(int side) {
        PlanePoint a = sideStart(side);
        PlanePoint b = sideEnd(side);
        return Math.atan2(b.eastM() - a.eastM(), b.northM() - a.northM());
    }

    /** Deflection at a corner, 0 straight on, in radians, positive to the right; 0 at the ends of an open line. */
    public double deflectionRad(int corner) {
        if (!closed && (corner == 0 || corner == corners.size() - 1)) {
            return 0;
        }
        int before = Math.floorMod(corner - 1, corners.size());
        double turn = bearingRad(corner) - bearingRad(before);
        return Math.IEEEremainder(turn, 2 * Math.PI);
    }

    /** Stations of all corners, without the closing one. */
    public List<Double> cornerStationsM() {
        List<Double> stations = new ArrayList<>();
        for (int i = 0; i < corners.size(); i++) {
            stations.add(cornerStationM[i]);
        }
        return stations;
    }
}
