package buckle.exchange.in;

import buckle.exchange.Limits;
import buckle.layout.Layout;
import buckle.layout.LineLayout;
import buckle.layout.TestPoint;
import buckle.readings.Observation;
import buckle.readings.Observed;
import buckle.readings.Weather;
import buckle.site.BadInput;
import buckle.site.GeoPoint;
import buckle.site.LocalPlane;
import buckle.site.Problem;
import buckle.site.Stationing;
import buckle.site.Texts;
import buckle.spec.Growth;
import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;

/**
 * Reads readings from a table. Needed are a column {@code time}, one that says where ({@code test_point}, or {@code line} with
 * {@code station_m}, or {@code lon_deg} with {@code lat_deg}) and {@code value}; without a {@code kind} it is the peak on the joined hot
 * wires, without a unit kilovolts. Good rows are kept whatever the others are.
 *
 * @param readings in the order of their rows, {@code rows} with the number of each
 */
public record ReadingsTable(List<Observation> readings, List<Integer> rows, List<Problem> problems) {
    private static final int MOST_ROWS = 5000;

    public ReadingsTable {
        readings = List.copyOf(readings);
        rows = List.copyOf(rows);
        problems = List.copyOf(problems);
    }

    /**
     * @param seed a row without an id gets one of this and of what it holds, so that the same row sent twice is one reading
     * @param by who took what names nobody
     * @param zone of times without one
     */
    public static ReadingsTable read(byte[] bytes, Layout layout, UUID seed, String by, ZoneId zone) {
        Limits.checkSize(bytes.length);
        Limits.checkCells(bytes);
        String text = new String(bytes, StandardCharsets.UTF_8).replace("\uFEFF", "");
        String head = text.lines().filter(l -> !l.isBlank()).findFirst().orElse("");
        List<CSVRecord> records;
        try {
            records = CSVFormat.DEFAULT
                    .builder()
                    .setDelimiter(PointTable.separator(head))
                    .setIgnoreEmptyLines(true)
                    .setTrim(true)
                    .get()
                    .parse(new StringReader(text))
                    .getRecords();
        } catch (UncheckedIOException | IOException e) {
            throw new BadInput("csv.broken", "file", "The file is no proper CSV: a quote is never closed.");
        }
        if (records.size() < 2) {
            throw new BadInput("readings.empty", "file", "The table holds no readings.");
        }
        if (records.size() - 1 > MOST_ROWS) {
            throw new BadInput(
                    "readings.too-many", "file", "At most 5,000 readings are read at once. Nothing was stored.");
        }
        Map<String, Integer> columns = new HashMap<>();
        CSVRecord header = records.getFirst();
        for (int i = 0; i < header.size(); i++) {
            columns.putIfAbsent(header.get(i).toLowerCase(Locale.ROOT).replace(' ', '_'), i);
        }
        for (String needed : List.of("time", "value")) {
            if (!columns.containsKey(needed)) {
                throw new BadInput(
                        "readings.column",
                        "row 1",
                        "The table has no column “" + needed + "”. Its first row names the columns: time, value, and "
                                + "test_point, or line and station_m.");
            }
        }
        Reader reader = new Reader(layout, columns, seed, by, zone);
        List<Observation> readings = new ArrayList<>();
        List<Integer> rows = new ArrayList<>();
        List<Problem> problems = new ArrayList<>();
        for (CSVRecord r : records.subList(1, records.size())) {
            int number = (int) r.getRecordNumber();
            try {
                readings.add(reader.observation(r));
                rows.add(number);
            } catch (BadInput e) {
                Problem p = e.problems().getFirst();
                problems.add(new Problem(p.code(), "row " + number, p.message()));
            } catch (IllegalArgumentException e) {
                String why = String.valueOf(e.getMessage());
                problems.add(new Problem(
                        "readings.value",
                        "row " + number,
                        why.isEmpty() ? why : Character.toUpperCase(why.charAt(0)) + why.substring(1) + "."));
            }
        }
        return new ReadingsTable(readings, rows, problems);
    }

    private record Reader(Layout layout, Map<String, Integer> columns, UUID seed, String by, ZoneId zone) {
        Observation observation(CSVRecord r) {
            String id = cell(r, "id");
            String corrects = cell(r, "corrects");
            String by = cell(r, "by");
            String meter = cell(r, "meter");
            String switches = cell(r, "open_switches");
            return new Observation(
                    id.isEmpty() ? made(r) : uuid("id", id),
                    spot(r),
                    what(r),
                    meter.isEmpty() ? Optional.empty() : Optional.of(meter),
                    one(Weather.class, cell(r, "weather"), Weather.DRY),
                    one(Growth.class, cell(r, "growth"), Growth.LIGHT),
                    switches.isEmpty()
                            ? Optional.empty()
                            : Optional.of(Arrays.stream(switches.split("\\s+")).toList()),
                    time(cell(r, "time")),
                    by.isEmpty() ? this.by : by,
                    cell(r, "note"),
                    corrects.isEmpty() ? Optional.empty() : Optional.of(uuid("corrects", corrects)));
        }

