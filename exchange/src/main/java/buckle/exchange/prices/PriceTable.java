package buckle.exchange.prices;

import buckle.price.BookChange.Incoming;
import buckle.price.BookCheck;
import buckle.price.PriceBook.Item;
import buckle.price.PriceBook.Offer;
import buckle.price.PriceBook.Unit;
import buckle.site.BadInput;
import buckle.site.Problem;
import java.math.BigDecimal;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;

/**
 * A list of prices, whatever its columns are called: one row a price, an item with several prices has several rows.
 *
 * @param sample the first rows
 * @param guess index of each {@link Column}, in their order, −1 for none
 */
public record PriceTable(List<String> columns, List<List<String>> sample, int rowCount, List<Integer> guess) {
    private static final int SAMPLE = 8;
    private static final int MOST_PROBLEMS = 20;
    private static final Pattern DOTTED = Pattern.compile("(\\d{1,2})\\.(\\d{1,2})\\.(\\d{4})");
    private static final Pattern SLASHED = Pattern.compile("(\\d{1,2})/(\\d{1,2})/(\\d{4})");
    /** A workbook counts days, from 1955 to 2119 here. */
    private static final Pattern SERIAL = Pattern.compile("[2-7]\\d{4}(\\.\\d+)?");

    private static final LocalDate DAY_ZERO = LocalDate.of(1899, 12, 30);
    private static final int MONTHS = 12;

    public PriceTable {
        columns = List.copyOf(columns);
        sample = List.copyOf(sample);
        guess = List.copyOf(guess);
    }

    /**
     * How a list is to be read.
     *
     * @param today of prices that name no date, {@code currency} of those that name none
     */
    public record Reading(List<Integer> columns, DecimalMark decimal, LocalDate today, String currency) {
        public Reading {
            columns = List.copyOf(columns);
            if (columns.size() != Column.values().length || columns.stream().anyMatch(c -> c < -1)) {
                throw new BadInput(
                        "price.columns",
                        "columns",
                        "Say of each of the " + Column.values().length + " fields which column it is, −1 for none.");
            }
        }
    }

    /** What a file seems to be. */
    public static PriceTable look(byte[] bytes) {
        SheetRows rows = SheetRows.of(bytes);
        return new PriceTable(
                rows.header(),
                rows.lines().stream().limit(SAMPLE).map(SheetRows.Line::cells).toList(),
                rows.lines().size(),
                Arrays.stream(Column.values()).map(c -> c.in(rows.header())).toList());
    }

    /**
     * Its items.
     *
     * @throws BadInput with row and column, when anything of it cannot be read: all is taken or nothing
     */
    public static List<Incoming> read(byte[] bytes, Reading how) {
        SheetRows rows = SheetRows.of(bytes);
        return new Reader(rows, how).read();
    }

    private static final class Reader {
        private final SheetRows rows;
        private final Reading how;
        private final DecimalMark decimal;
        private final List<Problem> problems = new ArrayList<>();
        private int more;

        Reader(SheetRows rows, Reading how) {
            this.rows = rows;
            this.how = how;
            this.decimal = rows.decimalPoint() ? DecimalMark.POINT : decimal();
            if (at(Column.CODE) < 0) {
                throw new BadInput("price.columns", "columns", "Say which column holds the code of an item.");
            }
        }

        private int at(Column column) {
            return how.columns().get(column.ordinal());
        }

        private String cell(SheetRows.Line line, Column column) {
            return line.cell(at(column));
        }

        /** As said; else the mark that some number of the list shows, and a point when none has any. */
        private DecimalMark decimal() {
            if (how.decimal() != DecimalMark.AUTO) {
                return how.decimal();
            }
            DecimalMark found = DecimalMark.AUTO;
            boolean open = false;
            for (SheetRows.Line line : rows.lines()) {
                for (Column c : List.of(Column.PRICE, Column.PACK_SIZE, Column.UNIT_KG, Column.LIFE_YEARS)) {
                    DecimalMark shown = Numbers.shown(cell(line, c));
                    open |= Numbers.ambiguous(cell(line, c));
                    if (shown != DecimalMark.AUTO && found != DecimalMark.AUTO && shown != found) {
                        throw new BadInput(
                                "price.decimal",
                                "row " + line.number(),
                                "“" + cell(line, c)
                                        + "” has another decimal mark than the rows before. Say which one the list uses.");
                    }
                    found = shown == DecimalMark.AUTO ? found : shown;
                }
            }
            if (found == DecimalMark.AUTO && open) {
                throw new BadInput(
                        "price.decimal",
                        "file",
                        "“1,234” can be a thousand or hardly more than one, and no number here tells. Say which mark stands before decimals.");
            }
            return found == DecimalMark.AUTO ? DecimalMark.POINT : found;
        }

