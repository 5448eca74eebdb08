package buckle.price;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import buckle.price.Packs.Break;
import buckle.price.Packs.Mix;
import buckle.price.Packs.Pack;
import buckle.price.Packs.Taken;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.ojalgo.optimisation.ExpressionsBasedModel;
import org.ojalgo.optimisation.Optimisation;
import org.ojalgo.optimisation.Variable;

/** The cheapest mix of packs: by hand, against every mix there is, and against a mixed-integer program of somebody else. */
class PacksTest {
    @Test
    void smallMixesByHand() {
        // 2 × 10 at 9.00 and 3 × 1 at 1.20 = 21.60; 2 × 10 and 1 × 5 would be 23.00, 3 × 10 27.00.
        Mix pieces = cheapest("23", pack("10", "9.00"), pack("5", "5.00"), pack("1", "1.20"));
        assertThat(pieces.cost()).isEqualByComparingTo("21.60");
        assertThat(pieces.left()).isEqualByComparingTo("0");
        // One too many is cheaper than the exact number: 10 at 9.00 against 9 × 1.20 = 10.80.
        Mix over = cheapest("9", pack("10", "9.00"), pack("1", "1.20"));
        assertThat(over.taken()).containsExactly(new Taken(0, 1, new BigDecimal("9")));
        assertThat(over.left()).isEqualByComparingTo("1");
        // 4,000 ft coils beside 500 m coils, 2,100 m: 1,219.2 + 2 × 500 = 2,219.2 m at 190 + 2 × 85 = 360 against 2 ×
        // 190 = 380.
        Mix wire = cheapest("2100", pack("1219.2", "190"), pack("500", "85"));
        assertThat(wire.cost()).isEqualByComparingTo("360");
        assertThat(wire.left()).isEqualByComparingTo("119.2");
        // From 4 packs on they cost 20 each: four are bought though three are enough.
        Mix broken = cheapest("300", new Pack(dec("100"), List.of(new Break(1, dec("28")), new Break(4, dec("20")))));
        assertThat(broken.taken()).containsExactly(new Taken(0, 4, new BigDecimal("2E+1")));
        assertThat(broken.cost()).isEqualByComparingTo("80");
        assertThat(Packs.cheapest(dec("5"), List.of())).isEmpty();
        assertThat(cheapest("0", pack("10", "9")).taken()).isEmpty();
    }

    @Property(tries = 300)
    void noMixIsCheaper(@ForAll long seed, @ForAll @IntRange(min = 1, max = 40) int quantity) {
        List<Pack> packs = random(new Random(seed), 3, 9);
        Mix mix = Packs.cheapest(BigDecimal.valueOf(quantity), packs).orElseThrow();
        assertThat(mix.cost()).isEqualByComparingTo(leastByTrying(packs, 0, quantity, BigDecimal.ZERO));
        covers(mix, packs, quantity);
    }

    /** Much of something: most is taken of the best pack at once, and the rest is as cheap as if all had been looked at. */
    @Property(tries = 60)
    void muchIsAsCheapAsWhenLookedAtPieceByPiece(
            @ForAll long seed, @ForAll @IntRange(min = 2_000, max = 30_000) int quantity) {
        List<Pack> packs = random(new Random(seed), 4, 30);
        Mix mix = Packs.cheapest(BigDecimal.valueOf(quantity), packs).orElseThrow();
        covers(mix, packs, quantity);
        assertThat(mix.cost().doubleValue()).isCloseTo(plainly(packs, quantity), within(1e-6));
    }

    @Test
    void aMixedIntegerProgramFindsNoCheaperOne() {
        Random random = new Random(7);
        for (int round = 0; round < 25; round++) {
            List<Pack> packs = random(random, 4, 40).stream()
                    .map(p -> Pack.of(p.size(), p.breaks().getFirst().price()))
                    .toList();
            int quantity = 50 + random.nextInt(900);
            ExpressionsBasedModel model = new ExpressionsBasedModel();
            var covered = model.newExpression("covered").lower(quantity);
            for (Pack p : packs) {
                Variable v = model.newVariable("n" + model.countVariables())
                        .lower(0)
                        .upper(quantity)
                        .integer(true)
                        .weight(p.breaks().getFirst().price());
                covered.set(v, p.size());
            }
            Optimisation.Result result = model.minimise();
            assertThat(result.getState().isOptimal()).isTrue();
            Mix mix = Packs.cheapest(BigDecimal.valueOf(quantity), packs).orElseThrow();
            assertThat(mix.cost().doubleValue()).isCloseTo(result.getValue(), within(1e-4));
        }
    }

