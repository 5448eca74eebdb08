package buckle.takeoff;

import buckle.layout.Layout;
import buckle.layout.LayoutPlanner;
import buckle.site.BadInput;
import buckle.site.Problem;
import buckle.site.Site;
import buckle.site.SiteCheck;
import buckle.spec.Spec;
import java.util.List;

/** All that follows from a site and a spec. */
public record Design(Layout layout, List<TakeoffLine> takeoff, List<LedgerFigure> ledger) {
    public Design {
        takeoff = List.copyOf(takeoff);
        ledger = List.copyOf(ledger);
    }

    /**
     * Lays out and counts.
     *
     * @throws BadInput when the site cannot be laid out
     */
    public static Design of(Site site, Spec spec) {
        List<Problem> problems = SiteCheck.problems(site);
        if (!problems.isEmpty()) {
            throw new BadInput(problems);
        }
        Layout layout = LayoutPlanner.layOut(site, spec);
        List<TakeoffLine> takeoff = Takeoff.of(layout, spec);
        return new Design(layout, takeoff, Ledger.of(layout, spec, takeoff));
    }
}
