package buckle.readings;

import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;

/** Days on which a fence was read all round: half the places were read that had been read in the year before. */
public final class RoundDay {
    /** A round may take some days. */
    private static final int MOST_DAYS = 3;

    private RoundDay() {}

    /** The last; empty of a fence that nobody read. */
    public static Optional<LocalDate> last(List<Observation> standing) {
        Map<LocalDate, Set<String>> byDay = new TreeMap<>(Comparator.reverseOrder());
        standing.stream()
                .filter(o -> o.what() instanceof Observed.Peak)
                .forEach(o -> byDay.computeIfAbsent(of(o), d -> new HashSet<>()).add(place(o)));
        return byDay.keySet().stream().filter(d -> isRound(d, byDay)).findFirst();
    }

    private static boolean isRound(LocalDate day, Map<LocalDate, Set<String>> byDay) {
        Set<String> ever = new HashSet<>();
        byDay.forEach((other, places) -> {
            if (!other.isAfter(day) && other.isAfter(day.minusYears(1))) {
                ever.addAll(places);
            }
        });
        return 2 * byDay.getOrDefault(day, Set.of()).size() >= ever.size();
    }

    /** Whether something was observed on a round that was read all round on a day. */
    static boolean isOf(LocalDate day, Observation o) {
        LocalDate own = of(o);
        return !own.isBefore(day) && !own.isAfter(day.plusDays(MOST_DAYS));
    }

    /** The day of an observation. */
    public static LocalDate of(Observation o) {
        return o.takenAt().atZone(ZoneOffset.UTC).toLocalDate();
    }

    private static String place(Observation o) {
        return o.at().lineId() + "/"
                + o.at().testPointId().orElseGet(() -> String.valueOf(Math.round(o.at().stationM())));
    }
}
