package buckle.price;

import static buckle.Fences.at;
import static buckle.Fences.gate;
import static buckle.Fences.line;
import static buckle.Fences.site;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import buckle.design.Design;
import buckle.land.Land;
import buckle.land.LandFeature;
import buckle.land.LandKind;
import buckle.land.Surroundings;
import buckle.land.Terrain;
import buckle.land.Traits;
import buckle.message.PriceMessage;
import buckle.price.Price.Heading;
import buckle.price.Price.Line;
import buckle.price.Price.Material;
import buckle.price.Price.TaxLine;
import buckle.price.PriceBook.Item;
import buckle.price.PriceBook.Offer;
import buckle.price.PriceBook.Supplier;
import buckle.price.PriceBook.Unit;
import buckle.price.Rates.AllowanceSchool;
import buckle.price.Rates.Allowances;
import buckle.price.Rates.Rounding;
import buckle.price.Rates.Tax;
import buckle.price.Rates.TaxRate;
import buckle.site.GateKind;
import buckle.spec.Preset;
import buckle.spec.Spec;
import buckle.spec.WireRole;
import buckle.takeoff.TakeoffLine;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

/** Prices worked out by hand, taxes by the examples of three systems, hours against what crews are known to do. */
class PricingTest {
    private static final LocalDate TODAY = LocalDate.of(2026, 11, 28);
    private static final Rates BARE = Rates.USUAL.with(r -> r.allowances(Allowances.of(AllowanceSchool.COUNT)));

    /** A rectangle of 80 × 60 m with two cattle wires and a gate. */
    private static final Design DESIGN = Design.of(
            site(
                    0,
                    0,
                    line("a", true, 0, 0, 80, 0, 80, 60, 0, 60)
                            .withGates(List.of(gate("g", GateKind.SWING, 40, 0, 4)))),
            Spec.USUAL.withFence(f -> f.withSchedule(Preset.of("W2").schedule())));

    @Test
    void everyProductOfTheTakeoffIsPricedOnce() {
        Price price = price(bookOf(DESIGN.takeoff(), "1.00"), BARE, JobTerms.USUAL);
        assertThat(price.material())
                .extracting(Material::product)
                .doesNotHaveDuplicates()
                .containsExactlyInAnyOrderElementsOf(
                        DESIGN.takeoff().stream().map(l -> l.product().id()).collect(Collectors.toSet()));
        assertThat(price.says()).isEmpty();
        double counted =
                DESIGN.takeoff().stream().mapToDouble(TakeoffLine::counted).sum();
        double loaded =
                DESIGN.takeoff().stream().mapToDouble(TakeoffLine::quantity).sum();
        assertThat(price.material().stream().mapToDouble(Material::counted).sum())
                .isCloseTo(counted, within(1e-6));
        assertThat(price.material().stream()
                        .mapToDouble(m -> m.counted() + m.spare())
                        .sum())
                .isCloseTo(loaded, within(1e-6));
        assertThat(price.material().stream().filter(Material::made).map(Material::item))
                .containsExactlyInAnyOrder("jumper.piece", "brace.loop");
        // At 1.00 a piece and a metre, the material costs as many as are loaded, metres rounded up.
        double whole = price.material().stream()
                .filter(m -> !m.made())
                .mapToDouble(m -> Math.ceil(m.counted() + m.spare() - 1e-9))
                .sum();
        assertThat(price.sums().material().doubleValue()).isCloseTo(whole, within(1e-6));
    }

    /** I1 and the slack stand beside the count; the house's allowance is a third number. */
    @Test
    void sparesStandBesideTheCount() {
        Material insulators = material("insulator.line", AllowanceSchool.SOME);
        long passed = DESIGN.layout().lines().getFirst().posts().stream()
                .filter(p -> !p.ends())
                .count();
        double hot = DESIGN.layout().lines().getFirst().schedule().count(WireRole.HOT);
        assertThat(insulators.counted()).isEqualTo(hot * passed);
        assertThat(insulators.spare())
                .as("two for each hot wire and side: four corners and a gate make five braced pulls")
                .isEqualTo(hot * 5 * 2);
        assertThat(insulators.allowance()).isEqualTo(Math.ceil(0.05 * hot * passed));
        Material wire = material("wire.hot", AllowanceSchool.COUNT);
        double slope = DESIGN.layout().lines().getFirst().slopeLengthM() - 4;
        assertThat(wire.counted()).isCloseTo(hot * slope, within(0.2));
        assertThat(wire.spare()).isCloseTo(0.03 * hot * slope, within(0.2));
        assertThat(wire.allowance()).isZero();
        assertThat(material("wire.hot", AllowanceSchool.PLENTY).allowance()).isCloseTo(0.03 * hot * slope, within(0.2));
    }

