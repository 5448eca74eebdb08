package buckle.layout;

import buckle.land.Contact;
import buckle.land.Contacts;
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
import buckle.spec.WireSchedule;
import buckle.task.Cancellation;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
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
    private final List<Tees.Tee> branches;
    private final Terrain terrain;
    private final List<Post> inner;
    private final List<Contact> contacts;
    private final WireSchedule schedule;
    private final Pulling pulling;
    private final Bracing bracing;
    private final SoilAlong soil;

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
        this.spec = spec.forLine(line.id());
        this.plane = plane;
        this.branches = branches;
        this.terrain = terrain;
        this.inner = inner;
        this.findings = findings;
        List<PlanePoint> corners =
                line.corners().stream().map(c -> plane.toPlane(c.at())).toList();
        this.stationing = new Stationing(corners, line.closed());
        this.contacts = land.of(stationing);
        this.schedule = this.spec.fence().schedule();
        this.pulling = new Pulling(this.spec, schedule, coils);
        this.bracing = new Bracing(this.spec, schedule.topM(), pulling);
        this.soil = new SoilAlong(contacts);
    }

    /** A stretch to be pulled, with what braces its ends. */
    private record Braced(StrongPosts.Stop stop, Bracing.Placed start, Bracing.Placed finish) {}

    LaidLine layOut() {
        return new LaidLine(line, layout(), stationing, contacts, soil);
    }

    private LineLayout layout() {
        StrongPosts.Found strong = StrongPosts.of(line, spec.fence().braces(), stationing, plane, branches, findings);
        Profile profile = Profile.along(stationing, line.closed(), line.ground(), plane, terrain);
        gapFindings(profile);
        List<Bend> bends = Bends.of(line, stationing, spec, pulling);
        bends.forEach(this::bendNote);
        PostPlaces places = new PostPlaces(line, spec, stationing, plane);
        List<Braced> braced = strong.stops().stream().map(this::braced).toList();
        List<Mark> all = marks(strong, braced, places, profile);
        PostSetter setter =
                new PostSetter(line, spec, schedule.topM(), pulling, stationing, plane, soil, profile, places);
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
        List<Pull> pulls = pulls(braced, all, profile);
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
                bends,
                stationing.cornerStationM(line.closingCornerIndex()));
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

    private List<Pull> pulls(List<Braced> stretches, List<Mark> posts, Profile profile) {
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
            pulls.add(pulling.pull(
                    stop.fromM(),
                    stop.toM(),
                    profile.slopeLengthM(stop.fromM(), stop.toM()),
                    widest,
                    List.of(braced.start(), braced.finish())));
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
        boolean start = room >= need;
        boolean finish = room >= need + reach;
        if (!start) {
            warn(rule, pull.fromM(), new LayoutMessage.NoBraceFits(what, new Span(pull.fromM(), pull.toM())));
        } else if (!finish) {
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

    private List<Mark> marks(StrongPosts.Found strong, List<Braced> braced, PostPlaces places, Profile profile) {
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
        return places.used(all);
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
                            .anyMatch(g -> w.stationM() > g.fromM() - CROWDED_M && w.stationM() < g.toM() + CROWDED_M);
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
