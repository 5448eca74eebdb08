package buckle.stock;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import buckle.Fences;
import buckle.cut.CutPlan.Bar;
import buckle.design.Design;
import buckle.layout.Post;
import buckle.material.PostStock;
import buckle.price.PriceBook;
import buckle.price.PriceBook.Item;
import buckle.price.PriceBook.Offer;
import buckle.price.PriceBook.Unit;
import buckle.site.GateKind;
import buckle.spec.Spec;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;

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
}
