package buckle.layout;

import buckle.land.Contact;
import buckle.land.Contacts;
import buckle.land.LandFeature;
import buckle.land.LandKind;
import buckle.land.Terrain;
import buckle.message.LayoutMessage;
import buckle.message.LayoutMessage.BraceName;
import buckle.message.Span;
import buckle.rulebook.Rule;
import buckle.rulebook.Values;
import buckle.site.Corner;
import buckle.site.FenceLine;
import buckle.site.GeoPoint;
import buckle.site.LocalPlane;
import buckle.site.PlanePoint;
import buckle.site.Polylines;
import buckle.site.Stationing;
import buckle.site.Tees;
import buckle.spec.BraceKind;
import buckle.spec.Spec;
import buckle.spec.Stringing;
import buckle.spec.WireSchedule;
import buckle.task.Cancellation;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;

/** Lays out one line: strong posts where it turns, ends or opens, braces in each pull, line posts evened between. */
final class LinePlanner {
    private static final double SAME_PLACE_M = Mark.SAME_PLACE_M;
    /** A post wanted nearer than this to a strong one is not set. */
    private static final double CROWDED_M = 1;

    private final FenceLine line;
    private final Spec spec;
    private final LocalPlane plane;
    private final Stationing stationing;
    private final List<Finding> findings;
    private final Terrain terrain;
    private final List<Post> inner;
    private final List<Contact> contacts;
    private final List<LandFeature> buildings;
    private static final int NET_PARTS = 4;
    private final WireSchedule schedule;
    private final Pulling pulling;
    private final Bracing bracing;
    private final SoilAlong soil;
    private final StrongPosts.Found strong;
    private final CurvePosts curves;

    /**
     * @param branches tees of other lines on this one
     * @param coils what is left of the coils of the lines before
     * @param inner posts of the row this one stands outside of, none otherwise
     */
    LinePlanner(
            FenceLine line,
            Spec spec,
            LocalPlane plane,
            List<Tees.Tee> branches,
            Contacts land,
            Terrain terrain,
            List<Post> inner,
            Coils coils,
            List<Finding> findings) {
        this.line = line;
        this.plane = plane;
        this.terrain = terrain;
        this.inner = inner;
        this.findings = findings;
        List<PlanePoint> corners =
                line.corners().stream().map(c -> plane.toPlane(c.at())).toList();
        this.stationing = new Stationing(corners, line.closed());
        this.contacts = land.of(stationing);
        Spec asked = spec.forLine(line.id());
        this.strong = StrongPosts.of(line, asked.fence(), stationing, plane, branches, findings);
        this.curves = new CurvePosts(strong.curves(), stationing, line.closed());
        Stringing stringing = asked.fence().stringing().withWay(strong.way());
        Holds.Fit fit = Holds.fit(stringing.of(asked.fence().schedule()), asked.fence());
        this.schedule = fit.schedule();
        this.spec = asked.withFence(
                f -> f.withStringing(stringing).withSchedule(schedule).withClimate(Seasons.climate(f.climate(), line)));
        this.pulling = new Pulling(this.spec, schedule, coils);
        this.bracing = new Bracing(this.spec, schedule.topM(), pulling);
        this.soil = new SoilAlong(contacts);
        this.buildings = contacts.stream()
                .map(Contact::feature)
                .filter(f -> f.kind() == LandKind.BUILDING)
                .distinct()
                .toList();
        hung(fit);
        line.book()
                .season()
                .ifPresent(s ->
                        note(Rule.X13, 0, new LayoutMessage.Seasonal(s.up(), s.down(), s.days(), s.overNewYear())));
    }

