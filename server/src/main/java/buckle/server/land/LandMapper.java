package buckle.server.land;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Clients, properties and the revisions of their land in PostgreSQL. */
@Mapper
interface LandMapper {
    String PROPERTY = "select p.id, c.name as client, p.name, p.head_revision, p.save_no from property p"
            + " join client c on c.id = p.client_id";

    /** A property as stored. */
    record PropertyRow(UUID id, String client, String name, int headRevision, long saveNo) {}

    /** A revision of a property's land; the document as JSON text. */
    record LandRow(UUID propertyId, int revision, UUID stretch, boolean aside, String doc, Instant savedAt) {}

    /** A property in the list. */
    record PropertyInfo(UUID id, String client, String name, int jobs) {}

    @Select("select p.id, c.name as client, p.name, (select count(*) from job j where j.property_id = p.id) as jobs"
            + " from property p join client c on c.id = p.client_id order by c.name, p.name")
    List<PropertyInfo> all();

    @Select(PROPERTY + " where p.id = #{id}")
    Optional<PropertyRow> find(@Param("id") UUID id);

    @Select(PROPERTY + " where p.id = #{id} for update of p")
    Optional<PropertyRow> lock(@Param("id") UUID id);

    @Select(PROPERTY + " where c.name = #{client} and p.name = #{name} and p.name <> ''")
    Optional<PropertyRow> named(@Param("client") String client, @Param("name") String name);

    @Insert("insert into client (id, name, created_at) values (#{id}, #{name}, #{now}) on conflict (name) do nothing")
    void insertClient(@Param("id") UUID id, @Param("name") String name, @Param("now") Instant now);

    @Insert("insert into property (id, client_id, name, head_revision, save_no, created_at, changed_at)"
            + " select #{id}, c.id, #{name}, 1, 1, #{now}, #{now} from client c where c.name = #{client}"
            + " on conflict do nothing")
    int insertProperty(
            @Param("id") UUID id,
            @Param("client") String client,
            @Param("name") String name,
            @Param("now") Instant now);

    @Update("update property set client_id = (select id from client where name = #{client}), name = #{name},"
            + " changed_at = #{now} where id = #{id}")
    void rename(
            @Param("id") UUID id,
            @Param("client") String client,
            @Param("name") String name,
            @Param("now") Instant now);

    @Update("update property set head_revision = #{head}, save_no = #{saveNo}, changed_at = #{now} where id = #{id}")
    void update(@Param("id") UUID id, @Param("head") int head, @Param("saveNo") long saveNo, @Param("now") Instant now);

    @Select("select count(*) from job where property_id = #{id}")
    int jobs(@Param("id") UUID id);

    @Select("select property_id, revision, stretch, aside, doc, saved_at from land_revision"
            + " where property_id = #{id} and revision = #{revision}")
    Optional<LandRow> revision(@Param("id") UUID id, @Param("revision") int revision);

    @Select("select coalesce(max(revision), 0) from land_revision where property_id = #{id}")
    int lastRevision(@Param("id") UUID id);

    @Insert("insert into land_revision (property_id, revision, stretch, aside, doc, saved_at) values"
            + " (#{propertyId}, #{revision}, #{stretch}, #{aside}, #{doc}::jsonb, #{savedAt})")
    void insertRevision(LandRow row);

    @Update("update land_revision set doc = #{doc}::jsonb, saved_at = #{savedAt}"
            + " where property_id = #{propertyId} and revision = #{revision}")
    void updateRevision(LandRow row);
}
