package buckle.exchange;

import buckle.site.BadInput;

/** What a file may hold. Published in docs/job-file.md and said when passed. */
public final class Limits {
    public static final long MOST_BYTES = 20L * 1024 * 1024;
    public static final int MOST_POINTS = 200_000;
    public static final long MOST_GRID_BYTES = 64L * 1024 * 1024;
    public static final long MOST_CELLS = 6_000_000;

    public static final int MOST_COLUMNS = 200;

    /** Commas stand in texts as well. */
    private static final int MOST_SEPARATORS = 5000;

    private static final long MOST_TABLE_CELLS = 4_000_000;

    private Limits() {}

    public static void checkSize(long bytes) {
        if (bytes > MOST_BYTES) {
            throw new BadInput(
                    "file.too-large",
                    "file",
                    "The file has " + bytes / 1024 / 1024 + " MB; at most 20 MB are read. Nothing was stored.");
        }
        if (bytes == 0) {
            throw new BadInput("file.empty", "file", "The file is empty.");
        }
    }

    /** Looks for rows that no table of points has, before one is taken apart: a file may be one line of millions of cells. */
    public static void checkCells(byte[] bytes) {
        int line = 1;
        int separators = 0;
        long all = 0;
        for (byte b : bytes) {
            if (b == '\n') {
                line++;
                separators = 0;
            } else if (b == ',' || b == ';' || b == '\t') {
                separators++;
                all++;
                if (separators > MOST_SEPARATORS) {
                    throw tooWide("line " + line);
                }
            }
        }
        if (all > MOST_TABLE_CELLS) {
            throw new BadInput(
                    "csv.too-many-cells",
                    "file",
                    "The table holds more than 4,000,000 cells. Leave out the columns that are not needed. Nothing was stored.");
        }
    }

    public static BadInput tooWide(String path) {
        return new BadInput(
                "csv.too-wide", path, "A row has more than " + MOST_COLUMNS + " columns. Nothing was stored.");
    }

    public static void checkPoints(int points, String path) {
        if (points > MOST_POINTS) {
            throw new BadInput(
                    "file.too-many-points",
                    path,
                    "The file holds more than 200,000 points. Split it. Nothing was stored.");
        }
    }
}
