package buckle.server.stock;

import buckle.reach.Kits;
import buckle.reach.Reach.HeapItem;
import buckle.server.jobs.DemoJobs;
import buckle.server.prices.DemoPrices;
import buckle.server.revisions.RevisionStore;
import buckle.stock.StockBooking.Ware;
import java.util.List;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** The invented yard of the demo: what was left over from earlier jobs. */
@Component
@ConditionalOnProperty(name = "buckle.demo", havingValue = "true")
class DemoStock implements SmartInitializingSingleton {
    private static final Logger LOG = LoggerFactory.getLogger(DemoStock.class);
    private static final String NAME = "stock";
    private static final String BARN = "Barn, wire rack";
    private static final String RACK = "Post rack";
    private static final String SHELF = "Workshop, shelf 2";

    private final DemoJobs demo;
    private final DemoPrices prices;
    private final StockService stock;
    private final RevisionStore<Kits> kits;
    private final TransactionTemplate transaction;

    DemoStock(
            DemoJobs demo,
            DemoPrices prices,
            StockService stock,
            RevisionStore<Kits> kits,
            TransactionTemplate transaction) {
        this.kits = kits;
        this.demo = demo;
        this.prices = prices;
        this.stock = stock;
        this.transaction = transaction;
    }

    /** So many of a product at a place. */
    private record Lying(String product, double lengthM, long pieces, String place) {}

    private static final List<Lying> YARD = List.of(
            new Lying("wire.ht-12-5", 400, 2, BARN),
            new Lying("wire.ht-12-5", 173.4, 1, BARN),
            new Lying("wire.ht-12-5", 61.2, 1, BARN),
            new Lying("wire.polywire", 200, 3, BARN),
            new Lying("post.timber-90.1829", 0, 24, RACK),
            new Lying("post.timber-140.2438", 0, 3, RACK),
            new Lying("fitting.strainer", 0, 6, SHELF),
            new Lying("fitting.strain-insulator", 0, 40, SHELF),
            new Lying("fitting.crimp", 0, 130, SHELF),
            new Lying("fitting.clamp", 0, 18, SHELF),
            new Lying("fitting.sign", 0, 5, SHELF));

    private static final Kits KITS = new Kits(List.of(
            new Kits.Kit(
                    "Half acre, two strands",
                    List.of(
                            new HeapItem("wire.polywire", 400),
                            new HeapItem("post.timber-90.1829", 36),
                            new HeapItem("post.timber-140.2438", 6),
                            new HeapItem("fitting.sign", 4))),
            new Kits.Kit(
                    "Patch kit on the truck",
                    List.of(new HeapItem("wire.ht-12-5", 60), new HeapItem("fitting.crimp", 40)))));

    /** After the price book, which knows the products. */
    @Override
    public void afterSingletonsInstantiated() {
        prices.load();
        transaction.executeWithoutResult(status -> {
            if (demo.remember(NAME)) {
                YARD.forEach(l ->
                        stock.bought(UUID.randomUUID(), new Ware(l.product(), l.lengthM()), l.pieces(), l.place()));
                kits.open(KitController.HOUSE, KITS);
                LOG.info("Filled the demo's yard");
            }
        });
    }
}
