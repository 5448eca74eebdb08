package buckle.server.prices;

import buckle.exchange.prices.DecimalMark;
import buckle.exchange.prices.PriceTable;
import buckle.price.BookChange;
import buckle.price.Firm;
import buckle.price.JobTerms;
import buckle.price.PriceBook.Supplier;
import buckle.server.jobs.DemoJobs;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.core.io.ClassPathResource;
import org.springframework.stereotype.Component;

/** The invented price book of the demo, its firm, and a quote of the orchard ring that was sent. */
@Component
@ConditionalOnProperty(name = "buckle.demo", havingValue = "true")
public class DemoPrices implements SmartInitializingSingleton {
    private static final Logger LOG = LoggerFactory.getLogger(DemoPrices.class);
    private static final String BOOK = "price-book.csv";
    private static final String RING = "orchard-ring.geojson";

    private final DemoJobs demo;
    private final PriceBookService books;
    private final FirmService firms;
    private final PriceService prices;
    private final QuoteService quotes;

    DemoPrices(DemoJobs demo, PriceBookService books, FirmService firms, PriceService prices, QuoteService quotes) {
        this.demo = demo;
        this.books = books;
        this.firms = firms;
        this.prices = prices;
        this.quotes = quotes;
    }

    @Override
    public void afterSingletonsInstantiated() {
        load();
    }

    /** Loads what was not loaded before. */
    public void load() {
        List<DemoJobs.Loaded> jobs = demo.load();
        if (demo.remember(BOOK) && books.book().items().isEmpty()) {
            fill();
            jobs.stream().filter(j -> j.file().equals(RING)).findFirst().ifPresent(ring -> {
                prices.save(ring.job(), 0, ringTerms());
                quotes.send(ring.job(), UUID.randomUUID(), Optional.empty());
                LOG.info("Sent the demo's quote of the orchard ring");
            });
        }
    }

    private void fill() {
        try {
            byte[] csv = new ClassPathResource("demo/" + BOOK).getContentAsByteArray();
            List<BookChange.Incoming> list = PriceTable.read(
                    csv,
                    new PriceTable.Reading(
                            PriceTable.look(csv).guess(), DecimalMark.POINT, prices.today(), Firm.USUAL.currency()));
            books.take(list, BookChange.Mode.MERGE, books.book().revision());
        } catch (IOException e) {
            throw new UncheckedIOException("reading the price book that ships with the application", e);
        }
        if (firms.state().revision() == 0) {
            firms.save(
                    0,
                    Firm.USUAL.with(f -> f.name("Kestrel Hollow Fencing")
                            .address(List.of("Old Mill Yard", "Kestrel Hollow"))
                            .contact("yard@kestrel-hollow.example")
                            .suppliers(List.of(
                                    new Supplier("Brook Farm Supply", BigDecimal.ZERO),
                                    new Supplier("Hollow Yard", BigDecimal.ZERO),
                                    new Supplier("Ridge Fence Trade", new BigDecimal("45"))))));
        }
    }

    private static JobTerms ringTerms() {
        return JobTerms.USUAL.with(t -> t.scope(
                        "A ring of five wires round the orchard against wild boar and badgers, the lowest four inches over the ground, with one gate, energizer, battery and panel, tested and handed over with its readings.")
                .options(List.of(
                        new JobTerms.Option(
                                "strip",
                                "Mow the strip under the wires in the first summer, three times",
                                new BigDecimal("540"),
                                "work",
                                ""),
                        new JobTerms.Option(
                                "gate-wide",
                                "Gate of 20 ft instead of 16 ft 6 in",
                                new BigDecimal("210"),
                                "goods",
                                "gate"),
                        new JobTerms.Option(
                                "gate-handle",
                                "Handle gate instead of the swing gate",
                                new BigDecimal("-260"),
                                "goods",
                                "gate"))));
    }
}
