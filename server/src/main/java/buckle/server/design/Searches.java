package buckle.server.design;

import buckle.land.Land;
import buckle.readings.FaultSearch;
import buckle.readings.FaultSearch.OnFoot;
import buckle.readings.Observation;
import buckle.spec.Plan;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Searches that go on: the table of a fence is made once, each step of a crew then asks it. */
@Component
public class Searches {
    private static final int KEPT = 4;

    private final Designs designs;
    private final Map<Asked, FaultSearch> known = new LinkedHashMap<>(16, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<Asked, FaultSearch> eldest) {
            return size() > KEPT;
        }
    };

    Searches(Designs designs) {
        this.designs = designs;
    }

    /** @param inOrder readings that the fence is known by */
    private record Asked(Plan plan, Land land, boolean currents, List<Observation> inOrder) {}

    /** Empty while nothing is fed. */
    public Optional<FaultSearch> of(Plan plan, Land land, List<Observation> readings, Instant since, OnFoot crew) {
        boolean currents = FaultSearch.currents(crew, readings, since);
        Asked asked = new Asked(plan, land, currents, FaultSearch.inOrder(plan, readings, since));
        FaultSearch found;
        synchronized (known) {
            found = known.get(asked);
        }
        if (found != null && found.knows(plan, readings, since)) {
            return Optional.of(found);
        }
        Designs.Worked worked = designs.of(plan, land);
        Optional<FaultSearch> made =
                FaultSearch.of(plan, worked.design().laid(), worked.around(), readings, since, currents);
        made.ifPresent(m -> {
            synchronized (known) {
                known.put(asked, m);
            }
        });
        return made;
    }
}
