package buckle.server.jobs;

import buckle.spec.Plan;
import java.util.UUID;

/**
 * A plan to save.
 *
 * @param baseSaveNo save this one builds on
 * @param stretch one sitting at the plan; its saves share a revision
 * @param label names this save as a revision of its own that is kept for good; blank for an ordinary save
 */
public record PlanSave(long baseSaveNo, UUID stretch, Plan plan, String label) {}
