package buckle.diagnosis;

import buckle.diagnosis.Candidates.Cell;
import buckle.diagnosis.Diagnosis.Stretch;
import buckle.diagnosis.Hunt.Reading;
import buckle.diagnosis.Intervals.Interval;
import buckle.pulse.Place;
import buckle.pulse.Run;
import buckle.search.SearchPlanner;
import buckle.search.SearchProblem;
import buckle.search.SearchProblem.Check;
import buckle.search.Step;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Predicate;
import java.util.stream.IntStream;

/**
 * A fault sought by a crew on foot: where to read next, which switch to open, which stretch to look over. Made once for a fence; each
 * step then costs little.
 */
public final class Tracer {
    /** The rest of the fence is thought of as this many more places where a meter may be held to the wire. */
    private static final double BETWEEN = 36;

    private static final double NEAR_M = 2;
    /** On shorter ones a reading tells what one beside it does. */
    private static final double LEAST_RUN_M = 5;

    private static final int MOST_HYPOTHESES = 900;
    /** Looking over is not sure to find it. Ours. */
    private static final double OVERLOOKED = 0.005;

    /** Of growth so much is enough to see it. Ours. */
    private static final double SEEN_M = 5;

    /** So often the fence is otherwise than anything that is thought of; then it may lie anywhere. Ours, by simulated searches. */
    private static final double MISLED = 0.04;
    /** The energizer, its battery and the rods are gone over in so many minutes. Ours. */
    public static final double AT_ENERGIZER_MINUTES = 3;

    /** Strengths of leaks between two that are computed: all goes smoothly with their logarithm. */
    private static final int BETWEEN_STRENGTHS = 3;

    /** A weaker leak takes so little off a fence that nobody is sent for it. Ours. */
    private static final double WORTH_SEEKING_OHM = 6000;

    /** The outcomes of so many steps are told. */
    private static final int EXPLAINED = 4;

    private static final int TOLD_BINS = 3;
    /** Of a run's probability the stretch that is told holds so much. */
    private static final double TOLD_SHARE = 0.8;

    private static final int BINS = 7;
    private static final int BINS_OF_TWO = 4;
    private static final double[] SPREAD = {-1.2, 0, 1.2};

    private final KnownFence fence;
    private final boolean currents;
    private final AnswerTable table;
    private final List<Spot> spots;
    private final List<Cell> cells = new ArrayList<>();
    private final List<Hypothesis> hypotheses = new ArrayList<>();
    private final Ground ground;

    /**
     * Where a meter may be held to the wire.
     *
     * @param open a switch that is opened for it; the crew stands at it
     */
    public record Spot(Place at, Optional<String> open) {}

    /**
     * What may be wrong, with what a meter at every spot would show of it on the scale of values.
     *
     * @param over the whole of what is grown over, of which it has its share at the cell
     */
    private record Hypothesis(int cell, double logPrior, Answer answer, Spread spread, Optional<Cell> over) {
        double feature(int spot) {
            return answer.at(spot);
        }
    }

    private interface Answer {
        double at(int spot);
    }

    private Tracer(Hunt hunt, boolean currents, List<Reading> taken, List<Spot> spots) {
        this.currents = currents;
        this.spots = List.copyOf(spots);
        List<Value> values = new ArrayList<>();
        for (Spot s : spots) {
            values.addAll(Value.of(List.of(asked(s, currents)), hunt.meter()));
        }
        values.addAll(Value.of(
                List.of(new Reading(
                        Optional.empty(), OptionalDouble.of(0), OptionalDouble.empty(), false, Set.of(), false)),
                hunt.meter()));
        values.addAll(Value.of(taken, hunt.meter()));
        this.table = Remembered.of(hunt, values);
        this.fence = table.fence();
        hypotheses();
        this.ground =
                new Ground(fence.model(), cells, spots.stream().map(Spot::at).toList());
    }

    /**
     * @param hunt with its readings in order; those since something is wrong are told with each step
     * @param currents whether the crew's meter shows currents too
     * @param taken readings of which the places and switches will be met again
     * @param withinReach of whoever holds the meter
     */
    public static Tracer of(Hunt hunt, boolean currents, List<Reading> taken, Predicate<Place> withinReach) {
        List<Place> besides = taken.stream()
                .filter(r -> r.open().isEmpty())
                .flatMap(r -> r.at().stream())
                .toList();
        return at(
                hunt,
                currents,
                taken,
                spots(hunt, currents, besides).stream()
                        .filter(s -> withinReach.test(s.at()))
                        .toList());
    }