        private UUID made(CSVRecord r) {
            return UUID.nameUUIDFromBytes(
                    (seed + "\n" + String.join("\n", r.toList())).getBytes(StandardCharsets.UTF_8));
        }

        private String cell(CSVRecord r, String column) {
            Integer i = columns.get(column);
            if (i == null || i >= r.size()) {
                return "";
            }
            String text = r.get(i);
            // As Cells wrote it, so that a spreadsheet took it for a text.
            boolean guarded = text.length() > 1 && text.charAt(0) == '\'' && "=+-@".indexOf(text.charAt(1)) >= 0;
            return Texts.cleaned(guarded ? text.substring(1) : text, 500, false);
        }

        private static UUID uuid(String column, String text) {
            try {
                return UUID.fromString(text);
            } catch (IllegalArgumentException e) {
                throw new BadInput("readings.id", column, "“" + text + "” in column " + column + " is no id.");
            }
        }

        private Instant time(String text) {
            try {
                return text.matches(".*(Z|[+-]\\d\\d:?\\d\\d)$")
                        ? OffsetDateTime.parse(text.replace(' ', 'T')).toInstant()
                        : LocalDateTime.parse(text.replace(' ', 'T'))
                                .atZone(zone)
                                .toInstant();
            } catch (DateTimeException e) {
                throw new BadInput(
                        "readings.time",
                        "time",
                        "“" + text + "” is no time; write 2026-05-02T14:30 or 2026-05-02T14:30:00Z.");
            }
        }

        private static <E extends Enum<E>> E one(Class<E> type, String text, E otherwise) {
            return text.isEmpty() ? otherwise : one(type, text);
        }

        private static <E extends Enum<E>> E one(Class<E> type, String text) {
            try {
                return Enum.valueOf(type, text.toUpperCase(Locale.ROOT).replace(' ', '_'));
            } catch (IllegalArgumentException e) {
                throw new BadInput(
                        "readings.word",
                        "",
                        "“" + text + "” is none of "
                                + String.join(
                                        ", ",
                                        Arrays.stream(type.getEnumConstants())
                                                .map(c -> c.name().toLowerCase(Locale.ROOT))
                                                .toList())
                                + ".");
            }
        }

        private OptionalDouble number(CSVRecord r, String column, double times) {
            String text = cell(r, column);
            if (text.isEmpty()) {
                return OptionalDouble.empty();
            }
            String plain = text.matches("[-0-9]+,[0-9]+") ? text.replace(',', '.') : text;
            if (plain.matches("[-+]?[0-9]{0,12}([.][0-9]{1,30})?") && !plain.matches("[-+]?")) {
                return OptionalDouble.of(new BigDecimal(plain)
                        .multiply(BigDecimal.valueOf(times))
                        .doubleValue());
            }
            throw new BadInput("readings.number", column, "“" + text + "” in column " + column + " is no number.");
        }

        private Observed what(CSVRecord r) {
            String kind = cell(r, "kind").toLowerCase(Locale.ROOT).replace(' ', '_');
            String unit = cell(r, "unit");
            double volts = switch (unit.toLowerCase(Locale.ROOT)) {
                case "v" -> 1;
                case "", "kv" -> 1000;
                case "a", "ohm", "ω", "m" -> 1;
                default ->
                    throw new BadInput(
                            "readings.unit", "unit", "The unit “" + unit + "” is not known: kV, V, A, ohm or m.");
            };
            return switch (kind) {
                case "", "peak" ->
                    new Observed.Peak(
                            wire(r),
                            value(r, volts),
                            yes(r, "over_range"),
                            number(r, "range", volts),
                            number(r, "resolution", volts));
                case "unpowered" ->
                    new Observed.Unpowered(
                            wire(r),
                            value(r, volts),
                            yes(r, "over_range"),
                            number(r, "range", volts),
                            number(r, "resolution", volts));
                case "earth_terminal" ->
                    new Observed.EarthTerminal(
                            value(r, volts),
                            yes(r, "over_range"),
                            number(r, "range", volts),
                            number(r, "resolution", volts));
                case "earth_test" -> new Observed.EarthTest(value(r, volts), number(r, "range", volts));
                case "current" ->
                    new Observed.Current(
                            value(r, 1),
                            one(Observed.Direction.class, cell(r, "direction"), Observed.Direction.UNKNOWN),
                            number(r, "resolution", 1));
                case "battery" -> new Observed.BatteryVoltage(value(r, 1));
                case "resistance" -> new Observed.Resistance(value(r, 1));
                case "indicator" -> new Observed.Indicator(one(Observed.Light.class, cell(r, "seen")));
                case "seen" -> new Observed.Seen(one(Observed.Thing.class, cell(r, "seen")), touches(r));
                case "checked" -> {
                    String of = cell(r, "of");
                    yield new Observed.Checked(
                            one(Observed.Check.class, cell(r, "seen")),
                            of.isEmpty() ? Optional.empty() : Optional.of(of),
                            value(r, 1) != 0);
                }
                case "voided" -> new Observed.Voided();
                case "looked_over" -> {
                    double to = value(r, 1);
                    yield new Observed.LookedOver(to, place(r, "to_lon_deg", "to_lat_deg", spot(r).lineId(), to));
                }
                case "supply_checked" -> new Observed.SupplyChecked();
                default -> throw new BadInput("readings.kind", "kind", "The kind “" + kind + "” is not known.");
            };
        }

