package buckle.review;

import buckle.land.Contact;
import buckle.land.Contacts;
import buckle.layout.FeedPlace;
import buckle.layout.Finding;
import buckle.layout.Severity;
import buckle.message.FeatureName;
import buckle.message.LandMessage;
import buckle.rulebook.Rule;
import buckle.rulebook.Values;
import buckle.site.LocalPlane;
import buckle.site.PlanePoint;
import buckle.site.Stationing;
import java.util.List;

/** What the lead-out crosses on its way to the fence; it is judged like a fence line. */
final class LeadOutFindings {
    private static final double LEAST_M = 0.5;

    private LeadOutFindings() {}

    static void of(FeedPlace feed, Contacts land, Buried buried, LocalPlane plane, List<Finding> findings) {
        List<PlanePoint> way = feed.path().stream().map(plane::toPlane).toList();
        if (feed.assumed() || way.size() < 2 || feed.leadOutM() < LEAST_M) {
            return;
        }
        for (Contact c : land.of(new Stationing(way, false))) {
            FeatureName name = FeatureName.of(c.feature());
            boolean crossed = !c.crossings().isEmpty();
            switch (c.feature().kind()) {
                case BURIED_SERVICE ->
                    buried.underLeadOut(c.feature()).ifPresent(says -> add(findings, Rule.C6, feed, says));
                case PUBLIC_WAY, TRACK -> {
                    if (crossed) {
                        add(findings, Rule.C9, feed, new LandMessage.LeadOutCrossesWay(name));
                    }
                }
                case CREEK, STANDING_WATER -> {
                    if (crossed || c.nearestM() == 0) {
                        add(findings, Rule.C9, feed, new LandMessage.LeadOutCrossesWater(name));
                    }
                }
                case OVERHEAD_LINE -> {
                    if (crossed) {
                        double clearance =
                                Values.c5ClearanceM(c.feature().traits().voltageKv());
                        add(findings, Rule.C5, feed, new LandMessage.LeadOutUnderOverhead(name, clearance));
                    }
                }
                case BOUNDARY -> {
                    if (crossed) {
                        add(findings, Rule.L2, feed, new LandMessage.LeadOutLeavesProperty(name));
                    }
                }
                case EXISTING_FENCE, BUILDING, POWER_OUTLET, OPENING, TREES, SOIL, NO_GO -> {}
            }
        }
    }

    private static void add(List<Finding> findings, Rule rule, FeedPlace feed, LandMessage says) {
        findings.add(Finding.at(rule, Severity.WARN, feed.lineId(), feed.stationM(), says));
    }
}