    /** One post line and nothing else priced: 100 of material and nothing to build. */
    @Test
    void whatIsLaidOnTopByHand() {
        Rates rates = BARE.with(r -> r.overheadPercent(dec("10"))
                .contingencyPercent(dec("5"))
                .marginPercent(dec("20"))
                .tax(new Tax(List.of(new TaxRate("goods", dec("6.25"))), "goods", "goods", Rounding.PER_RATE)));
        JobTerms job = new JobTerms(
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                List.of(new JobTerms.Extra("water trough", dec("2"), dec("50.00"), "")),
                List.of(),
                "",
                JobTerms.Cutting.EACH);
        Price price = Pricing.of(List.of(), List.of(), PriceBook.EMPTY, rates, job, TODAY);
        // 100 + 10 + 5 = 115 costs; 115 / 0.8 = 143.75 asked; 6.25 % of it 8.984375, so 8.98.
        assertThat(price.sums().cost()).isEqualByComparingTo("115.00");
        assertThat(price.net()).isEqualByComparingTo("143.75");
        assertThat(price.taxes()).containsExactly(new TaxLine("goods", dec("6.25"), dec("143.75"), dec("8.98")));
        assertThat(price.total()).isEqualByComparingTo("152.73");
        assertThat(price.sums().marginPercent()).isEqualByComparingTo("20.0");
        assertThat(price.perMetre()).isEmpty();
        // 120 was agreed: 5 of 120 is kept, 4.2 %, under the floor of 15 %.
        Price agreed = Pricing.of(
                List.of(), List.of(), PriceBook.EMPTY, rates, job.withAgreed(Optional.of(dec("120"))), TODAY);
        assertThat(agreed.net()).isEqualByComparingTo("120.00");
        assertThat(agreed.says()).contains(new PriceMessage.MarginUnderFloor(dec("4.2"), dec("15")));
    }

    /** Rounding an agreed price over many lines loses no cent. */
    @Property(tries = 200)
    void anAgreedPriceIsMetToTheCent(@ForAll @IntRange(min = 1, max = 5_000_000) int cents) {
        BigDecimal agreed = BigDecimal.valueOf(cents, 2);
        Price price = price(bookOf(DESIGN.takeoff(), "0.37"), BARE, JobTerms.USUAL.withAgreed(Optional.of(agreed)));
        assertThat(price.net()).isEqualByComparingTo(agreed);
        assertThat(price.lines().stream().map(Line::amount).reduce(BigDecimal.ZERO, BigDecimal::add))
                .isEqualByComparingTo(agreed);
        assertThat(price.lines()).allMatch(l -> l.amount().scale() == 2);
    }

    /**
     * Three amounts of 0.99, 1.99 and 4.99: at 19 % together 7.97 × 0.19 = 1.5143, so 1.51; one by one 0.19 + 0.38 + 0.95 = 1.52. At 20 %
     * of 0.99 twice, 0.396, so 0.40; one by one 0.20 twice, 0.40. Goods taxed and work not: only the goods count.
     */
    @Test
    void taxIsRoundedWhereTheHouseRounds() {
        List<Line> three = List.of(amount("0.99", "a"), amount("1.99", "a"), amount("4.99", "a"));
        assertThat(due(three, Rounding.PER_RATE, new TaxRate("a", dec("19")))).containsExactly("1.51");
        assertThat(due(three, Rounding.PER_LINE, new TaxRate("a", dec("19")))).containsExactly("1.52");
        List<Line> two = List.of(amount("0.99", "a"), amount("0.99", "a"));
        assertThat(due(two, Rounding.PER_RATE, new TaxRate("a", dec("20")))).containsExactly("0.40");
        assertThat(due(two, Rounding.PER_LINE, new TaxRate("a", dec("20")))).containsExactly("0.40");
        List<Line> mixed = List.of(amount("100.00", "goods"), amount("250.00", "work"), amount("10.10", "goods"));
        assertThat(due(mixed, Rounding.PER_RATE, new TaxRate("goods", dec("8.875")), new TaxRate("work", dec("0"))))
                .containsExactly("9.77", "0.00");
        // 8.875 % of 100.00 is 8.875, up to 8.88; of 10.10 it is 0.896, so 0.90.
        assertThat(due(mixed, Rounding.PER_LINE, new TaxRate("goods", dec("8.875")), new TaxRate("work", dec("0"))))
                .containsExactly("9.78", "0.00");
    }