        List<Incoming> read() {
            Map<String, List<SheetRows.Line>> items = new LinkedHashMap<>();
            for (SheetRows.Line line : rows.lines()) {
                String code = cell(line, Column.CODE);
                if (code.isBlank()) {
                    problem(line, Column.CODE, "An item needs a code.");
                } else {
                    items.computeIfAbsent(code, k -> new ArrayList<>()).add(line);
                }
            }
            List<Incoming> all = new ArrayList<>();
            items.forEach((code, lines) -> all.add(item(code, lines)));
            if (!problems.isEmpty()) {
                if (more > 0) {
                    problems.add(new Problem("price.more", "file", more + " more rows have problems like these."));
                }
                throw new BadInput(problems);
            }
            return all;
        }

        private Incoming item(String code, List<SheetRows.Line> lines) {
            SheetRows.Line first = lines.getFirst();
            for (SheetRows.Line line : lines) {
                for (Column c : List.of(Column.DESCRIPTION, Column.UNIT, Column.PRODUCT)) {
                    if (!cell(line, c).isBlank() && !cell(line, c).equals(cell(first, c))) {
                        problem(
                                line,
                                c,
                                "“" + code + "” stands in row " + first.number() + " as “" + cell(first, c)
                                        + "”: one code is one item.");
                    }
                }
            }
            List<Offer> offers = new ArrayList<>();
            for (SheetRows.Line line : lines) {
                if (!cell(line, Column.PRICE).isBlank()
                        || !cell(line, Column.SUPPLIER).isBlank()) {
                    offer(line).ifPresent(offers::add);
                }
            }
            Incoming incoming = new Incoming(
                    code,
                    mapped(first, Column.DESCRIPTION),
                    mapped(first, Column.UNIT).map(u -> unit(first, u)),
                    mapped(first, Column.PRODUCT),
                    mapped(first, Column.SUBSTITUTE_FOR)
                            .map(s -> Arrays.stream(s.split("[\\s;]+"))
                                    .filter(p -> !p.isBlank())
                                    .toList()),
                    number(first, Column.UNIT_KG),
                    number(first, Column.LIFE_YEARS),
                    offers);
            checked(incoming, first);
            return incoming;
        }

        private void checked(Incoming in, SheetRows.Line first) {
            Item item = new Item(
                    in.code(),
                    in.description().orElse(""),
                    in.unit().orElse(Unit.PCS),
                    in.product().orElse(""),
                    in.substituteFor().orElse(List.of()),
                    in.unitKg(),
                    in.lifeYears(),
                    in.offers());
            BookCheck.problems(item, "row " + first.number()).forEach(this::add);
        }

        private Optional<String> mapped(SheetRows.Line line, Column column) {
            return at(column) < 0 ? Optional.empty() : Optional.of(cell(line, column));
        }

        private Unit unit(SheetRows.Line line, String text) {
            return switch (text.toLowerCase(Locale.ROOT).replace(".", "")) {
                case "", "pcs", "pc", "piece", "pieces", "each", "ea" -> Unit.PCS;
                case "m", "metre", "metres", "meter", "meters" -> Unit.M;
                case "ft", "foot", "feet" -> Unit.FT;
                default -> {
                    problem(line, Column.UNIT, "“" + text + "” is no unit: pcs, m or ft.");
                    yield Unit.PCS;
                }
            };
        }

