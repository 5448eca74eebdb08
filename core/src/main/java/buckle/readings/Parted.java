package buckle.readings;

import buckle.spec.Plan;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;

/**
 * Readings as the diagnosis takes them.
 *
 * @param healthy of the fence in order, {@code now} with something wrong
 */
record Parted(List<Observation> healthy, List<Observation> now) {
    /** As many as anybody reads at one place in a search. */
    private static final int MOST_AT_A_PLACE = 3;

    /** Of work, not of the calendar. */
    private static final Duration ONE_DAY = Duration.ofHours(12);

    private static final Duration A_SEASON = Duration.ofDays(120);

    /**
     * Those of the yardstick, or without one those of the last round before a day, are in order; those since that day are not. Rounds
     * before the last tell of other seasons, and of faults that were mended; what was read in passing after it may have been read
     * because something was wrong.
     */
    static Parted of(Plan plan, List<Observation> readings, Instant since) {
        List<Observation> standing = OnFence.standing(readings);
        Optional<LocalDate> round = RoundDay.last(
                standing.stream().filter(o -> o.takenAt().isBefore(since)).toList());
        Predicate<Observation> inOrder = plan.circumstances()
                .yardstick()
                .<Predicate<Observation>>map(y -> o -> y.readings().contains(o.id()))
                .orElse(o -> o.takenAt().isBefore(since)
                        && round.filter(d -> RoundDay.isOf(d, o)).isPresent());
        return new Parted(
                last(standing.stream().filter(inOrder).toList(), A_SEASON),
                last(
                        standing.stream()
                                .filter(inOrder.negate().and(o -> !o.takenAt().isBefore(since)))
                                .toList(),
                        ONE_DAY));
    }

    /** @param side of a gate, which may be less than a metre wide */
    private record Read(String lineId, long stationM, String side, String what, Set<String> open, boolean wet) {
        static Read of(Observation o) {
            String what = o.what().getClass().getSimpleName();
            return new Read(
                    o.at().lineId(),
                    Math.round(o.at().stationM()),
                    o.at().testPointId().filter(id -> id.startsWith("gate:")).orElse(""),
                    o.what() instanceof Observed.Peak p ? what + p.wire() : what,
                    new HashSet<>(o.openSwitches().orElse(List.of())),
                    o.weather().wet());
        }
    }

    /**
     * With something wrong, what was read at a place on an earlier day is overtaken by what was read there since: leaves dry, growth
     * goes on, a joint burns off. A meter that sends by itself reads one place day and night. The last readings there say what is to be
     * known; more of them say it no more surely, because at one place the plan is always off by the same, and they would be all that is
     * looked at.
     *
     * @param within of the last at a place
     */
    private static List<Observation> last(List<Observation> all, Duration within) {
        Map<Read, List<Instant>> times = new HashMap<>();
        Set<Observation> kept = new HashSet<>();
        all.stream()
                .sorted(Comparator.comparing(Observation::takenAt).reversed())
                .filter(o ->
                        !isMeasured(o) || isNews(times.computeIfAbsent(Read.of(o), r -> new ArrayList<>()), o, within))
                .forEach(kept::add);
        List<Observation> inOrder = new ArrayList<>(all);
        inOrder.removeIf(o -> !kept.contains(o));
        return inOrder;
    }

    /** @param later when it was read there later */
    private static boolean isNews(List<Instant> later, Observation o, Duration within) {
        boolean is = later.size() < MOST_AT_A_PLACE
                && (later.isEmpty() || o.takenAt().isAfter(later.getFirst().minus(within)));
        if (is) {
            later.add(o.takenAt());
        }
        return is;
    }

    private static boolean isMeasured(Observation o) {
        return switch (o.what()) {
            case Observed.LookedOver l -> false;
            case Observed.SupplyChecked s -> false;
            case Observed.Seen s -> false;
            case Observed.Checked c -> false;
            default -> true;
        };
    }
}
