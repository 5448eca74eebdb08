package buckle.site;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.MonthDay;
import java.time.temporal.ChronoUnit;

/** The days of the year on which a seasonal line goes up and comes down (X13): over the new year where it comes down first. */
public record Season(int upMonth, int upDay, int downMonth, int downDay) {
    private static final int SOME_YEAR = 2001;

    public Season {
        MonthDay up = day(upMonth, upDay);
        if (up.equals(day(downMonth, downDay))) {
            throw new IllegalArgumentException("a line that goes up and comes down on one day is never up");
        }
    }

    private static MonthDay day(int month, int day) {
        try {
            return MonthDay.of(month, day);
        } catch (DateTimeException e) {
            throw new IllegalArgumentException("no month " + month + " has a day " + day, e);
        }
    }

    /** Day it goes up. */
    public MonthDay up() {
        return MonthDay.of(upMonth, upDay);
    }

    /** Day it comes down. */
    public MonthDay down() {
        return MonthDay.of(downMonth, downDay);
    }

    /** Whether it stands when the year begins. */
    public boolean overNewYear() {
        return down().isBefore(up());
    }

    /** Days it stands in a common year. */
    public int days() {
        LocalDate from = up().atYear(SOME_YEAR);
        LocalDate to = down().atYear(overNewYear() ? SOME_YEAR + 1 : SOME_YEAR);
        return (int) ChronoUnit.DAYS.between(from, to);
    }

    /** Whether it stands on a day of a month, from 1 to 12. */
    public boolean standsIn(int month) {
        return overNewYear() ? month >= upMonth || month <= downMonth : upMonth <= month && month <= downMonth;
    }
}
