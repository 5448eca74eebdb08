package buckle.exchange.in;

import buckle.exchange.Limits;
import buckle.land.LandCheck;
import buckle.site.BadInput;
import buckle.site.Texts;
import buckle.tape.TapeBook;
import buckle.tape.TapeRow;
import buckle.units.UnitSystem;
import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;

/** Reads a tape sheet: columns from, to, distance (the unit may stand in its name), and towards, offset, note when there. */
public final class TapeCsv {
    private TapeCsv() {}

    public static boolean looksLikeOne(String firstLine) {
        String line = firstLine.toLowerCase(Locale.ROOT).replace("\"", "");
        return line.matches("\\s*from\\s*[,;\\t]\\s*to\\s*[,;\\t]\\s*(distance|length|tape|dist).*");
    }

    public static TapeBook read(byte[] bytes, double stepM, UnitSystem units) {
        Limits.checkSize(bytes.length);
        Limits.checkCells(bytes);
        String text = new String(bytes, StandardCharsets.UTF_8).replace("\uFEFF", "");
        String head = text.lines()
                .filter(l -> !l.isBlank() && !l.startsWith("#"))
                .findFirst()
                .orElse("");
        try {
            List<CSVRecord> rows = CSVFormat.DEFAULT
                    .builder()
                    .setDelimiter(PointTable.separator(head))
                    .setCommentMarker('#')
                    .setIgnoreEmptyLines(true)
                    .setTrim(true)
                    .get()
                    .parse(new StringReader(text))
                    .getRecords();
            return book(rows, stepM, units);
        } catch (UncheckedIOException | IOException e) {
            throw new BadInput("csv.broken", "file", "The file is no proper CSV: a quote is never closed.");
        }
    }

    private static TapeBook book(List<CSVRecord> records, double stepM, UnitSystem units) {
        if (records.size() < 2) {
            throw new BadInput("tape.empty", "file", "The sheet holds no measures.");
        }
        List<String> header =
                records.getFirst().stream().map(h -> h.toLowerCase(Locale.ROOT)).toList();
        if (header.size() < 3) {
            throw new BadInput(
                    "tape.header",
                    "row 1",
                    "The columns from, to and distance stand in one cell. Take the quotes around the whole row away.");
        }
        String distance = header.get(2);
        UnitSystem bare =
                distance.endsWith("_m") ? UnitSystem.METRIC : distance.endsWith("_ft") ? UnitSystem.FT_IN : units;
        List<TapeRow> rows = new ArrayList<>();
        if (records.size() - 1 > LandCheck.MOST_TAPE_ROWS) {
            throw new BadInput(
                    "tape.too-many-rows",
                    "file",
                    "The sheet holds " + (records.size() - 1) + " measures; at most " + LandCheck.MOST_TAPE_ROWS
                            + " are read. Nothing was stored.");
        }
        for (CSVRecord r : records.subList(1, records.size())) {
            rows.add(new TapeRow(
                    cell(r, 0),
                    cell(r, 1),
                    cell(r, 2),
                    cell(r, header.indexOf("towards")),
                    cell(r, header.indexOf("offset")),
                    cell(r, header.indexOf("note"))));
        }
        return new TapeBook("tape-1", "Tape sheet", rows, bare, stepM, false, Optional.empty());
    }

    private static String cell(CSVRecord row, int column) {
        return column >= 0 && column < row.size() ? Texts.cleaned(row.get(column), Texts.LONGEST_NAME, false) : "";
    }
}
