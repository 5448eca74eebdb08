package buckle.tape;

/**
 * One number that the points must fit: a distance, or how far along or off a line a point lies.
 *
 * @param row line of the book it comes from
 * @param third the point the line runs towards, −1 for a plain distance
 */
record Observation(int row, Kind kind, int from, int to, int third, double valueM, double sigmaM) {
    enum Kind {
        DISTANCE,
        ALONG,
        OFF
    }

    /** What the coordinates make of it; x and y of point i stand at 2 i and 2 i + 1. */
    double of(double[] xy) {
        double dx = xy[2 * to] - xy[2 * from];
        double dy = xy[2 * to + 1] - xy[2 * from + 1];
        if (kind == Kind.DISTANCE) {
            return Math.hypot(dx, dy);
        }
        double ux = xy[2 * third] - xy[2 * from];
        double uy = xy[2 * third + 1] - xy[2 * from + 1];
        double u = Math.hypot(ux, uy);
        return kind == Kind.ALONG ? (dx * ux + dy * uy) / u : (dx * uy - dy * ux) / u;
    }

    /** Derivatives to the coordinates of its points, as pairs index, value. */
    void derive(double[] xy, Sink sink) {
        double dx = xy[2 * to] - xy[2 * from];
        double dy = xy[2 * to + 1] - xy[2 * from + 1];
        if (kind == Kind.DISTANCE) {
            double d = Math.max(1e-9, Math.hypot(dx, dy));
            sink.put(2 * to, dx / d);
            sink.put(2 * to + 1, dy / d);
            sink.put(2 * from, -dx / d);
            sink.put(2 * from + 1, -dy / d);
            return;
        }
        double ux = xy[2 * third] - xy[2 * from];
        double uy = xy[2 * third + 1] - xy[2 * from + 1];
        double u = Math.max(1e-9, Math.hypot(ux, uy));
        double ex = ux / u;
        double ey = uy / u;
        double along = dx * ex + dy * ey;
        double off = dx * ey - dy * ex;
        if (kind == Kind.ALONG) {
            sink.put(2 * to, ex);
            sink.put(2 * to + 1, ey);
            double tx = off * ey / u;
            double ty = -off * ex / u;
            sink.put(2 * third, tx);
            sink.put(2 * third + 1, ty);
            sink.put(2 * from, -ex - tx);
            sink.put(2 * from + 1, -ey - ty);
        } else {
            sink.put(2 * to, ey);
            sink.put(2 * to + 1, -ex);
            double tx = -along * ey / u;
            double ty = along * ex / u;
            sink.put(2 * third, tx);
            sink.put(2 * third + 1, ty);
            sink.put(2 * from, -ey - tx);
            sink.put(2 * from + 1, ex - ty);
        }
    }

    interface Sink {
        void put(int index, double value);
    }
}
