package buckle.server.practice;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** Results of practice in PostgreSQL: rows are added, never changed. */
@Mapper
interface PracticeMapper {
    String COLUMNS = "id, person, practice_case, seed, found, minutes, best_minutes, done_at";

    /** What came of one case. */
    record ResultRow(
            UUID id,
            String person,
            String practiceCase,
            long seed,
            boolean found,
            double minutes,
            double bestMinutes,
            Instant doneAt) {}

    @Insert("insert into practice_result (" + COLUMNS
            + ") values (#{id}, #{person}, #{practiceCase}, #{seed}, #{found}, #{minutes}, #{bestMinutes}, #{doneAt})"
            + " on conflict (id) do nothing")
    void insert(ResultRow row);

    @Select("select " + COLUMNS + " from practice_result where person = #{person} order by done_at desc, id limit 500")
    List<ResultRow> of(@Param("person") String person);
}
