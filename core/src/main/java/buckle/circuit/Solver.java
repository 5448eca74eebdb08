package buckle.circuit;

import buckle.land.Surroundings;
import buckle.land.Traits.Soil;
import buckle.layout.EarthPlace;
import buckle.layout.FeedPlace;
import buckle.layout.Layout;
import buckle.layout.LineLayout;
import buckle.network.FenceNetwork;
import buckle.network.LiveWires;
import buckle.power.Rods;
import buckle.pulse.Place;
import buckle.pulse.PulseSolver;
import buckle.pulse.Solution;
import buckle.pulse.Supply;
import buckle.pulse.TheveninPort;
import buckle.review.Laid;
import buckle.rulebook.Values;
import buckle.spec.Circumstances;
import buckle.spec.GroundState;
import buckle.spec.Plan;
import buckle.spec.Spec;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;

/** One laid-out fence under any conditions. */
final class Solver {
    private static final double LEAST_SHORT_OHM = 0.5;
    private static final double MOST_SHORT_OHM = 50_000;
    private static final int HALVINGS = 14;

    final Layout layout;
    final Spec spec;
    final Circumstances circumstances;
    final Soils soils;
    final FenceNetwork network;
    /** What hangs together does not depend on conditions. */
    private final Map<Trial, LiveWires> liveWires = new ConcurrentHashMap<>();
    /** Several judges look at the same fence. */
    private final Map<Asks, FenceCircuit> fences = new ConcurrentHashMap<>();

    private record Asks(Conditions conditions, Trial trial) {}

    /** Of the earth rods, as readings in order found them. */
    private final double earthFactor;

    Solver(Plan plan, Laid laid, Surroundings around) {
        this.layout = laid.layout();
        this.network = laid.network().orElseThrow();
        this.spec = plan.spec();
        this.circumstances = plan.circumstances();
        this.soils = new Soils(around);
        this.earthFactor =
                circumstances.yardstick().map(y -> Math.exp(y.found().earth())).orElse(1.0);
    }

    /** A place on a line. */
    record Spot(String lineId, double stationM) {}

    /** A circuit and what was asked of it; a spot that nothing feeds has no answer. */
    record Solved(FenceCircuit fence, Solution solution, List<Optional<Solution.Answer>> at) {
        double volts(int i) {
            return at.get(i).map(Solution.Answer::peakV).orElse(0.0);
        }

        /** The least over the spots that are fed, as switches stand. */
        double weakestV() {
            return at.stream()
                    .flatMap(Optional::stream)
                    .mapToDouble(Solution.Answer::peakV)
                    .filter(v -> v > 0)
                    .min()
                    .orElse(0);
        }
    }

    double feedSoilOhmM(GroundState state) {
        FeedPlace feed = layout.feed().orElseThrow();
        return Soils.ohmM(soils.at(line(feed.lineId()), feed.stationM()), state);
    }

    LineLayout line(String id) {
        return layout.lines().stream()
                .filter(l -> l.lineId().equals(id))
                .findFirst()
                .orElseThrow();
    }

    double rodsOhm(int rods, double rodM, double soilOhmM) {
        var earth = spec.supply().earth();
        return earthFactor * Rods.inLineOhm(soilOhmM, rodM, earth.rodDiameterM() / 2, rods, earth.rodApartM());
    }

    /** The earth of the plan. */
    double rodsOhm(GroundState state) {
        return rodsOhm(layout.feed().orElseThrow().earth(), state);
    }

    /** Rods one by one, each in its ground. */
    double rodsOhm(List<EarthPlace> rods, GroundState state) {
        return earthFactor
                * Rods.togetherOhm(rods.stream()
                        .map(r -> {
                            Soil soil = r.soil().orElse(Soil.LOAM);
                            double ohmM = Soils.ohmM(soil, state);
                            boolean frozen = state == GroundState.FROZEN;
                            return new Rods.Buried(
                                    r.eastM(),
                                    r.northM(),
                                    r.lengthM(),
                                    r.kind().radiusM(r.acrossM()),
                                    ohmM,
                                    r.watered() && !frozen ? Math.min(ohmM, Values.G12_WET_OHM_M) : ohmM);
                        })
                        .toList());
    }

    /** What is read at a spot with another earth; nothing where nothing is fed. */
    static double voltsWithEarth(FenceCircuit fence, double earthOhm, Spot spot) {
        return fence.place(spot.lineId(), spot.stationM())
                .map(place -> new PulseSolver(fence.circuit().withEarthOhm(earthOhm), List.of(place)).volts())
                .filter(Solution::solved)
                .map(s -> s.answers().getFirst().peakV()
                        * fence.readPer(List.of(s.answers().getFirst().place()))[0])
                .orElse(0.0);
    }

