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
    String COLUMNS = "id, job_id, plan_revision, test_point_id, line_id, station_m, lon_deg, lat_deg, what, meter,"
            + " taken_at, taken_by, weather, growth, open_switches, note, corrects, received_at";

    @Select("select " + COLUMNS + " from reading where job_id = #{jobId} order by taken_at, id")
    List<ReadingRow> of(@Param("jobId") UUID jobId);

    @Select("select " + COLUMNS + " from reading where id = #{id}")
    Optional<ReadingRow> find(@Param("id") UUID id);

    @Insert("insert into reading (" + COLUMNS
            + ") values (#{id}, #{jobId}, #{planRevision}, #{testPointId,jdbcType=VARCHAR}, #{lineId},"
            + " #{stationM}, #{lonDeg}, #{latDeg}, #{what}::jsonb, #{meter,jdbcType=VARCHAR},"
            + " #{takenAt}, #{takenBy}, #{weather}, #{growth}, #{openSwitches,jdbcType=VARCHAR}::jsonb, #{note},"
            + " #{corrects,jdbcType=OTHER}, #{receivedAt})"
            + " on conflict (id) do nothing")
    int insert(ReadingRow row);

    @Select("<script>select " + COLUMNS + " from reading where id in"
            + " <foreach item='id' collection='ids' open='(' separator=',' close=')'>#{id}</foreach></script>")
    List<ReadingRow> those(@Param("ids") List<UUID> ids);

    @Insert("<script>insert into reading (" + COLUMNS + ") values"
            + " <foreach item='r' collection='rows' separator=','>(#{r.id}, #{r.jobId}, #{r.planRevision},"
            + " #{r.testPointId,jdbcType=VARCHAR}, #{r.lineId}, #{r.stationM}, #{r.lonDeg}, #{r.latDeg},"
            + " #{r.what}::jsonb, #{r.meter,jdbcType=VARCHAR}, #{r.takenAt}, #{r.takenBy}, #{r.weather}, #{r.growth},"
            + " #{r.openSwitches,jdbcType=VARCHAR}::jsonb, #{r.note}, #{r.corrects,jdbcType=OTHER}, #{r.receivedAt})"
            + "</foreach> on conflict (id) do nothing</script>")
    void insertAll(@Param("rows") List<ReadingRow> rows);

    @Select("select head_revision from document where kind = 'plan' and owner = #{jobId}")
    Optional<Integer> headRevision(@Param("jobId") UUID jobId);
}
