package buckle.upkeep;

import buckle.readings.Observation;
import buckle.readings.OnFence;
import buckle.readings.RoundDay;
import buckle.rulebook.Values;
import buckle.spec.Growth;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;

/**
 * When a fence is read again.
 *
 * @param last day of the last round
 * @param everyDays as agreed with the client, {@code agreed}, or as is usual: oftener while something grows
 * @param daysLate below 0 while there is time
 */
public record DueRound(LocalDate last, int everyDays, boolean agreed, LocalDate on, long daysLate) {
    /** Empty of a fence that was never read. */
    public static Optional<DueRound> of(List<Observation> readings, OptionalInt agreedDays, Instant now) {
        List<Observation> standing = OnFence.standing(readings);
        return RoundDay.last(standing).map(last -> {
            boolean grows = standing.stream().anyMatch(o -> RoundDay.of(o).equals(last) && o.growth() != Growth.CLEAN);
            int days = agreedDays.orElse(grows ? Values.F4_ROUND_DAYS_GROWING : Values.F1_ROUND_DAYS);
            LocalDate on = last.plusDays(days);
            LocalDate today = now.atZone(ZoneOffset.UTC).toLocalDate();
            return new DueRound(last, days, agreedDays.isPresent(), on, ChronoUnit.DAYS.between(on, today));
        });
    }
}
