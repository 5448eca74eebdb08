package buckle.server.design;

import buckle.design.Design;
import buckle.land.Land;
import buckle.message.English;
import buckle.price.Price;
import buckle.reach.Kits;
import buckle.reach.Reach;
import buckle.reach.Spacing;
import buckle.reach.Wish;
import buckle.server.prices.PriceService;
import buckle.server.web.WorkQueue;
import buckle.server.web.WorkQueue.Kind;
import buckle.site.BadInput;
import buckle.spec.Plan;
import buckle.spec.Spec;
import buckle.units.UnitSystem;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What a heap of material is enough for; nothing here is stored. */
@RestController
@RequestMapping("/api/reach")
@Tag(name = "takeoff")
class ReachController {
    private static final double MOST_RATIO = 100;
    private static final double MOST_PACED_M = 100_000;
    private static final int MOST_STEPS = 1000;

    private final Designs designs;
    private final PriceService prices;
    private final WorkQueue queue;

    ReachController(Designs designs, PriceService prices, WorkQueue queue) {
        this.prices = prices;
        this.designs = designs;
        this.queue = queue;
    }

    /** A heap for a plan on its land. */
    record ReachOrder(Plan plan, Land land, List<Reach.HeapItem> heap) {}

    /**
     * A heap for the largest fence of a shape.
     *
     * @param ratio long side ÷ short side of a rectangle
     */
    record WishOrder(Spec spec, List<Reach.HeapItem> heap, Wish.Shape shape, double ratio) {}

    /** A product, and how far it reaches. */
    record ReachLine(String product, String name, String unit, double have, double need, double shortBy, double left) {
        static ReachLine of(Reach.Line l, UnitSystem units) {
            return new ReachLine(
                    l.product(),
                    English.text(l.name(), units),
                    l.byMetre() ? "m" : "pcs",
                    l.have(),
                    l.need(),
                    l.shortBy(),
                    l.left());
        }
    }

    /**
     * How often what is there goes round a ring.
     *
     * @param leftM beyond the last whole round
     */
    record RoundsOf(String product, int rounds, double leftM) {}

    /**
     * A heap against a fence; {@code lines} the one that binds first.
     *
     * @param spacingM from post to post with which it would just reach; empty where posts are not what decides
     * @param rounds of what goes by the metre, round a fence that is one ring
     * @param toBuy packs that cover what it is short of
     */
    record ReachAnswer(
            boolean reaches,
            List<ReachLine> lines,
            List<ReachLine> besides,
            List<String> unused,
            OptionalDouble spacingM,
            List<RoundsOf> rounds,
            HeapPurchase toBuy) {
        static ReachAnswer of(
                Reach reach, UnitSystem units, OptionalDouble spacingM, List<RoundsOf> rounds, HeapPurchase toBuy) {
            return new ReachAnswer(
                    reach.reaches(),
                    reach.lines().stream().map(l -> ReachLine.of(l, units)).toList(),
                    reach.besides().stream().map(l -> ReachLine.of(l, units)).toList(),
                    reach.unused(),
                    spacingM,
                    rounds,
                    toBuy);
        }
    }

    /** So many packs of a supplier. */
    record HeapPack(String product, String supplier, String code, String pack, int count, BigDecimal cost) {}

    /**
     * What a heap is short of, with the allowances of the house.
     *
     * @param unpriced products that are short and that nobody sells
     */
    record HeapPurchase(String currency, List<HeapPack> packs, BigDecimal cost, List<String> unpriced) {}

