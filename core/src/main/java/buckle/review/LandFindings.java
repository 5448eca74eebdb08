package buckle.review;

import buckle.land.Contact;
import buckle.land.Contacts;
import buckle.land.LandFeature;
import buckle.land.LandKind;
import buckle.land.Surroundings;
import buckle.land.Terrain;
import buckle.land.Traits;
import buckle.land.Traits.Soil;
import buckle.layout.CutOutPlace;
import buckle.layout.EarthPlace;
import buckle.layout.FeedPlace;
import buckle.layout.Fence;
import buckle.layout.Finding;
import buckle.layout.LaidLine;
import buckle.layout.LineLayout;
import buckle.layout.Severity;
import buckle.layout.Sign;
import buckle.layout.Signs;
import buckle.message.FeatureName;
import buckle.message.LandMessage;
import buckle.message.Span;
import buckle.rulebook.Rule;
import buckle.rulebook.Values;
import buckle.site.GateKind;
import buckle.site.GeoPoint;
import buckle.site.LocalPlane;
import buckle.site.PlanePoint;
import buckle.site.Polylines;
import buckle.site.Stationing;
import buckle.spec.Animal;
import buckle.spec.Spec;
import buckle.spec.Supply;
import buckle.spec.WireRole;
import buckle.task.Cancellation;
import buckle.units.Lengths;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** What the property means for each line: crossings and nearness become findings with their stations. */
final class LandFindings {
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

    static List<Finding> of(Fence fence, Surroundings around) {
        LocalPlane plane = fence.plane();
        FeedPlace feed = fence.feed().orElseThrow();
        LandFindings all = new LandFindings(fence.lines().size() > 1, fence.signs(), around, fence.spec(), plane);
        all.outside(feed, fence.layouts());
        all.earthAsFound(feed);
        if (around.land().features().isEmpty()) {
            return all.findings;
        }
        for (LaidLine laid : fence.lines()) {
            Cancellation.check();
            if (laid.line().book().onExisting()) {
                all.onExisting.add(laid.id());
            }
            for (Contact contact : laid.contacts()) {
                all.contact(contact, laid.layout());
            }
            all.floods(laid, laid.layout());
        }
        all.earth(feed);
        all.stone(feed, fence.line(feed.lineId()));
        all.buried.feed(feed);
        Contacts land = new Contacts(around.land(), plane);
        LeadOutFindings.of(feed, land, all.buried, plane, all.findings);
        fence.leads().forEach(lead -> LeadOutFindings.of(lead, land, plane, all.findings));
        return all.findings;
    }

    private void contact(Contact c, LineLayout line) {
        FeatureName name = FeatureName.of(c.feature());
        switch (c.feature().kind()) {
            case OVERHEAD_LINE -> overhead(c, line);
            case BURIED_SERVICE -> buried.along(c, line);
            case PUBLIC_WAY -> publicWay(c, line);
            case EXISTING_FENCE -> existing(c, line);
            case CREEK -> creek(c, line);
            case TRACK -> track(c, line);
            case TREES -> along(Rule.L2, Severity.NOTE, line, c, new LandMessage.TreesAlong(name));
            case SOIL -> soil(c, line);
            case STANDING_WATER -> warn(Rule.L2, line, c.fromM(), new LandMessage.StandingWaterMet(name, span(c)));
            case NO_GO -> warn(Rule.L2, line, c.fromM(), new LandMessage.NoGoEntered(name, span(c)));
            case BUILDING ->
                warn(Rule.L2, line, c.fromM(), new LandMessage.BuildingNear(name, c.nearestM() == 0, span(c)));
            case BOUNDARY ->
                c.crossings().forEach(x -> warn(Rule.L2, line, x.stationM(), new LandMessage.BoundaryCrossed(name)));
            case OPENING -> opening(c, line);
            case POWER_OUTLET -> {}
        }
    }

