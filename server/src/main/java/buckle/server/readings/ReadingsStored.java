package buckle.server.readings;

import buckle.readings.Observation;
import java.util.List;
import java.util.UUID;

/** Readings that were not known before are about to be stored. */
public record ReadingsStored(UUID jobId, List<Observation> readings) {
    public ReadingsStored {
        readings = List.copyOf(readings);
    }
}
