package buckle.spec;

import buckle.material.Conductor;
import java.util.Optional;

/**
 * What one line has otherwise than the job; what is left out it has as the job.
 *
 * @param hot conductor of its hot wires
 */
public record LineSpec(
        String lineId,
        Optional<WireSchedule> schedule,
        Optional<BraceKind> brace,
        Optional<Conductor> hot,
        Optional<Stringing> stringing) {
    public LineSpec {
        hot.ifPresent(Conductor::requireElectrifiable);
    }

    /** The job's fence with what this line has otherwise. */
    FenceSpec of(FenceSpec job) {
        return job.withSchedule(schedule.orElse(job.schedule()))
                .withBraces(brace.map(job.braces()::withKind).orElse(job.braces()))
                .withWires(hot.map(job.wires()::withHot).orElse(job.wires()))
                .withStringing(stringing.orElse(job.stringing()));
    }
}
