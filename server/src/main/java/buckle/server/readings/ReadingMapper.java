package buckle.server.readings;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** Readings in PostgreSQL: rows are added, never changed. */
@Mapper
interface ReadingMapper {
    String COLUMNS = "id, job_id, plan_revision, test_point_id, line_id, station_m, lon_deg, lat_deg, wire, peak_v,"
            + " over_range, range_v, taken_at, taken_by, weather, growth, note, corrects, received_at";

    @Select("select " + COLUMNS + " from reading where job_id = #{jobId} order by taken_at, id")
    List<ReadingRow> of(@Param("jobId") UUID jobId);

    @Select("select " + COLUMNS + " from reading where id = #{id}")
    Optional<ReadingRow> find(@Param("id") UUID id);

    @Insert("insert into reading (" + COLUMNS + ") values (#{id}, #{jobId}, #{planRevision}, #{testPointId}, #{lineId},"
            + " #{stationM}, #{lonDeg}, #{latDeg}, #{wire}, #{peakV}, #{overRange}, #{rangeV,jdbcType=DOUBLE},"
            + " #{takenAt}, #{takenBy}, #{weather}, #{growth}, #{note}, #{corrects,jdbcType=OTHER}, #{receivedAt})"
            + " on conflict (id) do nothing")
    int insert(ReadingRow row);

    @Select("select head_revision from document where kind = 'plan' and owner = #{jobId}")
    Optional<Integer> headRevision(@Param("jobId") UUID jobId);
}
