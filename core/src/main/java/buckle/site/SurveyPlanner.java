package buckle.site;

import buckle.units.Lengths;
import buckle.units.UnitSystem;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** Walks and named places become a plan: clean lines, and gates, cut-outs and an energizer where a name says so. */
public final class SurveyPlanner {
    private static final Pattern GATE = Pattern.compile("\\b(gate|gates|gateway|entrance)\\b");
    private static final Pattern ENERGIZER = Pattern.compile("\\b(energi[sz]er|charger|fencer)\\b");
    private static final Pattern CUT_OUT = Pattern.compile("\\b(cut[- ]?out|isolator|switch)\\b");
    private static final double FAR_OFF_LINE_M = 30;

    private final List<String> taken = new ArrayList<>();
    private final List<String> leftOut = new ArrayList<>();
    private final List<FenceLine> lines = new ArrayList<>();
    private final double gateOpeningM;
    private final UnitSystem units;
    private @Nullable EnergizerPlace energizer;

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
        SurveyPlanner planner = new SurveyPlanner(gateOpeningM, units);
        planner.leftOut.addAll(alreadyLeftOut);
        List<CleanLine> clean = new ArrayList<>();
        List<Problem> problems = new ArrayList<>();
        for (int i = 0; i < walks.size(); i++) {
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
        return new Survey(site, clean, spots, planner.taken, planner.leftOut);
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
        int best = -1;
        Stationing.Place bestPlace = null;
        Stationing bestLine = null;
        LocalPlane plane = new Site(lines, Optional.empty()).plane();
        for (int i = 0; i < lines.size(); i++) {
            FenceLine line = lines.get(i);
            Stationing s = new Stationing(
                    line.corners().stream().map(c -> plane.toPlane(c.at())).toList(), line.closed());
            Stationing.Place place = s.nearest(plane.toPlane(mark.at()));
            if (bestPlace == null || place.offsetM() < bestPlace.offsetM()) {
                best = i;
                bestPlace = place;
                bestLine = s;
            }
        }
        if (bestPlace == null || bestLine == null || bestPlace.offsetM() > FAR_OFF_LINE_M) {
            leftOut.add("Mark “" + mark.name() + "”: more than 30 m off every line.");
            return;
        }
        GeoPoint at = plane.toGeo(bestLine.at(bestPlace.stationM(), bestPlace.side()));
        FenceLine line = lines.get(best);
        if (gate && gateOpeningM > bestLine.sideLengthM(bestPlace.side())) {
            leftOut.add("Mark “" + mark.name() + "”: its side is too short for the usual gate.");
            return;
        }
        lines.set(best, gate ? withGate(line, mark.name(), at) : withCutOut(line, mark.name(), at));
        taken.add("“" + mark.name() + "” became a " + (gate ? "gate" : "cut-out") + " of " + line.name()
                + " at station " + Lengths.text(bestPlace.stationM(), units) + ".");
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
