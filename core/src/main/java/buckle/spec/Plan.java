package buckle.spec;

import buckle.site.Site;
import io.soabase.recordbuilder.core.RecordBuilder;

/**
 * The plan of a job as it is stored: the site, what shall be built on it, and what was decided about it.
 *
 * @param circumstances it is looked at in
 */
@RecordBuilder
public record Plan(Site site, Spec spec, Circumstances circumstances, Decisions decisions) implements PlanBuilder.With {
    public static final Plan EMPTY = new Plan(Site.EMPTY, Spec.USUAL, Circumstances.USUAL, Decisions.NONE);
}
