package buckle.upkeep;

import buckle.readings.Observation;
import buckle.readings.Weather;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.UUID;

/**
 * A fault as somebody wrote it down. The note of a fault that was written last says how it stands; those before are its history.
 *
 * @param id made by whoever wrote it, so that a repeated send is stored once
 * @param faultId the id of the fault's first note
 * @param at where; empty of what has no place on a line, or while nobody knows
 * @param lengthM how far along the line it reaches; 0 of one place
 * @param part what failed; empty while nobody knows
 * @param product which of that part, as the takeoff calls it
 * @param searchMinutes until it was found, walking in them
 * @param workMinutes until it was mended
 * @param before what the meter showed with the fault, {@code after} when all was done
 * @param works what was done, in order
 * @param lookAgainOn when a fault that is watched is looked at again
 * @param photos hashes of stored pictures
 */
@RecordBuilder
public record FaultNote(
        UUID id,
        UUID faultId,
        State state,
        Optional<Observation.Spot> at,
        double lengthM,
        Optional<FencePart> part,
        String product,
        Optional<FaultCause> cause,
        OptionalInt searchMinutes,
        OptionalInt workMinutes,
        Optional<MeterShown> before,
        List<Remedy> works,
        Optional<MeterShown> after,
        Optional<LocalDate> lookAgainOn,
        List<String> photos,
        Instant notedAt,
        String notedBy,
        String note)
        implements FaultNoteBuilder.With {
    public FaultNote {
        works = List.copyOf(works);
        photos = List.copyOf(photos);
    }

    /** How it stands. */
    public enum State {
        OPEN,
        WATCHED,
        MENDED
    }

    /**
     * What a meter showed.
     *
     * @param readingId the reading it is, when it was kept as one
     */
    public record MeterShown(double peakV, Weather weather, Optional<UUID> readingId) {}

    /**
     * What was done.
     *
     * @param harmless whether it was replaced or mended though it let nothing off
     * @param after what the meter showed then, when somebody read before going on
     */
    public record Remedy(FencePart part, String product, int count, boolean harmless, Optional<MeterShown> after) {}

    /**
     * What work brought back.
     *
     * @param works done between two readings, harmless ones not among them
     */
    public record Gain(List<Remedy> works, double gainV) {
        public Gain {
            works = List.copyOf(works);
        }
    }

    /**
     * What all of it brought back.
     *
     * @param unexplainedV what came back, or was lost, while only harmless things were done
     * @param weatherDiffers whether a reading was taken wet and another dry: then it tells less
     */
    public record Gains(List<Gain> gains, double unexplainedV, boolean weatherDiffers) {
        public Gains {
            gains = List.copyOf(gains);
        }
    }

    /** Puts what came back down to what was done between two readings; what is harmless gets nothing of it. */
    public Gains gains() {
        List<Gain> gains = new ArrayList<>();
        double unexplainedV = 0;
        boolean differs = false;
        if (before.isEmpty()) {
            return new Gains(gains, 0, false);
        }
        MeterShown level = before.get();
        List<Remedy> since = new ArrayList<>();
        for (int i = 0; i <= works.size(); i++) {
            Optional<MeterShown> read = i < works.size() ? works.get(i).after() : after;
            if (i < works.size() && !works.get(i).harmless()) {
                since.add(works.get(i));
            }
            if (read.isEmpty()) {
                continue;
            }
            double gainV = read.get().peakV() - level.peakV();
            differs |= read.get().weather().wet() != level.weather().wet();
            if (since.isEmpty()) {
                unexplainedV += gainV;
            } else {
                gains.add(new Gain(since, gainV));
            }
            since = new ArrayList<>();
            level = read.get();
        }
        return new Gains(gains, unexplainedV, differs);
    }
}
