package buckle.layout;

import buckle.site.GeoPoint;

/**
 * Insulated wire with clips that leads power from one line to another (X3).
 *
 * @param bridge whether it feeds the outer row of a double fence by itself
 * @param lineId the line it was said for, with the station where it is hooked on
 * @param onLineId the other line, likewise
 */
public record Lead(
        String id,
        String name,
        boolean bridge,
        String lineId,
        double stationM,
        GeoPoint at,
        String onLineId,
        double onStationM,
        GeoPoint onAt,
        double lengthM) {}
