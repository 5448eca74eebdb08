package buckle.variant;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import buckle.Fences;
import buckle.design.Design;
import buckle.land.Surroundings;
import buckle.material.Conductor;
import buckle.message.TakeoffMessage;
import buckle.price.JobTerms;
import buckle.price.PriceBook;
import buckle.price.PriceBook.Item;
import buckle.price.PriceBook.Offer;
import buckle.price.PriceBook.Unit;
import buckle.price.Pricing;
import buckle.price.Rates;
import buckle.site.BadInput;
import buckle.site.Site;
import buckle.spec.Circumstances;
import buckle.spec.Decisions;
import buckle.spec.Plan;
import buckle.spec.Preset;
import buckle.spec.Spec;
import buckle.takeoff.TakeoffLine;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** Variants against the sheets they come from, and cost over the years by hand. */
class VariantTest {
    private static final LocalDate DAY = LocalDate.of(2026, 11, 28);
    private static final Site SITE = Fences.site(-4, 0, Fences.line("a", true, 0, 0, 80, 0, 80, 60, 0, 60));
    private static final Spec FIVE =
            Spec.USUAL.withFence(f -> f.withSchedule(Preset.of("W16").schedule()));

    private static Plan plan(Spec spec) {
        return new Plan(SITE, spec, Circumstances.USUAL, Decisions.NONE);
    }

    /** Everything costs 2 a piece or metre; wire lasts 8 years, everything else says nothing. */
    private static PriceBook book() {
        List<Item> items = Stream.of(Spec.USUAL, FIVE, SOFT)
                .flatMap(s -> Design.of(SITE, s).takeoff().stream())
                .map(l -> l.product().id())
                .distinct()
                .map(p -> new Item(
                        "C-" + p,
                        p,
                        Unit.PCS,
                        p,
                        List.of(),
                        OptionalDouble.empty(),
                        p.startsWith("wire.") ? OptionalDouble.of(8) : OptionalDouble.empty(),
                        List.of(new Offer("yard", "piece", BigDecimal.ONE, new BigDecimal("2.00"), "", 1, DAY, ""))))
                .toList();
        return new PriceBook("USD", List.of(), items);
    }

    private static final Spec SOFT = FIVE.withFence(f -> f.withWires(f.wires().withHot(Conductor.POLYWIRE)));

    private static Variant of(Spec spec, LifeTerms life) {
        return Variant.of(plan(spec), Surroundings.NONE, book(), Rates.USUAL, JobTerms.USUAL, life, DAY);
    }

    /** What a variant says is what takeoff, layout and price say. */
    @Test
    void isWhatItsSheetsSay() {
        Variant variant = of(FIVE, new LifeTerms(10, 0));
        Design design = Design.of(plan(FIVE), Surroundings.NONE);
        assertThat(variant.lengthM()).isCloseTo(280, within(0.1));
        assertThat(variant.posts())
                .isEqualTo(design.layout().lines().getFirst().posts().size());
        assertThat(variant.wireM())
                .isCloseTo(
                        design.takeoff().stream()
                                .filter(t -> t.use().isWire())
                                .mapToDouble(TakeoffLine::quantity)
                                .sum(),
                        within(1e-6));
        assertThat(design.ledger())
                .anySatisfy(f -> assertThat(f.figure())
                        .isInstanceOfSatisfying(
                                TakeoffMessage.UpliftFigure.class,
                                u -> assertThat(variant.upliftN()).isCloseTo(u.upliftN(), within(1e-6))));
        assertThat(variant.net())
                .isEqualByComparingTo(Pricing.of(
                                design.laid().fence().lines(),
                                design.takeoff(),
                                book(),
                                Rates.USUAL,
                                JobTerms.USUAL,
                                DAY)
                        .net());
        assertThat(variant.weakestV().orElseThrow()).isPositive();
        Variant two = of(Spec.USUAL, new LifeTerms(10, 0));
        assertThat(two.wireM()).isLessThan(variant.wireM());
        assertThat(two.net()).isLessThan(variant.net());
        assertThat(two.upliftN()).isLessThan(variant.upliftN());
    }

    /**
     * Wire that lasts 8 years is put up once more within 10 and twice within 24, not at all within 8; upkeep of 12 hours a kilometre on 280 m
     * is 3.36 hours a year.
     */
    @Test
    void costOverTheYears() {
        BigDecimal none = of(FIVE, new LifeTerms(8, 0)).life().renewals();
        BigDecimal once = of(FIVE, new LifeTerms(10, 0)).life().renewals();
        BigDecimal twice = of(FIVE, new LifeTerms(24, 0)).life().renewals();
        assertThat(none).isZero();
        assertThat(once).isPositive();
        assertThat(twice).isEqualByComparingTo(once.multiply(BigDecimal.valueOf(2)));
        Design design = Design.of(plan(FIVE), Surroundings.NONE);
        double wire = design.takeoff().stream()
                .filter(t -> t.product().id().startsWith("wire."))
                .mapToDouble(TakeoffLine::quantity)
                .sum();
        assertThat(once.doubleValue())
                .as("wire by the metre at 2, and hanging it")
                .isGreaterThan(2 * wire);
        Variant tended = of(FIVE, new LifeTerms(10, 12));
        double hourCost = Rates.USUAL.crew().hourCost().doubleValue();
        assertThat(tended.life().upkeep().doubleValue())
                .isCloseTo(12 * tended.lengthM() / 1000 * 10 * hourCost, within(0.01));
        assertThat(tended.life().total())
                .isEqualByComparingTo(tended.net()
                        .add(tended.life().renewals())
                        .add(tended.life().upkeep()));
        assertThat(tended.life().withoutLife()).isPositive();
        for (int years : new int[] {0, 61}) {
            assertThatThrownBy(() -> new LifeTerms(years, 0)).isInstanceOf(BadInput.class);
        }
        assertThatThrownBy(() -> new LifeTerms(10, Double.NaN)).isInstanceOf(BadInput.class);
    }

    /** Another conductor changes the weakest point and the price, not the posts. */
    @Test
    void anotherConductor() {
        Variant steel = of(FIVE, new LifeTerms(10, 0));
        Variant poly = of(SOFT, new LifeTerms(10, 0));
        assertThat(poly.weakestV().orElseThrow()).isNotEqualTo(steel.weakestV().orElseThrow());
        assertThat(poly.lengthM()).isEqualTo(steel.lengthM());
    }
}
