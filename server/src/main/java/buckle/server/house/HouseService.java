package buckle.server.house;

import buckle.exchange.Json;
import buckle.rulebook.Rule;
import buckle.server.house.HouseMapper.HouseRow;
import buckle.server.web.Trouble;
import buckle.spec.School.House;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps the house's way; a change on top of an older revision is refused. */
@Service
public class HouseService {
    private final HouseMapper mapper;
    private final Clock clock;

    HouseService(HouseMapper mapper, Clock clock) {
        this.mapper = mapper;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    public HouseState state() {
        List<HouseRow> rows = mapper.all();
        if (rows.isEmpty()) {
            return new HouseState(0, House.OPEN, Rule.REVISION, Optional.empty(), List.of());
        }
        HouseRow head = rows.getFirst();
        List<HouseState.Earlier> earlier = rows.stream()
                .skip(1)
                .map(r -> new HouseState.Earlier(r.revision(), read(r), r.rulebookRevision(), r.savedAt()))
                .toList();
        return new HouseState(
                head.revision(), read(head), head.rulebookRevision(), Optional.of(head.savedAt()), earlier);
    }

    /** Stores another way as the next revision. */
    @Transactional
    public HouseState save(int baseRevision, House house) {
        HouseState now = state();
        boolean stale = now.revision() != baseRevision;
        int next = baseRevision + 1;
        if (stale || mapper.insert(next, Json.MAPPER.writeValueAsString(house), Rule.REVISION, clock.instant()) == 0) {
            throw new Trouble(
                    409,
                    "house.stale",
                    "The house's way was changed elsewhere in the meantime. Look at it and decide again.",
                    Map.of("currentRevision", now.revision()));
        }
        return state();
    }

    private static House read(HouseRow row) {
        return Json.MAPPER.readValue(row.doc(), House.class);
    }
}
