package buckle.review;

import buckle.land.Contact;
import buckle.land.Contacts;
import buckle.land.LandFeature;
import buckle.layout.FeedPlace;
import buckle.layout.Finding;
import buckle.layout.Lead;
import buckle.layout.Severity;
import buckle.message.FeatureName;
import buckle.message.LandMessage;
import buckle.rulebook.Rule;
import buckle.rulebook.Values;
import buckle.site.LocalPlane;
import buckle.site.PlanePoint;
import buckle.site.Stationing;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;

/** What the lead-out crosses on its way to the fence, and a lead on its way from line to line; they are judged like a fence line. */
final class LeadOutFindings {
    private static final double LEAST_M = 0.5;

    private LeadOutFindings() {}

    static void of(FeedPlace feed, Contacts land, Buried buried, LocalPlane plane, List<Finding> findings) {
        List<PlanePoint> way = feed.path().stream().map(plane::toPlane).toList();
        if (feed.assumed() || way.size() < 2 || feed.leadOutM() < LEAST_M) {
            return;
        }
        Place place = new Place(feed.lineId(), feed.stationM(), "");
        judge(place, land.of(new Stationing(way, false)), service -> buried.underLeadOut(service), findings);
    }

    /** A lead lies on the ground or hangs over it: what is buried does not meet it. */
    static void of(Lead lead, Contacts land, LocalPlane plane, List<Finding> findings) {
        if (lead.lengthM() >= LEAST_M) {
            List<PlanePoint> way = List.of(plane.toPlane(lead.at()), plane.toPlane(lead.onAt()));
            Place place = new Place(lead.lineId(), lead.stationM(), lead.name());
            judge(place, land.of(new Stationing(way, false)), service -> Optional.empty(), findings);
        }
    }

    /** @param lead its name; empty for the lead-out */
    private record Place(String lineId, double stationM, String lead) {}

    private static void judge(
            Place at,
            List<Contact> contacts,
            Function<LandFeature, Optional<LandMessage>> buried,
            List<Finding> findings) {
        for (Contact c : contacts) {
            FeatureName name = FeatureName.of(c.feature());
            boolean crossed = !c.crossings().isEmpty();
            switch (c.feature().kind()) {
                case BURIED_SERVICE -> buried.apply(c.feature()).ifPresent(says -> add(findings, Rule.C6, at, says));
                case PUBLIC_WAY, TRACK -> {
                    if (crossed) {
                        add(findings, Rule.C9, at, new LandMessage.LeadOutCrossesWay(name, at.lead()));
                    }
                }
                case CREEK, STANDING_WATER -> {
                    if (crossed || c.nearestM() == 0) {
                        add(findings, Rule.C9, at, new LandMessage.LeadOutCrossesWater(name, at.lead()));
                    }
                }
                case OVERHEAD_LINE -> {
                    if (crossed) {
                        double clearance =
                                Values.c5ClearanceM(c.feature().traits().voltageKv());
                        add(findings, Rule.C5, at, new LandMessage.LeadOutUnderOverhead(name, at.lead(), clearance));
                    }
                }
                case BOUNDARY -> {
                    if (crossed) {
                        add(findings, Rule.L2, at, new LandMessage.LeadOutLeavesProperty(name, at.lead()));
                    }
                }
                case EXISTING_FENCE, BUILDING, POWER_OUTLET, OPENING, TREES, SOIL, NO_GO -> {}
            }
        }
    }

    private static void add(List<Finding> findings, Rule rule, Place at, LandMessage says) {
        findings.add(Finding.at(rule, Severity.WARN, at.lineId(), at.stationM(), says));
    }
}
