package buckle.circuit;

import buckle.circuit.Electrics.Shock;
import buckle.circuit.Solver.Spot;
import buckle.land.Traits.Soil;
import buckle.layout.LineLayout;
import buckle.message.CircuitMessage;
import buckle.message.Message;
import buckle.power.Rods;
import buckle.pulse.Circuit;
import buckle.pulse.Place;
import buckle.pulse.PulseSolver;
import buckle.pulse.TheveninPort;
import buckle.rulebook.Values;
import buckle.spec.Animal;
import buckle.spec.GroundState;
import buckle.spec.Plan;
import buckle.spec.WireRole;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;

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

    /** Ohms from nose to feet, through fleece and pad; from memory. */
    static double bodyOhm(Animal animal) {
        return switch (animal) {
            case SHEEP_GOATS, ALPACAS -> 1500;
            case BADGER, BEAR, FOX_POULTRY, WILD_BOAR, SMALL_GARDEN -> 1000;
            case DEER, DEER_PLOT -> 800;
            case PEOPLE, BEEF_CATTLE, PIGS, HORSES, DONKEYS_PONIES -> Values.G13_BODY_OHM;
        };
    }

    /** Who the fence is for, by what their bodies resist, the hardest first. */
    private static SortedMap<Double, List<Animal>> bodies(List<Animal> animals) {
        SortedMap<Double, List<Animal>> bodies = new TreeMap<>(Comparator.reverseOrder());
        for (Animal a : animals) {
            bodies.computeIfAbsent(bodyOhm(a), b -> new ArrayList<>()).add(a);
        }
        return bodies;
    }

    /** Of all contacts, the hardest animal's, standing on ground of a state. */
    static Shock usual(List<Shock> shocks, GroundState state) {
        return shocks.stream()
                .filter(s -> s.contact().equals(new CircuitMessage.OnGround(state)))
                .findFirst()
                .orElseThrow();
    }

    /**
     * V14: energy of one pulse in each animal the fence is for, at a place, as share of what it needs: the least of them. Through the
     * ground it stands on, or from wire to wire where earth wires are tied to the energizer. Empty when no need is known.
     */
    Optional<Reached> reached(Spot spot) {
        FenceCircuit fence = solver.fence(likely, trial);
        Optional<Place> place = fence.place(spot.lineId(), spot.stationM());
        if (place.isEmpty()) {
            return Optional.empty();
        }
        LineLayout line = solver.line(spot.lineId());
        boolean tied =
                plan.spec().fence().wires().earthTied() && line.schedule().count(WireRole.EARTH) > 0;
        double groundOhm = tied
                ? 0
                : Rods.feetOhm(
                        Soils.ohmM(solver.soils.at(line, spot.stationM()), likely.ground()), Values.G13_FOOT_M, FEET);
        TheveninPort wire =
                PulseSolver.slow(fence.circuit(), List.of(place.get())).terminal(place.get(), List.of());
        return plan.spec().fence().animals().stream()
                .filter(a -> a.needJ().isPresent())
                .map(a -> {
                    double body = bodyOhm(a);
                    double path = body + groundOhm;
                    double inBodyJ = wire.under(path).energyJ(path) * body / path;
                    return new Reached(inBodyJ, a.needJ().getAsDouble());
                })
                .min(Comparator.comparingDouble(Reached::share));
    }

    /** Energy in the animal that gets least for its need. */
    record Reached(double bodyJ, double needJ) {
        double share() {
            return bodyJ / needJ;
        }
    }

    List<Shock> at(Spot spot) {
        FenceCircuit fence = solver.fence(likely, trial);
        Optional<Place> place = fence.place(spot.lineId(), spot.stationM());
        if (place.isEmpty()) {
            return List.of();
        }
        LineLayout line = solver.line(spot.lineId());
        Soil soil = solver.soils.at(line, spot.stationM());
        Wire wire = new Wire(fence.circuit(), place.get());
        List<Shock> shocks = new ArrayList<>();
        shocks.add(
                shock(wire, new CircuitMessage.StandardLoad(), Message.NONE, Values.G13_BODY_OHM, Values.G13_BODY_OHM));
        for (Contact c : contacts(soil)) {
            bodies(plan.spec().fence().animals())
                    .forEach((body, who) ->
                            shocks.add(shock(wire, c.what(), new CircuitMessage.Bodies(who), body + c.ohm(), body)));
        }
        return shocks;
    }

    /** What closes the circuit besides the body. */
    private record Contact(CircuitMessage.Contact what, double ohm) {}

    private List<Contact> contacts(Soil soil) {
        List<Contact> all = new ArrayList<>();
        for (GroundState state : GroundState.values()) {
            all.add(new Contact(
                    new CircuitMessage.OnGround(state),
                    Rods.feetOhm(Soils.ohmM(soil, state), Values.G13_FOOT_M, FEET)));
        }
        all.add(new Contact(new CircuitMessage.OnSnow(), Rods.feetOhm(Values.G13_SNOW_OHM_M, Values.G13_FOOT_M, FEET)));
        all.add(new Contact(new CircuitMessage.OnEarthWire(true), 0));
        all.add(new Contact(
                new CircuitMessage.OnEarthWire(false),
                solver.rodsOhm(1, solver.layout.feed().orElseThrow().rodM(), Soils.ohmM(soil, likely.ground()))));
        return all;
    }

    /** The touched wire: once for the peak, once for the whole discharge. */
    private static final class Wire {
        final TheveninPort quick;
        final TheveninPort slow;

        Wire(Circuit circuit, Place at) {
            quick = new PulseSolver(circuit, List.of(at)).terminal(at, List.of());
            slow = PulseSolver.slow(circuit, List.of(at)).terminal(at, List.of());
        }
    }

    private static Shock shock(Wire wire, CircuitMessage.Contact contact, Message who, double pathOhm, double bodyOhm) {
        return new Shock(
                contact,
                new CircuitMessage.ContactHow(contact),
                who,
                pathOhm,
                wire.slow.under(pathOhm).energyJ(pathOhm) * bodyOhm / pathOhm,
                wire.quick.under(pathOhm).peakV());
    }
}
