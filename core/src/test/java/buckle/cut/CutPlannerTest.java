package buckle.cut;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import buckle.cut.CutOrder.Piece;
import buckle.cut.CutOrder.Stock;
import buckle.cut.CutPlan.Bar;
import buckle.cut.CutPlan.Cut;
import buckle.site.BadInput;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

/** Cuts against every plan there is, against a published instance, and against what no plan can go under. */
class CutPlannerTest {
    private static Stock sold(String id, int mm, long cents) {
        return new Stock(id, mm, cents, OptionalInt.empty());
    }

    private static Stock lying(String id, int mm, int count) {
        return new Stock(id, mm, 0, OptionalInt.of(count));
    }

    private static CutPlan plan(List<Piece> pieces, List<Stock> stock, int kerfMm) {
        CutPlan plan = CutPlanner.plan(new CutOrder(pieces, stock, kerfMm), share -> {});
        holds(plan, pieces, stock, kerfMm);
        return plan;
    }

    /** Each piece is cut as often as asked, no bar is longer than it is, none is used that is not there, and the cost is the bars'. */
    private static void holds(CutPlan plan, List<Piece> pieces, List<Stock> stock, int kerfMm) {
        Map<String, Integer> cut = new HashMap<>();
        Map<String, Integer> used = new HashMap<>();
        long cost = 0;
        for (Bar bar : plan.bars()) {
            Stock from = stock.stream()
                    .filter(s -> s.id().equals(bar.stock()))
                    .findFirst()
                    .orElseThrow();
            int length = 0;
            int saws = 0;
            for (Cut c : bar.cuts()) {
                cut.merge(c.label(), c.count() * bar.times(), Integer::sum);
                length += c.count() * c.lengthMm();
                saws += c.count();
            }
            int rest = from.lengthMm() - length - saws * kerfMm;
            assertThat(rest).as(bar.toString()).isGreaterThanOrEqualTo(-kerfMm);
            assertThat(bar.leftMm()).isEqualTo(Math.max(0, rest));
            used.merge(bar.stock(), bar.times(), Integer::sum);
            cost += from.cost() * bar.times();
        }
        for (Piece p : pieces) {
            assertThat(cut.get(p.label())).as(p.label()).isEqualTo(p.count());
        }
        for (Stock s : stock) {
            if (s.available().isPresent()) {
                assertThat(used.getOrDefault(s.id(), 0))
                        .isLessThanOrEqualTo(s.available().getAsInt());
            }
        }
        assertThat(plan.cost()).isEqualTo(cost);
        assertThat(plan.bound()).isLessThanOrEqualTo(cost + 1e-6);
    }

    /** Two gates' rails of 1.5 m and three of 0.9 m from poles of 3.6 and 2.4 m with a saw of 3 mm, by hand: two poles of 3.6 m hold all but one. */
    @Test
    void byHand() {
        CutPlan plan = plan(
                List.of(new Piece("long", 1500, 2), new Piece("short", 900, 3)),
                List.of(sold("pole 3.6", 3600, 900), sold("pole 2.4", 2400, 620)),
                3);
        // 1500 + 1500 = 3003 of 3600; 900 × 2 and 1500 of 2.4 and so on: 3.6 m with 1500 + 2 × 900, twice, has one
        // place too many.
        assertThat(plan.cost()).isEqualTo(1800);
        assertThat(plan.optimal()).isTrue();
        CutPlan leftover = plan(
                List.of(new Piece("long", 1500, 2), new Piece("short", 900, 3)),
                List.of(sold("pole 3.6", 3600, 900), sold("pole 2.4", 2400, 620), lying("left 3.31", 3310, 1)),
                3);
        assertThat(leftover.cost()).as("what lies there is cut first").isEqualTo(900);
    }

    /**
     * The instance by which cutting stock is explained everywhere (a roll of 5,600 mm, 13 widths, 219 rolls of parent needed 73, bound
     * 72.7; told from memory, so held against the bound too).
     */
    @Test
    void theRollsOfTheTextbooks() {
        int[] width = {1380, 1520, 1560, 1710, 1820, 1880, 1930, 2000, 2050, 2100, 2140, 2150, 2200};
        int[] count = {22, 25, 12, 14, 18, 18, 20, 10, 12, 14, 16, 18, 20};
        List<Piece> pieces = new ArrayList<>();
        for (int i = 0; i < width.length; i++) {
            pieces.add(new Piece("w" + width[i], width[i], count[i]));
        }
        CutPlan plan = plan(pieces, List.of(sold("roll", 5600, 1)), 0);
        double material = 0;
        for (int i = 0; i < width.length; i++) {
            material += (double) width[i] * count[i];
        }
        assertThat(material / 5600).isBetween(72.0, 73.0);
        assertThat(plan.cost()).isEqualTo(73);
        assertThat(plan.optimal()).isTrue();
    }

