package buckle.circuit;

import buckle.circuit.Solver.Spot;
import buckle.layout.GatePlace;
import buckle.layout.Layout;
import buckle.layout.LineLayout;
import buckle.layout.TestPoint;
import buckle.network.LiveWires;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;

/** Where the curve is computed: ends, switches, gates, test points, and evenly between; nowhere on lines without a hot wire. */
final class Spots {
    private static final int ABOUT = 72;
    private static final double SAME_M = 0.5;

    private Spots() {}

    /** The opening of a gate that leads no power is no fence. */
    private static boolean unfenced(GatePlace gate, double stationM) {
        return !gate.kind().conducts() && stationM > gate.fromM() && stationM < gate.toM();
    }

    /** Those where an animal is to be kept in or out: not along feeders, unless there is nothing else. */
    static List<Spot> needing(Layout layout, List<Spot> spots) {
        Set<String> feeders = layout.feeders();
        List<Spot> needing =
                spots.stream().filter(s -> !feeders.contains(s.lineId())).toList();
        return needing.isEmpty() ? spots : needing;
    }

    static List<Spot> along(Layout layout) {
        double total = layout.lines().stream().mapToDouble(LineLayout::lengthM).sum();
        double step = Math.max(5, total / ABOUT);
        List<Spot> spots = new ArrayList<>();
        for (LineLayout line : layout.lines()) {
            if (LiveWires.hot(line).isEmpty()) {
                continue;
            }
            TreeSet<Double> at = new TreeSet<>(List.of(0.0, line.lengthM()));
            line.cutOuts().forEach(c -> at.add(c.stationM()));
            line.gates().forEach(g -> {
                at.add(g.fromM());
                at.add(g.toM());
            });
            layout.testPoints().stream()
                    .filter(p -> p.lineId().equals(line.lineId()))
                    .map(TestPoint::stationM)
                    .forEach(at::add);
            int parts = (int) Math.ceil(line.lengthM() / step);
            for (int i = 1; i < parts; i++) {
                double between = line.lengthM() * i / parts;
                if (line.gates().stream().noneMatch(g -> unfenced(g, between))) {
                    at.add(between);
                }
            }
            double last = -1;
            for (double s : at) {
                if (s - last > SAME_M || s == line.lengthM()) {
                    spots.add(new Spot(line.lineId(), s));
                    last = s;
                }
            }
        }
        return spots;
    }
}
