package buckle.stock;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import buckle.Fences;
import buckle.cut.CutPlan.Bar;
import buckle.design.Design;
import buckle.layout.Post;
import buckle.material.Fitting;
import buckle.material.PostStock;
import buckle.material.Product;
import buckle.material.Use;
import buckle.price.JobTerms;
import buckle.price.Price;
import buckle.price.PriceBook;
import buckle.price.PriceBook.Item;
import buckle.price.PriceBook.Offer;
import buckle.price.PriceBook.Unit;
import buckle.price.Pricing;
import buckle.price.Rates;
import buckle.site.GateKind;
import buckle.spec.Spec;
import buckle.spec.Stringing;
import buckle.takeoff.TakeoffLine;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.function.Predicate;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** The cuts of a fence against its posts. */
class CutListTest {
    private static final Design DESIGN =
            Design.of(Fences.site(-4, 0, Fences.line("a", true, 0, 0, 80, 0, 80, 60, 0, 60)), Spec.USUAL);

    private static Item item(String product, String price) {
        Offer offer = new Offer(
                "yard", "piece", BigDecimal.ONE, new BigDecimal(price), "", 1, LocalDate.of(2026, 11, 28), "");
        return new Item(
                "C-" + product,
                product,
                Unit.PCS,
                product,
                List.of(),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                List.of(offer));
    }

    /** Line posts of 90 mm out of poles of 4 m and 2 m; a pole that gives two costs less than two: only the odd one is cut from a short one. */
    @Test
    void twoPostsFromOnePole() {
        PostStock line = Spec.USUAL.fence().posts().line();
        assertThat(line).isEqualTo(PostStock.TIMBER_90);
        List<Post> posts = DESIGN.layout().lines().getFirst().posts().stream()
                .filter(p -> p.stock() == line)
                .toList();
        double longest = posts.stream().mapToDouble(Post::lengthM).max().orElseThrow();
        assertThat(2 * longest).isLessThan(4);
        PriceBook book = new PriceBook(
                "USD", List.of(), List.of(item("post.timber-90.4000", "9.00"), item("post.timber-90.2000", "6.00")));
        CutList.Plans plans = CutList.of(DESIGN.layout(), Spec.USUAL, book, List.of(), CutList.Aim.LEAST_COST, s -> {});
        CutList.Sheet sheet = plans.sheets().getFirst();
        assertThat(plans.sheets()).hasSize(1);
        int count = posts.size();
        assertThat(sheet.plan().cost()).isEqualTo(900L * (count / 2) + (count % 2) * 600L);
        assertThat(sheet.eachCents()).hasValue(600L * count);
        assertThat(sheet.plan().optimal()).isTrue();
        double cut = sheet.plan().bars().stream()
                .flatMap(b -> b.cuts().stream().map(c -> (double) c.lengthMm() * c.count() * b.times()))
                .mapToDouble(l -> l)
                .sum();
        assertThat(cut / 1000)
                .isCloseTo(posts.stream().mapToDouble(Post::lengthM).sum(), within(0.002 * count));
        assertThat(plans.missing())
                .as("strong posts and rails nobody sells here")
                .isNotEmpty();
    }

    /** A pole a little longer than two posts costs more than two short ones: bought for money, and bought for little waste. */
    @Test
    void moneyOrWaste() {
        PriceBook book = new PriceBook(
                "USD", List.of(), List.of(item("post.timber-90.3900", "13.00"), item("post.timber-90.2000", "6.00")));
        CutList.Sheet cheap = CutList.of(DESIGN.layout(), Spec.USUAL, book, List.of(), CutList.Aim.LEAST_COST, s -> {})
                .sheets()
                .getFirst();
        CutList.Sheet sparing = CutList.of(
                        DESIGN.layout(), Spec.USUAL, book, List.of(), CutList.Aim.LEAST_LENGTH, s -> {})
                .sheets()
                .getFirst();
        assertThat(sparing.plan().leftMm()).isLessThan(cheap.plan().leftMm());
        assertThat(sparing.cents()).isGreaterThan(cheap.cents());
        assertThat(cheap.cents()).isEqualTo(cheap.plan().cost());
    }

