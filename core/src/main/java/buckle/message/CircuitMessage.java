package buckle.message;

import buckle.pulse.EnergizerRating;
import buckle.pulse.RatingDoubt;
import buckle.pulse.Source;
import buckle.rulebook.Values;
import buckle.spec.Animal;
import buckle.spec.GroundState;
import buckle.spec.Growth;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** What the pulse, the energizer, the earth and the battery have to say. */
public sealed interface CircuitMessage extends Message {
    // ---------------------------------------------------------------- the energizer

    /** @param replaced whether the recommended energizer is used instead */
    record PlateDoubted(RatingDoubt doubt, boolean replaced) implements CircuitMessage {}

    /**
     * One energy of two was computed.
     *
     * @param stored the energy stored, otherwise the one into 500 ohm
     * @param share of what is stored that usually comes out; empty when the voltage at 100 ohm told it
     */
    record OneEnergyComputed(boolean stored, double energyJ, OptionalDouble share) implements CircuitMessage {
        /** What a plate does not say; empty when it gives both energies (E8). */
        public static Optional<CircuitMessage> of(EnergizerRating plate) {
            EnergizerRating.Energy energy = plate.energy();
            boolean stored = plate.storedJ().isEmpty();
            boolean usual = energy.found() == EnergizerRating.Found.USUAL_SHARE;
            return energy.found() == EnergizerRating.Found.GIVEN
                    ? Optional.empty()
                    : Optional.of(new OneEnergyComputed(
                            stored,
                            stored ? energy.storedJ() : energy.outJ(),
                            usual ? OptionalDouble.of(Values.E8_OUT_SHARE) : OptionalDouble.empty()));
        }
    }

    /** The plate leaves no room for a damping that somebody said. */
    record DampingDoesNotFit(String plate) implements CircuitMessage {}

    /** More than the local code may allow. */
    record OverFiveJoules(String plate) implements CircuitMessage {}

    /** Why an energizer is recommended. */
    enum Because {
        SMALLEST_WITH_SPARE,
        NONE_BETTER,
        NONE_REACHES,
        LITTLE_SPARE,
        HOLDS_TODAY
    }

    /** Energy in the animal, and what it wants. */
    record InAnimal(double bodyJ, double needJ) {}

    /** @param leastOutputJ that practice asks for besides; 0 when it asks for none */
    record Recommended(
            String plate,
            double cleanV,
            double heavyV,
            OptionalDouble needV,
            Optional<InAnimal> inAnimal,
            Because because,
            double leastOutputJ)
            implements CircuitMessage {}

    // ---------------------------------------------------------------- the pulse

    /** The solver had no answer. */
    record NotSolved(String reason) implements CircuitMessage {}

    /** Higher than is met in practice. */
    record PulseVeryHigh(double peakV) implements CircuitMessage {}

    /** The weakest point is under the need. */
    record PulseTooLow(double likelyV, double lowV, double highV, double needV) implements CircuitMessage {}

    /** Why a stretch is dead: wires by number that no jumper reaches, or no joint at all. */
    sealed interface DeadWhy extends CircuitMessage {}

    /** Wires from the ground that no jumper joins to one that is fed. */
    record NoJumper(List<Integer> wires) implements DeadWhy {}

    /** Nothing leads the pulse there. */
    record NoJoint() implements DeadWhy {}

    /** The first stretch that is dead. */
    record DeadFrom(boolean allWires, DeadWhy why) implements CircuitMessage {}

    /** @param none why there is no factor */
    record ReserveNone(NoReserve none) implements CircuitMessage {}

    /** Why a reserve has no factor. */
    enum NoReserve {
        NO_NEED,
        UNDER_NEED,
        ENDLESS
    }

    /** How many times the leakage may grow. */
    record ReserveFactor(double factor, Growth growth, boolean read) implements CircuitMessage {}

    // ---------------------------------------------------------------- assumptions

    /** What is assumed of a fence. */
    enum Assumed implements CircuitMessage {
        LEAKAGE,
        GROUND_RESISTIVITY,
        STEEL_PERMEABILITY,
        CONDUCTORS,
        PLATE_VOLTAGES,
        ALONG,
        ROD_RESISTANCE,
        DAMPING,
        READINGS
    }

    /** Where an assumption lies. */
    sealed interface Setting extends CircuitMessage {}

    /** A state of growth. */
    record GrowthIs(Growth growth) implements Setting {}

    /** A state of the ground. */
    record GroundIs(GroundState state) implements Setting {}

    /** Times as much as likely: a third, three times, half, double. */
    record Times(double factor) implements Setting {}