    private void overhead(Contact c, LineLayout line) {
        Traits t = c.feature().traits();
        FeatureName name = FeatureName.of(c.feature());
        double clearance = Values.c5ClearanceM(t.voltageKv());
        for (Contact.Crossing x : c.crossings()) {
            boolean square = RIGHT_DEG - x.angleDeg() <= Values.C5_RIGHT_ANGLE_SLACK_DEG;
            add(
                    Rule.C5,
                    square ? Severity.CAUTION : Severity.WARN,
                    line,
                    x.stationM(),
                    new LandMessage.OverheadCrossing(name, Math.rint(x.angleDeg()), square, clearance, t.voltageKv()));
        }
        if (c.crossings().isEmpty()) {
            warn(
                    Rule.C5,
                    line,
                    c.fromM(),
                    new LandMessage.OverheadBeside(name, c.nearestM(), span(c), clearance, t.voltageKv()));
        }
        double top = line.schedule().topM();
        if (top >= Values.C5_HIGHEST_FENCE_M) {
            warn(
                    Rule.C5,
                    line,
                    c.fromM(),
                    new LandMessage.FenceTooHighNearOverhead(name, top, Values.C5_HIGHEST_FENCE_M));
        }
        if (t.lowestWireM().isPresent() && t.lowestWireM().getAsDouble() - top < clearance) {
            warn(
                    Rule.C5,
                    line,
                    c.fromM(),
                    new LandMessage.OverheadTooLow(top, t.lowestWireM().getAsDouble(), clearance));
        }
    }

    private void publicWay(Contact c, LineLayout line) {
        add(
                Rule.C4,
                Severity.CAUTION,
                line,
                c.fromM(),
                new LandMessage.PublicWayNear(
                        FeatureName.of(c.feature()),
                        c.nearestM(),
                        span(c),
                        Signs.between(signs, line.lineId(), c.fromM(), c.toM()),
                        Values.C4_PUBLIC_EVERY_M,
                        c.crossings().stream()
                                .mapToDouble(Contact.Crossing::stationM)
                                .findFirst()));
    }

    private void existing(Contact c, LineLayout line) {
        Traits t = c.feature().traits();
        FeatureName name = FeatureName.of(c.feature());
        boolean electrified = t.electrified().orElse(false);
        if (electrified) {
            warn(
                    Rule.C3,
                    line,
                    c.fromM(),
                    new LandMessage.OtherEnergizerNear(name, c.nearestM(), span(c), Values.C3_APART_M));
        }
        boolean metal = !t.make().equals(Optional.of(Traits.FenceMake.TIMBER)) && !electrified;
        boolean bracketed = onExisting.contains(line.lineId());
        boolean hot = line.schedule().count(WireRole.HOT) > 0;
        if (metal && hot && !bracketed && c.nearestM() < Values.X9_NEAR_M) {
            boolean crossed = !c.crossings().isEmpty();
            warn(
                    Rule.X9,
                    line,
                    c.fromM(),
                    new LandMessage.MetalFenceNear(name, crossed, c.nearestM(), span(c), Values.X9_NEAR_M));
        }
        if (t.make().equals(Optional.of(Traits.FenceMake.BARBED))) {
            add(Rule.C2, Severity.CAUTION, line, c.fromM(), new LandMessage.BarbedNear(name, c.nearestM(), span(c)));
        } else if (!electrified) {
            add(Rule.L2, Severity.NOTE, line, c.fromM(), new LandMessage.FenceStands(name, span(c), t.postsUsable()));
        }
    }

    private void creek(Contact c, LineLayout line) {
        for (Contact.Crossing x : c.crossings()) {
            boolean hangs = line.gates().stream()
                    .anyMatch(g -> g.kind() == GateKind.CREEK
                            && x.stationM() >= g.fromM() - Values.J8_BANK_M
                            && x.stationM() <= g.toM() + Values.J8_BANK_M);
            if (!hangs) {
                warn(Rule.J4, line, x.stationM(), new LandMessage.CreekCrossed(FeatureName.of(c.feature())));
            }
        }
    }

    private void track(Contact c, LineLayout line) {
        for (Contact.Crossing x : c.crossings()) {
            boolean gate = line.gates().stream()
                    .anyMatch(g -> x.stationM() > g.fromM() - Values.L2_NEAR_OPENING_M
                            && x.stationM() < g.toM() + Values.L2_NEAR_OPENING_M);
            if (!gate) {
                warn(Rule.J5, line, x.stationM(), new LandMessage.TrackWithoutGate(FeatureName.of(c.feature())));
            }
        }
    }

