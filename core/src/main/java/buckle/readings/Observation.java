package buckle.readings;

import buckle.rulebook.Values;
import buckle.site.Anchor;
import buckle.site.GeoPoint;
import buckle.spec.Growth;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;

/**
 * Something measured or seen at the fence, as it was then.
 *
 * @param id made by whoever took it, so that a repeated send is stored once
 * @param meter what was measured with, as people call it
 * @param openSwitches ids of the switches that were open; empty when nobody said
 * @param corrects the observation this one takes the place of
 */
@RecordBuilder
public record Observation(
        UUID id,
        Spot at,
        Observed what,
        Optional<String> meter,
        Weather weather,
        Growth growth,
        Optional<List<String>> openSwitches,
        Instant takenAt,
        String takenBy,
        String note,
        Optional<UUID> corrects)
        implements ObservationBuilder.With {
    private static final int MOST_SWITCHES = 200;

    public Observation {
        openSwitches = openSwitches.map(List::copyOf);
        if (openSwitches.isPresent() && openSwitches.get().size() > MOST_SWITCHES) {
            throw new IllegalArgumentException("openSwitches: at most " + MOST_SWITCHES + " switches are named");
        }
        if (takenBy.isBlank()) {
            throw new IllegalArgumentException("takenBy: say who took the reading");
        }
    }

    /**
     * Where.
     *
     * @param testPointId by the layout's lasting name; empty away from the test points
     * @param stationM station then; the place itself is in {@code place}
     */
    public record Spot(Optional<String> testPointId, String lineId, double stationM, GeoPoint place) {
        /** The place on the ground, which a test point may have left since (V15). */
        public Anchor anchor() {
            return new Anchor(place, Values.V15_SAME_POINT_M);
        }
    }
}