    /** With a meter held to the wire at these spots alone. */
    static Tracer at(Hunt hunt, boolean currents, List<Reading> taken, List<Spot> spots) {
        return new Tracer(hunt, currents, taken, spots);
    }

    /** Whether all readings are at spots it was made for. */
    public boolean knows(List<Reading> readings) {
        return Value.of(readings, fence.model().hunt().meter()).stream().allMatch(v -> table.column(v) >= 0);
    }

    /** Where a meter may be held to the wire. */
    public List<Spot> spots() {
        return spots;
    }

    private static Reading asked(Spot spot, boolean currents) {
        return new Reading(
                Optional.of(spot.at()),
                OptionalDouble.of(0),
                currents && spot.open().isEmpty() ? OptionalDouble.of(0) : OptionalDouble.empty(),
                true,
                spot.open().map(Set::of).orElse(Set.of()),
                false);
    }

    /** Ends of runs, switches open, places asked for, and more where the way between these is long. */
    private static List<Spot> spots(Hunt hunt, boolean currents, List<Place> besides) {
        List<Run> all = hunt.plan().runs();
        double step = all.stream().mapToDouble(Run::lengthM).sum() / BETWEEN;
        Map<String, TreeMap<Double, Place>> byRun = new HashMap<>();
        for (Run r : all) {
            byRun.put(r.id(), new TreeMap<>());
        }
        for (Place p : besides) {
            Objects.requireNonNull(byRun.get(p.runId())).put(p.distanceM(), p);
        }
        List<Spot> spots = new ArrayList<>();
        for (Run r : all) {
            if (r.lengthM() < LEAST_RUN_M
                    && Objects.requireNonNull(byRun.get(r.id())).isEmpty()) {
                continue;
            }
            TreeMap<Double, Place> own = Objects.requireNonNull(byRun.get(r.id()));
            // Where runs meet the voltage is one, the currents are not.
            if (currents || r.parent().isEmpty()) {
                add(own, new Place(r.id(), 0));
            }
            add(own, new Place(r.id(), r.lengthM()));
            int n = (int) Math.rint(r.lengthM() / step);
            for (int i = 1; i < n; i++) {
                add(own, new Place(r.id(), Math.rint(r.lengthM() * i / n)));
            }
            own.values().forEach(p -> spots.add(new Spot(p, Optional.empty())));
        }
        spots.addAll(switches(hunt));
        return List.copyOf(spots);
    }

    /** Each switch open, with the meter on the side that stays live. */
    static List<Spot> switches(Hunt hunt) {
        Map<String, Run> runs = new HashMap<>();
        hunt.plan().runs().forEach(r -> runs.put(r.id(), r));
        List<Spot> all = new ArrayList<>();
        for (Hunt.Switch s : hunt.switches()) {
            before(s.at(), runs).ifPresent(p -> all.add(new Spot(p, Optional.of(s.id()))));
        }
        return all;
    }

    private static void add(TreeMap<Double, Place> own, Place at) {
        Double below = own.floorKey(at.distanceM());
        Double above = own.ceilingKey(at.distanceM());
        boolean near =
                below != null && at.distanceM() - below < NEAR_M || above != null && above - at.distanceM() < NEAR_M;
        if (!near) {
            own.put(at.distanceM(), at);
        }
    }

    /** On the side of a switch that stays live. */
    private static Optional<Place> before(Place at, Map<String, Run> runs) {
        if (at.distanceM() > 0) {
            return Optional.of(new Place(at.runId(), Math.max(0, at.distanceM() - 1)));
        }
        Optional<String> parent = Objects.requireNonNull(runs.get(at.runId())).parent();
        while (parent.isPresent()) {
            Run run = Objects.requireNonNull(runs.get(parent.get()));
            if (run.lengthM() > 0) {
                return Optional.of(new Place(run.id(), run.lengthM()));
            }
            parent = run.parent();
        }
        return Optional.empty();
    }

    // ---------------------------------------------------------------- what may be wrong

