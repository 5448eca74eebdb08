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
    String PROPERTY = "select p.id, c.name as client, p.name from property p join client c on c.id = p.client_id";

    /** A property as stored. */
    record PropertyRow(UUID id, String client, String name) {}

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

    @Insert("insert into property (id, client_id, name, created_at, changed_at)"
            + " select #{id}, c.id, #{name}, #{now}, #{now} from client c where c.name = #{client}"
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

    @Update("update property set changed_at = #{now} where id = #{id}")
    void touch(@Param("id") UUID id, @Param("now") Instant now);

    @Select("select count(*) from job where property_id = #{id}")
    int jobs(@Param("id") UUID id);
}