    /** A share more or less. */
    record Percent(double percent) implements Setting {}

    /** A plain number. */
    record NumberIs(double value) implements Setting {}

    /** As made, as the plate says, as computed. */
    enum As implements Setting {
        MADE,
        PLATE,
        COMPUTED,
        READ,
        LEFT_OPEN
    }

    /** Wire so much, woven goods a factor. */
    record WireAndWoven(double wirePercent, double wovenFactor) implements Setting {}

    /** Pairs across the energizer's terminals; none when no other fits. */
    record Dampings(List<Source> pairs) implements Setting {}

    // ---------------------------------------------------------------- what if

    /** Change one thing. */
    enum Change implements CircuitMessage {
        AS_PLANNED,
        ALUMINIUM,
        HIGH_TENSILE,
        ALL_HOT,
        EARTH_ALONG,
        EARTH_TIED,
        EVERY_SECOND_EARTH,
        SECOND_LEAD_OUT,
        ONE_MORE_CUT_OUT
    }

    /** A change and what is there instead of it now. */
    record Instead(Change change, String of) implements CircuitMessage {}

    /** What a change does besides. */
    record ChangeDoes(Change change) implements CircuitMessage {}

    /** @param none the weakest end lies at the feed */
    record SecondWay(boolean none, double lengthM) implements CircuitMessage {}

    /** What one more switch does to the longest section. */
    record SectionFalls(double beforeM, double afterM) implements CircuitMessage {}

    // ---------------------------------------------------------------- the earth

    /** The last rod in the earth test. */
    record LastRodTooHigh(GroundState ground, double testV, double mostV) implements CircuitMessage {}

    /** What rods are tried. */
    enum Rods implements CircuitMessage {
        ONE_MORE,
        LONGER,
        WATERED;

        @Override
        public String key() {
            return "rods-" + CircuitMessage.super.key();
        }
    }

    /** The same rods in moister ground. */
    record RodsIn(String ground) implements CircuitMessage {}

    /** The cable to there is left out. */
    record CableNotCounted() implements CircuitMessage {}

    /** @param iron an angle iron where stone stops a rod, otherwise a stub in rock */
    record ShortRod(boolean iron, double lengthM) implements CircuitMessage {}

    /** What a short rod is good for. */
    record ShortRodWhy(boolean iron) implements CircuitMessage {}

    /** The nearest ground that stays moist. */
    record MoistGround(String feature, double distanceM) implements CircuitMessage {}

    /** None is drawn. */
    record NoMoistGround() implements CircuitMessage {}

    /** Whether earth wires are the answer. */
    enum EarthWires implements CircuitMessage {
        ARE_TIED,
        ARE_GROUNDED,
        WOULD_CARRY,
        NOT_NEEDED;

        @Override
        public String key() {
            return "earth-wires-" + CircuitMessage.super.key();
        }
    }

    // ---------------------------------------------------------------- a touch

    /** What closes the circuit. */
    sealed interface Contact extends CircuitMessage {}

    /** The standard's load. */
    record StandardLoad() implements Contact {}

    /** The ground under the feet. */
    record OnGround(GroundState state) implements Contact {}

    /** Dry snow under the feet. */
    record OnSnow() implements Contact {}

    /** @param tied to the energizer's terminal, otherwise grounded along the way */
    record OnEarthWire(boolean tied) implements Contact {}

    /** How a contact closes the circuit. */
    record ContactHow(Contact contact) implements CircuitMessage {}

    /** Animals with such a body. */
    record Bodies(List<Animal> animals) implements CircuitMessage {}

    // ---------------------------------------------------------------- the supply

    /** @param leadOutM 0 while the energizer has no place */
    record FromMains(double drawW, double leadOutM) implements CircuitMessage {}

    /**
     * What the battery lasts.
     *
     * @param byPlate whether the plate says the draw
     * @param inTurn batteries that are swapped in turn
     */
    record FromBattery(
            double drawW,
            boolean byPlate,
            double usedAhPerDay,
            double batteryAh,
            double coldC,
            double daysToHalf,
            double daysToEmpty,
            int inTurn)
            implements CircuitMessage {}

    /** The battery does not last the dark days. */
    record BatterySmall(double batteryAh, double daysToHalf, int darkDays, double leastAh) implements CircuitMessage {}

    /** @param dark no sun rises in the darkest month, otherwise the cable takes it */
    record NoPanelDoes(boolean dark) implements CircuitMessage {}

    /** The panel does not keep the battery up. */
    record PanelSmall(double panelW, double leastW) implements CircuitMessage {}

    /** The battery runs empty. */
    record BatteryEmpty(int month) implements CircuitMessage {}
}
