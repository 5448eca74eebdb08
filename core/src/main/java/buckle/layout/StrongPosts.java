package buckle.layout;

import buckle.message.LayoutMessage;
import buckle.rulebook.Rule;
import buckle.rulebook.Values;
import buckle.site.CutOut;
import buckle.site.FenceLine;
import buckle.site.Gate;
import buckle.site.LocalPlane;
import buckle.site.Stationing;
import buckle.site.Tees;
import buckle.spec.FenceSpec;
import buckle.spec.Stringing;
import buckle.spec.WireSchedule;
import buckle.units.Lengths;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;

/** Where a line needs strong posts: at its ends, where it turns, opens, takes a branch, or is pulled too far. */
final class StrongPosts {
    private static final double SAME_PLACE_M = Mark.SAME_PLACE_M;
    /** A post wanted nearer than this to a strong one is not set. */
    private static final double CROWDED_M = 1;
    /** A quarter mile is not told from a hand more. */
    private static final double ABOUT_M = 0.1;

    private final FenceLine line;
    private final FenceSpec.Braces braces;
    private final Stringing.Way way;
    private final List<Curves.Curve> curves;
    private final Set<Integer> curved;
    private final Stationing stationing;
    private final LocalPlane plane;
    private final List<Tees.Tee> branches;
    private final List<Finding> findings;
    private final List<GatePlace> gates;
    private final List<CutOutPlace> cutOuts;
    private final List<Mark> marks;

    /**
     * A stretch of wire between two posts that end it, or hold it where it turns.
     *
     * @param joined whether its wires run on into the next stretch
     * @param bracedFrom whether its start asks for a brace, {@code bracedTo} whether its end does
     */
    record Stop(double fromM, double toM, boolean joined, boolean bracedFrom, boolean bracedTo) {}

    /**
     * What was found.
     *
     * @param marks in order, with the corners that only bend the wire
     * @param stops what is pulled
     * @param way how the wire is really run
     * @param curves rounded outlines along which posts stand evenly, whatever corners drew them
     */
    record Found(
            List<GatePlace> gates,
            List<CutOutPlace> cutOuts,
            List<Mark> marks,
            List<Stop> stops,
            Stringing.Way way,
            List<Curves.Curve> curves) {}

    private StrongPosts(
            FenceLine line,
            FenceSpec fence,
            Stationing stationing,
            LocalPlane plane,
            List<Tees.Tee> branches,
            List<Finding> findings) {
        this.line = line;
        this.braces = fence.braces();
        this.stationing = stationing;
        this.plane = plane;
        this.branches = branches;
        this.findings = findings;
        boolean passes = fence.stringing().way().passesCorners();
        this.curves = passes
                ? Curves.of(line, stationing, 2 * fence.posts().spacingM(), Values.S13_GENTLE_DEG, true)
                : List.of();
        this.curved = curves.stream().flatMap(c -> c.corners().stream()).collect(Collectors.toSet());
        this.gates = gates(passes);
        this.way = way(fence.stringing(), fence.schedule());
        this.cutOuts = cutOuts();
        this.marks = marks();
        if (!passes) {
            inline();
        }
    }

    /** Round and round goes only where nothing opens; out and back goes by itself on each side of an opening. */
    private Stringing.Way way(Stringing asked, WireSchedule schedule) {
        if (asked.way() == Stringing.Way.ROUND_AND_ROUND) {
            if (!line.closed()) {
                warn(Rule.X2, 0, new LayoutMessage.RoundNeedsRing(line.name(), ""));
                return Stringing.Way.RUNS_ON;
            }
            if (!gates.isEmpty()) {
                GatePlace gate = gates.getFirst();
                warn(Rule.X2, gate.fromM(), new LayoutMessage.RoundNeedsRing(line.name(), gate.name()));
                return Stringing.Way.RUNS_ON;
            }
            if (asked.rounds() < schedule.wires().size()) {
                warn(
                        Rule.X2,
                        0,
                        new LayoutMessage.FewRounds(
                                asked.rounds(), schedule.wires().size()));
            }
        }
        if (asked.way() == Stringing.Way.OUT_AND_BACK) {
            for (GatePlace gate : gates) {
                warn(Rule.X2, gate.fromM(), new LayoutMessage.NoWayBack(gate.name()));
            }
        }
        return asked.way();
    }

    /** @param branches tees of other lines on this one */
    static Found of(
            FenceLine line,
            FenceSpec fence,
            Stationing stationing,
            LocalPlane plane,
            List<Tees.Tee> branches,
            List<Finding> findings) {
        StrongPosts posts = new StrongPosts(line, fence, stationing, plane, branches, findings);
        return new Found(posts.gates, posts.cutOuts, posts.marks, posts.stops(), posts.way, posts.curves);
    }

