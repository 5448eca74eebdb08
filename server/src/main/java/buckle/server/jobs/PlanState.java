package buckle.server.jobs;

import buckle.server.revisions.RevisionStore;
import buckle.spec.Plan;
import java.time.Instant;

/**
 * A job's plan as the server holds it.
 *
 * @param rulebook revision of the rulebook it was last saved under
 * @param saveNo number of the last save; the next save names it as its base
 */
public record PlanState(int revision, long saveNo, Plan plan, Instant savedAt, String savedBy, int rulebook) {
    static PlanState of(RevisionStore.State<Plan> state) {
        return new PlanState(
                state.revision(), state.saveNo(), state.content(), state.savedAt(), state.savedBy(), state.rulebook());
    }
}