    private void hypotheses() {
        FenceModel model = fence.model();
        for (AnswerTable.Part part : table.parts()) {
            Interval interval = part.interval();
            int n = interval.nodes().size();
            int first = cells.size();
            for (int i = 0; i < n; i++) {
                double from = i == 0 ? interval.fromM() : middle(interval, i - 1);
                double to = i == n - 1 ? interval.toM() : middle(interval, i);
                cells.add(new Cell(interval.run(), from, to));
            }
            for (int i = 0; i < n; i++) {
                Cell cell = cells.get(first + i);
                Place at = interval.nodes().get(i);
                double[][] leaking = features(part.leaks()[i]);
                int strengths = (leaking.length - 1) * BETWEEN_STRENGTHS + 1;
                double leak = Chance.LEAK.log() + Math.log(model.share(cell, Chance.FRAIL_LEAKS)) - Math.log(strengths);
                for (int j = 0; j < strengths; j++) {
                    double strength = j / (double) BETWEEN_STRENGTHS;
                    double ohm = AnswerTable.LEAK_OHM[(int) Math.rint(strength)];
                    if (AnswerTable.leakOhm(strength) > WORTH_SEEKING_OHM) {
                        break;
                    }
                    Cubic between = Cubic.at(leaking.length, strength);
                    add(
                            first + i,
                            leak,
                            spot -> between.of(leaking, spot),
                            table.spread().leak(at, ohm));
                }
                double broken = Chance.BREAK.log() + Math.log(model.share(cell, Chance.FRAIL_BREAKS));
                joints(first + i, at, broken, features(part.joints()[i]));
            }
        }
        growth();
        int atEnergizer = cells.size();
        table.everywhere()
                .earths()
                .forEach(e -> add(
                        atEnergizer,
                        Chance.EARTH.log()
                                - Math.log(table.everywhere().earths().size()),
                        known(e.raw()),
                        table.everywhere().poorEarthSpread()));
        table.everywhere()
                .supplies()
                .forEach(s -> add(
                        atEnergizer,
                        Chance.SUPPLY.log()
                                - Math.log(table.everywhere().supplies().size()),
                        known(s.raw()),
                        table.everywhere().weakSupplySpread()));
    }

    /** Met anywhere on what is grown over, as probably at one cell as at another of the same length. */
    private void growth() {
        for (AnswerTable.Grown grown : table.everywhere().growth()) {
            if (grown.ohm() > WORTH_SEEKING_OHM) {
                continue;
            }
            double logPrior = Chance.GROWTH.log() + Math.log(grown.share());
            Answer answer = known(grown.raw());
            Spread spread = table.spread().leak(grown.cell().middle(), grown.ohm());
            for (int c = 0; c < cells.size(); c++) {
                double common = common(cells.get(c), grown.cell());
                if (common > 0) {
                    double share = Math.log(common / grown.cell().lengthM());
                    hypotheses.add(new Hypothesis(c, logPrior + share, answer, spread, Optional.of(grown.cell())));
                }
            }
        }
    }

    private static double common(Cell one, Cell other) {
        return one.run().equals(other.run())
                ? Math.min(one.toM(), other.toM()) - Math.max(one.fromM(), other.fromM())
                : 0;
    }

    /** Poor joints of strengths between those that were solved, and the open wire. */
    private void joints(int cell, Place at, double broken, double[][] passing) {
        int open = AnswerTable.JOINT_OHM.length;
        double[][] poor = Arrays.copyOf(passing, open);
        int strengths = (open - 1) * BETWEEN_STRENGTHS + 1;
        double share = broken + Math.log((1 - Chance.OPEN) / strengths);
        for (int j = 0; j < strengths; j++) {
            double strength = j / (double) BETWEEN_STRENGTHS;
            double ohm = AnswerTable.JOINT_OHM[(int) Math.rint(strength)];
            Cubic between = Cubic.at(open, strength);
            add(cell, share, spot -> between.of(poor, spot), table.spread().broken(at, ohm));
        }
        add(
                cell,
                broken + Math.log(Chance.OPEN),
                spot -> passing[open][spot],
                table.spread().broken(at, Double.POSITIVE_INFINITY));
    }

    private static double middle(Interval interval, int node) {
        return (interval.nodes().get(node).distanceM()
                        + interval.nodes().get(node + 1).distanceM())
                / 2;
    }

    private void add(int cell, double logPrior, Answer answer, Spread spread) {
        hypotheses.add(new Hypothesis(cell, logPrior, answer, spread, Optional.empty()));
    }

    private Answer known(double[] raw) {
        double[] features = features(raw);
        return spot -> features[spot];
    }

