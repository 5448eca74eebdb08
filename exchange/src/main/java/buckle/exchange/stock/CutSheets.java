package buckle.exchange.stock;

import buckle.cut.CutPlan;
import buckle.exchange.out.Cells;
import buckle.message.Dialect;
import buckle.stock.CutList;
import buckle.units.Lengths;
import buckle.units.UnitSystem;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.Collectors;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.dhatim.fastexcel.Workbook;

/** Cuts as they are told outside: metres and money. */
public final class CutSheets {
    private static final double MM = 1000;

    private CutSheets() {}

    /** All materials of a job; {@code missing} where nothing as long is sold or lies in the yard. */
    public record CutAnswer(String currency, List<CutSheet> sheets, List<String> missing) {}

    /**
     * A material with its bars.
     *
     * @param bound no plan costs less; empty where little waste was aimed for
     * @param optimal whether none is better, to the cent or the millimetre
     * @param gapPercent how far it lies above what no plan can go under
     * @param eachCost when every piece is bought in the length that fits it
     * @param joints of what may be joined
     */
    public record CutSheet(
            String material,
            String name,
            List<CutBar> bars,
            BigDecimal cost,
            Optional<BigDecimal> bound,
            boolean optimal,
            double gapPercent,
            Optional<BigDecimal> eachCost,
            OptionalInt joints,
            double leftM) {}

    /** So many alike lengths and what is cut from each. */
    public record CutBar(String from, boolean inYard, double lengthM, int times, List<CutPiece> pieces, double leftM) {}

    /** So many pieces of a length. */
    public record CutPiece(String label, double lengthM, int count) {}

    /** In the units of the job. */
    public static CutAnswer of(CutList.Plans plans, CutList.Aim aim, String currency, UnitSystem units) {
        return new CutAnswer(
                currency,
                plans.sheets().stream().map(s -> sheet(s, aim, units)).toList(),
                plans.missing().stream()
                        .map(m -> Dialect.text(m.name(), units) + ": " + Lengths.text(m.lengthMm() / MM, units))
                        .distinct()
                        .toList());
    }

    private static CutSheet sheet(CutList.Sheet s, CutList.Aim aim, UnitSystem units) {
        CutPlan plan = s.plan();
        return new CutSheet(
                s.material(),
                Dialect.text(s.name(), units),
                plan.bars().stream().map(b -> bar(b, units)).toList(),
                money(s.cents()),
                aim != CutList.Aim.LEAST_LENGTH ? Optional.of(money(Math.ceil(plan.bound() - 1e-6))) : Optional.empty(),
                plan.optimal(),
                100 * plan.gap(),
                s.eachCents().isPresent() ? Optional.of(money(s.eachCents().getAsLong())) : Optional.empty(),
                s.joints(),
                plan.leftMm() / MM);
    }

    private static CutBar bar(CutPlan.Bar b, UnitSystem units) {
        return new CutBar(
                CutList.from(b),
                CutList.inYard(b),
                b.lengthMm() / MM,
                b.times(),
                b.cuts().stream()
                        .map(c -> new CutPiece(Dialect.text(c.label(), units), c.lengthMm() / MM, c.count()))
                        .toList(),
                b.leftMm() / MM);
    }

    private static BigDecimal money(double cents) {
        return BigDecimal.valueOf(cents).movePointLeft(2).setScale(2, RoundingMode.HALF_UP);
    }

    private static final List<String> COLUMNS =
            List.of("material", "from", "in_yard", "length_m", "times", "pieces", "left_m");

    /** One row a bar (RFC 4180), metres. */
    public static byte[] csv(CutAnswer answer) {
        StringBuilder out = new StringBuilder();
        CSVFormat format = CSVFormat.RFC4180
                .builder()
                .setHeader(COLUMNS.toArray(String[]::new))
                .get();
        try (CSVPrinter csv = new CSVPrinter(out, format)) {
            for (CutSheet s : answer.sheets()) {
                for (CutBar b : s.bars()) {
                    csv.printRecord(
                            Cells.text(s.name()),
                            Cells.text(b.from()),
                            b.inYard(),
                            metres(b.lengthM()),
                            b.times(),
                            pieces(b),
                            metres(b.leftM()));
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException("writing in memory", e);
        }
        return out.toString().getBytes(StandardCharsets.UTF_8);
    }

    /** The same as a workbook, with what is bought of each bar; its sum recalculates. */
    public static byte[] xlsx(CutAnswer answer) {
        List<String> header = new ArrayList<>(COLUMNS);
        header.add("bought_m");
        List<List<Object>> rows = new ArrayList<>();
        for (CutSheet s : answer.sheets()) {
            for (CutBar b : s.bars()) {
                rows.add(List.of(
                        s.name(),
                        b.from(),
                        b.inYard() ? "yes" : "no",
                        b.lengthM(),
                        b.times(),
                        pieces(b),
                        b.leftM(),
                        b.inYard() ? 0 : b.lengthM() * b.times()));
            }
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (Workbook workbook = new Workbook(out, "Buckle", "1.0")) {
            LoadSheetTable.sheet(workbook, "Cuts", header, rows, header.size() - 1);
        } catch (IOException e) {
            throw new UncheckedIOException("writing in memory", e);
        }
        return out.toByteArray();
    }

    private static String pieces(CutBar bar) {
        return bar.pieces().stream()
                .map(p -> p.count() + " x " + metres(p.lengthM()))
                .collect(Collectors.joining(" + "));
    }

    private static String metres(double value) {
        return String.format(Locale.ROOT, "%.3f", value);
    }
}
