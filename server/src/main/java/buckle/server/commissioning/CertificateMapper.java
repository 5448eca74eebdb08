package buckle.server.commissioning;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Certificates in PostgreSQL: rows are added, never changed. */
@Mapper
interface CertificateMapper {
    String COLUMNS = "number, request, job_id, doc, signed_at";

    /** A certificate as stored. */
    record CertificateRow(int number, UUID request, UUID jobId, String doc, Instant signedAt) {}

    /** Numbers follow one another without gaps: nobody else takes one until the transaction ends. */
    @Update("lock table certificate in exclusive mode")
    void lock();

    @Select("select coalesce(max(number), 0) + 1 from certificate")
    int nextNumber();

    @Select("select " + COLUMNS + " from certificate where request = #{request}")
    Optional<CertificateRow> sent(@Param("request") UUID request);

    @Select("select " + COLUMNS + " from certificate where number = #{number}")
    Optional<CertificateRow> find(@Param("number") int number);

    @Select("select " + COLUMNS + " from certificate where job_id = #{jobId} order by number desc")
    List<CertificateRow> ofJob(@Param("jobId") UUID jobId);

    @Insert("insert into certificate (" + COLUMNS
            + ") values (#{number}, #{request}, #{jobId}, #{doc}::jsonb, #{signedAt})")
    void insert(CertificateRow row);

    @Insert("insert into certificate_paper (number, sheet, paper, pdf) values (#{number}, #{sheet}, #{paper}, #{pdf})")
    void insertPaper(
            @Param("number") int number,
            @Param("sheet") String sheet,
            @Param("paper") String paper,
            @Param("pdf") byte[] pdf);

    /** A paper of a certificate. */
    record SheetRow(byte[] pdf) {}

    @Select("select pdf from certificate_paper where number = #{number} and sheet = #{sheet} and paper = #{paper}")
    Optional<SheetRow> paper(@Param("number") int number, @Param("sheet") String sheet, @Param("paper") String paper);
}
