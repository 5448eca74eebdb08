package buckle.circuit;

import buckle.circuit.Assumption.Move;
import buckle.circuit.Electrics.Assumed;
import buckle.circuit.Solver.Solved;
import buckle.circuit.Solver.Spot;
import buckle.message.CircuitMessage;
import buckle.pulse.Drift;
import buckle.pulse.Supply;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;

/** V13: each assumption moved down and up alone; what that does is added by squares. */
final class Range {
    private final double[] middle;
    private final List<Moved> moved = new ArrayList<>();

    /** Volts at the spots as one assumption is moved. */
    private record Moved(Assumption assumption, List<double[]> tried) {
        double least(int i, double otherwise) {
            return tried.stream().mapToDouble(v -> v[i]).min().orElse(otherwise);
        }

        double most(int i, double otherwise) {
            return tried.stream().mapToDouble(v -> v[i]).max().orElse(otherwise);
        }
    }

    private Range(Solved solved) {
        middle = new double[solved.at().size()];
        for (int i = 0; i < middle.length; i++) {
            middle[i] = solved.volts(i);
        }
    }

    /** Nothing moved: low and high are the middle. */
    static Range none(Solved solved) {
        return new Range(solved);
    }

    Range(Solver solver, Conditions likely, Trial trial, List<Spot> spots, Solved solved) {
        this(solved);
        Supply own = new Supply(
                solved.fence().circuit().source(), solved.fence().circuit().earthOhm());
        List<Assumption> all = Assumptions.of(likely, solver.circumstances, own.source());
        Map<Move, double[]> volts = new Tried(solver, likely, trial, spots, own, solved.fence()).all(all);
        for (Assumption a : all) {
            moved.add(new Moved(
                    a, a.moves().map(m -> Objects.requireNonNull(volts.get(m))).toList()));
        }
    }

    /** Volts at the spots for every move, with as few solutions as there may be. */
    private final class Tried {
        private final Solver solver;
        private final Conditions likely;
        private final Trial trial;
        private final List<Spot> spots;
        private final Supply own;
        private final FenceCircuit fence;

        Tried(Solver solver, Conditions likely, Trial trial, List<Spot> spots, Supply own, FenceCircuit fence) {
            this.solver = solver;
            this.likely = likely;
            this.trial = trial;
            this.spots = spots;
            this.own = own;
            this.fence = fence;
        }

        /** A fence under conditions, fed by several, by none as those conditions say; the moves that asked for each. */
        private record Fed(Conditions fence, List<Supply> by, List<Move> moves) {}

        Map<Move, double[]> all(List<Assumption> assumptions) {
            List<Fed> asked = new ArrayList<>();
            Fed atTerminals = new Fed(likely, new ArrayList<>(), new ArrayList<>());
            Map<Move, double[]> volts = new IdentityHashMap<>();
            assumptions.stream().flatMap(Assumption::moves).forEach(move -> {
                switch (move) {
                    case Move.InFence m -> asked.add(new Fed(m.apply().apply(likely), List.of(), List.of(move)));
                    case Move.AtTerminals m -> {
                        atTerminals.by().add(m.apply().apply(own));
                        atTerminals.moves().add(move);
                    }
                    case Move.Scale m ->
                        volts.put(
                                move,
                                Arrays.stream(middle).map(v -> v * m.factor()).toArray());
                    case Move.Along m -> volts.put(move, along(m.log()));
                }
            });
            if (!atTerminals.moves().isEmpty()) {
                asked.add(atTerminals);
            }
            asked.parallelStream().map(this::solved).toList().forEach(volts::putAll);
            return volts;
        }

        private double[] along(double log) {
            Solver.Asked asked = new Solver.Asked(fence, spots);
            double[] by = fence.readPer(asked.places, new Drift(log));
            double[] moved = middle.clone();
            for (int i = 0; i < moved.length; i++) {
                moved[i] *= asked.index[i] < 0 ? 1 : by[asked.index[i]];
            }
            return moved;
        }

        private Map<Move, double[]> solved(Fed fed) {
            FenceCircuit fence = solver.fence(fed.fence(), trial);
            List<Supply> by = fed.by().isEmpty()
                    ? List.of(
                            new Supply(fence.circuit().source(), fence.circuit().earthOhm()))
                    : fed.by();
            double[][] peaks = Solver.peaks(fence, spots, by);
            Map<Move, double[]> volts = new HashMap<>();
            for (int i = 0; i < peaks.length; i++) {
                volts.put(fed.moves().get(i), peaks[i]);
            }
            return volts;
        }
    }

    double lowV(int i) {
        return lowV(moved, i);
    }

    double highV(int i) {
        return highV(moved, i);
    }

    private double lowV(List<Moved> all, int i) {
        double sum = 0;
        for (Moved m : all) {
            double down = Math.min(0, m.least(i, middle[i]) - middle[i]);
            sum += down * down;
        }
        return Math.max(0, middle[i] - Math.sqrt(sum));
    }

    private double highV(List<Moved> all, int i) {
        double sum = 0;
        for (Moved m : all) {
            double up = Math.max(0, m.most(i, middle[i]) - middle[i]);
            sum += up * up;
        }
        return middle[i] + Math.sqrt(sum);
    }

    /** What readings left open is one row, whatever moves it is made of. */
    List<Assumed> assumed(int i) {
        Map<CircuitMessage.Assumed, List<Moved>> byId = moved.stream()
                .collect(Collectors.groupingBy(m -> m.assumption().id(), LinkedHashMap::new, Collectors.toList()));
        return byId.values().stream()
                .map(those -> {
                    Moved first = those.getFirst();
                    Assumption a = first.assumption();
                    boolean one = those.size() == 1;
                    return new Assumed(
                            a.id(),
                            a.likely(),
                            a.low(),
                            a.high(),
                            one ? first.least(i, middle[i]) : lowV(those, i),
                            one ? first.most(i, middle[i]) : highV(those, i));
                })
                .toList();
    }
}
