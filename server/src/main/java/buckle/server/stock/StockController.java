package buckle.server.stock;

import buckle.exchange.paper.LoadSheetPdf;
import buckle.exchange.paper.Paper;
import buckle.exchange.stock.LoadSheetTable;
import buckle.server.stock.LoadSheetService.SheetState;
import buckle.server.stock.StockMapper.MoveRow;
import buckle.server.stock.StockService.Kept;
import buckle.server.web.WorkQueue;
import buckle.server.web.WorkQueue.Kind;
import buckle.site.BadInput;
import buckle.stock.LoadSheet;
import buckle.stock.StockBooking.Ware;
import buckle.stock.StockLot;
import buckle.stock.Usage;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The yard's stock, and load sheets of jobs. */
@RestController
@RequestMapping("/api")
@Tag(name = "stock")
class StockController {
    private static final int MOST_HISTORY = 500;

    private final StockService stock;
    private final LoadSheetService sheets;
    private final WorkQueue queue;

    StockController(StockService stock, LoadSheetService sheets, WorkQueue queue) {
        this.stock = stock;
        this.sheets = sheets;
        this.queue = queue;
    }

    /** What lies in the yard, and what it can be kept of. */
    record StockView(List<StockLot> lots, List<Kept> products) {}

    /**
     * Something that came from a supplier.
     *
     * @param id named by whoever books, so that booking twice is booking once
     * @param lengthM of each coil or roll; 0 of what is counted in pieces
     */
    record Arrival(UUID id, String product, double lengthM, long pieces, String place) {}

    /**
     * What somebody counted at a place.
     *
     * @param reason asked for when less was found than ought to lie there
     */
    record StockCount(UUID id, String product, double lengthM, long pieces, String place, String reason) {}

    /** A sheet to make out. */
    record SheetNew(UUID id) {}

    /** How far a line is now. */
    record LineTick(LoadSheet.State state) {}

    /** The newest sheet of a job, if there is one. */
    record SheetView(Optional<SheetState> sheet) {}

    /**
     * Something that came back.
     *
     * @param restM what is left of one opened coil; empty where whole pieces came back
     */
    record Returned(UUID id, String product, double lengthM, long pieces, OptionalDouble restM, String place) {}

    /**
     * What jobs used of a product beside what was counted.
     *
     * @param proposedPercent allowance that would have been enough for about five of six jobs; empty while too few are known
     */
    record UsageRow(Usage usage, OptionalDouble proposedPercent) {}

    @GetMapping("/stock")
    @Operation(operationId = "stock", summary = "What lies in the yard, by product, length and place")
    StockView stock() {
        return new StockView(stock.yard(), stock.products());
    }

    @GetMapping("/stock/history")
    @Operation(operationId = "stockHistory", summary = "What came into the yard and left it, newest first")
    List<MoveRow> history(
            @RequestParam(defaultValue = "") String product, @RequestParam(defaultValue = "100") int limit) {
        if (limit < 1 || limit > MOST_HISTORY) {
            throw new BadInput("page", "limit", "A history has 1 to 500 lines.");
        }
        return stock.history(product, limit);
    }

    @PostMapping("/stock/arrivals")
    @Operation(operationId = "stockArrival", summary = "Book what came from a supplier into the yard")
    StockView arrived(@RequestBody Arrival a) {
        stock.bought(a.id(), new Ware(a.product(), a.lengthM()), a.pieces(), a.place());
        return stock();
    }

    @PostMapping("/stock/counts")
    @Operation(operationId = "stockCount", summary = "Book what somebody counted at a place")
    StockView counted(@RequestBody StockCount c) {
        stock.counted(c.id(), new Ware(c.product(), c.lengthM()), c.pieces(), c.place(), c.reason());
        return stock();
    }

    @GetMapping("/stock/usage")
    @Operation(operationId = "stockUsage", summary = "What jobs used of each product beside what was counted for them")
    List<UsageRow> usage() {
        return sheets.usage().stream()
                .map(u -> new UsageRow(u, u.allowancePercent()))
                .toList();
    }

