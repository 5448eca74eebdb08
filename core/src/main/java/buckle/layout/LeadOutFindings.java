package buckle.layout;

import buckle.land.Contact;
import buckle.land.Contacts;
import buckle.rulebook.Values;
import buckle.site.LocalPlane;
import buckle.site.PlanePoint;
import buckle.site.Stationing;
import buckle.spec.Spec;
import buckle.units.Lengths;
import java.util.List;

/** What the lead-out crosses on its way to the fence; it is judged like a fence line. */
final class LeadOutFindings {
    private static final double LEAST_M = 0.5;

    private LeadOutFindings() {}

    static void of(FeedPlace feed, Contacts land, Buried buried, Spec spec, LocalPlane plane, List<Finding> findings) {
        List<PlanePoint> way = feed.path().stream().map(plane::toPlane).toList();
        if (feed.assumed() || way.size() < 2 || feed.leadOutM() < LEAST_M) {
            return;
        }
        for (Contact c : land.of(new Stationing(way, false))) {
            String name = LandFindings.named(c.feature());
            boolean crossed = !c.crossings().isEmpty();
            switch (c.feature().kind()) {
                case BURIED_SERVICE ->
                    buried.underLeadOut(c.feature()).ifPresent(says -> add(findings, "C6", feed, says));
                case PUBLIC_WAY, TRACK -> {
                    if (crossed) {
                        add(
                                findings,
                                "C9",
                                feed,
                                name
                                        + " is crossed by the lead-out: cable in conduit deep enough for what drives there, both ends marked."
                                        + LandFindings.DECIDES);
                    }
                }
                case CREEK, STANDING_WATER -> {
                    if (crossed || c.nearestM() == 0) {
                        add(
                                findings,
                                "C9",
                                feed,
                                name + " is crossed by the lead-out: over it above the flood, or another way."
                                        + LandFindings.DECIDES);
                    }
                }
                case OVERHEAD_LINE -> {
                    if (crossed) {
                        add(
                                findings,
                                "C5",
                                feed,
                                name + " is crossed by the lead-out: in the ground there, and keep at least "
                                        + Lengths.text(
                                                Values.c5ClearanceM(
                                                        c.feature().traits().voltageKv()),
                                                spec.units())
                                        + " to its conductors while working." + LandFindings.DECIDES);
                    }
                }
                case BOUNDARY -> {
                    if (crossed) {
                        add(
                                findings,
                                "L2",
                                feed,
                                name
                                        + " is crossed by the lead-out, which leaves the property there. Ask whose ground it is.");
                    }
                }
                case EXISTING_FENCE, BUILDING, POWER_OUTLET, OPENING, TREES, SOIL, NO_GO -> {}
            }
        }
    }

    private static void add(List<Finding> findings, String rule, FeedPlace feed, String says) {
        findings.add(Finding.at(rule, Severity.WARN, feed.lineId(), feed.stationM(), says));
    }
}
