package buckle.server.readings;

import buckle.exchange.Json;
import buckle.readings.Observation;
import buckle.readings.Observed;
import buckle.readings.Weather;
import buckle.site.GeoPoint;
import buckle.spec.Growth;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;

/**
 * An observation as stored.
 *
 * @param what as JSON, with its kind
 * @param openSwitches as JSON; null when nobody said
 */
record ReadingRow(
        UUID id,
        UUID jobId,
        int planRevision,
        @Nullable String testPointId,
        String lineId,
        double stationM,
        double lonDeg,
        double latDeg,
        String what,
        @Nullable String meter,
        Instant takenAt,
        String takenBy,
        Weather weather,
        Growth growth,
        @Nullable String openSwitches,
        String note,
        @Nullable UUID corrects,
        Instant receivedAt) {

    static ReadingRow of(UUID jobId, int planRevision, Observation o, Instant receivedAt) {
        return new ReadingRow(
                o.id(),
                jobId,
                planRevision,
                o.at().testPointId().orElse(null),
                o.at().lineId(),
                o.at().stationM(),
                o.at().place().lonDeg(),
                o.at().place().latDeg(),
                Json.MAPPER.writerFor(Observed.class).writeValueAsString(o.what()),
                o.meter().orElse(null),
                o.takenAt(),
                o.takenBy(),
                o.weather(),
                o.growth(),
                o.openSwitches().map(Json.MAPPER::writeValueAsString).orElse(null),
                o.note(),
                o.corrects().orElse(null),
                receivedAt);
    }

    /** As it was taken. An older Buckle took stations that are no number, and names that are missing: they spoil nothing. */
    Observation observation() {
        return new Observation(
                id,
                new Observation.Spot(
                        Optional.ofNullable(testPointId),
                        lineId,
                        Double.isFinite(stationM) ? stationM : 0,
                        GeoPoint.of(lonDeg, latDeg)),
                Json.MAPPER.readValue(what, Observed.class),
                Optional.ofNullable(meter),
                weather,
                growth,
                Optional.ofNullable(openSwitches).map(ReadingRow::names),
                takenAt,
                takenBy,
                note,
                Optional.ofNullable(corrects));
    }

    /** A list of rows by the names of their columns. */
    static String json(List<ReadingRow> rows) {
        ArrayNode all = Json.MAPPER.createArrayNode();
        for (ReadingRow r : rows) {
            all.addObject()
                    .put("id", r.id.toString())
                    .put("job_id", r.jobId.toString())
                    .put("plan_revision", r.planRevision)
                    .put("test_point_id", r.testPointId)
                    .put("line_id", r.lineId)
                    .put("station_m", r.stationM)
                    .put("lon_deg", r.lonDeg)
                    .put("lat_deg", r.latDeg)
                    .put("what", r.what)
                    .put("meter", r.meter)
                    .put("taken_at", r.takenAt.toString())
                    .put("taken_by", r.takenBy)
                    .put("weather", r.weather.name())
                    .put("growth", r.growth.name())
                    .put("open_switches", r.openSwitches)
                    .put("note", r.note)
                    .put("corrects", r.corrects == null ? null : r.corrects.toString())
                    .put("received_at", r.receivedAt.toString());
        }
        return all.toString();
    }

    private static List<String> names(String json) {
        return Json.MAPPER
                .readTree(json)
                .valueStream()
                .filter(JsonNode::isString)
                .map(JsonNode::asString)
                .toList();
    }
}
