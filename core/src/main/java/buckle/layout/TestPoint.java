package buckle.layout;

/**
 * A place where the voltage is read.
 *
 * @param id stays the same through re-layout: {@code energizer}, {@code gate:ID:a}, {@code gate:ID:b}, {@code
 *     before:CUTOUT}, {@code end:LINE:start}, {@code end:LINE:finish}
 */
public record TestPoint(
        String id, String name, String lineId, double stationM, String sectionId, double lonDeg, double latDeg) {}
