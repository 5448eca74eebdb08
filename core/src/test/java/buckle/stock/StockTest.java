package buckle.stock;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import buckle.site.BadInput;
import buckle.stock.StockBooking.Account;
import buckle.stock.StockBooking.Entry;
import buckle.stock.StockBooking.Ware;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

/** The ledger's arithmetic, what is taken from the yard, and what jobs teach. */
class StockTest {
    private static final Ware COIL = new Ware("wire.x", 400);
    private static final UUID SHEET = UUID.randomUUID();

    private static double in(StockBooking booking, Account account, double lengthM) {
        return booking.entries().stream()
                .filter(e -> e.account() == account && e.lengthM() == lengthM)
                .mapToDouble(Entry::amount)
                .sum();
    }

    /** A coil of 400 m of which 173.4 come back: 226.6 were used. */
    @Test
    void whatIsLeftOfACoil() {
        StockBooking rest = StockBooking.rest(UUID.randomUUID(), SHEET, COIL, 173.4, "Barn");
        assertThat(in(rest, Account.TRUCK, 400)).isEqualTo(-400);
        assertThat(in(rest, Account.YARD, 173.4)).isCloseTo(173.4, within(1e-9));
        assertThat(in(rest, Account.USED, 0)).isCloseTo(226.6, within(1e-9));
        for (double wrong : new double[] {0, -1, 400, 500, Double.NaN}) {
            assertThatThrownBy(() -> StockBooking.rest(UUID.randomUUID(), SHEET, COIL, wrong, "Barn"))
                    .isInstanceOf(BadInput.class);
        }
        assertThatThrownBy(() -> StockBooking.rest(UUID.randomUUID(), SHEET, new Ware("post.x", 0), 1, "Barn"))
                .isInstanceOf(BadInput.class)
                .hasMessageContaining("counted in pieces");
    }

    @Test
    void countingAsksWhy() {
        UUID id = UUID.randomUUID();
        assertThatThrownBy(() -> StockBooking.counted(id, COIL, 5, 4, "Barn", " "))
                .isInstanceOf(BadInput.class)
                .hasMessageContaining("say why");
        assertThat(in(StockBooking.counted(id, COIL, 5, 4, "Barn", "rusted"), Account.YARD, 400))
                .isEqualTo(-400);
        assertThat(in(StockBooking.counted(id, COIL, 5, 7, "Barn", ""), Account.YARD, 400))
                .isEqualTo(800);
        assertThat(StockBooking.counted(id, COIL, 5, 5, "Barn", "").entries()).isEmpty();
        assertThatThrownBy(() -> StockBooking.counted(id, COIL, 5, -1, "Barn", "x"))
                .isInstanceOf(BadInput.class);
    }

    /** Whatever is booked in whatever order, each product's accounts sum up to nothing, and what was undone is as if it had never been. */
    @Property(tries = 200)
    void theLedgerAlwaysCloses(@ForAll @IntRange(min = 1, max = 1_000_000) int seed) {
        Random random = new Random(seed);
        Map<String, Double> sums = new HashMap<>();
        List<StockBooking> all = new ArrayList<>();
        for (int i = 0; i < 60; i++) {
            Ware ware = random.nextBoolean() ? COIL : new Ware("post.x", 0);
            long pieces = 1 + random.nextInt(20);
            UUID id = UUID.randomUUID();
            all.add(
                    switch (random.nextInt(6)) {
                        case 0 -> StockBooking.bought(id, ware, pieces, "Barn");
                        case 1 -> StockBooking.counted(id, ware, random.nextInt(9), random.nextInt(9), "Shed", "moth");
                        case 2 -> StockBooking.loaded(id, SHEET, ware, pieces, "Barn");
                        case 3 -> StockBooking.rest(id, SHEET, COIL, 0.001 + random.nextDouble() * 399.9, "Barn");
                        case 4 -> StockBooking.used(id, SHEET, List.of(new StockLot("post.x", 0, "", pieces)));
                        default ->
                            all.isEmpty()
                                    ? StockBooking.delivered(id, SHEET, ware, pieces)
                                    : all.get(random.nextInt(all.size())).undone(id);
                    });
        }
        all.forEach(b -> b.entries().forEach(e -> sums.merge(e.product(), e.amount(), Double::sum)));
        sums.forEach((product, sum) -> assertThat(sum).as(product).isCloseTo(0, within(1e-6)));
    }

