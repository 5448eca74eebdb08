package buckle.exchange.prices;

import buckle.exchange.Limits;
import buckle.exchange.in.PointTable;
import buckle.site.BadInput;
import buckle.task.Cancellation;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.apache.commons.compress.archivers.zip.ZipArchiveEntry;
import org.apache.commons.compress.archivers.zip.ZipFile;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.dhatim.fastexcel.reader.Cell;
import org.dhatim.fastexcel.reader.CellType;
import org.dhatim.fastexcel.reader.ExcelReaderException;
import org.dhatim.fastexcel.reader.ReadableWorkbook;
import org.dhatim.fastexcel.reader.Row;

/**
 * Rows of text from a CSV or the first sheet of an XLSX.
 *
 * @param decimalPoint whether numbers are written with a point for certain, as a spreadsheet stores them
 */
record SheetRows(List<String> header, List<Line> lines, boolean decimalPoint) {
    private static final int MOST_ROWS = 200_000;
    private static final long MOST_UNPACKED = 400L * 1024 * 1024;
    private static final int LONGEST_CELL = 2_000;

    /** A row with its number in the file, from 1. */
    record Line(int number, List<String> cells) {
        String cell(int column) {
            return column >= 0 && column < cells.size() ? cells.get(column) : "";
        }
    }

    static SheetRows of(byte[] bytes) {
        Limits.checkSize(bytes.length);
        boolean zip = bytes.length > 3 && bytes[0] == 'P' && bytes[1] == 'K';
        List<Line> lines = zip ? xlsx(bytes) : csv(bytes);
        if (lines.isEmpty()) {
            throw new BadInput("price.empty", "file", "The file holds no rows.");
        }
        if (lines.size() > MOST_ROWS) {
            throw new BadInput(
                    "price.too-many-rows",
                    "file",
                    "The list has more than 200,000 rows. Split it. Nothing was stored.");
        }
        List<String> header =
                lines.getFirst().cells().stream().map(String::strip).toList();
        return new SheetRows(header, lines.subList(1, lines.size()), zip);
    }

    private static List<Line> csv(byte[] bytes) {
        Limits.checkCells(bytes);
        String text = new String(bytes, StandardCharsets.UTF_8);
        if (text.startsWith("\uFEFF")) {
            text = text.substring(1);
        }
        String first = text.lines().filter(l -> !l.isBlank()).findFirst().orElse("");
        CSVFormat format = CSVFormat.DEFAULT
                .builder()
                .setDelimiter(PointTable.separator(first))
                .setIgnoreEmptyLines(true)
                .setTrim(true)
                .get();
        try {
            List<Line> lines = new ArrayList<>();
            for (CSVRecord row : format.parse(new StringReader(text))) {
                if (row.size() > Limits.MOST_COLUMNS) {
                    throw Limits.tooWide("row " + row.getRecordNumber());
                }
                lines.add(new Line(
                        (int) row.getRecordNumber(),
                        row.stream().map(SheetRows::cell).toList()));
            }
            return lines;
        } catch (UncheckedIOException | IOException e) {
            throw new BadInput("price.broken", "file", "The file is no proper CSV: a quote is never closed.");
        }
    }

    /** Values only: a formula counts as what it came to when the file was saved, a macro is not looked at. */
    private static List<Line> xlsx(byte[] bytes) {
        checkUnpacked(bytes);
        try (ReadableWorkbook book = new ReadableWorkbook(new ByteArrayInputStream(bytes));
                Stream<Row> rows = book.getFirstSheet().openStream()) {
            List<Line> lines = new ArrayList<>();
            rows.forEach(row -> {
                Cancellation.check();
                if (row.getCellCount() > Limits.MOST_COLUMNS) {
                    throw Limits.tooWide("row " + row.getRowNum());
                }
                List<String> cells = new ArrayList<>();
                for (int i = 0; i < row.getCellCount(); i++) {
                    Optional<Cell> cell = row.getOptionalCell(i);
                    cells.add(cell.map(SheetRows::text).orElse(""));
                }
                if (cells.stream().anyMatch(c -> !c.isBlank())) {
                    lines.add(new Line(row.getRowNum(), cells));
                }
                if (lines.size() > MOST_ROWS + 1) {
                    throw new BadInput(
                            "price.too-many-rows",
                            "file",
                            "The list has more than 200,000 rows. Split it. Nothing was stored.");
                }
            });
            return lines;
        } catch (IOException | UncheckedIOException | ExcelReaderException | IllegalArgumentException e) {
            throw new BadInput("price.broken", "file", "The file is no workbook that can be read. Nothing was stored.");
        }
    }

    private static String text(Cell cell) {
        if (cell.getType() == CellType.NUMBER) {
            return cell.asNumber().stripTrailingZeros().toPlainString();
        }
        String raw = cell.getType() == CellType.FORMULA ? cell.getRawValue() : cell.getText();
        return cell(raw == null ? "" : raw);
    }

    private static String cell(String text) {
        if (text.length() > LONGEST_CELL) {
            throw new BadInput("price.cell", "file", "A cell holds more than 2,000 characters. Nothing was stored.");
        }
        String t = text.strip();
        // Written by Buckle so that a spreadsheet does not take it for a formula.
        return t.length() > 1 && t.charAt(0) == '\'' && "=+-@".indexOf(t.charAt(1)) >= 0 ? t.substring(1) : t;
    }

    /** A small file may unpack to a very large one. */
    private static void checkUnpacked(byte[] bytes) {
        long all = 0;
        byte[] buffer = new byte[65_536];
        try (ZipFile zip = ZipFile.builder().setByteArray(bytes).get()) {
            for (ZipArchiveEntry entry : Collections.list(zip.getEntries())) {
                try (InputStream in = zip.getInputStream(entry)) {
                    for (int n = in.read(buffer); n > 0; n = in.read(buffer)) {
                        all += n;
                        if (all > MOST_UNPACKED) {
                            throw new BadInput(
                                    "price.too-large",
                                    "file",
                                    "The workbook unpacks to more than 400 MB. Nothing was stored.");
                        }
                    }
                }
            }
        } catch (IOException e) {
            throw new BadInput("price.broken", "file", "The file is no workbook that can be read. Nothing was stored.");
        }
    }
}