    private static void covers(Mix mix, List<Pack> packs, int quantity) {
        BigDecimal covered = BigDecimal.ZERO;
        BigDecimal cost = BigDecimal.ZERO;
        for (Taken t : mix.taken()) {
            covered = covered.add(packs.get(t.pack()).size().multiply(BigDecimal.valueOf(t.count())));
            cost = cost.add(t.cost());
            int together = mix.taken().stream()
                    .filter(o -> o.pack() == t.pack())
                    .mapToInt(Taken::count)
                    .sum();
            assertThat(packs.get(t.pack()).breaks())
                    .anyMatch(b -> b.price().compareTo(t.price()) == 0 && b.from() <= together);
        }
        assertThat(covered).isGreaterThanOrEqualTo(BigDecimal.valueOf(quantity));
        assertThat(mix.left()).isEqualByComparingTo(covered.subtract(BigDecimal.valueOf(quantity)));
        assertThat(mix.cost()).isEqualByComparingTo(cost);
    }

    private static List<Pack> random(Random random, int most, int largest) {
        return IntStream.range(0, 1 + random.nextInt(most))
                .mapToObj(i -> {
                    BigDecimal size = BigDecimal.valueOf(1 + random.nextInt(largest));
                    BigDecimal price = size.multiply(BigDecimal.valueOf(50 + random.nextInt(100)))
                            .movePointLeft(2);
                    List<Break> breaks = new ArrayList<>(List.of(new Break(1, price)));
                    if (random.nextBoolean()) {
                        breaks.add(new Break(2 + random.nextInt(6), price.multiply(dec("0.8"))));
                    }
                    return new Pack(size, breaks);
                })
                .toList();
    }

    /** Every number of every pack. */
    private static BigDecimal leastByTrying(List<Pack> packs, int from, int left, BigDecimal spent) {
        if (left <= 0) {
            return spent;
        }
        if (from == packs.size()) {
            return BigDecimal.valueOf(1_000_000);
        }
        Pack pack = packs.get(from);
        BigDecimal least = BigDecimal.valueOf(1_000_000);
        // Beyond what covers, and beyond every break, more is only dearer.
        int most = Math.max(
                left / pack.size().intValue() + 1, pack.breaks().getLast().from());
        for (int n = 0; n <= most; n++) {
            BigDecimal cost = BigDecimal.ZERO;
            if (n > 0) {
                int count = n;
                cost = pack.breaks().stream()
                        .filter(b -> b.from() <= count)
                        .map(Break::price)
                        .min(BigDecimal::compareTo)
                        .orElseThrow()
                        .multiply(BigDecimal.valueOf(n));
            }
            least = least.min(
                    leastByTrying(packs, from + 1, left - n * pack.size().intValue(), spent.add(cost)));
        }
        return least;
    }

    /** One pack after the other over all quantities, in floating point: cost of covering j with so many of this pack. */
    private static double plainly(List<Pack> packs, int quantity) {
        double[] cost = new double[quantity + 1];
        Arrays.fill(cost, 1, quantity + 1, Double.POSITIVE_INFINITY);
        for (Pack pack : packs) {
            int size = pack.size().intValue();
            double[] next = cost.clone();
            for (Break b : pack.breaks()) {
                double[] with = new double[quantity + 1];
                for (int j = 1; j <= quantity; j++) {
                    double begin = cost[Math.max(0, j - b.from() * size)]
                            + b.from() * b.price().doubleValue();
                    double more = j > size ? with[j - size] + b.price().doubleValue() : Double.POSITIVE_INFINITY;
                    with[j] = Math.min(begin, more);
                    next[j] = Math.min(next[j], with[j]);
                }
            }
            cost = next;
        }
        return cost[quantity];
    }

    private static Mix cheapest(String quantity, Pack... packs) {
        return Packs.cheapest(dec(quantity), List.of(packs)).orElseThrow();
    }

    private static Pack pack(String size, String price) {
        return Pack.of(dec(size), dec(price));
    }

    private static BigDecimal dec(String value) {
        return new BigDecimal(value);
    }
}
