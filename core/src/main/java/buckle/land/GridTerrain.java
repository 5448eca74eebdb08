package buckle.land;

import buckle.site.GeoPoint;
import java.util.Arrays;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * A grid of heights in degrees, north row first; heights belong to the middles of the cells and run straight between
 * them (bilinear). A place beside a cell without height has none.
 *
 * @param westDeg western edge of the first column
 * @param southDeg southern edge of the last row
 * @param heightsM rows × columns heights, NaN where there is none
 */
@SuppressWarnings("ArrayRecordComponent")
public record GridTerrain(int columns, int rows, double westDeg, double southDeg, double cellDeg, float[] heightsM)
        implements Terrain {
    private static final double M_PER_DEG = 111_000;
    private static final double LEAST_STEP_M = 2;

    public GridTerrain {
        if (columns < 2 || rows < 2 || heightsM.length != columns * rows) {
            throw new IllegalArgumentException("a grid of " + rows + " rows and " + columns + " columns has "
                    + (long) rows * columns + " heights, not " + heightsM.length);
        }
    }

    @Override
    public OptionalDouble heightM(GeoPoint at) {
        double lon = at.lonDeg();
        if (lon < westDeg && lon + 360 <= westDeg + columns * cellDeg) {
            lon += 360;
        }
        double x = (lon - westDeg) / cellDeg - 0.5;
        double y = (southDeg + rows * cellDeg - at.latDeg()) / cellDeg - 0.5;
        if (!(x >= -0.5 && y >= -0.5 && x <= columns - 0.5 && y <= rows - 0.5)) {
            return OptionalDouble.empty();
        }
        double cx = Math.clamp(x, 0, columns - 1.0);
        double cy = Math.clamp(y, 0, rows - 1.0);
        int col = Math.min((int) cx, columns - 2);
        int row = Math.min((int) cy, rows - 2);
        double h = mix(row, col, cx - col, cy - row);
        return Double.isNaN(h) ? OptionalDouble.empty() : OptionalDouble.of(h);
    }

    private double mix(int row, int col, double dx, double dy) {
        int i = row * columns + col;
        double upper = between(heightsM[i], heightsM[i + 1], dx);
        double lower = between(heightsM[i + columns], heightsM[i + columns + 1], dx);
        return between(upper, lower, dy);
    }

    /** A neighbour that does not count at all may be without height. */
    private static double between(double a, double b, double share) {
        return share == 0 ? a : share == 1 ? b : a + (b - a) * share;
    }

    @Override
    public double stepM() {
        return Math.max(LEAST_STEP_M, cellDeg * M_PER_DEG / 2);
    }

    /** Longitude of the grid's eastern edge. */
    public double eastDeg() {
        return westDeg + columns * cellDeg;
    }

    /** Latitude of the grid's northern edge. */
    public double northDeg() {
        return southDeg + rows * cellDeg;
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof GridTerrain g
                && columns == g.columns
                && rows == g.rows
                && westDeg == g.westDeg
                && southDeg == g.southDeg
                && cellDeg == g.cellDeg
                && Arrays.equals(heightsM, g.heightsM);
    }

    @Override
    public int hashCode() {
        return Arrays.hashCode(heightsM) + 31 * columns;
    }

    /** What a property remembers of this grid. */
    public GridRef ref(String hash, String name) {
        double lowest = Double.POSITIVE_INFINITY;
        double highest = Double.NEGATIVE_INFINITY;
        int gaps = 0;
        for (float h : heightsM) {
            if (Float.isNaN(h)) {
                gaps++;
            } else {
                lowest = Math.min(lowest, h);
                highest = Math.max(highest, h);
            }
        }
        return new GridRef(
                hash, name, columns, rows, westDeg, southDeg, eastDeg(), northDeg(), cellDeg, lowest, highest, gaps);
    }

    /** The part of the grid that covers a window; whole cells, empty when the window lies outside. */
    public Optional<GridTerrain> cut(double west, double south, double east, double north) {
        int fromCol = Math.clamp((long) Math.floor((west - westDeg) / cellDeg) - 1, 0, columns);
        int toCol = Math.clamp((long) Math.ceil((east - westDeg) / cellDeg) + 1, 0, columns);
        int fromRow = Math.clamp((long) Math.floor((northDeg() - north) / cellDeg) - 1, 0, rows);
        int toRow = Math.clamp((long) Math.ceil((northDeg() - south) / cellDeg) + 1, 0, rows);
        if (toCol - fromCol < 2 || toRow - fromRow < 2) {
            return Optional.empty();
        }
        int w = toCol - fromCol;
        int h = toRow - fromRow;
        float[] part = new float[w * h];
        for (int r = 0; r < h; r++) {
            System.arraycopy(heightsM, (fromRow + r) * columns + fromCol, part, r * w, w);
        }
        return Optional.of(
                new GridTerrain(w, h, westDeg + fromCol * cellDeg, southDeg + (rows - toRow) * cellDeg, cellDeg, part));
    }
}
