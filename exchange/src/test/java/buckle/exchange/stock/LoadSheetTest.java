package buckle.exchange.stock;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import buckle.design.Design;
import buckle.exchange.Demo;
import buckle.exchange.document.StoredDocument;
import buckle.exchange.paper.LoadSheetPdf;
import buckle.exchange.paper.Paper;
import buckle.price.Purchase;
import buckle.price.Rates;
import buckle.stock.LoadSheet;
import buckle.stock.LoadSheet.Line;
import buckle.stock.Loading;
import buckle.stock.StockLot;
import buckle.units.UnitSystem;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The orchard ring's load sheet, read by others. */
class LoadSheetTest {
    @TempDir
    Path folder;

    private static final List<StockLot> YARD = List.of(
            new StockLot("wire.ht-12-5", 400, "Barn", 800),
            new StockLot("wire.ht-12-5", 173.4, "=Shed", 173.4),
            new StockLot("post.timber-90.1829", 0, "Rack", 24));

    private static LoadSheet sheet() throws Exception {
        Design design = Demo.ring();
        Purchase purchase = Purchase.of(design.takeoff(), Demo.book(), Rates.USUAL, Loading.onHand(YARD));
        return LoadSheetMaker.of(
                new LoadSheetMaker.Heading("Orchard ring", "Client", "Property", 1, "USD"),
                purchase,
                YARD,
                UnitSystem.FT_IN);
    }

    private static double amount(LoadSheet sheet, String product) {
        return sheet.lines().stream()
                .filter(l -> l.product().equals(product))
                .mapToDouble(Line::amount)
                .sum();
    }

    /** Everything the fence takes is on the truck, the yard's first; a coil's mass by hand: 400 m of 2.51 mm steel are 15.5 kg. */
    @Test
    void allThatIsNeededIsLoaded() throws Exception {
        LoadSheet sheet = sheet();
        for (LoadSheet.Planned p : sheet.planned()) {
            assertThat(amount(sheet, p.product())).as(p.product()).isGreaterThanOrEqualTo(p.needed() - 1e-6);
        }
        List<Line> yard = sheet.byPlace();
        assertThat(yard).hasSize(3);
        assertThat(yard.stream().mapToDouble(Line::amount).sum()).isCloseTo(800 + 173.4 + 24, within(1e-6));
        Line coils = yard.stream().filter(l -> l.lengthM() == 400).findFirst().orElseThrow();
        assertThat(coils.massKg().orElseThrow())
                .isCloseTo(2 * 400 * Math.PI / 4 * 2.51e-3 * 2.51e-3 * 7850, within(0.5));
        assertThat(sheet.lines().stream().map(Line::use)).isSorted();
        LoadSheet again = StoredDocument.LOAD_SHEET.read(StoredDocument.LOAD_SHEET.write(sheet));
        assertThat(again)
                .usingRecursiveComparison()
                .withComparatorForType(BigDecimal::compareTo, BigDecimal.class)
                .isEqualTo(sheet);
    }

    /** Cost and mass as LibreOffice adds them up. */
    @Test
    void libreOfficeComesToTheSameSums() throws Exception {
        LoadSheet sheet = sheet();
        Files.write(folder.resolve("load.xlsx"), LoadSheetTable.xlsx(sheet));
        Demo.recalculated(folder, "load.xlsx");
        List<String> buy = Files.readAllLines(folder.resolve("load-Buy.csv"));
        BigDecimal cost = sheet.bySupplier().stream()
                .map(l -> l.source().order().orElseThrow().cost())
                .reduce(BigDecimal.ZERO, BigDecimal::add);
        assertThat(new BigDecimal(buy.getLast().replaceAll("[^0-9.]", ""))).isEqualByComparingTo(cost);
        List<String> load = Files.readAllLines(folder.resolve("load-Load.csv"));
        assertThat(Double.parseDouble(load.getLast().replaceAll("[^0-9.]", "")))
                .isCloseTo(sheet.massKg(), within(0.05 * sheet.lines().size()));
        assertThat(load).hasSize(sheet.lines().size() + 2);
    }

    @Test
    void theListsAsCsvAndOnPaper() throws Exception {
        LoadSheet sheet = sheet();
        List<CSVRecord> load = rows(LoadSheetTable.csv(sheet));
        assertThat(load).hasSize(sheet.lines().size());
        assertThat(load.stream().map(r -> r.get("place"))).contains("'=Shed").doesNotContain("=Shed");
        List<CSVRecord> buy = rows(LoadSheetTable.purchaseCsv(sheet));
        for (CSVRecord r : buy) {
            assertThat(new BigDecimal(r.get("packs")).multiply(new BigDecimal(r.get("pack_price"))))
                    .as(r.toString())
                    .isEqualByComparingTo(r.get("cost"));
        }
        for (Paper paper : Paper.values()) {
            Path pdf = folder.resolve(paper + ".pdf");
            Files.write(pdf, LoadSheetPdf.write(sheet, paper));
            Process read = new ProcessBuilder("pdftotext", "-layout", pdf.toString(), "-").start();
            String text = new String(read.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
            assertThat(read.waitFor()).isZero();
            for (Line l : sheet.lines()) {
                l.source().order().ifPresent(o -> assertThat(text).contains(o.code()));
                assertThat(text.replaceAll("\\s+", " ")).contains(l.name().split("[ ,]")[0]);
            }
            assertThat(text).contains("Rack", "2 × 1,312 ft", "To buy");
        }
    }

    private static List<CSVRecord> rows(byte[] csv) throws Exception {
        CSVFormat format = CSVFormat.RFC4180
                .builder()
                .setHeader()
                .setSkipHeaderRecord(true)
                .get();
        try (CSVParser parser = CSVParser.parse(new String(csv, StandardCharsets.UTF_8), format)) {
            return parser.getRecords();
        }
    }
}
