package buckle.spec;

import buckle.site.Site;

/** The plan of a job as it is stored: the site and what shall be built on it. */
public record Plan(Site site, Spec spec) {
    public static final Plan EMPTY = new Plan(Site.EMPTY, Spec.usual());
}
