package buckle.exchange;

import buckle.design.Design;
import buckle.exchange.job.JobFile;
import buckle.exchange.job.JobFileReader;
import buckle.exchange.prices.DecimalMark;
import buckle.exchange.prices.PriceTable;
import buckle.price.BookChange;
import buckle.price.PriceBook;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;

/** What the demo ships with, and the office program that reads what Buckle writes. */
public final class Demo {
    public static final LocalDate DAY = LocalDate.of(2026, 11, 28);
    private static final Path FOLDER = Path.of("..", "demo");

    private Demo() {}

    /** Its price book. */
    public static PriceBook book() throws IOException {
        byte[] csv = Files.readAllBytes(FOLDER.resolve("price-book.csv"));
        List<BookChange.Incoming> list = PriceTable.read(
                csv, new PriceTable.Reading(PriceTable.look(csv).guess(), DecimalMark.POINT, DAY, "USD"));
        return new PriceBook(
                "USD",
                List.of(),
                List.copyOf(BookChange.made(Map.of(), BookChange.of(Map.of(), list, BookChange.Mode.REPLACE))
                        .values()));
    }

    /** Its orchard ring, laid out. */
    public static Design ring() throws IOException {
        JobFile job = JobFileReader.read(Json.parse(Files.readAllBytes(FOLDER.resolve("orchard-ring.geojson"))));
        return Design.of(job.plan(), job.around());
    }

    /** A workbook recalculated by LibreOffice, sheet by sheet as CSV in the folder. */
    public static void recalculated(Path folder, String workbook) throws IOException, InterruptedException {
        Process office = new ProcessBuilder(
                        "soffice",
                        "-env:UserInstallation=file://" + folder.resolve("profile"),
                        "--headless",
                        "--convert-to",
                        "csv:Text - txt - csv (StarCalc):44,34,76,1,,0,false,true,false,false,false,-1",
                        "--outdir",
                        folder.toString(),
                        folder.resolve(workbook).toString())
                .redirectErrorStream(true)
                .redirectOutput(folder.resolve("office.log").toFile())
                .start();
        if (!office.waitFor(120, TimeUnit.SECONDS)) {
            office.destroyForcibly();
            throw new IllegalStateException("LibreOffice did not come to an end");
        }
    }
}
