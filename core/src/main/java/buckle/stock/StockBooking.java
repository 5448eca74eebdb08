package buckle.stock;

import buckle.site.BadInput;
import buckle.site.Texts;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;

/**
 * Something that moved. What leaves one account comes into another, so that each product's entries always sum up to nothing.
 *
 * @param id named by whoever books, so that booking twice is booking once
 * @param sheet by which it was loaded or came back
 */
public record StockBooking(UUID id, Kind kind, Optional<UUID> sheet, String reason, List<Entry> entries) {
    /** Amounts are kept to the millimetre. */
    public static final double FINE = 0.001;

    private static final double MOST = 10_000_000;
    private static final int LONGEST_TEXT = 300;
    private static final String SUPPLIERS = "suppliers";

    public StockBooking {
        entries = List.copyOf(entries);
    }

    /** Why it moved. */
    public enum Kind {
        /** From a supplier into the yard. */
        BOUGHT,
        /** Somebody counted, and found more or less. */
        COUNTED,
        /** From the yard onto a truck. */
        LOADED,
        /** From a supplier onto a truck. */
        DELIVERED,
        /** From a truck back to where it came from, before it was used. */
        UNLOADED,
        /** From a truck into the yard; what is missing from an opened coil was used. */
        RETURNED,
        /** Built in: all that was loaded and did not come back. */
        USED
    }

    /** Whose a thing is while it is there. */
    public enum Account {
        YARD,
        /** On the truck or on site, by a load sheet. */
        TRUCK,
        SUPPLIER,
        COUNT,
        USED;

        /** Things really lie there: less than nothing cannot. */
        public boolean real() {
            return this == YARD || this == TRUCK;
        }
    }

    /**
     * So much more in an account, or less.
     *
     * @param lengthM of each piece; 0 of what is counted
     * @param place in the yard; the sheet's id; else empty
     */
    public record Entry(Account account, String place, String product, double lengthM, double amount) {}

    /**
     * A product as it lies somewhere.
     *
     * @param lengthM of each coil or roll; 0 of what is counted in pieces
     */
    public record Ware(String product, double lengthM) {
        public Ware {
            text("stock.product", "product", product, "A product");
            if (!(lengthM >= 0 && lengthM <= MOST)) {
                throw new BadInput("stock.length", "lengthM", "A length lies between 0 and 10,000 km.");
            }
        }

        double amount(double pieces) {
            return lengthM > 0 ? pieces * lengthM : pieces;
        }
    }

    /** Came from a supplier into the yard. */
    public static StockBooking bought(UUID id, Ware ware, long pieces, String place) {
        some(pieces);
        place(place);
        return new StockBooking(
                id,
                Kind.BOUGHT,
                Optional.empty(),
                "",
                moved(ware, pieces, Account.SUPPLIER, SUPPLIERS, Account.YARD, place));
    }

    /**
     * Somebody counted.
     *
     * @param known pieces that ought to lie there
     * @param reason why it differs, asked for when less was found than ought to be there
     */
    public static StockBooking counted(UUID id, Ware ware, long known, long found, String place, String reason) {
        place(place);
        if (!(found >= 0 && found <= MOST)) {
            throw new BadInput("stock.count", "pieces", "What was counted lies between 0 and 10,000,000.");
        }
        plain("stock.reason", "reason", reason, "A reason");
        if (found < known && reason.isBlank()) {
            throw new BadInput(
                    "stock.reason",
                    "reason",
                    "There ought to be " + known + ", and " + found
                            + " were found: say why, so that it can be learnt from.");
        }
        return new StockBooking(
                id,
                Kind.COUNTED,
                Optional.empty(),
                reason.strip(),
                moved(ware, found - known, Account.COUNT, "", Account.YARD, place));
    }

    /** From the yard onto the truck. */
    public static StockBooking loaded(UUID id, UUID sheet, Ware ware, long pieces, String place) {
        some(pieces);
        return new StockBooking(
                id,
                Kind.LOADED,
                Optional.of(sheet),
                "",
                moved(ware, pieces, Account.YARD, place, Account.TRUCK, sheet.toString()));
    }

