package buckle.layout;

import buckle.site.LocalPlane;
import buckle.site.Site;
import buckle.site.Tees;
import buckle.spec.Spec;
import java.util.List;
import java.util.Optional;

/**
 * All lines of a job laid out, before they are joined up and looked over.
 *
 * @param site with every branch on the line it branches from
 * @param feed empty only when no line has been drawn
 * @param findings what laying out the lines had to say
 */
public record Fence(
        Site site,
        Spec spec,
        LocalPlane plane,
        List<LaidLine> lines,
        List<Tees.Tee> tees,
        Optional<FeedPlace> feed,
        List<Lead> leads,
        List<Joint> joints,
        List<Sign> signs,
        List<Finding> findings) {
    public Fence {
        lines = List.copyOf(lines);
        tees = List.copyOf(tees);
        leads = List.copyOf(leads);
        joints = List.copyOf(joints);
        signs = List.copyOf(signs);
        findings = List.copyOf(findings);
    }

    /** The lines alone. */
    public List<LineLayout> layouts() {
        return lines.stream().map(LaidLine::layout).toList();
    }

    /** The line of an id. */
    public LaidLine line(String id) {
        return lines.stream().filter(l -> l.id().equals(id)).findFirst().orElseThrow();
    }
}
