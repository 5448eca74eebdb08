package buckle.circuit;

import buckle.circuit.Electrics.Candidate;
import buckle.circuit.Solver.Spot;
import buckle.land.Surroundings;
import buckle.message.CircuitMessage;
import buckle.message.CircuitMessage.Because;
import buckle.message.Message;
import buckle.power.Energizers;
import buckle.pulse.EnergizerRating;
import buckle.pulse.Supply;
import buckle.rulebook.Standing;
import buckle.rulebook.Values;
import buckle.spec.Animal;
import buckle.spec.Growth;
import buckle.spec.Plan;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/** E7: energizers tried on this very fence, and which of them it takes. */
final class EnergizerJudge {
    private final Plan plan;
    private final Surroundings around;
    private final Solver solver;
    private final OptionalDouble needV;
    private final List<Spot> spots;
    private final List<Tried> tried;
    private final Optional<Tried> best;

    /** An energizer on this fence. */
    private record Tried(
            EnergizerRating plate,
            double cleanV,
            double likelyV,
            double heavyV,
            OptionalDouble bodyJ,
            OptionalDouble needJ) {
        double outJ() {
            return plate.energy().outJ();
        }

        boolean over5J() {
            return outJ() > Energizers.MUCH_J;
        }
    }

    EnergizerJudge(Plan plan, Surroundings around, Solver solver, OptionalDouble needV, List<Spot> spots) {
        this.plan = plan;
        this.around = around;
        this.solver = solver;
        this.needV = needV;
        this.spots = spots;
        this.tried = tried();
        this.best = best();
    }

    Optional<EnergizerRating> recommended() {
        return best.map(Tried::plate);
    }

    Electrics.Energizers answer() {
        return new Electrics.Energizers(
                tried.stream().map(this::candidate).toList(),
                best.map(this::why).orElse(Message.NONE));
    }

    /** Every generic energizer, and the chosen one. */
    private List<Tried> tried() {
        List<EnergizerRating> plates = new ArrayList<>(Energizers.GENERIC);
        plan.spec()
                .supply()
                .energizer()
                .filter(p -> p.contradiction().isEmpty() && !plates.contains(p))
                .ifPresent(plates::add);
        // The fence is gone through once for each state of growth, whatever feeds it.
        List<double[][]> peaks = Stream.of(Growth.CLEAN, plan.circumstances().growth(), Growth.HEAVY)
                .parallel()
                .map(growth -> peaks(plates, growth))
                .toList();
        return IntStream.range(0, plates.size())
                .parallel()
                .mapToObj(i -> tried(
                        plates.get(i),
                        Solver.weakestV(peaks.get(0)[i]),
                        Solver.weakestV(peaks.get(1)[i]),
                        Solver.weakestV(peaks.get(2)[i]),
                        weakest(peaks.get(1)[i])))
                .toList();
    }

    private Tried tried(EnergizerRating plate, double cleanV, double likelyV, double heavyV, Optional<Spot> weakest) {
        Optional<Shocks.Reached> reached = weakest.flatMap(spot ->
                new Shocks(plan, solver, Conditions.likely(plate, plan.circumstances()), Trial.NONE).reached(spot));
        return new Tried(
                plate,
                cleanV,
                likelyV,
                heavyV,
                reached.map(r -> OptionalDouble.of(r.bodyJ())).orElse(OptionalDouble.empty()),
                reached.map(r -> OptionalDouble.of(r.needJ())).orElse(OptionalDouble.empty()));
    }

    private Candidate candidate(Tried t) {
        return new Candidate(
                t.plate(),
                t.outJ(),
                t.cleanV(),
                t.likelyV(),
                t.heavyV(),
                Standing.of(t.likelyV(), needV),
                Standing.of(t.heavyV(), needV),
                t.bodyJ(),
                t.needJ(),
                new EarthJudge(
                                plan,
                                around,
                                solver,
                                Conditions.likely(t.plate(), plan.circumstances()),
                                Optional.empty())
                        .need(),
                Energizers.drawW(t.plate(), plan.spec().supply().mode(), 0.5),
                t.over5J(),
                best.filter(b -> b == t).isPresent());
    }

    private Optional<Spot> weakest(double[] peaks) {
        return IntStream.range(0, peaks.length)
                .filter(i -> peaks[i] > 0)
                .boxed()
                .min(Comparator.comparingDouble(i -> peaks[i]))
                .map(spots::get);
    }

    /** By energizer and spot. */
    private double[][] peaks(List<EnergizerRating> plates, Growth growth) {
        Conditions likely =
                Conditions.likely(plates.getFirst(), plan.circumstances()).withGrowth(growth);
        FenceCircuit fence = solver.fence(likely, Trial.NONE);
        List<Supply> supplies = plates.stream()
                .map(p -> new Supply(
                        Conditions.likely(p, plan.circumstances()).source(),
                        fence.circuit().earthOhm()))
                .toList();
        return Solver.peaks(fence, spots, supplies);
    }

    private Optional<Tried> best() {
        Comparator<Tried> small = Comparator.comparingDouble(Tried::outJ);
        Comparator<Tried> holds = Comparator.comparingDouble(Tried::heavyV);
        return tried.stream()
                .filter(t -> spare(t) && !t.over5J())
                .min(small)
                .or(() -> tried.stream()
                        .filter(t -> met(t) == Standing.MET && reaches(t) && !t.over5J())
                        .max(holds))
                .or(() -> tried.stream().filter(this::spare).min(small))
                .or(() -> needV.isEmpty()
                        ? tried.stream().filter(t -> !t.over5J()).max(holds)
                        : tried.stream().max(holds));
    }

    private Standing met(Tried t) {
        return Standing.of(t.likelyV(), needV);
    }

    private boolean spare(Tried c) {
        return needV.isPresent() && c.heavyV() >= Values.E7_SPARE * needV.getAsDouble() && reaches(c);
    }

    /** V14, and V5 for those that ask for a strong unit. */
    private boolean reaches(Tried c) {
        return c.bodyJ().orElse(0) >= c.needJ().orElse(0) && c.outJ() >= leastOutputJ();
    }

    private double leastOutputJ() {
        return plan.spec().fence().animals().stream()
                .mapToDouble(Animal::leastOutputJ)
                .max()
                .orElse(0);
    }

    private Message why(Tried c) {
        Because because = spare(c)
                ? Because.SMALLEST_WITH_SPARE
                : met(c) == Standing.WARN || met(c) == Standing.BROKEN
                        ? Because.NONE_BETTER
                        : !reaches(c)
                                ? Because.NONE_REACHES
                                : Standing.of(c.heavyV(), needV) == Standing.MET
                                        ? Because.LITTLE_SPARE
                                        : Because.HOLDS_TODAY;
        return new CircuitMessage.Recommended(
                c.plate().name(),
                c.cleanV(),
                c.heavyV(),
                needV,
                c.bodyJ().isPresent()
                        ? Optional.of(new CircuitMessage.InAnimal(
                                c.bodyJ().getAsDouble(), c.needJ().orElse(0)))
                        : Optional.empty(),
                because,
                leastOutputJ());
    }
}