    private HeapPurchase toBuy(Reach reach, Design design, List<Reach.HeapItem> heap) {
        Set<String> wanted = reach.lines().stream()
                .filter(l -> l.shortBy() > 0)
                .map(Reach.Line::product)
                .collect(Collectors.toSet());
        Map<String, Double> have =
                heap.stream().collect(Collectors.toMap(Reach.HeapItem::product, Reach.HeapItem::quantity, Double::sum));
        PriceService.ToBuy buy = prices.toBuy(
                design.takeoff().stream()
                        .filter(t -> wanted.contains(t.product().id()))
                        .toList(),
                have);
        return new HeapPurchase(
                buy.currency(),
                buy.purchase().material().stream()
                        .flatMap(m -> m.bought().stream()
                                .map(b -> new HeapPack(
                                        m.product(), b.supplier(), b.code(), b.pack(), b.count(), b.cost())))
                        .toList(),
                buy.purchase().material().stream().map(Price.Material::cost).reduce(BigDecimal.ZERO, BigDecimal::add),
                buy.purchase().material().stream()
                        .filter(m -> m.bought().isEmpty())
                        .map(Price.Material::product)
                        .toList());
    }

    /** The largest fence, if there is any, and what runs out then. */
    record Largest(double lengthM, double areaM2, Optional<ReachLine> binds) {}

    /** Empty when the heap is not enough for a few steps of it. */
    record WishAnswer(Optional<Largest> largest) {}

    @PostMapping
    @Operation(
            operationId = "reach",
            summary = "Whether a heap of material is enough for a plan, and what runs out first")
    ReachAnswer reach(@RequestBody ReachOrder order) {
        Kits.checkHeap(order.heap());
        return queue.run(Kind.COMPUTATION, () -> {
            Designs.Worked worked = designs.of(order.plan(), order.land());
            Reach reach = Reach.of(order.heap(), worked.design().takeoff());
            boolean posts = reach.lines().stream().anyMatch(l -> l.product().startsWith("post."));
            return ReachAnswer.of(
                    reach,
                    order.plan().spec().units(),
                    posts ? Spacing.closest(order.heap(), order.plan(), worked.around()) : OptionalDouble.empty(),
                    rounds(reach, worked.design()),
                    toBuy(reach, worked.design(), order.heap()));
        });
    }

    private static List<RoundsOf> rounds(Reach reach, Design design) {
        var lines = design.layout().lines();
        if (lines.size() != 1 || !lines.getFirst().closed()) {
            return List.of();
        }
        double around = lines.getFirst().slopeLengthM();
        return reach.lines().stream()
                .filter(l -> l.byMetre() && l.product().startsWith("wire."))
                .map(l -> {
                    Reach.Rounds r = Reach.rounds(l.have(), around);
                    return new RoundsOf(l.product(), r.rounds(), r.leftM());
                })
                .toList();
    }

    @PostMapping("/largest")
    @Operation(operationId = "largest", summary = "The largest fence of a shape that a heap of material is enough for")
    WishAnswer largest(@RequestBody WishOrder order) {
        Kits.checkHeap(order.heap());
        if (!(order.ratio() >= 1 && order.ratio() <= MOST_RATIO)) {
            throw new BadInput("reach.ratio", "ratio", "A rectangle is 1 to 100 times as long as wide.");
        }
        return queue.run(
                Kind.COMPUTATION,
                () -> new WishAnswer(Wish.largest(order.heap(), order.spec(), order.shape(), order.ratio())
                        .map(w -> new Largest(
                                w.lengthM(),
                                w.areaM2(),
                                w.reach()
                                        .binds()
                                        .map(l -> ReachLine.of(l, order.spec().units()))))));
    }

    @GetMapping("/paced")
    @Operation(operationId = "paced", summary = "How many posts stand in a row that is set out by steps")
    Reach.Paced paced(@RequestParam double lengthM, @RequestParam int steps, @RequestParam double stepM) {
        if (!(lengthM >= 0 && lengthM <= MOST_PACED_M)
                || !(stepM >= 0.3 && stepM <= 3)
                || steps < 1
                || steps > MOST_STEPS) {
            throw new BadInput(
                    "reach.paced",
                    "stepM",
                    "A row has up to 100 km, a step 0.3 to 3 m, and 1 to 1,000 steps from post to post.");
        }
        return Reach.paced(lengthM, steps * stepM);
    }
}
