package buckle.server.prices;

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

/** Quotes in PostgreSQL. */
@Mapper
interface QuoteMapper {
    String COLUMNS = "number, revision, request, job_id, doc, decision, sent_by, sent_at, decided_at";

    /** A quote as stored. */
    record QuoteRow(
            int number,
            int revision,
            UUID request,
            UUID jobId,
            String doc,
            @Nullable String decision,
            String sentBy,
            Instant sentAt,
            @Nullable Instant decidedAt) {}

    /** Numbers follow one another without gaps: nobody else takes one until the transaction ends. */
    @Update("lock table quote in exclusive mode")
    void lock();

    @Select("select coalesce(max(number), 0) + 1 from quote")
    int nextNumber();

    @Select("select coalesce(max(revision), 0) from quote where number = #{number}")
    int lastRevision(@Param("number") int number);

    @Select("select " + COLUMNS + " from quote where request = #{request}")
    Optional<QuoteRow> sent(@Param("request") UUID request);

    @Select("select " + COLUMNS + " from quote where number = #{number} and revision = #{revision}")
    Optional<QuoteRow> find(@Param("number") int number, @Param("revision") int revision);

    @Select("select " + COLUMNS + " from quote where number = #{number} order by revision")
    List<QuoteRow> ofNumber(@Param("number") int number);

    @Select("select " + COLUMNS + " from quote where job_id = #{jobId} order by number desc, revision desc")
    List<QuoteRow> ofJob(@Param("jobId") UUID jobId);

    @Insert("insert into quote (number, revision, request, job_id, doc, sent_by, sent_at) values (#{number},"
            + " #{revision}, #{request}, #{jobId}, #{doc}::jsonb, #{sentBy}, #{sentAt})")
    void insert(QuoteRow row);

    @Update("update quote set decision = #{decision}::jsonb, decided_at = #{at}"
            + " where number = #{number} and revision = #{revision} and decision is null")
    int decide(
            @Param("number") int number,
            @Param("revision") int revision,
            @Param("decision") String decision,
            @Param("at") Instant at);

    @Insert("insert into quote_paper (number, revision, paper, pdf) values (#{number}, #{revision}, #{paper}, #{pdf})")
    void insertPaper(
            @Param("number") int number,
            @Param("revision") int revision,
            @Param("paper") String paper,
            @Param("pdf") byte[] pdf);

    /** A paper of a quote. */
    record PaperRow(byte[] pdf) {}

    @Select("select pdf from quote_paper where number = #{number} and revision = #{revision} and paper = #{paper}")
    Optional<PaperRow> paper(
            @Param("number") int number, @Param("revision") int revision, @Param("paper") String paper);
}
