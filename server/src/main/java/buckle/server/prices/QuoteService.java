package buckle.server.prices;

import buckle.design.Design;
import buckle.exchange.Json;
import buckle.exchange.document.StoredDocument;
import buckle.exchange.paper.Paper;
import buckle.exchange.paper.QuotePdf;
import buckle.exchange.prices.QuoteMaker;
import buckle.land.Surroundings;
import buckle.price.JobTerms;
import buckle.price.Quote;
import buckle.server.jobs.JobRow;
import buckle.server.jobs.JobService;
import buckle.server.jobs.PlanState;
import buckle.server.land.Attachments;
import buckle.server.land.LandService;
import buckle.server.prices.QuoteMapper.QuoteRow;
import buckle.server.revisions.Author;
import buckle.server.web.RequestRefused;
import buckle.site.BadInput;
import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** Sends quotes, keeps them as they were sent, and takes down what the client decided. */
@Service
public class QuoteService {
    private final QuoteMapper mapper;
    private final PriceService prices;
    private final JobService jobs;
    private final LandService land;
    private final Attachments attachments;
    private final Author author;
    private final Clock clock;
    private final TransactionTemplate transaction;

    QuoteService(
            QuoteMapper mapper,
            PriceService prices,
            JobService jobs,
            LandService land,
            Attachments attachments,
            Author author,
            Clock clock,
            TransactionTemplate transaction) {
        this.mapper = mapper;
        this.prices = prices;
        this.jobs = jobs;
        this.land = land;
        this.attachments = attachments;
        this.author = author;
        this.clock = clock;
        this.transaction = transaction;
    }

    /** Where a quote stands. */
    public enum Status {
        SENT,
        ACCEPTED,
        DECLINED,
        /** Nobody decided while it held. */
        EXPIRED,
        /** A later revision took its place before anybody decided. */
        REPLACED
    }

    /**
     * What the client decided.
     *
     * @param options ids of those that were ticked
     */
    public record Decision(boolean accepted, List<String> options, String note) {
        public Decision {
            options = List.copyOf(options);
        }
    }

    /**
     * A quote with where it stands.
     *
     * @param agreed what was accepted, with the options that were ticked
     * @param change whether it changes one that was accepted
     */
    public record QuoteState(
            Quote quote,
            Status status,
            String sentBy,
            Instant sentAt,
            Optional<Decision> decision,
            Optional<Instant> decidedAt,
            Optional<Quote.Sum> agreed,
            boolean change) {}

    /**
     * Sends a quote of a job as its plan, terms and the price book stand.
     *
     * @param request named by whoever sends, so that sending twice makes one
     * @param revises number of the quote whose next revision it is; empty for a new one
     */
    public QuoteState send(UUID job, UUID request, Optional<Integer> revises) {
        Optional<QuoteRow> before = mapper.sent(request);
        if (before.isPresent()) {
            return state(before.get());
        }
        JobRow row = jobs.find(job);
        PlanState plan = jobs.plan(job);
        Surroundings around = land.around(row.propertyId());
        Design design = Design.of(plan.plan(), around);
        JobTerms terms = prices.terms(job).terms();
        PriceService.Priced priced = prices.price(design, plan.plan().spec(), terms);
        return Objects.requireNonNull(transaction.execute(status -> {
            mapper.lock();
            Optional<QuoteRow> meanwhile = mapper.sent(request);
            if (meanwhile.isPresent()) {
                return state(meanwhile.get());
            }
            int number = revises.orElseGet(mapper::nextNumber);
            Optional<QuoteRow> last = revises.map(n ->
                    mapper.find(n, mapper.lastRevision(n)).orElseThrow(() -> RequestRefused.missing("Quote " + n)));
            if (last.isPresent() && !last.get().jobId().equals(job)) {
                throw new BadInput("quote.job", "revises", "Quote " + number + " is of another job.");
            }
            int revision = last.map(l -> l.revision() + 1).orElse(1);
            Quote quote = QuoteMaker.of(
                    new QuoteMaker.Heading(
                            number,
                            revision,
                            row.name(),
                            row.client(),
                            row.property(),
                            plan.revision(),
                            priced.bookRevision()),
                    design,
                    priced.price(),
                    priced.firm(),
                    terms,
                    plan.plan().spec().units(),
                    prices.today());
            mapper.insert(new QuoteRow(
                    number,
                    revision,
                    request,
                    job,
                    StoredDocument.QUOTE.write(quote),
                    null,
                    author.name(),
                    now(),
                    null));
            Optional<byte[]> mark = priced.firm().mark().map(attachments::bytes);
            Optional<Quote> changed = accepted(number, revision).map(QuoteService::quote);
            for (Paper paper : Paper.values()) {
                byte[] pdf = QuotePdf.write(quote, changed, mark, design.layout(), around.land(), paper);
                mapper.insertPaper(number, revision, paper.name(), pdf);
            }
            return state(mapper.find(number, revision).orElseThrow());
        }));
    }