    private double[][] features(double[][] raw) {
        double[][] all = new double[raw.length][];
        for (int i = 0; i < raw.length; i++) {
            all[i] = features(raw[i]);
        }
        return all;
    }

    private double[] features(double[] raw) {
        double[] features = new double[raw.length];
        for (int i = 0; i < raw.length; i++) {
            features[i] = table.spots().get(i).expected(raw[i]);
        }
        return features;
    }

    // ---------------------------------------------------------------- what to do next

    /**
     * What to do next.
     *
     * @param spot where a meter is to be held to the wire, of a test
     * @param stretch to look over, in this direction
     * @param chance that it is found on the stretch
     * @param minutes from now until it is found, in the mean
     * @param outcomes of a test by what is read, lowest first; of the few best alone
     */
    public record Next(
            Optional<Spot> spot, Optional<Way> stretch, double chance, double minutes, List<Outcome> outcomes) {
        public Next {
            outcomes = List.copyOf(outcomes);
        }
    }

    /**
     * What a reading between two voltages would mean.
     *
     * @param where the stretch on which it is then most probably, with so much of all probability
     */
    public record Outcome(double fromV, double toV, double chance, Optional<Stretch> where, double there) {}

    /**
     * A stretch in the direction it is walked, as parts of runs one after the other; without any it is the energizer with its supply and
     * its rods.
     */
    public record Way(List<Part> parts) {
        public Way {
            parts = List.copyOf(parts);
        }

        /** Nothing to walk along. */
        public boolean atEnergizer() {
            return parts.isEmpty();
        }
    }

    /** A part of a run; {@code fromM} is where one begins. */
    public record Part(String run, double fromM, double toM) {}

    /**
     * The best first.
     *
     * @param now readings since something is wrong, at spots of this tracer
     * @param lookedOver without finding anything; without a run the energizer and its rods
     * @param walk how fast the crew goes
     */
    public List<Next> next(List<Reading> now, List<Stretch> lookedOver, Place here, Walk walk) {
        Belief belief = new Belief(now, lookedOver);
        List<Next> all = ranked(belief, ground.now(walk, lookedOver, here), walk);
        if (now.isEmpty() && lookedOver.isEmpty() && here.equals(ground.energizer())) {
            all.removeIf(n -> n.stretch().filter(Way::atEnergizer).isPresent());
            all.addFirst(beginning(belief, all.getFirst().minutes()));
        }
        return all;
    }

    /** At the energizer one begins with it, its supply and its rods: common practice, and it saves coming back. */
    private Next beginning(Belief belief, double otherwiseMinutes) {
        double chance = belief.held(cells.size());
        double minutes = chance * AT_ENERGIZER_MINUTES / 2 + (1 - chance) * (AT_ENERGIZER_MINUTES + otherwiseMinutes);
        return new Next(Optional.empty(), Optional.of(new Way(List.of())), chance, minutes, List.of());
    }

    private List<Next> ranked(Belief belief, Ground.Now before, Walk walk) {
        List<Next> all = new ArrayList<>();
        SearchProblem problem = belief.problem(before, walk);
        for (Step s : SearchPlanner.ranked(problem, before.here())) {
            all.add(
                    switch (s) {
                        case Step.Test t ->
                            new Next(
                                    Optional.of(belief.asked.get(t.check())),
                                    Optional.empty(),
                                    0,
                                    t.expectedMinutes(),
                                    all.size() < EXPLAINED ? belief.outcomes(belief.asked.get(t.check())) : List.of());
                        case Step.LookOver l ->
                            new Next(
                                    Optional.empty(),
                                    Optional.of(way(l, before)),
                                    l.chance(),
                                    l.expectedMinutes(),
                                    List.of());
                    });
        }
        return all;
    }

    private Way way(Step.LookOver over, Ground.Now before) {
        List<Part> parts = new ArrayList<>();
        boolean back = over.back();
        for (int c : over.cells()) {
            if (c == cells.size()) {
                return new Way(List.of());
            }
            Part left = before.left(c);
            double from = back ? left.toM() : left.fromM();
            double to = back ? left.fromM() : left.toM();
            if (!parts.isEmpty()
                    && parts.getLast().run().equals(left.run())
                    && parts.getLast().toM() == from) {
                from = parts.removeLast().fromM();
            }
            parts.add(new Part(left.run(), from, to));
        }
        return new Way(parts);
    }

