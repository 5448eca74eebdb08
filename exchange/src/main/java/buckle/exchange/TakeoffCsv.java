package buckle.exchange;

import buckle.takeoff.TakeoffLine;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/** Writes the takeoff as CSV (RFC 4180), one line an item, decimal point, UTF-8. */
public final class TakeoffCsv {
    private static final CSVFormat FORMAT = CSVFormat.RFC4180
            .builder()
            .setHeader("item", "name", "quantity", "unit", "packs", "pack", "pack_size", "derivation", "rules")
            .get();

    private TakeoffCsv() {}

    public static byte[] write(List<TakeoffLine> lines) {
        StringBuilder out = new StringBuilder();
        try (CSVPrinter csv = new CSVPrinter(out, FORMAT)) {
            for (TakeoffLine line : lines) {
                var pack = line.pack();
                csv.printRecord(
                        line.item(),
                        line.name(),
                        number(line.quantity()),
                        line.unit(),
                        pack.map(p -> String.valueOf(p.count())).orElse(""),
                        pack.map(TakeoffLine.Pack::name).orElse(""),
                        pack.map(p -> number(p.size())).orElse(""),
                        line.derivation(),
                        String.join(" ", line.rules()));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toString().getBytes(StandardCharsets.UTF_8);
    }

    private static String number(double value) {
        return value == Math.rint(value)
                ? String.format(Locale.ROOT, "%.0f", value)
                : String.format(Locale.ROOT, "%.1f", value);
    }
}
