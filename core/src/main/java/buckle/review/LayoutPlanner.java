package buckle.review;

import buckle.land.Surroundings;
import buckle.layout.FeedPlace;
import buckle.layout.Fence;
import buckle.layout.FencePlanner;
import buckle.layout.Finding;
import buckle.layout.Layout;
import buckle.layout.LineLayout;
import buckle.layout.Severity;
import buckle.message.LayoutMessage;
import buckle.network.FenceNetwork;
import buckle.rulebook.Rule;
import buckle.site.Site;
import buckle.spec.Circumstances;
import buckle.spec.Decisions;
import buckle.spec.GroundSchool;
import buckle.spec.Plan;
import buckle.spec.Spec;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Site and spec become the fence, joined up and looked over. Expects a site without problems ({@link buckle.site.SiteCheck}). */
public final class LayoutPlanner {
    private LayoutPlanner() {}

    /** On open ground: nothing is known around the fence. */
    public static Layout layOut(Site site, Spec spec) {
        return layOut(site, Surroundings.NONE, spec);
    }

    /** Without anything accepted. */
    public static Layout layOut(Site site, Surroundings around, Spec spec) {
        return laid(new Plan(site, spec, Circumstances.USUAL, Decisions.NONE), around)
                .layout();
    }

    /** A whole plan; findings that were accepted say so. */
    public static Layout layOut(Plan plan, Surroundings around) {
        return laid(plan, around).layout();
    }

    /** A whole plan, with the network that later stages ask. */
    public static Laid laid(Plan plan, Surroundings around) {
        Fence fence = FencePlanner.plan(plan.site(), around, plan.spec());
        if (fence.feed().isEmpty()) {
            Layout nothing = new Layout(
                    fence.plane().origin(),
                    List.of(),
                    Optional.empty(),
                    List.of(),
                    List.of(),
                    List.of(),
                    List.of(),
                    List.of(),
                    fence.findings(),
                    List.of());
            return new Laid(fence, Optional.empty(), nothing);
        }
        FenceNetwork network = FenceNetwork.of(fence);
        Layout layout = new Layout(
                fence.plane().origin(),
                fence.layouts(),
                fence.feed(),
                network.sections(),
                network.testPoints(),
                fence.leads(),
                fence.joints(),
                fence.signs(),
                findings(fence, network, around),
                EveryJob.of(fence.layouts(), fence.spec()));
        return new Laid(fence, Optional.of(network), Acceptances.apply(layout, fence, plan.decisions()));
    }

    private static List<Finding> findings(Fence fence, FenceNetwork network, Surroundings around) {
        List<Finding> findings = new ArrayList<>(fence.findings());
        NetworkFindings.of(fence, network, findings);
        feed(fence, findings);
        PostFindings.of(fence, findings);
        GateFindings.of(fence, network, findings);
        ScheduleFindings.of(fence, findings);
        findings.addAll(LandFindings.of(fence, around));
        return Findings.folded(findings);
    }

    private static void feed(Fence fence, List<Finding> findings) {
        FeedPlace feed = fence.feed().orElseThrow();
        if (feed.assumed()) {
            findings.add(Finding.at(Rule.C1, Severity.WARN, feed.lineId(), 0, new LayoutMessage.EnergizerNotPlaced()));
        }
        boolean closed = fence.layouts().stream().anyMatch(LineLayout::closed);
        if (feed.school() == GroundSchool.BY_AREA && !closed) {
            findings.add(Finding.ofJob(Rule.G2, Severity.NOTE, new LayoutMessage.NoAreaForRods()));
        }
        if (feed.school() == GroundSchool.ONE_LONG_ROD) {
            findings.add(Finding.ofJob(Rule.G3, Severity.WARN, new LayoutMessage.OneRodOnly()));
        }
    }
}
