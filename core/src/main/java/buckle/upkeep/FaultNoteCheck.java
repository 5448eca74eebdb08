package buckle.upkeep;

import buckle.readings.ObservationCheck;
import buckle.readings.Observed.Voltage;
import buckle.site.Problem;
import buckle.site.Texts;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;

/** Holds a note of a fault against what can be. */
public final class FaultNoteCheck {
    private static final int LONGEST_NOTE = 2000;
    private static final int MOST_WORKS = 50;
    private static final int MOST_PHOTOS = 20;
    private static final int MOST_MINUTES = 60 * 24 * 14;
    private static final int MOST_PIECES = 10_000;
    private static final double MOST_LENGTH_M = 1_000_000;
    private static final Pattern HASH = Pattern.compile("[0-9a-f]{64}");

    private final List<Problem> problems = new ArrayList<>();
    private final String path;

    private FaultNoteCheck(String path) {
        this.path = path;
    }

    /** What of a note cannot be right; empty when all of it can. */
    public static List<Problem> problems(FaultNote note, Instant now, String path) {
        FaultNoteCheck check = new FaultNoteCheck(path);
        check.check(note, now);
        return check.problems;
    }

    private void check(FaultNote n, Instant now) {
        if (!ObservationCheck.couldBe(n.notedAt(), now)) {
            bad(
                    "time",
                    "notedAt",
                    "A note is written between 1990 and tomorrow; this one says " + n.notedAt()
                            + ". Check the clock of the device.");
        }
        if (n.notedBy().isBlank()) {
            bad("by", "notedBy", "Say who writes this down.");
        }
        text("notedBy", n.notedBy(), Texts.LONGEST_NAME, false);
        text("product", n.product(), Texts.LONGEST_NAME, false);
        text("note", n.note(), LONGEST_NOTE, true);
        n.at().ifPresent(at -> {
            text("at.lineId", at.lineId(), Texts.LONGEST_NAME, false);
            text("at.testPointId", at.testPointId().orElse(""), Texts.LONGEST_NAME, false);
            if (!(at.stationM() >= -MOST_LENGTH_M && at.stationM() <= MOST_LENGTH_M)) {
                bad("station", "at.stationM", "The station " + at.stationM() + " m is on no fence.");
            }
        });
        if (!(n.lengthM() >= 0 && n.lengthM() <= MOST_LENGTH_M)) {
            bad("length", "lengthM", "A stretch is 0 m or longer.");
        }
        minutes("searchMinutes", n.searchMinutes().orElse(0));
        minutes("workMinutes", n.workMinutes().orElse(0));
        level("before", n.before());
        level("after", n.after());
        works(n);
        if (n.photos().size() > MOST_PHOTOS
                || n.photos().stream().anyMatch(p -> !HASH.matcher(p).matches())) {
            bad("photos", "photos", "At most " + MOST_PHOTOS + " stored pictures go with a note.");
        }
        if (n.state() == FaultNote.State.MENDED
                && n.part().isEmpty()
                && n.note().isBlank()) {
            bad("part", "part", "Say what was found, or write in the note why it is closed.");
        }
    }

    private void works(FaultNote n) {
        if (n.works().size() > MOST_WORKS) {
            bad("works", "works", "At most " + MOST_WORKS + " things done go with a note.");
        }
        for (int i = 0; i < n.works().size(); i++) {
            FaultNote.Remedy w = n.works().get(i);
            text("works[" + i + "].product", w.product(), Texts.LONGEST_NAME, false);
            level("works[" + i + "].after", w.after());
            if (w.count() < 1 || w.count() > MOST_PIECES) {
                bad("count", "works[" + i + "].count", "How many: between 1 and 10,000.");
            }
        }
    }

    private void level(String at, Optional<FaultNote.MeterShown> level) {
        level.ifPresent(l -> {
            if (!(l.peakV() >= 0 && l.peakV() <= Voltage.MOST_V)) {
                bad("voltage", at + ".peakV", "A fence reads between 0 and 20 kV; this says " + l.peakV() + " V.");
            } else if (l.peakV() > 0 && l.peakV() < Voltage.LEAST_V) {
                bad("kilovolts", at + ".peakV", "A peak of " + l.peakV() + " V: were kilovolts meant?");
            }
        });
    }

    private void minutes(String at, int minutes) {
        if (minutes < 0 || minutes > MOST_MINUTES) {
            bad("minutes", at, "Between 0 minutes and two weeks.");
        }
    }

    private void text(String at, String text, int most, boolean lines) {
        Texts.flaw(text, most, lines)
                .ifPresent(flaw -> bad("text", at, Character.toUpperCase(flaw.charAt(0)) + flaw.substring(1) + "."));
    }

    private void bad(String code, String at, String message) {
        problems.add(new Problem("log." + code, path + at, message));
    }
}