    private List<GatePlace> gates(boolean passes) {
        List<GatePlace> places = new ArrayList<>();
        for (Gate gate : line.gates()) {
            places.add(place(gate, passes));
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

    private GatePlace place(Gate gate, boolean passes) {
        Stationing.Place nearest = stationing.nearest(plane.toPlane(gate.at()));
        if (gate.fit().acrossCorner()) {
            Optional<GatePlace> across = acrossCorner(gate, nearest);
            if (across.isPresent()) {
                return across.get();
            }
        }
        double from = stationing.cornerStationM(nearest.side());
        double to = stationing.cornerStationM(nearest.side() + 1);
        double opening = Math.min(gate.openingM(), to - from);
        double middle = Math.clamp(nearest.stationM(), from + opening / 2, to - opening / 2);
        boolean fromStrong = strongCorner(nearest.side(), passes);
        boolean toStrong = strongCorner(nearest.side() + 1, passes);
        if (fromStrong && middle - opening / 2 - from < Values.X15_HANGS_M) {
            middle = from + opening / 2;
        } else if (toStrong && to - middle - opening / 2 < Values.X15_HANGS_M) {
            middle = to - opening / 2;
        }
        middle = atTee(middle, opening, from, to);
        if (Math.abs(middle - nearest.stationM()) > SAME_PLACE_M) {
            note(Rule.X15, middle, new LayoutMessage.GateMoved(gate.name(), Math.abs(middle - nearest.stationM())));
        }
        if (opening < gate.openingM()) {
            warn(Rule.J5, middle, new LayoutMessage.GateTooWide(gate.name()));
        }
        return new GatePlace(
                gate.id(),
                gate.name(),
                gate.kind(),
                middle - opening / 2,
                middle + opening / 2,
                opening,
                gate.fit().withAcrossCorner(false));
    }

    /** X15: a post that takes a branch takes the gate beside it as well. */
    private double atTee(double middle, double opening, double fromM, double toM) {
        for (Tees.Tee tee : branches) {
            double at = tee.stationM();
            boolean first = Math.abs(middle - opening / 2 - at) < Values.X15_HANGS_M;
            boolean last = Math.abs(middle + opening / 2 - at) < Values.X15_HANGS_M;
            double moved = first ? at + opening / 2 : at - opening / 2;
            if ((first || last) && moved - opening / 2 >= fromM && moved + opening / 2 <= toM) {
                return moved;
            }
        }
        return middle;
    }

    /**
     * A gate that cuts off the nearest corner: its posts stand as far on both sides, so that the straight between them is its
     * opening. Where stations begin or a line ends there is no corner to cut off.
     */
    private Optional<GatePlace> acrossCorner(Gate gate, Stationing.Place near) {
        double before = stationing.cornerStationM(near.side());
        double after = stationing.cornerStationM(near.side() + 1);
        int corner = near.stationM() - before < after - near.stationM() ? near.side() : near.side() + 1;
        if (corner == 0 || corner >= line.corners().size() - (line.closed() ? 0 : 1)) {
            warn(Rule.J5, near.stationM(), new LayoutMessage.NoCornerToCut(gate.name(), line.closed()));
            return Optional.empty();
        }
        double at = stationing.cornerStationM(corner);
        double perLeg = 2 * Math.cos(stationing.deflectionRad(corner) / 2);
        double room = Math.min(at - stationing.cornerStationM(corner - 1), stationing.cornerStationM(corner + 1) - at);
        double leg = Math.min(gate.openingM() / perLeg, room);
        if (leg * perLeg < gate.openingM() - SAME_PLACE_M) {
            warn(Rule.J5, at, new LayoutMessage.GateTooWide(gate.name()));
        }
        note(Rule.J5, at - leg, new LayoutMessage.GateAcrossCorner(gate.name(), Labels.letter(corner), leg));
        return Optional.of(
                new GatePlace(gate.id(), gate.name(), gate.kind(), at - leg, at + leg, leg * perLeg, gate.fit()));
    }

    /** Whether a gate stands across a station, its corner being cut off. */
    private boolean cutOff(double stationM) {
        return gates.stream()
                .anyMatch(g -> g.fit().acrossCorner()
                        && stationM > g.fromM() + SAME_PLACE_M
                        && stationM < g.toM() - SAME_PLACE_M);
    }

    /** Whether a strong post stands at a corner, on which a gate can hang. */
    private boolean strongCorner(int corner, boolean passes) {
        int count = line.corners().size();
        int at = line.closed() ? corner % count : corner;
        boolean end = !line.closed() && (at == 0 || at == count - 1);
        return end
                || line.closed() && at == line.closingCornerIndex() && !passes
                || wireEnds(at)
                || Math.abs(Math.toDegrees(stationing.deflectionRad(at))) >= braces.strongerFromDeg();
    }

    /** Whether somebody said that the wire ends at a corner though it would run on. */
    private boolean wireEnds(int corner) {
        return line.book().wireEnds().contains(line.corners().get(corner).id());
    }

    private List<CutOutPlace> cutOuts() {
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

    private List<Mark> marks() {
        List<Mark> marks = new ArrayList<>();
        int count = line.corners().size();
        for (int i = 0; i < count; i++) {
            Mark mark = way.passesCorners() ? passed(i, count) : corner(i, count);
            // Along a curve posts stand evenly; a closed line has one where its stations begin.
            boolean stands = !curved.contains(i) || mark.ends() || i == 0;
            if (stands && !cutOff(mark.stationM())) {
                marks.add(mark);
            }
        }
        for (GatePlace gate : gates) {
            marks.add(new Mark(gate.fromM(), PostKind.GATE, gate.name(), 0, true));
            marks.add(new Mark(gate.toM(), PostKind.GATE, gate.name(), 0, true));
        }
        marks.sort(Comparator.comparingDouble(Mark::stationM));
        List<Mark> merged = merged(marks);
        branches.forEach(tee -> branch(merged, tee));
        return merged;
    }

    /** A branch stands on a strong post that is there already, or gets one. */
    private void branch(List<Mark> marks, Tees.Tee tee) {
        double at = tee.stationM();
        for (GatePlace gate : gates) {
            if (at > gate.fromM() + SAME_PLACE_M && at < gate.toM() - SAME_PLACE_M) {
                warn(Rule.J5, at, new LayoutMessage.BranchInGate(gate.name()));
            }
        }
        for (int i = 0; i < marks.size(); i++) {
            if (marks.get(i).ends()
                    && marks.get(i).kind() == PostKind.LINE
                    && marks.get(i).sameAs(at)) {
                marks.set(i, marks.get(i).as(PostKind.TEE));
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
        if (closing || turn >= braces.braceFromDeg()) {
            return new Mark(station, PostKind.CORNER, label, deflectionDeg, true);
        }
        PostKind kind = turn >= braces.strongerFromDeg() ? PostKind.CORNER : PostKind.LINE;
        return new Mark(station, kind, label, deflectionDeg, false);
    }

    /** A corner of a line whose wires run on: by itself it ends none. */
    private Mark passed(int i, int count) {
        double deflectionDeg = Math.toDegrees(stationing.deflectionRad(i));
        double turn = Math.abs(deflectionDeg);
        String label = curved.contains(i) && i > 0 ? "" : Labels.letter(i);
        double station = stationing.cornerStationM(i);
        if (!line.closed() && (i == 0 || i == count - 1)) {
            return new Mark(station, PostKind.END, label, 0, true);
        }
        if (wireEnds(i)) {
            return new Mark(station, PostKind.CORNER, label, deflectionDeg, true);
        }
        boolean braced = !curved.contains(i) && turn >= braces.braceFromDeg();
        boolean begins = begins(i);
        PostKind kind = !curved.contains(i) && turn >= braces.strongerFromDeg() ? PostKind.CORNER : PostKind.LINE;
        boolean comesBack = begins && way == Stringing.Way.OUT_AND_BACK;
        return new Mark(station, kind, label, deflectionDeg, braced || begins, (braced || begins) && !comesBack);
    }

    /** Where the wire of a ring begins and meets itself: at its closing corner, when nothing else ends it. */
    private boolean begins(int corner) {
        return line.closed()
                && corner == line.closingCornerIndex()
                && gates.isEmpty()
                && line.corners().stream().noneMatch(c -> line.book().wireEnds().contains(c.id()));
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

    /** Stretches of wire between posts that end them, but for openings. */
    private List<Stop> stops() {
        List<Mark> stops = new ArrayList<>(marks.stream().filter(Mark::ends).toList());
        List<Stop> result = new ArrayList<>();
        if (line.closed() && !stops.isEmpty()) {
            if (stops.getFirst().stationM() > SAME_PLACE_M) {
                boolean runsOn = way.passesCorners();
                stops.addFirst(new Mark(0, PostKind.LINE, "", 0, true, runsOn));
            }
            Mark seam = stops.getFirst();
            stops.add(new Mark(
                    stationing.lengthM(), seam.kind(), seam.label(), seam.deflectionDeg(), true, seam.runsOn()));
        }
        int gate = 0;
        for (int i = 1; i < stops.size(); i++) {
            double from = stops.get(i - 1).stationM();
            double to = stops.get(i).stationM();
            while (gate < gates.size() && gates.get(gate).toM() <= from + SAME_PLACE_M) {
                gate++;
            }
            boolean opening = gate < gates.size() && gates.get(gate).fromM() <= from + SAME_PLACE_M;
            if (!opening) {
                result.add(new Stop(from, to, stops.get(i).runsOn(), braced(stops.get(i - 1)), braced(stops.get(i))));
            }
        }
        return result;
    }

    /** Where wires end, and where they turn so far that the post needs a brace both ways. */
    private boolean braced(Mark stop) {
        return !stop.runsOn() || stop.kind().strong() && Math.abs(stop.deflectionDeg()) >= braces.braceFromDeg();
    }

    /** B12: long straight pulls are parted evenly. */
    private void inline() {
        double most = braces.inlineFromM();
        NavigableMap<Double, Mark> standing = new TreeMap<>();
        marks.forEach(m -> standing.put(m.stationM(), m));
        for (Stop stop : stops()) {
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

    private void note(Rule rule, double stationM, LayoutMessage message) {
        findings.add(Finding.at(rule, Severity.NOTE, line.id(), stationM, message));
    }

    private void warn(Rule rule, double stationM, LayoutMessage message) {
        findings.add(Finding.at(rule, Severity.WARN, line.id(), stationM, message));
    }
}
