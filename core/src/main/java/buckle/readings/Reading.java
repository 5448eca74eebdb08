package buckle.readings;

import buckle.spec.Growth;
import java.time.Instant;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;

/**
 * One reading of a meter.
 *
 * @param id made by whoever took it, so that a repeated send is stored once
 * @param testPointId where, by the layout's lasting name
 * @param stationM station when it was taken; the place itself is in lonDeg and latDeg
 * @param wire number of the wire from the ground up, 1 the lowest; 0 for the joined hot wires
 * @param peakV what the meter showed, in volts; for an over-range reading the end of its range
 * @param overRange true when the meter could show no more: the wire holds at least this
 * @param rangeV end of the meter's range, when known
 * @param corrects the reading this one takes the place of
 */
public record Reading(
        UUID id,
        String testPointId,
        String lineId,
        double stationM,
        double lonDeg,
        double latDeg,
        int wire,
        double peakV,
        boolean overRange,
        OptionalDouble rangeV,
        Instant takenAt,
        String takenBy,
        Weather weather,
        Growth growth,
        String note,
        Optional<UUID> corrects) {

    /** No fence holds more than this; a larger number is a slip of the decimal point. */
    public static final double MOST_V = 20_000;

    public Reading {
        if (!(peakV >= 0 && peakV <= MOST_V)) {
            throw new IllegalArgumentException("peakV is " + peakV + "; a reading lies between 0 and 20 000 V (20 kV)");
        }
        if (rangeV.isPresent() && !(rangeV.getAsDouble() > 0 && rangeV.getAsDouble() <= MOST_V)) {
            throw new IllegalArgumentException("rangeV must lie between 0 and 20 000 V");
        }
        if (rangeV.isPresent() && peakV > rangeV.getAsDouble()) {
            throw new IllegalArgumentException("the reading of " + peakV + " V is beyond the meter's range of "
                    + rangeV.getAsDouble()
                    + " V; mark it as over range instead");
        }
        if (wire < 0 || wire > 16) {
            throw new IllegalArgumentException("wire must lie between 0 and 16");
        }
        if (takenBy.isBlank()) {
            throw new IllegalArgumentException("takenBy: say who took the reading");
        }
    }
}
