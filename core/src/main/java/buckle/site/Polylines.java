package buckle.site;

import java.util.List;

/** Lengths and areas of lines on the plane. */
public final class Polylines {
    private Polylines() {}

    /** Along the points, and back to the first when it is closed. */
    public static double lengthM(List<PlanePoint> points, boolean closed) {
        double sum = 0;
        for (int i = 1; i < points.size(); i++) {
            sum += points.get(i - 1).distanceM(points.get(i));
        }
        return closed && points.size() > 1 ? sum + points.getLast().distanceM(points.getFirst()) : sum;
    }

    /** Area inside a closed line (shoelace formula), in square metres. */
    public static double areaM2(List<PlanePoint> points) {
        double twice = 0;
        for (int i = 0; i < points.size(); i++) {
            PlanePoint a = points.get(i);
            PlanePoint b = points.get((i + 1) % points.size());
            twice += a.eastM() * b.northM() - b.eastM() * a.northM();
        }
        return Math.abs(twice) / 2;
    }

    /** Whether a place lies inside a closed line. */
    public static boolean holds(List<PlanePoint> ring, PlanePoint p) {
        boolean in = false;
        for (int i = 0, j = ring.size() - 1; i < ring.size(); j = i++) {
            PlanePoint a = ring.get(i);
            PlanePoint b = ring.get(j);
            if (a.northM() > p.northM() != b.northM() > p.northM()
                    && p.eastM()
                            < (b.eastM() - a.eastM()) * (p.northM() - a.northM()) / (b.northM() - a.northM())
                                    + a.eastM()) {
                in = !in;
            }
        }
        return in;
    }
}
