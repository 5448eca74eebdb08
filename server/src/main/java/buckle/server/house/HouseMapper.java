package buckle.server.house;

import java.time.Instant;
import java.util.List;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** Revisions of the house's way in PostgreSQL. */
@Mapper
interface HouseMapper {
    /** One revision; the document as JSON text. */
    record HouseRow(int revision, String doc, int rulebookRevision, Instant savedAt) {}

    @Select("select revision, doc, rulebook_revision, saved_at from house_revision order by revision desc")
    List<HouseRow> all();

    @Insert("insert into house_revision (revision, doc, rulebook_revision, saved_at)"
            + " values (#{revision}, #{doc}::jsonb, #{rulebook}, #{now}) on conflict do nothing")
    int insert(
            @Param("revision") int revision,
            @Param("doc") String doc,
            @Param("rulebook") int rulebook,
            @Param("now") Instant now);
}
