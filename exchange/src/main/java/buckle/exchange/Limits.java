package buckle.exchange;

import buckle.site.BadInput;

/** What a file may hold. Published in docs/job-file.md and said when passed. */
public final class Limits {
    public static final long MOST_BYTES = 20L * 1024 * 1024;
    public static final int MOST_POINTS = 200_000;
    public static final long MOST_GRID_BYTES = 64L * 1024 * 1024;
    public static final long MOST_CELLS = 6_000_000;

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

    public static void checkPoints(int points, String path) {
        if (points > MOST_POINTS) {
            throw new BadInput(
                    "file.too-many-points",
                    path,
                    "The file holds more than 200,000 points. Split it. Nothing was stored.");
        }
    }
}
