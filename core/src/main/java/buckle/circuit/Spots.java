package buckle.circuit;

import buckle.circuit.Solver.Spot;
import buckle.layout.Layout;
import buckle.layout.LineLayout;
import buckle.layout.TestPoint;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;

/** Where the curve is computed: ends, switches, gates, test points, and evenly between. */
final class Spots {
    private static final int ABOUT = 72;
    private static final double SAME_M = 0.5;

    private Spots() {}

    static List<Spot> along(Layout layout) {
        double total = layout.lines().stream().mapToDouble(LineLayout::lengthM).sum();
        double step = Math.max(5, total / ABOUT);
        List<Spot> spots = new ArrayList<>();
        for (LineLayout line : layout.lines()) {
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
                at.add(line.lengthM() * i / parts);
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
