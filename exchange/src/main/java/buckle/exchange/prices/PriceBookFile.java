package buckle.exchange.prices;

import buckle.exchange.out.Cells;
import buckle.price.PriceBook;
import buckle.price.PriceBook.Item;
import buckle.price.PriceBook.Offer;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;

/** Writes a price book as a table, one row a price, in the columns it is read by. */
public final class PriceBookFile {
    private static final String APPLICATION = "Buckle";
    private static final String VERSION = "1.0";

    private PriceBookFile() {}

    /** As CSV (RFC 4180), decimal point, UTF-8 with its mark in front, by which spreadsheets know it. */
    public static byte[] csv(PriceBook book) {
        StringBuilder out = new StringBuilder("\uFEFF");
        CSVFormat format = CSVFormat.RFC4180
                .builder()
                .setHeader(Arrays.stream(Column.values()).map(Column::header).toArray(String[]::new))
                .get();
        try (CSVPrinter csv = new CSVPrinter(out, format)) {
            for (Item item : book.items()) {
                for (List<Object> row : rows(item)) {
                    for (Object cell : row) {
                        csv.print(cell instanceof BigDecimal n ? n.toPlainString() : Cells.text(cell.toString()));
                    }
                    csv.println();
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException("writing in memory", e);
        }
        return out.toString().getBytes(StandardCharsets.UTF_8);
    }

    /** As a workbook of one sheet; texts stay texts, whatever they begin with. */
    public static byte[] xlsx(PriceBook book) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        write(book, out);
        return out.toByteArray();
    }

    private static void write(PriceBook book, OutputStream out) {
        try (Workbook workbook = new Workbook(out, APPLICATION, VERSION)) {
            Worksheet sheet = workbook.newWorksheet("Price book");
            int r = 0;
            for (Column c : Column.values()) {
                sheet.value(0, c.ordinal(), c.header());
                sheet.style(0, c.ordinal()).bold().set();
            }
            sheet.freezePane(1, 1);
            for (Item item : book.items()) {
                for (List<Object> row : rows(item)) {
                    r++;
                    for (int c = 0; c < row.size(); c++) {
                        if (row.get(c) instanceof BigDecimal n) {
                            sheet.value(r, c, n);
                        } else if (!row.get(c).toString().isEmpty()) {
                            sheet.value(r, c, row.get(c).toString());
                        }
                    }
                    if (r % 1000 == 0) {
                        sheet.flush();
                    }
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException("writing in memory", e);
        }
    }

    private static List<List<Object>> rows(Item item) {
        List<List<Object>> rows = new ArrayList<>();
        if (item.offers().isEmpty()) {
            rows.add(row(item, Optional.empty()));
        }
        item.offers().forEach(o -> rows.add(row(item, Optional.of(o))));
        return rows;
    }

    private static List<Object> row(Item item, Optional<Offer> offer) {
        return List.of(
                item.code(),
                item.description(),
                item.unit().name().toLowerCase(Locale.ROOT),
                item.product(),
                String.join(" ", item.substituteFor()),
                number(item.unitKg()),
                number(item.lifeYears()),
                offer.map(Offer::supplier).orElse(""),
                offer.map(Offer::pack).orElse(""),
                offer.<Object>map(Offer::packSize).orElse(""),
                offer.<Object>map(Offer::price).orElse(""),
                offer.map(Offer::currency).orElse(""),
                offer.<Object>map(o -> BigDecimal.valueOf(o.fromPacks())).orElse(""),
                offer.map(o -> o.date().toString()).orElse(""),
                offer.map(Offer::taxClass).orElse(""));
    }

    private static Object number(OptionalDouble value) {
        return value.isPresent() ? BigDecimal.valueOf(value.getAsDouble()) : "";
    }
}
