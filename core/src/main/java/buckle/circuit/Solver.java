package buckle.circuit;

import buckle.land.Surroundings;
import buckle.layout.FeedPlace;
import buckle.layout.Layout;
import buckle.layout.LineLayout;
import buckle.power.Rods;
import buckle.pulse.Fault;
import buckle.pulse.Place;
import buckle.pulse.PulseSolver;
import buckle.pulse.Solution;
import buckle.site.Site;
import buckle.site.Tees;
import buckle.spec.Plan;
import buckle.spec.Power;
import buckle.spec.Spec;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** One laid-out fence under any conditions. */
final class Solver {
    final Layout layout;
    final Spec spec;
    final Soils soils;
    final List<Tees.Tee> tees;

    Solver(Plan plan, Layout layout, Surroundings around) {
        this.layout = layout;
        this.spec = plan.spec();
        this.soils = new Soils(around);
        Site site = Tees.settled(plan.site());
        this.tees = Tees.of(site, site.plane());
    }

    /** A place on a line. */
    record Spot(String lineId, double stationM) {}

    /** A circuit and what was asked of it; a spot that nothing feeds has no answer. */
    record Solved(FenceCircuit fence, Solution solution, List<Optional<Solution.Answer>> at) {
        double volts(int i) {
            return at.get(i).map(Solution.Answer::peakV).orElse(0.0);
        }

        /** The least over the spots that are fed. */
        double weakestV() {
            return at.stream()
                    .flatMap(Optional::stream)
                    .mapToDouble(Solution.Answer::peakV)
                    .min()
                    .orElse(0);
        }
    }

    double feedSoilOhmM(Power.GroundState state) {
        FeedPlace feed = layout.feed().orElseThrow();
        LineLayout line = layout.lines().stream()
                .filter(l -> l.lineId().equals(feed.lineId()))
                .findFirst()
                .orElseThrow();
        return Soils.ohmM(soils.at(line, feed.stationM()), state);
    }

    double rodsOhm(int rods, double rodM, double soilOhmM) {
        Power power = spec.power();
        return Rods.inLineOhm(soilOhmM, rodM, power.rodDiameterM() / 2, rods, power.rodApartM());
    }

    double rodsOhm(Power.GroundState state) {
        FeedPlace feed = layout.feed().orElseThrow();
        return rodsOhm(feed.rods(), feed.rodM(), feedSoilOhmM(state));
    }

    FenceCircuit fence(Conditions conditions, Trial trial) {
        return FenceCircuitPlanner.plan(layout, tees, spec, soils, conditions, rodsOhm(conditions.ground()), trial);
    }

    Solved solve(Conditions conditions, Trial trial, List<Spot> spots) {
        return solve(fence(conditions, trial), spots);
    }

    static Solved solve(FenceCircuit fence, List<Spot> spots) {
        List<Place> places = new ArrayList<>();
        List<Integer> index = new ArrayList<>();
        for (Spot s : spots) {
            Optional<Place> place = fence.place(s.lineId(), s.stationM());
            index.add(place.isPresent() ? places.size() : -1);
            place.ifPresent(places::add);
        }
        Solution solution = PulseSolver.solve(fence.circuit(), places);
        List<Optional<Solution.Answer>> at = new ArrayList<>();
        for (int i : index) {
            at.add(
                    i < 0 || !solution.solved()
                            ? Optional.empty()
                            : Optional.of(solution.answers().get(i)));
        }
        return new Solved(fence, solution, at);
    }

    /** G9: volts at the rods while the fence is shorted at a place until it reads what the test asks for at its beginning. */
    double earthTestV(FenceCircuit fence, double earthOhm, Place far, double readsV) {
        Place begin = new Place(fence.feedRun(), run(fence).lengthM());
        double low = Math.log(0.5);
        double high = Math.log(50_000);
        Solution solution = shorted(fence, earthOhm, far, begin, Math.exp(low));
        for (int i = 0; i < 14 && solution.solved(); i++) {
            double middle = (low + high) / 2;
            solution = shorted(fence, earthOhm, far, begin, Math.exp(middle));
            if (solution.solved() && solution.answers().getFirst().peakV() > readsV) {
                high = middle;
            } else {
                low = middle;
            }
        }
        return solution.earthTerminalV();
    }

    private static buckle.pulse.Run run(FenceCircuit fence) {
        return fence.circuit().runs().getFirst();
    }

    private static Solution shorted(FenceCircuit fence, double earthOhm, Place far, Place begin, double ohm) {
        return PulseSolver.solve(
                fence.circuit().withEarth(earthOhm).withFaults(List.of(new Fault(Fault.Kind.SHUNT, far, ohm))),
                List.of(begin));
    }
}