        private double value(CSVRecord r, double times) {
            return number(r, "value", times)
                    .orElseThrow(() -> new BadInput("readings.value", "value", "There is no value."));
        }

        private int wire(CSVRecord r) {
            double wire = number(r, "wire", 1).orElse(0);
            if (wire != Math.rint(wire)) {
                throw new BadInput("readings.wire", "wire", "A wire has a whole number, counted from the ground up.");
            }
            return (int) wire;
        }

        private boolean yes(CSVRecord r, String column) {
            return List.of("yes", "true", "1", "y").contains(cell(r, column).toLowerCase(Locale.ROOT));
        }

        private Optional<Boolean> touches(CSVRecord r) {
            return cell(r, "touches").isEmpty() ? Optional.empty() : Optional.of(yes(r, "touches"));
        }

        /** Where it says it was read, or the test point of that name. */
        private Observation.Spot spot(CSVRecord r) {
            String point = cell(r, "test_point");
            Optional<TestPoint> known = layout.testPoints().stream()
                    .filter(p -> p.id().equals(point) || p.name().equalsIgnoreCase(point))
                    .findFirst();
            String name = cell(r, "line");
            Optional<LineLayout> line = layout.lines().stream()
                    .filter(l -> l.lineId().equals(name) || l.name().equalsIgnoreCase(name))
                    .findFirst();
            boolean placed = !cell(r, "lon_deg").isEmpty();
            OptionalDouble station = number(r, "station_m", 1);
            if (!point.isEmpty() && known.isEmpty() && (line.isEmpty() || station.isEmpty())) {
                throw new BadInput(
                        "readings.place", "test_point", "There is no test point “" + point + "” on this fence.");
            }
            if (known.isPresent() && !placed) {
                TestPoint p = known.get();
                return new Observation.Spot(
                        Optional.of(p.id()), p.lineId(), p.stationM(), GeoPoint.of(p.lonDeg(), p.latDeg()));
            }
            if (line.isEmpty() && known.isEmpty()) {
                throw new BadInput(
                        "readings.place",
                        "line",
                        name.isEmpty()
                                ? "The row does not say where."
                                : "There is no line “" + name + "” on this fence.");
            }
            String lineId = line.map(LineLayout::lineId)
                    .orElseGet(() -> known.orElseThrow().lineId());
            double at = station.orElseGet(() -> known.map(TestPoint::stationM).orElse(0.0));
            return new Observation.Spot(
                    placed ? known.map(TestPoint::id) : Optional.empty(),
                    lineId,
                    at,
                    place(r, "lon_deg", "lat_deg", lineId, at));
        }

        /** Where it says it is, or at a station of a line. */
        private GeoPoint place(CSVRecord r, String lonColumn, String latColumn, String lineId, double stationM) {
            OptionalDouble lon = number(r, lonColumn, 1);
            OptionalDouble lat = number(r, latColumn, 1);
            if (lon.isPresent() && lat.isPresent()) {
                return GeoPoint.of(lon.getAsDouble(), lat.getAsDouble());
            }
            LineLayout on = layout.lines().stream()
                    .filter(l -> l.lineId().equals(lineId))
                    .findFirst()
                    .orElseThrow(() ->
                            new BadInput("readings.place", "line", "There is no line “" + lineId + "” on this fence."));
            if (!(stationM >= 0 && stationM <= on.lengthM() + 0.5)) {
                throw new BadInput(
                        "readings.station",
                        "station_m",
                        "Station " + stationM + " m is beyond “" + on.name() + "”, which is " + Math.round(on.lengthM())
                                + " m long.");
            }
            LocalPlane plane = new LocalPlane(layout.origin());
            Stationing stationing =
                    new Stationing(on.corners().stream().map(plane::toPlane).toList(), on.closed());
            return plane.toGeo(stationing.at(Math.min(stationM, on.lengthM())));
        }
    }
}
