package buckle.server.stock;

import buckle.design.Design;
import buckle.exchange.document.StoredDocument;
import buckle.exchange.stock.LoadSheetMaker;
import buckle.server.jobs.JobRow;
import buckle.server.jobs.JobService;
import buckle.server.jobs.PlanState;
import buckle.server.land.LandService;
import buckle.server.prices.PriceService;
import buckle.server.revisions.Author;
import buckle.server.stock.LoadSheetMapper.SheetRow;
import buckle.server.stock.LoadSheetMapper.TickRow;
import buckle.server.stock.StockMapper.SumRow;
import buckle.server.web.RequestRefused;
import buckle.site.BadInput;
import buckle.stock.LoadSheet;
import buckle.stock.LoadSheet.State;
import buckle.stock.StockBooking;
import buckle.stock.StockBooking.Account;
import buckle.stock.StockBooking.Kind;
import buckle.stock.StockBooking.Ware;
import buckle.stock.StockLot;
import buckle.stock.Usage;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Load sheets: made out from plan, prices and stock; ticked by several people; closed when the truck is empty again. */
@Service
public class LoadSheetService {
    private final LoadSheetMapper mapper;
    private final StockMapper ledger;
    private final StockService stock;
    private final PriceService prices;
    private final JobService jobs;
    private final LandService land;
    private final Author author;
    private final Clock clock;

    LoadSheetService(
            LoadSheetMapper mapper,
            StockMapper ledger,
            StockService stock,
            PriceService prices,
            JobService jobs,
            LandService land,
            Author author,
            Clock clock) {
        this.mapper = mapper;
        this.ledger = ledger;
        this.stock = stock;
        this.prices = prices;
        this.jobs = jobs;
        this.land = land;
        this.author = author;
        this.clock = clock;
    }

    /** A tick on a line. */
    public record Tick(int line, State state, String by, Instant at) {}

    /**
     * What was planned, loaded and used of a product.
     *
     * @param used empty until the sheet is closed
     */
    public record ProductAccount(String product, double loaded, double returned, Optional<Double> used) {}

    /**
     * A sheet with where it stands.
     *
     * @param out what is on the truck or on site now
     * @param accounts by product, in the order of the sheet
     */
    public record SheetState(
            UUID id,
            LoadSheet sheet,
            String madeBy,
            Instant madeAt,
            Optional<Instant> closedAt,
            List<Tick> ticks,
            List<StockLot> out,
            List<ProductAccount> accounts) {}

    /** The newest sheet of a job. */
    @Transactional(readOnly = true)
    public Optional<SheetState> ofJob(UUID job) {
        jobs.find(job);
        return mapper.newest(job).map(this::state);
    }

    /** One as it was made out. */
    @Transactional(readOnly = true)
    public LoadSheet find(UUID id) {
        return sheet(mapper.find(id).orElseThrow(() -> RequestRefused.missing("Load sheet " + id)));
    }

    /** Makes out a sheet; the same request again is the same sheet. */
    @Transactional
    public SheetState make(UUID job, UUID id) {
        Optional<SheetRow> before = mapper.find(id);
        if (before.isPresent()) {
            return state(before.get());
        }
        noneOpen(job);
        JobRow row = jobs.find(job);
        PlanState plan = jobs.plan(job);
        Design design = Design.of(plan.plan(), land.around(row.propertyId()));
        List<StockLot> yard = stock.yard();
        PriceService.ToBuy toBuy = prices.toBuy(
                design, plan.plan().spec(), prices.terms(job).terms().cutting(), yard);
        LoadSheet sheet = LoadSheetMaker.of(
                new LoadSheetMaker.Heading(row.name(), row.client(), row.property(), plan.revision(), toBuy.currency()),
                toBuy.purchase(),
                yard,
                plan.plan().spec().units());
        // Somebody may have made one out meanwhile.
        ledger.lock();
        Optional<SheetRow> meanwhile = mapper.find(id);
        if (meanwhile.isPresent()) {
            return state(meanwhile.get());
        }
        noneOpen(job);
        mapper.insert(new SheetRow(id, job, StoredDocument.LOAD_SHEET.write(sheet), author.name(), now(), null, null));
        return state(mapper.find(id).orElseThrow());
    }

    private void noneOpen(UUID job) {
        Optional<SheetRow> open = mapper.newest(job).filter(s -> s.closedAt() == null);
        if (open.isPresent()) {
            throw new RequestRefused(
                    409,
                    "sheet.open",
                    "A sheet of this job is open already. Close it first, or take it away while nothing of it is loaded.",
                    Map.of());
        }
    }

    /** Takes an open sheet away of which nothing is out; one of which something was is closed. */
    @Transactional
    public void remove(UUID id) {
        SheetRow row = open(id);
        if (!stock.out(row.id()).isEmpty()) {
            throw new RequestRefused(
                    409,
                    "sheet.loaded",
                    "Something of this sheet is loaded: close it when the truck is back.",
                    Map.of());
        }
        if (ledger.bookings(id) > 0) {
            mapper.close(id, author.name(), now());
            return;
        }
        mapper.removeTicks(id);
        mapper.remove(id);
    }

