package buckle.layout;

import buckle.land.Contacts;
import buckle.land.Surroundings;
import buckle.site.FenceLine;
import buckle.site.LocalPlane;
import buckle.site.Site;
import buckle.site.Tees;
import buckle.spec.Spec;
import buckle.task.Cancellation;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/** Site and spec become posts, pulls, joints and signs. Expects a site without problems ({@link buckle.site.SiteCheck}). */
public final class FencePlanner {
    private FencePlanner() {}

    /** Lays out every line of a site. */
    public static Fence plan(Site given, Surroundings around, Spec spec) {
        Site site = Tees.snapBranches(given);
        LocalPlane plane = site.plane();
        List<Finding> findings = new ArrayList<>();
        List<Tees.Tee> tees = Tees.of(site, plane);
        Contacts land = new Contacts(around.land(), plane);
        LaidLine[] laid = new LaidLine[site.lines().size()];
        Coils coils = new Coils();
        for (int i : innerFirst(site)) {
            Cancellation.check();
            FenceLine line = site.lines().get(i);
            List<Tees.Tee> branches =
                    tees.stream().filter(t -> t.onLineId().equals(line.id())).toList();
            List<Post> inner = Arrays.stream(laid)
                    .filter(l -> l != null
                            && line.book().beside().filter(l.id()::equals).isPresent())
                    .flatMap(l -> l.layout().posts().stream())
                    .toList();
            laid[i] = new LinePlanner(line, spec, plane, branches, land, around.terrain(), inner, coils, findings)
                    .layOut();
        }
        List<LaidLine> lines = List.of(laid);
        if (lines.isEmpty()) {
            return new Fence(
                    site, spec, plane, lines, tees, Optional.empty(), List.of(), List.of(), List.of(), findings);
        }
        List<Lead> leads = Leads.of(lines, tees, plane, findings);
        FeedPlace feed = FeedPlanner.plan(site, spec, plane, around.land(), lines);
        return new Fence(
                site,
                spec,
                plane,
                lines,
                tees,
                Optional.of(feed),
                leads,
                Wiring.of(lines, tees, leads, feed, spec),
                Signs.of(lines, spec),
                findings);
    }

    /** Outer rows of double fences come after the rows whose posts theirs stand opposite. */
    private static List<Integer> innerFirst(Site site) {
        return IntStream.range(0, site.lines().size())
                .boxed()
                .sorted(Comparator.comparing(
                        i -> site.lines().get(i).book().beside().isPresent()))
                .toList();
    }
}
