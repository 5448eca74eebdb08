package buckle.diagnosis;

import buckle.diagnosis.Candidates.Cell;
import buckle.diagnosis.Diagnosis.Stretch;
import buckle.diagnosis.Tracer.Part;
import buckle.pulse.Place;
import buckle.search.SearchProblem;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;

/** The fence as ground to walk along and to look over: how far it is from place to place, and what of each cell is left to look at. */
final class Ground {
    private static final double OUT_OF_REACH_M = 1e7;
    /** A cell of which less is left was looked over. */
    private static final double LEAST_LEFT_M = 0.5;

    private final FenceModel model;
    private final List<Cell> cells;
    private final Map<Place, Integer> positions = new LinkedHashMap<>();
    private final int[] cellFrom;
    private final int[] cellTo;
    /** Metres between positions, by the ways across there are. */
    private final Map<List<Walk.Link>, double[][]> wayM = new ConcurrentHashMap<>();

    /** @param places that will be asked for beside the ends of cells and the energizer */
    Ground(FenceModel model, List<Cell> cells, List<Place> places) {
        this.model = model;
        this.cells = List.copyOf(cells);
        this.cellFrom = new int[cells.size()];
        this.cellTo = new int[cells.size()];
        places.forEach(this::added);
        for (int c = 0; c < cells.size(); c++) {
            Cell cell = cells.get(c);
            cellFrom[c] = added(new Place(cell.run(), cell.fromM()));
            cellTo[c] = added(new Place(cell.run(), cell.toM()));
        }
        added(energizer());
    }

    private int added(Place at) {
        return positions.computeIfAbsent(at, p -> positions.size());
    }

    /** Where the crew begins. */
    Place energizer() {
        return new Place(model.runs().getFirst().id(), 0);
    }

    /** Of a place that it was made for. */
    int position(Place at) {
        return Objects.requireNonNull(positions.get(at));
    }

    private double[][] ways(List<Walk.Link> links) {
        List<Place> places = List.copyOf(positions.keySet());
        Walkways ways = new Walkways(model.runs(), links, places);
        double[][] metres = new double[places.size()][places.size()];
        for (int i = 0; i < places.size(); i++) {
            Map<Place, Double> far = ways.from(places.get(i));
            for (int j = 0; j < places.size(); j++) {
                metres[i][j] = far.getOrDefault(places.get(j), OUT_OF_REACH_M);
            }
        }
        return metres;
    }

    /** As it lies before a crew that stands somewhere and has looked over some of it. */
    Now now(Walk walk, List<Stretch> lookedOver, Place here) {
        return new Now(walk, lookedOver, here);
    }

    /** What lies before a crew: positions are those of the ground, then those where looking over was broken off, then its own. */
    final class Now {
        private final List<Part> left = new ArrayList<>();
        private final List<SearchProblem.Cell> toLookOver = new ArrayList<>();
        private final double[][] minutes;
        private final int here;

        /** A place within a cell. */
        private record Within(int cell, double distanceM) {}

        private Now(Walk walk, List<Stretch> lookedOver, Place at) {
            List<Within> more = new ArrayList<>();
            int known = positions.size();
            int[] from = cellFrom.clone();
            int[] to = cellTo.clone();
            for (int c = 0; c < cells.size(); c++) {
                Cell cell = cells.get(c);
                Part part = left(cell, lookedOver);
                left.add(part);
                if (part.fromM() > cell.fromM()) {
                    from[c] = known + more.size();
                    more.add(new Within(c, part.fromM()));
                }
                if (part.toM() < cell.toM()) {
                    to[c] = known + more.size();
                    more.add(new Within(c, part.toM()));
                }
            }
            int within = within(at);
            if (within < 0) {
                here = nearest(at);
            } else {
                here = known + more.size();
                more.add(new Within(within, at.distanceM()));
            }
            for (int c = 0; c < cells.size(); c++) {
                double length = left.get(c).toM() - left.get(c).fromM();
                toLookOver.add(new SearchProblem.Cell(
                        from[c], to[c], length / walk.inspectMetresPerMinute(), goesOn(c) ? c + 1 : -1));
            }
            int energizer = position(energizer());
            toLookOver.add(new SearchProblem.Cell(energizer, energizer, Tracer.AT_ENERGIZER_MINUTES, -1));
            minutes = walked(walk, more);
        }