    private static StockLot lot(double lengthM, int pieces, String place) {
        return new StockLot("wire.x", lengthM, place, lengthM * pieces);
    }

    /** 950 m from two coils of 400, one of 173 and one of 60: both long ones, then the 173 that covers what is open. */
    @Test
    void theYardIsUsedLongestFirst() {
        List<StockLot> yard = List.of(lot(60, 1, "Barn"), lot(400, 2, "Barn"), lot(173, 1, "Shed"));
        assertThat(Loading.taken(yard, 950)).containsExactly(lot(400, 2, "Barn"), lot(173, 1, "Shed"));
        assertThat(Loading.taken(yard, 850)).containsExactly(lot(400, 2, "Barn"), lot(60, 1, "Barn"));
        assertThat(Loading.taken(yard, 800)).containsExactly(lot(400, 2, "Barn"));
        assertThat(Loading.taken(yard, 30)).as("the shortest that is enough").containsExactly(lot(60, 1, "Barn"));
        assertThat(Loading.taken(yard, 5000)).as("all there is").hasSize(3);
        assertThat(Loading.taken(List.of(), 10)).isEmpty();
    }

    /** Never more than there is, never a whole lot more than needed, and enough wherever there is enough. */
    @Property(tries = 300)
    void whatIsTakenIsEnough(@ForAll @IntRange(min = 1, max = 1_000_000) int seed) {
        Random random = new Random(seed);
        List<StockLot> yard = new ArrayList<>();
        for (int i = 0; i < 1 + random.nextInt(6); i++) {
            yard.add(lot(10 + random.nextInt(400), 1 + random.nextInt(3), "Bay " + i));
        }
        double need = 1 + random.nextInt(1500);
        double there = yard.stream().mapToDouble(StockLot::amount).sum();
        List<StockLot> taken = Loading.taken(yard, need);
        double amount = taken.stream().mapToDouble(StockLot::amount).sum();
        for (StockLot t : taken) {
            assertThat(yard).anyMatch(y -> y.place().equals(t.place()) && y.pieces() >= t.pieces());
        }
        assertThat(taken)
                .as("nothing lies idle that is not needed")
                .allMatch(t -> amount - t.lengthM() < need || amount <= need);
        assertThat(amount).isLessThanOrEqualTo(there + 1e-6);
        if (there >= need) {
            assertThat(amount).as(yard + " for " + need).isGreaterThanOrEqualTo(need - 1e-6);
        }
    }

    /** Three jobs that used 1.02, 1.05 and 1.10 of what was counted: by a sum in any spreadsheet, mean 1.05667 (weights alike), deviation 0.0404. */
    @Test
    void whatJobsTeach() {
        List<Usage.Job> jobs = List.of(
                new Usage.Job("wire.x", "wire", true, 1000, 1020),
                new Usage.Job("wire.x", "wire", true, 1000, 1050),
                new Usage.Job("wire.x", "wire", true, 1000, 1100),
                new Usage.Job("post.x", "post", false, 10, 9),
                new Usage.Job("post.x", "post", false, 0, 3));
        List<Usage> found = Usage.of(jobs);
        assertThat(found).hasSize(2);
        Usage wire = found.getFirst();
        assertThat(wire.mean()).isCloseTo(1.05667, within(1e-5));
        assertThat(wire.spread().orElseThrow()).isCloseTo(0.04041, within(1e-5));
        assertThat(wire.allowancePercent()).as("5.67 + 4.04, up").hasValue(10);
        assertThat(found.getLast().allowancePercent())
                .as("one job says nothing")
                .isEmpty();
        List<Usage> less = Usage.of(List.of(
                new Usage.Job("a", "a", true, 100, 90),
                new Usage.Job("a", "a", true, 100, 91),
                new Usage.Job("a", "a", true, 100, 92)));
        assertThat(less.getFirst().allowancePercent()).as("never under nothing").hasValue(0);
    }
}