    /** Where the posts' own clips or holes bring the wires. */
    private void hung(Holds.Fit fit) {
        List<Double> holds = spec.fence().posts().holdsAtM();
        if (fit.tooFew()) {
            warn(Rule.I1, 0, new LayoutMessage.TooFewHolds(schedule.wires().size(), holds.size()));
        }
        if (!fit.moved().isEmpty()) {
            double most = fit.moved().stream()
                    .mapToDouble(m -> Math.abs(m.atM() - m.askedM()))
                    .max()
                    .orElseThrow();
            LayoutMessage says = new LayoutMessage.WiresAtHolds(fit.moved().stream()
                    .map(m -> new LayoutMessage.WiresAtHolds.Moved(m.wire(), m.askedM(), m.atM()))
                    .toList());
            findings.add(Finding.at(
                    Rule.I1, most > Values.I1_HOLD_OFF_M ? Severity.WARN : Severity.NOTE, line.id(), 0, says));
        }
    }

    /** A stretch to be pulled, with what braces its ends. */
    private record Braced(StrongPosts.Stop stop, Bracing.Placed start, Bracing.Placed finish) {}

    LaidLine layOut() {
        return new LaidLine(line, layout(), stationing, contacts, soil);
    }

    private LineLayout layout() {
        Profile profile = Profile.along(stationing, line.closed(), line.ground(), plane, terrain);
        gapFindings(profile);
        PostPlaces places = new PostPlaces(line, spec, stationing, plane);
        List<Braced> braced = strong.stops().stream().map(this::braced).toList();
        List<Mark> all = marks(braced, places, profile);
        List<Bend> bends = strong.way().passesCorners()
                ? curves.bends(all, spec.fence().braces().braceFromDeg(), pulling)
                : Bends.of(line, stationing, spec, pulling);
        bends.forEach(this::bendNote);
        PostSetter setter = new PostSetter(
                line,
                spec,
                schedule.topM(),
                pulling,
                stationing,
                plane,
                soil,
                profile,
                places,
                m -> wall(m).isPresent());
        wallsM(all)
                .forEach(at -> note(
                        Rule.X15,
                        at,
                        new LayoutMessage.EndsAtWall(wall(at).orElseThrow().title())));
        setter.stand(all)
                .forEach(s -> findings.add(Finding.at(
                        Rule.P19,
                        Severity.WARN,
                        line.id(),
                        stationing.nearest(plane.toPlane(s.at())).stationM(),
                        new LayoutMessage.StandingPostLost(s.depthM(), s.note()))));
        places.lost()
                .forEach(l -> findings.add(Finding.at(
                        Rule.P19,
                        Severity.WARN,
                        line.id(),
                        stationing.nearest(plane.toPlane(l.choice().from())).stationM(),
                        new LayoutMessage.ChoiceLost(l.choice().reason(), l.why()))));
        net(all, profile);
        List<WireRuns.Course> courses = WireRuns.courses(strong.stops(), stationing.lengthM(), closingM());
        List<Pull> pulls = pulls(braced, courses, all, profile);
        List<WireRun> runs = runs(courses, pulls, braced, all);
        Anchors anchors = Anchors.of(
                placed(braced),
                pulls,
                bracing,
                stationing,
                line.closed(),
                station -> setter.foot(markAt(all, station)));
        List<Brace> braces = anchors.braces();
        List<Post> posts = setter.set(all, anchors.loads(), worst(pulls));
        double lengthM = stationing.lengthM();
        return new LineLayout(
                line.id(),
                line.name(),
                line.closed(),
                lengthM,
                profile.slopeLengthM(0, lengthM),
                line.closed() ? Polylines.areaM2(cornerPoints()) : 0,
                line.corners().stream().map(Corner::at).toList(),
                stationing.cornerStationsM(),
                profile.points(),
                profile.gaps(),
                posts,
                braces,
                pulls,
                runs,
                spec.fence().stringing(),
                ringJoined(all),
                line.book().feeder(),
                PostMarks.of(posts, schedule.wires()),
                strong.gates(),
                strong.cutOuts(),
                contacts.stream()
                        .map(c -> new LandSpan(
                                c.feature().id(),
                                c.feature().kind(),
                                c.feature().title(),
                                c.fromM(),
                                c.toM()))
                        .toList(),
                schedule,
                wallsM(all),
                bends,
                closingM());
    }

