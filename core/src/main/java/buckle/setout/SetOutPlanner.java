package buckle.setout;

import buckle.land.Contacts;
import buckle.land.Land;
import buckle.land.LandFeature;
import buckle.land.LandKind;
import buckle.layout.Labels;
import buckle.layout.Layout;
import buckle.layout.LineLayout;
import buckle.layout.Post;
import buckle.layout.PostKind;
import buckle.layout.ProfilePoint;
import buckle.rulebook.Values;
import buckle.setout.SetOut.Diagonal;
import buckle.setout.SetOut.Mark;
import buckle.setout.SetOut.SetOutLine;
import buckle.setout.SetOut.Tie;
import buckle.site.GeoPoint;
import buckle.site.LocalPlane;
import buckle.site.PlanePoint;
import buckle.spec.Spec;
import buckle.task.Cancellation;
import buckle.units.Lengths;
import buckle.units.UnitSystem;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import java.util.Set;

/** Makes the set-out sheet of a layout. */
public final class SetOutPlanner {
    private static final double SAME_PLACE_M = 0.1;
    private static final int MOST_TIES_LOOKED_AT = 60;

    private final Layout layout;
    private final Land land;
    private final UnitSystem units;
    private final LocalPlane plane;
    private final List<Standing> standing = new ArrayList<>();

    private record Standing(String name, PlanePoint at) {}

    private SetOutPlanner(Layout layout, Land land, Spec spec) {
        this.layout = layout;
        this.land = land;
        this.units = spec.units();
        this.plane = new LocalPlane(layout.origin());
    }

    /** The sheet that a layout is staked out from. */
    public static SetOut plan(Layout layout, Land land, Spec spec) {
        SetOutPlanner planner = new SetOutPlanner(layout, land, spec);
        planner.fixedMarks();
        List<SetOutLine> lines = layout.lines().stream().map(planner::line).toList();
        String note = "Stretch the string from strong post to strong post along the outer faces; set line posts "
                + Lengths.text(Values.P9_SET_BACK_M, spec.units())
                + " back from it where insulators sit on the side of the strong posts (P9).";
        return new SetOut(lines, planner.calls(), note, land.declinationDeg());
    }

    /** Corners of buildings and outlets stand before anything is staked. */
    private void fixedMarks() {
        for (LandFeature f : land.features()) {
            Cancellation.check();
            if (f.kind() == LandKind.BUILDING || f.kind() == LandKind.POWER_OUTLET) {
                for (int i = 0; i < f.points().size(); i++) {
                    String name = f.points().size() == 1 ? f.title() : f.title() + " corner " + (i + 1);
                    standing.add(new Standing(name, plane.toPlane(f.points().get(i))));
                }
            }
        }
    }

    private SetOutLine line(LineLayout line) {
        List<Post> strong = line.posts().stream().filter(p -> p.kind().strong()).toList();
        boolean prefix = layout.lines().size() > 1;
        List<Mark> marks = new ArrayList<>();
        for (int i = 0; i < strong.size(); i++) {
            Cancellation.check();
            Post post = strong.get(i);
            Post next = i + 1 < strong.size() ? strong.get(i + 1) : line.closed() ? strong.getFirst() : null;
            double before = i == 0 ? post.stationM() : strong.get(i - 1).stationM();
            OptionalDouble bearing = next == null ? OptionalDouble.empty() : bearing(post, next);
            PlanePoint at = at(post);
            marks.add(new Mark(
                    name(post),
                    post.kind().name().toLowerCase(Locale.ROOT),
                    post.shared(),
                    post.stationM(),
                    post.stationM() - before,
                    slopeM(line, before, post.stationM()),
                    post.deflectionDeg(),
                    bearing,
                    compass(bearing),
                    ties(at),
                    next == null ? "" : between(line, post, next),
                    post.lonDeg(),
                    post.latDeg()));
            standing.add(new Standing(prefix ? line.name() + " " + name(post) : name(post), at));
        }
        return new SetOutLine(line.lineId(), line.name(), line.closed(), line.lengthM(), marks, diagonals(line));
    }

