package buckle.exchange.out;

import buckle.message.English;
import buckle.rulebook.Rule;
import buckle.takeoff.TakeoffLine;
import buckle.units.UnitSystem;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/** Writes the takeoff as CSV (RFC 4180), one line an item, decimal point, UTF-8. */
public final class TakeoffCsv {
    private static final CSVFormat FORMAT = CSVFormat.RFC4180
            .builder()
            .setHeader(
                    "item",
                    "name",
                    "quantity",
                    "unit",
                    "packs",
                    "pack",
                    "pack_size",
                    "derivation",
                    "rules",
                    "product",
                    "mass_kg",
                    "spare")
            .get();

    private TakeoffCsv() {}

    public static byte[] write(List<TakeoffLine> lines, UnitSystem units) {
        StringBuilder out = new StringBuilder();
        try (CSVPrinter csv = new CSVPrinter(out, FORMAT)) {
            for (TakeoffLine line : lines) {
                var pack = line.pack();
                csv.printRecord(
                        Cells.text(line.item()),
                        Cells.text(English.text(line.name(), units)),
                        number(line.quantity()),
                        Cells.text(line.unit()),
                        pack.map(p -> String.valueOf(p.count())).orElse(""),
                        pack.map(p -> Cells.text(p.name())).orElse(""),
                        pack.map(p -> number(p.size())).orElse(""),
                        Cells.text(English.text(line.derivation(), units)),
                        line.rules().stream().map(Rule::name).collect(Collectors.joining(" ")),
                        Cells.text(line.product().id()),
                        line.massKg().isPresent() ? number(line.massKg().getAsDouble()) : "",
                        number(line.spare()));
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
