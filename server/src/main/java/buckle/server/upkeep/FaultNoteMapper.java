package buckle.server.upkeep;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;

/** Notes of faults in PostgreSQL: rows are added, never changed. */
@Mapper
interface FaultNoteMapper {
    String COLUMNS = "id, job_id, fault_id, doc, noted_at, received_at";

    /** A note as stored. */
    record FaultNoteRow(UUID id, UUID jobId, UUID faultId, String doc, Instant notedAt, Instant receivedAt) {}

    @Select("select " + COLUMNS + " from fault_note where job_id = #{jobId} order by noted_at, id")
    List<FaultNoteRow> of(@Param("jobId") UUID jobId);

    @Select("select " + COLUMNS + " from fault_note where id = #{id}")
    Optional<FaultNoteRow> find(@Param("id") UUID id);

    @Select("select exists (select 1 from fault_note where fault_id = #{faultId} and job_id <> #{jobId})")
    boolean ofAnotherJob(@Param("faultId") UUID faultId, @Param("jobId") UUID jobId);

    /** 0 when there is a note of that id. */
    @Insert(
            "insert into fault_note (" + COLUMNS
                    + ") values (#{id}, #{jobId}, #{faultId}, #{doc}::jsonb, #{notedAt}, #{receivedAt}) on conflict (id) do nothing")
    int insert(FaultNoteRow row);

    @Select("select exists (select 1 from job where id = #{jobId})")
    boolean isJob(@Param("jobId") UUID jobId);

    @Select("select round_days from job where id = #{jobId} and round_days is not null")
    Optional<Integer> roundDays(@Param("jobId") UUID jobId);

    @Update("update job set round_days = #{days,jdbcType=INTEGER} where id = #{jobId}")
    int setRoundDays(@Param("jobId") UUID jobId, @Param("days") @Nullable Integer days);

    /** A job that somebody has read or written a fault of. */
    record KeptRow(UUID id, String name, String client) {}

    @Select("select j.id, j.name, c.name as client from job j join property p on p.id = j.property_id"
            + " join client c on c.id = p.client_id where j.state = 'ACTIVE'"
            + " and (exists (select 1 from reading r where r.job_id = j.id)"
            + " or exists (select 1 from fault_note n where n.job_id = j.id)) order by lower(j.name), j.id")
    List<KeptRow> kept();

    /** When a job was read first; archived ones teach as well, deleted ones, on which somebody may have tried things out, do not. */
    record FirstRow(UUID jobId, String name, @Nullable Instant firstRead) {}

    @Select(
            "select j.id as job_id, j.name, (select min(taken_at) from reading r where r.job_id = j.id) as first_read"
                    + " from job j where j.state <> 'DELETED' and exists (select 1 from fault_note n where n.job_id = j.id) order by lower(j.name), j.id")
    List<FirstRow> withNotes();
}
