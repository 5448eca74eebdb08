package buckle.exchange.stock;

import buckle.exchange.out.Cells;
import buckle.stock.LoadSheet;
import buckle.stock.LoadSheet.Line;
import buckle.stock.LoadSheet.Order;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;

/** A load sheet as a table: CSV (RFC 4180) and a workbook whose sums recalculate. Metres and kilograms. */
public final class LoadSheetTable {
    private static final List<String> LOAD = List.of(
            "line",
            "use",
            "bay",
            "product",
            "name",
            "unit",
            "length_m",
            "pieces",
            "amount",
            "mass_kg",
            "place",
            "supplier");
    private static final List<String> BUY =
            List.of("supplier", "code", "name", "pack", "pack_size", "unit", "packs", "pack_price", "cost", "currency");
    private static final int MASS = 9;
    private static final int COST = 8;

    private LoadSheetTable() {}

    /** What is loaded, in the order of its use. */
    public static byte[] csv(LoadSheet sheet) {
        return csv(LOAD, load(sheet));
    }

    /** What is bought, supplier by supplier. */
    public static byte[] purchaseCsv(LoadSheet sheet) {
        return csv(BUY, buy(sheet));
    }

    /** Both, on two sheets. */
    public static byte[] xlsx(LoadSheet sheet) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (Workbook workbook = new Workbook(out, "Buckle", "1.0")) {
            sheet(workbook, "Load", LOAD, load(sheet), MASS);
            sheet(workbook, "Buy", BUY, buy(sheet), COST);
        } catch (IOException e) {
            throw new UncheckedIOException("writing in memory", e);
        }
        return out.toByteArray();
    }

    private static List<List<Object>> load(LoadSheet sheet) {
        List<List<Object>> rows = new ArrayList<>();
        for (Line l : sheet.lines()) {
            rows.add(List.of(
                    l.number(),
                    l.use(),
                    l.bay().text(),
                    l.product(),
                    l.name(),
                    l.byMetre() ? "m" : "pcs",
                    l.lengthM() > 0 ? l.lengthM() : "",
                    l.pieces(),
                    l.amount(),
                    l.massKg().isPresent() ? Math.round(l.massKg().getAsDouble() * 10) / 10.0 : "",
                    l.source().place(),
                    l.source().order().map(Order::supplier).orElse("")));
        }
        return rows;
    }

    private static List<List<Object>> buy(LoadSheet sheet) {
        List<List<Object>> rows = new ArrayList<>();
        for (Line l : sheet.bySupplier()) {
            Order o = l.source().order().orElseThrow();
            rows.add(List.of(
                    o.supplier(),
                    o.code(),
                    l.name(),
                    o.pack(),
                    l.amount() / o.count(),
                    l.byMetre() ? "m" : "pcs",
                    o.count(),
                    o.price(),
                    o.cost(),
                    sheet.currency()));
        }
        return rows;
    }

    private static byte[] csv(List<String> header, List<List<Object>> rows) {
        StringBuilder out = new StringBuilder();
        CSVFormat format = CSVFormat.RFC4180
                .builder()
                .setHeader(header.toArray(String[]::new))
                .get();
        try (CSVPrinter csv = new CSVPrinter(out, format)) {
            for (List<Object> row : rows) {
                csv.printRecord(row.stream().map(LoadSheetTable::cell).toList());
            }
        } catch (IOException e) {
            throw new UncheckedIOException("writing in memory", e);
        }
        return out.toString().getBytes(StandardCharsets.UTF_8);
    }

    private static String cell(Object value) {
        return value instanceof String text ? Cells.text(text) : String.valueOf(value);
    }

    /** @param summed column whose sum stands under it */
    static void sheet(Workbook workbook, String name, List<String> header, List<List<Object>> rows, int summed) {
        Worksheet sheet = workbook.newWorksheet(name);
        for (int c = 0; c < header.size(); c++) {
            sheet.value(0, c, header.get(c));
            sheet.style(0, c).bold().set();
        }
        for (int r = 0; r < rows.size(); r++) {
            for (int c = 0; c < header.size(); c++) {
                switch (rows.get(r).get(c)) {
                    case Number n -> sheet.value(r + 1, c, n);
                    case Object text -> sheet.value(r + 1, c, String.valueOf(text));
                }
            }
        }
        char column = (char) ('A' + summed);
        int last = rows.size() + 1;
        sheet.formula(last, summed, last == 1 ? "0" : "SUM(" + column + "2:" + column + last + ")");
        sheet.style(last, summed).bold().set();
    }
}
