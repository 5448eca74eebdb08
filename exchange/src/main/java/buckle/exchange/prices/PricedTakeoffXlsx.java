package buckle.exchange.prices;

import buckle.exchange.prices.PriceView.MaterialRow;
import buckle.price.Price;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;

/** A priced takeoff as a workbook that recalculates: packs times price, and their sum. */
public final class PricedTakeoffXlsx {
    private static final List<String> HEADER = List.of(
            "product",
            "name",
            "unit",
            "counted",
            "spare",
            "allowance",
            "code",
            "supplier",
            "pack",
            "pack_size",
            "packs",
            "pack_price",
            "cost",
            "left_over",
            "mass_kg");
    private static final int COST = 12;
    private static final int FLUSH_EVERY = 1000;

    private PricedTakeoffXlsx() {}

    /** One row for every pack that is bought; what nobody prices has an empty one. */
    public static byte[] write(PriceView price) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (Workbook workbook = new Workbook(out, "Buckle", "1.0")) {
            Worksheet sheet = workbook.newWorksheet("Material");
            for (int c = 0; c < HEADER.size(); c++) {
                sheet.value(0, c, HEADER.get(c));
                sheet.style(0, c).bold().set();
            }
            sheet.freezePane(2, 1);
            int r = 1;
            for (MaterialRow m : price.material()) {
                if (m.bought().isEmpty()) {
                    name(sheet, r++, m, true);
                }
                if (m.massKg().isPresent()) {
                    sheet.value(
                            m.bought().isEmpty() ? r - 1 : r,
                            COST + 2,
                            m.massKg().getAsDouble());
                }
                boolean first = true;
                for (Price.Bought b : m.bought()) {
                    name(sheet, r, m, first);
                    bought(sheet, r, b);
                    if (first) {
                        sheet.value(r, COST + 1, m.left());
                    }
                    first = false;
                    r++;
                    if (r % FLUSH_EVERY == 0) {
                        sheet.flush();
                    }
                }
            }
            sheet.value(r, COST - 1, "material");
            sheet.formula(r, COST, r == 1 ? "0" : "SUM(M2:M" + r + ")");
            sheet.style(r, COST).bold().format("0.00").set();
        } catch (IOException e) {
            throw new UncheckedIOException("writing in memory", e);
        }
        return out.toByteArray();
    }

    private static void name(Worksheet sheet, int r, MaterialRow m, boolean counts) {
        sheet.value(r, 0, m.product());
        sheet.value(r, 1, m.name());
        sheet.value(r, 2, m.unit());
        if (counts) {
            sheet.value(r, 3, m.counted());
            sheet.value(r, 4, m.spare());
            sheet.value(r, 5, m.allowance());
        }
    }

    private static void bought(Worksheet sheet, int r, Price.Bought b) {
        sheet.value(r, 6, b.code());
        sheet.value(r, 7, b.supplier());
        sheet.value(r, 8, b.pack());
        sheet.value(r, 9, b.packSize());
        sheet.value(r, 10, b.count());
        sheet.value(r, 11, b.price());
        sheet.formula(r, COST, "K" + (r + 1) + "*L" + (r + 1));
        sheet.style(r, COST).format("0.00").set();
    }
}
