package buckle.layout;

import buckle.land.Contact;
import buckle.land.Contacts;
import buckle.land.LandFeature;
import buckle.land.LandKind;
import buckle.land.Surroundings;
import buckle.land.Terrain;
import buckle.land.Traits;
import buckle.rulebook.Values;
import buckle.site.GeoPoint;
import buckle.site.LocalPlane;
import buckle.site.Stationing;
import buckle.spec.Spec;
import buckle.units.Lengths;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;

/** What the property means for each line: crossings and nearness become findings with their stations. */
final class LandFindings {
    private static final String DECIDES = " Local code and licensed people decide.";
    private static final double RIGHT_DEG = 90;

    private final List<Finding> findings = new ArrayList<>();
    private final Surroundings around;
    private final Spec spec;
    private final LocalPlane plane;
    private final Floods floods;

    private LandFindings(Surroundings around, Spec spec, LocalPlane plane) {
        this.around = around;
        this.spec = spec;
        this.plane = plane;
        this.floods = new Floods(around, plane);
    }

    static List<Finding> of(
            List<LineLayer> layers,
            List<LineLayout> lines,
            FeedPlace feed,
            Surroundings around,
            Spec spec,
            LocalPlane plane) {
        LandFindings all = new LandFindings(around, spec, plane);
        if (around.land().features().isEmpty()) {
            return all.findings;
        }
        for (int i = 0; i < lines.size(); i++) {
            for (Contact contact : layers.get(i).contacts()) {
                all.contact(contact, lines.get(i));
            }
            all.floods(layers.get(i), lines.get(i));
        }
        all.earth(feed);
        return all.findings;
    }

    private void contact(Contact c, LineLayout line) {
        switch (c.feature().kind()) {
            case OVERHEAD_LINE -> overhead(c, line);
            case BURIED_SERVICE -> buried(c, line);
            case PUBLIC_WAY -> publicWay(c, line);
            case EXISTING_FENCE -> existing(c, line);
            case CREEK -> creek(c, line);
            case TRACK -> track(c, line);
            case TREES ->
                add(
                        "L2",
                        Severity.NOTE,
                        line,
                        c.fromM(),
                        named(c) + " " + stretch(c) + ": clear the line, and expect limbs on the wires.");
            case SOIL -> soil(c, line);
            case STANDING_WATER ->
                add(
                        "L2",
                        Severity.WARN,
                        line,
                        c.fromM(),
                        named(c) + " " + stretch(c)
                                + ": wires in water bleed the pulse and posts do not hold. Go round.");
            case NO_GO ->
                add("L2", Severity.WARN, line, c.fromM(), named(c) + " is entered " + stretch(c) + ". Go round it.");
            case BUILDING ->
                add(
                        "L2",
                        Severity.WARN,
                        line,
                        c.fromM(),
                        named(c) + " is " + (c.nearestM() == 0 ? "in the way " : "closer than a person passes ")
                                + stretch(c) + ". Leave a walkway, so that nobody backs into a live wire.");
            case BOUNDARY -> crossed(c, line, "L2", "the line leaves the property here. Ask whose ground it is.");
            case OPENING -> opening(c, line);
            case POWER_OUTLET -> {}
        }
    }