        private Optional<Offer> offer(SheetRows.Line line) {
            if (cell(line, Column.PRICE).isBlank()) {
                problem(line, Column.PRICE, "The price is missing.");
                return Optional.empty();
            }
            Optional<BigDecimal> price = decimal(line, Column.PRICE);
            Optional<BigDecimal> size = cell(line, Column.PACK_SIZE).isBlank()
                    ? Optional.of(BigDecimal.ONE)
                    : decimal(line, Column.PACK_SIZE);
            Optional<LocalDate> date = date(line);
            Optional<Integer> from = cell(line, Column.FROM_PACKS).isBlank()
                    ? Optional.of(1)
                    : decimal(line, Column.FROM_PACKS).flatMap(n -> whole(line, n));
            if (price.isEmpty() || size.isEmpty() || date.isEmpty() || from.isEmpty()) {
                return Optional.empty();
            }
            String pack = cell(line, Column.PACK);
            return Optional.of(new Offer(
                    cell(line, Column.SUPPLIER),
                    pack.isBlank() ? "pack" : pack,
                    size.get(),
                    price.get(),
                    cell(line, Column.CURRENCY).isBlank()
                            ? how.currency()
                            : cell(line, Column.CURRENCY).toUpperCase(Locale.ROOT),
                    from.get(),
                    date.get(),
                    cell(line, Column.TAX_CLASS)));
        }

        private Optional<Integer> whole(SheetRows.Line line, BigDecimal n) {
            try {
                return Optional.of(n.intValueExact());
            } catch (ArithmeticException e) {
                problem(
                        line,
                        Column.FROM_PACKS,
                        "“" + cell(line, Column.FROM_PACKS) + "” is no whole number of packs.");
                return Optional.empty();
            }
        }

        private OptionalDouble number(SheetRows.Line line, Column column) {
            if (cell(line, column).isBlank()) {
                return OptionalDouble.empty();
            }
            return decimal(line, column)
                    .map(n -> OptionalDouble.of(n.doubleValue()))
                    .orElse(OptionalDouble.empty());
        }

        private Optional<BigDecimal> decimal(SheetRows.Line line, Column column) {
            Optional<BigDecimal> value = Numbers.read(cell(line, column), decimal);
            if (value.isEmpty()) {
                problem(line, column, "“" + cell(line, column) + "” is no number.");
            } else if (value.get().signum() < 0) {
                problem(line, column, "“" + cell(line, column) + "” is under zero.");
                return Optional.empty();
            }
            return value;
        }

        private Optional<LocalDate> date(SheetRows.Line line) {
            String text = cell(line, Column.DATE);
            if (text.isBlank()) {
                return Optional.of(how.today());
            }
            Optional<LocalDate> date =
                    rows.decimalPoint() && SERIAL.matcher(text).matches()
                            ? Optional.of(DAY_ZERO.plusDays((long) Double.parseDouble(text)))
                            : parsed(text);
            if (date.isEmpty()) {
                problem(
                        line,
                        Column.DATE,
                        "“" + text + "” is no date that can be read one way only: write it as 2026-11-30.");
            }
            return date;
        }

        private static Optional<LocalDate> parsed(String text) {
            try {
                Matcher dotted = DOTTED.matcher(text);
                if (dotted.matches()) {
                    return Optional.of(LocalDate.of(
                            Integer.parseInt(dotted.group(3)),
                            Integer.parseInt(dotted.group(2)),
                            Integer.parseInt(dotted.group(1))));
                }
                Matcher slashed = SLASHED.matcher(text);
                if (slashed.matches()) {
                    int one = Integer.parseInt(slashed.group(1));
                    int two = Integer.parseInt(slashed.group(2));
                    int year = Integer.parseInt(slashed.group(3));
                    return two > MONTHS || one == two
                            ? Optional.of(LocalDate.of(year, one, two))
                            : one > MONTHS ? Optional.of(LocalDate.of(year, two, one)) : Optional.empty();
                }
                return Optional.of(LocalDate.parse(text.length() > 10 ? text.substring(0, 10) : text));
            } catch (DateTimeException e) {
                return Optional.empty();
            }
        }

        private void problem(SheetRows.Line line, Column column, String message) {
            int at = at(column);
            String name = at >= 0 && at < rows.header().size() ? rows.header().get(at) : column.header();
            add(new Problem("price.cell", "row " + line.number() + ", column “" + name + "”", message));
        }

        private void add(Problem problem) {
            if (problems.size() < MOST_PROBLEMS) {
                problems.add(problem);
            } else {
                more++;
            }
        }
    }

    /** Columns in the order of {@link Column}, when a file has Buckle's own headers. */
    public static List<Integer> inOrder() {
        return IntStream.range(0, Column.values().length).boxed().toList();
    }
}
