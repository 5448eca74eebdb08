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

/** Jobs and the revisions of their plans in PostgreSQL. */
@Mapper
interface JobMapper {
    String JOB = "select j.id, j.name, j.property_id, c.name as client, p.name as property, j.state, j.state_before,"
            + " j.head_revision, j.save_no, j.created_at, j.changed_at from job j join property p on p.id = j.property_id"
            + " join client c on c.id = p.client_id";
    String REVISION = "job_id, revision, stretch, aside, label, doc, rulebook_revision, program_version, saved_at";

    @Select(JOB + " order by j.changed_at desc, j.id")
    List<JobRow> all();

    @Select(JOB + " where j.id = #{id}")
    Optional<JobRow> find(@Param("id") UUID id);

    /** As {@link #find}, and nobody else changes the job until the transaction ends. */
    @Select(JOB + " where j.id = #{id} for update of j")
    Optional<JobRow> lock(@Param("id") UUID id);

    @Insert(
            "insert into job (id, name, property_id, state, state_before, head_revision, save_no, created_at, changed_at)"
                    + " values (#{id}, #{name}, #{propertyId}, #{state}, #{stateBefore}, #{headRevision}, #{saveNo}, #{createdAt}, #{changedAt})")
    void insert(JobRow row);

    @Update("update job set name = #{name}, property_id = #{propertyId}, state = #{state},"
            + " state_before = #{stateBefore}, head_revision = #{headRevision}, save_no = #{saveNo},"
            + " changed_at = #{changedAt} where id = #{id}")
    void update(JobRow row);

    @Select("select " + REVISION + " from plan_revision where job_id = #{jobId} and revision = #{revision}")
    Optional<RevisionRow> revision(@Param("jobId") UUID jobId, @Param("revision") int revision);

    @Select("select " + REVISION + " from plan_revision r where exists (select 1 from job j where j.id = r.job_id"
            + " and j.head_revision = r.revision)")
    List<RevisionRow> heads();

    @Select("select revision, aside, label, rulebook_revision, program_version, saved_at from plan_revision"
            + " where job_id = #{jobId} order by revision desc")
    List<RevisionInfo> revisions(@Param("jobId") UUID jobId);

    @Select("select coalesce(max(revision), 0) from plan_revision where job_id = #{jobId}")
    int lastRevision(@Param("jobId") UUID jobId);

    @Insert("insert into plan_revision (" + REVISION
            + ") values (#{jobId}, #{revision}, #{stretch}, #{aside}, #{label},"
            + " #{doc}::jsonb, #{rulebookRevision}, #{programVersion}, #{savedAt})")
    void insertRevision(RevisionRow row);

    @Update("update plan_revision set doc = #{doc}::jsonb, rulebook_revision = #{rulebookRevision},"
            + " program_version = #{programVersion}, saved_at = #{savedAt}"
            + " where job_id = #{jobId} and revision = #{revision}")
    void updateRevision(RevisionRow row);

    @Update("update plan_revision set label = #{label} where job_id = #{jobId} and revision = #{revision}")
    int label(@Param("jobId") UUID jobId, @Param("revision") int revision, @Param("label") String label);

    @Select("select exists (select 1 from reading where job_id = #{jobId} and plan_revision = #{revision})")
    boolean hasReadings(@Param("jobId") UUID jobId, @Param("revision") int revision);

    /** A revision in the list of a job's history. */
    record RevisionInfo(
            int revision, boolean aside, String label, int rulebookRevision, String programVersion, Instant savedAt) {}
}
