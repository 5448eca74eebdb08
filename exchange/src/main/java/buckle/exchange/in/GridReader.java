package buckle.exchange.in;

import buckle.exchange.Limits;
import buckle.land.GridTerrain;
import buckle.site.BadInput;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;

/**
 * Reads an ESRI ASCII grid of heights in WGS 84 degrees, metres. The header is checked against the numbers that follow,
 * and NODATA becomes a gap. Source: the format as GDAL documents it (AAIGrid driver).
 */
public final class GridReader {
    private static final double HIGHEST_M = 9000;
    private static final double LOWEST_M = -500;

    private final byte[] bytes;
    private int at;
    private int line = 1;

    private GridReader(byte[] bytes) {
        this.bytes = bytes;
    }

    public static GridTerrain read(byte[] bytes) {
        if (bytes.length > Limits.MOST_GRID_BYTES) {
            throw new BadInput("grid.too-large", "file", "At most 64 MB of grid are read. Nothing was stored.");
        }
        return new GridReader(bytes).grid();
    }

    /** Whether a file starts as such a grid does. */
    static boolean looksLikeOne(byte[] bytes) {
        String start = new String(bytes, 0, Math.min(bytes.length, 40), StandardCharsets.US_ASCII)
                .strip()
                .toLowerCase(Locale.ROOT);
        return start.startsWith("ncols") || start.startsWith("nrows");
    }

    private GridTerrain grid() {
        Map<String, Double> header = header();
        int columns = count(header, "ncols");
        int rows = count(header, "nrows");
        if ((long) columns * rows > Limits.MOST_CELLS) {
            throw new BadInput(
                    "grid.too-large",
                    "header",
                    "The header says " + (long) columns * rows + " cells; at most 6,000,000 are read.");
        }
        double cell = value(header, "cellsize");
        if (!(cell > 0)) {
            throw new BadInput("grid.header", "cellsize", "The cell size must lie above zero.");
        }
        boolean centre = header.containsKey("xllcenter");
        double west = value(header, centre ? "xllcenter" : "xllcorner") - (centre ? cell / 2 : 0);
        double south = value(header, centre ? "yllcenter" : "yllcorner") - (centre ? cell / 2 : 0);
        if (!(west >= -180.5 && west + columns * cell <= 540 && south >= -90.5 && south + rows * cell <= 90.5)) {
            throw new BadInput(
                    "grid.not-degrees",
                    "header",
                    "This grid is not in degrees (lower left " + west + ", " + south
                            + "). Convert it to WGS 84 longitude and latitude; nothing was stored.");
        }
        double nodata = header.getOrDefault("nodata_value", -9999.0);
        float[] heights = heights(columns, rows, nodata);
        return new GridTerrain(columns, rows, west, south, cell, heights);
    }

    private Map<String, Double> header() {
        Map<String, Double> header = new HashMap<>();
        while (true) {
            skipSpace();
            int start = at;
            if (at >= bytes.length || !Character.isLetter(bytes[at]) || lettersNaN()) {
                return header;
            }
            String key = word().toLowerCase(Locale.ROOT);
            skipSpace();
            String text = word();
            try {
                header.put(key, Double.parseDouble(text));
            } catch (NumberFormatException e) {
                at = start;
                throw new BadInput(
                        "grid.header", "line " + line, "After “" + key + "” stands “" + text + "”, no number.");
            }
        }
    }

    private boolean lettersNaN() {
        return at + 2 < bytes.length && new String(bytes, at, 3, StandardCharsets.US_ASCII).equalsIgnoreCase("nan");
    }

    private static double value(Map<String, Double> header, String key) {
        Double value = header.get(key);
        if (value == null || !Double.isFinite(value)) {
            throw new BadInput("grid.header", "header", "The header does not say “" + key + "”.");
        }
        return value;
    }

    private static int count(Map<String, Double> header, String key) {
        double value = value(header, key);
        if (value < 2 || value > 1e9 || value != Math.rint(value)) {
            throw new BadInput("grid.header", key, "“" + key + "” must be a whole number from 2 up.");
        }
        return (int) value;
    }

    private float[] heights(int columns, int rows, double nodata) {
        // A header that promises more than the file can hold is found out before room is made for it.
        if ((long) columns * rows > bytes.length) {
            throw lies(columns, rows, "fewer");
        }
        float[] heights = new float[columns * rows];
        int known = 0;
        for (int i = 0; i < heights.length; i++) {
            skipSpace();
            if (at >= bytes.length) {
                throw lies(columns, rows, String.valueOf(i));
            }
            double value = number();
            if (value == nodata || Double.isNaN(value)) {
                heights[i] = Float.NaN;
            } else if (value < LOWEST_M || value > HIGHEST_M) {
                throw new BadInput(
                        "grid.height",
                        "line " + line,
                        "A height of " + value + " m is not on this earth. Nothing was stored.");
            } else {
                heights[i] = (float) value;
                known++;
            }
        }
        skipSpace();
        if (at < bytes.length) {
            throw lies(columns, rows, "more");
        }
        if (known == 0) {
            throw new BadInput("grid.empty", "file", "No cell of this grid has a height.");
        }
        return heights;
    }

    private BadInput lies(int columns, int rows, String found) {
        return new BadInput(
                "grid.header-lies",
                "line " + line,
                "The header says " + columns + " × " + rows + " = " + (long) columns * rows
                        + " heights, the file holds " + found + ". Nothing was stored.");
    }

    private void skipSpace() {
        while (at < bytes.length && bytes[at] <= ' ') {
            if (bytes[at] == '\n') {
                line++;
            }
            at++;
        }
    }

    private String word() {
        int start = at;
        while (at < bytes.length && bytes[at] > ' ') {
            at++;
        }
        return new String(bytes, start, Math.min(at - start, 60), StandardCharsets.US_ASCII);
    }

    /** A decimal number without making a string of it; anything unusual goes the long way. */
    private double number() {
        int start = at;
        boolean minus = bytes[at] == '-';
        if (minus || bytes[at] == '+') {
            at++;
        }
        long whole = 0;
        int digits = 0;
        int places = -1;
        while (at < bytes.length && bytes[at] > ' ') {
            byte b = bytes[at];
            if (b >= '0' && b <= '9' && digits < 17) {
                whole = whole * 10 + (b - '0');
                digits++;
                places += places >= 0 ? 1 : 0;
            } else if (b == '.' && places < 0) {
                places = 0;
            } else {
                at = start;
                return unusual();
            }
            at++;
        }
        if (digits == 0) {
            at = start;
            return unusual();
        }
        double value = places > 0 ? whole / Math.pow(10, places) : whole;
        return minus ? -value : value;
    }

    private double unusual() {
        String text = word();
        if (text.equalsIgnoreCase("nan")) {
            return Double.NaN;
        }
        try {
            return Double.parseDouble(text);
        } catch (NumberFormatException e) {
            throw new BadInput("grid.number", "line " + line, "“" + text + "” is not a height. Nothing was stored.");
        }
    }
}
