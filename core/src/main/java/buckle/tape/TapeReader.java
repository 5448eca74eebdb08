package buckle.tape;

import buckle.rulebook.Values;
import buckle.site.BadInput;
import buckle.site.Problem;
import buckle.units.Lengths;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Reads a book's rows into observations between numbered points, or says row by row what is wrong. */
final class TapeReader {
    static final int MOST_POINTS = 200;
    static final int MOST_ROWS = 2000;
    private static final double LONGEST_M = 20_000;
    private static final Pattern PACES = Pattern.compile("^(\\d+(?:[.,]\\d+)?)\\s*(?:p|pace|paces|step|steps)$");
    /** A note such as “along front”, where front is the note of another row, or “along A–B”. */
    private static final Pattern ALONG = Pattern.compile("\\balong\\s+(?:the\\s+)?(.+)$");

    private final TapeBook book;
    private final Map<String, Integer> numbers = new LinkedHashMap<>();
    private final List<Observation> observations = new ArrayList<>();
    private final List<Problem> problems = new ArrayList<>();
    private final List<Double> measuredM = new ArrayList<>();

    TapeReader(TapeBook book) {
        this.book = book;
    }

    TapeReader read() {
        if (book.rows().size() > MOST_ROWS) {
            throw new BadInput("tape.too-many", "rows", "A tape book holds at most 2,000 rows.");
        }
        Map<String, TapeRow> byNote = new HashMap<>();
        for (TapeRow row : book.rows()) {
            name(row.from());
            name(row.to());
            if (!row.note().isBlank()) {
                byNote.putIfAbsent(row.note().strip().toLowerCase(Locale.ROOT), row);
            }
        }
        for (int i = 0; i < book.rows().size(); i++) {
            row(i, book.rows().get(i), byNote);
        }
        if (numbers.size() > MOST_POINTS) {
            problems.add(new Problem("tape.too-many", "rows", "A tape book holds at most 200 points."));
        }
        if (!problems.isEmpty()) {
            throw new BadInput(problems);
        }
        return this;
    }

    List<String> names() {
        return List.copyOf(numbers.keySet());
    }

    List<Observation> observations() {
        return observations;
    }

    double measuredM(int row) {
        return measuredM.get(row);
    }

    private void name(String point) {
        if (!point.isBlank()) {
            numbers.putIfAbsent(point.strip(), numbers.size());
        }
    }

    private void row(int i, TapeRow row, Map<String, TapeRow> byNote) {
        measuredM.add(0.0);
        String path = "rows[" + i + "]";
        if (row.from().isBlank() || row.to().isBlank()) {
            problem("tape.point", path, "Row " + (i + 1) + " names only one point; say from where to where.");
            return;
        }
        if (row.from().strip().equals(row.to().strip())) {
            problem(
                    "tape.point",
                    path,
                    "Row " + (i + 1) + " measures from " + row.from().strip() + " to itself.");
            return;
        }
        boolean paced =
                PACES.matcher(row.length().strip().toLowerCase(Locale.ROOT)).matches();
        OptionalDouble length = lengthM(row.length());
        if (length.isEmpty()) {
            problem(
                    "tape.length",
                    path + ".length",
                    "Row " + (i + 1) + ", " + row.title() + ": “" + row.length()
                            + "” is not a length. Write 84 ft 6 in, 25.76 m or 24 p for paces.");
            return;
        }
        double d = length.getAsDouble();
        if (!(d > 0 && d <= LONGEST_M)) {
            problem(
                    "tape.length",
                    path + ".length",
                    "Row " + (i + 1) + ", " + row.title() + ": a distance lies above zero and under 20 km.");
            return;
        }
        measuredM.set(i, d);
        double sigma = paced ? Values.q2PaceSigmaM(d) : Values.q2TapeSigmaM(d);
        int from = number(row.from());
        int to = number(row.to());
        String towards =
                row.towards().isBlank() ? fromNote(row, byNote) : row.towards().strip();
        if (towards.isEmpty()) {
            observations.add(new Observation(i, Observation.Kind.DISTANCE, from, to, -1, d, sigma));
            return;
        }
        along(i, row, path, towards, d, sigma);
    }

    private void along(int i, TapeRow row, String path, String towards, double d, double sigma) {
        Integer third = numbers.get(towards);
        if (third == null
                || towards.equals(row.to().strip())
                || towards.equals(row.from().strip())) {
            problem(
                    "tape.unknown",
                    path + ".towards",
                    "Row " + (i + 1) + ", " + row.title() + ": no other row knows a point “" + towards
                            + "” to go towards.");
            return;
        }
        String text = row.offset().strip();
        boolean left = text.startsWith("-") || text.startsWith("−");
        OptionalDouble off = text.isEmpty() ? OptionalDouble.of(0) : lengthM(left ? text.substring(1) : text);
        if (off.isEmpty()) {
            problem(
                    "tape.length",
                    path + ".offset",
                    "Row " + (i + 1) + ", " + row.title() + ": the offset “" + row.offset() + "” is not a length.");
            return;
        }
        double right = left ? -off.getAsDouble() : off.getAsDouble();
        int from = number(row.from());
        int to = number(row.to());
        observations.add(new Observation(i, Observation.Kind.ALONG, from, to, third, d, sigma));
        observations.add(new Observation(i, Observation.Kind.OFF, from, to, third, right, Values.Q2_OFFSET_SIGMA_M));
    }

    private int number(String point) {
        return numbers.getOrDefault(point.strip(), -1);
    }

    private OptionalDouble lengthM(String text) {
        Matcher paces = PACES.matcher(text.strip().toLowerCase(Locale.ROOT));
        return paces.matches()
                ? OptionalDouble.of(Double.parseDouble(paces.group(1).replace(',', '.')) * book.stepM())
                : Lengths.parseM(text, book.units());
    }

    /** “gate post from A along front”: towards the far end of the row that is called front. */
    private String fromNote(TapeRow row, Map<String, TapeRow> byNote) {
        Matcher along = ALONG.matcher(row.note().strip().toLowerCase(Locale.ROOT));
        if (!along.find()) {
            return "";
        }
        TapeRow side = byNote.get(along.group(1).strip());
        if (side == null || side == row) {
            return "";
        }
        String from = row.from().strip();
        return from.equals(side.from().strip())
                ? side.to().strip()
                : from.equals(side.to().strip()) ? side.from().strip() : "";
    }

    private void problem(String code, String path, String message) {
        problems.add(new Problem(code, path, message));
    }
}