    /** What is believed after some readings, of the hypotheses that are left. */
    private final class Belief {
        private final List<Value> values;
        private final int[] column;
        private final List<Hypothesis> left = new ArrayList<>();
        /** Of the hypotheses that are left, then of each cell whatever was read. */
        private final double[] weight;

        private final List<Gauss> gauss = new ArrayList<>();
        private final List<double[]> solved = new ArrayList<>();
        final List<Spot> asked = new ArrayList<>();

        Belief(List<Reading> now, List<Stretch> lookedOver) {
            values = Value.of(now, fence.model().hunt().meter());
            column = values.stream().mapToInt(table::column).toArray();
            if (Arrays.stream(column).anyMatch(c -> c < 0)) {
                throw new IllegalArgumentException("a reading is at no spot of this tracer");
            }
            double[] seen = new double[cells.size() + 1];
            Arrays.setAll(seen, c -> seen(c, lookedOver));
            double[] log = new double[hypotheses.size()];
            Gauss[] all = new Gauss[log.length];
            double[][] off = new double[log.length][];
            double[] read = new double[log.length];
            IntStream.range(0, log.length).parallel().forEach(h -> {
                Hypothesis y = hypotheses.get(h);
                double[] expected = new double[column.length];
                off[h] = new double[column.length];
                for (int i = 0; i < column.length; i++) {
                    expected[i] = y.feature(column[i]);
                    double shown = sign(i, expected[i]) * expected[i];
                    off[h][i] = values.get(i).off(shown);
                    read[h] += values.get(i).logTurned(shown);
                }
                all[h] = new Gauss(known(y, expected));
                read[h] += y.logPrior() + all[h].logDensity(off[h]);
                log[h] = read[h] + Math.log(seen[y.cell()]) + Math.log(y.over().isPresent() ? grown(y, lookedOver) : 1);
            });
            double most = Double.NEGATIVE_INFINITY;
            double unseen = Double.NEGATIVE_INFINITY;
            for (int h = 0; h < log.length; h++) {
                most = Math.max(most, log[h]);
                unseen = Posterior.plus(unseen, read[h]);
            }
            // In the order of the fence each gets its share of a fixed number of draws: what is spread thin stays so.
            // What was looked over counts before they are drawn, or few would be left of what was not.
            double total = 0;
            for (double l : log) {
                total += Math.exp(l - most);
            }
            double step = total / MOST_HYPOTHESES;
            double passed = -step / 2;
            List<Double> drawn = new ArrayList<>();
            for (int h = 0; h < log.length; h++) {
                passed += Math.exp(log[h] - most);
                int times = passed < 0 ? 0 : (int) Math.floor(passed / step) + 1;
                if (times > 0) {
                    passed -= times * step;
                    left.add(hypotheses.get(h));
                    gauss.add(all[h]);
                    solved.add(all[h].solve(off[h]));
                    drawn.add((double) times / MOST_HYPOTHESES);
                }
            }
            int n = left.size();
            weight = new double[n + cells.size()];
            for (int i = 0; i < n; i++) {
                weight[i] = drawn.get(i);
            }
            double found = 0;
            double stillThere = total * Math.exp(most - unseen);
            for (int i = 0; i < n; i++) {
                weight[i] *= (1 - MISLED) * stillThere;
                found += weight[i];
            }
            for (int c = 0; c < cells.size(); c++) {
                weight[n + c] = MISLED * fence.model().share(cells.get(c), 0) * seen[c];
                found += weight[n + c];
            }
            for (int i = 0; i < weight.length; i++) {
                weight[i] /= found;
            }
        }

        /** Of a current read without its direction that would come back. */
        private double sign(int i, double feature) {
            return values.get(i).directed() || feature >= 0 ? 1 : -1;
        }

        private double[][] known(Hypothesis y, double[] expected) {
            double[][] all = new double[column.length][column.length];
            for (int i = 0; i < all.length; i++) {
                for (int j = 0; j < all.length; j++) {
                    all[i][j] = sign(i, expected[i])
                            * sign(j, expected[j])
                            * y.spread().between(column[i], column[j]);
                }
                Value.Scale scale = values.get(i).scale();
                all[i][i] += scale.variance(scale.raw(expected[i]));
            }
            return all;
        }