    /** P13: gate posts are 8 ft, though less would stand. */
    @Test
    void gatePostsAreEightFeet() {
        var gate = Fences.gate("g", GateKind.SWING, 40, 0, 5);
        Design design = Design.of(
                Fences.site(
                        -4,
                        0,
                        Fences.line("a", true, 0, 0, 80, 0, 80, 60, 0, 60).withGates(List.of(gate))),
                Spec.USUAL);
        String strong = "post.timber-140.";
        PriceBook book = new PriceBook(
                "USD", List.of(), List.of(item(strong + "2438", "20.00"), item(strong + "1980", "16.00")));
        CutList.Sheet sheet = CutList.of(design.layout(), Spec.USUAL, book, List.of(), CutList.Aim.LEAST_COST, s -> {})
                .sheets()
                .getFirst();
        assertThat(sheet.plan().bars().stream()
                        .flatMap(b -> b.cuts().stream())
                        .filter(c -> c.label().equals("gate post")))
                .allMatch(c -> c.lengthMm() == 2438)
                .isNotEmpty();
    }

    /** A rail of 8 ft is 2,438.4 mm and sold as 2,438: it is cut from that, not from the next longer one. */
    @Test
    void eightFeetAreEightFeet() {
        PriceBook book =
                new PriceBook("USD", List.of(), List.of(item("rail.2438", "11.00"), item("rail.2743", "14.00")));
        CutList.Sheet sheet = CutList.of(DESIGN.layout(), Spec.USUAL, book, List.of(), CutList.Aim.LEAST_COST, s -> {})
                .sheets()
                .getFirst();
        int rails = sheet.plan().bars().stream().mapToInt(Bar::times).sum();
        assertThat(rails).isPositive();
        assertThat(sheet.cents()).isEqualTo(1100L * rails);
    }

    /** Nothing is sold and the yard has three poles: three posts are cut, the others are said to be missing, and nothing is refused. */
    @Test
    void tooFewInTheYard() {
        List<StockLot> yard = List.of(new StockLot("post.timber-90.2000", 0, "Rack", 3));
        PriceBook none = new PriceBook("USD", List.of(), List.of());
        CutList.Plans plans = CutList.of(DESIGN.layout(), Spec.USUAL, none, yard, CutList.Aim.LEAST_COST, s -> {});
        assertThat(plans.sheets().getFirst().plan().bars().stream()
                        .mapToInt(Bar::times)
                        .sum())
                .isEqualTo(3);
        assertThat(plans.missing()).anyMatch(m -> m.name().contains("timber post, 3.5 in"));
    }

    @Test
    void theYardFirst() {
        PriceBook book = new PriceBook("USD", List.of(), List.of(item("post.timber-90.2000", "6.00")));
        List<StockLot> yard = List.of(
                new StockLot("post.timber-90.4000", 0, "Rack", 2), new StockLot("post.timber-90.1200", 0, "Rack", 9));
        CutList.Sheet without = CutList.of(
                        DESIGN.layout(), Spec.USUAL, book, List.of(), CutList.Aim.LEAST_COST, s -> {})
                .sheets()
                .getFirst();
        CutList.Sheet with = CutList.of(DESIGN.layout(), Spec.USUAL, book, yard, CutList.Aim.LEAST_COST, s -> {})
                .sheets()
                .getFirst();
        assertThat(without.plan().cost() - with.plan().cost()).as("four posts").isEqualTo(4 * 600);
        assertThat(with.plan().bars().stream()
                        .filter(b -> CutList.inYard(b) && CutList.from(b).equals("Rack"))
                        .mapToInt(Bar::times)
                        .sum())
                .as("those of 1.2 m are too short")
                .isEqualTo(2);
    }

    private static Item roll(String product, int lengthM, String price) {
        Offer offer = new Offer(
                "yard",
                lengthM + " m",
                BigDecimal.valueOf(lengthM),
                new BigDecimal(price),
                "",
                1,
                LocalDate.of(2026, 11, 28),
                "");
        return new Item(
                "R-" + lengthM,
                product,
                Unit.M,
                product,
                List.of(),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                List.of(offer));
    }

    private static CutList.Sheet wire(Design design, Spec spec, PriceBook book, List<StockLot> yard, CutList.Aim aim) {
        return CutList.of(design.layout(), spec, book, yard, aim, s -> {}).sheets().stream()
                .filter(s -> s.material().startsWith("wire."))
                .findFirst()
                .orElseThrow();
    }

    private static String wireOf(Design design) {
        return design.takeoff().stream()
                .filter(t -> t.use() == Use.HOT_WIRE)
                .findFirst()
                .orElseThrow()
                .product()
                .id();
    }

