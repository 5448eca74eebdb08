package buckle.exchange.in;

import buckle.exchange.Limits;
import buckle.site.BadInput;
import buckle.site.GeoPoint;
import buckle.site.LocalPlane;
import buckle.site.Mark;
import buckle.site.PlanePoint;
import buckle.site.Problem;
import buckle.site.Texts;
import buckle.site.Walk;
import buckle.site.WalkPoint;
import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;

/**
 * A CSV of points, whatever its columns are called: what stands in it, what each column seems to mean, and the points
 * once somebody said so.
 *
 * @param columns the header, or {@code column 1} and on when there is none
 * @param sample the first rows
 * @param guess what the columns seem to be
 */
public record PointTable(List<String> columns, List<List<String>> sample, int rowCount, Mapping guess) {
    private static final int SAMPLE = 8;

    public PointTable {
        columns = List.copyOf(columns);
        sample = List.copyOf(sample);
    }

    /**
     * What each column is, by its index from 0; −1 for none. Either latitude and longitude, or metres east and north of
     * {@code origin}.
     *
     * @param line column whose text tells lines apart; −1 for one line
     * @param asLine points in order are a line; otherwise each named one is a mark
     */
    public record Mapping(
            int lat,
            int lon,
            int east,
            int north,
            int height,
            int name,
            int line,
            boolean asLine,
            Optional<GeoPoint> origin) {}

    private record Sheet(List<String> header, List<CSVRecord> rows, int firstLine) {}

    public static PointTable look(byte[] bytes) {
        Sheet sheet = sheet(bytes);
        List<List<String>> sample = sheet.rows().stream()
                .limit(SAMPLE)
                .map(r -> r.stream()
                        .map(c -> Texts.cleaned(c.strip(), Texts.LONGEST_NAME, false))
                        .toList())
                .toList();
        return new PointTable(sheet.header(), sample, sheet.rows().size(), guess(sheet.header()));
    }

    private static Sheet sheet(byte[] bytes) {
        Limits.checkSize(bytes.length);
        Limits.checkCells(bytes);
        String text = new String(bytes, StandardCharsets.UTF_8);
        if (text.startsWith("\uFEFF")) {
            text = text.substring(1);
        }
        String firstLine = text.lines()
                .filter(l -> !l.isBlank() && !l.startsWith("#"))
                .findFirst()
                .orElse("");
        char separator = separator(firstLine);
        CSVFormat format = CSVFormat.DEFAULT
                .builder()
                .setDelimiter(separator)
                .setIgnoreEmptyLines(true)
                .setCommentMarker('#')
                .setTrim(true)
                .get();
        try {
            List<CSVRecord> all = format.parse(new StringReader(text)).getRecords();
            if (all.isEmpty()) {
                throw new BadInput("csv.empty", "file", "The file holds no rows.");
            }
            Limits.checkPoints(all.size(), "file");
            checkWidth(all);
            boolean headed = all.getFirst().stream().noneMatch(PointTable::isNumber);
            List<String> header = new ArrayList<>();
            for (int i = 0; i < all.getFirst().size(); i++) {
                header.add(
                        headed ? Texts.cleaned(all.getFirst().get(i), Texts.LONGEST_NAME, false) : "column " + (i + 1));
            }
            return new Sheet(header, headed ? all.subList(1, all.size()) : all, headed ? 2 : 1);
        } catch (UncheckedIOException | IOException e) {
            throw new BadInput("csv.broken", "file", "The file is no proper CSV: a quote is never closed.");
        }
    }

    private static void checkWidth(List<CSVRecord> rows) {
        for (CSVRecord row : rows) {
            if (row.size() > Limits.MOST_COLUMNS) {
                throw Limits.tooWide("row " + row.getRecordNumber());
            }
        }
    }

    public static char separator(String line) {
        char best = ',';
        for (char c : new char[] {';', '\t'}) {
            if (count(line, c) > count(line, best)) {
                best = c;
            }
        }
        return best;
    }

    private static long count(String line, char c) {
        return line.chars().filter(x -> x == c).count();
    }

    private static boolean isNumber(String text) {
        return text.strip().matches("[-+]?\\d+([.,]\\d+)?");
    }

