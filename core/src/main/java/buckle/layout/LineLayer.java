package buckle.layout;

import buckle.land.Contact;
import buckle.land.Contacts;
import buckle.land.Terrain;
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
import buckle.spec.Spec;
import buckle.units.Lengths;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** Lays out one line: strong posts where it turns, ends or opens, braces in each pull, line posts evened between. */
final class LineLayer {
    /** A gate post stands at least this far from a corner post, if the side allows. */
    private static final double GATE_FROM_CORNER_M = 0.6;

    private static final double SAME_PLACE_M = 0.05;
    private static final double BRACE_ROOM_M = 0.5;

    private final FenceLine line;
    private final Spec spec;
    private final LocalPlane plane;
    private final Stationing stationing;
    private final List<Finding> findings;
    private final List<Tees.Tee> branches;
    private final Terrain terrain;
    private final List<Contact> contacts;
    private final List<Brace> braces = new ArrayList<>();

    /** A post that is fixed before line posts are evened out. */
    private record Mark(double stationM, PostKind kind, String label, double deflectionDeg, boolean ends) {}

    /** @param branches tees of other lines on this one */
    LineLayer(
            FenceLine line,
            Spec spec,
            LocalPlane plane,
            List<Tees.Tee> branches,
            Contacts land,
            Terrain terrain,
            List<Finding> findings) {
        this.line = line;
        this.spec = spec;
        this.plane = plane;
        this.branches = branches;
        this.terrain = terrain;
        this.findings = findings;
        List<PlanePoint> corners =
                line.corners().stream().map(c -> plane.toPlane(c.at())).toList();
        this.stationing = new Stationing(corners, line.closed());
        this.contacts = land.of(stationing);
    }

    Stationing stationing() {
        return stationing;
    }

    FenceLine line() {
        return line;
    }

    List<Contact> contacts() {
        return contacts;
    }

