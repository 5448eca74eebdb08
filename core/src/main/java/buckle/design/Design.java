package buckle.design;

import buckle.land.LandCheck;
import buckle.land.Surroundings;
import buckle.layout.Layout;
import buckle.review.Laid;
import buckle.review.LayoutPlanner;
import buckle.site.BadInput;
import buckle.site.Problem;
import buckle.site.Site;
import buckle.site.SiteCheck;
import buckle.spec.Circumstances;
import buckle.spec.Decisions;
import buckle.spec.Plan;
import buckle.spec.Spec;
import buckle.takeoff.Ledger;
import buckle.takeoff.LedgerFigure;
import buckle.takeoff.Takeoff;
import buckle.takeoff.TakeoffLine;
import java.util.ArrayList;
import java.util.List;

/** All that follows from a site, what is around it, and a spec. */
public record Design(Laid laid, List<TakeoffLine> takeoff, List<LedgerFigure> ledger) {
    public Design {
        takeoff = List.copyOf(takeoff);
        ledger = List.copyOf(ledger);
    }

    /** The layout as it is told. */
    public Layout layout() {
        return laid.layout();
    }

    /** On open ground: nothing is known around the fence. */
    public static Design of(Site site, Spec spec) {
        return of(site, Surroundings.NONE, spec);
    }

    /**
     * Lays out and counts.
     *
     * @throws BadInput when the site cannot be laid out
     */
    public static Design of(Site site, Surroundings around, Spec spec) {
        return of(new Plan(site, spec, Circumstances.USUAL, Decisions.NONE), around);
    }

    /**
     * Lays out and counts a whole plan.
     *
     * @throws BadInput when the site cannot be laid out
     */
    public static Design of(Plan plan, Surroundings around) {
        Site site = plan.site();
        Spec spec = plan.spec();
        List<Problem> problems = new ArrayList<>(SiteCheck.problems(site));
        problems.addAll(LandCheck.problems(around.land()));
        if (!problems.isEmpty()) {
            throw new BadInput(problems);
        }
        Laid laid = LayoutPlanner.laid(plan, around);
        Layout layout = laid.layout();
        List<TakeoffLine> takeoff = Takeoff.of(layout, spec);
        return new Design(laid, takeoff, Ledger.of(layout, spec, takeoff));
    }
}
