package buckle.exchange.out;

import buckle.circuit.Electrics;
import buckle.message.English;
import buckle.message.Message;
import buckle.units.UnitSystem;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/** Writes all numbers of the electrics as CSV (RFC 4180): one row a number, with where it belongs, decimal point, UTF-8. */
public final class ElectricsCsv {
    private static final CSVFormat FORMAT = CSVFormat.RFC4180
            .builder()
            .setHeader("table", "name", "line", "station_m", "quantity", "value", "unit")
            .get();

    private final CSVPrinter csv;
    private final UnitSystem units;

    private ElectricsCsv(CSVPrinter csv, UnitSystem units) {
        this.csv = csv;
        this.units = units;
    }

    public static byte[] write(Electrics e, UnitSystem units) {
        StringBuilder out = new StringBuilder();
        try (CSVPrinter printer = new CSVPrinter(out, FORMAT)) {
            new ElectricsCsv(printer, units).all(e);
        } catch (IOException io) {
            throw new UncheckedIOException(io);
        }
        return out.toString().getBytes(StandardCharsets.UTF_8);
    }

    private void all(Electrics e) throws IOException {
        for (Electrics.PulsePoint p : e.points()) {
            String station = number(p.stationM());
            row("pulse", "", p.lineId(), station, "low peak", p.lowV(), "V");
            row("pulse", "", p.lineId(), station, "likely peak", p.likelyV(), "V");
            row("pulse", "", p.lineId(), station, "high peak", p.highV(), "V");
            if (p.atS().isPresent()) {
                row("pulse", "", p.lineId(), station, "time of peak", p.atS().getAsDouble() * 1e6, "µs");
            }
            if (p.currentA().isPresent()) {
                row(
                        "pulse",
                        "",
                        p.lineId(),
                        station,
                        "peak current",
                        p.currentA().getAsDouble(),
                        "A");
            }
        }
        for (Electrics.Candidate c :
                e.energizers().map(Electrics.Energizers::candidates).orElse(List.of())) {
            String name = c.plate().name();
            row("energizer", name, "", "", "weakest, clean", c.cleanV(), "V");
            row("energizer", name, "", "", "weakest, as planned", c.likelyV(), "V");
            row("energizer", name, "", "", "weakest, heavy growth", c.heavyV(), "V");
            row("energizer", name, "", "", "output at 500 ohm", c.outJ(), "J");
            row(
                    "energizer",
                    name,
                    "",
                    "",
                    "most ohms its earth may have",
                    c.earth().mostOhm(),
                    "ohm");
            row("energizer", name, "", "", "power drawn", c.drawW(), "W");
            if (c.plate().price().isPresent()) {
                row("energizer", name, "", "", "price", c.plate().price().getAsDouble(), "");
            }
        }
        for (Electrics.WhatIf w : e.whatIfs().orElse(List.of())) {
            row("what if", text(w.name()), "", "", "weakest", w.weakestV(), "V");
            row("what if", text(w.name()), "", "", "weakest, heavy growth", w.heavyV(), "V");
        }
        for (Electrics.Assumed a : e.assumed()) {
            row("assumed", text(a.name()), "", "", "weakest, at least", a.lowestV(), "V");
            row("assumed", text(a.name()), "", "", "weakest, at most", a.highestV(), "V");
        }
        if (e.earth().isPresent()) {
            earth(e.earth().get());
        }
        if (e.supply().isPresent()) {
            supply(e.supply().get());
        }
    }

    private void supply(Electrics.SupplyAnswer supply) throws IOException {
        for (var m : supply.battery().map(Electrics.BatteryAnswer::year).orElse(List.of())) {
            String month = "month " + m.month();
            row("year", month, "", "", "sun on the panel", m.sunMjPerM2(), "MJ/m² a day");
            row("year", month, "", "", "made", m.madeAhPerDay(), "Ah a day");
            row("year", month, "", "", "used", m.usedAhPerDay(), "Ah a day");
            row("year", month, "", "", "lowest charge", 100 * m.lowestShare(), "%");
        }
        row("supply", "", "", "", "power drawn", supply.drawW(), "W");
    }

    private void earth(Electrics.EarthAnswer earth) throws IOException {
        row("earth", "rods as planned", "", "", "resistance", earth.rodsOhm(), "ohm");
        row("earth", "rods as planned", "", "", "last rod in the earth test", earth.testV(), "V");
        for (var list : java.util.List.of(earth.schools(), earth.improvements(), earth.seasons())) {
            for (Electrics.EarthCase c : list) {
                row("earth", text(c.name()), "", "", "resistance", c.ohm(), "ohm");
                row("earth", text(c.name()), "", "", "last rod in the earth test", c.testV(), "V");
            }
        }
        for (Electrics.Shock s : earth.shocks()) {
            row("shock", text(s.contact()), "", "", ("energy in the body " + text(s.who())).trim(), s.bodyJ(), "J");
        }
    }

    private void row(String table, String name, String line, String station, String quantity, double value, String unit)
            throws IOException {
        csv.printRecord(table, Cells.text(name), Cells.text(line), station, quantity, number(value), unit);
    }

    private String text(Message message) {
        return English.text(message, units);
    }

    private static String number(double value) {
        return String.format(Locale.ROOT, "%.6g", value);
    }
}
