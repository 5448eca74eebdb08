package buckle.exchange;

import buckle.land.GridTerrain;
import buckle.land.Land;
import buckle.land.Surroundings;
import buckle.readings.Reading;
import buckle.site.Site;
import buckle.spec.Spec;
import java.util.List;
import java.util.Optional;

/**
 * A Buckle job as it travels: who it is for, the property, the plan, the spec and the readings.
 *
 * @param grid heights around the job, when the property has a grid
 */
public record JobFile(
        String name,
        String client,
        String property,
        Site site,
        Land land,
        Optional<GridTerrain> grid,
        Spec spec,
        List<Reading> readings) {
    /** Version of the job file that this program writes and the newest it reads. */
    public static final int SCHEMA = 2;

    public JobFile {
        readings = List.copyOf(readings);
    }

    /** What lies around the job. */
    public Surroundings around() {
        return Surroundings.of(land, grid);
    }
}
