package buckle.exchange.job;

import buckle.land.GridTerrain;
import buckle.land.Land;
import buckle.land.Surroundings;
import buckle.land.Terrain;
import buckle.readings.Observation;
import buckle.site.Corner;
import buckle.site.GeoPoint;
import buckle.site.Site;
import buckle.spec.Plan;
import buckle.spec.Spec;
import buckle.upkeep.FaultNote;
import java.util.DoubleSummaryStatistics;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;

/**
 * A Buckle job as it travels: who it is for, the property, the plan, the readings and the log of faults.
 *
 * @param log notes of faults; photos stay at home
 * @param roundDays days between rounds, as agreed
 * @param grid heights around the job, when the property has a grid
 * @param leftOut what of a file could not be taken, a sentence each; empty for one that is written
 */
public record JobFile(
        String name,
        String client,
        String property,
        Plan plan,
        Land land,
        Optional<GridTerrain> grid,
        List<Observation> readings,
        List<FaultNote> log,
        OptionalInt roundDays,
        List<String> leftOut) {
    /** Version of the job file that this program writes and the newest it reads. */
    public static final int SCHEMA = 6;

    /** Ground that travels around a job, about 200 m. */
    private static final double AROUND_DEG = 0.002;

    public JobFile {
        readings = List.copyOf(readings);
        log = List.copyOf(log);
        leftOut = List.copyOf(leftOut);
    }

    /** Its lines. */
    public Site site() {
        return plan.site();
    }

    /** What is built on it. */
    public Spec spec() {
        return plan.spec();
    }

    /** What lies around the job. */
    public Surroundings around() {
        return Surroundings.of(land, grid);
    }

    /** The part of a property's grid that a job needs, with some ground around it. */
    public static Optional<GridTerrain> around(Site site, Terrain terrain) {
        List<GeoPoint> corners = site.lines().stream()
                .flatMap(l -> l.corners().stream())
                .map(Corner::at)
                .toList();
        if (!(terrain instanceof GridTerrain grid) || corners.isEmpty()) {
            return Optional.empty();
        }
        DoubleSummaryStatistics lon =
                corners.stream().mapToDouble(GeoPoint::lonDeg).summaryStatistics();
        DoubleSummaryStatistics lat =
                corners.stream().mapToDouble(GeoPoint::latDeg).summaryStatistics();
        return grid.cut(
                lon.getMin() - AROUND_DEG,
                lat.getMin() - AROUND_DEG,
                lon.getMax() + AROUND_DEG,
                lat.getMax() + AROUND_DEG);
    }
}
