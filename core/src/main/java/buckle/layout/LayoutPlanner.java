package buckle.layout;

import buckle.land.Contacts;
import buckle.land.Surroundings;
import buckle.message.LayoutMessage;
import buckle.rulebook.Rule;
import buckle.site.FenceLine;
import buckle.site.LocalPlane;
import buckle.site.Site;
import buckle.site.Tees;
import buckle.spec.GroundSchool;
import buckle.spec.Plan;
import buckle.spec.Spec;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/** Site and spec become the fence. Expects a site without problems ({@link buckle.site.SiteCheck}). */
public final class LayoutPlanner {
    private LayoutPlanner() {}

    /** On open ground: nothing is known around the fence. */
    public static Layout layOut(Site site, Spec spec) {
        return layOut(site, Surroundings.NONE, spec);
    }

    /** A whole plan; findings that were accepted say so. */
    public static Layout layOut(Plan plan, Surroundings around) {
        return Acceptances.apply(layOut(plan.site(), around, plan.spec()), plan.decisions());
    }

    public static Layout layOut(Site given, Surroundings around, Spec spec) {
        Site site = Tees.settled(given);
        LocalPlane plane = site.plane();
        List<Finding> findings = new ArrayList<>();
        List<Tees.Tee> tees = Tees.of(site, plane);
        Contacts land = new Contacts(around.land(), plane);
        LineLayer[] layer = new LineLayer[site.lines().size()];
        LineLayout[] laid = new LineLayout[layer.length];
        Coils coils = new Coils();
        for (int i : innerFirst(site)) {
            FenceLine line = site.lines().get(i);
            List<Tees.Tee> branches =
                    tees.stream().filter(t -> t.onLineId().equals(line.id())).toList();
            List<Post> inner = Arrays.stream(laid)
                    .filter(l -> l != null
                            && line.book().beside().filter(l.lineId()::equals).isPresent())
                    .flatMap(l -> l.posts().stream())
                    .toList();
            layer[i] = new LineLayer(line, spec, plane, branches, land, around.terrain(), inner, coils, findings);
            laid[i] = layer[i].layOut();
        }
        List<LineLayer> layers = List.of(layer);
        List<LineLayout> lines = List.of(laid);
        if (lines.isEmpty()) {
            return new Layout(
                    plane.origin(),
                    lines,
                    Optional.empty(),
                    List.of(),
                    List.of(),
                    List.of(),
                    List.of(),
                    findings,
                    List.of());
        }
        FeedPlace feed = FeedPlanner.plan(site, spec, plane, around.land(), layers, lines);
        Network.Result network = Network.of(lines, layers, tees, feed, spec.ringClosed(), plane);
        findings.addAll(network.findings());
        feedFindings(feed, spec, lines, findings);
        PostFindings.of(layers, lines, spec, findings);
        GateFindings.of(layers, lines, new FedSide(lines, tees, feed), spec, findings);
        ScheduleFindings.of(layers, lines, spec, findings);
        List<Sign> signs = Signs.of(layers, lines, spec);
        findings.addAll(LandFindings.of(layers, lines, feed, signs, around, land, spec, plane));
        List<TestPoint> points = TestPoints.of(lines, layers, feed, network, plane);
        List<Joint> joints = Wiring.of(lines, tees, feed, spec);
        return new Layout(
                plane.origin(),
                lines,
                Optional.of(feed),
                network.sections(),
                points,
                joints,
                signs,
                Findings.folded(findings),
                EveryJob.of(lines, spec));
    }

    /** Outer rows of double fences come after the rows whose posts theirs stand opposite. */
    private static List<Integer> innerFirst(Site site) {
        return IntStream.range(0, site.lines().size())
                .boxed()
                .sorted(Comparator.comparing(
                        i -> site.lines().get(i).book().beside().isPresent()))
                .toList();
    }

    private static void feedFindings(FeedPlace feed, Spec spec, List<LineLayout> lines, List<Finding> findings) {
        if (feed.assumed()) {
            findings.add(Finding.at(Rule.C1, Severity.WARN, feed.lineId(), 0, new LayoutMessage.EnergizerNotPlaced()));
        }
        if (feed.school() == GroundSchool.BY_AREA && lines.stream().noneMatch(LineLayout::closed)) {
            findings.add(Finding.ofJob(Rule.G2, Severity.NOTE, new LayoutMessage.NoAreaForRods()));
        }
        if (feed.school() == GroundSchool.ONE_LONG_ROD) {
            findings.add(Finding.ofJob(Rule.G3, Severity.WARN, new LayoutMessage.OneRodOnly()));
        }
    }
}
