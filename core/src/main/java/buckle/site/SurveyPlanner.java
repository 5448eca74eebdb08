package buckle.site;

import buckle.task.Cancellation;
import buckle.units.Lengths;
import buckle.units.UnitSystem;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.index.strtree.STRtree;

/** Walks and named places become a plan: clean lines, and gates, cut-outs and an energizer where a name says so. */
public final class SurveyPlanner {
    private static final Pattern GATE = Pattern.compile("\\b(gate|gates|gateway|entrance)\\b");
    private static final Pattern ENERGIZER = Pattern.compile("\\b(energi[sz]er|charger|fencer)\\b");
    private static final Pattern CUT_OUT = Pattern.compile("\\b(cut[- ]?out|isolator|switch)\\b");
    private static final double FAR_OFF_LINE_M = 30;
    private static final int MOST_MARKS = 2000;
    /** Of what was left out, so many are named. */
    private static final int MOST_NAMED = 200;

    private final List<String> taken = new ArrayList<>();
    private final List<String> leftOut = new ArrayList<>();
    private final List<FenceLine> lines = new ArrayList<>();
    private final double gateOpeningM;
    private final UnitSystem units;
    private final List<Stationing> stationings = new ArrayList<>();
    private final STRtree sides = new STRtree();
    private @Nullable EnergizerPlace energizer;
    private @Nullable LocalPlane plane;

    private SurveyPlanner(double gateOpeningM, UnitSystem units) {
        this.gateOpeningM = gateOpeningM;
        this.units = units;
    }

    /**
     * @param gateOpeningM opening of a gate whose width the file does not tell
     * @param alreadyLeftOut what the reader of the file could not use
     * @throws BadInput when no line comes out, or one that cannot be laid out
     */
    public static Survey plan(
            List<Walk> walks,
            List<Mark> marks,
            WalkOptions options,
            double gateOpeningM,
            List<String> alreadyLeftOut,
            UnitSystem units) {
        if (walks.size() > SiteCheck.MOST_LINES) {
            throw new BadInput(
                    "site.too-many-lines",
                    "lines",
                    "The file holds " + walks.size() + " lines; a job holds at most " + SiteCheck.MOST_LINES
                            + ". Nothing was stored.");
        }
        SurveyPlanner planner = new SurveyPlanner(gateOpeningM, units);
        planner.leftOut.addAll(alreadyLeftOut);
        List<CleanLine> clean = new ArrayList<>();
        List<Problem> problems = new ArrayList<>();
        for (int i = 0; i < walks.size(); i++) {
            Cancellation.check();
            planner.clean(walks.get(i), i, options, clean, problems);
        }
        List<GeoPoint> spots = marks.stream()
                .map(Mark::at)
                .filter(p -> p.heightM().isPresent())
                .toList();
        if (clean.isEmpty() && problems.isEmpty() && spots.isEmpty()) {
            problems.add(new Problem("line.none", "file", "The file holds no line: no track, route, line or outline."));
        }
        if (!problems.isEmpty()) {
            throw new BadInput(problems);
        }
        marks.forEach(planner::mark);
        Site site = Tees.fromCoincidence(new Site(planner.lines, Optional.ofNullable(planner.energizer)));
        List<Problem> unfit = SiteCheck.problems(site);
        if (!unfit.isEmpty()) {
            throw new BadInput(unfit);
        }
        return new Survey(site, clean, spots, planner.taken, named(planner.leftOut));
    }

    private static List<String> named(List<String> leftOut) {
        if (leftOut.size() <= MOST_NAMED) {
            return leftOut;
        }
        List<String> named = new ArrayList<>(leftOut.subList(0, MOST_NAMED));
        named.add("And " + (leftOut.size() - MOST_NAMED) + " more.");
        return named;
    }

    private void clean(Walk walk, int i, WalkOptions options, List<CleanLine> clean, List<Problem> problems) {
        String path = "lines[" + i + "]";
        if (walk.pointCount() < 2) {
            problems.add(new Problem(
                    "line.too-few-points",
                    path,
                    "Line " + walk.name() + " has " + walk.pointCount() + " points; a line needs two."));
            return;
        }
        if (tooWide(walk)) {
            problems.add(new Problem(
                    "site.too-wide",
                    path,
                    "Line " + walk.name() + " spreads over more than 150 km. Check its coordinates."));
            return;
        }
        try {
            CleanLine line = WalkCleaner.clean(walk, options);
            clean.add(line);
            lines.add(fenceLine(line, lines.size() + 1));
        } catch (IllegalArgumentException e) {
            problems.add(new Problem("line.no-line", path, "Line " + walk.name() + ": " + e.getMessage() + "."));
        }
    }

