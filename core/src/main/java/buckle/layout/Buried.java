package buckle.layout;

import buckle.land.Contact;
import buckle.land.Contacts;
import buckle.land.LandFeature;
import buckle.land.LandKind;
import buckle.land.Surroundings;
import buckle.rulebook.Values;
import buckle.site.GeoPoint;
import buckle.site.LocalPlane;
import buckle.spec.BraceKind;
import buckle.spec.Spec;
import buckle.spec.WireRole;
import buckle.units.Lengths;
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

    /** Something that goes into the ground. */
    private record Dug(String what, double depthM) {}

    /** Along a line: posts, anchors, stakes and conduit within reach of a service. */
    void along(Contact c, LineLayout line) {
        List<Dug> dug = new ArrayList<>();
        for (Post post : line.posts()) {
            if (post.stationM() >= c.fromM() && post.stationM() <= c.toM()) {
                String at = post.number() + " at " + text(post.stationM());
                if (!post.shared()) {
                    dug.add(new Dug("post " + at, post.depthM()));
                }
                if (post.kind() == PostKind.TIE_DOWN) {
                    dug.add(new Dug("the tie-down of post " + at, Values.P18_ANCHOR_DEPTH_M));
                }
            }
        }
        line.braces().stream()
                .filter(b -> b.kind() == BraceKind.BACK_STAKE)
                .map(Brace::strongStationM)
                .distinct()
                .filter(s -> s >= c.fromM() - Values.B5_OUT_M && s <= c.toM() + Values.B5_OUT_M)
                .forEach(s -> dug.add(new Dug("the back-stake at " + text(s), Values.B5_STAKE_DEPTH_M)));
        line.gates().stream()
                .filter(g -> g.kind().buried(line.schedule().count(WireRole.EARTH) > 0)
                        && g.toM() >= c.fromM()
                        && g.fromM() <= c.toM())
                .forEach(g -> dug.add(new Dug(
                        "the conduit under " + g.name(), spec.underGate().burialM())));
        List<Dug> met = dug.stream().filter(d -> meets(d, c.feature())).toList();
        String where = met.isEmpty() && !c.crossings().isEmpty()
                ? "crosses the fence"
                : c.crossings().isEmpty()
                        ? "lies " + text(c.nearestM()) + " off " + stretch(c)
                        : "crosses at " + text(c.crossings().getFirst().stationM());
        findings.add(Finding.at(
                "C6",
                met.isEmpty() ? Severity.CAUTION : Severity.WARN,
                line.lineId(),
                c.fromM(),
                named(c.feature()) + " (" + known(c.feature()) + ") " + where
                        + (met.isEmpty()
                                ? "; nothing is driven or dug down to it as laid out. Have it located before driving."
                                : ". Within " + text(Values.L2_NEAR_SERVICE_M) + " of it go " + list(met)
                                        + ". Have it located, and dig by hand or move them.")
                        + LandFindings.DECIDES));
    }

    /** Ground rods and the lead-out, which stand on no line. */
    void feed(FeedPlace feed) {
        if (feed.assumed()) {
            return;
        }
        GeoPoint at = GeoPoint.of(feed.lonDeg(), feed.latDeg());
        double reach = feed.groundLeadM() + Values.L2_NEAR_SERVICE_M;
        Dug rods = new Dug(
                feed.rods() == 1 ? "the ground rod" : "the " + feed.rods() + " ground rods",
                feed.rodM() - Values.G5_ABOVE_M);
        for (LandFeature f : around.land().features()) {
            if (f.kind() == LandKind.BURIED_SERVICE && Contacts.distanceM(f, at, plane) <= reach && meets(rods, f)) {
                findings.add(Finding.at(
                        "C6",
                        Severity.WARN,
                        feed.lineId(),
                        feed.stationM(),
                        named(f) + " (" + known(f) + ") lies "
                                + text(Contacts.distanceM(f, at, plane)) + " from the energizer, and " + rods.what()
                                + " go " + text(rods.depthM())
                                + " deep. They have no place on the plan yet and are taken to stand in a row up to "
                                + text(feed.groundLeadM())
                                + " from it. Have the service located, and drive them clear of it."
                                + LandFindings.DECIDES));
            }
        }
    }

    /** The lead-out lies in the ground as deep as cable under a gate. */
    Optional<String> underLeadOut(LandFeature f) {
        Dug cable = new Dug("the lead-out", spec.underGate().burialM());
        return meets(cable, f)
                ? Optional.of(named(f) + " (" + known(f) + ") is crossed or neared by the lead-out, taken to lie "
                        + text(cable.depthM())
                        + " deep. Have it located, and dig by hand." + LandFindings.DECIDES)
                : Optional.empty();
    }

    private static boolean meets(Dug dug, LandFeature service) {
        OptionalDouble depth = service.traits().depthM();
        return depth.isEmpty() || depth.getAsDouble() < dug.depthM() + Values.L2_ABOVE_SERVICE_M;
    }

    private String list(List<Dug> met) {
        List<String> each = met.stream()
                .map(d -> d.what() + ", " + text(d.depthM()) + " deep")
                .toList();
        return each.size() == 1
                ? each.getFirst()
                : String.join("; ", each.subList(0, each.size() - 1)) + " and " + each.getLast();
    }

    private String known(LandFeature service) {
        OptionalDouble depth = service.traits().depthM();
        return depth.isPresent() ? text(depth.getAsDouble()) + " deep" : "depth not known";
    }

    private static String named(LandFeature f) {
        return LandFindings.named(f);
    }

    private String stretch(Contact c) {
        return c.toM() - c.fromM() < 0.5 ? "at " + text(c.fromM()) : "from " + text(c.fromM()) + " to " + text(c.toM());
    }

    private String text(double lengthM) {
        return Lengths.text(lengthM, spec.units());
    }
}
