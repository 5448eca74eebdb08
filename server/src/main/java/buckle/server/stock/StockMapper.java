package buckle.server.stock;

import buckle.stock.StockBooking.Account;
import buckle.stock.StockBooking.Kind;
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

/** The stock's ledger in PostgreSQL. */
@Mapper
interface StockMapper {
    /** A booking as stored. */
    record BookingRow(UUID id, Kind kind, @Nullable UUID sheetId, String reason, String bookedBy, Instant bookedAt) {}

    /** An entry, or a sum of entries. */
    record EntryRow(Account account, String place, String product, double lengthM, double amount) {}

    /** What bookings of a kind did to an account. */
    record SumRow(Kind kind, Account account, String product, double amount) {}

    /** A line of the history. */
    record MoveRow(
            UUID id,
            Kind kind,
            Instant bookedAt,
            String bookedBy,
            String reason,
            @Nullable String job,
            Account account,
            String place,
            String product,
            double lengthM,
            double amount) {}

    /** Bookings follow one another: nobody else books until the transaction ends. */
    @Update("lock table stock_booking in exclusive mode")
    void lock();

    @Select("select id, kind, sheet_id, reason, booked_by, booked_at from stock_booking where id = #{id}")
    Optional<BookingRow> booking(@Param("id") UUID id);

    @Select("select account, place, product, length_m, amount from stock_entry where booking_id = #{id}")
    List<EntryRow> entries(@Param("id") UUID id);

    @Insert("insert into stock_booking (id, kind, sheet_id, reason, booked_by, booked_at)"
            + " values (#{id}, #{kind}, #{sheetId}, #{reason}, #{bookedBy}, #{bookedAt})")
    void insert(BookingRow row);

    @Insert("insert into stock_entry (booking_id, account, place, product, length_m, amount) values (#{id},"
            + " #{e.account}, #{e.place}, #{e.product}, #{e.lengthM}, #{e.amount})")
    void insertEntry(@Param("id") UUID id, @Param("e") EntryRow entry);

    @Update("update stock_balance set amount = amount + #{amount} where account = #{account} and place = #{place}"
            + " and product = #{product} and length_m = #{lengthM}::numeric(12, 3)")
    int add(EntryRow entry);

    @Insert("insert into stock_balance (account, place, product, length_m, amount)"
            + " values (#{account}, #{place}, #{product}, #{lengthM}, #{amount})")
    void open(EntryRow entry);

    @Select("select coalesce(sum(amount), 0) from stock_balance where account = #{account} and place = #{place}"
            + " and product = #{product} and length_m = #{lengthM}::numeric(12, 3)")
    double balance(
            @Param("account") Account account,
            @Param("place") String place,
            @Param("product") String product,
            @Param("lengthM") double lengthM);

    @Select("select account, place, product, length_m, amount from stock_balance where account = #{account}"
            + " and amount > 0 order by product, length_m desc, place")
    List<EntryRow> lots(@Param("account") Account account);

    @Select("select account, place, product, length_m, amount from stock_balance where account = #{account}"
            + " and place = #{place} and amount > 0 order by product, length_m desc")
    List<EntryRow> lotsAt(@Param("account") Account account, @Param("place") String place);

    /** Entries of a sheet's bookings, summed up by product. */
    @Select("select b.kind, e.account, e.product, sum(e.amount) as amount from stock_entry e"
            + " join stock_booking b on b.id = e.booking_id where b.sheet_id = #{sheet}"
            + " group by b.kind, e.account, e.product")
    List<SumRow> sums(@Param("sheet") UUID sheet);

    @Select("select count(*) from stock_booking where sheet_id = #{sheet}")
    int bookings(@Param("sheet") UUID sheet);

    /** Entries in the yard, newest first. */
    @Select("select b.id, b.kind, b.booked_at, b.booked_by, b.reason, j.name as job, e.account, e.place, e.product,"
            + " e.length_m, e.amount from stock_entry e join stock_booking b on b.id = e.booking_id"
            + " left join load_sheet s on s.id = b.sheet_id left join job j on j.id = s.job_id where e.account = 'YARD'"
            + " and (#{product} = '' or e.product = #{product}) order by b.booked_at desc, b.id limit #{limit}")
    List<MoveRow> history(@Param("product") String product, @Param("limit") int limit);
}
