package buckle.exchange.prices;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import buckle.exchange.prices.PriceTable.Reading;
import buckle.price.BookChange;
import buckle.price.BookChange.Incoming;
import buckle.price.BookChange.Mode;
import buckle.price.PriceBook;
import buckle.price.PriceBook.Item;
import buckle.price.PriceBook.Offer;
import buckle.price.PriceBook.Unit;
import buckle.site.BadInput;
import buckle.site.Problem;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Price lists in and out: what is written is read again, by Buckle and by LibreOffice; what cannot be read is said with row and column. */
class PriceListTest {
    private static final LocalDate TODAY = LocalDate.of(2026, 11, 28);
    private static final String HEADER = "code,description,unit,supplier,pack size,price,date\n";

    @TempDir
    Path folder;

    @Test
    void whatIsWrittenIsReadAgain() {
        PriceBook book = random(new Random(5), 400);
        for (byte[] file : List.of(PriceBookFile.csv(book), PriceBookFile.xlsx(book))) {
            PriceTable table = PriceTable.look(file);
            assertThat(table.guess()).isEqualTo(PriceTable.inOrder());
            List<Incoming> list = PriceTable.read(file, new Reading(table.guess(), DecimalMark.AUTO, TODAY, ""));
            Map<String, Item> read = BookChange.made(Map.of(), BookChange.of(Map.of(), list, Mode.REPLACE));
            assertThat(List.copyOf(read.values())).isEqualTo(book.items());
        }
    }

    /** The workbook as LibreOffice has it, and the CSV as LibreOffice reads and writes it again as a workbook. */
    @Test
    void libreOfficeReadsTheSame() throws Exception {
        PriceBook book = random(new Random(6), 60);
        byte[] csv = PriceBookFile.csv(book);
        Files.write(folder.resolve("book.xlsx"), PriceBookFile.xlsx(book));
        Files.write(folder.resolve("plain.csv"), csv);
        convert("csv:Text - txt - csv (StarCalc):44,34,76,1,,0,false,true,false,false,false,-1", "book.xlsx");
        Path out = Files.list(folder)
                .filter(p -> p.getFileName().toString().startsWith("book")
                        && p.toString().endsWith(".csv"))
                .findFirst()
                .orElseThrow();
        assertThat(read(Files.readAllBytes(out))).isEqualTo(read(csv));
        convert("xlsx", "plain.csv", "--infilter=Text - txt - csv (StarCalc):44,34,76,1");
        List<Incoming> back = read(Files.readAllBytes(folder.resolve("plain.xlsx")));
        List<Incoming> own = read(csv);
        for (int i = 0; i < own.size(); i++) {
            assertThat(back.get(i)).isEqualTo(own.get(i));
        }
    }

    private static List<Incoming> read(byte[] file) {
        return PriceTable.read(file, new Reading(PriceTable.look(file).guess(), DecimalMark.AUTO, TODAY, ""));
    }

    private void convert(String to, String file, String... how) throws IOException, InterruptedException {
        List<String> command = new ArrayList<>(
                List.of("soffice", "-env:UserInstallation=file://" + folder.resolve("profile"), "--headless"));
        command.addAll(List.of(how));
        command.addAll(List.of(
                "--convert-to",
                to,
                "--outdir",
                folder.toString(),
                folder.resolve(file).toString()));
        Process office = new ProcessBuilder(command)
                .redirectErrorStream(true)
                .redirectOutput(folder.resolve("office.log").toFile())
                .start();
        assertThat(office.waitFor(120, TimeUnit.SECONDS)).isTrue();
        assertThat(office.exitValue())
                .as(Files.readString(folder.resolve("office.log")))
                .isZero();
    }

