package buckle.circuit;

import buckle.circuit.Electrics.Shock;
import buckle.circuit.Solver.Spot;
import buckle.land.Traits.Soil;
import buckle.layout.LineLayout;
import buckle.power.Rods;
import buckle.pulse.Place;
import buckle.pulse.PulseSolver;
import buckle.pulse.Terminal;
import buckle.pulse.Waveform;
import buckle.rulebook.Values;
import buckle.spec.Animal;
import buckle.spec.Plan;
import buckle.spec.Power;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** G13: the energy of one pulse in an animal that touches the wire, by what closes the circuit. */
final class Shocks {
    private static final int FEET = 4;

    private final Plan plan;
    private final Solver solver;
    private final Conditions likely;
    private final Trial trial;

    Shocks(Plan plan, Solver solver, Conditions likely, Trial trial) {
        this.plan = plan;
        this.solver = solver;
        this.likely = likely;
        this.trial = trial;
    }

    /** Ohms from nose to feet, through fleece and pad; from memory. The hardest animal of the job. */
    static double bodyOhm(List<Animal> animals) {
        return animals.stream()
                .mapToDouble(a -> switch (a) {
                    case SHEEP_GOATS, ALPACAS -> 1500;
                    case BADGER, BEAR, FOX_POULTRY, WILD_BOAR, SMALL_GARDEN -> 1000;
                    case DEER, DEER_PLOT -> 800;
                    case PEOPLE, BEEF_CATTLE, PIGS, HORSES, DONKEYS_PONIES -> Values.G13_BODY_OHM;
                })
                .max()
                .orElse(Values.G13_BODY_OHM);
    }

    private static String onGround(Power.GroundState state) {
        return "wire and " + state.text() + " ground";
    }

    /** Of all contacts, standing on ground of a state. */
    static Shock usual(List<Shock> shocks, Power.GroundState state) {
        return shocks.stream()
                .filter(s -> s.contact().equals(onGround(state)))
                .findFirst()
                .orElseThrow();
    }

    List<Shock> at(Spot spot) {
        FenceCircuit fence = solver.fence(likely, trial);
        Optional<Place> place = fence.place(spot.lineId(), spot.stationM());
        if (place.isEmpty()) {
            return List.of();
        }
        LineLayout line = solver.layout.lines().stream()
                .filter(l -> l.lineId().equals(spot.lineId()))
                .findFirst()
                .orElseThrow();
        Soil soil = solver.soils.at(line, spot.stationM());
        double body = bodyOhm(plan.spec().animals());
        Terminal wire = new PulseSolver(fence.circuit(), List.of(place.get())).terminal(place.get(), List.of());
        List<Shock> shocks = new ArrayList<>();
        shocks.add(shock(
                wire, "the standard's 500 Ω", "to compare energizers by", Values.G13_BODY_OHM, Values.G13_BODY_OHM));
        for (Power.GroundState state : Power.GroundState.values()) {
            double feet = Rods.feetOhm(Soils.ohmM(soil, state), Values.G13_FOOT_M, FEET);
            shocks.add(shock(
                    wire,
                    onGround(state),
                    "the return is the ground under the feet: all-hot wiring",
                    body + feet,
                    body));
        }
        double snow = Rods.feetOhm(Values.G13_SNOW_OHM_M, Values.G13_FOOT_M, FEET);
        shocks.add(shock(wire, "wire and dry snow", "dry snow insulates", body + snow, body));
        shocks.add(shock(
                wire,
                "hot wire and tied earth wire",
                "the return is the earth wire back to the energizer: true hot and earth",
                body,
                body));
        double rod = solver.rodsOhm(1, solver.layout.feed().orElseThrow().rodM(), Soils.ohmM(soil, likely.ground()));
        shocks.add(shock(
                wire,
                "hot wire and merely grounded earth wire",
                "the return is the nearest rod of the earth wire and the ground",
                body + rod,
                body));
        return shocks;
    }

    private static Shock shock(Terminal wire, String contact, String how, double pathOhm, double bodyOhm) {
        Waveform across = wire.under(pathOhm);
        return new Shock(contact, how, pathOhm, across.energyJ(pathOhm) * bodyOhm / pathOhm, across.peakV());
    }
}
