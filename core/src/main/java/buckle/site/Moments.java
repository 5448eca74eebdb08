package buckle.site;

import java.util.List;

/** Running sums over a row of points, so that the best straight line through any part of it costs the same. */
final class Moments {
    private final double[] e;
    private final double[] n;
    private final double[] ee;
    private final double[] nn;
    private final double[] en;
    private final List<PlanePoint> points;

    Moments(List<PlanePoint> points) {
        this.points = points;
        int size = points.size() + 1;
        e = new double[size];
        n = new double[size];
        ee = new double[size];
        nn = new double[size];
        en = new double[size];
        for (int i = 0; i < points.size(); i++) {
            double x = points.get(i).eastM();
            double y = points.get(i).northM();
            e[i + 1] = e[i] + x;
            n[i + 1] = n[i] + y;
            ee[i + 1] = ee[i] + x * x;
            nn[i + 1] = nn[i] + y * y;
            en[i + 1] = en[i] + x * y;
        }
    }

    /** Least sum of squared distances of points {@code from} (included) to {@code to} (excluded) to one line. */
    double residualM2(int from, int to) {
        int count = to - from;
        if (count < 3) {
            return 0;
        }
        double me = (e[to] - e[from]) / count;
        double mn = (n[to] - n[from]) / count;
        double a = ee[to] - ee[from] - count * me * me;
        double b = nn[to] - nn[from] - count * mn * mn;
        double c = en[to] - en[from] - count * me * mn;
        return Math.max(0, (a + b - Math.sqrt((a - b) * (a - b) + 4 * c * c)) / 2);
    }

    SideFit fit(int from, int to) {
        int count = to - from;
        double me = (e[to] - e[from]) / count;
        double mn = (n[to] - n[from]) / count;
        double a = ee[to] - ee[from] - count * me * me;
        double b = nn[to] - nn[from] - count * mn * mn;
        double c = en[to] - en[from] - count * me * mn;
        double angle = 0.5 * Math.atan2(2 * c, a - b);
        double de = Math.cos(angle);
        double dn = Math.sin(angle);
        PlanePoint first = points.get(from);
        PlanePoint last = points.get(to - 1);
        double forward = de * (last.eastM() - first.eastM()) + dn * (last.northM() - first.northM());
        double sign = forward < 0 ? -1 : 1;
        return new SideFit(
                new PlanePoint(me, mn), sign * de, sign * dn, residualM2(from, to), count, Math.abs(forward));
    }
}
