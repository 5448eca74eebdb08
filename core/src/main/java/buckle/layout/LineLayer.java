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
import buckle.site.CutOut;
import buckle.site.FenceLine;
import buckle.site.Gate;
import buckle.site.GeoPoint;
import buckle.site.LocalPlane;
import buckle.site.PlanePoint;
import buckle.site.Polylines;
import buckle.site.Stationing;
import buckle.site.Tees;
import buckle.spec.BraceKind;
import buckle.spec.Spec;
import buckle.spec.WireSchedule;
import buckle.units.Lengths;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.OptionalDouble;
import java.util.TreeMap;

/** Lays out one line: strong posts where it turns, ends or opens, braces in each pull, line posts evened between. */
final class LineLayer {
    private static final double SAME_PLACE_M = Mark.SAME_PLACE_M;
    /** A post wanted nearer than this to a strong one is not set. */
    private static final double CROWDED_M = 1;

    /** A quarter mile is not told from a hand more. */
    private static final double ABOUT_M = 0.1;

    private final FenceLine line;
    private final Spec spec;
    private final LocalPlane plane;
    private final Stationing stationing;
    private final List<Finding> findings;
    private final List<Tees.Tee> branches;
    private final Terrain terrain;
    private final List<Post> inner;
    private final List<Contact> contacts;
    /** Two for each pull, in order. */
    private final List<Bracing.Placed> placed = new ArrayList<>();

    private final List<Bend> bends = new ArrayList<>();
    private final WireSchedule schedule;
    private final Pulling pulling;
    private final Bracing bracing;
    private final SoilAlong soil;

