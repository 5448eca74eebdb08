package buckle.tape;

import buckle.rulebook.Values;
import buckle.site.GeoPoint;
import buckle.site.LocalPlane;
import buckle.site.PlanePoint;
import buckle.tape.TapeResult.RowResult;
import buckle.tape.TapeResult.TapePoint;
import buckle.tape.TapeResult.Verdict;
import buckle.tape.TapeResult.Verdict.Kind;
import buckle.task.Cancellation;
import buckle.units.Lengths;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

/** Adjusts a tape book and says how far it can be trusted, which measure to doubt and what to tape next. */
public final class TapeAdjuster {
    private static final double CHECKED = 0.001;
    /** Squared residuals by their sigmas, a measure: a sheet that comes out so lies on a wrong side somewhere. */
    private static final double HOPELESS = 100;

    private static final int MOST_STARTS = 30;
    private static final double SAME_TEST = 0.995;

    private final TapeBook book;
    private final TapeReader reader;
    private final List<String> names;
    private final List<Verdict> verdicts = new ArrayList<>();

    private TapeAdjuster(TapeBook book) {
        this.book = book;
        this.reader = new TapeReader(book).read();
        this.names = reader.names();
    }

    /**
     * Adjusts a book.
     *
     * @throws buckle.site.BadInput when a row cannot be read
     */
    public static TapeResult adjust(TapeBook book) {
        return new TapeAdjuster(book).adjust();
    }

    private TapeResult adjust() {
        Placer placer = new Placer(names.size(), reader.observations()).place();
        List<Observation> used = reader.observations().stream()
                .filter(o ->
                        placer.placed(o.from()) && placer.placed(o.to()) && (o.third() < 0 || placer.placed(o.third())))
                .toList();
        triangles();
        unplaced(placer);
        if (placer.second() < 0) {
            return new TapeResult(List.of(), rows(null, used, 1), 0, OptionalDouble.empty(), verdicts);
        }
        Network2d network = solve(used, placer);
        int placed = (int) java.util.stream.IntStream.range(0, names.size())
                .filter(placer::placed)
                .count();
        int spare = used.size() - (2 * placed - 3);
        double scale = spare > 0 ? Math.sqrt(network.cost() / spare) : 1;
        OptionalDouble typical = spare > 0
                ? OptionalDouble.of(Math.sqrt(used.stream()
                                .mapToDouble(o -> Math.pow(o.valueM() - o.of(network.xy()), 2))
                                .sum()
                        / spare))
                : OptionalDouble.empty();
        List<RowResult> rows = rows(network, used, spare);
        judge(network, used, spare, rows, placer);
        return new TapeResult(points(network, placer, Math.max(1, scale)), rows, Math.max(0, spare), typical, verdicts);
    }

    /** From the first places; when that does not fit at all, also with one point or another on its other side. */
    private Network2d solve(List<Observation> used, Placer placer) {
        Network2d best = new Network2d(used, placer.xy(), free(placer)).solve();
        List<double[]> others = placer.otherStarts();
        for (double[] start : others.subList(0, Math.min(MOST_STARTS, others.size()))) {
            Cancellation.check();
            if (best.cost() <= HOPELESS * used.size()) {
                break;
            }
            Network2d tried = new Network2d(used, start, free(placer)).solve();
            best = tried.cost() < best.cost() ? tried : best;
        }
        return best;
    }

    private boolean[] free(Placer placer) {
        boolean[] free = new boolean[2 * names.size()];
        for (int i = 0; i < names.size(); i++) {
            boolean moves = placer.placed(i) && i != placer.first();
            free[2 * i] = moves;
            free[2 * i + 1] = moves && i != placer.second();
        }
        return free;
    }

    private List<TapePoint> points(Network2d network, Placer placer, double scale) {
        LocalPlane plane = book.place().map(p -> new LocalPlane(p.at())).orElse(null);
        double turn = book.place().map(p -> Math.toRadians(90 - p.bearingDeg())).orElse(0.0);
        List<TapePoint> points = new ArrayList<>();
        for (int i = 0; i < names.size(); i++) {
            if (placer.placed(i)) {
                double x = network.xy()[2 * i];
                double y = (book.mirrored() ? -1 : 1) * network.xy()[2 * i + 1];
                double east = x * Math.cos(turn) - y * Math.sin(turn);
                double north = x * Math.sin(turn) + y * Math.cos(turn);
                Optional<GeoPoint> at =
                        plane == null ? Optional.empty() : Optional.of(plane.toGeo(new PlanePoint(east, north)));
                double sigma = scale * Math.sqrt(network.variance(2 * i) + network.variance(2 * i + 1));
                points.add(new TapePoint(names.get(i), east, north, sigma, at));
            }
        }
        return points;
    }

