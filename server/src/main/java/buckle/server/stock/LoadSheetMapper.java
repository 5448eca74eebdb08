package buckle.server.stock;

import buckle.stock.LoadSheet;
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

/** Load sheets in PostgreSQL. */
@Mapper
interface LoadSheetMapper {
    String COLUMNS = "id, job_id, doc, made_by, made_at, closed_by, closed_at";

    /** A sheet as stored. */
    record SheetRow(
            UUID id,
            UUID jobId,
            String doc,
            String madeBy,
            Instant madeAt,
            @Nullable String closedBy,
            @Nullable Instant closedAt) {}

    /** A tick as stored. */
    record TickRow(
            UUID sheetId,
            int line,
            LoadSheet.State state,
            @Nullable UUID bookingId,
            String tickedBy,
            Instant tickedAt) {}

    @Select("select " + COLUMNS + " from load_sheet where id = #{id}")
    Optional<SheetRow> find(@Param("id") UUID id);

    /** The same, and nobody else ticks on it until the transaction ends. */
    @Select("select " + COLUMNS + " from load_sheet where id = #{id} for update")
    Optional<SheetRow> locked(@Param("id") UUID id);

    @Select("select " + COLUMNS + " from load_sheet where job_id = #{job} order by made_at desc limit 1")
    Optional<SheetRow> newest(@Param("job") UUID job);

    @Select("select " + COLUMNS + " from load_sheet where closed_at is not null order by closed_at")
    List<SheetRow> closed();

    @Insert("insert into load_sheet (id, job_id, doc, made_by, made_at)"
            + " values (#{id}, #{jobId}, #{doc}::jsonb, #{madeBy}, #{madeAt})")
    void insert(SheetRow row);

    @Update("update load_sheet set closed_by = #{by}, closed_at = #{at} where id = #{id} and closed_at is null")
    int close(@Param("id") UUID id, @Param("by") String by, @Param("at") Instant at);

    @Update("delete from load_sheet where id = #{id} and closed_at is null")
    int remove(@Param("id") UUID id);

    @Update("delete from load_tick where sheet_id = #{id}")
    int removeTicks(@Param("id") UUID id);

    @Select("select sheet_id, line, state, booking_id, ticked_by, ticked_at from load_tick"
            + " where sheet_id = #{id} order by line")
    List<TickRow> ticks(@Param("id") UUID id);

    @Insert("insert into load_tick (sheet_id, line, state, booking_id, ticked_by, ticked_at) values (#{sheetId},"
            + " #{line}, #{state}, #{bookingId}, #{tickedBy}, #{tickedAt}) on conflict (sheet_id, line) do update"
            + " set state = excluded.state, booking_id = excluded.booking_id, ticked_by = excluded.ticked_by,"
            + " ticked_at = excluded.ticked_at")
    void tick(TickRow row);
}
