package buckle.exchange.out;

import buckle.layout.Layout;
import buckle.layout.LineLayout;
import buckle.layout.TestPoint;
import buckle.readings.Observation;
import buckle.readings.Observed;
import buckle.site.GeoPoint;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/** Readings as CSV (RFC 4180), one a row; {@link buckle.exchange.in.ReadingsTable} reads them again. */
public final class ReadingsCsv {
    /** Columns in their order. */
    public static final List<String> COLUMNS = List.of(
            "time",
            "by",
            "line",
            "test_point",
            "station_m",
            "lon_deg",
            "lat_deg",
            "kind",
            "wire",
            "value",
            "unit",
            "over_range",
            "range",
            "resolution",
            "direction",
            "seen",
            "touches",
            "of",
            "weather",
            "growth",
            "meter",
            "open_switches",
            "note",
            "id",
            "corrects",
            "to_lon_deg",
            "to_lat_deg");

    private ReadingsCsv() {}

    /** What of a reading depends on its kind. */
    private record Cell(
            String kind,
            String wire,
            String value,
            String unit,
            String overRange,
            String range,
            String resolution,
            String direction,
            String seen,
            String touches,
            String of) {
        static Cell of(String kind, String wire, double value, String unit) {
            return new Cell(kind, wire, number(value), unit, "", "", "", "", "", "", "");
        }

        static Cell voltage(String kind, String wire, Observed.Voltage v) {
            return new Cell(
                    kind,
                    wire,
                    kilo(OptionalDouble.of(v.peakV())),
                    "kV",
                    v.overRange() ? "yes" : "no",
                    kilo(v.rangeV()),
                    kilo(v.resolutionV()),
                    "",
                    "",
                    "",
                    "");
        }

        static Cell seen(String kind, String seen, String touches) {
            return new Cell(kind, "", "", "", "", "", "", "", seen, touches, "");
        }
    }

    public static byte[] write(List<Observation> readings, Layout layout) {
        Map<String, String> lines = new HashMap<>();
        layout.lines().forEach((LineLayout l) -> lines.put(l.lineId(), l.name()));
        Map<String, String> points = new HashMap<>();
        layout.testPoints().forEach((TestPoint p) -> points.put(p.id(), p.name()));
        StringBuilder out = new StringBuilder();
        CSVFormat format = CSVFormat.RFC4180
                .builder()
                .setHeader(COLUMNS.toArray(String[]::new))
                .get();
        try (CSVPrinter csv = new CSVPrinter(out, format)) {
            for (Observation o : readings) {
                Cell c = cell(o.what());
                Optional<String> point = o.at().testPointId();
                csv.printRecord(
                        o.takenAt(),
                        Cells.text(o.takenBy()),
                        Cells.text(lines.getOrDefault(o.at().lineId(), o.at().lineId())),
                        Cells.text(point.map(p -> points.getOrDefault(p, p)).orElse("")),
                        number(o.at().stationM()),
                        number(o.at().place().lonDeg()),
                        number(o.at().place().latDeg()),
                        c.kind(),
                        c.wire(),
                        c.value(),
                        c.unit(),
                        c.overRange(),
                        c.range(),
                        c.resolution(),
                        c.direction(),
                        c.seen(),
                        c.touches(),
                        c.of(),
                        word(o.weather()),
                        word(o.growth()),
                        Cells.text(o.meter().orElse("")),
                        Cells.text(
                                o.openSwitches().map(s -> String.join(" ", s)).orElse("")),
                        Cells.text(o.note()),
                        o.id(),
                        o.corrects().map(Object::toString).orElse(""),
                        end(o).map(p -> number(p.lonDeg())).orElse(""),
                        end(o).map(p -> number(p.latDeg())).orElse(""));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toString().getBytes(StandardCharsets.UTF_8);
    }

    /** Where a stretch ends. */
    private static Optional<GeoPoint> end(Observation o) {
        return o.what() instanceof Observed.LookedOver l ? Optional.of(l.toPlace()) : Optional.empty();
    }

    private static Cell cell(Observed what) {
        return switch (what) {
            case Observed.Peak p -> Cell.voltage("peak", String.valueOf(p.wire()), p);
            case Observed.EarthTerminal e -> Cell.voltage("earth_terminal", "", e);
            case Observed.Unpowered u -> Cell.voltage("unpowered", String.valueOf(u.wire()), u);
            case Observed.Current a ->
                new Cell(
                        "current",
                        "",
                        number(a.peakA()),
                        "A",
                        "",
                        "",
                        a.resolutionA().isPresent() ? number(a.resolutionA().getAsDouble()) : "",
                        word(a.direction()),
                        "",
                        "",
                        "");
            case Observed.BatteryVoltage b -> Cell.of("battery", "", b.batteryV(), "V");
            case Observed.Resistance r -> Cell.of("resistance", "", r.ohm(), "ohm");
            case Observed.EarthTest t ->
                new Cell(
                        "earth_test",
                        "",
                        kilo(OptionalDouble.of(t.peakV())),
                        "kV",
                        "",
                        kilo(t.fenceV()),
                        "",
                        "",
                        "",
                        "",
                        "");
            case Observed.Indicator i -> Cell.seen("indicator", word(i.light()), "");
            case Observed.Seen s ->
                Cell.seen(
                        "seen",
                        word(s.thing()),
                        s.touches().map(t -> t ? "yes" : "no").orElse(""));
            case Observed.Voided _ -> Cell.seen("voided", "", "");
            case Observed.LookedOver l -> Cell.of("looked_over", "", l.toM(), "m");
            case Observed.SupplyChecked _ -> Cell.seen("supply_checked", "", "");
            case Observed.Checked c ->
                new Cell(
                        "checked",
                        "",
                        c.inOrder() ? "1" : "0",
                        "",
                        "",
                        "",
                        "",
                        "",
                        word(c.check()),
                        "",
                        Cells.text(c.of().orElse("")));
        };
    }

    private static String word(Enum<?> constant) {
        return constant.name().toLowerCase(Locale.ROOT);
    }

    private static String kilo(OptionalDouble volts) {
        return volts.isPresent() ? plain(BigDecimal.valueOf(volts.getAsDouble()).movePointLeft(3)) : "";
    }

    private static String number(double value) {
        return plain(BigDecimal.valueOf(value));
    }

    /** All its digits: what comes in again is what went out. */
    private static String plain(BigDecimal value) {
        return value.stripTrailingZeros().toPlainString();
    }
}