        /** What looking over has left of a cell's chance. */
        private double seen(int of, List<Stretch> lookedOver) {
            double left = 1;
            for (Stretch s : lookedOver) {
                if (of == cells.size()) {
                    left *= s.run().isEmpty() ? OVERLOOKED : 1;
                    continue;
                }
                Cell cell = cells.get(of);
                double common = Math.min(cell.toM(), s.toM()) - Math.max(cell.fromM(), s.fromM());
                if (s.run().equals(cell.run()) && common > 0) {
                    left *= 1 - Math.min(1, common / cell.lengthM()) * (1 - OVERLOOKED);
                }
            }
            return left;
        }

        /** Whoever has looked over a few metres of what is grown over has seen it. */
        private double grown(Hypothesis y, List<Stretch> lookedOver) {
            double most = 0;
            for (Stretch s : lookedOver) {
                most = Math.max(
                        most,
                        common(new Cell(s.run(), s.fromM(), s.toM()), y.over().orElseThrow()));
            }
            return 1 - Math.min(1, most / SEEN_M) * (1 - OVERLOOKED);
        }

        /** What one cell holds. */
        double held(int cell) {
            double sum = 0;
            for (int i = 0; i < weight.length; i++) {
                sum += (i < left.size() ? left.get(i).cell() : i - left.size()) == cell ? weight[i] : 0;
            }
            return sum;
        }

        SearchProblem problem(Ground.Now before, Walk walk) {
            asked.addAll(spots.stream().filter(s -> !already(s)).toList());
            List<Check> checks = asked.parallelStream().map(s -> check(s, walk)).toList();
            int[] cellOf = new int[weight.length];
            for (int i = 0; i < cellOf.length; i++) {
                cellOf[i] = i < left.size() ? left.get(i).cell() : i - left.size();
            }
            return new SearchProblem(before.minutes(), before.toLookOver(), weight, cellOf, checks);
        }

        private Check check(Spot spot, Walk walk) {
            int[] columns = Value.of(
                            List.of(asked(spot, currents)), fence.model().hunt().meter())
                    .stream()
                    .mapToInt(table::column)
                    .toArray();
            double minutes = walk.readingMinutes() + (spot.open().isPresent() ? 2 * walk.switchMinutes() : 0);
            double[][] chance = chance(columns[0], columns.length > 1 ? BINS_OF_TWO : BINS);
            if (columns.length > 1) {
                chance = both(chance, chance(columns[1], BINS_OF_TWO));
            }
            return new Check(ground.position(spot.at()), minutes, chance);
        }

        private boolean already(Spot spot) {
            return Value.of(List.of(asked(spot, currents)), fence.model().hunt().meter()).stream()
                    .anyMatch(there -> values.stream().anyMatch(there::atSpotOf));
        }

        private static double[][] both(double[][] one, double[][] other) {
            List<double[]> all = new ArrayList<>();
            for (double[] a : one) {
                for (double[] b : other) {
                    double[] product = new double[a.length];
                    for (int i = 0; i < a.length; i++) {
                        product[i] = a[i] * b[i];
                    }
                    all.add(product);
                }
            }
            return all.toArray(double[][]::new);
        }

        /** What a spot would show under each hypothesis, after what was read. */
        private final class Outlook {
            final double[] mean = new double[left.size()];
            final double[] deviation = new double[left.size()];

            Outlook(int spot) {
                for (int h = 0; h < mean.length; h++) {
                    Hypothesis y = left.get(h);
                    double[] with = new double[column.length];
                    double shift = 0;
                    for (int i = 0; i < with.length; i++) {
                        with[i] = sign(i, y.feature(column[i])) * y.spread().between(spot, column[i]);
                        shift += with[i] * solved.get(h)[i];
                    }
                    double[] by = gauss.get(h).solve(with);
                    double feature = y.feature(spot);
                    Value.Scale scale = table.spots().get(spot).scale();
                    double variance = y.spread().between(spot, spot) + scale.variance(scale.raw(feature));
                    for (int i = 0; i < with.length; i++) {
                        variance -= with[i] * by[i];
                    }
                    mean[h] = feature + shift;
                    deviation[h] = Math.sqrt(Math.max(1e-6, variance));
                }
            }

