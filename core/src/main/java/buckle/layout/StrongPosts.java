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
import buckle.units.Lengths;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.TreeMap;

/** Where a line needs strong posts: at its ends, where it turns, opens, takes a branch, or is pulled too far. */
final class StrongPosts {
    private static final double SAME_PLACE_M = Mark.SAME_PLACE_M;
    /** A post wanted nearer than this to a strong one is not set. */
    private static final double CROWDED_M = 1;
    /** A quarter mile is not told from a hand more. */
    private static final double ABOUT_M = 0.1;

    private final FenceLine line;
    private final FenceSpec.Braces braces;
    private final Stationing stationing;
    private final LocalPlane plane;
    private final List<Tees.Tee> branches;
    private final List<Finding> findings;
    private final List<GatePlace> gates;
    private final List<CutOutPlace> cutOuts;
    private final List<Mark> marks;

    /** A stretch of wire between two posts that end it. */
    record Stop(double fromM, double toM) {}

    /**
     * What was found.
     *
     * @param marks in order, with the corners that only bend the wire
     * @param stops what is pulled
     */
    record Found(List<GatePlace> gates, List<CutOutPlace> cutOuts, List<Mark> marks, List<Stop> stops) {}

    private StrongPosts(
            FenceLine line,
            FenceSpec.Braces braces,
            Stationing stationing,
            LocalPlane plane,
            List<Tees.Tee> branches,
            List<Finding> findings) {
        this.line = line;
        this.braces = braces;
        this.stationing = stationing;
        this.plane = plane;
        this.branches = branches;
        this.findings = findings;
        this.gates = gates();
        this.cutOuts = cutOuts();
        this.marks = marks();
        inline();
    }

    /** @param branches tees of other lines on this one */
    static Found of(
            FenceLine line,
            FenceSpec.Braces braces,
            Stationing stationing,
            LocalPlane plane,
            List<Tees.Tee> branches,
            List<Finding> findings) {
        StrongPosts posts = new StrongPosts(line, braces, stationing, plane, branches, findings);
        return new Found(posts.gates, posts.cutOuts, posts.marks, posts.stops());
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
                || Math.abs(Math.toDegrees(stationing.deflectionRad(at))) >= braces.strongerFromDeg();
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
            marks.add(corner(i, count));
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
