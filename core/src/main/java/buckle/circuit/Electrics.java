package buckle.circuit;

import buckle.circuit.FenceCircuit.DeadStretch;
import buckle.layout.Finding;
import buckle.message.CircuitMessage;
import buckle.message.Message;
import buckle.power.Battery;
import buckle.pulse.EnergizerRating;
import buckle.rulebook.Standing;
import buckle.rulebook.Values;
import buckle.spec.GroundSchool;
import buckle.spec.GroundState;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;

/**
 * What the pulse does on the planned fence, and what else was asked.
 *
 * @param says nothing when answered; otherwise why not
 * @param energizer calculated with
 * @param chosen whether somebody chose it; otherwise it is the recommended one
 * @param needV of the hardest animal
 * @param bands that voltages are shown in; empty when no need is known
 * @param points along the lines, in order of line and station
 * @param assumed empty unless the range was asked for
 * @param dead stretches without pulse
 * @param findings of the pulse and the energizer; earth and supply have their own
 * @param work empty when nothing was solved
 */
public record Electrics(
        Message says,
        EnergizerRating energizer,
        boolean chosen,
        OptionalDouble needV,
        Optional<Bands> bands,
        List<PulsePoint> points,
        List<SectionPulse> sections,
        Optional<PulsePoint> weakest,
        double rodsOhm,
        List<Assumed> assumed,
        List<DeadStretch> dead,
        List<Finding> findings,
        Optional<Work> work,
        Optional<Reserve> reserve,
        Optional<Energizers> energizers,
        Optional<EarthAnswer> earth,
        Optional<SupplyAnswer> supply,
        Optional<List<WhatIf>> whatIfs) {
    public Electrics {
        points = List.copyOf(points);
        sections = List.copyOf(sections);
        assumed = List.copyOf(assumed);
        dead = List.copyOf(dead);
        findings = List.copyOf(findings);
        whatIfs = whatIfs.map(List::copyOf);
    }

    /** Findings of all that was answered. */
    public List<Finding> allFindings() {
        List<Finding> all = new ArrayList<>(findings);
        earth.ifPresent(e -> all.addAll(e.findings()));
        supply.ifPresent(s -> all.addAll(s.findings()));
        return all;
    }

    /** What can be asked besides the likely curve; each is worked out only when it is. */
    public enum Part {
        /** How low and how high the curve may lie; without it low and high are as likely. */
        RANGE,
        /** Currents at the points. */
        CURRENTS,
        RESERVE,
        /** Energizers compared, and which is recommended. */
        ENERGIZERS,
        EARTH,
        SUPPLY,
        WHAT_IFS;

        /** The likely curve alone, while something is dragged. */
        public static final Set<Part> CURVE = Set.of();

        /** Everything. */
        public static final Set<Part> ALL = Set.of(values());
    }

    /** How it was solved. */
    public record Work(int runs, int frequencies, double windowS) {}

    /**
     * How much more may grow before the weakest point fails.
     *
     * @param factor on the leakage; empty when it fails already or never
     */
    public record Reserve(OptionalDouble factor, Message says) {}

    /**
     * Energizers tried on this fence.
     *
     * @param why one of them is recommended
     */
    public record Energizers(List<Candidate> candidates, Message why) {
        public Energizers {
            candidates = List.copyOf(candidates);
        }
    }

    /** V10: from where a voltage is just under the need, meets it, and is ample. */
    public record Bands(double warnV, double metV, double ampleV) {
        static Optional<Bands> of(OptionalDouble needV) {
            return needV.isEmpty()
                    ? Optional.empty()
                    : Optional.of(new Bands(
                            Values.V10_WARN_SHARE * needV.getAsDouble(),
                            needV.getAsDouble(),
                            Values.V10_AMPLE_SHARE * needV.getAsDouble()));
        }
    }

    /**
     * Peak at a station: low, likely, high, and when.
     *
     * @param atS when it peaks; empty where nothing is fed
     * @param currentA that passes; empty unless currents were asked for
     */
    public record PulsePoint(
            String lineId,
            double stationM,
            double lonDeg,
            double latDeg,
            double lowV,
            double likelyV,
            double highV,
            OptionalDouble atS,
            OptionalDouble currentA,
            Standing met) {}

    /** A section by its weakest point; off when a switch that was opened keeps the pulse away. */
    public record SectionPulse(String id, String name, boolean on, Optional<PulsePoint> weakest, Standing met) {}

    /**
     * The ground rods.
     *
     * @param testV at the last rod in the test of G9
     * @param mostV that may be read there
     * @param wires whether earth wires are the answer, and why
     */
    public record EarthAnswer(
            GroundState ground,
            double soilOhmM,
            double rodsOhm,
            double testV,
            double mostV,
            boolean good,
            List<EarthCase> schools,
            List<EarthCase> improvements,
            List<EarthCase> seasons,
            Message moist,
            CircuitMessage.EarthWires wires,
            List<Shock> shocks,
            List<Finding> findings) {
        public EarthAnswer {
            schools = List.copyOf(schools);
            improvements = List.copyOf(improvements);
            seasons = List.copyOf(seasons);
            shocks = List.copyOf(shocks);
            findings = List.copyOf(findings);
        }
    }

    /**
     * Rods of one school, season or improvement.
     *
     * @param says what is to be known of it, if anything
     * @param ohm together, by mutual resistances
     * @param tableOhm together, by the factors of IEEE Std 142, where they are alike
     * @param weakestV at the weakest point of the fence with this earth; 0 where there is none
     */
    @RecordBuilder
    public record EarthCase(
            Message name,
            Message says,
            Optional<GroundSchool> school,
            int rods,
            double rodM,
            double soilOhmM,
            double ohm,
            double tableOhm,
            double testV,
            boolean good,
            double weakestV)
            implements ElectricsEarthCaseBuilder.With {}

    /**
     * What an energizer asks of its earth, so that the test of G9 is passed.
     *
     * @param mostOhm the rods together may have
     * @param rods of {@code rodM} each that come to it; empty when a dozen do not
     */
    public record EarthNeed(double mostOhm, OptionalInt rods, double rodM) {}

    /**
     * What an animal at the weakest point gets.
     *
     * @param who animals with such a body; nobody for the standard's
     * @param pathOhm body, feet and ground together
     * @param bodyJ in the body
     */
    public record Shock(
            CircuitMessage.Contact contact, Message how, Message who, double pathOhm, double bodyJ, double volts) {}

    /** What it draws, and what the battery makes of it; no battery on the mains. */
    public record SupplyAnswer(double drawW, Optional<BatteryAnswer> battery, Message says, List<Finding> findings) {
        public SupplyAnswer {
            findings = List.copyOf(findings);
        }
    }

    /**
     * Battery and sun.
     *
     * @param leastPanelW empty without a panel, or when none does
     * @param swaps next days on which batteries in turn are swapped, at half charge; empty until the first swap is said
     * @param year empty without a panel
     */
    public record BatteryAnswer(
            double usedAhPerDay,
            double daysToHalf,
            double daysToEmpty,
            double leastAh,
            OptionalDouble leastPanelW,
            double cableDropV,
            List<LocalDate> swaps,
            List<Battery.Month> year) {
        public BatteryAnswer {
            swaps = List.copyOf(swaps);
            year = List.copyOf(year);
        }
    }

    /**
     * An energizer tried on this fence.
     *
     * @param outJ into 500 ohm, as the plate says or as it was found
     * @param bodyJ energy in the animal that gets least for its need at the weakest point (V14); empty when no need is known
     * @param needJ what that animal needs
     */
    @RecordBuilder
    public record Candidate(
            EnergizerRating plate,
            double outJ,
            double cleanV,
            double likelyV,
            double heavyV,
            Standing met,
            Standing metHeavy,
            OptionalDouble bodyJ,
            OptionalDouble needJ,
            EarthNeed earth,
            double drawW,
            boolean over5J,
            boolean recommended)
            implements ElectricsCandidateBuilder.With {}

    /** Change one thing, and the weakest point then. */
    public record WhatIf(Message name, double weakestV, double heavyV, Message says) {}

    /** An assumption, and what moving it does to the weakest point. */
    public record Assumed(Message name, Message likely, Message low, Message high, double lowestV, double highestV) {}
}
