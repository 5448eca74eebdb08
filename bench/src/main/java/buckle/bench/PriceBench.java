package buckle.bench;

import buckle.design.Design;
import buckle.exchange.paper.Paper;
import buckle.exchange.paper.QuotePdf;
import buckle.exchange.prices.DecimalMark;
import buckle.exchange.prices.PriceBookFile;
import buckle.exchange.prices.PriceTable;
import buckle.exchange.prices.QuoteMaker;
import buckle.land.Land;
import buckle.price.BookChange;
import buckle.price.Firm;
import buckle.price.JobTerms;
import buckle.price.Packs;
import buckle.price.Price;
import buckle.price.PriceBook;
import buckle.price.PriceBook.Item;
import buckle.price.PriceBook.Offer;
import buckle.price.PriceBook.Unit;
import buckle.price.Pricing;
import buckle.price.Quote;
import buckle.price.Rates;
import buckle.spec.Animal;
import buckle.spec.Preset;
import buckle.spec.Spec;
import buckle.takeoff.Takeoff;
import buckle.takeoff.TakeoffLine;
import buckle.units.UnitSystem;
import java.io.IOException;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** Parts, takeoff and price of a long fence; packs of many products; a large price book; a large workbook. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 4, time = 1)
@Measurement(iterations = 4, time = 1)
@Fork(1)
public class PriceBench {
    private static final LocalDate DAY = LocalDate.of(2026, 11, 28);
    private static final int PRODUCTS = 200;
    private static final int SUPPLIERS = 3;
    private static final int PACKS = 4;
    private static final int BOOK = 50_000;
    private static final int ROWS = 20_000;
    private static final int EXTRAS = 640;

    private final Spec spec = Spec.USUAL.withFence(f ->
            f.withAnimals(List.of(Animal.ALPACAS)).withSchedule(Preset.of("W16").schedule()));
    private Design design = Design.of(Jobs.line(1000), spec);
    private PriceBook book = PriceBook.EMPTY;
    private List<List<Packs.Pack>> packs = List.of();
    private List<BigDecimal> quantities = List.of();
    private byte[] list = {};
    private PriceBook rows = PriceBook.EMPTY;
    private final Design design1Km = design;
    private final Quote quote = quote(design);

    @Setup
    public void prepare() {
        Random random = new Random(3);
        design = Design.of(Jobs.line(100_000), spec);
        book = new PriceBook(
                "USD",
                List.of(),
                design.takeoff().stream()
                        .map(l -> l.product().id())
                        .distinct()
                        .map(p -> item(p, p, random))
                        .toList());
        packs = IntStream.range(0, PRODUCTS)
                .mapToObj(p -> IntStream.range(0, PACKS * SUPPLIERS)
                        .mapToObj(i -> Packs.Pack.of(
                                BigDecimal.valueOf(1 + random.nextInt(250)),
                                BigDecimal.valueOf(100 + random.nextInt(20_000), 2)))
                        .toList())
                .toList();
        quantities = IntStream.range(0, PRODUCTS)
                .mapToObj(p -> BigDecimal.valueOf(50 + random.nextInt(4000)))
                .toList();
        list = list(BOOK);
        rows = new PriceBook("USD", List.of(), items(ROWS, random));
    }

    /** A price list of so many items. */
    static byte[] list(int count) {
        return PriceBookFile.csv(new PriceBook("USD", List.of(), items(count, new Random(3))));
    }

    private static List<Item> items(int count, Random random) {
        List<Item> items = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            items.add(item("K-" + i, "", random));
        }
        return items;
    }

    private static Item item(String code, String product, Random random) {
        return new Item(
                code,
                "item " + code,
                Unit.PCS,
                product,
                List.of(),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                List.of(new Offer(
                        "Supplier " + random.nextInt(SUPPLIERS),
                        "pack",
                        BigDecimal.valueOf(1 + random.nextInt(100)),
                        BigDecimal.valueOf(100 + random.nextInt(10_000), 2),
                        "",
                        1,
                        DAY,
                        "")));
    }

    @Benchmark
    public Price hundredKm() {
        List<TakeoffLine> takeoff = Takeoff.of(design.layout(), spec);
        return Pricing.of(design.laid().fence().lines(), takeoff, book, Rates.USUAL, JobTerms.USUAL, DAY);
    }

    @Benchmark
    public BigDecimal packs() {
        BigDecimal sum = BigDecimal.ZERO;
        for (int i = 0; i < packs.size(); i++) {
            sum = sum.add(Packs.cheapest(quantities.get(i), packs.get(i))
                    .orElseThrow()
                    .cost());
        }
        return sum;
    }

    /** Read, and held against an empty book. */
    @Benchmark
    public int readBook() {
        List<BookChange.Incoming> read =
                PriceTable.read(list, new PriceTable.Reading(PriceTable.inOrder(), DecimalMark.POINT, DAY, "USD"));
        return BookChange.of(Map.of(), read, BookChange.Mode.REPLACE).size();
    }

    /** As many pages as {@link #pages} says, in a heap of 200 MB. */
    @Benchmark
    @Fork(value = 1, jvmArgsAppend = "-Xmx200m")
    public byte[] quotePaper() {
        return QuotePdf.write(quote, Optional.empty(), Optional.empty(), design1Km.layout(), Land.NONE, Paper.A4);
    }

    /** Of the quote that is printed. */
    static int pages() throws IOException {
        try (PDDocument paper = Loader.loadPDF(new PriceBench().quotePaper())) {
            return paper.getNumberOfPages();
        }
    }

    private static Quote quote(Design design) {
        List<JobTerms.Extra> extras = IntStream.range(0, EXTRAS)
                .mapToObj(i -> new JobTerms.Extra("Extra work " + i, BigDecimal.ONE, BigDecimal.TEN, ""))
                .toList();
        JobTerms terms = JobTerms.USUAL.withExtras(extras);
        PriceBook none = new PriceBook("USD", List.of(), List.of());
        Price price = Pricing.of(design.laid().fence().lines(), design.takeoff(), none, Rates.USUAL, terms, DAY);
        return QuoteMaker.of(
                new QuoteMaker.Heading(1, 1, "Job", "Client", "Property", 1, 1),
                design,
                price,
                Firm.USUAL,
                terms,
                UnitSystem.METRIC,
                DAY);
    }

    @Benchmark
    public int workbook() {
        return PriceBookFile.xlsx(rows).length;
    }
}