    private static double cutM(CutList.Sheet sheet) {
        return sheet.plan().bars().stream()
                        .mapToDouble(b -> b.times()
                                * b.cuts().stream()
                                        .mapToDouble(c -> (double) c.lengthMm() * c.count())
                                        .sum())
                        .sum()
                / 1000;
    }

    /** Whatever way the wires run, what is cut is what the takeoff counts, which goes by tenths of a metre. */
    @ParameterizedTest
    @EnumSource(Stringing.Way.class)
    void wireIsCutAsItIsCounted(Stringing.Way way) {
        Spec spec = Spec.USUAL.withFence(f -> f.withStringing(f.stringing().withWay(way)));
        Design design = Design.of(
                Fences.site(
                        -4,
                        0,
                        Fences.line("a", true, 0, 0, 180, 0, 180, 160, 0, 160),
                        Fences.line("b", false, 300, 0, 420, 0)),
                spec);
        String wire = wireOf(design);
        PriceBook book = new PriceBook("USD", List.of(), List.of(roll(wire, 200, "30.00")));
        double counted = design.takeoff().stream()
                .filter(t -> t.use().isWire() && t.product().id().equals(wire))
                .mapToDouble(TakeoffLine::quantity)
                .sum();
        for (CutList.Aim aim : CutList.Aim.values()) {
            CutList.Sheet sheet = wire(design, spec, book, List.of(), aim);
            assertThat(cutM(sheet)).as("%s %s", way, aim).isCloseTo(counted, within(0.1));
            assertThat(sheet.cents()).isEqualTo(3000L * bars(sheet));
        }
        int goingOn = wire(design, spec, book, List.of(), CutList.Aim.LEAST_COST)
                .joints()
                .orElseThrow();
        int fewest = wire(design, spec, book, List.of(), CutList.Aim.FEWEST_JOINTS)
                .joints()
                .orElseThrow();
        assertThat(fewest).isLessThanOrEqualTo(goingOn);
    }

    private static int bars(CutList.Sheet sheet) {
        return sheet.plan().bars().stream().mapToInt(Bar::times).sum();
    }

    /**
     * Pulls of 80 and 60 m with their slack, two of each for every wire. Coils of 100 m give one of them each without a joint; going on
     * from the rests takes fewer coils, and joints.
     */
    @Test
    void fewerCoilsOrFewerJoints() {
        String wire = wireOf(DESIGN);
        long wires = DESIGN.layout().lines().getFirst().pulls().getFirst().wires().stream()
                .mapToInt(w -> w.count())
                .sum();
        double slack = 1 + Spec.USUAL.purchasing().wireSlackPercent() / 100;
        PriceBook book = new PriceBook("USD", List.of(), List.of(roll(wire, 100, "20.00")));
        CutList.Sheet unjoined = wire(DESIGN, Spec.USUAL, book, List.of(), CutList.Aim.FEWEST_JOINTS);
        assertThat(unjoined.joints()).hasValue(0);
        assertThat(bars(unjoined)).isEqualTo(4 * wires);
        CutList.Sheet joined = wire(DESIGN, Spec.USUAL, book, List.of(), CutList.Aim.LEAST_COST);
        assertThat(bars(joined)).isBetween((int) Math.ceil(wires * 280 * slack / 100), (int) (3.5 * wires));
        assertThat(joined.joints().orElseThrow()).isPositive();
        // A rest of 80 m in the yard is used before a coil is bought.
        List<StockLot> yard = List.of(new StockLot(wire, 80, "Shed", 80));
        CutList.Sheet withRest = wire(DESIGN, Spec.USUAL, book, yard, CutList.Aim.FEWEST_JOINTS);
        assertThat(withRest.cents()).isEqualTo(unjoined.cents() - 2000);
    }

