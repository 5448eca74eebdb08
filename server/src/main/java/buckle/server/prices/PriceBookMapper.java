package buckle.server.prices;

import java.time.Instant;
import java.util.List;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** The price book in PostgreSQL: an item is never written over, the next revision ends it. */
@Mapper
interface PriceBookMapper {
    /** An item as stored. */
    record ItemRow(String code, String doc) {}

    /** Who changed what, when. */
    record RevisionRow(int revision, String note, String savedBy, Instant savedAt) {}

    @Select("select coalesce(max(revision), 0) from price_revision")
    int head();

    /** Nobody else changes the book until the transaction ends. */
    @Update("lock table price_revision in exclusive mode")
    void lock();

    @Select("select code, doc from price_item where from_revision <= #{revision}"
            + " and (to_revision is null or to_revision > #{revision})")
    List<ItemRow> items(@Param("revision") int revision);

    /** Codes of which something changed after a revision. */
    @Select("select distinct code from price_item where from_revision > #{revision} or to_revision > #{revision}")
    List<String> changedSince(@Param("revision") int revision);

    @Select("select revision, note, saved_by, saved_at from price_revision order by revision desc limit 100")
    List<RevisionRow> revisions();

    @Insert("insert into price_revision (revision, note, saved_by, saved_at)"
            + " values (#{revision}, #{note}, #{savedBy}, #{savedAt})")
    void insertRevision(RevisionRow row);

    /** @param codes JSON list of texts */
    @Update("update price_item set to_revision = #{revision} where to_revision is null"
            + " and code in (select jsonb_array_elements_text(#{codes}::jsonb))")
    void end(@Param("revision") int revision, @Param("codes") String codes);

    /** @param items JSON list of items, each with its code */
    @Insert("insert into price_item (code, doc, from_revision)"
            + " select i ->> 'code', i, #{revision} from jsonb_array_elements(#{items}::jsonb) i")
    void insert(@Param("revision") int revision, @Param("items") String items);
}
