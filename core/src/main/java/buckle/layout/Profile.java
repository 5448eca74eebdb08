package buckle.layout;

import buckle.land.Terrain;
import buckle.rulebook.Values;
import buckle.site.GeoPoint;
import buckle.site.LocalPlane;
import buckle.site.PlanePoint;
import buckle.site.Stationing;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** Heights of the ground along a line and the length along the slope they make. Level where nothing is known. */
final class Profile {
    /** Heights further off the line than this say nothing about it. */
    private static final double FAR_OFF_M = 25;

    private static final double LEAST_STEP_M = 1;
    private static final int MOST_STEPS = 20_000;

    private final List<ProfilePoint> points;
    private final List<ProfileGap> gaps;
    private final double[] slopeAtM;
    private final boolean fromTerrain;

    private Profile(List<ProfilePoint> points, List<ProfileGap> gaps, boolean fromTerrain) {
        this.fromTerrain = fromTerrain;
        this.points = points;
        this.gaps = gaps;
        this.slopeAtM = new double[points.size()];
        for (int i = 1; i < points.size(); i++) {
            ProfilePoint a = points.get(i - 1);
            ProfilePoint b = points.get(i);
            slopeAtM[i] = slopeAtM[i - 1] + PlanePoint.lengthM(b.stationM() - a.stationM(), b.heightM() - a.heightM());
        }
    }

    /** The profile over the terrain where it knows the ground, otherwise over the places measured along the line. */
    static Profile along(Stationing line, boolean closed, List<GeoPoint> ground, LocalPlane plane, Terrain terrain) {
        Optional<Profile> over = over(line, closed, plane, terrain);
        return over.isPresent() ? over.get() : measured(line, closed, ground, plane);
    }

    private static Optional<Profile> over(Stationing line, boolean closed, LocalPlane plane, Terrain terrain) {
        if (terrain.equals(Terrain.NONE)) {
            return Optional.empty();
        }
        List<ProfilePoint> found = new ArrayList<>();
        List<ProfileGap> gaps = new ArrayList<>();
        double known = 0;
        boolean open = false;
        for (double station : stations(line, terrain.stepM())) {
            OptionalDouble height = terrain.heightM(plane.toGeo(line.at(station)));
            if (height.isPresent()) {
                if (open) {
                    gaps.add(new ProfileGap(known, station));
                }
                open = false;
                known = station;
                found.add(new ProfilePoint(station, height.getAsDouble()));
            } else {
                open = true;
            }
        }
        if (open) {
            gaps.add(new ProfileGap(known, line.lengthM()));
        }
        return found.size() < 2
                ? Optional.empty()
                : Optional.of(new Profile(whole(found, closed, line.lengthM()), gaps, true));
    }

    /** Every step along each side, and its corners; at most so many that a long line stays quick. */
    private static List<Double> stations(Stationing line, double stepM) {
        double step = Math.max(stepM, line.lengthM() / MOST_STEPS);
        List<Double> stations = new ArrayList<>();
        for (int side = 0; side < line.sideCount(); side++) {
            double from = line.cornerStationM(side);
            int steps = (int) Math.max(1, Math.ceil(line.sideLengthM(side) / step));
            for (int k = 0; k < steps; k++) {
                stations.add(from + line.sideLengthM(side) * k / steps);
            }
        }
        stations.add(line.lengthM());
        return stations;
    }

    private static Profile measured(Stationing line, boolean closed, List<GeoPoint> ground, LocalPlane plane) {
        List<ProfilePoint> found = new ArrayList<>();
        int side = 0;
        for (GeoPoint g : ground) {
            if (g.heightM().isPresent()) {
                Stationing.Place place = line.nearestFrom(plane.toPlane(g), side, FAR_OFF_M);
                side = place.side();
                if (place.offsetM() <= FAR_OFF_M) {
                    found.add(new ProfilePoint(place.stationM(), g.heightM().getAsDouble()));
                }
            }
        }
        found.sort(Comparator.comparingDouble(ProfilePoint::stationM));
        return new Profile(whole(thinned(found), closed, line.lengthM()), List.of(), false);
    }

