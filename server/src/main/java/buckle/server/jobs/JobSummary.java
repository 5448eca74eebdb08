package buckle.server.jobs;

import buckle.units.UnitSystem;
import java.util.List;

/**
 * What the list says of a job besides its name.
 *
 * @param standing one sentence on how far it is
 * @param sections how many sections stand how
 * @param outline of each line longitudes and latitudes in turn, for a small drawing
 */
public record JobSummary(
        String animals,
        double lengthM,
        UnitSystem units,
        Stage stage,
        String standing,
        SectionCounts sections,
        List<List<Double>> outline) {
    static final JobSummary UNREADABLE =
            without(Stage.UNREADABLE, "cannot be read by this Buckle; it is kept as it is");
    static final JobSummary NONE = without(Stage.NEW, "");

    /** How far a job has come. */
    public enum Stage {
        NEW,
        LAID_OUT,
        TESTED,
        /** Its plan cannot be read; it is kept as it is. */
        UNREADABLE
    }

    /** Sections of a job by standing. */
    public record SectionCounts(int met, int warn, int broken, int open) {}

    private static JobSummary without(Stage stage, String standing) {
        return new JobSummary("", 0, UnitSystem.FT_IN, stage, standing, new SectionCounts(0, 0, 0, 0), List.of());
    }
}
