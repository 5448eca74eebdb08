package buckle.server.prices;

import buckle.design.Design;
import buckle.exchange.prices.PriceView;
import buckle.land.Surroundings;
import buckle.price.Firm;
import buckle.price.JobTerms;
import buckle.price.Price;
import buckle.price.PriceBook;
import buckle.price.Pricing;
import buckle.price.Purchase;
import buckle.price.TermsCheck;
import buckle.server.jobs.JobService;
import buckle.server.revisions.RevisionStore;
import buckle.server.web.RequestRefused;
import buckle.spec.Plan;
import buckle.spec.Spec;
import buckle.stock.CutPurchase;
import buckle.stock.Loading;
import buckle.stock.StockLot;
import buckle.takeoff.TakeoffLine;
import buckle.variant.LifeTerms;
import buckle.variant.Variant;
import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Prices of designs with the book and the rates as they stand, and the terms of a job. */
@Service
public class PriceService {
    private final PriceBookService books;
    private final FirmService firms;
    private final RevisionStore<JobTerms> terms;
    private final JobService jobs;
    private final CutPlans cuts;
    private final Clock clock;

    PriceService(
            PriceBookService books,
            FirmService firms,
            RevisionStore<JobTerms> terms,
            JobService jobs,
            CutPlans cuts,
            Clock clock) {
        this.cuts = cuts;
        this.books = books;
        this.firms = firms;
        this.terms = terms;
        this.jobs = jobs;
        this.clock = clock;
    }

    /**
     * The terms of a job.
     *
     * @param saveNo number of the last save; the next names it as its base; 0 before the first
     */
    public record TermsState(long saveNo, JobTerms terms) {}

    /** A price with the revision of the book it was made from. */
    public record Priced(Price price, Firm firm, int bookRevision) {}

    @Transactional(readOnly = true)
    public TermsState terms(UUID job) {
        jobs.find(job);
        if (!terms.has(job)) {
            return new TermsState(0, JobTerms.USUAL);
        }
        RevisionStore.State<JobTerms> now = terms.state(job);
        return new TermsState(now.saveNo(), now.content());
    }

    /** Stores the terms of a job; refused on top of an older save. */
    @Transactional(noRollbackFor = RequestRefused.class)
    public TermsState save(UUID job, long base, JobTerms next) {
        TermsCheck.check(next);
        TermsState now = terms(job);
        if (now.terms().equals(next) && now.saveNo() > 0 || base == 0 && terms.open(job, next)) {
            return terms(job);
        }
        terms.save(job, new RevisionStore.Save<>(base, UUID.randomUUID(), next), "price", r -> false);
        return terms(job);
    }

    /** Of things by themselves, without work, way and what is laid on top. */
    @Transactional(readOnly = true)
    public Price material(List<TakeoffLine> takeoff) {
        Firm firm = firms.state().firm();
        return Pricing.of(List.of(), takeoff, book(firm), firm.rates(), JobTerms.USUAL, today());
    }

    /** The book in the firm's currency, with its suppliers. */
    @Transactional(readOnly = true)
    public PriceBook book() {
        return book(firms.state().firm());
    }

    private PriceBook book(Firm firm) {
        return new PriceBook(
                firm.currency(),
                firm.suppliers(),
                List.copyOf(books.book().items().values()));
    }

    /** The two figures for the ledger; empty where there is no price book. */
    @Transactional(readOnly = true)
    public Optional<PriceView.Estimate> estimate(Design design, Spec spec, Optional<JobTerms> job) {
        if (books.book().items().isEmpty() || design.layout().lines().isEmpty()) {
            return Optional.empty();
        }
        return Optional.of(PriceView.Estimate.of(
                price(design, spec, job.orElse(JobTerms.USUAL)).price()));
    }

    /** Of a design, with terms of a job that need not be stored yet. */
    @Transactional(readOnly = true)
    public Priced price(Design design, Spec spec, JobTerms job) {
        TermsCheck.check(job);
        Firm firm = firms.state().firm();
        PriceBook book = book(firm);
        // What lies in the yard is sold at the book's price too, so it does not change how a job is priced.
        List<TakeoffLine> bought = asCut(design, spec, book, job.cutting(), List.of());
        Price price =
                Pricing.of(design.laid().fence().lines(), design.takeoff(), bought, book, firm.rates(), job, today());
        return new Priced(price, firm, books.book().revision());
    }

    /** The figures of a plan beside those of others. */
    @Transactional(readOnly = true)
    public Variant variant(Plan plan, Surroundings around, JobTerms job, LifeTerms life) {
        Firm firm = firms.state().firm();
        return Variant.of(plan, around, book(firm), firm.rates(), job, life, today());
    }

    /** What has to be bought for a design, and in what currency. */
    public record ToBuy(Purchase purchase, String currency) {}

    /** @param yard what lies there, which is used first */
    @Transactional(readOnly = true)
    public ToBuy toBuy(Design design, Spec spec, JobTerms.Cutting cutting, List<StockLot> yard) {
        Firm firm = firms.state().firm();
        PriceBook book = book(firm);
        List<TakeoffLine> bought = asCut(design, spec, book, cutting, yard);
        return new ToBuy(Purchase.of(bought, book, firm.rates(), Loading.onHand(yard)), firm.currency());
    }

    /** What a heap is short of for a design, in the cheapest packs. */
    @Transactional(readOnly = true)
    public ToBuy toBuy(List<TakeoffLine> takeoff, Map<String, Double> onHand) {
        Firm firm = firms.state().firm();
        return new ToBuy(Purchase.of(takeoff, book(firm), firm.rates(), onHand), firm.currency());
    }

    private List<TakeoffLine> asCut(
            Design design, Spec spec, PriceBook book, JobTerms.Cutting cutting, List<StockLot> yard) {
        return CutPurchase.aim(cutting)
                .map(aim ->
                        CutPurchase.of(design.takeoff(), cuts.of(design.layout(), spec, book, yard, aim, share -> {})))
                .orElse(design.takeoff());
    }

    LocalDate today() {
        return LocalDate.ofInstant(clock.instant(), ZoneId.systemDefault());
    }
}
