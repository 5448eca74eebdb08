package buckle.server.readings;

import buckle.readings.Reading;
import buckle.readings.Weather;
import buckle.spec.Growth;
import java.time.Instant;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** A reading as stored. */
record ReadingRow(
        UUID id,
        UUID jobId,
        int planRevision,
        String testPointId,
        String lineId,
        double stationM,
        double lonDeg,
        double latDeg,
        int wire,
        double peakV,
        boolean overRange,
        @Nullable Double rangeV,
        Instant takenAt,
        String takenBy,
        Weather weather,
        Growth growth,
        String note,
        @Nullable UUID corrects,
        Instant receivedAt) {

    static ReadingRow of(UUID jobId, int planRevision, Reading r, Instant receivedAt) {
        return new ReadingRow(
                r.id(),
                jobId,
                planRevision,
                r.testPointId(),
                r.lineId(),
                r.stationM(),
                r.lonDeg(),
                r.latDeg(),
                r.wire(),
                r.peakV(),
                r.overRange(),
                r.rangeV().isPresent() ? r.rangeV().getAsDouble() : null,
                r.takenAt(),
                r.takenBy(),
                r.weather(),
                r.growth(),
                r.note(),
                r.corrects().orElse(null),
                receivedAt);
    }

    Reading reading() {
        return new Reading(
                id,
                testPointId,
                lineId,
                stationM,
                lonDeg,
                latDeg,
                wire,
                peakV,
                overRange,
                rangeV == null ? OptionalDouble.empty() : OptionalDouble.of(rangeV),
                takenAt,
                takenBy,
                weather,
                growth,
                note,
                Optional.ofNullable(corrects));
    }
}