    /** Small orders against all plans there are. */
    @Property(tries = 40)
    void noneIsCheaper(@ForAll @IntRange(min = 1, max = 1_000_000) int seed) {
        Random random = new Random(seed);
        int kerf = random.nextInt(2) * 3;
        List<Piece> pieces = new ArrayList<>();
        for (int i = 0; i < 1 + random.nextInt(3); i++) {
            pieces.add(new Piece("p" + i, 300 + random.nextInt(1200), 1 + random.nextInt(2)));
        }
        List<Stock> stock = new ArrayList<>();
        stock.add(sold("long", 1700 + random.nextInt(1500), 100 + random.nextInt(200)));
        stock.add(sold("short", 900 + random.nextInt(800), 60 + random.nextInt(120)));
        if (random.nextBoolean()) {
            stock.add(lying("left", 400 + random.nextInt(1500), 1));
        }
        CutPlan plan = plan(pieces, stock, kerf);
        long best = brute(pieces, stock, kerf);
        assertThat(plan.cost()).isEqualTo(best);
        assertThat(plan.bound()).isLessThanOrEqualTo(best + 1e-6);
    }

    private static long brute(List<Piece> pieces, List<Stock> stock, int kerf) {
        List<Integer> each = new ArrayList<>();
        pieces.forEach(p -> {
            for (int k = 0; k < p.count(); k++) {
                each.add(p.lengthMm());
            }
        });
        int[] lengths = each.stream().mapToInt(i -> i).toArray();
        return brute(lengths, 0, new ArrayList<>(), stock, kerf, 0, Long.MAX_VALUE);
    }

    /** Each piece into every open bar with room, or into a new one of every stock. */
    private static long brute(
            int[] lengths, int at, List<int[]> bars, List<Stock> stock, int kerf, long cost, long known) {
        if (cost >= known) {
            return known;
        }
        if (at == lengths.length) {
            return cost;
        }
        long best = known;
        for (int b = 0; b < bars.size(); b++) {
            int[] bar = bars.get(b);
            if (bar[1] >= lengths[at]) {
                bar[1] -= lengths[at] + kerf;
                best = Math.min(best, brute(lengths, at + 1, bars, stock, kerf, cost, best));
                bar[1] += lengths[at] + kerf;
            }
        }
        for (int s = 0; s < stock.size(); s++) {
            int kind = s;
            long open = bars.stream().filter(b -> b[0] == kind).count();
            if (stock.get(s).lengthMm() >= lengths[at]
                    && open < stock.get(s).available().orElse(Integer.MAX_VALUE)) {
                bars.add(new int[] {s, stock.get(s).lengthMm() - lengths[at] - kerf});
                best = Math.min(
                        best,
                        brute(
                                lengths,
                                at + 1,
                                bars,
                                stock,
                                kerf,
                                cost + stock.get(s).cost(),
                                best));
                bars.removeLast();
            }
        }
        return best;
    }

    /** 150 pieces of many lengths from six lengths: within half a percent of what no plan can go under. */
    @Test
    void manyLengths() {
        Random random = new Random(7);
        List<Piece> pieces = new ArrayList<>();
        for (int i = 0; i < 150; i++) {
            pieces.add(new Piece("p" + i, 10 * (40 + random.nextInt(260)), 1));
        }
        List<Stock> stock = List.of(
                sold("3.0", 3000, 700),
                sold("3.6", 3600, 830),
                sold("4.2", 4200, 980),
                sold("4.8", 4800, 1110),
                sold("5.4", 5400, 1270),
                sold("6.0", 6000, 1400));
        List<Double> shares = new ArrayList<>();
        CutOrder order = new CutOrder(pieces, stock, 0);
        CutPlan plan = CutPlanner.plan(order, shares::add);
        holds(plan, pieces, stock, 0);
        assertThat(plan.gap()).isLessThan(0.005);
        double least = pieces.stream().mapToDouble(Piece::lengthMm).sum() * 830 / 3600;
        assertThat(plan.bound()).as("not under the cheapest millimetre").isGreaterThanOrEqualTo(least - 1e-6);
        assertThat(shares).as("progress").hasSizeGreaterThan(2).endsWith(1.0);
    }

    @Test
    void whatCannotBeCut() {
        List<Stock> stock = List.of(sold("pole", 3600, 900));
        assertThatThrownBy(() -> new CutOrder(List.of(new Piece("rail", 4000, 1)), stock, 3))
                .isInstanceOf(BadInput.class)
                .hasMessageContaining("nothing as long is sold");
        assertThatThrownBy(() -> plan(List.of(new Piece("rail", 3000, 3)), List.of(lying("left", 3100, 2)), 3))
                .isInstanceOf(BadInput.class)
                .hasMessageContaining("not enough");
        assertThatThrownBy(() -> new CutOrder(List.of(new Piece("rail", 100, 0)), stock, 3))
                .isInstanceOf(BadInput.class);
        assertThatThrownBy(() -> new CutOrder(List.of(), stock, -1)).isInstanceOf(BadInput.class);
        assertThatThrownBy(() -> new CutOrder(List.of(), List.of(stock.getFirst(), stock.getFirst()), 0))
                .isInstanceOf(BadInput.class)
                .hasMessageContaining("one name");
        assertThat(CutPlanner.plan(new CutOrder(List.of(), stock, 3), s -> {}).bars())
                .isEmpty();
    }
}
