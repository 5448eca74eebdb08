package buckle.layout;

import buckle.rulebook.Values;
import buckle.site.EnergizerPlace;
import buckle.site.GeoPoint;
import buckle.site.LocalPlane;
import buckle.site.PlanePoint;
import buckle.site.Site;
import buckle.site.Stationing;
import buckle.spec.Spec;
import java.util.List;

/** Where the energizer meets the fence, and how many ground rods it takes by the chosen school. */
final class FeedPlanner {
    private static final double AT_CORNER_M = 1;

    private FeedPlanner() {}

    static FeedPlace plan(Site site, Spec spec, LocalPlane plane, List<LineLayer> layers, List<LineLayout> lines) {
        EnergizerPlace energizer = site.energizer().orElse(null);
        double rodM = rodM(spec);
        int rods = rods(spec, lines, rodM);
        if (energizer == null) {
            GeoPoint start = site.lines().getFirst().corners().getFirst().at();
            return new FeedPlace(
                    true,
                    "energizer (not placed)",
                    start.lonDeg(),
                    start.latDeg(),
                    lines.getFirst().lineId(),
                    0,
                    0,
                    spec.feed().groundSchool(),
                    rods,
                    rodM);
        }
        PlanePoint at = plane.toPlane(energizer.at());
        int nearest = 0;
        Stationing.Place best = layers.getFirst().stationing().nearest(at);
        for (int i = 1; i < layers.size(); i++) {
            Stationing.Place place = layers.get(i).stationing().nearest(at);
            if (place.offsetM() < best.offsetM()) {
                best = place;
                nearest = i;
            }
        }
        LineLayout line = lines.get(nearest);
        return new FeedPlace(
                false,
                energizer.name(),
                energizer.at().lonDeg(),
                energizer.at().latDeg(),
                line.lineId(),
                clearOfGates(line, atCorner(line, best.stationM())),
                best.offsetM(),
                spec.feed().groundSchool(),
                rods,
                rodM);
    }

    /** A feed within a metre of a line's end is at that end; the end of a closed line is its start. */
    private static double atCorner(LineLayout line, double stationM) {
        if (stationM < AT_CORNER_M) {
            return 0;
        }
        if (line.lengthM() - stationM < AT_CORNER_M) {
            return line.closed() ? 0 : line.lengthM();
        }
        return stationM;
    }

    private static double clearOfGates(LineLayout line, double stationM) {
        for (GatePlace gate : line.gates()) {
            if (stationM > gate.fromM() && stationM < gate.toM()) {
                return stationM - gate.fromM() < gate.toM() - stationM ? gate.fromM() : gate.toM();
            }
        }
        return stationM;
    }

    private static double rodM(Spec spec) {
        return switch (spec.feed().groundSchool()) {
            case ONE_LONG_ROD -> Values.G3_ROD_M;
            case THREE_RODS, BY_AREA, BY_JOULES -> Values.G1_ROD_M;
        };
    }

    private static int rods(Spec spec, List<LineLayout> lines, double rodM) {
        return switch (spec.feed().groundSchool()) {
            case THREE_RODS -> Values.G1_RODS;
            case ONE_LONG_ROD -> 1;
            case BY_AREA -> byArea(areaM2(lines));
            case BY_JOULES ->
                (int) Math.max(1, Math.ceil(Values.G4_ROD_M_PER_J * spec.feed().outputJ() / rodM - 1e-9));
        };
    }

    static double areaM2(List<LineLayout> lines) {
        return lines.stream().mapToDouble(LineLayout::areaM2).sum();
    }

    /** G2; without a closed line there is no area, and the most rods of the school are taken. */
    private static int byArea(double areaM2) {
        if (areaM2 == 0) {
            return Values.G2_MOST_RODS;
        }
        return Math.clamp((long) Math.ceil(areaM2 / Values.G2_AREA_PER_ROD_M2), 1, Values.G2_MOST_RODS);
    }
}
