package buckle.spec;

import buckle.site.Site;

/** The plan of a job as it is stored: the site, what shall be built on it, and what was decided about it. */
public record Plan(Site site, Spec spec, Decisions decisions) {
    public static final Plan EMPTY = new Plan(Site.EMPTY, Spec.usual(), Decisions.NONE);

    /** With another spec. */
    public Plan with(Spec other) {
        return new Plan(site, other, decisions);
    }
}
