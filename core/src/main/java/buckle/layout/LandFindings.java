package buckle.layout;

import buckle.land.Contact;
import buckle.land.Contacts;
import buckle.land.LandFeature;
import buckle.land.LandKind;
import buckle.land.Surroundings;
import buckle.land.Terrain;
import buckle.land.Traits;
import buckle.rulebook.Values;
import buckle.site.GateKind;
import buckle.site.GeoPoint;
import buckle.site.LocalPlane;
import buckle.site.PlanePoint;
import buckle.site.Polylines;
import buckle.site.Stationing;
import buckle.spec.Animal;
import buckle.spec.Spec;
import buckle.spec.WireRole;
import buckle.units.Lengths;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** What the property means for each line: crossings and nearness become findings with their stations. */
final class LandFindings {
    static final String DECIDES = " Local code and licensed people decide.";
    private static final double RIGHT_DEG = 90;

    private final List<Finding> findings = new ArrayList<>();
    private final Surroundings around;
    private final Spec spec;
    private final LocalPlane plane;
    private final Floods floods;
    private final List<Sign> signs;
    private final Buried buried;
    private final Set<String> onExisting = new HashSet<>();
    private final boolean several;

    private LandFindings(boolean several, List<Sign> signs, Surroundings around, Spec spec, LocalPlane plane) {
        this.several = several;
        this.signs = signs;
        this.buried = new Buried(around, spec, plane, findings);
        this.around = around;
        this.spec = spec;
        this.plane = plane;
        this.floods = new Floods(around, plane);
    }

    static List<Finding> of(
            List<LineLayer> layers,
            List<LineLayout> lines,
            FeedPlace feed,
            List<Sign> signs,
            Surroundings around,
            Contacts land,
            Spec spec,
            LocalPlane plane) {
        LandFindings all = new LandFindings(lines.size() > 1, signs, around, spec, plane);
        all.outside(feed, lines);
        if (around.land().features().isEmpty()) {
            return all.findings;
        }
        for (int i = 0; i < lines.size(); i++) {
            if (layers.get(i).line().book().onExisting()) {
                all.onExisting.add(lines.get(i).lineId());
            }
            for (Contact contact : layers.get(i).contacts()) {
                all.contact(contact, lines.get(i));
            }
            all.floods(layers.get(i), lines.get(i));
        }
        all.earth(feed);
        all.stone(feed, layers, lines);
        all.buried.feed(feed);
        LeadOutFindings.of(feed, land, all.buried, spec, plane, all.findings);
        return all.findings;
    }

