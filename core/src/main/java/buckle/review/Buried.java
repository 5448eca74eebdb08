package buckle.review;

import buckle.land.Contact;
import buckle.land.Contacts;
import buckle.land.LandFeature;
import buckle.land.LandKind;
import buckle.land.Surroundings;
import buckle.layout.Brace;
import buckle.layout.EarthPlace;
import buckle.layout.FeedPlace;
import buckle.layout.Finding;
import buckle.layout.LineLayout;
import buckle.layout.Post;
import buckle.layout.PostKind;
import buckle.layout.Severity;
import buckle.message.FeatureName;
import buckle.message.LandMessage;
import buckle.message.LandMessage.Dug;
import buckle.message.LandMessage.Thing;
import buckle.message.LandMessage.Where;
import buckle.message.Span;
import buckle.rulebook.Rule;
import buckle.rulebook.Values;
import buckle.site.GeoPoint;
import buckle.site.LocalPlane;
import buckle.site.PlanePoint;
import buckle.spec.BraceKind;
import buckle.spec.Spec;
import buckle.spec.WireRole;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** C6: all that goes into the ground, each with its own depth, against the services that lie there. */
final class Buried {
    private final Surroundings around;
    private final Spec spec;
    private final LocalPlane plane;
    private final List<Finding> findings;

    Buried(Surroundings around, Spec spec, LocalPlane plane, List<Finding> findings) {
        this.around = around;
        this.spec = spec;
        this.plane = plane;
        this.findings = findings;
    }

    /** Along a line: posts, anchors, stakes and conduit within reach of a service. */
    void along(Contact c, LineLayout line) {
        List<Dug> dug = new ArrayList<>();
        for (Post post : line.posts()) {
            if (post.stationM() >= c.fromM() && post.stationM() <= c.toM()) {
                if (!post.shared()) {
                    dug.add(new Dug(new Thing.PostAt(post.number(), post.stationM()), post.depthM()));
                }
                if (post.kind() == PostKind.TIE_DOWN) {
                    dug.add(new Dug(new Thing.TieDownAt(post.number(), post.stationM()), Values.P18_ANCHOR_DEPTH_M));
                }
            }
        }
        line.braces().stream()
                .filter(b -> b.kind() == BraceKind.BACK_STAKE)
                .map(Brace::strongStationM)
                .distinct()
                .filter(s -> s >= c.fromM() - Values.B5_OUT_M && s <= c.toM() + Values.B5_OUT_M)
                .forEach(s -> dug.add(new Dug(new Thing.BackStakeAt(s), Values.B5_STAKE_DEPTH_M)));
        line.gates().stream()
                .filter(g -> g.kind().buried(line.schedule().count(WireRole.EARTH) > 0)
                        && g.toM() >= c.fromM()
                        && g.fromM() <= c.toM())
                .forEach(g -> dug.add(new Dug(
                        new Thing.ConduitUnder(g.name()),
                        spec.fence().underGate().burialM())));
        List<Dug> met = dug.stream().filter(d -> meets(d, c.feature())).toList();
        boolean crosses = !c.crossings().isEmpty();
        Where where = !crosses
                ? new Where.Beside(c.nearestM(), new Span(c.fromM(), c.toM()))
                : met.isEmpty()
                        ? new Where.Crosses()
                        : new Where.CrossesAt(c.crossings().getFirst().stationM());
        FeatureName name = FeatureName.of(c.feature());
        OptionalDouble depth = c.feature().traits().depthM();
        findings.add(Finding.at(
                Rule.C6,
                met.isEmpty() ? Severity.CAUTION : Severity.WARN,
                line.lineId(),
                c.fromM(),
                met.isEmpty()
                        ? new LandMessage.ServiceClear(name, depth, where)
                        : new LandMessage.ServiceMet(name, depth, where, Values.L2_NEAR_SERVICE_M, met)));
    }

    /** Ground rods and the lead-out, which stand on no line. */
    void feed(FeedPlace feed) {
        if (feed.assumed()) {
            return;
        }
        GeoPoint at = GeoPoint.of(feed.lonDeg(), feed.latDeg());
        List<EarthPlace> placed =
                feed.earth().stream().filter(r -> r.placed() && !r.stands()).toList();
        PlanePoint energizer = plane.toPlane(at);
        for (EarthPlace rod : placed) {
            rods(
                    feed,
                    plane.toGeo(energizer.plus(rod.eastM(), rod.northM())),
                    0,
                    new Dug(new Thing.GroundRods(1), rod.lengthM()));
        }
        if (feed.earth().stream().anyMatch(r -> !r.placed() && !r.stands())) {
            Dug rods = new Dug(new Thing.GroundRods(feed.rods()), Math.max(0, feed.rodM() - Values.G5_ABOVE_M));
            rods(feed, at, feed.groundLeadM(), rods);
        }
    }

    private void rods(FeedPlace feed, GeoPoint at, double leadM, Dug rods) {
        double reach = leadM + Values.L2_NEAR_SERVICE_M;
        for (LandFeature f : around.land().features()) {
            if (f.kind() == LandKind.BURIED_SERVICE && Contacts.distanceM(f, at, plane) <= reach && meets(rods, f)) {
                findings.add(Finding.at(
                        Rule.C6,
                        Severity.WARN,
                        feed.lineId(),
                        feed.stationM(),
                        new LandMessage.RodsOverService(
                                FeatureName.of(f),
                                f.traits().depthM(),
                                Contacts.distanceM(f, at, plane),
                                rods,
                                leadM)));
            }
        }
    }

    /** The lead-out lies in the ground as deep as cable under a gate. */
    Optional<LandMessage> underLeadOut(LandFeature f) {
        Dug cable = new Dug(new Thing.LeadOut(), spec.fence().underGate().burialM());
        return meets(cable, f)
                ? Optional.of(new LandMessage.LeadOutOverService(
                        FeatureName.of(f), f.traits().depthM(), cable.depthM()))
                : Optional.empty();
    }

    private static boolean meets(Dug dug, LandFeature service) {
        OptionalDouble depth = service.traits().depthM();
        return depth.isEmpty() || depth.getAsDouble() < dug.depthM() + Values.L2_ABOVE_SERVICE_M;
    }
}