    @Test
    void whatNobodySellsIsSaidAndSubstitutesAreNamed() {
        List<Item> items = new ArrayList<>(bookOf(DESIGN.takeoff(), "1.00").items());
        Item strainer = items.stream()
                .filter(i -> i.product().equals(product("strainer")))
                .findFirst()
                .orElseThrow();
        items.remove(strainer);
        Price without = price(new PriceBook("USD", List.of(), items), BARE, JobTerms.USUAL);
        assertThat(without.says())
                .singleElement()
                .isInstanceOfSatisfying(
                        PriceMessage.Unpriced.class,
                        u -> assertThat(u.products()).isEqualTo(1));
        items.add(new Item(
                "T-9",
                "another strainer",
                Unit.PCS,
                "",
                List.of(product("strainer")),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                List.of(offer("yard", "1", "7.00", 1), offer("far", "1", "6.00", 1, "EUR"))));
        Price with = price(new PriceBook("USD", List.of(), items), BARE, JobTerms.USUAL);
        assertThat(with.says())
                .hasSize(2)
                .anyMatch(
                        m -> m instanceof PriceMessage.Substituted s && s.code().equals("T-9"))
                .contains(new PriceMessage.OtherCurrency(1, "EUR"));
        assertThat(with.sums().material().subtract(without.sums().material()))
                .isEqualByComparingTo(dec("7").multiply(BigDecimal.valueOf(quantity("strainer"))));
    }

    /** 0.1 lb a foot are 0.1488 kg a metre; whole rolls are loaded. What the book does not say follows from the product, else is open. */
    @Test
    void massOfWholePacks() {
        List<Item> items = new ArrayList<>(bookOf(DESIGN.takeoff(), "1.00").items());
        items.removeIf(
                i -> i.product().equals(product("jumper.wire")) || i.product().equals(product("wire.hot")));
        items.add(new Item(
                "J",
                "jumper wire by the foot",
                Unit.FT,
                product("jumper.wire"),
                List.of(),
                OptionalDouble.of(0.1 * 0.45359237),
                OptionalDouble.empty(),
                List.of(offer("yard", "100", "5.00", 1))));
        Price price = price(new PriceBook("USD", List.of(), items), BARE, JobTerms.USUAL);
        assertThat(mass(price, "jumper.wire")).isCloseTo(100 * 0.1 * 0.45359237, within(1e-6));
        assertThat(mass(price, "wire.hot"))
                .as("not priced: what is needed, 2.51 mm steel")
                .isCloseTo(Math.PI / 4 * 2.51e-3 * 2.51e-3 * 7850 * quantity("wire.hot"), within(0.2));
        assertThat(mass(price, "strainer")).isNaN();
    }

    private static double mass(Price price, String item) {
        return price.material().stream()
                .filter(m -> m.item().equals(item))
                .findFirst()
                .orElseThrow()
                .massKg()
                .orElse(Double.NaN);
    }

    /** One supplier is dearer by 1 a strainer but delivers free; the other is worth its freight only when it saves more than that. */
    @Test
    void freightDecidesFromWhomIsBought() {
        double strainers = quantity("strainer");
        for (String freight : List.of("1.00", "1000.00")) {
            List<Item> items = new ArrayList<>(bookOf(DESIGN.takeoff(), "1.00").items());
            items.add(new Item(
                    "S",
                    "strainer",
                    Unit.PCS,
                    product("strainer"),
                    List.of(),
                    OptionalDouble.empty(),
                    OptionalDouble.empty(),
                    List.of(offer("far", "1", "0.20", 1))));
            Price price = price(
                    new PriceBook(
                            "USD",
                            List.of(new Supplier("yard", BigDecimal.ZERO), new Supplier("far", dec(freight))),
                            items),
                    BARE,
                    JobTerms.USUAL);
            boolean worth = strainers * 0.80 > Double.parseDouble(freight);
            assertThat(price.deliveries().isEmpty()).isEqualTo(!worth);
            assertThat(price.sums().freight()).isEqualByComparingTo(worth ? freight : "0");
        }
    }

    /**
     * Common practice: a crew of four with auger, excavator and driver sets 50 posts in two days and strings 3,500 ft on five wires in
     * two; practised crews set 132 posts and string 21,120 ft on eight wires in three days, of which wire about one. The norms lie between:
     * within a factor of two of both.
     */
    @Test
    void hoursLieBetweenWhatCrewsAreKnownToDo() {
        // 213 m of five wires at 4.9 m from post to post, two braced ends.
        assertThat(hours(213.4, "W16", 4.88)).isBetween(4 * 4 * 8 / 2.0, 4 * 4 * 8 * 2.0);
        // 21,120 ft on five wires are 1,287 m. How many people the crews were is not told: two crews of four are taken.
        assertThat(hours(1287, "W16", 9.75)).isBetween(2 * 4 * 3 * 8 / 2.0, 2 * 4 * 3 * 8 * 2.0);
    }