    private void opening(Contact c, LineLayout line) {
        boolean gate = line.gates().stream()
                .anyMatch(g -> g.toM() >= c.fromM() - Values.L2_NEAR_OPENING_M
                        && g.fromM() <= c.toM() + Values.L2_NEAR_OPENING_M);
        if (!gate) {
            warn(Rule.J5, line, c.fromM(), new LandMessage.OpeningShut(FeatureName.of(c.feature())));
        }
    }

    private void soil(Contact c, LineLayout line) {
        c.feature().traits().soil().ifPresent(soil -> {
            switch (soil) {
                case STONE ->
                    along(
                            Rule.P11,
                            Severity.WARN,
                            line,
                            c,
                            new LandMessage.StonyGround(c.feature().traits().depthM()));
                case WET -> along(Rule.P10, Severity.NOTE, line, c, new LandMessage.WetGround());
                case FROZEN_IN_SEASON -> along(Rule.P10, Severity.NOTE, line, c, new LandMessage.FreezingGround());
                case SAND -> along(Rule.P10, Severity.NOTE, line, c, new LandMessage.SandyGround());
                case CLAY, LOAM -> {}
            }
        });
    }

    /** Stations that lie under the flood of a creek: lower than its bed at the nearest place plus the rise. */
    private void floods(LaidLine laid, LineLayout line) {
        for (LandFeature creek : floods.creeks()) {
            if (around.terrain().equals(Terrain.NONE)) {
                if (laid.contacts().stream().anyMatch(c -> c.feature() == creek)) {
                    add(Rule.J4, Severity.NOTE, line, 0, new LandMessage.FloodNotKnown(creek.title()));
                }
                continue;
            }
            flooded(laid.stationing(), line, creek);
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
                            Rule.J4,
                            Severity.WARN,
                            line.lineId(),
                            from,
                            new LandMessage.Flooded(creek.title(), rise),
                            new LandMessage.FloodedStretch(nameOf(line), new Span(from, last), deepest)));
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
    private void stone(FeedPlace feed, LaidLine laid) {
        feed.earth().stream()
                .filter(r -> !feed.stubs()
                        && !r.placed()
                        && !r.stands()
                        && laid.soil().stony(feed.stationM(), r.lengthM()))
                .findFirst()
                .ifPresent(r -> rod(feed, Rule.G7, new LandMessage.RodOnStone(r.kind(), r.lengthM(), "")));
        if (feed.stubs()) {
            boolean earth = laid.layout().schedule().count(WireRole.EARTH) > 0
                    && spec.fence().wires().earthTied();
            findings.add(Finding.at(
                    Rule.G7,
                    Severity.WARN,
                    feed.lineId(),
                    feed.stationM(),
                    new LandMessage.RodsInStone(schoolRodM(feed), feed.rods(), feed.rodM(), earth)));
        }
    }

    /** G7, G8: a rod that somebody gave a place in a building, near its earth, or in stone. */
    private void rodPlace(FeedPlace feed, EarthPlace rod, GeoPoint at) {
        for (LandFeature f : around.land().features()) {
            double distance = f.kind() == LandKind.BUILDING || f.kind() == LandKind.SOIL
                    ? Contacts.distanceM(f, at, plane)
                    : Double.POSITIVE_INFINITY;
            boolean stone = f.kind() == LandKind.SOIL
                    && distance <= 0
                    && f.traits().soil().filter(Soil.STONE::equals).isPresent()
                    && f.traits().depthM().orElse(0) < rod.lengthM();
            if (f.kind() == LandKind.BUILDING && distance < Values.G8_APART_M) {
                rod(
                        feed,
                        Rule.G8,
                        distance <= 0
                                ? new LandMessage.RodInBuilding(rod.kind(), f.title())
                                : new LandMessage.RodNearBuilding(rod.kind(), f.title(), distance, Values.G8_APART_M));
            } else if (stone && !rod.stands()) {
                rod(feed, Rule.G7, new LandMessage.RodOnStone(rod.kind(), rod.lengthM(), f.title()));
            }
        }
    }