    /** The building on whose wall wires that end at a station are fastened (X15). */
    private Optional<LandFeature> wall(double stationM) {
        if (buildings.isEmpty()) {
            return Optional.empty();
        }
        return buildings.stream()
                .filter(b -> Contacts.distanceM(b, plane.toGeo(stationing.at(stationM)), plane) <= Values.X15_WALL_M)
                .findFirst();
    }

    private List<Double> wallsM(List<Mark> marks) {
        return marks.stream()
                .filter(m -> m.ends() && !m.runsOn() && wall(m.stationM()).isPresent())
                .map(Mark::stationM)
                .toList();
    }

    /** Where the ground is furthest off the straight between two posts of a net. */
    private void net(List<Mark> posts, Profile profile) {
        if (!spec.fence().standsByItself() || !profile.trusted()) {
            return;
        }
        double worst = 0;
        double at = 0;
        for (int i = 1; i < posts.size(); i++) {
            double from = posts.get(i - 1).stationM();
            double to = posts.get(i).stationM();
            for (int k = 1; k < NET_PARTS; k++) {
                double share = (double) k / NET_PARTS;
                double station = from + share * (to - from);
                double straight = (1 - share) * profile.heightM(from) + share * profile.heightM(to);
                double off = profile.heightM(station) - straight;
                if (Math.abs(off) > Math.abs(worst)) {
                    worst = off;
                    at = station;
                }
            }
        }
        if (Math.abs(worst) > Values.X3_NET_OFF_M) {
            warn(Rule.X3, at, new LayoutMessage.NetOverUneven(at, Math.abs(worst), worst < 0));
        }
    }

    private double closingM() {
        return stationing.cornerStationM(line.closingCornerIndex());
    }

    /** Whether the house joins its rings, a gate that leads no power opens it already, or the wires run on at the closing post. */
    private boolean ringJoined(List<Mark> marks) {
        boolean opened = strong.gates().stream().anyMatch(g -> !g.kind().conducts());
        return spec.fence().wires().ringClosed()
                || line.closed() && opened
                || line.closed()
                        && strong.way().passesCorners()
                        && !markAt(marks, closingM()).wiresEnd();
    }

    private List<WireRun> runs(List<WireRuns.Course> courses, List<Pull> pulls, List<Braced> braced, List<Mark> marks) {
        List<WireRun> runs = new ArrayList<>();
        Stringing.Tightener tightener =
                WireRuns.tightener(spec.fence().stringing().tightener(), pulling.groups());
        for (WireRuns.Course course : courses) {
            WireRun run = WireRuns.run(
                    course,
                    pulls,
                    marks,
                    tightener,
                    spec.fence().wires().midRunFromM(),
                    strong.way(),
                    k -> Pulling.endM(
                            braced.get(k).start(),
                            pulls.get(k).fromM(),
                            pulls.get(k).toM()));
            runs.add(run);
            // e^(−0.2 φ) from e^(−0.3 φ).
            double likely = Math.pow(run.leftLow(), Values.S13_FRICTION / Values.S13_FRICTION_HIGH);
            if (strong.way().passesCorners() && likely < Values.S13_LEAST_LEFT) {
                double part = WireRuns.bestPartM(run, pulls, marks);
                warn(Rule.S13, part, new LayoutMessage.PullLost(run.turnDeg(), run.leftLow(), run.leftHigh(), part));
            }
        }
        return runs;
    }