    @GetMapping("/jobs/{id}/load-sheet")
    @Operation(operationId = "loadSheet", summary = "The newest load sheet of a job with its ticks")
    SheetView sheet(@PathVariable UUID id) {
        return new SheetView(sheets.ofJob(id));
    }

    @PostMapping("/jobs/{id}/load-sheet")
    @Operation(operationId = "makeLoadSheet", summary = "Make out a load sheet: the yard first, then packs to buy")
    SheetState make(@PathVariable UUID id, @RequestBody SheetNew order) {
        return queue.run(Kind.COMPUTATION, () -> sheets.make(id, order.id()));
    }

    @PutMapping("/load-sheets/{id}/lines/{line}")
    @Operation(operationId = "tickLine", summary = "Bring a line to a state; loading books it out of the yard")
    SheetState tick(@PathVariable UUID id, @PathVariable int line, @RequestBody LineTick tick) {
        return sheets.tick(id, line, tick.state());
    }

    @PostMapping("/load-sheets/{id}/returns")
    @Operation(operationId = "returnLoad", summary = "Book what came back into the yard")
    SheetState bring(@PathVariable UUID id, @RequestBody Returned r) {
        Optional<Double> rest = r.restM().isPresent() ? Optional.of(r.restM().getAsDouble()) : Optional.empty();
        return sheets.bring(id, r.id(), new Ware(r.product(), r.lengthM()), r.pieces(), rest, r.place());
    }

    @PostMapping("/load-sheets/{id}/close")
    @Operation(operationId = "closeLoadSheet", summary = "Close a sheet: what did not come back was used")
    SheetState close(@PathVariable UUID id) {
        return sheets.close(id);
    }

    @GetMapping(value = "/load-sheets/{id}/load-sheet.pdf", produces = "application/pdf")
    @Operation(operationId = "loadSheetPaper", summary = "What to buy, to pick and to load, on paper")
    ResponseEntity<byte[]> paper(@PathVariable UUID id, @RequestParam(defaultValue = "A4") Paper paper) {
        LoadSheet sheet = sheets.find(id);
        return file("load-sheet.pdf", "application/pdf", queue.run(Kind.PAPER, () -> LoadSheetPdf.write(sheet, paper)));
    }

    @GetMapping(value = "/load-sheets/{id}/load-sheet.csv", produces = "text/csv")
    @Operation(operationId = "loadSheetCsv", summary = "A load sheet as CSV")
    ResponseEntity<byte[]> csv(@PathVariable UUID id) {
        return file("load-sheet.csv", "text/csv;charset=UTF-8", LoadSheetTable.csv(sheets.find(id)));
    }

    @GetMapping(value = "/load-sheets/{id}/purchase-list.csv", produces = "text/csv")
    @Operation(operationId = "purchaseListCsv", summary = "What a load sheet takes from suppliers, as CSV")
    ResponseEntity<byte[]> purchase(@PathVariable UUID id) {
        return file("purchase-list.csv", "text/csv;charset=UTF-8", LoadSheetTable.purchaseCsv(sheets.find(id)));
    }

    @GetMapping(
            value = "/load-sheets/{id}/load-sheet.xlsx",
            produces = "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet")
    @Operation(operationId = "loadSheetXlsx", summary = "A load sheet and its purchase list as a workbook")
    ResponseEntity<byte[]> xlsx(@PathVariable UUID id) {
        return file(
                "load-sheet.xlsx",
                "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet",
                LoadSheetTable.xlsx(sheets.find(id)));
    }

    private static ResponseEntity<byte[]> file(String name, String type, byte[] bytes) {
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_TYPE, type)
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + name + "\"")
                .body(bytes);
    }

    @DeleteMapping("/load-sheets/{id}")
    @Operation(operationId = "removeLoadSheet", summary = "Take away a sheet of which nothing is loaded")
    void remove(@PathVariable UUID id) {
        sheets.remove(id);
    }
}
