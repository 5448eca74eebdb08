package buckle.exchange.prices;

import static org.assertj.core.api.Assertions.assertThat;

import buckle.design.Design;
import buckle.exchange.Demo;
import buckle.price.JobTerms;
import buckle.price.Price;
import buckle.price.Pricing;
import buckle.price.Rates;
import buckle.units.UnitSystem;
import java.math.BigDecimal;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The demo's price book on the demo's orchard ring, as a workbook that somebody else recalculates. */
class PricedTakeoffTest {
    @TempDir
    Path folder;

    private static Price price() throws Exception {
        Design design = Demo.ring();
        return Pricing.of(
                design.laid().fence().lines(), design.takeoff(), Demo.book(), Rates.USUAL, JobTerms.USUAL, Demo.DAY);
    }

    /** The formulas of the workbook, without what Buckle thinks they come to. */
    @Test
    void libreOfficeComesToTheSameSum() throws Exception {
        Price price = price();
        assertThat(price.says()).isEmpty();
        Files.write(folder.resolve("priced.xlsx"), PricedTakeoffXlsx.write(PriceView.of(price, UnitSystem.FT_IN)));
        Demo.recalculated(folder, "priced.xlsx");
        List<String> rows = Files.readAllLines(folder.resolve("priced-Material.csv"));
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