        /** The longest part that was not looked over; all of it where nothing is left. */
        private static Part left(Cell cell, List<Stretch> lookedOver) {
            List<Stretch> over = lookedOver.stream()
                    .filter(s -> s.run().equals(cell.run()) && s.toM() > cell.fromM() && s.fromM() < cell.toM())
                    .sorted(Comparator.comparingDouble(Stretch::fromM))
                    .toList();
            Part longest = new Part(cell.run(), cell.fromM(), cell.fromM());
            double from = cell.fromM();
            for (Stretch s : over) {
                longest = longer(longest, new Part(cell.run(), from, Math.min(s.fromM(), cell.toM())));
                from = Math.max(from, s.toM());
            }
            longest = longer(longest, new Part(cell.run(), from, cell.toM()));
            return longest.toM() - longest.fromM() < LEAST_LEFT_M
                    ? new Part(cell.run(), cell.fromM(), cell.toM())
                    : longest;
        }

        private static Part longer(Part one, Part other) {
            return other.toM() - other.fromM() > one.toM() - one.fromM() ? other : one;
        }

        private boolean goesOn(int c) {
            if (c + 1 == cells.size()) {
                return false;
            }
            Cell cell = cells.get(c);
            Cell next = cells.get(c + 1);
            boolean along = next.run().equals(cell.run())
                    || next.fromM() == 0
                            && cell.toM() == model.lengthM(cell.run())
                            && model.parent(next.run()).equals(Optional.of(cell.run()));
            return along && left.get(c).toM() == cell.toM() && left.get(c + 1).fromM() == next.fromM();
        }

        private int within(Place at) {
            for (int c = 0; c < cells.size(); c++) {
                Cell cell = cells.get(c);
                if (cell.run().equals(at.runId()) && at.distanceM() >= cell.fromM() && at.distanceM() <= cell.toM()) {
                    return c;
                }
            }
            return -1;
        }

        /** The known position nearest to a place, along its run. */
        private int nearest(Place at) {
            return positions.entrySet().stream()
                    .filter(e -> e.getKey().runId().equals(at.runId()))
                    .min(Comparator.comparingDouble(e -> Math.abs(e.getKey().distanceM() - at.distanceM())))
                    .map(Map.Entry::getValue)
                    .orElse(position(energizer()));
        }

        private double[][] walked(Walk walk, List<Within> more) {
            double[][] metres = wayM.computeIfAbsent(walk.links(), Ground.this::ways);
            int known = metres.length;
            int all = known + more.size();
            double[][] walked = new double[all][all];
            for (int i = 0; i < known; i++) {
                for (int j = 0; j < known; j++) {
                    walked[i][j] = metres[i][j] / walk.metresPerMinute();
                }
            }
            for (int i = known; i < all; i++) {
                Within one = more.get(i - known);
                for (int j = 0; j < known; j++) {
                    walked[i][j] = far(metres[j], one) / walk.metresPerMinute();
                    walked[j][i] = walked[i][j];
                }
                for (int j = known; j < i; j++) {
                    walked[i][j] = between(metres, one, more.get(j - known)) / walk.metresPerMinute();
                    walked[j][i] = walked[i][j];
                }
            }
            return walked;
        }

        /** @param metres from a known position to all others */
        private double far(double[] metres, Within to) {
            Cell cell = cells.get(to.cell());
            return Math.min(
                    metres[cellFrom[to.cell()]] + to.distanceM() - cell.fromM(),
                    metres[cellTo[to.cell()]] + cell.toM() - to.distanceM());
        }

        private double between(double[][] metres, Within one, Within other) {
            if (one.cell() == other.cell()) {
                return Math.abs(one.distanceM() - other.distanceM());
            }
            Cell cell = cells.get(one.cell());
            return Math.min(
                    one.distanceM() - cell.fromM() + far(metres[cellFrom[one.cell()]], other),
                    cell.toM() - one.distanceM() + far(metres[cellTo[one.cell()]], other));
        }

        /** Minutes between all positions. */
        double[][] minutes() {
            return minutes;
        }

        /** The cells in their order, then the energizer with its supply and its rods. */
        List<SearchProblem.Cell> toLookOver() {
            return toLookOver;
        }

        /** Where the crew stands. */
        int here() {
            return here;
        }

        /** What of a cell is left to look over. */
        Part left(int cell) {
            return left.get(cell);
        }
    }
}