    private void overhead(Contact c, LineLayout line) {
        Traits t = c.feature().traits();
        double clearance = Values.c5ClearanceM(t.voltageKv());
        String volts = t.voltageKv().isPresent()
                ? number(t.voltageKv().getAsDouble()) + " kV"
                : "voltage not known, taken as the highest";
        String keep = "Keep at least " + text(clearance) + " to its conductors (" + volts + ")";
        for (Contact.Crossing x : c.crossings()) {
            boolean square = RIGHT_DEG - x.angleDeg() <= Values.C5_RIGHT_ANGLE_SLACK_DEG;
            add(
                    "C5",
                    square ? Severity.CAUTION : Severity.WARN,
                    line,
                    x.stationM(),
                    named(c) + " crosses at " + at(x.stationM()) + " under " + degrees(x.angleDeg())
                            + (square ? ". " : ": cross nearer to a right angle. ") + keep
                            + ", also with posts, wires and machines while working." + DECIDES);
        }
        if (c.crossings().isEmpty()) {
            add(
                    "C5",
                    Severity.WARN,
                    line,
                    c.fromM(),
                    named(c) + " runs " + text(c.nearestM()) + " beside the fence " + stretch(c) + ". " + keep
                            + "; a long parallel run picks up voltage." + DECIDES);
        }
        double top = spec.schedule().topM();
        if (top >= Values.C5_HIGHEST_FENCE_M) {
            add(
                    "C5",
                    Severity.WARN,
                    line,
                    c.fromM(),
                    "The fence is " + text(top) + " high; near " + named(c) + " it stays under "
                            + text(Values.C5_HIGHEST_FENCE_M) + "." + DECIDES);
        }
        if (t.lowestWireM().isPresent() && t.lowestWireM().getAsDouble() - top < clearance) {
            add(
                    "C5",
                    Severity.WARN,
                    line,
                    c.fromM(),
                    "Between the top wire at " + text(top) + " and the lowest conductor at "
                            + text(t.lowestWireM().getAsDouble()) + " lie "
                            + text(t.lowestWireM().getAsDouble() - top) + "; " + text(clearance) + " are needed."
                            + DECIDES);
        }
    }

    private void buried(Contact c, LineLayout line) {
        OptionalDouble depth = c.feature().traits().depthM();
        List<String> met = new ArrayList<>();
        double deepest = 0;
        for (Post post : line.posts()) {
            if (post.stationM() < c.fromM() || post.stationM() > c.toM() || post.shared()) {
                continue;
            }
            double postDepth = post.kind() == PostKind.LINE ? Values.P11_LINE_DEPTH_M : Values.P10_STRONG_DEPTH_M;
            if (depth.isEmpty() || depth.getAsDouble() < postDepth + Values.L2_ABOVE_SERVICE_M) {
                met.add(post.number() + " at " + at(post.stationM()));
                deepest = Math.max(deepest, postDepth);
            }
        }
        String where = c.crossings().isEmpty()
                ? "lies " + text(c.nearestM()) + " off " + stretch(c)
                : "crosses at " + at(c.crossings().getFirst().stationM());
        String known = depth.isPresent() ? text(depth.getAsDouble()) + " deep" : "depth not known";
        if (met.isEmpty()) {
            add(
                    "C6",
                    Severity.CAUTION,
                    line,
                    c.fromM(),
                    named(c) + " (" + known + ") " + where + "; no post stands over it as laid out. Have it located "
                            + "before driving." + DECIDES);
        } else {
            add(
                    "C6",
                    Severity.WARN,
                    line,
                    c.fromM(),
                    named(c) + " (" + known + ") " + where + ", and post " + String.join(", ", met) + " goes "
                            + text(deepest) + " deep within " + text(Values.L2_NEAR_SERVICE_M)
                            + " of it. Have it located, and dig by hand or move the post." + DECIDES);
        }
    }

    private void publicWay(Contact c, LineLayout line) {
        double every = spec.takeoff().signEveryM();
        int signs = (int) Math.max(1, Math.ceil((c.toM() - c.fromM()) / every - 1e-9));
        add(
                "C4",
                Severity.CAUTION,
                line,
                c.fromM(),
                named(c) + " comes within " + text(c.nearestM()) + " " + stretch(c) + ": warning signs towards it, "
                        + signs + " at every " + text(every)
                        + (c.crossings().isEmpty()
                                ? "."
                                : ", and where it crosses at "
                                        + at(c.crossings().getFirst().stationM()) + " a gate that people can open.")
                        + DECIDES);
    }