    /** Under a drive gate and up both its posts: cut as counted, joined where sold shorter. */
    @Test
    void conduitUnderTheGate() {
        var gate = Fences.gate("g", GateKind.SWING, 40, 0, 5);
        Design design = Design.of(
                Fences.site(
                        -4,
                        0,
                        Fences.line("a", true, 0, 0, 80, 0, 80, 60, 0, 60).withGates(List.of(gate))),
                Spec.USUAL);
        double counted = design.takeoff().stream()
                .filter(t -> t.product().equals(Product.of(Fitting.CONDUIT)))
                .mapToDouble(TakeoffLine::quantity)
                .sum();
        assertThat(counted).isGreaterThan(5);
        String conduit = Product.of(Fitting.CONDUIT).id();
        PriceBook book = new PriceBook("USD", List.of(), List.of(roll(conduit, 3, "6.00")));
        for (CutList.Aim aim : CutList.Aim.values()) {
            CutList.Sheet sheet =
                    CutList.of(design.layout(), Spec.USUAL, book, List.of(), aim, s -> {}).sheets().stream()
                            .filter(s -> s.material().equals(conduit))
                            .findFirst()
                            .orElseThrow();
            assertThat(cutM(sheet)).as("%s", aim).isCloseTo(counted, within(0.1));
            assertThat(sheet.joints().orElseThrow()).as("%s", aim).isPositive();
        }
    }

    /** As the takeoff counts coils: the same number when they are of the job's own size. */
    @Test
    void coilsAsTheTakeoffOpensThem() {
        TakeoffLine hot = DESIGN.takeoff().stream()
                .filter(t -> t.use() == Use.HOT_WIRE)
                .findFirst()
                .orElseThrow();
        TakeoffLine.Pack coil = hot.pack().orElseThrow();
        PriceBook book = new PriceBook(
                "USD", List.of(), List.of(roll(hot.product().id(), (int) Math.round(coil.size()), "50.00")));
        CutList.Sheet sheet = wire(DESIGN, Spec.USUAL, book, List.of(), CutList.Aim.LEAST_COST);
        long others = DESIGN.takeoff().stream()
                .filter(t -> t.use().isWire() && t.product().equals(hot.product()))
                .mapToLong(t -> t.pack().map(TakeoffLine.Pack::count).orElse(0))
                .sum();
        assertThat(bars(sheet)).isBetween((int) (others - 1), (int) others);
    }

    /** What is bought by the list costs what the list says, and hours stay as they are. */
    @Test
    void thePriceFollowsTheCuts() {
        List<Item> items = new ArrayList<>(List.of(item("post.timber-90.4000", "9.00"), item("rail.6000", "19.00")));
        DESIGN.takeoff().stream()
                .map(t -> t.product().id())
                .filter(id -> id.startsWith("post.") || id.startsWith("rail."))
                .distinct()
                .forEach(id -> items.add(item(id, id.contains("timber-90") ? "6.00" : "12.00")));
        PriceBook book = new PriceBook("USD", List.of(), items);
        Rates rates = Rates.USUAL.withAllowances(
                new Rates.Allowances(BigDecimal.ZERO, BigDecimal.ZERO, BigDecimal.ZERO, BigDecimal.ZERO, List.of()));
        CutList.Plans plans = CutList.of(DESIGN.layout(), Spec.USUAL, book, List.of(), CutList.Aim.LEAST_COST, s -> {});
        var bought = CutPurchase.of(DESIGN.takeoff(), plans);
        var fence = DESIGN.laid().fence().lines();
        LocalDate day = LocalDate.of(2026, 11, 28);
        Price each = Pricing.of(fence, DESIGN.takeoff(), book, rates, JobTerms.USUAL, day);
        Price cut = Pricing.of(fence, DESIGN.takeoff(), bought, book, rates, JobTerms.USUAL, day);
        long cents = plans.sheets().stream()
                .filter(s -> s.joints().isEmpty())
                .mapToLong(CutList.Sheet::cents)
                .sum();
        assertThat(plans.missing())
                .as("posts and rails")
                .noneMatch(m -> m.name().contains("post"));
        assertThat(cut.sums().material().movePointRight(2).longValueExact()).isEqualTo(cents);
        assertThat(cut.sums().material()).isLessThan(each.sums().material());
        assertThat(cut.sums().hours()).isEqualTo(each.sums().hours());
        // Pieces cut are the posts and rails that are counted, each once.
        Predicate<Product> sawn = p -> p instanceof Product.PostOf || p instanceof Product.Rail;
        double counted = DESIGN.takeoff().stream()
                .filter(t -> sawn.test(t.product()))
                .mapToDouble(TakeoffLine::quantity)
                .sum();
        assertThat(plans.sheets().stream()
                        .filter(s -> s.joints().isEmpty())
                        .flatMap(s -> s.plan().bars().stream())
                        .mapToInt(b -> b.times()
                                * b.cuts().stream().mapToInt(c -> c.count()).sum())
                        .sum())
                .isEqualTo((int) counted);
    }
}