    /**
     * @param branches tees of other lines on this one
     * @param coils what is left of the coils of the lines before
     * @param inner posts of the row this one stands outside of, none otherwise
     */
    LineLayer(
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

    LaidLine layOut() {
        return new LaidLine(line, layout(), stationing, contacts, soil);
    }

    private LineLayout layout() {
        List<GatePlace> gates = gates();
        List<CutOutPlace> cutOuts = cutOuts(gates);
        Profile profile = Profile.along(stationing, line.closed(), line.ground(), plane, terrain);
        gapFindings(profile);
        List<Mark> marks = marks(gates);
        inline(marks, gates);
        PostPlaces places = new PostPlaces(line, spec, stationing, plane);
        List<Stop> stops = stops(marks, gates);
        stops.forEach(this::brace);
        List<Mark> all = marks(marks, gates, places, profile);
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
        List<Pull> pulls = pulls(stops, all, profile);
        Anchors anchors = Anchors.of(
                placed, pulls, bracing, stationing, line.closed(), station -> setter.foot(markAt(all, station)));
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
                gates,
                cutOuts,
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

    private List<GatePlace> gates() {
        List<GatePlace> places = new ArrayList<>();
        for (Gate gate : line.gates()) {
            places.add(place(gate));
        }
        places.sort(Comparator.comparingDouble(GatePlace::fromM));
        List<GatePlace> kept = new ArrayList<>();
        for (GatePlace gate : places) {
            if (kept.isEmpty() || gate.fromM() >= kept.getLast().toM()) {
                kept.add(gate);
            } else {
                warn(
                        Rule.J5,
                        gate.fromM(),
                        new LayoutMessage.GateOverlaps(
                                gate.name(), kept.getLast().name()));
            }
        }
        return kept;
    }

    private GatePlace place(Gate gate) {
        Stationing.Place nearest = stationing.nearest(plane.toPlane(gate.at()));
        double from = stationing.cornerStationM(nearest.side());
        double to = stationing.cornerStationM(nearest.side() + 1);
        double opening = Math.min(gate.openingM(), to - from);
        double middle = Math.clamp(nearest.stationM(), from + opening / 2, to - opening / 2);
        boolean fromStrong = strongCorner(nearest.side());
        boolean toStrong = strongCorner(nearest.side() + 1);
        if (fromStrong && middle - opening / 2 - from < Values.X15_HANGS_M) {
            middle = from + opening / 2;
        } else if (toStrong && to - middle - opening / 2 < Values.X15_HANGS_M) {
            middle = to - opening / 2;
        }
        if (Math.abs(middle - nearest.stationM()) > SAME_PLACE_M) {
            note(Rule.X15, middle, new LayoutMessage.GateMoved(gate.name(), Math.abs(middle - nearest.stationM())));
        }
        if (opening < gate.openingM()) {
            warn(Rule.J5, middle, new LayoutMessage.GateTooWide(gate.name()));
        }
        return new GatePlace(gate.id(), gate.name(), gate.kind(), middle - opening / 2, middle + opening / 2);
    }

    /** Whether a strong post stands at a corner, on which a gate can hang. */
    private boolean strongCorner(int corner) {
        int count = line.corners().size();
        int at = line.closed() ? corner % count : corner;
        boolean end = !line.closed() && (at == 0 || at == count - 1);
        return end
                || line.closed() && at == line.closingCornerIndex()
                || Math.abs(Math.toDegrees(stationing.deflectionRad(at)))
                        >= spec.fence().braces().strongerFromDeg();
    }

    private List<CutOutPlace> cutOuts(List<GatePlace> gates) {
        List<CutOutPlace> places = new ArrayList<>();
        for (CutOut cutOut : line.cutOuts()) {
            double station = stationing.nearest(plane.toPlane(cutOut.at())).stationM();
            for (GatePlace gate : gates) {
                if (station > gate.fromM() && station < gate.toM()) {
                    station = station - gate.fromM() < gate.toM() - station ? gate.fromM() : gate.toM();
                    note(Rule.J4, station, new LayoutMessage.CutOutMoved(cutOut.name(), gate.name()));
                }
            }
            places.add(new CutOutPlace(cutOut.id(), cutOut.name(), station));
        }
        places.sort(Comparator.comparingDouble(CutOutPlace::stationM));
        return places;
    }

    private List<Mark> marks(List<GatePlace> gates) {
        List<Mark> marks = new ArrayList<>();
        int count = line.corners().size();
        for (int i = 0; i < count; i++) {
            marks.add(corner(i, count));
        }
        bends.addAll(Bends.of(line, stationing, spec, pulling));
        bends.forEach(this::bendNote);
        for (GatePlace gate : gates) {
            marks.add(new Mark(gate.fromM(), PostKind.GATE, gate.name(), 0, true));
            marks.add(new Mark(gate.toM(), PostKind.GATE, gate.name(), 0, true));
        }
        marks.sort(Comparator.comparingDouble(Mark::stationM));
        List<Mark> merged = merged(marks);
        branches.forEach(tee -> branch(merged, tee, gates));
        return merged;
    }

    /** A branch stands on a strong post that is there already, or gets one. */
    private void branch(List<Mark> marks, Tees.Tee tee, List<GatePlace> gates) {
        double at = tee.stationM();
        for (GatePlace gate : gates) {
            if (at > gate.fromM() + SAME_PLACE_M && at < gate.toM() - SAME_PLACE_M) {
                warn(Rule.J5, at, new LayoutMessage.BranchInGate(gate.name()));
            }
        }
        boolean stands = marks.stream()
                .anyMatch(m -> m.kind() != PostKind.LINE && Math.abs(m.stationM() - at) < SAME_PLACE_M
                        || line.closed() && stationing.lengthM() - at < SAME_PLACE_M);
        if (!stands) {
            marks.removeIf(m -> Math.abs(m.stationM() - at) < SAME_PLACE_M);
            marks.add(new Mark(at, PostKind.TEE, "", 0, false));
            marks.sort(Comparator.comparingDouble(Mark::stationM));
        }
    }

    private Mark corner(int i, int count) {
        double deflectionDeg = Math.toDegrees(stationing.deflectionRad(i));
        double turn = Math.abs(deflectionDeg);
        String label = Labels.letter(i);
        double station = stationing.cornerStationM(i);
        if (!line.closed() && (i == 0 || i == count - 1)) {
            return new Mark(station, PostKind.END, label, 0, true);
        }
        boolean closing = line.closed() && i == line.closingCornerIndex();
        if (closing || turn >= spec.fence().braces().braceFromDeg()) {
            return new Mark(station, PostKind.CORNER, label, deflectionDeg, true);
        }
        PostKind kind = turn >= spec.fence().braces().strongerFromDeg() ? PostKind.CORNER : PostKind.LINE;
        return new Mark(station, kind, label, deflectionDeg, false);
    }

    /** A gate post at the very place of a corner post is that corner post. */
    private List<Mark> merged(List<Mark> marks) {
        List<Mark> result = new ArrayList<>();
        for (Mark mark : marks) {
            Mark last = result.isEmpty() ? null : result.getLast();
            if (last != null && mark.stationM() - last.stationM() < SAME_PLACE_M) {
                Mark stronger = last.kind() == PostKind.GATE ? mark : last;
                result.set(
                        result.size() - 1,
                        new Mark(last.stationM(), stronger.kind(), stronger.label(), stronger.deflectionDeg(), true));
            } else {
                result.add(mark);
            }
        }
        boolean doubled = line.closed()
                && result.size() > 1
                && stationing.lengthM() - result.getLast().stationM() < SAME_PLACE_M;
        if (doubled) {
            result.removeLast();
        }
        return result;
    }

    /** A stretch of wire between two terminations. */
    private record Stop(double fromM, double toM) {}

    private List<Stop> stops(List<Mark> marks, List<GatePlace> gates) {
        List<Double> stops = new ArrayList<>(
                marks.stream().filter(Mark::ends).map(Mark::stationM).toList());
        List<Stop> result = new ArrayList<>();
        if (line.closed() && !stops.isEmpty()) {
            if (stops.getFirst() > SAME_PLACE_M) {
                stops.addFirst(0.0);
            }
            stops.add(stationing.lengthM());
        }
        int gate = 0;
        for (int i = 1; i < stops.size(); i++) {
            double from = stops.get(i - 1);
            double to = stops.get(i);
            while (gate < gates.size() && gates.get(gate).toM() <= from + SAME_PLACE_M) {
                gate++;
            }
            boolean opening = gate < gates.size() && gates.get(gate).fromM() <= from + SAME_PLACE_M;
            if (!opening) {
                result.add(new Stop(from, to));
            }
        }
        return result;
    }

    private List<Pull> pulls(List<Stop> stops, List<Mark> posts, Profile profile) {
        List<Pull> pulls = new ArrayList<>();
        int at = 0;
        for (int k = 0; k < stops.size(); k++) {
            Stop stop = stops.get(k);
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
                    placed.subList(2 * k, 2 * k + 2)));
        }
        return pulls;
    }

