package buckle.server.design;

import buckle.exchange.Swap;
import buckle.exchange.in.Importer;
import buckle.exchange.in.PointTable;
import buckle.site.BadInput;
import buckle.site.GeoPoint;
import buckle.site.WalkOptions;
import buckle.units.UnitSystem;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * How a dropped file is to be read; all may be left out.
 *
 * @param toleranceM how far a walked point may stand off a straight side
 * @param nearLon where the property lies, to notice coordinates that landed elsewhere
 * @param columns what the columns of a CSV are: lat, lon, east, north, height, name, line by index from 0, −1 for none
 * @param asLine whether the points of a CSV are a line
 * @param id for the job that a job file becomes, so that sending it twice makes one job
 */
record ImportQuery(
        @Nullable Double toleranceM,
        @Nullable Double closeWithinM,
        @Nullable Swap swap,
        @Nullable Double nearLon,
        @Nullable Double nearLat,
        @Nullable String columns,
        @Nullable Boolean asLine,
        @Nullable Double stepM,
        @Nullable UnitSystem units,
        @Nullable UUID id) {
    private static final int COLUMNS = 7;

    UUID jobId() {
        return id == null ? UUID.randomUUID() : id;
    }

    Importer.Options options() {
        try {
            WalkOptions walk = new WalkOptions(
                    toleranceM == null ? OptionalDouble.empty() : OptionalDouble.of(toleranceM),
                    closeWithinM == null ? WalkOptions.USUAL.closeWithinM() : closeWithinM);
            Optional<GeoPoint> near =
                    nearLon == null || nearLat == null ? Optional.empty() : Optional.of(GeoPoint.of(nearLon, nearLat));
            return new Importer.Options(
                    walk,
                    swap == null ? Swap.NONE : swap,
                    near,
                    mapping(near),
                    stepM == null ? Importer.Options.USUAL.stepM() : stepM,
                    units == null ? UnitSystem.FT_IN : units);
        } catch (IllegalArgumentException e) {
            throw new BadInput("import.options", "query", e.getMessage() + ".");
        }
    }

    private Optional<PointTable.Mapping> mapping(Optional<GeoPoint> near) {
        if (columns == null) {
            return Optional.empty();
        }
        String[] parts = columns.split(",");
        if (parts.length != COLUMNS) {
            throw new IllegalArgumentException("columns are seven numbers: lat, lon, east, north, height, name, line");
        }
        int[] at = new int[COLUMNS];
        for (int i = 0; i < COLUMNS; i++) {
            at[i] = Integer.parseInt(parts[i].strip());
            if (at[i] < -1) {
                throw new IllegalArgumentException("a column is counted from 0; −1 stands for none");
            }
        }
        return Optional.of(new PointTable.Mapping(
                at[0], at[1], at[2], at[3], at[4], at[5], at[6], asLine == null || asLine, near));
    }
}
