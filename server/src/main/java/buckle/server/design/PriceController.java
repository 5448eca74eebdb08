package buckle.server.design;

import buckle.design.Design;
import buckle.exchange.prices.PriceView;
import buckle.land.Land;
import buckle.price.JobTerms;
import buckle.price.Price;
import buckle.server.prices.PriceService;
import buckle.server.web.WorkQueue;
import buckle.server.web.WorkQueue.Kind;
import buckle.site.BadInput;
import buckle.spec.Plan;
import buckle.takeoff.Takeoff;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.math.BigDecimal;
import java.util.Optional;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What a plan costs; nothing here is stored. */
@RestController
@RequestMapping("/api/price")
@Tag(name = "prices")
class PriceController {
    private final Designs designs;
    private final PriceService prices;
    private final WorkQueue queue;

    PriceController(Designs designs, PriceService prices, WorkQueue queue) {
        this.designs = designs;
        this.prices = prices;
        this.queue = queue;
    }

    /** A plan on its land, with the terms of its job. */
    record PriceOrder(Plan plan, Land land, Optional<JobTerms> terms) {}

    /** A stretch of a line of a plan. */
    record PriceStretchOrder(Plan plan, Land land, String lineId, double fromM, double toM) {}

    /** What of the material of a stretch costs, bought for itself. */
    record StretchPrice(String currency, BigDecimal material, long unpriced) {}

    @PostMapping
    @Operation(operationId = "price", summary = "What a plan costs, and what the client would be asked")
    PriceView price(@RequestBody PriceOrder order) {
        return queue.run(Kind.COMPUTATION, () -> {
            Design design = designs.of(order.plan(), order.land()).design();
            Price price = prices.price(
                            design, order.plan().spec(), order.terms().orElse(JobTerms.USUAL))
                    .price();
            return PriceView.of(price, order.plan().spec().units());
        });
    }

    @PostMapping("/stretch")
    @Operation(operationId = "priceStretch", summary = "What the material on a stretch of a line costs")
    StretchPrice stretch(@RequestBody PriceStretchOrder order) {
        return queue.run(Kind.COMPUTATION, () -> {
            Design design = designs.of(order.plan(), order.land()).design();
            boolean known =
                    design.layout().lines().stream().anyMatch(l -> l.lineId().equals(order.lineId()));
            if (!known || !(order.fromM() <= order.toM())) {
                throw new BadInput(
                        "takeoff.stretch", "fromM", "There is no such stretch on a line “" + order.lineId() + "”.");
            }
            Price price = prices.material(
                    Takeoff.along(design.layout(), order.plan().spec(), order.lineId(), order.fromM(), order.toM()));
            return new StretchPrice(
                    price.currency(),
                    price.sums().material(),
                    price.material().stream().filter(m -> !m.priced()).count());
        });
    }
}
