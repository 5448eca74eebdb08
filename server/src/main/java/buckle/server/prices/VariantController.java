package buckle.server.prices;

import buckle.land.Surroundings;
import buckle.price.JobTerms;
import buckle.server.jobs.JobRow;
import buckle.server.jobs.JobService;
import buckle.server.land.LandService;
import buckle.server.web.WorkQueue;
import buckle.server.web.WorkQueue.Kind;
import buckle.site.BadInput;
import buckle.variant.LifeTerms;
import buckle.variant.Variant;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.UUID;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Revisions of a job's plan side by side; nothing here is stored. */
@RestController
@RequestMapping("/api/jobs")
@Tag(name = "variants")
class VariantController {
    private static final int MOST = 8;

    private final PriceService prices;
    private final FirmService firms;
    private final JobService jobs;
    private final LandService land;
    private final WorkQueue queue;

    VariantController(PriceService prices, FirmService firms, JobService jobs, LandService land, WorkQueue queue) {
        this.prices = prices;
        this.firms = firms;
        this.jobs = jobs;
        this.land = land;
        this.queue = queue;
    }

    /** Revisions to compare, and over how long. */
    record VariantOrder(List<Integer> revisions, LifeTerms life) {}

    /**
     * A revision with its figures.
     *
     * @param more before tax than the first of them
     */
    record VariantRow(int revision, Variant figures, BigDecimal more) {}

    /** As many as were asked for, in that order. */
    record VariantAnswer(String currency, List<VariantRow> variants) {}

    @PostMapping("/{id}/variants")
    @Operation(
            operationId = "variants",
            summary =
                    "Revisions of a plan side by side: counts, price, hours, weakest point, uplift, cost over the years")
    VariantAnswer variants(@PathVariable UUID id, @RequestBody VariantOrder order) {
        if (order.revisions().isEmpty()
                || order.revisions().size() > MOST
                || new HashSet<>(order.revisions()).size() != order.revisions().size()) {
            throw new BadInput("variant.revisions", "revisions", "Compare 1 to 8 different revisions of the plan.");
        }
        JobRow job = jobs.find(id);
        JobTerms terms = prices.terms(id).terms();
        Surroundings around = land.around(job.propertyId());
        return queue.run(Kind.COMPUTATION, () -> {
            List<VariantRow> rows = new ArrayList<>();
            for (int revision : order.revisions()) {
                Variant figures = prices.variant(jobs.revisionPlan(id, revision), around, terms, order.life());
                BigDecimal first = rows.isEmpty()
                        ? figures.net()
                        : rows.getFirst().figures().net();
                rows.add(new VariantRow(revision, figures, figures.net().subtract(first)));
            }
            return new VariantAnswer(firms.state().firm().currency(), rows);
        });
    }
}