    /** The mark at a station; the end of a closed line is its start. */
    private Mark markAt(List<Mark> marks, double stationM) {
        double at = line.closed() && stationM >= stationing.lengthM() - SAME_PLACE_M ? 0 : stationM;
        int low = 0;
        int high = marks.size() - 1;
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (marks.get(middle).stationM() < at - SAME_PLACE_M) {
                low = middle + 1;
            } else {
                high = middle;
            }
        }
        if (!marks.get(low).sameAs(at)) {
            throw new IllegalStateException("no post stands at station " + at);
        }
        return marks.get(low);
    }

    /** How many times the pull of the day of building the wires pull at the worst. */
    private static double worst(List<Pull> pulls) {
        return pulls.stream().mapToDouble(p -> p.worstN() / p.totalN()).max().orElse(1);
    }

    private void gapFindings(Profile profile) {
        for (ProfileGap gap : profile.gaps()) {
            note(Rule.L3, gap.fromM(), new LayoutMessage.HeightsMissing(new Span(gap.fromM(), gap.toM())));
        }
    }

    private List<PlanePoint> cornerPoints() {
        List<PlanePoint> points = new ArrayList<>();
        for (int i = 0; i < stationing.sideCount(); i++) {
            points.add(stationing.sideStart(i));
        }
        return points;
    }

    private List<Pull> pulls(List<Braced> stretches, List<WireRuns.Course> courses, List<Mark> posts, Profile profile) {
        double[] slopes = strong.stops().stream()
                .mapToDouble(s -> profile.slopeLengthM(s.fromM(), s.toM()))
                .toArray();
        WireCuts cuts = WireCuts.of(courses, strong, schedule, pulling, placed(stretches), slopes);
        List<Pull> pulls = new ArrayList<>();
        int at = 0;
        for (Braced braced : stretches) {
            Cancellation.check();
            StrongPosts.Stop stop = braced.stop();
            double widest = 0;
            while (at < posts.size() && posts.get(at).stationM() < stop.fromM() - SAME_PLACE_M) {
                at++;
            }
            double last = stop.fromM();
            int i = at;
            for (; i < posts.size() && posts.get(i).stationM() <= stop.toM() + SAME_PLACE_M; i++) {
                widest = Math.max(widest, posts.get(i).stationM() - last);
                last = posts.get(i).stationM();
            }
            widest = Math.max(widest, stop.toM() - last);
            at = Math.max(at, i - 1);
            int k = pulls.size();
            pulls.add(pulling.pull(stop.fromM(), stop.toM(), slopes[k], cuts.runM(k), widest, cuts.in(k)));
        }
        return pulls;
    }

    private static List<Bracing.Placed> placed(List<Braced> braced) {
        return braced.stream().flatMap(b -> Stream.of(b.start(), b.finish())).toList();
    }

    private Braced braced(StrongPosts.Stop pull) {
        BraceKind kind = bracing.kind();
        double reach = bracing.reachM(kind);
        double room = pull.toM() - pull.fromM();
        Rule rule = kind.framed() ? spec.fence().braces().railSchool().rule() : kind.rule();
        BraceName what =
                new BraceName(kind.text(), kind.framed() ? OptionalDouble.of(bracing.railM()) : OptionalDouble.empty());
        double need = bracing.roomM(kind);
        boolean askedFrom = pull.bracedFrom() && wall(pull.fromM()).isEmpty();
        boolean askedTo = pull.bracedTo() && wall(pull.toM()).isEmpty();
        boolean start = askedFrom && room >= need;
        boolean finish = askedTo && room >= need + (askedFrom ? reach : 0);
        boolean asked = askedFrom || askedTo;
        if (asked && !start && !finish) {
            warn(rule, pull.fromM(), new LayoutMessage.NoBraceFits(what, new Span(pull.fromM(), pull.toM())));
        } else if (askedFrom && askedTo && !finish) {
            warn(rule, pull.toM(), new LayoutMessage.OneBraceFits(what, new Span(pull.fromM(), pull.toM())));
        }
        return new Braced(
                pull,
                bracing.placed(start ? kind : BraceKind.NONE, pull.fromM(), 1),
                bracing.placed(finish ? kind : BraceKind.NONE, pull.toM(), -1));
    }

    private void bendNote(Bend bend) {
        note(
                Rule.B10,
                bend.fromM(),
                new LayoutMessage.RoundedOutline(bend.turnDeg(), bend.posts(), bend.toM(), bend.sideN()));
    }

    private List<Mark> marks(List<Braced> braced, PostPlaces places, Profile profile) {
        List<GatePlace> gates = strong.gates();
        List<Mark> fixed = new ArrayList<>(strong.marks());
        for (Bracing.Placed b : placed(braced)) {
            int frames = b.kind().posts();
            for (int k = 1; k <= frames; k++) {
                double at = b.strongM() + (b.braceM() - b.strongM()) * k / frames;
                fixed.add(Mark.of(PostKind.BRACE, at));
            }
        }
        fixed.sort(Comparator.comparingDouble(Mark::stationM));
        fixed = clearOfBraces(fixed);
        fixed = with(fixed, places.wanted(contacts, profile, strong.marks(), opposite()), gates);
        List<Mark> all = new ArrayList<>();
        for (int i = 0; i < fixed.size(); i++) {
            Mark mark = fixed.get(i);
            all.add(mark);
            boolean last = i == fixed.size() - 1;
            if (last && !line.closed()) {
                break;
            }
            double to = last
                    ? stationing.lengthM() + (fixed.getFirst().stationM())
                    : fixed.get(i + 1).stationM();
            if (!opens(mark.stationM(), to, gates) && inner.isEmpty()) {
                places.even(mark.stationM(), Math.min(to, stationing.lengthM()), all);
            }
        }
        return curves.turned(places.used(all));
    }

    /** P7: where the posts of the inner row stand, seen from this one. */
    private List<Double> opposite() {
        return inner.stream()
                .filter(p -> p.kind() != PostKind.LIGHT)
                .map(p -> stationing.nearest(plane.toPlane(GeoPoint.of(p.lonDeg(), p.latDeg()))))
                .filter(at -> at.offsetM() <= 2 * Values.W9_APART_M)
                .map(Stationing.Place::stationM)
                .toList();
    }

    /** A bend's post that a brace post would crowd gives way to it. */
    private static List<Mark> clearOfBraces(List<Mark> sorted) {
        List<Mark> kept = new ArrayList<>(sorted.size());
        for (int i = 0; i < sorted.size(); i++) {
            boolean crowded = sorted.get(i).kind() == PostKind.LINE
                    && (i > 0 && crowds(sorted.get(i - 1), sorted.get(i))
                            || i + 1 < sorted.size() && crowds(sorted.get(i + 1), sorted.get(i)));
            if (!crowded) {
                kept.add(sorted.get(i));
            }
        }
        return kept;
    }

    private static boolean crowds(Mark brace, Mark mark) {
        return brace.kind() == PostKind.BRACE && Math.abs(brace.stationM() - mark.stationM()) < CROWDED_M;
    }

    /** Posts wanted on the way are set where nothing stands and no gate opens. */
    private List<Mark> with(List<Mark> fixed, List<Mark> wanted, List<GatePlace> gates) {
        if (wanted.isEmpty()) {
            return fixed;
        }
        List<Mark> all = new ArrayList<>(fixed.size() + wanted.size());
        int next = 0;
        for (Mark w : wanted) {
            Cancellation.check();
            while (next < fixed.size() && fixed.get(next).stationM() <= w.stationM()) {
                all.add(fixed.get(next++));
            }
            boolean crowded = !all.isEmpty() && w.stationM() - all.getLast().stationM() < CROWDED_M
                    || next < fixed.size() && fixed.get(next).stationM() - w.stationM() < CROWDED_M
                    || gates.stream()
                            .anyMatch(g -> w.stationM() > g.fromM() - CROWDED_M && w.stationM() < g.toM() + CROWDED_M)
                    || line.closed() && stationing.lengthM() + fixed.getFirst().stationM() - w.stationM() < CROWDED_M;
            if (!crowded) {
                all.add(w);
            }
        }
        all.addAll(fixed.subList(next, fixed.size()));
        return all;
    }

    private boolean opens(double from, double to, List<GatePlace> gates) {
        for (GatePlace gate : gates) {
            if (gate.fromM() <= from + SAME_PLACE_M && to <= gate.toM() + SAME_PLACE_M) {
                return true;
            }
        }
        return false;
    }

    private void note(Rule rule, double stationM, LayoutMessage message) {
        findings.add(Finding.at(rule, Severity.NOTE, line.id(), stationM, message));
    }

    private void warn(Rule rule, double stationM, LayoutMessage message) {
        findings.add(Finding.at(rule, Severity.WARN, line.id(), stationM, message));
    }
}