    private static List<ProfilePoint> thinned(List<ProfilePoint> found) {
        List<ProfilePoint> kept = new ArrayList<>();
        for (ProfilePoint p : found) {
            if (kept.isEmpty() || p.stationM() - kept.getLast().stationM() >= LEAST_STEP_M) {
                kept.add(p);
            }
        }
        return kept;
    }

    /** Runs the profile from 0 to the end; across the seam of a closed line, level beyond the ends of an open one. */
    private static List<ProfilePoint> whole(List<ProfilePoint> found, boolean closed, double lengthM) {
        if (found.size() < 2) {
            return List.of();
        }
        ProfilePoint first = found.getFirst();
        ProfilePoint last = found.getLast();
        double seamM = lengthM - last.stationM() + first.stationM();
        double share = closed && seamM > 0 ? (lengthM - last.stationM()) / seamM : 0;
        double atSeamM = last.heightM() + (first.heightM() - last.heightM()) * share;
        List<ProfilePoint> all = new ArrayList<>();
        if (first.stationM() > 0) {
            all.add(new ProfilePoint(0, closed ? atSeamM : first.heightM()));
        }
        all.addAll(found);
        if (last.stationM() < lengthM) {
            all.add(new ProfilePoint(lengthM, closed ? atSeamM : last.heightM()));
        }
        return all;
    }

    List<ProfilePoint> points() {
        return points;
    }

    List<ProfileGap> gaps() {
        return gaps;
    }

    double slopeLengthM(double fromM, double toM) {
        return points.isEmpty() ? toM - fromM : slopeStationM(toM) - slopeStationM(fromM);
    }

    private double slopeStationM(double stationM) {
        int low = segment(stationM);
        return slopeAtM[low] + share(low, stationM) * (slopeAtM[low + 1] - slopeAtM[low]);
    }

    /** Height of the ground; 0 where nothing is known at all. */
    double heightM(double stationM) {
        if (points.isEmpty()) {
            return 0;
        }
        int low = segment(stationM);
        double a = points.get(low).heightM();
        return a + share(low, stationM) * (points.get(low + 1).heightM() - a);
    }

    /** Whether heights are good enough to tell how wires lift posts; a walk's are not. */
    boolean trusted() {
        return fromTerrain;
    }

    /**
     * P17: crests and hollows between two stations, at least {@code spacingM} apart: where the slope over half a spacing
     * before differs most from the slope after.
     */
    List<Double> breaks(double fromM, double toM, double spacingM) {
        List<Double> found = new ArrayList<>();
        if (!fromTerrain || toM - fromM < 2 * spacingM) {
            return found;
        }
        double step = spacingM / 2;
        double bestM = Double.NaN;
        double best = 0;
        double before = heightM(fromM + step);
        double here = heightM(fromM + 2 * step);
        for (double s = fromM + 2 * step; s <= toM - 2 * step; s += step) {
            double after = heightM(s + step);
            double change = Math.abs(after - 2 * here + before) / step;
            if (change > Values.P17_SLOPE_CHANGE && change > best) {
                best = change;
                bestM = s;
            }
            if (!Double.isNaN(bestM) && s - bestM >= spacingM) {
                found.add(bestM);
                bestM = Double.NaN;
                best = 0;
            }
            before = here;
            here = after;
        }
        if (!Double.isNaN(bestM)) {
            found.add(bestM);
        }
        return found;
    }

    private double share(int low, double stationM) {
        double from = points.get(low).stationM();
        double to = points.get(low + 1).stationM();
        return to > from ? (stationM - from) / (to - from) : 0;
    }

    private int segment(double stationM) {
        int low = 0;
        int high = points.size() - 2;
        while (low < high) {
            int mid = (low + high + 1) >>> 1;
            if (points.get(mid).stationM() <= stationM) {
                low = mid;
            } else {
                high = mid - 1;
            }
        }
        return low;
    }
}
