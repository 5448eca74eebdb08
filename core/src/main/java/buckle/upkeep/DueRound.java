package buckle.upkeep;

import buckle.readings.Observation;
import buckle.readings.Observed;
import buckle.readings.OnFence;
import buckle.rulebook.Values;
import buckle.spec.Growth;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.TreeMap;

/**
 * When a fence is read again.
 *
 * @param last day of the last round: one on which half the places were read that were ever read in the year before it
 * @param everyDays as agreed with the client, {@code agreed}, or as is usual: oftener while something grows
 * @param daysLate below 0 while there is time
 */
public record DueRound(LocalDate last, int everyDays, boolean agreed, LocalDate on, long daysLate) {
    /** Empty of a fence that was never read. */
    public static Optional<DueRound> of(List<Observation> readings, OptionalInt agreedDays, Instant now) {
        Map<LocalDate, Set<String>> byDay = new TreeMap<>(Comparator.reverseOrder());
        List<Observation> standing = OnFence.standing(readings).stream()
                .filter(o -> o.what() instanceof Observed.Peak)
                .toList();
        standing.forEach(
                o -> byDay.computeIfAbsent(day(o), d -> new HashSet<>()).add(place(o)));
        Optional<LocalDate> last =
                byDay.keySet().stream().filter(d -> isRound(d, byDay)).findFirst();
        return last.map(l -> {
            boolean grows = standing.stream().anyMatch(o -> day(o).equals(l) && o.growth() != Growth.CLEAN);
            int days = agreedDays.orElse(grows ? Values.F4_ROUND_DAYS_GROWING : Values.F1_ROUND_DAYS);
            LocalDate on = l.plusDays(days);
            LocalDate today = now.atZone(ZoneOffset.UTC).toLocalDate();
            return new DueRound(l, days, agreedDays.isPresent(), on, ChronoUnit.DAYS.between(on, today));
        });
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

    private static LocalDate day(Observation o) {
        return o.takenAt().atZone(ZoneOffset.UTC).toLocalDate();
    }

    private static String place(Observation o) {
        return o.at().lineId() + "/"
                + o.at().testPointId().orElseGet(() -> String.valueOf(Math.round(o.at().stationM())));
    }
}