    /** From a supplier onto the truck. */
    public static StockBooking delivered(UUID id, UUID sheet, Ware ware, long pieces) {
        some(pieces);
        return new StockBooking(
                id,
                Kind.DELIVERED,
                Optional.of(sheet),
                "",
                moved(ware, pieces, Account.SUPPLIER, SUPPLIERS, Account.TRUCK, sheet.toString()));
    }

    /** The other way round, before anything of it was used. */
    public StockBooking undone(UUID newId) {
        return new StockBooking(
                newId,
                Kind.UNLOADED,
                sheet,
                "",
                entries.stream()
                        .map(e -> new Entry(e.account(), e.place(), e.product(), e.lengthM(), -e.amount()))
                        .toList());
    }

    /** Whole pieces came back. */
    public static StockBooking returned(UUID id, UUID sheet, Ware ware, long pieces, String place) {
        some(pieces);
        place(place);
        return new StockBooking(
                id,
                Kind.RETURNED,
                Optional.of(sheet),
                "",
                moved(ware, pieces, Account.TRUCK, sheet.toString(), Account.YARD, place));
    }

    /** What is left of one opened coil or roll came back; the rest of it was used. */
    public static StockBooking rest(UUID id, UUID sheet, Ware ware, double restM, String place) {
        place(place);
        if (ware.lengthM() <= 0) {
            throw new BadInput(
                    "stock.rest", "restM", "“" + ware.product() + "” is counted in pieces: say how many came back.");
        }
        if (!(restM > 0 && restM < ware.lengthM())) {
            throw new BadInput(
                    "stock.rest",
                    "restM",
                    "What is left is longer than nothing and shorter than the coil or piece it is left of.");
        }
        double rest = rounded(restM);
        List<Entry> entries = new ArrayList<>();
        entries.add(new Entry(Account.TRUCK, sheet.toString(), ware.product(), ware.lengthM(), -ware.lengthM()));
        entries.add(new Entry(Account.YARD, place, ware.product(), rest, rest));
        entries.add(new Entry(Account.USED, sheet.toString(), ware.product(), 0, rounded(ware.lengthM() - rest)));
        return new StockBooking(id, Kind.RETURNED, Optional.of(sheet), "", entries);
    }

    /** All that is still out was built in. */
    public static StockBooking used(UUID id, UUID sheet, List<StockLot> left) {
        List<Entry> entries = new ArrayList<>();
        for (StockLot lot : left) {
            if (lot.amount() > 0) {
                entries.add(new Entry(Account.TRUCK, sheet.toString(), lot.product(), lot.lengthM(), -lot.amount()));
                entries.add(new Entry(Account.USED, sheet.toString(), lot.product(), 0, lot.amount()));
            }
        }
        return new StockBooking(id, Kind.USED, Optional.of(sheet), "", entries);
    }

    /** To the millimetre. */
    public static double rounded(double amount) {
        return Math.rint(amount / FINE) * FINE;
    }

    private static List<Entry> moved(
            Ware ware, long pieces, Account from, String fromPlace, Account to, String toPlace) {
        double amount = rounded(ware.amount(pieces));
        return amount == 0
                ? List.of()
                : List.of(
                        new Entry(from, fromPlace, ware.product(), ware.lengthM(), -amount),
                        new Entry(to, toPlace, ware.product(), ware.lengthM(), amount));
    }

    private static void some(long pieces) {
        if (!(pieces > 0 && pieces <= MOST)) {
            throw new BadInput("stock.pieces", "pieces", "Say how many: between 1 and 10,000,000.");
        }
    }

    private static void place(String place) {
        text("stock.place", "place", place, "A place in the yard");
    }

    private static void text(String code, String path, String text, String what) {
        if (text.isBlank()) {
            throw new BadInput(code, path, what + " has to be named.");
        }
        plain(code, path, text, what);
    }

    private static void plain(String code, String path, String text, String what) {
        Texts.flaw(text, LONGEST_TEXT, false).ifPresent(flaw -> {
            throw new BadInput(code, path, what + ": " + flaw + ".");
        });
    }
}