    private static Mapping guess(List<String> header) {
        int lat = find(header, "lat", "latitude", "lat_deg", "y_deg");
        int lon = find(header, "lon", "lng", "long", "longitude", "lon_deg", "x_deg");
        boolean degrees = lat >= 0 && lon >= 0;
        return new Mapping(
                degrees ? lat : -1,
                degrees ? lon : -1,
                degrees ? -1 : find(header, "east", "e", "x", "east_m", "x_m", "easting"),
                degrees ? -1 : find(header, "north", "n", "y", "north_m", "y_m", "northing"),
                find(header, "height", "elevation", "ele", "z", "alt", "altitude", "height_m", "z_m"),
                find(header, "name", "point", "id", "label", "mark"),
                find(header, "line", "track", "fence", "group"),
                true,
                Optional.empty());
    }

    private static int find(List<String> header, String... names) {
        for (String name : names) {
            for (int i = 0; i < header.size(); i++) {
                if (header.get(i).strip().toLowerCase(Locale.ROOT).equals(name)) {
                    return i;
                }
            }
        }
        return -1;
    }

    /** The points as lines or marks; rows without a place are left out and said, a bad number is a problem with its row. */
    public static Tracks read(byte[] bytes, Mapping m) {
        Sheet sheet = sheet(bytes);
        boolean degrees = m.lat() >= 0 && m.lon() >= 0;
        if (!degrees && (m.east() < 0 || m.north() < 0)) {
            throw new BadInput(
                    "csv.columns",
                    "mapping",
                    "Say which columns are latitude and longitude, or metres east and north.");
        }
        if (!degrees && m.origin().isEmpty()) {
            throw new BadInput(
                    "csv.origin", "mapping.origin", "Metres east and north need a place they are counted from.");
        }
        LocalPlane plane = degrees ? null : new LocalPlane(m.origin().orElseThrow());
        Map<String, List<WalkPoint>> lines = new LinkedHashMap<>();
        List<Mark> marks = new ArrayList<>();
        List<String> leftOut = new ArrayList<>();
        List<Problem> problems = new ArrayList<>();
        int blank = 0;
        for (CSVRecord row : sheet.rows()) {
            String path = "row " + row.getRecordNumber();
            String first = cell(row, degrees ? m.lon() : m.east());
            String second = cell(row, degrees ? m.lat() : m.north());
            if (first.isBlank() && second.isBlank()) {
                blank++;
                continue;
            }
            try {
                OptionalDouble height = cell(row, m.height()).isBlank()
                        ? OptionalDouble.empty()
                        : OptionalDouble.of(number(cell(row, m.height())));
                GeoPoint flat = plane == null
                        ? GeoPoint.of(number(first), number(second))
                        : plane.toGeo(new PlanePoint(number(first), number(second)));
                GeoPoint at = height.isPresent() ? flat.withHeight(height.getAsDouble()) : flat;
                String name = Texts.cleaned(cell(row, m.name()), Texts.LONGEST_NAME, false);
                if (m.asLine()) {
                    lines.computeIfAbsent(
                                    Texts.cleaned(cell(row, m.line()), Texts.LONGEST_NAME, false),
                                    k -> new ArrayList<>())
                            .add(WalkPoint.of(at));
                } else if (name.isBlank()) {
                    leftOut.add("A point without a name in " + path + ".");
                } else {
                    marks.add(new Mark(name, at));
                }
            } catch (IllegalArgumentException e) {
                if (problems.size() < 20) {
                    problems.add(new Problem(
                            "csv.value",
                            path,
                            "“" + shortened(first) + "”, “" + shortened(second) + "”: " + e.getMessage() + "."));
                }
            }
        }
        if (!problems.isEmpty()) {
            throw new BadInput(problems);
        }
        if (blank > 0) {
            leftOut.add(blank + (blank == 1 ? " row" : " rows") + " without a place.");
        }
        List<Walk> walks = new ArrayList<>();
        lines.forEach((name, points) ->
                walks.add(new Walk(name.isBlank() ? "Line " + (walks.size() + 1) : name, List.of(points))));
        return new Tracks(walks, marks, leftOut);
    }

    private static String cell(CSVRecord row, int column) {
        return column >= 0 && column < row.size() ? row.get(column).strip() : "";
    }

    private static String shortened(String cell) {
        return Texts.cleaned(cell, 30, false);
    }

    private static double number(String text) {
        try {
            double value = Double.parseDouble(text.replace(',', '.'));
            if (!Double.isFinite(value) || Math.abs(value) > 1e7) {
                throw new IllegalArgumentException("this is no coordinate");
            }
            return value;
        } catch (NumberFormatException e) {
            throw new IllegalArgumentException("this is no number", e);
        }
    }
}