    private void existing(Contact c, LineLayout line) {
        Traits t = c.feature().traits();
        if (t.electrified().orElse(false)) {
            add(
                    "C3",
                    Severity.WARN,
                    line,
                    c.fromM(),
                    named(c) + " is fed by its own energizer and comes within " + text(c.nearestM()) + " " + stretch(c)
                            + "; keep them at least " + text(Values.C3_APART_M) + " apart." + DECIDES);
        }
        if (t.make().equals(Optional.of(Traits.FenceMake.BARBED))) {
            add(
                    "C2",
                    Severity.CAUTION,
                    line,
                    c.fromM(),
                    named(c) + " is barbed, within " + text(c.nearestM()) + " " + stretch(c)
                            + ". It is never electrified; a hot wire near it goes on offsets, away from people.");
        } else if (!t.electrified().orElse(false)) {
            String posts = t.postsUsable()
                    .map(usable -> usable ? " Its posts are usable." : " Its posts are not usable.")
                    .orElse("");
            add("L2", Severity.NOTE, line, c.fromM(), named(c) + " stands " + stretch(c) + "." + posts);
        }
    }

    private void creek(Contact c, LineLayout line) {
        for (Contact.Crossing x : c.crossings()) {
            add(
                    "J4",
                    Severity.WARN,
                    line,
                    x.stationM(),
                    named(c) + " is crossed at " + at(x.stationM())
                            + ": a hanging or sacrificial part of its own, behind its own cut-out above flood level.");
        }
    }

    private void track(Contact c, LineLayout line) {
        for (Contact.Crossing x : c.crossings()) {
            boolean gate = line.gates().stream()
                    .anyMatch(g -> x.stationM() > g.fromM() - Values.L2_NEAR_OPENING_M
                            && x.stationM() < g.toM() + Values.L2_NEAR_OPENING_M);
            if (!gate) {
                add(
                        "J5",
                        Severity.WARN,
                        line,
                        x.stationM(),
                        named(c) + " is crossed at " + at(x.stationM()) + " and there is no gate.");
            }
        }
    }

    private void opening(Contact c, LineLayout line) {
        boolean gate = line.gates().stream()
                .anyMatch(g -> g.toM() >= c.fromM() - Values.L2_NEAR_OPENING_M
                        && g.fromM() <= c.toM() + Values.L2_NEAR_OPENING_M);
        if (!gate) {
            add(
                    "J5",
                    Severity.WARN,
                    line,
                    c.fromM(),
                    named(c) + " at " + at(c.fromM()) + " is fenced shut: no gate there.");
        }
    }

    private void crossed(Contact c, LineLayout line, String rule, String sentence) {
        for (Contact.Crossing x : c.crossings()) {
            add(
                    rule,
                    Severity.WARN,
                    line,
                    x.stationM(),
                    named(c) + " is crossed at " + at(x.stationM()) + ": " + sentence);
        }
    }

    private void soil(Contact c, LineLayout line) {
        String depth = c.feature().traits().depthM().isPresent()
                ? " at " + text(c.feature().traits().depthM().getAsDouble())
                : "";
        c.feature().traits().soil().ifPresent(soil -> {
            switch (soil) {
                case STONE ->
                    add(
                            "P11",
                            Severity.WARN,
                            line,
                            c.fromM(),
                            "Stone" + depth + " " + stretch(c)
                                    + ": bar or pilot auger first; a post that stops on stone is recorded with its depth.");
                case WET ->
                    add(
                            "P10",
                            Severity.NOTE,
                            line,
                            c.fromM(),
                            "Wet ground " + stretch(c)
                                    + ": posts hold less, set strong ones deeper; good for ground rods.");
                case FROZEN_IN_SEASON ->
                    add(
                            "P10",
                            Severity.NOTE,
                            line,
                            c.fromM(),
                            "Ground that freezes " + stretch(c) + ": posts before the frost, feet below it.");
                case SAND ->
                    add(
                            "P10",
                            Severity.NOTE,
                            line,
                            c.fromM(),
                            "Sand " + stretch(c) + ": posts hold less, and dry sand carries the pulse back badly.");
                case CLAY, LOAM -> {}
            }
        });
    }