    /** B12: long straight pulls are parted evenly. */
    private void inline(List<Mark> marks, List<GatePlace> gates) {
        double most = spec.fence().braces().inlineFromM();
        NavigableMap<Double, Mark> standing = new TreeMap<>();
        marks.forEach(m -> standing.put(m.stationM(), m));
        for (Stop stop : stops(marks, gates)) {
            int parts = Lengths.parts(stop.toM() - stop.fromM() - ABOUT_M, most);
            for (int k = 1; k < parts; k++) {
                double at = stop.fromM() + (stop.toM() - stop.fromM()) * k / parts;
                Map<Double, Mark> near = standing.subMap(at - CROWDED_M, false, at + CROWDED_M, false);
                near.values().removeIf(m -> !m.kind().strong());
                if (near.isEmpty()) {
                    standing.put(at, new Mark(at, PostKind.INLINE, "", 0, true));
                }
            }
        }
        marks.clear();
        marks.addAll(standing.values());
    }

    private void brace(Stop pull) {
        BraceKind kind = bracing.kind();
        double reach = bracing.reachM(kind);
        double room = pull.toM() - pull.fromM();
        Rule rule = kind.framed() ? spec.fence().braces().railSchool().rule() : kind.rule();
        BraceName what =
                new BraceName(kind.text(), kind.framed() ? OptionalDouble.of(bracing.railM()) : OptionalDouble.empty());
        double need = bracing.roomM(kind);
        if (room >= need + reach) {
            add(kind, pull.fromM(), 1);
            add(kind, pull.toM(), -1);
        } else if (room >= need) {
            add(kind, pull.fromM(), 1);
            add(BraceKind.NONE, pull.toM(), -1);
            warn(rule, pull.toM(), new LayoutMessage.OneBraceFits(what, new Span(pull.fromM(), pull.toM())));
        } else {
            add(BraceKind.NONE, pull.fromM(), 1);
            add(BraceKind.NONE, pull.toM(), -1);
            warn(rule, pull.fromM(), new LayoutMessage.NoBraceFits(what, new Span(pull.fromM(), pull.toM())));
        }
    }

    private void add(BraceKind kind, double strongM, int towards) {
        placed.add(bracing.placed(kind, strongM, towards));
    }

    private void bendNote(Bend bend) {
        note(
                Rule.B10,
                bend.fromM(),
                new LayoutMessage.RoundedOutline(bend.turnDeg(), bend.posts(), bend.toM(), bend.sideN()));
    }

    private List<Mark> marks(List<Mark> marks, List<GatePlace> gates, PostPlaces places, Profile profile) {
        List<Mark> fixed = new ArrayList<>(marks);
        for (Bracing.Placed b : placed) {
            int frames = b.kind().posts();
            for (int k = 1; k <= frames; k++) {
                double at = b.strongM() + (b.braceM() - b.strongM()) * k / frames;
                fixed.add(Mark.of(PostKind.BRACE, at));
            }
        }
        fixed.sort(Comparator.comparingDouble(Mark::stationM));
        fixed = clearOfBraces(fixed);
        fixed = with(fixed, places.wanted(contacts, profile, marks, opposite()), gates);
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