    LineLayout layOut() {
        List<GatePlace> gates = gates();
        List<CutOutPlace> cutOuts = cutOuts(gates);
        Profile profile = Profile.along(stationing, line.closed(), line.ground(), plane, terrain);
        gapFindings(profile);
        List<Mark> marks = marks(gates);
        List<Pull> pulls = pulls(marks, gates, profile);
        pulls.forEach(this::brace);
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
                posts(marks, gates),
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
                        .toList());
    }

    private void gapFindings(Profile profile) {
        for (ProfileGap gap : profile.gaps()) {
            note(
                    "L3",
                    gap.fromM(),
                    "No height is known from " + text(gap.fromM()) + " to " + text(gap.toM())
                            + ": the ground is drawn straight there, and wire for it may be short.");
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
        for (int i = places.size() - 1; i > 0; i--) {
            if (places.get(i).fromM() < places.get(i - 1).toM()) {
                GatePlace gone = places.remove(i);
                warn(
                        "J5",
                        gone.fromM(),
                        gone.name() + " overlaps " + places.get(i - 1).name()
                                + " and is left out of the layout. Move one of them.");
            }
        }
        return places;
    }

    private GatePlace place(Gate gate) {
        Stationing.Place nearest = stationing.nearest(plane.toPlane(gate.at()));
        double from = stationing.cornerStationM(nearest.side());
        double to = stationing.cornerStationM(nearest.side() + 1);
        double opening = Math.min(gate.openingM(), to - from);
        double keep = Math.min(GATE_FROM_CORNER_M, (to - from - opening) / 2);
        double middle = Math.clamp(nearest.stationM(), from + keep + opening / 2, to - keep - opening / 2);
        if (Math.abs(middle - nearest.stationM()) > 0.5) {
            note(
                    "J5",
                    middle,
                    gate.name() + " was moved along its side by " + text(Math.abs(middle - nearest.stationM()))
                            + " to keep its posts clear of the corner.");
        }
        if (opening < gate.openingM()) {
            warn("J5", middle, gate.name() + " is wider than its side; drawn as wide as the side.");
        }
        return new GatePlace(gate.id(), gate.name(), gate.kind(), middle - opening / 2, middle + opening / 2);
    }

    private List<CutOutPlace> cutOuts(List<GatePlace> gates) {
        List<CutOutPlace> places = new ArrayList<>();
        for (CutOut cutOut : line.cutOuts()) {
            double station = stationing.nearest(plane.toPlane(cutOut.at())).stationM();
            for (GatePlace gate : gates) {
                if (station > gate.fromM() && station < gate.toM()) {
                    station = station - gate.fromM() < gate.toM() - station ? gate.fromM() : gate.toM();
                    note(
                            "J4",
                            station,
                            cutOut.name() + " stood in the opening of " + gate.name() + " and was moved to its post.");
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
                warn("J5", at, "Another line branches off in the opening of " + gate.name() + ". Move one of them.");
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
        boolean closing = line.closed() && i == 0;
        if (closing || turn >= spec.braces().braceFromDeg()) {
            return new Mark(station, PostKind.CORNER, label, deflectionDeg, true);
        }
        PostKind kind = turn >= spec.braces().strongerFromDeg() ? PostKind.CORNER : PostKind.LINE;
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

    private List<Pull> pulls(List<Mark> marks, List<GatePlace> gates, Profile profile) {
        List<Double> stops = new ArrayList<>(
                marks.stream().filter(Mark::ends).map(Mark::stationM).toList());
        if (line.closed()) {
            stops.add(stationing.lengthM());
        }
        List<Pull> pulls = new ArrayList<>();
        int gate = 0;
        for (int i = 1; i < stops.size(); i++) {
            double from = stops.get(i - 1);
            double to = stops.get(i);
            while (gate < gates.size() && gates.get(gate).toM() <= from + SAME_PLACE_M) {
                gate++;
            }
            boolean opening = gate < gates.size() && gates.get(gate).fromM() <= from + SAME_PLACE_M;
            if (!opening) {
                pulls.add(new Pull(from, to, profile.slopeLengthM(from, to)));
            }
        }
        return pulls;
    }

    private void brace(Pull pull) {
        double rail = spec.braces().railSchool().railM(spec.schedule().topM());
        double room = pull.toM() - pull.fromM();
        String rule = spec.braces().railSchool().rule();
        if (room >= 2 * rail + BRACE_ROOM_M) {
            braces.add(new Brace(pull.fromM(), pull.fromM() + rail, rail));
            braces.add(new Brace(pull.toM(), pull.toM() - rail, rail));
        } else if (room >= rail + BRACE_ROOM_M) {
            braces.add(new Brace(pull.fromM(), pull.fromM() + rail, rail));
            warn(
                    rule,
                    pull.toM(),
                    "Only one " + text(rail) + " brace fits between stations " + text(pull.fromM()) + " and "
                            + text(pull.toM()) + ". Set a heavier post or a back-stake at the other end.");
        } else {
            warn(
                    rule,
                    pull.fromM(),
                    "No " + text(rail) + " brace fits between stations " + text(pull.fromM()) + " and "
                            + text(pull.toM()) + ". Both strong posts must hold by themselves.");
        }
    }

    private List<Post> posts(List<Mark> marks, List<GatePlace> gates) {
        List<Mark> fixed = new ArrayList<>(marks);
        braces.forEach(b -> fixed.add(new Mark(b.braceStationM(), PostKind.BRACE, "", 0, false)));
        fixed.sort(Comparator.comparingDouble(Mark::stationM));
        List<Post> posts = new ArrayList<>();
        int side = 0;
        for (int i = 0; i < fixed.size(); i++) {
            Mark mark = fixed.get(i);
            side = add(posts, mark, side);
            boolean last = i == fixed.size() - 1;
            if (last && !line.closed()) {
                break;
            }
            double to = last ? stationing.lengthM() : fixed.get(i + 1).stationM();
            if (!opens(mark.stationM(), to, gates)) {
                side = evenOut(posts, mark.stationM(), to, side);
            }
        }
        return posts;
    }

    private boolean opens(double from, double to, List<GatePlace> gates) {
        for (GatePlace gate : gates) {
            if (gate.fromM() <= from + SAME_PLACE_M && to <= gate.toM() + SAME_PLACE_M) {
                return true;
            }
        }
        return false;
    }

    private int evenOut(List<Post> posts, double from, double to, int side) {
        int spaces = (int) Math.ceil((to - from) / spec.posts().spacingM() - 1e-9);
        int at = side;
        for (int k = 1; k < spaces; k++) {
            double station = from + (to - from) * k / spaces;
            at = add(posts, new Mark(station, PostKind.LINE, "", 0, false), at);
        }
        return at;
    }

    private int add(List<Post> posts, Mark mark, int side) {
        int at = side;
        while (at < stationing.sideCount() - 1 && stationing.cornerStationM(at + 1) <= mark.stationM()) {
            at++;
        }
        GeoPoint place = plane.toGeo(stationing.at(mark.stationM(), at));
        posts.add(new Post(
                posts.size() + 1,
                mark.kind(),
                mark.stationM(),
                place.lonDeg(),
                place.latDeg(),
                mark.label(),
                mark.deflectionDeg(),
                mark.ends(),
                shared(mark)));
        return at;
    }

    private boolean shared(Mark mark) {
        return mark.kind() == PostKind.END
                && (line.startsOn().isPresent() && mark.stationM() == 0
                        || line.endsOn().isPresent() && mark.stationM() > 0);
    }

    private void note(String rule, double stationM, String message) {
        findings.add(Finding.at(rule, Severity.NOTE, line.id(), stationM, message));
    }

    private void warn(String rule, double stationM, String message) {
        findings.add(Finding.at(rule, Severity.WARN, line.id(), stationM, message));
    }

    private String text(double lengthM) {
        return Lengths.text(lengthM, spec.units());
    }
}
