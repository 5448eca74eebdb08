package buckle.server.prices;

import buckle.exchange.paper.Paper;
import buckle.price.JobTerms;
import buckle.price.Quote;
import buckle.server.prices.QuoteService.Decision;
import buckle.server.prices.QuoteService.QuoteState;
import buckle.server.web.WorkQueue;
import buckle.server.web.WorkQueue.Kind;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Terms of a job and its quotes over HTTP. */
@RestController
@RequestMapping("/api")
@Tag(name = "quotes")
class QuoteController {
    private final QuoteService quotes;
    private final PriceService prices;
    private final WorkQueue queue;

    QuoteController(QuoteService quotes, PriceService prices, WorkQueue queue) {
        this.quotes = quotes;
        this.prices = prices;
        this.queue = queue;
    }

    /** A change of a job's terms, on top of a save. */
    record TermsSave(long baseSaveNo, JobTerms terms) {}

    /**
     * A quote to send.
     *
     * @param id named by whoever sends, so that sending twice makes one
     * @param revises number of the quote whose next revision it is
     */
    record QuoteNew(UUID id, Optional<Integer> revises) {}

    /** What a revision changes; empty for a first one. */
    record QuoteChanges(Optional<Quote.QuoteDifference> difference) {}

    @GetMapping("/jobs/{id}/terms")
    @Operation(operationId = "jobTerms", summary = "What the price of a job has of its own")
    PriceService.TermsState terms(@PathVariable UUID id) {
        return prices.terms(id);
    }

    @PutMapping("/jobs/{id}/terms")
    @Operation(operationId = "saveJobTerms", summary = "Change the terms of a job; 409 keeps a stale save aside")
    PriceService.TermsState saveTerms(@PathVariable UUID id, @RequestBody TermsSave save) {
        return prices.save(id, save.baseSaveNo(), save.terms());
    }

    @GetMapping("/jobs/{id}/quotes")
    @Operation(operationId = "quotes", summary = "Quotes of a job, newest first")
    List<QuoteState> quotes(@PathVariable UUID id) {
        return quotes.ofJob(id);
    }

    @PostMapping("/jobs/{id}/quotes")
    @Operation(operationId = "sendQuote", summary = "Send a quote of the job as it stands; it is kept as it is sent")
    QuoteState send(@PathVariable UUID id, @RequestBody QuoteNew order) {
        return queue.run(Kind.PAPER, () -> quotes.send(id, order.id(), order.revises()));
    }

    @GetMapping("/quotes/{number}/{revision}")
    @Operation(operationId = "quote", summary = "A quote as it was sent")
    QuoteState quote(@PathVariable int number, @PathVariable int revision) {
        return quotes.find(number, revision);
    }

    @GetMapping("/quotes/{number}/{revision}/changes")
    @Operation(operationId = "quoteChanges", summary = "What a revision changes, in items and in money")
    QuoteChanges changes(@PathVariable int number, @PathVariable int revision) {
        return new QuoteChanges(quotes.changes(number, revision));
    }

    @PostMapping("/quotes/{number}/{revision}/decision")
    @Operation(operationId = "decideQuote", summary = "Take down what the client decided")
    QuoteState decide(@PathVariable int number, @PathVariable int revision, @RequestBody Decision decision) {
        return quotes.decide(number, revision, decision);
    }

    @GetMapping(value = "/quotes/{number}/{revision}/quote.pdf", produces = "application/pdf")
    @Operation(operationId = "quotePaper", summary = "A quote as it was printed when it was sent")
    ResponseEntity<byte[]> paper(
            @PathVariable int number, @PathVariable int revision, @RequestParam(defaultValue = "A4") Paper paper) {
        byte[] pdf = quotes.paper(number, revision, paper);
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_TYPE, "application/pdf")
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        "attachment; filename=\"quote-" + number + "-" + revision + ".pdf\"")
                .body(pdf);
    }
}