    /** Brings a line to a state; one that is there already stays as it is. */
    @Transactional
    public SheetState tick(UUID id, int number, State state) {
        SheetRow row = open(id);
        LoadSheet.Line line = sheet(row).lines().stream()
                .filter(l -> l.number() == number)
                .findFirst()
                .orElseThrow(
                        () -> new BadInput("sheet.line", "line", "There is no line " + number + " on this sheet."));
        Optional<TickRow> before =
                mapper.ticks(id).stream().filter(t -> t.line() == number).findFirst();
        State was = before.map(TickRow::state).orElse(State.OPEN);
        if (was == state) {
            return state(row);
        }
        UUID booking = null;
        if (state == State.LOADED) {
            UUID load = named(id + "/" + number + "/" + now());
            Ware ware = new Ware(line.product(), line.lengthM());
            stock.once(
                    load,
                    () -> line.source().inYard()
                            ? StockBooking.loaded(
                                    load, id, ware, line.pieces(), line.source().place())
                            : StockBooking.delivered(load, id, ware, line.pieces()));
            booking = load;
        } else if (was == State.LOADED) {
            StockBooking loaded =
                    stock.find(Objects.requireNonNull(before.orElseThrow().bookingId()));
            UUID undo = named(loaded.id() + "/undone");
            stock.once(undo, () -> loaded.undone(undo));
        }
        mapper.tick(new TickRow(id, number, state, booking, author.name(), now()));
        return state(row);
    }

    /**
     * Something came back.
     *
     * @param restM what is left of one opened coil; else whole pieces came back
     */
    @Transactional
    public SheetState bring(UUID id, UUID booking, Ware ware, long pieces, Optional<Double> restM, String place) {
        SheetRow row = open(id);
        stock.once(
                booking,
                () -> restM.map(rest -> StockBooking.rest(booking, id, ware, rest, place))
                        .orElseGet(() -> StockBooking.returned(booking, id, ware, pieces, place)));
        return state(row);
    }

    /** All that did not come back was built in. */
    @Transactional
    public SheetState close(UUID id) {
        SheetRow row = mapper.locked(id).orElseThrow(() -> RequestRefused.missing("Load sheet " + id));
        if (row.closedAt() == null) {
            UUID used = named(id + "/used");
            List<StockLot> left = stock.out(row.id());
            if (!left.isEmpty()) {
                stock.once(used, () -> StockBooking.used(used, id, left));
            }
            mapper.close(id, author.name(), now());
        }
        return state(mapper.find(id).orElseThrow());
    }

    /** What was used of each product beside what was counted for it, over all closed sheets. */
    @Transactional(readOnly = true)
    public List<Usage> usage() {
        List<Usage.Job> all = new ArrayList<>();
        for (SheetRow row : mapper.closed()) {
            SheetState state = state(row);
            Map<String, ProductAccount> accounts =
                    state.accounts().stream().collect(Collectors.toMap(ProductAccount::product, a -> a));
            for (LoadSheet.Planned p : state.sheet().planned()) {
                ProductAccount a = accounts.get(p.product());
                if (a != null && a.loaded() > 0) {
                    all.add(new Usage.Job(
                            p.product(),
                            p.name(),
                            p.byMetre(),
                            p.counted(),
                            a.used().orElse(0.0)));
                }
            }
        }
        return Usage.of(all);
    }

    private SheetRow open(UUID id) {
        SheetRow row = mapper.locked(id).orElseThrow(() -> RequestRefused.missing("Load sheet " + id));
        if (row.closedAt() != null) {
            throw new RequestRefused(409, "sheet.closed", "This sheet is closed. Make out a new one.", Map.of());
        }
        return row;
    }

    private static LoadSheet sheet(SheetRow row) {
        return StoredDocument.LOAD_SHEET.read(row.doc());
    }

    private SheetState state(SheetRow row) {
        LoadSheet sheet = sheet(row);
        Map<String, double[]> sums = new LinkedHashMap<>();
        sheet.planned().forEach(p -> sums.put(p.product(), new double[3]));
        for (SumRow a : ledger.sums(row.id())) {
            double[] sum = sums.computeIfAbsent(a.product(), p -> new double[3]);
            if (a.account() == Account.USED) {
                sum[2] += a.amount();
            } else if (a.kind() == Kind.RETURNED && a.account() == Account.YARD) {
                sum[1] += a.amount();
            } else if (a.account() == Account.TRUCK && a.kind() != Kind.RETURNED && a.kind() != Kind.USED) {
                sum[0] += a.amount();
            }
        }
        List<ProductAccount> accounts = new ArrayList<>();
        sums.forEach((product, s) -> accounts.add(new ProductAccount(
                product, s[0], s[1], row.closedAt() == null ? Optional.empty() : Optional.of(s[2]))));
        return new SheetState(
                row.id(),
                sheet,
                row.madeBy(),
                row.madeAt(),
                Optional.ofNullable(row.closedAt()),
                mapper.ticks(row.id()).stream()
                        .map(t -> new Tick(t.line(), t.state(), t.tickedBy(), t.tickedAt()))
                        .toList(),
                stock.out(row.id()),
                accounts);
    }

    private Instant now() {
        return clock.instant().truncatedTo(ChronoUnit.MICROS);
    }

    private static UUID named(String name) {
        return UUID.nameUUIDFromBytes(name.getBytes(StandardCharsets.UTF_8));
    }
}