    private void rod(FeedPlace feed, Rule rule, LandMessage message) {
        findings.add(Finding.at(rule, Severity.WARN, feed.lineId(), feed.stationM(), message));
    }

    private static double schoolRodM(FeedPlace feed) {
        return feed.schools().get(feed.school().ordinal()).rodM();
    }

    /** X4: rods told one by one, in a building, or out of reach of their lead. */
    private void earthAsFound(FeedPlace feed) {
        Supply.Earth earth = spec.supply().earth();
        PlanePoint energizer = plane.toPlane(feed.at());
        for (EarthPlace rod : feed.earth()) {
            if (rod.placed()) {
                rodPlace(feed, rod, plane.toGeo(energizer.plus(rod.eastM(), rod.northM())));
            }
        }
        if (earth.leadM().isPresent() && !feed.earth().isEmpty()) {
            double between = feed.groundLeadM() - feed.earth().getFirst().leadM();
            double left = earth.leadM().getAsDouble() - between;
            double need = feed.earth().getFirst().leadM();
            findings.add(Finding.ofJob(
                    Rule.X4,
                    left < need ? Severity.WARN : Severity.NOTE,
                    new LandMessage.EarthLead(earth.leadM().getAsDouble(), between, left, need)));
        }
    }

    /** X7: what keeps out bears or people stands between them and its energizer. */
    private void outside(FeedPlace feed, List<LineLayout> lines) {
        boolean strangers = spec.fence().animals().stream().anyMatch(a -> a == Animal.BEAR || a == Animal.PEOPLE);
        List<LineLayout> closed = lines.stream().filter(LineLayout::closed).toList();
        if (feed.assumed() || !strangers || closed.isEmpty()) {
            return;
        }
        PlanePoint at = plane.toPlane(GeoPoint.of(feed.lonDeg(), feed.latDeg()));
        boolean inside = closed.stream()
                .anyMatch(l ->
                        Polylines.holds(l.corners().stream().map(plane::toPlane).toList(), at));
        if (!inside) {
            findings.add(Finding.ofJob(
                    Rule.X7,
                    Severity.WARN,
                    new LandMessage.EnergizerOutside(spec.fence().animals())));
        } else if (!spec.supply().leadOutSwitch()) {
            findings.add(Finding.ofJob(Rule.X7, Severity.NOTE, new LandMessage.NoSwitchOutside()));
        }
    }

    /** Ground rods stand at the energizer; a building's earth is taken to be at the building. */
    private void earth(FeedPlace feed) {
        if (feed.assumed() || feed.earth().stream().allMatch(EarthPlace::placed)) {
            return;
        }
        GeoPoint at = feed.at();
        around.land().features().stream()
                .filter(f -> f.kind() == LandKind.BUILDING || f.kind() == LandKind.POWER_OUTLET)
                .min(Comparator.comparingDouble(f -> Contacts.distanceM(f, at, plane)))
                .ifPresent(f -> {
                    double distance = Contacts.distanceM(f, at, plane);
                    if (distance < Values.G8_APART_M) {
                        findings.add(Finding.ofJob(
                                Rule.C10,
                                Severity.WARN,
                                new LandMessage.RodsNearBuilding(f.title(), distance, Values.G8_APART_M)));
                    }
                });
    }

    private void warn(Rule rule, LineLayout line, double stationM, LandMessage message) {
        add(rule, Severity.WARN, line, stationM, message);
    }

    private void add(Rule rule, Severity severity, LineLayout line, double stationM, LandMessage message) {
        findings.add(Finding.at(rule, severity, line.lineId(), stationM, message));
    }

    /** Said of a stretch: its end stands beside its place, so that the same of another line folds into it. */
    private void along(Rule rule, Severity severity, LineLayout line, Contact c, LandMessage message) {
        findings.add(Finding.at(
                rule, severity, line.lineId(), c.fromM(), message, new LandMessage.Stretch(nameOf(line), span(c))));
    }

    private String nameOf(LineLayout line) {
        return several ? line.name() : "";
    }

    private static Span span(Contact c) {
        return new Span(c.fromM(), c.toM());
    }
}
