package buckle.spec;

import static buckle.spec.WireRole.EARTH;
import static buckle.spec.WireRole.HOT;

import buckle.rulebook.Rule;
import buckle.rulebook.Values;
import buckle.units.Lengths;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;

/**
 * A wire schedule to start from.
 *
 * @param rule rule of the wires
 * @param suits animals it is for
 * @param lineDepthM how deep its line posts go, when that is part of it
 * @param stepIns whether it is a temporary fence on step-in posts, with coated rods at its ends (P12)
 */
public record Preset(
        String id,
        Rule rule,
        String name,
        List<Animal> suits,
        List<Wire> wires,
        OptionalDouble lineDepthM,
        boolean stepIns) {
    private static final List<Preset> ALL = List.of(
            hot("W1", Rule.W1, "Beef cattle, permanent", Animal.BEEF_CATTLE, 20, 34),
            hot("W2", Rule.W2, "Cattle, one temporary strand", Animal.BEEF_CATTLE, 28)
                    .onStepIns(),
            hot("W3", Rule.W3, "Calves pass under, cows do not", Animal.BEEF_CATTLE, 37),
            hot("W4", Rule.W4, "Sheep and goats with young", Animal.SHEEP_GOATS, 4, 8, 12, 16, 20, 28, 38),
            hot("W5", Rule.W5, "Pigs, permanent", Animal.PIGS, 6, 12, 18, 30, 42),
            hot("W6", Rule.W6, "Pigs, two temporary strands", Animal.PIGS, 8, 16)
                    .onStepIns(),
            alternating("W7", "Horses with cattle", List.of(Animal.HORSES, Animal.BEEF_CATTLE), 5, 12, 22, 32, 42, 52),
            alternating("W8", "Bear", List.of(Animal.BEAR), 5, 4, 7.5, 11, 14.5, 18, 28, 40),
            hot("W9", Rule.W9, "Deer, inner row of a double fence", Animal.DEER_PLOT, 10, 24),
            hot("W9-outer", Rule.W9, "Deer, outer tape of a double fence", Animal.DEER_PLOT, 18),
            hot("W10", Rule.W10, "Deer, single tall fence", Animal.DEER, 12, 24, 36, 48, 60, 72)
                    .deep(Values.W10_DEPTH_M),
            hot("W11", Rule.W11, "Fox from poultry", Animal.FOX_POULTRY, 4, 8, 12, 17, 22, 28, 36),
            hot("W12", Rule.W12, "Rabbits and small garden animals", Animal.SMALL_GARDEN, 2, 7, 12, 17),
            alternating("W13", "People and large wildlife", List.of(Animal.PEOPLE), 7, 6, 14, 22, 32, 42, 54, 66, 80),
            monitored(),
            hot("W14", Rule.W14, "Mixed garden", Animal.SMALL_GARDEN, 6, 12, 48),
            hot("W15", Rule.W15, "Wild boar", Animal.WILD_BOAR, 8, 18, 30),
            badger(),
            hot("W16", Rule.W16, "Alpacas", Animal.ALPACAS, 9, 20, 32, 40, 48),
            hot("W17", Rule.W17, "Donkeys and ponies", Animal.DONKEYS_PONIES, 20, 34, 48));

    public Preset {
        suits = List.copyOf(suits);
        wires = List.copyOf(wires);
    }

    /** All presets, in the order they are offered. */
    public static List<Preset> all() {
        return ALL;
    }

    /** Of an id. */
    public static Preset of(String id) {
        return ALL.stream()
                .filter(p -> p.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("no wire schedule is called " + id));
    }

    /** Its wires. */
    public WireSchedule schedule() {
        return new WireSchedule(id, wires);
    }

    private Preset deep(double depthM) {
        return new Preset(id, rule, name, suits, wires, OptionalDouble.of(depthM), stepIns);
    }

    private Preset onStepIns() {
        return new Preset(id, rule, name, suits, wires, lineDepthM, true);
    }

    /** Twelve wires, odd ones earth. */
    private static Preset monitored() {
        double[] inches = {4, 9, 14, 20, 26, 32, 38, 45, 52, 60, 68, 78};
        List<Wire> wires = new ArrayList<>();
        for (double h : inches) {
            wires.add(new Wire(Lengths.in(h), wires.size() % 2 == 0 ? EARTH : HOT));
        }
        return new Preset(
                "W21", Rule.W21, "People, monitored", List.of(Animal.PEOPLE), wires, OptionalDouble.empty(), false);
    }

    private static Preset badger() {
        Preset boar = hot("W15-badger", Rule.W15, "Wild boar and badger", Animal.WILD_BOAR, 4, 6, 8, 18, 30);
        return new Preset(
                boar.id,
                boar.rule,
                boar.name,
                List.of(Animal.WILD_BOAR, Animal.BADGER),
                boar.wires,
                OptionalDouble.empty(),
                false);
    }

    private static Preset hot(String id, Rule rule, String name, Animal animal, double... inches) {
        List<Wire> wires = new ArrayList<>();
        for (double h : inches) {
            wires.add(new Wire(Lengths.in(h), HOT));
        }
        return new Preset(id, rule, name, List.of(animal), wires, OptionalDouble.empty(), false);
    }

    /** The lowest {@code mixed} wires alternate hot and earth, lowest hot; those above are hot. */
    private static Preset alternating(String id, String name, List<Animal> animals, int mixed, double... inches) {
        List<Wire> wires = new ArrayList<>();
        for (double h : inches) {
            boolean earth = wires.size() < mixed && wires.size() % 2 == 1;
            wires.add(new Wire(Lengths.in(h), earth ? EARTH : HOT));
        }
        return new Preset(id, Rule.valueOf(id), name, animals, wires, OptionalDouble.empty(), false);
    }
}