    /** As the house types them; the mark that one number shows holds for all. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "12.50          | 12.5    | 12.5",
                "$ 1,234.50     | 1234.5  | 12.5",
                "'1.234,50 €'   | 1234.5  | '12,5'",
                "1'234.50       | 1234.5  | 12.5",
                "'1 234,5'      | 1234.5  | '12,5'",
                "USD 0.0355     | 0.0355  | 12.5",
                "1,234          | 1234    | 12.5",
                "1.234          | 1234    | '12,5'",
                "1,234,567      | 1234567 | 12.5",
                "0.500          | 0.5     | 0.25",
            })
    void amountsAsPeopleWriteThem(String written, String amount, String beside) {
        String list = HEADER.replace(',', '\t')
                + "A\tone\tpcs\tyard\t1\t" + written + "\t2026-01-02\nB\ttwo\tpcs\tyard\t1\t" + beside
                + "\t2026-01-02\n";
        assertThat(read(bytes(list)).getFirst().offers().getFirst().price()).isEqualByComparingTo(amount);
    }

    /** {@code 1,234} with nothing beside it that tells. */
    @Test
    void anAmountThatCanBeReadTwoWaysIsAskedAbout() {
        byte[] list = bytes(HEADER + "A,one,pcs,yard,1,\"1,234\",2026-01-02\n");
        assertThatThrownBy(() -> read(list)).isInstanceOf(BadInput.class);
        List<Integer> columns = PriceTable.look(list).guess();
        assertThat(PriceTable.read(list, new Reading(columns, DecimalMark.POINT, TODAY, ""))
                        .getFirst()
                        .offers()
                        .getFirst()
                        .price())
                .isEqualByComparingTo("1234");
        assertThat(PriceTable.read(list, new Reading(columns, DecimalMark.COMMA, TODAY, ""))
                        .getFirst()
                        .offers()
                        .getFirst()
                        .price())
                .isEqualByComparingTo("1.234");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "A,one,pcs,yard,1,-3,2026-01-02               | row 2, column “price”     | under zero",
                "A,one,pcs,yard,1,,2026-01-02                 | row 2, column “price”     | missing",
                "A,one,pcs,yard,1,three,2026-01-02            | row 2, column “price”     | no number",
                "A,one,crate,yard,1,3,2026-01-02              | row 2, column “unit”      | no unit",
                "A,one,pcs,yard,0,3,2026-01-02                | row 2                     | more than 0",
                "A,one,pcs,yard,1,3,02/03/2026                | row 2, column “date”      | one way only",
                "A,one,pcs,yard,1,3,2026-02-30                | row 2, column “date”      | one way only",
                "A,one,pcs,,1,3,2026-01-02                    | row 2                     | supplier",
                "' ,one,pcs,yard,1,3,2026-01-02'              | row 2, column “code”      | needs a code",
                "A,one,pcs,yard,1,0.00001,2026-01-02          | row 2                     | four decimals",
                "A,one,pcs,yard,1,99999999,2026-01-02         | row 2                     | 10,000,000",
            })
    void whatCannotBeReadIsSaidWithRowAndColumn(String row, String place, String why) {
        List<Problem> problems = problems(HEADER + row.strip() + "\nB,fine,pcs,yard,1,2.00,2026-01-02\n");
        assertThat(problems).singleElement().satisfies(p -> {
            assertThat(p.path()).isEqualTo(place.strip());
            assertThat(p.message()).contains(why.strip());
        });
    }

    @Test
    void oneCodeIsOneItemAndOnePriceStandsOnce() {
        List<Problem> problems = problems(
                HEADER
                        + "A,one,pcs,yard,1,3,2026-01-02\nA,other,pcs,yard,1,3,2026-01-02\nB,two,m,yard,1,3,2026-01-02\nB,two,m,yard,1,4,2026-01-02\n");
        assertThat(problems)
                .extracting(Problem::message)
                .satisfiesExactlyInAnyOrder(
                        m -> assertThat(m).contains("one code is one item"),
                        m -> assertThat(m).contains("“A” has two prices"),
                        m -> assertThat(m).contains("“B” has two prices"));
        String many = HEADER
                + "X,x,pcs,yard,1,x,2026-01-02\n"
                        .repeat(1)
                        .concat(String.join(
                                "\n",
                                IntStream.range(0, 50)
                                        .mapToObj(i -> "C" + i + ",c,pcs,yard,1,x,2026-01-02")
                                        .toList()));
        assertThat(problems(many))
                .hasSize(21)
                .last()
                .extracting(Problem::message)
                .asString()
                .contains("31 more");
        assertThatThrownBy(() -> read(bytes("name,price\nA,3\n"))).isInstanceOf(BadInput.class);
    }

    @ParameterizedTest
    @ValueSource(strings = {"=1+1", "+cmd", "-2", "@x", "'=kept"})
    void textsThatLookLikeFormulasStayTexts(String text) {
        Item item =
                new Item("K", text, Unit.PCS, "", List.of(), OptionalDouble.empty(), OptionalDouble.empty(), List.of());
        PriceBook book = new PriceBook("USD", List.of(), List.of(item));
        String csv = new String(PriceBookFile.csv(book), StandardCharsets.UTF_8);
        assertThat(csv)
                .doesNotContain(",=")
                .doesNotContain(",+")
                .doesNotContain(",-")
                .doesNotContain(",@");
        if (!text.startsWith("'")) {
            assertThat(read(PriceBookFile.csv(book)).getFirst().description()).contains(text);
            assertThat(read(PriceBookFile.xlsx(book)).getFirst().description()).contains(text);
        }
    }

    /** A workbook with formulas is read by what they came to; one that is none, or unpacks without end, is refused. */
    @Test
    void workbooksThatAreMoreThanTables() throws Exception {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (Workbook workbook = new Workbook(out, "Test", "1.0")) {
            Worksheet sheet = workbook.newWorksheet("x");
            List<String> header = List.of("code", "supplier", "price", "date");
            for (int i = 0; i < header.size(); i++) {
                sheet.value(0, i, header.get(i));
            }
            sheet.value(1, 0, "A");
            sheet.value(1, 1, "yard");
            sheet.formula(1, 2, "2*3.25");
            sheet.value(1, 3, LocalDate.of(2026, 3, 2));
            sheet.style(1, 3).format("yyyy-mm-dd").set();
        }
        Files.write(folder.resolve("formula.xlsx"), out.toByteArray());
        convert("ods", "formula.xlsx");
        Files.delete(folder.resolve("formula.xlsx"));
        convert("xlsx", "formula.ods");
        Offer offer = read(Files.readAllBytes(folder.resolve("formula.xlsx")))
                .getFirst()
                .offers()
                .getFirst();
        assertThat(offer.price()).isEqualByComparingTo("6.5");
        assertThat(offer.date()).isEqualTo(LocalDate.of(2026, 3, 2));

        assertThatThrownBy(() -> PriceTable.look(bytes("PK\u0003\u0004 nothing")))
                .isInstanceOf(BadInput.class);
        ByteArrayOutputStream bomb = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bomb)) {
            zip.putNextEntry(new ZipEntry("xl/worksheets/sheet1.xml"));
            byte[] zeros = new byte[1 << 20];
            for (int i = 0; i < 401; i++) {
                zip.write(zeros);
            }
        }
        assertThatThrownBy(() -> PriceTable.look(bomb.toByteArray()))
                .isInstanceOfSatisfying(
                        BadInput.class,
                        e -> assertThat(e.problems().getFirst().code()).isEqualTo("price.too-large"));
    }

    /** A supplier's new list: his prices change, the others' stay, what he does not name stays or goes as asked. */
    @Test
    void aListChangesWhatItNames() {
        Map<String, Item> book = new LinkedHashMap<>();
        for (String code : List.of("A", "B")) {
            book.put(
                    code,
                    new Item(
                            code,
                            "item " + code,
                            Unit.PCS,
                            "strainer",
                            List.of(),
                            OptionalDouble.of(0.4),
                            OptionalDouble.empty(),
                            List.of(offer("yard", "3.00"), offer("mill", "2.50"))));
        }
        List<Incoming> list = read(bytes("code,supplier,price,date\nA,yard,3.20,2026-10-01\nC,yard,1.00,2026-10-01\n"));
        List<BookChange> merge = BookChange.of(book, list, Mode.MERGE);
        assertThat(merge).extracting(BookChange::code).containsExactly("A", "C");
        assertThat(merge.getFirst().fields())
                .containsExactly(new BookChange.Field("yard, pack of 1", "3 2026-01-02", "3.2 2026-10-01"));
        Item after = BookChange.made(book, merge).get("A");
        assertThat(after.description()).isEqualTo("item A");
        assertThat(after.offers()).extracting(Offer::supplier).containsExactly("mill", "yard");
        assertThat(BookChange.of(book, list, Mode.REPLACE))
                .extracting(c -> c.code() + (c.after().isEmpty() ? " goes" : ""))
                .containsExactly("A", "C", "B goes");
        assertThat(BookChange.of(BookChange.made(book, merge), list, Mode.MERGE))
                .isEmpty();
    }

    private static Offer offer(String supplier, String price) {
        return new Offer(supplier, "pack", BigDecimal.ONE, new BigDecimal(price), "", 1, LocalDate.of(2026, 1, 2), "");
    }

    private static List<Problem> problems(String list) {
        try {
            read(bytes(list));
            return List.of();
        } catch (BadInput e) {
            return e.problems();
        }
    }

    private static PriceBook random(Random random, int count) {
        List<Item> items = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            List<Offer> offers = new ArrayList<>();
            for (int k = random.nextInt(4); k > 0; k--) {
                offers.add(new Offer(
                        "Supplier " + k,
                        random.nextBoolean() ? "coil, “large”" : "pack",
                        BigDecimal.valueOf(1 + random.nextInt(1000)).stripTrailingZeros(),
                        BigDecimal.valueOf(random.nextInt(1_000_000), 2).stripTrailingZeros(),
                        random.nextInt(9) == 0 ? "EUR" : "",
                        1 + random.nextInt(5),
                        TODAY.minusDays(random.nextInt(900)),
                        random.nextBoolean() ? "goods" : ""));
            }
            items.add(new Item(
                    "K-" + i,
                    "Thing, no. " + i + (i % 7 == 0 ? " \"quoted\" =x" : ""),
                    Unit.values()[random.nextInt(3)],
                    i % 2 == 0 ? "strainer" : "",
                    i % 5 == 0 ? List.of("a.b", "c.d") : List.of(),
                    i % 3 == 0 ? OptionalDouble.of(0.25 * i) : OptionalDouble.empty(),
                    i % 4 == 0 ? OptionalDouble.of(20) : OptionalDouble.empty(),
                    offers));
        }
        return new PriceBook("USD", List.of(), items);
    }

    private static byte[] bytes(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }
}