    /** The last revision before one that was accepted: what a change order changes. */
    private Optional<QuoteRow> accepted(int number, int before) {
        return mapper.ofNumber(number).stream()
                .filter(r -> r.revision() < before
                        && decision(r).map(Decision::accepted).orElse(false))
                .reduce((a, b) -> b);
    }

    /** All quotes of a job, newest first. */
    @Transactional(readOnly = true)
    public List<QuoteState> ofJob(UUID job) {
        jobs.find(job);
        return mapper.ofJob(job).stream().map(this::state).toList();
    }

    /** One as it was sent. */
    @Transactional(readOnly = true)
    public QuoteState find(int number, int revision) {
        return state(row(number, revision));
    }

    /** As it was printed when it was sent. */
    @Transactional(readOnly = true)
    public byte[] paper(int number, int revision, Paper paper) {
        return mapper.paper(number, revision, paper.name())
                .orElseThrow(() -> RequestRefused.missing("Quote " + number + "/" + revision))
                .pdf();
    }

    /** What a revision changes: of the one that was accepted, else of the one before. */
    @Transactional(readOnly = true)
    public Optional<Quote.QuoteDifference> changes(int number, int revision) {
        Quote now = quote(row(number, revision));
        return accepted(number, revision)
                .or(() -> mapper.find(number, revision - 1))
                .map(before -> now.since(quote(before)));
    }

    /** Takes down what the client decided, once; the same decision sent again is the same. */
    @Transactional
    public QuoteState decide(int number, int revision, Decision decision) {
        QuoteRow row = row(number, revision);
        Optional<Decision> before = decision(row);
        if (before.isPresent()) {
            if (before.get().equals(decision)) {
                return state(row);
            }
            throw new RequestRefused(
                    409,
                    "quote.decided",
                    "This quote was " + (before.get().accepted() ? "accepted" : "declined")
                            + " already. Send a new revision to change it.",
                    Map.of());
        }
        Status status = state(row).status();
        if (status == Status.REPLACED) {
            throw new RequestRefused(
                    409, "quote.replaced", "A later revision took the place of this quote: decide on that.", Map.of());
        }
        if (status == Status.EXPIRED && decision.accepted()) {
            throw new RequestRefused(
                    409, "quote.expired", "This quote is no longer valid. Send it again as a new revision.", Map.of());
        }
        Quote quote = quote(row);
        Set<String> ticked = new TreeSet<>(decision.options());
        if (quote.options().stream()
                        .map(JobTerms.Option::id)
                        .filter(ticked::contains)
                        .count()
                != ticked.size()) {
            throw new BadInput("quote.option", "options", "One of the options is not on this quote.");
        }
        Set<String> clashes = quote.clashes(ticked);
        if (!clashes.isEmpty()) {
            throw new BadInput(
                    "quote.one-of", "options", "Only one can be chosen of “" + String.join("”, “", clashes) + "”.");
        }
        mapper.decide(number, revision, Json.MAPPER.writeValueAsString(decision), now());
        return state(row(number, revision));
    }

    private QuoteRow row(int number, int revision) {
        return mapper.find(number, revision)
                .orElseThrow(() -> RequestRefused.missing("Quote " + number + "/" + revision));
    }

    private static Quote quote(QuoteRow row) {
        return StoredDocument.QUOTE.read(row.doc());
    }

    private static Optional<Decision> decision(QuoteRow row) {
        return Optional.ofNullable(row.decision()).map(d -> Json.MAPPER.readValue(d, Decision.class));
    }

    private QuoteState state(QuoteRow row) {
        Quote quote = quote(row);
        Optional<Decision> decision = decision(row);
        Status status;
        if (decision.isPresent()) {
            status = decision.get().accepted() ? Status.ACCEPTED : Status.DECLINED;
        } else if (mapper.lastRevision(row.number()) > row.revision()) {
            status = Status.REPLACED;
        } else {
            status = prices.today().isAfter(quote.validUntil()) ? Status.EXPIRED : Status.SENT;
        }
        return new QuoteState(
                quote,
                status,
                row.sentBy(),
                row.sentAt(),
                decision,
                Optional.ofNullable(row.decidedAt()),
                decision.filter(Decision::accepted).map(d -> quote.with(Set.copyOf(d.options()))),
                accepted(row.number(), row.revision()).isPresent());
    }

    private Instant now() {
        return clock.instant().truncatedTo(ChronoUnit.MICROS);
    }
}
