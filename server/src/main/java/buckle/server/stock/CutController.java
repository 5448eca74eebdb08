package buckle.server.stock;

import buckle.design.Design;
import buckle.exchange.paper.CutListPdf;
import buckle.exchange.paper.Paper;
import buckle.exchange.stock.CutSheets;
import buckle.exchange.stock.CutSheets.CutAnswer;
import buckle.price.PriceBook;
import buckle.server.jobs.JobRow;
import buckle.server.jobs.JobService;
import buckle.server.land.LandService;
import buckle.server.prices.CutPlans;
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
    private final CutPlans cuts;
    private final JobService jobs;
    private final LandService land;
    private final WorkQueue queue;

    CutController(
            StockService stock,
            PriceService prices,
            CutPlans cuts,
            JobService jobs,
            LandService land,
            WorkQueue queue) {
        this.stock = stock;
        this.prices = prices;
        this.cuts = cuts;
        this.jobs = jobs;
        this.land = land;
        this.queue = queue;
    }

    @GetMapping("/{id}/cuts")
    @Operation(
            operationId = "cuts",
            summary = "Posts, rails, cables, conduit and wire cut from the yard and from what is sold")
    CutAnswer cuts(@PathVariable UUID id, @RequestParam(defaultValue = "LEAST_COST") CutList.Aim aim) {
        JobRow job = jobs.find(id);
        return queue.run(Kind.COMPUTATION, () -> planned(job, aim));
    }

    private CutAnswer planned(JobRow job, CutList.Aim aim) {
        Plan plan = jobs.plan(job.id()).plan();
        Design design = Design.of(plan, land.around(job.propertyId()));
        PriceBook book = prices.book();
        CutList.Plans plans = cuts.of(design.layout(), plan.spec(), book, stock.yard(), aim, WorkQueue::done);
        return CutSheets.of(plans, aim, book.currency(), plan.spec().units());
    }

    @GetMapping(value = "/{id}/cut-list.csv", produces = "text/csv")
    @Operation(operationId = "cutListCsv", summary = "The cuts as CSV, one row a bar")
    ResponseEntity<byte[]> csv(@PathVariable UUID id, @RequestParam(defaultValue = "LEAST_COST") CutList.Aim aim) {
        JobRow job = jobs.find(id);
        return file(
                "cut-list.csv",
                "text/csv;charset=UTF-8",
                queue.run(Kind.PAPER, () -> CutSheets.csv(planned(job, aim))));
    }

    @GetMapping(
            value = "/{id}/cut-list.xlsx",
            produces = "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet")
    @Operation(operationId = "cutListXlsx", summary = "The cuts as a workbook, one row a bar")
    ResponseEntity<byte[]> xlsx(@PathVariable UUID id, @RequestParam(defaultValue = "LEAST_COST") CutList.Aim aim) {
        JobRow job = jobs.find(id);
        return file(
                "cut-list.xlsx",
                "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet",
                queue.run(Kind.PAPER, () -> CutSheets.xlsx(planned(job, aim))));
    }

    @GetMapping(value = "/{id}/cut-list.pdf", produces = "application/pdf")
    @Operation(operationId = "cutListPdf", summary = "The cuts on paper, drawn and listed")
    ResponseEntity<byte[]> pdf(
            @PathVariable UUID id,
            @RequestParam(defaultValue = "LEAST_COST") CutList.Aim aim,
            @RequestParam(defaultValue = "A4") Paper paper) {
        JobRow job = jobs.find(id);
        return file(
                "cut-list.pdf",
                "application/pdf",
                queue.run(
                        Kind.PAPER,
                        () -> CutListPdf.write(
                                new CutListPdf.Heading(job.name(), job.client(), job.property(), aim),
                                planned(job, aim),
                                jobs.plan(id).plan().spec().units(),
                                paper)));
    }

    private static ResponseEntity<byte[]> file(String name, String type, byte[] content) {
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_TYPE, type)
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + name + "\"")
                .body(content);
    }
}