    @Test
    void stoneTakesLonger() {
        double loam = Labour.of(DESIGN.laid().fence().lines(), DESIGN.takeoff(), 1).stream()
                .filter(l -> l.task() == Task.LINE_POST)
                .mapToDouble(Labour.Line::hours)
                .sum();
        LandFeature stone = stone();
        Design stony = Design.of(
                DESIGN.laid().fence().site(),
                new Surroundings(Land.NONE.withFeatures(List.of(stone)), Terrain.NONE),
                DESIGN.laid().fence().spec());
        List<Labour.Line> labour = Labour.of(stony.laid().fence().lines(), stony.takeoff(), 2);
        Labour.Line posts = labour.stream()
                .filter(l -> l.task() == Task.LINE_POST)
                .findFirst()
                .orElseThrow();
        assertThat(posts.soilFactor()).isEqualTo(2.5);
        assertThat(posts.hours() / posts.units()).isCloseTo(0.7 * 2.5 * 2, within(1e-9));
        assertThat(loam).isPositive();
    }

    private static LandFeature stone() {
        Traits ledge = new Traits(
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                Optional.empty(),
                OptionalDouble.of(3),
                OptionalDouble.empty(),
                Optional.of(Traits.Soil.STONE),
                OptionalDouble.empty());
        return new LandFeature(
                "s",
                LandKind.SOIL,
                "ledge",
                LandKind.Shape.AREA,
                List.of(at(-50, -50), at(150, -50), at(150, 150), at(-50, 150)),
                ledge,
                "");
    }

    private static double hours(double lengthM, String preset, double spacingM) {
        Design design = Design.of(
                site(0, 0, line("a", false, 0, 0, lengthM, 0)),
                Spec.USUAL.withFence(f -> f.withSchedule(Preset.of(preset).schedule())
                        .withPosts(f.posts().withSpacingM(spacingM).withLightPerGap(0))));
        return Labour.of(design.laid().fence().lines(), design.takeoff(), 1).stream()
                .mapToDouble(Labour.Line::hours)
                .sum();
    }

    private static Material material(String item, AllowanceSchool school) {
        return price(
                        bookOf(DESIGN.takeoff(), "1.00"),
                        BARE.with(r -> r.allowances(Allowances.of(school))),
                        JobTerms.USUAL)
                .material()
                .stream()
                .filter(m -> m.item().equals(item))
                .findFirst()
                .orElseThrow();
    }

    private static Price price(PriceBook book, Rates rates, JobTerms job) {
        return Pricing.of(DESIGN.laid().fence().lines(), DESIGN.takeoff(), book, rates, job, TODAY);
    }

    private static PriceBook bookOf(List<TakeoffLine> takeoff, String price) {
        List<Item> items = takeoff.stream()
                .map(l -> l.product().id())
                .distinct()
                .map(p -> new Item(
                        "C-" + p,
                        p,
                        Unit.PCS,
                        p,
                        List.of(),
                        OptionalDouble.empty(),
                        OptionalDouble.empty(),
                        List.of(offer("yard", "1", price, 1))))
                .toList();
        return new PriceBook("USD", List.of(), items);
    }

    private static Offer offer(String supplier, String size, String price, int from) {
        return offer(supplier, size, price, from, "");
    }

    private static Offer offer(String supplier, String size, String price, int from, String currency) {
        return new Offer(supplier, "piece", dec(size), dec(price), currency, from, TODAY.minusDays(30), "");
    }

    private static String product(String item) {
        return takeoff(item).product().id();
    }

    private static double quantity(String item) {
        return takeoff(item).quantity();
    }

    private static TakeoffLine takeoff(String item) {
        return DESIGN.takeoff().stream()
                .filter(l -> l.item().equals(item))
                .findFirst()
                .orElseThrow();
    }

    private static Line amount(String amount, String taxClass) {
        return new Line(Heading.EXTRA, "x", taxClass, dec(amount), dec(amount));
    }

    private static List<String> due(List<Line> lines, Rounding rounding, TaxRate... rates) {
        return Pricing.taxes(lines, new Tax(List.of(rates), "goods", "work", rounding), new ArrayList<>()).stream()
                .map(t -> t.tax().toPlainString())
                .toList();
    }

    private static BigDecimal dec(String value) {
        return new BigDecimal(value);
    }
}
