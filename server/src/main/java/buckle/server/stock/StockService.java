package buckle.server.stock;

import buckle.price.PriceBook.Unit;
import buckle.server.prices.PriceBookService;
import buckle.server.revisions.Author;
import buckle.server.stock.StockMapper.BookingRow;
import buckle.server.stock.StockMapper.EntryRow;
import buckle.server.stock.StockMapper.MoveRow;
import buckle.server.web.RequestRefused;
import buckle.site.BadInput;
import buckle.stock.StockBooking;
import buckle.stock.StockBooking.Account;
import buckle.stock.StockBooking.Entry;
import buckle.stock.StockBooking.Ware;
import buckle.stock.StockLot;
import java.time.Clock;
import java.time.temporal.ChronoUnit;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Supplier;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Books what comes into the yard, goes on trucks and comes back. A booking sent again is the same one. */
@Service
public class StockService {
    private final StockMapper mapper;
    private final PriceBookService books;
    private final Author author;
    private final Clock clock;

    StockService(StockMapper mapper, PriceBookService books, Author author, Clock clock) {
        this.mapper = mapper;
        this.books = books;
        this.author = author;
        this.clock = clock;
    }

    /**
     * A product that stock can be kept of.
     *
     * @param byMetre whether it lies in coils, rolls or cut lengths
     */
    public record Kept(String product, String name, boolean byMetre) {}

    /** What lies in the yard. */
    @Transactional(readOnly = true)
    public List<StockLot> yard() {
        return mapper.lots(Account.YARD).stream().map(StockService::lot).toList();
    }

    /** What was loaded by a sheet and is still out. */
    @Transactional(readOnly = true)
    public List<StockLot> out(UUID sheet) {
        return mapper.lotsAt(Account.TRUCK, sheet.toString()).stream()
                .map(StockService::lot)
                .toList();
    }

    private static StockLot lot(EntryRow row) {
        return new StockLot(row.product(), row.lengthM(), row.place(), row.amount());
    }

    /** Products with a name, from the price book. */
    @Transactional(readOnly = true)
    public List<Kept> products() {
        Map<String, Kept> all = new LinkedHashMap<>();
        books.book().items().values().stream()
                .filter(i -> !i.product().isBlank())
                .forEach(i ->
                        all.putIfAbsent(i.product(), new Kept(i.product(), i.description(), i.unit() != Unit.PCS)));
        return all.values().stream().sorted(Comparator.comparing(Kept::name)).toList();
    }

    /** What came into the yard and left it, newest first. */
    @Transactional(readOnly = true)
    public List<MoveRow> history(String product, int limit) {
        return mapper.history(product, limit);
    }

    /** Came from a supplier. */
    @Transactional
    public void bought(UUID id, Ware ware, long pieces, String place) {
        known(ware);
        once(id, () -> StockBooking.bought(id, ware, pieces, place));
    }

    /** Was counted; what the ledger says now is what it is held against. */
    @Transactional
    public void counted(UUID id, Ware ware, long found, String place, String reason) {
        known(ware);
        once(id, () -> {
            double there = mapper.balance(Account.YARD, place, ware.product(), ware.lengthM());
            long pieces = new StockLot(ware.product(), ware.lengthM(), place, there).pieces();
            return StockBooking.counted(id, ware, pieces, found, place, reason);
        });
    }

    private void known(Ware ware) {
        products().stream()
                .filter(p -> p.product().equals(ware.product()))
                .findFirst()
                .ifPresentOrElse(
                        p -> {
                            if (p.byMetre() && ware.lengthM() <= 0) {
                                throw new BadInput(
                                        "stock.length",
                                        "lengthM",
                                        "“" + p.name() + "” lies in lengths: say how long each is.");
                            }
                            if (!p.byMetre() && ware.lengthM() > 0) {
                                throw new BadInput(
                                        "stock.length",
                                        "lengthM",
                                        "“" + p.name() + "” is counted in pieces: leave the length empty.");
                            }
                        },
                        () -> {
                            if (yard().stream().noneMatch(l -> l.product().equals(ware.product()))) {
                                throw new BadInput(
                                        "stock.unknown",
                                        "product",
                                        "“" + ware.product()
                                                + "” is in no price book: add it there first, so that it has a name.");
                            }
                        });
    }

    /** Books it, unless that was done before. */
    @Transactional
    public void once(UUID id, Supplier<StockBooking> booking) {
        mapper.lock();
        if (mapper.booking(id).isEmpty()) {
            store(booking.get());
        }
    }

    /** As it was booked. */
    StockBooking find(UUID id) {
        BookingRow row = mapper.booking(id).orElseThrow(() -> RequestRefused.missing("Booking " + id));
        return new StockBooking(
                id,
                row.kind(),
                Optional.ofNullable(row.sheetId()),
                row.reason(),
                mapper.entries(id).stream()
                        .map(e -> new Entry(e.account(), e.place(), e.product(), e.lengthM(), e.amount()))
                        .toList());
    }

    private void store(StockBooking booking) {
        for (Entry e : booking.entries()) {
            if (e.amount() < 0 && e.account().real()) {
                double there = mapper.balance(e.account(), e.place(), e.product(), e.lengthM());
                if (there + e.amount() < -StockBooking.FINE / 2) {
                    throw shortOf(e, there);
                }
            }
        }
        mapper.insert(new BookingRow(
                booking.id(),
                booking.kind(),
                booking.sheet().orElse(null),
                booking.reason(),
                author.name(),
                clock.instant().truncatedTo(ChronoUnit.MICROS)));
        for (Entry e : booking.entries()) {
            EntryRow row = new EntryRow(e.account(), e.place(), e.product(), e.lengthM(), e.amount());
            mapper.insertEntry(booking.id(), row);
            if (mapper.add(row) == 0) {
                mapper.open(row);
            }
        }
    }

    private static RequestRefused shortOf(Entry e, double there) {
        StockLot has = new StockLot(e.product(), e.lengthM(), e.place(), there);
        StockLot asked = new StockLot(e.product(), e.lengthM(), e.place(), -e.amount());
        String where = e.account() == Account.YARD ? "At “" + e.place() + "” lie" : "The truck has";
        return new RequestRefused(
                409,
                "stock.short",
                where + " " + has.pieces() + " of “" + e.product() + "”, not " + asked.pieces()
                        + ". Nothing was booked; look at the stock again.",
                Map.of("there", has.pieces(), "asked", asked.pieces()));
    }
}