    private PlanePoint at(Post post) {
        return plane.toPlane(GeoPoint.of(post.lonDeg(), post.latDeg()));
    }

    private static String name(Post post) {
        if (post.kind() == PostKind.GATE) {
            return post.label() + " post " + post.number();
        }
        return post.label().isEmpty()
                ? post.kind().name().toLowerCase(Locale.ROOT) + " " + post.number()
                : post.label();
    }

    private OptionalDouble bearing(Post from, Post to) {
        PlanePoint a = at(from);
        PlanePoint b = at(to);
        return OptionalDouble.of(turned(Math.toDegrees(Math.atan2(b.eastM() - a.eastM(), b.northM() - a.northM()))));
    }

    private OptionalDouble compass(OptionalDouble bearingDeg) {
        return bearingDeg.isPresent() && land.declinationDeg().isPresent()
                ? OptionalDouble.of(
                        turned(bearingDeg.getAsDouble() - land.declinationDeg().getAsDouble()))
                : OptionalDouble.empty();
    }

    private static double turned(double deg) {
        double within = deg % 360;
        return within < 0 ? within + 360 : within;
    }

    /** Straight along the ground between two stations, bend by bend of the profile. */
    private static double slopeM(LineLayout line, double from, double to) {
        List<ProfilePoint> profile = line.profile();
        if (profile.size() < 2) {
            return to - from;
        }
        double sum = 0;
        for (int i = 1; i < profile.size(); i++) {
            ProfilePoint a = profile.get(i - 1);
            ProfilePoint b = profile.get(i);
            double run = Math.min(to, b.stationM()) - Math.max(from, a.stationM());
            double whole = b.stationM() - a.stationM();
            if (run > 0 && whole > 0) {
                sum += run / whole * Math.hypot(whole, b.heightM() - a.heightM());
            }
        }
        return sum;
    }

    /** The two standing marks that fix a place best: arcs that cross near a right angle, within reach of a tape. */
    private List<Tie> ties(PlanePoint at) {
        List<Standing> near = standing.stream()
                .filter(s -> s.at().distanceM(at) > SAME_PLACE_M && s.at().distanceM(at) <= Values.Q3_FURTHEST_TIE_M)
                .sorted((a, b) -> Double.compare(a.at().distanceM(at), b.at().distanceM(at)))
                .limit(MOST_TIES_LOOKED_AT)
                .toList();
        Standing first = null;
        Standing second = null;
        double best = 0;
        for (int i = 0; i < near.size(); i++) {
            for (int j = i + 1; j < near.size(); j++) {
                double score = score(at, near.get(i).at(), near.get(j).at());
                if (score > best) {
                    best = score;
                    first = near.get(i);
                    second = near.get(j);
                }
            }
        }
        if (first == null || second == null) {
            return near.isEmpty() ? List.of() : List.of(tie(near.getFirst(), at));
        }
        return List.of(tie(first, at), tie(second, at));
    }

    private static Tie tie(Standing s, PlanePoint at) {
        return new Tie(s.name(), s.at().distanceM(at));
    }

    private static double score(PlanePoint at, PlanePoint a, PlanePoint b) {
        double da = a.distanceM(at);
        double db = b.distanceM(at);
        double cross = (a.eastM() - at.eastM()) * (b.northM() - at.northM())
                - (a.northM() - at.northM()) * (b.eastM() - at.eastM());
        return Math.abs(cross) / (da * db) * Math.min(1, Values.Q3_TAPE_M / Math.max(da, db));
    }

