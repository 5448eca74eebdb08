package buckle.server.stock;

import buckle.design.Design;
import buckle.exchange.stock.CutSheets;
import buckle.exchange.stock.CutSheets.CutAnswer;
import buckle.server.jobs.JobRow;
import buckle.server.jobs.JobService;
import buckle.server.land.LandService;
import buckle.server.prices.PriceService;
import buckle.server.web.WorkQueue;
import buckle.server.web.WorkQueue.Kind;
import buckle.spec.Plan;
import buckle.stock.CutList;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.UUID;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What is cut from what, for a job as its plan, the yard and the price book stand. */
@RestController
@RequestMapping("/api/jobs")
@Tag(name = "stock")
class CutController {
    private final StockService stock;
    private final PriceService prices;
    private final JobService jobs;
    private final LandService land;
    private final WorkQueue queue;

    CutController(StockService stock, PriceService prices, JobService jobs, LandService land, WorkQueue queue) {
        this.stock = stock;
        this.prices = prices;
        this.jobs = jobs;
        this.land = land;
        this.queue = queue;
    }

    @GetMapping("/{id}/cuts")
    @Operation(
            operationId = "cuts",
            summary = "Posts, rails and cables cut from the yard and from what is sold at least cost")
    CutAnswer cuts(@PathVariable UUID id, @RequestParam(defaultValue = "LEAST_COST") CutList.Aim aim) {
        JobRow job = jobs.find(id);
        Plan plan = jobs.plan(id).plan();
        var around = land.around(job.propertyId());
        return queue.run(Kind.COMPUTATION, () -> {
            Design design = Design.of(plan, around);
            var book = prices.book();
            CutList.Plans plans = CutList.of(design.layout(), plan.spec(), book, stock.yard(), aim, share -> {});
            return CutSheets.of(plans, aim, book.currency(), plan.spec().units());
        });
    }

    @GetMapping(value = "/{id}/cut-list.csv", produces = "text/csv")
    @Operation(operationId = "cutListCsv", summary = "The cuts as CSV, one row a bar")
    ResponseEntity<byte[]> csv(@PathVariable UUID id, @RequestParam(defaultValue = "LEAST_COST") CutList.Aim aim) {
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_TYPE, "text/csv;charset=UTF-8")
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"cut-list.csv\"")
                .body(CutSheets.csv(cuts(id, aim)));
    }
}
