package buckle.server.house;

import buckle.rulebook.Rule;
import buckle.server.revisions.RevisionStore;
import buckle.server.web.RequestRefused;
import buckle.spec.School.House;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps the house's way; a change on top of an older revision is refused. */
@Service
public class HouseService {
    /** There is one house. */
    private static final UUID HOUSE = new UUID(0, 0);

    private final RevisionStore<House> houses;

    HouseService(RevisionStore<House> houses) {
        this.houses = houses;
    }

    @Transactional(readOnly = true)
    public HouseState state() {
        if (!houses.has(HOUSE)) {
            return new HouseState(0, House.OPEN, Rule.REVISION, Optional.empty(), List.of());
        }
        RevisionStore.State<House> now = houses.state(HOUSE);
        List<HouseState.Earlier> earlier = houses.list(HOUSE).stream()
                .filter(r -> r.revision() != now.revision() && !r.aside())
                .map(r -> new HouseState.Earlier(
                        r.revision(),
                        houses.content(HOUSE, r.revision()),
                        r.rulebookRevision(),
                        r.savedBy(),
                        r.savedAt()))
                .toList();
        return new HouseState(now.revision(), now.content(), now.rulebook(), Optional.of(now.savedAt()), earlier);
    }

    /** Stores another way as the next revision; one that is sent again, since its answer was lost, once. */
    @Transactional(noRollbackFor = RequestRefused.class)
    public HouseState save(int baseRevision, House house) {
        if (baseRevision == 0 && houses.open(HOUSE, house)) {
            return state();
        }
        if (houses.headRevision(HOUSE) == baseRevision + 1
                && houses.state(HOUSE).content().equals(house)) {
            return state();
        }
        if (houses.headRevision(HOUSE) != baseRevision) {
            throw new RequestRefused(
                    409,
                    "house.stale",
                    "The house's way was changed elsewhere in the meantime. Look at it and decide again.",
                    Map.of("currentRevision", houses.headRevision(HOUSE)));
        }
        houses.save(
                HOUSE, new RevisionStore.Save<>(houses.saveNo(HOUSE), UUID.randomUUID(), house), "house", r -> false);
        return state();
    }
}