    /** What stands between two strong posts: braces, and line posts at their even spacing. */
    private String between(LineLayout line, Post from, Post to) {
        double end = to.stationM() > from.stationM() ? to.stationM() : line.lengthM();
        boolean gate = line.gates().stream()
                .anyMatch(g -> g.fromM() <= from.stationM() + SAME_PLACE_M && end <= g.toM() + SAME_PLACE_M);
        if (gate) {
            return "gate opening";
        }
        List<Post> inner = line.posts().stream()
                .filter(p -> p.stationM() > from.stationM() && p.stationM() < end)
                .toList();
        List<String> parts = new ArrayList<>();
        double last = from.stationM();
        int run = 0;
        double spacing = 0;
        for (Post p : inner) {
            if (p.kind() == PostKind.BRACE) {
                addRun(parts, run, spacing);
                run = 0;
                parts.add("brace post at " + tape(p.stationM() - from.stationM()));
            } else {
                run++;
                spacing = p.stationM() - last;
            }
            last = p.stationM();
        }
        addRun(parts, run, spacing);
        return String.join(", ", parts);
    }

    private void addRun(List<String> parts, int posts, double spacingM) {
        if (posts > 0) {
            parts.add(posts + (posts == 1 ? " line post at " : " line posts every ") + tape(spacingM));
        }
    }

    private String tape(double lengthM) {
        return Lengths.taped(lengthM, units);
    }

    private List<Diagonal> diagonals(LineLayout line) {
        int n = line.corners().size();
        List<Diagonal> diagonals = new ArrayList<>();
        int quads = line.closed() ? n == 4 ? 1 : n < 4 ? 0 : n : n - 3;
        for (int i = 0; i < quads && diagonals.size() < 500; i++) {
            int b = (i + 1) % n;
            int c = (i + 2) % n;
            int d = (i + 3) % n;
            diagonals.add(new Diagonal(
                    letter(i) + letter(b) + letter(c) + letter(d),
                    letter(i) + "–" + letter(c),
                    corner(line, i).distanceM(corner(line, c)),
                    letter(b) + "–" + letter(d),
                    corner(line, b).distanceM(corner(line, d))));
        }
        return diagonals;
    }

    private static String letter(int i) {
        return Labels.letter(i);
    }

    private PlanePoint corner(LineLayout line, int i) {
        return plane.toPlane(line.corners().get(i));
    }

    private List<String> calls() {
        Set<String> calls = new LinkedHashSet<>();
        calls.add("Before anything is driven or dug: have buried water, power, gas and telephone lines located by"
                + " those who own them (C6).");
        for (LandFeature f : land.features()) {
            if (!near(f)) {
                continue;
            }
            switch (f.kind()) {
                case BURIED_SERVICE ->
                    calls.add("Call the owner of “" + f.title() + "” ("
                            + f.traits()
                                    .service()
                                    .map(s -> s.name().toLowerCase(Locale.ROOT))
                                    .orElse("not known what")
                            + (f.traits().depthM().isPresent()
                                    ? ", about "
                                            + Lengths.text(f.traits().depthM().getAsDouble(), units) + " deep"
                                    : ", depth not known")
                            + ")." + note(f));
                case OVERHEAD_LINE ->
                    calls.add("Ask the owner of “" + f.title() + "” before posts or machines come within "
                            + Lengths.text(Values.c5ClearanceM(f.traits().voltageKv()), units)
                            + " of its conductors (C5)." + note(f));
                default -> {}
            }
        }
        calls.add("Local code and licensed people decide.");
        return List.copyOf(calls);
    }

    /** Whether a feature lies where anybody digs for this job. */
    private boolean near(LandFeature f) {
        return layout.lines().stream()
                .flatMap(l -> l.posts().stream())
                .anyMatch(p ->
                        Contacts.distanceM(f, GeoPoint.of(p.lonDeg(), p.latDeg()), plane) <= Values.Q3_ASK_WITHIN_M);
    }

    private static String note(LandFeature f) {
        String note = f.note().strip();
        return note.isEmpty() ? "" : " " + Character.toUpperCase(note.charAt(0)) + note.substring(1) + ".";
    }
}
