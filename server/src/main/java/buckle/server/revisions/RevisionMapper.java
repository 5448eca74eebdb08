package buckle.server.revisions;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Documents and their revisions in PostgreSQL. */
@Mapper
public interface RevisionMapper {
    String COLUMNS =
            "kind, owner, revision, stretch, aside, label, doc, rulebook_revision, program_version, saved_by, saved_at";
    String OF = " where kind = #{kind} and owner = #{owner}";

    /** Where the line of revisions stands. */
    record Head(int headRevision, long saveNo) {}

    /** A revision without its document. */
    record RevisionInfo(
            int revision,
            boolean aside,
            String label,
            int rulebookRevision,
            String programVersion,
            String savedBy,
            Instant savedAt) {}

    @Select("select head_revision, save_no from document" + OF)
    Optional<Head> head(@Param("kind") String kind, @Param("owner") UUID owner);

    /** As {@link #head}, and nobody else saves until the transaction ends. */
    @Select("select head_revision, save_no from document" + OF + " for update")
    Optional<Head> lock(@Param("kind") String kind, @Param("owner") UUID owner);

    @Insert("insert into document (kind, owner, head_revision, save_no) values (#{kind}, #{owner}, 1, 1)"
            + " on conflict do nothing")
    int open(@Param("kind") String kind, @Param("owner") UUID owner);

    @Update("update document set head_revision = #{head}, save_no = #{saveNo}" + OF)
    void advance(
            @Param("kind") String kind,
            @Param("owner") UUID owner,
            @Param("head") int head,
            @Param("saveNo") long saveNo);

    @Select("select " + COLUMNS + " from revision" + OF + " and revision = #{revision}")
    Optional<Revision> revision(
            @Param("kind") String kind, @Param("owner") UUID owner, @Param("revision") int revision);

    @Select("select revision, aside, label, rulebook_revision, program_version, saved_by, saved_at from revision" + OF
            + " order by revision desc")
    List<RevisionInfo> list(@Param("kind") String kind, @Param("owner") UUID owner);

    @Select("select coalesce(max(revision), 0) from revision" + OF)
    int last(@Param("kind") String kind, @Param("owner") UUID owner);

    @Insert("insert into revision (" + COLUMNS
            + ") values (#{kind}, #{owner}, #{revision}, #{stretch}, #{aside}, #{label},"
            + " #{doc}::jsonb, #{rulebookRevision}, #{programVersion}, #{savedBy}, #{savedAt})")
    void insert(Revision row);

    @Update("update revision set doc = #{doc}::jsonb, rulebook_revision = #{rulebookRevision},"
            + " program_version = #{programVersion}, saved_by = #{savedBy}, saved_at = #{savedAt}" + OF
            + " and revision = #{revision}")
    void update(Revision row);

    @Update("update revision set label = #{label}" + OF + " and revision = #{revision}")
    int label(
            @Param("kind") String kind,
            @Param("owner") UUID owner,
            @Param("revision") int revision,
            @Param("label") String label);
}
