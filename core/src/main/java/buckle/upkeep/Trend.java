package buckle.upkeep;

import buckle.readings.Observation;
import buckle.readings.Observed;
import buckle.readings.OnFence;
import buckle.readings.RoundDay;
import buckle.rulebook.Values;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;

/**
 * How the voltage of a test point goes in one season: the median of the slopes between the dry readings of every two days, and the range that holds
 * the true one with 90 %. Source: Theil 1950 and Sen 1968, from memory. What was mended in between begins it anew.
 *
 * @param wire number of the wire, 0 the joined hot ones
 * @param readings that took part
 * @param levelV what it would read dry on the day of the last, by all of them
 * @param aWeekV slope; below 0 it falls
 * @param lowAWeekV {@code highAWeekV} end of its range
 * @param needV what the animals need
 * @param belowOn when it falls below the need, if it goes on so and surely falls
 * @param soon whether that is within the weeks that are warned of
 * @param yearBeforeV median of the dry readings at the same time of the year before
 */
public record Trend(
        Observation.Spot at,
        int wire,
        int readings,
        Instant from,
        Instant to,
        double levelV,
        double aWeekV,
        double lowAWeekV,
        double highAWeekV,
        OptionalDouble needV,
        Optional<LocalDate> belowOn,
        boolean soon,
        OptionalDouble yearBeforeV) {
    /** What falls below the need within these weeks is warned of. */
    public static final double WARNED_WEEKS = Values.F1_WARNED_WEEKS;

    private static final double WEEK_S = 7.0 * 24 * 3600;
    private static final int LEAST = 4;
    private static final Duration SEASON = Duration.ofDays(120);
    private static final Duration LEAST_SPAN = Duration.ofDays(14);
    private static final Duration YEAR = Duration.ofDays(365);
    private static final Duration SAME_TIME = Duration.ofDays(30);
    private static final double NORMAL_90 = 1.645;
    /** Nobody goes on with a slope for longer than it was seen at most: a season. */
    private static final double FARTHEST_WEEKS = 17;

    private record Key(String point, int wire) {}

    private record Value(double weeks, double peakV) {}

    /**
     * Of every test point that was read often enough, what falls soonest first.
     *
     * @param mended when something was mended
     */
    public static List<Trend> of(List<Observation> readings, OptionalDouble needV, List<Instant> mended) {
        Map<Key, List<Observation>> byPoint =
                new TreeMap<>(Comparator.comparing(Key::point).thenComparingInt(Key::wire));
        for (Observation o : OnFence.standing(readings)) {
            if (o.what() instanceof Observed.Peak p && !p.overRange() && dry(o) && allClosed(o)) {
                byPoint.computeIfAbsent(new Key(point(o.at()), p.wire()), k -> new ArrayList<>())
                        .add(o);
            }
        }
        return byPoint.entrySet().stream()
                .flatMap(e -> of(e.getKey().wire(), e.getValue(), needV, mended).stream())
                .sorted(Comparator.comparing((Trend t) -> t.belowOn().orElse(LocalDate.MAX))
                        .thenComparingDouble(Trend::aWeekV))
                .toList();
    }

    private static boolean dry(Observation o) {
        return !o.weather().wet();
    }

    private static boolean allClosed(Observation o) {
        return o.openSwitches().map(List::isEmpty).orElse(true);
    }

    private static String point(Observation.Spot at) {
        return at.lineId() + "/" + at.testPointId().orElseGet(() -> String.valueOf(Math.round(at.stationM())));
    }

    private static double peakV(Observation o) {
        return ((Observed.Peak) o.what()).peakV();
    }

    private static Optional<Trend> of(int wire, List<Observation> all, OptionalDouble needV, List<Instant> mended) {
        List<Observation> sorted =
                all.stream().sorted(Comparator.comparing(Observation::takenAt)).toList();
        Instant last = sorted.getLast().takenAt();
        Instant begin = mended.stream()
                .filter(m -> !m.isAfter(last) && m.isAfter(last.minus(SEASON)))
                .max(Comparator.naturalOrder())
                .orElse(last.minus(SEASON));
        List<Observation> season =
                sorted.stream().filter(o -> !o.takenAt().isBefore(begin)).toList();
        List<Value> values = byDay(season, last);
        if (values.size() < LEAST
                || Duration.between(season.getFirst().takenAt(), last).compareTo(LEAST_SPAN) < 0) {
            return Optional.empty();
        }
        List<Double> slopes = slopes(values);
        if (slopes.isEmpty()) {
            return Optional.empty();
        }
        double slope = Failures.median(slopes).orElseThrow();
        double level = Failures.median(
                        values.stream().map(v -> v.peakV() - slope * v.weeks()).toList())
                .orElseThrow();
        int n = values.size();
        double spread = NORMAL_90 * Math.sqrt(n * (n - 1.0) * (2 * n + 5) / 18);
        int low = (int) Math.clamp(Math.floor((slopes.size() - spread) / 2), 0, slopes.size() - 1.0);
        double high = slopes.get(slopes.size() - 1 - low);
        OptionalDouble weeks = needV.isPresent() && high < 0
                ? OptionalDouble.of(Math.max(0, (level - needV.getAsDouble()) / -slope))
                : OptionalDouble.empty();
        boolean told = weeks.isPresent() && weeks.getAsDouble() <= FARTHEST_WEEKS;
        return Optional.of(new Trend(
                sorted.getLast().at(),
                wire,
                season.size(),
                season.getFirst().takenAt(),
                last,
                level,
                slope,
                slopes.get(low),
                high,
                needV,
                told
                        ? Optional.of(last.plusSeconds((long) (weeks.getAsDouble() * WEEK_S))
                                .atZone(ZoneOffset.UTC)
                                .toLocalDate())
                        : Optional.empty(),
                told && weeks.getAsDouble() <= WARNED_WEEKS,
                Failures.median(sorted.stream()
                        .filter(o -> Duration.between(o.takenAt(), last.minus(YEAR))
                                        .abs()
                                        .compareTo(SAME_TIME)
                                <= 0)
                        .map(Trend::peakV)
                        .toList())));
    }

    /** The median of a day: a meter that sends by itself reads a place a hundred times in one. */
    private static List<Value> byDay(List<Observation> season, Instant last) {
        Map<LocalDate, List<Observation>> days = new TreeMap<>();
        season.forEach(o ->
                days.computeIfAbsent(RoundDay.of(o), d -> new ArrayList<>()).add(o));
        return days.values().stream()
                .map(day -> new Value(
                        day.stream()
                                .mapToDouble(o ->
                                        -Duration.between(o.takenAt(), last).toSeconds() / WEEK_S)
                                .average()
                                .orElseThrow(),
                        Failures.median(day.stream().map(Trend::peakV).toList()).orElseThrow()))
                .toList();
    }

    private static List<Double> slopes(List<Value> values) {
        List<Double> slopes = new ArrayList<>();
        for (int i = 0; i < values.size(); i++) {
            for (int j = i + 1; j < values.size(); j++) {
                double weeks = values.get(j).weeks() - values.get(i).weeks();
                if (weeks > 0) {
                    slopes.add((values.get(j).peakV() - values.get(i).peakV()) / weeks);
                }
            }
        }
        slopes.sort(Comparator.naturalOrder());
        return slopes;
    }
}
