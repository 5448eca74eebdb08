package buckle.server.jobs;

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

/** Jobs and the revisions of their plans in PostgreSQL. */
@Mapper
interface JobMapper {
    String JOB = "select j.id, j.name, j.property_id, c.name as client, p.name as property, j.state, j.state_before,"
            + " d.head_revision, d.save_no, j.created_at, j.changed_at from job j join property p on p.id = j.property_id"
            + " join client c on c.id = p.client_id join document d on d.kind = 'plan' and d.owner = j.id";

    @Select(JOB + " where j.id = #{id}")
    Optional<JobRow> find(@Param("id") UUID id);

    /** As {@link #find}, and nobody else changes the job until the transaction ends. */
    @Select(JOB + " where j.id = #{id} for update of j")
    Optional<JobRow> lock(@Param("id") UUID id);

    /** 0 when there is a job of that id. */
    @Insert("insert into job (id, name, property_id, state, state_before, created_at, changed_at)"
            + " values (#{id}, #{name}, #{propertyId}, #{state}, #{stateBefore}, #{createdAt}, #{changedAt})"
            + " on conflict (id) do nothing")
    int insert(JobRow row);

    @Update("update job set name = #{name}, property_id = #{propertyId}, state = #{state},"
            + " state_before = #{stateBefore}, changed_at = #{changedAt} where id = #{id}")
    void update(JobRow row);

    /** Whether readings or a quote name a revision, so that it must stay as it is. */
    @Select(
            "select exists (select 1 from reading where job_id = #{jobId} and plan_revision = #{revision})"
                    + " or exists (select 1 from quote where job_id = #{jobId} and (doc ->> 'planRevision')::int = #{revision})")
    boolean isNamed(@Param("jobId") UUID jobId, @Param("revision") int revision);

    /** What a summary is made from: the program, the plan, the land and the readings. */
    String MADE_FROM = " concat_ws(':', #{program}::text, d.save_no, l.save_no,"
            + " (select count(*) from reading r where r.job_id = j.id))";

    String LISTED = " from job j join property p on p.id = j.property_id join client c on c.id = p.client_id"
            + " join document d on d.kind = 'plan' and d.owner = j.id"
            + " left join document l on l.kind = 'land' and l.owner = p.id"
            + " left join job_summary s on s.job_id = j.id";

    String FILTER = " <where>"
            + "<if test='pattern != null'> (j.name ilike #{pattern} or c.name ilike #{pattern} or p.name ilike #{pattern})</if>"
            + "<if test='client != null'> and c.name = #{client}</if>";

    /**
     * A job as it is listed.
     *
     * @param summary as JSON; null while none was made
     * @param upToDate whether it was made from the job as it is
     */
    record ListedRow(
            UUID id,
            String name,
            UUID propertyId,
            String client,
            String property,
            JobState state,
            Instant changedAt,
            @Nullable String summary,
            boolean upToDate) {}

    @Select(
            "<script>select j.id, j.name, j.property_id, c.name as client, p.name as property, j.state, j.changed_at, s.summary,"
                    + " coalesce(s.made_from = " + MADE_FROM + ", false) as up_to_date" + LISTED + FILTER
                    + " and j.state = #{state}</where> order by <choose>"
                    + "<when test='sort == \"NAME\"'>lower(j.name),</when>"
                    + "<when test='sort == \"CLIENT\"'>lower(c.name), lower(p.name),</when>"
                    + "<when test='sort == \"LENGTH\"'>(s.summary ->> 'lengthM')::double precision desc nulls last,</when>"
                    + "<when test='sort == \"STANDING\"'>(s.summary -> 'sections' ->> 'broken')::integer desc nulls last,"
                    + " (s.summary -> 'sections' ->> 'warn')::integer desc nulls last,</when>"
                    + "<otherwise></otherwise></choose> j.changed_at desc, j.id limit #{limit} offset #{offset}</script>")
    List<ListedRow> page(
            @Param("program") String program,
            @Param("pattern") @Nullable String pattern,
            @Param("client") @Nullable String client,
            @Param("state") JobState state,
            @Param("sort") String sort,
            @Param("limit") int limit,
            @Param("offset") long offset);

    /** How many there are of a state. */
    record StateCount(JobState state, int jobs) {}

    @Select("<script>select j.state, count(*) as jobs from job j join property p on p.id = j.property_id"
            + " join client c on c.id = p.client_id" + FILTER + "</where> group by j.state</script>")
    List<StateCount> counts(@Param("pattern") @Nullable String pattern, @Param("client") @Nullable String client);

    @Select(
            "select distinct c.name from client c join property p on p.client_id = c.id join job j on j.property_id = p.id"
                    + " where c.name <> '' order by c.name")
    List<String> clients();

    /** A job whose summary is missing, or made from what it no longer is. */
    record StaleRow(UUID id, UUID propertyId, String madeFrom) {}

    @Select("select j.id, j.property_id, " + MADE_FROM + " as made_from" + LISTED
            + " where s.made_from is distinct from " + MADE_FROM + " order by j.changed_at desc limit #{most}")
    List<StaleRow> stale(@Param("program") String program, @Param("most") int most);

    @Insert("insert into job_summary (job_id, made_from, summary) values (#{jobId}, #{madeFrom}, #{summary}::jsonb)"
            + " on conflict (job_id) do update set made_from = excluded.made_from, summary = excluded.summary")
    void keepSummary(@Param("jobId") UUID jobId, @Param("madeFrom") String madeFrom, @Param("summary") String summary);
}