            /** Between which a reading falls with about the same chance each. */
            double[] bounds(int bins) {
                double[] at = new double[mean.length * SPREAD.length];
                Integer[] order = new Integer[at.length];
                for (int h = 0; h < mean.length; h++) {
                    for (int s = 0; s < SPREAD.length; s++) {
                        at[h * SPREAD.length + s] = mean[h] + SPREAD[s] * deviation[h];
                    }
                }
                Arrays.setAll(order, i -> i);
                Arrays.sort(order, Comparator.comparingDouble(i -> at[i]));
                double all = Arrays.stream(weight, 0, mean.length).sum();
                double[] bounds = new double[bins - 1];
                double sum = 0;
                int next = 0;
                for (int i = 0; i < order.length && next < bounds.length; i++) {
                    sum += weight[order[i] / SPREAD.length] / all / SPREAD.length;
                    while (next < bounds.length && sum >= (next + 1.0) / bins) {
                        bounds[next++] = at[order[i]];
                    }
                }
                Arrays.fill(bounds, next, bounds.length, Double.POSITIVE_INFINITY);
                return bounds;
            }

            double[][] chance(double[] bounds) {
                int bins = bounds.length + 1;
                double[][] chance = new double[bins][weight.length];
                for (double[] all : chance) {
                    Arrays.fill(all, mean.length, all.length, 1.0 / bins);
                }
                for (int h = 0; h < mean.length; h++) {
                    double below = 0;
                    for (int b = 0; b < bins; b++) {
                        double to = b == bins - 1 ? 1 : normal((bounds[b] - mean[h]) / deviation[h]);
                        chance[b][h] = Math.max(0, to - below);
                        below = to;
                    }
                }
                return chance;
            }
        }

        private double[][] chance(int spot, int bins) {
            Outlook outlook = new Outlook(spot);
            return outlook.chance(outlook.bounds(bins));
        }

        /** What the voltage at a spot would mean. */
        List<Outcome> outcomes(Spot spot) {
            int at = table.column(
                    Value.of(List.of(asked(spot, false)), fence.model().hunt().meter())
                            .getFirst());
            Value.Scale scale = table.spots().get(at).scale();
            Outlook outlook = new Outlook(at);
            double[] bounds = outlook.bounds(TOLD_BINS);
            double[][] chance = outlook.chance(bounds);
            List<Outcome> all = new ArrayList<>();
            for (int b = 0; b < TOLD_BINS; b++) {
                double from = b == 0 ? 0 : Math.max(0, scale.raw(bounds[b - 1]));
                double to = b == TOLD_BINS - 1 ? Double.POSITIVE_INFINITY : Math.max(0, scale.raw(bounds[b]));
                double[] held = new double[cells.size() + 1];
                double sum = 0;
                for (int h = 0; h < weight.length; h++) {
                    double w = weight[h] * chance[b][h];
                    held[h < left.size() ? left.get(h).cell() : h - left.size()] += w;
                    sum += w;
                }
                if (to > from && sum > 0) {
                    all.add(outcome(from, to, sum, held));
                }
            }
            return all;
        }

        private Outcome outcome(double fromV, double toV, double sum, double[] held) {
            Map<String, Double> byRun = new HashMap<>();
            for (int c = 0; c < cells.size(); c++) {
                byRun.merge(cells.get(c).run(), held[c], Double::sum);
            }
            var best =
                    byRun.entrySet().stream().max(Map.Entry.comparingByValue()).orElseThrow();
            if (held[cells.size()] > best.getValue()) {
                return new Outcome(fromV, toV, sum, Optional.empty(), held[cells.size()] / sum);
            }
            int from = 0;
            int to = cells.size() - 1;
            while (!cells.get(from).run().equals(best.getKey())) {
                from++;
            }
            while (!cells.get(to).run().equals(best.getKey())) {
                to--;
            }
            double there = best.getValue();
            while (from < to) {
                double less = Math.min(held[from], held[to]);
                if (there - less < TOLD_SHARE * best.getValue()) {
                    break;
                }
                there -= less;
                if (held[from] <= held[to]) {
                    from++;
                } else {
                    to--;
                }
            }
            return new Outcome(
                    fromV,
                    toV,
                    sum,
                    Optional.of(new Stretch(
                            best.getKey(),
                            cells.get(from).fromM(),
                            cells.get(to).toM())),
                    there / sum);
        }
    }

    /** The normal distribution's integral, by a logistic curve of the third degree: within 0.0002 (Page 1977). */
    private static double normal(double x) {
        if (x > 6) {
            return 1;
        }
        return x < -6 ? 0 : 1 / (1 + Math.exp(-1.5976 * x - 0.070565992 * x * x * x));
    }
}