    private List<RowResult> rows(
            @org.jspecify.annotations.Nullable Network2d network, List<Observation> used, int spare) {
        List<RowResult> rows = new ArrayList<>();
        for (int i = 0; i < book.rows().size(); i++) {
            int row = i;
            Optional<Observation> main = used.stream()
                    .filter(o -> o.row() == row && o.kind() != Observation.Kind.OFF)
                    .findFirst();
            if (network == null || main.isEmpty()) {
                rows.add(new RowResult(
                        i,
                        reader.measuredM(i),
                        OptionalDouble.empty(),
                        OptionalDouble.empty(),
                        OptionalDouble.empty()));
                continue;
            }
            Observation o = main.get();
            double adjusted = o.of(network.xy());
            double residual = adjusted - o.valueM();
            double redundancy = spare > 0 ? network.redundancy(o) : 0;
            boolean checked = redundancy > CHECKED;
            rows.add(new RowResult(
                    i,
                    o.valueM(),
                    OptionalDouble.of(adjusted),
                    checked ? OptionalDouble.of(o.valueM() + residual / redundancy) : OptionalDouble.empty(),
                    checked
                            ? OptionalDouble.of(Math.abs(residual) / (o.sigmaM() * Math.sqrt(redundancy)))
                            : OptionalDouble.empty()));
        }
        return rows;
    }

    /** Three distances of a triangle where one is longer than the other two together. */
    private void triangles() {
        List<Observation> distances = reader.observations().stream()
                .filter(o -> o.kind() == Observation.Kind.DISTANCE)
                .toList();
        Map<Long, Observation> between = new HashMap<>();
        distances.forEach(o -> between.put(pair(o.from(), o.to()), o));
        for (Observation c : distances) {
            for (int corner = 0; corner < names.size(); corner++) {
                Observation a = between.get(pair(c.from(), corner));
                Observation b = between.get(pair(corner, c.to()));
                if (a == null || b == null || a == c || b == c) {
                    continue;
                }
                double slack = 3 * (a.sigmaM() + b.sigmaM() + c.sigmaM());
                if (c.valueM() > a.valueM() + b.valueM() + slack) {
                    verdicts.add(new Verdict(
                            Kind.WRONG,
                            title(c) + " at " + text(c.valueM()) + " is longer than " + title(a) + " and " + title(b)
                                    + " together (" + text(a.valueM() + b.valueM())
                                    + "): one of the three is wrong."));
                    return;
                }
            }
        }
    }

    private static long pair(int a, int b) {
        return ((long) Math.min(a, b) << 32) | Math.max(a, b);
    }

    private static boolean touches(Observation o, int point) {
        return o.from() == point || o.to() == point;
    }

    private void unplaced(Placer placer) {
        for (int i = 0; i < names.size(); i++) {
            if (placer.placed(i)) {
                continue;
            }
            int point = i;
            List<Observation> to = reader.observations().stream()
                    .filter(o -> touches(o, point) && o.kind() == Observation.Kind.DISTANCE)
                    .toList();
            String reach = to.size() == 1
                    ? " has one measure only (" + title(to.getFirst()) + ")"
                    : " is not tied to points that are placed";
            verdicts.add(new Verdict(
                    Kind.WRONG,
                    names.get(i) + reach
                            + " and cannot be placed: tape it from a second point, or say along which side it lies."));
        }
    }

    private void judge(Network2d network, List<Observation> used, int spare, List<RowResult> rows, Placer placer) {
        if (spare <= 0) {
            verdicts.add(new Verdict(
                    Kind.NEXT,
                    "No measure to spare: nothing checks anything yet. "
                            + next(network, used, placer).orElse("Tape one more diagonal.")));
        } else {
            suspects(network, used, spare, rows, placer);
        }
        for (int i : placer.eitherSide()) {
            verdicts.add(new Verdict(
                    Kind.NOTE,
                    names.get(i)
                            + " could lie on either side of its two measures; it was put where there is more room. "
                            + "A third measure decides."));
        }
        verdicts.add(new Verdict(
                Kind.NOTE,
                "A tape does not tell left from right: the sheet is drawn "
                        + (book.mirrored()
                                ? "mirrored"
                                : "with the first point off " + names.get(placer.first()) + "–"
                                        + names.get(placer.second()) + " to the left")
                        + ". Mirror it if the ground says otherwise."));
    }