    FenceCircuit fence(Conditions conditions, Trial trial) {
        return fences.computeIfAbsent(new Asks(conditions, trial), this::plan);
    }

    private FenceCircuit plan(Asks asked) {
        return FenceCircuitPlanner.plan(
                layout,
                network,
                spec,
                soils,
                asked.conditions(),
                rodsOhm(asked.conditions().ground()) * asked.conditions().earth(),
                asked.trial(),
                liveWires.computeIfAbsent(asked.trial(), t -> network.live(t.open())));
    }

    Solved withCurrents(Conditions conditions, Trial trial, List<Spot> spots) {
        return solve(fence(conditions, trial), spots, PulseSolver::solve);
    }

    Solved volts(Conditions conditions, Trial trial, List<Spot> spots) {
        return volts(fence(conditions, trial), spots);
    }

    static Solved volts(FenceCircuit fence, List<Spot> spots) {
        return solve(fence, spots, PulseSolver::volts);
    }

    private static Solved solve(FenceCircuit fence, List<Spot> spots, Function<PulseSolver, Solution> how) {
        Asked asked = new Asked(fence, spots);
        Solution solution = how.apply(new PulseSolver(fence.circuit(), asked.places));
        List<Optional<Solution.Answer>> at = new ArrayList<>();
        double[] by = fence.readPer(asked.places);
        for (int i : asked.index) {
            at.add(
                    i < 0 || !solution.solved()
                            ? Optional.empty()
                            : Optional.of(read(solution.answers().get(i), by[i])));
        }
        return new Solved(fence, solution, at);
    }

    private static Solution.Answer read(Solution.Answer computed, double by) {
        OptionalDouble currentA = computed.currentA();
        return new Solution.Answer(
                computed.place(),
                computed.peakV() * by,
                computed.atS(),
                currentA.isPresent() ? OptionalDouble.of(currentA.getAsDouble() * by) : currentA);
    }

    /**
     * Peaks by supply and spot when the fence is fed by others; 0 where nothing is fed, and where no number came out: the
     * cautious side.
     */
    static double[][] peaks(FenceCircuit fence, List<Spot> spots, List<Supply> supplies) {
        Asked asked = new Asked(fence, spots);
        double[][] found = new PulseSolver(fence.circuit(), asked.places, supplies).peaks(supplies);
        double[] by = fence.readPer(asked.places);
        double[][] peaks = new double[supplies.size()][spots.size()];
        for (int s = 0; s < peaks.length; s++) {
            for (int i = 0; i < spots.size(); i++) {
                int of = asked.index[i];
                double v = of < 0 ? 0 : found[s][of] * by[of];
                peaks[s][i] = Double.isFinite(v) ? v : 0;
            }
        }
        return peaks;
    }

    /** The least over the spots that are fed. */
    static double weakestV(double[] peaks) {
        return Arrays.stream(peaks).filter(v -> v > 0).min().orElse(0);
    }

    /** Spots as places of a circuit; -1 where nothing is fed. */
    static final class Asked {
        final List<Place> places = new ArrayList<>();
        final int[] index;

        Asked(FenceCircuit fence, List<Spot> spots) {
            index = new int[spots.size()];
            for (int i = 0; i < index.length; i++) {
                Optional<Place> place =
                        fence.place(spots.get(i).lineId(), spots.get(i).stationM());
                index[i] = place.isPresent() ? places.size() : -1;
                place.ifPresent(places::add);
            }
        }
    }

    /** G9: volts at the rods while the fence is shorted at a place until it reads what the test asks for at its beginning. */
    static double earthTestV(FenceCircuit fence, double earthOhm, Place far, double readsV) {
        Place begin =
                new Place(fence.feedRun(), fence.circuit().runs().getFirst().lengthM());
        TheveninPort shorted = new PulseSolver(fence.circuit().withEarthOhm(earthOhm), List.of(far, begin))
                .terminal(far, List.of(begin));
        double low = Math.log(LEAST_SHORT_OHM);
        double high = Math.log(MOST_SHORT_OHM);
        for (int i = 0; i < HALVINGS; i++) {
            double middle = (low + high) / 2;
            if (shorted.peaksUnder(Math.exp(middle), 0).getFirst() > readsV) {
                high = middle;
            } else {
                low = middle;
            }
        }
        return shorted.peaksUnder(Math.exp(low), 0).getLast();
    }
}
