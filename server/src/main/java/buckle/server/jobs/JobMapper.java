package buckle.server.jobs;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Jobs and the revisions of their plans in PostgreSQL. */
@Mapper
interface JobMapper {
    String JOB = "select j.id, j.name, j.property_id, c.name as client, p.name as property, j.state, j.state_before,"
            + " d.head_revision, d.save_no, j.created_at, j.changed_at from job j join property p on p.id = j.property_id"
            + " join client c on c.id = p.client_id join document d on d.kind = 'plan' and d.owner = j.id";

    @Select(JOB + " order by j.changed_at desc, j.id")
    List<JobRow> all();

    @Select(JOB + " where j.id = #{id}")
    Optional<JobRow> find(@Param("id") UUID id);

    /** As {@link #find}, and nobody else changes the job until the transaction ends. */
    @Select(JOB + " where j.id = #{id} for update of j")
    Optional<JobRow> lock(@Param("id") UUID id);

    @Insert("insert into job (id, name, property_id, state, state_before, created_at, changed_at)"
            + " values (#{id}, #{name}, #{propertyId}, #{state}, #{stateBefore}, #{createdAt}, #{changedAt})")
    void insert(JobRow row);

    @Update("update job set name = #{name}, property_id = #{propertyId}, state = #{state},"
            + " state_before = #{stateBefore}, changed_at = #{changedAt} where id = #{id}")
    void update(JobRow row);

    /** What was worked out of a job for the list, and from what. */
    record StoredSummary(UUID jobId, String madeFrom, String summary) {}

    @Select("select job_id, made_from, summary from job_summary")
    List<StoredSummary> summaries();

    @Select("select count(*) from reading where job_id = #{jobId}")
    int readings(@Param("jobId") UUID jobId);

    @Insert("insert into job_summary (job_id, made_from, summary) values (#{jobId}, #{madeFrom}, #{summary}::jsonb)"
            + " on conflict (job_id) do update set made_from = excluded.made_from, summary = excluded.summary")
    void keepSummary(@Param("jobId") UUID jobId, @Param("madeFrom") String madeFrom, @Param("summary") String summary);

    @Select("select exists (select 1 from reading where job_id = #{jobId} and plan_revision = #{revision})")
    boolean hasReadings(@Param("jobId") UUID jobId, @Param("revision") int revision);
}