    /** Stations that lie under the flood of a creek: lower than its bed at the nearest place plus the rise. */
    private void floods(LineLayer layer, LineLayout line) {
        for (LandFeature creek : floods.creeks()) {
            if (around.terrain().equals(Terrain.NONE)) {
                if (layer.contacts().stream().anyMatch(c -> c.feature() == creek)) {
                    add(
                            "J4",
                            Severity.NOTE,
                            line,
                            0,
                            "How far “" + creek.title()
                                    + "” floods the fence cannot be told without heights of the ground.");
                }
                continue;
            }
            flooded(layer.stationing(), line, creek);
        }
    }

    private void flooded(Stationing stationing, LineLayout line, LandFeature creek) {
        double rise = creek.traits().floodRiseM().orElseThrow();
        double from = -1;
        double deepest = 0;
        double last = 0;
        double step = Math.max(around.terrain().stepM(), line.lengthM() / 2000);
        for (double s = 0; ; s = Math.min(line.lengthM(), s + step)) {
            double depth = floods.depthM(stationing.at(s), creek);
            boolean end = s >= line.lengthM();
            if (depth > 0) {
                from = from < 0 ? s : from;
                deepest = Math.max(deepest, depth);
                last = s;
            }
            if (from >= 0 && (depth <= 0 || end)) {
                add(
                        "J4",
                        Severity.WARN,
                        line,
                        from,
                        "“" + creek.title() + "” floods the fence from " + at(from) + " to " + at(last) + ", up to "
                                + text(deepest) + " deep when it rises " + text(rise)
                                + ": a cut-out on each side above the water, and no ground rods or joints below it.");
                from = -1;
                deepest = 0;
            }
            if (end) {
                return;
            }
        }
    }

    /** Ground rods stand at the energizer; a building's earth is taken to be at the building. */
    private void earth(FeedPlace feed) {
        if (feed.assumed()) {
            return;
        }
        GeoPoint at = GeoPoint.of(feed.lonDeg(), feed.latDeg());
        around.land().features().stream()
                .filter(f -> f.kind() == LandKind.BUILDING || f.kind() == LandKind.POWER_OUTLET)
                .min(Comparator.comparingDouble(f -> Contacts.distanceM(f, at, plane)))
                .ifPresent(f -> {
                    double distance = Contacts.distanceM(f, at, plane);
                    if (distance < Values.G8_APART_M) {
                        findings.add(Finding.ofJob(
                                "C10",
                                Severity.WARN,
                                "The energizer stands " + text(distance) + " from “" + f.title()
                                        + "”. Its ground rods go at least " + text(Values.G8_APART_M)
                                        + " away from the building's earth." + DECIDES));
                    }
                });
    }

    private void add(String rule, Severity severity, LineLayout line, double stationM, String message) {
        findings.add(Finding.at(rule, severity, line.lineId(), stationM, message));
    }

    private static String named(Contact c) {
        String kind = c.feature().kind().text();
        return c.feature().name().isBlank()
                ? Character.toUpperCase(kind.charAt(0)) + kind.substring(1)
                : "“" + c.feature().name() + "”";
    }

    private String stretch(Contact c) {
        return c.toM() - c.fromM() < 0.5 ? "at " + at(c.fromM()) : "from " + at(c.fromM()) + " to " + at(c.toM());
    }

    private String at(double stationM) {
        return Lengths.text(stationM, spec.units());
    }

    private String text(double lengthM) {
        return Lengths.text(lengthM, spec.units());
    }

    private static String degrees(double deg) {
        return String.format(Locale.ROOT, "%.0f°", deg);
    }

    private static String number(double value) {
        return value == Math.rint(value)
                ? String.format(Locale.ROOT, "%.0f", value)
                : String.format(Locale.ROOT, "%.1f", value);
    }
}
