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

    /** Many at once, as one list: a parameter for each field of each row took longer than to store them. @param rows as JSON */
    @Insert("insert into reading (" + COLUMNS
            + ") select id, job_id, plan_revision, test_point_id, line_id, station_m, lon_deg, lat_deg, what::jsonb, meter,"
            + " taken_at, taken_by, weather, growth, open_switches::jsonb, note, corrects, received_at"
            + " from jsonb_to_recordset(#{rows}::jsonb) as r(id uuid, job_id uuid, plan_revision integer,"
            + " test_point_id text, line_id text, station_m double precision, lon_deg double precision,"
            + " lat_deg double precision, what text, meter text, taken_at timestamptz, taken_by text, weather text,"
            + " growth text, open_switches text, note text, corrects uuid, received_at timestamptz)"
            + " on conflict (id) do nothing")
    void insertAll(@Param("rows") String rows);

    @Select("select head_revision from document where kind = 'plan' and owner = #{jobId}")
    Optional<Integer> headRevision(@Param("jobId") UUID jobId);
}
