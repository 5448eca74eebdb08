package buckle.server.prices;

import buckle.exchange.Limits;
import buckle.exchange.prices.DecimalMark;
import buckle.exchange.prices.PriceBookFile;
import buckle.exchange.prices.PriceTable;
import buckle.price.BookChange;
import buckle.price.Firm;
import buckle.price.PriceBook;
import buckle.price.PriceBook.Item;
import buckle.server.prices.PriceBookMapper.RevisionRow;
import buckle.server.prices.PriceBookService.Page;
import buckle.server.web.WorkQueue;
import buckle.server.web.WorkQueue.Kind;
import buckle.site.BadInput;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.Arrays;
import java.util.List;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The price book and the firm over HTTP. */
@RestController
@RequestMapping("/api")
@Tag(name = "prices")
class PriceBookController {
    private static final int MOST_ON_A_PAGE = 500;
    private static final int MOST_SHOWN = 200;

    private final PriceBookService books;
    private final FirmService firms;
    private final PriceService prices;
    private final WorkQueue queue;

    PriceBookController(PriceBookService books, FirmService firms, PriceService prices, WorkQueue queue) {
        this.books = books;
        this.firms = firms;
        this.prices = prices;
        this.queue = queue;
    }

    /** A change of one item, on top of the revision it was looked at in. */
    record ItemSave(int baseRevision, Item item) {}

    /** A change of the firm. */
    record FirmSave(int baseRevision, Firm firm) {}

    /**
     * What a list would do to the book.
     *
     * @param changes the first of them
     */
    record ListPreview(int revision, long added, long changed, long removed, List<BookChange> changes) {}

    @GetMapping("/price-book")
    @Operation(operationId = "priceBook", summary = "Items of the price book in which every word is found")
    Page page(
            @RequestParam(defaultValue = "") String search,
            @RequestParam(defaultValue = "0") int offset,
            @RequestParam(defaultValue = "50") int limit) {
        if (offset < 0 || limit < 0 || limit > MOST_ON_A_PAGE) {
            throw new BadInput("page", "limit", "A page has 0 to 500 items, counted from 0.");
        }
        return books.page(search, offset, limit);
    }

    @GetMapping("/price-book/revisions")
    @Operation(operationId = "priceBookRevisions", summary = "Who changed the price book, newest first")
    List<RevisionRow> revisions() {
        return books.revisions();
    }

    @GetMapping("/price-book/suppliers")
    @Operation(operationId = "suppliers", summary = "Suppliers that the price book names")
    List<String> suppliers() {
        return books.suppliers();
    }

    @PutMapping("/price-book/item")
    @Operation(operationId = "savePriceItem", summary = "Change or add one item; refused when somebody changed it")
    Page save(@RequestBody ItemSave save) {
        return books.save(save.item().in(currency()), save.baseRevision());
    }

    @DeleteMapping("/price-book/item")
    @Operation(operationId = "removePriceItem", summary = "Take one item out of the book; quotes keep what they had")
    Page remove(@RequestParam String code, @RequestParam int baseRevision) {
        return books.remove(code, baseRevision);
    }

    @PostMapping(value = "/price-book/look", consumes = "application/octet-stream")
    @Operation(operationId = "lookAtPriceList", summary = "What the columns of a CSV or XLSX seem to be")
    PriceTable look(HttpServletRequest request) throws IOException {
        byte[] bytes = bytes(request);
        return queue.run(Kind.IMPORT, () -> PriceTable.look(bytes));
    }

    @PostMapping(value = "/price-book/preview", consumes = "application/octet-stream")
    @Operation(operationId = "previewPriceList", summary = "What a list would change; nothing is stored")
    ListPreview preview(
            HttpServletRequest request,
            @RequestParam String columns,
            @RequestParam(defaultValue = "AUTO") DecimalMark decimal,
            @RequestParam(defaultValue = "MERGE") BookChange.Mode mode)
            throws IOException {
        byte[] bytes = bytes(request);
        return queue.run(Kind.IMPORT, () -> {
            int revision = books.book().revision();
            List<BookChange> changes = books.preview(PriceTable.read(bytes, reading(columns, decimal)), mode);
            return new ListPreview(
                    revision,
                    changes.stream().filter(c -> c.before().isEmpty()).count(),
                    changes.stream()
                            .filter(c -> c.before().isPresent() && c.after().isPresent())
                            .count(),
                    changes.stream().filter(c -> c.after().isEmpty()).count(),
                    changes.stream().limit(MOST_SHOWN).toList());
        });
    }

    @PostMapping(value = "/price-book/import", consumes = "application/octet-stream")
    @Operation(operationId = "takePriceList", summary = "Take a list over, whole or not at all")
    Page take(
            HttpServletRequest request,
            @RequestParam String columns,
            @RequestParam int baseRevision,
            @RequestParam(defaultValue = "AUTO") DecimalMark decimal,
            @RequestParam(defaultValue = "MERGE") BookChange.Mode mode)
            throws IOException {
        byte[] bytes = bytes(request);
        var list = queue.run(Kind.IMPORT, () -> PriceTable.read(bytes, reading(columns, decimal)));
        return books.take(list, mode, baseRevision);
    }

    private static byte[] bytes(HttpServletRequest request) throws IOException {
        return request.getInputStream().readNBytes((int) Limits.MOST_BYTES + 1);
    }

    private PriceTable.Reading reading(String columns, DecimalMark decimal) {
        try {
            List<Integer> at = Arrays.stream(columns.split(","))
                    .map(c -> Integer.valueOf(c.strip()))
                    .toList();
            return new PriceTable.Reading(at, decimal, prices.today(), currency());
        } catch (NumberFormatException e) {
            throw new BadInput("price.columns", "columns", "Columns are whole numbers with commas between them.");
        }
    }

    @GetMapping(value = "/price-book.csv", produces = "text/csv")
    @Operation(operationId = "exportPriceBookCsv", summary = "The price book as CSV, one row a price")
    ResponseEntity<byte[]> csv() {
        return file("price-book.csv", "text/csv;charset=UTF-8", queue.run(Kind.PAPER, () -> PriceBookFile.csv(all())));
    }

    @GetMapping(
            value = "/price-book.xlsx",
            produces = "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet")
    @Operation(operationId = "exportPriceBookXlsx", summary = "The price book as a workbook, one row a price")
    ResponseEntity<byte[]> xlsx() {
        return file(
                "price-book.xlsx",
                "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet",
                queue.run(Kind.PAPER, () -> PriceBookFile.xlsx(all())));
    }

    /** Of prices that name none: so that they stay what they were when the house changes its own. */
    private String currency() {
        return firms.state().firm().currency();
    }

    private PriceBook all() {
        return new PriceBook(
                currency(), List.of(), List.copyOf(books.book().items().values()));
    }

    private static ResponseEntity<byte[]> file(String name, String type, byte[] body) {
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_TYPE, type)
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + name + "\"")
                .body(body);
    }

    @GetMapping("/firm")
    @Operation(operationId = "firm", summary = "The firm: its name, suppliers, rates and the words of its quotes")
    FirmService.FirmState firm() {
        return firms.state();
    }

    @PutMapping("/firm")
    @Operation(operationId = "saveFirm", summary = "Change the firm; refused on top of an older revision")
    FirmService.FirmState saveFirm(@RequestBody FirmSave save) {
        return firms.save(save.baseRevision(), save.firm());
    }
}
