package buckle.stock;

import buckle.layout.Brace;
import buckle.layout.Layout;
import buckle.layout.LineLayout;
import buckle.layout.Pull;
import buckle.layout.WireRun;
import buckle.material.Conductor;
import buckle.material.Product;
import buckle.material.Use;
import buckle.spec.Stringing.Way;
import buckle.stock.JoinedCuts.Run;
import buckle.stock.JoinedCuts.Zone;
import buckle.takeoff.Part;
import buckle.takeoff.Part.Terms;
import buckle.takeoff.Place;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Wires of a fence by what they are made of, each as long as it is cut: from where it begins to where it ends, slack and tails with it. */
final class WireRunCuts {
    private static final double MM = 1000;

    private final LineLayout line;
    private final List<Part> parts;

    private WireRunCuts(LineLayout line, List<Part> parts) {
        this.line = line;
        this.parts = parts;
    }

    /** Nets are bought one by one. */
    static Map<Product.WireOf, List<Run>> of(Layout layout, List<Part> parts) {
        Map<Product.WireOf, List<Run>> all = new LinkedHashMap<>();
        for (LineLayout line : layout.lines()) {
            List<Part> own = parts.stream()
                    .filter(p -> p.use().isWire()
                            && p.product() instanceof Product.WireOf w
                            && w.conductor().family() != Conductor.Family.NET
                            && p.place().lineId().equals(line.lineId()))
                    .toList();
            new WireRunCuts(line, own).runs(all);
        }
        return all;
    }

    private void runs(Map<Product.WireOf, List<Run>> all) {
        for (int r = 0; r < line.runs().size(); r++) {
            WireRun run = line.runs().get(r);
            Map<Group, double[]> groups = new LinkedHashMap<>();
            for (int k : run.pulls()) {
                Pull pull = line.pulls().get(k);
                Map<Group, Integer> alike = new HashMap<>();
                for (Part p : parts) {
                    if (p.terms() instanceof Terms.Metres m
                            && m.wires() > 0
                            && p.place() instanceof Place.Stretch at
                            && at.fromM() == pull.fromM()
                            && at.toM() == pull.toM()) {
                        Group first = new Group((Product.WireOf) p.product(), p.use(), m.wires(), 1);
                        Group group = first.nth(alike.merge(first, 1, Integer::sum));
                        groups.computeIfAbsent(group, g -> new double[1])[0] += p.quantity();
                    }
                }
            }
            String label = line.runs().size() == 1 ? line.name() : line.name() + ", run " + (r + 1);
            groups.forEach((group, sum) -> {
                boolean one = run.oneWire() && group.use() == Use.HOT_WIRE;
                long pieces = one ? 1 : group.wires();
                double each = sum[0] / pieces + tailsM(group);
                int passes = one ? (int) group.wires() : 1;
                all.computeIfAbsent(group.product(), p -> new ArrayList<>())
                        .add(new Run(label, mm(each), (int) pieces, zones(run, sum[0] / group.wires(), passes)));
            });
        }
    }

    /** Wires that are made alike; the second of those that are alike in all this is another group. */
    private record Group(Product.WireOf product, Use use, long wires, int number) {
        Group nth(int n) {
            return new Group(product, use, wires, n);
        }
    }

    /** At both ends of a piece. */
    private double tailsM(Group group) {
        return parts.stream()
                .filter(p -> p.product().equals(group.product()) && p.use() == group.use())
                .filter(p -> p.terms() instanceof Terms.Tails)
                .mapToDouble(p -> 2 * ((Terms.Tails) p.terms()).eachM())
                .findFirst()
                .orElse(0);
    }

    /** Braces along a wire that goes so often along its run. */
    private List<Zone> zones(WireRun run, double onceM, int passes) {
        double whole = run.pulls().stream()
                .map(line.pulls()::get)
                .mapToDouble(p -> p.toM() - p.fromM())
                .sum();
        List<double[]> along = new ArrayList<>();
        double before = 0;
        for (int k : run.pulls()) {
            Pull pull = line.pulls().get(k);
            for (Brace b : line.braces().subList(2 * k, 2 * k + 2)) {
                double one = before + b.strongStationM() - pull.fromM();
                double other = before + b.braceStationM() - pull.fromM();
                along.add(new double[] {Math.min(one, other) / whole, Math.max(one, other) / whole});
            }
            before += pull.toM() - pull.fromM();
        }
        List<Zone> zones = new ArrayList<>();
        for (int pass = 0; pass < passes; pass++) {
            boolean back = line.stringing().way() == Way.OUT_AND_BACK && pass % 2 == 1;
            for (double[] z : along) {
                double from = back ? 1 - z[1] : z[0];
                double to = back ? 1 - z[0] : z[1];
                zones.add(new Zone(mm((pass + from) * onceM), mm((pass + to) * onceM)));
            }
        }
        zones.sort(Comparator.comparingInt(Zone::fromMm));
        return zones;
    }

    private static int mm(double lengthM) {
        return (int) Math.round(lengthM * MM);
    }
}
