package buckle.pulse;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeSet;
import java.util.stream.IntStream;

/**
 * A circuit cut at every fault and at every place that is asked for, parents before children. Segment {@code i} leads from node
 * {@code start[i]} to node {@code i + 1}; node 0 is where the fence begins. Cutting a run changes nothing: each piece is exact.
 */
final class Tree {
    final int segments;
    final int[] start;
    final double[] lengthM;
    /** Number of the kind in {@link #types}. */
    final int[] type;
    /** The first segment of the same kind and length: what a wave becomes along it is the same. */
    final int[] alike;
    /** In series at the beginning of a segment: 0 when nothing is, infinite when it is open. */
    final double[] seriesOhm;
    /** Conductance to earth at each node. */
    final double[] shuntS;

    final List<LineType> types = new ArrayList<>();
    /** Pairs of nodes that are joined besides the tree. */
    final List<int[]> loops = new ArrayList<>();
    /** Kind of the first run over ground, whose earth wires lead back to the energizer; -1 when all is cable. */
    final int firstType;

    /** What still joins a node beyond an open switch to the rest, so that its voltage is a number: next to nothing. */
    private static final double OPEN_S = 1e-12;

    private final Map<Place, Integer> nodes = new HashMap<>();
    private final Map<Place, Integer> after = new HashMap<>();

    /** What the waves on a segment depend on. */
    private record Stuff(int type, double lengthM) {}

    private record Piece(int start, double lengthM, int type, double seriesOhm) {}

    Tree(Circuit circuit, List<Place> places) {
        Map<String, TreeSet<Double>> cuts = new HashMap<>();
        Map<String, List<Fault>> faults = new HashMap<>();
        for (Run run : circuit.runs()) {
            cuts.put(run.id(), new TreeSet<>(List.of(0.0, run.lengthM())));
            faults.put(run.id(), new ArrayList<>());
        }
        for (Place p : places) {
            TreeSet<Double> own = cuts.get(p.runId());
            if (own == null || !(p.distanceM() >= 0 && p.distanceM() <= own.last())) {
                throw new IllegalArgumentException(
                        "no place " + p.distanceM() + " m along a run called " + p.runId() + " is there");
            }
            own.add(p.distanceM());
        }
        for (Fault f : circuit.faults()) {
            Objects.requireNonNull(cuts.get(f.at().runId())).add(f.at().distanceM());
            Objects.requireNonNull(faults.get(f.at().runId())).add(f);
        }
        Map<LineType, Integer> known = new HashMap<>();
        List<Piece> pieces = new ArrayList<>();
        Map<Integer, Double> shunts = new HashMap<>();
        Map<String, Integer> far = new HashMap<>();
        for (Run run : parentsFirst(circuit.runs())) {
            int kind = known.computeIfAbsent(run.type(), t -> {
                types.add(t);
                return types.size() - 1;
            });
            int node = run.parent().map(far::get).orElse(0);
            double series = run.open() ? Double.POSITIVE_INFINITY : 0;
            double from = 0;
            Place last = new Place(run.id(), 0);
            List<Fault> own = Objects.requireNonNull(faults.get(run.id()));
            for (double at : Objects.requireNonNull(cuts.get(run.id()))) {
                if (at > 0 || run.lengthM() == 0) {
                    after.put(last, pieces.size());
                    pieces.add(new Piece(node, at - from, kind, series));
                    last = new Place(run.id(), at);
                    node = pieces.size();
                    if (Double.isInfinite(series)) {
                        shunts.merge(node, OPEN_S, Double::sum);
                    }
                    series = 0;
                    from = at;
                }
                if (at > 0 || own.stream().noneMatch(f -> f.at().distanceM() == 0 && f.kind() == Fault.Kind.BREAK)) {
                    nodes.put(new Place(run.id(), at), node);
                }
                for (Fault f : own) {
                    if (f.at().distanceM() == at && f.kind() == Fault.Kind.SHUNT) {
                        shunts.merge(node, 1 / f.ohm(), Double::sum);
                    } else if (f.at().distanceM() == at && at < run.lengthM()) {
                        series += f.ohm();
                    }
                }
                nodes.putIfAbsent(new Place(run.id(), at), node);
            }
            far.put(run.id(), node);
        }
        for (Run run : circuit.runs()) {
            run.joins().ifPresent(j -> loops.add(new int[] {far.get(run.id()), far.get(j)}));
        }
        segments = pieces.size();
        start = pieces.stream().mapToInt(Piece::start).toArray();
        lengthM = pieces.stream().mapToDouble(Piece::lengthM).toArray();
        type = pieces.stream().mapToInt(Piece::type).toArray();
        seriesOhm = pieces.stream().mapToDouble(Piece::seriesOhm).toArray();
        Map<Stuff, Integer> first = new HashMap<>();
        alike = new int[segments];
        for (int i = 0; i < segments; i++) {
            alike[i] = Objects.requireNonNullElse(first.putIfAbsent(new Stuff(type[i], lengthM[i]), i), i);
        }
        shuntS = new double[segments + 1];
        shunts.forEach((n, g) -> shuntS[n] = g);
        firstType = IntStream.of(type)
                .filter(t -> types.get(t).cable().isEmpty())
                .findFirst()
                .orElse(-1);
    }

    int node(Place place) {
        Integer node = nodes.get(place);
        if (node == null) {
            throw new IllegalArgumentException("place " + place + " was not asked for");
        }
        return node;
    }

    /** Segment that leads on from a place along its own run, -1 at the run's end. */
    int after(Place place) {
        node(place);
        return after.getOrDefault(place, -1);
    }

    /** The longest way from the energizer, along the wire. */
    double longestM() {
        double[] far = new double[segments + 1];
        double most = 0;
        for (int i = 0; i < segments; i++) {
            far[i + 1] = far[start[i]] + lengthM[i];
            most = Math.max(most, far[i + 1]);
        }
        return most;
    }

    /** As they hang on one another, those at the energizer first. */
    static List<Run> parentsFirst(List<Run> runs) {
        Map<String, Run> byId = new HashMap<>();
        runs.forEach(r -> byId.put(r.id(), r));
        Map<String, Integer> depth = new HashMap<>();
        for (Run run : runs) {
            List<Run> way = new ArrayList<>();
            Run at = run;
            while (!depth.containsKey(at.id())) {
                way.add(at);
                if (at.parent().isEmpty()) {
                    break;
                }
                at = Objects.requireNonNull(byId.get(at.parent().get()));
            }
            for (Run r : way.reversed()) {
                depth.put(r.id(), r.parent().map(depth::get).map(d -> d + 1).orElse(0));
            }
        }
        return runs.stream()
                .sorted(Comparator.comparing(r -> depth.get(r.id())))
                .toList();
    }
}
