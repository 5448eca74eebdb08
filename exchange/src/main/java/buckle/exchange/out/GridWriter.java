package buckle.exchange.out;

import buckle.land.GridTerrain;
import java.nio.charset.StandardCharsets;

/** Writes heights as an ESRI ASCII grid, to the centimetre. */
public final class GridWriter {
    private static final int NODATA = -9999;

    private GridWriter() {}

    public static byte[] write(GridTerrain grid) {
        StringBuilder out = new StringBuilder();
        out.append("ncols ").append(grid.columns()).append("\nnrows ").append(grid.rows());
        out.append("\nxllcorner ").append(grid.westDeg()).append("\nyllcorner ").append(grid.southDeg());
        out.append("\ncellsize ")
                .append(grid.cellDeg())
                .append("\nNODATA_value ")
                .append(NODATA)
                .append('\n');
        for (int r = 0; r < grid.rows(); r++) {
            for (int c = 0; c < grid.columns(); c++) {
                float h = grid.heightsM()[r * grid.columns() + c];
                out.append(c == 0 ? "" : " ");
                if (Float.isNaN(h)) {
                    out.append(NODATA);
                } else {
                    out.append(Math.round(h * 100) / 100.0);
                }
            }
            out.append('\n');
        }
        return out.toString().getBytes(StandardCharsets.US_ASCII);
    }
}
