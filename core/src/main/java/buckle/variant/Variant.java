package buckle.variant;

import buckle.circuit.Electrics;
import buckle.circuit.ElectricsPlanner;
import buckle.circuit.Trial;
import buckle.design.Design;
import buckle.land.Surroundings;
import buckle.layout.LaidLine;
import buckle.layout.LineLayout;
import buckle.layout.PostKind;
import buckle.price.JobTerms;
import buckle.price.Labour;
import buckle.price.Price;
import buckle.price.Price.Material;
import buckle.price.PriceBook;
import buckle.price.Pricing;
import buckle.price.Rates;
import buckle.rulebook.Standing;
import buckle.spec.Plan;
import buckle.stock.CutList;
import buckle.stock.CutPurchase;
import buckle.takeoff.TakeoffLine;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;

/**
 * The figures by which one plan is chosen over another; what the ledger says too is the same here.
 *
 * @param wireM with its slack, as {@code insulators} are with their spares
 * @param strongPosts with brace posts
 * @param hours of one person, at the crew's pace
 * @param weakestV likely peak at the weakest point; empty where nothing is fed
 * @param met how that stands to what the animals need
 * @param upliftN of the strong post that is lifted most, on the day of building
 */
public record Variant(
        double lengthM,
        long posts,
        long strongPosts,
        double wireM,
        long insulators,
        BigDecimal net,
        double hours,
        OptionalDouble weakestV,
        Optional<Standing> met,
        double upliftN,
        Life life) {
    /**
     * What it costs over the years, at today's prices and without interest.
     *
     * @param renewals material that wears out before, and putting it up again
     * @param withoutLife products of which nobody says how long they last: they are taken to last
     */
    public record Life(BigDecimal renewals, BigDecimal upkeep, BigDecimal total, long withoutLife) {}

    private static final double M_PER_KM = 1000;

    /** Of a plan, priced by the house. */
    public static Variant of(
            Plan plan,
            Surroundings around,
            PriceBook book,
            Rates rates,
            JobTerms job,
            LifeTerms terms,
            LocalDate today) {
        Design design = Design.of(plan, around);
        List<LineLayout> lines = design.layout().lines();
        List<LaidLine> fence = design.laid().fence().lines();
        List<TakeoffLine> bought = CutPurchase.aim(job.cutting())
                .map(aim -> CutPurchase.of(
                        design.takeoff(), CutList.of(design.layout(), plan.spec(), book, List.of(), aim, share -> {})))
                .orElse(design.takeoff());
        Price price = Pricing.of(fence, design.takeoff(), bought, book, rates, job, today);
        // What is renewed later is bought piece by piece.
        Price alone = bought == design.takeoff() ? price : Pricing.of(fence, design.takeoff(), book, rates, job, today);
        Optional<Electrics> electrics = ElectricsPlanner.of(plan, design.laid(), around, Trial.NONE, Set.of());
        double length = lines.stream().mapToDouble(LineLayout::slopeLengthM).sum();
        Map<PostKind, Long> posts = design.layout().counts();
        return new Variant(
                length,
                posts.values().stream().mapToLong(n -> n).sum(),
                posts.entrySet().stream()
                        .filter(e -> e.getKey().strong() || e.getKey() == PostKind.BRACE)
                        .mapToLong(Map.Entry::getValue)
                        .sum(),
                design.takeoff().stream()
                        .filter(t -> t.use().isWire())
                        .mapToDouble(TakeoffLine::quantity)
                        .sum(),
                Math.round(design.takeoff().stream()
                        .filter(t -> t.use().isInsulator())
                        .mapToDouble(TakeoffLine::quantity)
                        .sum()),
                price.net(),
                price.sums().hours(),
                electrics
                        .flatMap(Electrics::weakest)
                        .map(w -> OptionalDouble.of(w.likelyV()))
                        .orElse(OptionalDouble.empty()),
                electrics.flatMap(Electrics::weakest).map(w -> w.met()),
                lines.stream()
                        .flatMap(l -> l.braces().stream())
                        .mapToDouble(b -> b.load().day().upliftN())
                        .max()
                        .orElse(0),
                life(price.net(), alone, design.takeoff(), book, rates, length, terms));
    }

    private static Life life(
            BigDecimal net,
            Price price,
            List<TakeoffLine> takeoff,
            PriceBook book,
            Rates rates,
            double lengthM,
            LifeTerms terms) {
        Map<String, OptionalDouble> lives = new HashMap<>();
        book.items().forEach(i -> lives.put(i.code(), i.lifeYears()));
        BigDecimal renewals = BigDecimal.ZERO;
        long without = 0;
        for (Material m : price.material()) {
            if (m.bought().isEmpty()) {
                continue;
            }
            OptionalDouble years =
                    Objects.requireNonNullElse(lives.get(m.bought().getFirst().code()), OptionalDouble.empty());
            if (years.isEmpty()) {
                without++;
                continue;
            }
            int times = (int) Math.ceil(terms.years() / years.getAsDouble() - 1e-9) - 1;
            if (times > 0) {
                BigDecimal once = m.cost().add(work(m.product(), takeoff, rates));
                renewals = renewals.add(once.multiply(BigDecimal.valueOf(times)));
            }
        }
        BigDecimal upkeep = rates.crew()
                .hourCost()
                .multiply(BigDecimal.valueOf(terms.upkeepHoursPerKm() * lengthM / M_PER_KM * terms.years()));
        return new Life(cents(renewals), cents(upkeep), cents(net.add(renewals).add(upkeep)), without);
    }

    /** Of putting a product up once more. */
    private static BigDecimal work(String product, List<TakeoffLine> takeoff, Rates rates) {
        List<TakeoffLine> those =
                takeoff.stream().filter(t -> t.product().id().equals(product)).toList();
        double hours = Labour.of(List.of(), those, rates.crew().pace().doubleValue()).stream()
                .mapToDouble(Labour.Line::hours)
                .sum();
        return rates.crew().hourCost().multiply(BigDecimal.valueOf(hours));
    }

    private static BigDecimal cents(BigDecimal value) {
        return value.setScale(2, RoundingMode.HALF_UP);
    }
}