    private void suspects(Network2d network, List<Observation> used, int spare, List<RowResult> rows, Placer placer) {
        List<RowResult> doubted = rows.stream()
                .filter(r -> r.doubt().isPresent())
                .sorted(Comparator.comparingDouble((RowResult r) -> -r.doubt().getAsDouble()))
                .toList();
        if (doubted.isEmpty() || doubted.getFirst().doubt().getAsDouble() < Values.Q2_SUSPICIOUS_SIGMAS) {
            verdicts.add(new Verdict(
                    Kind.GOOD,
                    "All measures agree as well as a tape does: "
                            + (doubted.isEmpty()
                                    ? "none is far off."
                                    : "the worst, " + title(doubted.getFirst()) + ", is "
                                            + text(offM(doubted.getFirst()))
                                            + " from what the others imply.")));
            if (spare == 1) {
                verdicts.add(new Verdict(
                        Kind.NOTE,
                        "With one measure to spare an error shows, but not where it is. "
                                + next(network, used, placer).orElse("Tape one more tie.")));
            }
            return;
        }
        RowResult worst = doubted.getFirst();
        List<RowResult> alike = doubted.stream()
                .filter(r -> r != worst && alike(network, used, worst, r))
                .toList();
        if (alike.isEmpty()) {
            verdicts.add(new Verdict(Kind.SUSPECT, sentence(worst) + " than all the others imply; measure it again."));
        } else {
            List<String> all = new ArrayList<>(List.of(title(worst)));
            alike.forEach(r -> all.add(title(r)));
            verdicts.add(new Verdict(
                    Kind.SUSPECT,
                    sentence(worst) + " than the others imply, but the error may as well be in "
                            + String.join(", ", all.subList(1, all.size()))
                            + ": these measures show that there is one, not where."));
            verdicts.add(
                    new Verdict(Kind.NEXT, next(network, used, placer).orElse("Measure " + title(worst) + " again.")));
        }
    }

    /** Two measures whose doubts always rise and fall together: one cannot be told from the other. */
    private static boolean alike(Network2d network, List<Observation> used, RowResult one, RowResult two) {
        Observation a = main(used, one.row());
        Observation b = main(used, two.row());
        double shared = network.residualCofactor(a, b);
        return Math.abs(shared)
                > SAME_TEST * Math.sqrt(network.residualCofactor(a, a) * network.residualCofactor(b, b));
    }

    private static Observation main(List<Observation> used, int row) {
        return used.stream()
                .filter(o -> o.row() == row && o.kind() != Observation.Kind.OFF)
                .findFirst()
                .orElseThrow();
    }

    /** The tie not yet taped after which the measures tell each other apart best. */
    private Optional<String> next(Network2d network, List<Observation> used, Placer placer) {
        List<Observation> candidates = new ArrayList<>();
        double[] xy = network.xy();
        for (int i = 0; i < names.size(); i++) {
            for (int j = i + 1; j < names.size(); j++) {
                int a = i;
                int b = j;
                if (placer.placed(i)
                        && placer.placed(j)
                        && used.stream().noneMatch(o -> touches(o, a) && touches(o, b))) {
                    double d = Math.hypot(xy[2 * j] - xy[2 * i], xy[2 * j + 1] - xy[2 * i + 1]);
                    candidates.add(new Observation(-1, Observation.Kind.DISTANCE, i, j, -1, d, Values.q2TapeSigmaM(d)));
                }
            }
        }
        Observation best = null;
        double bestScore = 0;
        for (Observation tie : candidates.subList(0, Math.min(60, candidates.size()))) {
            Cancellation.check();
            double score = score(network, used, placer, tie);
            if (best == null || score > bestScore + 1e-9) {
                best = tie;
                bestScore = score;
            }
        }
        if (best == null) {
            return names.size() < 4
                    ? Optional.empty()
                    : Optional.of("Peg a mark on a side, note where, and tape it to the two far corners: that tells.");
        }
        return Optional.of("Tape " + names.get(best.from()) + "–" + names.get(best.to()) + " as well: it "
                + (bestScore > 0 ? "tells most about which measure is wrong" : "checks the sheet")
                + " (about " + text(best.valueM()) + " if all is right).");
    }

    /** How many measures the others check once the tie is there, and how well they are told apart. */
    private double score(Network2d network, List<Observation> used, Placer placer, Observation tie) {
        List<Observation> all = new ArrayList<>(used);
        all.add(tie);
        Network2d tried = new Network2d(all, network.xy().clone(), free(placer)).solve();
        double sum = 0;
        for (int i = 0; i < used.size(); i++) {
            Observation a = used.get(i);
            double own = tried.residualCofactor(a, a);
            double worst = 0;
            for (int j = 0; j < used.size() && own > CHECKED * a.sigmaM() * a.sigmaM(); j++) {
                Observation b = used.get(j);
                double other = tried.residualCofactor(b, b);
                if (j != i && other > CHECKED * b.sigmaM() * b.sigmaM()) {
                    worst = Math.max(worst, Math.abs(tried.residualCofactor(a, b)) / Math.sqrt(own * other));
                }
            }
            boolean checked = own > CHECKED * a.sigmaM() * a.sigmaM();
            sum += checked ? 1 - worst : 0;
        }
        return sum;
    }

    private static double offM(RowResult r) {
        return Math.abs(r.measuredM() - r.restSaysM().orElse(r.measuredM()));
    }

    private String sentence(RowResult r) {
        boolean longer = r.measuredM() > r.restSaysM().orElse(r.measuredM());
        return title(r) + " is " + text(offM(r)) + (longer ? " longer" : " shorter");
    }

    private String title(Observation o) {
        return book.rows().get(o.row()).title();
    }

    private String title(RowResult r) {
        return book.rows().get(r.row()).title();
    }

    /** To the centimetre or the eighth of an inch: what a tape can tell. */
    private String text(double lengthM) {
        return Lengths.taped(lengthM, book.units());
    }
}