    private static boolean tooWide(Walk walk) {
        List<GeoPoint> all = walk.stretches().stream()
                .flatMap(List::stream)
                .map(WalkPoint::at)
                .toList();
        LocalPlane plane = LocalPlane.around(all);
        return all.stream()
                .map(plane::toPlane)
                .anyMatch(p -> Math.hypot(p.eastM(), p.northM()) > SiteCheck.MOST_SPREAD_M);
    }

    private static FenceLine fenceLine(CleanLine line, int number) {
        List<Corner> corners = new ArrayList<>();
        for (GeoPoint at : line.corners()) {
            corners.add(new Corner("c" + (corners.size() + 1), at));
        }
        return new FenceLine(
                "line-" + number,
                line.name(),
                line.closed(),
                corners,
                List.of(),
                List.of(),
                line.ground(),
                line.walked() ? Optional.of(line.accuracy()) : Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                LineBook.EMPTY);
    }

    private void mark(Mark mark) {
        String name = mark.name().toLowerCase(Locale.ROOT);
        if (ENERGIZER.matcher(name).find()) {
            energizer(mark);
        } else if (GATE.matcher(name).find()) {
            onLine(mark, true);
        } else if (CUT_OUT.matcher(name).find()) {
            onLine(mark, false);
        } else {
            leftOut.add("Mark “" + mark.name() + "”: neither gate, cut-out nor energizer by its name.");
        }
    }

    private void energizer(Mark mark) {
        if (energizer != null) {
            leftOut.add(
                    "Mark “" + mark.name() + "”: one fence has one energizer, and “" + energizer.name() + "” is it.");
            return;
        }
        energizer = new EnergizerPlace(mark.name(), mark.at());
        taken.add("“" + mark.name() + "” became the energizer.");
    }

    private void onLine(Mark mark, boolean gate) {
        Cancellation.check();
        if (taken.size() >= MOST_MARKS) {
            throw new BadInput(
                    "site.too-many-marks",
                    "file",
                    "The file names more than " + MOST_MARKS + " gates and cut-outs. Split it. Nothing was stored.");
        }
        PlanePoint at = onPlane().toPlane(mark.at());
        int best = -1;
        double bestM = FAR_OFF_LINE_M;
        Envelope around = new Envelope(at.eastM(), at.eastM(), at.northM(), at.northM());
        around.expandBy(FAR_OFF_LINE_M);
        Set<Integer> near = new TreeSet<>();
        sides.query(around, found -> near.add((Integer) found));
        for (int i : near) {
            double offM = stationings.get(i).nearest(at).offsetM();
            if (offM < bestM) {
                best = i;
                bestM = offM;
            }
        }
        if (best < 0) {
            leftOut.add("Mark “" + mark.name() + "”: more than 30 m off every line.");
            return;
        }
        Stationing stationing = stationings.get(best);
        Stationing.Place place = stationing.nearest(at);
        GeoPoint spot = onPlane().toGeo(stationing.at(place.stationM(), place.side()));
        FenceLine line = lines.get(best);
        if (gate && gateOpeningM > stationing.sideLengthM(place.side())) {
            leftOut.add("Mark “" + mark.name() + "”: its side is too short for the usual gate.");
            return;
        }
        lines.set(best, gate ? withGate(line, mark.name(), spot) : withCutOut(line, mark.name(), spot));
        taken.add("“" + mark.name() + "” became a " + (gate ? "gate" : "cut-out") + " of " + line.name()
                + " at station " + Lengths.text(place.stationM(), units) + ".");
    }

    /** The plane of the lines; with it their sides are indexed, once all lines are there. */
    private LocalPlane onPlane() {
        if (plane == null) {
            LocalPlane made = new Site(lines, Optional.empty()).plane();
            for (int i = 0; i < lines.size(); i++) {
                Stationing stationing = Tees.stationing(lines.get(i), made);
                stationings.add(stationing);
                for (int side = 0; side < stationing.sideCount(); side++) {
                    PlanePoint from = stationing.sideStart(side);
                    PlanePoint to = stationing.sideEnd(side);
                    sides.insert(new Envelope(from.eastM(), to.eastM(), from.northM(), to.northM()), i);
                }
            }
            plane = made;
        }
        return plane;
    }

    private FenceLine withGate(FenceLine line, String name, GeoPoint at) {
        List<Gate> gates = new ArrayList<>(line.gates());
        gates.add(Gate.of(line.id() + "-gate-" + (gates.size() + 1), name, GateKind.SWING, at, gateOpeningM));
        return line.withGates(gates);
    }

    private FenceLine withCutOut(FenceLine line, String name, GeoPoint at) {
        List<CutOut> cutOuts = new ArrayList<>(line.cutOuts());
        cutOuts.add(new CutOut(line.id() + "-cut-out-" + (cutOuts.size() + 1), name, at));
        return line.withCutOuts(cutOuts);
    }
}
