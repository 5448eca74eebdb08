package buckle.server.land;

import java.time.Instant;
import java.util.Optional;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** Pictures and terrain grids in PostgreSQL, by the hash of their contents. */
@Mapper
interface AttachmentMapper {
    /** What is stored under a hash. */
    @SuppressWarnings("ArrayRecordComponent")
    record AttachmentRow(String hash, String mediaType, byte[] bytes, Instant storedAt) {}

    @Insert("insert into attachment (hash, media_type, bytes, stored_at) values (#{hash}, #{mediaType}, #{bytes},"
            + " #{storedAt}) on conflict (hash) do nothing")
    void insert(AttachmentRow row);

    @Select("select hash, media_type, bytes, stored_at from attachment where hash = #{hash}")
    Optional<AttachmentRow> find(@Param("hash") String hash);

    @Select("select exists (select 1 from attachment where hash = #{hash})")
    boolean exists(@Param("hash") String hash);
}