    private void contact(Contact c, LineLayout line) {
        switch (c.feature().kind()) {
            case OVERHEAD_LINE -> overhead(c, line);
            case BURIED_SERVICE -> buried.along(c, line);
            case PUBLIC_WAY -> publicWay(c, line);
            case EXISTING_FENCE -> existing(c, line);
            case CREEK -> creek(c, line);
            case TRACK -> track(c, line);
            case TREES ->
                along("L2", Severity.NOTE, line, c, named(c) + ": clear the line, and expect limbs on the wires.");
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
                    named(c) + " crosses" + (square ? "" : " at " + at(x.stationM())) + " under "
                            + degrees(x.angleDeg()) + (square ? ". " : ": cross nearer to a right angle. ") + keep
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
        double top = line.schedule().topM();
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

    private void publicWay(Contact c, LineLayout line) {
        long drawn = Signs.between(signs, line.lineId(), c.fromM(), c.toM());
        add(
                "C4",
                Severity.CAUTION,
                line,
                c.fromM(),
                named(c) + " comes within " + text(c.nearestM()) + " " + stretch(c) + ": warning signs towards it, "
                        + (drawn == 1 ? "1 is drawn" : drawn + " are drawn") + " there, at most "
                        + text(Values.C4_PUBLIC_EVERY_M) + " apart"
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
        boolean metal = !t.make().equals(Optional.of(Traits.FenceMake.TIMBER))
                && !t.electrified().orElse(false);
        boolean bracketed = onExisting.contains(line.lineId());
        boolean hot = line.schedule().count(WireRole.HOT) > 0;
        if (metal && hot && !bracketed && c.nearestM() < Values.X9_NEAR_M) {
            add(
                    "X9",
                    Severity.WARN,
                    line,
                    c.fromM(),
                    named(c) + (c.crossings().isEmpty() ? " comes within " + text(c.nearestM()) : " is met") + " "
                            + stretch(c) + ": a push brings hot wire and it together. Keep hot wires more than "
                            + text(Values.X9_NEAR_M) + " off, or hang them on offset brackets.");
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
            boolean hangs = line.gates().stream()
                    .anyMatch(g -> g.kind() == GateKind.CREEK
                            && x.stationM() >= g.fromM() - Values.J8_BANK_M
                            && x.stationM() <= g.toM() + Values.J8_BANK_M);
            if (hangs) {
                continue;
            }
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
                    along(
                            "P11",
                            Severity.WARN,
                            line,
                            c,
                            "Stone" + depth
                                    + ": bar or pilot auger first; a post that stops on stone is recorded with its depth.");
                case WET ->
                    along(
                            "P10",
                            Severity.NOTE,
                            line,
                            c,
                            "Wet ground: posts hold less, set strong ones deeper; good for ground rods.");
                case FROZEN_IN_SEASON ->
                    along("P10", Severity.NOTE, line, c, "Ground that freezes: posts before the frost, feet below it.");
                case SAND ->
                    along(
                            "P10",
                            Severity.NOTE,
                            line,
                            c,
                            "Sand: posts hold less, and dry sand carries the pulse back badly.");
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
                if (!switchedOff(stationing, line, from, last)) {
                    findings.add(Finding.at(
                            "J4",
                            Severity.WARN,
                            line.lineId(),
                            from,
                            "“" + creek.title() + "” floods the fence when it rises " + text(rise)
                                    + ": a cut-out on each side above the water, and no ground rods or joints below it.",
                            between(line, from, last) + ", up to " + text(deepest) + " deep"));
                }
                from = -1;
                deepest = 0;
            }
            if (end) {
                return;
            }
        }
    }

    /** Whether the flooded stretch is a creek's hanging part, or lies between switches above the water. */
    private boolean switchedOff(Stationing stationing, LineLayout line, double fromM, double toM) {
        boolean hanging = line.gates().stream()
                .anyMatch(g -> g.kind() == GateKind.CREEK
                        && g.fromM() - Values.J8_BANK_M <= fromM
                        && toM <= g.toM() + Values.J8_BANK_M);
        boolean before = fromM <= Lengths.TAPE_M && !line.closed();
        boolean after = toM >= line.lengthM() - Lengths.TAPE_M && !line.closed();
        for (CutOutPlace c : line.cutOuts()) {
            if (!(floods.deepestM(stationing.at(c.stationM())) > 0)) {
                before |= c.stationM() <= fromM;
                after |= c.stationM() >= toM;
            }
        }
        return hanging || before && after;
    }

    /** G6, G7: where stone lies nearer than a rod is long, rods do not go in. */
    private void stone(FeedPlace feed, List<LineLayer> layers, List<LineLayout> lines) {
        for (int i = 0; i < lines.size(); i++) {
            if (lines.get(i).lineId().equals(feed.lineId())
                    && layers.get(i).soil().stony(feed.stationM(), feed.rodM() - Values.G5_ABOVE_M)) {
                boolean earth = lines.get(i).schedule().count(WireRole.EARTH) > 0
                        && spec.build().wires().earthTied();
                findings.add(Finding.at(
                        "G7",
                        Severity.WARN,
                        feed.lineId(),
                        feed.stationM(),
                        text(feed.rodM())
                                + " rods will not go into the stone where the energizer stands. Several stubs of 1 ft kept wet, angle irons, or rods in soft ground through an insulated cable"
                                + (earth
                                        ? "; the earth wires that are tied to its terminal carry the return."
                                        : "; earth wires tied to its terminal carry the return where stubs do not.")));
            }
        }
    }

    /** X7: what keeps out bears or people stands between them and its energizer. */
    private void outside(FeedPlace feed, List<LineLayout> lines) {
        boolean strangers = spec.animals().stream().anyMatch(a -> a == Animal.BEAR || a == Animal.PEOPLE);
        List<LineLayout> closed = lines.stream().filter(LineLayout::closed).toList();
        if (feed.assumed() || !strangers || closed.isEmpty()) {
            return;
        }
        PlanePoint at = plane.toPlane(GeoPoint.of(feed.lonDeg(), feed.latDeg()));
        boolean inside = closed.stream()
                .anyMatch(l ->
                        Polylines.holds(l.corners().stream().map(plane::toPlane).toList(), at));
        if (!inside) {
            findings.add(
                    Finding.ofJob(
                            "X7",
                            Severity.WARN,
                            "The energizer stands outside the fence that keeps out "
                                    + spec.animals().stream().map(Animal::text).collect(Collectors.joining(", "))
                                    + ". Put it inside, and a switch for it outside in the lead-out, so that nobody reaches over a live wire."));
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

    /** Said of a stretch: its end stands beside its place, so that the same of another line folds into it. */
    private void along(String rule, Severity severity, LineLayout line, Contact c, String message) {
        findings.add(Finding.at(rule, severity, line.lineId(), c.fromM(), message, between(line, c.fromM(), c.toM())));
    }

    private String between(LineLayout line, double fromM, double toM) {
        return (several ? line.name() + " " : "") + at(fromM) + (toM - fromM < 0.5 ? "" : " to " + at(toM));
    }

    private static String named(Contact c) {
        return named(c.feature());
    }

    static String named(LandFeature f) {
        String kind = f.kind().text();
        return f.name().isBlank() ? Character.toUpperCase(kind.charAt(0)) + kind.substring(1) : "“" + f.name() + "”";
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
