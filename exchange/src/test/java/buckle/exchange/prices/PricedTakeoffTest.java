package buckle.exchange.prices;

import static org.assertj.core.api.Assertions.assertThat;

import buckle.design.Design;
import buckle.exchange.Json;
import buckle.exchange.job.JobFile;
import buckle.exchange.job.JobFileReader;
import buckle.price.BookChange;
import buckle.price.JobTerms;
import buckle.price.Price;
import buckle.price.PriceBook;
import buckle.price.Pricing;
import buckle.price.Rates;
import buckle.units.UnitSystem;
import java.math.BigDecimal;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The demo's price book on the demo's orchard ring, as a workbook that somebody else recalculates. */
class PricedTakeoffTest {
    private static final LocalDate DAY = LocalDate.of(2026, 11, 28);

    @TempDir
    Path folder;

    private static Price price() throws Exception {
        byte[] csv = Files.readAllBytes(Path.of("..", "demo", "price-book.csv"));
        List<BookChange.Incoming> list = PriceTable.read(
                csv, new PriceTable.Reading(PriceTable.look(csv).guess(), DecimalMark.POINT, DAY, "USD"));
        List<PriceBook.Item> items =
                List.copyOf(BookChange.made(Map.of(), BookChange.of(Map.of(), list, BookChange.Mode.REPLACE))
                        .values());
        JobFile job = JobFileReader.read(Json.parse(Files.readAllBytes(Path.of("..", "demo", "orchard-ring.geojson"))));
        Design design = Design.of(job.plan(), job.around());
        return Pricing.of(
                design.laid().fence().lines(),
                design.takeoff(),
                new PriceBook("USD", List.of(), items),
                Rates.USUAL,
                JobTerms.USUAL,
                DAY);
    }

    /** The formulas of the workbook, without what Buckle thinks they come to. */
    @Test
    void libreOfficeComesToTheSameSum() throws Exception {
        Price price = price();
        assertThat(price.says()).isEmpty();
        Files.write(folder.resolve("priced.xlsx"), PricedTakeoffXlsx.write(PriceView.of(price, UnitSystem.FT_IN)));
        Process office = new ProcessBuilder(
                        "soffice",
                        "-env:UserInstallation=file://" + folder.resolve("profile"),
                        "--headless",
                        "--convert-to",
                        "csv",
                        "--outdir",
                        folder.toString(),
                        folder.resolve("priced.xlsx").toString())
                .redirectErrorStream(true)
                .redirectOutput(folder.resolve("office.log").toFile())
                .start();
        assertThat(office.waitFor(120, TimeUnit.SECONDS)).isTrue();
        List<String> rows = Files.readAllLines(folder.resolve("priced.csv"));
        String last = rows.getLast();
        assertThat(last).contains("material");
        assertThat(new BigDecimal(last.replaceAll("[^0-9.]", "")))
                .isEqualByComparingTo(price.sums().material());
        long bought = price.material().stream()
                .mapToLong(m -> Math.max(1, m.bought().size()))
                .sum();
        assertThat(rows).hasSize((int) bought + 2);
    }
}
