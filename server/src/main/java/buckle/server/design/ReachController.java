package buckle.server.design;

import buckle.design.Design;
import buckle.land.Land;
import buckle.message.English;
import buckle.reach.Reach;
import buckle.reach.Spacing;
import buckle.reach.Wish;
import buckle.server.web.WorkQueue;
import buckle.server.web.WorkQueue.Kind;
import buckle.site.BadInput;
import buckle.spec.Plan;
import buckle.spec.Spec;
import buckle.units.UnitSystem;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What a heap of material is enough for; nothing here is stored. */
@RestController
@RequestMapping("/api/reach")
@Tag(name = "takeoff")
class ReachController {
    private static final int MOST_ITEMS = 500;
    private static final double MOST_QUANTITY = 10_000_000;
    private static final double MOST_RATIO = 100;

    private final Designs designs;
    private final WorkQueue queue;

    ReachController(Designs designs, WorkQueue queue) {
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
     */
    record ReachAnswer(
            boolean reaches,
            List<ReachLine> lines,
            List<ReachLine> besides,
            List<String> unused,
            OptionalDouble spacingM,
            List<RoundsOf> rounds) {
        static ReachAnswer of(Reach reach, UnitSystem units) {
            return of(reach, units, OptionalDouble.empty(), List.of());
        }

        static ReachAnswer of(Reach reach, UnitSystem units, OptionalDouble spacingM, List<RoundsOf> rounds) {
            return new ReachAnswer(
                    reach.reaches(),
                    reach.lines().stream().map(l -> ReachLine.of(l, units)).toList(),
                    reach.besides().stream().map(l -> ReachLine.of(l, units)).toList(),
                    reach.unused(),
                    spacingM,
                    rounds);
        }
    }

    /** The largest fence, if there is any; with what it takes. */
    record Largest(double lengthM, double areaM2, ReachAnswer reach) {}

    /** Empty when the heap is not enough for a few steps of it. */
    record WishAnswer(Optional<Largest> largest) {}

    @PostMapping
    @Operation(
            operationId = "reach",
            summary = "Whether a heap of material is enough for a plan, and what runs out first")
    ReachAnswer reach(@RequestBody ReachOrder order) {
        check(order.heap());
        return queue.run(Kind.COMPUTATION, () -> {
            Designs.Worked worked = designs.of(order.plan(), order.land());
            Reach reach = Reach.of(order.heap(), worked.design().takeoff());
            boolean posts = reach.lines().stream().anyMatch(l -> l.product().startsWith("post."));
            return ReachAnswer.of(
                    reach,
                    order.plan().spec().units(),
                    posts ? Spacing.closest(order.heap(), order.plan(), worked.around()) : OptionalDouble.empty(),
                    rounds(reach, worked.design()));
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
        check(order.heap());
        if (!(order.ratio() >= 1 && order.ratio() <= MOST_RATIO)) {
            throw new BadInput("reach.ratio", "ratio", "A rectangle is 1 to 100 times as long as wide.");
        }
        return queue.run(
                Kind.COMPUTATION,
                () -> new WishAnswer(Wish.largest(order.heap(), order.spec(), order.shape(), order.ratio())
                        .map(w -> new Largest(
                                w.lengthM(),
                                w.areaM2(),
                                ReachAnswer.of(w.reach(), order.spec().units())))));
    }

    private static void check(List<Reach.HeapItem> heap) {
        if (heap.size() > MOST_ITEMS) {
            throw new BadInput("reach.items", "heap", "A heap has at most 500 kinds of things.");
        }
        for (Reach.HeapItem item : heap) {
            if (!(item.quantity() >= 0 && item.quantity() <= MOST_QUANTITY)) {
                throw new BadInput(
                        "reach.quantity",
                        "heap",
                        "“" + item.product() + "”: between 0 and 10,000,000 can lie in a heap.");
            }
        }
    }
}
