package buckle.site;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;

/**
 * Walks along a known outline with a receiver's errors: a drifting part (first-order autoregressive), a white part,
 * standing pauses, lost signal. The error model and its values are our assumption, not measured.
 */
final class WalkSimulator {
    static final GeoPoint ORIGIN = GeoPoint.of(0.8841, 44.1372);

    double driftM = 1.1;
    double driftS = 14;
    double whiteM = 0.3;
    double speedMs = 1.2;
    double pauseChance = 0.8;
    boolean gap;
    double startShare;
    GeoPoint origin = ORIGIN;

    private final Random random;
    private double e;
    private double n;
    private double time;

    WalkSimulator(long seed) {
        random = new Random(seed);
    }

    Walk walk(List<PlanePoint> truth, boolean closed) {
        LocalPlane plane = new LocalPlane(origin);
        Stationing stationing = new Stationing(truth, closed);
        double lengthM = stationing.lengthM();
        double gapFrom = gap ? lengthM * (0.2 + 0.5 * random.nextDouble()) : Double.MAX_VALUE;
        double gapTo = gapFrom + 25 + 25 * random.nextDouble();
        List<List<WalkPoint>> stretches = new ArrayList<>();
        List<WalkPoint> now = new ArrayList<>();
        e = driftM * random.nextGaussian();
        n = driftM * random.nextGaussian();
        double start = startShare * lengthM;
        int side = -1;
        double walked = 0;
        double goal = closed ? lengthM + 1.5 * random.nextGaussian() : lengthM;
        while (walked <= goal) {
            double station = (start + walked) % lengthM;
            PlanePoint at = stationing.at(closed ? station : Math.min(walked, lengthM));
            int here = stationing.sideAt(station);
            boolean lost = walked > gapFrom && walked < gapTo;
            if (lost && !now.isEmpty() && random.nextBoolean()) {
                stretches.add(now);
                now = new ArrayList<>();
            }
            int stand = here != side && random.nextDouble() < pauseChance ? 5 + random.nextInt(20) : 1;
            side = here;
            for (int k = 0; k < stand; k++) {
                fix(plane, at, lost ? null : now);
            }
            walked += speedMs * (0.85 + 0.3 * random.nextDouble());
        }
        PlanePoint last = stationing.at(closed ? (start + goal) % lengthM : lengthM);
        for (int k = 0; k < 6; k++) {
            fix(plane, last, now);
        }
        stretches.add(now);
        return new Walk("simulated", stretches);
    }

    private void fix(LocalPlane plane, PlanePoint at, List<WalkPoint> into) {
        double keep = Math.exp(-1 / driftS);
        double fresh = driftM * Math.sqrt(1 - keep * keep);
        e = keep * e + fresh * random.nextGaussian();
        n = keep * n + fresh * random.nextGaussian();
        time++;
        if (into != null) {
            PlanePoint seen = new PlanePoint(
                    at.eastM() + e + whiteM * random.nextGaussian(), at.northM() + n + whiteM * random.nextGaussian());
            into.add(new WalkPoint(plane.toGeo(seen), OptionalDouble.of(time)));
        }
    }

    /** A closed outline of the given number of corners that turn by at least 25°, sides of 50 m and more. */
    static List<PlanePoint> outline(Random random, int corners, double radiusM) {
        while (true) {
            List<PlanePoint> points = new ArrayList<>();
            for (int i = 0; i < corners; i++) {
                double angle = -2 * Math.PI * (i + 0.35 * (random.nextDouble() - 0.5)) / corners;
                double r = radiusM * (0.65 + 0.7 * random.nextDouble());
                points.add(new PlanePoint(1.3 * r * Math.cos(angle), r * Math.sin(angle)));
            }
            Stationing s = new Stationing(points, true);
            boolean good = true;
            for (int i = 0; i < corners; i++) {
                double turn = Math.abs(Math.toDegrees(s.deflectionRad(i)));
                good &= turn > 25 && turn < 140 && s.sideLengthM(i) > 50;
            }
            if (good) {
                return points;
            }
        }
    }
}
