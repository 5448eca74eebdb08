package buckle.circuit;

import buckle.circuit.FenceCircuit.DeadStretch;
import buckle.layout.Finding;
import buckle.power.Battery;
import buckle.pulse.Plate;
import buckle.spec.GroundSchool;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * What the pulse does on the planned fence.
 *
 * @param says empty when answered; otherwise why not
 * @param energizer reckoned with
 * @param chosen whether somebody chose it; otherwise it is the recommended one
 * @param needV of the hardest animal
 * @param points along the lines, in order of line and station
 * @param reserve how many times the leakage may grow until the weakest point fails; empty when it fails already or never
 * @param dead stretches without pulse
 */
public record Electrics(
        String says,
        Plate energizer,
        boolean chosen,
        OptionalDouble needV,
        List<PulsePoint> points,
        List<SectionPulse> sections,
        Optional<PulsePoint> weakest,
        OptionalDouble reserve,
        String reserveSays,
        Earth earth,
        Supply supply,
        List<Candidate> candidates,
        String recommended,
        List<WhatIf> whatIfs,
        List<Assumed> assumed,
        List<DeadStretch> dead,
        List<Finding> findings,
        int runs,
        int frequencies,
        double windowS) {
    public Electrics {
        points = List.copyOf(points);
        sections = List.copyOf(sections);
        candidates = List.copyOf(candidates);
        whatIfs = List.copyOf(whatIfs);
        assumed = List.copyOf(assumed);
        dead = List.copyOf(dead);
        findings = List.copyOf(findings);
    }

    /** How a voltage stands against the need (V10). */
    public enum Met {
        MET,
        WARN,
        BROKEN,
        /** No need is known. */
        UNKNOWN;

        public static Met of(double volts, OptionalDouble needV) {
            if (needV.isEmpty()) {
                return UNKNOWN;
            }
            return volts >= needV.getAsDouble()
                    ? MET
                    : volts >= buckle.rulebook.Values.V10_WARN_SHARE * needV.getAsDouble() ? WARN : BROKEN;
        }
    }

    /** Peak at a station: low, likely, high; when, and the current that passes. */
    public record PulsePoint(
            String lineId,
            double stationM,
            double lonDeg,
            double latDeg,
            double lowV,
            double likelyV,
            double highV,
            double atS,
            double currentA,
            Met met) {}

    /** A section by its weakest point; off when a switch that was opened keeps the pulse away. */
    public record SectionPulse(String id, String name, boolean on, Optional<PulsePoint> weakest, Met met) {}

    /**
     * The ground rods.
     *
     * @param testV at the last rod in the test of G9; 0 while only the curve is worked out
     * @param mostV that may be read there
     * @param wires whether earth wires are the answer, and why
     */
    public record Earth(
            String soil,
            double soilOhmM,
            double rodsOhm,
            double testV,
            double mostV,
            boolean good,
            List<EarthCase> schools,
            List<EarthCase> improvements,
            List<EarthCase> seasons,
            String moist,
            String wires,
            List<Shock> shocks) {
        public Earth {
            schools = List.copyOf(schools);
            improvements = List.copyOf(improvements);
            seasons = List.copyOf(seasons);
            shocks = List.copyOf(shocks);
        }
    }

    /** Rods of one school, season or improvement. */
    public record EarthCase(
            String name,
            Optional<GroundSchool> school,
            int rods,
            double rodM,
            double soilOhmM,
            double ohm,
            double testV,
            boolean good) {}

    /**
     * What an animal at the weakest point gets.
     *
     * @param pathOhm body, feet and ground together
     * @param bodyJ in the body
     */
    public record Shock(String contact, String how, double pathOhm, double bodyJ, double volts) {}

    /**
     * Battery and sun.
     *
     * @param year empty without a battery
     */
    public record Supply(
            double drawW,
            double usedAhPerDay,
            double daysToHalf,
            double daysToEmpty,
            double leastAh,
            double leastPanelW,
            double cableDropV,
            List<Battery.Month> year,
            String says) {
        public Supply {
            year = List.copyOf(year);
        }
    }

    /** An energizer tried on this fence. */
    public record Candidate(
            Plate plate,
            double cleanV,
            double likelyV,
            double heavyV,
            Met met,
            Met metHeavy,
            double rodM,
            double drawW,
            boolean over5J,
            boolean recommended) {}

    /** One thing done otherwise, and the weakest point then. */
    public record WhatIf(String name, double weakestV, double heavyV, String says) {}

    /** An assumption, and what moving it does to the weakest point. */
    public record Assumed(String name, String likely, String low, String high, double lowestV, double highestV) {}
}
